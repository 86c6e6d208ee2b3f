package tertulia.core.billing;

/** What becomes of a committed term that is left because its plan does not qualify any more. */
public enum EarlyTerminationPolicy {
  /** The spread shares of its unused months are credited in the month of leaving. */
  CREDITED("credited"),
  /** Nothing is given back; what is paid monthly stays due. */
  LOST("lost");

  private final String words;

  EarlyTerminationPolicy(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
