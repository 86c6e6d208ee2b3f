package tertulia.core.finding;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.core.Generated;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Totals;

/** What is said of a change of "what if". */
public class ChangeFindingsTest extends GeneratedFindings {
  ChangeFindingsTest() {
    super(ChangeFinding.class);
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
    costs.selection().active().forEach(c -> cost(costs, c.id()).ifPresent(m -> all.put(c.id(), m)));
    return all.entrySet().stream()
        .filter(e -> all.values().stream().noneMatch(m -> m.isLessThan(e.getValue())))
        .map(Map.Entry::getKey)
        .toList();
  }
}
