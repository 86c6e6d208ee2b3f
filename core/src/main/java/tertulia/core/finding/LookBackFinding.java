package tertulia.core.finding;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.difference.Division;
import tertulia.core.scoring.Totals;

/** What there is to say of a decision that is looked at again. */
public sealed interface LookBackFinding extends Finding {
  /**
   * Who is ahead by the totals, by the middle of what is known.
   *
   * @param contender the first one
   * @param by how far before the next, 0 or more; empty if there is no other
   */
  record Ahead(String contender, Optional<Totals.Apart> by) {
    public Ahead {
      requireNonNull(contender);
      requireNonNull(by);
    }

    /** Whether the next is level with it. */
    public boolean isTie() {
      return by.filter(Totals.Apart::isLevel).isPresent();
    }
  }

  /**
   * Who was ahead when it was decided and who is today; empty: nobody has a total.
   *
   * @param choice what was chosen
   */
  record Lead(String choice, Optional<Ahead> then, Optional<Ahead> now) implements LookBackFinding {
    public Lead {
      requireNonNull(then);
      requireNonNull(now);
    }

    /** Whether the totals put what was chosen first today; empty without totals. */
    public Optional<Boolean> isSame() {
      return now.map(ahead -> ahead.contender().equals(choice));
    }
  }

  /**
   * What the choice costs over the months today and then.
   *
   * @param left in the months from today on; empty if today is before the first or after the last
   * @param months how many these are
   * @param other the cheapest of the others over these months if it was begun today; empty if there
   *     is none with a figure
   */
  record Cost(
      String choice, Division division, Optional<Money> left, int months, Optional<Begun> other)
      implements LookBackFinding {
    public Cost {
      requireNonNull(division);
      requireNonNull(left);
      requireNonNull(other);
    }
  }

  /** Another that would be begun today, and what it costs from then on. */
  record Begun(String contender, Money cost) {}

  /** What the choice costs, then or today, is the upper end of what is known. */
  record UpperEnds(String choice) implements LookBackFinding {}

  /** Some totals are ranges, and their middles are compared. */
  record MidRange() implements LookBackFinding {}

  /** There is no figure of what the choice costs, then or today. */
  record NoCost(String choice, boolean then) implements LookBackFinding {}

  /**
   * How the conditions stand.
   *
   * @param broken how many are broken
   * @param breaking how many will be, as planned
   * @param unknown of how many it cannot be said
   * @param all how many there are, at least 1
   */
  record Stand(int broken, int breaking, int unknown, int all) implements LookBackFinding {}

  /** There are no conditions that can be tested. */
  record NoConditions() implements LookBackFinding {}

  /** Nothing that the figures rest on has changed. */
  record Unchanged() implements LookBackFinding {}
}
