package tertulia.core.sensitivity;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tertulia.core.deadline.Deadline;
import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.Reweighed;
import tertulia.core.growth.Measure;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Derivation;

/**
 * For each contender when to take it: where, in one dimension and with all else as it is read, it
 * leads for certain.
 *
 * <p>Numbers of people stand apart: at each it is asked who leads by the cost a head, whatever the
 * plan holds, so that such a range neither says when to take the leader of the plan nor turns round
 * what another relies on.
 *
 * @param lead as it is read
 * @param all every condition found, by contender in the contenders' order; numbers of people are
 *     not among them
 * @param sizes the numbers of people, as ranges in their order, at which each leads for certain
 * @param tried under what it was looked
 */
public record TakeIf(
    Lead lead,
    Map<String, List<Condition>> all,
    Map<String, List<Condition.Between>> sizes,
    Tried tried) {
  /** Conditions told of one contender. */
  public static final int MOST = 3;

  private static final int PERCENT = 100;

  public TakeIf {
    Map<String, List<Condition>> copy = new LinkedHashMap<>();
    all.forEach((tool, conditions) -> copy.put(tool, List.copyOf(conditions)));
    all = java.util.Collections.unmodifiableMap(copy);
    Map<String, List<Condition.Between>> ranges = new LinkedHashMap<>();
    sizes.forEach((tool, own) -> ranges.put(tool, List.copyOf(own)));
    sizes = java.util.Collections.unmodifiableMap(ranges);
  }

  /** The ranges of people at which a contender leads for certain; none if it does nowhere. */
  public List<Condition.Between> sizes(String tool) {
    return sizes.getOrDefault(tool, List.of());
  }

  /** Whether at some number of people another than this one leads for certain. */
  public boolean othersBySize(String tool) {
    return sizes.entrySet().stream()
        .anyMatch(own -> !own.getKey().equals(tool) && !own.getValue().isEmpty());
  }

  /** Looks for the conditions of all contenders that nobody set aside. */
  public static TakeIf of(Evaluation read) {
    return of(read, new OnceEach<>("who leads if one thing is otherwise"));
  }

  /**
   * The same in parts.
   *
   * @param parts what is worked out already, and is kept if the time is over before all is
   */
  static TakeIf of(Evaluation read, OnceEach<Otherwise, Turned> parts) {
    return new Search(read, parts).found();
  }

  /**
   * Who leads if one thing is otherwise.
   *
   * @param leader empty: nobody for certain
   * @param priced whether what the leader costs is known then
   */
  record Turned(Optional<String> leader, boolean priced) {
    static Turned of(Evaluation changed) {
      Optional<String> leader = Lead.of(changed).tool();
      return new Turned(
          leader,
          leader.filter(tool -> changed.costs().overall().total(tool).isPresent()).isPresent());
    }
  }

  /**
   * The fewest conditions that tell a contender from the others: of one that does not lead the one
   * that says most to a reader; of the leader what must hold so that none of those comes true.
   * Empty: never, under anything tried; or, of the leader, whatever was tried.
   */
  public List<Condition> told(String tool) {
    if (lead.tool().filter(tool::equals).isPresent()) {
      return relyingOn(tool);
    }
    return all.getOrDefault(tool, List.of()).stream().limit(1).toList();
  }

  /** What the leader relies on, as the first conditions of the others say. */
  private List<Condition> relyingOn(String leader) {
    List<Condition> relying = new ArrayList<>();
    for (String rival : all.keySet()) {
      if (!rival.equals(leader)) {
        told(rival).stream()
            .flatMap(condition -> against(leader, condition).stream())
            .filter(mine -> !relying.contains(mine))
            .forEach(relying::add);
      }
    }
    return relying.stream().sorted(Comparator.comparing(Condition::dimension)).limit(MOST).toList();
  }

  /** The leader's own range where the other's condition is one, or that it does not come true. */
  private Optional<Condition> against(String leader, Condition other) {
    return switch (other) {
      case Condition.Between between ->
          own(leader, mine -> sameAxis(mine, between))
              .or(() -> Optional.of(new Condition.Unless(other)));
      case Condition.Weight weight ->
          own(
                  leader,
                  mine ->
                      mine instanceof Condition.Weight w
                          && w.criterion().equals(weight.criterion()))
              .or(() -> Optional.of(new Condition.Unless(other)));
      case Condition.If otherwise -> Optional.of(new Condition.Unless(other));
      case Condition.Worth worth -> Optional.of(new Condition.Unless(other));
      case Condition.Costs costs -> Optional.of(new Condition.Unless(other));
      case Condition.Without without -> Optional.of(new Condition.Unless(other));
      case Condition.Unless unless -> Optional.empty();
    };
  }

  private static boolean sameAxis(Condition mine, Condition.Between other) {
    return mine instanceof Condition.Between between && between.axis().equals(other.axis());
  }

  private Optional<Condition> own(String tool, java.util.function.Predicate<Condition> which) {
    return all.getOrDefault(tool, List.of()).stream().filter(which).findFirst();
  }

  /** Contenders that lead nowhere that was looked. */
  public List<String> never() {
    return all.keySet().stream()
        .filter(tool -> lead.tool().filter(tool::equals).isEmpty())
        .filter(tool -> all.getOrDefault(tool, List.of()).isEmpty())
        .filter(tool -> sizes(tool).isEmpty())
        .toList();
  }

  /** One search. */
  private static final class Search {
    private final Evaluation read;
    private final OnceEach<Otherwise, Turned> parts;
    private final Map<String, List<Condition>> found = new LinkedHashMap<>();

    Search(Evaluation read, OnceEach<Otherwise, Turned> parts) {
      this.read = read;
      this.parts = parts;
      read.selection().active().forEach(c -> found.put(c.id(), new ArrayList<>()));
    }

    private void add(String tool, Condition condition) {
      List<Condition> own = found.get(tool);
      if (own != null) {
        own.add(condition);
      }
    }

    TakeIf found() {
      Lead lead = Lead.of(read);
      Optional<Sizes> people = Sizes.byHeadcount(read);
      List<Measure> quantities = new ArrayList<>();
      for (Measure measure : Sizes.quantities(read.costs())) {
        Sizes.byQuantity(read, measure)
            .ifPresent(sizes -> {
              quantities.add(measure);
              sizes(sizes, lead);
            });
      }
      List<Otherwise> otherwise = Otherwise.all(read);
      for (Otherwise other : otherwise) {
        Deadline.check(() -> "who leads if one thing is otherwise");
        Turned then = parts.get(other, o -> Turned.of(o.of(read)));
        then.leader()
            .filter(tool -> !lead.tool().equals(Optional.of(tool)))
            // the terms that may be taken are no condition for what has no price under any
            .filter(tool -> !(other instanceof Otherwise.Term) || then.priced())
            .ifPresent(tool -> add(tool, new Condition.If(other)));
      }
      int weights = weights(lead);
      worths(lead);
      int views = views(lead);
      found.values().forEach(own -> own.sort(Comparator.comparing(Condition::dimension)));
      return new TakeIf(
          lead,
          found,
          people.map(this::ranges).orElse(Map.of()),
          new Tried(
              people.map(Sizes::sizes).orElse(0),
              quantities,
              count(otherwise, Otherwise.Dropped.class),
              count(otherwise, Otherwise.Required.class),
              count(otherwise, Otherwise.Term.class),
              count(otherwise, Otherwise.Growth.class),
              count(otherwise, Otherwise.Confirmed.class),
              weights,
              views));
    }

    /** Every range of people at which somebody leads for certain, by contender. */
    private Map<String, List<Condition.Between>> ranges(Sizes people) {
      Map<String, List<Condition.Between>> ranges = new LinkedHashMap<>();
      for (Sizes.Stretch stretch : people.stretches()) {
        stretch
            .leader()
            .ifPresent(tool ->
                ranges.computeIfAbsent(tool, t -> new ArrayList<>()).add(between(people, stretch)));
      }
      return ranges;
    }

    private static Condition.Between between(Sizes sizes, Sizes.Stretch stretch) {
      return new Condition.Between(
          sizes.axis(),
          sizes.size(stretch.from()),
          sizes.size(stretch.to()),
          stretch.from() == 1,
          stretch.to() == sizes.sizes());
    }

    private static int count(List<Otherwise> all, Class<? extends Otherwise> kind) {
      return (int) all.stream().filter(kind::isInstance).count();
    }

    /**
     * Of several ranges the one that holds the size under discussion, else the longest. A range
     * that holds it while another leads over the whole period is no condition, as it holds already;
     * nor is one of the leader that does not hold it.
     */
    private void sizes(Sizes sizes, Lead lead) {
      List<Sizes.Stretch> stretches = sizes.stretches();
      for (String tool : found.keySet()) {
        stretches.stream()
            .filter(stretch -> stretch.leader().filter(tool::equals).isPresent())
            .filter(stretch ->
                lead.tool().isEmpty()
                    || lead.tool().filter(tool::equals).isPresent() == stretch.holds(sizes.now()))
            .max(
                Comparator.comparing((Sizes.Stretch s) -> s.holds(sizes.now()))
                    .thenComparing(Sizes.Stretch::length))
            .ifPresent(stretch -> add(tool, between(sizes, stretch)));
      }
    }

    /** The nearest range of each weight in whole percent; gives back how many were tried. */
    private int weights(Lead lead) {
      Optional<Totals> totals = read.scores().totals().filter(t -> t.values().size() > 1);
      List<Criterion> criteria =
          totals.map(Totals::criteria).filter(all -> all.size() > 1).orElse(List.of());
      for (Criterion criterion : criteria) {
        List<Optional<String>> leaders = leaders(totals.orElseThrow(), criterion);
        int now = totals.orElseThrow().weight(criterion).movePointRight(2).intValue();
        for (String tool : found.keySet()) {
          nearest(leaders, tool, now)
              .filter(range ->
                  lead.tool().filter(tool::equals).isEmpty() || range[0] > 0 || range[1] < PERCENT)
              .ifPresent(range -> add(tool, new Condition.Weight(criterion, range[0], range[1])));
        }
      }
      return criteria.size();
    }

    /** Who leads for certain at each percent of a criterion's weight. */
    private static List<Optional<String>> leaders(Totals totals, Criterion criterion) {
      Reweighed reweighed = new Reweighed(totals);
      List<String> tools = List.copyOf(totals.values().keySet());
      double[][] rest = new double[tools.size()][];
      double[][] own = new double[tools.size()][];
      for (int t = 0; t < tools.size(); t++) {
        rest[t] = ends(reweighed.rest(tools.get(t), criterion));
        own[t] = ends(totals.value(tools.get(t), criterion).interval());
      }
      return IntStream.rangeClosed(0, PERCENT)
          .mapToObj(percent -> leader(tools, rest, own, percent / (double) PERCENT))
          .toList();
    }

    private static double[] ends(Interval interval) {
      return new double[] {interval.low().doubleValue(), interval.high().doubleValue()};
    }

    private static Optional<String> leader(
        List<String> tools, double[][] rest, double[][] own, double weight) {
      for (int t = 0; t < tools.size(); t++) {
        double low = weight * own[t][0] + (1 - weight) * rest[t][0];
        boolean above = true;
        for (int o = 0; o < tools.size() && above; o++) {
          double high = weight * own[o][1] + (1 - weight) * rest[o][1];
          above = o == t || low - high >= Totals.LEVEL.doubleValue();
        }
        if (above) {
          return Optional.of(tools.get(t));
        }
      }
      return Optional.empty();
    }

    /** From and to of the range that lies nearest to a percent; empty if there is none. */
    private static Optional<int[]> nearest(
        List<Optional<String>> leaders, String tool, int percent) {
      return IntStream.rangeClosed(0, PERCENT)
          .filter(p -> leaders.get(p).filter(tool::equals).isPresent())
          .boxed()
          .min(Comparator.comparing(p -> Math.abs(p - percent)))
          .map(p -> {
            int from = p;
            int to = p;
            while (from > 0 && leaders.get(from - 1).equals(leaders.get(p))) {
              from--;
            }
            while (to < PERCENT && leaders.get(to + 1).equals(leaders.get(p))) {
              to++;
            }
            return new int[] {from, to};
          });
    }

    /** An own value that is not known, at the least with which it would lead. */
    private void worths(Lead lead) {
      read.scores()
          .totals()
          .filter(t -> t.values().size() > 1)
          .ifPresent(totals -> {
            for (String tool : totals.values().keySet()) {
              if (lead.tool().filter(tool::equals).isEmpty()) {
                totals.criteria().stream()
                    .filter(c -> !totals.value(tool, c).interval().isExact())
                    .flatMap(c -> worth(totals, tool, c))
                    .forEach(condition -> add(tool, condition));
              }
            }
          });
    }

    private Stream<Condition> worth(Totals totals, String tool, Criterion criterion) {
      if (criterion.kind() instanceof Criterion.Cost scale) {
        return costs(totals, tool, criterion, scale);
      }
      Interval open = totals.value(tool, criterion).interval();
      int least = hundredths(open.low(), RoundingMode.CEILING);
      int most = hundredths(open.high(), RoundingMode.FLOOR);
      if (least > most || !leadsWith(totals, tool, criterion, most)) {
        return Stream.empty();
      }
      // with more it never leads less, so the least is found by halving
      while (least < most) {
        int middle = (least + most) / 2;
        if (leadsWith(totals, tool, criterion, middle)) {
          most = middle;
        } else {
          least = middle + 1;
        }
      }
      return Stream.of(new Condition.Worth(criterion, BigDecimal.valueOf(most, 2)));
    }

    private static int hundredths(BigDecimal value, RoundingMode mode) {
      return value.movePointRight(2).setScale(0, mode).intValueExact();
    }

    private static boolean leadsWith(
        Totals totals, String tool, Criterion criterion, int hundredths) {
      Deadline.check(() -> "what would put another first");
      return Lead.of(
              known(totals, tool, criterion, Interval.exactly(BigDecimal.valueOf(hundredths, 2))))
          .filter(tool::equals)
          .isPresent();
    }

    /**
     * The most it may cost, exact to the smallest amount there is: a larger amount is never worth
     * more, so it is found by halving. What has no price at all meets no condition of its cost.
     */
    private Stream<Condition> costs(
        Totals totals, String tool, Criterion criterion, Criterion.Cost scale) {
      Interval open = totals.value(tool, criterion).interval();
      boolean priced = read.costs().overall().total(tool).isPresent();
      boolean bounded = priced || read.costs().overall().leastTotal(tool).isPresent();
      int decimals = read.selection().currency().getDecimalPlaces();
      BigInteger least = minor(scale, open.high(), decimals, RoundingMode.CEILING);
      BigInteger most = minor(scale, open.low(), decimals, RoundingMode.FLOOR);
      if (!bounded
          || least.compareTo(most) > 0
          || !leadsAt(totals, tool, criterion, scale, new BigDecimal(least, decimals))) {
        return Stream.empty();
      }
      while (least.compareTo(most) < 0) {
        BigInteger middle = least.add(most).add(BigInteger.ONE).shiftRight(1);
        if (leadsAt(totals, tool, criterion, scale, new BigDecimal(middle, decimals))) {
          least = middle;
        } else {
          most = middle.subtract(BigInteger.ONE);
        }
      }
      return Stream.of(new Condition.Costs(criterion, new BigDecimal(least, decimals)));
    }

    /** The amount that has a value on a scale, in minor units. */
    private static BigInteger minor(
        Criterion.Cost scale, BigDecimal value, int decimals, RoundingMode mode) {
      return scale
          .worst()
          .add(value.multiply(scale.best().subtract(scale.worst())))
          .movePointRight(decimals)
          .setScale(0, mode)
          .toBigIntegerExact();
    }

    private static boolean leadsAt(
        Totals totals, String tool, Criterion criterion, Criterion.Cost scale, BigDecimal amount) {
      BigDecimal value =
          amount
              .subtract(scale.worst())
              .divide(scale.best().subtract(scale.worst()), MathContext.DECIMAL128)
              .max(BigDecimal.ZERO)
              .min(BigDecimal.ONE);
      return Lead.of(known(totals, tool, criterion, Interval.exactly(value)))
          .filter(tool::equals)
          .isPresent();
    }

    private int views(Lead lead) {
      if (lead.basis() != Lead.Basis.TOTALS) {
        return 0;
      }
      Map<tertulia.core.scoring.Member, Totals> without = read.withoutEach();
      without.forEach((member, totals) ->
          Lead.of(totals)
              .filter(tool -> !lead.tool().equals(Optional.of(tool)))
              .ifPresent(tool -> add(tool, new Condition.Without(member))));
      return without.size();
    }
  }

  /** Totals if a value were known to be something else. */
  static Totals known(Totals totals, String tool, Criterion criterion, Interval value) {
    return known(
        totals,
        tool,
        criterion,
        new Value(value, new Derivation.Stated(criterion.name(), "if it were known")));
  }

  /** As above, with its own working. */
  static Totals known(Totals totals, String tool, Criterion criterion, Value value) {
    Map<String, Map<String, Value>> values = new LinkedHashMap<>(totals.values());
    Map<String, Value> own = new LinkedHashMap<>(totals.values().getOrDefault(tool, Map.of()));
    own.put(criterion.id(), value);
    values.put(tool, own);
    return new Totals(totals.criteria(), totals.weights(), values);
  }
}
