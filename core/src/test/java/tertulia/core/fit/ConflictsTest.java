package tertulia.core.fit;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

public class ConflictsTest {
  private static Reason lacks(String capability) {
    Need need = new Need(new Capability(capability, capability), new Importance.Must(false));
    return new Reason.MustMissing(
        need,
        new Fact(
            Answer.NO, Provenance.of(java.time.LocalDate.of(2026, 11, 1), Ground.MAKERS_CLAIM)));
  }

  private static Conflicts of(Map<String, List<String>> failed) {
    List<Conflicts.Failed> plans = new ArrayList<>();
    failed.forEach((plan, all) ->
        plans.add(new Conflicts.Failed(plan, all.stream().map(ConflictsTest::lacks).toList())));
    return Conflicts.of(plans);
  }

  @Test
  public void theSmallestSetsThatNoPlanMeets() {
    Map<String, List<String>> failed = new LinkedHashMap<>();
    failed.put("Small", List.of("sign-on", "roles"));
    failed.put("Large", List.of("offline"));
    failed.put("Old", List.of("sign-on", "offline"));
    Conflicts conflicts = of(failed);
    assertEquals(
        conflicts.smallest(), List.of(Set.of("sign-on", "offline"), Set.of("roles", "offline")));
    assertEquals(conflicts.opens(), Map.of("offline", List.of("Large")));
  }

  @Test
  public void oneRequirementMayBeToBlameAlone() {
    Conflicts conflicts =
        of(Map.of("Small", List.of("sign-on"), "Large", List.of("sign-on", "roles")));
    assertEquals(conflicts.smallest(), List.of(Set.of("sign-on")));
  }

  @Test
  public void aPlanThatServesLeavesNoConflict() {
    assertEquals(of(Map.of("Small", List.of("a"), "Large", List.of())).smallest(), List.of());
    assertEquals(of(Map.of()).smallest(), List.of());
  }

  /** Every subset of the requirements is tried; those kept hold no other that conflicts. */
  @Test
  public void generatedConflictsAreThoseOfFullEnumeration() {
    Random random = new Random(11);
    for (int run = 0; run < 300; run++) {
      Map<String, List<String>> failed = new LinkedHashMap<>();
      int plans = 1 + random.nextInt(5);
      for (int p = 0; p < plans; p++) {
        List<String> all = new ArrayList<>();
        for (int r = 0; r < 5; r++) {
          if (random.nextInt(3) == 0) {
            all.add("need-" + r);
          }
        }
        failed.put("plan-" + p, all);
      }
      assertEquals(new HashSet<>(of(failed).smallest()), enumerated(failed), failed.toString());
    }
  }

  private static Set<Set<String>> enumerated(Map<String, List<String>> failed) {
    Set<Set<String>> conflicting = new HashSet<>();
    for (int bits = 1; bits < 32; bits++) {
      Set<String> set = new HashSet<>();
      for (int r = 0; r < 5; r++) {
        if ((bits & 1 << r) != 0) {
          set.add("need-" + r);
        }
      }
      if (failed.values().stream().allMatch(all -> all.stream().anyMatch(set::contains))) {
        conflicting.add(set);
      }
    }
    Set<Set<String>> smallest = new HashSet<>();
    for (Set<String> set : conflicting) {
      boolean holdsAnother =
          conflicting.stream().anyMatch(other -> !other.equals(set) && set.containsAll(other));
      if (!holdsAnother && set.size() <= 4) {
        smallest.add(set);
      }
    }
    return smallest;
  }
}
