package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.decision.Signatory;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trial.Completion;
import tertulia.core.trial.Trial.Result;
import tertulia.core.trial.Trials;
import tertulia.core.working.Derivation;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** What was tried by hand: what it is worth, what it says of facts, and whom it is asked of. */
public class TriedTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final Capability LINK = new Capability("link", "Calendar link");
  private static final Task LINKED = new Task("link", "Link it", new Task.From.OfNeed("link"));
  private static final Task EASY = new Task("easy", "Use it", new Task.From.OfCriterion("ease"));
  private static final Criterion EASE = new Criterion("ease", "Ease", new Criterion.Judged());

  private static Criterion measured(Criterion.Number number, String worst, String best) {
    return new Criterion(
        "m",
        "Measured",
        new Criterion.Measured(number, new BigDecimal(worst), new BigDecimal(best)));
  }

  private static Contender contender(String name, Map<String, Fact> facts, Plan plan) {
    return new Contender(
        new Tool(name.toLowerCase(java.util.Locale.ROOT), name, "Maker", List.of(plan)),
        Map.of(plan.id(), facts),
        List.of(),
        null);
  }

  private static Plan plan(Allowance... allowances) {
    Plan only = Samples.plan("Only", Samples.list(BillingTerm.MONTHLY, Samples.seats("5")));
    return new Plan(
        only.id(),
        only.name(),
        only.range(),
        only.prices(),
        only.tax(),
        List.of(allowances),
        only.source());
  }

  private static Selection selection(Criterion criterion, Contender... contenders) {
    return new Selection(
        "Which?",
        "",
        DAY,
        new Horizon(Samples.JAN_2027, 12),
        Samples.EUR,
        PriceRise.NONE,
        List.of(new Group("crew", "Crew", new Growth.Hires(10, BigDecimal.ONE), List.of())),
        Map.of(
            Measure.SEATS,
            new Demand(BigDecimal.ZERO, Map.of("crew", BigDecimal.ONE)),
            Measure.CALENDARS,
            new Demand(BigDecimal.valueOf(4), Map.of())),
        Optional.empty(),
        List.of(new Need(LINK, new Importance.Must(false))),
        List.of(criterion, EASE),
        List.of(contenders),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static Trials trials(List<Task> tasks, Result... results) {
    return new Trials(
        tasks,
        List.of(
            new Trial("ash", "only", DAY, DAY.plusDays(3), "", List.of("Ilse"), List.of(results))));
  }

  private static Result result(Task task, String by, Completion outcome, Integer minutes) {
    return new Result(task.id(), by, outcome, minutes, "", DAY);
  }

  private static Interval value(Selection selection, String contender) {
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    Criterion criterion = selection.criteria().getFirst();
    return evaluation.scores().value(contender, criterion).orElseThrow().interval();
  }

  private static Map<String, Fact> fact(Answer answer, Ground ground) {
    Map<String, Fact> facts = new HashMap<>();
    facts.put("link", new Fact(answer, Provenance.of(DAY, ground)));
    return facts;
  }

  private static Contender ash(Answer answer) {
    return contender("Ash", fact(answer, Ground.MAKERS_CLAIM), plan());
  }

  @Test
  public void tasksDoneAreWorthTheirShareAndWhatIsUntriedLeavesItOpen() {
    Criterion done = measured(new Criterion.Number.TasksDone(), "50", "100");
    Selection selection = selection(done, ash(Answer.YES));
    List<Task> tasks = List.of(LINKED, EASY);
    Result linked = result(LINKED, "Ilse", Completion.DONE, 4);
    assertEquals(value(selection, "ash"), Interval.UNKNOWN);
    Interval half = value(selection.tried(trials(tasks, linked)), "ash");
    assertEquals(half.low().signum(), 0);
    assertEquals(half.high().compareTo(BigDecimal.ONE), 0);
    Trials all =
        trials(
            tasks,
            linked,
            result(EASY, "Ilse", Completion.DONE, 2),
            result(EASY, "Odile", Completion.NOT_DONE, null));
    assertEquals(
        value(selection.tried(all), "ash").low(), new BigDecimal("0.50"), "75 of 50 to 100");
  }

  @Test
  public void fewerMinutesAreBetterIfTheScaleSaysSo() {
    Criterion quick = measured(new Criterion.Number.Minutes(), "20", "0");
    Selection selection = selection(quick, ash(Answer.YES));
    Trials all = trials(List.of(LINKED), result(LINKED, "Ilse", Completion.DONE, 5));
    assertEquals(value(selection.tried(all), "ash").low(), new BigDecimal("0.75"));
    Trials not = trials(List.of(LINKED), result(LINKED, "Ilse", Completion.NOT_DONE, 5));
    assertEquals(value(selection.tried(not), "ash"), Interval.UNKNOWN, "not done is not quick");
    Derivation why =
        Evaluation.of(selection.tried(not), WhatIf.START)
            .scores()
            .value("ash", quick)
            .orElseThrow()
            .working();
    assertEquals(((Derivation.Missing) why).reason(), "nobody did by the clock: Link it");
    assertThrows(
        IllegalArgumentException.class, () -> measured(new Criterion.Number.Minutes(), "5", "5.0"));
  }

  @Test
  public void whatIsIncludedIsTheLeastOfAnyMonth() {
    Criterion calendars = measured(new Criterion.Number.Included(Measure.CALENDARS), "0", "100");
    Included perSeat = new Included(new BigDecimal("5"), BigDecimal.valueOf(2), Measure.SEATS);
    Allowance some =
        new Allowance(Measure.CALENDARS, new Allowance.Limit.Hard(perSeat), Samples.PAGE);
    Allowance endless =
        new Allowance(Measure.CALENDARS, new Allowance.Limit.Unlimited(), Samples.PAGE);
    Allowance open = new Allowance(Measure.CALENDARS, new Allowance.Limit.Unknown(), Samples.PAGE);
    Map<String, Fact> has = fact(Answer.YES, Ground.MAKERS_CLAIM);
    assertEquals(
        value(selection(calendars, contender("Ash", has, plan(some))), "ash").low(),
        new BigDecimal("0.25"),
        "5 and 2 for each of 10 seats in the first month");
    assertEquals(
        value(selection(calendars, contender("Ash", has, plan(endless))), "ash"),
        Interval.exactly(BigDecimal.ONE));
    Selection less =
        selection(
            measured(new Criterion.Number.Included(Measure.CALENDARS), "100", "0"),
            contender("Ash", has, plan(endless)));
    assertEquals(value(less, "ash"), Interval.exactly(BigDecimal.ZERO));
    assertFalse(
        Evaluation.of(selection(calendars, contender("Ash", has, plan(open))), WhatIf.START)
            .scores()
            .value("ash", calendars)
            .filter(v -> v.interval().isExact())
            .isPresent(),
        "not confirmed is open");
  }

  @Test
  public void aTaskConfirmsOrContradictsWhatThePageSaysOfThePlanTried() {
    Selection claimed = selection(EASEST, ash(Answer.YES));
    TrialFinding.TriedFact contrary = shown(claimed, Completion.NOT_DONE).orElseThrow();
    assertTrue(contrary.isContrary());
    assertEquals(contrary.shown(), Answer.NO);
    assertEquals(contrary.plan(), "only");
    TrialFinding.TriedFact confirmed = shown(claimed, Completion.DONE).orElseThrow();
    assertFalse(confirmed.isContrary());
    Contender known = contender("Ash", fact(Answer.YES, Ground.TRIED_BY_HAND), plan());
    assertEquals(shown(selection(EASEST, known), Completion.DONE), Optional.empty(), "it says so");
    Trials apart =
        trials(
            List.of(LINKED),
            result(LINKED, "Ilse", Completion.DONE, null),
            result(LINKED, "Odile", Completion.NOT_DONE, null));
    assertEquals(
        new TrialFindings(claimed.tried(apart)).facts(),
        List.of(),
        "who fares apart shows nothing");
  }

  private static final Criterion EASEST = measured(new Criterion.Number.TasksDone(), "0", "100");

  private static Optional<TrialFinding.TriedFact> shown(Selection selection, Completion outcome) {
    Trials trials = trials(List.of(LINKED), result(LINKED, "Ilse", outcome, null));
    return new TrialFindings(selection.tried(trials)).facts().stream().findFirst();
  }

  @Test
  public void mustsAndMarksAreProposedUntilTheyAreNamed() {
    Selection selection = selection(EASEST, ash(Answer.YES));
    assertEquals(
        new TrialFindings(selection).proposals(),
        List.of(new Task.From.OfNeed("link"), new Task.From.OfCriterion("ease")));
    assertEquals(
        new TrialFindings(selection.tried(trials(List.of(LINKED)))).proposals(),
        List.of(new Task.From.OfCriterion("ease")));
    assertEquals(new TrialFindings(selection).all(DAY), List.of(new TrialFinding.NoTasks()));
  }

  @Test
  public void whoTriesIsAskedWhileTheTrialRuns() {
    Selection selection = selection(EASEST, ash(Answer.YES)).tried(trials(List.of(LINKED, EASY)));
    assertEquals(
        asked(selection, "Ilse", DAY), List.of(new Progress.Asked.Try("Ash", 2, Optional.of(3L))));
    assertEquals(asked(selection, "Odile", DAY), List.of(), "only who tries it");
    assertEquals(asked(selection, "Ilse", DAY.plusDays(4)), List.of(), "it is over");
    assertEquals(asked(selection, "Ilse", DAY.minusDays(1)), List.of(), "it has not begun");
    Selection done =
        selection.tried(trials(List.of(LINKED), result(LINKED, "Ilse", Completion.DONE, 1)));
    assertEquals(asked(done, "Ilse", DAY), List.of());
  }

  /** A trial that is over waits for the organiser as long as a task is left that nobody tried. */
  @Test
  public void whoOrganisesIsAskedWhatCameOfATrialThatIsOver() {
    Selection selection =
        selection(EASEST, ash(Answer.YES))
            .tried(trials(List.of(LINKED, EASY), result(LINKED, "Ilse", Completion.DONE, 1)));
    LocalDate after = DAY.plusDays(4);
    assertEquals(organising(selection, after), List.of(new Progress.Asked.SayWhatCame("Ash", 1)));
    assertEquals(organising(selection, DAY), List.of(), "it runs");
    assertEquals(asked(selection, "Odile", after), List.of(), "only who organises");
    Selection all =
        selection.tried(
            trials(
                List.of(LINKED, EASY),
                result(LINKED, "Ilse", Completion.DONE, 1),
                result(EASY, "Odile", Completion.NOT_DONE, 9)));
    assertEquals(organising(all, after), List.of(), "nothing is left");
  }

  private static List<Progress.Asked> asked(Selection selection, String who, LocalDate day) {
    return Progress.asked(
        selection,
        new Progress.Person(new Signatory(who, ""), Optional.empty(), true, false),
        Optional.empty(),
        day);
  }

  private static List<Progress.Asked> organising(Selection selection, LocalDate day) {
    return Progress.asked(
        selection,
        new Progress.Person(new Signatory("Pia", ""), Optional.empty(), true, true),
        Optional.empty(),
        day);
  }

  @Test
  public void costsDoNotRestOnWhatIsTried() {
    Selection selection = selection(EASEST, ash(Answer.YES));
    assertEquals(selection.tried(trials(List.of(LINKED))).unjudged(), selection.unjudged());
  }
}
