package tertulia.app.cost;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.web.util.UriUtils;
import tertulia.app.chart.WaitChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.TypedDate;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.inuse.InUse;
import tertulia.core.sensitivity.Beginning;
import tertulia.core.time.Horizon;

/**
 * Whether it pays to wait with the contenders that replace something in use.
 *
 * @param says that, in a sentence for each, the cheapest first
 * @param chart what they cost by the month of beginning
 * @param names of the contenders, in the same order
 * @param lines the same as a table
 * @param typed the day somebody names, as it stands in the address
 * @param onDay what each comes to if it is begun on that day; none if no day is named
 * @param fault what is wrong with the day; empty if nothing
 */
record WaitView(
    List<String> says,
    String chart,
    List<String> names,
    List<Line> lines,
    String typed,
    List<String> onDay,
    String fault) {
  private static final String BEGIN = "begin";
  private static final int LONGEST = 40;

  /** Begun in a month. */
  record Line(String month, List<Cell> cells) {}

  /**
   * What one comes to then.
   *
   * @param apart how far it is from what it costs if begun at once
   * @param offers those used that come and go, with the best day for them
   */
  record Cell(String cost, String apart, String offers) {}

  /** A contender with its beginnings. */
  private record Waiting(Contender contender, Beginning beginning, List<Beginning.Begun> each) {
    static Waiting of(Session session, Contender contender) {
      CostsOverall costs = session.evaluation().costs().overall();
      Beginning beginning =
          new Beginning(
              session.table().selection(),
              session.evaluation().whatIf(),
              contender.id(),
              costs.together(contender.id()));
      return new Waiting(contender, beginning, beginning.each());
    }

    String tool() {
      return contender.tool().name();
    }

    Optional<Money> atOnce() {
      return each.getFirst().cost();
    }

    int best() {
      return switch (beginning.advice(each)) {
        case Beginning.Advice.Later later -> later.best();
        case Beginning.Advice.LaterStillLess less -> less.last();
        case Beginning.Advice.LaterAndLessAgain less -> less.best();
        case Beginning.Advice.AtOnce now -> 0;
        case Beginning.Advice.NotKnown not -> 0;
      };
    }
  }

  /** What of the address is this place's own. */
  static String own(Session session) {
    String typed = typed(session);
    return typed.isEmpty() ? "" : BEGIN + "=" + UriUtils.encode(typed, StandardCharsets.UTF_8);
  }

  private static String typed(Session session) {
    String typed = session.asked().getOrDefault(BEGIN, "").strip();
    return typed.length() > LONGEST ? typed.substring(0, LONGEST) : typed;
  }

  /** Empty if nobody replaces anything. */
  static Optional<WaitView> of(Session session) {
    CostsOverall costs = session.evaluation().costs().overall();
    List<Waiting> waiting =
        session.columns().stream()
            .filter(c -> !c.asToday() && !costs.together(c.id()).goes().isEmpty())
            .filter(c -> costs.total(c.id()).isPresent())
            .sorted(Comparator.comparing(c -> costs.total(c.id()).orElseThrow()))
            .map(c -> Waiting.of(session, c))
            .toList();
    return waiting.isEmpty() ? Optional.empty() : Optional.of(of(session, waiting));
  }

  private static WaitView of(Session session, List<Waiting> waiting) {
    Horizon horizon = session.table().selection().horizon();
    List<String> says = waiting.stream().map(w -> says(w, horizon)).toList();
    String typed = typed(session);
    List<String> onDay = new ArrayList<>();
    String fault = "";
    if (!typed.isEmpty()) {
      try {
        LocalDate day = TypedDate.day(typed);
        waiting.forEach(w -> onDay.add(onDay(w, w.beginning().on(day))));
      } catch (IllegalArgumentException wrong) {
        fault = String.valueOf(wrong.getMessage());
      }
    }
    return new WaitView(
        says,
        WaitChart.draw(
            horizon,
            waiting.stream()
                .map(w ->
                    new WaitChart.Line(
                        w.tool(),
                        session.mark(w.contender().id()),
                        w.each().stream().map(Beginning.Begun::cost).toList(),
                        w.best()))
                .toList(),
            asToday(session),
            String.join(" ", says)),
        waiting.stream().map(Waiting::tool).toList(),
        lines(horizon, waiting),
        typed,
        onDay,
        fault);
  }

  /** What everything in use that is counted comes to if nothing changes. */
  private static Optional<Money> asToday(Session session) {
    CostsOverall costs = session.evaluation().costs().overall();
    List<InUse> uncounted = costs.inUse().uncounted();
    Optional<Money> sum = Optional.of(Money.zero(session.table().selection().currency()));
    for (InUse use : session.table().selection().beside().tools()) {
      if (!uncounted.contains(use)) {
        Optional<Money> own =
            costs.inUse().asToday(use).total(session.evaluation().whatIf().view());
        sum = sum.flatMap(money -> own.map(money::plus));
      }
    }
    return sum;
  }

  private static List<Line> lines(Horizon horizon, List<Waiting> waiting) {
    List<Line> lines = new ArrayList<>();
    for (int m = 0; m < waiting.getFirst().each().size(); m++) {
      int month = m;
      lines.add(
          new Line(
              Dates.month(horizon.month(m)),
              waiting.stream().map(w -> cell(w.each().get(month), w.atOnce())).toList()));
    }
    return lines;
  }

  private static Cell cell(Beginning.Begun begun, Optional<Money> atOnce) {
    return new Cell(
        begun.cost().map(Figures::money).orElse("not known"),
        begun
            .cost()
            .flatMap(cost -> atOnce.map(cost::minus))
            .filter(apart -> !apart.isZero())
            .map(apart -> (apart.isPositive() ? "+" : "−") + Figures.money(apart.abs()))
            .orElse(""),
        begun.offers().isEmpty()
            ? ""
            : String.join(", ", begun.offers()) + ", " + Dates.day(begun.day()));
  }

  private static String onDay(Waiting waiting, Beginning.Begun begun) {
    Map<String, Object> words = new LinkedHashMap<>();
    words.put("tool", waiting.tool());
    words.put("day", Dates.day(begun.day()));
    if (begun.cost().isEmpty()) {
      return Voice.say("use.wait.day.unknown", words);
    }
    Money cost = begun.cost().get();
    words.put("cost", Figures.moneyIn(cost));
    return comparedWithAtOnce(cost, waiting.atOnce(), words)
        + (begun.offers().isEmpty()
            ? ""
            : " " + Voice.say("use.wait.offers", "offers", String.join(", ", begun.offers())));
  }

  private static String comparedWithAtOnce(
      Money cost, Optional<Money> atOnce, Map<String, Object> words) {
    if (atOnce.isEmpty()) {
      return Voice.say("use.wait.day.alone", words);
    }
    Money apart = cost.minus(atOnce.get());
    if (apart.isZero()) {
      return Voice.say("use.wait.day", words);
    }
    words.put("apart", Figures.moneyIn(apart.abs()));
    return apart.isPositive()
        ? Voice.say("use.wait.day.more", words)
        : Voice.say("use.wait.day.less", words);
  }

  /** The month; where an offer makes one of its days the best, that day. */
  private static String when(Beginning.Begun begun, Horizon horizon) {
    return begun.offers().isEmpty()
        ? "in " + Dates.month(horizon.month(begun.month()))
        : "on " + Dates.day(begun.day());
  }

  /** At once, or the day of the first month that an offer makes the best. */
  private static String atOnce(Beginning.Begun begun, Horizon horizon) {
    return begun.offers().isEmpty() || begun.day().getDayOfMonth() == 1
        ? "at once"
        : when(begun, horizon);
  }

  private static String says(Waiting waiting, Horizon horizon) {
    String tool = waiting.tool();
    return switch (waiting.beginning().advice(waiting.each())) {
      case Beginning.Advice.AtOnce now ->
          Voice.say(
              "use.wait.not",
              Map.of(
                  "tool",
                  tool,
                  "when",
                  atOnce(waiting.each().getFirst(), horizon),
                  "cost",
                  Figures.moneyIn(now.cost())));
      case Beginning.Advice.Later later ->
          Voice.say(
              "use.wait",
              Map.of(
                  "tool",
                  tool,
                  "when",
                  when(waiting.each().get(later.best()), horizon),
                  "cost",
                  Figures.moneyIn(later.cost()),
                  "less",
                  Figures.moneyIn(later.less())));
      case Beginning.Advice.LaterStillLess less ->
          Voice.say(
              "use.wait.still-less",
              Map.of(
                  "tool",
                  tool,
                  "month",
                  Dates.month(horizon.month(less.last())),
                  "less",
                  Figures.moneyIn(less.less())));
      case Beginning.Advice.LaterAndLessAgain less ->
          Voice.say(
              "use.wait.again",
              Map.of(
                  "tool",
                  tool,
                  "when",
                  when(waiting.each().get(less.best()), horizon),
                  "cost",
                  Figures.moneyIn(less.cost()),
                  "less",
                  Figures.moneyIn(less.less()),
                  "month",
                  Dates.month(horizon.month(less.again()))));
      case Beginning.Advice.NotKnown not -> Voice.say("use.wait.unknown", "tool", tool);
    };
  }
}
