package tertulia.app.weighing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tertulia.app.display.Voice;
import tertulia.core.scoring.Consistency;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Preference;
import tertulia.core.scoring.Weighed;
import tertulia.core.scoring.Weighing;

/** What has come of somebody's weighing, said to them. */
final class WeighedWords {
  private final List<Criterion> criteria;

  WeighedWords(List<Criterion> criteria) {
    this.criteria = List.copyOf(criteria);
  }

  String of(Weighing weighing) {
    return switch (weighing.over(criteria)) {
      case Weighed.Known known ->
          weighing instanceof Weighing.Compared compared && criteria.size() > 2
              ? compared.consistency(criteria).map(this::agreeing).orElse("")
              : "";
      case Weighed.Nothing nothing -> Voice.say("weighting.nothing");
      case Weighed.Withheld withheld -> "";
      case Weighed.NotRanked left ->
          Voice.say("weighting.not-ranked", "criteria", names(left.left()));
      case Weighed.NotCompared some ->
          Voice.say("weighting.not-compared", Map.of("so", some.so(), "of", some.of()));
      case Weighed.TooMany many ->
          Voice.say(
              "weighting.too-many",
              Map.of("count", many.criteria(), "most", Consistency.MOST_CRITERIA));
      case Weighed.Contradictory not -> contradicting(not.consistency());
    };
  }

  private String agreeing(Consistency consistency) {
    return consistency.furthest().isEmpty()
        ? Voice.say("weighting.agrees")
        : Voice.say("weighting.agrees.enough", "w", Weighing.ratio(consistency.ratio()));
  }

  private String contradicting(Consistency consistency) {
    return Voice.all(
        Voice.say("weighting.contradicts", "w", Weighing.ratio(consistency.ratio())),
        consistency.furthest().stream().map(this::doubtful).collect(Collectors.joining(" ")));
  }

  private String doubtful(Consistency.Doubtful doubtful) {
    Preference stated = doubtful.stated();
    double implied = doubtful.implied();
    Map<String, String> places =
        Map.of(
            "criterion",
            name(stated.more()),
            "other",
            name(stated.less()),
            "own",
            stated.times() == 1
                ? Voice.say("weighting.part.equally")
                : Voice.say("weighting.part.times", "count", stated.times()),
            "total",
            rounded(implied >= 1 ? implied : 1 / implied));
    return Voice.say(
        implied >= 1 ? "weighting.look-again" : "weighting.look-again.other-way", places);
  }

  private static String rounded(double times) {
    return BigDecimal.valueOf(times).setScale(1, RoundingMode.HALF_UP).toPlainString();
  }

  private String names(List<Criterion> some) {
    return some.stream().map(Criterion::name).collect(Collectors.joining(", "));
  }

  private String name(String id) {
    return criteria.stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .map(Criterion::name)
        .orElse(id);
  }
}
