package tertulia.app.workspace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Function;
import tertulia.app.chart.ThreadChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Codes;
import tertulia.app.selection.LoadedSelection;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.finding.AnswerFindings;
import tertulia.core.finding.Progress;
import tertulia.core.finding.Stage;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.Dimension;
import tertulia.core.path.Terms;
import tertulia.core.remark.Remark;

/** Puts together what stands around every step of a selection. */
final class Framing {
  private Framing() {}

  /**
   * The frame of a step.
   *
   * @param view the step's template
   * @param asksWhatIf whether what is read in it can be read for other people and terms there
   */
  static Frame of(Session session, String step, String view, boolean asksWhatIf) {
    LoadedSelection table = session.table();
    Selection selection = table.selection();
    String query = session.query().query();
    int columns = session.columns().size();
    return new Frame(
        table.id(),
        selection.title(),
        subtitle(session.evaluation(), session.table().selection().isCounted()),
        view,
        asksWhatIf,
        "/selections/" + table.id() + "/" + step,
        query,
        steps(session, step),
        Heads.of(session),
        selection.contenders().size() - columns,
        moment(session),
        "A month for " + people(session.evaluation().costs().people().total()),
        new AnswerFindings(session.evaluation())
            .viewsWithheld()
            .map(new FindingWords(selection)::inShort)
            .orElse(""),
        ThreadChart.draw(
            session.evaluation().costs().overall().planned().stream().map(People::total).toList(),
            selection,
            session.query().whatIf().scenario()),
        session.query().month(),
        selection.horizon().months() - 1,
        session.query().typedPeople(),
        session.columns().stream().anyMatch(Framing::sellsLightSeats),
        session.query().typedLight(),
        payment(session),
        session.query().pricesOf(),
        session.query().fault(),
        measures(session),
        session.query().typedMany(),
        scenarios(session),
        choices(Terms.values(), Terms::words, session.query().whatIf().terms()),
        choices(CostTiming.values(), CostTiming::words, session.query().whatIf().view()),
        choices(WhatIf.Basis.values(), WhatIf.Basis::words, session.query().whatIf().basis()),
        session.person().organises() && !table.decided(),
        session.person().weighs() && !table.decided(),
        table.decided());
  }

  private static final String NOBODY = "nobody counted yet";

  private static String subtitle(Evaluation evaluation, boolean counted) {
    Selection selection = evaluation.selection();
    int fewest = evaluation.costs().overall().lowestPlanned();
    int most = evaluation.costs().overall().highestPlanned();
    return (!counted ? NOBODY : fewest == most ? people(most) : fewest + " to " + people(most))
        + " · "
        + selection.horizon().months()
        + " months from "
        + Dates.shortMonth(selection.horizon().start())
        + " · "
        + selection.currency().getCode()
        + ", before tax · rates of "
        + Dates.day(selection.asOf())
        + (selection.rise().isNone()
            ? ""
            : " · prices rise " + Figures.percentAsEntered(selection.rise().perYear()) + " a year");
  }

  private static <E extends Enum<E>> List<Frame.Choice> choices(
      E[] all, Function<E, String> words, E chosen) {
    return Arrays.stream(all)
        .map(e -> new Frame.Choice(Codes.code(e), words.apply(e), e == chosen))
        .toList();
  }

  private static boolean sellsLightSeats(Contender contender) {
    return contender.tool().plans().stream()
        .flatMap(plan -> plan.charged().stream())
        .anyMatch(list -> list.measures().contains(Measure.LIGHT_SEATS));
  }

  private static List<Frame.Choice> measures(Session session) {
    String across = session.query().across().map(Dimension::id).orElse("");
    List<Measure> quantities = Dimensions.quantities(session);
    boolean none = quantities.stream().noneMatch(measure -> measure.id().equals(across));
    List<Frame.Choice> measures = new ArrayList<>();
    measures.add(new Frame.Choice("", "of something else", none));
    quantities.forEach(measure ->
        measures.add(new Frame.Choice(measure.id(), measure.label(), measure.id().equals(across))));
    return measures;
  }

  private static Frame.Payment payment(Session session) {
    return new Frame.Payment(
        Dimensions.takesShareOfPayments(session),
        session.query().typedPayment(),
        session.table().selection().currency().getCode());
  }

  private static List<Frame.Choice> scenarios(Session session) {
    String chosen = session.query().whatIf().scenario().id();
    return session.table().selection().scenarios().stream()
        .map(s -> new Frame.Choice(s.id(), s.words(), s.id().equals(chosen)))
        .toList();
  }

  private static String moment(Session session) {
    int people = session.evaluation().costs().people().total();
    String count =
        (people == 0 ? NOBODY : people(people) + seats(session, people)) + stated(session);
    return switch (session.query().whatIf().moment()) {
      case Moment.Month month ->
          Dates.month(session.table().selection().horizon().month(month.m()))
              + " · "
              + (session.table().selection().isCounted() ? count : NOBODY + ", read for " + count);
      case Moment.Headcount typed -> "If there were " + count;
    };
  }

  /** What of the "what if" is said in so many, beside people. */
  private static String stated(Session session) {
    WhatIf whatIf = session.query().whatIf();
    String currency = session.table().selection().currency().getCode();
    return whatIf
            .stated()
            .map(stated -> ", with " + Figures.quantity(stated.measure().quantity(stated.units())))
            .orElse("")
        + whatIf
            .averagePayment()
            .map(each ->
                ", with payments of " + currency + " " + each.toPlainString() + " on average")
            .orElse("");
  }

  /** Fewer seats than people is meant by some and a slip of others; it is said. */
  private static String seats(Session session, int people) {
    UnitsNeeded needed = session.evaluation().costs().occasion().units();
    OptionalInt full = needed.of(Measure.SEATS);
    OptionalInt seats =
        full.isPresent()
            ? OptionalInt.of(full.getAsInt() + needed.of(Measure.LIGHT_SEATS).orElse(0))
            : full;
    return seats.isPresent() && seats.getAsInt() < people
        ? ", " + Figures.counted(seats.getAsInt(), "seats") + ": fewer seats than people"
        : "";
  }

  private static String people(int people) {
    return Figures.counted(people, "people");
  }

  private static List<StepLink> steps(Session session, String here) {
    List<StepLink> steps = new ArrayList<>();
    Map<Stage, Integer> open = Remark.open(session.table().remarks());
    steps.add(step(session, here, "overview", "Overview", false, ""));
    Progress.states(session.evaluation(), session.table().decided())
        .forEach((stage, state) -> {
          boolean counted = stage == Stage.WEIGHTS || stage == Stage.MARKS;
          String note =
              counted && state.of() > 0 && !state.isDone() ? state.so() + " of " + state.of() : "";
          String said = RemarksView.note(open.getOrDefault(stage, 0));
          String both = note.isEmpty() || said.isEmpty() ? note + said : note + " · " + said;
          steps.add(step(session, here, Codes.code(stage), stage.words(), state.isDone(), both));
        });
    return steps;
  }

  private static StepLink step(
      Session session, String here, String key, String name, boolean done, String note) {
    String state = key.equals(here) ? "here" : done ? "done" : "open";
    return new StepLink(key, name, session.step(key), state, note);
  }
}
