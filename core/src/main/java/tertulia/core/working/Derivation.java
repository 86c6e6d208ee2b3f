package tertulia.core.working;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * One line of the answer to "why": a value and the lines it was made from, down to entered facts.
 * Sums, products and choices refuse to exist if their parts do not give their value, so an
 * explanation cannot drift from the figure it explains.
 */
public sealed interface Derivation {
  /** What the line stands for, in the reader's words. */
  String label();

  /** The value of the line; empty where it is not a number or not known. */
  Optional<Quantity> value();

  /** The lines this one was made from, in reading order. */
  List<Derivation> parts();

  /** A number somebody entered, with where it comes from if that was recorded. */
  record Entered(String label, Quantity quantity, Optional<Provenance> source)
      implements Derivation {
    public Entered(String label, Quantity quantity) {
      this(label, quantity, Optional.empty());
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.of(quantity);
    }

    @Override
    public List<Derivation> parts() {
      return List.of();
    }
  }

  /** Something stated in words: a verdict, a reason, an answer. */
  record Stated(String label, String text, Optional<Provenance> source, List<Derivation> parts)
      implements Derivation {
    public Stated {
      parts = List.copyOf(parts);
    }

    public Stated(String label, String text) {
      this(label, text, Optional.empty(), List.of());
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.empty();
    }
  }

  /** A value that is the sum of its parts. */
  record Sum(String label, Quantity quantity, List<Derivation> parts) implements Derivation {
    public Sum {
      parts = List.copyOf(parts);
      check(
          label,
          quantity,
          parts.stream().map(Sum::amount).reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    /** The sum of {@code parts}, counted in {@code unit}. */
    public static Sum of(String label, String unit, List<? extends Derivation> parts) {
      BigDecimal sum = parts.stream().map(Sum::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
      return new Sum(label, new Quantity(sum, unit), List.copyOf(parts));
    }

    private static BigDecimal amount(Derivation part) {
      return part.value().map(Quantity::amount).orElse(BigDecimal.ZERO);
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.of(quantity);
    }
  }

  /** A value that is the product of its parts. */
  record Product(String label, Quantity quantity, List<Derivation> parts) implements Derivation {
    public Product {
      parts = List.copyOf(parts);
      check(
          label,
          quantity,
          parts.stream()
              .map(part -> part.value().orElseThrow().amount())
              .reduce(BigDecimal.ONE, BigDecimal::multiply));
    }

    /** The product of {@code parts}, counted in {@code unit}. */
    public static Product of(String label, String unit, List<? extends Derivation> parts) {
      return of(label, amount -> new Quantity(amount, unit), parts);
    }

    /** The product of {@code parts}, as so many of what {@code counted} makes of it. */
    public static Product of(
        String label, Function<BigDecimal, Quantity> counted, List<? extends Derivation> parts) {
      BigDecimal product =
          parts.stream()
              .map(part -> part.value().orElseThrow().amount())
              .reduce(BigDecimal.ONE, BigDecimal::multiply);
      return new Product(label, counted.apply(product), List.copyOf(parts));
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.of(quantity);
    }
  }

  /** A value made from its parts by a stated rule that is neither a sum nor a product. */
  record Derived(String label, Quantity quantity, String rule, List<Derivation> parts)
      implements Derivation {
    public Derived {
      requireNonNull(rule);
      parts = List.copyOf(parts);
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.of(quantity);
    }
  }

  /** A value taken from one of several alternatives; the first part is the one taken. */
  record Taken(String label, Quantity quantity, String rule, List<Derivation> parts)
      implements Derivation {
    public Taken {
      parts = List.copyOf(parts);
      check(label, quantity, parts.getFirst().value().orElseThrow().amount());
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.of(quantity);
    }
  }

  /** A figure that cannot be given, and why. An unknown is never zero. */
  record Missing(String label, String reason, List<Derivation> parts) implements Derivation {
    public Missing {
      parts = List.copyOf(parts);
    }

    public Missing(String label, String reason) {
      this(label, reason, List.of());
    }

    @Override
    public Optional<Quantity> value() {
      return Optional.empty();
    }
  }

  private static void check(String label, Quantity stated, BigDecimal found) {
    if (stated.amount().compareTo(found) != 0) {
      throw new IllegalArgumentException(
          "Working \"" + label + "\" states " + stated.amount() + " but its parts give " + found);
    }
  }
}
