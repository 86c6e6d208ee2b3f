package tertulia.core.fit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.PAGE;
import static tertulia.core.Samples.band;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import tertulia.core.Samples;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tax;
import tertulia.core.pricing.UnitRule;

public class HeadroomTest {
  private static final Measure RUNS =
      Measure.KNOWN.stream()
          .filter(m -> m.id().equals("automation-runs"))
          .findFirst()
          .orElseThrow();
  private static final Fit NO_NEEDS = new Fit(List.of());

  private static Offering offering(@Nullable Integer cap, List<Allowance> allowances, PriceList l) {
    return new Offering(
        new Plan(
            "p",
            "Plan",
            new SeatRange(Measure.SEATS, 0, cap),
            new PlanPrices.Listed(List.of(l)),
            Tax.NOT_INCLUDED,
            allowances,
            PAGE),
        Map.of());
  }

  private static UnitsNeeded needed(int seats, int runs) {
    return UnitsNeeded.whole(Map.of(Measure.SEATS.id(), seats, RUNS.id(), runs));
  }

  private static Allowance upTo(String perAccount, String perSeat) {
    return new Allowance(
        RUNS,
        new Allowance.Limit.Hard(
            new Included(new BigDecimal(perAccount), new BigDecimal(perSeat), Measure.SEATS)),
        PAGE);
  }

  private static PriceList monthly(Charge... charges) {
    return new PriceList(BillingTerm.MONTHLY, EUR, List.of(charges));
  }

  @Test
  public void anAllowanceForEachSeatGrowsWithTheSeatsAndRunsOutWhereUseOvertakesIt() {
    Offering plan = offering(null, List.of(upTo("100", "10")), monthly(seats("5")));
    List<UnitsNeeded> months = List.of(needed(10, 150), needed(12, 220), needed(12, 221));
    Headroom room = Headroom.of(plan, monthly(seats("5")), RUNS, months, JAN_2027).orElseThrow();
    assertEquals(room.most(0), Optional.of(new BigDecimal("200")));
    assertEquals(room.most(1), Optional.of(new BigDecimal("220")));
    assertEquals(room.runsOut(), OptionalInt.of(2));
  }

  private static Allowance accountOrSeat(String most) {
    return new Allowance(
        RUNS, new Allowance.Limit.AccountOrSeat(new BigDecimal(most), Measure.SEATS), PAGE);
  }

  private static Headroom.State stateOf(Allowance allowance, List<UnitsNeeded> months) {
    PriceList list = monthly(seats("5"));
    return state(offering(null, List.of(allowance), list), list, RUNS, months).orElseThrow();
  }

  @Test
  public void whereThePageDoesNotSayForWhomTheFewerDoesForCertainAndMoreThanTheMoreDoesNot() {
    PriceList list = monthly(seats("5"));
    Offering plan = offering(null, List.of(accountOrSeat("10")), list);
    assertEquals(NO_NEEDS.at(plan, list, needed(5, 10), JAN_2027).reasons(), List.of());
    assertEquals(
        NO_NEEDS.at(plan, list, needed(5, 30), JAN_2027).reasons(),
        List.of(
            new Reason.AccountOrSeat(
                RUNS,
                new BigDecimal("30"),
                new BigDecimal("10"),
                Optional.of(new BigDecimal("50")))));
    assertEquals(
        NO_NEEDS.at(plan, list, needed(5, 51), JAN_2027).reasons(),
        List.of(
            new Reason.OverAllowance(
                RUNS,
                new BigDecimal("51"),
                new BigDecimal("50"),
                BigDecimal.ZERO,
                Optional.empty())));
    assertEquals(
        new Reason.AccountOrSeat(
                RUNS, new BigDecimal("30"), new BigDecimal("10"), Optional.of(new BigDecimal("50")))
            .sentence(),
        RUNS.label()
            + ": 30 of 10 for the account, or of 50 if that is for each seat; confirm which");
    assertEquals(
        stateOf(accountOrSeat("10"), List.of(needed(5, 30))), Headroom.State.NOT_CONFIRMED);
  }

