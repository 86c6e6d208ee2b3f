package tertulia.app.catalogue;

/**
 * Something in a file that cannot be taken.
 *
 * @param where such as "row 12"
 * @param field the column or field; empty if the whole row
 * @param reason what was found and what to do about it
 */
record Refusal(String where, String field, String reason) {
  static Refusal of(int row, String field, String reason) {
    return new Refusal("row " + row, field, reason);
  }
}
