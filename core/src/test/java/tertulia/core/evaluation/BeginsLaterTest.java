package tertulia.core.evaluation;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.JAN_2027;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.fit.Begins;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.PlanMonths;
import tertulia.core.pricing.ExternalCover;

/** A must that begins later, against the same question with it from the start and without it. */
public class BeginsLaterTest {
  private static final int MONTHS = Generated.MONTHS;

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[80][];
    for (int seed = 0; seed < seeds.length; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  private static Optional<Costs> costs(int seed, Optional<Begins> begins) {
    Evaluation read = Generated.evaluation(seed);
    List<Need> needs = new ArrayList<>(read.selection().needs());
    if (needs.isEmpty()) {
      return Optional.empty();
    }
    Need first = needs.removeFirst();
    begins.ifPresent(when ->
        needs.addFirst(new Need(first.capability(), first.importance(), first.outside(), when)));
    return Optional.of(Costs.of(read.selection().asking(needs), read.whatIf()));
  }

  /** The verdict of each plan and month is that of the question asked in it. */
  @Test(dataProvider = "seeds")
  public void eachMonthIsJudgedByWhatCountsInIt(int seed) {
    int from = 1 + seed % (MONTHS - 1);
    Optional<Costs> later =
        costs(seed, Optional.of(new Begins.FromMonth(JAN_2027.plusMonths(from))));
    if (later.isEmpty()) {
      return;
    }
    Costs with = costs(seed, Optional.of(Begins.AT_ONCE)).orElseThrow();
    Costs without = costs(seed, Optional.empty()).orElseThrow();
    for (Contender contender : with.selection().contenders()) {
      String id = contender.id();
      for (int m = 0; m < MONTHS; m++) {
        assertEquals(
            meets(later.get(), id, m), meets(m < from ? without : with, id, m), id + " in " + m);
      }
    }
  }

  private static List<Boolean> meets(Costs costs, String contender, int m) {
    return costs.overall().planMonths(contender).stream()
        .map((PlanMonths plan) ->
            plan.stretches().stream()
                .filter(s -> s.months().from() <= m && m < s.months().end())
                .findFirst()
                .orElseThrow()
                .verdict()
                .qualifies())
        .toList();
  }

  /** It costs no less than without it and no more than from the start, and the ends are those. */
  @Test(dataProvider = "seeds")
  public void theTotalLiesBetweenWithoutItAndFromTheStart(int seed) {
    Optional<Costs> without = costs(seed, Optional.empty());
    if (without.isEmpty()) {
      return;
    }
    Costs with = costs(seed, Optional.of(Begins.AT_ONCE)).orElseThrow();
    Costs fromStart = costs(seed, Optional.of(new Begins.FromMonth(JAN_2027))).orElseThrow();
    Costs never =
        costs(seed, Optional.of(new Begins.FromMonth(JAN_2027.plusMonths(MONTHS)))).orElseThrow();
    Costs later =
        costs(seed, Optional.of(new Begins.FromMonth(JAN_2027.plusMonths(7)))).orElseThrow();
    Costs crowd = costs(seed, Optional.of(new Begins.FromPeople(1_000_000))).orElseThrow();
    Costs anybody = costs(seed, Optional.of(new Begins.FromPeople(1))).orElseThrow();
    for (Contender contender : with.selection().contenders()) {
      String id = contender.id();
      assertEquals(total(fromStart, id), total(with, id), id);
      assertEquals(total(anybody, id), total(with, id), id);
      assertEquals(total(never, id), total(without.get(), id), id);
      assertEquals(total(crowd, id), total(without.get(), id), id);
      assertEquals(
          crowd.curves().costByHeadcount().curve(id).at(40).map(p -> p.money()),
          without.get().curves().costByHeadcount().curve(id).at(40).map(p -> p.money()),
          id);
      Optional<Money> some = total(later, id);
      if (some.isPresent() && total(with, id).isPresent()) {
        assertTrue(!some.get().isGreaterThan(total(with, id).get()), id);
      }
      if (some.isPresent() && total(without.get(), id).isPresent()) {
        assertTrue(!some.get().isLessThan(total(without.get(), id).get()), id);
      }
    }
  }

  private static Optional<Money> total(Costs costs, String contender) {
    return costs.overall().totalBounds(contender).map(Amount::high);
  }

  /** The sweep asks at each size what counts there. */
  @Test(dataProvider = "seeds")
  public void fromSoManyPeopleTheSweepChangesThere(int seed) {
    Optional<Costs> later = costs(seed, Optional.of(new Begins.FromPeople(15)));
    if (later.isEmpty()) {
      return;
    }
    Costs with = costs(seed, Optional.of(Begins.AT_ONCE)).orElseThrow();
    Costs without = costs(seed, Optional.empty()).orElseThrow();
    for (Contender contender : with.selection().active()) {
      for (int n : new int[] {1, 14, 15, 16, 30}) {
        assertEquals(
            later.get().curves().costByHeadcount().curve(contender.id()).at(n).map(p -> p.money()),
            (n < 15 ? without : with)
                .curves()
                .costByHeadcount()
                .curve(contender.id())
                .at(n)
                .map(p -> p.money()),
            contender.id() + " at " + n);
      }
    }
  }

  @Test
  public void onlyAMustThatNothingCoversMayBeginLater() {
    Capability plans = new Capability("plans", "Plans");
    Begins june = new Begins.FromMonth(JAN_2027.plusMonths(5));
    assertThrows(
        IllegalArgumentException.class,
        () -> new Need(plans, new Importance.Should(2), Optional.empty(), june));
    assertThrows(
        IllegalArgumentException.class,
        () ->
            new Need(
                plans,
                new Importance.Must(false),
                Optional.of(
                    new ExternalCover(
                        "Plans", "by hand", Money.of(tertulia.core.Samples.EUR, BigDecimal.TEN))),
                june));
    assertThrows(IllegalArgumentException.class, () -> new Begins.FromPeople(0));
    assertEquals(june.words(), "from Jun 2027");
    assertEquals(new Begins.FromPeople(1200).words(), "from 1,200 people");
  }
}
