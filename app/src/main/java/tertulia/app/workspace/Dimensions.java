package tertulia.app.workspace;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.growth.Measure;
import tertulia.core.path.Dimension;
import tertulia.core.path.Market;

/** What a "what if" can be asked of besides people. */
public final class Dimensions {
  private static final List<Measure> PEOPLE =
      List.of(Measure.SEATS, Measure.LIGHT_SEATS, Measure.WHOLE_STAFF);

  private Dimensions() {}

  static boolean takesShareOfPayments(Session session) {
    return session.columns().stream()
        .flatMap(contender -> contender.tool().plans().stream())
        .flatMap(plan -> plan.charged().stream())
        .flatMap(list -> list.charges().stream())
        .anyMatch(Market::needsAveragePayment);
  }

  /** By what costs can be drawn whoever the people are. */
  public static List<Dimension> of(Session session) {
    List<Dimension> dimensions = new ArrayList<>();
    quantities(session).forEach(measure -> dimensions.add(new Dimension.Quantity(measure)));
    if (takesShareOfPayments(session)) {
      dimensions.add(new Dimension.AveragePayment());
    }
    return dimensions;
  }

  /** Of what there may be more or fewer whoever the people are. */
  public static List<Measure> quantities(Session session) {
    return session.table().selection().counted().stream()
        .filter(measure -> !PEOPLE.contains(measure))
        .toList();
  }
}
