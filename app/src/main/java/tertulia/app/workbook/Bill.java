package tertulia.app.workbook;

import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import tertulia.core.money.ExchangeRate;
import tertulia.core.path.Option;
import tertulia.core.time.MonthSpan;

/**
 * One invoice on the way through a tool's plans, as it is written: its lines know their formulas.
 */
final class Bill {
  final int due;
  final MonthSpan covers;
  final CurrencyUnit currency;
  final Option option;
  final Kind kind;
  final java.util.Optional<ExchangeRate> rate;
  final List<Line> lines = new ArrayList<>();

  /** What is billed. */
  enum Kind {
    CHARGES,
    CREDIT,
    TO_MINIMUM,
    OUTSIDE
  }

  /** A line of an invoice; it writes its amount when it knows its row. */
  interface Line {
    String name();

    /** Writes the cells of its row. */
    void write(int row);
  }

  Bill(
      int due,
      MonthSpan covers,
      CurrencyUnit currency,
      Option option,
      Kind kind,
      java.util.Optional<ExchangeRate> rate) {
    this.due = due;
    this.covers = covers;
    this.currency = currency;
    this.option = option;
    this.kind = kind;
    this.rate = rate;
  }

  /** Writes what heads each of its rows. */
  void head(Sheet sheet, int row, int number) {
    sheet.number(row, 0, number);
    sheet.number(row, 1, due);
    sheet.number(row, 2, covers.from());
    sheet.number(row, 3, covers.end());
    sheet.text(row, 4, option.label());
  }

  static int decimals(CurrencyUnit currency) {
    return currency.getDecimalPlaces();
  }

  /** The last month that any of the invoices covers; −1 if there is none. */
  static int lastMonth(List<Bill> bills) {
    return bills.stream().mapToInt(bill -> bill.covers.end()).max().orElse(0) - 1;
  }
}
