package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One person's mark for one contender under one judged criterion.
 *
 * @param points 0 to 10; null: the person cannot judge
 * @param note why, in the person's words; may be empty
 * @param acquaintance what it rests on; null: nobody has said
 * @param interest what ties the person to the maker, in words; empty if nothing was declared
 */
public record Mark(
    @Nullable BigDecimal points,
    String note,
    @Nullable Acquaintance acquaintance,
    String interest) {
  public Mark {
    requireNonNull(note);
    requireNonNull(interest);
    if (points != null && (points.signum() < 0 || points.compareTo(BigDecimal.TEN) > 0)) {
      throw new IllegalArgumentException(
          "A mark lies between 0 and 10; found " + points.toPlainString() + ".");
    }
  }

  /** A mark of which nobody has said what it rests on. */
  public Mark(@Nullable BigDecimal points, String note) {
    this(points, note, null, "");
  }

  public static Mark of(int points) {
    return new Mark(BigDecimal.valueOf(points), "");
  }

  /** How somebody knows a tool, the surest first. */
  public enum Acquaintance {
    TRIED("tried by hand"),
    SHOWN("seen in a demonstration"),
    READ("read about"),
    HEARD("heard of");

    private final String words;

    Acquaintance(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Optional<BigDecimal> given() {
    return Optional.ofNullable(points);
  }

  public Optional<Acquaintance> restsOn() {
    return Optional.ofNullable(acquaintance);
  }

  /**
   * Why, what it rests on and what interest was declared, as one line; empty if nothing was said.
   */
  public String because() {
    StringBuilder words = new StringBuilder(note);
    restsOn().ifPresent(known -> words.append(words.isEmpty() ? "" : " · ").append(known.words()));
    if (!interest.isEmpty()) {
      words.append(words.isEmpty() ? "" : " · ").append("interest: ").append(interest);
    }
    return words.toString();
  }
}
