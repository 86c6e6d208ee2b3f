package tertulia.core.sensitivity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Totals;
import tertulia.core.working.Derivation;

/** The workings of what is said of firmness give the figures they explain, on generated tables. */
public class SensitivityExplanationTest {
  private static final int SELECTIONS = 300;
  private static final LocalDate LATER = LocalDate.of(2027, 11, 24);

  private record Generated(Evaluation read, Sensitivity sensitivity, String what) {
    Derivation why(SensitivityFigure figure) {
      return sensitivity.explain(figure);
    }

    String name(String tool) {
      return read.selection().contender(tool).tool().name();
    }

    Optional<Totals> totals() {
      return read.scores().totals();
    }
  }

  private static List<Generated> all() {
    List<Generated> all = new ArrayList<>();
    for (int seed = 1; seed < SELECTIONS; seed++) {
      Evaluation read = TakeIfTest.evaluation(seed);
      all.add(new Generated(read, new Sensitivity(read), "seed " + seed));
    }
    return all;
  }

  /** The totals that a line of a working comes to, by name. */
  private static Map<String, BigDecimal> totals(Derivation line) {
    Map<String, BigDecimal> totals = new LinkedHashMap<>();
    for (Derivation part : line.parts()) {
      if (part instanceof Derivation.Sum sum) {
        totals.put(sum.label(), sum.quantity().amount());
      }
    }
    return totals;
  }

  private static void assertSame(Map<String, BigDecimal> shown, Totals totals, Generated made) {
    assertEquals(shown.size(), totals.values().size(), made.what());
    totals
        .values()
        .keySet()
        .forEach(tool ->
            assertEquals(
                shown.get(made.name(tool)).doubleValue(),
                totals.total(tool).midpoint().doubleValue(),
                1e-9,
                made.what()));
  }

  @Test
  public void atTheEndOfARoomWhoTakesOverIsLevelWithTheLeader() {
    int ends = 0;
    for (Generated made : all()) {
      for (StabilityRange room : made.sensitivity().rooms()) {
        Derivation why = made.why(new SensitivityFigure.Room(room.criterion().id()));
        String leader = made.name(made.totals().orElseThrow().standings().getFirst().contender());
        List<StabilityRange.End> both = List.of(room.low(), room.high());
        for (int i = 0; i < 2; i++) {
          Map<String, BigDecimal> totals = totals(why.parts().get(i));
          for (String rival : both.get(i).takesOver()) {
            assertEquals(
                totals.get(made.name(rival)).doubleValue(),
                totals.get(leader).doubleValue(),
                1e-8,
                made.what());
            ends++;
          }
        }
      }
    }
    assertTrue(ends > 100, "" + ends);
  }

  @Test
  public void whatAnUpsetComesToIsLevel() {
    int upsets = 0;
    for (Generated made : all()) {
      for (var upset : made.sensitivity().upsets()) {
        Derivation why = made.why(new SensitivityFigure.Upset(upset.contender()));
        Map<String, BigDecimal> totals = totals(why.parts().get(1));
        double mine = totals.get(made.name(upset.contender())).doubleValue();
        totals
            .values()
            .forEach(other -> assertTrue(mine >= other.doubleValue() - 1e-6, made.what()));
        upsets++;
      }
    }
    assertTrue(upsets > 50, "" + upsets);
  }

  @Test
  public void whatItTakesPutsItFirstAndATenthLessDoesNot() {
    int discounts = 0;
    int marks = 0;
    int weights = 0;
    int needs = 0;
    for (Generated made : all()) {
      for (Contender contender : made.read().selection().active()) {
        String tool = contender.id();
        Optional<WhatItTakes> takes = made.sensitivity().whatItTakes(tool);
        if (takes.flatMap(WhatItTakes::discount).isPresent()) {
          Derivation why = made.why(new SensitivityFigure.Discount(tool));
          assertTrue(isFirst(totals(why.parts().getFirst()), made.name(tool)), made.what());
          assertTrue(
              !isFirst(totals(why.parts().get(1)), made.name(tool)), made.what() + " with less");
          discounts++;
        }
        if (takes.flatMap(WhatItTakes::mark).isPresent()) {
          Derivation why = made.why(new SensitivityFigure.Raised(tool));
          assertTrue(isFirst(totals(why.parts().getFirst()), made.name(tool)), made.what());
          assertSame(totals(why.parts().get(1)), made.totals().orElseThrow(), made);
          marks++;
        }
        if (takes.flatMap(WhatItTakes::weight).isPresent()) {
          Derivation why = made.why(new SensitivityFigure.Weighed(tool));
          why.parts()
              .forEach(end ->
                  assertTrue(
                      isFirst(totals(end), made.name(tool)), made.what() + " " + end.label()));
          weights++;
        }
        for (Need need : takes.map(WhatItTakes::needs).orElse(List.of())) {
          Derivation why = made.why(new SensitivityFigure.Dropped(tool, need.capability().id()));
          assertTrue(isFirst(totals(why), made.name(tool)), made.what());
          needs++;
        }
      }
    }
    assertTrue(
        discounts > 10 && marks > 10 && weights > 10 && needs > 0,
        discounts + " " + marks + " " + weights + " " + needs);
  }

