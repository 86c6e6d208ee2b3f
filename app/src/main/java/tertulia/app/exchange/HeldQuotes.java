package tertulia.app.exchange;

import java.time.LocalDate;

/** Price pages without quotes that do not hold any more: they become a lower bound. */
record HeldQuotes(LocalDate on) {
  /** The page as its quotes stand on the day; the same page if no quote has a last day. */
  ToolSheet in(ToolSheet sheet) {
    return sheet.plans().stream().anyMatch(plan -> plan.holdsUntil() != null)
        ? sheet.withPlans(sheet.plans().stream().map(this::onTheDay).toList())
        : sheet;
  }

  private ToolSheet.PlanPart onTheDay(ToolSheet.PlanPart plan) {
    return (hasEnded(plan) ? plan.withBasis(ToolSheet.Basis.QUOTE_ENDED) : plan)
        .withHoldsUntil(null);
  }

  private boolean hasEnded(ToolSheet.PlanPart plan) {
    return plan.basis() == ToolSheet.Basis.QUOTE
        && plan.holdsUntil() != null
        && LocalDate.parse(plan.holdsUntil()).isBefore(on);
  }
}
