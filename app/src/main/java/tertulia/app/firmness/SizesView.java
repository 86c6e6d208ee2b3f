package tertulia.app.firmness;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.chart.Drawn;
import tertulia.app.chart.MapChart;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.core.growth.Measure;
import tertulia.core.sensitivity.SensitivityFigure;
import tertulia.core.sensitivity.Sizes;

/**
 * Who leads by size and weight of cost, as it is read.
 *
 * @param picture empty as long as nobody has weighed, or cost does not count
 * @param unit what the size counts
 * @param choices what it can be read by; none if there is but one
 */
record SizesView(
    String picture, String hint, String unit, List<Choice> choices, List<Stretch> stretches) {
  private static final int LEAST_REACH = 30;

  /** What the map can be read by. */
  record Choice(String code, String words, boolean chosen) {}

  /** Sizes with one leader; why is asked of the first of them. */
  record Stretch(String sizes, String mark, Cell leader) {}

  /** Empty if there is nobody to compare, or no people. */
  static Optional<SizesView> of(Session session, FirmnessAsked asked) {
    List<Measure> measures = Sizes.quantities(session.evaluation().costs());
    Sizes.Axis axis =
        measures.stream()
            .filter(measure -> measure.id().equals(asked.across()))
            .findFirst()
            .<Sizes.Axis>map(Sizes.Axis.Quantity::new)
            .orElseGet(Sizes.Axis.Headcount::new);
    return session.sensitivity().by(axis).map(sizes -> of(session, sizes, measures));
  }

  private static SizesView of(Session session, Sizes sizes, List<Measure> measures) {
    String unit = unit(sizes.axis());
    List<Choice> choices = new ArrayList<>();
    if (!measures.isEmpty()) {
      choices.add(new Choice("", "people", sizes.axis() instanceof Sizes.Axis.Headcount));
      measures.forEach(m ->
          choices.add(
              new Choice(m.id(), m.label(), sizes.axis().equals(new Sizes.Axis.Quantity(m)))));
    }
    return new SizesView(
        picture(session, sizes, unit),
        sizes.scale().map(scale -> hint(sizes.axis(), scale)).orElse(""),
        unit,
        choices,
        sizes.stretches().stream().map(stretch -> stretch(session, sizes, stretch)).toList());
  }

  private static String unit(Sizes.Axis axis) {
    return switch (axis) {
      case Sizes.Axis.Headcount people -> "people";
      case Sizes.Axis.Quantity quantity -> quantity.measure().label();
    };
  }

  private static String hint(Sizes.Axis axis, tertulia.core.scoring.Criterion.Cost scale) {
    return "cost a head and month, score 0 at "
        + scale.worst().setScale(2, RoundingMode.HALF_UP)
        + ", all at "
        + scale.best().setScale(2, RoundingMode.HALF_UP)
        + "; paler where it is not certain"
        + (axis instanceof Sizes.Axis.Quantity ? "; people as they are" : "");
  }

  private static String picture(Session session, Sizes sizes, String unit) {
    Map<String, Drawn> contenders = new LinkedHashMap<>();
    session.columns().forEach(c -> contenders.put(c.id(), session.drawn(c)));
    int planned =
        switch (sizes.axis()) {
          case Sizes.Axis.Headcount people ->
              2 * session.evaluation().costs().overall().highestPlanned();
          case Sizes.Axis.Quantity quantity -> 2 * sizes.now();
        };
    int reach = Math.min(sizes.sizes(), Math.max(LEAST_REACH, planned));
    return sizes
        .map()
        .map(map ->
            MapChart.draw(map, contenders, reach, sizes.size(1), unit, sizes.now(), sizes.weight()))
        .orElse("");
  }

  private static Stretch stretch(Session session, Sizes sizes, Sizes.Stretch stretch) {
    long from = sizes.size(stretch.from());
    long to = sizes.size(stretch.to());
    String leader =
        stretch
            .leader()
            .map(tool -> session.table().selection().contender(tool).tool().name())
            .orElse("nobody in every case");
    return new Stretch(
        from == to ? Figures.whole(from) : Figures.whole(from) + " to " + Figures.whole(to),
        stretch.leader().map(tool -> Marks.inline(session.mark(tool))).orElse(""),
        Cell.figure(
            leader,
            new FigureCodes(session)
                .why(new SensitivityFigure.AtSize(sizes.axis(), stretch.from()))));
  }
}
