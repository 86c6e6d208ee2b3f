package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Offering;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.PublicRating;

/**
 * A tool at the table.
 *
 * @param facts by plan id, then capability id
 * @param aside why somebody set it aside; null while it is in
 */
public record Contender(
    Tool tool,
    Map<String, Map<String, Fact>> facts,
    List<PublicRating> ratings,
    @Nullable String aside) {
  public Contender {
    requireNonNull(tool);
    facts = Map.copyOf(facts);
    ratings = List.copyOf(ratings);
  }

  public String id() {
    return tool.id();
  }

  public Optional<String> setAside() {
    return Optional.ofNullable(aside);
  }

  /** The plans with what is known of them, in catalogue order. */
  public List<Offering> offerings() {
    return tool.plans().stream()
        .map(plan ->
            new Offering(
                plan, facts.getOrDefault(plan.id(), Map.of()), tool.offers(), tool.owned()))
        .toList();
  }
}
