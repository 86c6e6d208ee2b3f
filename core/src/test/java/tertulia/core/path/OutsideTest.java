package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsNeeded;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.InvoiceLine;
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
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;

/** Needs that are covered outside where a plan does not meet them. */
public class OutsideTest {
  private static final Capability SIGN_ON = new Capability("sign-on", "Single sign-on");

  private static Need covered(Importance importance, String monthly) {
    return new Need(
        SIGN_ON,
        importance,
        Optional.of(new ExternalCover("Single sign-on", "our own directory", money(monthly))));
  }

  private static Market market(Need... needs) {
    return new Market(
        new Fit(List.of(needs)),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
        EUR,
        new ExchangeRates(
            List.of(
                new ExchangeRate(
                    CurrencyUnit.USD,
                    EUR,
                    new BigDecimal("0.9137"),
                    LocalDate.of(2026, 11, 20),
                    "made up"))),
        LocalDate.of(2026, 11, 24),
        Terms.ANY,
        Optional.empty(),
        new tertulia.core.time.Horizon(Samples.JAN_2027, 36));
  }

  private static Offering offering(String name, Answer answer, PriceList... lists) {
    return new Offering(plan(name, lists), Map.of("sign-on", new Fact(answer, Samples.PAGE)));
  }

  private static final Offering SMALL =
      offering("Small", Answer.NO, list(BillingTerm.MONTHLY, seats("5")));
  private static final Offering LARGE =
      offering("Large", Answer.YES, list(BillingTerm.MONTHLY, seats("8")));

  private static PlanPaths.Found way(
      Market market, List<UnitsNeeded> months, PriceRise rise, Offering... offerings) {
    return (PlanPaths.Found)
        PlanPaths.through(
            List.of(offerings),
            market,
            months,
            rise,
            new Horizon(JAN_2027, months.size()),
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            money("0"));
  }

  @Test
  public void thePlanThatLacksItIsChargedForTheCoverAndTheOtherIsNot() {
    Need need = covered(new Importance.Must(false), "30");
    Option small =
        Option.of(SMALL, SMALL.plan().lists(PlanPrices.End.HIGH).getFirst(), market(need).fit());
    Option large =
        Option.of(LARGE, LARGE.plan().lists(PlanPrices.End.HIGH).getFirst(), market(need).fit());
    assertTrue(
        market(need).fit().at(SMALL, small.list(), seatsNeeded(8), Samples.JAN_2027).qualifies());
    assertEquals(
        SteadyCost.of(small, market(need), new EvaluationPoint(seatsNeeded(8), 0)).money(),
        money("70.00"));
    assertEquals(
        SteadyCost.of(large, market(need), new EvaluationPoint(seatsNeeded(8), 0)).money(),
        money("64.00"));
    assertEquals(
        SteadyCost.of(small, market(need), new EvaluationPoint(seatsNeeded(8), 0))
            .explain()
            .value()
            .orElseThrow()
            .amount(),
        new BigDecimal("70.00"));
  }

  @Test
  public void whatIsNotKnownOrOnlyPartlyThereIsCoveredTooUnlessPartlyWillDo() {
    PriceList five = list(BillingTerm.MONTHLY, seats("5"));
    for (Answer answer : List.of(Answer.UNKNOWN, Answer.NO, Answer.PARTLY)) {
      Offering offering = offering("Plan", answer, five);
      Fit strict = new Fit(List.of(covered(new Importance.Must(false), "30")));
      assertEquals(strict.outside(offering, five).size(), 1, answer.words());
      Fit should = new Fit(List.of(covered(new Importance.Should(2), "30")));
      assertEquals(should.outside(offering, five).size(), 1, answer.words());
    }
    Fit lenient = new Fit(List.of(covered(new Importance.Must(true), "30")));
    assertEquals(lenient.outside(offering("Plan", Answer.PARTLY, five), five), List.of());
  }

  @Test
  public void theWayGoesToThePlanWithoutItWhereTheCoverBeginsToPay() {
    // Small and cover: 5 n + 30; Large: 8 n; level at 10 seats, where the catalogue's first stands
    Need need = covered(new Importance.Must(false), "30");
    PlanPath way = way(market(need), growing(8, 1, 6), PriceRise.NONE, SMALL, LARGE).best();
    assertEquals(way.label(), "Large, monthly, then Small, monthly");
    assertEquals(
        way.ledger().total(CostTiming.SPREAD), money("" + (64 + 72 + 80 + 85 + 90 + 95) + ".00"));
    assertEquals(
        way.ledger().byKind(CostTiming.SPREAD).get(InvoiceLine.Kind.OUTSIDE),
        List.of("0.00", "0.00", "30.00", "30.00", "30.00", "30.00").stream()
            .map(Samples::money)
            .toList());
  }

