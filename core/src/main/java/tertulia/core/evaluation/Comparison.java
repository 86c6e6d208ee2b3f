package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import tertulia.core.fit.Count;
import tertulia.core.fit.Headroom;
import tertulia.core.fit.Ladder;
import tertulia.core.fit.Need;
import tertulia.core.growth.Measure;

/**
 * Contenders side by side: what each has of every need, and of every quantity that some plan
 * bounds.
 *
 * @param rows needs first, in the order written down
 */
public record Comparison(List<SideBySide> rows) {
  public Comparison {
    rows = List.copyOf(rows);
  }

  /** What is compared, with what each contender has of it, in their order. */
  public sealed interface SideBySide {
    List<Standing> standings();

    /** A need. */
    record OfNeed(Need need, List<Standing> standings) implements SideBySide {
      public OfNeed {
        standings = List.copyOf(standings);
      }

      /**
       * Places of the standings of which somebody counted how many there are, those with the most
       * first; of a bound its known end counts. Counts in another unit than the first are left out:
       * they are unlike.
       */
      public List<Integer> mostFirst() {
        Optional<Count> first = standings.stream().flatMap(s -> count(s).stream()).findFirst();
        return IntStream.range(0, standings.size())
            .filter(i -> count(standings.get(i)).filter(c -> c.isLike(first.get())).isPresent())
            .boxed()
            .sorted(
                Comparator.comparing((Integer i) -> count(standings.get(i)).get().number())
                    .reversed())
            .toList();
      }

      /** How many the one at a place has; empty if nobody has counted. */
      public Optional<Count> count(int place) {
        return count(standings.get(place));
      }

      private static Optional<Count> count(Standing standing) {
        return standing instanceof Standing.OfNeed of ? of.count() : Optional.empty();
      }
    }

    /** A quantity that is used. */
    record OfMeasure(Measure measure, List<Standing> standings) implements SideBySide {
      public OfMeasure {
        standings = List.copyOf(standings);
      }
    }

    /** Whether not all contenders have the same of it. */
    default boolean differs() {
      return standings().stream().distinct().count() > 1;
    }

    /** Whether all are known to have it as needed. */
    default boolean isShared() {
      return having() == standings().size();
    }

    /** Whether one alone is known to have it as needed. */
    default boolean onlyOneHas() {
      return having() == 1;
    }

    /** How many are known to have it as needed. */
    default long having() {
      return standings().stream().filter(s -> s.has().equals(Optional.of(true))).count();
    }
  }

  /** What one contender has of a row. */
  public sealed interface Standing {
    /** Whether it is there as needed; empty if that is not known. */
    Optional<Boolean> has();

    /**
     * Of a need.
     *
     * @param count how many there are, where that is known
     * @param where which of its plans have it, in words
     */
    record OfNeed(Met met, String where, Optional<Boolean> has, Optional<Count> count)
        implements Standing {}

    /** Of a quantity: so much is used of so much, empty if there is no end or it is not known. */
    record OfMeasure(Headroom.State state, BigDecimal used, Optional<BigDecimal> most)
        implements Standing {
      @Override
      public Optional<Boolean> has() {
        return state.isEnough();
      }
    }

    /** Its plan does not bound the quantity. */
    record NotBounded() implements Standing {
      @Override
      public Optional<Boolean> has() {
        return Optional.of(true);
      }
    }
  }

  /** What contenders have of some needs, whether or not anybody stated them. */
  public record OfNeeds(List<SideBySide.OfNeed> rows) {
    public OfNeeds {
      rows = List.copyOf(rows);
    }
  }

  static OfNeeds of(Costs costs, List<Contender> contenders, List<Need> needs) {
    return new OfNeeds(
        needs.stream()
            .map(need ->
                new SideBySide.OfNeed(
                    need, contenders.stream().map(c -> standing(costs, c, need)).toList()))
            .toList());
  }

  static Comparison of(Costs costs, List<Contender> contenders) {
    List<SideBySide> rows =
        new ArrayList<>(of(costs, contenders, costs.selection().needs()).rows());
    for (Measure measure : costs.selection().demands().keySet()) {
      List<Standing> standings = contenders.stream().map(c -> standing(costs, c, measure)).toList();
      if (standings.stream().anyMatch(Standing.OfMeasure.class::isInstance)) {
        rows.add(new SideBySide.OfMeasure(measure, standings));
      }
    }
    return new Comparison(rows);
  }

  private static Standing standing(Costs costs, Contender contender, Need need) {
    Met met = costs.met(contender.id(), need);
    return new Standing.OfNeed(
        met,
        new Ladder(need.capability(), contender.offerings()).words(),
        met.isEnough(need),
        costs.now().offeringNow(contender.id()).flatMap(o -> o.fact(need.capability()).count()));
  }

  private static Standing standing(Costs costs, Contender contender, Measure measure) {
    Optional<Headroom> now = costs.now().roomNow(contender.id(), measure);
    Optional<Headroom> months = costs.now().room(contender.id(), measure);
    return now.isPresent() && months.isPresent()
        ? new Standing.OfMeasure(
            now.get().state(months.get()), now.get().used().getFirst(), now.get().most(0))
        : new Standing.NotBounded();
  }
}
