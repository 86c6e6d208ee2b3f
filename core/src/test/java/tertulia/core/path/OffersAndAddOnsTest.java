package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Owned;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.time.Horizon;

/** Which offers are used, which add-ons are bought, what an assumed price and an allowance do. */
public class OffersAndAddOnsTest {
  private static final Capability SIGN_ON = new Capability("sign-on", "Single sign-on");
  private static final PriceList TEN = list(BillingTerm.MONTHLY, seats("10"));

  private static Market market(Need... needs) {
    return new Market(
        new Fit(List.of(needs)),
        Map.of(
            Measure.SEATS,
            new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)),
            Measure.AUTOMATION_RUNS,
            new Demand(BigDecimal.valueOf(500), Map.of("g", BigDecimal.valueOf(50)))),
        EUR,
        ExchangeRates.NONE,
        LocalDate.of(2026, 11, 24),
        Terms.ANY,
        Optional.empty(),
        new tertulia.core.time.Horizon(Samples.JAN_2027, 12));
  }

  private static Offer offer(
      String name, Offer.Benefit benefit, @Nullable Integer months, @Nullable String group) {
    return new Offer(name, benefit, months, Offer.Conditions.NONE, group, Set.of());
  }

  private static Outcome<FixedPlan> stay(Market market, Offering... offerings) {
    return FixedPlan.cheapest(
        List.of(offerings),
        market,
        UnitsNeeded.byMonth(
            market.demands(), java.util.Collections.nCopies(12, new People(Map.of("g", 10), 1, 1))),
        PriceRise.NONE,
        new Horizon(JAN_2027, 12),
        CostTiming.SPREAD);
  }

  private static FixedPlan found(Outcome<FixedPlan> outcome) {
    return ((Outcome.Found<FixedPlan>) outcome).best();
  }

  @Test
  public void theCheapestOfAGroupIsUsedAndTheOthersAreNamedWithTheReason() {
    Offer third = offer("Third off", new Offer.Benefit.Percent(new BigDecimal("0.33")), 3, "hello");
    Offer free = offer("Two free", new Offer.Benefit.Free(), 2, "hello");
    Offer dear = offer("Twelve", new Offer.Benefit.Fixed(eur("12")), null, null);
    Offer late =
        new Offer(
            "Spring",
            new Offer.Benefit.Free(),
            6,
            new Offer.Conditions(
                Set.of(), Set.of(), false, LocalDate.of(2027, 3, 1), LocalDate.of(2027, 4, 1), 0),
            null,
            Set.of());
    Offering offering =
        new Offering(
            plan("Plan", TEN), Map.of(), List.of(third, free, dear, late), Optional.empty());
    FixedPlan stay = found(stay(market(), offering));
    assertEquals(stay.offers(), List.of(free));
    assertEquals(stay.ledger().total(CostTiming.SPREAD), money("1000.00"));
    assertEquals(
        stay.refusedOffers(),
        Map.of(
            "Third off", "excluded by another offer of group \"hello\"",
            "Twelve", "changes nothing here",
            "Spring", "begins on 2027-03-01, the tool is taken on 2027-01-01"));
  }

  @Test
  public void offersAskForNewBuyersTermsPlansAndSeats() {
    Offer.Buyer buyer =
        new Offer.Buyer("p", BillingTerm.MONTHLY, true, LocalDate.of(2027, 1, 1), 10);
    assertEquals(refusal(buyer, Set.of("q"), Set.of(), false, 0), Optional.of("not for this plan"));
    assertEquals(
        refusal(buyer, Set.of("p"), Set.of(BillingTerm.YEARLY_UP_FRONT), false, 0),
        Optional.of("not for monthly"));
    assertEquals(
        refusal(buyer, Set.of(), Set.of(), true, 0),
        Optional.of("for new buyers only, and it is owned already"));
    assertEquals(
        refusal(buyer, Set.of(), Set.of(), false, 11),
        Optional.of("from 11 seats on, 10 are taken"));
    assertEquals(refusal(buyer, Set.of("p"), Set.of(), false, 10), Optional.empty());
  }

  private static Optional<String> refusal(
      Offer.Buyer buyer, Set<String> plans, Set<BillingTerm> terms, boolean newOnly, int least) {
    return new Offer(
            "Offer",
            new Offer.Benefit.Free(),
            1,
            new Offer.Conditions(plans, terms, newOnly, null, null, least),
            null,
            Set.of())
        .refusal(buyer);
  }

  /** Every subset that breaks no group, against the choice. */
  @Test
  public void noOtherPermittedCombinationOfGeneratedOffersIsCheaper() {
    Random random = new Random(7);
    for (int i = 0; i < 60; i++) {
      List<Offer> offers = new ArrayList<>();
      int count = 1 + random.nextInt(5);
      for (int o = 0; o < count; o++) {
        Offer.Benefit benefit =
            switch (random.nextInt(4)) {
              case 0 -> new Offer.Benefit.Free();
              case 1 -> new Offer.Benefit.Fixed(eur("" + (4 + random.nextInt(9))));
              case 2 -> new Offer.Benefit.Percent(BigDecimal.valueOf(1 + random.nextInt(99), 2));
              default ->
                  new Offer.Benefit.AmountOff(eur("" + random.nextInt(150)), 1 + random.nextInt(4));
            };
        String group = random.nextBoolean() ? null : random.nextBoolean() ? "a" : "b";
        offers.add(offer("o" + o, benefit, 1 + random.nextInt(14), group));
      }
      BillingTerm term = random.nextBoolean() ? BillingTerm.MONTHLY : BillingTerm.YEARLY_UP_FRONT;
      PriceList list = list(term, seats("9.37"), new Charge.Flat("Account", eur("21.5")));
      Plan plan = plan("Plan", list);
      Purchase purchase = Samples.purchase(plan, list, growing(3, 1, 12), PriceRise.ofPercent("3"));
      Money chosen =
          OfferChoice.cheapest(purchase, offers, false, Optional.empty(), CostTiming.SPREAD)
              .ledger()
              .total(CostTiming.SPREAD);
      Money least = Biller.bill(purchase, Optional.empty()).total(CostTiming.SPREAD);
      for (int subset = 1; subset < 1 << count; subset++) {
        List<Offer> some = new ArrayList<>();
        for (int o = 0; o < count; o++) {
          if ((subset >> o & 1) == 1) {
            some.add(offers.get(o));
          }
        }
        List<String> groups = some.stream().map(Offer::group).filter(g -> g != null).toList();
        if (groups.size() == Set.copyOf(groups).size()) {
          Money total = Biller.bill(purchase.with(some), Optional.empty()).total(CostTiming.SPREAD);
          least = total.isLessThan(least) ? total : least;
        }
      }
      assertEquals(chosen, least);
    }
  }

  @Test
  public void anAddOnIsBoughtWhenAMustRequiresIt() {
    PriceList sold =
        new PriceList(
            BillingTerm.MONTHLY,
            EUR,
            List.of(seats("10")),
            List.of(new AddOn("Gate", List.of(seats("2")))),
            Optional.empty());
    Map<String, Fact> facts = Map.of("sign-on", new Fact(Answer.BY_ADD_ON, "Gate", Samples.PAGE));
    Need must = new Need(SIGN_ON, new Importance.Must(false));
    FixedPlan with = found(stay(market(must), new Offering(plan("Crew", sold), facts)));
    assertEquals(with.option().label(), "Crew with Gate, monthly");
    assertEquals(with.ledger().total(CostTiming.SPREAD), money("1440.00"));
    FixedPlan without = found(stay(market(), new Offering(plan("Crew", sold), facts)));
    assertEquals(without.ledger().total(CostTiming.SPREAD), money("1200.00"));
    Outcome<FixedPlan> notSold = stay(market(must), new Offering(plan("Crew", TEN), facts));
    assertEquals(
        Samples.verdict(notSold.passedOver(), "Crew, monthly").reasons().getFirst().sentence(),
        "Single sign-on: by add-on \"Gate\", not sold monthly");
  }

  @Test
  public void anAssumedPriceMakesARangeFromTheLowestLowToTheLowestHigh() {
    Plan assumed =
        new Plan(
            "a",
            "Fleet",
            SeatRange.ANY,
            new PlanPrices.Assumed(
                List.of(list(BillingTerm.MONTHLY, seats("8"))),
                List.of(list(BillingTerm.MONTHLY, seats("14")))),
            Samples.PAGE);
    Outcome.Found<FixedPlan> both =
        (Outcome.Found<FixedPlan>)
            stay(market(), Samples.offering(plan("Crew", TEN)), Samples.offering(assumed));
    assertEquals(both.best().ledger().total(CostTiming.SPREAD), money("1200.00"));
    assertEquals(both.low().orElseThrow().ledger().total(CostTiming.SPREAD), money("960.00"));
    Outcome.Found<FixedPlan> alone =
        (Outcome.Found<FixedPlan>) stay(market(), Samples.offering(assumed));
    assertEquals(alone.best().ledger().total(CostTiming.SPREAD), money("1680.00"));
    assertTrue(alone.best().option().plan().isRange());
    Outcome.Found<FixedPlan> none =
        (Outcome.Found<FixedPlan>) stay(market(), Samples.offering(plan("Crew", TEN)));
    assertEquals(none.low(), Optional.empty());
  }

  @Test
  public void anAllowanceIsCheckedForTheAccountAndTheSeats() {
    assertEquals(reason(new Allowance.Limit.Unlimited()), List.of());
    // 10 people: 500 + 50 × 10 = 1000 runs
    assertEquals(reason(hard("1000", "0")), List.of());
    assertEquals(reason(hard("500", "50")), List.of());
    assertEquals(reason(hard("500", "49")), List.of("automation runs: 1,000 of 990 from Jan 2027"));
    assertEquals(
        reason(new Allowance.Limit.Unknown()),
        List.of("automation runs: how much the plan allows is not known; confirm it"));
  }

  private static Allowance.Limit hard(String perAccount, String perSeat) {
    return new Allowance.Limit.Hard(
        new Included(new BigDecimal(perAccount), new BigDecimal(perSeat), Measure.SEATS));
  }

  private static List<String> reason(Allowance.Limit limit) {
    Plan plan =
        new Plan(
            "p",
            "Crew",
            SeatRange.ANY,
            new PlanPrices.Listed(List.of(TEN)),
            Tax.NOT_INCLUDED,
            List.of(new Allowance(Measure.AUTOMATION_RUNS, limit, Samples.PAGE)),
            Samples.PAGE);
    Outcome<FixedPlan> outcome = stay(market(), Samples.offering(plan));
    return outcome.passedOver().values().stream()
        .flatMap(verdict -> verdict.reasons().stream())
        .map(r -> r.sentence())
        .toList();
  }

  @Test
  public void whatIsOwnedAlreadyIsNotPaidAgain() {
    Plan plan = plan("Crew", TEN);
    Offering owned =
        new Offering(
            plan,
            Map.of(),
            List.of(),
            Optional.of(new Owned(plan.id(), Measure.SEATS, 8, LocalDate.of(2027, 6, 30))));
    // six months of 2 seats, six of 10
    assertEquals(found(stay(market(), owned)).ledger().total(CostTiming.SPREAD), money("720.00"));
  }
}
