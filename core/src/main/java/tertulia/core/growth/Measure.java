package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.util.List;

/**
 * What plans count and people cause.
 *
 * @param id stable short name, lower-case letters, digits and hyphens
 * @param label the plural that follows a number, such as "seats"
 * @param whole whether only whole units exist; hours and gigabytes are divisible
 */
public record Measure(String id, String label, Nature nature, boolean whole) {
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

  public static final Measure SEATS = level("seats", "seats");
  public static final Measure LIGHT_SEATS = level("light-seats", "light seats");
  public static final Measure WHOLE_STAFF = level("whole-staff", "staff");
  public static final Measure CALENDARS = level("calendars", "linked calendars");
  public static final Measure PHONE_LINES = level("phone-lines", "phone lines");
  public static final Measure HOSTS = level("hosts", "hosts");
  public static final Measure BOARDS = level("boards", "boards");
  public static final Measure BOOKINGS = new Measure("bookings", "bookings", Nature.FLOW, true);
  public static final Measure AUTOMATION_RUNS =
      new Measure("automation-runs", "automation runs", Nature.FLOW, true);
  public static final Measure RECORDED_HOURS =
      new Measure("recorded-hours", "recorded hours", Nature.FLOW, false);
  public static final Measure TEXT_MESSAGES =
      new Measure("text-messages", "text messages", Nature.FLOW, true);
  public static final Measure CARD_PAYMENTS =
      new Measure("card-payments", "card payments", Nature.FLOW, true);
  public static final Measure GIGABYTES_KEPT =
      new Measure("gigabytes-kept", "gigabytes kept", Nature.SUM, false);
  public static final Measure MESSAGES_KEPT =
      new Measure("messages-kept", "messages kept", Nature.SUM, true);
  public static final Measure PEOPLE_IN_A_CALL =
      new Measure("people-in-a-call", "people in one call", Nature.LARGEST, true);
  public static final Measure RECORDING_MINUTES =
      new Measure("recording-minutes", "minutes of one recording", Nature.LARGEST, true);

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
    if (!id.matches("[a-z0-9][a-z0-9-]{0,39}")) {
      throw new IllegalArgumentException(
          "A measure's id is 1 to 40 lower-case letters, digits and hyphens; found \""
              + id
              + "\".");
    }
    if (label.isBlank()) {
      throw new IllegalArgumentException("Measure " + id + " needs a label.");
    }
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

  private static Measure level(String id, String label) {
    return new Measure(id, label, Nature.LEVEL, true);
  }
}
