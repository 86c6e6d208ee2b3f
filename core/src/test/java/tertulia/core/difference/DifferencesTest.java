package tertulia.core.difference;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;
import static tertulia.core.Samples.JAN_2027;
import static tertulia.core.Samples.list;
import static tertulia.core.Samples.plan;
import static tertulia.core.Samples.seats;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;

public class DifferencesTest {
  private static Selection selection(
      int months, int people, PriceRise rise, String monthly, String yearly) {
    Tool tool =
        new Tool(
            "t",
            "Tool",
            "Vendor",
            List.of(
                plan(
                    "Crew",
                    list(BillingTerm.MONTHLY, seats(monthly)),
                    list(BillingTerm.YEARLY_PAID_MONTHLY, seats(yearly)))));
    return new Selection(
        "Which?",
        "",
        LocalDate.of(2027, 1, 1),
        new Horizon(JAN_2027, months),
        EUR,
        rise,
        List.of(new Group("g", "All", new Growth.Hires(people, BigDecimal.ZERO), List.of())),
        Map.of(Measure.SEATS, new Demand(BigDecimal.ZERO, Map.of("g", BigDecimal.ONE))),
        Optional.empty(),
        List.of(),
        List.of(),
        List.of(new Contender(tool, Map.of(), List.of(), null)),
        new Panel(List.of()),
        ExchangeRates.NONE);
  }

  private static Differences between(Selection then, Selection now, YearMonth today) {
    return Differences.between(then, now, today);
  }

  private static Division cost(Differences differences, String contender) {
    return differences.of(contender).orElseThrow().cost().orElseThrow();
  }

  @Test
  public void pricesAndPeopleShareTheDifference() {
    // C25: 10.00 × 50 then, 12.00 × 60 now
    Selection then = selection(1, 50, PriceRise.NONE, "10", "99");
    Selection now = selection(1, 60, PriceRise.NONE, "12", "99");
    Division cost = cost(between(then, now, JAN_2027), "t");
    assertEquals(
        cost.parts().stream().map(Division.Part::causes).toList(),
        List.of(EnumSet.of(Cause.PRICES), EnumSet.of(Cause.PEOPLE)));
    assertEquals(
        cost.parts().stream().map(Division.Part::amount).toList(),
        List.of(new BigDecimal("110.00"), new BigDecimal("110.00")));
    assertEquals(cost.then(), new BigDecimal("500.00"));
    assertEquals(cost.now(), new BigDecimal("720.00"));
  }

  private static PlanPath way(Evaluation evaluation) {
    return ((PlanPaths.Found) evaluation.costs().overall().way("t")).best();
  }

  /** The cheapest of monthly and yearly terms from a month on, one after the other. */
  private static int cheapest(int m, int months, int k, int[] monthly, int[] yearly) {
    if (m >= months) {
      return 0;
    }
    int page = m < k ? 0 : 1;
    int byMonth = monthly[page] + cheapest(m + 1, months, k, monthly, yearly);
    int byYear =
        yearly[page] * Math.min(12, months - m) + cheapest(m + 12, months, k, monthly, yearly);
    return Math.min(byMonth, byYear);
  }

  @Test
  public void monthsGoneKeepTheirPricesAndSoDoesAYearThatRuns() {
    Random random = new Random(3);
    for (int round = 0; round < 60; round++) {
      int k = random.nextInt(19);
      int[] monthly = {5 + random.nextInt(9), 5 + random.nextInt(9)};
      int[] yearly = {4 + random.nextInt(9), 4 + random.nextInt(9)};
      Selection then = selection(18, 10, PriceRise.NONE, "" + monthly[0], "" + yearly[0]);
      Selection now = selection(18, 10, PriceRise.NONE, "" + monthly[1], "" + yearly[1]);
      Differences differences = between(then, now, JAN_2027.plusMonths(k));
      String said = k + " " + monthly[0] + "→" + monthly[1] + " " + yearly[0] + "→" + yearly[1];
      // what was begun before today goes on as it was bought; then the cheapest of today
      int bought = 0;
      int free = k == 0 ? 0 : 18;
      for (PlanPath.Leg leg : way(differences.then()).legs()) {
        int start = leg.months().from();
        if (start < k) {
          boolean isMonthly = leg.option().list().term().equals(BillingTerm.MONTHLY);
          free = Math.min(18, leg.committedTo());
          bought += (isMonthly ? monthly[0] : yearly[0]) * (free - start);
        }
      }
      assertEquals(
          cost(differences, "t").now().intValueExact(),
          10 * (bought + cheapest(free, 18, 0, monthly, yearly)),
          said);
      assertEquals(
          cost(differences, "t").then().intValueExact(),
          10 * cheapest(0, 18, 18, monthly, yearly),
          said);
    }
  }

