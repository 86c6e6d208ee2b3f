package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.testng.annotations.Test;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Begins;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Ladder;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.labour.Labour;
import tertulia.core.labour.StaffEffort;
import tertulia.core.labour.StaffTime;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Terms;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** What is there through a connector is bought; what is done by hand takes people's time. */
public class ConnectedAndByHandTest {
  private static final Capability CLOCK = new Capability("clock", "Goes with Clock");
  private static final Capability LEDGER = new Capability("ledger", "Goes with Ledger");
  private static final Fact RELAYED = new Fact(Answer.THROUGH_CONNECTOR, "Relay", PAGE);

  private static Fact byHand(int minutes) {
    return Fact.byHand(Optional.of(BigDecimal.valueOf(minutes)), PAGE);
  }

  /** Ten people on a plan at 5.00 with a connector at 12.00 a month. */
  private static final Plan CREW =
      plan(
          "Crew",
          new PriceList(
              BillingTerm.MONTHLY,
              EUR,
              List.of(seats("5.00")),
              List.of(new AddOn("Relay", List.of(new Charge.Flat("Relay", eur("12.00"))))),
              Optional.empty()));

  private static Selection selection(Map<String, Fact> facts, Need... needs) {
    return selection(Map.of("crew", facts), List.of(CREW), needs);
  }

