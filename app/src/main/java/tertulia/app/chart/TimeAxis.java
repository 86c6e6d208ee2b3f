package tertulia.app.chart;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.time.Horizon;

/** Which months of a horizon are labelled, so that no two labels touch. */
final class TimeAxis {
  /** A label such as "Jan 2027" with its distance to the next. */
  private static final double LABEL = 62;

  private TimeAxis() {}

  /**
   * The first month and every January; of two that would touch the January goes. A picture so
   * narrow or a plan so long that Januaries would touch shows every second, third … of them.
   *
   * @param step how wide a month is drawn
   */
  static List<Integer> labelled(Horizon horizon, double step) {
    List<Integer> labelled = new ArrayList<>();
    for (int m = 0; m < horizon.months(); m++) {
      YearMonth month = horizon.month(m);
      boolean wanted = m == 0 || month.getMonthValue() == 1;
      if (wanted && (labelled.isEmpty() || (m - labelled.getLast()) * step >= LABEL)) {
        labelled.add(m);
      }
    }
    return labelled;
  }
}
