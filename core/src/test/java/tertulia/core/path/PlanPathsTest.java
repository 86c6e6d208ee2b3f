package tertulia.core.path;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.capped;
import static tertulia.core.Samples.eur;
import static tertulia.core.Samples.growing;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.money;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;
import static tertulia.core.Samples.seatsByMonth;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.BilledTerm;
import tertulia.core.billing.Biller;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.billing.History;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.Purchase;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.AddOn;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.UnitRule;
import tertulia.core.time.Horizon;
import tertulia.core.time.MonthSpan;

/** The cheapest way through the plans: worked examples, laws, and full enumeration. */
public class PlanPathsTest {
  private static final Market MARKET =
      new Market(
          new Fit(List.of()),
          Map.of(),
          EUR,
          ExchangeRates.NONE,
          LocalDate.of(2026, 11, 24),
          Terms.ANY,
          Optional.empty(),
          new tertulia.core.time.Horizon(Samples.JAN_2027, 36));
  private static final Money NOTHING = Money.zero(EUR);

  private static PlanPaths ways(
      List<Offering> offerings,
      List<UnitsNeeded> months,
      CostTiming view,
      EarlyTerminationPolicy leaving) {
    return PlanPaths.through(
        offerings,
        MARKET,
        months,
        PriceRise.NONE,
        new Horizon(JAN_2027, months.size()),
        view,
        leaving,
        NOTHING);
  }

  private static PlanPath way(
      List<UnitsNeeded> months, CostTiming view, EarlyTerminationPolicy leaving, Plan... plans) {
    List<Offering> offerings = Arrays.stream(plans).map(Samples::offering).toList();
    return ((PlanPaths.Found) ways(offerings, months, view, leaving)).best();
  }

  /** Such as "Small, yearly, up front 0–12". */
  private static List<String> legs(PlanPath way) {
    return way.stretches().stream()
        .map(leg ->
            leg.option().label() + " " + leg.months().from() + "–" + (leg.months().end() - 1))
        .toList();
  }

  private static final Plan SMALL =
      capped(
          "Small",
          240,
          list(BillingTerm.MONTHLY, seats("6.40")),
          list(BillingTerm.YEARLY_UP_FRONT, seats("5.20")));
  private static final Plan LARGE =
      plan(
          "Large",
          list(BillingTerm.MONTHLY, seats("16.90")),
          list(BillingTerm.YEARLY_UP_FRONT, seats("13.60")));
  private static final List<UnitsNeeded> GROWING = growing(180, 5, 36);

  @Test
  public void c13ATermThatIsLeftIsCredited() {
    PlanPath way = way(GROWING, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, SMALL, LARGE);
    assertEquals(
        legs(way), List.of("Small, yearly, up front 0–12", "Large, yearly, up front 13–35"));
    assertEquals(way.ledger().total(CostTiming.SPREAD), money("108036.00"));
    assertEquals(way.ledger().pastHorizon(CostTiming.SPREAD), money("4828.00"));
    assertEquals(way.changes(), 1);
    assertEquals(
        way.ledger().explainTotal(CostTiming.SPREAD).value().orElseThrow().amount(),
        new java.math.BigDecimal("108036.00"));
    // eleven unused months of 240 seats at 5.20
    assertEquals(way.credited(), money("13728.00"));
  }

  @Test
  public void c13ATermThatIsLeftMayBeLost() {
    PlanPath way = way(GROWING, CostTiming.SPREAD, EarlyTerminationPolicy.LOST, SMALL, LARGE);
    assertEquals(
        legs(way),
        List.of(
            "Small, monthly 0–0", "Small, yearly, up front 1–12", "Large, yearly, up front 13–35"));
    assertEquals(way.ledger().total(CostTiming.SPREAD), money("108252.00"));
    assertEquals(way.credited(), NOTHING);
  }

  @Test
  public void c13InCash() {
    PlanPath way = way(GROWING, CostTiming.CASH, EarlyTerminationPolicy.CREDITED, SMALL, LARGE);
    assertEquals(
        legs(way), List.of("Small, yearly, up front 0–11", "Large, yearly, up front 12–35"));
    assertEquals(way.ledger().total(CostTiming.CASH), money("110052.00"));
  }

