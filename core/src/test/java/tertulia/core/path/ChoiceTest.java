package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.banded;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.offering;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsByMonth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;

public class ChoiceTest {
  private static final Map<Measure, Demand> ONE_SEAT_A_HEAD =
      Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)));
  private static final People TODAY = new People(Map.of("g", 10), 1, 1);
  private static final Plan ON_REQUEST =
      new Plan("r", "Port", SeatRange.ANY, new PlanPrices.OnRequest(), Samples.PAGE);

  private static Market market(Fit fit, Terms terms) {
    return new Market(
        fit,
        ONE_SEAT_A_HEAD,
        EUR,
        ExchangeRates.NONE,
        LocalDate.of(2026, 11, 24),
        terms,
        Optional.empty(),
        new tertulia.core.time.Horizon(Samples.JAN_2027, 36));
  }

  private static final Market ANY = market(new Fit(List.of()), Terms.ANY);

  private static Outcome<SteadyCost> steady(Market market, int people, Plan... plans) {
    List<Offering> offerings = java.util.Arrays.stream(plans).map(Samples::offering).toList();
    return SteadyCost.cheapest(offerings, market, market.occasion(TODAY.scaledTo(people), 0));
  }

  private static Outcome.Found<SteadyCost> found(Outcome<SteadyCost> outcome) {
    return (Outcome.Found<SteadyCost>) outcome;
  }

  @Test
  public void theCheapestPlanThatHoldsTheSeatsIsTaken() {
    Plan small = capped("Small", 20, list(BillingTerm.MONTHLY, seats("3")));
    Plan large = plan("Large", list(BillingTerm.MONTHLY, seats("8")));
    assertEquals(found(steady(ANY, 20, small, large)).best().money(), money("60.00"));
    Outcome.Found<SteadyCost> over = found(steady(ANY, 21, small, large));
    assertEquals(over.best().option().label(), "Large, monthly");
    assertEquals(
        Samples.verdict(over.passedOver(), "Small, monthly").reasons().getFirst().sentence(),
        "seats: 21 of 20");
  }

  @Test
  public void aClosedLastBandIsACapOnPaidUnits() {
    Plan bands =
        plan("Bands", list(BillingTerm.MONTHLY, banded(BandMode.WHOLE, band(50, "2", "0"))));
    assertEquals(found(steady(ANY, 50, bands)).best().money(), money("100.00"));
    assertTrue(steady(ANY, 51, bands) instanceof Outcome.NoPlan);
  }

  @Test
  public void onEqualityCatalogueOrderDecides() {
    Plan first = plan("First", list(BillingTerm.MONTHLY, seats("5")));
    Plan second = plan("Second", list(BillingTerm.MONTHLY, seats("5")));
    assertEquals(found(steady(ANY, 7, first, second)).best().option().label(), "First, monthly");
    assertEquals(found(steady(ANY, 7, second, first)).best().option().label(), "Second, monthly");
  }

  @Test
  public void aPriceOnRequestIsLeftOutAndNamedAndNeverNothing() {
    Plan listed = plan("Listed", list(BillingTerm.MONTHLY, seats("5")));
    Outcome.Found<SteadyCost> both = found(steady(ANY, 7, listed, ON_REQUEST));
    assertFalse(both.isAtMost(), "what stands behind the plan taken is not cheaper");
    assertEquals(LeftOut.words(both.leftOut()), "Port: price on request");
    Outcome.Found<SteadyCost> before = found(steady(ANY, 7, ON_REQUEST, listed));
    assertTrue(before.isAtMost(), "what stands before it may be");
    assertTrue(steady(ANY, 7, ON_REQUEST) instanceof Outcome.Unpriced);
  }

  @Test
  public void aMissingRateOrDemandMakesAPriceUnknown() {
    Plan pounds =
        plan(
            "Pounds",
            new PriceList(
                BillingTerm.MONTHLY,
                CurrencyUnit.GBP,
                List.of(
                    new Charge.PerUnit(
                        "Seats", Measure.SEATS, UnitPrice.of("GBP", "1"), UnitRule.PLAIN))));
    Plan calendars =
        plan(
            "Calendars",
            list(
                BillingTerm.MONTHLY,
                new Charge.PerUnit(
                    "Calendars", Measure.CALENDARS, Samples.eur("1"), UnitRule.PLAIN)));
    assertEquals(
        LeftOut.words(((Outcome.Unpriced<SteadyCost>) steady(ANY, 7, pounds, calendars)).leftOut()),
        "Pounds, monthly: no rate GBP to EUR; Calendars, monthly: no demand stated for linked"
            + " calendars");
  }

  @Test
  public void onlyAllowedTermsCount() {
    Plan both =
        plan(
            "Both",
            list(BillingTerm.MONTHLY, seats("9")),
            list(BillingTerm.YEARLY_UP_FRONT, seats("7")));
    Plan yearly = plan("Yearly", list(BillingTerm.YEARLY_UP_FRONT, seats("2")));
    assertEquals(found(steady(ANY, 10, both)).best().money(), money("70.00"));
    Market monthly = market(new Fit(List.of()), Terms.MONTHLY);
    Outcome.Found<SteadyCost> kept = found(steady(monthly, 10, both, yearly));
    assertEquals(kept.best().money(), money("90.00"));
    assertEquals(
        Samples.verdict(kept.passedOver(), "Yearly").reasons().getFirst().sentence(),
        "not sold monthly");
  }

  @Test
  public void aMustDecidesAndUnknownIsApartFromNo() {
    Capability link = new Capability("link", "Two-way calendar link");
    Fit strict = new Fit(List.of(new Need(link, new Importance.Must(false))));
    Fit lenient = new Fit(List.of(new Need(link, new Importance.Must(true))));
    Plan plan = plan("Plan", list(BillingTerm.MONTHLY, seats("5")));
    PriceList list = plan.lists(PlanPrices.End.HIGH).getFirst();
    UnitsNeeded units = Samples.seatsNeeded(5);
    record Expected(Answer answer, boolean strict, boolean lenient, boolean excluded) {}
    for (Expected e :
        List.of(
            new Expected(Answer.YES, true, true, false),
            new Expected(Answer.PARTLY, false, true, true),
            new Expected(Answer.NO, false, false, true),
            new Expected(Answer.UNKNOWN, false, false, false))) {
      Offering offering = new Offering(plan, Map.of("link", new Fact(e.answer(), Samples.PAGE)));
      assertEquals(
          strict.at(offering, list, units, JAN_2027).qualifies(), e.strict(), e.toString());
      assertEquals(
          lenient.at(offering, list, units, JAN_2027).qualifies(), e.lenient(), e.toString());
      assertEquals(
          strict.at(offering, list, units, JAN_2027).reasons().stream().anyMatch(Reason::excludes),
          e.excluded(),
          e.toString());
    }
    assertEquals(
        strict.at(offering(plan), list, units, JAN_2027).reasons().getFirst().sentence(),
        "Two-way calendar link: not known; confirm it");
  }

  @Test
  public void everyReasonIsListedWithTheFirstMonthOfACap() {
    Capability link = new Capability("link", "Link");
    Fit fit = new Fit(List.of(new Need(link, new Importance.Must(false))));
    Plan plan = capped("Plan", 12, list(BillingTerm.MONTHLY, seats("5")));
    Offering offering = new Offering(plan, Map.of("link", new Fact(Answer.NO, Samples.PAGE)));
    List<UnitsNeeded> months = seatsByMonth(10, 12, 13, 20);
    assertEquals(
        fit
            .over(
                offering,
                plan.lists(PlanPrices.End.HIGH).getFirst(),
                months,
                new Horizon(JAN_2027, 4))
            .reasons()
            .stream()
            .map(Reason::sentence)
            .toList(),
        List.of("Link: not in this plan", "seats: 13 of 12 from Mar 2027"));
  }

  @Test
  public void aToolWithAMonthWithoutAPlanHasNoTotal() {
    Plan small = capped("Small", 12, list(BillingTerm.MONTHLY, seats("5")));
    Outcome<FixedPlan> outcome =
        FixedPlan.cheapest(
            List.of(offering(small)),
            ANY,
            seatsByMonth(10, 13, 10),
            PriceRise.NONE,
            new Horizon(JAN_2027, 3),
            CostTiming.SPREAD);
    assertTrue(outcome instanceof Outcome.NoPlan);
  }

  @Test
  public void theCheapestStayIsThatOfFullEnumeration() {
    Random dice = new Random(23);
    for (int round = 0; round < 150; round++) {
      int length = 1 + dice.nextInt(30);
      List<UnitsNeeded> months = new ArrayList<>();
      for (int m = 0; m < length; m++) {
        months.add(Samples.seatsNeeded(dice.nextInt(50)));
      }
      List<Offering> offerings = new ArrayList<>();
      for (int p = 0; p < 4; p++) {
        offerings.add(offering(random(dice, "Plan" + p)));
      }
      for (CostTiming view : CostTiming.values()) {
        Optional<Money> least = Optional.empty();
        for (Offering offering : offerings) {
          int most = offering.plan().range().cap().orElse(Integer.MAX_VALUE);
          boolean holds = months.stream().allMatch(m -> m.of(Measure.SEATS).getAsInt() <= most);
          for (PriceList list : offering.plan().lists(PlanPrices.End.HIGH)) {
            Money total = Samples.bill(list, months, PriceRise.NONE).total(view);
            if (holds && least.map(l -> total.isLessThan(l)).orElse(true)) {
              least = Optional.of(total);
            }
          }
        }
        Outcome<FixedPlan> outcome =
            FixedPlan.cheapest(
                offerings, ANY, months, PriceRise.NONE, new Horizon(JAN_2027, length), view);
        assertEquals(
            outcome instanceof Outcome.Found<FixedPlan> found
                ? Optional.of(found.best().ledger().total(view))
                : Optional.empty(),
            least);
      }
    }
  }

  private static Plan random(Random dice, String name) {
    String monthly = (2 + dice.nextInt(9)) + "." + dice.nextInt(10);
    String yearly = (1 + dice.nextInt(8)) + "." + dice.nextInt(10);
    return capped(
        name,
        dice.nextBoolean() ? null : 20 + dice.nextInt(40),
        list(BillingTerm.MONTHLY, seats(monthly)),
        list(BillingTerm.YEARLY_UP_FRONT, seats(yearly)));
  }

  @Test
  public void everyChangeOfPlanAndLeadIsReportedExactly() {
    Random dice = new Random(29);
    for (int round = 0; round < 60; round++) {
      Map<String, List<Offering>> tools = new LinkedHashMap<>();
      for (int t = 0; t < 4; t++) {
        tools.put(
            "t" + t, List.of(offering(random(dice, "Small")), offering(random(dice, "Large"))));
      }
      CostByHeadcount costs = CostByHeadcount.sweep(tools, ANY, TODAY, 0, 80);
      String leader = "";
      List<Lead> leads = new ArrayList<>();
      for (int n = 1; n <= 80; n++) {
        String best = leader;
        Optional<Money> least = cost(tools, leader, n);
        for (String tool : tools.keySet()) {
          Optional<Money> cost = cost(tools, tool, n);
          if (cost.isPresent() && (least.isEmpty() || cost.get().isLessThan(least.get()))) {
            best = tool;
            least = cost;
          }
        }
        String now = least.isPresent() ? best : "";
        if (n == 1 || !now.equals(leader)) {
          leads.add(new Lead(n, now.isEmpty() ? Optional.empty() : Optional.of(now)));
        }
        leader = now;
      }
      assertEquals(costs.leads(), leads);
    }
  }

  private static Optional<Money> cost(Map<String, List<Offering>> tools, String tool, int n) {
    return tools.containsKey(tool)
            && SteadyCost.cheapest(tools.get(tool), ANY, ANY.occasion(TODAY.scaledTo(n), 0))
                instanceof Outcome.Found<SteadyCost> found
        ? Optional.of(found.best().money())
        : Optional.empty();
  }

  /** 100 for the account against 10 for each seat, level at 10 people. */
  private static CostByHeadcount flatAndEach() {
    Plan flat =
        plan("Flat", list(BillingTerm.MONTHLY, new Charge.Flat("Account", Samples.eur("100"))));
    Plan each = plan("Each", list(BillingTerm.MONTHLY, seats("10")));
    Map<String, List<Offering>> tools = new LinkedHashMap<>();
    tools.put("flat", List.of(offering(flat)));
    tools.put("each", List.of(offering(each)));
    return CostByHeadcount.sweep(tools, ANY, TODAY, 0, 30);
  }

  @Test
  public void onEqualityTheLeaderStays() {
    CostByHeadcount costs = flatAndEach();
    assertEquals(
        costs.leads(),
        List.of(new Lead(1, Optional.of("each")), new Lead(11, Optional.of("flat"))));
    assertEquals(costs.orderChanges("flat", "each"), List.of(11));
    assertEquals(
        costs.orders("flat", "each"),
        List.of(new CostByHeadcount.Order(1, "each"), new CostByHeadcount.Order(11, "flat")));
  }

  @Test
  public void whatIsAddedForEachMonthMovesTheCrossing() {
    CostByHeadcount costs = flatAndEach();
    Money fifty = Money.parse("EUR 50");
    Money nothing = Money.parse("EUR 0");
    assertEquals(
        costs.adding(Map.of("flat", Optional.of(fifty), "each", Optional.of(nothing))).leads(),
        List.of(new Lead(1, Optional.of("each")), new Lead(16, Optional.of("flat"))));
    CostByHeadcount unknown =
        costs.adding(Map.of("flat", Optional.of(fifty), "each", Optional.empty()));
    assertEquals(unknown.leads(), List.of(new Lead(1, Optional.of("flat"))));
    assertEquals(unknown.curve("flat").at(3).orElseThrow().money(), Money.parse("EUR 150"));
    assertEquals(unknown.curve("each").at(3), Optional.empty());
    assertEquals(unknown.orders("flat", "each"), List.of());
  }

  @Test
  public void theSweepReachesTwiceTheHighestHeadcountWithinLimits() {
    assertEquals(CostByHeadcount.reach(10), 500);
    assertEquals(CostByHeadcount.reach(400), 800);
    assertEquals(CostByHeadcount.reach(9000), 5000);
  }

  @Test
  public void plansOfOneNameAreToldApart() {
    Plan ten = capped("Crew", 10, list(BillingTerm.MONTHLY, seats("3")));
    Plan twenty =
        new Plan("crew-2", "Crew", new SeatRange(Measure.SEATS, 0, 20), ten.prices(), ten.source());
    Plan large = plan("Large", list(BillingTerm.MONTHLY, seats("8")));
    Outcome.Found<SteadyCost> found = found(steady(ANY, 25, ten, twenty, large));
    assertEquals(
        found.passedOver().values().stream()
            .map(verdict -> verdict.reasons().getFirst().sentence())
            .toList(),
        List.of("seats: 25 of 10", "seats: 25 of 20"));
  }
}
