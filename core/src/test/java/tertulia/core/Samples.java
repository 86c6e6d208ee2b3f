package tertulia.core;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.path.OptionName;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** Short ways to write down plans and demand in tests. */
public final class Samples {
  public static final CurrencyUnit EUR = CurrencyUnit.EUR;
  public static final YearMonth JAN_2027 = YearMonth.of(2027, 1);
  public static final Provenance PAGE =
      Provenance.of(LocalDate.of(2026, 11, 12), Ground.MAKERS_CLAIM);

  private Samples() {}

  public static UnitPrice eur(String amount) {
    return UnitPrice.of("EUR", amount);
  }

  /** So much for a year. */
  public static UnitPrice aYear(String amount) {
    return new UnitPrice(EUR, new BigDecimal(amount), 12);
  }

  public static Money money(String amount) {
    return Money.of(EUR, new BigDecimal(amount));
  }

  public static Charge.PerUnit seats(String price) {
    return seats(price, UnitRule.PLAIN);
  }

  public static Charge.PerUnit seats(String price, UnitRule rule) {
    return new Charge.PerUnit("Seats", Measure.SEATS, eur(price), rule);
  }

  public static Band band(@Nullable Integer upTo, String unit, String flat) {
    return new Band(upTo, eur(unit), eur(flat));
  }

  public static Charge.Banded banded(BandMode mode, Band... bands) {
    return new Charge.Banded("Seats", Measure.SEATS, mode, List.of(bands), UnitRule.PLAIN);
  }

  public static PriceList list(BillingTerm term, Charge... charges) {
    return new PriceList(term, EUR, List.of(charges));
  }

  public static Plan plan(String name, PriceList... lists) {
    return capped(name, null, lists);
  }

  public static Plan capped(String name, @Nullable Integer most, PriceList... lists) {
    return new Plan(
        name.toLowerCase(),
        name,
        new SeatRange(Measure.SEATS, 0, most),
        new PlanPrices.Listed(List.of(lists)),
        PAGE);
  }

  public static Offering offering(Plan plan) {
    return new Offering(plan, Map.of());
  }

  public static UnitsNeeded seatsNeeded(int seats) {
    return UnitsNeeded.whole(Map.of(Measure.SEATS.id(), seats));
  }

  /** One entry a month: first, first + step, … */
  public static List<UnitsNeeded> growing(int first, int step, int months) {
    return IntStream.range(0, months).mapToObj(m -> seatsNeeded(first + step * m)).toList();
  }

  public static List<UnitsNeeded> seatsByMonth(Integer... seats) {
    return Arrays.stream(seats).map(Samples::seatsNeeded).toList();
  }

  public static Ledger bill(PriceList list, List<UnitsNeeded> months, PriceRise rise) {
    return bill(plan("Plan", list), list, months, rise);
  }

  public static Ledger bill(Plan plan, PriceList list, List<UnitsNeeded> months, PriceRise rise) {
    return Biller.bill(purchase(plan, list, months, rise), Optional.empty());
  }

  /** A purchase without offers, nothing owned. */
  public static Purchase purchase(
      Plan plan, PriceList list, List<UnitsNeeded> months, PriceRise rise) {
    return new Purchase(
        plan,
        list,
        months,
        rise,
        new Horizon(JAN_2027, months.size()),
        Optional.empty(),
        List.of(),
        Optional.empty());
  }

  /** Amounts falling due by month, without the months in which nothing does. */
  public static List<String> due(Ledger ledger) {
    List<String> due = new ArrayList<>();
    List<Money> cash = ledger.months(CostTiming.CASH);
    for (int m = 0; m < cash.size(); m++) {
      if (!cash.get(m).isZero()) {
        due.add("m" + m + " " + cash.get(m).getAmount().toPlainString());
      }
    }
    return due;
  }

  /** What is said of the option with this label. */
  public static Verdict verdict(Map<OptionName, Verdict> verdicts, String label) {
    return verdicts.entrySet().stream()
        .filter(entry -> entry.getKey().label().equals(label))
        .findFirst()
        .orElseThrow()
        .getValue();
  }
}
