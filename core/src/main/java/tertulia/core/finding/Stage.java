package tertulia.core.finding;

/** The steps of a selection, in the order in which people work. */
public enum Stage {
  CONTENDERS("Contenders"),
  NEED("Need"),
  FIT("Fit"),
  COST("Cost"),
  WEIGHTS("Weights"),
  MARKS("Marks"),
  FIRMNESS("Firmness"),
  DECISION("Decision");

  private final String words;

  Stage(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
