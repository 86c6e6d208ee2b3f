package tertulia.pagetext;

/** How sure a reading is; the first is the surest. */
public enum Sureness {
  /** The text says it. */
  CLEAR("said so"),
  /** Usual, and nothing on the page speaks against it. */
  LIKELY("likely"),
  /** It could as well be otherwise; somebody has to look. */
  GUESS("look again");

  private final String words;

  Sureness(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
