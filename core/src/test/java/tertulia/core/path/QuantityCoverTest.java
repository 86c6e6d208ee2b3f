package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.stream.LongStream;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Headroom;
import tertulia.core.fit.Offering;
import tertulia.core.fit.QuantityCover;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.Tool;
import tertulia.core.time.Horizon;

/** Quantities of which more is to be had outside, and what is there at the start of a sum. */
public class QuantityCoverTest {
  private static final Measure RUNS = Measure.AUTOMATION_RUNS;

  private static QuantityCover cover(Measure measure, long upTo, String monthly) {
    return new QuantityCover(
        measure,
        BigDecimal.valueOf(upTo),
        new ExternalCover(measure.label(), "a box on the quay", money(monthly)));
  }

  private static Market market(Map<Measure, Demand> demands, QuantityCover... covers) {
    return new Market(
        new Fit(List.of(), true, List.of(covers)),
        demands,
        EUR,
        new ExchangeRates(List.of()),
        LocalDate.of(2026, 11, 24),
        Terms.ANY,
        Optional.empty(),
        new Horizon(JAN_2027, 12));
  }

  private static Plan flat(String name, String price, Allowance.Limit limit) {
    return new Plan(
        name,
        name,
        new SeatRange(Measure.SEATS, 0, null),
        new PlanPrices.Listed(
            List.of(
                Samples.list(BillingTerm.MONTHLY, new Charge.Flat("Account", Samples.eur(price))))),
        Tax.NOT_INCLUDED,
        List.of(new Allowance(RUNS, limit, Samples.PAGE)),
        Samples.PAGE);
  }

  private static Allowance.Limit upTo(long most) {
    return new Allowance.Limit.Hard(
        new Included(BigDecimal.valueOf(most), BigDecimal.ZERO, Measure.SEATS));
  }

  private static List<Offering> offerings(Plan... plans) {
    return Offering.of(
        new Tool("tool", "Tool", "Maker", List.of(plans), List.of(), Optional.empty()), Map.of());
  }

  private static UnitsNeeded runs(long units) {
    return new UnitsNeeded(Map.of(RUNS.id(), BigDecimal.valueOf(units)), 0);
  }

  /**
   * Plans with monthly terms and a flat price: a month costs the least price of those that allow
   * enough, or that allow so little less that the cover makes up for it, with the cover's price.
   */
  @Test
  public void generatedWaysCostWhatEachMonthsCheapestCosts() {
    Random random = new Random(20261127);
    int covered = 0;
    int none = 0;
    for (int i = 0; i < 400; i++) {
      long[] most = random.longs(3, 10, 60).toArray();
      long[] price = random.longs(3, 1, 90).toArray();
      long upTo = random.nextLong(1, 40);
      long monthly = random.nextLong(0, 50);
      long[] used = random.longs(12, 0, 60).toArray();
      List<Offering> offerings =
          offerings(
              flat("A", price[0] + ".00", upTo(most[0])),
              flat("B", price[1] + ".00", upTo(most[1])),
              flat("C", price[2] + ".00", upTo(most[2])));
      Market market =
          market(
              Map.of(RUNS, new Demand(BigDecimal.ZERO, Map.of())),
              cover(RUNS, upTo, monthly + ".00"));
      OptionalLong[] each =
          LongStream.of(used)
              .mapToObj(units ->
                  LongStream.range(0, 3)
                      .mapToInt(Math::toIntExact)
                      .filter(p -> units <= most[p] + upTo)
                      .mapToLong(p -> price[p] + (units > most[p] ? monthly : 0))
                      .min())
              .toArray(OptionalLong[]::new);
      PlanPaths ways =
          PlanPaths.through(
              offerings,
              market,
              LongStream.of(used).mapToObj(QuantityCoverTest::runs).toList(),
              PriceRise.NONE,
              new Horizon(JAN_2027, 12),
              CostTiming.SPREAD,
              EarlyTerminationPolicy.CREDITED,
              money("0"));
      if (List.of(each).stream().anyMatch(OptionalLong::isEmpty)) {
        assertTrue(ways instanceof PlanPaths.Gap, "selection " + i);
        none++;
        continue;
      }
      PlanPath way = ((PlanPaths.Found) ways).best();
      long sum = List.of(each).stream().mapToLong(OptionalLong::getAsLong).sum();
      assertEquals(way.ledger().total(CostTiming.SPREAD), money(sum + ".00"), "selection " + i);
      covered +=
          way
                  .ledger()
                  .byKind(CostTiming.SPREAD)
                  .getOrDefault(InvoiceLine.Kind.OUTSIDE, List.of())
                  .stream()
                  .anyMatch(m -> m.isPositive())
              ? 1
              : 0;
      for (int m = 0; m < used.length; m++) {
        SteadyCost steady =
            ((Outcome.Found<SteadyCost>)
                    SteadyCost.cheapest(offerings, market, new EvaluationPoint(runs(used[m]), m)))
                .best();
        assertEquals(steady.money(), money(each[m].getAsLong() + ".00"));
        assertEquals(steady.explain().value().orElseThrow().amount(), steady.money().getAmount());
      }
    }
    assertTrue(covered > 100 && none > 20, covered + " covered, " + none + " without a way");
  }

