package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
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
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.inuse.Together;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Panel;
import tertulia.core.sensitivity.Beginning;
import tertulia.core.time.Horizon;

/** Several tools that are bought together cost what the best of each comes to. */
public class BoughtTogetherTest {
  private static final List<Capability> WANTED =
      List.of(capability("threads"), capability("calls"), capability("pages"));

  private static Capability capability(String id) {
    return new Capability(id, id);
  }

  private static Selection selection(List<Need> needs, Contender contender) {
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 12, 1),
        new Horizon(JAN_2027, 12),
        EUR,
        PriceRise.NONE,
        List.of(new Group("g", "All", new Growth.Hires(10, BigDecimal.ZERO), List.of())),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
        Optional.empty(),
        needs,
        List.of(),
        List.of(contender),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static Need must(Capability capability) {
    return new Need(capability, new Importance.Must(false));
  }

  /** Plans with a price a seat and what they have, dearest last. */
  private record Sold(String price, Set<String> has) {}

  private static Tool tool(String id, List<Sold> sold) {
    List<Plan> plans = new ArrayList<>();
    for (int i = 0; i < sold.size(); i++) {
      plans.add(plan(id + i, list(BillingTerm.MONTHLY, seats(sold.get(i).price()))));
    }
    return new Tool(id, "Tool " + id, "Vendor", plans);
  }

  private static Map<String, Map<String, Fact>> facts(Tool tool, List<Sold> sold) {
    Map<String, Map<String, Fact>> facts = new LinkedHashMap<>();
    for (int i = 0; i < sold.size(); i++) {
      Map<String, Fact> own = new LinkedHashMap<>();
      for (Capability capability : WANTED) {
        boolean has = sold.get(i).has().contains(capability.id());
        own.put(capability.id(), new Fact(has ? Answer.YES : Answer.NO, PAGE));
      }
      facts.put(tool.plans().get(i).id(), own);
    }
    return facts;
  }

  private static Contender together(List<Sold> first, List<Sold> second) {
    Tool a = tool("a", first);
    Tool b = tool("b", second);
    return new Contender(a, facts(a, first), List.of(), null)
        .withBoughtWith(List.of(new Contender.With(b, facts(b, second), Set.of())));
  }

  private static CostsOverall costs(Selection selection) {
    return Costs.of(selection, WhatIf.START).overall();
  }

  @Test
  public void theMustsAreSharedOutSoThatTheSumIsLeast() {
    Random random = new Random(11);
    int found = 0;
    for (int i = 0; i < 300; i++) {
      List<Sold> first = sold(random);
      List<Sold> second = sold(random);
      List<Need> needs =
          WANTED.stream().filter(c -> random.nextInt(4) > 0).map(c -> must(c)).toList();
      Selection s = BoughtTogether.settled(selection(needs, together(first, second)), Set.of());
      // by enumeration: any plan of each that have together what is needed
      Optional<BigDecimal> least = Optional.empty();
      for (Sold one : first) {
        for (Sold other : second) {
          boolean met =
              needs.stream()
                  .map(need -> need.capability().id())
                  .allMatch(id -> one.has().contains(id) || other.has().contains(id));
          BigDecimal sum =
              new BigDecimal(one.price())
                  .add(new BigDecimal(other.price()))
                  .multiply(BigDecimal.valueOf(120));
          if (met && (least.isEmpty() || sum.compareTo(least.get()) < 0)) {
            least = Optional.of(sum);
          }
        }
      }
      CostsOverall costs = costs(s);
      assertEquals(costs.total("a"), least.map(sum -> Money.of(EUR, sum)), first + " " + second);
      assertEquals(costs.feasible().isEmpty(), least.isEmpty());
      if (least.isPresent()) {
        found++;
        Costs all = Costs.of(s, WhatIf.START);
        Money month = Money.of(EUR, least.get()).dividedBy(12, java.math.RoundingMode.UNNECESSARY);
        assertEquals(all.now().monthly("a").map(Amount::high), Optional.of(month));
        CostByHeadcount sweep = all.curves().costByHeadcount();
        assertEquals(sweep.curve("a").at(10).map(CostByHeadcount.Point::money), Optional.of(month));
        assertEquals(
            costs.stay("a") instanceof Outcome.Found<FixedPlan> kept
                ? Optional.of(kept.best().ledger().total(CostTiming.SPREAD))
                : Optional.empty(),
            costs.total("a"));
        List<Money> running = costs.running("a").orElseThrow();
        assertEquals(running.getLast(), costs.total("a").orElseThrow());
        assertEquals(
            all.now()
                .best("a")
                .orElseThrow()
                .explain()
                .value()
                .orElseThrow()
                .amount()
                .compareTo(month.getAmount()),
            0);
      }
    }
    assertTrue(found > 100, "found " + found);
  }

