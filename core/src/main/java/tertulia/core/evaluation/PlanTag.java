package tertulia.core.evaluation;

import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;

/**
 * What one plan costs by itself for the people under discussion, whatever else is needed of it:
 * what can be read off its page before anything is asked.
 *
 * @param people how many are under discussion
 * @param tooSmall whether it is not sold for so many
 * @param cost at the cheapest of the terms that are read; empty if there is no figure
 * @param monthly without a commitment; empty if it is not sold so, or has no figure
 * @param committed with a commitment of a year or more, as above
 * @param least the least it costs, where only that is known; empty if not even that is, or it has a
 *     figure
 */
public record PlanTag(
    Offering offering,
    int people,
    boolean tooSmall,
    Optional<SteadyCost> cost,
    Optional<SteadyCost> monthly,
    Optional<SteadyCost> committed,
    Optional<SteadyCost> least) {

  /** Every plan of a contender that nobody set aside, in the order of its page. */
  static List<PlanTag> of(Costs costs, Contender contender) {
    return contender.offerings().stream().map(offering -> of(costs, offering)).toList();
  }

  private static PlanTag of(Costs costs, Offering offering) {
    CostsNow now = costs.now();
    boolean tooSmall =
        !Fit.NOTHING_ASKED
            .at(
                offering,
                offering.plan().charged().stream().findFirst().orElse(null),
                costs.occasion().units(),
                costs.selection().horizon().month(costs.occasion().owned()))
            .qualifies();
    Optional<SteadyCost> cost = now.planAlone(offering);
    return new PlanTag(
        offering,
        costs.people().total(),
        tooSmall,
        cost,
        now.planAlone(offering, Terms.MONTHLY),
        now.planAlone(offering, Terms.COMMITTED),
        cost.isPresent() ? Optional.empty() : now.leastAlone(offering));
  }

  private Optional<Money> sold() {
    return tooSmall ? Optional.empty() : cost.map(SteadyCost::money);
  }

  /** What it costs for a year at that; empty as {@link #cost}. */
  public Optional<Money> aYear() {
    return cost.map(found -> found.money().multipliedBy(12));
  }

  /** An amount a month for each of the people, rounded half-up; empty if there are none. */
  public Optional<Money> aHead(Optional<SteadyCost> amount) {
    return people == 0
        ? Optional.empty()
        : amount.map(found -> found.money().dividedBy(people, RoundingMode.HALF_UP));
  }

  /**
   * What each plan costs more a month than the one before it on the page, negative if less; empty
   * for the first, and where one of the two has no figure or is not sold for so many.
   */
  public static List<Optional<Money>> steps(List<PlanTag> page) {
    List<Optional<Money>> steps = new ArrayList<>();
    for (int i = 0; i < page.size(); i++) {
      Optional<Money> own = page.get(i).sold();
      Optional<Money> before = i == 0 ? Optional.empty() : page.get(i - 1).sold();
      steps.add(own.flatMap(amount -> before.map(amount::minus)));
    }
    return steps;
  }
}
