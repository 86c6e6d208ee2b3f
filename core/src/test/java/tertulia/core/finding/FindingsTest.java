package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.Samples;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.Stated;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Dimension;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Ways;
import tertulia.core.pricing.Plan;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** Each kind of finding against the evaluation it speaks of, on generated selections. */
public class FindingsTest {
  private static final int SEEDS = 150;
  private final Map<String, Integer> seen = new HashMap<>();

  @DataProvider
  public Object[][] seeds() {
    Object[][] seeds = new Object[SEEDS][];
    for (int seed = 0; seed < SEEDS; seed++) {
      seeds[seed] = new Object[] {seed};
    }
    return seeds;
  }

  /** Every kind has to have been met, or its check has checked nothing. */
  @AfterClass
  public void everyKindWasMet() {
    for (Class<?> side : Finding.class.getPermittedSubclasses()) {
      // those are checked by tests of their own
      if (side == AnswerFinding.class
          || side == MissingFinding.class
          || side == RemarkFinding.class
          || side == AgreementFinding.class
          || side == ViewFinding.class
          || side == InterestFinding.class) {
        continue;
      }
      for (Class<?> kind : side.getPermittedSubclasses()) {
        assertTrue(seen.getOrDefault(kind.getSimpleName(), 0) > 0, kind + " of " + seen);
      }
    }
    for (Class<?> kind :
        List.of(
            CostFinding.WholePeriod.class,
            CostFinding.CheapestByHeadcount.class,
            CostFinding.WithinPlan.class,
            CostFinding.LeadChange.class,
            CostFinding.OnlyOne.class)) {
      assertTrue(seen.getOrDefault("open " + kind.getSimpleName(), 0) > 0, kind + " of " + seen);
    }
    for (Class<?> cause : CostFinding.Cause.class.getPermittedSubclasses()) {
      assertTrue(seen.getOrDefault(cause.getSimpleName(), 0) > 0, cause + " of " + seen);
    }
  }

  private void met(Object finding) {
    seen.merge(finding.getClass().getSimpleName(), 1, Integer::sum);
    boolean isOpen =
        switch (finding) {
          case CostFinding.WholePeriod whole -> !whole.open().isEmpty();
          case CostFinding.CheapestByHeadcount cheapest -> !cheapest.open().isEmpty();
          case CostFinding.WithinPlan within -> !within.open().isEmpty();
          case CostFinding.LeadChange change -> !change.certain();
          case CostFinding.OnlyOne only -> !only.toConfirm().isEmpty();
          default -> false;
        };
    if (isOpen) {
      seen.merge("open " + finding.getClass().getSimpleName(), 1, Integer::sum);
    }
  }

  /** One running sum is below the other from that month on, and was not in the month before. */
  private static void stayBelow(List<Money> mine, List<Money> theirs, int month) {
    for (int m = month; m < mine.size(); m++) {
      assertTrue(mine.get(m).isLessThan(theirs.get(m)), "in month " + m);
    }
    assertTrue(month == 0 || !mine.get(month - 1).isLessThan(theirs.get(month - 1)));
  }

  private static Measure measure(CostFinding.CheapestByQuantity finding) {
    return ((Dimension.Quantity) finding.dimension()).measure();
  }

  /** Each end of each stretch against the costs if just so many were stated. */
  private void byQuantity(Costs costs, CostFinding.CheapestByQuantity finding) {
    long next = finding.step();
    for (CostFinding.CheapestByHeadcount.Stretch stretch : finding.stretches()) {
      assertEquals(stretch.from(), next);
      for (int quantity : List.of(stretch.from(), stretch.to())) {
        Costs stated =
            Costs.of(
                    costs.selection(),
                    costs.whatIf().stating(new Stated(measure(finding), new BigDecimal(quantity))))
                .at(costs.whatIf().moment());
        Optional<Money> least =
            stated.now().orderByCost().stream()
                .findFirst()
                .map(tool -> stated.now().monthly(tool).orElseThrow().high());
        assertEquals(
            stretch.tool().map(tool -> stated.now().monthly(tool).orElseThrow().high()),
            least,
            quantity + " " + measure(finding).label());
        CostByHeadcount points =
            costs.curves().costBy(new Dimension.Quantity(measure(finding))).orElseThrow().points();
        for (Contender contender : costs.selection().active()) {
          assertEquals(
              points.curve(contender.id()).at(quantity / finding.step()).map(p -> p.money()),
              stated.now().monthly(contender.id()).map(amount -> amount.high()),
              contender.id() + " for " + quantity + " " + measure(finding).label());
        }
      }
      next = stretch.to() + finding.step();
    }
    assertEquals(next - finding.step(), finding.most());
  }