  @Test
  public void theCoverIsPaidMonthByMonthWhateverTheTermTheRiseAndTheCurrency() {
    Need need = covered(new Importance.Must(false), "30");
    PriceList yearly =
        new PriceList(
            BillingTerm.YEARLY_UP_FRONT,
            CurrencyUnit.USD,
            List.of(
                new Charge.PerUnit(
                    "Seats", Measure.SEATS, UnitPrice.of("USD", "5"), UnitRule.PLAIN)));
    Offering small = offering("Small", Answer.NO, yearly);
    PlanPath way =
        way(
                market(need),
                Collections.nCopies(24, seatsNeeded(10)),
                PriceRise.ofPercent("10"),
                small)
            .best();
    // 600 and 660 dollars at 0.9137, and 24 months of 30 euros
    assertEquals(
        way.ledger().total(CostTiming.SPREAD),
        money("548.22").plus(money("603.04")).plus(money("720")));
    assertEquals(way.ledger().months(CostTiming.CASH).get(0), money("578.22"));
    assertEquals(way.ledger().months(CostTiming.CASH).get(1), money("30.00"));
    assertEquals(way.ledger().months(CostTiming.CASH).get(12), money("633.04"));
  }

  @Test
  public void aTermThatIsLeftCreditsItsSeatsButNotTheCover() {
    Need need = covered(new Importance.Must(false), "30");
    PriceList yearly = list(BillingTerm.YEARLY_UP_FRONT, seats("4"));
    Offering capped =
        new Offering(
            Samples.capped("Small", 10, yearly),
            Map.of("sign-on", new Fact(Answer.NO, Samples.PAGE)));
    PlanPaths.Found found =
        way(
            market(need),
            Samples.seatsByMonth(10, 10, 11, 11),
            PriceRise.NONE,
            capped,
            offering("Large", Answer.YES, list(BillingTerm.MONTHLY, seats("20"))));
    // two months of 40 and 30, then two of 220
    assertEquals(found.best().ledger().total(CostTiming.SPREAD), money("580.00"));
  }

  @Test
  public void theSweepAgreesWithTheExactCostForEveryHeadcount() {
    Random random = new Random(20270101);
    for (int i = 0; i < 40; i++) {
      Need need = covered(new Importance.Must(false), "" + (1 + random.nextInt(60)) + ".35");
      String currency = random.nextBoolean() ? "EUR" : "USD";
      PriceList own =
          new PriceList(
              BillingTerm.MONTHLY,
              CurrencyUnit.of(currency),
              List.of(
                  new Charge.PerUnit(
                      "Seats",
                      Measure.SEATS,
                      UnitPrice.of(currency, "3." + (10 + random.nextInt(80)) + "5"),
                      UnitRule.PLAIN)));
      List<Offering> offerings = List.of(offering("Small", Answer.NO, own), LARGE);
      People today = new People(Map.of("g", 10), 1, 1);
      CostByHeadcount.Curve curve =
          CostByHeadcount.sweep(Map.of("t", offerings), market(need), today, 0, 60).curve("t");
      for (int n = 1; n <= 60; n++) {
        Money exact =
            ((Outcome.Found<SteadyCost>)
                    SteadyCost.cheapest(
                        offerings, market(need), market(need).occasion(today.scaledTo(n), 0)))
                .best()
                .money();
        assertEquals(curve.at(n).orElseThrow().money(), exact, need + " for " + n);
      }
    }
  }

  @Test
  public void whatCannotBeIsRefused() {
    assertEquals(
        expectThrows(IllegalArgumentException.class, () -> covered(new Importance.Could(), "30"))
            .getMessage(),
        "\"Single sign-on\" is welcome, not needed, so nothing is paid to cover it outside. Make it"
            + " a should or a must, or remove the cover.");
    assertEquals(
        expectThrows(
                IllegalArgumentException.class,
                () -> new ExternalCover("Single sign-on", " ", money("1")))
            .getMessage(),
        "\"Single sign-on\" is covered outside, but not by what. Name what covers it.");
    assertEquals(
        expectThrows(
                IllegalArgumentException.class,
                () -> new ExternalCover("Single sign-on", "hand", money("-1")))
            .getMessage(),
        "What covers \"Single sign-on\" costs between 0 and 1,000,000 a month; found EUR -1.00.");
    expectThrows(
        IllegalArgumentException.class,
        () -> new ExternalCover("Single sign-on", "hand", money("1000000.01")));
  }
}