  /** A page that changed long ago was the one to buy from since then, and not only from today. */
  @Test
  public void aPageIsInForceSinceItsDay() {
    Selection then = selection(36, 10, PriceRise.NONE, "99", "10");
    Selection now = selection(36, 10, PriceRise.NONE, "99", "12");
    for (int today = 11; today <= 36; today++) {
      // one year at 10, the others at 12: bought in months 12 and 24
      assertEquals(
          cost(
                  Differences.between(
                      then, now, JAN_2027.plusMonths(today), Map.of("t", JAN_2027.plusMonths(10))),
                  "t")
              .now(),
          new BigDecimal("4080.00"),
          "" + today);
    }
  }

  @Test
  public void todaysListRisesFromTodayOn() {
    PriceRise ten = PriceRise.ofPercent("10");
    Selection then = selection(24, 1, ten, "10", "99");
    // 12 × 10 + 12 × 11 then; the page still says 10 in month 14, so 12 × 10 + 2 × 11 + 10 × 10
    Division cost = cost(between(then, then, JAN_2027.plusMonths(14)), "t");
    assertEquals(cost.then(), new BigDecimal("252.00"));
    assertEquals(cost.now(), new BigDecimal("242.00"));
    assertEquals(cost.of(Cause.PRICES), new BigDecimal("-10.00"));
    // 10 months at 10, 12 at 10 from today's page, 2 at 11
    assertEquals(
        cost(between(then, then, JAN_2027.plusMonths(10)), "t").now(), new BigDecimal("242.00"));
    // what rose by another rate keeps in the months gone what it was read with
    Selection slower = selection(24, 1, PriceRise.NONE, "10", "99");
    assertEquals(
        cost(between(then, slower, JAN_2027.plusMonths(14)), "t").now(), new BigDecimal("242.00"));
    assertEquals(
        cost(between(then, slower, JAN_2027.plusMonths(6)), "t").now(), new BigDecimal("240.00"));
  }

  @Test
  public void peopleOfMonthsGoneStayAsTheyWereRead() {
    Selection then = selection(12, 10, PriceRise.NONE, "10", "99");
    Selection now =
        then.peopled(
            List.of(
                new Group(
                    "g",
                    "All",
                    new Growth.Hires(20, BigDecimal.ONE),
                    List.of(),
                    JAN_2027.plusMonths(9))));
    Division cost = cost(between(then, now, JAN_2027.plusMonths(9)), "t");
    assertEquals(cost.of(Cause.PEOPLE), new BigDecimal("330.00"), "11 + 11 + 12 more, less 10");
  }

  private static Selection otherwise(Selection s, Random random) {
    Selection now = s;
    if (random.nextBoolean()) {
      now = now.among(now.contenders().stream().map(c -> c.times(new BigDecimal("1.25"))).toList());
    }
    if (random.nextBoolean()) {
      now = now.peopled(now.groups().stream().map(g -> g.times(new BigDecimal("1.5"))).toList());
    }
    if (random.nextBoolean()) {
      now = now.asking(now.needs().stream().skip(1).toList());
    }
    Member one = now.panel().members().getFirst();
    if (random.nextBoolean()) {
      one =
          new Member(
              one.id(),
              one.name(),
              1,
              Map.of("cost", random.nextInt(3), "ease", 1 + random.nextInt(3)),
              one.marks());
    }
    if (random.nextBoolean()) {
      Mark high = Mark.of(9);
      one =
          new Member(
              one.id(),
              one.name(),
              one.share(),
              one.weighing(),
              Map.of("ease", Map.of(now.contenders().getFirst().id(), high)),
              true);
    }
    return now.judgedBy(new Panel(List.of(one)));
  }

  @Test
  public void whatChangedAddsUpOnGeneratedPairs() {
    int divided = 0;
    int scored = 0;
    for (int seed = 0; seed < 60; seed++) {
      Random random = new Random(seed);
      Selection then = Generated.selection(seed);
      Selection now = otherwise(then, random);
      YearMonth today = JAN_2027.plusMonths(random.nextInt(3) == 0 ? 0 : random.nextInt(20));
      Differences differences = between(then, now, today);
      Evaluation before = Evaluation.of(then, WhatIf.START);
      Evaluation after = Evaluation.of(now, WhatIf.START);
      for (Differences.Of of : differences.contenders()) {
        String said = seed + " " + of;
        of.cost().ifPresent(cost -> checkSum(cost, said));
        of.total().ifPresent(total -> checkSum(total, said));
        divided += of.cost().filter(c -> c.parts().size() > 1).isPresent() ? 1 : 0;
        scored += of.total().filter(c -> c.parts().size() > 1).isPresent() ? 1 : 0;
        assertEquals(
            of.cost().map(Division::then),
            of.cost()
                .flatMap(c -> before.costs().overall().total(of.contender()))
                .map(m -> m.getAmount()),
            said);
        if (today.equals(JAN_2027)) {
          assertEquals(
              of.cost().map(Division::now),
              of.cost()
                  .flatMap(c -> after.costs().overall().total(of.contender()))
                  .map(m -> m.getAmount()),
              said);
        }
      }
      assertEquals(
          differences.then().costs().overall().feasible().size(),
          before.costs().overall().feasible().size());
    }
    assertTrue(divided > 30 && scored > 20, divided + " costs, " + scored + " totals");
  }

