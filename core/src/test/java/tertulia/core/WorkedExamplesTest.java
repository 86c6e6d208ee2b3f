package tertulia.core;

import static org.testng.Assert.assertEquals;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.banded;
import static tertulia.core.Samples.bill;
import static tertulia.core.Samples.due;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.offering;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsByMonth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.Rounding;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.path.Market;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.MonthlyPrice;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.PriceBasis;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Reductions;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.PublicRating;
import tertulia.core.time.Horizon;

/** The worked examples of the method, each by its number. */
public class WorkedExamplesTest {
  private static final PriceBasis TODAY =
      PriceBasis.today(Samples.plan("Plan", list(BillingTerm.MONTHLY)));

  @Test
  public void c1HeadcountByHiresAndByPercent() {
    Horizon horizon = new Horizon(JAN_2027, 37);
    Group hires = new Group("g", "Office", new Growth.Hires(22, new BigDecimal("0.75")), List.of());
    assertEquals(
        IntStream.range(0, 8).map(m -> hires.headcount(horizon, m, Scenario.EXPECTED)).toArray(),
        new int[] {22, 23, 24, 24, 25, 26, 27, 27});
    Group percent =
        new Group("g", "Crew", new Growth.Percent(46, new BigDecimal("0.12")), List.of());
    assertEquals(
        IntStream.of(0, 6, 12, 24, 36)
            .map(m -> percent.headcount(horizon, m, Scenario.EXPECTED))
            .toArray(),
        new int[] {46, 49, 52, 58, 65});
  }

  @Test
  public void c2MinimumPackAndIncluded() {
    UnitRule packs = new UnitRule(3, 5, 0);
    assertEquals(
        IntStream.of(1, 3, 6, 11).map(packs::paidUnits).toArray(), new int[] {5, 5, 10, 15});
    UnitRule included = new UnitRule(0, 1, 10);
    assertEquals(IntStream.of(4, 10, 13).map(included::paidUnits).toArray(), new int[] {0, 0, 3});
  }

  @Test
  public void c3WholeBandsWithFlatPrices() {
    Charge.Banded bands =
        banded(BandMode.WHOLE, band(15, "0", "34"), band(35, "0", "61"), band(null, "1.65", "0"));
    assertEquals(prices(bands, 15, 16, 35, 36), amounts("34", "61", "61", "59.40"));
  }

  @Test
  public void c4SlicedAndWholeBands() {
    assertEquals(
        prices(c4(BandMode.SLICED), 25, 26, 60, 90),
        amounts("210.00", "216.90", "451.50", "604.50"));
    assertEquals(
        prices(c4(BandMode.WHOLE), 25, 26, 60, 90),
        amounts("210.00", "179.40", "414.00", "459.00"));
  }

  @Test
  public void c5UsageInStartedBlocks() {
    Charge.Usage usage =
        new Charge.Usage(
            "Recording",
            Measure.RECORDED_HOURS,
            new Included(new BigDecimal("15"), new BigDecimal("1.5"), Measure.SEATS),
            BigDecimal.TEN,
            Samples.eur("7.00"));
    List<Money> lines =
        Stream.of("60", "71", "131")
            .map(h -> new InvoiceLine.Used(usage, TODAY, Reductions.NONE, new BigDecimal(h), 30))
            .map(InvoiceLine::amount)
            .toList();
    assertEquals(lines, amounts("0", "14.00", "56.00"));
  }

  @Test
  public void c6FeesOfPayments() {
    Charge.PaymentFee fee =
        new Charge.PaymentFee(
            "Card payments", Measure.CARD_PAYMENTS, new BigDecimal("0.0265"), Samples.eur("0.18"));
    InvoiceLine line =
        new InvoiceLine.Fee(
            fee, TODAY, Reductions.NONE, BigDecimal.valueOf(310), new BigDecimal("83.50"));
    assertEquals(line.amount(), money("741.75"));
    assertEquals(line.explain().value().orElseThrow().amount(), new BigDecimal("741.75"));
  }

