package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static tertulia.core.Samples.JAN_2027;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.decision.Proviso;
import tertulia.core.difference.Conditions;
import tertulia.core.difference.Differences;
import tertulia.core.difference.Standing;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** What is said of a decision that is looked at again follows from both evaluations. */
public class LookBackFindingsTest {
  private static final Set<String> MET = new HashSet<>();

  private static Differences differences(int seed, YearMonth today) {
    Selection then = Generated.selection(seed);
    Selection now =
        then.among(
            then.contenders().stream()
                .map(c -> c.times(seed % 2 == 0 ? new BigDecimal("1.4") : new BigDecimal("0.7")))
                .toList());
    return Differences.between(then, seed % 5 == 0 ? then : now, today);
  }

  @Test
  public void whoIsAheadIsWhoHasTheHighestMiddle() {
    for (int seed = 0; seed < 60; seed++) {
      Differences differences = differences(seed, JAN_2027.plusMonths(seed % 20));
      for (String choice : differences.question().both()) {
        LookBackFinding.Lead lead = new LookBackFindings(differences, choice).lead();
        check(lead.then(), differences.then(), choice);
        check(lead.now(), differences.now(), choice);
        lead.isSame().ifPresent(same -> MET.add("same " + same));
      }
    }
    assertTrue(
        MET.containsAll(List.of("same true", "same false", "tie", "only", "none")), "" + MET);
  }

  private static void check(
      Optional<LookBackFinding.Ahead> ahead, Evaluation evaluation, String choice) {
    Optional<Totals> totals = evaluation.scores().totals();
    assertEquals(ahead.isPresent(), totals.isPresent());
    if (totals.isEmpty()) {
      MET.add("none");
      return;
    }
    List<BigDecimal> middles =
        totals.get().standings().stream()
            .map(s -> s.total().midpoint())
            .sorted(Comparator.reverseOrder())
            .toList();
    Interval first = totals.get().total(ahead.orElseThrow().contender());
    assertTrue(!Totals.isAbove(middles.getFirst(), first.midpoint()), "it is first");
    assertEquals(ahead.get().by().isEmpty(), middles.size() == 1);
    if (middles.size() == 1) {
      MET.add("only");
      return;
    }
    BigDecimal by = middles.get(0).subtract(middles.get(1));
    boolean tie = !Totals.isAbove(by, BigDecimal.ZERO);
    assertEquals(ahead.get().isTie(), tie);
    if (tie) {
      MET.add("tie");
      boolean choiceIsLevel =
          totals.get().standings().stream()
              .filter(s -> s.contender().equals(choice))
              .anyMatch(s -> !Totals.isAbove(middles.getFirst(), s.total().midpoint()));
      assertTrue(
          !choiceIsLevel || ahead.get().contender().equals(choice),
          "of those that are level what was chosen comes first");
    } else {
      assertEquals(ahead.get().by().orElseThrow().exactly().compareTo(by), 0);
    }
  }

  @Test
  public void whatIsNotExactIsSaid() {
    Set<Class<?>> met = new HashSet<>();
    for (int seed = 0; seed < 60; seed++) {
      Differences differences = differences(seed, JAN_2027.plusMonths(seed % 20));
      for (String choice : differences.question().both()) {
        LookBackFindings findings = new LookBackFindings(differences, choice);
        LookBackFinding cost = findings.cost();
        List<LookBackFinding> inexact = findings.inexact();
        boolean exact = isExact(differences.then(), choice) && isExact(differences.now(), choice);
        assertEquals(
            inexact.contains(new LookBackFinding.UpperEnds(choice)),
            !exact && cost instanceof LookBackFinding.Cost,
            seed + " " + choice);
        met.add(cost.getClass());
        inexact.forEach(one -> met.add(one.getClass()));
        findings.unchanged().ifPresent(one -> met.add(one.getClass()));
        assertEquals(findings.unchanged().isPresent(), differences.changed().isEmpty(), "" + seed);
      }
    }
    assertTrue(
        met.containsAll(
            Set.of(
                LookBackFinding.Cost.class,
                LookBackFinding.NoCost.class,
                LookBackFinding.UpperEnds.class,
                LookBackFinding.MidRange.class,
                LookBackFinding.Unchanged.class)),
        "" + met);
  }

  private static boolean isExact(Evaluation evaluation, String id) {
    return evaluation.costs().overall().totalBounds(id).filter(Amount::isExact).isPresent();
  }

  @Test
  public void conditionsAreCountedByHowTheyStand() {
    Differences differences = differences(2, JAN_2027);
    LookBackFindings findings = new LookBackFindings(differences, "t0");
    Proviso leads = new Proviso.Leads();
    Standing broken = new Standing.Broken(Optional.empty(), Optional.empty());
    Standing breaks = new Standing.WillBreak(new Standing.When.Month(JAN_2027), Optional.empty());
    Standing open = new Standing.NotKnown(Standing.NotKnown.Why.TOTALS);
    Standing holds = new Standing.Holds(Optional.empty());
    List<Conditions.Watched> watched =
        List.of(broken, breaks, breaks, open, holds).stream()
            .map(standing -> new Conditions.Watched(leads, standing, List.of()))
            .toList();
    assertEquals(findings.conditions(watched), new LookBackFinding.Stand(1, 2, 1, 5));
    assertEquals(findings.conditions(List.of()), new LookBackFinding.NoConditions());
  }
}