  @Test
  public void c13StayingOnOnePlanIsDearer() {
    Outcome<FixedPlan> stay =
        stay(List.of(Samples.offering(SMALL), Samples.offering(LARGE)), GROWING);
    Money total = ((Outcome.Found<FixedPlan>) stay).best().ledger().total(CostTiming.SPREAD);
    assertEquals(total, money("130968.00"));
    assertEquals(
        total.minus(
            way(GROWING, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, SMALL, LARGE)
                .ledger()
                .total(CostTiming.SPREAD)),
        money("22932.00"));
  }

  private static Outcome<FixedPlan> stay(List<Offering> offerings, List<UnitsNeeded> months) {
    return FixedPlan.cheapest(
        offerings,
        MARKET,
        months,
        PriceRise.NONE,
        new Horizon(JAN_2027, months.size()),
        CostTiming.SPREAD);
  }

  private static final List<UnitsNeeded> SEASON =
      seatsByMonth(
          IntStream.range(0, 24)
              .mapToObj(m -> m % 12 >= 4 && m % 12 <= 8 ? 75 : 52)
              .toArray(Integer[]::new));
  private static final PriceList BY_MONTH = list(BillingTerm.MONTHLY, seats("7.20"));
  private static final PriceList BY_YEAR = list(BillingTerm.YEARLY_UP_FRONT, seats("6.35"));

  @Test
  public void c14TheCommitmentIsBestBegunAfterThePeak() {
    PlanPath way =
        way(
            SEASON,
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            plan("Crew", BY_MONTH, BY_YEAR));
    assertEquals(legs(way), List.of("Crew, monthly 0–8", "Crew, yearly, up front 9–23"));
    assertEquals(way.ledger().total(CostTiming.SPREAD), money("9880.85"));
    assertEquals(way.ledger().pastHorizon(CostTiming.SPREAD), money("2971.80"));
    assertEquals(
        way(SEASON, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, plan("Crew", BY_MONTH))
            .ledger()
            .total(CostTiming.SPREAD),
        money("10641.60"));
    assertEquals(
        way(SEASON, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, plan("Crew", BY_YEAR))
            .ledger()
            .total(CostTiming.SPREAD),
        money("10261.60"));
  }

  @Test
  public void c14InCash() {
    PlanPath way =
        way(
            SEASON,
            CostTiming.CASH,
            EarlyTerminationPolicy.CREDITED,
            plan("Crew", BY_MONTH, BY_YEAR));
    assertEquals(
        legs(way),
        List.of("Crew, monthly 0–8", "Crew, yearly, up front 9–20", "Crew, monthly 21–23"));
    assertEquals(way.ledger().total(CostTiming.CASH), money("10013.45"));
  }

  @Test
  public void onEqualityFewerChangesThenFewerTermsThenCatalogueOrder() {
    Plan first = plan("First", list(BillingTerm.MONTHLY, seats("5")));
    Plan second =
        plan(
            "Second",
            list(BillingTerm.MONTHLY, seats("5")),
            list(BillingTerm.YEARLY_UP_FRONT, seats("5")));
    List<UnitsNeeded> still = growing(10, 0, 12);
    assertEquals(
        legs(way(still, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, first, second)),
        List.of("Second, yearly, up front 0–11"));
    Plan third = plan("Third", list(BillingTerm.MONTHLY, seats("5")));
    assertEquals(
        legs(way(still, CostTiming.SPREAD, EarlyTerminationPolicy.CREDITED, third, first)),
        List.of("Third, monthly 0–11"));
  }

  @Test
  public void aChangeOfPlanMayCostMoreThanItSaves() {
    Plan small = capped("Small", 12, list(BillingTerm.MONTHLY, seats("4")));
    Plan large = plan("Large", list(BillingTerm.MONTHLY, seats("5")));
    List<UnitsNeeded> months = growing(10, 1, 6);
    List<Offering> offerings = List.of(Samples.offering(small), Samples.offering(large));
    // 10 + 11 + 12 seats, one dearer each: 33 saved
    for (String hours : List.of("32.99", "33.00", "33.01")) {
      PlanPath way =
          ((PlanPaths.Found)
                  PlanPaths.through(
                      offerings,
                      MARKET,
                      months,
                      PriceRise.NONE,
                      new Horizon(JAN_2027, 6),
                      CostTiming.SPREAD,
                      EarlyTerminationPolicy.CREDITED,
                      money(hours)))
              .best();
      assertEquals(way.changes(), hours.equals("32.99") ? 1 : 0, hours);
    }
  }