  private static Selection selection(
      Map<String, Map<String, Fact>> facts, List<Plan> plans, Need... needs) {
    return new Selection(
            "Which?",
            "",
            LocalDate.of(2026, 12, 1),
            new Horizon(JAN_2027, 12),
            EUR,
            PriceRise.NONE,
            List.of(new Group("a", "Crew", new Growth.Hires(10, BigDecimal.ZERO), List.of())),
            Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("a", BigDecimal.ONE))),
            Optional.empty(),
            List.of(needs),
            List.of(new Criterion("c", "What should be there", new Criterion.Coverage())),
            List.of(
                new Contender(
                    new Tool("t", "Tool", "Vendor", plans),
                    facts,
                    List.of(),
                    null,
                    new StaffEffort(
                        BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        BigDecimal.TEN,
                        0),
                    Map.of())),
            new Panel(List.of()),
            ExchangeRates.NONE)
        .with()
        .practice(
            new BuyingPolicy(
                EarlyTerminationPolicy.CREDITED,
                new Labour(Optional.of(new BigDecimal("40")), BigDecimal.ZERO, Optional.empty())))
        .build();
  }

  private static Need must(Capability capability) {
    return new Need(capability, new Importance.Must(false));
  }

  private static Need accepting(Need need) {
    return new Need(
        need.capability(), need.importance(), need.outside(), need.begins(), need.groups(), true);
  }

  private static WhatIf reading(WhatIf.Basis basis) {
    return new WhatIf(
        WhatIf.START.moment(), Scenario.EXPECTED, Terms.ANY, CostTiming.SPREAD, basis);
  }

  private static CostsOverall costs(Selection selection, WhatIf.Basis basis) {
    return Costs.of(selection, reading(basis)).overall();
  }

  private static Optional<org.joda.money.Money> total(Selection selection) {
    return costs(selection, WhatIf.Basis.SUBSCRIPTION).total("t");
  }

  @Test
  public void aConnectorIsPaidForOnceHoweverManyMustsItServes() {
    Map<String, Fact> facts = Map.of("clock", RELAYED, "ledger", RELAYED);
    assertEquals(total(selection(facts)), Optional.of(money("600.00")));
    assertEquals(total(selection(facts, must(CLOCK))), Optional.of(money("744.00")));
    assertEquals(total(selection(facts, must(CLOCK), must(LEDGER))), Optional.of(money("744.00")));
  }

  @Test
  public void aConnectorThatNoMustRequiresIsNotBought() {
    Selection asked =
        selection(Map.of("clock", RELAYED), new Need(CLOCK, new Importance.Should(3)));
    assertEquals(total(asked), Optional.of(money("600.00")));
    assertEquals(coverage(asked), Interval.exactly(BigDecimal.ZERO));
    assertEquals(
        coverage(
            selection(Map.of("clock", RELAYED, "ledger", RELAYED), must(CLOCK), should(LEDGER))),
        Interval.exactly(BigDecimal.ONE));
  }

  private static Need should(Capability like) {
    return new Need(like, new Importance.Should(3));
  }

  private static Interval coverage(Selection asked) {
    return Evaluation.of(asked, WhatIf.START)
        .scores()
        .value("t", asked.criteria().getFirst())
        .orElseThrow()
        .interval();
  }

  @Test
  public void byHandIsANoUnlessTheBuyerAcceptsIt() {
    Map<String, Fact> facts = Map.of("clock", byHand(15));
    assertTrue(
        costs(selection(facts, must(CLOCK)), WhatIf.Basis.FULL).way("t") instanceof PlanPaths.Gap);
    assertEquals(coverage(selection(facts, should(CLOCK))), Interval.exactly(BigDecimal.ZERO));
    assertEquals(
        coverage(selection(facts, accepting(should(CLOCK)))), Interval.exactly(BigDecimal.ONE));
    PlanPaths.Gap gap =
        (PlanPaths.Gap) costs(selection(facts, must(CLOCK)), WhatIf.Basis.FULL).way("t");
    assertEquals(
        gap.nearest().orElseThrow().reasons().getFirst().sentence(),
        "Goes with Clock: only by hand, which is not enough");
  }

  @Test
  public void whatIsDoneByHandIsInTheFullCost() {
    Selection asked = selection(Map.of("clock", byHand(15)), accepting(must(CLOCK)));
    assertEquals(total(asked), Optional.of(money("600.00")));
    // 10 and 15 minutes on each of 21 workdays are 8.75 hours, 350.00 a month
    assertEquals(costs(asked, WhatIf.Basis.FULL).total("t"), Optional.of(money("4800.00")));
    assertEquals(
        Costs.of(asked, reading(WhatIf.Basis.FULL)).now().steadyTime("t"),
        Optional.of(money("350.00")));
    // 10 alone: 140.00 a month
    assertEquals(
        costs(selection(Map.of("clock", byHand(15)), must(LEDGER)), WhatIf.Basis.FULL).takes("t"),
        costs(selection(Map.of("clock", byHand(15))), WhatIf.Basis.FULL).takes("t"));
    assertEquals(
        costs(selection(Map.of("clock", byHand(15))), WhatIf.Basis.FULL).total("t"),
        Optional.of(money("2280.00")));
  }

  @Test
  public void howLongItTakesByHandMayBeUnknown() {
    Selection asked =
        selection(Map.of("clock", Fact.byHand(Optional.empty(), PAGE)), accepting(must(CLOCK)));
    assertEquals(total(asked), Optional.of(money("600.00")));
    assertEquals(costs(asked, WhatIf.Basis.FULL).total("t"), Optional.empty());
    assertEquals(
        costs(asked, WhatIf.Basis.FULL).takes("t"),
        new StaffTime.Unknown("nobody has said how many minutes “Goes with Clock” takes by hand"));
  }

  @Test
  public void byHandCountsFromTheMonthInWhichItIsNeededAndOnThePlanThatLeavesItToPeople() {
    Need later =
        new Need(
            CLOCK,
            new Importance.Must(false),
            Optional.empty(),
            new Begins.FromMonth(JAN_2027.plusMonths(9)),
            Set.of(),
            true);
    Selection asked = selection(Map.of("clock", byHand(15)), later);
    // three months of 210.00 more than the 140.00
    assertEquals(costs(asked, WhatIf.Basis.FULL).total("t"), Optional.of(money("2910.00")));
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    facts.put("crew", Map.of("clock", byHand(15)));
    facts.put("fleet", Map.of("clock", new Fact(Answer.YES, PAGE)));
    Plan fleet = plan("Fleet", new PriceList(BillingTerm.MONTHLY, EUR, List.of(seats("4.00"))));
    assertEquals(
        costs(selection(facts, List.of(CREW, fleet), accepting(must(CLOCK))), WhatIf.Basis.FULL)
            .total("t"),
        Optional.of(money("2160.00")));
  }

  @Test
  public void factsSayWhatTheyRestOn() {
    UnaryOperator<String> refusal =
        minutes ->
            expectThrows(
                    IllegalArgumentException.class,
                    () -> Fact.byHand(Optional.of(new BigDecimal(minutes)), PAGE))
                .getMessage();
    assertEquals(refusal.apply("1441"), "By hand takes 0 to 1,440 minutes a workday; found 1441.");
    assertEquals(refusal.apply("-1"), "By hand takes 0 to 1,440 minutes a workday; found -1.");
    assertEquals(byHand(1440).words(), "by hand, 1440 minutes a workday");
    assertEquals(Fact.byHand(Optional.empty(), PAGE).words(), "by hand");
    assertTrue(
        expectThrows(
                IllegalArgumentException.class, () -> new Fact(Answer.THROUGH_CONNECTOR, " ", PAGE))
            .getMessage()
            .contains("no connector is named"));
    Contender one = selection(Map.of("clock", RELAYED)).contender("t");
    assertEquals(new Ladder(CLOCK, one.offerings()).words(), "through a connector in Crew");
    assertTrue(new Ladder(CLOCK, one.offerings()).isAnywhere());
    Contender other = selection(Map.of("clock", byHand(15))).contender("t");
    assertEquals(new Ladder(CLOCK, other.offerings()).words(), "by hand in Crew");
  }
}
