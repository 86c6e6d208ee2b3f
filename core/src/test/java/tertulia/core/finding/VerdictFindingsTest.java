package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.PlanPaths;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/** Choices that go against their own figures are caught, and no others. */
public class VerdictFindingsTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
  private static final Set<Class<?>> MET = new HashSet<>();

  @DataProvider
  public Object[][] seeds() {
    return java.util.stream.IntStream.range(0, 150)
        .mapToObj(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void whatSpeaksAgainstAChoiceFollowsFromItsTotals(int seed) {
    Evaluation read = Generated.evaluation(seed);
    Optional<Totals> totals = read.scores().totals();
    for (Contender contender : read.selection().active()) {
      String choice = contender.id();
      List<VerdictFinding> against = new VerdictFindings(read).against(choice, TODAY, 1_000_000);
      against.forEach(finding -> MET.add(finding.getClass()));
      assertEquals(
          against.stream().anyMatch(VerdictFinding.NoTotals.class::isInstance), totals.isEmpty());
      boolean found = read.costs().overall().way(choice) instanceof PlanPaths.Found;
      assertEquals(
          against.stream()
              .filter(f ->
                  f instanceof VerdictFinding.MustsUnmet
                      || f instanceof VerdictFinding.MustsUnconfirmed
                      || f instanceof VerdictFinding.CostUnknown)
              .count(),
          found ? 0 : 1);
      assertEquals(
          against.contains(new VerdictFinding.CostUnknown(choice)),
          !found && read.costs().overall().feasible().contains(contender));
      if (totals.isEmpty()) {
        continue;
      }
      Map<String, Interval> by =
          totals.get().standings().stream()
              .collect(Collectors.toMap(Totals.Standing::contender, Totals.Standing::total));
      assertEquals(against.contains(new VerdictFinding.NotRanked(choice)), !by.containsKey(choice));
      if (!by.containsKey(choice)) {
        continue;
      }
      Interval own = by.get(choice);
      boolean behind =
          by.values().stream().anyMatch(other -> far(other.midpoint(), own.midpoint()));
      assertEquals(against.stream().anyMatch(VerdictFinding.NotAhead.class::isInstance), behind);
      boolean open =
          by.entrySet().stream()
              .anyMatch(e -> !e.getKey().equals(choice) && far(e.getValue().high(), own.low()));
      assertEquals(
          against.stream().anyMatch(VerdictFinding.NotForCertain.class::isInstance),
          !behind && open);
      for (VerdictFinding finding : against) {
        if (finding instanceof VerdictFinding.NotAhead not) {
          assertEquals(
              own.midpoint().add(not.by().exactly()).compareTo(by.get(not.first()).midpoint()), 0);
        }
      }
    }
  }

  /** Equal ones may differ by rounding. */
  private static boolean far(BigDecimal one, BigDecimal other) {
    return Totals.isAbove(one, other);
  }

  /** A page of today is not old; one of yesterday is, if nothing may be older than today. */
  @Test
  public void anOldPageSpeaksAgainstItsOwnToolOnly() {
    Evaluation read = Generated.evaluation(7);
    for (Contender contender : read.selection().active()) {
      LocalDate later = TODAY.plusYears(50);
      assertTrue(
          new VerdictFindings(read)
              .against(contender.id(), later, 0).stream()
                  .filter(VerdictFinding.OldFacts.class::isInstance)
                  .map(VerdictFinding.OldFacts.class::cast)
                  .allMatch(old -> old.choice().equals(contender.id())));
      MET.add(
          new VerdictFindings(read)
                  .against(contender.id(), later, 0).stream()
                      .anyMatch(VerdictFinding.OldFacts.class::isInstance)
              ? VerdictFinding.OldFacts.class
              : VerdictFindings.class);
    }
  }

  /** What is not known of the musts is not the same as what is not there. */
  @Test
  public void mustsThatNobodyHasConfirmedAreSaidAsSuch() {
    Need must = new Need(new Capability("a", "Need a"), new Importance.Must(false));
    Selection asking = Generated.selection(7).asking(List.of(must));
    Selection silent =
        asking.among(
            asking.active().stream()
                .map(c -> new Contender(c.tool(), Map.of(), c.ratings(), null))
                .toList());
    for (Contender contender : silent.active()) {
      List<VerdictFinding> against =
          new VerdictFindings(Evaluation.of(silent, WhatIf.START))
              .against(contender.id(), TODAY, 1_000_000);
      assertTrue(
          against.contains(new VerdictFinding.MustsUnconfirmed(contender.id())), "" + against);
      against.forEach(finding -> MET.add(finding.getClass()));
    }
  }

  /** Only of the choice, and only as long as nobody put anything down. */
  @Test
  public void aTrialThatWasPlannedAndNotCarriedOutIsSaid() {
    Evaluation read = Generated.evaluation(7);
    List<Contender> all = read.selection().active();
    String choice = all.getFirst().id();
    Trial planned = new Trial(choice, null, TODAY, null, "", List.of(), List.of());
    Evaluation trying =
        Evaluation.of(
            read.selection().tried(new Trials(List.of(), List.of(planned))), WhatIf.START);
    VerdictFinding said = new VerdictFinding.NotTried(choice);
    assertTrue(new VerdictFindings(trying).against(choice, TODAY, 1_000_000).contains(said));
    assertTrue(
        new VerdictFindings(trying)
            .against(all.getLast().id(), TODAY, 1_000_000).stream()
                .noneMatch(VerdictFinding.NotTried.class::isInstance));
    assertTrue(
        new VerdictFindings(read)
            .against(choice, TODAY, 1_000_000).stream()
                .noneMatch(VerdictFinding.NotTried.class::isInstance));
  }

  @AfterClass
  public void casesAreMet() {
    assertTrue(
        MET.containsAll(
            Set.of(
                VerdictFinding.NotAhead.class,
                VerdictFinding.NotForCertain.class,
                VerdictFinding.NoTotals.class,
                VerdictFinding.MustsUnmet.class,
                VerdictFinding.MustsUnconfirmed.class,
                VerdictFinding.CostUnknown.class,
                VerdictFinding.OldFacts.class,
                VerdictFinding.ViewsMissing.class)),
        "" + MET);
  }
}