  /** Of all but the first nobody has said anything, so that none of them is confirmed to do. */
  @Test(dataProvider = "seeds")
  public void whoseRivalsAreNotConfirmedIsAlone(int seed) {
    Selection whole = Generated.selection(seed);
    List<Contender> contenders = new ArrayList<>(whole.contenders());
    contenders.replaceAll(c ->
        c.equals(whole.contenders().getFirst())
            ? c
            : new Contender(c.tool(), Map.of(), c.ratings(), c.aside(), c.effort()));
    Costs costs =
        Evaluation.of(Samples.asking(whole, whole.needs(), contenders), WhatIf.START).costs();
    for (CostFinding finding : new CostFindings(costs).all()) {
      if (finding instanceof CostFinding.OnlyOne) {
        met(finding);
        check(costs, finding);
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfCostIsSo(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    CostFindings findings = new CostFindings(costs);
    for (CostFinding finding : findings.all()) {
      met(finding);
      check(costs, finding);
    }
    List<CostFinding> overTime = new ArrayList<>(findings.crossings());
    overTime.addAll(findings.commitments());
    overTime.addAll(findings.againstOldTool());
    for (Measure measure : costs.selection().counted()) {
      costs
          .curves()
          .costBy(new Dimension.Quantity(measure))
          .flatMap(findings::byQuantity)
          .ifPresent(overTime::add);
    }
    for (CostFinding finding : overTime) {
      met(finding);
      check(costs, finding);
    }
    findings
        .mixedTerms()
        .ifPresent(mixed -> {
          met(mixed);
          mixed.monthly().forEach(id -> assertFalse(isCommitted(costs, id)));
          mixed.committed().forEach(id -> assertTrue(isCommitted(costs, id)));
          assertFalse(mixed.monthly().isEmpty() || mixed.committed().isEmpty());
          assertTrue(2 * mixed.fewer().size() <= mixed.monthly().size() + mixed.committed().size());
        });
    for (Contender contender : costs.selection().active()) {
      findings.fallingBand(contender.id()).ifPresent(this::met);
      findings
          .olderPrice(contender.id())
          .ifPresent(older -> {
            met(older);
            assertEquals(asOf(costs, older.tool()), older.asOf());
            assertTrue(older.asOf().plusDays(90).isBefore(older.newest()));
            assertTrue(
                costs.selection().active().stream()
                    .anyMatch(c -> older.newest().equals(asOf(costs, c.id()))));
          });
      findings
          .atMost(contender.id())
          .ifPresent(most -> {
            met(most);
            assertFalse(most.because().isEmpty());
            assertTrue(
                costs
                    .curves()
                    .costByHeadcount()
                    .curve(contender.id())
                    .at(costs.people().total())
                    .map(CostByHeadcount.Point::atMost)
                    .orElse(true));
          });
      findings
          .beyondCap(contender.id())
          .ifPresent(cap -> {
            met(cap);
            if (cap.people() > 0) {
              List<Reason> there =
                  at(costs, cap.people()).now().against(contender.id()).get(cap.plan());
              assertEquals(there, List.of(), "it does for so many");
              assertNotEquals(
                  at(costs, cap.people() + 1).now().against(contender.id()).get(cap.plan()),
                  List.of());
            }
          });
    }
  }

  @Test(dataProvider = "seeds")
  public void aPlaceIsByFigureAndSaysWhereThatIsABound(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    int people = costs.people().total();
    Map<String, Money> figures = new LinkedHashMap<>();
    costs
        .selection()
        .active()
        .forEach(c -> cost(costs, c.id(), people).ifPresent(m -> figures.put(c.id(), m)));
    Optional<Money> least = figures.values().stream().min(Money::compareTo);
    for (Contender contender : costs.selection().active()) {
      Optional<CostFindings.Place> place = new CostFindings(costs).place(contender.id());
      assertEquals(place.isPresent(), figures.containsKey(contender.id()));
      if (place.isPresent()) {
        Money own = figures.get(contender.id());
        assertEquals(place.get().of(), figures.size());
        assertEquals(place.get().least().plus(place.get().more()), own);
        assertEquals(place.get().least(), least.orElseThrow());
        assertEquals(
            place.get().place() - 1L,
            figures.values().stream().filter(m -> m.isLessThan(own)).count());
        boolean bound =
            figures.entrySet().stream()
                .filter(e -> e.getKey().equals(contender.id()) || e.getValue().equals(least.get()))
                .anyMatch(
                    e -> least(costs, e.getKey(), people) < e.getValue().getAmountMinorLong());
        assertEquals(place.get().bound(), bound);
      }
    }
  }

  private static LocalDate asOf(Costs costs, String id) {
    return costs.now().steady(id) instanceof Outcome.Found<SteadyCost> found
        ? found.best().option().plan().source().asOf()
        : LocalDate.MIN;
  }

  private static boolean isCommitted(Costs costs, String id) {
    return ((Outcome.Found<SteadyCost>) costs.now().steady(id))
        .best()
        .option()
        .list()
        .term()
        .isCommitted();
  }

  private static Costs at(Costs costs, int people) {
    return costs.at(new WhatIf.Moment.Headcount(people, costs.occasion().month()));
  }

  /** What a tool costs for so many people, by the exact path. */
  private static Optional<Money> cost(Costs costs, String tool, int people) {
    Costs then = at(costs, people);
    return then.now().steady(tool) instanceof Outcome.Found<SteadyCost> found
        ? then.now().steadyTime(tool).map(found.best().money()::plus)
        : Optional.empty();
  }

  private void check(Costs costs, CostFinding finding) {
    switch (finding) {
      case CostFinding.OnlyOne only -> {
        List<String> others =
            costs.selection().active().stream()
                .map(Contender::id)
                .filter(id -> !id.equals(only.tool()))
                .toList();
        assertEquals(only.others(), others);
        for (String other : others) {
          assertTrue(
              costs.overall().way(other) instanceof Ways.Gap gap && !gap.isUnpriced(), other);
          boolean open =
              costs.now().steady(other) instanceof Outcome.NoPlan<?> none
                  && none.passedOver().values().stream()
                      .anyMatch(Verdict.Unconfirmed.class::isInstance);
          assertEquals(only.toConfirm().contains(other), open, other);
          for (int n = 1; n <= only.most(); n++) {
            assertTrue(
                at(costs, n).now().steady(other) instanceof Outcome.NoPlan, other + " at " + n);
          }
        }
        assertEquals(only.month(), costs.now().monthly(only.tool()));
        assertEquals(only.whole(), costs.overall().totalBounds(only.tool()));
        assertTrue(only.month().isPresent() || only.whole().isPresent());
      }
      case CostFinding.WholePeriod whole -> wholePeriod(costs, whole);
      case CostFinding.NobodyHasAFigure nobody ->
          costs
              .selection()
              .active()
              .forEach(c -> assertEquals(cost(costs, c.id(), 10), Optional.empty()));
      case CostFinding.CheapestByHeadcount cheapest -> cheapest(costs, cheapest);
      case CostFinding.LeadChange change -> leadChange(costs, change);
      case CostFinding.WithinPlan within -> {
        for (int n = Math.max(2, within.fewest() + 1); n <= within.most(); n++) {
          boolean changes = !leader(costs, n).equals(leader(costs, n - 1));
          assertEquals(within.changes().contains(n), changes, "at " + n);
        }
        Set<String> open = new HashSet<>();
        for (int n = Math.max(1, within.fewest()); n <= within.most(); n++) {
          for (Contender other : costs.selection().active()) {
            String lead = leader(costs, n);
            if (!lead.isEmpty()
                && !other.id().equals(lead)
                && least(costs, other.id(), n)
                    < cost(costs, lead, n).orElseThrow().getAmountMinorLong()) {
              open.add(other.id());
            }
          }
        }
        assertEquals(new HashSet<>(within.open()), open);
      }
      case CostFinding.FreeUpTo free -> {
        assertTrue(cost(costs, free.tool(), free.people()).orElseThrow().isZero());
        boolean ends = free.people() < costs.curves().costByHeadcount().most();
        assertEquals(free.ends(), ends);
        Optional<Money> next = cost(costs, free.tool(), free.people() + 1);
        assertFalse(ends && next.map(Money::isZero).orElse(false), "free no further");
        for (int m = 0; m < Generated.MONTHS; m++) {
          boolean does = free.always() || free.doesUntil().filter(until -> until >= 0).isPresent();
          if (does && m <= free.doesUntil().orElseThrow()) {
            assertTrue(costs.overall().planned().get(m).total() <= free.people());
          }
        }
      }
      case CostFinding.WholeStaffPays staff ->
          assertEquals(costs.now().wholeStaff(staff.tool()).orElseThrow().named(), staff.named());
      case CostFinding.NoWay none -> {
        assertTrue(costs.overall().way(none.tool()) instanceof Ways.Gap);
        assertTrue(costs.overall().total(none.tool()).isEmpty());
        assertFalse(none.reasons().isEmpty(), "what it is on now does not do then");
      }
      case CostFinding.PaysFrom pays ->
          stayBelow(
              costs.overall().running(pays.tool()).orElseThrow(),
              costs.overall().running(pays.rival()).orElseThrow(),
              pays.month());
      case CostFinding.BeatsOldTool beats ->
          stayBelow(
              costs.overall().running(beats.tool()).orElseThrow(), oldTool(costs), beats.month());
      case CostFinding.OldToolCostsNoMore none -> {
        for (String tool : none.tools()) {
          assertFalse(
              costs
                  .overall()
                  .running(tool)
                  .orElseThrow()
                  .getLast()
                  .isLessThan(oldTool(costs).getLast()));
        }
      }
      case CostFinding.CommitmentPays pays ->
          stayBelow(
              costs.overall().running(pays.tool()).orElseThrow(),
              costs.overall().runningAllMonthly(pays.tool()).orElseThrow(),
              pays.month());
      case CostFinding.CheapestByQuantity cheapest -> byQuantity(costs, cheapest);
      case CostFinding.MixedTerms mixed -> throw new AssertionError("a warning");
      case CostFinding.OlderPrice older -> throw new AssertionError("a warning");
      case CostFinding.FallingBand band -> throw new AssertionError("a warning");
      case CostFinding.BeyondCap cap -> throw new AssertionError("a warning");
      case CostFinding.AtMost most -> throw new AssertionError("a warning");
    }
  }

  private static String leader(Costs costs, int n) {
    return costs.curves().costByHeadcount().leads().stream()
        .filter(lead -> lead.n() <= n)
        .reduce((a, b) -> b)
        .flatMap(CostByHeadcount.Lead::tool)
        .orElse("");
  }

  private static List<Money> oldTool(Costs costs) {
    BigDecimal month = costs.selection().practice().labour().oldTool().orElseThrow();
    return IntStream.rangeClosed(1, costs.selection().horizon().months())
        .mapToObj(
            m -> Money.of(costs.selection().currency(), month.multiply(BigDecimal.valueOf(m))))
        .toList();
  }

  private static void wholePeriod(Costs costs, CostFinding.WholePeriod whole) {
    Map<String, Money> totals = new LinkedHashMap<>();
    costs
        .selection()
        .active()
        .forEach(c -> costs.overall().total(c.id()).ifPresent(total -> totals.put(c.id(), total)));
    Money least = totals.values().stream().min(Money::compareTo).orElseThrow();
    totals.forEach(
        (id, total) -> assertEquals(whole.whole().contains(id), total.equals(least), id));
    whole
        .now()
        .ifPresent(id -> {
          Money mine = cost(costs, id, costs.people().total()).orElseThrow();
          costs
              .selection()
              .active()
              .forEach(c ->
                  cost(costs, c.id(), costs.people().total())
                      .ifPresent(
                          other -> assertFalse(other.isLessThan(mine), id + " is cheapest now")));
          assertEquals(whole.apart().isPresent(), whole.differs());
          if (whole.differs()) {
            apart(costs, id, whole);
          }
        });
    for (Contender other : costs.selection().active()) {
      boolean now =
          whole
              .now()
              .filter(id -> !id.equals(other.id()))
              .filter(id ->
                  least(costs, other.id(), costs.people().total())
                      < cost(costs, id, costs.people().total()).orElseThrow().getAmountMinorLong())
              .isPresent();
      boolean period =
          whole.whole().stream()
              .filter(id -> !id.equals(other.id()))
              .anyMatch(id -> leastTotal(costs, other.id()) < least.getAmountMinorLong());
      assertEquals(whole.open().contains(other.id()), now || period, other.id());
    }
    boolean exact =
        totals.keySet().stream()
            .allMatch(id -> costs.overall().totalBounds(id).orElseThrow().isExact());
    whole
        .paysFrom()
        .ifPresent(from -> {
          String id = whole.whole().getFirst();
          for (int m = 0; m < Generated.MONTHS; m++) {
            boolean below = true;
            for (String rival : totals.keySet()) {
              below &=
                  rival.equals(id) || running(costs, id, m).isLessThan(running(costs, rival, m));
            }
            assertTrue(m < from || below, "ahead from " + from + ", not in " + m);
            assertTrue(m != from - 1 || !below, "not ahead in " + m);
          }
        });
    assertEquals(
        whole.paysFrom().isPresent(), exact && whole.whole().size() == 1 && totals.size() > 1);
  }

  /** An amount off is only said as far as it is so at the least the dearer one can cost. */
  private static void apart(Costs costs, String now, CostFinding.WholePeriod whole) {
    String cheapest = whole.whole().getFirst();
    long figure = costs.overall().total(cheapest).orElseThrow().getAmountMinorLong();
    switch (whole.apart().orElseThrow()) {
      case Apart.NotKnown none -> assertTrue(costs.overall().total(now).isEmpty());
      case Apart.Open open -> assertTrue(leastTotal(costs, now) <= figure);
      case Apart.Same same -> throw new AssertionError("then it would be among the cheapest");
      case Apart.Cheaper cheaper -> {
        assertEquals(cheaper.by().getAmountMinorLong(), leastTotal(costs, now) - figure);
        boolean exact =
            leastTotal(costs, now) == costs.overall().total(now).orElseThrow().getAmountMinorLong()
                && leastTotal(costs, cheapest) == figure;
        assertEquals(cheaper.atLeast(), !exact);
      }
    }
  }

  /** The least a tool can cost for so many people in cents, by the exact path. */
  private static long least(Costs costs, String tool, int people) {
    Costs then = at(costs, people);
    return switch (then.now().steady(tool)) {
      case Outcome.NoPlan<SteadyCost> none -> Long.MAX_VALUE;
      case Outcome.Unpriced<SteadyCost> unpriced ->
          unpriced.low().isEmpty() || then.now().steadyTime(tool).isEmpty()
              ? Long.MIN_VALUE
              : unpriced
                  .low()
                  .get()
                  .money()
                  .plus(then.now().steadyTime(tool).get())
                  .getAmountMinorLong();
      case Outcome.Found<SteadyCost> found ->
          found.isAtMost() || then.now().steadyTime(tool).isEmpty()
              ? Long.MIN_VALUE
              : found
                  .low()
                  .map(SteadyCost::money)
                  .filter(low -> low.isLessThan(found.best().money()))
                  .orElse(found.best().money())
                  .plus(then.now().steadyTime(tool).get())
                  .getAmountMinorLong();
    };
  }

  /** The least a tool can cost over the plan months in cents. */
  private static long leastTotal(Costs costs, String tool) {
    return switch (costs.overall().way(tool)) {
      case Ways.Gap gap ->
          gap.isUnpriced()
              ? costs
                  .overall()
                  .leastTotal(tool)
                  .map(Money::getAmountMinorLong)
                  .orElse(Long.MIN_VALUE)
              : Long.MAX_VALUE;
      case Ways.Found found -> {
        Money read = costs.overall().total(tool).orElseThrow();
        Money high = found.best().ledger().total(costs.whatIf().view());
        Money low = found.low().map(way -> way.ledger().total(costs.whatIf().view())).orElse(high);
        yield found.isAtMost() ? Long.MIN_VALUE : read.minus(high).plus(low).getAmountMinorLong();
      }
    };
  }

  /** Added up anew from the months and the people's time. */
  private static Money running(Costs costs, String id, int m) {
    Money sum = Money.zero(EUR);
    Ways.Found found = (Ways.Found) costs.overall().way(id);
    for (int i = 0; i <= m; i++) {
      sum = sum.plus(found.best().ledger().months(costs.whatIf().view()).get(i));
      if (costs.whatIf().basis() == WhatIf.Basis.FULL) {
        int month = i;
        sum =
            ((tertulia.core.labour.Takes.Known) costs.overall().takes(id))
                .time().lines().stream()
                    .filter(line -> line.month() == month)
                    .map(line -> line.money())
                    .reduce(sum, Money::plus);
      }
    }
    return sum;
  }

  private static void cheapest(Costs costs, CostFinding.CheapestByHeadcount cheapest) {
    int before = cheapest.stretches().getFirst().from() - 1;
    for (CostFinding.CheapestByHeadcount.Stretch stretch : cheapest.stretches()) {
      assertEquals(stretch.from(), before + 1, "without a gap");
      before = stretch.to();
      Set<String> level = new HashSet<>();
      Set<String> open = new HashSet<>();
      for (int n = stretch.from(); n <= Math.min(stretch.to(), 60); n++) {
        Optional<Money> mine =
            stretch.tool().isEmpty() ? Optional.empty() : cost(costs, stretch.tool().get(), n);
        for (Contender other : costs.selection().active()) {
          Optional<Money> theirs = cost(costs, other.id(), n);
          if (stretch.tool().isEmpty()) {
            assertTrue(theirs.isEmpty());
          } else if (theirs.isPresent() && !other.id().equals(stretch.tool().get())) {
            assertFalse(theirs.get().isLessThan(mine.orElseThrow()), other.id() + " for " + n);
            if (theirs.equals(mine)) {
              level.add(other.id());
            }
          }
          if (mine.isPresent()
              && !other.id().equals(stretch.tool().get())
              && least(costs, other.id(), n) < mine.get().getAmountMinorLong()) {
            open.add(other.id());
          }
        }
      }
      assertTrue(stretch.level().containsAll(level), "level ones are named");
      if (stretch.to() <= 60) {
        assertEquals(new HashSet<>(stretch.level()), level);
        assertEquals(new HashSet<>(stretch.open()), open);
      }
      assertTrue(stretch.open().containsAll(open), "those that may be cheaper are named");
    }
  }

  private void leadChange(Costs costs, CostFinding.LeadChange change) {
    Optional<Money> before = cost(costs, change.before(), change.n());
    Money now = cost(costs, change.now(), change.n()).orElseThrow();
    assertTrue(before.isEmpty() || now.isLessThan(before.get()), change.toString());
    assertEquals(
        change.certain(),
        now.getAmountMinorLong() < least(costs, change.before(), change.n()),
        change.toString());
    met(change.cause());
    Optional<Money> beforeWas = cost(costs, change.before(), change.n() - 1);
    Optional<Money> nowWas = cost(costs, change.now(), change.n() - 1);
    switch (change.cause()) {
      case CostFinding.Cause.LeavesPlan leaves -> assertFalse(leaves.reasons().isEmpty());
      case CostFinding.Cause.TakesPlan takes ->
          assertEquals(
              ((Outcome.Found<SteadyCost>) at(costs, change.n()).now().steady(takes.tool()))
                  .best()
                  .option()
                  .name(),
              takes.option());
      case CostFinding.Cause.Jumps jumps ->
          assertEquals(before.orElseThrow().minus(beforeWas.orElseThrow()), jumps.by());
      case CostFinding.Cause.Falls falls -> {
        assertEquals(nowWas.orElseThrow().minus(now), falls.by());
        assertTrue(falls.by().isPositive());
      }
      case CostFinding.Cause.GrowsLess less -> {
        assertEquals(now.minus(nowWas.orElseThrow()), less.less());
        assertEquals(before.orElseThrow().minus(beforeWas.orElseThrow()), less.more());
        assertTrue(less.less().isLessThan(less.more()), "it does grow less: " + less);
      }
      case CostFinding.Cause.HasAFigure has ->
          assertTrue(before.isEmpty() || beforeWas.isEmpty() || nowWas.isEmpty());
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfFitIsSo(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    for (FitFinding finding : new FitFindings(costs).all()) {
      met(finding);
      switch (finding) {
        case FitFinding.OnlyTogether together -> {
          assertTrue(together.needs().size() > 1);
          Costs without =
              Evaluation.of(Generated.without(costs.selection(), together.needs()), costs.whatIf())
                  .costs();
          assertNotEquals(
              without.overall().total(together.tool()),
              costs.overall().total(together.tool()),
              "giving up all of them changes something");
          if (together.effect() instanceof NeedCosts.Effect.Costs more) {
            assertEquals(
                more.exact(),
                costs.overall().totalBounds(together.tool()).orElseThrow().isExact()
                    && without.overall().totalBounds(together.tool()).orElseThrow().isExact());
          }
          List<NeedCosts.Line> lines = costs.overall().needCosts().lines();
          for (Need need : together.needs()) {
            NeedCosts.Effect alone =
                lines.stream()
                    .filter(line -> line.need().equals(need))
                    .findFirst()
                    .orElseThrow()
                    .byContender()
                    .get(together.tool());
            switch (together.effect()) {
              case NeedCosts.Effect.Costs c ->
                  assertTrue(((NeedCosts.Effect.Costs) alone).more().isZero(), "nothing alone");
              case NeedCosts.Effect.RulesOut out ->
                  assertTrue(alone instanceof NeedCosts.Effect.NoTotal, "none without one alone");
              case NeedCosts.Effect.NoTotal none -> throw new AssertionError("not a finding");
            }
          }
        }
        case FitFinding.NotTheFirst not -> {
          SteadyCost taken = ((Outcome.Found<SteadyCost>) costs.now().steady(not.tool())).best();
          assertEquals(taken.option().label(), not.taken());
          assertEquals(taken.money(), not.cost().high());
          assertEquals(
              not.cost().isExact(),
              least(costs, not.tool(), costs.people().total())
                  == cost(costs, not.tool(), costs.people().total())
                      .map(Money::getAmountMinorLong)
                      .orElse(0L));
          List<Plan> plans = costs.selection().contender(not.tool()).tool().plans();
          List<String> does =
              plans.stream()
                  .map(Plan::name)
                  .filter(plan ->
                      costs.now().against(not.tool()).getOrDefault(plan, List.of()).isEmpty())
                  .toList();
          assertEquals(does.getFirst(), not.first());
          assertTrue(does.indexOf(taken.option().plan().name()) > 0, does.toString());
        }
        case FitFinding.NoPlanDoes none -> throw new AssertionError("of one tool");
        case FitFinding.FirstThatDoes first -> throw new AssertionError("of one tool");
        case FitFinding.WillNotDo not -> throw new AssertionError("of one tool");
        case FitFinding.NextBrings next -> throw new AssertionError("of one tool");
        case FitFinding.NoPlan none -> {
          assertFalse(costs.now().steady(none.tool()) instanceof Outcome.Found);
          none.conflicts()
              .smallest()
              .forEach(set ->
                  costs
                      .now()
                      .against(none.tool())
                      .forEach((plan, reasons) ->
                          assertTrue(
                              reasons.stream().map(Reason::requirement).anyMatch(set::contains),
                              plan)));
        }
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfAToolsPlansIsSo(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    Capability a = new Capability("a", "Need a");
    Capability b = new Capability("b", "Need b");
    for (Contender contender : costs.selection().active()) {
      List<Plan> plans = contender.tool().plans();
      List<Boolean> does =
          plans.stream()
              .map(p ->
                  costs.now().against(contender.id()).getOrDefault(p.name(), List.of()).isEmpty())
              .toList();
      int first = does.indexOf(true);
      PlanFindings findings = new PlanFindings(costs, contender, List.of(a, b));
      List<String> out = new ArrayList<>();
      for (FitFinding finding : findings.all()) {
        met(finding);
        switch (finding) {
          case FitFinding.NoPlanDoes none -> assertEquals(first, -1);
          case FitFinding.FirstThatDoes found -> {
            assertEquals(found.plan(), plans.get(first).name());
            assertEquals(found.isFirst(), first == 0);
          }
          case FitFinding.WillNotDo not -> {
            out.add(not.plan());
            assertFalse(not.reasons().isEmpty());
          }
          case FitFinding.NextBrings next -> next(costs, contender, first, next);
          case FitFinding.NotTheFirst not -> assertEquals(not.first(), plans.get(first).name());
          case FitFinding.OnlyTogether together -> throw new AssertionError("of all needs");
          case FitFinding.NoPlan none -> throw new AssertionError("of all plans");
        }
      }
      assertEquals(
          out, first < 0 ? List.of() : plans.subList(0, first).stream().map(Plan::name).toList());
    }
  }

  private static void next(
      Costs costs, Contender contender, int first, FitFinding.NextBrings next) {
    Plan before = contender.tool().plans().get(first);
    Plan plan = contender.tool().plans().get(first + 1);
    assertEquals(next.plan(), plan.name());
    List<String> asked =
        costs.selection().needs().stream().map(need -> need.capability().id()).toList();
    List<String> gains = new ArrayList<>();
    List<String> beyond = new ArrayList<>();
    for (String id : List.of("a", "b")) {
      boolean had = contender.facts().get(before.id()).get(id).answer() == Answer.YES;
      boolean has = contender.facts().get(plan.id()).get(id).answer() == Answer.YES;
      if (has && !had) {
        (asked.contains(id) ? gains : beyond).add(id);
      }
    }
    assertEquals(next.gains().stream().map(need -> need.capability().id()).toList(), gains);
    assertEquals(next.beyond().stream().map(Capability::id).toList(), beyond);
    Optional<Money> own =
        costs.now().planAlone(contender.offerings().get(first + 1)).map(c -> c.money());
    Optional<Money> was =
        costs.now().planAlone(contender.offerings().get(first)).map(c -> c.money());
    assertEquals(next.more().isPresent(), own.isPresent() && was.isPresent());
    next.more().ifPresent(more -> assertEquals(was.get().plus(more), own.get()));
  }

  /** Against the same selection without its cheapest, or with its prices of another seed. */
  @Test(dataProvider = "seeds")
  public void whatIsSaidOfAChangeIsSo(int seed) {
    Evaluation before = Generated.evaluation(seed);
    List<Contender> others = new ArrayList<>(before.selection().contenders());
    if (seed % 3 > 0 && others.size() > 1) {
      others.remove(seed % others.size());
    }
    Evaluation after =
        Evaluation.of(Generated.with(before.selection(), others), before.costs().whatIf());
    ChangeFinding.OrderAfter order = new ChangeFindings(before, after).order();
    met(order);
    assertEquals(order.cheapestBefore(), cheapest(before.costs()));
    assertEquals(order.cheapest(), cheapest(after.costs()));
    assertEquals(order.leadBefore(), new ScoreFindings(before).lead());
    assertEquals(order.lead(), new ScoreFindings(after).lead());
    if (seed % 3 == 0) {
      assertFalse(order.cheapestChanges() || order.leadChanges(), "nothing has changed");
    }
    for (String id : ChangeFinding.OrderAfter.ahead(order.lead())) {
      Totals totals = after.scores().totals().orElseThrow();
      totals
          .values()
          .keySet()
          .forEach(other ->
              assertTrue(
                  totals
                          .total(other)
                          .midpoint()
                          .subtract(totals.total(id).midpoint())
                          .compareTo(Totals.LEVEL)
                      < 0,
                  other + " is not ahead of " + id));
    }
  }

  private static List<String> cheapest(Costs costs) {
    Map<String, Money> all = new LinkedHashMap<>();
    costs
        .selection()
        .active()
        .forEach(
            c -> cost(costs, c.id(), costs.people().total()).ifPresent(m -> all.put(c.id(), m)));
    return all.entrySet().stream()
        .filter(e -> all.values().stream().noneMatch(m -> m.isLessThan(e.getValue())))
        .map(Map.Entry::getKey)
        .toList();
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfGrowthIsSo(int seed) {
    Selection selection = Generated.evaluation(seed).selection();
    GrowthFindings findings =
        new GrowthFindings(selection.groups(), selection.horizon(), selection.scenarios());
    for (GrowthFinding finding : findings.all()) {
      met(finding);
      switch (finding) {
        case GrowthFinding.PeopleInTheEnd end -> {
          assertEquals(end.month(), Generated.MONTHS - 1);
          assertEquals(
              end.ends().stream().map(GrowthFinding.PeopleInTheEnd.If::scenario).toList(),
              selection.scenarios());
          end.ends()
              .forEach(e -> assertEquals(e.people(), people(selection, end.month(), e.scenario())));
        }
        case GrowthFinding.MostPeople most -> {
          for (int m = 0; m < Generated.MONTHS; m++) {
            int people = people(selection, m, Scenario.EXPECTED);
            assertTrue(m < most.month() ? people < most.people() : people <= most.people());
          }
          assertEquals(people(selection, most.month(), Scenario.EXPECTED), most.people());
        }
      }
    }
  }

  /** Group by group. */
  private static int people(Selection selection, int m, Scenario scenario) {
    return selection.groups().stream()
        .mapToInt(group -> group.headcount(selection.horizon(), m, scenario))
        .sum();
  }

  @Test(dataProvider = "seeds")
  public void whatIsSaidOfTheLeadIsSo(int seed) {
    Evaluation evaluation = Generated.evaluation(seed);
    ScoreFindings findings = new ScoreFindings(evaluation);
    ScoreFinding lead = findings.lead();
    met(lead);
    Optional<Totals> totals = evaluation.scores().totals();
    switch (lead) {
      case ScoreFinding.NoTotals none -> {
        assertTrue(totals.isEmpty());
        assertEquals(none.anybodyRanked(), !evaluation.costs().overall().feasible().isEmpty());
      }
      case ScoreFinding.Leads leads ->
          totals.orElseThrow().values().keySet().stream()
              .filter(id -> !id.equals(leads.tool()))
              .forEach(id ->
                  assertTrue(leads.total().low().compareTo(totals.get().total(id).high()) > 0, id));
      case ScoreFinding.LevelLead level -> {
        assertTrue(level.tools().size() > 1);
        level
            .tools()
            .forEach(id -> {
              Interval total = totals.orElseThrow().total(id);
              assertTrue(total.isExact());
              assertTrue(total.low().subtract(level.total()).abs().compareTo(Totals.LEVEL) < 0, id);
            });
      }
      case ScoreFinding.OpenLead open -> {
        assertFalse(open.open().isEmpty(), "something is open");
        assertTrue(open.worst() > 1);
        assertTrue(
            open.open().stream()
                .allMatch(name ->
                    evaluation.scores().criteria().stream()
                        .filter(c -> c.name().equals(name))
                        .anyMatch(c ->
                            totals.orElseThrow().values().keySet().stream()
                                .anyMatch(id -> !totals.get().value(id, c).interval().isExact()))));
      }
      case ScoreFinding.OutsideScale outside -> throw new AssertionError("a warning");
      case ScoreFinding.CountedTwice twice -> throw new AssertionError("a warning");
      case ScoreFinding.GuessedScale guess -> throw new AssertionError("a warning");
      case ScoreFinding.WorthUnder worth -> throw new AssertionError("no lead");
    }
    for (ScoreFinding.WorthUnder under : findings.worths()) {
      met(under);
      Criterion criterion =
          evaluation.scores().criteria().stream()
              .filter(c -> c.name().equals(under.criterion()))
              .findFirst()
              .orElseThrow();
      BigDecimal before = BigDecimal.ONE;
      for (ScoreFinding.WorthUnder.Worth worth : under.worths()) {
        assertEquals(
            worth.value(),
            evaluation.scores().value(worth.tool(), criterion).orElseThrow().interval());
        assertTrue(worth.value().midpoint().compareTo(before) <= 0, "the most first");
        before = worth.value().midpoint();
      }
      assertEquals(under.worths().size(), evaluation.costs().overall().feasible().size());
    }
    for (ScoreFinding.CountedTwice twice : findings.countedTwice()) {
      met(twice);
      assertEquals(twice, new ScoreFinding.CountedTwice("Felt price", "Cost", true));
    }
    for (ScoreFinding.OutsideScale outside : findings.outsideScale()) {
      met(outside);
      Criterion.Cost proposed = new Criterion.Cost(outside.worst(), outside.best());
      Set<BigDecimal> told = new HashSet<>();
      Set<Money> amounts = new HashSet<>();
      for (String id : outside.tools()) {
        Money total = evaluation.costs().overall().spreadTotal(id).orElseThrow();
        amounts.add(total);
        told.add(
            proposed
                .valueOf(
                    total
                        .getAmount()
                        .divide(
                            BigDecimal.valueOf(Generated.MONTHS),
                            10,
                            java.math.RoundingMode.HALF_UP))
                .stripTrailingZeros());
      }
      assertTrue(amounts.size() > 1, "they differ");
      assertEquals(told.size(), amounts.size(), "the scale proposed tells them apart");
    }
  }

  /** What would be guessed of the same contenders, against the values a stated scale gives them. */
  @Test(dataProvider = "seeds")
  public void aGuessedScaleHoldsAllContenders(int seed) {
    Selection stated = Generated.selection(seed);
    List<Criterion> criteria =
        stated.criteria().stream()
            .map(c ->
                c.kind() instanceof Criterion.Cost
                    ? new Criterion(c.id(), c.name(), new Criterion.CostAsFound())
                    : c)
            .toList();
    Evaluation guessing = Evaluation.of(counting(stated, criteria), WhatIf.START);
    List<BigDecimal> costs =
        guessing.costs().overall().feasible().stream()
            .flatMap(c -> guessing.costs().overall().spreadTotal(c.id()).stream())
            .map(m ->
                m.getAmount()
                    .divide(
                        BigDecimal.valueOf(Generated.MONTHS), 10, java.math.RoundingMode.HALF_UP))
            .sorted()
            .toList();
    List<ScoreFinding.GuessedScale> guessed = new ScoreFindings(guessing).guessedScales();
    boolean apart = !costs.isEmpty() && !costs.getFirst().equals(costs.getLast());
    assertEquals(!guessed.isEmpty(), apart, "a scale needs two that differ: " + costs);
    for (ScoreFinding.GuessedScale guess : guessed) {
      met(guess);
      assertTrue(guess.worst().compareTo(costs.getLast()) >= 0, guess + " of " + costs);
      assertTrue(guess.best().compareTo(costs.getFirst()) <= 0, guess + " of " + costs);
      Criterion same =
          new Criterion("cost", "Cost", new Criterion.Cost(guess.worst(), guess.best()));
      Evaluation scaled =
          Evaluation.of(counting(stated, List.of(same, stated.criteria().getLast())), WhatIf.START);
      for (Contender contender : guessing.costs().overall().feasible()) {
        assertEquals(
            guessing
                .scores()
                .value(contender.id(), criteria.getFirst())
                .map(v -> v.interval())
                .orElseThrow(),
            scaled.scores().value(contender.id(), same).map(v -> v.interval()).orElseThrow());
      }
    }
  }

  private static Selection counting(Selection s, List<Criterion> criteria) {
    return new Selection(
        s.title(),
        s.purpose(),
        s.asOf(),
        s.horizon(),
        s.currency(),
        s.rise(),
        s.groups(),
        s.demands(),
        s.averagePayment(),
        s.needs(),
        criteria,
        s.contenders(),
        s.panel(),
        s.rates(),
        s.scenarios(),
        s.practice());
  }

  private static Trials trials(Selection selection, Random random) {
    List<Task> tasks = new ArrayList<>();
    for (Need need : selection.needs()) {
      if (random.nextInt(3) > 0) {
        String id = need.capability().id();
        tasks.add(new Task("try-" + id, "Try " + id, new Task.From.OfNeed(id)));
      }
    }
    List<Trial> trials = new ArrayList<>();
    for (Contender contender : selection.active()) {
      if (random.nextInt(4) > 0) {
        List<Trial.Result> results = new ArrayList<>();
        for (Task task : tasks) {
          for (String by : List.of("One", "Two")) {
            if (random.nextInt(3) > 0) {
              results.add(
                  new Trial.Result(
                      task.id(),
                      by,
                      random.nextInt(3) == 0 ? Trial.Completion.NOT_DONE : Trial.Completion.DONE,
                      random.nextInt(4) == 0 ? null : random.nextInt(30),
                      "",
                      selection.asOf().minusDays(random.nextInt(20))));
            }
          }
        }
        List<Plan> plans = contender.tool().plans();
        trials.add(
            new Trial(
                contender.id(),
                random.nextInt(5) == 0 ? null : plans.get(random.nextInt(plans.size())).id(),
                selection.asOf().minusDays(20),
                random.nextInt(3) == 0 ? null : selection.asOf().plusDays(random.nextInt(9) - 4),
                "",
                List.of("One", "Two"),
                results));
      }
    }
    return new Trials(tasks, trials);
  }

  /** Counted anew from the results, one by one. */
  @Test(dataProvider = "seeds")
  public void whatIsSaidOfTrialsIsWhatWasTried(int seed) {
    Selection bare = Generated.selection(seed);
    Selection selection = bare.tried(trials(bare, new Random(seed)));
    Trials trials = selection.trials();
    TrialFindings findings = new TrialFindings(selection);
    BigDecimal before = BigDecimal.ONE;
    Set<String> said = new HashSet<>();
    for (TrialFinding finding : findings.all(selection.asOf())) {
      met(finding);
      switch (finding) {
        case TrialFinding.NoTasks none -> {
          assertTrue(trials.tasks().isEmpty());
          return;
        }
        case TrialFinding.NotTried not -> {
          assertTrue(not.tools().stream().allMatch(tool -> trials.of(tool).isEmpty()));
          said.addAll(not.tools());
        }
        case TrialFinding.Tried tried -> {
          int full = 0;
          int none = 0;
          int untried = 0;
          for (Task task : trials.tasks()) {
            Set<Trial.Completion> outcomes = new HashSet<>();
            trials.of(tried.tool()).orElseThrow().results().stream()
                .filter(r -> r.task().equals(task.id()))
                .forEach(r -> outcomes.add(r.outcome()));
            full += outcomes.equals(Set.of(Trial.Completion.DONE)) ? 1 : 0;
            none += outcomes.equals(Set.of(Trial.Completion.NOT_DONE)) ? 1 : 0;
            untried += outcomes.isEmpty() ? 1 : 0;
          }
          int partly = trials.tasks().size() - full - none - untried;
          assertEquals(tried.tally(), new Trials.Tally(full, partly, none, untried));
          assertEquals(tried.minutes(), trials.medianMinutes(tried.tool()));
          BigDecimal share = trials.shareDone(tried.tool()).orElseThrow().low();
          assertTrue(share.compareTo(before) <= 0, "the one with most done first");
          before = share;
          said.add(tried.tool());
        }
        case TrialFinding.TriedFact fact -> throw new AssertionError("said elsewhere");
      }
    }
    assertEquals(
        said, new HashSet<>(selection.active().stream().map(Contender::id).toList()), "of each");
    for (TrialFinding.TriedFact fact : findings.facts()) {
      met(fact);
      Contender contender = selection.contender(fact.tool());
      assertEquals(trials.of(fact.tool()).orElseThrow().plan(), fact.plan());
      assertEquals(
          contender.offerings().stream()
              .filter(o -> o.plan().id().equals(fact.plan()))
              .findFirst()
              .orElseThrow()
              .fact(fact.capability())
              .answer(),
          fact.known());
      List<Trial.Result> results =
          trials.of(fact.tool()).orElseThrow().results().stream()
              .filter(r -> r.task().equals("try-" + fact.capability().id()))
              .toList();
      assertTrue(
          !results.isEmpty()
              && results.stream()
                  .allMatch(
                      r -> (r.outcome() == Trial.Completion.DONE) == (fact.shown() == Answer.YES)));
      assertTrue(results.stream().noneMatch(r -> r.on().isAfter(fact.on())), "the last of them");
    }
  }
}
