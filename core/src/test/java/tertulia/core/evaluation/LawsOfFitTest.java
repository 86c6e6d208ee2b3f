package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.evaluation.HeadToHead.OnCriterion;
import tertulia.core.evaluation.HeadToHead.OnNeed;
import tertulia.core.evaluation.HeadToHead.Side;
import tertulia.core.evaluation.HeadToHead.Turn;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Step;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.OptionName;
import tertulia.core.path.PlanMonths;
import tertulia.core.path.PlanNeeded;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals.Margin;
import tertulia.core.time.Horizon;

/** Fit, cost of needs and head to head on generated facts and needs, each found in a second way. */
public class LawsOfFitTest {
  private static final int MONTHS = 18;
  private static final List<String> CAPABILITIES = List.of("a", "b", "c", "d", "e");

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[60][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  private static Capability capability(String id) {
    return new Capability(id, "Capability " + id);
  }

  private static Selection selection(int seed) {
    Random random = new Random(7L * seed + 20261125);
    List<Contender> contenders = new ArrayList<>();
    for (int t = 0; t < 3; t++) {
      contenders.add(contender("t" + t, random));
    }
    return selection(needs(random), contenders, random);
  }

  private static Contender contender(String id, Random random) {
    List<Plan> plans = new ArrayList<>();
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    int price = 3 + random.nextInt(4);
    for (int p = 0; p < 3; p++) {
      String name = "P" + p;
      Integer cap = p == 2 || random.nextBoolean() ? null : 12 + random.nextInt(20);
      Plan plan =
          capped(
              name,
              cap,
              list(BillingTerm.MONTHLY, seats(price + ".40")),
              list(BillingTerm.YEARLY_UP_FRONT, seats(price + ".05")));
      // a maker may call two plans the same
      plans.add(id.equals("t2") ? called("Same", plan) : plan);
      Map<String, Fact> own = new HashMap<>();
      for (String capability : CAPABILITIES) {
        int chance = random.nextInt(10) + 2 * p;
        Answer answer =
            chance > 5
                ? Answer.YES
                : chance > 3 ? Answer.PARTLY : chance > 2 ? Answer.UNKNOWN : Answer.NO;
        own.put(capability, new Fact(answer, PAGE));
      }
      facts.put(name.toLowerCase(), own);
      price += 1 + random.nextInt(4);
    }
    return new Contender(new Tool(id, id, "Maker", plans), facts, List.of(), null);
  }

  private static Plan called(String name, Plan plan) {
    return new Plan(
        plan.id(), name, plan.range(), plan.prices(), plan.tax(), plan.allowances(), plan.source());
  }

  private static List<Need> needs(Random random) {
    List<Need> needs = new ArrayList<>();
    for (String id : CAPABILITIES) {
      int kind = random.nextInt(5);
      if (kind < 4) {
        Importance importance =
            kind < 2 ? new Importance.Must(random.nextBoolean()) : new Importance.Should(kind);
        Optional<ExternalCover> outside =
            random.nextInt(4) == 0
                ? Optional.of(
                    new ExternalCover(
                        "Capability " + id, "by hand", money(random.nextInt(40) + ".50")))
                : Optional.empty();
        needs.add(new Need(capability(id), importance, outside));
      }
    }
    return needs;
  }

  private static Selection selection(List<Need> needs, List<Contender> contenders, Random random) {
    Step summer = new Step("summer", JAN_2027.plusMonths(4), JAN_2027.plusMonths(8), 8, true);
    Group crew =
        new Group(
            "crew",
            "Crew",
            new Growth.Hires(8 + random.nextInt(10), BigDecimal.ONE),
            List.of(summer));
    List<Criterion> criteria =
        List.of(
            new Criterion(
                "cost", "Cost", new Criterion.Cost(BigDecimal.valueOf(500), BigDecimal.ZERO)),
            new Criterion("ease", "Ease", new Criterion.Judged()),
            new Criterion("cover", "Coverage", new Criterion.Coverage()));
    Map<String, Mark> marks = new HashMap<>();
    contenders.forEach(c -> marks.put(c.id(), Mark.of(random.nextInt(11))));
    Map<String, Integer> points = new LinkedHashMap<>();
    criteria.forEach(c -> points.put(c.id(), 1 + random.nextInt(9)));
    Member one = new Member("p1", "One", 1, points, Map.of("ease", marks));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(JAN_2027, MONTHS),
        EUR,
        PriceRise.NONE,
        List.of(crew),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("crew", BigDecimal.ONE))),
        Optional.empty(),
        needs,
        criteria,
        contenders,
        new Panel(List.of(one)),
        ExchangeRates.NONE);
  }

  /** A plan does if every must is met or covered, and the seats are within its cap. */
  private static boolean does(Selection selection, Contender contender, Plan plan, int seats) {
    boolean musts =
        selection.needs().stream()
            .filter(need -> need.outside().isEmpty())
            .allMatch(need ->
                !(need.importance() instanceof Importance.Must must)
                    || meets(answer(contender, plan, need), must));
    return musts && (plan.range().cap().isEmpty() || seats <= plan.range().cap().getAsInt());
  }

  private static boolean meets(Answer answer, Importance.Must must) {
    return answer == Answer.YES || answer == Answer.PARTLY && must.partlyIsEnough();
  }

  private static Answer answer(Contender contender, Plan plan, Need need) {
    return contender.facts().get(plan.id()).get(need.capability().id()).answer();
  }

  @Test(dataProvider = "seeds")
  public void everyPlanInEveryMonthAgreesWithADirectReading(int seed) {
    Selection selection = selection(seed);
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    for (Contender contender : selection.contenders()) {
      List<PlanMonths> found = evaluation.costs().overall().planMonths(contender.id());
      assertEquals(found.size(), 3);
      for (int p = 0; p < 3; p++) {
        Plan plan = contender.tool().plans().get(p);
        int m = 0;
        for (PlanMonths.Stretch stretch : found.get(p).stretches()) {
          assertEquals(stretch.months().from(), m, "stretches follow one another");
          for (; m < stretch.months().end(); m++) {
            int seats = evaluation.costs().overall().planned().get(m).total();
            assertEquals(
                stretch.verdict().qualifies(),
                does(selection, contender, plan, seats),
                plan.name() + " in month " + m + " with " + seats);
          }
        }
        assertEquals(m, MONTHS);
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void thePlanNeededIsTheFirstThatDoes(int seed) {
    Selection selection = selection(seed);
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    for (Contender contender : selection.contenders()) {
      for (PlanNeeded needed : evaluation.costs().overall().plansNeeded(contender.id())) {
        for (int m = needed.months().from(); m < needed.months().end(); m++) {
          int seats = evaluation.costs().overall().planned().get(m).total();
          Optional<OptionName> first =
              contender.tool().plans().stream()
                  .filter(plan -> does(selection, contender, plan, seats))
                  .map(OptionName::of)
                  .findFirst();
          assertEquals(needed.plan(), first, contender.id() + " in month " + m);
        }
      }
    }
  }

  /** What a must costs against two full evaluations, one without it. */
  @Test(dataProvider = "seeds")
  public void whatAMustCostsIsTheDifferenceOfTwoSelections(int seed) {
    Selection selection = selection(seed);
    Evaluation with = Evaluation.of(selection, WhatIf.START);
    for (NeedCosts.Line line : with.costs().overall().needCosts().lines()) {
      Evaluation without =
          Evaluation.of(
              selection.asking(
                  selection.needs().stream().filter(need -> !need.equals(line.need())).toList()),
              WhatIf.START);
      List<Money> all = new ArrayList<>();
      for (Contender contender : selection.contenders()) {
        Optional<Money> w = with.costs().overall().total(contender.id());
        Optional<Money> o = without.costs().overall().total(contender.id());
        o.ifPresent(all::add);
        NeedCosts.Effect expected =
            o.isEmpty()
                ? new NeedCosts.Effect.NoTotal()
                : w.<NeedCosts.Effect>map(total ->
                        new NeedCosts.Effect.Costs(total.minus(o.get()), total, o.get(), true))
                    .orElseGet(() ->
                        new NeedCosts.Effect.RulesOut(
                            o.get(),
                            with.costs().overall().way(contender.id()) instanceof PlanPaths.Gap gap
                                && gap.isUnconfirmed()));
        assertEquals(line.byContender().get(contender.id()), expected, contender.id());
        if (expected instanceof NeedCosts.Effect.Costs costs) {
          assertTrue(!costs.more().isNegative(), "a must never makes a tool cheaper");
        }
      }
      assertEquals(line.selection().isPresent(), !all.isEmpty());
    }
  }

  @Test(dataProvider = "seeds")
  public void aHeadToHeadSaysWhatTheTwoSayByThemselves(int seed) {
    Selection selection = selection(seed);
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    HeadToHead found = evaluation.headToHead("t0", "t1");
    HeadToHead mirrored = evaluation.headToHead("t1", "t0");
    assertEquals(
        found.total().map(lead -> lead.by().negate()), mirrored.total().map(HeadToHead.Lead::by));
    Optional<Money> between =
        evaluation
            .costs()
            .overall()
            .total("t0")
            .flatMap(l -> evaluation.costs().overall().total("t1").map(l::minus));
    assertEquals(
        found.horizon(),
        between
            .map(d ->
                d.isZero()
                    ? new HeadToHead.Apart.Same()
                    : new HeadToHead.Apart.Cheaper(
                        d.isNegative() ? Side.LEFT : Side.RIGHT, d.abs(), false))
            .orElseGet(HeadToHead.Apart.NotKnown::new));
    found
        .total()
        .ifPresent(lead -> {
          BigDecimal sum = BigDecimal.ZERO;
          for (OnCriterion line : found.criteria()) {
            sum = sum.add(line.weight().orElseThrow().multiply(line.lead().by()));
          }
          assertClose(sum, lead.by(), "the leads, weighed, are the lead in the total");
        });
    assertEquals(found.money().size(), 3);
    for (HeadToHead.AtHeadcount at : found.money()) {
      CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
      assertEquals(
          at.left().map(Amount::high), costs.curve("t0").at(at.people()).map(p -> p.money()));
      assertEquals(
          at.right().map(Amount::high), costs.curve("t1").at(at.people()).map(p -> p.money()));
    }
    for (OnNeed line : found.needs()) {
      assertEquals(line.left(), met(evaluation, selection, "t0", line.need()));
      assertEquals(line.right(), met(evaluation, selection, "t1", line.need()));
      boolean alike = rank(line.left()) == rank(line.right());
      boolean known = line.left() != Met.UNKNOWN && line.right() != Met.UNKNOWN;
      assertEquals(line.better().isPresent(), known && !alike);
    }
    long open = 0;
    long ties = 0;
    for (HeadToHead.OnCriterion line : found.criteria()) {
      boolean meet =
          line.left().low().compareTo(line.right().high()) <= 0
              && line.right().low().compareTo(line.left().high()) <= 0;
      if (meet && !(line.left().isExact() && line.right().isExact())) {
        open++;
      } else if (line.lead().margin() == Margin.TIE) {
        ties++;
      }
    }
    assertEquals(found.open(), open, "what is not known is neither a win nor a tie");
    assertEquals(
        found.wins(Side.LEFT) + found.wins(Side.RIGHT) + ties + open, found.criteria().size());
  }

  @Test(dataProvider = "seeds")
  public void aComparisonSaysWhatEachHasAndWhatIsShared(int seed) {
    Selection selection = selection(seed);
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    Comparison comparison = evaluation.costs().comparison(selection.contenders());
    List<Need> needs = new ArrayList<>();
    for (Comparison.SideBySide row : comparison.rows()) {
      if (row instanceof Comparison.SideBySide.OfNeed of) {
        needs.add(of.need());
        List<Met> met =
            selection.contenders().stream()
                .map(c -> met(evaluation, selection, c.id(), of.need()))
                .toList();
        assertEquals(
            of.standings().stream().map(s -> ((Comparison.Standing.OfNeed) s).met()).toList(), met);
        boolean partlyWillDo =
            of.need().importance() instanceof Importance.Must must && must.partlyIsEnough();
        long have =
            met.stream()
                .filter(m -> m == Met.YES || m == Met.OUTSIDE || m == Met.PARTLY && partlyWillDo)
                .count();
        assertEquals(row.isShared(), have == met.size());
        assertEquals(row.onlyOneHas(), have == 1);
        assertTrue(row.differs() || met.stream().distinct().count() == 1, "alike means alike");
      }
    }
    assertEquals(needs, selection.needs());
  }

  private static Met met(Evaluation evaluation, Selection selection, String contender, Need need) {
    var option = evaluation.costs().now().optionNow(contender).orElseThrow();
    Answer answer = answer(selection.contender(contender), option.plan(), need);
    boolean enough =
        need.importance() instanceof Importance.Must must
            ? meets(answer, must)
            : answer == Answer.YES;
    if (need.outside().isPresent() && !enough) {
      return Met.OUTSIDE;
    }
    return switch (answer) {
      case YES -> Met.YES;
      case PARTLY -> Met.PARTLY;
      case NO -> Met.NO;
      case UNKNOWN -> Met.UNKNOWN;
      case BY_ADD_ON, THROUGH_CONNECTOR, BY_HAND -> throw new AssertionError("none is generated");
    };
  }

  private static int rank(Met met) {
    return switch (met) {
      case YES, OUTSIDE -> 3;
      case PARTLY -> 2;
      case BY_HAND -> 1;
      case NO, UNKNOWN -> 0;
    };
  }

  /** What is said to turn the two does, when it is tried. */
  @Test(dataProvider = "seeds")
  public void whatWouldTurnItTurnsIt(int seed) {
    Selection selection = selection(seed);
    Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
    HeadToHead found = evaluation.headToHead("t0", "t1");
    for (Turn turn : found.turns()) {
      switch (turn) {
        case Turn.Weight weight -> levelAt(found, weight);
        case Turn.Headcount headcount -> {
          CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
          String other = headcount.cheaper().equals("t0") ? "t1" : "t0";
          Money cheaper =
              costs.curve(headcount.cheaper()).at(headcount.people()).orElseThrow().money();
          assertTrue(
              cheaper.isLessThan(costs.curve(other).at(headcount.people()).orElseThrow().money()));
        }
        case Turn.WithoutNeed need -> {
          Evaluation without =
              Evaluation.of(
                  selection.asking(
                      selection.needs().stream().filter(n -> !n.equals(need.need())).toList()),
                  WhatIf.START);
          String other = need.cheaper().equals("t0") ? "t1" : "t0";
          assertTrue(
              without
                  .costs()
                  .overall()
                  .total(need.cheaper())
                  .orElseThrow()
                  .isLessThan(without.costs().overall().total(other).orElseThrow()));
          assertTrue(
              evaluation
                  .costs()
                  .overall()
                  .total(need.cheaper())
                  .orElseThrow()
                  .isGreaterThan(evaluation.costs().overall().total(other).orElseThrow()));
        }
      }
    }
  }

  /** With that weight, the others in proportion, the leads weighed come to nothing. */
  private static void levelAt(HeadToHead found, Turn.Weight weight) {
    assertTrue(weight.level().signum() >= 0 && weight.level().compareTo(BigDecimal.ONE) <= 0);
    BigDecimal rest = BigDecimal.ONE.subtract(weight.now());
    BigDecimal sum = BigDecimal.ZERO;
    for (OnCriterion line : found.criteria()) {
      BigDecimal then =
          line.criterion().equals(weight.criterion())
              ? weight.level()
              : line.weight()
                  .orElseThrow()
                  .multiply(BigDecimal.ONE.subtract(weight.level()))
                  .divide(rest, MathContext.DECIMAL128);
      sum = sum.add(then.multiply(line.lead().by()));
    }
    assertClose(sum, BigDecimal.ZERO, "level at " + weight);
  }

  private static void assertClose(BigDecimal found, BigDecimal expected, String about) {
    BigDecimal off = found.subtract(expected).abs();
    assertTrue(off.compareTo(new BigDecimal("1e-12")) < 0, about + ": " + off + " off");
  }

  /** The generated cases are worth something only if they differ. */
  @Test
  public void theCasesHaveEveryKind() {
    int turns = 0;
    int ruledOut = 0;
    int outside = 0;
    int changes = 0;
    for (int seed = 0; seed < 60; seed++) {
      Selection selection = selection(seed);
      Evaluation evaluation = Evaluation.of(selection, WhatIf.START);
      turns +=
          (int)
              evaluation.headToHead("t0", "t1").turns().stream()
                  .filter(Turn.WithoutNeed.class::isInstance)
                  .count();
      for (Contender contender : selection.contenders()) {
        changes += evaluation.costs().overall().plansNeeded(contender.id()).size() - 1;
        outside +=
            evaluation.costs().now().optionNow(contender.id()).orElseThrow().outside().isEmpty()
                ? 0
                : 1;
        for (NeedCosts.Line line : evaluation.costs().overall().needCosts().lines()) {
          ruledOut +=
              line.byContender().get(contender.id()) instanceof NeedCosts.Effect.RulesOut ? 1 : 0;
        }
      }
    }
    assertTrue(turns > 3, turns + " musts turn two tools");
    assertTrue(ruledOut > 3, ruledOut + " rule a tool out");
    assertTrue(outside > 10, outside + " are covered outside");
    assertTrue(changes > 10, changes + " changes of plan");
  }
}
