package tertulia.core.firmness;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Derivation;

/** Room of weights, upsets, rank shares and the map, each against a second way to have it. */
public class FirmnessTest {
  private static final Random DICE = new Random(41);

  private static Totals totals(double[] weights, Map<String, double[]> values) {
    Map<String, double[][]> exact = new LinkedHashMap<>();
    values.forEach((id, own) -> exact.put(id, new double[][] {own, own}));
    return between(weights, exact);
  }

  private static Totals between(double[] weights, Map<String, double[][]> values) {
    List<Criterion> criteria = new ArrayList<>();
    Map<String, BigDecimal> weight = new LinkedHashMap<>();
    for (int c = 0; c < weights.length; c++) {
      criteria.add(new Criterion("c" + (c + 1), "C" + (c + 1), new Criterion.Judged()));
      weight.put("c" + (c + 1), BigDecimal.valueOf(weights[c]));
    }
    Map<String, Map<String, Value>> all = new LinkedHashMap<>();
    values.forEach((id, ends) -> {
      Map<String, Value> own = new LinkedHashMap<>();
      for (int c = 0; c < weights.length; c++) {
        own.put(
            "c" + (c + 1),
            new Value(
                new Interval(BigDecimal.valueOf(ends[0][c]), BigDecimal.valueOf(ends[1][c])),
                new Derivation.Stated("value", "given")));
      }
      all.put(id, own);
    });
    return new Totals(criteria, weight, all);
  }

  private static Totals worked() {
    Map<String, double[]> values = new LinkedHashMap<>();
    values.put("X", new double[] {.8, .6, .9, .4, .7});
    values.put("Y", new double[] {.6, .9, .5, .9, .6});
    values.put("Z", new double[] {.7, .7, .7, .6, .9});
    return totals(new double[] {.30, .25, .20, .15, .10}, values);
  }

  @DataProvider
  public Object[][] c19Rooms() {
    return new Object[][] {
      {1, "0.263158", "Y", "0.333333", "X"},
      {2, "0.210526", "X", "0.268293", "Y"},
      {3, "0.179487", "Y", "0.219512", "X"},
      {4, "0.128205", "X", "0.163934", "Y"},
      {5, "0.084746", "Y", "1.000000", ""},
    };
  }

  @Test(dataProvider = "c19Rooms")
  public void c19RoomOfEachWeight(int place, String low, String below, String high, String above) {
    StabilityRange room = StabilityRange.of(worked()).get(place - 1);
    assertEquals(six(room.low().weight()), low);
    assertEquals(String.join(" ", room.low().takesOver()), below);
    assertEquals(six(room.high().weight()), high);
    assertEquals(String.join(" ", room.high().takesOver()), above);
    assertFalse(room.isNone());
  }

  private static String six(BigDecimal value) {
    return value.setScale(6, RoundingMode.HALF_UP).toPlainString();
  }

  @Test
  public void c19NearestUpset() {
    assertEquals(six(NearestUpset.of(worked(), "X").orElseThrow().shift()), "0.012500");
    assertEquals(six(NearestUpset.of(worked(), "Y").orElseThrow().shift()), "0.008333");
    assertEquals(six(NearestUpset.of(worked(), "Z").orElseThrow().shift()), "0.000000");
    Map<String, double[]> values = new LinkedHashMap<>();
    values.put("X", new double[] {.8, .6});
    values.put("Y", new double[] {.7, .6});
    values.put("W", new double[] {.7, .5});
    Totals beaten = totals(new double[] {.5, .5}, values);
    assertEquals(NearestUpset.of(beaten, "W"), Optional.empty(), "never");
    assertEquals(
        six(NearestUpset.of(beaten, "Y").orElseThrow().shift()), "0.500000", "level at the end");
  }

  @Test
  public void c20RankSharesOverAllWeightings() {
    RankShares shares = shares(worked(), new Drawing.Uniform(), 40_000);
    double[][] expected = {{.261, .217, .521}, {.396, .154, .450}, {.342, .629, .028}};
    int place = 0;
    for (String contender : List.of("X", "Y", "Z")) {
      for (int rank = 1; rank <= 3; rank++) {
        assertEquals(shares.share(contender, rank), expected[place][rank - 1], .0075);
      }
      place++;
    }
    assertEquals(shares.byFirst(), List.of("Y", "Z", "X"));
    assertEquals(worked().standings().getFirst().contender(), "Z", "and another leads");
  }

  private static RankShares shares(Totals totals, Drawing drawing, int draws) {
    Map<String, Map<String, Interval>> values = new LinkedHashMap<>();
    totals
        .values()
        .forEach((id, own) -> {
          Map<String, Interval> intervals = new LinkedHashMap<>();
          own.forEach((criterion, value) -> intervals.put(criterion, value.interval()));
          values.put(id, intervals);
        });
    return RankShares.of(totals.criteria(), values, drawing, draws, RankShares.SEED);
  }

