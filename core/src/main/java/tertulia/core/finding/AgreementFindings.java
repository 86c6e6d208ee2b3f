package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.evaluation.Agreement;

/**
 * What there is to say of where people agree.
 *
 * @param shared the ranking of the table, the first first; none as long as nobody has weighed
 */
public record AgreementFindings(Agreement agreement, List<String> shared) {
  private static final BigDecimal WELL = new BigDecimal("0.7");
  private static final BigDecimal IN_PART = new BigDecimal("0.3");

  public AgreementFindings {
    shared = List.copyOf(shared);
  }

  /** How far the rankings agree, and whose view turns who is ahead; none below two rankings. */
  public List<AgreementFinding> all() {
    List<AgreementFinding> all = new ArrayList<>();
    agreement
        .concordance()
        .ifPresent(w -> all.add(new AgreementFinding.RankingsAgree(degree(w), w, firsts())));
    agreement.own().stream()
        .filter(this::turns)
        .map(own ->
            new AgreementFinding.ViewTurns(
                own.member().name(), own.without().getFirst(), shared.getFirst()))
        .forEach(all::add);
    return all;
  }

  private static AgreementFinding.RankingsAgree.Degree degree(BigDecimal w) {
    return w.compareTo(WELL) >= 0
        ? AgreementFinding.RankingsAgree.Degree.WELL
        : w.compareTo(IN_PART) >= 0
            ? AgreementFinding.RankingsAgree.Degree.IN_PART
            : AgreementFinding.RankingsAgree.Degree.HARDLY;
  }

  private List<String> firsts() {
    return agreement.own().stream()
        .filter(own -> !own.ranking().isEmpty())
        .map(own -> own.ranking().getFirst())
        .distinct()
        .toList();
  }

  private boolean turns(Agreement.Own own) {
    return !shared.isEmpty()
        && !own.without().isEmpty()
        && !own.ranking().isEmpty()
        && !own.without().getFirst().equals(shared.getFirst());
  }
}
