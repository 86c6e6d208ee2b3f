package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;

/** Maps numbers from 0 to a round maximum onto a stretch of the picture. */
record Scale(double most, double step, double from, double to) {
  private static final double[] ROUND = {1, 2, 2.5, 5, 10};

  /** A scale that holds {@code highest}, with about {@code ticks} round ticks. */
  static Scale over(double highest, int ticks, double from, double to) {
    double rough = Math.max(highest, 1) / ticks;
    double power = Math.pow(10, Math.floor(Math.log10(rough)));
    double step = 10 * power;
    for (double round : ROUND) {
      if (round * power >= rough) {
        step = round * power;
        break;
      }
    }
    return new Scale(Math.ceil(Math.max(highest, 1) / step) * step, step, from, to);
  }

  double at(double value) {
    return from + (to - from) * value / most;
  }

  List<Double> ticks() {
    List<Double> ticks = new ArrayList<>();
    for (int i = 0; i * step <= most + step / 1000; i++) {
      ticks.add(i * step);
    }
    return ticks;
  }
}
