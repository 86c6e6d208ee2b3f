package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.core.working.Quantity;

/**
 * What plans count and people cause: one of the usual ones, or one of the buyer's own.
 *
 * @param id of a usual one a stable short name of lower-case letters, digits and hyphens; of one's
 *     own its definition, such as "own/level/boat/boats", so that whoever reads it knows all of it
 * @param one what follows a one, such as "seat"
 * @param label the plural that follows any other number, such as "seats"
 * @param whole whether only whole units exist; hours and gigabytes are divisible
 */
public record Measure(String id, String one, String label, Nature nature, boolean whole) {
  /** How a measure behaves over the months. */
  public enum Nature {
    /** So many held at a time. */
    LEVEL("at any one time"),
    /** So many a month. */
    FLOW("a month"),
    /** Adds up since the start; its demand is the monthly flow into it. */
    SUM("kept since the start"),
    /** The largest single use. */
    LARGEST("at once");

    private final String words;

    Nature(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  private static final String OWN = "own/";
  private static final String IN_PARTS = "-in-parts";
  private static final Pattern DEFINITION =
      Pattern.compile("own/(level|flow|sum|largest)(-in-parts)?/([^/]+)/([^/]+)");
  private static final Pattern WORD =
      Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N} .'’%-]{0,39}");

  public static final Measure SEATS = level("seats", "seat", "seats");
  public static final Measure LIGHT_SEATS = level("light-seats", "light seat", "light seats");
  public static final Measure WHOLE_STAFF = level("whole-staff", "staff", "staff");
  public static final Measure CALENDARS = level("calendars", "linked calendar", "linked calendars");
  public static final Measure PHONE_LINES = level("phone-lines", "phone line", "phone lines");
  public static final Measure HOSTS = level("hosts", "host", "hosts");
  public static final Measure BOARDS = level("boards", "board", "boards");
  public static final Measure BOOKINGS =
      new Measure("bookings", "booking", "bookings", Nature.FLOW, true);
  public static final Measure AUTOMATION_RUNS =
      new Measure("automation-runs", "automation run", "automation runs", Nature.FLOW, true);
  public static final Measure RECORDED_HOURS =
      new Measure("recorded-hours", "recorded hour", "recorded hours", Nature.FLOW, false);
  public static final Measure TEXT_MESSAGES =
      new Measure("text-messages", "text message", "text messages", Nature.FLOW, true);
  public static final Measure CARD_PAYMENTS =
      new Measure("card-payments", "card payment", "card payments", Nature.FLOW, true);
  public static final Measure GIGABYTES_KEPT =
      new Measure("gigabytes-kept", "gigabyte kept", "gigabytes kept", Nature.SUM, false);
  public static final Measure MESSAGES_KEPT =
      new Measure("messages-kept", "message kept", "messages kept", Nature.SUM, true);
  public static final Measure PEOPLE_IN_A_CALL =
      new Measure(
          "people-in-a-call", "person in one call", "people in one call", Nature.LARGEST, true);
  public static final Measure RECORDING_MINUTES =
      new Measure(
          "recording-minutes",
          "minute of one recording",
          "minutes of one recording",
          Nature.LARGEST,
          true);

  /** Every measure a price or a demand can name, in reading order. */
  public static final List<Measure> KNOWN =
      List.of(
          SEATS,
          LIGHT_SEATS,
          WHOLE_STAFF,
          CALENDARS,
          PHONE_LINES,
          HOSTS,
          BOARDS,
          BOOKINGS,
          AUTOMATION_RUNS,
          RECORDED_HOURS,
          TEXT_MESSAGES,
          CARD_PAYMENTS,
          GIGABYTES_KEPT,
          MESSAGES_KEPT,
          PEOPLE_IN_A_CALL,
          RECORDING_MINUTES);

  public Measure {
    requireNonNull(nature);
    if (one.isBlank() || label.isBlank()) {
      throw new IllegalArgumentException("Enter a word for one and a word for many.");
    }
    if (id.startsWith(OWN)
        ? !id.equals(definition(one, label, nature, whole))
        : !id.matches("[a-z0-9][a-z0-9-]{0,39}")) {
      throw new IllegalArgumentException(
          "A measure's id is 1 to 40 lower-case letters, digits and hyphens, or its definition;"
              + " found \""
              + id
              + "\".");
    }
  }

  /**
   * A measure of the buyer's own.
   *
   * @param one what one is called, such as "boat"
   * @param many what more are called, such as "boats"
   * @param whole whether only whole ones exist
   * @throws IllegalArgumentException if a word is missing, too long or has signs in it, or one of
   *     the usual measures is called so
   */
  public static Measure own(String one, String many, Nature nature, boolean whole) {
    String single = word(one);
    String plural = word(many);
    for (Measure usual : KNOWN) {
      if (usual.label.equalsIgnoreCase(plural) || usual.one.equalsIgnoreCase(plural)) {
        throw new IllegalArgumentException(
            "There are "
                + usual.label
                + " among what is usually counted. Choose them there, or use another word.");
      }
    }
    return new Measure(definition(single, plural, nature, whole), single, plural, nature, whole);
  }

  private static String definition(String one, String many, Nature nature, boolean whole) {
    return OWN
        + nature.name().toLowerCase(Locale.ROOT)
        + (whole ? "" : IN_PARTS)
        + "/"
        + one
        + "/"
        + many;
  }

  private static String word(String text) {
    String word = text.strip().replaceAll("\\s+", " ");
    if (!WORD.matcher(word).matches()) {
      throw new IllegalArgumentException(
          "\""
              + word.substring(0, Math.min(word.length(), 40))
              + "\" is no word for what is counted. Write up to 40 letters, digits and blanks, such"
              + " as boat and boats.");
    }
    return word;
  }

  /**
   * The measure with an id. What was defined once is read for ever, whatever came to be usual
   * since.
   *
   * @throws IllegalArgumentException if it is neither a usual one nor a definition
   */
  public static Measure of(String id) {
    Matcher own = DEFINITION.matcher(id);
    if (own.matches()) {
      return new Measure(
          id,
          word(own.group(3)),
          word(own.group(4)),
          Nature.valueOf(own.group(1).toUpperCase(Locale.ROOT)),
          own.group(2) == null);
    }
    return KNOWN.stream()
        .filter(usual -> usual.id.equals(id))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("Nothing is counted as \"" + id + "\"."));
  }

  /** Whether an id is the definition of one of the buyer's own. */
  public static boolean isDefinition(String id) {
    try {
      return id.startsWith(OWN) && of(id).isOwn();
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  /** Whether it is one of the buyer's own. */
  public boolean isOwn() {
    return id.startsWith(OWN);
  }

  /** So many of it. */
  public Quantity quantity(BigDecimal amount) {
    return new Quantity(amount, label, one);
  }

  /**
   * Whether it counts people: seats, light seats and staff are let in unless a plan says otherwise.
   */
  public boolean isPeople() {
    return id.equals(SEATS.id) || id.equals(LIGHT_SEATS.id) || id.equals(WHOLE_STAFF.id);
  }

  /** Whether what is needed adds up over a month, as a flow or into a sum. */
  public boolean addsUp() {
    return nature == Nature.FLOW || nature == Nature.SUM;
  }

  private static Measure level(String id, String one, String label) {
    return new Measure(id, one, label, Nature.LEVEL, true);
  }
}