  private static boolean isFirst(Map<String, BigDecimal> totals, String name) {
    return totals.entrySet().stream()
        .filter(other -> !other.getKey().equals(name))
        .allMatch(other -> Totals.isAbove(totals.get(name), other.getValue()));
  }

  @Test
  public void atASizeTheHighestTotalIsTheOneThatLeads() {
    int seen = 0;
    for (Generated made : all()) {
      Optional<Sizes> people = made.sensitivity().byHeadcount();
      if (people.isEmpty() || !people.get().isByTotals()) {
        continue;
      }
      for (Sizes.Stretch stretch : people.get().stretches()) {
        Derivation why =
            made.why(new SensitivityFigure.AtSize(new Sizes.Axis.Headcount(), stretch.from()));
        if (stretch.leader().isPresent()) {
          assertTrue(
              isFirst(totals(why), made.name(stretch.leader().get())), made.what() + " " + why);
          seen++;
        }
      }
    }
    assertTrue(seen > 50, "" + seen);
  }

  @Test
  public void theOthersAreTheFiguresTheyExplain() {
    int shares = 0;
    int moved = 0;
    int answers = 0;
    int steps = 0;
    for (Generated made : all()) {
      if (made.totals().isEmpty()) {
        assertThrows(
            tertulia.core.working.NoSuchFigure.class,
            () -> made.why(new SensitivityFigure.Room("cost")));
        continue;
      }
      Chances any = new Chances(Chances.Weights.ANY, Chances.Marks.AS_THEY_COUNT);
      RankShares drawn = made.sensitivity().shares(any).orElseThrow();
      for (String tool : drawn.shares().keySet()) {
        Derivation why = made.why(new SensitivityFigure.First(tool, any));
        assertEquals(
            why.value().orElseThrow().amount().doubleValue(), drawn.first(tool), made.what());
        shares++;
      }
      for (TornadoBar swing : made.sensitivity().swings()) {
        Derivation why = made.why(new SensitivityFigure.Moved(swing));
        assertEnd(why.parts().getFirst(), swing.low(), made.name(swing.moved()), made.what());
        assertEnd(why.parts().get(1), swing.high(), made.name(swing.moved()), made.what());
        moved++;
      }
      for (FindOut found : made.sensitivity().findOut(LATER, 180)) {
        Derivation why = made.why(new SensitivityFigure.Answer(found));
        List<Double> firsts =
            why.parts().stream().map(part -> first(part, made.name(found.gains()))).toList();
        assertEquals(firsts.stream().min(Double::compare).orElseThrow(), found.least());
        assertEquals(firsts.stream().max(Double::compare).orElseThrow(), found.most());
        answers++;
      }
      List<ValueForMoney.StepUp> up =
          ValueForMoney.of(made.read()).map(ValueForMoney::stepsUp).orElse(List.of());
      for (ValueForMoney.StepUp step : up) {
        Derivation why = made.why(new SensitivityFigure.StepUp(step.from(), step.to()));
        assertEquals(why.value().orElseThrow().amount(), step.each().getAmount());
        steps++;
      }
    }
    assertTrue(
        shares > 50 && moved > 50 && answers > 20 && steps > 5,
        shares + " " + moved + " " + answers + " " + steps);
  }

  private static void assertEnd(
      Derivation line, Optional<BigDecimal> end, String name, String what) {
    BigDecimal shown = totals(line).get(name);
    assertEquals(shown != null, end.isPresent(), what);
    end.ifPresent(total -> assertEquals(shown.doubleValue(), total.doubleValue(), 1e-9, what));
  }

  private static double first(Derivation part, String name) {
    return part.parts().stream()
        .filter(line -> line.label().equals(name + " first"))
        .mapToDouble(line -> line.value().orElseThrow().amount().doubleValue())
        .findFirst()
        .orElse(0);
  }
}
