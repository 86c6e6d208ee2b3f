package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;

/** An offer as a sentence. */
final class OfferText {
  private OfferText() {}

  /** Such as "40 % off for the first 3 months; for yearly, up front; new buyers only". */
  static String of(ToolSheet.OfferPart offer, ToolSheet sheet) {
    List<String> parts = new ArrayList<>();
    parts.add(benefit(offer) + length(offer));
    if (!offer.charges().isEmpty()) {
      parts.add("on " + String.join(", ", offer.charges()));
    }
    if (!offer.plans().isEmpty()) {
      parts.add(
          "with "
              + String.join(
                  ", ",
                  sheet.plans().stream()
                      .filter(plan -> offer.plans().contains(plan.id()))
                      .map(ToolSheet.PlanPart::name)
                      .toList()));
    }
    if (!offer.terms().isEmpty()) {
      parts.add(
          "for "
              + String.join(
                  " or ", offer.terms().stream().map(t -> TermCode.of(t).label()).toList()));
    }
    if (offer.newBuyersOnly()) {
      parts.add("new buyers only");
    }
    if (offer.leastSeats() > 0) {
      parts.add("from " + offer.leastSeats() + " seats on");
    }
    String from = offer.from();
    String until = offer.until();
    if (offer.comesBack() && from != null && until != null) {
      parts.add(
          "every year from "
              + Dates.dayOfYear(Codes.day(from))
              + " to "
              + Dates.dayOfYear(Codes.day(until)));
    } else {
      if (from != null) {
        parts.add("from " + from);
      }
      if (until != null) {
        parts.add("until " + until);
      }
    }
    if (offer.group() != null) {
      parts.add("only one of “" + offer.group() + "”");
    }
    return String.join("; ", parts);
  }

  private static String benefit(ToolSheet.OfferPart offer) {
    return switch (offer.benefit()) {
      case FREE -> "free";
      case PERCENT -> offer.value() + " % off";
      case FIXED -> offer.value() + " " + offer.currency() + " instead of the list price";
      case AMOUNT_OFF ->
          offer.value()
              + " "
              + offer.currency()
              + (offer.invoices() == null || offer.invoices() == 1
                  ? " off the first invoice"
                  : " off each of the first " + offer.invoices() + " invoices");
    };
  }

  private static String length(ToolSheet.OfferPart offer) {
    return offer.months() == null
        ? ""
        : offer.months() == 1
            ? " in the first month"
            : " for the first " + offer.months() + " months";
  }
}
