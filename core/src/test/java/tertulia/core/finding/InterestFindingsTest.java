package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

/** What is left of the lead without some who judge, against the totals themselves. */
public class InterestFindingsTest {
  private static final InterestFindings.Count ONE = new InterestFindings.Count(0, 0, 1);

  @Test
  public void theLeadIsThatOfTheTotalsOnBothSides() {
    int turned = 0;
    for (int seed = 1; seed < 80; seed++) {
      Random random = new Random(seed);
      Selection bare = Generated.selection(seed);
      Member one = member("one", bare, random);
      Member other = member("other", bare, random);
      Evaluation with = Evaluation.of(bare.judgedBy(new Panel(List.of(one, other))), WhatIf.START);
      Evaluation without = Evaluation.of(bare.judgedBy(new Panel(List.of(one))), WhatIf.START);
      InterestFinding.WithoutInterested found = InterestFindings.of(ONE, with, without);
      check(found.with(), with);
      check(found.without(), without);
      turned +=
          found
                  .with()
                  .map(InterestFinding.WithoutInterested.Lead::tool)
                  .equals(found.without().map(InterestFinding.WithoutInterested.Lead::tool))
              ? 0
              : 1;
    }
    assertTrue(turned > 5, "only " + turned + " turned");
  }

  private static Member member(String id, Selection selection, Random random) {
    Map<String, Mark> marks = new HashMap<>();
    selection.contenders().forEach(c -> marks.put(c.id(), Mark.of(random.nextInt(11))));
    Map<String, Integer> points = new HashMap<>();
    selection.criteria().forEach(c -> points.put(c.id(), 1 + random.nextInt(4)));
    return new Member(id, id, 1, points, Map.of("ease", marks));
  }

  private static void check(
      Optional<InterestFinding.WithoutInterested.Lead> lead, Evaluation evaluation) {
    Optional<Totals> totals = evaluation.scores().totals().filter(t -> !t.standings().isEmpty());
    assertEquals(lead.isPresent(), totals.isPresent());
    totals.ifPresent(t -> {
      BigDecimal best =
          t.standings().stream()
              .map(s -> s.total().midpoint())
              .max(BigDecimal::compareTo)
              .orElseThrow();
      BigDecimal own =
          t.standings().stream()
              .filter(s -> s.contender().equals(lead.orElseThrow().tool()))
              .findFirst()
              .orElseThrow()
              .total()
              .midpoint();
      assertTrue(best.subtract(own).abs().doubleValue() < 1e-9, best + ", " + own);
      lead.orElseThrow()
          .by()
          .ifPresent(by ->
              assertEquals(
                  t.standings().stream()
                      .filter(s -> !s.contender().equals(lead.orElseThrow().tool()))
                      .map(s -> own.subtract(s.total().midpoint()))
                      .min(BigDecimal::compareTo)
                      .orElseThrow()
                      .doubleValue(),
                  by.doubleValue(),
                  1e-9));
    });
  }

  @Test
  public void nothingIsNoInterest() {
    assertThrows(IllegalArgumentException.class, () -> new InterestFindings.Count(0, 0, 0));
  }
}
