package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;

/** In one dimension, with all else as it is read: where a contender leads for certain. */
public sealed interface Condition {
  /** The dimension it is in; the first ones say more to a reader. */
  Dimension dimension();

  /** In what a condition can be. */
  enum Dimension {
    HEADCOUNT,
    QUANTITY,
    MUST_DROPPED,
    TERMS,
    GROWTH,
    FACT,
    WORTH,
    MUST_ADDED,
    WEIGHT,
    VIEW
  }

  /**
   * So many people, or so much of a quantity.
   *
   * @param from the least, and it leads from the smallest size looked at if that is {@code first}
   * @param to the most; up to the largest size looked at if that is {@code last}
   */
  record Between(Sizes.Axis axis, long from, long to, boolean first, boolean last)
      implements Condition {
    public Between {
      requireNonNull(axis);
    }

    @Override
    public Dimension dimension() {
      return switch (axis) {
        case Sizes.Axis.Headcount people -> Dimension.HEADCOUNT;
        case Sizes.Axis.Quantity quantity -> Dimension.QUANTITY;
      };
    }

    /** Whether it leads at every size. */
    public boolean isEverywhere() {
      return first && last;
    }
  }

  /** Something is otherwise. */
  record If(Otherwise otherwise) implements Condition {
    @Override
    public Dimension dimension() {
      return switch (otherwise) {
        case Otherwise.Dropped dropped -> Dimension.MUST_DROPPED;
        case Otherwise.Required required -> Dimension.MUST_ADDED;
        case Otherwise.Term term -> Dimension.TERMS;
        case Otherwise.Growth growth -> Dimension.GROWTH;
        case Otherwise.Rise rise -> Dimension.GROWTH;
        case Otherwise.Confirmed confirmed -> Dimension.FACT;
        case Otherwise.TurnedOut turned -> Dimension.FACT;
      };
    }
  }

  /** Something stays as it is read, as somebody else would lead otherwise. */
  record Unless(Condition other) implements Condition {
    @Override
    public Dimension dimension() {
      return other.dimension();
    }
  }

  /** The weight of a criterion lies between two, in whole percent, the others in proportion. */
  record Weight(Criterion criterion, int from, int to) implements Condition {
    @Override
    public Dimension dimension() {
      return Dimension.WEIGHT;
    }
  }

  /**
   * What is not known of it under a criterion turns out to be worth at least so much.
   *
   * @param value 0 to 1, in hundredths
   */
  record Worth(Criterion criterion, BigDecimal value) implements Condition {
    @Override
    public Dimension dimension() {
      return Dimension.WORTH;
    }
  }

  /**
   * It turns out to cost at most so much a month, in the mean of the months.
   *
   * @param most exact to the smallest amount of the reporting currency
   */
  record Costs(Criterion criterion, BigDecimal most) implements Condition {
    @Override
    public Dimension dimension() {
      return Dimension.WORTH;
    }
  }

  /** Somebody's view is left out. */
  record Without(Member member) implements Condition {
    @Override
    public Dimension dimension() {
      return Dimension.VIEW;
    }
  }
}
