package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.billing.CostTiming;
import tertulia.core.finding.CostFindings;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.inuse.Beside;
import tertulia.core.inuse.InUse;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** What is in use beside a question is part of what every contender comes to. */
public class BesideTest {
  private static final Plan OFFICE = plan("Office", list(BillingTerm.YEARLY_UP_FRONT, seats("10")));

  private static InUse suite(Plan plan, BillingTerm term, int held, InUse.Until until) {
    return new InUse(
        "suite",
        "Suite",
        plan,
        term,
        new InUse.Held(Measure.SEATS, held),
        Optional.of(eur("10")),
        until,
        List.of(),
        List.of("mail"));
  }

  private static Contender contender(String id, Plan plan) {
    return new Contender(new Tool(id, id, "Vendor", List.of(plan)), Map.of(), List.of(), null);
  }

  /** 28 people and 4/3 more a month from December; a suite paid for 30 to the end of June. */
  private static Selection bureau(Map<String, Set<String>> goes) {
    InUse suite =
        suite(
            OFFICE,
            BillingTerm.YEARLY_UP_FRONT,
            30,
            new InUse.Until.Running(YearMonth.of(2027, 6), Optional.empty()));
    Selection bureau =
        new Selection(
            "Which chat?",
            "",
            LocalDate.of(2026, 11, 24),
            new Horizon(YearMonth.of(2026, 12), 24),
            EUR,
            PriceRise.NONE,
            List.of(
                new Group(
                    "g", "All", new Growth.Hires(28, new BigDecimal("1.333333333333")), List.of())),
            Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
            Optional.empty(),
            List.of(),
            List.of(),
            List.of(
                contender("chat", plan("Talk", list(BillingTerm.MONTHLY, seats("4")))),
                contender("suite", OFFICE).withAsToday(true)),
            new Panel(List.of()),
            ExchangeRates.NONE);
    return bureau.withBeside(new Beside(List.of(suite), goes));
  }

  private static CostsOverall costs(Selection selection) {
    return Costs.of(selection, WhatIf.START).overall();
  }

  @Test
  public void theBureauReadsTheSum() {
    // C26
    CostsOverall beside = costs(bureau(Map.of()));
    assertEquals(beside.total("suite"), Optional.of(money("8330.00")), "as today");
    assertEquals(beside.own("chat"), Optional.of(money("4160.00")));
    assertEquals(beside.total("chat"), Optional.of(money("12490.00")));
    assertEquals(beside.together("chat").staying(CostTiming.SPREAD), Optional.of(money("8330.00")));
    CostsOverall instead = costs(bureau(Map.of("chat", Set.of("suite"))));
    assertEquals(instead.total("chat"), Optional.of(money("4160.00")), "it is paid to its end");
  }

  @Test
  public void asTodayHasACostWhetherOrNotItMeetsTheNeeds() {
    Selection asking =
        bureau(Map.of())
            .asking(
                List.of(new Need(new Capability("search", "Search"), new Importance.Must(false))));
    assertEquals(costs(asking).total("suite"), Optional.of(money("8330.00")));
    assertTrue(costs(asking).keptThoughItFails("suite"));
    assertEquals(costs(asking).feasible(), List.of(), "neither is known to have it");
    assertTrue(!costs(bureau(Map.of())).keptThoughItFails("suite"));
    Costs read = Costs.of(asking, WhatIf.START);
    assertEquals(read.now().orderByCost(), List.of(), "it is the cheapest of nobody");
    assertEquals(new CostFindings(read).wholePeriod(), Optional.empty());
    assertEquals(costs(asking).total("chat"), Optional.empty(), "it is not known to have it");
  }

