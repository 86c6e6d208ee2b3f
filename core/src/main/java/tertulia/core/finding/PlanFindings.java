package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.Money;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Met;
import tertulia.core.evaluation.PlanTag;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Need;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Allowance;
import tertulia.core.pricing.Included;
import tertulia.core.pricing.Plan;

/**
 * What there is to say of one tool's plans for the people under discussion, in the maker's order.
 *
 * @param known the capabilities that its page speaks of
 */
public record PlanFindings(Costs costs, Contender contender, List<Capability> known) {
  public PlanFindings {
    known = List.copyOf(known);
  }

  /** Which plan would do, why those before it do not, and what the next would bring. */
  public List<FitFinding> all() {
    List<Offering> offerings = contender.offerings();
    int people = costs.people().total();
    int first = 0;
    while (first < offerings.size() && !verdict(offerings.get(first)).qualifies()) {
      first++;
    }
    if (first == offerings.size()) {
      return List.of(new FitFinding.NoPlanDoes(contender.id(), people));
    }
    List<FitFinding> all = new ArrayList<>();
    all.add(
        new FitFinding.FirstThatDoes(
            contender.id(), offerings.get(first).plan().name(), people, first == 0));
    for (Offering before : offerings.subList(0, first)) {
      all.add(
          new FitFinding.WillNotDo(
              contender.id(), before.plan().name(), verdict(before).reasons()));
    }
    if (first + 1 < offerings.size() && !costs.planTags(contender).get(first + 1).tooSmall()) {
      all.add(next(first + 1));
    }
    new FitFindings(costs).notTheFirst(contender).ifPresent(all::add);
    return all;
  }

  /** Whether one of its plans would do. */
  public Verdict verdict(Offering offering) {
    return Verdict.of(costs.now().against(offering));
  }

  private FitFinding.NextBrings next(int i) {
    Offering before = contender.offerings().get(i - 1);
    Offering next = contender.offerings().get(i);
    List<Need> gains =
        costs.selection().needs().stream()
            .filter(need -> Met.by(next, need).isBetterThan(Met.by(before, need)))
            .toList();
    return new FitFinding.NextBrings(
        contender.id(),
        next.plan().name(),
        gains,
        more(i),
        before.plan().isRange() || next.plan().isRange(),
        beyond(i),
        larger(before.plan(), next.plan()));
  }

  /** What the next plan allows more of, by limits that both pages state. */
  private static List<FitFinding.Larger> larger(Plan before, Plan next) {
    List<FitFinding.Larger> larger = new ArrayList<>();
    for (Allowance own : before.allowances()) {
      if (own.limit() instanceof Allowance.Limit.Hard hard) {
        next.allowances().stream()
            .filter(other -> other.measure().equals(own.measure()))
            .flatMap(other -> larger(own.measure(), hard.most(), other.limit()).stream())
            .forEach(larger::add);
      }
    }
    return larger;
  }

  private static Optional<FitFinding.Larger> larger(
      Measure measure, Included before, Allowance.Limit next) {
    return switch (next) {
      case Allowance.Limit.Unlimited unlimited ->
          Optional.of(new FitFinding.Larger(measure, before, Optional.empty()));
      case Allowance.Limit.Hard hard when isMore(hard.most(), before) ->
          Optional.of(new FitFinding.Larger(measure, before, Optional.of(hard.most())));
      case Allowance.Limit.Hard hard -> Optional.empty();
      case Allowance.Limit.AccountOrSeat open -> Optional.empty();
      case Allowance.Limit.Unknown unknown -> Optional.empty();
    };
  }

  /** More for the account and for each seat, or of one of them with no less of the other. */
  private static boolean isMore(Included next, Included before) {
    int account = next.perAccount().compareTo(before.perAccount());
    int seat = next.perSeat().compareTo(before.perSeat());
    return account >= 0 && seat >= 0 && account + seat > 0;
  }

  /**
   * What the i-th plan costs more a month than the one before it, negative if less, assumed prices
   * at their high ends; empty for the first, or if one of them has no figure or is not sold for so
   * many.
   */
  public Optional<Money> more(int i) {
    return PlanTag.steps(costs.planTags(contender)).get(i);
  }

  /** What the i-th plan has by itself that no need names and the plan before it does not have. */
  public List<Capability> beyond(int i) {
    Set<String> asked =
        costs.selection().needs().stream()
            .map(need -> need.capability().id())
            .collect(Collectors.toSet());
    return known.stream()
        .filter(capability -> !asked.contains(capability.id()))
        .filter(capability -> has(i, capability) && !(i > 0 && has(i - 1, capability)))
        .toList();
  }

  private boolean has(int i, Capability capability) {
    return contender.offerings().get(i).fact(capability).answer() == Answer.YES;
  }
}