  private static Totals generated(int criteria, int contenders, int steps) {
    double[] weights = DICE.doubles(criteria, 0.05, 1).toArray();
    double sum = Arrays.stream(weights).sum();
    for (int c = 0; c < criteria; c++) {
      weights[c] = Math.round(weights[c] / sum * 100) / 100.0;
    }
    weights[criteria - 1] += 1 - Arrays.stream(weights).sum();
    weights[criteria - 1] = Math.round(weights[criteria - 1] * 100) / 100.0;
    Map<String, double[]> values = new LinkedHashMap<>();
    for (int t = 0; t < contenders; t++) {
      values.put(
          "t" + t,
          IntStream.range(0, criteria)
              .mapToDouble(c -> DICE.nextInt(steps + 1) / (double) steps)
              .toArray());
    }
    return totals(weights, values);
  }

  /** The room by trying every hundredth of weight. */
  @Test
  public void theRoomIsWhereTheLeadChangesWhenEveryWeightIsTried() {
    int ended = 0;
    for (int round = 0; round < 100; round++) {
      Totals totals = generated(2 + DICE.nextInt(4), 2 + DICE.nextInt(4), 10);
      List<String> first = StabilityRange.first(totals);
      Reweighed at = new Reweighed(totals);
      for (StabilityRange room : StabilityRange.of(totals)) {
        if (first.size() > 1) {
          assertTrue(room.isNone(), "a shared lead has no room");
          assertEquals(room.low().takesOver(), first.subList(1, first.size()));
          continue;
        }
        ended += room.low().takesOver().isEmpty() ? 0 : 1;
        for (int step = 0; step <= 100; step++) {
          BigDecimal weight = new BigDecimal(step).movePointLeft(2);
          boolean leads =
              totals.values().keySet().stream()
                  .allMatch(other ->
                      at.lead(first.getFirst(), other, room.criterion(), weight)
                              .compareTo(new BigDecimal("-1E-12"))
                          >= 0);
          boolean inside =
              weight.compareTo(room.low().weight().subtract(new BigDecimal("1E-9"))) >= 0
                  && weight.compareTo(room.high().weight().add(new BigDecimal("1E-9"))) <= 0;
          assertEquals(leads, inside, room + " at " + weight);
        }
        beyond(at, room, first.getFirst(), room.low(), "-0.00001");
        beyond(at, room, first.getFirst(), room.high(), "0.00001");
      }
    }
    assertTrue(ended > 50, "only " + ended + " rooms end above 0");
  }

  /** Just beyond an end somebody who is said to take over is ahead of the leader. */
  private static void beyond(
      Reweighed at, StabilityRange room, String leader, StabilityRange.End end, String step) {
    if (!end.takesOver().isEmpty()) {
      BigDecimal weight =
          end.weight().add(new BigDecimal(step)).max(BigDecimal.ZERO).min(BigDecimal.ONE);
      for (String other : end.takesOver()) {
        assertTrue(
            at.lead(other, leader, room.criterion(), weight).signum() > 0, room + " " + other);
      }
    }
  }

  /** The nearest upset by trying every weighting in steps of a hundredth. */
  @Test
  public void noWeightingOfAGridTurnsTheLeadWithLessThanTheUpset() {
    int never = 0;
    int found = 0;
    for (int round = 0; round < 60; round++) {
      Totals totals = generated(3, 3, 5);
      double[] stated = weights(totals);
      List<double[]> others =
          totals.values().keySet().stream().map(other -> middles(totals, other)).toList();
      for (String contender : totals.values().keySet()) {
        double[] mine = middles(totals, contender);
        Optional<NearestUpset> upset = NearestUpset.of(totals, contender);
        double nearest = Double.MAX_VALUE;
        for (int a = 0; a <= 100; a++) {
          for (int b = 0; a + b <= 100; b++) {
            double[] weights = {a / 100.0, b / 100.0, (100 - a - b) / 100.0};
            if (isLevelOrAhead(mine, others, weights, 1e-9)) {
              nearest = Math.min(nearest, shift(stated, weights));
            }
          }
        }
        if (upset.isEmpty()) {
          assertEquals(nearest, Double.MAX_VALUE, contender + " of " + totals);
          never++;
          continue;
        }
        found++;
        double shift = upset.get().shift().doubleValue();
        assertTrue(nearest >= shift - 1e-6, nearest + " below " + shift);
        double[] weights =
            upset.get().weights().values().stream().mapToDouble(BigDecimal::doubleValue).toArray();
        assertEquals(Arrays.stream(weights).sum(), 1, 1e-9);
        assertTrue(Arrays.stream(weights).allMatch(w -> w >= 0));
        assertTrue(isLevelOrAhead(mine, others, weights, 1e-8), "it is level there");
        assertEquals(shift(stated, weights), shift, 2e-6);
      }
    }
    assertTrue(never > 10 && found > 50, never + " never, " + found + " found");
  }

