package tertulia.core.growth;

import java.util.List;

/**
 * What plans count and people cause, in whole units held at a time.
 *
 * @param id stable short name, lower-case letters, digits and hyphens
 * @param label the plural that follows a number, such as "seats"
 */
public record Measure(String id, String label) {
  public static final Measure SEATS = new Measure("seats", "seats");
  public static final Measure LIGHT_SEATS = new Measure("light-seats", "light seats");
  public static final Measure WHOLE_STAFF = new Measure("whole-staff", "staff");
  public static final Measure CALENDARS = new Measure("calendars", "linked calendars");
  public static final Measure PHONE_LINES = new Measure("phone-lines", "phone lines");
  public static final Measure HOSTS = new Measure("hosts", "hosts");

  /** Every measure a price or a demand can name, in reading order. */
  public static final List<Measure> KNOWN =
      List.of(SEATS, LIGHT_SEATS, WHOLE_STAFF, CALENDARS, PHONE_LINES, HOSTS);

  public Measure {
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
}