  @Test
  public void aMonthInWhichNothingQualifiesIsNamedWithItsReason() {
    Plan small = capped("Small", 12, list(BillingTerm.MONTHLY, seats("4")));
    PlanPaths.Gap gap =
        (PlanPaths.Gap)
            ways(
                List.of(Samples.offering(small)),
                growing(10, 1, 6),
                CostTiming.SPREAD,
                EarlyTerminationPolicy.CREDITED);
    assertEquals(gap.month(), 3);
    assertEquals(
        Samples.verdict(gap.verdicts(), "Small, monthly").reasons().getFirst().sentence(),
        "seats: 13 of 12");
  }

  /** Every way there is, by trying all; the cheapest total. */
  private static Money enumerated(
      List<Option> options,
      List<Offer> offers,
      List<UnitsNeeded> months,
      CostTiming view,
      EarlyTerminationPolicy leaving) {
    Money best = null;
    for (List<Offer> used : OfferChoice.combinations(offers)) {
      Enumeration all = new Enumeration(options, used, months, view, leaving);
      all.from(0, List.of(), History.NONE, Optional.empty(), List.of());
      best = best == null || all.best.isLessThan(best) ? all.best : best;
    }
    return best;
  }

  private static final class Enumeration {
    private final List<Option> options;
    private final List<Offer> offers;
    private final List<UnitsNeeded> months;
    private final CostTiming view;
    private final EarlyTerminationPolicy leaving;
    private final Horizon horizon;
    private Money best;

    Enumeration(
        List<Option> options,
        List<Offer> offers,
        List<UnitsNeeded> months,
        CostTiming view,
        EarlyTerminationPolicy leaving) {
      this.options = options;
      this.offers = offers;
      this.months = months;
      this.view = view;
      this.leaving = leaving;
      this.horizon = new Horizon(JAN_2027, months.size());
    }

    void from(
        int m,
        List<BilledTerm> before,
        History history,
        Optional<Option> last,
        List<Invoice> closed) {
      if (m >= months.size()) {
        List<Invoice> all = new ArrayList<>(closed);
        history.close(Optional.empty(), months.size()).ifPresent(all::add);
        Money total = Biller.ledger(horizon, EUR, before, all).total(view);
        best = best == null || total.isLessThan(best) ? total : best;
        return;
      }
      for (Option option : options) {
        if (fits(option, m)) {
          List<Invoice> all = new ArrayList<>(closed);
          if (last.isPresent() && !last.get().plan().id().equals(option.plan().id())) {
            history.close(Optional.empty(), months.size()).ifPresent(all::add);
          }
          int end = m + option.list().term().monthsCommitted();
          int leave = m + 1;
          while (leave < Math.min(end, months.size()) && fits(option, leave)) {
            leave++;
          }
          int left = leave < Math.min(end, months.size()) ? leave : end;
          BilledTerm billed =
              Biller.bill(
                  purchase(option),
                  new MonthSpan(m, end),
                  left,
                  leaving,
                  history,
                  Optional.empty());
          List<BilledTerm> terms = new ArrayList<>(before);
          terms.add(billed);
          from(left, terms, billed.after(), Optional.of(option), all);
        }
      }
    }

    private boolean fits(Option option, int m) {
      return new Fit(List.of())
          .at(option.offering(), option.list(), months.get(m), Samples.JAN_2027.plusMonths(m))
          .qualifies();
    }

    private Purchase purchase(Option option) {
      Purchase plain = Samples.purchase(option.plan(), option.list(), months, PriceRise.NONE);
      return plain.with(
          offers.stream().filter(o -> o.refusal(plain.buyer(false)).isEmpty()).toList());
    }
  }

  private static Charge.OneOff setup(String price, boolean each) {
    return new Charge.OneOff(
        "Setting up", eur(price), each ? Optional.of(Measure.SEATS) : Optional.empty());
  }

  private static PriceList withMinimum(PriceList list, String least) {
    return new PriceList(
        list.term(), list.currency(), list.charges(), List.of(), Optional.of(eur(least)));
  }