  /** The middles of the values of a contender, in the criteria's order. */
  private static double[] middles(Totals totals, String contender) {
    return totals.criteria().stream()
        .mapToDouble(c -> totals.value(contender, c).interval().midpoint().doubleValue())
        .toArray();
  }

  private static double[] weights(Totals totals) {
    return totals.criteria().stream().mapToDouble(c -> totals.weight(c).doubleValue()).toArray();
  }

  private static boolean isLevelOrAhead(
      double[] mine, List<double[]> others, double[] weights, double level) {
    return others.stream().allMatch(other -> sum(mine, weights) >= sum(other, weights) - level);
  }

  private static double sum(double[] values, double[] weights) {
    double sum = 0;
    for (int c = 0; c < weights.length; c++) {
      sum += weights[c] * values[c];
    }
    return sum;
  }

  private static double shift(double[] stated, double[] weights) {
    double sum = 0;
    for (int c = 0; c < weights.length; c++) {
      sum += Math.abs(weights[c] - stated[c]);
    }
    return sum / 2;
  }

  /** With two criteria, and with one value drawn, shares are lengths on a line. */
  @Test
  public void sharesAreTheLengthsOnALine() {
    Map<String, double[]> values = new LinkedHashMap<>();
    // X leads where 0.9 w + 0.2 (1 − w) > 0.5: w > 3/7
    values.put("X", new double[] {.9, .2});
    values.put("Y", new double[] {.5, .5});
    Totals line = totals(new double[] {.5, .5}, values);
    assertEquals(shares(line, new Drawing.Uniform(), 40_000).first("X"), 4 / 7.0, .01);
    assertEquals(
        shares(line, new Drawing.InOrder(List.of(1, 0)), 40_000).first("X"),
        (1 / 2.0 - 3 / 7.0) * 2,
        .01,
        "the second criterion matters more: w below a half");
    assertEquals(
        shares(line, new Drawing.Between(new double[] {.3, .2}, new double[] {.8, .7}), 40_000)
            .first("X"),
        (.8 - 3 / 7.0) / .5,
        .01);
    Map<String, double[][]> open = new LinkedHashMap<>();
    open.put("X", new double[][] {{.0, .5}, {1., .5}});
    open.put("Y", new double[][] {{.3, .5}, {.3, .5}});
    assertEquals(
        shares(between(new double[] {.5, .5}, open), new Drawing.Uniform(), 40_000).first("X"),
        .7,
        .01,
        "a value of which nothing is known lies anywhere");
  }

  @Test
  public void whoIsLevelSharesTheRanksAndTheSameSeedGivesTheSame() {
    Map<String, double[]> values = new LinkedHashMap<>();
    values.put("X", new double[] {.5, .5});
    values.put("Y", new double[] {.5, .5});
    values.put("W", new double[] {.1, .1});
    Totals level = totals(new double[] {.5, .5}, values);
    RankShares shares = shares(level, new Drawing.Uniform(), 1000);
    assertEquals(shares.shares().get("X"), List.of(.5, .5, .0));
    assertEquals(shares.shares().get("W"), List.of(.0, .0, 1.0));
    for (int round = 0; round < 20; round++) {
      Totals totals = generated(4, 5, 6);
      RankShares one = shares(totals, new Drawing.Uniform(), 500);
      assertEquals(one, shares(totals, new Drawing.Uniform(), 500));
      for (int rank = 1; rank <= 5; rank++) {
        int at = rank;
        assertEquals(
            one.shares().keySet().stream().mapToDouble(c -> one.share(c, at)).sum(), 1, 1e-9);
      }
    }
  }

