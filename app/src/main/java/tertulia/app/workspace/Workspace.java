package tertulia.app.workspace;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;
import tertulia.app.chart.Drawn;
import tertulia.app.chart.Marks;
import tertulia.app.chart.ThreadChart;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Disinterested;
import tertulia.app.live.Live;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Table;
import tertulia.app.settings.Freshness;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.billing.View;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.finding.AnswerFindings;
import tertulia.core.finding.CostFindings;
import tertulia.core.finding.InterestFinding;
import tertulia.core.finding.InterestFindings;
import tertulia.core.finding.Progress;
import tertulia.core.finding.Stage;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.Dimension;
import tertulia.core.path.Market;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.remark.Remark;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.working.Provenance;

/** Sets a selection on the table for one request: loaded, computed out, with its frame. */
@Component
public class Workspace {
  private static final int MARKS = 8;
  private static final List<Measure> PEOPLE =
      List.of(Measure.SEATS, Measure.LIGHT_SEATS, Measure.WHOLE_STAFF);
  private final Selections selections;
  private final Freshness freshness;
  private final Live live;
  private final Clock clock;
  private final Evaluations evaluations = new Evaluations();

  Workspace(Selections selections, Freshness freshness, Live live, Clock clock) {
    this.live = live;
    this.freshness = freshness;
    this.selections = selections;
    this.clock = clock;
  }

  /**
   * A selection computed out for a person and a "what if".
   *
   * @param asked everything the address asks for
   * @param last the number of the last change that is sure to be in it
   * @param sensitivity how it answers to changes, worked out where it is asked for
   */
  public record Session(
      Table table,
      Map<String, String> asked,
      WhatIfQuery query,
      Evaluation evaluation,
      SignedIn person,
      LocalDate today,
      int daysFresh,
      long last,
      Sensitivity sensitivity) {

    /** Whether a fact is older than the workspace wants facts to be. */
    public boolean isOld(Provenance source) {
      return source.isOldOn(today, daysFresh);
    }

    /**
     * The address that confirms a fact of a contender as of today; empty if the fact is not old,
     * not known, or this person does not organise.
     */
    public String confirm(Contender contender, String what, Provenance source) {
      boolean known = !source.asOf().equals(LocalDate.EPOCH);
      return known && isOld(source) && person.organises() && !table.decided()
          ? "/catalogue/"
              + contender.id()
              + "/confirm?what="
              + UriUtils.encodeQueryParam(what, StandardCharsets.UTF_8)
          : "";
    }

    /** The contenders that have a column. */
    public List<Contender> columns() {
      return table.selection().active();
    }

    /** The address of a figure's working. */
    public String why(String figure, String... more) {
      StringBuilder address =
          new StringBuilder("/selections/" + table.id() + "/why?figure=" + figure);
      for (int i = 0; i + 1 < more.length; i += 2) {
        address
            .append('&')
            .append(more[i])
            .append('=')
            .append(UriUtils.encode(more[i + 1], StandardCharsets.UTF_8));
      }
      return address.append(query.query().isEmpty() ? "" : "&" + query.query()).toString();
    }

    /** The address of a step of this selection, under this "what if". */
    public String step(String key) {
      return "/selections/"
          + table.id()
          + "/"
          + key
          + (query.query().isEmpty() ? "" : "?" + query.query());
    }

    /** This session's addresses for so many people. */
    public Session at(int people) {
      return new Session(
          table, asked, query.at(people), evaluation, person, today, daysFresh, last, sensitivity);
    }

    /**
     * The address at which the price page of a contender is changed, asking first for what this
     * selection needs; to whoever may not change it, where it is read.
     */
    public String pricePage(String contender) {
      return "/catalogue/"
          + contender
          + (person.organises() ? "/edit?selection=" + table.id() : "");
    }

    /** The address at which something that is not known is put down. */
    public String answering(FindOut.Unknown unknown) {
      return switch (unknown) {
        case FindOut.Unknown.Worth worth ->
            switch (worth.criterion().kind()) {
              case Criterion.Judged judged -> step("marks");
              case Criterion.Cost cost -> pricePage(worth.tool());
              case Criterion.CostAsFound cost -> pricePage(worth.tool());
              case Criterion.Coverage coverage -> pricePage(worth.tool());
              case Criterion.Ratings ratings -> pricePage(worth.tool());
              case Criterion.Measured measured ->
                  measured.number().isOfPlan()
                      ? pricePage(worth.tool())
                      : "/selections/" + table.id() + "/trials";
            };
        case FindOut.Unknown.Has has -> pricePage(has.tool());
        case FindOut.Unknown.StillHas still -> step("fit");
      };
    }

    /** The place that shows a condition under which a contender leads. */
    public Shown shown(Condition condition) {
      return Shown.of(this, condition);
    }

    /** The number of a contender's mark, 1 to 8, the same in every step. */
    public int mark(String contender) {
      List<String> ids = table.selection().contenders().stream().map(Contender::id).toList();
      return ids.indexOf(contender) % MARKS + 1;
    }

    /** A contender as the pictures know it. */
    public Drawn drawn(Contender contender) {
      return new Drawn(contender.id(), contender.tool().name(), mark(contender.id()));
    }
  }

