package tertulia.app.exchange;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.fit.Count;

/** Between how many there are of something, as people write it, and the core's counts. */
public final class TypedCount {
  private static final Pattern COUNT =
      Pattern.compile(
          "(?i)\\s*(at least|at most|up to|no more than|more than|over|from)?\\s*"
              + "([0-9][0-9.,'\\u00a0\\u202f]*)(\\+?)\\s*(\\S.*)?");
  private static final Pattern ASKED =
      Pattern.compile("(?is)(?:(.+?)\\s*:\\s*)?((?:at least|at most|up to|no more than)\\s.+)");

  private TypedCount() {}

  /** Whether a text begins like a count; what follows may still be wrong. */
  public static boolean isMeant(String text) {
    return COUNT.matcher(text).matches();
  }

  /**
   * What a text counts, such as "41 languages", "at least 40 languages", "40+ languages" or "up to
   * 60 connections".
   *
   * @throws IllegalArgumentException if it counts nothing, or not in a unit
   */
  public static Count read(String text) {
    return read(text, "");
  }

  /**
   * The same; where the text names no unit it is {@code unit}.
   *
   * @throws IllegalArgumentException if it counts nothing, or there is no unit at all
   */
  public static Count read(String text, String unit) {
    Matcher count = COUNT.matcher(text);
    if (!count.matches()) {
      throw new IllegalArgumentException(
          "\""
              + Codes.shortened(text)
              + "\" does not say how many. Write a number and what is counted, such as 41"
              + " languages or at least 40 languages.");
    }
    return new Count(
        bound(count.group(1), count.group(3)),
        TypedNumber.read(count.group(2)).value(),
        Optional.ofNullable(count.group(4)).map(String::strip).orElse(unit));
  }

  private static Count.Bound bound(String word, String plus) {
    if (word == null) {
      return plus.isEmpty() ? Count.Bound.EXACTLY : Count.Bound.AT_LEAST;
    }
    return switch (word.toLowerCase(Locale.ROOT)) {
      case "at most", "up to", "no more than" -> Count.Bound.AT_MOST;
      default -> Count.Bound.AT_LEAST;
    };
  }

  /**
   * A need for so many.
   *
   * @param what is counted, such as "Languages"
   * @param count at least or at most so many
   */
  public record Asked(String what, Count count) {
    /** As it is written: the name is left out where the unit says it. */
    public String text() {
      return what.equalsIgnoreCase(count.unit()) ? count.words() : what + ": " + count.words();
    }
  }

  /**
   * The need for so many that a text states.
   *
   * @throws IllegalArgumentException if it states none
   */
  public static Asked needed(String text) {
    return asked(text)
        .orElseThrow(() ->
            new IllegalArgumentException(
                "\""
                    + Codes.shortened(text)
                    + "\" does not say how many. Write at least 40 languages, or Joining a call: at"
                    + " most 10 seconds."));
  }

  /**
   * The need for so many that a text states, such as "at least 40 languages" or "Joining a call: at
   * most 10 seconds"; empty if it states none.
   *
   * @throws IllegalArgumentException if it begins like one and goes wrong
   */
  public static Optional<Asked> asked(String text) {
    Matcher asked = ASKED.matcher(text.strip());
    if (!asked.matches()) {
      return Optional.empty();
    }
    Count count = read(asked.group(2));
    return Optional.of(
        new Asked(
            Optional.ofNullable(asked.group(1)).map(String::strip).orElse(count.unit()), count));
  }
}