  @Test
  public void c12PercentsOffTheFirstMonths() {
    PriceList yearly = list(BillingTerm.YEARLY_UP_FRONT, seats("7.30"));
    Offer offer =
        new Offer(
            "Opening",
            new Offer.Benefit.Percent(new BigDecimal("0.4")),
            3,
            Offer.Conditions.NONE,
            null,
            Set.of());
    Ledger still = billed(yearly, growing(37, 0, 12), offer);
    Ledger growing = billed(yearly, growing(37, 2, 12), offer);
    assertEquals(
        bill(yearly, growing(37, 0, 12), PriceRise.NONE).total(CostTiming.CASH), money("3241.20"));
    assertEquals(still.total(CostTiming.CASH), money("2917.08"));
    assertEquals(growing.total(CostTiming.CASH), money("3863.16"));
    assertEquals(
        growing.explainTotal(CostTiming.CASH).value().orElseThrow().amount(),
        new BigDecimal("3863.16"));
  }

  private static Ledger billed(PriceList list, List<UnitsNeeded> months, Offer offer) {
    Purchase purchase = Samples.purchase(plan("Plan", list), list, months, PriceRise.NONE);
    return Biller.bill(purchase.with(List.of(offer)), Optional.empty());
  }

  @Test
  public void c7WholeStaffPriceAgainstNamedSeats() {
    PriceList staff =
        list(
            BillingTerm.MONTHLY,
            new Charge.PerUnit("Staff", Measure.WHOLE_STAFF, Samples.eur("18"), UnitRule.PLAIN));
    PriceList named = list(BillingTerm.MONTHLY, seats("41"));
    Map<Measure, Demand> demands =
        Map.of(
            Measure.WHOLE_STAFF,
            new Demand(BigDecimal.valueOf(120), Map.of()),
            Measure.SEATS,
            new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)));
    Market market =
        new Market(
            new Fit(List.of()),
            demands,
            EUR,
            ExchangeRates.NONE,
            LocalDate.of(2026, 11, 24),
            Terms.ANY,
            java.util.Optional.empty(),
            new tertulia.core.time.Horizon(Samples.JAN_2027, 36));
    CostByHeadcount costs =
        CostByHeadcount.sweep(
            Map.of(
                "staff", List.of(offering(plan("Staff", staff))),
                "named", List.of(offering(plan("Named", named)))),
            market,
            new People(Map.of("g", 10), 1, 1),
            0,
            120);
    assertEquals(
        costs.leads(),
        List.of(
            new Lead(1, java.util.Optional.of("named")),
            new Lead(53, java.util.Optional.of("staff"))));
    assertEquals(costs.orderChanges("staff", "named"), List.of(53));
    BigDecimal equal = new BigDecimal(120 * 18).divide(new BigDecimal(41), 2, RoundingMode.HALF_UP);
    assertEquals(equal, new BigDecimal("52.68"));
  }

  @Test
  public void c8YearlyUpFrontWithAdditions() {
    List<UnitsNeeded> months = growing(37, 2, 12);
    Ledger yearly = bill(list(BillingTerm.YEARLY_UP_FRONT, seats("7.30")), months, PriceRise.NONE);
    assertEquals(
        due(yearly).subList(0, 4), List.of("m0 3241.20", "m1 160.60", "m2 146.00", "m3 131.40"));
    assertEquals(yearly.total(CostTiming.CASH), money("4204.80"));
    assertEquals(yearly.total(CostTiming.SPREAD), money("4204.80"));
    Ledger monthly = bill(list(BillingTerm.MONTHLY, seats("9.10")), months, PriceRise.NONE);
    assertEquals(monthly.total(CostTiming.SPREAD), money("5241.60"));
  }

  @Test
  public void c24AYearsSumIsKeptAsItWasStated() {
    List<UnitsNeeded> months = growing(250, 0, 12);
    Charge seats =
        new Charge.PerUnit("Seats", Measure.SEATS, Samples.aYear("100.00"), UnitRule.PLAIN);
    Ledger upFront = bill(list(BillingTerm.YEARLY_UP_FRONT, seats), months, PriceRise.NONE);
    assertEquals(due(upFront), List.of("m0 25000.00"));
    Ledger monthly = bill(list(BillingTerm.YEARLY_PAID_MONTHLY, seats), months, PriceRise.NONE);
    assertEquals(due(monthly).size(), 12);
    assertEquals(Set.copyOf(monthly.months(CostTiming.CASH)), Set.of(money("2083.33")));
    // 104.00 after a rise of 4 %, not 12 times 8.6667
    Ledger risen =
        bill(
            list(BillingTerm.YEARLY_UP_FRONT, seats),
            growing(250, 0, 24),
            PriceRise.ofPercent("4"));
    assertEquals(due(risen), List.of("m0 25000.00", "m12 26000.00"));
    // seven months of it: 250 × 100.00 × 7/12 = 14 583.33
    Ledger later =
        bill(
            list(BillingTerm.YEARLY_UP_FRONT, seats),
            seatsByMonth(0, 0, 0, 0, 0, 250, 250, 250, 250, 250, 250, 250),
            PriceRise.NONE);
    assertEquals(due(later), List.of("m5 14583.33"));
  }

  @Test
  public void c9SeasonUnderACommitmentWithAPriceRise() {
    List<UnitsNeeded> months =
        seatsByMonth(
            IntStream.range(0, 24)
                .mapToObj(m -> m % 12 >= 4 && m % 12 <= 8 ? 75 : 52)
                .toArray(Integer[]::new));
    PriceRise rise = PriceRise.ofPercent("4");
    Ledger yearly = bill(list(BillingTerm.YEARLY_UP_FRONT, seats("6.35")), months, rise);
    assertEquals(due(yearly), List.of("m0 3962.40", "m4 1168.40", "m12 4120.90", "m16 1215.14"));
    // 3 962.40 + 1 168.40 + 4 120.90 + 1 215.14, without a gap
    assertEquals(yearly.total(CostTiming.CASH), money("10466.84"));
    Ledger monthly = bill(list(BillingTerm.MONTHLY, seats("7.90")), months, rise);
    assertEquals(monthly.total(CostTiming.CASH), money("11909.71"));
  }

  @Test
  public void c10AdditionsUnderBands() {
    List<UnitsNeeded> months =
        seatsByMonth(
            IntStream.range(0, 12)
                .mapToObj(m -> m == 0 ? 25 : m == 1 ? 26 : 31)
                .toArray(Integer[]::new));
    Ledger whole =
        bill(list(BillingTerm.YEARLY_UP_FRONT, c4(BandMode.WHOLE)), months, PriceRise.NONE);
    assertEquals(due(whole), List.of("m0 2520.00", "m2 39.00"));
    Ledger sliced =
        bill(list(BillingTerm.YEARLY_UP_FRONT, c4(BandMode.SLICED)), months, PriceRise.NONE);
    assertEquals(due(sliced), List.of("m0 2520.00", "m1 75.90", "m2 345.00"));
  }

  @Test
  public void c11LeftoverMinorUnitsGoToTheEarliestMonths() {
    List<Money> shares = Arrays.asList(Rounding.spread(money("250.00"), 12));
    assertEquals(shares.subList(0, 4).stream().distinct().toList(), List.of(money("20.84")));
    assertEquals(shares.subList(4, 12).stream().distinct().toList(), List.of(money("20.83")));
  }

  @Test
  public void c17PublicRatingsShrunkTowardsAPrior() {
    Criterion.Ratings prior = new Criterion.Ratings(new BigDecimal("3.5"), BigDecimal.valueOf(50));
    assertEquals(shrunk("4.6", 180, prior), new BigDecimal("4.360870"));
    assertEquals(shrunk("4.9", 12, prior), new BigDecimal("3.770968"));
  }

  private static BigDecimal shrunk(String rating, int count, Criterion.Ratings prior) {
    return PublicRating.shrunk(
            List.of(new PublicRating(new BigDecimal(rating), count, Samples.PAGE)), prior)
        .setScale(6, RoundingMode.HALF_UP);
  }

  private static Charge.Banded c4(BandMode mode) {
    return banded(mode, band(25, "8.40", "0"), band(60, "6.90", "0"), band(null, "5.10", "0"));
  }

  private static List<Money> prices(Charge.Held charge, int... units) {
    return Arrays.stream(units)
        .mapToObj(u -> Rounding.toMinorUnit(MonthlyPrice.of(charge, u, TODAY), EUR))
        .toList();
  }

  private static List<Money> amounts(String... amounts) {
    return Arrays.stream(amounts).map(Samples::money).toList();
  }
}
