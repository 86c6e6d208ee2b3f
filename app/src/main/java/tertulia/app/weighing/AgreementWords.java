package tertulia.app.weighing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Agreement;
import tertulia.core.evaluation.Selection;

/** What is said of where a table agrees. */
final class AgreementWords {
  private static final BigDecimal STRONG = new BigDecimal("0.7");
  private static final BigDecimal WEAK = new BigDecimal("0.3");
  private final Selection selection;

  AgreementWords(Selection selection) {
    this.selection = selection;
  }

  /** How far the rankings agree, and whose view changes who leads; nothing below two rankings. */
  List<String> of(Agreement agreement, List<String> shared) {
    List<String> says = new ArrayList<>();
    agreement.concordance().ifPresent(w -> says.add(concordance(w, firsts(agreement))));
    for (Agreement.Own own : agreement.own()) {
      boolean turns =
          !shared.isEmpty()
              && !own.without().isEmpty()
              && !own.ranking().isEmpty()
              && !own.without().getFirst().equals(shared.getFirst());
      if (turns) {
        says.add(
            "Without "
                + own.member().name()
                + "’s view "
                + name(own.without().getFirst())
                + " would lead, not "
                + name(shared.getFirst())
                + ".");
      }
    }
    return says;
  }

  private static List<String> firsts(Agreement agreement) {
    return agreement.own().stream()
        .filter(own -> !own.ranking().isEmpty())
        .map(own -> own.ranking().getFirst())
        .distinct()
        .toList();
  }

  private String concordance(BigDecimal w, List<String> firsts) {
    String how =
        w.compareTo(STRONG) >= 0
            ? "The rankings agree well"
            : w.compareTo(WEAK) >= 0 ? "The rankings agree in part" : "The rankings hardly agree";
    String figure =
        " (Kendall’s W " + w.setScale(2, RoundingMode.HALF_UP).toPlainString() + " of 1); ";
    return how
        + figure
        + (firsts.size() == 1
            ? "everybody has " + name(firsts.getFirst()) + " first."
            : firsts.stream().map(this::name).collect(Collectors.joining(", "))
                + " are each somebody’s first.");
  }

  /** Contenders in their order, such as "Slotmeer, Pierbook, Quaymate". */
  String order(List<String> ranking) {
    return ranking.stream().map(this::name).collect(Collectors.joining(", "));
  }

  private String name(String contender) {
    return selection.contender(contender).tool().name();
  }
}