  /** What both readings say is said; what only one says is open. */
  @Test
  public void whatIsForTheAccountOrForEachSeatIsWhatBothReadingsAgreeOn() {
    Random random = new Random(20261201);
    Map<Object, Integer> met = new java.util.HashMap<>();
    for (int i = 0; i < 600; i++) {
      int most = random.nextInt(40);
      List<UnitsNeeded> months = new ArrayList<>();
      int seats = random.nextInt(8);
      int runs = 1 + random.nextInt(120);
      for (int m = 0; m < 6; m++) {
        months.add(needed(seats, runs));
        seats += random.nextInt(3);
        runs += random.nextInt(12);
      }
      PriceList list = monthly(seats("5"));
      UnitsNeeded first = months.getFirst();
      Verdict account =
          NO_NEEDS.at(offering(null, List.of(upTo("" + most, "0")), list), list, first, JAN_2027);
      Verdict each =
          NO_NEEDS.at(offering(null, List.of(upTo("0", "" + most)), list), list, first, JAN_2027);
      Verdict open =
          NO_NEEDS.at(
              offering(null, List.of(accountOrSeat("" + most)), list), list, first, JAN_2027);
      Object expected = account.getClass() == each.getClass() ? account.getClass() : "open";
      met.merge(expected, 1, Integer::sum);
      if (expected.equals("open")) {
        assertTrue(open.reasons().getFirst() instanceof Reason.AccountOrSeat, open + "");
      } else {
        assertEquals(open.getClass(), expected);
      }
      Headroom.State one = stateOf(upTo("" + most, "0"), months);
      Headroom.State other = stateOf(upTo("0", "" + most), months);
      Headroom.State both = stateOf(accountOrSeat("" + most), months);
      if (one == Headroom.State.LASTS && other == Headroom.State.LASTS) {
        assertEquals(both, Headroom.State.LASTS);
      } else if (one == Headroom.State.LASTS || other == Headroom.State.LASTS) {
        assertEquals(both, Headroom.State.NOT_CONFIRMED);
      } else {
        assertTrue(both != Headroom.State.LASTS);
      }
    }
    assertEquals(met.size(), 3, met.toString());
  }

  @Test
  public void whatIsBeyondAUsageChargeIsPaidForAndAnUnknownLimitIsNoLimitOfZero() {
    Included five = new Included(new BigDecimal("5"), BigDecimal.ZERO, Measure.SEATS);
    PriceList sold =
        monthly(
            seats("5"), new Charge.Usage("Runs", RUNS, five, BigDecimal.ONE, Samples.eur("0.10")));
    Headroom charged =
        Headroom.of(offering(null, List.of(), sold), sold, RUNS, List.of(needed(1, 9)), JAN_2027)
            .orElseThrow();
    assertEquals(charged.bound(), new Headroom.Bound.Charged(List.of(new BigDecimal("5")), five));
    assertEquals(charged.state(charged), Headroom.State.CHARGED);
    Allowance unknown = new Allowance(RUNS, new Allowance.Limit.Unknown(), PAGE);
    Headroom unsaid =
        Headroom.of(
                offering(null, List.of(unknown), monthly(seats("5"))),
                monthly(seats("5")),
                RUNS,
                List.of(needed(1, 9)),
                JAN_2027)
            .orElseThrow();
    assertEquals(unsaid.bound(), new Headroom.Bound.Unknown(false));
    assertEquals(unsaid.state(unsaid), Headroom.State.NOT_CONFIRMED);
    assertEquals(unsaid.most(0), Optional.empty());
    assertEquals(unsaid.runsOut(), OptionalInt.empty());
  }

  @Test
  public void withoutAStatedDemandThereIsNothingToSayAndWithoutABoundThatIsSaid() {
    PriceList list = monthly(seats("5"));
    Offering plan = offering(null, List.of(), list);
    Headroom silent = Headroom.of(plan, list, RUNS, List.of(needed(1, 9)), JAN_2027).orElseThrow();
    assertEquals(silent.bound(), new Headroom.Bound.Silent(Optional.empty()));
    assertEquals(silent.state(silent), Headroom.State.NOT_SAID);
    assertEquals(silent.most(0), Optional.empty());
    Offering sister =
        new Offering(plan.plan(), Map.of(), List.of(), Optional.empty(), Map.of(RUNS, "Small"));
    assertEquals(
        Headroom.of(sister, list, RUNS, List.of(needed(1, 9)), JAN_2027).orElseThrow().bound(),
        new Headroom.Bound.Silent(Optional.of("Small")));
    assertEquals(
        Headroom.of(plan, list, Measure.SEATS, List.of(needed(1, 9)), JAN_2027),
        Optional.empty(),
        "people are let in");
    assertEquals(
        Headroom.of(
            offering(null, List.of(upTo("1", "0")), list),
            list,
            RUNS,
            List.of(Samples.seatsNeeded(3)),
            JAN_2027),
        Optional.empty());
  }

