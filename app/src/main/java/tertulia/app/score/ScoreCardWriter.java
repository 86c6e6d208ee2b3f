package tertulia.app.score;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.CardChart;
import tertulia.app.chart.Marks;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Met;
import tertulia.core.evaluation.ScoreCard;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Totals.Winner;

/** Puts the score card into words and pictures. */
public final class ScoreCardWriter {
  private static final int QUOTES = 2;
  private static final BigDecimal HALF = new BigDecimal("0.5");
  private final Session session;
  private final ScoreCard card;
  private final Map<String, Contender> contenders = new LinkedHashMap<>();

  private ScoreCardWriter(Session session) {
    this.session = session;
    this.card = session.evaluation().scoreCard();
    session.columns().forEach(c -> contenders.put(c.id(), c));
  }

  /**
   * The card of a session; empty while fewer than two are compared, or nothing tells them apart.
   */
  public static Optional<ScoreCardView> of(Session session) {
    ScoreCardWriter writer = new ScoreCardWriter(session);
    return session.columns().size() < 2
            || writer.card.criteria().isEmpty() && writer.card.needs().isEmpty()
        ? Optional.empty()
        : Optional.of(writer.write());
  }

  private ScoreCardView write() {
    boolean weighted = card.criteria().stream().anyMatch(line -> line.weight().isPresent());
    return new ScoreCardView(
        says(weighted),
        weighted,
        card.criteria().stream().map(this::criterion).toList(),
        card.needs().stream().map(this::need).toList(),
        card.contenders().stream().map(this::contender).toList());
  }

  private List<String> says(boolean weighted) {
    List<String> says = new ArrayList<>();
    if (!weighted || card.criteria().isEmpty()) {
      if (!card.criteria().isEmpty()) {
        says.add(Voice.say("card.not-weighted"));
      }
      return says;
    }
    ScoreCard.OfCriterion first = card.criteria().getFirst();
    String criterion = first.criterion().name();
    says.add(
        switch (first.winner()) {
          case Winner.Won won ->
              Voice.say(
                  "card.heaviest.won",
                  Map.of(
                      "tool",
                      name(won.contender()),
                      "criterion",
                      criterion,
                      "margin",
                      won.margin().words()));
          case Winner.Tied tied ->
              Voice.say(
                  "card.heaviest.tied",
                  Map.of(
                      "tools",
                      Voice.list(first.ahead().stream().map(this::name).toList()),
                      "criterion",
                      criterion));
          case Winner.Open open ->
              Voice.say(
                  "card.heaviest.open",
                  Map.of("tool", name(open.contender()), "criterion", criterion));
          case Winner.Alone alone -> Voice.say("card.not-compared");
        });
    List<String> wins = new ArrayList<>();
    for (String contender : card.contenders()) {
      List<ScoreCard.OfCriterion> won = card.won(contender);
      if (!won.isEmpty()) {
        wins.add(
            Voice.say(
                won.size() == 1 ? "card.part.wins.one" : "card.part.wins.many",
                Map.of(
                    "tool",
                    name(contender),
                    "criteria",
                    Voice.list(won.stream().map(line -> line.criterion().name()).toList()),
                    "share",
                    Figures.percent(weight(won)))));
      }
    }
    if (!wins.isEmpty()) {
      says.add(Voice.say("card.wins", "wins", String.join("; ", wins)));
    }
    return says;
  }

  private static BigDecimal weight(List<ScoreCard.OfCriterion> lines) {
    return lines.stream()
        .map(line -> line.weight().orElse(BigDecimal.ZERO))
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  private String name(String contender) {
    return Optional.ofNullable(contenders.get(contender))
        .map(c -> c.tool().name())
        .orElse(contender);
  }

  private ScoreCardView.Who who(String contender) {
    return new ScoreCardView.Who(Marks.inline(session.mark(contender)), name(contender));
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
        CardChart.draw(thick, placed(line.values()), lead(line), words(line)),
        ahead,
        margin(line),
        reasons(line));
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
    if (winner instanceof Winner.Tied || line.lead().signum() == 0) {
      return Optional.empty();
    }
    BigDecimal to = line.value(winner.contender()).midpoint();
    return Optional.of(
        new CardChart.Lead(session.mark(winner.contender()), to.subtract(line.lead()), to, open));
  }

  private String words(ScoreCard.OfCriterion line) {
    return line.criterion().name()
        + ": "
        + line.values().entrySet().stream()
            .map(entry -> name(entry.getKey()) + " " + Figures.score(entry.getValue()))
            .collect(Collectors.joining(", "));
  }

