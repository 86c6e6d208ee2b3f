package tertulia.core.scoring;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * Total = Σ group weight × value for each contender, as intervals where a value is not known.
 *
 * @param weights by criterion id, adding up to 1
 * @param values by contender id, then criterion id
 */
public record Totals(
    List<Criterion> criteria,
    Map<String, BigDecimal> weights,
    Map<String, Map<String, Value>> values) {
  /** Totals nearer than this are equal: ⅔ · 8/9 and ⅓ · 9/7 have no exact decimals. */
  public static final BigDecimal LEVEL = new BigDecimal("1E-9");

  /** Where a contender stands. Ranks run from 1; equal if its total is certain enough. */
  public record Standing(String contender, Interval total, int bestRank, int worstRank) {}

  /** Decimals of a total as it is read. */
  public static final int DECIMALS = 3;

  /**
   * Two totals and how far apart they are.
   *
   * @param above the first, which need not be the higher one
   * @param below the second
   */
  public record Apart(BigDecimal above, BigDecimal below) {
    /** How far the first is above the second, exactly. */
    public BigDecimal exactly() {
      return above.subtract(below);
    }

    /**
     * The difference of the totals as they are read, so that whoever subtracts what stands beside
     * it gets the same; 0 if they read alike.
     */
    public BigDecimal asRead() {
      return read(above).subtract(read(below));
    }

    private static BigDecimal read(BigDecimal total) {
      return total.setScale(DECIMALS, RoundingMode.HALF_UP);
    }

    /** Whether they are equal. */
    public boolean isLevel() {
      return exactly().abs().compareTo(LEVEL) < 0;
    }
  }

  /** Whether one figure is above another by more than what equal ones may differ by. */
  public static boolean isAbove(BigDecimal one, BigDecimal other) {
    return one.subtract(other).compareTo(LEVEL) >= 0;
  }

  /** Every contender, best midpoint first; level midpoints keep the contenders' order. */
  public List<Standing> standings() {
    Map<String, Interval> totals = new LinkedHashMap<>();
    values.keySet().forEach(contender -> totals.put(contender, total(contender)));
    List<Standing> standings = new ArrayList<>();
    totals.forEach((contender, total) -> {
      Standing mine = standing(contender, total, totals);
      int place = standings.size();
      while (place > 0 && isAbove(total.midpoint(), standings.get(place - 1).total().midpoint())) {
        place--;
      }
      standings.add(place, mine);
    });
    return standings;
  }

  private static Standing standing(String contender, Interval total, Map<String, Interval> totals) {
    int above = 0;
    int notBelow = 0;
    for (Map.Entry<String, Interval> rival : totals.entrySet()) {
      if (!rival.getKey().equals(contender)) {
        above += isAbove(rival.getValue().low(), total.high()) ? 1 : 0;
        notBelow += isAbove(total.low(), rival.getValue().high()) ? 0 : 1;
      }
    }
    return new Standing(contender, total, 1 + above, 1 + notBelow);
  }

  /** Σ weight × value, from 0 to 1. */
  public Interval total(String contender) {
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    for (Criterion criterion : criteria) {
      Interval value = value(contender, criterion).interval();
      low = low.add(weight(criterion).multiply(value.low()));
      high = high.add(weight(criterion).multiply(value.high()));
    }
    return new Interval(low, high);
  }

  public BigDecimal weight(Criterion criterion) {
    return weights.getOrDefault(criterion.id(), BigDecimal.ZERO);
  }

  /** The value of a contender under a criterion. */
  public Value value(String contender, Criterion criterion) {
    return java.util.Objects.requireNonNull(
        java.util.Objects.requireNonNull(values.get(contender)).get(criterion.id()));
  }

  /**
   * The working of {@link #total}; of an interval both ends are explained.
   *
   * @param weight explains how a weight came about
   */
  public Derivation explain(String contender, Function<Criterion, Derivation> weight) {
    Interval total = total(contender);
    if (total.isExact()) {
      return explain("Total", contender, true, weight);
    }
    return new Derivation.Missing(
        "Total",
        "some values are not known, so it lies between two ends",
        List.of(
            explain("if every unknown is at its low end", contender, true, weight),
            explain("if every unknown is at its high end", contender, false, weight)));
  }

  private Derivation explain(
      String label, String contender, boolean low, Function<Criterion, Derivation> weight) {
    List<Derivation> parts = new ArrayList<>();
    for (Criterion criterion : criteria) {
      Value value = value(contender, criterion);
      BigDecimal end = low ? value.interval().low() : value.interval().high();
      parts.add(
          Derivation.Product.of(
              criterion.name(),
              "",
              List.of(
                  weight.apply(criterion),
                  new Derivation.Taken(
                      "value",
                      new Quantity(end, ""),
                      value.interval().isExact() ? "as computed" : "assumed, not known",
                      List.of(ended(value, end))))));
    }
    return Derivation.Sum.of(label, "", parts);
  }

  private static Derivation ended(Value value, BigDecimal end) {
    return value.interval().isExact()
        ? value.working()
        : new Derivation.Derived(
            "not known",
            new Quantity(end, ""),
            "one end of what is possible",
            List.of(value.working()));
  }

  /** How many criteria a contender wins clearly or by an edge; shown beside the total only. */
  public long wins(String contender) {
    return criteria.stream()
        .map(this::winner)
        .filter(winner -> winner.of().equals(Optional.of(contender)))
        .count();
  }

  /** Who wins a criterion, and by how much the best leads the second, both by midpoint. */
  public Winner winner(Criterion criterion) {
    Map<String, Interval> own = new LinkedHashMap<>();
    values.keySet().forEach(c -> own.put(c, value(c, criterion).interval()));
    return Winner.of(own);
  }

  /** What is to be said of a criterion. */
  public sealed interface Winner {
    /** The best by midpoint, whether or not it wins. */
    String contender();

    /**
     * Who wins by some values, which need no weights.
     *
     * @param values by contender, at least one
     */
    static Winner of(Map<String, Interval> values) {
      List<Map.Entry<String, Interval>> order = new ArrayList<>(values.entrySet());
      order.sort(
          Comparator.comparing(
              (Map.Entry<String, Interval> e) -> e.getValue().midpoint(),
              Comparator.reverseOrder()));
      String first = order.getFirst().getKey();
      if (order.size() < 2) {
        return new Alone(first);
      }
      Interval best = order.getFirst().getValue();
      BigDecimal second = order.get(1).getValue().midpoint();
      Margin margin = Margin.of(best.midpoint().subtract(second));
      boolean open =
          order.stream()
              .skip(1)
              .map(Map.Entry::getValue)
              .filter(other -> !isAbove(second, other.midpoint()))
              .filter(other -> !best.isExact() || !other.isExact())
              .anyMatch(other -> !isAbove(best.low(), other.high()));
      if (open) {
        return new Open(first, margin);
      }
      return margin == Margin.TIE ? new Tied(first) : new Won(first, margin);
    }

    /** Whose it is; empty if nobody's. */
    default Optional<String> of() {
      return this instanceof Won won ? Optional.of(won.contender()) : Optional.empty();
    }

    /** Such as "clear" or "open". */
    default String words() {
      return switch (this) {
        case Won won -> won.margin().words();
        case Tied tied -> Margin.TIE.words();
        case Open open -> "open: what is not known could turn it";
        case Alone alone -> "alone: there is nobody to win against";
      };
    }

    /** Ahead by an edge or clearly, whatever the unknown values are. */
    record Won(String contender, Margin margin) implements Winner {}

    /** The two best are too near. */
    record Tied(String contender) implements Winner {}

    /**
     * The ranges of the best and of those level on second place meet.
     *
     * @param margin by which it is ahead by midpoint; a tie if nobody is
     */
    record Open(String contender, Margin margin) implements Winner {}

    /** There is no other. */
    record Alone(String contender) implements Winner {}
  }

  /** How clear a lead is: below 0.05 a tie, below 0.15 an edge, else clear. */
  public enum Margin {
    TIE("a tie"),
    EDGE("an edge"),
    CLEAR("clear");

    private static final BigDecimal TIE_BELOW = new BigDecimal("0.05");
    private static final BigDecimal EDGE_BELOW = new BigDecimal("0.15");
    private final String words;

    Margin(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    /** The margin of a lead of 0 or more. */
    public static Margin of(BigDecimal lead) {
      if (lead.compareTo(TIE_BELOW) < 0) {
        return TIE;
      }
      return lead.compareTo(EDGE_BELOW) < 0 ? EDGE : CLEAR;
    }
  }
}
