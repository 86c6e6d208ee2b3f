package tertulia.app.firmness;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.chart.Drawn;
import tertulia.app.chart.Marks;
import tertulia.app.chart.RanksChart;
import tertulia.app.chart.RoomChart;
import tertulia.app.chart.SwingChart;
import tertulia.app.chart.WorthChart;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Shown;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.sensitivity.Chances;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.sensitivity.SensitivityFigure;
import tertulia.core.sensitivity.TornadoBar;
import tertulia.core.sensitivity.WhatItTakes;

/**
 * The Firmness step as it is read.
 *
 * @param says how firm the lead is, first; then what qualifies that
 * @param takes when to take which
 * @param never who leads under nothing that was tried; empty if there is nobody
 * @param map who leads by headcount and weight of cost
 * @param ranks how often each takes each place
 * @param rooms the room of each weight
 * @param upsets how little would have to change for each of the others
 * @param wants what it would take for each of the others
 * @param worth what each is worth against its cost, and what more worth costs
 * @param unknown what to find out, what could change most first
 * @param swings what moves the totals, what moves most first
 */
record FirmnessView(
    List<String> says,
    List<Take> takes,
    String never,
    Optional<SizesView> map,
    Optional<Ranks> ranks,
    Optional<Rooms> rooms,
    List<Says> upsets,
    List<Wants> wants,
    Optional<Worth> worth,
    List<Unknown> unknown,
    List<SwingLine> swings) {

  /** When to take one contender, and every condition found for it. */
  record Take(String mark, String sentence, List<Proof> proofs) {}

  /** A condition and the place on the page that shows it. */
  record Proof(String words, String href, String where) {}

  /** Shares as picture and table. */
  record Ranks(String picture, String hint, List<String> places, List<RankLine> lines) {}

  /** One contender's shares. */
  record RankLine(String name, List<Cell> shares) {}

  /** Rooms as picture and table. */
  record Rooms(String picture, String tightest, List<RoomLine> lines) {}

  /** One weight: its room in words, and what the slider that pulls it stands at, in percent. */
  record RoomLine(String id, String name, Cell now, Cell room, String ends, int percent) {}

  /** What it would take for one contender. */
  record Wants(
      String mark, String name, Cell discount, Cell marks, Cell weight, List<Cell> needs) {}

  /** Worth against cost as picture and sentences. */
  record Worth(String picture, List<Says> says) {}

  /** A sentence and the address of its working; empty if it has none of its own. */
  record Says(String words, String why) {}

  /** Something to find out: what an answer could change, and where it is answered. */
  record Unknown(String what, Cell change, boolean turns, String verb, String href) {}

  /** How one assumption moves a total. */
  record SwingLine(String what, Cell ends, String mark, String moved, String bar, String turns) {}

  private static final int MOST_SWINGS = 12;
  private static final int MOST_UNKNOWN = 8;

  static FirmnessView of(Session session, FirmnessAsked asked) {
    Sensitivity sensitivity = session.sensitivity();
    AdviceFindings findings = new AdviceFindings(sensitivity);
    AdviceWords words = new AdviceWords(session.table().selection());
    return new FirmnessView(
        says(findings, words),
        findings.takes().stream().map(take -> take(session, sensitivity, take, words)).toList(),
        findings.never().map(words::of).orElse(""),
        SizesView.of(session, asked),
        sensitivity.shares(asked.chances()).map(shares -> ranks(session, shares, asked.chances())),
        rooms(session, sensitivity, findings, words),
        findings.nearest().stream()
            .map(nearest ->
                new Says(
                    words.of(nearest),
                    why(session, new SensitivityFigure.Upset(nearest.upset().contender()))))
            .toList(),
        wants(session, sensitivity, words),
        ValueForMoney.of(session.evaluation()).map(found -> worth(session, found, findings, words)),
        sensitivity.findOut(session.today(), session.daysFresh()).stream()
            .limit(MOST_UNKNOWN)
            .map(found -> unknown(session, found, words))
            .toList(),
        sensitivity.swings().stream()
            .limit(MOST_SWINGS)
            .map(swing -> swing(session, swing, words))
            .toList());
  }

  private static List<String> says(AdviceFindings findings, AdviceWords words) {
    List<String> says = new ArrayList<>();
    says.add(words.lead(findings.firmness()));
    says.add(words.because(findings.firmness()));
    // by cost alone nothing is firm, so that is said before it
    findings
        .weighed()
        .ifPresent(weighed -> says.add(weighed.so() == 0 ? 0 : says.size(), words.of(weighed)));
    findings.bySize().map(words::of).ifPresent(says::add);
    findings.atThisSize().map(words::of).ifPresent(says::add);
    findings.moreOften().map(words::of).ifPresent(says::add);
    return says.stream().filter(sentence -> !sentence.isEmpty()).toList();
  }

  private static Take take(
      Session session, Sensitivity sensitivity, Advice.Take take, AdviceWords words) {
    return new Take(
        mark(session, take.tool()),
        words.of(take),
        Stream.concat(
                sensitivity.takeIf().sizes(take.tool()).stream(),
                sensitivity.takeIf().all().getOrDefault(take.tool(), List.of()).stream())
            .map(condition -> proof(session, condition, words))
            .toList());
  }

  private static String mark(Session session, String tool) {
    return Marks.inline(session.mark(tool));
  }

  private static Proof proof(Session session, Condition condition, AdviceWords words) {
    Shown shown = session.shown(condition);
    return new Proof(words.of(condition), shown.href(), shown.words());
  }

  private static String why(Session session, SensitivityFigure figure) {
    return new FigureCodes(session).why(figure);
  }

  private static Ranks ranks(Session session, RankShares shares, Chances chances) {
    List<Drawn> order =
        shares.byFirst().stream()
            .map(id -> session.table().selection().contender(id))
            .map(session::drawn)
            .toList();
    List<String> places = new ArrayList<>();
    for (int rank = 1; rank <= order.size(); rank++) {
      places.add("place " + rank);
    }
    return new Ranks(
        RanksChart.draw(shares, order),
        Figures.whole(shares.draws()) + " draws, so each share is within 1 in 100",
        places,
        order.stream()
            .map(c ->
                new RankLine(
                    c.name(),
                    shares.shares().getOrDefault(c.id(), List.of()).stream()
                        .map(AdviceWords::percent)
                        .map(share ->
                            Cell.figure(
                                share, why(session, new SensitivityFigure.First(c.id(), chances))))
                        .toList()))
            .toList());
  }

  private static Optional<Rooms> rooms(
      Session session, Sensitivity sensitivity, AdviceFindings findings, AdviceWords words) {
    List<StabilityRange> rooms = sensitivity.rooms();
    if (rooms.isEmpty()) {
      return Optional.empty();
    }
    String leader =
        session
            .evaluation()
            .scores()
            .totals()
            .map(totals -> totals.standings().getFirst().contender())
            .orElse("");
    Map<String, Drawn> contenders =
        session.columns().stream().collect(Collectors.toMap(Contender::id, session::drawn));
    return Optional.of(
        new Rooms(
            RoomChart.draw(rooms, contenders, leader),
            findings.tightest().map(words::of).orElse(""),
            rooms.stream().map(room -> room(session, room, words)).toList()));
  }

  private static RoomLine room(Session session, StabilityRange room, AdviceWords words) {
    String ends = words.ends(room);
    return new RoomLine(
        room.criterion().id(),
        room.criterion().name(),
        Cell.figure(
            AdviceWords.share(room.weight()),
            session.why("weight", "criterion", room.criterion().id())),
        Cell.figure(
            room.isNone()
                ? "none: the lead is shared"
                : AdviceWords.share(room.low().weight())
                    + " to "
                    + AdviceWords.share(room.high().weight()),
            why(session, new SensitivityFigure.Room(room.criterion().id()))),
        ends.isEmpty() ? "Nobody takes over." : ends,
        room.weight().movePointRight(2).setScale(0, RoundingMode.HALF_UP).intValueExact());
  }

  private static List<Wants> wants(Session session, Sensitivity sensitivity, AdviceWords words) {
    return session.columns().stream()
        .flatMap(c -> sensitivity.whatItTakes(c.id()).stream())
        .map(takes -> wants(session, takes, words))
        .toList();
  }

  private static Wants wants(Session session, WhatItTakes takes, AdviceWords words) {
    return new Wants(
        mark(session, takes.tool()),
        session.table().selection().contender(takes.tool()).tool().name(),
        takes
            .discount()
            .map(percent ->
                Cell.figure(
                    percent.toPlainString() + " % off every list price",
                    why(session, new SensitivityFigure.Discount(takes.tool()))))
            .orElseGet(() -> Cell.fact("no discount is enough")),
        takes
            .mark()
            .map(raised ->
                Cell.figure(
                    "“"
                        + raised.criterion().name()
                        + "” from "
                        + raised.from().toPlainString()
                        + " to "
                        + raised.to().toPlainString(),
                    why(session, new SensitivityFigure.Raised(takes.tool()))))
            .orElseGet(() -> Cell.fact("no mark alone is enough")),
        takes
            .weight()
            .map(weight ->
                Cell.figure(
                    words.of(weight), why(session, new SensitivityFigure.Weighed(takes.tool()))))
            .orElseGet(() -> Cell.fact("no weight alone is enough")),
        takes.needs().isEmpty()
            ? List.of(Cell.fact("none alone"))
            : takes.needs().stream()
                .map(need ->
                    Cell.figure(
                        need.capability().name(),
                        why(
                            session,
                            new SensitivityFigure.Dropped(takes.tool(), need.capability().id()))))
                .toList());
  }

  private static Worth worth(
      Session session, ValueForMoney found, AdviceFindings findings, AdviceWords words) {
    List<Says> says = new ArrayList<>();
    findings.beaten().forEach(beaten -> says.add(new Says(words.of(beaten), "")));
    findings
        .moreWorth()
        .forEach(more ->
            says.add(
                new Says(
                    words.of(more),
                    why(
                        session,
                        new SensitivityFigure.StepUp(more.step().from(), more.step().to())))));
    Optional<String> first =
        session
            .evaluation()
            .scores()
            .totals()
            .map(totals -> totals.standings().getFirst().contender());
    return new Worth(
        WorthChart.draw(
            found,
            session.columns().stream()
                .map(c ->
                    new WorthChart.Placed(
                        c.id(),
                        c.tool().name(),
                        session.mark(c.id()),
                        first.equals(Optional.of(c.id()))))
                .toList()),
        says);
  }

  private static Unknown unknown(Session session, FindOut found, AdviceWords words) {
    return new Unknown(
        words.of(found.unknown()),
        Cell.figure(
            session.table().selection().contender(found.gains()).tool().name()
                + " first in "
                + AdviceWords.percent(found.least())
                + " to "
                + AdviceWords.percent(found.most()),
            why(session, new SensitivityFigure.Answer(found))),
        found.turns(),
        AdviceWords.verb(found.unknown()),
        session.answering(found.unknown()));
  }

  private static SwingLine swing(Session session, TornadoBar swing, AdviceWords words) {
    String name = session.table().selection().contender(swing.moved()).tool().name();
    String ends = end(swing.low()) + " to " + end(swing.high());
    return new SwingLine(
        assumption(swing.assumption(), words),
        Cell.figure(ends, why(session, new SensitivityFigure.Moved(swing))),
        mark(session, swing.moved()),
        name,
        SwingChart.draw(swing.low(), swing.high(), session.mark(swing.moved()), name + ": " + ends),
        swing.turns()
            ? leader(session, swing.one().leader())
                + " or "
                + leader(session, swing.other().leader())
            : "");
  }

  private static String leader(Session session, Optional<String> tool) {
    return tool.map(id -> session.table().selection().contender(id).tool().name())
        .orElse("nobody in every case");
  }

  private static String end(Optional<BigDecimal> total) {
    return total.map(t -> t.setScale(3, RoundingMode.HALF_UP).toPlainString()).orElse("out");
  }

  private static String assumption(TornadoBar.Assumption assumption, AdviceWords words) {
    return switch (assumption) {
      case TornadoBar.Assumption.Headcount people -> "People a tenth fewer to a tenth more";
      case TornadoBar.Assumption.Growth growth ->
          "Growth " + growth.least().words() + " to " + growth.most().words();
      case TornadoBar.Assumption.Rise rise ->
          "Price rise 0 to " + Figures.percentAsEntered(rise.most().perYear()) + " a year";
      case TornadoBar.Assumption.Rates rates -> "Rates of exchange a tenth lower to a tenth higher";
      case TornadoBar.Assumption.Hour hour ->
          "An hour of work a quarter cheaper to a quarter more expensive";
      case TornadoBar.Assumption.Worth worth ->
          capitalised(words.of(new FindOut.Unknown.Worth(worth.tool(), worth.criterion())));
      case TornadoBar.Assumption.Has has ->
          capitalised(
              words.of(new FindOut.Unknown.Has(has.fact().tool(), has.fact().capability())));
      case TornadoBar.Assumption.OneView view ->
          view.member().name() + "’s view counted, and left out";
    };
  }

  private static String capitalised(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ENGLISH) + words.substring(1);
  }
}
