package tertulia.core.pricing;

import java.util.Locale;

/**
 * How many units are paid for when so many are needed: max(minimum, demand − included, 0), rounded
 * up to whole packs.
 *
 * @param minimum units paid for at least, even at no demand; 0 to 1,000,000
 * @param pack units sold together; 1 to 100,000
 * @param included units that cost nothing extra; 0 to 1,000,000
 */
public record UnitRule(int minimum, int pack, int included) {
  public static final UnitRule PLAIN = new UnitRule(0, 1, 0);

  public UnitRule {
    check("A minimum", minimum, 0, 1_000_000);
    check("A pack", pack, 1, 100_000);
    check("The units included", included, 0, 1_000_000);
  }

  /** Units paid for at a demand of 0 or more. Minimum 3 in packs of 5: demand 6 pays for 10. */
  public int paidUnits(int demand) {
    int units = Math.max(Math.max(minimum, demand - included), 0);
    return Math.ceilDiv(units, pack) * pack;
  }

  /** The rule in words, such as "at least 3, in packs of 5"; empty for the plain rule. */
  public String words() {
    StringBuilder words = new StringBuilder();
    if (included > 0) {
      words.append(included).append(" included");
    }
    if (minimum > 0) {
      words.append(words.isEmpty() ? "" : ", ").append("at least ").append(minimum);
    }
    if (pack > 1) {
      words.append(words.isEmpty() ? "" : ", ").append("in packs of ").append(pack);
    }
    return words.toString();
  }

  private static void check(String what, int found, int least, int most) {
    if (found < least || found > most) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT, "%s lies between %,d and %,d; found %,d.", what, least, most, found));
    }
  }
}
