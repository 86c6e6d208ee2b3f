package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * A tool with its plans in catalogue order.
 *
 * @param id stable name within a selection
 * @param offers reductions for a while, of any plan
 * @param owned what is paid for already
 * @param sideBySide whether plans, and terms of one plan, may stand side by side
 */
@RecordBuilder
public record Tool(
    String id,
    String name,
    String maker,
    List<Plan> plans,
    List<Offer> offers,
    Optional<Owned> owned,
    SideBySide sideBySide)
    implements ToolBuilder.With {
  /** More offers would make their combinations too many to try. */
  public static final int MOST_OFFERS = 12;

  public Tool {
    requireNonNull(id);
    requireNonNull(maker);
    requireNonNull(owned);
    requireNonNull(sideBySide);
    plans = List.copyOf(plans);
    offers = List.copyOf(offers);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A tool needs a name.");
    }
    if (plans.stream().map(Plan::id).distinct().count() < plans.size()) {
      throw new IllegalArgumentException("Two plans of " + name + " have the same id.");
    }
    if (offers.stream().map(Offer::name).distinct().count() < offers.size()) {
      throw new IllegalArgumentException("Two offers of " + name + " have the same name.");
    }
    if (offers.size() > MOST_OFFERS) {
      throw new IllegalArgumentException(
          name + " has " + offers.size() + " offers; at most " + MOST_OFFERS + " are compared.");
    }
    if (owned.isPresent()) {
      checkPlan(name, owned.get().plan(), plans);
    }
    for (Offer offer : offers) {
      for (String plan : offer.when().plans()) {
        checkPlan(name, plan, plans);
      }
    }
  }

  /** A tool of which nobody has said whether its plans may stand side by side. */
  public Tool(
      String id,
      String name,
      String maker,
      List<Plan> plans,
      List<Offer> offers,
      Optional<Owned> owned) {
    this(id, name, maker, plans, offers, owned, SideBySide.NOT_SAID);
  }

  /** A tool without offers, not owned. */
  public Tool(String id, String name, String maker, List<Plan> plans) {
    this(id, name, maker, plans, List.of(), Optional.empty());
  }

  /** This tool at so much of every list price. */
  public Tool times(BigDecimal part) {
    return withPlans(plans.stream().map(plan -> plan.times(part)).toList());
  }

  private static void checkPlan(String tool, String id, List<Plan> plans) {
    if (plans.stream().noneMatch(plan -> plan.id().equals(id))) {
      throw new IllegalArgumentException(
          tool
              + " has no plan \""
              + id
              + "\"; it has "
              + plans.stream().map(Plan::id).toList()
              + ".");
    }
  }
}
