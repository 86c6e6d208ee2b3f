package tertulia.app.workbook;

/** Where things stand on a tool's sheet; rows and columns are counted from 0. */
final class Columns {
  /** The row of plan months. */
  static final int NUMBERS = 6;

  /** The column of a line's amount. */
  static final int AMOUNT = 11;

  /** The column of the first plan month. */
  static final int MONTHS = 13;

  private Columns() {}

  static int month(int m) {
    return MONTHS + m;
  }
}