  private static Offer offer(String name, Offer.Benefit benefit, Integer months, String group) {
    return new Offer(name, benefit, months, Offer.Conditions.NONE, group, Set.of());
  }

  @Test
  public void theWayFoundIsTheCheapestOfAll() {
    Random random = new Random(20261125);
    int left = 0;
    for (int round = 0; round < 120; round++) {
      int horizon = 5 + random.nextInt(4);
      Plan small = small(random);
      Plan large = large(random);
      List<Offer> offers = offers(random);
      List<Offering> offerings =
          List.of(
              new Offering(small, Map.of(), offers, Optional.empty()),
              new Offering(large, Map.of(), offers, Optional.empty()));
      List<UnitsNeeded> months = months(random, horizon);
      CostTiming view = random.nextBoolean() ? CostTiming.SPREAD : CostTiming.CASH;
      EarlyTerminationPolicy leaving =
          random.nextBoolean() ? EarlyTerminationPolicy.CREDITED : EarlyTerminationPolicy.LOST;
      PlanPath found = ((PlanPaths.Found) ways(offerings, months, view, leaving)).best();
      List<Option> options = new ArrayList<>();
      for (Offering offering : offerings) {
        offering
            .plan()
            .lists(tertulia.core.pricing.PlanPrices.End.HIGH)
            .forEach(list -> options.add(Option.of(offering, list, new Fit(List.of()))));
      }
      assertEquals(
          found.ledger().total(view),
          enumerated(options, offers, months, view, leaving),
          "round " + round);
      left += found.legs().stream().anyMatch(leg -> leg.isLeftEarly(horizon)) ? 1 : 0;
      if (stay(offerings, months) instanceof Outcome.Found<FixedPlan> stay
          && view == CostTiming.SPREAD) {
        assertTrue(
            !found.ledger().total(view).isGreaterThan(stay.best().ledger().total(view)),
            "staying is a way, too: round " + round);
      }
    }
    assertTrue(left > 3, "some terms were left early: " + left);
  }

  /** Yearly minimums that are reached or not, over the end of their first year. */
  @Test
  public void withYearlyMinimumsToo() {
    Random random = new Random(20261126);
    int owed = 0;
    for (int round = 0; round < 25; round++) {
      int horizon = 12 + random.nextInt(3);
      String least = "" + (900 + 50 * random.nextInt(20));
      Plan minimum =
          plan(
              "Minimum",
              withMinimum(list(BillingTerm.MONTHLY, seats(6 + random.nextInt(3) + ".90")), least),
              withMinimum(
                  list(BillingTerm.YEARLY_PAID_MONTHLY, seats(5 + random.nextInt(2) + ".10")),
                  "" + (900 + 50 * random.nextInt(20))));
      Plan first = capped("First", 9 + random.nextInt(4), list(BillingTerm.MONTHLY, seats("7.30")));
      List<Offering> offerings =
          List.of(
              new Offering(first, Map.of(), List.of(), Optional.empty()),
              new Offering(minimum, Map.of(), List.of(), Optional.empty()));
      List<UnitsNeeded> months = months(random, horizon);
      CostTiming view = random.nextBoolean() ? CostTiming.SPREAD : CostTiming.CASH;
      EarlyTerminationPolicy leaving =
          random.nextBoolean() ? EarlyTerminationPolicy.CREDITED : EarlyTerminationPolicy.LOST;
      PlanPath found = ((PlanPaths.Found) ways(offerings, months, view, leaving)).best();
      List<Option> options =
          offerings.stream()
              .flatMap(offering ->
                  offering.plan().lists(tertulia.core.pricing.PlanPrices.End.HIGH).stream()
                      .map(list -> Option.of(offering, list, new Fit(List.of()))))
              .toList();
      assertEquals(
          found.ledger().total(view),
          enumerated(options, List.of(), months, view, leaving),
          "round " + round);
      owed += found.minimums().stream().anyMatch(year -> !year.line().amount().isZero()) ? 1 : 0;
    }
    assertTrue(owed > 3, "minimums were owed: " + owed);
  }

  private static final List<String> ADD_ONS = List.of("Gate", "Audit", "Archive");

