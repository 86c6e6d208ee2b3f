package tertulia.app.display;

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
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Met;
import tertulia.core.evaluation.ScoreCard;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.PublicRating;
import tertulia.core.scoring.Totals.Winner;

/** Who wins where, by how much and why, in words: the same on the screen and in files. */
public final class CardWords {
  private static final int QUOTES = 2;
  private final Evaluation evaluation;
  private final SelectionFile file;
  private final ScoreCard card;
  private final Map<String, Contender> contenders = new LinkedHashMap<>();

  /**
   * Words for an evaluation.
   *
   * @param file what it was read from: it says why something is needed
   */
  public CardWords(Evaluation evaluation, SelectionFile file) {
    this.evaluation = evaluation;
    this.file = file;
    this.card = evaluation.scoreCard();
    evaluation.selection().active().forEach(c -> contenders.put(c.id(), c));
  }

  /**
   * Why, in somebody's words or from the figures.
   *
   * @param by who said it, and of which contender; empty: it follows from figures
   */
  public record Reason(String text, String by) {
    /** Both in one line. */
    public String words() {
      return by.isEmpty() ? text : text + " (" + by + ")";
    }
  }

  /** What the words are about. */
  public ScoreCard card() {
    return card;
  }

  /** Whether there is anything to say: two are compared, and something tells them apart. */
  public boolean isThere() {
    return contenders.size() > 1 && !(card.criteria().isEmpty() && card.needs().isEmpty());
  }

  /** The name of a contender. */
  public String name(String contender) {
    return Optional.ofNullable(contenders.get(contender))
        .map(c -> c.tool().name())
        .orElse(contender);
  }

  /** What was said beside the highest mark of a contender; empty if nothing was. */
  public Optional<Reason> quote(Criterion criterion, String contender) {
    return quotes(criterion, List.of(contender), true).stream()
        .findFirst()
        .map(said -> new Reason(said.text(), said.by().split(",")[0]));
  }

  /** What a contender wins, and where it is level with the best. */
  public List<String> wins(String contender) {
    return Stream.concat(
            card.won(contender).stream().map(line -> said("card.part.win", line)),
            card.tied(contender).stream().map(line -> said("card.part.level", line)))
        .toList();
  }

  /** Where a contender is the last and behind in every case, with what was said. */
  public List<String> loses(String contender) {
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
    return loses;
  }

  /** What a contender does not have whole of what tells them apart. */
  public List<String> lacks(String contender) {
    return card.lacks(contender).stream().map(line -> lacked(line, contender)).toList();
  }

