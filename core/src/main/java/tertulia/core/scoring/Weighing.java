package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/** How one person says what matters more. Every method leads to weights that add up to 1. */
public sealed interface Weighing {
  /** Nobody has said anything yet. */
  Weighing NOTHING = new Points(Map.of());

  /** The weights of these criteria, or what is missing for them. */
  Weighed over(List<Criterion> criteria);

  /** How a weight comes about, in words. */
  String rule();

  /** What was entered that the weight of a criterion rests on. */
  List<Derivation> entered(Criterion criterion, List<Criterion> criteria);

  /**
   * Points in any proportion; a weight is its share of all points.
   *
   * @param points by criterion id, 0 to 1000; one that is not there has none
   */
  record Points(Map<String, Integer> points) implements Weighing {
    static final int MOST = 1000;

    public Points {
      points = checked(points, 0, MOST, "Points lie");
    }

    @Override
    public Weighed over(List<Criterion> criteria) {
      return inProportion(criteria, points);
    }

    @Override
    public String rule() {
      return "points for this criterion of all points given";
    }

    @Override
    public List<Derivation> entered(Criterion criterion, List<Criterion> criteria) {
      return ofAll(criterion, criteria, points, "points");
    }
  }

  /**
   * What the step from the worst to the best is worth under each criterion, the one worth most at
   * 100; a weight is its share of the sum.
   *
   * @param worth by criterion id, 0 to 100; one that is not there is worth nothing
   */
  record Swing(Map<String, Integer> worth) implements Weighing {
    static final int MOST = 100;

    public Swing {
      worth = checked(worth, 0, MOST, "The points of a step lie");
    }

    @Override
    public Weighed over(List<Criterion> criteria) {
      return inProportion(criteria, worth);
    }

    @Override
    public String rule() {
      return "the points of the step from worst to best, of the points of all steps";
    }

    @Override
    public List<Derivation> entered(Criterion criterion, List<Criterion> criteria) {
      return ofAll(criterion, criteria, worth, "of 100");
    }
  }

  /**
   * An order, the first mattering most. The weight of place r of n is the mean of 1/r … 1/n over n
   * (rank order centroid, Barron and Barrett 1996): of four 0.520833, 0.270833, 0.145833 and
   * 0.062500. Those ranked alike share their places' weights evenly.
   *
   * @param ranks by criterion id, 1 the first; only their order counts
   */
  record RankOrder(Map<String, Integer> ranks) implements Weighing {
    static final int LAST = 99;

    public RankOrder {
      ranks = checked(ranks, 1, LAST, "Ranks lie");
    }

    @Override
    public Weighed over(List<Criterion> criteria) {
      List<Criterion> left = criteria.stream().filter(c -> !ranks.containsKey(c.id())).toList();
      if (left.size() == criteria.size()) {
        return new Weighed.Nothing();
      }
      return left.isEmpty() ? new Weighed.Known(byPlace(criteria)) : new Weighed.NotRanked(left);
    }

    private Map<String, BigDecimal> byPlace(List<Criterion> criteria) {
      Map<String, BigDecimal> weights = new LinkedHashMap<>();
      for (Criterion criterion : criteria) {
        int rank = rank(criterion);
        int first = 1 + (int) criteria.stream().filter(c -> rank(c) < rank).count();
        int alike = (int) criteria.stream().filter(c -> rank(c) == rank).count();
        BigDecimal sum = BigDecimal.ZERO;
        for (int place = first; place < first + alike; place++) {
          sum = sum.add(centroid(place, criteria.size()));
        }
        weights.put(criterion.id(), sum.divide(BigDecimal.valueOf(alike), Panel.ROOM));
      }
      return weights;
    }

    private int rank(Criterion criterion) {
      return java.util.Objects.requireNonNull(ranks.get(criterion.id()));
    }

    private static BigDecimal centroid(int place, int of) {
      BigDecimal sum = BigDecimal.ZERO;
      for (int k = place; k <= of; k++) {
        sum = sum.add(BigDecimal.ONE.divide(BigDecimal.valueOf(k), Panel.ROOM));
      }
      return sum.divide(BigDecimal.valueOf(of), Panel.ROOM);
    }

    @Override
    public String rule() {
      return "by its place in the order: (1/place + … + 1/last) / last, shared by those alike";
    }

    @Override
    public List<Derivation> entered(Criterion criterion, List<Criterion> criteria) {
      return List.of(
          new Derivation.Entered("ranked", Quantity.of(ranks.getOrDefault(criterion.id(), 0), "")),
          new Derivation.Entered("criteria ranked", Quantity.of(criteria.size(), "")));
    }
  }

  /**
   * Each two compared: one matters so many times as much as the other.
   *
   * @param preferences at most one for each pair
   */
  record Compared(List<Preference> preferences) implements Weighing {
    public Compared {
      preferences = List.copyOf(preferences);
      for (int i = 0; i < preferences.size(); i++) {
        Preference own = preferences.get(i);
        if (preferences.subList(0, i).stream()
            .anyMatch(other -> other.isBetween(own.more(), own.less()))) {
          throw new IllegalArgumentException(
              "\"" + own.more() + "\" and \"" + own.less() + "\" are compared twice. Keep one.");
        }
      }
    }