  private static List<Sold> sold(Random random) {
    List<Sold> sold = new ArrayList<>();
    for (int p = 0; p < 3; p++) {
      Set<String> has = new java.util.HashSet<>();
      WANTED.stream().filter(c -> random.nextInt(3) == 0).forEach(c -> has.add(c.id()));
      sold.add(new Sold("" + (1 + random.nextInt(12)), has));
    }
    return sold;
  }

  @Test
  public void whatEveryToolHasToMeetIsAskedOfEach() {
    List<Sold> first = List.of(new Sold("2", Set.of()), new Sold("5", Set.of("calls")));
    List<Sold> second = List.of(new Sold("3", Set.of()), new Sold("7", Set.of("calls")));
    Selection s = selection(List.of(must(WANTED.get(1))), together(first, second));
    // one of them: 3 + 5; each: 5 + 7
    assertEquals(
        costs(BoughtTogether.settled(s, Set.of())).total("a"), Optional.of(money("960.00")));
    assertEquals(
        costs(BoughtTogether.settled(s, Set.of("calls"))).total("a"),
        Optional.of(money("1440.00")));
  }

  /** A part that may cost anything less leaves the whole an upper bound. */
  @Test
  public void whatMayBeCheaperInAPartMayBeCheaperInAll() {
    Tool a = tool("a", List.of(new Sold("2", Set.of())));
    Tool b =
        new Tool(
            "b",
            "Tool b",
            "Vendor",
            List.of(
                plan("Asked", list(BillingTerm.MONTHLY, seats("1")))
                    .priced(new PlanPrices.OnRequest()),
                plan("Listed", list(BillingTerm.MONTHLY, seats("3")))));
    Selection s =
        BoughtTogether.settled(
            selection(
                List.of(),
                new Contender(a, Map.of(), List.of(), null)
                    .withBoughtWith(List.of(new Contender.With(b, Map.of(), Set.of())))),
            Set.of());
    Costs costs = Costs.of(s, WhatIf.START);
    CostByHeadcount.Curve curve = costs.curves().costByHeadcount().curve("a");
    assertTrue(curve.at(10).orElseThrow().atMost());
    assertEquals(curve.low(10), Optional.empty());
    assertTrue(((PlanPaths.Found) costs.overall().way("a")).isAtMost());
    assertTrue(costs.now().monthly("a").orElseThrow().low().isEmpty());
  }

  /** Whoever waits waits with all tools, and an offer of any of them counts on its day. */
  @Test
  public void waitingIsWithAllOfThem() {
    Tool a = tool("a", List.of(new Sold("2", Set.of())));
    Tool b =
        tool("b", List.of(new Sold("3", Set.of())))
            .withOffers(
                List.of(
                    new Offer(
                        "March",
                        new Offer.Benefit.Percent(new BigDecimal("0.5")),
                        null,
                        new Offer.Conditions(
                            Set.of(),
                            Set.of(),
                            false,
                            LocalDate.of(2027, 3, 10),
                            LocalDate.of(2027, 3, 20),
                            0),
                        null,
                        Set.of())));
    Selection s =
        BoughtTogether.settled(
            selection(
                List.of(),
                new Contender(a, Map.of(), List.of(), null)
                    .withBoughtWith(List.of(new Contender.With(b, Map.of(), Set.of())))),
            Set.of());
    Beginning beginning =
        new Beginning(s, WhatIf.START, "a", new Together(List.of(), List.of(), s.currency(), 12));
    assertEquals(beginning.in(0).cost(), Optional.of(money("600.00")));
    // ten months of 10 × (2 + 1.50)
    assertEquals(
        beginning.in(2),
        new Beginning.Begun(
            2, LocalDate.of(2027, 3, 10), List.of("March"), Optional.of(money("350.00"))));
  }

  @Test
  public void itIsSaidWhatIsBoughtTogether() {
    List<Sold> first = List.of(new Sold("2", Set.of("pages")));
    List<Sold> second = List.of(new Sold("3", Set.of("calls")));
    Selection s =
        BoughtTogether.settled(
            selection(
                List.of(must(WANTED.get(1)), new Need(WANTED.get(2), new Importance.Should(1))),
                together(first, second)),
            Set.of());
    Costs costs = Costs.of(s, WhatIf.START);
    assertEquals(costs.now().best("a").orElseThrow().label(), "a0, monthly + b0, monthly");
    assertEquals(
        ((PlanPaths.Found) costs.overall().way("a")).best().label(), "a0, monthly + b0, monthly");
    assertEquals(s.contender("a").metBeside().get("calls").tool(), "Tool b");
    assertEquals(costs.overall().total("a"), Optional.of(money("600.00")));
    assertEquals(
        ((PlanPaths.Found) costs.overall().way("a")).best().ledger().total(CostTiming.CASH),
        money("600.00"));
  }
}
