package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * Total = Σ group weight × value for each contender, as intervals where a value is not known.
 *
 * @param weights by criterion id, adding up to 1
 * @param weightWorkings how each weight came about, by criterion id
 * @param values by contender id, then criterion id
 */
public record Totals(
    List<Criterion> criteria,
    Map<String, BigDecimal> weights,
    Map<String, Working> weightWorkings,
    Map<String, Map<String, Value>> values) {

  /** Where a contender stands. Ranks run from 1; equal if its total is certain enough. */
  public record Standing(String contender, Interval total, int bestRank, int worstRank) {}

  /** Every contender, best midpoint first; equal midpoints keep the contenders' order. */
  public List<Standing> standings() {
    Map<String, Interval> totals = new LinkedHashMap<>();
    values.keySet().forEach(contender -> totals.put(contender, total(contender)));
    List<Standing> standings = new ArrayList<>();
    totals.forEach((contender, total) -> standings.add(standing(contender, total, totals)));
    standings.sort(
        Comparator.comparing((Standing s) -> s.total().midpoint(), Comparator.reverseOrder()));
    return standings;
  }

  private static Standing standing(String contender, Interval total, Map<String, Interval> totals) {
    int above = 0;
    int notBelow = 0;
    for (Map.Entry<String, Interval> rival : totals.entrySet()) {
      if (!rival.getKey().equals(contender)) {
        above += rival.getValue().low().compareTo(total.high()) > 0 ? 1 : 0;
        notBelow += rival.getValue().high().compareTo(total.low()) >= 0 ? 1 : 0;
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

  /** The working of {@link #total}; of an interval both ends are explained. */
  public Working explain(String contender) {
    Interval total = total(contender);
    if (total.isExact()) {
      return explain("Total", contender, true);
    }
    return new Working.Missing(
        "Total",
        "some values are not known, so it lies between two ends",
        List.of(
            explain("if every unknown is 0", contender, true),
            explain("if every unknown is 1", contender, false)));
  }

  private Working explain(String label, String contender, boolean low) {
    List<Working> parts = new ArrayList<>();
    for (Criterion criterion : criteria) {
      Value value = value(contender, criterion);
      BigDecimal end = low ? value.interval().low() : value.interval().high();
      parts.add(
          Working.Product.of(
              criterion.name(),
              "",
              List.of(
                  java.util.Objects.requireNonNull(weightWorkings.get(criterion.id())),
                  new Working.Taken(
                      "value",
                      new Quantity(end, ""),
                      value.interval().isExact() ? "as computed" : "assumed, not known",
                      List.of(ended(value, end))))));
    }
    return Working.Sum.of(label, "", parts);
  }

  private static Working ended(Value value, BigDecimal end) {
    return value.interval().isExact()
        ? value.working()
        : new Working.Derived(
            "not known",
            new Quantity(end, ""),
            "one end of what is possible",
            List.of(value.working()));
  }

  /** How many criteria a contender wins clearly or by an edge; shown beside the total only. */
  public long wins(String contender) {
    return criteria.stream()
        .map(this::winner)
        .filter(w -> w.margin() != Margin.TIE && w.contender().equals(contender))
        .count();
  }

  /** The best contender under a criterion by midpoint, and by how much it leads the second. */
  public Winner winner(Criterion criterion) {
    List<Map.Entry<String, BigDecimal>> order =
        values.keySet().stream()
            .map(c -> Map.entry(c, value(c, criterion).interval().midpoint()))
            .sorted(Map.Entry.<String, BigDecimal>comparingByValue().reversed())
            .toList();
    BigDecimal lead =
        order.size() < 2
            ? BigDecimal.ONE
            : order.get(0).getValue().subtract(order.get(1).getValue());
    return new Winner(order.getFirst().getKey(), Margin.of(lead));
  }

  /** Who wins a criterion. */
  public record Winner(String contender, Margin margin) {}

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
