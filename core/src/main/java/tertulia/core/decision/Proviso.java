package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import tertulia.core.growth.Measure;

/** A condition under which a decision holds, such that it can be tested later. */
public sealed interface Proviso {
  /** How a number is bounded. */
  enum Bound {
    AT_MOST,
    AT_LEAST;

    /** Whether a number keeps to a limit. */
    public boolean holds(BigDecimal number, BigDecimal limit) {
      return switch (this) {
        case AT_MOST -> number.compareTo(limit) <= 0;
        case AT_LEAST -> number.compareTo(limit) >= 0;
      };
    }
  }

  /** What is counted. */
  sealed interface Counted {
    /** All people of the selection. */
    record Everybody() implements Counted {}

    /** The people of a group, by its id. */
    record OfGroup(String group) implements Counted {
      public OfGroup {
        requireNonNull(group);
      }
    }

    /** What is needed of a measure, such as seats. */
    record Needed(Measure measure) implements Counted {
      public Needed {
        requireNonNull(measure);
      }
    }
  }

  /** Tested in every month of the plan. */
  sealed interface ByMonth extends Proviso {}

  /** Tested as things stand on a day. */
  sealed interface ByDay extends Proviso {}

  /**
   * So many of something at most, or at least.
   *
   * @param limit 0 or more
   */
  record Number(Counted counted, Bound bound, int limit) implements ByMonth {
    public Number {
      requireNonNull(counted);
      requireNonNull(bound);
      if (limit < 0) {
        throw new IllegalArgumentException(
            "A condition counts from 0 up; found " + limit + ". Enter 0 or more.");
      }
    }
  }

  /**
   * What the choice costs a month is at most so much.
   *
   * @param limit in the selection's currency, 0 or more
   */
  record MonthlyCost(BigDecimal limit) implements ByMonth {
    public MonthlyCost {
      checkAmount(limit);
    }
  }

  /** The choice needs no other plan than it was chosen with for the month. */
  record SamePlan() implements ByMonth {}

  /**
   * What the choice costs over all months is at most so much.
   *
   * @param limit in the selection's currency, 0 or more
   */
  record WholeCost(BigDecimal limit) implements ByDay {
    public WholeCost {
      checkAmount(limit);
    }
  }

  /**
   * The price of the plan and term that were chosen, for the units needed then, has not risen by
   * more than so much.
   *
   * @param percent 0 or more
   */
  record PriceRisen(BigDecimal percent) implements ByDay {
    public PriceRisen {
      if (percent.signum() < 0) {
        throw new IllegalArgumentException(
            "A price may rise by 0 % or more; found "
                + percent.toPlainString()
                + " %. Enter 0 or more.");
      }
    }
  }

  /** The choice still has something that was asked for, by its capability's id. */
  record StillHas(String capability) implements ByDay {
    public StillHas {
      requireNonNull(capability);
    }
  }

  /** The choice leads by the totals in every case. */
  record Leads() implements ByDay {}

  /** It is not later than a day. */
  record Until(LocalDate day) implements ByDay {
    public Until {
      requireNonNull(day);
    }
  }

  private static void checkAmount(BigDecimal amount) {
    if (amount.signum() < 0) {
      throw new IllegalArgumentException(
          "A cost is 0 or more; found " + amount.toPlainString() + ". Enter 0 or more.");
    }
  }
}