  private static String margin(ScoreCard.OfCriterion line) {
    return switch (line.winner()) {
      case Winner.Won won -> won.margin().words() + (line.isOpen() ? ", still open" : "");
      case Winner.Tied tied -> tied.words() + (line.isOpen() ? ", still open" : "");
      case Winner.Open open -> open.margin().words() + ", still open";
      case Winner.Alone alone -> "";
    };
  }

  private List<ScoreCardView.Reason> reasons(ScoreCard.OfCriterion line) {
    return switch (line.criterion().kind()) {
      case Criterion.Judged judged -> quotes(line.criterion(), line.ahead(), true);
      case Criterion.Cost cost -> costs();
      case Criterion.CostAsFound cost -> costs();
      case Criterion.Coverage coverage -> values(line);
      case Criterion.Measured measured -> values(line);
      case Criterion.Ratings ratings ->
          line.ahead().stream().flatMap(c -> rating(c).stream()).toList();
    };
  }

  /** What was said beside marks, the highest first for who wins, the lowest first for who loses. */
  private List<ScoreCardView.Reason> quotes(Criterion criterion, List<String> of, boolean highest) {
    record Said(BigDecimal points, ScoreCardView.Reason reason) {}
    List<Said> said = new ArrayList<>();
    for (String contender : of) {
      for (Member member : session.evaluation().selection().panel().members()) {
        Mark mark = member.marks().getOrDefault(criterion.id(), Map.of()).get(contender);
        if (mark != null && !mark.note().isBlank() && mark.given().isPresent()) {
          said.add(
              new Said(
                  mark.given().get(),
                  new ScoreCardView.Reason(
                      "“" + mark.note() + "”",
                      member.name()
                          + ", "
                          + name(contender)
                          + (mark.interest().isEmpty() ? "" : ", with an interest"))));
        }
      }
    }
    Comparator<Said> order = Comparator.comparing(Said::points);
    return said.stream()
        .sorted(highest ? order.reversed() : order)
        .limit(QUOTES)
        .map(Said::reason)
        .toList();
  }

  private List<ScoreCardView.Reason> costs() {
    List<Map.Entry<String, Money>> known =
        contenders.keySet().stream()
            .flatMap(id ->
                session.evaluation().costs().overall().spreadTotal(id).stream()
                    .map(money -> Map.entry(id, money)))
            .sorted(Map.Entry.comparingByValue())
            .toList();
    if (known.size() < 2) {
      return List.of();
    }
    return List.of(
        new ScoreCardView.Reason(
            Voice.say(
                "card.cost",
                Map.of(
                    "tool",
                    name(known.get(0).getKey()),
                    "cost",
                    Figures.moneyIn(known.get(0).getValue()),
                    "months",
                    Figures.counted(session.table().selection().horizon().months(), "months"),
                    "next",
                    name(known.get(1).getKey()),
                    "more",
                    Figures.moneyIn(known.get(1).getValue().minus(known.get(0).getValue())))),
            ""));
  }

  private List<ScoreCardView.Reason> values(ScoreCard.OfCriterion line) {
    boolean coverage = line.criterion().kind() instanceof Criterion.Coverage;
    return List.of(
        new ScoreCardView.Reason(
            line.values().entrySet().stream()
                .sorted(
                    Comparator.comparing(
                        (Map.Entry<String, Interval> e) -> e.getValue().midpoint(),
                        Comparator.reverseOrder()))
                .limit(3)
                .map(e -> name(e.getKey()) + " " + share(e.getValue(), coverage))
                .collect(Collectors.joining(", ")),
            ""));
  }

  private static String share(Interval value, boolean coverage) {
    return coverage && value.isExact() ? Figures.percent(value.low()) : Figures.score(value);
  }

