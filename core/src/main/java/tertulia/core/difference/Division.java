package tertulia.core.difference;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * The difference between two figures divided among what changed: each cause gets the mean, over all
 * orders in which the causes may come, of what it adds when it comes (Shapley 1953). 10.00 × 50
 * then and 12.00 × 60 now differ by 220.00: 110.00 by the price and 110.00 by the people.
 *
 * @param then the figure with nothing changed, rounded half-up
 * @param now the figure with everything changed, rounded half-up
 * @param parts what each cause adds; they add up to the difference exactly
 */
public record Division(BigDecimal then, BigDecimal now, List<Part> parts) {
  public Division {
    parts = List.copyOf(parts);
  }

  /**
   * What a cause adds.
   *
   * @param causes more than one if there is a figure with all of them or none only
   * @param added what it adds after each choice of the others
   */
  public record Part(Set<Cause> causes, BigDecimal amount, List<Added> added) {
    public Part {
      causes = java.util.Collections.unmodifiableSet(EnumSet.copyOf(causes));
      added = List.copyOf(added);
    }
  }

  /**
   * What a cause adds when it comes after some others.
   *
   * @param after those that came before
   * @param without the figure before it
   * @param with the figure after it
   * @param orders in how many orders exactly those come before
   */
  public record Added(Set<Cause> after, BigDecimal without, BigDecimal with, BigInteger orders) {
    public Added {
      after = java.util.Collections.unmodifiableSet(after);
    }

    public BigDecimal amount() {
      return with.subtract(without);
    }
  }

  /** In how many orders the causes may come. */
  public BigInteger orders() {
    return factorial(parts.size());
  }

  public BigDecimal difference() {
    return now.subtract(then);
  }

  /** What some cause adds, alone or with others; 0 if it is none of those that changed. */
  public BigDecimal of(Cause cause) {
    return parts.stream()
        .filter(part -> part.causes().contains(cause))
        .map(Part::amount)
        .findFirst()
        .orElse(BigDecimal.ZERO);
  }

  /**
   * Divides a difference.
   *
   * @param changed the causes
   * @param figure the figure with some causes as they are now and the others as they were; empty:
   *     there is none
   * @param decimals to which figures and parts are rounded
   * @return empty if there is no figure then or none now
   */
  public static Optional<Division> of(
      Set<Cause> changed, Function<Set<Cause>, Optional<BigDecimal>> figure, int decimals) {
    Optional<BigDecimal> then = figure.apply(EnumSet.noneOf(Cause.class));
    Optional<BigDecimal> now = figure.apply(changed);
    if (then.isEmpty() || now.isEmpty()) {
      return Optional.empty();
    }
    List<Set<Cause>> blocks = blocks(List.copyOf(changed), figure);
    BigDecimal from = then.get().setScale(decimals, RoundingMode.HALF_UP);
    BigDecimal to = now.get().setScale(decimals, RoundingMode.HALF_UP);
    List<List<Added>> added = added(blocks, causes -> figure.apply(causes).orElseThrow());
    List<BigDecimal> amounts =
        adjusted(
            added.stream().map(one -> mean(one, blocks.size(), decimals)).toList(),
            to.subtract(from));
    List<Part> parts = new ArrayList<>();
    for (int b = 0; b < blocks.size(); b++) {
      parts.add(new Part(blocks.get(b), amounts.get(b), added.get(b)));
    }
    return Optional.of(new Division(from, to, parts));
  }

  /** The finest division of the causes with a figure for every choice of its blocks. */
  private static List<Set<Cause>> blocks(
      List<Cause> causes, Function<Set<Cause>, Optional<BigDecimal>> figure) {
    List<Set<Cause>> best = null;
    for (List<Set<Cause>> partition : partitions(causes)) {
      if ((best == null || partition.size() > best.size()) && hasFigures(partition, figure)) {
        best = partition;
      }
    }
    return requireNonNull(best, "all causes together have a figure");
  }