  /** Loads and computes; the query is the request's parameters. */
  public Session open(long id, Map<String, String> parameters, SignedIn person) {
    long last = live.last(id);
    LocalDate today = LocalDate.now(clock);
    Table table =
        selections.load(
            id,
            WhatIfQuery.pricesOf(parameters).orElse(today),
            WhatIfQuery.disinterested(parameters));
    return open(table, parameters, person, today, freshness.days(), last);
  }

  /**
   * What a session reads with what people with an interest said, or without it: the other way than
   * it does; empty if nobody at the table has said anything with an interest.
   */
  public Optional<Interested> interested(Session session) {
    Disinterested.Interests interests = Disinterested.in(session.table().file());
    if (interests.areNone()) {
      return Optional.empty();
    }
    boolean without = session.query().disinterested();
    Table other =
        selections.load(
            session.table().id(), session.query().day().orElse(session.today()), !without);
    Evaluation turned = evaluations.of(other.selection(), session.query().whatIf());
    InterestFinding.WithoutInterested finding =
        InterestFindings.of(
            new InterestFindings.Count(interests.facts(), interests.ratings(), interests.marks()),
            without ? turned : session.evaluation(),
            without ? session.evaluation() : turned);
    return Optional.of(
        new Interested(
            new FindingWords(session.table().entered()).of(finding),
            without ? "read everything with that" : "read everything without that",
            session.query().disinterested(!without).query(),
            without));
  }

  /**
   * What people with an interest said, and how it is read.
   *
   * @param sentence what is left without it
   * @param word of the switch
   * @param query of the address that reads it the other way; may be empty
   * @param without whether it is read without it now
   */
  public record Interested(String sentence, String word, String query, boolean without) {}

  /** Computes what is loaded. */
  public Session open(Table table, Map<String, String> parameters, SignedIn person) {
    return open(table, parameters, person, LocalDate.now(clock), freshness.days(), 0);
  }

  /** Computes each of several that are loaded; what holds for all is read once. */
  public Function<Table, Session> opening(SignedIn person) {
    LocalDate today = LocalDate.now(clock);
    int daysFresh = freshness.days();
    return table -> open(table, Map.of(), person, today, daysFresh, 0);
  }

  private Session open(
      Table table,
      Map<String, String> parameters,
      SignedIn person,
      LocalDate today,
      int daysFresh,
      long last) {
    WhatIfQuery query = WhatIfQuery.of(parameters, table.selection());
    Evaluation evaluation = evaluations.of(table.selection(), query.whatIf());
    return new Session(
        table,
        Map.copyOf(parameters),
        query,
        evaluation,
        person,
        today,
        daysFresh,
        last,
        evaluations.sensitivity(evaluation));
  }

  /**
   * The frame of a step.
   *
   * @param view the step's template
   * @param asksWhatIf whether what is read in it can be read for other people and terms there
   */
  public Frame frame(Session session, String step, String view, boolean asksWhatIf) {
    Table table = session.table();
    Selection selection = table.selection();
    String query = session.query().query();
    int columns = session.columns().size();
    return new Frame(
        table.id(),
        selection.title(),
        subtitle(session.evaluation()),
        view,
        asksWhatIf,
        "/selections/" + table.id() + "/" + step,
        query,
        steps(session, step),
        heads(session),
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
        session.columns().stream().anyMatch(Workspace::sellsLightSeats),
        session.query().typedLight(),
        payment(session),
        session.query().pricesOf(),
        session.query().fault(),
        measures(session),
        session.query().typedMany(),
        scenarios(session),
        choices(Terms.values(), Terms::words, session.query().whatIf().terms()),
        choices(View.values(), View::words, session.query().whatIf().view()),
        choices(WhatIf.Basis.values(), WhatIf.Basis::words, session.query().whatIf().basis()),
        session.person().organises() && !table.decided(),
        session.person().weighs() && !table.decided(),
        table.decided());
  }

  private static String subtitle(Evaluation evaluation) {
    Selection selection = evaluation.selection();
    int fewest = evaluation.costs().overall().lowestPlanned();
    int most = evaluation.costs().overall().highestPlanned();
    return (fewest == most ? people(most) : fewest + " to " + people(most))
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
        .flatMap(plan -> plan.lists(PlanPrices.End.HIGH).stream())
        .anyMatch(list -> list.measures().contains(Measure.LIGHT_SEATS));
  }

  private static List<Frame.Choice> measures(Session session) {
    String across = session.query().across().map(Dimension::id).orElse("");
    List<Measure> quantities = quantities(session);
    boolean none = quantities.stream().noneMatch(measure -> measure.id().equals(across));
    List<Frame.Choice> measures = new ArrayList<>();
    measures.add(new Frame.Choice("", "of something else", none));
    quantities.forEach(measure ->
        measures.add(new Frame.Choice(measure.id(), measure.label(), measure.id().equals(across))));
    return measures;
  }

