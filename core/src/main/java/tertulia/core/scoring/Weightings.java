package tertulia.core.scoring;

import java.util.List;

/**
 * The values of all contenders set out for weighing them again and again: what {@link Totals} says
 * exactly, in binary fractions. Both agree to within {@link Totals#LEVEL}, which is also what
 * levels totals here.
 */
public final class Weightings {
  private static final double LEVEL = Totals.LEVEL.doubleValue();
  private final List<String> contenders;
  private final double[][] low;
  private final double[][] high;

  private Weightings(List<String> contenders, double[][] low, double[][] high) {
    this.contenders = contenders;
    this.low = low;
    this.high = high;
  }

  /** The values that totals rest on, by contender and criterion in their order. */
  public static Weightings of(Totals totals) {
    List<String> contenders = List.copyOf(totals.values().keySet());
    double[][] low = new double[contenders.size()][totals.criteria().size()];
    double[][] high = new double[contenders.size()][totals.criteria().size()];
    for (int t = 0; t < low.length; t++) {
      for (int c = 0; c < low[t].length; c++) {
        Interval value = totals.value(contenders.get(t), totals.criteria().get(c)).interval();
        low[t][c] = value.low().doubleValue();
        high[t][c] = value.high().doubleValue();
      }
    }
    return new Weightings(contenders, low, high);
  }

  /** Contender ids in the order of all arrays. */
  public List<String> contenders() {
    return contenders;
  }

  /**
   * The standings under a weighting.
   *
   * @param weights by criterion in the totals' order, each 0 or more, adding up to 1
   */
  public Ranks under(double[] weights) {
    double[] lows = sums(low, weights);
    double[] highs = sums(high, weights);
    int[] best = new int[lows.length];
    int[] worst = new int[lows.length];
    int leader = 0;
    for (int t = 0; t < lows.length; t++) {
      best[t] = 1;
      worst[t] = 1;
      for (int rival = 0; rival < lows.length; rival++) {
        if (rival != t) {
          best[t] += lows[rival] - highs[t] >= LEVEL ? 1 : 0;
          worst[t] += lows[t] - highs[rival] >= LEVEL ? 0 : 1;
        }
      }
      leader = lows[t] + highs[t] - lows[leader] - highs[leader] >= 2 * LEVEL ? t : leader;
    }
    return new Ranks(leader, best, worst, lows, highs);
  }

  private static double[] sums(double[][] values, double[] weights) {
    double[] sums = new double[values.length];
    for (int t = 0; t < sums.length; t++) {
      double[] own = values[t];
      double sum = 0;
      for (int c = 0; c < own.length; c++) {
        sum += weights[c] * own[c];
      }
      sums[t] = sum;
    }
    return sums;
  }

  /**
   * Standings under one weighting, by place in {@link #contenders}; the arrays are the caller's.
   *
   * @param leader the first of those with the highest midpoint
   */
  public record Ranks(int leader, int[] best, int[] worst, double[] low, double[] high) {}
}
