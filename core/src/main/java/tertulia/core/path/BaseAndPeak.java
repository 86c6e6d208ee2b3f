package tertulia.core.path;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntFunction;

/**
 * The cheapest mixture of two terms of one plan where a maker sells them side by side: the units
 * needed all year on a committed term, those of the season by the month. One committed term runs at
 * a time and begins in a month in which something is needed; units may be added to it for the
 * months left; all others are monthly. Nothing is credited.
 *
 * @param bought units bought under committed terms, in the order of their months
 * @param monthly units by the month, by plan month
 * @param total of all invoices, each line rounded half-up
 */
public record BaseAndPeak(List<Bought> bought, List<Integer> monthly, BigDecimal total) {
  public BaseAndPeak {
    bought = List.copyOf(bought);
    monthly = List.copyOf(monthly);
  }

  /**
   * Units that are committed.
   *
   * @param term the plan month in which their term begins
   * @param month the plan month from which they are paid for
   * @param end the first month after them, within the plan
   */
  public record Bought(int term, int month, int end, int units) {}

  /**
   * What is sold.
   *
   * @param months that a committed term runs
   * @param committed price of a unit a month under a term, by the plan month in which the term
   *     begins
   * @param monthly price of a unit in a plan month
   * @param decimals of the currency
   */
  public record Sold(
      int months,
      IntFunction<BigDecimal> committed,
      IntFunction<BigDecimal> monthly,
      int decimals) {}

  /** What is paid from a month on, and in which month of it a term begins; −1: none. */
  private record Onward(BigDecimal cost, int begins) {}

  /**
   * The cheapest mixture, chosen on exact amounts; of equal ones the one that commits later.
   *
   * @param units needed by plan month, each 0 or more
   */
  public static BaseAndPeak of(List<Integer> units, Sold sold) {
    int all = units.size();
    Onward[] onward = new Onward[all + 1];
    onward[all] = new Onward(BigDecimal.ZERO, -1);
    for (int m = all - 1; m >= 0; m--) {
      BigDecimal loose =
          sold.monthly()
              .apply(m)
              .multiply(BigDecimal.valueOf(units.get(m)))
              .add(onward[m + 1].cost());
      onward[m] = new Onward(loose, -1);
      if (units.get(m) > 0) {
        int end = Math.min(all, m + sold.months());
        BigDecimal term = term(units, sold, m, end).cost().add(onward[end].cost());
        if (term.compareTo(loose) < 0) {
          onward[m] = new Onward(term, m);
        }
      }
    }
    return bought(units, sold, onward);
  }

  /** A term: what it costs with the months of it, and from when how many units are committed. */
  private record Term(BigDecimal cost, TreeMap<Integer, Integer> from) {}

  private static Term term(List<Integer> units, Sold sold, int begin, int end) {
    TreeSet<Integer> levels = new TreeSet<>(units.subList(begin, end));
    BigDecimal committed = sold.committed().apply(begin);
    BigDecimal cost = BigDecimal.ZERO;
    TreeMap<Integer, Integer> from = new TreeMap<>();
    int below = 0;
    for (int level : levels) {
      if (level > below) {
        // units above the level below are needed in the same months, so they are paid alike
        int alike = level - below;
        int best = end;
        BigDecimal before = BigDecimal.ZERO;
        BigDecimal least = null;
        for (int m = begin; m <= end; m++) {
          boolean begins = m == end || units.get(m) >= level;
          if (begins) {
            BigDecimal sum = before.add(committed.multiply(BigDecimal.valueOf(end - m)));
            if (least == null || sum.compareTo(least) <= 0) {
              least = sum;
              best = m;
            }
          }
          if (m < end && units.get(m) >= level) {
            before = before.add(sold.monthly().apply(m));
          }
        }
        cost =
            cost.add(java.util.Objects.requireNonNull(least).multiply(BigDecimal.valueOf(alike)));
        if (best < end) {
          from.merge(best, alike, Integer::sum);
        }
        below = level;
      }
    }
    return new Term(cost, from);
  }

  private static BaseAndPeak bought(List<Integer> units, Sold sold, Onward[] onward) {
    List<Bought> bought = new ArrayList<>();
    List<Integer> monthly = new ArrayList<>(units);
    BigDecimal total = BigDecimal.ZERO;
    int m = 0;
    while (m < units.size()) {
      if (onward[m].begins() < 0) {
        m++;
        continue;
      }
      int begin = m;
      int end = Math.min(units.size(), m + sold.months());
      for (var entry : term(units, sold, begin, end).from().entrySet()) {
        int since = entry.getKey();
        int many = entry.getValue();
        bought.add(new Bought(begin, since, end, many));
        total =
            total.add(
                rounded(
                    sold.committed()
                        .apply(begin)
                        .multiply(BigDecimal.valueOf((long) many * (end - since))),
                    sold));
        for (int i = since; i < end; i++) {
          monthly.set(i, monthly.get(i) - many);
        }
      }
      m = end;
    }
    for (int i = 0; i < monthly.size(); i++) {
      monthly.set(i, Math.max(0, monthly.get(i)));
      total =
          total.add(
              rounded(sold.monthly().apply(i).multiply(BigDecimal.valueOf(monthly.get(i))), sold));
    }
    return new BaseAndPeak(bought, monthly, total);
  }

  private static BigDecimal rounded(BigDecimal amount, Sold sold) {
    return amount.setScale(sold.decimals(), RoundingMode.HALF_UP);
  }

  /** Units that are paid for in a plan month under committed terms. */
  public int committed(int month) {
    return bought.stream()
        .filter(one -> one.month() <= month && month < one.end())
        .mapToInt(Bought::units)
        .sum();
  }
}
