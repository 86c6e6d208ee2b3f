package tertulia.app.store;

/** The data cannot be used as they lie. The message is a sentence for whoever starts the server. */
public final class Unusable extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** How the process ends. */
  public static final int EXIT_STATUS = 3;

  public Unusable(String sentence) {
    super(sentence);
  }

  /** What is wrong and what to do; never null. */
  public String sentence() {
    return String.valueOf(getMessage());
  }
}
