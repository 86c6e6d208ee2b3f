package tertulia.core.pricing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.banded;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.growth.Measure;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;

public class ChargeTest {
  private static final PriceBasis TODAY =
      PriceBasis.today(Samples.plan("Plan", Samples.list(BillingTerm.MONTHLY)));

  /** Slice by slice, unit by unit: the definition written down a second way. */
  private static BigDecimal unitByUnit(Charge.Banded bands, int units) {
    BigDecimal sum = BigDecimal.ZERO;
    int before = 0;
    for (Band band : bands.bands()) {
      int last = band.end().orElse(Integer.MAX_VALUE);
      boolean reached = units > before;
      boolean fallsIn = reached && units <= last;
      for (int unit = before + 1; unit <= Math.min(units, last); unit++) {
        sum = bands.mode() == BandMode.SLICED ? sum.add(band.unitPrice().amount()) : sum;
      }
      if (bands.mode() == BandMode.SLICED && reached) {
        sum = sum.add(band.flatPrice().amount());
      }
      if (bands.mode() == BandMode.WHOLE && fallsIn) {
        sum =
            band.unitPrice()
                .amount()
                .multiply(BigDecimal.valueOf(units))
                .add(band.flatPrice().amount());
      }
      before = last;
    }
    return sum;
  }

  private static Charge.Banded random(Random dice, BandMode mode) {
    List<Band> bands = new ArrayList<>();
    int end = 0;
    int count = 1 + dice.nextInt(4);
    for (int i = 0; i < count; i++) {
      end += 1 + dice.nextInt(12);
      boolean last = i == count - 1;
      String each = dice.nextInt(12) + "." + dice.nextInt(10);
      String flat = dice.nextBoolean() ? "0" : "" + dice.nextInt(90);
      bands.add(band(last ? null : end, each, flat));
    }
    return banded(mode, bands.toArray(Band[]::new));
  }

  @Test
  public void bandsAgreeWithCountingUnitByUnit() {
    Random dice = new Random(41);
    for (int round = 0; round < 300; round++) {
      for (BandMode mode : BandMode.values()) {
        Charge.Banded charge = random(dice, mode);
        for (int units = 0; units <= 50; units++) {
          BigDecimal computed = MonthlyPrice.of(charge, units, TODAY);
          assertEquals(computed.compareTo(unitByUnit(charge, units)), 0, charge + " at " + units);
          BigDecimal explained =
              MonthlyPrice.explain(charge, units, TODAY).value().orElseThrow().amount();
          assertEquals(explained.compareTo(computed), 0, "the working says something else");
        }
      }
    }
  }

  @Test
  public void unitsAgreeWithTheirDefinition() {
    for (int minimum = 0; minimum <= 7; minimum++) {
      for (int pack = 1; pack <= 6; pack++) {
        for (int included = 0; included <= 5; included++) {
          UnitRule rule = new UnitRule(minimum, pack, included);
          for (int demand = 0; demand <= 20; demand++) {
            int wanted = Math.max(minimum, Math.max(0, demand - included));
            int paid = rule.paidUnits(demand);
            assertEquals(paid % pack, 0);
            assertEquals(paid >= wanted && paid - pack < wanted, true, rule + " at " + demand);
          }
        }
      }
    }
  }

  @Test
  public void theLowerEndOfARangeIsPaidForAndIncludedUnitsCountTowardsIt() {
    Charge.PerUnit plain = seats("4");
    Plan ranged =
        new Plan(
            "p",
            "Plan",
            new SeatRange(Measure.SEATS, 12, null),
            new PlanPrices.Listed(List.of(list(BillingTerm.MONTHLY, plain))),
            Samples.PAGE);
    assertEquals(ranged.paidUnits(plain, 3), 12);
    assertEquals(ranged.paidUnits(plain, 20), 20);
    assertEquals(ranged.paidUnits(seats("4", new UnitRule(0, 1, 10)), 3), 2);
    Charge.PerUnit calendars =
        new Charge.PerUnit("Calendars", Measure.CALENDARS, eur("2"), UnitRule.PLAIN);
    assertEquals(ranged.paidUnits(calendars, 3), 3);
  }

  @Test
  public void listPricesRiseToFourDecimalsHalfUp() {
    PriceBasis twice = new PriceBasis(Samples.PAGE, Tax.NOT_INCLUDED, PriceRise.ofPercent("4"), 2);
    assertEquals(twice.price(eur("6.35")).amount(), new BigDecimal("6.8682"));
    assertEquals(
        twice.explain("price", eur("6.35")).value().orElseThrow().amount(),
        new BigDecimal("6.8682"));
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] {
      {
        (Runnable) () -> banded(BandMode.WHOLE, band(60, "1", "0"), band(50, "1", "0")),
        "Band 2 ends at 50 units but band 1 ends at 60. Reorder the bands."
      },
      {
        (Runnable) () -> banded(BandMode.WHOLE, band(null, "1", "0"), band(50, "1", "0")),
        "Band 1 has no end but band 2 follows. Give it an end or make it the last."
      },
      {(Runnable) () -> eur("-1"), "A price cannot be below 0; found -1. Enter 0 or more."},
      {(Runnable) () -> eur("1.23456"), "A price has at most 4 decimals; found 1.23456. Round it."},
      {
        (Runnable) () -> UnitPrice.typed(CurrencyUnit.EUR, new BigDecimal("10000000000"), 1),
        "A price cannot be above 1,000,000,000; found 10000000000. Check the decimal point."
      },
      {(Runnable) () -> new UnitRule(0, 0, 0), "A pack lies between 1 and 100,000; found 0."},
      {
        (Runnable) () -> new BillingTerm(13, BillingTerm.Payment.MONTHLY),
        "A term commits for 1, 12, 24 or 36 months; found 13."
      },
      {
        (Runnable) () -> capped("Plan", 0, list(BillingTerm.MONTHLY, seats("1"))),
        "The most seats of a plan is at least 1 and not below the least (0); found 0. Leave it"
            + " empty if there is no cap."
      },
      {
        (Runnable)
            () ->
                new PriceList(
                    BillingTerm.MONTHLY,
                    Samples.EUR,
                    List.of(new Charge.Flat("Account", UnitPrice.of("GBP", "3")))),
        "Charge \"Account\" is in GBP but the price list is in EUR. One price list has one"
            + " currency."
      },
      {
        (Runnable)
            () ->
                plan(
                    "Twice",
                    list(BillingTerm.MONTHLY, seats("1")),
                    list(BillingTerm.MONTHLY, seats("2"))),
        "A plan has one price list for each term."
      },
    };
  }

  @Test(dataProvider = "refused")
  public void whatMakesNoSenseIsRefusedWithASentence(Runnable attempt, String message) {
    assertEquals(expectThrows(IllegalArgumentException.class, attempt::run).getMessage(), message);
  }
}