  /** A market in which three musts ask for an add-on each. */
  private static Market askingForAddOns() {
    return new Market(
        new Fit(
            ADD_ONS.stream()
                .map(name -> new Need(new Capability(name, name), new Importance.Must(false)))
                .toList()),
        Map.of(),
        EUR,
        ExchangeRates.NONE,
        LocalDate.of(2026, 11, 24),
        Terms.ANY,
        Optional.empty(),
        new Horizon(Samples.JAN_2027, 36));
  }

  private static AddOn addOn(String name, CurrencyUnit currency) {
    return new AddOn(
        name,
        List.of(
            new Charge.PerUnit(
                name, Measure.SEATS, UnitPrice.of(currency.getCode(), "0.35"), UnitRule.PLAIN)));
  }

  /** Many terms with add-ons and yearly minimums over ten years come to an end. */
  @Test(dataProvider = "currencies")
  public void aLargePageOverTenYearsComesToAnEnd(CurrencyUnit currency, boolean offers) {
    List<Plan> plans = new ArrayList<>();
    for (int p = 0; p < 6; p++) {
      List<PriceList> lists = new ArrayList<>();
      for (BillingTerm term :
          List.of(
              BillingTerm.MONTHLY,
              BillingTerm.YEARLY_PAID_MONTHLY,
              BillingTerm.YEARLY_UP_FRONT,
              new BillingTerm(24, BillingTerm.Payment.UP_FRONT))) {
        lists.add(
            new PriceList(
                term,
                currency,
                List.of(
                    new Charge.PerUnit(
                        "Seats",
                        Measure.SEATS,
                        UnitPrice.of(currency.getCode(), (7 + p) + "." + (10 + 7 * lists.size())),
                        UnitRule.PLAIN)),
                ADD_ONS.stream().map(name -> addOn(name, currency)).toList(),
                Optional.of(UnitPrice.of(currency.getCode(), "" + (4000 + 900 * p)))));
      }
      plans.add(capped("Plan " + p, 40 + 25 * p, lists.toArray(new PriceList[0])));
    }
    List<Offer> off =
        offers
            ? List.of(
                offer("Off", new Offer.Benefit.Percent(new java.math.BigDecimal("0.10")), 3, null),
                offer("Less", new Offer.Benefit.AmountOff(eur("25"), 2), null, null))
            : List.of();
    Map<String, Fact> facts = new TreeMap<>();
    ADD_ONS.forEach(name -> facts.put(name, new Fact(Answer.BY_ADD_ON, name, Samples.PAGE)));
    List<Offering> offerings =
        plans.stream().map(plan -> new Offering(plan, facts, off, Optional.empty())).toList();
    PlanPaths ways =
        PlanPaths.through(
            offerings,
            askingForAddOns(),
            growing(20, 1, 120),
            PriceRise.NONE,
            new Horizon(JAN_2027, 120),
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            NOTHING);
    PlanPath best = ((PlanPaths.Found) ways).best();
    assertTrue(best.label().contains(" with Gate and Audit and Archive"), best.label());
  }

  @Test
  public void moreWaysThanCanBeComparedHaveNoFigureAndSaySo() {
    PathFinder.Setting setting =
        new PathFinder.Setting(
            MARKET,
            SEASON,
            PriceRise.NONE,
            new Horizon(JAN_2027, SEASON.size()),
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED,
            NOTHING);
    Field field =
        Field.of(
            Candidates.of(List.of(Samples.offering(plan("Crew", BY_MONTH, BY_YEAR))), MARKET)
                .high(),
            setting);
    PathFinder.cheapest(field.options(), field.qualifies(), setting, 100);
    org.testng.Assert.expectThrows(
        TooManyPaths.class,
        () -> PathFinder.cheapest(field.options(), field.qualifies(), setting, 40));
    PlanPaths.Gap gap = field.without(new NoFigure.TooManyPaths());
    assertTrue(gap.isUnpriced());
    assertTrue(
        gap.leftOut().getFirst().why().words().contains("more paths through its plans"),
        gap.toString());
  }

  @DataProvider
  public Object[][] currencies() {
    return new Object[][] {{EUR, false}, {EUR, true}};
  }

