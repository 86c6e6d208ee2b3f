package tertulia.app.web;

import java.util.Locale;

/** A form or file holds more of something than can be kept. */
public final class TooMany extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /**
   * @param what the plural, such as "plans"
   */
  public TooMany(String where, String what, int most, int found) {
    super(
        String.format(
            Locale.ROOT,
            "%s has at most %,d %s; this one has %,d. Leave some out.",
            where,
            most,
            what,
            found));
  }

  /** A field with a number that none of our forms has. */
  public TooMany(String field) {
    super(
        "This form has a field \""
            + (field.length() > 60 ? field.substring(0, 60) + "…" : field)
            + "\", which this product does not use. Go back and use the buttons of the page.");
  }
}