  private static Frame.Payment payment(Session session) {
    return new Frame.Payment(
        takesShareOfPayments(session),
        session.query().typedPayment(),
        session.table().selection().currency().getCode());
  }

  private static boolean takesShareOfPayments(Session session) {
    return session.columns().stream()
        .flatMap(contender -> contender.tool().plans().stream())
        .flatMap(plan -> plan.lists(PlanPrices.End.HIGH).stream())
        .flatMap(list -> list.charges().stream())
        .anyMatch(Market::needsAveragePayment);
  }

  /** By what costs can be drawn whoever the people are. */
  public static List<Dimension> dimensions(Session session) {
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

  private static List<Frame.Choice> scenarios(Session session) {
    String chosen = session.query().whatIf().scenario().id();
    return session.table().selection().scenarios().stream()
        .map(s -> new Frame.Choice(s.id(), s.words(), s.id().equals(chosen)))
        .toList();
  }

  private static String moment(Session session) {
    int people = session.evaluation().costs().people().total();
    String count = people(people) + seats(session, people) + stated(session);
    return switch (session.query().whatIf().moment()) {
      case Moment.Month month ->
          Dates.month(session.table().selection().horizon().month(month.m())) + " · " + count;
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

  private static List<Head> heads(Session session) {
    return session.columns().stream().map(contender -> head(session, contender)).toList();
  }

  /** The head of a contender's column. */
  public static Head head(Session session, Contender contender) {
    String id = contender.id();
    boolean best =
        new CostFindings(session.evaluation().costs())
            .place(id)
            .filter(place -> place.place() == 1)
            .isPresent();
    Outcome<SteadyCost> outcome = session.evaluation().costs().now().steady(id);
    return new Head(
        id,
        contender.tool().name(),
        Marks.inline(session.mark(id)),
        plan(outcome),
        cost(session, id, outcome, best),
        total(
            session,
            id,
            session.evaluation().scores().totals().map(Totals::standings).orElse(List.of())));
  }

  private static String plan(Outcome<SteadyCost> outcome) {
    return switch (outcome) {
      case Outcome.Found<SteadyCost> found ->
          found.best().option().label() + Known.mark(found.best().option());
      case Outcome.NoPlan<SteadyCost> none ->
          none.isUnconfirmed() ? "not confirmed" : "no plan fits";
      case Outcome.Unpriced<SteadyCost> unpriced ->
          unpriced
              .low()
              .map(low -> low.option().label() + Known.mark(low.option()))
              .orElse("price not known");
    };
  }

  private static Cell cost(Session session, String id, Outcome<SteadyCost> outcome, boolean best) {
    String why = session.why("steady", "contender", id);
    return switch (outcome) {
      case Outcome.Found<SteadyCost> found -> {
        yield Cell.figure(Known.amount(found, SteadyCost::money), why)
            .looking(best ? "best" : "")
            .noting(
                Stream.of(boughtOnce(found.best()), time(session, id))
                    .filter(note -> !note.isEmpty())
                    .collect(Collectors.joining("; ")));
      }
      case Outcome.NoPlan<SteadyCost> none -> Cell.missing("—", why);
      case Outcome.Unpriced<SteadyCost> unpriced ->
          Cell.missing(Known.least(session.evaluation().costs().now().leastMonthly(id)), why);
    };
  }

  /** A month's share of what is bought once stands in the figure, so it is named. */
  private static String boughtOnce(SteadyCost cost) {
    return cost.boughtOnce().isZero()
        ? ""
        : "of it " + Figures.money(cost.boughtOnce()) + " a month for what is bought once";
  }

  /** What people look after and do by hand in a month, if full cost is read. */
  private static String time(Session session, String id) {
    return session.query().whatIf().basis() == WhatIf.Basis.SUBSCRIPTION
        ? ""
        : session
            .evaluation()
            .costs()
            .now()
            .steadyTime(id)
            .map(money -> "+ " + Figures.money(money) + " of people’s time")
            .orElse("people’s time not known");
  }

  /** A contender's total as it reads at the head of its column. */
  private static Cell total(Session session, String id, List<Totals.Standing> standings) {
    String why = session.why("total", "contender", id);
    return standings.stream()
        .filter(s -> s.contender().equals(id))
        .findFirst()
        .map(mine -> total(mine, standings.getFirst() == mine, why))
        .orElseGet(() -> Cell.missing("—", why))
        .named("total-" + id);
  }

  private static Cell total(Totals.Standing mine, boolean first, String why) {
    String ranks =
        mine.bestRank() == mine.worstRank()
            ? "rank " + mine.bestRank()
            : "rank " + mine.bestRank() + " to " + mine.worstRank();
    return Cell.figure(Figures.score(mine.total()), why).looking(first ? "best" : "").noting(ranks);
  }
}
