package tertulia.app.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tertulia.app.display.Figures;

/** Maps numbers between two round ends onto a stretch of the picture. */
record Scale(double least, double most, double step, double from, double to) {
  private static final double[] ROUND = {1, 2, 2.5, 5, 10};

  /** A scale that holds {@code highest}, with about {@code ticks} round ticks. */
  static Scale over(double highest, int ticks, double from, double to) {
    double step = step(Math.max(highest, 1) / ticks);
    return new Scale(0, Math.ceil(Math.max(highest, 1) / step) * step, step, from, to);
  }

  /** A scale that holds both, though not 0 if they are far from it, with about so many ticks. */
  static Scale between(double lowest, double highest, int ticks, double from, double to) {
    double step = step(Math.max(highest - lowest, highest / 100) / ticks);
    return new Scale(
        Math.floor(lowest / step) * step, Math.ceil(highest / step) * step, step, from, to);
  }

  /** The next round number. */
  static double step(double rough) {
    double power = Math.pow(10, Math.floor(Math.log10(rough)));
    for (double round : ROUND) {
      if (round * power >= rough) {
        return round * power;
      }
    }
    return 10 * power;
  }

  double at(double value) {
    return most == least ? from : from + (to - from) * (value - least) / (most - least);
  }

  List<Double> ticks() {
    List<Double> ticks = new ArrayList<>();
    for (int i = 0; least + i * step <= most + step / 1000; i++) {
      ticks.add(least + i * step);
    }
    return ticks;
  }

  /** A tick as it stands beside the picture, with as many decimals as the steps have. */
  String label(double tick) {
    int decimals = 0;
    double scaled = step;
    while (decimals < 6 && Math.abs(scaled - Math.rint(scaled)) > 1e-6 * scaled) {
      scaled *= 10;
      decimals++;
    }
    return decimals == 0
        ? Figures.whole(Math.round(tick))
        : String.format(Locale.ROOT, "%." + decimals + "f", tick);
  }
}
