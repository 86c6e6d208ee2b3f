package tertulia.app.display;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Confirmation;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.ScoreCard;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.scoring.Totals.Winner;
import tertulia.core.sensitivity.BySize;
import tertulia.core.sensitivity.Sensitivity;

/** The contenders side by side, as it is written to files. */
final class SideResults {
  private static final List<Integer> USUAL = List.of(1, 10, 100);
  private final Sensitivity sensitivity;
  private final Evaluation evaluation;
  private final SelectionFile file;
  private final CardWords words;

  private SideResults(Sensitivity sensitivity, SelectionFile file) {
    this.sensitivity = sensitivity;
    this.evaluation = sensitivity.read();
    this.file = file;
    this.words = new CardWords(evaluation, file);
  }

  /** Null while fewer than two are compared. */
  static Results.@Nullable SideResult of(Sensitivity sensitivity, SelectionFile file) {
    return sensitivity.read().selection().active().size() < 2
        ? null
        : new SideResults(sensitivity, file).write();
  }

  private Results.SideResult write() {
    ScoreCard card = words.card();
    List<Results.ConfirmResult> open =
        evaluation.selection().active().stream().flatMap(c -> confirm(c).stream()).toList();
    return new Results.SideResult(
        words.says(),
        Stream.concat(
                card.criteria().stream().map(this::criterion),
                card.needs().stream().map(this::need))
            .toList(),
        card.contenders().stream().map(this::sides).toList(),
        sizes(),
        open.isEmpty() ? null : open);
  }

  private Results.CardResult criterion(ScoreCard.OfCriterion line) {
    return new Results.CardResult(
        line.criterion().name(),
        line.criterion().meaning().isEmpty() ? null : line.criterion().meaning(),
        line.weight().map(Results::score).orElse(null),
        line.winner() instanceof Winner.Alone ? List.of() : line.ahead(),
        CardWords.margin(line),
        words.reasons(line).stream().map(CardWords.Reason::words).toList());
  }

  private Results.CardResult need(ScoreCard.OfNeed line) {
    return new Results.CardResult(
        line.need().capability().name(),
        null,
        CardWords.importance(line.need()),
        line.ahead(),
        "",
        words.asked(line.need()).stream().map(CardWords.Reason::words).toList());
  }

  private Results.SidesResult sides(String contender) {
    return new Results.SidesResult(
        contender,
        words.wins(contender),
        words.loses(contender),
        words.lacks(contender),
        file.panel().stream()
            .flatMap(member ->
                member.said().stream()
                    .filter(opinion -> opinion.contender().equals(contender))
                    .map(opinion -> member.name() + ": " + opinion.takeIf()))
            .toList());
  }

  private List<Results.SizeResult> sizes() {
    TreeSet<Integer> people = new TreeSet<>(USUAL);
    int least = evaluation.costs().overall().lowestPlanned();
    int most = evaluation.costs().overall().highestPlanned();
    if (most == 0) {
      return List.of();
    }
    people.add(Math.clamp(least, 1, CostByHeadcount.MOST_SWEPT));
    people.add(Math.clamp(most, 1, CostByHeadcount.MOST_SWEPT));
    return sensitivity.bySize(new ArrayList<>(people)).stream().map(SideResults::size).toList();
  }

  private static Results.SizeResult size(BySize size) {
    Map<String, Results.CostResult> costs = new LinkedHashMap<>();
    for (BySize.Line line : size.lines()) {
      Optional<Amount> monthly = line.monthly();
      if (monthly.isPresent() && line.cost().isPresent()) {
        Amount amount = monthly.get();
        costs.put(
            line.contender(),
            new Results.CostResult(
                line.cost().get().label(),
                Results.amount(amount.high()),
                amount.low().isEmpty(),
                amount.isExact() ? null : amount.low().map(Results::amount).orElse(null),
                null,
                null));
      }
    }
    return new Results.SizeResult(
        size.people(),
        size.leader().orElse(null),
        size.best().stream().findFirst().map(BySize.Line::contender).orElse(null),
        size.cheapest(),
        costs);
  }

  private Optional<Results.ConfirmResult> confirm(Contender contender) {
    Confirmation confirmation = evaluation.costs().confirmation();
    Optional<Confirmation.Now> now = confirmation.now(contender.id());
    Optional<Confirmation.Whole> whole = confirmation.whole(contender.id());
    if (now.isEmpty() && whole.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new Results.ConfirmResult(
            contender.id(),
            now.map(found -> Results.amount(found.monthly().high())).orElse(null),
            whole.map(found -> Results.amount(found.total().high())).orElse(null),
            Stream.concat(
                    now.stream().flatMap(found -> found.open().stream()),
                    whole.stream().flatMap(found -> found.open().stream()))
                .map(open -> open.plan() + ", " + open.reason().sentence())
                .distinct()
                .toList()));
  }
}
