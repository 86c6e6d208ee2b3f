package tertulia.core.fit;

/** Whether a plan has a capability. */
public enum Answer {
  YES("yes"),
  PARTLY("partly"),
  BY_ADD_ON("by add-on"),
  NO("no"),
  UNKNOWN("unknown");

  private final String words;

  Answer(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
