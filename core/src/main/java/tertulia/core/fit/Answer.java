package tertulia.core.fit;

/** Whether a plan has a capability. */
public enum Answer {
  YES("yes"),
  PARTLY("partly"),
  BY_ADD_ON("by add-on"),
  /** By another tool in between, which costs something of its own. */
  THROUGH_CONNECTOR("through a connector"),
  /** By people, day after day. */
  BY_HAND("by hand"),
  NO("no"),
  UNKNOWN("unknown");

  private final String words;

  Answer(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** Whether it is there only where something else that is sold is taken and paid for. */
  public boolean isSoldApart() {
    return this == BY_ADD_ON || this == THROUGH_CONNECTOR;
  }
}
