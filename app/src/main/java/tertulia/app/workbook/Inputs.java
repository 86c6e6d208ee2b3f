package tertulia.app.workbook;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import tertulia.core.money.ExchangeRate;

/** The sheet of everything that was entered; each input has one cell, named by what it is. */
final class Inputs {
  private final Sheet sheet;
  private final Map<String, String> cells = new HashMap<>();
  private int row;

  Inputs(Sheet sheet) {
    this.sheet = sheet;
    sheet.width(0, 60);
    sheet.width(1, 16);
    sheet.width(2, 60);
  }

  void title(String title, String note) {
    sheet.heading(row, 0, title);
    sheet.text(row++, 2, note);
  }

  void heading(String heading) {
    row++;
    sheet.heading(row++, 0, heading);
  }

  void note(String label, String text) {
    sheet.text(row, 0, label);
    sheet.text(row++, 1, text);
  }

  /** The cell of an input as formulas name it; the same label is the same cell. */
  String of(String label, BigDecimal value, String source) {
    return cells.computeIfAbsent(
        label,
        key -> {
          sheet.text(row, 0, label);
          sheet.input(row, 1, value);
          sheet.text(row, 2, source);
          return sheet.from(row++, 1);
        });
  }

  String of(String label, int value, String source) {
    return of(label, BigDecimal.valueOf(value), source);
  }

  /** The cell of a rate of exchange. */
  String rate(ExchangeRate rate) {
    return of(
        "1 " + rate.from() + " in " + rate.to(), rate.rate(), rate.on() + ", " + rate.source());
  }
}
