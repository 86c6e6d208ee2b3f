package tertulia.core.sensitivity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.sensitivity.Condition.Dimension;

/**
 * Every condition is evaluated just inside its bounds, where its contender leads for certain, and
 * just outside, where it does not.
 */
public class TakeIfTest {
  private static final int SELECTIONS = 130;

  /** Two or three people who differ, and needs of which some only should be there. */
  public static Evaluation evaluation(int seed) {
    Random random = new Random(seed);
    Evaluation bare = Generated.evaluation(seed);
    Selection selection = bare.selection();
    List<Member> members = new ArrayList<>();
    for (int i = 0; seed % 5 > 0 && i < 2 + random.nextInt(2); i++) {
      Map<String, Mark> marks = new HashMap<>();
      for (Contender contender : selection.contenders()) {
        boolean nobody = seed % 4 == 1 && contender.id().equals("t0");
        if (!nobody && random.nextInt(7) > 0) {
          marks.put(contender.id(), Mark.of(random.nextInt(11)));
        }
      }
      members.add(
          new Member(
              "m" + i,
              "M" + i,
              1 + random.nextInt(3),
              Map.of("cost", 1 + random.nextInt(4), "ease", random.nextInt(4)),
              Map.of("ease", marks)));
    }
    List<Need> needs =
        selection.needs().stream()
            .map(need ->
                random.nextInt(3) == 0
                    ? new Need(need.capability(), new Importance.Should(3))
                    : need)
            .toList();
    Selection asked = selection.asking(needs).judgedBy(new Panel(members));
    return Evaluation.of(seed % 3 == 0 ? unconfirmed(asked) : asked, bare.whatIf());
  }

  /** What was said not to be there nobody has confirmed. */
  private static Selection unconfirmed(Selection selection) {
    return selection.among(
        selection.contenders().stream()
            .map(contender -> {
              Map<String, Map<String, Fact>> facts = new HashMap<>();
              contender
                  .facts()
                  .forEach((plan, own) -> {
                    Map<String, Fact> kept = new HashMap<>(own);
                    kept.values().removeIf(fact -> fact.answer() == Answer.NO);
                    facts.put(plan, kept);
                  });
              return new Contender(
                  contender.tool(),
                  facts,
                  contender.ratings(),
                  contender.setAside().orElse(null),
                  contender.takes().orElse(null));
            })
            .toList());
  }

