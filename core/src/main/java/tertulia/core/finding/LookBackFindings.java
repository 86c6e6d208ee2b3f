package tertulia.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.difference.Conditions;
import tertulia.core.difference.Differences;
import tertulia.core.difference.Division;
import tertulia.core.difference.Standing;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Totals;

/** What there is to say of a decision that is looked at again. */
public record LookBackFindings(Differences differences, String choice) {

  /** Who was ahead and who is. */
  public LookBackFinding.Lead lead() {
    return new LookBackFinding.Lead(choice, ahead(differences.then()), ahead(differences.now()));
  }

  private Optional<LookBackFinding.Ahead> ahead(Evaluation evaluation) {
    return evaluation.scores().totals().map(totals -> ahead(totals.standings()));
  }

  /** What was chosen first, of those that are level. */
  private LookBackFinding.Ahead ahead(List<Totals.Standing> standings) {
    BigDecimal most =
        standings.stream().map(s -> s.total().midpoint()).max(BigDecimal::compareTo).orElseThrow();
    List<String> level =
        standings.stream()
            .filter(s -> !Totals.isAbove(most, s.total().midpoint()))
            .map(Totals.Standing::contender)
            .toList();
    String first = level.contains(choice) ? choice : level.getFirst();
    Optional<Totals.Apart> by =
        level.size() > 1
            ? Optional.of(new Totals.Apart(most, most))
            : standings.stream()
                .filter(s -> !s.contender().equals(first))
                .map(s -> s.total().midpoint())
                .max(BigDecimal::compareTo)
                .map(next -> new Totals.Apart(most, next));
    return new LookBackFinding.Ahead(first, by);
  }

  /** What the choice costs, then and today. */
  public LookBackFinding cost() {
    Optional<Division> division = differences.of(choice).flatMap(Differences.Of::cost);
    if (division.isEmpty()) {
      return new LookBackFinding.NoCost(
          choice, differences.then().costs().overall().total(choice).isEmpty());
    }
    int month = differences.question().month();
    int months = differences.question().then().horizon().months();
    Optional<Money> left =
        month > 0 && month < months ? differences.left(choice) : Optional.empty();
    return new LookBackFinding.Cost(choice, division.get(), left, months - month, begunToday());
  }

  /** The cheapest of the others from today on, of those with one figure. */
  private Optional<LookBackFinding.Begun> begunToday() {
    return differences
        .begunToday()
        .flatMap(costs ->
            differences.question().both().stream()
                .filter(id -> !id.equals(choice))
                .flatMap(id ->
                    costs.overall().totalBounds(id).filter(Amount::isExact).stream()
                        .map(amount -> new LookBackFinding.Begun(id, amount.high())))
                .min(Comparator.comparing(LookBackFinding.Begun::cost)));
  }

  /** How its conditions stand. */
  public LookBackFinding conditions(List<Conditions.Watched> watched) {
    if (watched.isEmpty()) {
      return new LookBackFinding.NoConditions();
    }
    return new LookBackFinding.Stand(
        count(watched, Standing.Broken.class),
        count(watched, Standing.WillBreak.class),
        count(watched, Standing.NotKnown.class),
        watched.size());
  }

  private static int count(List<Conditions.Watched> watched, Class<?> kind) {
    return (int) watched.stream().filter(w -> kind.isInstance(w.standing())).count();
  }

  /** How figures are to be read that are not known exactly. */
  public List<LookBackFinding> inexact() {
    List<LookBackFinding> inexact = new ArrayList<>();
    if (!differences.isExact(choice)
        && differences.of(choice).flatMap(Differences.Of::cost).isPresent()) {
      inexact.add(new LookBackFinding.UpperEnds(choice));
    }
    if (hasRange(differences.then()) || hasRange(differences.now())) {
      inexact.add(new LookBackFinding.MidRange());
    }
    return inexact;
  }

  private static boolean hasRange(Evaluation evaluation) {
    return evaluation
        .scores()
        .totals()
        .filter(totals -> totals.standings().stream().anyMatch(s -> !s.total().isExact()))
        .isPresent();
  }

  /** That nothing has changed; empty if something has. */
  public Optional<LookBackFinding> unchanged() {
    return differences.changed().isEmpty()
            && differences.question().onlyThen().isEmpty()
            && differences.question().onlyNow().isEmpty()
        ? Optional.of(new LookBackFinding.Unchanged())
        : Optional.empty();
  }
}
