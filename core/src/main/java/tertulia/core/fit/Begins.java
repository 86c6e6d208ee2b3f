package tertulia.core.fit;

import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** When a must begins to count. */
public sealed interface Begins {
  Begins AT_ONCE = new AtOnce();

  /** Whether it counts in a month with so many people. */
  boolean isInForce(YearMonth month, int people);

  /** Such as "from Jun 2027"; empty if at once. */
  String words();

  /** From the first month on. */
  record AtOnce() implements Begins {
    @Override
    public boolean isInForce(YearMonth month, int people) {
      return true;
    }

    @Override
    public String words() {
      return "";
    }
  }

  /** From a month on. */
  record FromMonth(YearMonth first) implements Begins {
    @Override
    public boolean isInForce(YearMonth month, int people) {
      return !month.isBefore(first);
    }

    @Override
    public String words() {
      return "from " + first.format(DateTimeFormatter.ofPattern("MMM uuuu", Locale.ENGLISH));
    }
  }

  /**
   * As soon as there are so many people, and not while there are fewer.
   *
   * @param least 1 to 10,000,000
   */
  record FromPeople(int least) implements Begins {
    public FromPeople {
      if (least < 1 || least > 10_000_000) {
        throw new IllegalArgumentException(
            "A need begins at 1 to 10,000,000 people; found " + least + ".");
      }
    }

    @Override
    public boolean isInForce(YearMonth month, int people) {
      return people >= least;
    }

    @Override
    public String words() {
      return String.format(Locale.ROOT, "from %,d people", least);
    }
  }
}
