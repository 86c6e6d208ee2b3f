package tertulia.app.display;

import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Reason;

/** The parts sentences about a selection are made of. */
interface SelectionWords {
  Selection selection();

  default String name(String tool) {
    return selection().contender(tool).tool().name();
  }

  default String names(List<String> tools) {
    return listed(tools.stream().map(this::name).toList());
  }

  /** "A", "A and B" or "A, B and C". */
  default String listed(List<String> names) {
    return names.size() <= 1
        ? String.join("", names)
        : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
  }

  default String month(int m) {
    return Dates.month(selection().horizon().month(m));
  }

  default String people(int n) {
    return Figures.counted(n, "people");
  }

  default String months(int n) {
    return n + (n == 1 ? " month" : " months");
  }

  default String amount(Amount amount) {
    if (amount.isExact()) {
      return Figures.moneyIn(amount.high());
    }
    return amount
        .low()
        .map(low -> Figures.money(low) + " to " + Figures.moneyIn(amount.high()))
        .orElse("at most " + Figures.moneyIn(amount.high()));
  }

  /** Who may yet be cheaper, as a sentence; empty if nobody may. */
  default String mayCostLess(List<String> open) {
    return switch (open.size()) {
      case 0 -> "";
      case 1 -> Voice.say("cost.may-cost-less.one", "tools", names(open));
      default -> Voice.say("cost.may-cost-less.many", "tools", names(open));
    };
  }

  /** "36 months". */
  default String length() {
    return months(selection().horizon().months());
  }

  default String capitalised(String sentence) {
    return sentence.substring(0, 1).toUpperCase(java.util.Locale.ENGLISH) + sentence.substring(1);
  }

  default String reasons(List<Reason> reasons) {
    return reasons.stream().map(Reason::sentence).collect(Collectors.joining("; "));
  }

  default String ordinal(int n) {
    boolean teen = n % 100 >= 11 && n % 100 <= 13;
    String ending =
        teen
            ? "th"
            : switch (n % 10) {
              case 1 -> "st";
              case 2 -> "nd";
              case 3 -> "rd";
              default -> "th";
            };
    return n + ending;
  }
}