    @Override
    public Weighed over(List<Criterion> criteria) {
      int of = criteria.size() * (criteria.size() - 1) / 2;
      int so = (int) asked(criteria).count();
      if (criteria.isEmpty() || so == 0 && of > 0) {
        return new Weighed.Nothing();
      }
      if (criteria.size() > Consistency.MOST_CRITERIA) {
        return new Weighed.TooMany(criteria.size());
      }
      if (so < of) {
        return new Weighed.NotCompared(so, of);
      }
      Consistency consistency = Consistency.of(criteria, preferences);
      return consistency.isGoodEnough()
          ? new Weighed.Known(consistency.weights())
          : new Weighed.Contradictory(consistency);
    }

    /** How well they agree; empty as long as a pair is not compared. */
    public java.util.Optional<Consistency> consistency(List<Criterion> criteria) {
      return switch (over(criteria)) {
        case Weighed.Known known -> java.util.Optional.of(Consistency.of(criteria, preferences));
        case Weighed.Contradictory not -> java.util.Optional.of(not.consistency());
        case Weighed.Nothing none -> java.util.Optional.empty();
        case Weighed.Withheld not -> java.util.Optional.empty();
        case Weighed.NotRanked left -> java.util.Optional.empty();
        case Weighed.NotCompared left -> java.util.Optional.empty();
        case Weighed.TooMany many -> java.util.Optional.empty();
      };
    }

    private java.util.stream.Stream<Preference> asked(List<Criterion> criteria) {
      java.util.Set<String> ids = criteria.stream().map(Criterion::id).collect(Collectors.toSet());
      return preferences.stream().filter(p -> ids.contains(p.more()) && ids.contains(p.less()));
    }

    @Override
    public String rule() {
      return "principal eigenvector of all comparisons in pairs";
    }

    @Override
    public List<Derivation> entered(Criterion criterion, List<Criterion> criteria) {
      Map<String, String> names =
          criteria.stream().collect(Collectors.toMap(Criterion::id, Criterion::name));
      List<Derivation> parts = new ArrayList<>();
      asked(criteria)
          .filter(p -> p.more().equals(criterion.id()) || p.less().equals(criterion.id()))
          .forEach(p ->
              parts.add(
                  new Derivation.Entered(
                      names.get(p.more()) + " against " + names.get(p.less()),
                      Quantity.of(p.times(), p.times() == 1 ? "time" : "times"))));
      consistency(criteria)
          .ifPresent(found ->
              parts.add(
                  new Derivation.Stated(
                      "how far they contradict each other",
                      ratio(found.ratio()) + ", of 0.10 at most")));
      return parts;
    }
  }

  /**
   * Somebody has a view that is not for the reader's eyes yet: it counts in nothing that is read.
   * How far they have come is no secret.
   *
   * @param weighed whether they have weights
   * @param marksLeft how many marks they have left to give
   */
  record Withheld(boolean weighed, int marksLeft) implements Weighing {
    @Override
    public Weighed over(List<Criterion> criteria) {
      return new Weighed.Withheld();
    }

    @Override
    public String rule() {
      return "not shown yet";
    }

    @Override
    public List<Derivation> entered(Criterion criterion, List<Criterion> criteria) {
      return List.of();
    }
  }

  /** A consistency ratio as it is read, such as "0.008". */
  static String ratio(double ratio) {
    return BigDecimal.valueOf(ratio).setScale(3, java.math.RoundingMode.HALF_UP).toPlainString();
  }

  private static Weighed inProportion(List<Criterion> criteria, Map<String, Integer> given) {
    int sum = criteria.stream().mapToInt(c -> given.getOrDefault(c.id(), 0)).sum();
    if (sum == 0) {
      return new Weighed.Nothing();
    }
    Function<Criterion, BigDecimal> share =
        c ->
            BigDecimal.valueOf(given.getOrDefault(c.id(), 0))
                .divide(BigDecimal.valueOf(sum), Panel.ROOM);
    Map<String, BigDecimal> weights = new LinkedHashMap<>();
    criteria.forEach(c -> weights.put(c.id(), share.apply(c)));
    return new Weighed.Known(weights);
  }

  private static List<Derivation> ofAll(
      Criterion criterion, List<Criterion> criteria, Map<String, Integer> given, String unit) {
    int sum = criteria.stream().mapToInt(c -> given.getOrDefault(c.id(), 0)).sum();
    return List.of(
        new Derivation.Entered(
            "given to this criterion", Quantity.of(given.getOrDefault(criterion.id(), 0), unit)),
        new Derivation.Entered(
            "given to all", Quantity.of(sum, unit.equals("points") ? unit : "")));
  }

  private static Map<String, Integer> checked(
      Map<String, Integer> given, int least, int most, String what) {
    given.forEach((criterion, n) -> {
      if (n < least || n > most) {
        throw new IllegalArgumentException(
            what + " between " + least + " and " + most + "; found " + n + ".");
      }
    });
    return java.util.Collections.unmodifiableMap(new LinkedHashMap<>(given));
  }
}
