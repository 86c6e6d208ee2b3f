package tertulia.app.score;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.chart.CardChart;
import tertulia.app.chart.Marks;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.CardWords;
import tertulia.app.display.Figures;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Met;
import tertulia.core.evaluation.ScoreCard;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals.Winner;

/** Puts the score card into words and pictures. */
public final class ScoreCardWriter {
  private static final BigDecimal HALF = new BigDecimal("0.5");
  private final Session session;
  private final CardWords words;
  private final ScoreCard card;
  private final Map<String, Contender> contenders = new LinkedHashMap<>();

  private ScoreCardWriter(Session session) {
    this.session = session;
    this.words = new CardWords(session.evaluation(), session.table().file());
    this.card = words.card();
    session.columns().forEach(c -> contenders.put(c.id(), c));
  }

  /**
   * The card of a session; empty while fewer than two are compared, or nothing tells them apart.
   */
  public static Optional<ScoreCardView> of(Session session) {
    ScoreCardWriter writer = new ScoreCardWriter(session);
    return writer.words.isThere() ? Optional.of(writer.write()) : Optional.empty();
  }

  private ScoreCardView write() {
    boolean weighted = card.criteria().stream().anyMatch(line -> line.weight().isPresent());
    return new ScoreCardView(
        words.says(),
        weighted,
        card.criteria().stream().map(this::criterion).toList(),
        card.needs().stream().map(this::need).toList(),
        card.contenders().stream().map(this::contender).toList());
  }

  private ScoreCardView.Who who(String contender) {
    return new ScoreCardView.Who(Marks.inline(session.mark(contender)), words.name(contender));
  }

  // criteria

  private ScoreCardView.Line criterion(ScoreCard.OfCriterion line) {
    BigDecimal heaviest =
        card.criteria().stream()
            .map(other -> other.weight().orElse(BigDecimal.ONE))
            .max(Comparator.naturalOrder())
            .filter(most -> most.signum() > 0)
            .orElse(BigDecimal.ONE);
    BigDecimal thick =
        line.weight()
            .orElse(BigDecimal.ONE)
            .divide(heaviest, java.math.MathContext.DECIMAL64)
            .min(BigDecimal.ONE);
    List<ScoreCardView.Who> ahead =
        line.winner() instanceof Winner.Alone
            ? List.of()
            : line.ahead().stream().map(this::who).toList();
    return new ScoreCardView.Line(
        line.criterion().name(),
        line.criterion().meaning(),
        line.weight().map(Figures::percent).orElse(""),
        CardChart.draw(thick, placed(line.values()), lead(line), words.words(line)),
        ahead,
        CardWords.margin(line),
        words.reasons(line));
  }

  private List<CardChart.Placed> placed(Map<String, Interval> values) {
    return values.entrySet().stream()
        .filter(entry -> contenders.containsKey(entry.getKey()))
        .map(entry ->
            new CardChart.Placed(
                session.drawn(session.table().selection().contender(entry.getKey())),
                entry.getValue()))
        .toList();
  }

  private Optional<CardChart.Lead> lead(ScoreCard.OfCriterion line) {
    Winner winner = line.winner();
    boolean open = line.isOpen();
    if (winner instanceof Winner.Tied || line.isUndecided() || line.lead().signum() == 0) {
      return Optional.empty();
    }
    BigDecimal to = line.value(winner.contender()).midpoint();
    return Optional.of(
        new CardChart.Lead(session.mark(winner.contender()), to.subtract(line.lead()), to, open));
  }

  // needs

  private ScoreCardView.Line need(ScoreCard.OfNeed line) {
    Map<String, Interval> values = new LinkedHashMap<>();
    line.met().forEach((contender, met) -> values.put(contender, value(line.need(), met)));
    List<String> ahead = line.ahead();
    boolean most = ahead.size() > card.contenders().size() / 2 && ahead.size() > 2;
    List<String> others =
        card.contenders().stream()
            .filter(c -> !ahead.contains(c) && !line.open().contains(c))
            .toList();
    return new ScoreCardView.Line(
        line.need().capability().name(),
        "",
        CardWords.importance(line.need()),
        CardChart.need(
            placed(values),
            line.need().capability().name()
                + ": "
                + line.met().entrySet().stream()
                    .map(e -> words.name(e.getKey()) + " " + CardWords.words(e.getValue()))
                    .collect(Collectors.joining(", "))),
        (most && !others.isEmpty() ? others : ahead).stream().map(this::who).toList(),
        most && !others.isEmpty()
            ? "all but"
            : ahead.isEmpty()
                ? "nobody for certain"
                : line.of(ahead.getFirst()) == Met.PARTLY ? "in part" : "",
        words.asked(line.need()));
  }

  private static Interval value(Need need, Met met) {
    return switch (met) {
      case YES, OUTSIDE -> Interval.exactly(BigDecimal.ONE);
      case PARTLY -> Interval.exactly(HALF);
      case BY_HAND -> Interval.exactly(need.byHandIsEnough() ? BigDecimal.ONE : BigDecimal.ZERO);
      case NO -> Interval.exactly(BigDecimal.ZERO);
      case UNKNOWN -> Interval.UNKNOWN;
    };
  }

  // contenders

  private ScoreCardView.OfContender contender(String contender) {
    return new ScoreCardView.OfContender(
        contender,
        who(contender),
        session
            .evaluation()
            .scores()
            .totals()
            .filter(totals -> totals.values().containsKey(contender))
            .map(totals -> Figures.score(totals.total(contender)))
            .orElse("—"),
        words.wins(contender),
        words.loses(contender),
        session
            .evaluation()
            .costs()
            .now()
            .optionNow(contender)
            .map(option -> option.plan().name())
            .orElse(""),
        words.lacks(contender),
        chooseIf(contender),
        opinions(contender),
        own(contender));
  }

  private List<CardWords.Reason> opinions(String contender) {
    return session.table().file().panel().stream()
        .flatMap(member ->
            member.said().stream()
                .filter(opinion -> opinion.contender().equals(contender))
                .map(opinion -> new CardWords.Reason(opinion.takeIf(), member.name())))
        .toList();
  }

  /** Of two people of one name the one that reads. */
  private String own(String contender) {
    List<LoadedSelection.Seat> seats = session.table().seats();
    for (int i = 0; i < seats.size(); i++) {
      if (Long.valueOf(session.person().id()).equals(seats.get(i).accountId())) {
        return session.table().file().panel().get(i).said().stream()
            .filter(opinion -> opinion.contender().equals(contender))
            .findFirst()
            .map(SelectionFile.OpinionPart::takeIf)
            .orElse("");
      }
    }
    return "";
  }

  private List<String> chooseIf(String contender) {
    if (session.table().decided()) {
      return List.of();
    }
    AdviceWords advice = new AdviceWords(session.table().selection());
    return new AdviceFindings(session.sensitivity())
        .takes().stream()
            .filter(take -> take.tool().equals(contender))
            .map((Advice.Take take) -> advice.of(take))
            .toList();
  }
}