  @Test
  public void whatAToolHasThatStaysIsMet() {
    Need search = new Need(new Capability("search", "Search"), new Importance.Must(false));
    Selection asking = bureau(Map.of()).asking(List.of(search));
    assertEquals(costs(asking).total("chat"), Optional.empty(), "it is not known to have it");
    Fact yes = new Fact(Answer.YES, PAGE);
    Selection met =
        asking.among(
            asking.contenders().stream()
                .map(c ->
                    c.asToday()
                        ? c
                        : c.withMetBeside(Map.of("search", new Contender.MetBeside("Suite", yes))))
                .toList());
    assertEquals(costs(met).total("chat"), Optional.of(money("12490.00")));
    Contender own = met.contender("chat");
    assertEquals(own.facts(), Map.of(), "what is known of itself is as it was");
    assertEquals(own.offerings().getFirst().facts().get("search"), yes);
    Fact stronger = new Fact(Answer.YES, "", PAGE);
    assertEquals(
        own.withFacts(Map.of("Talk", Map.of("search", stronger)))
            .offerings()
            .getFirst()
            .facts()
            .get("search"),
        stronger);
  }

  private static Beside generated(Random random, Selection selection) {
    boolean gone = random.nextInt(4) == 0;
    Plan plan =
        gone
            ? plan("Office", list(BillingTerm.MONTHLY, seats("12")))
            : random.nextInt(3) == 0
                ? capped("Office", 9, list(BillingTerm.YEARLY_PAID_MONTHLY, seats("10")))
                : plan("Office", list(BillingTerm.YEARLY_PAID_MONTHLY, seats("10")));
    InUse use =
        suite(
            plan,
            BillingTerm.YEARLY_PAID_MONTHLY,
            random.nextInt(20),
            new InUse.Until.Running(JAN_2027.plusMonths(random.nextInt(8)), Optional.empty()));
    Map<String, Set<String>> goes = new LinkedHashMap<>();
    selection
        .contenders()
        .forEach(c -> goes.put(c.id(), random.nextBoolean() ? Set.of("suite") : Set.of()));
    return new Beside(List.of(use), goes);
  }

  /** The sum is the contender's own cost and what is beside it, in all and month by month. */
  @Test
  public void generatedSums() {
    Set<String> met = new HashSet<>();
    for (int seed = 0; seed < 300; seed++) {
      Selection alone = Generated.selection(seed);
      WhatIf whatIf = Generated.evaluation(seed).whatIf();
      CostsOverall own = Costs.of(alone, whatIf).overall();
      Selection selection = alone.withBeside(generated(new Random(seed), alone));
      CostsOverall both = Costs.of(selection, whatIf).overall();
      for (Contender contender : alone.contenders()) {
        String id = contender.id();
        assertEquals(both.own(id), own.total(id), "its own cost is as it was");
        Optional<Money> beside = both.together(id).total(whatIf.view());
        Money least = both.together(id).least(whatIf.view());
        assertEquals(
            both.total(id), own.total(id).flatMap(money -> beside.map(money::plus)), "" + seed);
        Optional<List<Amount>> running = both.runningBounds(id);
        if (both.total(id).isPresent()) {
          assertEquals(both.leastTotal(id), Optional.empty());
          assertEquals(running.orElseThrow().getLast().high(), both.total(id).orElseThrow());
          assertEquals(least, beside.orElseThrow());
          met.add(beside.get().isZero() ? "nothing" : "sum");
          assertEquals(both.totalBounds(id).orElseThrow().high(), both.total(id).orElseThrow());
          assertEquals(
              both.totalBounds(id).orElseThrow().low(),
              own.totalBounds(id).orElseThrow().low().map(beside.get()::plus));
        } else if (own.total(id).isPresent() && own.totalBounds(id).orElseThrow().isExact()) {
          assertEquals(
              both.leastTotal(id), own.total(id).map(least::plus), "what is known is said");
          assertEquals(running.orElseThrow().getLast().high(), both.leastTotal(id).orElseThrow());
          met.add("at least");
        } else if (own.leastTotal(id).isPresent()) {
          assertEquals(both.leastTotal(id), own.leastTotal(id).map(least::plus));
          met.add("least of both");
        }
      }
    }
    assertEquals(met, Set.of("nothing", "sum", "at least", "least of both"));
  }

