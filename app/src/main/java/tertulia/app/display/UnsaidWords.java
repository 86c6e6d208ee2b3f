package tertulia.app.display;

import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Unsaid;

/** What a price page does not say of a price. */
public final class UnsaidWords {
  private UnsaidWords() {}

  /** Beside the price, in a few words. */
  public static String note(List<Unsaid.Kind> open) {
    return "The page does not say "
        + open.stream().map(UnsaidWords::what).collect(Collectors.joining("; "))
        + ".";
  }

  /** In whole sentences, with how the price counts. */
  public static String sentences(List<Unsaid.Kind> open, BillingTerm term) {
    return open.stream()
        .map(kind -> "The page does not say " + what(kind) + ". " + counts(kind, term))
        .collect(Collectors.joining(" "));
  }

  private static String what(Unsaid.Kind kind) {
    return switch (kind) {
      case TERM -> "how it is billed";
      case PERIOD -> "whether it is for a month or a year";
      case UNIT -> "for whom it is";
    };
  }

  private static String counts(Unsaid.Kind kind, BillingTerm term) {
    return switch (kind) {
      case TERM -> "The price counts as billed " + term.words() + ".";
      case PERIOD -> "The price counts for a month.";
      case UNIT -> "The price counts for what stands beside it.";
    };
  }
}