  private static boolean hasFigures(
      List<Set<Cause>> blocks, Function<Set<Cause>, Optional<BigDecimal>> figure) {
    for (int choice = 0; choice < 1 << blocks.size(); choice++) {
      if (figure.apply(chosen(blocks, choice)).isEmpty()) {
        return false;
      }
    }
    return true;
  }

  /** All ways to put causes together, each alone first; 203 for the six there are. */
  private static List<List<Set<Cause>>> partitions(List<Cause> causes) {
    List<List<Set<Cause>>> all = List.of(List.of());
    for (Cause cause : causes) {
      List<List<Set<Cause>>> longer = new ArrayList<>();
      for (List<Set<Cause>> before : all) {
        List<Set<Cause>> alone = new ArrayList<>(before);
        alone.add(EnumSet.of(cause));
        longer.add(alone);
        for (int b = 0; b < before.size(); b++) {
          List<Set<Cause>> joined = new ArrayList<>(before);
          Set<Cause> block = EnumSet.copyOf(before.get(b));
          block.add(cause);
          joined.set(b, block);
          longer.add(joined);
        }
      }
      all = longer;
    }
    return all;
  }

  private static Set<Cause> chosen(List<Set<Cause>> blocks, int choice) {
    Set<Cause> causes = EnumSet.noneOf(Cause.class);
    for (int b = 0; b < blocks.size(); b++) {
      if ((choice & 1 << b) != 0) {
        causes.addAll(blocks.get(b));
      }
    }
    return causes;
  }

  /** What each block adds after each choice of the others. */
  private static List<List<Added>> added(
      List<Set<Cause>> blocks, Function<Set<Cause>, BigDecimal> figure) {
    int n = blocks.size();
    BigDecimal[] figures = new BigDecimal[1 << n];
    for (int choice = 0; choice < figures.length; choice++) {
      figures[choice] = figure.apply(chosen(blocks, choice));
    }
    List<List<Added>> all = new ArrayList<>();
    for (int b = 0; b < n; b++) {
      List<Added> added = new ArrayList<>();
      for (int choice = 0; choice < figures.length; choice++) {
        if ((choice & 1 << b) == 0) {
          added.add(
              new Added(
                  chosen(blocks, choice),
                  figures[choice],
                  figures[choice | 1 << b],
                  orders(Integer.bitCount(choice), n)));
        }
      }
      all.add(added);
    }
    return all;
  }

  /** The mean over all orders, exact before it is rounded half-up. */
  private static BigDecimal mean(List<Added> added, int n, int decimals) {
    return added.stream()
        .map(one -> one.amount().multiply(new BigDecimal(one.orders())))
        .reduce(BigDecimal.ZERO, BigDecimal::add)
        .divide(new BigDecimal(factorial(n)), decimals, RoundingMode.HALF_UP);
  }

  /** In how many orders of n exactly these so many come before. */
  private static BigInteger orders(int before, int n) {
    return factorial(before).multiply(factorial(n - before - 1));
  }

  private static BigInteger factorial(int n) {
    BigInteger product = BigInteger.ONE;
    for (int i = 2; i <= n; i++) {
      product = product.multiply(BigInteger.valueOf(i));
    }
    return product;
  }

  /** What rounding leaves goes to the part largest in amount, the first of several. */
  private static List<BigDecimal> adjusted(List<BigDecimal> amounts, BigDecimal difference) {
    BigDecimal rest = amounts.stream().reduce(difference, BigDecimal::subtract);
    if (rest.signum() == 0 || amounts.isEmpty()) {
      return amounts;
    }
    int largest = 0;
    for (int i = 1; i < amounts.size(); i++) {
      if (amounts.get(i).abs().compareTo(amounts.get(largest).abs()) > 0) {
        largest = i;
      }
    }
    List<BigDecimal> adjusted = new ArrayList<>(amounts);
    adjusted.set(largest, amounts.get(largest).add(rest));
    return adjusted;
  }
}