  /** What nobody knows and stays beside all hides nothing; beside some only it does. */
  @Test
  public void whatIsNotKnownAndTheSameForAllHidesNothing() {
    InUse notes =
        new InUse(
            "notes",
            "Notes",
            plan("Folio", list(BillingTerm.MONTHLY, seats("3"))),
            BillingTerm.YEARLY_UP_FRONT,
            new InUse.Held(Measure.SEATS, 9),
            Optional.empty(),
            new InUse.Until.AnyTime(0),
            List.of(),
            List.of("knowledge"));
    Selection bureau = bureau(Map.of());
    Beside with = new Beside(List.of(bureau.beside().tools().getFirst(), notes), Map.of());
    CostsOverall all = costs(bureau.withBeside(with));
    assertEquals(all.total("chat"), Optional.of(money("12490.00")));
    assertEquals(all.inUse().uncounted(), List.of(notes));
    CostsOverall some =
        costs(bureau.withBeside(new Beside(with.tools(), Map.of("suite", Set.of("notes")))));
    assertEquals(some.inUse().uncounted(), List.of());
    assertEquals(some.total("chat"), Optional.empty());
    assertEquals(some.total("suite"), Optional.of(money("8330.00")));
  }

  @Test
  public void whereNobodyIsCountedNobodyUsesAnything() {
    Selection nobody = bureau(Map.of()).peopled(List.of()).withDemands(Map.of());
    assertTrue(nobody.forAnybody(10).beside().isNothing());
  }

  /** Of a month, too, the sum is compared; the sweep says of every headcount what is said of it. */
  @Test
  public void aMonthAndTheSweepFollowTheSum() {
    Set<String> met = new HashSet<>();
    for (int seed = 0; seed < 60; seed++) {
      Selection alone = Generated.selection(seed);
      Selection selection = alone.withBeside(generated(new Random(seed), alone));
      Costs costs = Costs.of(selection, Generated.evaluation(seed).whatIf());
      Costs own = Costs.of(alone, Generated.evaluation(seed).whatIf());
      CostByHeadcount swept = costs.curves().costByHeadcount();
      for (int n : List.of(1, 5, 9, 10, 23, 60)) {
        CostsNow then = costs.at(new WhatIf.Moment.Headcount(n)).now();
        CostsNow ownThen = own.at(new WhatIf.Moment.Headcount(n)).now();
        for (Contender contender : selection.active()) {
          String id = contender.id();
          Optional<Money> month = then.monthly(id).map(Amount::high);
          assertEquals(
              month,
              ownThen
                  .monthly(id)
                  .map(Amount::high)
                  .flatMap(money -> then.staying(id).map(money::plus)));
          assertEquals(
              swept.curve(id).at(n).map(CostByHeadcount.Point::money), month, seed + " " + n);
          met.add(
              then.staying(id).map(money -> money.isZero() ? "none" : "some").orElse("unknown"));
        }
        List<String> order = then.orderByCost();
        for (int i = 1; i < order.size(); i++) {
          assertTrue(
              !then.monthly(order.get(i - 1))
                  .orElseThrow()
                  .high()
                  .isGreaterThan(then.monthly(order.get(i)).orElseThrow().high()));
        }
      }
    }
    assertEquals(met, Set.of("none", "some", "unknown"));
  }

  @Test
  public void whatGoesTakesAlong() {
    InUse suite =
        new InUse(
            "suite",
            "Suite",
            OFFICE,
            BillingTerm.MONTHLY,
            new InUse.Held(Measure.SEATS, 3),
            Optional.empty(),
            new InUse.Until.AnyTime(0),
            List.of(),
            List.of("chat", "phone"));
    assertTrue(InUse.goesFor(suite.areas(), Set.of("phone", "chat", "mail")));
    assertTrue(
        !InUse.goesFor(suite.areas(), Set.of("chat")), "it serves another area, so it stays");
    assertTrue(!InUse.goesFor(suite.areas(), Set.of()));
    Beside beside = new Beside(List.of(suite), Map.of("x", Set.of("suite")));
    assertEquals(beside.unserved("x", Set.of("chat")), Set.of("phone"));
    assertEquals(beside.unserved("y", Set.of("chat")), Set.of(), "it stays beside y");
    assertEquals(beside.staying("suite"), List.of(), "nothing is beside itself");
    assertThrows(IllegalArgumentException.class, () -> new Beside(List.of(suite, suite), Map.of()));
  }
}
