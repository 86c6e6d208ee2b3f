package tertulia.app.catalogue;

import java.util.Arrays;
import java.util.List;

/** The columns of a catalogue as CSV, in the order in which they are written. */
enum CsvColumn {
  LINE,
  TOOL,
  MAKER,
  TOOL_ID,
  PLAN,
  NAME,
  PRICED,
  MEASURE,
  TERM,
  VALUE,
  CURRENCY,
  MINIMUM,
  PACK,
  INCLUDED,
  ADD_ON,
  MINUTES,
  GROUP,
  PLAN_ID,
  LEAST,
  MOST,
  BASE_PLAN,
  BASE_TOOL,
  HOLDS_UNTIL,
  PRICES_ARE,
  TAX,
  AREAS,
  SUITE_OF,
  SET_OF,
  INVOICES,
  MONTHS,
  CHARGES,
  PLANS,
  TERMS,
  NEW_BUYERS,
  TAKEN_FROM,
  TAKEN_UNTIL,
  EVERY_YEAR,
  COUNT,
  AS_OF,
  FROM,
  WHO,
  LINK,
  NOTE,
  INTEREST,
  CONFIRMED;

  /** The column's name in the header, such as "add-on". */
  String heading() {
    return this == ADD_ON ? "add-on" : name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
  }

  static List<String> headings() {
    return Arrays.stream(values()).map(CsvColumn::heading).toList();
  }
}
