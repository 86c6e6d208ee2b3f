package tertulia.core.pricing;

/** How bands are applied. */
public enum BandMode {
  /** All units at the price of the band they fall in, plus that band's flat price. */
  WHOLE("whole"),
  /** Each slice of units at its own price, plus the flat price of every band reached. */
  SLICED("sliced");

  private final String words;

  BandMode(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
