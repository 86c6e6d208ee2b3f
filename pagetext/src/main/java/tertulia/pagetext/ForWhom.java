package tertulia.pagetext;

import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.PlanSaid;

/**
 * Which limits of a page may be for the account or for each seat: those that say neither, where
 * some price of the page is for each seat, except in plans that have one price for the account.
 */
final class ForWhom {
  private static final Pattern SHARED =
      Pattern.compile(
          "(?i)\\b(?:in all|in total|total|altogether|together|shared|pooled)\\b|(?:/|\\b(?:per|an?|each|for (?:the|your)(?: whole| entire)?)\\b)\\s*(?:account|workspace|team|company|organi[sz]ation|practice|studio|site|location)\\b");

  private ForWhom() {}

  /** The plans with that said of their limits. */
  static List<PlanSaid> asked(List<PlanSaid> plans) {
    boolean bySeat = plans.stream().anyMatch(ForWhom::isBySeat);
    return bySeat
        ? plans.stream().map(plan -> isOfAccount(plan) ? plan : asked(plan)).toList()
        : plans;
  }

  private static boolean isBySeat(PlanSaid plan) {
    return plan.prices().stream()
        .anyMatch(price -> price.value().each().filter(Measure::isPeople).isPresent());
  }

  private static boolean isOfAccount(PlanSaid plan) {
    return !plan.prices().isEmpty()
        && plan.prices().stream().allMatch(price -> price.value().each().isEmpty());
  }

  private static PlanSaid asked(PlanSaid plan) {
    return plan.withLimits(
        plan.limits().stream()
            .map(limit -> isOpen(limit) ? limit.assuming(Set.of(Assumed.ACCOUNT_OR_SEAT)) : limit)
            .toList());
  }

  private static boolean isOpen(Said<LimitSaid> limit) {
    LimitSaid said = limit.value();
    return said.most().isPresent()
        && !said.perSeat()
        && !said.measure().isPeople()
        && said.measure().nature() != Measure.Nature.LARGEST
        && !SHARED.matcher(limit.from().text()).find();
  }
}