  /** A walk between bounds keeps them, and finds the same as throwing away what breaks them. */
  @Test
  public void weightsBetweenBoundsAreThoseOfAllThatKeepThem() {
    double[] low = {.1, .0, .2, .05};
    double[] high = {.5, .4, .6, .3};
    Drawing bounded = new Drawing.Between(low, high);
    Drawing all = new Drawing.Uniform();
    SplittableRandom random = new SplittableRandom(7);
    double[] weights = new double[4];
    double[] mean = new double[4];
    double[] thrown = new double[4];
    int kept = 0;
    int draws = 40_000;
    for (int draw = 0; draw < draws; draw++) {
      bounded.next(weights, random);
      assertEquals(Arrays.stream(weights).sum(), 1, 1e-9);
      for (int c = 0; c < 4; c++) {
        assertTrue(weights[c] >= low[c] - 1e-9 && weights[c] <= high[c] + 1e-9);
        mean[c] += weights[c] / draws;
      }
    }
    while (kept < draws) {
      all.next(weights, random);
      boolean inside = true;
      for (int c = 0; c < 4; c++) {
        inside &= weights[c] >= low[c] && weights[c] <= high[c];
      }
      if (inside) {
        kept++;
        for (int c = 0; c < 4; c++) {
          thrown[c] += weights[c] / draws;
        }
      }
    }
    for (int c = 0; c < 4; c++) {
      assertEquals(mean[c], thrown[c], .005);
    }
  }

  @Test
  public void boundsThatNoWeightsKeepAreRefused() {
    assertThrows(
        IllegalArgumentException.class,
        () -> new Drawing.Between(new double[] {.6, .6}, new double[] {1, 1}));
    try {
      new Drawing.Between(new double[] {0, 0}, new double[] {.3, .4});
    } catch (IllegalArgumentException e) {
      assertEquals(
          e.getMessage(),
          "No weights lie between these bounds: the least add up to 0 % and the most to 70 %."
              + " Widen them until 100 % lies between.");
      return;
    }
    throw new AssertionError("not refused");
  }

  /** The map against the totals worked out one by one. */
  @Test
  public void everyPointOfTheMapIsTheLeaderOfItsTotals() {
    int open = 0;
    int nobody = 0;
    for (int round = 0; round < 30; round++) {
      int sizes = 12;
      List<WinnerMap.Worth> worths = new ArrayList<>();
      for (int t = 0; t < 4; t++) {
        double rest = DICE.nextInt(11) / 10.0;
        double restHigh = DICE.nextInt(4) == 0 ? Math.min(1, rest + .1) : rest;
        double[] low = new double[sizes];
        double[] high = new double[sizes];
        for (int n = 0; n < sizes; n++) {
          boolean does = DICE.nextInt(2) > 0;
          low[n] = does ? DICE.nextInt(11) / 10.0 : Double.NaN;
          high[n] = does && DICE.nextInt(4) == 0 ? Math.min(1, low[n] + .2) : low[n];
        }
        worths.add(new WinnerMap.Worth("t" + t, rest, restHigh, low, high));
      }
      WinnerMap map = WinnerMap.of(worths, sizes);
      for (int n = 1; n <= sizes; n++) {
        for (int percent = 0; percent <= 100; percent++) {
          Map<String, Interval> totals = totals(worths, n, percent);
          Optional<String> best = Optional.empty();
          for (String id : totals.keySet()) {
            if (best.isEmpty()
                || Totals.isAbove(totals.get(id).midpoint(), totals.get(best.get()).midpoint())) {
              best = Optional.of(id);
            }
          }
          assertEquals(map.leader(n, percent), best);
          Optional<String> leader = best;
          boolean certain =
              leader.isPresent()
                  && totals.keySet().stream()
                      .filter(id -> !id.equals(leader.get()))
                      .allMatch(id ->
                          Totals.isAbove(totals.get(leader.get()).low(), totals.get(id).high()));
          assertEquals(map.certainLeader(n, percent), certain ? leader : Optional.empty());
          open += leader.isPresent() && !certain ? 1 : 0;
          nobody += leader.isPresent() ? 0 : 1;
        }
      }
      for (int n = 1; n <= sizes; n++) {
        assertEquals(map.certainLeaderAt(n, .4), map.certainLeader(n, 40));
      }
    }
    assertTrue(open > 100 && nobody > 100, open + " open, " + nobody + " with nobody");
  }

  private static Map<String, Interval> totals(List<WinnerMap.Worth> worths, int n, int percent) {
    Map<String, Interval> totals = new LinkedHashMap<>();
    BigDecimal weight = BigDecimal.valueOf(percent).movePointLeft(2);
    BigDecimal others = BigDecimal.ONE.subtract(weight);
    for (WinnerMap.Worth worth : worths) {
      if (!Double.isNaN(worth.costLow()[n - 1])) {
        totals.put(
            worth.contender(),
            new Interval(
                sum(weight, worth.costLow()[n - 1], others, worth.restLow()),
                sum(weight, worth.costHigh()[n - 1], others, worth.restHigh())));
      }
    }
    return totals;
  }

  private static BigDecimal sum(BigDecimal a, double x, BigDecimal b, double y) {
    return a.multiply(BigDecimal.valueOf(x))
        .add(b.multiply(BigDecimal.valueOf(y)), MathContext.DECIMAL128);
  }
}
