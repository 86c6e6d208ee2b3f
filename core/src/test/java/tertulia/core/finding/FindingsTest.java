package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.list;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.Leaving;
import tertulia.core.billing.View;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.evaluation.Practice;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.labour.Effort;
import tertulia.core.labour.Labour;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.path.Ways;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.time.Horizon;
import tertulia.core.working.Provenance;

/** Each kind of finding against the evaluation it speaks of, on generated selections. */
public class FindingsTest {
  private static final int SEEDS = 150;
  private static final int MONTHS = 18;
  private static final Provenance OLD_PAGE =
      Provenance.of(PAGE.asOf().minusDays(120), PAGE.ground());
  private final Map<String, Integer> seen = new HashMap<>();

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
    for (Class<?> side :
        List.of(Finding.OfCost.class, Finding.OfFit.class, Finding.OfScores.class)) {
      for (Class<?> kind : side.getPermittedSubclasses()) {
        assertTrue(seen.getOrDefault(kind.getSimpleName(), 0) > 0, kind + " of " + seen);
      }
    }
    for (Class<?> kind :
        List.of(
            Finding.WholePeriod.class,
            Finding.CheapestByHeadcount.class,
            Finding.WithinPlan.class,
            Finding.LeadChange.class)) {
      assertTrue(seen.getOrDefault("open " + kind.getSimpleName(), 0) > 0, kind + " of " + seen);
    }
    for (Class<?> cause : Finding.Cause.class.getPermittedSubclasses()) {
      assertTrue(seen.getOrDefault(cause.getSimpleName(), 0) > 0, cause + " of " + seen);
    }
  }

  private void met(Object finding) {
    seen.merge(finding.getClass().getSimpleName(), 1, Integer::sum);
    boolean isOpen =
        switch (finding) {
          case Finding.WholePeriod whole -> !whole.open().isEmpty();
          case Finding.CheapestByHeadcount cheapest -> !cheapest.open().isEmpty();
          case Finding.WithinPlan within -> !within.open().isEmpty();
          case Finding.LeadChange change -> !change.certain();
          default -> false;
        };
    if (isOpen) {
      seen.merge("open " + finding.getClass().getSimpleName(), 1, Integer::sum);
    }
  }

  private static Charge charge(Random random, int price) {
    return switch (random.nextInt(7)) {
      case 0 -> new Charge.Flat("Account", Samples.eur("" + 20 * price));
      case 1 ->
          new Charge.Banded(
              "Seats",
              Measure.SEATS,
              BandMode.WHOLE,
              List.of(
                  band(8 + random.nextInt(12), price + ".00", "0"),
                  band(null, Math.max(0, price - 2) + ".00", "0")),
              UnitRule.PLAIN);
      case 2 ->
          new Charge.Banded(
              "Seats",
              Measure.SEATS,
              BandMode.SLICED,
              List.of(band(10 + random.nextInt(10), price + ".00", "0"), band(null, "1", "30")),
              UnitRule.PLAIN);
      case 3 ->
          new Charge.PerUnit(
              "Seats", Measure.SEATS, Samples.eur("" + price), new UnitRule(0, 5, 0));
      default ->
          new Charge.PerUnit("Seats", Measure.SEATS, Samples.eur(price + ".00"), UnitRule.PLAIN);
    };
  }

  /** One plan that does from 11 seats on, as what it includes grows with them. */
  private static Contender enoughFromElevenSeats(int t) {
    Included forEach = new Included(BigDecimal.ZERO, new BigDecimal("5"), Measure.SEATS);
    Plan plan =
        new Plan(
            "p0",
            "P0",
            new SeatRange(Measure.SEATS, 0, null),
            new PlanPrices.Listed(
                List.of(
                    list(
                        BillingTerm.MONTHLY,
                        new Charge.PerUnit(
                            "Seats", Measure.SEATS, Samples.eur("1.00"), UnitRule.PLAIN)))),
            Tax.NOT_INCLUDED,
            List.of(
                new Allowance(Measure.AUTOMATION_RUNS, new Allowance.Limit.Hard(forEach), PAGE)),
            PAGE);
    Map<String, Fact> has =
        Map.of("a", new Fact(Answer.YES, PAGE), "b", new Fact(Answer.YES, PAGE));
    return new Contender(
        new Tool("t" + t, "T" + t, "Maker", List.of(plan)),
        Map.of("p0", has),
        List.of(),
        null,
        new Effort(
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            0));
  }

  private static Contender contender(int t, Random random) {
    if (random.nextInt(8) == 0) {
      return enoughFromElevenSeats(t);
    }
    List<Plan> plans = new ArrayList<>();
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    int price = random.nextInt(9) == 0 ? 0 : 2 + random.nextInt(5);
    int count = 1 + random.nextInt(3);
    for (int p = 0; p < count; p++) {
      List<PriceList> lists = new ArrayList<>();
      if (random.nextInt(8) > 0) {
        lists.add(list(BillingTerm.MONTHLY, charge(random, price)));
      }
      if (random.nextInt(4) == 0) {
        lists.add(list(BillingTerm.YEARLY_UP_FRONT, charge(random, Math.max(0, price - 1))));
      }
      boolean staff = random.nextInt(6) == 0 && p == count - 1;
      if (staff) {
        lists.clear();
        lists.add(
            list(
                BillingTerm.MONTHLY,
                new Charge.PerUnit(
                    "Staff", Measure.WHOLE_STAFF, Samples.eur("3"), UnitRule.PLAIN)));
      }
      Integer cap = p == count - 1 && random.nextInt(3) > 0 ? null : 6 + random.nextInt(25);
      plans.add(
          new Plan(
              "p" + p,
              "P" + p,
              new SeatRange(Measure.SEATS, 0, cap),
              prices(lists, !staff && random.nextInt(10) == 0),
              t == 1 ? OLD_PAGE : PAGE));
      Map<String, Fact> own = new HashMap<>();
      for (String id : List.of("a", "b")) {
        boolean has = random.nextInt(4) + p > 1;
        own.put(id, new Fact(has ? Answer.YES : Answer.NO, PAGE));
      }
      facts.put("p" + p, own);
      price += random.nextInt(4);
    }
    Effort effort =
        new Effort(
            BigDecimal.valueOf(random.nextInt(20)),
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.valueOf(random.nextInt(3)),
            BigDecimal.ZERO,
            0);
    return new Contender(
        new Tool("t" + t, "T" + t, "Maker", plans), facts, List.of(), null, effort);
  }

  /** As written, on request if nothing is, or assumed to lie between a half of it and all of it. */
  private static PlanPrices prices(List<PriceList> lists, boolean assumed) {
    if (lists.isEmpty()) {
      return new PlanPrices.OnRequest();
    }
    if (!assumed) {
      return new PlanPrices.Listed(lists);
    }
    List<PriceList> low = new ArrayList<>();
    List<PriceList> high = new ArrayList<>();
    for (PriceList list : lists) {
      low.add(list(list.term(), new Charge.Flat("Account", Samples.eur("45"))));
      high.add(list(list.term(), new Charge.Flat("Account", Samples.eur("90"))));
    }
    return new PlanPrices.Assumed(low, high);
  }

  private static Selection selection(int seed) {
    Random random = new Random(31L * seed + 7);
    List<Contender> contenders = new ArrayList<>();
    int count = seed == 0 ? 1 : 2 + random.nextInt(3);
    for (int t = 0; t < count; t++) {
      contenders.add(contender(t, random));
    }
    List<Need> needs = new ArrayList<>();
    for (String id : List.of("a", "b")) {
      if (random.nextInt(3) > 0) {
        needs.add(new Need(new Capability(id, "Need " + id), new Importance.Must(false)));
      }
    }
    Step season = new Step("season", JAN_2027.plusMonths(4), JAN_2027.plusMonths(7), 6, true);
    Group all =
        new Group(
            "g",
            "All",
            new Growth.Hires(6 + random.nextInt(12), new BigDecimal("0." + random.nextInt(9))),
            List.of(season));
    Demand each = new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE));
    List<Criterion> criteria =
        List.of(
            new Criterion(
                "cost",
                "Cost",
                new Criterion.Cost(
                    BigDecimal.valueOf(40 + random.nextInt(200)), BigDecimal.valueOf(20))),
            new Criterion("ease", "Ease", new Criterion.Judged()));
    Map<String, Mark> marks = new HashMap<>();
    contenders.forEach(c -> {
      if (random.nextInt(5) > 0) {
        marks.put(c.id(), Mark.of(4 + random.nextInt(3)));
      }
    });
    Map<String, Integer> points = new LinkedHashMap<>();
    criteria.forEach(c -> points.put(c.id(), random.nextInt(3)));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(JAN_2027, MONTHS),
        EUR,
        PriceRise.NONE,
        List.of(all),
        Map.of(
            Measure.SEATS,
            each,
            Measure.WHOLE_STAFF,
            each,
            Measure.AUTOMATION_RUNS,
            new Demand(new BigDecimal("55"), Map.of())),
        Optional.empty(),
        needs,
        criteria,
        contenders,
        new Panel(List.of(new Member("p1", "One", 1, points, Map.of("ease", marks)))),
        ExchangeRates.NONE,
        Scenario.STANDARD,
        new Practice(
            Leaving.CREDITED,
            new Labour(Optional.of(BigDecimal.TEN), BigDecimal.ZERO, Optional.empty())));
  }

  private static Evaluation evaluation(int seed) {
    return Evaluation.of(
        selection(seed),
        new WhatIf(
            new WhatIf.Moment.Month(seed % MONTHS),
            Scenario.EXPECTED,
            seed % 7 == 0 ? Terms.MONTHLY : Terms.ANY,
            seed % 2 == 0 ? View.SPREAD : View.CASH,
            seed % 3 == 0 ? WhatIf.Basis.FULL : WhatIf.Basis.SUBSCRIPTION));
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfCostIsSo(int seed) {
    Costs costs = evaluation(seed).costs();
    CostFindings findings = new CostFindings(costs);
    for (Finding.OfCost finding : findings.all()) {
      met(finding);
      check(costs, finding);
    }
    findings
        .mixedTerms()
        .ifPresent(mixed -> {
          met(mixed);
          mixed.monthly().forEach(id -> assertFalse(isCommitted(costs, id)));
          mixed.committed().forEach(id -> assertTrue(isCommitted(costs, id)));
          assertFalse(mixed.monthly().isEmpty() || mixed.committed().isEmpty());
          assertTrue(2 * mixed.fewer().size() <= mixed.monthly().size() + mixed.committed().size());
        });
    for (Contender contender : costs.selection().active()) {
      findings.fallingBand(contender.id()).ifPresent(this::met);
      findings
          .olderPrice(contender.id())
          .ifPresent(older -> {
            met(older);
            assertEquals(asOf(costs, older.tool()), older.asOf());
            assertTrue(older.asOf().plusDays(90).isBefore(older.newest()));
            assertTrue(
                costs.selection().active().stream()
                    .anyMatch(c -> older.newest().equals(asOf(costs, c.id()))));
          });
      findings
          .atMost(contender.id())
          .ifPresent(most -> {
            met(most);
            assertFalse(most.because().isEmpty());
            assertTrue(
                costs
                    .costByHeadcount()
                    .curve(contender.id())
                    .at(costs.people().total())
                    .map(CostByHeadcount.Point::atMost)
                    .orElse(true));
          });
      findings
          .beyondCap(contender.id())
          .ifPresent(cap -> {
            met(cap);
            if (cap.people() > 0) {
              List<Reason> there =
                  at(costs, cap.people()).against(contender.id()).get(cap.option());
              assertEquals(there, List.of(), "it does for so many");
              assertNotEquals(
                  at(costs, cap.people() + 1).against(contender.id()).get(cap.option()), List.of());
            }
          });
    }
  }

  private static LocalDate asOf(Costs costs, String id) {
    return costs.steady(id) instanceof Outcome.Found<SteadyCost> found
        ? found.best().option().plan().source().asOf()
        : LocalDate.MIN;
  }

  private static boolean isCommitted(Costs costs, String id) {
    return ((Outcome.Found<SteadyCost>) costs.steady(id))
        .best()
        .option()
        .list()
        .term()
        .isCommitted();
  }

  private static Costs at(Costs costs, int people) {
    return costs.at(new WhatIf.Moment.Headcount(people, costs.occasion().month()));
  }

  /** What a tool costs for so many people, by the exact path. */
  private static Optional<Money> cost(Costs costs, String tool, int people) {
    Costs then = at(costs, people);
    return then.steady(tool) instanceof Outcome.Found<SteadyCost> found
        ? then.steadyTime(tool).map(found.best().money()::plus)
        : Optional.empty();
  }

  private void check(Costs costs, Finding.OfCost finding) {
    switch (finding) {
      case Finding.WholePeriod whole -> wholePeriod(costs, whole);
      case Finding.NobodyHasAFigure nobody ->
          costs
              .selection()
              .active()
              .forEach(c -> assertEquals(cost(costs, c.id(), 10), Optional.empty()));
      case Finding.CheapestByHeadcount cheapest -> cheapest(costs, cheapest);
      case Finding.LeadChange change -> leadChange(costs, change);
      case Finding.WithinPlan within -> {
        for (int n = Math.max(2, within.fewest() + 1); n <= within.most(); n++) {
          boolean changes = !leader(costs, n).equals(leader(costs, n - 1));
          assertEquals(within.changes().contains(n), changes, "at " + n);
        }
        Set<String> open = new HashSet<>();
        for (int n = Math.max(1, within.fewest()); n <= within.most(); n++) {
          for (Contender other : costs.selection().active()) {
            String lead = leader(costs, n);
            if (!lead.isEmpty()
                && !other.id().equals(lead)
                && least(costs, other.id(), n)
                    < cost(costs, lead, n).orElseThrow().getAmountMinorLong()) {
              open.add(other.id());
            }
          }
        }
        assertEquals(new HashSet<>(within.open()), open);
      }
      case Finding.FreeUpTo free -> {
        assertTrue(cost(costs, free.tool(), free.people()).orElseThrow().isZero());
        boolean ends = free.people() < costs.costByHeadcount().most();
        Optional<Money> next = cost(costs, free.tool(), free.people() + 1);
        assertFalse(ends && next.map(Money::isZero).orElse(false), "free no further");
        for (int m = 0; m < MONTHS; m++) {
          boolean does = free.always() || free.doesUntil().filter(until -> until >= 0).isPresent();
          if (does && m <= free.doesUntil().orElseThrow()) {
            assertTrue(costs.planned().get(m).total() <= free.people());
          }
        }
      }
      case Finding.WholeStaffPays staff ->
          assertEquals(costs.wholeStaff(staff.tool()).orElseThrow().named(), staff.named());
      case Finding.NoWay none -> {
        assertTrue(costs.way(none.tool()) instanceof Ways.Gap);
        assertTrue(costs.total(none.tool()).isEmpty());
        assertFalse(none.reasons().isEmpty(), "what it is on now does not do then");
      }
      case Finding.MixedTerms mixed -> throw new AssertionError("a warning");
      case Finding.OlderPrice older -> throw new AssertionError("a warning");
      case Finding.FallingBand band -> throw new AssertionError("a warning");
      case Finding.BeyondCap cap -> throw new AssertionError("a warning");
      case Finding.AtMost most -> throw new AssertionError("a warning");
    }
  }

  private static String leader(Costs costs, int n) {
    return costs.costByHeadcount().leads().stream()
        .filter(lead -> lead.n() <= n)
        .reduce((a, b) -> b)
        .flatMap(CostByHeadcount.Lead::tool)
        .orElse("");
  }

  private static void wholePeriod(Costs costs, Finding.WholePeriod whole) {
    Map<String, Money> totals = new LinkedHashMap<>();
    costs
        .selection()
        .active()
        .forEach(c -> costs.total(c.id()).ifPresent(total -> totals.put(c.id(), total)));
    Money least = totals.values().stream().min(Money::compareTo).orElseThrow();
    totals.forEach(
        (id, total) -> assertEquals(whole.whole().contains(id), total.equals(least), id));
    whole
        .now()
        .ifPresent(id -> {
          Money mine = cost(costs, id, costs.people().total()).orElseThrow();
          costs
              .selection()
              .active()
              .forEach(c ->
                  cost(costs, c.id(), costs.people().total())
                      .ifPresent(
                          other -> assertFalse(other.isLessThan(mine), id + " is cheapest now")));
          assertEquals(whole.apart().isPresent(), whole.differs());
          if (whole.differs()) {
            apart(costs, id, whole);
          }
        });
    for (Contender other : costs.selection().active()) {
      boolean now =
          whole
              .now()
              .filter(id -> !id.equals(other.id()))
              .filter(id ->
                  least(costs, other.id(), costs.people().total())
                      < cost(costs, id, costs.people().total()).orElseThrow().getAmountMinorLong())
              .isPresent();
      boolean period =
          whole.whole().stream()
              .filter(id -> !id.equals(other.id()))
              .anyMatch(id -> leastTotal(costs, other.id()) < least.getAmountMinorLong());
      assertEquals(whole.open().contains(other.id()), now || period, other.id());
    }
    boolean exact =
        totals.keySet().stream().allMatch(id -> costs.totalBounds(id).orElseThrow().isExact());
    whole
        .paysFrom()
        .ifPresent(from -> {
          String id = whole.whole().getFirst();
          for (int m = 0; m < MONTHS; m++) {
            boolean below = true;
            for (String rival : totals.keySet()) {
              below &=
                  rival.equals(id) || running(costs, id, m).isLessThan(running(costs, rival, m));
            }
            assertTrue(m < from || below, "ahead from " + from + ", not in " + m);
            assertTrue(m != from - 1 || !below, "not ahead in " + m);
          }
        });
    assertEquals(
        whole.paysFrom().isPresent(), exact && whole.whole().size() == 1 && totals.size() > 1);
  }

  /** An amount off is only said as far as it is so at the least the dearer one can cost. */
  private static void apart(Costs costs, String now, Finding.WholePeriod whole) {
    String cheapest = whole.whole().getFirst();
    long figure = costs.total(cheapest).orElseThrow().getAmountMinorLong();
    switch (whole.apart().orElseThrow()) {
      case Apart.NotKnown none -> assertTrue(costs.total(now).isEmpty());
      case Apart.Open open -> assertTrue(leastTotal(costs, now) <= figure);
      case Apart.Same same -> throw new AssertionError("then it would be among the cheapest");
      case Apart.Cheaper cheaper -> {
        assertEquals(cheaper.by().getAmountMinorLong(), leastTotal(costs, now) - figure);
        boolean exact =
            leastTotal(costs, now) == costs.total(now).orElseThrow().getAmountMinorLong()
                && leastTotal(costs, cheapest) == figure;
        assertEquals(cheaper.atLeast(), !exact);
      }
    }
  }

  /** The least a tool can cost for so many people in cents, by the exact path. */
  private static long least(Costs costs, String tool, int people) {
    Costs then = at(costs, people);
    return switch (then.steady(tool)) {
      case Outcome.NoPlan<SteadyCost> none -> Long.MAX_VALUE;
      case Outcome.Unpriced<SteadyCost> unpriced -> Long.MIN_VALUE;
      case Outcome.Found<SteadyCost> found ->
          found.isAtMost() || then.steadyTime(tool).isEmpty()
              ? Long.MIN_VALUE
              : found
                  .low()
                  .map(SteadyCost::money)
                  .filter(low -> low.isLessThan(found.best().money()))
                  .orElse(found.best().money())
                  .plus(then.steadyTime(tool).get())
                  .getAmountMinorLong();
    };
  }

  /** The least a tool can cost over the plan months in cents. */
  private static long leastTotal(Costs costs, String tool) {
    return switch (costs.way(tool)) {
      case Ways.Gap gap -> gap.isUnpriced() ? Long.MIN_VALUE : Long.MAX_VALUE;
      case Ways.Found found -> {
        Money read = costs.total(tool).orElseThrow();
        Money high = found.best().ledger().total(costs.whatIf().view());
        Money low = found.low().map(way -> way.ledger().total(costs.whatIf().view())).orElse(high);
        yield found.isAtMost() ? Long.MIN_VALUE : read.minus(high).plus(low).getAmountMinorLong();
      }
    };
  }

  /** Added up anew from the months and the people's time. */
  private static Money running(Costs costs, String id, int m) {
    Money sum = Money.zero(EUR);
    Ways.Found found = (Ways.Found) costs.way(id);
    for (int i = 0; i <= m; i++) {
      sum = sum.plus(found.best().ledger().months(costs.whatIf().view()).get(i));
      if (costs.whatIf().basis() == WhatIf.Basis.FULL) {
        int month = i;
        sum =
            ((tertulia.core.labour.Takes.Known) costs.takes(id))
                .time().lines().stream()
                    .filter(line -> line.month() == month)
                    .map(line -> line.money())
                    .reduce(sum, Money::plus);
      }
    }
    return sum;
  }

  private static void cheapest(Costs costs, Finding.CheapestByHeadcount cheapest) {
    int before = cheapest.stretches().getFirst().from() - 1;
    for (Finding.CheapestByHeadcount.Stretch stretch : cheapest.stretches()) {
      assertEquals(stretch.from(), before + 1, "without a gap");
      before = stretch.to();
      Set<String> level = new HashSet<>();
      Set<String> open = new HashSet<>();
      for (int n = stretch.from(); n <= Math.min(stretch.to(), 60); n++) {
        Optional<Money> mine =
            stretch.tool().isEmpty() ? Optional.empty() : cost(costs, stretch.tool().get(), n);
        for (Contender other : costs.selection().active()) {
          Optional<Money> theirs = cost(costs, other.id(), n);
          if (stretch.tool().isEmpty()) {
            assertTrue(theirs.isEmpty());
          } else if (theirs.isPresent() && !other.id().equals(stretch.tool().get())) {
            assertFalse(theirs.get().isLessThan(mine.orElseThrow()), other.id() + " for " + n);
            if (theirs.equals(mine)) {
              level.add(other.id());
            }
          }
          if (mine.isPresent()
              && !other.id().equals(stretch.tool().get())
              && least(costs, other.id(), n) < mine.get().getAmountMinorLong()) {
            open.add(other.id());
          }
        }
      }
      assertTrue(stretch.level().containsAll(level), "level ones are named");
      if (stretch.to() <= 60) {
        assertEquals(new HashSet<>(stretch.level()), level);
        assertEquals(new HashSet<>(stretch.open()), open);
      }
      assertTrue(stretch.open().containsAll(open), "those that may be cheaper are named");
    }
  }

  private void leadChange(Costs costs, Finding.LeadChange change) {
    Optional<Money> before = cost(costs, change.before(), change.n());
    Money now = cost(costs, change.now(), change.n()).orElseThrow();
    assertTrue(before.isEmpty() || now.isLessThan(before.get()), change.toString());
    assertEquals(
        change.certain(),
        now.getAmountMinorLong() < least(costs, change.before(), change.n()),
        change.toString());
    met(change.cause());
    Optional<Money> beforeWas = cost(costs, change.before(), change.n() - 1);
    Optional<Money> nowWas = cost(costs, change.now(), change.n() - 1);
    switch (change.cause()) {
      case Finding.Cause.LeavesPlan leaves -> assertFalse(leaves.reasons().isEmpty());
      case Finding.Cause.TakesPlan takes ->
          assertEquals(
              ((Outcome.Found<SteadyCost>) at(costs, change.n()).steady(takes.tool()))
                  .best()
                  .option()
                  .label(),
              takes.option());
      case Finding.Cause.Jumps jumps ->
          assertEquals(before.orElseThrow().minus(beforeWas.orElseThrow()), jumps.by());
      case Finding.Cause.Falls falls -> {
        assertEquals(nowWas.orElseThrow().minus(now), falls.by());
        assertTrue(falls.by().isPositive());
      }
      case Finding.Cause.GrowsLess less -> {
        assertEquals(now.minus(nowWas.orElseThrow()), less.less());
        assertEquals(before.orElseThrow().minus(beforeWas.orElseThrow()), less.more());
        assertTrue(less.less().isLessThan(less.more()), "it does grow less: " + less);
      }
      case Finding.Cause.HasAFigure has ->
          assertTrue(before.isEmpty() || beforeWas.isEmpty() || nowWas.isEmpty());
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfFitIsSo(int seed) {
    Costs costs = evaluation(seed).costs();
    for (Finding.OfFit finding : new FitFindings(costs).all()) {
      met(finding);
      switch (finding) {
        case Finding.OnlyTogether together -> {
          assertTrue(together.needs().size() > 1);
          List<NeedCosts.Line> lines = costs.needCosts().lines();
          for (Need need : together.needs()) {
            NeedCosts.Effect alone =
                lines.stream()
                    .filter(line -> line.need().equals(need))
                    .findFirst()
                    .orElseThrow()
                    .byContender()
                    .get(together.tool());
            switch (together.effect()) {
              case NeedCosts.Effect.Costs c ->
                  assertTrue(((NeedCosts.Effect.Costs) alone).more().isZero(), "nothing alone");
              case NeedCosts.Effect.RulesOut out ->
                  assertTrue(alone instanceof NeedCosts.Effect.NoTotal, "none without one alone");
              case NeedCosts.Effect.NoTotal none -> throw new AssertionError("not a finding");
            }
          }
        }
        case Finding.NotTheFirst not -> {
          SteadyCost taken = ((Outcome.Found<SteadyCost>) costs.steady(not.tool())).best();
          assertEquals(taken.option().label(), not.taken());
          assertEquals(taken.money(), not.money());
          List<Plan> plans = costs.selection().contender(not.tool()).tool().plans();
          List<String> does =
              plans.stream()
                  .map(Plan::name)
                  .filter(plan -> costs.against(not.tool()).getOrDefault(plan, List.of()).isEmpty())
                  .toList();
          assertEquals(does.getFirst(), not.first());
          assertTrue(does.indexOf(taken.option().plan().name()) > 0, does.toString());
        }
        case Finding.NoPlan none -> {
          assertFalse(costs.steady(none.tool()) instanceof Outcome.Found);
          none.conflicts()
              .smallest()
              .forEach(set ->
                  costs
                      .against(none.tool())
                      .forEach((plan, reasons) ->
                          assertTrue(
                              reasons.stream().map(Reason::requirement).anyMatch(set::contains),
                              plan)));
        }
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfTheLeadIsSo(int seed) {
    Evaluation evaluation = evaluation(seed);
    ScoreFindings findings = new ScoreFindings(evaluation);
    Finding.OfScores lead = findings.lead();
    met(lead);
    Optional<Totals> totals = evaluation.scores().totals();
    switch (lead) {
      case Finding.NoTotals none -> {
        assertTrue(totals.isEmpty());
        assertEquals(none.anybodyRanked(), !evaluation.costs().feasible().isEmpty());
      }
      case Finding.Leads leads ->
          totals.orElseThrow().values().keySet().stream()
              .filter(id -> !id.equals(leads.tool()))
              .forEach(id ->
                  assertTrue(leads.total().low().compareTo(totals.get().total(id).high()) > 0, id));
      case Finding.LevelLead level -> {
        assertTrue(level.tools().size() > 1);
        level
            .tools()
            .forEach(id -> {
              Interval total = totals.orElseThrow().total(id);
              assertTrue(total.isExact());
              assertTrue(total.low().subtract(level.total()).abs().compareTo(Totals.LEVEL) < 0, id);
            });
      }
      case Finding.OpenLead open -> {
        assertFalse(open.open().isEmpty(), "something is open");
        assertTrue(open.worst() > 1);
        assertTrue(
            open.open().stream()
                .allMatch(name ->
                    evaluation.scores().criteria().stream()
                        .filter(c -> c.name().equals(name))
                        .anyMatch(c ->
                            totals.orElseThrow().values().keySet().stream()
                                .anyMatch(id -> !totals.get().value(id, c).interval().isExact()))));
      }
      case Finding.OutsideScale outside -> throw new AssertionError("a warning");
    }
    for (Finding.OutsideScale outside : findings.outsideScale()) {
      met(outside);
      Criterion.Cost proposed = new Criterion.Cost(outside.worst(), outside.best());
      Set<BigDecimal> told = new HashSet<>();
      Set<Money> amounts = new HashSet<>();
      for (String id : outside.tools()) {
        Money total = evaluation.costs().spreadTotal(id).orElseThrow();
        amounts.add(total);
        told.add(
            proposed
                .valueOf(
                    total
                        .getAmount()
                        .divide(BigDecimal.valueOf(MONTHS), 10, java.math.RoundingMode.HALF_UP))
                .stripTrailingZeros());
      }
      assertTrue(amounts.size() > 1, "they differ");
      assertEquals(told.size(), amounts.size(), "the scale proposed tells them apart");
    }
  }
}
