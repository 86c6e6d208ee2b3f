package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.EUR;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.testng.annotations.AfterClass;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.Stated;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Dimension;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.pricing.Tool;

/** What is said of costs. */
public class CostFindingsTest extends GeneratedFindings {
  CostFindingsTest() {
    super(CostFinding.class);
  }

  /** The bounds and causes among them have to be met, too. */
  @AfterClass
  public void everyCauseAndBoundWasMet() {
    for (Class<?> kind :
        List.of(
            CostFinding.WholePeriod.class,
            CostFinding.CheapestByHeadcount.class,
            CostFinding.WithinPlan.class,
            CostFinding.LeadChange.class,
            CostFinding.OnlyOne.class)) {
      assertTrue(wasMet("open " + kind.getSimpleName()), kind.getSimpleName());
    }
    assertTrue(wasMet("questions of the cheapest"));
    for (Class<?> cause : CostFinding.Cause.class.getPermittedSubclasses()) {
      assertTrue(wasMet(cause.getSimpleName()), cause.getSimpleName());
    }
  }

  /** A side that is new needs a test like this one; the others have one of another kind. */
  @Test
  public void everySideIsChecked() {
    assertEquals(
        Set.of(Finding.class.getPermittedSubclasses()),
        Set.of(
            CostFinding.class,
            FitFinding.class,
            ChangeFinding.class,
            GrowthFinding.class,
            ScoreFinding.class,
            TrialFinding.class,
            AnswerFinding.class,
            MissingFinding.class,
            RemarkFinding.class,
            AgreementFinding.class,
            ViewFinding.class,
            InterestFinding.class,
            VerdictFinding.class,
            LookBackFinding.class));
  }

