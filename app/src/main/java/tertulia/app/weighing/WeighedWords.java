package tertulia.app.weighing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.stream.Collectors;
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
      case Weighed.Nothing nothing -> "You have not weighed in this way yet.";
      case Weighed.Withheld withheld -> "";
      case Weighed.NotRanked left ->
          "Not ranked yet: " + names(left.left()) + ". Your order counts once all are in it.";
      case Weighed.NotCompared some ->
          some.so() + " of " + some.of() + " pairs compared. They count once all are.";
      case Weighed.TooMany many ->
          many.criteria()
              + " criteria are too many to compare two at a time; "
              + Consistency.MOST_CRITERIA
              + " at most. Weigh in another way, or drop some.";
      case Weighed.Contradictory not -> contradicting(not.consistency());
    };
  }

  private String agreeing(Consistency consistency) {
    String ratio = Weighing.ratio(consistency.ratio());
    return consistency.furthest().isEmpty()
        ? "Your comparisons agree with each other."
        : "Your comparisons agree well enough (" + ratio + ", of 0.10 at most).";
  }

  private String contradicting(Consistency consistency) {
    return "Your comparisons contradict each other too much to count ("
        + Weighing.ratio(consistency.ratio())
        + ", of 0.10 at most). Think again of "
        + consistency.furthest().stream()
            .map(this::doubtful)
            .collect(Collectors.joining("; or of "))
        + ".";
  }

  private String doubtful(Consistency.Doubtful doubtful) {
    Preference stated = doubtful.stated();
    String more = name(stated.more());
    String less = name(stated.less());
    String said =
        stated.times() == 1 ? "you said equally" : "you said " + stated.times() + " times as much";
    return more
        + " against "
        + less
        + ": "
        + said
        + ", all of them together say "
        + implied(doubtful);
  }

  private String implied(Consistency.Doubtful doubtful) {
    double implied = doubtful.implied();
    return implied >= 1
        ? rounded(implied) + " times"
        : "that "
            + name(doubtful.stated().less())
            + " matters "
            + rounded(1 / implied)
            + " times as much";
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
