package tertulia.app.weighing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.workspace.Session;
import tertulia.core.scoring.Consistency;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Weighing;

/**
 * How the reader weighs.
 *
 * @param ways the ways there are
 * @param way the code of the one that counts
 * @param hint what to do in it
 * @param numbers what was entered in it, by criterion; none in pairs
 * @param pairs every two criteria, if they are compared in pairs
 * @param says what has come of it
 * @param counts whether it has led to weights
 */
record OwnWeights(
    List<Choice> ways,
    String way,
    String hint,
    Map<String, Integer> numbers,
    List<Pair> pairs,
    String says,
    boolean counts) {

  /** A way to weigh, as a choice. */
  record Choice(String code, String words, boolean chosen) {}

  /**
   * Two criteria side by side.
   *
   * @param times how many times as much the one matters; below 0 the other does; 0: not compared
   * @param sends what a choice sends along, as JSON
   */
  record Pair(String id, String one, String other, int times, String sends) {}

  static OwnWeights of(Session session) {
    List<Criterion> criteria = session.evaluation().scores().criteria();
    Optional<SelectionFile.MemberPart> part = session.table().part(session.person());
    WeighingReader.Elicitation way =
        part.map(WeighingReader::way).orElse(WeighingReader.Elicitation.POINTS);
    Weighing weighing =
        session.table().member(session.person()).map(Member::weighing).orElse(Weighing.NOTHING);
    WeighedWords words = new WeighedWords(criteria);
    return new OwnWeights(
        List.of(
            choice(WeighingReader.Elicitation.POINTS, "points", way),
            choice(WeighingReader.Elicitation.SWING, "steps from worst to best", way),
            choice(WeighingReader.Elicitation.RANK_ORDER, "an order", way),
            choice(WeighingReader.Elicitation.PAIRS, "two at a time", way)),
        way.code(),
        hint(way),
        numbers(weighing),
        way == WeighingReader.Elicitation.PAIRS ? pairs(weighing, criteria) : List.of(),
        words.of(weighing),
        weighing.over(criteria).weights().isPresent());
  }

  private static Choice choice(
      WeighingReader.Elicitation way, String words, WeighingReader.Elicitation chosen) {
    return new Choice(way.code(), words, way == chosen);
  }

  private static String hint(WeighingReader.Elicitation way) {
    return switch (way) {
      case POINTS -> "Give each criterion points from 0 to 1000; only their proportions matter.";
      case SWING ->
          "Think of every criterion at its worst. The one step from worst to best that you would"
              + " want most gets 100; the others get points compared with it, 0 to 100.";
      case RANK_ORDER ->
          "1 is what matters most, 2 what comes next; the same number for those alike. Only the"
              + " order counts.";
      case PAIRS ->
          "Say of every two which matters more, and how many times as much. What contradicts itself"
              + " is shown as you go.";
    };
  }

  private static Map<String, Integer> numbers(Weighing weighing) {
    return switch (weighing) {
      case Weighing.Points points -> points.points();
      case Weighing.Swing swing -> swing.worth();
      case Weighing.RankOrder order -> order.ranks();
      case Weighing.Compared compared -> Map.of();
      case Weighing.Withheld withheld -> Map.of();
    };
  }

  private static List<Pair> pairs(Weighing weighing, List<Criterion> criteria) {
    if (criteria.size() > Consistency.MOST_CRITERIA) {
      return List.of();
    }
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < criteria.size(); i++) {
      for (int j = i + 1; j < criteria.size(); j++) {
        Criterion one = criteria.get(i);
        Criterion other = criteria.get(j);
        Map<String, String> sends = new LinkedHashMap<>();
        sends.put("one", one.id());
        sends.put("other", other.id());
        pairs.add(
            new Pair(
                one.id() + "-" + other.id(),
                one.name(),
                other.name(),
                times(weighing, one.id(), other.id()),
                Json.write(sends)));
      }
    }
    return pairs;
  }

  private static int times(Weighing weighing, String one, String other) {
    return weighing instanceof Weighing.Compared compared
        ? compared.preferences().stream()
            .filter(p -> p.isBetween(one, other))
            .findFirst()
            .map(p -> p.more().equals(one) || p.times() == 1 ? p.times() : -p.times())
            .orElse(0)
        : 0;
  }
}
