package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Begins;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.time.Horizon;

/** Who is on which plan, against every way to share the groups out. */
public class SplitTest {
  private static final Capability RECORDS = new Capability("records", "Records");

  private static Group group(String id, int people) {
    return new Group(id, "Group " + id, new Growth.Hires(people, BigDecimal.ZERO), List.of());
  }

  private static Offering offering(Plan plan, boolean records) {
    return new Offering(
        plan, Map.of(RECORDS.id(), new Fact(records ? Answer.YES : Answer.NO, PAGE)));
  }

  private static Split.Setting setting(
      List<Group> groups, Set<String> needing, BigDecimal fixed, int months) {
    Horizon horizon = new Horizon(JAN_2027, months);
    Map<String, BigDecimal> each = new LinkedHashMap<>();
    groups.forEach(group -> each.put(group.id(), BigDecimal.ONE));
    List<Need> needs =
        needing.isEmpty()
            ? List.of()
            : List.of(
                new Need(
                    RECORDS,
                    new Importance.Must(false),
                    Optional.empty(),
                    Begins.AT_ONCE,
                    needing));
    List<People> planned = new ArrayList<>();
    for (int m = 0; m < months; m++) {
      planned.add(People.planned(groups, horizon, m, Scenario.EXPECTED));
    }
    return new Split.Setting(
        new Market(
            new Fit(needs),
            Map.of(Measure.SEATS, new Demand(fixed, each)),
            EUR,
            ExchangeRates.NONE,
            LocalDate.of(2026, 12, 1),
            Terms.ANY,
            Optional.empty(),
            horizon),
        groups,
        planned,
        PriceRise.NONE,
        horizon,
        CostTiming.SPREAD,
        EarlyTerminationPolicy.CREDITED,
        Money.zero(EUR));
  }

  @Test
  public void twelveWhoNeedTheDearPlan() {
    // C22: 180 seats, 12 of which need what only the plan at 16.90 has, others 6.40
    List<Offering> offerings =
        List.of(
            offering(capped("Crew", null, list(BillingTerm.MONTHLY, seats("6.40"))), false),
            offering(capped("Fleet", null, list(BillingTerm.MONTHLY, seats("16.90"))), true));
    Split.Setting setting =
        setting(List.of(group("a", 168), group("b", 12)), Set.of("b"), BigDecimal.ZERO, 1);
    Split split = Split.cheapest(offerings, setting).orElseThrow();
    PlanPaths.Found found = (PlanPaths.Found) split.paths();
    assertEquals(found.best().ledger().total(CostTiming.SPREAD), money("1278.00"));
    assertEquals(found.best().label(), "Crew, monthly + Fleet, monthly for Group b");
    assertEquals(found.best().isSplit(), true);
    // all on one plan
    PlanPaths all =
        PlanPaths.through(
            offerings,
            setting.market(),
            tertulia.core.billing.UnitsNeeded.byMonth(
                setting.market().demands(), setting.planned()),
            PriceRise.NONE,
            setting.horizon(),
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            Money.zero(EUR));
    assertEquals(
        ((PlanPaths.Found) all).best().ledger().total(CostTiming.SPREAD), money("3042.00"));
    // a month of it
    assertEquals(
        split.steady(setting.market(), own -> own.occasion(setting.planned().getFirst(), 0))
                instanceof Outcome.Found<SteadyCost> month
            ? month.best().money()
            : null,
        money("1278.00"));
  }

  /** A plan by the month: so much an account, so much a seat, up to so many. */
  private record Sold(String flat, String seat, Integer most, boolean records) {
    Offering offering(int i) {
      List<Charge> charges = new ArrayList<>();
      charges.add(new Charge.Flat("Account", eur(flat)));
      charges.add(seats(seat));
      return SplitTest.offering(
          capped("P" + i, most, list(BillingTerm.MONTHLY, charges.toArray(Charge[]::new))),
          records);
    }

    Optional<BigDecimal> cost(int people) {
      return most != null && people > most
          ? Optional.empty()
          : Optional.of(
              new BigDecimal(flat).add(new BigDecimal(seat).multiply(BigDecimal.valueOf(people))));
    }
  }

