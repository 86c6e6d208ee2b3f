package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.Advice.Grade;
import tertulia.core.finding.Advice.Within;
import tertulia.core.firmness.Reweighed;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.fit.Need;
import tertulia.core.growth.Scenario;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Lead;
import tertulia.core.sensitivity.Otherwise;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.TakeIf;
import tertulia.core.sensitivity.TakeIfTest;

/** What is advised, recounted from plain evaluations of generated tables. */
public class AdviceTest {
  private static final int SELECTIONS = 130;
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);

  private static Optional<String> lead(Evaluation evaluation) {
    return Lead.of(evaluation).tool();
  }

  @Test
  public void howFirmALeadIsFollowsFromWhatTurnsIt() {
    int ties = 0;
    Map<Grade, Integer> seen = new EnumMap<>(Grade.class);
    for (int seed = 0; seed < SELECTIONS; seed++) {
      Evaluation read = TakeIfTest.evaluation(seed);
      Sensitivity sensitivity = new Sensitivity(read);
      Advice.Firmness firmness = new AdviceFindings(sensitivity).firmness();
      String what = "seed " + seed + ": " + firmness;
      seen.merge(firmness.grade(), 1, Integer::sum);
      Optional<String> leader = lead(read);
      List<Evaluation> others = others(read);
      int turned = 0;
      for (Evaluation other : others) {
        turned += lead(other).filter(t -> !leader.equals(Optional.of(t))).isPresent() ? 1 : 0;
      }
      assertEquals(firmness.turned(), turned, what);
      assertEquals(firmness.tried(), others.size(), what);
      Set<Within> within = EnumSet.noneOf(Within.class);
      if (leader.isPresent()) {
        within.addAll(within(read, leader.get()));
        firmness
            .share()
            .filter(share -> share < 2 / 3.0)
            .ifPresent(share -> within.add(Within.WEIGHTS));
        // the headcounts are checked with the conditions
        if (firmness.within().contains(Within.PEOPLE_PLANNED)) {
          within.add(Within.PEOPLE_PLANNED);
        }
      }
      assertEquals(EnumSet.copyOf(empty(firmness.within())), EnumSet.copyOf(empty(within)), what);
      Grade grade =
          read.selection().active().size() < 2
              ? Grade.ALONE
              : leader.isEmpty()
                  ? Grade.OPEN
                  : !within.isEmpty()
                      ? Grade.NOT_FIRM
                      : turned > 0 || firmness.share().filter(s -> s < 0.9).isPresent()
                          ? Grade.HOLDS
                          : Grade.FIRM;
      assertEquals(firmness.grade(), grade, what);
      assertTrue(leader.isEmpty() || firmness.mayPass().isEmpty(), what);
      if (leader.isEmpty() && read.scores().totals().isPresent()) {
        Totals totals = read.scores().totals().get();
        Totals.Standing first = totals.standings().getFirst();
        List<String> level =
            totals.standings().stream()
                .filter(s -> s.total().midpoint().compareTo(first.total().midpoint()) == 0)
                .map(Totals.Standing::contender)
                .toList();
        if (level.size() > 1) {
          // of several that are level none is said to lead
          assertEquals(firmness.ahead(), Optional.empty(), what);
          assertEquals(firmness.mayPass(), level, what);
          ties++;
          continue;
        }
        assertEquals(firmness.ahead(), Optional.of(first.contender()), what);
        List<String> pass = new ArrayList<>();
        totals.standings().stream()
            .filter(s -> !s.contender().equals(first.contender()) && s.bestRank() == 1)
            .forEach(s -> pass.add(s.contender()));
        assertTrue(firmness.mayPass().containsAll(pass), what);
      }
    }
    assertTrue(ties > 0, "several were level");
    for (Grade grade : Grade.values()) {
      assertTrue(seen.getOrDefault(grade, 0) > 0, grade + " was not seen: " + seen);
    }
  }

  /** An enum set cannot be copied from an empty list. */
  private static List<Within> empty(java.util.Collection<Within> some) {
    List<Within> all = new ArrayList<>(some);
    all.add(Within.WEIGHTS);
    return all;
  }

  private static Set<Within> within(Evaluation read, String leader) {
    Set<Within> within = EnumSet.noneOf(Within.class);
    for (Scenario scenario : read.selection().scenarios()) {
      if (lead(new Otherwise.Growth(scenario).of(read))
          .filter(t -> !t.equals(leader))
          .isPresent()) {
        within.add(Within.GROWTH);
      }
    }
    if (read.scores().totals().isPresent()) {
      for (Member member : read.selection().panel().members()) {
        if (lead(without(read, member)).filter(t -> !t.equals(leader)).isPresent()
            && without(read, member).scores().totals().isPresent()) {
          within.add(Within.A_VIEW);
        }
      }
    }
    return within;
  }

  private static Evaluation without(Evaluation read, Member member) {
    List<Member> others = new ArrayList<>(read.selection().panel().members());
    others.remove(member);
    return Evaluation.of(read.selection().judgedBy(new Panel(others)), read.whatIf());
  }

  /** Every single change there is, and every view left out where others have weights. */
  private static List<Evaluation> others(Evaluation read) {
    List<Evaluation> others = new ArrayList<>();
    Otherwise.all(read)
        .forEach(otherwise -> {
          Evaluation other = otherwise.of(read);
          // other terms are no reason to take what has no price under them
          boolean unpriced =
              otherwise instanceof Otherwise.Term
                  && lead(other)
                      .filter(t -> other.costs().overall().total(t).isEmpty())
                      .isPresent();
          others.add(unpriced ? read : other);
        });
    if (Lead.of(read).basis() == Lead.Basis.TOTALS) {
      for (Member member : read.selection().panel().members()) {
        Evaluation without = without(read, member);
        if (without.scores().totals().isPresent()) {
          others.add(without);
        }
      }
    }
    return others;
  }

  @Test
  public void whoIsTakenWhenIsInOrderAndWhatItSavesIsTheDifference() {
    int saved = 0;
    int unless = 0;
    for (int seed = 1; seed < 2 * SELECTIONS; seed++) {
      Evaluation read = TakeIfTest.evaluation(seed);
      AdviceFindings findings = new AdviceFindings(new Sensitivity(read));
      List<Advice.Take> takes = findings.takes();
      Optional<String> leader = lead(read);
      assertEquals(
          takes.stream().filter(Advice.Take::leads).map(Advice.Take::tool).toList(),
          leader.stream().toList());
      leader.ifPresent(tool -> assertEquals(takes.getFirst().tool(), tool));
      List<String> named = new ArrayList<>(takes.stream().map(Advice.Take::tool).toList());
      findings.never().ifPresent(never -> named.addAll(never.tools()));
      // who leads at some number of people, and under nothing else, is told of there
      TakeIf takeIf = TakeIf.of(read);
      takeIf.all().keySet().stream()
          .filter(tool -> !leader.equals(Optional.of(tool)))
          .filter(tool -> takeIf.told(tool).isEmpty() && !takeIf.sizes(tool).isEmpty())
          .forEach(named::add);
      assertEquals(
          named.stream().sorted().toList(),
          read.selection().active().stream().map(Contender::id).sorted().toList(),
          "everybody at the table is named once");
      for (Advice.Take take : takes) {
        if (take.leads()) {
          unless += (int) take.when().stream().filter(Condition.Unless.class::isInstance).count();
          // what it relies on is what the others' conditions would undo
          long rivals =
              takes.stream().filter(t -> !t.leads()).flatMap(t -> t.when().stream()).count();
          assertEquals(take.when().isEmpty(), rivals == 0, "seed " + seed);
        }
        if (take.saves().isPresent()) {
          Need need =
              ((Otherwise.Dropped) ((Condition.If) take.when().getFirst()).otherwise()).need();
          Selection selection = read.selection();
          Evaluation then =
              Evaluation.of(
                  selection.asking(
                      selection.needs().stream().filter(n -> !n.equals(need)).toList()),
                  read.whatIf());
          Money before =
              read.costs().overall().totalBounds(leader.orElseThrow()).orElseThrow().high();
          Money after = then.costs().overall().totalBounds(take.tool()).orElseThrow().high();
          assertEquals(take.saves().get(), before.minus(after));
          saved++;
        }
      }
    }
    assertTrue(saved > 3 && unless > 10, saved + " save, " + unless + " unless");
  }

  @Test
  public void theRestIsTheLeastOrTheMostOfWhatWasFound() {
    int more = 0;
    int tight = 0;
    int next = 0;
    int by = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = TakeIfTest.evaluation(seed);
      Sensitivity sensitivity = new Sensitivity(read);
      AdviceFindings findings = new AdviceFindings(sensitivity);
      List<FindOut> unknown = sensitivity.findOut(TODAY, 180);
      assertEquals(findings.next(TODAY, 180).map(Advice.Next::what), unknown.stream().findFirst());
      next += unknown.isEmpty() ? 0 : 1;
      Optional<Totals> totals = read.scores().totals().filter(t -> t.values().size() > 1);
      if (totals.isPresent()) {
        String ahead = totals.get().standings().getFirst().contender();
        double mine = sensitivity.shares(AdviceFindings.ANY_WEIGHTS).orElseThrow().first(ahead);
        double most =
            sensitivity.shares(AdviceFindings.ANY_WEIGHTS).orElseThrow().shares().values().stream()
                .mapToDouble(own -> own.getFirst())
                .max()
                .orElse(0);
        assertEquals(findings.moreOften().isPresent(), most > mine, "seed " + seed);
        more += most > mine ? 1 : 0;
        List<BigDecimal> shifts = findings.nearest().stream().map(n -> n.upset().shift()).toList();
        assertEquals(shifts, shifts.stream().sorted(Comparator.naturalOrder()).toList());
      }
      if (findings.tightest().isPresent()) {
        Advice.Tightest tightest = findings.tightest().get();
        sensitivity
            .rooms()
            .forEach(room -> {
              if (!room.high().takesOver().isEmpty()) {
                assertTrue(
                    way(tightest).compareTo(room.high().weight().subtract(room.weight())) <= 0);
              }
              if (!room.low().takesOver().isEmpty()) {
                assertTrue(
                    way(tightest).compareTo(room.weight().subtract(room.low().weight())) <= 0);
              }
            });
        tight++;
      }
      Optional<Advice.AtThisSize> at = findings.atThisSize();
      at.ifPresent(found -> {
        assertEquals(lead(read), Optional.of(found.whole()));
        assertEquals(found.people(), read.costs().people().total());
      });
      by += at.isPresent() ? 1 : 0;
    }
    assertTrue(
        more > 1 && tight > 20 && next > 20 && by > 5,
        more + " more often, " + tight + " tight, " + next + " next, " + by + " by size");
  }

  private static BigDecimal way(Advice.Tightest tightest) {
    BigDecimal down =
        tightest.room().low().takesOver().isEmpty()
            ? BigDecimal.TWO
            : tightest.room().weight().subtract(tightest.room().low().weight());
    BigDecimal up =
        tightest.room().high().takesOver().isEmpty()
            ? BigDecimal.TWO
            : tightest.room().high().weight().subtract(tightest.room().weight());
    return down.min(up);
  }

  @Test
  public void whatAChoiceHoldsForEndsWhereAnotherIsFirst() {
    int sizes = 0;
    int weights = 0;
    int notFirst = 0;
    for (int seed = 0; seed < SELECTIONS; seed++) {
      Evaluation read = TakeIfTest.evaluation(seed);
      Sensitivity sensitivity = new Sensitivity(read);
      for (Contender contender : read.selection().active()) {
        String tool = contender.id();
        Advice.HoldsFor holds = new AdviceFindings(sensitivity).holdsFor(tool);
        String what = "seed " + seed + ": " + holds;
        Optional<Totals> totals = read.scores().totals();
        boolean first =
            lead(read).equals(Optional.of(tool))
                || totals.filter(t -> isAhead(t, tool, t.weights())).isPresent();
        assertEquals(holds.first(), first, what);
        assertEquals(holds.certain(), lead(read).equals(Optional.of(tool)), what);
        notFirst += first ? 0 : 1;
        if (holds.people().isPresent()) {
          Condition.Between between = holds.people().get();
          Sizes people = sensitivity.byHeadcount().orElseThrow();
          assertTrue(between.from() <= people.now() && people.now() <= between.to(), what);
          for (int n = 1; n <= people.sizes(); n++) {
            boolean within = between.from() <= n && n <= between.to();
            boolean beside = n == between.from() - 1 || n == between.to() + 1;
            boolean leads = people.certainLeader(n).equals(Optional.of(tool));
            assertTrue(!within || leads, what + " at " + n);
            assertTrue(!beside || !leads, what + " at " + n);
          }
          sizes++;
        }
        for (StabilityRange room : holds.rooms()) {
          Reweighed reweighed = new Reweighed(totals.orElseThrow());
          for (StabilityRange.End end : List.of(room.low(), room.high())) {
            BigDecimal inside =
                end.weight().multiply(new BigDecimal("0.999")).add(room.weight().movePointLeft(3));
            BigDecimal outside =
                end.weight()
                    .multiply(new BigDecimal("1.001"))
                    .subtract(room.weight().movePointLeft(3));
            assertTrue(isAhead(reweighed, tool, room, inside), what);
            if (!end.takesOver().isEmpty()
                && outside.signum() >= 0
                && outside.compareTo(BigDecimal.ONE) <= 0) {
              assertTrue(!isAhead(reweighed, tool, room, outside), what);
              weights++;
            }
          }
        }
      }
    }
    assertTrue(sizes > 20 && weights > 20 && notFirst > 50, sizes + " " + weights + " " + notFirst);
  }

  private static boolean isAhead(Totals totals, String tool, Map<String, BigDecimal> weights) {
    if (!totals.values().containsKey(tool)) {
      return false;
    }
    Totals weighed = new Totals(totals.criteria(), weights, totals.values());
    return totals.values().keySet().stream()
        .filter(other -> !other.equals(tool))
        .allMatch(other ->
            Totals.isAbove(weighed.total(tool).midpoint(), weighed.total(other).midpoint()));
  }

  private static boolean isAhead(
      Reweighed reweighed, String tool, StabilityRange room, BigDecimal weight) {
    return reweighed.totals().values().keySet().stream()
        .filter(other -> !other.equals(tool))
        .allMatch(other -> reweighed.lead(tool, other, room.criterion(), weight).signum() > 0);
  }

  /** The answer by size at every number of people that is planned, and nothing from far away. */
  @Test
  public void theAnswerBySizeHoldsAtEverySizeThatIsPlanned() {
    int gaps = 0;
    int whole = 0;
    int left = 0;
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Sensitivity sensitivity = new Sensitivity(TakeIfTest.evaluation(seed));
      Optional<Sizes> sizes = sensitivity.byHeadcount();
      int fewest = Math.max(1, sensitivity.read().costs().overall().lowestPlanned());
      int most = sensitivity.read().costs().overall().highestPlanned();
      Optional<Advice.BySize> found = new AdviceFindings(sensitivity).bySize();
      List<Advice.BySize.Range> ranges = found.map(Advice.BySize::ranges).orElse(List.of());
      boolean gap = false;
      for (int n = fewest; n <= most && sizes.isPresent(); n++) {
        int size = n;
        List<String> said =
            ranges.stream()
                .filter(r -> r.people().from() <= size && size <= r.people().to())
                .map(Advice.BySize.Range::tool)
                .toList();
        assertEquals(said, sizes.get().certainLeader(n).stream().toList(), seed + ", " + n);
        gap |= said.isEmpty();
      }
      for (Advice.BySize.Range range : ranges) {
        boolean planned = range.people().from() <= most && range.people().to() >= fewest;
        boolean near = 2 * range.people().from() >= fewest && range.people().to() <= 2L * most;
        assertTrue(planned || near, "seed " + seed + ": " + range);
      }
      if (found.isPresent()) {
        assertEquals(found.get().gaps(), gap, "seed " + seed);
        gaps += gap ? 1 : 0;
        whole += gap ? 0 : 1;
        int all = sensitivity.takeIf().sizes().values().stream().mapToInt(List::size).sum();
        left += all > ranges.size() ? 1 : 0;
      }
    }
    assertTrue(gaps > 3 && whole > 3 && left > 0, gaps + ", " + whole + ", " + left);
  }
}
