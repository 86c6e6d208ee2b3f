package tertulia.app.web;

/** What was to be saved has been changed by somebody else in the meantime, or cannot change now. */
public final class Conflict extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public Conflict(String message) {
    super(message);
  }

  /** The message of this conflict; never null. */
  public String message() {
    return String.valueOf(getMessage());
  }
}
