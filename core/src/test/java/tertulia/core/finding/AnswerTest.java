package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.Samples;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.AnswerFinding.Cheapness;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Weighing;

/** What is said first of a selection, against its evaluation, on generated selections. */
public class AnswerTest {
  private static final int SEEDS = 150;
  private static final int DAYS_FRESH = 100;
  private static final LocalDate TODAY = Samples.PAGE.asOf().plusDays(10);
  private final Set<String> seen = new HashSet<>();

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[SEEDS][];
    for (int seed = 0; seed < SEEDS; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  /** Every kind has to have been met, or its check has checked nothing. */
  @AfterClass
  public void everyKindWasMet() {
    List<Class<?>> kinds = new ArrayList<>();
    kinds.addAll(List.of(AnswerFinding.class.getPermittedSubclasses()));
    kinds.addAll(List.of(MissingFinding.class.getPermittedSubclasses()));
    for (Class<?> kind : kinds) {
      assertTrue(seen.contains(kind.getSimpleName()), kind.getSimpleName() + " of " + seen);
    }
    for (Cheapness cheapness : Cheapness.values()) {
      assertTrue(seen.contains(cheapness.name()), cheapness + " of " + seen);
    }
    assertTrue(
        seen.containsAll(Set.of("certain", "may pass", "open", "alone", "among others")),
        seen.toString());
  }

  private static Evaluation evaluate(Selection selection) {
    return Evaluation.of(selection, WhatIf.START);
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidFirstIsSo(int seed) {
    Selection whole = Generated.selection(seed);
    for (Selection selection :
        List.of(
            whole,
            asking(whole),
            whole.unjudged(),
            onlyThoseWithoutAWay(whole),
            Generated.with(whole, List.of(whole.contenders().getLast())),
            Generated.with(whole, List.of()))) {
      Evaluation evaluation = evaluate(selection);
      AnswerFinding answer = new AnswerFindings(evaluation).answer();
      seen.add(answer.getClass().getSimpleName());
      check(evaluation, answer);
      AnswerFinding.WhoDoes does = new AnswerFindings(evaluation).whoDoes();
      seen.add(does.getClass().getSimpleName());
      List<String> everybody = new ArrayList<>(does.doing());
      everybody.addAll(does.toConfirm());
      everybody.addAll(does.not());
      assertEquals(
          Set.copyOf(everybody),
          Set.copyOf(evaluation.selection().active().stream().map(Contender::id).toList()));
      assertEquals(everybody.size(), evaluation.selection().active().size());
      for (String id : does.doing()) {
        assertFalse(
            evaluation.costs().overall().way(id) instanceof PlanPaths.Gap gap && !gap.isUnpriced(),
            id);
      }
      for (Contender contender : whole.contenders()) {
        AnswerFinding.DecisionToday today = new AnswerFindings(evaluation).today(contender.id());
        seen.add(today.getClass().getSimpleName());
        assertEquals(today.stands(), today.first().contains(contender.id()));
        assertEquals(today.first().stream().findFirst(), AnswerFindings.front(answer));
      }
      assertEquals(
          AnswerFindings.front(answer).isPresent(),
          answer instanceof AnswerFinding.Ahead
              || answer instanceof AnswerFinding.CheapestThatDoes
              || answer instanceof AnswerFinding.OnlyOneDoes);
    }
  }

  /** The same with a must of which nobody knows anything. */
  private static Selection asking(Selection selection) {
    List<Need> needs = new ArrayList<>(selection.needs());
    needs.add(new Need(new Capability("unheard", "Unheard of"), new Importance.Must(false)));
    return selection.asking(needs);
  }

  /** The same among those who have no plan for all months. */
  private static Selection onlyThoseWithoutAWay(Selection selection) {
    Costs costs = evaluate(selection).costs();
    return Generated.with(
        selection,
        selection.contenders().stream()
            .filter(
                c -> costs.overall().way(c.id()) instanceof PlanPaths.Gap gap && !gap.isUnpriced())
            .toList());
  }

  private void check(Evaluation evaluation, AnswerFinding answer) {
    Costs costs = evaluation.costs();
    List<String> doing = costs.overall().feasible().stream().map(Contender::id).toList();
    switch (answer) {
      case AnswerFinding.NobodyCompared nobody ->
          assertTrue(evaluation.selection().active().isEmpty());
      case AnswerFinding.NobodyDoes none -> {
        assertTrue(doing.isEmpty());
        assertFalse(evaluation.selection().active().isEmpty());
      }
      case AnswerFinding.NobodyHasATotal none -> {
        assertEquals(none.tools(), doing);
        none.tools().forEach(tool -> assertTrue(costs.overall().totalBounds(tool).isEmpty(), tool));
      }
      case AnswerFinding.OnlyOneDoes only -> {
        assertEquals(doing, List.of(only.tool()));
        assertEquals(only.alone(), evaluation.selection().active().size() == 1);
        seen.add(only.alone() ? "alone" : "among others");
      }
      case AnswerFinding.CheapestThatDoes cheapest -> {
        Money least = costs.overall().totalBounds(cheapest.tools().getFirst()).orElseThrow().high();
        for (String tool : doing) {
          Optional<Money> total = costs.overall().totalBounds(tool).map(Amount::high);
          assertFalse(total.filter(t -> t.isLessThan(least)).isPresent(), tool);
          assertEquals(cheapest.tools().contains(tool), total.equals(Optional.of(least)), tool);
        }
        assertEquals(cheapest.now(), cheapest.tools().stream().allMatch(t -> isLeastNow(costs, t)));
      }
      case AnswerFinding.Ahead ahead -> checkAhead(evaluation, ahead);
      case AnswerFinding.DecisionToday today -> throw new AssertionError("no answer: " + today);
      case AnswerFinding.WhoDoes does -> throw new AssertionError("no answer: " + does);
    }
  }

  private static boolean isLeastNow(Costs costs, String tool) {
    Optional<Money> mine = costs.now().monthly(tool).map(Amount::high);
    return mine.isPresent()
        && costs.selection().active().stream()
            .flatMap(c -> costs.now().monthly(c.id()).stream())
            .noneMatch(other -> other.high().isLessThan(mine.get()));
  }

  private void checkAhead(Evaluation evaluation, AnswerFinding.Ahead ahead) {
    Totals totals = evaluation.scores().totals().orElseThrow();
    String front = ahead.tools().getFirst();
    Interval mine = totals.total(front);
    for (String tool : totals.values().keySet()) {
      Interval theirs = totals.total(tool);
      assertFalse(Totals.isAbove(theirs.midpoint(), mine.midpoint()), tool + " is ahead");
      boolean mayBeFirst = !Totals.isAbove(mine.low(), theirs.high());
      boolean named = ahead.tools().contains(tool) || ahead.mayPass().contains(tool);
      assertEquals(named, mayBeFirst || tool.equals(front), tool);
    }
    seen.add(ahead.isCertain() ? "certain" : "may pass");
    seen.add(ahead.cost().name());
    checkCheapness(evaluation.costs(), ahead, front);
  }

  private void checkCheapness(Costs costs, AnswerFinding.Ahead ahead, String front) {
    Optional<Amount> whole = costs.overall().totalBounds(front);
    Optional<Amount> now = costs.now().monthly(front);
    if (whole.isEmpty() || now.isEmpty()) {
      assertEquals(ahead.cost(), Cheapness.NOT_KNOWN);
      return;
    }
    boolean least =
        costs.selection().active().stream()
            .flatMap(c -> costs.overall().totalBounds(c.id()).stream())
            .noneMatch(other -> other.high().isLessThan(whole.get().high()));
    boolean leastNow = isLeastNow(costs, front);
    assertEquals(
        ahead.cost(),
        least
            ? leastNow ? Cheapness.NOW_AND_WHOLE : Cheapness.WHOLE
            : leastNow ? Cheapness.NOW : Cheapness.NEITHER);
    for (Contender other : costs.overall().feasible()) {
      Money most = whole.get().high();
      Money mostNow = now.get().high();
      boolean unknown =
          costs.overall().totalBounds(other.id()).isEmpty()
                  && costs.overall().leastTotal(other.id()).map(most::isGreaterThan).orElse(true)
              || costs.now().monthly(other.id()).isEmpty()
                  && costs.now().leastMonthly(other.id()).map(mostNow::isGreaterThan).orElse(true);
      if (unknown && !other.id().equals(front)) {
        assertTrue(ahead.open().contains(other.id()), other.id());
        seen.add("open");
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidToBeMissingIs(int seed) {
    Selection whole = Generated.selection(seed);
    for (Selection selection :
        List.of(whole, whole.unjudged(), withoutPanel(whole), withheld(whole), asking(whole))) {
      Evaluation evaluation = evaluate(selection);
      List<MissingFinding> missing = new AnswerFindings(evaluation).missing(TODAY, DAYS_FRESH);
      missing.forEach(m -> seen.add(m.getClass().getSimpleName()));
      missing.forEach(m -> check(evaluation, m));
      boolean settled =
          evaluation
              .scores()
              .totals()
              .filter(totals ->
                  totals.values().keySet().stream().anyMatch(tool -> !totals.total(tool).isExact()))
              .isEmpty();
      assertTrue(
          settled || missing.stream().anyMatch(MissingFinding.ValueOpen.class::isInstance),
          "a total within bounds, and nothing said");
    }
  }

  /** A question still open after its months have begun is not read as if they had not. */
  @Test
  public void monthsThatHavePassedAreCounted() {
    Evaluation evaluation = evaluate(Generated.selection(1));
    YearMonth start = evaluation.selection().horizon().start();
    int all = evaluation.selection().horizon().months();
    assertEquals(passed(evaluation, start.minusMonths(1).atEndOfMonth()), 0);
    assertEquals(passed(evaluation, start.atDay(1)), 0);
    assertEquals(passed(evaluation, start.atEndOfMonth()), 0);
    assertEquals(passed(evaluation, start.plusMonths(1).atDay(1)), 1);
    assertEquals(passed(evaluation, start.plusMonths(5).atDay(9)), 5);
    assertEquals(passed(evaluation, start.plusMonths(all + 7L).atDay(1)), all);
  }

  private int passed(Evaluation evaluation, LocalDate today) {
    for (MissingFinding missing : new AnswerFindings(evaluation).missing(today, DAYS_FRESH)) {
      if (missing instanceof MissingFinding.MonthsPassed months) {
        check(evaluation, months);
        seen.add(months.getClass().getSimpleName());
        return months.passed();
      }
    }
    return 0;
  }

  private static Selection withheld(Selection s) {
    return s.judgedBy(
        new Panel(
            List.of(new Member("p1", "One", 1, new Weighing.Withheld(true, 0), Map.of(), true))));
  }

  private static Selection withoutPanel(Selection s) {
    return s.judgedBy(new Panel(List.of()));
  }

  private static void check(Evaluation evaluation, MissingFinding missing) {
    Costs costs = evaluation.costs();
    switch (missing) {
      case MissingFinding.NoCriteria none -> assertTrue(evaluation.scores().criteria().isEmpty());
      case MissingFinding.NotWeighed idle ->
          assertEquals(
              idle.members(),
              evaluation.selection().panel().members().stream()
                  .filter(m ->
                      evaluation.scores().criteria().stream()
                          .allMatch(c ->
                              ((Weighing.Points) m.weighing()).points().getOrDefault(c.id(), 0)
                                  == 0))
                  .map(m -> m.name())
                  .toList());
      case MissingFinding.ViewsWithheld views ->
          assertEquals(
              views.members(),
              evaluation.selection().panel().members().stream()
                  .filter(Member::isWithheld)
                  .map(Member::name)
                  .toList());
      case MissingFinding.NotMarked marks -> {
        assertTrue(0 < marks.left() && marks.left() <= marks.of());
        long judged =
            evaluation.selection().criteria().stream()
                .filter(c -> c.kind() instanceof Criterion.Judged)
                .count();
        assertEquals(marks.of(), judged * evaluation.selection().active().size());
      }
      case MissingFinding.ValueOpen open -> {
        Criterion criterion =
            evaluation.scores().criteria().stream()
                .filter(c -> c.name().equals(open.criterion()))
                .findFirst()
                .orElseThrow();
        assertFalse(
            evaluation.scores().value(open.tool(), criterion).orElseThrow().interval().isExact());
      }
      case MissingFinding.ToConfirm confirm ->
          assertTrue(costs.now().monthly(confirm.tool()).isEmpty(), confirm.tool());
      case MissingFinding.NoPrice none ->
          assertTrue(
              costs.now().monthly(none.tool()).isEmpty()
                  || costs.overall().totalBounds(none.tool()).isEmpty());
      case MissingFinding.MonthsPassed months -> {
        assertEquals(months.start(), evaluation.selection().horizon().start());
        assertEquals(months.of(), evaluation.selection().horizon().months());
      }
      case MissingFinding.OpenQuestions open ->
          assertEquals(open.questions(), costs.questions(open.tool()).size());
      case MissingFinding.OldPrice old ->
          assertTrue(old.asOf().plusDays(DAYS_FRESH).isBefore(TODAY));
    }
  }

  /** From what nobody has said to what is decided, each thing in its turn. */
  @Test
  public void whatComesNextComesInTurn() {
    Selection whole = Generated.selection(3);
    Map<Stage, Progress.State> states = Progress.of(evaluate(whole), Optional.empty()).states();
    assertEquals(states.size(), Stage.values().length);
    assertEquals(next(nobody(whole)), new Progress.Next.SayWho());
    assertEquals(next(Generated.with(whole, List.of())), new Progress.Next.BringContenders(0));
    assertEquals(
        next(Generated.with(whole, whole.contenders().subList(0, 1))),
        new Progress.Next.BringContenders(1));
    assertEquals(
        next(Generated.without(whole, whole.needs())), new Progress.Next.SayWhatIsNeeded());
    assertEquals(
        next(withoutPanel(doing(whole))).step(), Stage.WEIGHTS, "nobody sits at the table yet");
    assertEquals(next(doing(whole).unjudged()), new Progress.Next.NameCriteria());
    assertFalse(
        Progress.states(evaluate(doing(whole).unjudged()), false)
            .getOrDefault(Stage.MARKS, new Progress.State(1, 1))
            .isDone(),
        "nothing to mark is not marked");
  }

  private static Progress.Next next(Selection selection) {
    return Progress.of(evaluate(selection), Optional.empty()).next();
  }

  private static Selection nobody(Selection s) {
    return new Selection(
        s.title(),
        s.purpose(),
        s.asOf(),
        s.horizon(),
        s.currency(),
        s.rise(),
        List.of(),
        Map.of(),
        s.averagePayment(),
        s.needs(),
        s.criteria(),
        s.contenders(),
        s.panel(),
        s.rates(),
        s.scenarios(),
        s.practice());
  }

  /** A generated selection in which two contenders do and have a figure. */
  private static Selection doing(Selection from) {
    Selection selection = from;
    for (int seed = 0; seed < SEEDS; seed++) {
      selection = Generated.selection(seed);
      Costs costs = evaluate(selection).costs();
      if (!selection.needs().isEmpty()
          && !selection.groups().isEmpty()
          && !selection.criteria().isEmpty()
          && costs.overall().feasible().size() > 1
          && costs.now().orderByCost().size() > 1) {
        return selection;
      }
    }
    throw new AssertionError("no selection in which two do");
  }

  private static final Signatory ILSE = new Signatory("Ilse", "ilse");
  private static final Signatory JOREN = new Signatory("Joren", "joren");
  private static final LocalDate AGREED = LocalDate.of(2027, 10, 1);

  private static Decision.Proposed proposed() {
    return new Decision.Draft(new Proposal("x", "Desk", "It serves.", "Ease.", "", AGREED))
        .propose(ILSE, Instant.parse("2026-11-23T09:00:00Z"));
  }

  private static Decision.Signed signed() {
    return proposed().sign(JOREN, Instant.parse("2026-11-24T09:00:00Z"));
  }

  @Test
  public void aProposalWaitsForASecondPersonAndADecisionForItsDay() {
    Evaluation evaluation = evaluate(doing(Generated.selection(0)));
    assertEquals(
        Progress.of(evaluation, Optional.of(proposed())).next(), new Progress.Next.Sign("Ilse"));
    Progress decided = Progress.of(evaluation, Optional.of(signed()));
    assertEquals(decided.next(), new Progress.Next.LookAgain(Optional.of(AGREED), false));
    assertTrue(decided.states().get(Stage.DECISION).isDone());
    Progress.Next.LookAgain again = new Progress.Next.LookAgain(Optional.of(AGREED), false);
    assertFalse(again.isDue(AGREED.minusDays(1)));
    assertTrue(again.isDue(AGREED));
    assertFalse(new Progress.Next.LookAgain(Optional.empty(), false).isDue(AGREED));
  }

  @Test
  public void eachIsAskedForTheirOwn() {
    Selection selection = doing(Generated.selection(0));
    Member idle = new Member("idle", "Idle", 1, Map.of(), Map.of());
    Evaluation evaluation = evaluate(selection.judgedBy(new Panel(List.of(idle))));
    int all = Progress.marksToGive(evaluation.selection());
    assertTrue(all > 0);
    List<Progress.Asked> both = List.of(new Progress.Asked.Weigh(), new Progress.Asked.Mark(all));
    assertEquals(asked(evaluation, idle, Optional.empty(), ILSE, true), both);
    assertEquals(asked(evaluation, idle, Optional.empty(), ILSE, false), List.of());
    // whoever proposed is not asked to sign, and nothing more is asked once it is signed
    assertEquals(asked(evaluation, idle, Optional.of(proposed()), ILSE, true), both);
    assertEquals(
        asked(evaluation, idle, Optional.of(proposed()), JOREN, true).getFirst(),
        new Progress.Asked.Sign("Ilse"));
    assertEquals(asked(evaluation, idle, Optional.of(signed()), JOREN, true), List.of());
    assertEquals(
        Progress.asked(
            evaluation.selection(),
            new Progress.Person(JOREN, Optional.empty(), true, false),
            Optional.of(signed()),
            AGREED),
        List.of(new Progress.Asked.LookAgain(AGREED)));
  }

  private static List<Progress.Asked> asked(
      Evaluation evaluation,
      Member member,
      Optional<Decision> decision,
      Signatory person,
      boolean weighs) {
    return Progress.asked(
        evaluation.selection(),
        new Progress.Person(person, Optional.of(member), weighs, false),
        decision,
        AGREED.minusDays(1));
  }
}
