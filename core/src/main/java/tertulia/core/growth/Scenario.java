package tertulia.core.growth;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.List;

/**
 * How much of the expected growth comes about. Steps are not touched, but some happen in one
 * scenario only.
 *
 * @param id stable short name, as in addresses and files
 * @param words as it reads after "growth", such as "as expected" or "third route"
 * @param multiplier k, the multiplier on growth, 0 to 3
 */
public record Scenario(String id, String words, BigDecimal multiplier) {
  private static final BigDecimal MOST = BigDecimal.valueOf(3);

  public static final Scenario LOW = new Scenario("low", "low", new BigDecimal("0.5"));
  public static final Scenario EXPECTED = new Scenario("expected", "as expected", BigDecimal.ONE);
  public static final Scenario HIGH = new Scenario("high", "high", new BigDecimal("1.5"));

  /** Those that hold unless others are stated. */
  public static final List<Scenario> STANDARD = List.of(LOW, EXPECTED, HIGH);

  public Scenario {
    requireNonNull(id);
    if (words.isBlank()) {
      throw new IllegalArgumentException("A scenario needs a name, such as \"third route\".");
    }
    if (multiplier.signum() < 0 || multiplier.compareTo(MOST) > 0) {
      throw new IllegalArgumentException(
          "Scenario \""
              + words
              + "\" multiplies growth by "
              + multiplier.toPlainString()
              + "; the multiplier lies between 0 and 3.");
    }
  }
}
