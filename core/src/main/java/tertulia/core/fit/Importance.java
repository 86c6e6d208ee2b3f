package tertulia.core.fit;

/** How much a need matters. A must is not a large weight: it decides who is in. */
public sealed interface Importance {
  /**
   * Without it a plan is out.
   *
   * @param partlyIsEnough whether the buyer accepts a plan that has it only partly
   */
  record Must(boolean partlyIsEnough) implements Importance {}

  /**
   * Counts towards coverage.
   *
   * @param weight 1 to 100
   */
  record Should(int weight) implements Importance {
    public Should {
      if (weight < 1 || weight > 100) {
        throw new IllegalArgumentException(
            "The weight of a should lies between 1 and 100; found " + weight + ".");
      }
    }
  }

  /** Welcome, not counted. */
  record Could() implements Importance {}
}