  private Optional<ScoreCardView.Reason> rating(String contender) {
    List<PublicRating> ratings = session.table().selection().contender(contender).ratings();
    return ratings.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new ScoreCardView.Reason(
                Voice.say(
                    "card.rating",
                    Map.of(
                        "tool",
                        name(contender),
                        "rating",
                        ratings.getFirst().rating().toPlainString(),
                        "count",
                        Figures.whole(ratings.stream().mapToInt(PublicRating::count).sum()))),
                ""));
  }

  // needs

  private ScoreCardView.Line need(ScoreCard.OfNeed line) {
    Map<String, Interval> values = new LinkedHashMap<>();
    line.met().forEach((contender, met) -> values.put(contender, value(met)));
    List<String> ahead = line.ahead();
    boolean most = ahead.size() > card.contenders().size() / 2 && ahead.size() > 2;
    List<String> others =
        card.contenders().stream()
            .filter(c -> !ahead.contains(c) && !line.open().contains(c))
            .toList();
    return new ScoreCardView.Line(
        line.need().capability().name(),
        "",
        importance(line.need()),
        CardChart.need(
            placed(values),
            line.need().capability().name()
                + ": "
                + line.met().entrySet().stream()
                    .map(e -> name(e.getKey()) + " " + words(e.getValue()))
                    .collect(Collectors.joining(", "))),
        (most && !others.isEmpty() ? others : ahead).stream().map(this::who).toList(),
        most && !others.isEmpty()
            ? "all but"
            : ahead.isEmpty()
                ? "nobody for certain"
                : line.of(ahead.getFirst()) == Met.PARTLY ? "in part" : "",
        asked(line.need()));
  }

  private static Interval value(Met met) {
    return switch (met) {
      case YES, OUTSIDE -> Interval.exactly(BigDecimal.ONE);
      case PARTLY -> Interval.exactly(HALF);
      case NO -> Interval.exactly(BigDecimal.ZERO);
      case UNKNOWN -> Interval.UNKNOWN;
    };
  }

  private static String words(Met met) {
    return switch (met) {
      case YES -> "yes";
      case OUTSIDE -> "covered outside";
      case PARTLY -> "in part";
      case NO -> "no";
      case UNKNOWN -> "not confirmed";
    };
  }

  private static String importance(Need need) {
    return switch (need.importance()) {
      case Importance.Must must -> "must";
      case Importance.Should should -> "should, " + should.weight();
      case Importance.Could could -> "could";
    };
  }

  private List<ScoreCardView.Reason> asked(Need need) {
    return session.table().file().brief().needs().stream()
        .filter(part -> part.id().equals(need.capability().id()))
        .filter(part -> part.why() != null && !part.why().isBlank())
        .map((Brief.NeedPart part) ->
            new ScoreCardView.Reason(
                "“" + part.why() + "”", part.askedBy() == null ? "" : part.askedBy()))
        .toList();
  }

  // contenders

  private ScoreCardView.OfContender contender(String contender) {
    List<String> wins =
        Stream.concat(
                card.won(contender).stream().map(line -> said("card.part.win", line)),
                card.tied(contender).stream().map(line -> said("card.part.level", line)))
            .toList();
    List<String> loses = new ArrayList<>();
    for (ScoreCard.OfCriterion line : card.lost(contender)) {
      String words =
          Voice.say(
              "card.part.lose", Map.of("criterion", line.criterion().name(), "share", share(line)));
      String quote =
          line.criterion().kind() instanceof Criterion.Judged
              ? quotes(line.criterion(), List.of(contender), false).stream()
                  .findFirst()
                  .map(reason -> ": " + reason.text() + " " + reason.by().split(",")[0])
                  .orElse("")
              : "";
      loses.add(words + quote);
    }
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
        wins,
        loses,
        session
            .evaluation()
            .costs()
            .now()
            .optionNow(contender)
            .map(option -> option.plan().name())
            .orElse(""),
        card.lacks(contender).stream().map(line -> lacked(line, contender)).toList(),
        chooseIf(contender),
        opinions(contender),
        own(contender));
  }

  private List<ScoreCardView.Reason> opinions(String contender) {
    return session.table().file().panel().stream()
        .flatMap(member ->
            member.said().stream()
                .filter(opinion -> opinion.contender().equals(contender))
                .map(opinion -> new ScoreCardView.Reason(opinion.takeIf(), member.name())))
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

  private static String share(ScoreCard.OfCriterion line) {
    return line.weight().map(w -> " " + Figures.percent(w)).orElse("");
  }

  private static String said(String key, ScoreCard.OfCriterion line) {
    return key.equals("card.part.win")
        ? Voice.say(
            "card.part.win",
            Map.of(
                "criterion", line.criterion().name(), "share", share(line), "margin", margin(line)))
        : Voice.say(
            "card.part.level", Map.of("criterion", line.criterion().name(), "share", share(line)));
  }

  private static String lacked(ScoreCard.OfNeed line, String contender) {
    String name = line.need().capability().name();
    return switch (line.of(contender)) {
      case PARTLY -> Voice.say("card.part.partly", "need", name);
      case UNKNOWN -> Voice.say("card.part.not-confirmed", "need", name);
      case YES, NO, OUTSIDE -> name;
    };
  }

  private List<String> chooseIf(String contender) {
    if (session.table().decided()) {
      return List.of();
    }
    AdviceWords words = new AdviceWords(session.table().selection());
    return new AdviceFindings(session.sensitivity())
        .takes().stream()
            .filter(take -> take.tool().equals(contender))
            .map((Advice.Take take) -> words.of(take))
            .toList();
  }
}