  private static void checkSum(Division division, String said) {
    assertEquals(
        division.parts().stream()
            .map(Division.Part::amount)
            .reduce(BigDecimal.ZERO, BigDecimal::add)
            .compareTo(division.difference()),
        0,
        said);
  }

  @Test
  public void onlyWhatChangedIsACause() {
    Selection then = Generated.selection(3);
    assertEquals(between(then, then, JAN_2027.plusMonths(5)).changed(), Set.of());
    Selection more =
        then.peopled(then.groups().stream().map(g -> g.times(BigDecimal.TWO)).toList());
    assertEquals(between(then, more, JAN_2027).changed(), Set.of(Cause.PEOPLE));
    Selection dearer =
        then.among(then.contenders().stream().map(c -> c.times(BigDecimal.TWO)).toList());
    assertEquals(between(then, dearer, JAN_2027).changed(), Set.of(Cause.PRICES));
    Selection looser = then.rising(PriceRise.ofPercent("3"));
    assertEquals(between(then, looser, JAN_2027).changed(), Set.of(Cause.PRICES));
    Selection unasked = then.asking(List.of());
    assertEquals(
        between(then, unasked, JAN_2027).changed(),
        then.needs().isEmpty() ? Set.of() : Set.of(Cause.NEEDS));
  }

  @Test
  public void whoIsComparedInOneOfThemOnlyIsListed() {
    Selection then = Generated.selection(4);
    List<Contender> fewer = new ArrayList<>(then.contenders());
    Contender gone = fewer.removeFirst();
    Differences differences = between(then, then.among(fewer), JAN_2027);
    assertEquals(differences.question().onlyThen(), List.of(gone.tool().name()));
    assertEquals(differences.question().onlyNow(), List.of());
    assertTrue(differences.of(gone.id()).isEmpty());
    assertEquals(
        between(then.among(fewer), then, JAN_2027).question().onlyNow(),
        List.of(gone.tool().name()));
  }

  /** From today on is the same as a question that begins today with the people of then. */
  @Test
  public void begunTodayIsAQuestionThatBeginsToday() {
    int known = 0;
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      Selection then = Generated.selection(seed);
      Selection now = otherwise(then, random);
      int k = random.nextInt(Generated.MONTHS + 2);
      Differences differences = between(then, now, JAN_2027.plusMonths(k));
      boolean within = k > 0 && k < Generated.MONTHS;
      assertEquals(differences.begunToday().isPresent(), within, "" + k);
      if (within) {
        Horizon left = new Horizon(JAN_2027.plusMonths(k), Generated.MONTHS - k);
        List<Integer> people =
            differences.now().costs().overall().planned().stream()
                .skip(k)
                .map(p -> p.total())
                .toList();
        Selection anew =
            new Selection(
                now.title(),
                now.purpose(),
                now.asOf(),
                left,
                now.currency(),
                now.rise(),
                List.of(new Group("g", "All", new Growth.Listed(people), List.of())),
                now.demands(),
                now.averagePayment(),
                now.needs(),
                now.criteria(),
                now.contenders(),
                now.panel(),
                now.rates(),
                now.scenarios(),
                now.practice());
        Evaluation alone = Evaluation.of(anew, WhatIf.START);
        for (Contender contender : now.active()) {
          assertEquals(
              differences.begunToday().orElseThrow().overall().totalBounds(contender.id()),
              alone.costs().overall().totalBounds(contender.id()),
              seed + " " + k + " " + contender.id());
          known += alone.costs().overall().total(contender.id()).isPresent() ? 1 : 0;
        }
      }
    }
    assertTrue(known > 30, "" + known);
  }

  @Test
  public void whatIsLeftIsWhatTheMonthsFromTodayCost() {
    Selection then = selection(18, 10, PriceRise.NONE, "10", "99");
    Selection now = selection(18, 10, PriceRise.NONE, "12", "99");
    Differences differences = between(then, now, JAN_2027.plusMonths(10));
    assertEquals(differences.left("t").orElseThrow().getAmount(), new BigDecimal("960.00"));
    assertEquals(
        between(then, now, JAN_2027).left("t").orElseThrow().getAmount(),
        new BigDecimal("2160.00"));
  }
}
