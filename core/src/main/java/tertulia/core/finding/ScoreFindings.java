package tertulia.core.finding;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;

/** What there is to say of totals. */
public record ScoreFindings(Evaluation evaluation) {
  /** Digits kept of a proposed end of a scale. */
  private static final MathContext ROUND = new MathContext(2, RoundingMode.UP);

  private static final Set<String> OF_COST =
      Set.of("cost", "costs", "price", "prices", "pricing", "money", "cheap", "affordable");
  private static final Set<String> OF_COVERAGE =
      Set.of("feature", "features", "function", "functions", "functionality", "capabilities");

  /** Who leads, and how surely. */
  public ScoreFinding lead() {
    return evaluation
        .scores()
        .totals()
        .map(this::lead)
        .orElseGet(
            () -> new ScoreFinding.NoTotals(!evaluation.costs().overall().feasible().isEmpty()));
  }

  private ScoreFinding lead(Totals totals) {
    List<Totals.Standing> standings = totals.standings();
    Totals.Standing first = standings.getFirst();
    if (first.worstRank() == 1) {
      return new ScoreFinding.Leads(first.contender(), first.total());
    }
    List<Totals.Standing> near =
        standings.stream()
            .filter(s -> !Totals.isAbove(first.total().low(), s.total().high()))
            .toList();
    if (near.stream().allMatch(s -> s.total().isExact())) {
      return new ScoreFinding.LevelLead(
          near.stream().map(Totals.Standing::contender).toList(), first.total().low());
    }
    List<String> open =
        totals.criteria().stream()
            .filter(c -> totals.weight(c).signum() > 0)
            .filter(c ->
                near.stream().anyMatch(s -> !totals.value(s.contender(), c).interval().isExact()))
            .map(Criterion::name)
            .toList();
    return new ScoreFinding.OpenLead(first.contender(), first.total(), first.worstRank(), open);
  }

  /** Costs that differ and are worth the same, for each cost criterion and end of its scale. */
  public List<ScoreFinding.OutsideScale> outsideScale() {
    List<ScoreFinding.OutsideScale> findings = new ArrayList<>();
    Map<String, BigDecimal> costs = costs();
    for (Criterion criterion : evaluation.scores().criteria()) {
      if (criterion.kind() instanceof Criterion.Cost scale) {
        for (int end = 0; end <= 1; end++) {
          outside(criterion, scale, end, costs, findings);
        }
      }
    }
    return findings;
  }

  /**
   * The scales that nobody has stated, as they are guessed; none while there is nothing to guess.
   */
  public List<ScoreFinding.GuessedScale> guessedScales() {
    return evaluation.scores().criteria().stream()
        .filter(c -> c.kind() instanceof Criterion.CostAsFound)
        .flatMap(c ->
            evaluation.costs().overall().guessedScale().stream()
                .map(scale -> new ScoreFinding.GuessedScale(c.name(), scale.worst(), scale.best())))
        .toList();
  }

  /** What contenders are worth under each criterion that has a worst and a best. */
  public List<ScoreFinding.WorthUnder> worths() {
    return evaluation.scores().criteria().stream()
        .filter(c -> c.isCost() || c.kind() instanceof Criterion.Measured)
        .map(c -> new ScoreFinding.WorthUnder(c.name(), worths(c)))
        .filter(found -> !found.worths().isEmpty())
        .toList();
  }

  private List<ScoreFinding.WorthUnder.Worth> worths(Criterion criterion) {
    return evaluation.selection().active().stream()
        .flatMap(contender ->
            evaluation
                .scores()
                .value(contender.id(), criterion)
                .map(value -> new ScoreFinding.WorthUnder.Worth(contender.id(), value.interval()))
                .stream())
        .sorted(Comparator.comparing(worth -> worth.value().midpoint(), Comparator.reverseOrder()))
        .toList();
  }

  /**
   * Criteria that people mark and that seem, by a word in their name, to count what another
   * criterion works out: cost and "value for money", coverage and "features".
   */
  public List<ScoreFinding.CountedTwice> countedTwice() {
    List<ScoreFinding.CountedTwice> twice = new ArrayList<>();
    for (Criterion measured : evaluation.scores().criteria()) {
      boolean cost = measured.isCost();
      if (cost || measured.kind() instanceof Criterion.Coverage) {
        evaluation.scores().criteria().stream()
            .filter(c -> c.kind() instanceof Criterion.Judged)
            .filter(c -> names(c, cost ? OF_COST : OF_COVERAGE))
            .forEach(
                c -> twice.add(new ScoreFinding.CountedTwice(c.name(), measured.name(), cost)));
      }
    }
    return twice;
  }

  private static boolean names(Criterion criterion, Set<String> words) {
    return Stream.of(criterion.name().toLowerCase(Locale.ROOT).split("[^\\p{L}]+"))
        .anyMatch(words::contains);
  }

  private void outside(
      Criterion criterion,
      Criterion.Cost scale,
      int end,
      Map<String, BigDecimal> costs,
      List<ScoreFinding.OutsideScale> findings) {
    List<String> tools =
        costs.entrySet().stream()
            .filter(e ->
                end == 0
                    ? e.getValue().compareTo(scale.worst()) > 0
                    : e.getValue().compareTo(scale.best()) < 0)
            .map(Map.Entry::getKey)
            .toList();
    long unlike = tools.stream().map(costs::get).distinct().count();
    if (unlike > 1) {
      BigDecimal most = costs.values().stream().max(BigDecimal::compareTo).orElseThrow();
      BigDecimal least = costs.values().stream().min(BigDecimal::compareTo).orElseThrow();
      findings.add(
          new ScoreFinding.OutsideScale(
              criterion.id(),
              tools,
              end,
              rounded(most.max(scale.worst()), RoundingMode.UP),
              rounded(least.min(scale.best()), RoundingMode.DOWN)));
    }
  }

  /** Rounded to two digits, outwards, so that it still holds all. */
  private static BigDecimal rounded(BigDecimal cost, RoundingMode outwards) {
    return new BigDecimal(
        cost.round(new MathContext(ROUND.getPrecision(), outwards)).toPlainString());
  }

  /**
   * Costs a month over the whole period as the cost criterion reads them; unknown ones left out.
   */
  private Map<String, BigDecimal> costs() {
    Map<String, BigDecimal> costs = new LinkedHashMap<>();
    int months = evaluation.selection().horizon().months();
    evaluation
        .costs()
        .overall()
        .feasible()
        .forEach(contender ->
            evaluation
                .costs()
                .overall()
                .spreadTotal(contender.id())
                .map(Money::getAmount)
                .ifPresent(total ->
                    costs.put(
                        contender.id(),
                        total.divide(BigDecimal.valueOf(months), 10, RoundingMode.HALF_UP))));
    return costs;
  }
}
