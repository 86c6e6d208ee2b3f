package tertulia.core.growth;

import java.math.BigDecimal;

/** How much of the expected growth comes about; steps are not touched. */
public enum Scenario {
  LOW("0.5", "low"),
  EXPECTED("1", "as expected"),
  HIGH("1.5", "high");

  private final BigDecimal multiplier;
  private final String words;

  Scenario(String multiplier, String words) {
    this.multiplier = new BigDecimal(multiplier);
    this.words = words;
  }

  /** k, the multiplier on growth. */
  public BigDecimal multiplier() {
    return multiplier;
  }

  public String words() {
    return words;
  }
}
