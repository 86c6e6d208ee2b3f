package tertulia.app.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/**
 * A table as CSV (RFC 4180). What spreadsheets make of it is recognised: encoding, separator, and
 * cells made harmless by an apostrophe.
 *
 * @param header names of the columns, in lower case
 * @param encoding what the file was read as, such as "UTF-8"
 * @param written names of the columns as they are written, without surrounding blanks
 * @param separator comma, semicolon or tab
 */
public record CsvTable(
    List<String> header,
    List<String> written,
    List<Numbered> rows,
    String encoding,
    Separator separator) {
  public static final int MOST_BYTES = 10 * 1024 * 1024;
  public static final int MOST_ROWS = 50_000;

  /** A cell that a spreadsheet would take for a formula, perhaps behind apostrophes. */
  private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\\t\\r].*", Pattern.DOTALL);

  private static final Pattern HARMLESS = Pattern.compile("'+[=+\\-@\\t\\r].*", Pattern.DOTALL);

  public CsvTable {
    header = List.copyOf(header);
    written = List.copyOf(written);
    rows = List.copyOf(rows);
  }

  /**
   * One row.
   *
   * @param number as a spreadsheet counts: the header is row 1
   */
  public record Numbered(int number, List<String> cells) {
    public Numbered {
      cells = List.copyOf(cells);
    }
  }

  /**
   * Where fields stand, of those that have a column; of two columns for a field the first.
   *
   * @param headings by field the headings, in lower case, that mean it
   */
  public Map<String, Integer> columns(Map<String, List<String>> headings) {
    Map<String, Integer> columns = new HashMap<>();
    for (int i = 0; i < header.size(); i++) {
      String heading = header.get(i);
      int place = i;
      headings.forEach((field, names) -> {
        if (names.contains(heading)) {
          columns.putIfAbsent(field, place);
        }
      });
    }
    return columns;
  }

  /** What stands between cells. */
  public enum Separator {
    COMMA(',', "commas"),
    SEMICOLON(';', "semicolons"),
    TAB('\t', "tabs");

    private final char mark;
    private final String words;

    Separator(char mark, String words) {
      this.mark = mark;
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * Reads a file.
   *
   * @throws IllegalArgumentException with a sentence if it is too large, no text, cut off in a
   *     quoted cell, or has no header
   */
  public static CsvTable read(byte[] bytes) {
    if (bytes.length > MOST_BYTES) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ENGLISH,
              "The file has %,d bytes; at most 10 MB are read. Split it into several.",
              bytes.length));
    }
    Text text = text(bytes);
    int end = text.content().indexOf('\n');
    String first = end < 0 ? text.content() : text.content().substring(0, end);
    if (first.isBlank()) {
      throw new IllegalArgumentException(
          "The file begins with an empty line; it should begin with the names of the columns.");
    }
    Separator separator = separator(first);
    List<Numbered> rows = rows(text.content(), separator);
    List<String> written = rows.getFirst().cells().stream().map(String::strip).toList();
    List<String> header = written.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
    return new CsvTable(header, written, rows.subList(1, rows.size()), text.encoding(), separator);
  }

  private record Text(String content, String encoding) {}

  private static Text text(byte[] bytes) {
    if (startsWith(bytes, 0xEF, 0xBB, 0xBF)) {
      return decoded(Arrays.copyOfRange(bytes, 3, bytes.length), StandardCharsets.UTF_8);
    }
    if (startsWith(bytes, 0xFF, 0xFE)) {
      return decoded(Arrays.copyOfRange(bytes, 2, bytes.length), StandardCharsets.UTF_16LE);
    }
    if (startsWith(bytes, 0xFE, 0xFF)) {
      return decoded(Arrays.copyOfRange(bytes, 2, bytes.length), StandardCharsets.UTF_16BE);
    }
    for (byte b : bytes) {
      if (b == 0) {
        throw new IllegalArgumentException(
            "This is no text file. Save the table as CSV, best in UTF-8, and choose that file.");
      }
    }
    try {
      return decoded(bytes, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException notUtf8) {
      return decoded(bytes, Charset.forName("windows-1252"));
    }
  }

  private static boolean startsWith(byte[] bytes, int... start) {
    if (bytes.length < start.length) {
      return false;
    }
    for (int i = 0; i < start.length; i++) {
      if ((bytes[i] & 0xFF) != start[i]) {
        return false;
      }
    }
    return true;
  }

  private static Text decoded(byte[] bytes, Charset charset) {
    try {
      String content =
          charset
              .newDecoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .onUnmappableCharacter(CodingErrorAction.REPORT)
              .decode(ByteBuffer.wrap(bytes))
              .toString();
      return new Text(content, charset.displayName(Locale.ENGLISH));
    } catch (CharacterCodingException e) {
      throw new IllegalArgumentException(
          "The file says it is "
              + charset.displayName(Locale.ENGLISH)
              + " but holds bytes that are not. Save it again as CSV in UTF-8.",
          e);
    }
  }

  /** The separator that stands most often in the header, outside quotes. */
  private static Separator separator(String header) {
    String bare = header.replaceAll("\"[^\"]*\"", "");
    Separator best = Separator.COMMA;
    for (Separator candidate : Separator.values()) {
      if (count(bare, candidate.mark) > count(bare, best.mark)) {
        best = candidate;
      }
    }
    return best;
  }

  private static long count(String text, char mark) {
    return text.chars().filter(c -> c == mark).count();
  }

  private static List<Numbered> rows(String text, Separator separator) {
    CSVFormat format =
        CSVFormat.RFC4180.builder().setDelimiter(separator.mark).setIgnoreEmptyLines(false).get();
    List<Numbered> rows = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      for (CSVRecord found : parser) {
        List<String> cells = found.stream().map(CsvTable::original).toList();
        cells.stream()
            .flatMap(cell -> Unseen.in(cell).stream())
            .findFirst()
            .ifPresent(unseen -> {
              throw new IllegalArgumentException(
                  "Row " + found.getRecordNumber() + ": " + Unseen.sentence(unseen));
            });
        if (cells.stream().anyMatch(cell -> !cell.isBlank())) {
          rows.add(new Numbered(Math.toIntExact(found.getRecordNumber()), cells));
        }
        if (rows.size() > MOST_ROWS + 1) {
          throw new IllegalArgumentException(
              "The file has more than 50,000 rows. Split it into several.");
        }
      }
    } catch (UncheckedIOException | IOException e) {
      throw new IllegalArgumentException(
          "After row "
              + (rows.isEmpty() ? 0 : rows.getLast().number())
              + " a quoted cell is not closed or is followed by something else: the file seems cut"
              + " off or damaged. Export it again.",
          e);
    }
    return rows;
  }

  /** The cell before it was made harmless. */
  private static String original(String cell) {
    return HARMLESS.matcher(cell).matches() ? cell.substring(1) : cell;
  }

  /** A table as text: commas, CRLF, and no cell that a spreadsheet would take for a formula. */
  public static String write(List<String> header, List<List<String>> rows) {
    StringWriter text = new StringWriter();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(header);
      for (List<String> row : rows) {
        printer.printRecord(row.stream().map(CsvTable::harmless).toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static String harmless(String cell) {
    return FORMULA.matcher(cell).matches() ? "'" + cell : cell;
  }
}