  @Test
  public void everyConditionHoldsInsideItsBoundsAndNotOutside() {
    Map<Dimension, Integer> seen = new EnumMap<>(Dimension.class);
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = evaluation(seed);
      TakeIf takeIf = TakeIf.of(read);
      for (Map.Entry<String, List<Condition>> own : takeIf.all().entrySet()) {
        for (Condition condition : own.getValue()) {
          seen.merge(condition.dimension(), 1, Integer::sum);
          check(read, takeIf.lead(), own.getKey(), condition, "seed " + seed);
        }
      }
      for (Map.Entry<String, List<Condition.Between>> own : takeIf.sizes().entrySet()) {
        for (Condition range : own.getValue()) {
          seen.merge(range.dimension(), 1, Integer::sum);
          check(read, takeIf.lead(), own.getKey(), range, "seed " + seed);
        }
      }
    }
    for (Dimension dimension : Dimension.values()) {
      assertTrue(seen.getOrDefault(dimension, 0) > 2, dimension + " was seen too seldom: " + seen);
    }
  }

  private void check(Evaluation read, Lead lead, String tool, Condition condition, String where) {
    String what = where + ", " + tool + ": " + condition;
    switch (condition) {
      case Condition.Between between -> {
        assertEquals(leader(read, between.axis(), between.from()), Optional.of(tool), what);
        assertEquals(leader(read, between.axis(), between.to()), Optional.of(tool), what);
        if (!between.first()) {
          assertNotEquals(
              leader(read, between.axis(), between.from() - 1), Optional.of(tool), what);
        }
        if (!between.last()) {
          assertNotEquals(leader(read, between.axis(), between.to() + 1), Optional.of(tool), what);
        }
      }
      case Condition.If otherwise -> {
        assertNotEquals(lead.tool(), Optional.of(tool), what);
        Evaluation then = otherwise.otherwise().of(read);
        assertEquals(
            plainly(Evaluation.of(then.selection(), then.whatIf())), Optional.of(tool), what);
      }
      case Condition.Weight weight -> {
        assertEquals(weighed(read, weight.criterion(), weight.from()), Optional.of(tool), what);
        assertEquals(weighed(read, weight.criterion(), weight.to()), Optional.of(tool), what);
        if (weight.from() > 0) {
          assertNotEquals(
              weighed(read, weight.criterion(), weight.from() - 1), Optional.of(tool), what);
        }
        if (weight.to() < 100) {
          assertNotEquals(
              weighed(read, weight.criterion(), weight.to() + 1), Optional.of(tool), what);
        }
      }
      case Condition.Worth worth -> {
        assertEquals(valued(read, tool, worth.criterion(), worth.value()), Optional.of(tool), what);
        BigDecimal less = worth.value().subtract(new BigDecimal("0.01"));
        Interval open =
            read.scores().totals().orElseThrow().value(tool, worth.criterion()).interval();
        if (less.compareTo(open.low()) >= 0) {
          assertNotEquals(valued(read, tool, worth.criterion(), less), Optional.of(tool), what);
        }
      }
      case Condition.Costs costs -> {
        assertEquals(costing(read, tool, costs, costs.most()), Optional.of(tool), what);
        BigDecimal more = costs.most().add(new BigDecimal("0.01"));
        if (more.compareTo(most(read, tool, costs.criterion())) <= 0) {
          assertNotEquals(costing(read, tool, costs, more), Optional.of(tool), what);
        }
        assertTrue(
            read.costs().overall().leastTotal(tool).isPresent()
                || read.costs().overall().total(tool).isPresent(),
            "it has a price at all: " + what);
      }
      case Condition.Without without -> {
        assertNotEquals(lead.tool(), Optional.of(tool), what);
        List<Member> others = new ArrayList<>(read.selection().panel().members());
        others.remove(without.member());
        assertEquals(
            plainly(Evaluation.of(read.selection().judgedBy(new Panel(others)), read.whatIf())),
            Optional.of(tool),
            what);
      }
      case Condition.Unless unless -> throw new AssertionError("not searched for: " + what);
    }
  }

  /** Who is ahead of every other by the ends of what is known, from the totals or from costs. */
  private static Optional<String> plainly(Evaluation evaluation) {
    Map<String, Interval> all = new LinkedHashMap<>();
    for (Contender contender : evaluation.costs().overall().feasible()) {
      all.put(
          contender.id(),
          evaluation
              .scores()
              .totals()
              .map(totals -> totals.total(contender.id()))
              .orElseGet(() -> cheapness(evaluation.costs(), contender.id())));
    }
    return ahead(all);
  }

  /** The cost turned round. */
  private static Interval cheapness(Costs costs, String tool) {
    Optional<Amount> total = costs.overall().totalBounds(tool);
    BigDecimal low =
        total.map(t -> t.high().getAmount().negate()).orElse(BigDecimal.valueOf(-1_000_000_000));
    BigDecimal high =
        total
            .map(Amount::low)
            .orElseGet(() -> costs.overall().leastTotal(tool))
            .map(money -> money.getAmount().negate())
            .orElse(BigDecimal.ZERO);
    return new Interval(low, high.max(low));
  }

  private static Optional<String> ahead(Map<String, Interval> all) {
    return all.keySet().stream()
        .filter(tool ->
            all.keySet().stream()
                .filter(other -> !other.equals(tool))
                .allMatch(other -> Totals.isAbove(all.get(tool).low(), all.get(other).high())))
        .findFirst();
  }

  /** Who leads at one size: by the cost of that size worked out by itself. */
  private static Optional<String> leader(Evaluation read, Sizes.Axis axis, long size) {
    Costs there =
        switch (axis) {
          case Sizes.Axis.Headcount people ->
              read.costs()
                  .at(new WhatIf.Moment.Headcount((int) size, read.costs().occasion().month()));
          case Sizes.Axis.Quantity quantity ->
              Costs.of(
                  read.selection(),
                  read.whatIf()
                      .stating(
                          new tertulia.core.evaluation.Stated(
                              quantity.measure(), BigDecimal.valueOf(size))));
        };
    Optional<Totals> totals = read.scores().totals();
    int heads = axis instanceof Sizes.Axis.Headcount ? (int) size : read.costs().people().total();
    BigDecimal factor =
        BigDecimal.valueOf(read.costs().overall().planned().stream().mapToInt(People::total).sum())
            .divide(
                BigDecimal.valueOf(read.costs().overall().planned().size()), MathContext.DECIMAL128)
            .divide(BigDecimal.valueOf(heads), MathContext.DECIMAL128);
    Map<String, Interval> all = new LinkedHashMap<>();
    for (Contender contender : read.selection().active()) {
      Outcome<SteadyCost> outcome = there.now().steady(contender.id());
      if (!(outcome instanceof Outcome.NoPlan)) {
        all.put(contender.id(), standing(read, there, totals, contender.id(), factor));
      }
    }
    return ahead(all);
  }

  private static Interval standing(
      Evaluation read, Costs there, Optional<Totals> totals, String tool, BigDecimal factor) {
    Optional<Amount> month = there.now().monthly(tool);
    Optional<BigDecimal> most = month.map(m -> m.high().getAmount().multiply(factor));
    Optional<BigDecimal> least =
        month
            .map(Amount::low)
            .orElseGet(() -> there.now().leastMonthly(tool))
            .map(m -> m.getAmount().multiply(factor));
    if (totals.isEmpty()) {
      BigDecimal low = most.map(BigDecimal::negate).orElse(BigDecimal.valueOf(-1_000_000_000));
      return new Interval(low, least.map(BigDecimal::negate).orElse(BigDecimal.ZERO).max(low));
    }
    BigDecimal low = BigDecimal.ZERO;
    BigDecimal high = BigDecimal.ZERO;
    for (Criterion criterion : totals.get().criteria()) {
      BigDecimal weight = totals.get().weight(criterion);
      Interval value =
          criterion.kind() instanceof Criterion.Cost scale
              ? new Interval(
                  most.map(scale::valueOf).orElse(BigDecimal.ZERO),
                  least.map(scale::valueOf).orElse(BigDecimal.ONE))
              : read.worth(tool, criterion);
      low = low.add(weight.multiply(value.low()));
      high = high.add(weight.multiply(value.high()));
    }
    return new Interval(low, high);
  }

  /** Who leads with so much percent for a criterion, the others in proportion. */
  private static Optional<String> weighed(Evaluation read, Criterion criterion, int percent) {
    Totals totals = read.scores().totals().orElseThrow();
    BigDecimal weight = BigDecimal.valueOf(percent).movePointLeft(2);
    BigDecimal left = BigDecimal.ONE.subtract(totals.weight(criterion));
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    for (Criterion other : totals.criteria()) {
      weights.put(
          other.id(),
          other.equals(criterion)
              ? weight
              : left.signum() == 0
                  ? BigDecimal.ONE
                      .subtract(weight)
                      .divide(
                          BigDecimal.valueOf(totals.criteria().size() - 1L), MathContext.DECIMAL128)
                  : totals
                      .weight(other)
                      .multiply(BigDecimal.ONE.subtract(weight))
                      .divide(left, MathContext.DECIMAL128));
    }
    Totals.Standing first =
        new Totals(totals.criteria(), weights, totals.values()).standings().getFirst();
    return first.worstRank() == 1 ? Optional.of(first.contender()) : Optional.empty();
  }

  /** The most a month that the value of a cost still leaves open. */
  private static BigDecimal most(Evaluation read, String tool, Criterion criterion) {
    Criterion.Cost scale = (Criterion.Cost) criterion.kind();
    BigDecimal low = read.scores().totals().orElseThrow().value(tool, criterion).interval().low();
    return scale.worst().add(low.multiply(scale.best().subtract(scale.worst())));
  }

  private static Optional<String> costing(
      Evaluation read, String tool, Condition.Costs costs, BigDecimal amount) {
    Criterion.Cost scale = (Criterion.Cost) costs.criterion().kind();
    return valued(read, tool, costs.criterion(), scale.valueOf(amount));
  }

  /** Who leads if one mark were so much. */
  private static Optional<String> valued(
      Evaluation read, String tool, Criterion criterion, BigDecimal value) {
    Totals totals = read.scores().totals().orElseThrow();
    Map<String, Interval> all = new LinkedHashMap<>();
    for (String other : totals.values().keySet()) {
      Interval total = totals.total(other);
      if (other.equals(tool)) {
        Interval open = totals.value(tool, criterion).interval();
        BigDecimal weight = totals.weight(criterion);
        total =
            new Interval(
                total.low().add(weight.multiply(value.subtract(open.low()))),
                total.high().add(weight.multiply(value.subtract(open.high()))));
      }
      all.put(other, total);
    }
    return ahead(all);
  }

  @Test
  public void whatIsToldIsShortTellsThemApartAndNamesWhoNeverLeads() {
    int never = 0;
    int relying = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = evaluation(seed);
      TakeIf takeIf = TakeIf.of(read);
      assertEquals(takeIf.lead().tool(), plainly(read), "seed " + seed);
      List<Condition> rivals = new ArrayList<>();
      for (String tool : takeIf.all().keySet()) {
        List<Condition> told = takeIf.told(tool);
        boolean leads = takeIf.lead().tool().equals(Optional.of(tool));
        assertTrue(told.size() <= (leads ? TakeIf.MOST : 1), "seed " + seed);
        assertEquals(
            takeIf.never().contains(tool),
            !leads && told.isEmpty() && takeIf.sizes(tool).isEmpty(),
            "seed " + seed + " " + tool);
        if (leads) {
          relying += told.isEmpty() ? 0 : 1;
        } else {
          told.forEach(condition -> {
            assertFalse(rivals.contains(condition), "two are told the same: " + condition);
            rivals.add(condition);
          });
        }
      }
      never += takeIf.never().size();
      assertEquals(
          takeIf.tried().dropped(),
          read.selection().needs().stream()
              .filter(need -> need.importance() instanceof Importance.Must)
              .count());
      assertEquals(takeIf.tried().quantities(), List.of(Measure.AUTOMATION_RUNS));
    }
    assertTrue(never > 10 && relying > 10, never + " never, " + relying + " relying");
  }

  /** At each number of people alone: a range holds it just where its contender leads there. */
  @Test
  public void everyNumberOfPeopleIsInTheRangeOfWhoLeadsThere() {
    int led = 0;
    for (int seed = 1; seed < SELECTIONS; seed += 6) {
      Evaluation read = evaluation(seed);
      TakeIf takeIf = TakeIf.of(read);
      for (int n = 1; n <= Math.min(40, takeIf.tried().people()); n++) {
        int size = n;
        List<String> said =
            takeIf.sizes().entrySet().stream()
                .filter(own ->
                    own.getValue().stream().anyMatch(r -> r.from() <= size && size <= r.to()))
                .map(Map.Entry::getKey)
                .toList();
        Optional<String> leads = leader(read, new Sizes.Axis.Headcount(), n);
        assertEquals(said, leads.stream().toList(), "seed " + seed + ", " + n + " people");
        led += said.size();
      }
    }
    assertTrue(led > 100, led + " sizes have a leader");
  }

  /** What shares ways with the evaluation it came from is what it would be by itself. */
  @Test
  public void whatIsOtherwiseIsTheSameWorkedOutAnew() {
    int compared = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = evaluation(seed);
      List<Otherwise> all = new ArrayList<>(Otherwise.all(read));
      read.selection()
          .active()
          .forEach(c ->
              read.selection()
                  .needs()
                  .forEach(need -> all.add(new Otherwise.TurnedOut(c.id(), need.capability()))));
      for (Otherwise otherwise : all) {
        Evaluation shared = otherwise.of(read);
        Evaluation anew = Evaluation.of(shared.selection(), shared.whatIf());
        String what = "seed " + seed + ": " + otherwise;
        assertEquals(
            shared.costs().overall().feasible().stream().map(Contender::id).toList(),
            anew.costs().overall().feasible().stream().map(Contender::id).toList(),
            what);
        for (Contender contender : anew.costs().overall().feasible()) {
          assertEquals(
              shared.costs().overall().spreadTotal(contender.id()),
              anew.costs().overall().spreadTotal(contender.id()),
              what);
          assertEquals(
              shared.scores().totals().map(t -> t.total(contender.id())),
              anew.scores().totals().map(t -> t.total(contender.id())),
              what);
          compared++;
        }
      }
      // what was read first has kept its reasons
      Evaluation again = Evaluation.of(read.selection(), read.whatIf());
      for (Contender contender : read.selection().active()) {
        assertEquals(
            read.costs().overall().way(contender.id()).getClass(),
            again.costs().overall().way(contender.id()).getClass());
        assertEquals(
            read.costs().now().conflicts(contender.id()),
            again.costs().now().conflicts(contender.id()));
      }
    }
    assertTrue(compared > 1000, "only " + compared + " were compared");
  }
}
