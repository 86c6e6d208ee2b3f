package tertulia.core;

import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.list;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.evaluation.BuyingPolicy;
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
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.labour.Labour;
import tertulia.core.labour.StaffEffort;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.UnitRule;
import tertulia.core.pricing.Unsaid;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;
import tertulia.core.working.Provenance;

/** Selections of every shape that findings speak of, each from its seed. */
public final class Generated {
  public static final int MONTHS = 18;
  private static final Provenance OLD_PAGE =
      Provenance.of(PAGE.asOf().minusDays(120), PAGE.ground());

  private Generated() {}

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
  /** The first plan of the third tool has a page that does not say how a price is billed. */
  private static List<Unsaid> open(List<PriceList> lists, int t, int p) {
    return t == 2 && p == 0 && !lists.isEmpty() && !lists.getFirst().charges().isEmpty()
        ? List.of(
            new Unsaid(
                Unsaid.Kind.TERM,
                lists.getFirst().charges().getFirst().name(),
                lists.getFirst().term()))
        : List.of();
  }

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
        new StaffEffort(
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
        Charge yearly = charge(random, Math.max(0, price - 1));
        lists.add(
            list(
                BillingTerm.YEARLY_UP_FRONT,
                yearly instanceof Charge.PerUnit each && price % 2 == 1
                    // a sum for the year whose share of a month does not come out even
                    ? new Charge.PerUnit(
                        each.name(),
                        each.measure(),
                        Samples.aYear(12 * Math.max(0, price - 1) + ".5"),
                        each.rule())
                    : yearly));
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
              prices(lists, staff ? 9 : random.nextInt(10)),
              Tax.NOT_INCLUDED,
              List.of(),
              open(lists, t, p),
              t == 1 ? OLD_PAGE : PAGE));
      Map<String, Fact> own = new HashMap<>();
      for (String id : List.of("a", "b")) {
        boolean has = random.nextInt(4) + p > 1;
        own.put(id, new Fact(has ? Answer.YES : Answer.NO, PAGE));
      }
      facts.put("p" + p, own);
      price += random.nextInt(4);
    }
    StaffEffort effort =
        new StaffEffort(
            BigDecimal.valueOf(random.nextInt(20)),
            BigDecimal.ZERO,
            BigDecimal.ZERO,
            BigDecimal.valueOf(random.nextInt(3)),
            BigDecimal.ZERO,
            0);
    // some of it is paid for until September, in the middle of the plan
    Optional<Owned> owned =
        t == 1 && price % 3 == 0
            ? Optional.of(new Owned("p0", Measure.SEATS, 4, LocalDate.of(2027, 9, 30)))
            : Optional.empty();
    return new Contender(
        new Tool("t" + t, "T" + t, "Maker", plans, List.of(), owned),
        facts,
        List.of(),
        null,
        effort);
  }

  /** As written, on request if nothing is, assumed to lie in a range, or the least it costs. */
  private static PlanPrices prices(List<PriceList> lists, int kind) {
    if (lists.isEmpty()) {
      return new PlanPrices.OnRequest();
    }
    if (kind > 1) {
      return new PlanPrices.Listed(lists);
    }
    if (kind == 1) {
      return new PlanPrices.From(lists);
    }
    List<PriceList> low = new ArrayList<>();
    List<PriceList> high = new ArrayList<>();
    for (PriceList list : lists) {
      low.add(list(list.term(), new Charge.Flat("Account", Samples.eur("45"))));
      high.add(list(list.term(), new Charge.Flat("Account", Samples.eur("90"))));
    }
    return new PlanPrices.Assumed(low, high);
  }

  public static Selection selection(int seed) {
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
            new Criterion("ease", seed % 20 == 7 ? "Felt price" : "Ease", new Criterion.Judged()));
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
        new BuyingPolicy(
            EarlyTerminationPolicy.CREDITED,
            new Labour(
                Optional.of(BigDecimal.TEN),
                BigDecimal.ZERO,
                seed % 3 == 1
                    ? Optional.of(BigDecimal.valueOf(60 + 7L * seed))
                    : Optional.empty())));
  }

  public static Evaluation evaluation(int seed) {
    return Evaluation.of(
        selection(seed),
        new WhatIf(
            new WhatIf.Moment.Month(seed % MONTHS),
            Scenario.EXPECTED,
            seed % 7 == 0 ? Terms.MONTHLY : Terms.ANY,
            seed % 2 == 0 ? CostTiming.SPREAD : CostTiming.CASH,
            seed % 3 == 0 ? WhatIf.Basis.FULL : WhatIf.Basis.SUBSCRIPTION));
  }

  /** The same question with other contenders. */
  public static Selection with(Selection s, List<Contender> contenders) {
    return s.among(contenders);
  }

  /** The same question with some needs given up. */
  public static Selection without(Selection s, List<Need> needs) {
    return s.asking(s.needs().stream().filter(need -> !needs.contains(need)).toList());
  }
}
