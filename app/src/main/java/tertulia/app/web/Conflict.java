package tertulia.app.web;

/** What was to be saved has been changed by somebody else in the meantime, or cannot change now. */
public final class Conflict extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public Conflict(String message) {
    super(message);
  }

  /**
   * Refuses what was decided on before a later change by somebody else.
   *
   * @param read the version that was read
   * @param now the version there is
   * @param what such as "the growth plan"
   * @throws Conflict if they are not the same
   */
  public static void unlessAt(long read, long now, String what) {
    if (read != now) {
      throw new Conflict(
          "Somebody changed "
              + what
              + " after you opened this page. Look at what it is now, then do it again.");
    }
  }

  /** The message of this conflict; never null. */
  public String message() {
    return String.valueOf(getMessage());
  }
}