  @Override
  void met(Object finding) {
    super.met(finding);
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
      met("open " + finding.getClass().getSimpleName());
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
  /** The contender when nothing is known of what it can do. */
  private static Contender unconfirmed(Contender c) {
    return new Contender(c.tool(), Map.of(), c.ratings(), c.aside(), c.effort());
  }

  @Test(dataProvider = "seeds")
  public void whoseRivalsAreNotConfirmedIsAlone(int seed) {
    Selection whole = Generated.selection(seed);
    List<Contender> contenders = new ArrayList<>(whole.contenders());
    contenders.replaceAll(c -> c.equals(whole.contenders().getFirst()) ? c : unconfirmed(c));
    Costs costs = Evaluation.of(whole.among(contenders), WhatIf.START).costs();
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
    RunningFindings running = new RunningFindings(costs);
    List<CostFinding> overTime = new ArrayList<>(running.crossings());
    overTime.addAll(running.commitments());
    overTime.addAll(running.againstOldTool());
    for (Measure measure : costs.selection().counted()) {
      costs
          .curves()
          .costBy(new Dimension.Quantity(measure))
          .map(new HeadcountFindings(costs)::byQuantity)
          .ifPresent(overTime::add);
    }
    for (CostFinding finding : overTime) {
      met(finding);
      check(costs, finding);
    }
    CostCaveats caveats = new CostCaveats(costs);
    caveats
        .mixedTerms()
        .ifPresent(mixed -> {
          met(mixed);
          mixed.monthly().forEach(id -> assertFalse(isCommitted(costs, id)));
          mixed.committed().forEach(id -> assertTrue(isCommitted(costs, id)));
          assertFalse(mixed.monthly().isEmpty() || mixed.committed().isEmpty());
          assertTrue(2 * mixed.fewer().size() <= mixed.monthly().size() + mixed.committed().size());
        });
    for (Contender contender : costs.selection().active()) {
      caveats.fallingBand(contender.id()).ifPresent(this::met);
      caveats
          .notSaid(contender.id())
          .ifPresent(not -> {
            met(not);
            SteadyCost cost = costs.now().best(contender.id()).orElseThrow();
            assertEquals(not.open(), cost.option().plan().unsaid(cost.option().list().term()));
            assertTrue(
                caveats.mixedTerms().stream()
                    .noneMatch(mixed ->
                        mixed.monthly().contains(contender.id())
                            || mixed.committed().contains(contender.id())),
                "a term that is not said is on neither side");
          });
      caveats
          .olderPrice(contender.id())
          .ifPresent(older -> {
            met(older);
            assertEquals(asOf(costs, older.tool()), older.asOf());
            assertTrue(older.asOf().plusDays(90).isBefore(older.newest()));
            assertTrue(
                costs.selection().active().stream()
                    .anyMatch(c -> older.newest().equals(asOf(costs, c.id()))));
          });
      caveats
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
      caveats
          .beyondCap(contender.id())
          .ifPresent(cap -> {
            met(cap);
            if (cap.people() > 0) {
              OptionName plan =
                  contender.tool().plans().stream()
                      .filter(p -> p.name().equals(cap.plan()))
                      .map(OptionName::of)
                      .findFirst()
                      .orElseThrow();
              assertEquals(
                  at(costs, cap.people()).now().against(contender.id()).get(plan),
                  List.of(),
                  "it does for so many");
              assertNotEquals(
                  at(costs, cap.people() + 1).now().against(contender.id()).get(plan), List.of());
            }
          });
    }
  }

  @Test(dataProvider = "seeds")
  public void whereNothingIsConfirmedNobodyHasAFigureByAnything(int seed) {
    Selection whole = Generated.selection(seed);
    List<Contender> unknown =
        whole.contenders().stream().map(CostFindingsTest::unconfirmed).toList();
    Costs costs = Evaluation.of(whole.among(unknown), WhatIf.START).costs();
    for (Measure measure : costs.selection().counted()) {
      costs
          .curves()
          .costBy(new Dimension.Quantity(measure))
          .map(new HeadcountFindings(costs)::byQuantity)
          .ifPresent(finding -> {
            met(finding);
            check(costs, finding);
          });
    }
  }

  /** A cheapest tool of which something is not said does not stand there as if all were known. */
  @Test(dataProvider = "seeds")
  public void whatNobodyHasSaidOfTheCheapestIsSaid(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    CostFindings findings = new CostFindings(costs);
    Set<String> open = new HashSet<>();
    for (MissingFinding.OpenQuestions questions : findings.openQuestions()) {
      assertTrue(open.add(questions.tool()), "each once");
      assertEquals(questions.questions(), costs.questions(questions.tool()).size());
      assertEquals(questions.step(), Stage.FIT);
    }
    Optional<Money> least =
        costs.selection().active().stream()
            .flatMap(c -> costs.overall().total(c.id()).stream())
            .min(Money::compareTo);
    for (Contender contender : costs.selection().active()) {
      boolean cheapest =
          costs.now().orderByCost().indexOf(contender.id()) == 0
              || least.isPresent() && costs.overall().total(contender.id()).equals(least);
      boolean asked = !costs.questions(contender.id()).isEmpty();
      assertEquals(open.contains(contender.id()), cheapest && asked, contender.id());
      if (cheapest && asked) {
        met("questions of the cheapest");
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void aPlaceIsByFigureAndSaysWhereThatIsABound(int seed) {
    Costs costs = Generated.evaluation(seed).costs();
    Map<String, Money> figures = new LinkedHashMap<>();
    costs
        .selection()
        .active()
        .forEach(c -> cost(costs, c.id()).ifPresent(m -> figures.put(c.id(), m)));
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
                .anyMatch(e -> least(costs, e.getKey()) < e.getValue().getAmountMinorLong());
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
              costs.overall().way(other) instanceof PlanPaths.Gap gap && !gap.isUnpriced(), other);
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
      case CostFinding.NobodyHasAFigureBy nobody -> {
        assertTrue(nobody.most() > 0);
        CostByHeadcount points = costs.curves().costBy(nobody.dimension()).orElseThrow().points();
        for (Contender contender : costs.selection().active()) {
          assertEquals(costs.now().monthly(contender.id()), Optional.empty(), contender.id());
          for (int n = 1; n <= points.most(); n++) {
            assertEquals(points.curve(contender.id()).at(n), Optional.empty());
          }
        }
      }
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
      case CostFinding.OwnedForAWhile owned -> {
        assertTrue(owned.until().isBefore(costs.selection().horizon().month(17).atDay(1)));
        Contender without = withoutWhatIsOwned(costs.selection().contender(owned.tool()));
        Costs list =
            Costs.of(
                costs
                    .selection()
                    .among(
                        costs.selection().contenders().stream()
                            .map(c -> c.id().equals(owned.tool()) ? without : c)
                            .toList()),
                costs.whatIf());
        for (int n = 1; n <= 40; n++) {
          assertEquals(
              costs.curves().costByHeadcount().curve(owned.tool()).at(n).map(p -> p.money()),
              list.curves().costByHeadcount().curve(owned.tool()).at(n).map(p -> p.money()),
              owned.tool() + " for " + n);
        }
      }
      case CostFinding.WholeStaffPays staff ->
          assertEquals(costs.now().wholeStaff(staff.tool()).orElseThrow().named(), staff.named());
      case CostFinding.NoWay none -> {
        assertTrue(costs.overall().way(none.tool()) instanceof PlanPaths.Gap);
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
      case CostFinding.NotSaid open -> throw new AssertionError("a warning");
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
          Money mine = cost(costs, id).orElseThrow();
          costs
              .selection()
              .active()
              .forEach(c ->
                  cost(costs, c.id())
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
                  least(costs, other.id()) < cost(costs, id).orElseThrow().getAmountMinorLong())
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

  /** The least a tool can cost over the plan months in cents. */
  private static long leastTotal(Costs costs, String tool) {
    return switch (costs.overall().way(tool)) {
      case PlanPaths.Gap gap ->
          gap.isUnpriced()
              ? costs
                  .overall()
                  .leastTotal(tool)
                  .map(Money::getAmountMinorLong)
                  .orElse(Long.MIN_VALUE)
              : Long.MAX_VALUE;
      case PlanPaths.Found found -> {
        Money read = costs.overall().total(tool).orElseThrow();
        Money high = found.best().ledger().total(costs.whatIf().view());
        Money low = found.low().map(way -> way.ledger().total(costs.whatIf().view())).orElse(high);
        yield found.isAtMost() ? Long.MIN_VALUE : read.minus(high).plus(low).getAmountMinorLong();
      }
    };
  }

  private static Contender withoutWhatIsOwned(Contender contender) {
    Tool tool = contender.tool();
    return new Contender(
        new Tool(tool.id(), tool.name(), tool.maker(), tool.plans()),
        contender.facts(),
        contender.ratings(),
        null,
        contender.takes().orElse(null));
  }

  /** Added up anew from the months and the people's time. */
  private static Money running(Costs costs, String id, int m) {
    Money sum = Money.zero(EUR);
    PlanPaths.Found found = (PlanPaths.Found) costs.overall().way(id);
    for (int i = 0; i <= m; i++) {
      sum = sum.plus(found.best().ledger().months(costs.whatIf().view()).get(i));
      if (costs.whatIf().basis() == WhatIf.Basis.FULL) {
        int month = i;
        sum =
            ((tertulia.core.labour.StaffTime.Known) costs.overall().takes(id))
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
}
