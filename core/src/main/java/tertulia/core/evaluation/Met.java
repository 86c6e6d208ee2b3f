package tertulia.core.evaluation;

import java.util.Optional;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.path.Option;

/** How a need is met by the plan a contender would be on. */
public enum Met {
  YES,
  OUTSIDE,
  PARTLY,
  BY_HAND,
  NO,
  UNKNOWN;

  /**
   * How a contender meets a need: by what {@link CostsNow#optionNow} takes, or, where no plan lists
   * a price, by its last plan.
   */
  static Met of(Costs costs, Contender contender, Need need) {
    Optional<Met> ofGroups = ofGroups(costs, contender, need);
    if (ofGroups.isPresent()) {
      return ofGroups.get();
    }
    Optional<Option> option = costs.now().optionNow(contender.id());
    if (need.outside().isPresent()
        && option.filter(taken -> taken.outside().contains(need.outside().get())).isPresent()) {
      return OUTSIDE;
    }
    if (option.isPresent()) {
      return of(option.get().answer(need.capability()), false);
    }
    return contender.offerings().isEmpty() ? UNKNOWN : by(contender.offerings().getLast(), need);
  }

  /** Of groups on plans of their own the plan counts that they are on, the worst of several. */
  private static Optional<Met> ofGroups(Costs costs, Contender contender, Need need) {
    return costs
        .overall()
        .plansOf(contender.id(), need)
        .map(options -> of(options.getFirst().answer(need.capability()), false))
        .filter(met -> met != UNKNOWN);
  }

  /** How a plan by itself meets a need; it takes an add-on only where a must requires it. */
  public static Met by(Offering offering, Need need) {
    return of(
        offering.fact(need.capability()).answer(), need.importance() instanceof Importance.Must);
  }

  /** An add-on is taken only where it is asked for. */
  private static Met of(Answer answer, boolean takesAddOn) {
    return switch (answer) {
      case YES -> YES;
      case PARTLY -> PARTLY;
      case BY_ADD_ON, THROUGH_CONNECTOR -> takesAddOn ? YES : NO;
      case BY_HAND -> BY_HAND;
      case NO -> NO;
      case UNKNOWN -> UNKNOWN;
    };
  }

  /** Whether that is enough for a need; empty if it is not known. */
  Optional<Boolean> isEnough(Need need) {
    return switch (this) {
      case YES, OUTSIDE -> Optional.of(true);
      case PARTLY ->
          Optional.of(need.importance() instanceof Importance.Must must && must.partlyIsEnough());
      case BY_HAND -> Optional.of(need.byHandIsEnough());
      case NO -> Optional.of(false);
      case UNKNOWN -> Optional.empty();
    };
  }

  /** Whether more of it is there; what is not known is as if it were not there. */
  public boolean isBetterThan(Met other) {
    return rank() > other.rank();
  }

  private int rank() {
    return switch (this) {
      case YES, OUTSIDE -> 3;
      case PARTLY -> 2;
      case BY_HAND -> 1;
      case NO, UNKNOWN -> 0;
    };
  }
}
