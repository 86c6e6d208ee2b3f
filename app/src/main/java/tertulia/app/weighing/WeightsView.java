package tertulia.app.weighing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.app.chart.DotStrip;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.MeasuredNumber;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.finding.ScoreFindings;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

/**
 * The Weights step as it is read.
 *
 * @param lines one a criterion
 * @param dropped why a criterion does not count; may be empty
 * @param own how the reader weighs
 * @param views who has shown their view
 * @param seats the people at the table with their shares
 * @param costGuess a first guess of worst and best cost a month; may be empty
 * @param warnings where a scale does not tell contenders apart
 */
record WeightsView(
    List<Line> lines,
    String dropped,
    OwnWeights own,
    ViewsView views,
    List<LoadedSelection.Seat> seats,
    String costGuess,
    List<String> warnings) {

  /**
   * A criterion.
   *
   * @param points the reader's own number in the way that counts; may be empty
   * @param sends what an entry sends along, as JSON
   * @param weight the group's weight
   * @param dots every member's own weight, as SVG
   * @param values each contender's value
   * @param winner who leads and how clearly
   * @param heading what stands above this one and those that follow it; empty if nothing does
   * @param headingWeight their weights together; empty if there are none
   */
  record Line(
      String id,
      String name,
      String meaning,
      String kind,
      String points,
      String sends,
      Cell weight,
      String dots,
      List<Cell> values,
      Cell winner,
      String heading,
      String headingWeight) {}

  static WeightsView of(Session session, ViewsView views) {
    Evaluation evaluation = session.evaluation();
    OwnWeights own = OwnWeights.of(session);
    List<Line> lines =
        Criterion.byHeading(evaluation.scores().criteria()).stream()
            .map(c -> line(session, own, c))
            .toList();
    boolean dropped = lines.size() < evaluation.selection().criteria().size();
    return new WeightsView(
        lines,
        dropped
            ? "Coverage is left out, because no need is a should. Name some under Need to use it."
            : "",
        own,
        views,
        session.table().seats(),
        costGuess(session),
        warnings(evaluation));
  }

  private static List<String> warnings(Evaluation evaluation) {
    ScoreFindings findings = new ScoreFindings(evaluation);
    FindingWords words = new FindingWords(evaluation.selection());
    return java.util.stream.Stream.concat(
            java.util.stream.Stream.concat(
                findings.guessedScales().stream().map(words::of),
                findings.outsideScale().stream().map(words::of)),
            findings.countedTwice().stream().map(words::of))
        .toList();
  }

  private static Line line(Session session, OwnWeights own, Criterion criterion) {
    Evaluation evaluation = session.evaluation();
    Optional<Integer> points = Optional.ofNullable(own.numbers().get(criterion.id()));
    return new Line(
        criterion.id(),
        criterion.name(),
        criterion.meaning(),
        kind(criterion),
        points.map(String::valueOf).orElse(""),
        Json.write(Map.of("criterion", criterion.id(), "way", own.way())),
        weight(session, criterion),
        dots(evaluation, criterion),
        session.columns().stream().map(c -> value(session, c, criterion)).toList(),
        winner(session, criterion),
        isFirst(evaluation, criterion) ? criterion.heading() : "",
        headingWeight(evaluation, criterion.heading()));
  }

  /** Whether a criterion is the first of its heading. */
  private static boolean isFirst(Evaluation evaluation, Criterion criterion) {
    return !criterion.heading().isEmpty()
        && evaluation.scores().criteria().stream()
            .filter(c -> c.heading().equals(criterion.heading()))
            .findFirst()
            .equals(Optional.of(criterion));
  }

  private static String headingWeight(Evaluation evaluation, String heading) {
    List<Criterion> criteria = evaluation.scores().criteria();
    return evaluation
        .selection()
        .panel()
        .groupWeights(criteria)
        .map(weights ->
            criteria.stream()
                .filter(c -> c.heading().equals(heading))
                .map(c -> weights.getOrDefault(c.id(), BigDecimal.ZERO))
                .reduce(BigDecimal.ZERO, BigDecimal::add))
        .map(Figures::percent)
        .orElse("");
  }

  private static String kind(Criterion criterion) {
    return switch (criterion.kind()) {
      case Criterion.Judged judged -> "marks of the panel";
      case Criterion.Cost cost ->
          "cost a month, in the mean of the months; "
              + cost.best().toPlainString()
              + " scores 1, "
              + cost.worst().toPlainString()
              + " scores 0";
      case Criterion.CostAsFound cost ->
          "cost a month, in the mean of the months; scale not stated";
      case Criterion.Coverage coverage -> "should-haves met";
      case Criterion.Ratings ratings -> "public ratings";
      case Criterion.Measured measured ->
          MeasuredNumber.words(measured.number())
              + ", "
              + measured.best().toPlainString()
              + " scores 1, "
              + measured.worst().toPlainString()
              + " scores 0";
    };
  }

  private static Cell weight(Session session, Criterion criterion) {
    String why = session.why("weight", "criterion", criterion.id());
    return session
        .evaluation()
        .selection()
        .panel()
        .groupWeights(session.evaluation().scores().criteria())
        .map(weights ->
            Cell.figure(
                Figures.percent(weights.getOrDefault(criterion.id(), BigDecimal.ZERO)), why))
        .orElseGet(() -> Cell.missing("—", why))
        .named("weight-" + criterion.id());
  }

  private static String dots(Evaluation evaluation, Criterion criterion) {
    List<DotStrip.Dot> dots = new ArrayList<>();
    for (Member member : evaluation.selection().panel().members()) {
      Panel.ownWeights(member, evaluation.scores().criteria())
          .map(weights -> weights.getOrDefault(criterion.id(), BigDecimal.ZERO))
          .ifPresent(weight ->
              dots.add(
                  new DotStrip.Dot(member.name(), weight.doubleValue(), Figures.percent(weight))));
    }
    return DotStrip.draw(dots, 0.6, "Weights of " + criterion.name());
  }

  /** A contender's value under a criterion, or why it has none. */
  static Cell value(Session session, Contender contender, Criterion criterion) {
    String why = session.why("value", "contender", contender.id(), "criterion", criterion.id());
    return session
        .evaluation()
        .scores()
        .value(contender.id(), criterion)
        .map(v ->
            Cell.figure(Figures.score(v.interval()), why)
                .looking(v.interval().isExact() ? "" : "missing")
                .noting(isSettled(session, contender, criterion) ? "settled together" : ""))
        .orElseGet(() -> Cell.missing("out", why))
        .named("value-" + criterion.id() + "-" + contender.id());
  }

  private static boolean isSettled(Session session, Contender contender, Criterion criterion) {
    return criterion.kind() instanceof Criterion.Judged
        && session.table().selection().panel().settled(criterion.id(), contender.id()).isPresent();
  }

  private static Cell winner(Session session, Criterion criterion) {
    String says =
        session.evaluation().scores().totals().map(t -> winner(session, t, criterion)).orElse("");
    return Cell.figure(says, session.why("winner", "criterion", criterion.id()))
        .looking("winner")
        .named("winner-" + criterion.id());
  }

  private static String winner(Session session, Totals totals, Criterion criterion) {
    Totals.Winner winner = totals.winner(criterion);
    String name = session.table().selection().contender(winner.contender()).tool().name();
    return switch (winner) {
      case Totals.Winner.Tied tied -> "a tie at the top";
      case Totals.Winner.Won won -> name + ", " + won.margin().words();
      case Totals.Winner.Open open ->
          open.margin() == Totals.Margin.TIE
              ? "open: nobody is ahead, and not all is known"
              : "open: " + name + " ahead, but not all is known";
      case Totals.Winner.Alone alone -> "only " + name + " is left";
    };
  }

  private static String costGuess(Session session) {
    List<Money> totals =
        session.columns().stream()
            .map(c -> session.evaluation().costs().overall().way(c.id()))
            .flatMap(WeightsView::total)
            .sorted()
            .toList();
    if (totals.size() < 2 || totals.getFirst().equals(totals.getLast())) {
      return "";
    }
    int months = session.table().selection().horizon().months();
    return "The contenders lie between "
        + Figures.moneyIn(perMonth(totals.getFirst(), months))
        + " and "
        + Figures.moneyIn(perMonth(totals.getLast(), months))
        + " a month, in the mean of the months.";
  }

  private static java.util.stream.Stream<Money> total(PlanPaths ways) {
    return ways instanceof PlanPaths.Found found
        ? java.util.stream.Stream.of(found.best().ledger().total(CostTiming.SPREAD))
        : java.util.stream.Stream.empty();
  }

  private static Money perMonth(Money total, int months) {
    return total.dividedBy(months, java.math.RoundingMode.HALF_UP);
  }

  /** Marks given by everybody for a contender, as SVG. */
  static String markDots(Session session, Criterion criterion, Contender contender) {
    List<DotStrip.Dot> dots = new ArrayList<>();
    for (Panel.Given given :
        session.table().selection().panel().marks(criterion.id(), contender.id())) {
      given
          .mark()
          .given()
          .ifPresent(points ->
              dots.add(
                  new DotStrip.Dot(
                      given.member().name(), points.doubleValue(), points.toPlainString())));
    }
    return DotStrip.draw(
        dots, 10, "Marks for " + contender.tool().name() + ", " + criterion.name());
  }
}