  /**
   * Who wins the heaviest criterion, and who wins what with the weights of it; that nobody has set
   * weights, while that is so; nothing without criteria.
   */
  public List<String> says() {
    boolean weighted = card.criteria().stream().anyMatch(line -> line.weight().isPresent());
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
              first.isUndecided()
                  ? Voice.say("card.heaviest.undecided", "criterion", criterion)
                  : Voice.say(
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

  /** Every contender with its value, for whoever does not see the picture. */
  public String words(ScoreCard.OfCriterion line) {
    return line.criterion().name()
        + ": "
        + line.values().entrySet().stream()
            .map(entry -> name(entry.getKey()) + " " + Figures.score(entry.getValue()))
            .collect(Collectors.joining(", "));
  }

  /** By how much, and whether it is open; empty with nobody to win against. */
  public static String margin(ScoreCard.OfCriterion line) {
    return switch (line.winner()) {
      case Winner.Won won -> won.margin().words() + (line.isOpen() ? ", still open" : "");
      case Winner.Tied tied -> tied.words() + (line.isOpen() ? ", still open" : "");
      case Winner.Open open ->
          line.isUndecided() ? "still open" : open.margin().words() + ", still open";
      case Winner.Alone alone -> "";
    };
  }

  /** Why: what was said beside the marks of those ahead, or the figures; may be empty. */
  public List<Reason> reasons(ScoreCard.OfCriterion line) {
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
  private List<Reason> quotes(Criterion criterion, List<String> of, boolean highest) {
    record Said(BigDecimal points, Reason reason) {}
    List<Said> said = new ArrayList<>();
    for (String contender : of) {
      for (Member member : evaluation.selection().panel().members()) {
        Mark mark = member.marks().getOrDefault(criterion.id(), Map.of()).get(contender);
        if (mark != null && !mark.note().isBlank() && mark.given().isPresent()) {
          said.add(
              new Said(
                  mark.given().get(),
                  new Reason(
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

  private List<Reason> costs() {
    List<Map.Entry<String, Money>> known =
        contenders.keySet().stream()
            .filter(id -> !evaluation.costs().overall().keptThoughItFails(id))
            .flatMap(id ->
                evaluation.costs().overall().spreadTotal(id).stream()
                    .map(money -> Map.entry(id, money)))
            .sorted(Map.Entry.comparingByValue())
            .toList();
    if (known.size() < 2) {
      return List.of();
    }
    return List.of(
        new Reason(
            Voice.say(
                "card.cost",
                Map.of(
                    "tool",
                    name(known.get(0).getKey()),
                    "cost",
                    Figures.moneyIn(known.get(0).getValue()),
                    "months",
                    Figures.counted(evaluation.selection().horizon().months(), "months"),
                    "next",
                    name(known.get(1).getKey()),
                    "more",
                    Figures.moneyIn(known.get(1).getValue().minus(known.get(0).getValue())))),
            ""));
  }

  private List<Reason> values(ScoreCard.OfCriterion line) {
    boolean coverage = line.criterion().kind() instanceof Criterion.Coverage;
    return List.of(
        new Reason(
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

  private Optional<Reason> rating(String contender) {
    List<PublicRating> ratings = evaluation.selection().contender(contender).ratings();
    return ratings.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Reason(
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

  /** Such as "must" or "should, 4". */
  public static String importance(Need need) {
    return switch (need.importance()) {
      case Importance.Must must -> "must";
      case Importance.Should should -> "should, " + should.weight();
      case Importance.Could could -> "could";
    };
  }

  /** Why something is needed and who said so; empty if nobody did. */
  public List<Reason> asked(Need need) {
    return file.brief().needs().stream()
        .filter(part -> part.id().equals(need.capability().id()))
        .filter(part -> part.why() != null && !part.why().isBlank())
        .map((Brief.NeedPart part) ->
            new Reason("“" + part.why() + "”", part.askedBy() == null ? "" : part.askedBy()))
        .toList();
  }

  private static String lacked(ScoreCard.OfNeed line, String contender) {
    String name = line.need().capability().name();
    return switch (line.of(contender)) {
      case PARTLY -> Voice.say("card.part.partly", "need", name);
      case BY_HAND -> Voice.say("card.part.by-hand", "need", name);
      case UNKNOWN -> Voice.say("card.part.not-confirmed", "need", name);
      case YES, NO, OUTSIDE -> name;
    };
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

  private static String share(Interval value, boolean coverage) {
    return coverage && !value.equals(Interval.UNKNOWN) ? percent(value) : Figures.score(value);
  }

  /** A share, or both ends of it. */
  private static String percent(Interval value) {
    return value.isExact()
        ? Figures.percent(value.low())
        : Figures.percent(value.low()) + " to " + Figures.percent(value.high());
  }

  /** Such as " 33 %", with a blank before it; empty without weights. */
  public static String share(ScoreCard.OfCriterion line) {
    return line.weight().map(w -> " " + Figures.percent(w)).orElse("");
  }

  /** How a need is met. */
  public static String words(Met met) {
    return switch (met) {
      case YES -> "yes";
      case OUTSIDE -> "covered outside";
      case PARTLY -> "in part";
      case BY_HAND -> "by hand";
      case NO -> "no";
      case UNKNOWN -> "not confirmed";
    };
  }
}
