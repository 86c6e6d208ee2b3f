package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.time.Horizon;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/**
 * People who grow in the same way, such as "deck crew".
 *
 * @param id stable name within a selection
 */
public record Group(String id, String name, Growth growth, List<Step> steps) {
  public Group {
    requireNonNull(id);
    requireNonNull(growth);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A group of people needs a name.");
    }
    steps = List.copyOf(steps);
  }

  /** Growth rounded half-up, plus every step in force, never below 0. */
  public int headcount(Horizon horizon, int m, Scenario scenario) {
    BigDecimal grown = growth.at(m, scenario.multiplier()).setScale(0, RoundingMode.HALF_UP);
    long people = grown.longValueExact();
    for (Step step : steps) {
      if (step.inForce(horizon.month(m))) {
        people += step.change();
      }
    }
    return Math.toIntExact(Math.max(0, people));
  }

  /** The working of {@link #headcount}. */
  public Working explain(Horizon horizon, int m, Scenario scenario) {
    BigDecimal grown = growth.at(m, scenario.multiplier());
    List<Working> parts = new ArrayList<>();
    parts.add(
        new Working.Derived(
            growth.words(),
            new Quantity(grown.setScale(0, RoundingMode.HALF_UP), "people"),
            "plan month "
                + m
                + ", growth "
                + scenario.words()
                + " ("
                + scenario.multiplier().toPlainString()
                + " of it), rounded half-up from "
                + grown.setScale(2, RoundingMode.HALF_UP).toPlainString(),
            List.of()));
    for (Step step : steps) {
      if (step.inForce(horizon.month(m))) {
        parts.add(new Working.Entered(step.label(), Quantity.of(step.change(), "people")));
      }
    }
    return new Working.Derived(
        name,
        Quantity.of(headcount(horizon, m, scenario), "people"),
        "growth plus the steps in force, never below 0",
        parts);
  }
}