  /** The month in which room runs out is the first in which the verdict says so. */
  @Test
  public void theRoomAgreesWithTheVerdictOnGeneratedPlans() {
    Random random = new Random(20261125);
    int ran = 0;
    for (int i = 0; i < 400; i++) {
      UnitRule rule = new UnitRule(random.nextInt(4), 1 + random.nextInt(6), random.nextInt(5));
      Charge charge =
          random.nextBoolean()
              ? seats("3", rule)
              : new Charge.Banded(
                  "Seats",
                  Measure.SEATS,
                  BandMode.WHOLE,
                  List.of(band(10, "3", "0"), band(20 + random.nextInt(20), "2", "0")),
                  rule);
      PriceList list = monthly(charge);
      Integer cap = random.nextInt(3) == 0 ? 5 + random.nextInt(40) : null;
      Offering plan =
          offering(cap, List.of(upTo("" + random.nextInt(200), "" + random.nextInt(12))), list);
      List<UnitsNeeded> months = new ArrayList<>();
      int seats = random.nextInt(20);
      int runs = random.nextInt(200);
      for (int m = 0; m < 24; m++) {
        months.add(needed(seats, runs));
        seats = Math.max(0, seats + random.nextInt(6) - 1);
        runs += random.nextInt(20);
      }
      for (Measure measure : List.of(Measure.SEATS, RUNS)) {
        OptionalInt expected = OptionalInt.empty();
        for (int m = 0; m < 24 && expected.isEmpty(); m++) {
          boolean over =
              NO_NEEDS.at(plan, list, months.get(m), JAN_2027.plusMonths(m)).reasons().stream()
                  .anyMatch(reason ->
                      reason instanceof Reason.OverCap c && c.measure().equals(measure)
                          || reason instanceof Reason.OverAllowance a
                              && a.measure().equals(measure));
          if (over) {
            expected = OptionalInt.of(m);
          }
        }
        OptionalInt found =
            Headroom.of(plan, list, measure, months, JAN_2027)
                .map(Headroom::runsOut)
                .orElse(OptionalInt.empty());
        assertEquals(found, expected, measure.label() + " " + plan.plan() + " " + months);
        assertEquals(
            state(plan, list, measure, months),
            Optional.of(expected)
                .map(out ->
                    out.isEmpty()
                        ? Headroom.State.LASTS
                        : out.getAsInt() == 0 ? Headroom.State.OVER : Headroom.State.RUNS_OUT)
                .filter(state -> Headroom.of(plan, list, measure, months, JAN_2027).isPresent()));
        ran += expected.isPresent() ? 1 : 0;
      }
    }
    assertTrue(ran > 100, "only " + ran + " ran out");
  }

  private static Optional<Headroom.State> state(
      Offering plan, PriceList list, Measure measure, List<UnitsNeeded> months) {
    return Headroom.of(plan, list, measure, months.subList(0, 1), JAN_2027)
        .flatMap(now -> Headroom.of(plan, list, measure, months, JAN_2027).map(now::state));
  }

  @Test
  public void onlyWhatIsKnownToLastIsEnough() {
    for (Headroom.State state : Headroom.State.values()) {
      Optional<Boolean> enough =
          switch (state) {
            case ENDLESS, CHARGED, COVERED, LASTS -> Optional.of(true);
            case RUNS_OUT, OVER -> Optional.of(false);
            case NOT_CONFIRMED, NOT_SAID -> Optional.empty();
          };
      assertEquals(state.isEnough(), enough, state.name());
    }
  }

  @Test
  public void aLadderSaysWhereACapabilityIsToBeHad() {
    Object[][] cases = {
      {"in every plan", Answer.YES, Answer.YES, Answer.YES},
      {"from B up", Answer.NO, Answer.YES, Answer.YES},
      {"in C", Answer.NO, Answer.PARTLY, Answer.YES},
      {"in A, C", Answer.YES, Answer.NO, Answer.YES},
      {"by add-on from B up", Answer.NO, Answer.BY_ADD_ON, Answer.BY_ADD_ON},
      {"partly in B", Answer.NO, Answer.PARTLY, Answer.NO},
      {"in no plan", Answer.NO, Answer.NO, Answer.NO},
      {"not confirmed", Answer.NO, Answer.UNKNOWN, Answer.NO},
    };
    for (Object[] row : cases) {
      List<Offering> offerings = new ArrayList<>();
      for (int i = 1; i < row.length; i++) {
        Fact fact = new Fact((Answer) row[i], row[i] == Answer.BY_ADD_ON ? "Gate" : "", PAGE);
        String name = "" + (char) ('A' + i - 1);
        offerings.add(
            new Offering(Samples.plan(name, monthly(seats("1"))), Map.of("sign-on", fact)));
      }
      assertEquals(new Ladder(new Capability("sign-on", "Sign-on"), offerings).words(), row[0]);
    }
  }
}
