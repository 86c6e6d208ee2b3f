package tertulia.core.sensitivity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;
import tertulia.core.deadline.Deadline;
import tertulia.core.deadline.Overdue;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Scenario;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Settled;
import tertulia.core.scoring.Totals;

/** Scenarios, swings, what it would take and what to find out, each against a plain evaluation. */
public class SensitivityTest {
  private static final int SELECTIONS = 45;
  private static final LocalDate LATER = LocalDate.of(2027, 9, 1);

  private static Evaluation read(int seed) {
    return TakeIfTest.evaluation(seed);
  }

  @Test
  public void everyCellIsTheEvaluationOfItsCombination() {
    Set<ScenarioGrid.Axis> mattered = EnumSet.noneOf(ScenarioGrid.Axis.class);
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = read(seed);
      Selection selection = read.selection();
      List<ScenarioGrid.NeedSet> given = new ArrayList<>(List.of(ScenarioGrid.NeedSet.AS_STATED));
      selection.needs().forEach(need -> given.add(ScenarioGrid.NeedSet.without(Set.of(need))));
      given.add(new ScenarioGrid.NeedSet(Set.of(), Set.copyOf(selection.needs())));
      List<PriceRise> rises = List.of(PriceRise.NONE, PriceRise.ofPercent("60"));
      ScenarioGrid.Axes axes =
          new ScenarioGrid.Axes(
              selection.scenarios(), rises, List.of(Terms.ANY, Terms.MONTHLY), given);
      ScenarioGrid grid = new Sensitivity(read).scenarios(axes.scenes());
      assertEquals(grid.cells().size(), 3 * 2 * 2 * given.size());
      // a third of the cells of each, so that in any three selections each place has its turn
      for (int c = seed % 3; c < grid.cells().size(); c += 3) {
        ScenarioGrid.Case cell = grid.cells().get(c);
        ScenarioGrid.Scene scene = cell.scene();
        List<Need> left = new ArrayList<>(selection.needs());
        left.removeAll(scene.needs().dropped());
        left.replaceAll(need ->
            scene.needs().required().contains(need)
                    && !(need.importance() instanceof Importance.Must)
                ? new Need(need.capability(), new Importance.Must(false), need.outside())
                : need);
        WhatIf asked = read.whatIf();
        Evaluation plain =
            Evaluation.of(
                selection.asking(left).rising(scene.rise()),
                new WhatIf(
                    asked.moment(), scene.growth(), scene.terms(), asked.view(), asked.basis()));
        assertEquals(cell.lead(), Lead.of(plain), "seed " + seed + " " + scene);
        plain
            .scores()
            .totals()
            .ifPresent(totals ->
                assertEquals(cell.first(), Optional.of(totals.standings().getFirst().contender())));
        assertEquals(
            cell.cost(), cell.first().flatMap(t -> plain.costs().overall().totalBounds(t)));
      }
      assertEquals(grid.mattering(), turning(grid), "seed " + seed);
      mattered.addAll(grid.mattering());
    }
    assertEquals(mattered, EnumSet.allOf(ScenarioGrid.Axis.class));
  }

  /** What turns the first between two combinations that differ in it alone. */
  private static Set<ScenarioGrid.Axis> turning(ScenarioGrid grid) {
    Set<ScenarioGrid.Axis> turning = EnumSet.noneOf(ScenarioGrid.Axis.class);
    for (ScenarioGrid.Case one : grid.cells()) {
      for (ScenarioGrid.Case other : grid.cells()) {
        Set<ScenarioGrid.Axis> apart = EnumSet.noneOf(ScenarioGrid.Axis.class);
        ScenarioGrid.Scene a = one.scene();
        ScenarioGrid.Scene b = other.scene();
        apart.addAll(a.growth().equals(b.growth()) ? Set.of() : Set.of(ScenarioGrid.Axis.GROWTH));
        apart.addAll(a.rise().equals(b.rise()) ? Set.of() : Set.of(ScenarioGrid.Axis.RISE));
        apart.addAll(a.terms() == b.terms() ? Set.of() : Set.of(ScenarioGrid.Axis.TERMS));
        apart.addAll(a.needs().equals(b.needs()) ? Set.of() : Set.of(ScenarioGrid.Axis.NEEDS));
        if (apart.size() == 1 && !one.first().equals(other.first())) {
          turning.addAll(apart);
        }
      }
    }
    return turning;
  }

  @Test
  public void tooManyCombinationsAreRefusedInASentence() {
    try {
      List<PriceRise> rises = new ArrayList<>();
      for (int i = 0; i < 81; i++) {
        rises.add(PriceRise.ofPercent("" + i));
      }
      new ScenarioGrid.Axes(
          Scenario.STANDARD, rises, List.of(Terms.ANY), List.of(ScenarioGrid.NeedSet.AS_STATED));
    } catch (IllegalArgumentException e) {
      assertEquals(
          e.getMessage(),
          "These are 243 combinations; at most 240 are calculated. Leave some of them out.");
      assertThrows(
          IllegalArgumentException.class,
          () ->
              new ScenarioGrid.Axes(
                  List.of(),
                  List.of(PriceRise.NONE),
                  List.of(Terms.ANY),
                  List.of(ScenarioGrid.NeedSet.AS_STATED)));
      return;
    }
    throw new AssertionError("not refused");
  }

  /**
   * A discount by lowering the list prices of the selection; a mark by having the table settle it.
   */
  @Test
  public void whatItTakesIsEnoughAndALittleLessIsNot() {
    int discounts = 0;
    int marks = 0;
    int none = 0;
    for (int seed = 1; seed < 4 * SELECTIONS; seed++) {
      Evaluation read = read(seed);
      Sensitivity sensitivity = new Sensitivity(read);
      for (Contender contender : read.selection().active()) {
        Optional<WhatItTakes> takes = sensitivity.whatItTakes(contender.id());
        if (takes.isEmpty()) {
          boolean ranked =
              read.scores()
                  .totals()
                  .filter(t -> t.values().containsKey(contender.id()))
                  .isPresent();
          assertEquals(ranked, isAhead(read, contender.id()), "seed " + seed);
          continue;
        }
        String what = "seed " + seed + ": " + takes.get();
        if (takes.get().discount().isPresent()) {
          BigDecimal percent = takes.get().discount().get();
          assertTrue(isAhead(lowered(read, contender, percent), contender.id()), what);
          assertFalse(
              isAhead(
                  lowered(read, contender, percent.subtract(new BigDecimal("0.1"))),
                  contender.id()),
              what);
          discounts++;
        }
        if (takes.get().mark().isPresent()) {
          WhatItTakes.Raised raised = takes.get().mark().get();
          assertTrue(
              isAhead(settled(read, raised.criterion(), contender, raised.to()), contender.id()),
              what);
          assertFalse(
              isAhead(
                  settled(
                      read,
                      raised.criterion(),
                      contender,
                      raised.to().subtract(new BigDecimal("0.1"))),
                  contender.id()),
              what);
          marks++;
        }
        takes
            .get()
            .needs()
            .forEach(need ->
                assertEquals(
                    Lead.of(new Otherwise.Dropped(need).of(read)).tool(),
                    Optional.of(contender.id())));
        none += takes.get().isNothing() ? 1 : 0;
      }
    }
    assertTrue(
        discounts > 10 && marks > 10 && none > 3,
        discounts + " discounts, " + marks + " marks, " + none + " nothing");
  }

  private static boolean isAhead(Evaluation evaluation, String tool) {
    Optional<Totals> totals =
        evaluation.scores().totals().filter(t -> t.values().containsKey(tool));
    return totals.isPresent()
        && totals.get().values().keySet().stream()
            .filter(other -> !other.equals(tool))
            .allMatch(other ->
                Totals.isAbove(
                    totals.get().total(tool).midpoint(), totals.get().total(other).midpoint()));
  }

  private static Evaluation lowered(Evaluation read, Contender contender, BigDecimal percent) {
    BigDecimal left = BigDecimal.ONE.subtract(percent.movePointLeft(2));
    return Evaluation.of(
        read.selection()
            .among(
                read.selection().contenders().stream()
                    .map(c -> c.id().equals(contender.id()) ? c.times(left) : c)
                    .toList()),
        read.whatIf());
  }

  private static Evaluation settled(
      Evaluation read, Criterion criterion, Contender contender, BigDecimal points) {
    return Evaluation.of(
        read.selection()
            .judgedBy(
                new Panel(
                    read.selection().panel().members(),
                    List.of(new Settled(criterion.id(), contender.id(), points, "if it were so")))),
        read.whatIf());
  }

  @Test
  public void aSwingIsTheTotalAtBothEndsAndTheWidestComesFirst() {
    int views = 0;
    int open = 0;
    int peopled = 0;
    for (int seed = 1; seed < 2 * SELECTIONS; seed++) {
      Evaluation read = read(seed);
      List<TornadoBar> swings = new Sensitivity(read).swings();
      BigDecimal before = BigDecimal.valueOf(2);
      for (TornadoBar swing : swings) {
        assertTrue(swing.width().compareTo(before) <= 0);
        before = swing.width();
        switch (swing.assumption()) {
          case TornadoBar.Assumption.Headcount people -> {
            assertEnd(swing.low(), peopled(read, "0.9"), swing.moved());
            assertEnd(swing.high(), peopled(read, "1.1"), swing.moved());
            peopled++;
          }
          case TornadoBar.Assumption.Growth growth -> {
            assertEnd(swing.low(), new Otherwise.Growth(growth.least()).of(read), swing.moved());
            assertEnd(swing.high(), new Otherwise.Growth(growth.most()).of(read), swing.moved());
          }
          case TornadoBar.Assumption.Rise rise -> {
            assertEnd(
                swing.high(),
                Evaluation.of(read.selection().rising(rise.most()), read.whatIf()),
                swing.moved());
          }
          case TornadoBar.Assumption.OneView view -> {
            List<Member> others = new ArrayList<>(read.selection().panel().members());
            others.remove(view.member());
            assertEnd(swing.low(), read, swing.moved());
            assertEnd(
                swing.high(),
                Evaluation.of(read.selection().judgedBy(new Panel(others)), read.whatIf()),
                swing.moved());
            views++;
          }
          case TornadoBar.Assumption.Worth worth -> {
            if (worth.criterion().kind() instanceof Criterion.Judged) {
              Contender contender = read.selection().contender(worth.tool());
              assertEnd(
                  swing.low(),
                  settled(read, worth.criterion(), contender, BigDecimal.ZERO),
                  swing.moved());
              assertEnd(
                  swing.high(),
                  settled(read, worth.criterion(), contender, BigDecimal.TEN),
                  swing.moved());
              open++;
            }
          }
          case TornadoBar.Assumption.Rates rates -> throw new AssertionError("there are none");
          case TornadoBar.Assumption.Hour hour ->
              assertEquals(read.whatIf().basis(), WhatIf.Basis.FULL);
          case TornadoBar.Assumption.Has has ->
              assertEnd(swing.high(), has.fact().of(read), swing.moved());
        }
      }
    }
    assertTrue(
        views > 20 && open > 10 && peopled > 20,
        views + " views, " + open + " open, " + peopled + " peopled");
  }

  /** So many times the people at the start and, where people are hired by number, each month. */
  private static Evaluation peopled(Evaluation read, String factor) {
    BigDecimal times = new BigDecimal(factor);
    List<Group> groups = new ArrayList<>();
    for (Group group : read.selection().groups()) {
      Growth growth =
          switch (group.growth()) {
            case Growth.Hires hires ->
                new Growth.Hires(rounded(hires.start(), times), hires.perMonth().multiply(times));
            case Growth.Percent percent ->
                new Growth.Percent(rounded(percent.start(), times), percent.perYear());
            case Growth.Listed listed ->
                new Growth.Listed(listed.values().stream().map(v -> rounded(v, times)).toList());
          };
      groups.add(new Group(group.id(), group.name(), growth, group.steps(), group.since()));
    }
    return Evaluation.of(read.selection().peopled(groups), read.whatIf());
  }

  private static int rounded(int people, BigDecimal times) {
    return (int) Math.floor(people * times.doubleValue() + 0.5 + 1e-9);
  }

  private static void assertEnd(Optional<BigDecimal> end, Evaluation there, String tool) {
    Optional<BigDecimal> plain =
        there
            .scores()
            .totals()
            .filter(t -> t.values().containsKey(tool))
            .map(t -> t.total(tool).midpoint());
    assertEquals(end.isPresent(), plain.isPresent(), tool);
    plain.ifPresent(total -> assertEquals(end.get().doubleValue(), total.doubleValue(), 1e-12));
  }

  @Test
  public void whatToFindOutComesByWhatAnAnswerChanges() {
    int turning = 0;
    int old = 0;
    for (int seed = 1; seed < 2 * SELECTIONS; seed++) {
      Evaluation read = read(seed);
      List<FindOut> all = FindOut.of(read, LATER, 180);
      if (read.scores().totals().isEmpty()) {
        assertEquals(all, List.of());
      }
      for (int i = 1; i < all.size(); i++) {
        FindOut one = all.get(i - 1);
        FindOut other = all.get(i);
        assertTrue(
            one.turns() && !other.turns()
                || one.turns() == other.turns() && one.change() >= other.change(),
            "seed " + seed);
      }
      for (FindOut found : all) {
        assertTrue(found.least() >= 0 && found.most() <= 1 + 1e-9 && found.change() >= 0);
        turning += found.turns() ? 1 : 0;
        switch (found.unknown()) {
          case FindOut.Unknown.Worth worth -> {
            if (worth.criterion().kind() instanceof Criterion.Judged) {
              Contender contender = read.selection().contender(worth.tool());
              assertEquals(
                  found.turns(),
                  !Lead.of(settled(read, worth.criterion(), contender, BigDecimal.ZERO))
                      .tool()
                      .equals(
                          Lead.of(settled(read, worth.criterion(), contender, BigDecimal.TEN))
                              .tool()));
            }
          }
          case FindOut.Unknown.Has has ->
              assertTrue(
                  read.selection().needs().stream()
                      .anyMatch(need -> need.capability().equals(has.capability())));
          case FindOut.Unknown.StillHas still -> old++;
        }
      }
    }
    assertTrue(turning > 10 && old > 10, turning + " turn the lead, " + old + " are old");
  }

  /** The table's own weights at both ends bound what is drawn; marks lie between those given. */
  @Test
  public void chancesOfATableThatAgreesAreCertain() {
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = read(seed);
      if (read.selection().panel().members().size() < 2) {
        continue;
      }
      Member first = read.selection().panel().members().getFirst();
      Map<String, Mark> marks = new HashMap<>();
      read.selection().contenders().forEach(c -> marks.put(c.id(), Mark.of(3 + marks.size())));
      Member one = new Member("a", "A", 1, Map.of("cost", 1, "ease", 3), Map.of("ease", marks));
      Member other = new Member("b", "B", 2, Map.of("cost", 1, "ease", 3), Map.of("ease", marks));
      assertTrue(first.share() > 0);
      Evaluation agreed =
          Evaluation.of(read.selection().judgedBy(new Panel(List.of(one, other))), read.whatIf());
      agreed
          .scores()
          .totals()
          .filter(t -> t.values().keySet().stream().allMatch(c -> t.total(c).isExact()))
          .ifPresent(totals -> {
            Chances chances =
                new Chances(Chances.Weights.OF_THE_TABLE, Chances.Marks.BETWEEN_PEOPLE);
            Totals.Standing leader = totals.standings().getFirst();
            if (leader.worstRank() == 1) {
              assertEquals(
                  chances.of(agreed, 200, 1).orElseThrow().first(leader.contender()), 1.0, 1e-9);
            }
          });
    }
  }

  /** Who waits for a while, again and again, has all in the end, and the same as who waits long. */
  @Test
  public void whatTakesTooLongGoesOnWhereItStopped() throws Exception {
    int seed = 3;
    AtomicInteger all = new AtomicInteger();
    List<FindOut> whole =
        Deadline.in(Duration.ofDays(1), () -> all.incrementAndGet() < 0)
            .hold(() -> new Sensitivity(TakeIfTest.evaluation(seed)).findOut(LATER, 180));
    assertTrue(whole.size() > 2, "it has parts");
    int half = all.get() / 2;
    Sensitivity again = new Sensitivity(TakeIfTest.evaluation(seed));
    Optional<List<FindOut>> found = Optional.empty();
    int tries = 0;
    while (found.isEmpty()) {
      assertTrue(++tries < 20, "it never comes");
      AtomicInteger asked = new AtomicInteger();
      try {
        found =
            Optional.of(
                Deadline.in(Duration.ofDays(1), () -> asked.incrementAndGet() > half)
                    .hold(() -> again.findOut(LATER, 180)));
      } catch (Overdue e) {
        // what was worked out until then is kept
      }
    }
    assertEquals(found.get(), whole);
    assertTrue(tries > 1, "it took more than one go");
  }
}
