package tertulia.app.workbook;

import java.math.BigDecimal;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.usermodel.XSSFCell;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** One sheet of the workbook, written cell by cell. Rows and columns are counted from 0. */
final class Sheet {
  private final XSSFSheet sheet;
  private final Styles styles;

  /** How cells look. */
  static final class Styles {
    final CellStyle plain;
    final CellStyle harmless;
    final CellStyle heading;
    final CellStyle input;
    final CellStyle money;

    Styles(XSSFWorkbook book) {
      Font bold = book.createFont();
      bold.setBold(true);
      plain = book.createCellStyle();
      harmless = book.createCellStyle();
      harmless.setQuotePrefixed(true);
      heading = book.createCellStyle();
      heading.setFont(bold);
      input = book.createCellStyle();
      input.setFillForegroundColor(
          org.apache.poi.ss.usermodel.IndexedColors.LEMON_CHIFFON.getIndex());
      input.setFillPattern(org.apache.poi.ss.usermodel.FillPatternType.SOLID_FOREGROUND);
      money = book.createCellStyle();
      money.setDataFormat(book.createDataFormat().getFormat("#,##0.00##"));
    }
  }

  Sheet(XSSFSheet sheet, Styles styles) {
    this.sheet = sheet;
    this.styles = styles;
  }

  private XSSFCell cell(int row, int column) {
    XSSFRow r = sheet.getRow(row);
    return (r == null ? sheet.createRow(row) : r).createCell(column);
  }

  /** Text; what a spreadsheet could take for a formula is marked as text. */
  void text(int row, int column, String text) {
    XSSFCell cell = cell(row, column);
    cell.setCellValue(text);
    cell.setCellStyle(text.matches("(?s)[=+\\-@\\t\\r].*") ? styles.harmless : styles.plain);
  }

  void heading(int row, int column, String text) {
    text(row, column, text);
    sheet.getRow(row).getCell(column).setCellStyle(styles.heading);
  }

  void number(int row, int column, double number) {
    cell(row, column).setCellValue(number);
  }

  /** A figure that somebody entered, marked as one that may be changed. */
  void input(int row, int column, BigDecimal number) {
    XSSFCell cell = cell(row, column);
    cell.setCellValue(number.doubleValue());
    cell.setCellStyle(styles.input);
  }

  void formula(int row, int column, String formula) {
    XSSFCell cell = cell(row, column);
    cell.setCellFormula(formula);
    cell.setCellStyle(styles.money);
  }

  void count(int row, int column, String formula) {
    cell(row, column).setCellFormula(formula);
  }

  void freeze(int columns, int rows) {
    sheet.createFreezePane(columns, rows);
  }

  void width(int column, int characters) {
    sheet.setColumnWidth(column, characters * 256);
  }

  /** A cell as this sheet's formulas name it. */
  static String at(int row, int column) {
    return new CellReference(row, column).formatAsString();
  }

  /** A row of cells as this sheet's formulas name it; the last column counts too. */
  static String across(int row, int first, int last) {
    return at(row, first) + ":" + at(row, last);
  }

  /** A column of cells as this sheet's formulas name it; the last row counts too. */
  static String down(int column, int first, int last) {
    return new CellReference(first, column, true, true).formatAsString()
        + ":"
        + new CellReference(last, column, true, true).formatAsString();
  }

  /** A cell with its column held, as formulas across months need it. */
  static String held(int row, int column) {
    return new CellReference(row, column, false, true).formatAsString();
  }

  /** A cell as other sheets name it. */
  String from(int row, int column) {
    return "'"
        + sheet.getSheetName().replace("'", "''")
        + "'!"
        + new CellReference(row, column, true, true).formatAsString();
  }
}
