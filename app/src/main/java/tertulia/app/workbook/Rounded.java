package tertulia.app.workbook;

/** Rounding in formulas as the core rounds. */
final class Rounded {
  private Rounded() {}

  /**
   * A value without what binary fractions add to it, so that a half is a half: 9 decimals are more
   * than any amount has.
   */
  static String exact(String value) {
    return "ROUND(" + value + ",9)";
  }

  /** Half-up to a currency's minor unit. */
  static String money(String value, int decimals) {
    return "ROUND(" + exact(value) + "," + decimals + ")";
  }
}
