package tertulia.app.chart;

import java.util.List;

/** Names beside the ends of lines, moved apart until none touches another. */
final class EndLabels {
  private static final double CHARACTER = 6.8;
  private static final double GAP = 15.5;

  private EndLabels() {}

  /** How much room the longest of some names takes beside its mark. */
  static double room(List<String> names) {
    return 28 + CHARACTER * names.stream().mapToInt(String::length).max().orElse(0);
  }

  /**
   * Heights near those wanted, in the same order, at least one line apart, between two bounds if
   * there is room.
   *
   * @param wanted from the top down
   */
  static double[] apart(double[] wanted, double top, double bottom) {
    double[] at = wanted.clone();
    for (int i = 0; i < at.length; i++) {
      at[i] = Math.max(at[i], i == 0 ? top : at[i - 1] + GAP);
    }
    double below = bottom;
    for (int i = at.length - 1; i >= 0 && at[i] > below; i--) {
      at[i] = below;
      below -= GAP;
    }
    return at;
  }
}
