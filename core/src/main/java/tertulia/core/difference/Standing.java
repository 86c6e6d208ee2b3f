package tertulia.core.difference;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Optional;

/** How a condition of a decision stands on a day. */
public sealed interface Standing {
  /** When something is so from. */
  sealed interface When {
    /** From a month on. */
    record Month(YearMonth month) implements When {}

    /** From a day on. */
    record Day(LocalDate day) implements When {}
  }

  /** What was found when it was tested. */
  sealed interface Found {
    /** A number in the unit of the condition, such as people, an amount or percent. */
    record Amount(BigDecimal amount) implements Found {}

    /** Another contender, by its id, that leads or may lead. */
    record Contender(String id) implements Found {}

    /** Another plan, by its name. */
    record Plan(String name) implements Found {}

    /** It is not there any more. */
    record Gone() implements Found {}
  }

  /** It is so, and nothing that is foreseen changes it. */
  record Holds(Optional<Found> found) implements Standing {
    public Holds {
      requireNonNull(found);
    }
  }

  /**
   * It is not so.
   *
   * @param since the first of the months or days without a break in which it is not; empty: no
   *     earlier day was looked at
   */
  record Broken(Optional<When> since, Optional<Found> found) implements Standing {
    /** Since a month or day that is known. */
    public Broken(When since, Optional<Found> found) {
      this(Optional.of(since), found);
    }

    public Broken {
      requireNonNull(since);
      requireNonNull(found);
    }
  }

  /**
   * It is so and will not be, as things are planned.
   *
   * @param from the first month or day in which it is not
   * @param found what is found then
   */
  record WillBreak(When from, Optional<Found> found) implements Standing {
    public WillBreak {
      requireNonNull(from);
      requireNonNull(found);
    }
  }

  /** It cannot be said. */
  record NotKnown(Why why) implements Standing {
    /** Why it cannot. */
    public enum Why {
      /** What it costs is not known, or lies on both sides of the limit. */
      COST,
      /** Nobody has set weights. */
      TOTALS,
      /** Nobody has confirmed it. */
      FACT,
      /** What it speaks of is not part of the question any more. */
      SUBJECT,
      /** The months of the plan are over. */
      OVER
    }

    public NotKnown {
      requireNonNull(why);
    }
  }

  /** Whether it is broken today. */
  default boolean isBroken() {
    return this instanceof Broken;
  }
}