  private static Plan small(Random random) {
    PriceList monthly =
        list(
            BillingTerm.MONTHLY,
            seats(4 + random.nextInt(4) + ".50", new UnitRule(random.nextInt(3), 1, 0)));
    PriceList yearly = list(BillingTerm.YEARLY_UP_FRONT, seats(3 + random.nextInt(3) + ".30"));
    return capped("Small", 14 + random.nextInt(8), monthly, yearly);
  }

  private static Plan large(Random random) {
    List<Charge> charges = new ArrayList<>();
    charges.add(seats(6 + random.nextInt(3) + ".90"));
    List<Charge> byTheYear = new ArrayList<>();
    if (random.nextBoolean()) {
      boolean each = random.nextBoolean();
      charges.add(setup("40", each));
      // by the year it is said not to be charged
      byTheYear.add(setup("0", each));
    }
    PriceList monthly = list(BillingTerm.MONTHLY, charges.toArray(new Charge[0]));
    BillingTerm term =
        random.nextBoolean() ? BillingTerm.YEARLY_UP_FRONT : BillingTerm.YEARLY_PAID_MONTHLY;
    byTheYear.add(seats(5 + random.nextInt(2) + ".10"));
    PriceList yearly = list(term, byTheYear.toArray(new Charge[0]));
    boolean minimum = random.nextInt(3) == 0;
    return plan(
        "Large",
        minimum ? withMinimum(monthly, "1500") : monthly,
        minimum ? withMinimum(yearly, "1400") : yearly);
  }

  private static List<Offer> offers(Random random) {
    return switch (random.nextInt(3)) {
      case 0 -> List.of();
      case 1 ->
          List.of(
              offer("Free", new Offer.Benefit.Free(), 1, "welcome"),
              offer(
                  "Third",
                  new Offer.Benefit.Percent(new java.math.BigDecimal("0.33")),
                  4,
                  "welcome"));
      default -> List.of(offer("Off", new Offer.Benefit.AmountOff(eur("25"), 2), null, null));
    };
  }

  /** Sums for so many different numbers of months that their common part is beyond a long. */
  @Test
  public void whatNoWholeNumberHoldsIsAddedUpExactly() {
    List<Integer> stated = List.of(59, 53, 47, 43, 41, 37, 31, 29, 23, 19, 17, 13);
    Charge[] charges =
        stated.stream()
            .map(months ->
                new Charge.PerUnit(
                    "For " + months,
                    Measure.SEATS,
                    new UnitPrice(EUR, new java.math.BigDecimal("100"), months),
                    UnitRule.PLAIN))
            .toArray(Charge[]::new);
    // cents a month for 7 seats, half up
    long cents = stated.stream().mapToLong(months -> (2 * 70_000L + months) / (2L * months)).sum();
    assertTotal(list(BillingTerm.MONTHLY, charges), 7, Money.ofMinor(EUR, 24 * cents));
  }

  @Test
  public void theMostThatCanBeTypedIsAddedUpWhateverItIsStatedFor() {
    UnitPrice most = UnitPrice.typed(EUR, UnitPrice.MOST, 60);
    UnitPrice other = new UnitPrice(EUR, new java.math.BigDecimal("59"), 59);
    assertTotal(
        list(
            BillingTerm.MONTHLY,
            new Charge.PerUnit("Seats", Measure.SEATS, most, UnitRule.PLAIN),
            new Charge.PerUnit("Support", Measure.SEATS, other, UnitRule.PLAIN)),
        90_000,
        Money.of(EUR, new java.math.BigDecimal("36000002160000.00")));
  }

  private static void assertTotal(PriceList list, int seats, Money total) {
    PlanPaths ways =
        ways(
            List.of(Samples.offering(plan("Plan", list))),
            growing(seats, 0, 24),
            CostTiming.SPREAD,
            EarlyTerminationPolicy.CREDITED);
    assertEquals(((PlanPaths.Found) ways).best().ledger().total(CostTiming.SPREAD), total);
  }

  private static List<UnitsNeeded> months(Random random, int horizon) {
    int first = 8 + random.nextInt(8);
    int step = random.nextInt(4);
    return IntStream.range(0, horizon)
        .mapToObj(m -> Samples.seatsNeeded(first + step * m + random.nextInt(3)))
        .toList();
  }
}
