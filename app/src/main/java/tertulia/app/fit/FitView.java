package tertulia.app.fit;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.Marks;
import tertulia.app.chart.NeedsChart;
import tertulia.app.chart.PlansChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Codes;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.evaluation.NeedCosts.Effect;
import tertulia.core.evaluation.ShouldCosts;
import tertulia.core.finding.FitFindings;
import tertulia.core.fit.Question;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.SteadyCost;
import tertulia.core.time.Horizon;

/**
 * Which plan each contender needs when, and what each must costs.
 *
 * @param years the plan years as calendar years
 * @param needed for each contender the plan that would do at the end of each year, and its turns
 * @param costs what each must costs, the dearest first
 * @param picture the same as SVG
 * @param says sentences on groups of musts, and on why a contender is out
 * @param months what is said of every plan, month by month
 * @param strips the same as SVG
 * @param open what nobody has said yet and might change which plan is needed
 * @param unasked what contenders have and nobody asked for
 * @param shoulds what each should and could would cost if it were a must
 * @param promises what each contender would cost if nothing were needed, and what it comes to
 */
record FitView(
    List<String> years,
    List<Needed> needed,
    List<Cost> costs,
    String picture,
    List<String> says,
    List<PlanLine> months,
    String strips,
    List<Unsaid> open,
    List<Promise> promises,
    List<Unasked> unasked,
    List<OfShould> shoulds) {

  /**
   * Something nobody has said yet of a contender.
   *
   * @param way where it is answered, in words, with its address
   */
  record Unsaid(String contender, String mark, String sentence, String way, String href) {}

  /**
   * Months of a plan with one verdict.
   *
   * @param why address of the verdicts on all plans of the contender
   */
  record PlanLine(
      String contender,
      String plan,
      String from,
      String until,
      String word,
      String look,
      String reasons,
      String why) {}

  /**
   * A contender as its page has it beside what we would need of it.
   *
   * @param bare the cheapest plan if nothing were needed
   * @param needed the plan with our needs, or why there is none
   * @param because what the cheaper plan lacks, or that it is the same
   * @param aside why it was set aside; empty if it is at the table
   */
  record Promise(
      String contender, String mark, Cell bare, Cell needed, String because, String aside) {}

  /** Turns said of one contender; the picture below has all of them. */
  private static final int MOST_TURNS = 4;

  /**
   * A contender's plans over the months.
   *
   * @param byYear the plan needed by the end of each year
   * @param turns when a plan stops and why, in sentences
   */
  record Needed(String contender, String mark, List<String> byYear, List<String> turns) {}

  /** What a should or could would cost each contender. */
  record OfShould(String need, String importance, List<Cell> contenders) {}

  /** What a must costs the selection and each contender. */
  record Cost(String need, Cell selection, List<Cell> contenders) {}

  static FitView of(Session session) {
    NeedCosts costs = session.evaluation().costs().overall().needCosts();
    List<Integer> ends = yearEnds(session);
    return new FitView(
        ends.stream().map(m -> "" + horizon(session).month(m).getYear()).toList(),
        session.columns().stream().map(c -> needed(session, c, ends)).toList(),
        costs.lines().stream().map(line -> cost(session, line)).toList(),
        picture(session, costs),
        says(session),
        session.columns().stream().flatMap(c -> planLines(session, c).stream()).toList(),
        strips(session),
        session.columns().stream().flatMap(c -> unsaid(session, c)).toList(),
        session.table().selection().contenders().stream()
            .flatMap(c -> promise(session, c).stream())
            .toList(),
        Unasked.of(session),
        session.evaluation().costs().overall().shouldCosts().lines().stream()
            .map(line -> should(session, line))
            .toList());
  }

  private static OfShould should(Session session, ShouldCosts.Line line) {
    String capability = line.need().capability().id();
    return new OfShould(
        line.need().capability().name(),
        ComparisonRows.importance(line.need()),
        session.columns().stream()
            .map(c ->
                should(
                    java.util.Objects.requireNonNull(line.byContender().get(c.id())),
                    session.why("needcost", "capability", capability, "contender", c.id())))
            .toList());
  }

  private static Cell should(ShouldCosts.Effect effect, String why) {
    return switch (effect) {
      case ShouldCosts.Effect.Has has -> Cell.figure("nothing", why).looking("plain");
      case ShouldCosts.Effect.Takes takes ->
          Cell.figure(Figures.money(takes.more()), why)
              .noting(takes.path().label() + (takes.exact() ? "" : "; of figures within bounds"));
      case ShouldCosts.Effect.Lacks lacks ->
          lacks.open()
              ? Cell.figure("not confirmed", why).looking("care")
              : Cell.figure("no plan has it", why).looking("missing");
      case ShouldCosts.Effect.NoTotal none -> Cell.missing("—", why);
    };
  }

  private static Stream<Unsaid> unsaid(Session session, Contender contender) {
    return session.evaluation().costs().questions(contender.id()).stream()
        .map(question -> unsaid(session, contender, question));
  }

  /** What we use is said under Need; what a page allows, in the catalogue. */
  private static Unsaid unsaid(Session session, Contender contender, Question question) {
    boolean organises = session.person().organises() && !session.table().decided();
    return new Unsaid(
        contender.tool().name(),
        Marks.inline(session.mark(contender.id())),
        question.sentence() + ".",
        question.isOurs() ? "say it" : organises ? "record it" : "see the price page",
        question.isOurs()
            ? "/selections/"
                + session.table().id()
                + "/need#demand-"
                + Codes.slug(question.answeredBy().id())
            : organises ? session.pricePage(contender.id()) : "/catalogue/" + contender.id());
  }

  private static List<PlanLine> planLines(Session session, Contender contender) {
    String why = session.why("plans", "contender", contender.id());
    List<PlanLine> lines = new ArrayList<>();
    for (PlanMonths plan : session.evaluation().costs().overall().planMonths(contender.id())) {
      for (PlanMonths.Stretch stretch : plan.stretches()) {
        lines.add(
            new PlanLine(
                contender.tool().name(),
                plan.plan().plan(),
                Dates.shortMonth(horizon(session).month(stretch.months().from())),
                Dates.shortMonth(horizon(session).month(stretch.months().end() - 1)),
                word(stretch.verdict()),
                look(stretch.verdict()),
                reasons(contender, plan, stretch.verdict()),
                why));
      }
    }
    return lines;
  }

  private static String word(Verdict verdict) {
    return switch (verdict) {
      case Verdict.Qualifies qualifies -> "meets your needs";
      case Verdict.Unconfirmed unconfirmed -> "not confirmed";
      case Verdict.Excluded excluded -> "out";
    };
  }

  private static String look(Verdict verdict) {
    return switch (verdict) {
      case Verdict.Qualifies qualifies -> "good";
      case Verdict.Unconfirmed unconfirmed -> "care";
      case Verdict.Excluded excluded -> "stop";
    };
  }

  private static String reasons(Verdict verdict) {
    return verdict.reasons().stream().map(Reason::sentence).collect(Collectors.joining("; "));
  }

  /** As above; of a plan that may do but has no price, that too. */
  private static String reasons(Contender contender, PlanMonths plan, Verdict verdict) {
    boolean unpriced =
        contender.tool().plans().stream()
            .anyMatch(p -> p.id().equals(plan.plan().planId()) && p.charged().isEmpty());
    boolean out = verdict instanceof Verdict.Excluded;
    String open = unpriced && !out ? "price on request" : "";
    String said = reasons(verdict);
    return said.isEmpty() || open.isEmpty() ? said + open : said + "; " + open;
  }

  private static String strips(Session session) {
    List<PlansChart.Tool> tools =
        session.columns().stream()
            .map(c ->
                new PlansChart.Tool(
                    c.tool().name(),
                    session.mark(c.id()),
                    session.evaluation().costs().overall().planMonths(c.id()).stream()
                        .map(plan -> strip(c, plan))
                        .toList()))
            .toList();
    return PlansChart.draw(tools, horizon(session));
  }

  /** Months with one verdict in a row, with the reasons that hold in all of them. */
  private static PlansChart.Plan strip(Contender contender, PlanMonths plan) {
    List<PlansChart.Stretch> strips = new ArrayList<>();
    List<PlanMonths.Stretch> alike = new ArrayList<>();
    for (PlanMonths.Stretch stretch : plan.stretches()) {
      if (!alike.isEmpty() && state(alike.getFirst()) != state(stretch)) {
        strips.add(strip(contender, plan, alike));
        alike.clear();
      }
      alike.add(stretch);
    }
    strips.add(strip(contender, plan, alike));
    return new PlansChart.Plan(plan.plan().plan(), strips);
  }

  private static PlansChart.Stretch strip(
      Contender contender, PlanMonths plan, List<PlanMonths.Stretch> alike) {
    String words =
        alike.getFirst().verdict().reasons().stream()
            .filter(reason ->
                alike.stream()
                    .allMatch(stretch ->
                        stretch.verdict().reasons().stream()
                            .anyMatch(r -> r.requirement().equals(reason.requirement()))))
            .map(Reason::sentence)
            .collect(Collectors.joining("; "));
    return new PlansChart.Stretch(
        alike.getFirst().months().from(),
        alike.getLast().months().end(),
        state(alike.getFirst()),
        words.isEmpty() ? reasons(contender, plan, alike.getFirst().verdict()) : words);
  }

  private static PlansChart.State state(PlanMonths.Stretch stretch) {
    return switch (stretch.verdict()) {
      case Verdict.Qualifies qualifies -> PlansChart.State.DOES;
      case Verdict.Unconfirmed unconfirmed -> PlansChart.State.UNCONFIRMED;
      case Verdict.Excluded excluded -> PlansChart.State.OUT;
    };
  }

  /** The same plan can cost more with our needs: by an add-on, or by what is covered outside. */
  private static String same(SteadyCost bare, Outcome<SteadyCost> needed) {
    return needed instanceof Outcome.Found<SteadyCost> found
            && !found.best().money().equals(bare.money())
        ? "the same plan, and "
            + Figures.money(found.best().money().minus(bare.money()))
            + " for what it lacks"
        : "it is the same plan";
  }

  /** Only of contenders that have a plan with a figure for these people. */
  private static Optional<Promise> promise(Session session, Contender contender) {
    if (!(session.evaluation().costs().now().withoutNeeds(contender.id())
        instanceof Outcome.Found<SteadyCost> bare)) {
      return Optional.empty();
    }
    Outcome<SteadyCost> needed = session.evaluation().costs().now().steady(contender.id());
    OptionName cheaper = OptionName.of(bare.best().option().plan());
    String because =
        session
            .evaluation()
            .costs()
            .now()
            .against(contender.id())
            .getOrDefault(cheaper, List.of())
            .stream()
            .map(Reason::sentence)
            .collect(Collectors.joining("; "));
    return Optional.of(
        new Promise(
            contender.tool().name(),
            tertulia.app.chart.Marks.inline(session.mark(contender.id())),
            Cell.fact(Figures.money(bare.best().money())).noting(bare.best().label()),
            switch (needed) {
              case Outcome.Found<SteadyCost> found ->
                  Cell.figure(
                          Figures.money(found.best().money()),
                          session.why("steady", "contender", contender.id()))
                      .noting(found.best().label());
              case Outcome.NoPlan<SteadyCost> none ->
                  Cell.missing(
                      none.isUnconfirmed() ? "not confirmed" : "no plan fits",
                      session.why("steady", "contender", contender.id()));
              case Outcome.Unpriced<SteadyCost> unpriced ->
                  Cell.missing(
                      unpriced.low().isPresent()
                          ? Known.least(unpriced.low().map(SteadyCost::money))
                          : "price not known",
                      session.why("steady", "contender", contender.id()));
            },
            because.isEmpty() ? same(bare.best(), needed) : because,
            contender.setAside().orElse("")));
  }

  private static Horizon horizon(Session session) {
    return session.table().selection().horizon();
  }

  /** The last plan month of each calendar year. */
  private static List<Integer> yearEnds(Session session) {
    List<Integer> ends = new ArrayList<>();
    for (int m = 0; m < horizon(session).months(); m++) {
      YearMonth month = horizon(session).month(m);
      if (m == horizon(session).months() - 1 || month.getMonthValue() == 12) {
        ends.add(m);
      }
    }
    return ends;
  }

  private static Needed needed(Session session, Contender contender, List<Integer> ends) {
    List<PlanNeeded> stretches = session.evaluation().costs().overall().plansNeeded(contender.id());
    List<String> byYear = new ArrayList<>();
    for (int end : ends) {
      byYear.add(
          stretches.stream()
              .filter(s -> s.months().contains(end))
              .findFirst()
              .flatMap(PlanNeeded::plan)
              .map(OptionName::plan)
              .orElse("none"));
    }
    List<String> turns = new ArrayList<>();
    for (int i = 0; i + 1 < stretches.size() && turns.size() < MOST_TURNS; i++) {
      turns.add(turn(session, contender, stretches.get(i), stretches.get(i + 1)));
    }
    stretches
        .getFirst()
        .plan()
        .filter(plan -> stretches.size() == 1 && isFree(session, contender, plan))
        .ifPresent(plan -> turns.add(Voice.say("fit.short.free-throughout", "plan", plan.plan())));
    return new Needed(
        contender.tool().name(),
        tertulia.app.chart.Marks.inline(session.mark(contender.id())),
        byYear,
        turns);
  }

  private static boolean isFree(Session session, Contender contender, OptionName plan) {
    return contender.offerings().stream()
        .filter(offering -> offering.plan().id().equals(plan.planId()))
        .flatMap(offering -> session.evaluation().costs().now().planAlone(offering).stream())
        .anyMatch(cost -> cost.money().isZero());
  }

  private static String turn(
      Session session, Contender contender, PlanNeeded before, PlanNeeded after) {
    String until = Dates.shortMonth(horizon(session).month(before.months().end() - 1));
    String reasons =
        before.stops().stream().map(Reason::sentence).collect(Collectors.joining("; "));
    String enough =
        before
            .plan()
            .map(plan ->
                Voice.say(
                    isFree(session, contender, plan)
                        ? "fit.part.free-enough-until"
                        : "fit.part.enough-until",
                    Map.of("plan", plan.plan(), "month", until)))
            .orElseGet(() -> Voice.say("fit.part.none-until", "month", until));
    String then = after.plan().map(OptionName::plan).orElseGet(() -> Voice.say("fit.part.none"));
    return reasons.isEmpty()
        ? Voice.say("fit.short.then", Map.of("before", enough, "plan", then))
        : Voice.say(
            "fit.short.then.because", Map.of("before", enough, "plan", then, "reasons", reasons));
  }

  private static Cost cost(Session session, NeedCosts.Line line) {
    String capability = line.need().capability().id();
    String whyAll = session.why("needcostall", "capability", capability);
    return new Cost(
        line.need().capability().name(),
        line.selection()
            .map(effect -> cell(effect, whyAll))
            .orElseGet(() -> Cell.missing("no total", whyAll)),
        session.columns().stream()
            .map(c ->
                cell(
                    java.util.Objects.requireNonNull(line.byContender().get(c.id())),
                    session.why("needcost", "capability", capability, "contender", c.id())))
            .toList());
  }

  private static Cell cell(Effect effect, String why) {
    return switch (effect) {
      case Effect.Costs costs when costs.more().isZero() ->
          Cell.figure("nothing", why).looking("plain");
      case Effect.Costs costs ->
          Cell.figure(Figures.money(costs.more()), why)
              .noting(costs.exact() ? "" : "of figures within bounds");
      case Effect.RulesOut out ->
          out.open()
              ? Cell.figure("not confirmed", why).looking("care")
              : Cell.figure("rules it out", why).looking("stop");
      case Effect.NoTotal none -> Cell.missing("—", why);
    };
  }

  private static String picture(Session session, NeedCosts costs) {
    Money zero = Money.zero(session.evaluation().selection().currency());
    List<NeedsChart.Bar> bars = new ArrayList<>();
    for (NeedCosts.Line line : costs.lines()) {
      List<NeedsChart.Dot> dots = new ArrayList<>();
      for (Contender contender : session.columns()) {
        if (line.byContender().get(contender.id()) instanceof Effect.Costs c) {
          dots.add(
              new NeedsChart.Dot(contender.tool().name(), session.mark(contender.id()), c.more()));
        }
      }
      bars.add(
          new NeedsChart.Bar(
              line.need().capability().name(),
              line.amount(zero),
              dots,
              ruledOut(session, line, false),
              ruledOut(session, line, true)));
    }
    return bars.isEmpty() ? "" : NeedsChart.draw(bars, horizon(session).months());
  }

  private static List<String> ruledOut(Session session, NeedCosts.Line line, boolean open) {
    return session.columns().stream()
        .filter(c ->
            line.byContender().get(c.id()) instanceof Effect.RulesOut out && out.open() == open)
        .map(c -> c.tool().name())
        .toList();
  }

  private static List<String> says(Session session) {
    FindingWords words = new FindingWords(session.table().selection());
    return new FitFindings(session.evaluation().costs()).all().stream().map(words::of).toList();
  }
}
