package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;

/**
 * One contender is better than another under a criterion, to one person.
 *
 * @param better id of the better one; either if they are level
 * @param than id of the other
 */
public record Better(String better, String than, Much much) {
  public Better {
    requireNonNull(much);
    if (better.equals(than)) {
      throw new IllegalArgumentException(
          "A contender is compared with another, not with itself: \"" + better + "\".");
    }
  }

  /** By how much. */
  public enum Much {
    LEVEL("level", 0),
    EDGE("an edge", 1),
    CLEAR("clearly", 3);

    private final String words;
    private final BigDecimal marks;

    Much(String words, int marks) {
      this.words = words;
      this.marks = BigDecimal.valueOf(marks);
    }

    public String words() {
      return words;
    }

    /** How many marks lie between the two. */
    public BigDecimal marks() {
      return marks;
    }
  }

  /** Whether it compares these two, in either order. */
  public boolean isBetween(String one, String other) {
    return better.equals(one) && than.equals(other) || better.equals(other) && than.equals(one);
  }
}