  /** The sweep says at every headcount what the month for so many people says. */
  @Test
  public void theSweepAgreesWithTheMonthForSoMany() {
    Market market =
        market(
            Map.of(RUNS, new Demand(BigDecimal.TWO, Map.of("g", new BigDecimal("1.5")))),
            cover(RUNS, 25, "7.50"));
    List<Offering> offerings =
        offerings(flat("A", "10.00", upTo(20)), flat("B", "21.00", upTo(60)));
    CostByHeadcount sweep =
        CostByHeadcount.sweep(
            Map.of("tool", offerings), market, new People(Map.of("g", 1), 1, 1), 0, 80);
    for (int n = 1; n <= 80; n++) {
      int people = n;
      Optional<BigDecimal> swept =
          sweep.curve("tool").at(n).map(point -> point.money().getAmount());
      EvaluationPoint occasion = market.occasion(new People(Map.of("g", people), 1, 1), 0);
      Optional<BigDecimal> steady =
          SteadyCost.cheapest(offerings, market, occasion) instanceof Outcome.Found<SteadyCost> f
              ? Optional.of(f.best().money().getAmount())
              : Optional.empty();
      assertEquals(swept, steady, n + " people");
    }
  }

  @Test
  public void whatIsNotConfirmedIsHadOutsideAndPaidFor() {
    Plan open = flat("Open", "10.00", new Allowance.Limit.Unknown());
    Market market = market(Map.of(), cover(RUNS, 25, "7.50"));
    Offering offering = offerings(open).getFirst();
    PriceList list = open.lists(PlanPrices.End.HIGH).getFirst();
    assertTrue(market.fit().at(offering, list, runs(25), JAN_2027).qualifies());
    assertEquals(market.fit().quantitiesOutside(offering, list, runs(25), JAN_2027).size(), 1);
    assertTrue(!market.fit().at(offering, list, runs(26), JAN_2027).qualifies());
    assertEquals(market.fit().quantitiesOutside(offering, list, runs(26), JAN_2027), List.of());
    assertEquals(market.fit().quantitiesOutside(offering, list, runs(0), JAN_2027), List.of());
  }

  @Test
  public void theRoomSaysWhatIsCovered() {
    Plan small = flat("Small", "10.00", upTo(20));
    Offering offering = offerings(small).getFirst();
    PriceList list = small.lists(PlanPrices.End.HIGH).getFirst();
    List<QuantityCover> covers = List.of(cover(RUNS, 25, "7.50"));
    assertEquals(state(offering, list, covers, 10, 20), Headroom.State.LASTS);
    assertEquals(state(offering, list, covers, 10, 45), Headroom.State.COVERED);
    assertEquals(state(offering, list, covers, 30, 30), Headroom.State.COVERED);
    assertEquals(state(offering, list, covers, 30, 46), Headroom.State.RUNS_OUT);
    assertEquals(state(offering, list, covers, 46, 30), Headroom.State.OVER);
    assertEquals(state(offering, list, List.of(), 10, 45), Headroom.State.RUNS_OUT);
  }

  @Test
  public void theRoomSaysFromWhenItIsCoveredAndWhenThatEnds() {
    Plan small = flat("Small", "10.00", upTo(20));
    Headroom room =
        Headroom.of(
                offerings(small).getFirst(),
                small.lists(PlanPrices.End.HIGH).getFirst(),
                RUNS,
                List.of(runs(20), runs(21), runs(45), runs(46)),
                JAN_2027)
            .orElseThrow();
    assertEquals(room.runsOut(), java.util.OptionalInt.of(1));
    assertEquals(room.ends(), java.util.OptionalInt.of(1), "with nothing elsewhere");
    Headroom covered = room.with(List.of(cover(RUNS, 25, "7.50")));
    assertEquals(covered.runsOut(), java.util.OptionalInt.of(1));
    assertEquals(covered.ends(), java.util.OptionalInt.of(3));
  }

  private static Headroom.State state(
      Offering offering, PriceList list, List<QuantityCover> covers, long now, long later) {
    Headroom months =
        Headroom.of(offering, list, RUNS, List.of(runs(now), runs(later)), JAN_2027)
            .orElseThrow()
            .with(covers);
    return Headroom.of(offering, list, RUNS, List.of(runs(now)), JAN_2027)
        .orElseThrow()
        .with(covers)
        .state(months);
  }

  @Test
  public void aStockAtTheStartIsThereInEveryMonthAndOnTop() {
    Map<Measure, Demand> demands =
        Map.of(
            Measure.MESSAGES_KEPT,
            new Demand(BigDecimal.ONE, Map.of("g", new BigDecimal("0.5")))
                .onTopOf(new BigDecimal("100")));
    List<People> planned = new ArrayList<>();
    BigDecimal kept = new BigDecimal("100");
    List<BigDecimal> expected = new ArrayList<>();
    for (int people : List.of(3, 4, 9)) {
      planned.add(new People(Map.of("g", people), 1, 1));
      kept = kept.add(BigDecimal.valueOf((people + 1) / 2 + 1));
      expected.add(kept);
    }
    assertEquals(
        UnitsNeeded.byMonth(demands, planned).stream()
            .map(units -> units.amount(Measure.MESSAGES_KEPT).orElseThrow())
            .toList(),
        expected);
    assertEquals(
        UnitsNeeded.of(demands, planned.getFirst(), 4).amount(Measure.MESSAGES_KEPT).orElseThrow(),
        new BigDecimal("112"));
  }

  @Test
  public void peopleAreNotCoveredAndACoverHasAnEnd() {
    assertThrows(IllegalArgumentException.class, () -> cover(Measure.SEATS, 5, "1.00"));
    assertThrows(IllegalArgumentException.class, () -> cover(RUNS, 0, "1.00"));
    assertThrows(IllegalArgumentException.class, () -> cover(RUNS, 1_000_001, "1.00"));
  }
}