  @Test
  public void noWayToShareThemOutIsCheaper() {
    Random random = new Random(3);
    int found = 0;
    for (int i = 0; i < 250; i++) {
      int plans = 2 + random.nextInt(3);
      List<Sold> sold = new ArrayList<>();
      for (int p = 0; p < plans; p++) {
        sold.add(
            new Sold(
                "" + random.nextInt(40),
                "" + (1 + random.nextInt(9)),
                random.nextBoolean() ? null : 5 + random.nextInt(30),
                random.nextInt(3) > 0));
      }
      List<Group> groups = new ArrayList<>();
      Set<String> needing = new java.util.HashSet<>();
      for (int g = 0; g < 2 + random.nextInt(3); g++) {
        groups.add(group("g" + g, 1 + random.nextInt(12)));
        if (random.nextInt(3) == 0) {
          needing.add("g" + g);
        }
      }
      int fixed = random.nextInt(3) == 0 ? random.nextInt(9) : 0;
      Optional<BigDecimal> least = enumerated(sold, groups, needing, fixed);
      List<Offering> offerings = new ArrayList<>();
      for (int p = 0; p < plans; p++) {
        offerings.add(sold.get(p).offering(p));
      }
      Optional<BigDecimal> computed =
          Split.cheapest(offerings, setting(groups, needing, BigDecimal.valueOf(fixed), 2))
              .map(split ->
                  ((PlanPaths.Found) split.paths())
                      .best()
                      .ledger()
                      .total(CostTiming.SPREAD)
                      .getAmount());
      // where one plan for all is as cheap there is no split
      if (computed.isPresent()) {
        found++;
        assertEquals(
            computed.get().compareTo(least.orElseThrow().multiply(BigDecimal.TWO)), 0, sold + "");
      } else {
        Optional<BigDecimal> one = onOne(sold, groups, needing, fixed);
        assertTrue(
            least.isEmpty() || one.isPresent() && one.get().compareTo(least.get()) <= 0, sold + "");
      }
    }
    assertTrue(found > 40, "found " + found);
  }

  private static Optional<BigDecimal> onOne(
      List<Sold> sold, List<Group> groups, Set<String> needing, int fixed) {
    int people = groups.stream().mapToInt(SplitTest::people).sum() + fixed;
    return sold.stream()
        .filter(plan -> needing.isEmpty() || plan.records())
        .flatMap(plan -> plan.cost(people).stream())
        .min(BigDecimal::compareTo);
  }

  private static int people(Group group) {
    return group.headcount(new Horizon(JAN_2027, 1), 0, Scenario.EXPECTED);
  }

  /** Every assignment of groups to plans, and of the fixed part to a plan that is used. */
  private static Optional<BigDecimal> enumerated(
      List<Sold> sold, List<Group> groups, Set<String> needing, int fixed) {
    Optional<BigDecimal> least = Optional.empty();
    int all = (int) Math.pow(sold.size(), groups.size());
    for (int way = 0; way < all; way++) {
      for (int whole = 0; whole < sold.size(); whole++) {
        Optional<BigDecimal> sum = sum(sold, groups, needing, fixed, way, whole);
        if (sum.isPresent() && (least.isEmpty() || sum.get().compareTo(least.get()) < 0)) {
          least = sum;
        }
      }
    }
    return least;
  }

  private static Optional<BigDecimal> sum(
      List<Sold> sold, List<Group> groups, Set<String> needing, int fixed, int way, int whole) {
    int[] people = new int[sold.size()];
    boolean[] used = new boolean[sold.size()];
    int rest = way;
    for (Group group : groups) {
      int plan = rest % sold.size();
      rest /= sold.size();
      if (needing.contains(group.id()) && !sold.get(plan).records()) {
        return Optional.empty();
      }
      people[plan] += people(group);
      used[plan] = true;
    }
    if (!used[whole]) {
      return Optional.empty();
    }
    people[whole] += fixed;
    BigDecimal sum = BigDecimal.ZERO;
    for (int plan = 0; plan < sold.size(); plan++) {
      if (used[plan]) {
        Optional<BigDecimal> cost = sold.get(plan).cost(people[plan]);
        if (cost.isEmpty()) {
          return Optional.empty();
        }
        sum = sum.add(cost.get());
      }
    }
    return Optional.of(sum);
  }
}
