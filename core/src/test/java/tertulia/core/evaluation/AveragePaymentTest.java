package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.HeadcountFindings;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRate;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByQuantity;
import tertulia.core.path.Dimension;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

/** Costs by how much a payment is on average, against the same with that payment stated. */
public class AveragePaymentTest {
  private static final CurrencyUnit GBP = CurrencyUnit.GBP;

  private static Contender tool(String id, PriceList... lists) {
    return new Contender(
        new Tool(id, id, "Maker", List.of(Samples.plan("Plan", lists))), Map.of(), List.of(), null);
  }

  private static Charge.PaymentFee fee(CurrencyUnit currency, String share, String fixed) {
    return new Charge.PaymentFee(
        "Payments",
        Measure.CARD_PAYMENTS,
        new BigDecimal(share),
        new UnitPrice(currency, new BigDecimal(fixed)));
  }

  private static Selection of(Optional<BigDecimal> average, List<Contender> contenders) {
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2026, 11, 24),
        new Horizon(Samples.JAN_2027, 12),
        Samples.EUR,
        PriceRise.NONE,
        List.of(new Group("g", "All", new Growth.Hires(20, BigDecimal.ZERO), List.of())),
        Map.of(
            Measure.SEATS,
            new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE)),
            Measure.CARD_PAYMENTS,
            new Demand(new BigDecimal("310"), Map.of())),
        average,
        List.of(),
        List.of(),
        contenders,
        new Panel(List.of()),
        new ExchangeRates(
            List.of(
                new ExchangeRate(
                    Samples.EUR, GBP, new BigDecimal("0.8431"), LocalDate.of(2026, 11, 20), "bank"),
                new ExchangeRate(
                    GBP,
                    Samples.EUR,
                    new BigDecimal("1.1860"),
                    LocalDate.of(2026, 11, 20),
                    "bank"))));
  }

  /** C6 and one that takes no share: 741.75 a month at 83.50, so 3.5 for each by 310 × 0.0265. */
  private static final List<Contender> TWO =
      List.of(
          tool("share", Samples.list(BillingTerm.MONTHLY, fee(Samples.EUR, "0.0265", "0.18"))),
          tool("seats", Samples.list(BillingTerm.MONTHLY, Samples.seats("20.00"))));

  @Test
  public void theCrossingIsWhereTheShareOutgrowsTheSeats() {
    Costs costs = Costs.of(of(Optional.of(new BigDecimal("83.50")), TWO), WhatIf.START);
    assertEquals(costs.now().monthly("share").orElseThrow().high(), Samples.money("741.75"));
    CostByQuantity swept = costs.curves().costBy(new Dimension.AveragePayment()).orElseThrow();
    assertEquals(swept.step(), 1);
    // 55.80 + 8.215 a euro passes 400.00 between 41 (392.62) and 42 (400.83)
    assertEquals(swept.points().orderChanges("share", "seats"), List.of(42));
    assertEquals(swept.points().most(), 168, "twice the average, up to the next whole");
    CostFinding.CheapestByQuantity finding =
        (CostFinding.CheapestByQuantity) new HeadcountFindings(costs).byQuantity(swept);
    assertEquals(finding.dimension(), new Dimension.AveragePayment());
    assertEquals(finding.stretches().getFirst().to(), 41);
    assertEquals(finding.stretches().getFirst().tool(), Optional.of("share"));
  }

  @Test
  public void whatIsNotKnownIsSweptAllTheSame() {
    Costs costs = Costs.of(of(Optional.empty(), TWO), WhatIf.START);
    assertTrue(costs.now().monthly("share").isEmpty(), "nobody said how much a payment is");
    CostByQuantity swept = costs.curves().costBy(new Dimension.AveragePayment()).orElseThrow();
    assertEquals(swept.points().most(), 20);
    assertEquals(swept.points().curve("share").at(10).orElseThrow().money(), eur("137.95"));
    Costs stated = Costs.of(costs.selection(), WhatIf.START.paying(BigDecimal.TEN));
    assertEquals(stated.now().monthly("share").orElseThrow().high(), eur("137.95"));
  }

  @Test
  public void aPaymentOutOfRangeIsRefused() {
    assertThrows(
        IllegalArgumentException.class, () -> WhatIf.START.paying(new BigDecimal("1000001")));
    assertThrows(
        IllegalArgumentException.class, () -> WhatIf.START.paying(BigDecimal.ONE.negate()));
  }

  private static Money eur(String amount) {
    return Samples.money(amount);
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Contender generated(int t, Random random) {
    CurrencyUnit currency = random.nextInt(3) == 0 ? GBP : Samples.EUR;
    List<Charge> charges = new ArrayList<>();
    charges.add(
        new Charge.PerUnit(
            "Seats",
            Measure.SEATS,
            new UnitPrice(currency, new BigDecimal(1 + random.nextInt(12))),
            tertulia.core.pricing.UnitRule.PLAIN));
    if (random.nextInt(4) > 0) {
      String share = random.nextInt(4) == 0 ? "0" : "0.0" + (100 + random.nextInt(300));
      charges.add(fee(currency, share, "0." + (10 + random.nextInt(40))));
    }
    PriceList list = new PriceList(BillingTerm.MONTHLY, currency, charges);
    return tool("t" + t, list);
  }

  @Test(dataProvider = "seeds")
  public void everyPointIsTheCostWithThatPaymentStated(int seed) {
    Random random = new Random(977L * seed + 5);
    List<Contender> contenders =
        IntStream.range(0, 2 + random.nextInt(3)).mapToObj(t -> generated(t, random)).toList();
    Optional<BigDecimal> average =
        seed % 4 == 0
            ? Optional.empty()
            : Optional.of(BigDecimal.valueOf(100 + random.nextInt(8_000), 2));
    Selection selection = of(average, contenders);
    Costs costs = Costs.of(selection, WhatIf.START);
    CostByQuantity swept = costs.curves().costBy(new Dimension.AveragePayment()).orElseThrow();
    List<String> leads = new ArrayList<>();
    for (int n = 1; n <= swept.points().most(); n++) {
      Costs stated = Costs.of(selection, WhatIf.START.paying(BigDecimal.valueOf(n)));
      for (Contender contender : contenders) {
        assertEquals(
            swept.points().curve(contender.id()).at(n).map(CostByHeadcount.Point::money),
            stated.now().monthly(contender.id()).map(Amount::high),
            contender.id() + " at " + n);
      }
      String lead = stated.now().orderByCost().getFirst();
      if (leads.isEmpty() || isCheaper(stated, lead, leads.getLast())) {
        leads.add(lead);
      }
    }
    assertEquals(
        swept.points().leads().stream().map(lead -> lead.tool().orElseThrow()).toList(), leads);
  }

  private static boolean isCheaper(Costs costs, String one, String other) {
    return costs
        .now()
        .monthly(one)
        .orElseThrow()
        .high()
        .isLessThan(costs.now().monthly(other).orElseThrow().high());
  }
}
