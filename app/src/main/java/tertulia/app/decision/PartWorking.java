package tertulia.app.decision;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import tertulia.app.display.LookBackWords;
import tertulia.core.difference.Cause;
import tertulia.core.difference.Division;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** How what a cause adds comes about. */
final class PartWorking {
  private PartWorking() {}

  /**
   * The mean over all orders, with what it adds after each choice of the others.
   *
   * @param tool whose figure it is
   * @param unit of the figure; empty for a score
   */
  static Derivation of(Division division, Division.Part part, String tool, String unit) {
    List<Derivation> parts = part.added().stream().map(added -> of(division, added, unit)).toList();
    return new Derivation.Derived(
        LookBackWords.name(part.causes()) + ", " + tool,
        quantity(part.amount(), unit),
        "the mean over all "
            + division.orders()
            + " orders of the causes, rounded half-up; what rounding leaves is added to the largest"
            + " part",
        parts);
  }

  private static Derivation of(Division division, Division.Added added, String unit) {
    return new Derivation.Derived(
        added.after().isEmpty() ? "coming first" : "after " + words(added.after()),
        quantity(added.amount(), unit),
        "in " + added.orders() + " of " + division.orders() + " orders",
        List.of(
            new Derivation.Entered("with it", quantity(added.with(), unit)),
            new Derivation.Entered("without it", quantity(added.without(), unit))));
  }

  private static String words(Set<Cause> causes) {
    return LookBackWords.name(causes).toLowerCase(Locale.ROOT);
  }

  private static Quantity quantity(BigDecimal amount, String unit) {
    return new Quantity(amount, unit);
  }
}
