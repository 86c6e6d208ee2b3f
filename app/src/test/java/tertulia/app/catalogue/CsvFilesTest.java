package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.Collectors;
import org.testng.Assert;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.ToolSheet;

/** The catalogue as CSV: out, in, and what is refused. */
public class CsvFilesTest {
  private static final String HEADER =
      "line,tool,maker,plan,name,priced,measure,term,value,currency,minimum,pack,included,as of\n";
  private static final String PLAN = "plan,Mapelroot,Made up,Works,,,seats,,,EUR,,,,2026-11-20\n";

  /** The demonstration's pages in force; they use every kind of charge, limit and offer. */
  static List<ToolSheet> sheets() {
    return file().tools().stream()
        .map(entry -> ToolForms.inPageOrder(entry.pages().getLast().tool()))
        .toList();
  }

  static CatalogueFile file() {
    return Json.stored(new String(bytes(), StandardCharsets.UTF_8), CatalogueFile.class);
  }

  static byte[] bytes() {
    try (var in =
        Objects.requireNonNull(CsvFilesTest.class.getResourceAsStream("/demo/catalogue.json"))) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static CsvReader.Sheets read(byte[] file) {
    return CsvReader.read(CsvTable.read(file));
  }

  private static CsvReader.Sheets read(String text) {
    return read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  public void everyPageWrittenIsReadBackTheSame() {
    CsvReader.Sheets read = read(CsvWriter.write(sheets()));
    assertEquals(read.refusals(), List.of());
    assertEquals(read.sheets(), sheets());
  }

  @Test
  public void generatedPagesAreReadBackTheSame() {
    Random random = new Random(20261124);
    for (int i = 0; i < 200; i++) {
      List<ToolSheet> made = List.of(GeneratedSheets.sheet(random, "tool-" + i));
      CsvReader.Sheets read = read(CsvWriter.write(made));
      assertEquals(read.refusals(), List.of(), read.refusals() + "\n" + CsvWriter.write(made));
      assertEquals(read.sheets(), List.of(ToolForms.inPageOrder(made.getFirst())));
      assertEquals(CsvWriter.write(read.sheets()), CsvWriter.write(made));
    }
  }

  @Test
  public void nothingWrittenIsTakenForAFormula() {
    List<List<String>> rows =
        List.of(
            List.of("=1+1", "+1", "-1", "@x", "plain", "'=kept", "a=b", "\ttab"),
            List.of("", "a,b", "a\"b", "a\nb", "'quoted'", "5", "''-", "x"));
    String text = CsvTable.write(List.of("a", "b", "c", "d", "e", "f", "g", "h"), rows);
    assertTrue(text.contains("'=1+1"), text);
    for (String line : text.lines().skip(1).toList()) {
      assertFalse(line.matches("(^|.*,)\"?[=+\\-@].*"), line);
    }
    assertEquals(
        CsvTable.read(text.getBytes(StandardCharsets.UTF_8)).rows().stream()
            .map(CsvTable.Numbered::cells)
            .toList(),
        rows);
  }

  @DataProvider
  public Object[][] disguises() {
    String comma = CsvWriter.write(sheets());
    return new Object[][] {
      {"UTF-8", CsvTable.Separator.COMMA, false, comma.getBytes(StandardCharsets.UTF_8)},
      {
        "UTF-8",
        CsvTable.Separator.COMMA,
        false,
        ("\uFEFF" + comma).getBytes(StandardCharsets.UTF_8)
      },
      {
        "UTF-16LE",
        CsvTable.Separator.COMMA,
        false,
        ("\uFEFF" + comma).getBytes(StandardCharsets.UTF_16LE)
      },
      {
        "UTF-16BE",
        CsvTable.Separator.COMMA,
        false,
        ("\uFEFF" + comma).getBytes(StandardCharsets.UTF_16BE)
      },
      {
        "UTF-8", CsvTable.Separator.SEMICOLON, true, disguised(';').getBytes(StandardCharsets.UTF_8)
      },
      {"UTF-8", CsvTable.Separator.TAB, true, disguised('\t').getBytes(StandardCharsets.UTF_8)},
    };
  }

  /** As a spreadsheet set to a decimal comma saves it. */
  private static String disguised(char separator) {
    CsvTable table = CsvTable.read(CsvWriter.write(sheets()).getBytes(StandardCharsets.UTF_8));
    List<List<String>> rows = new ArrayList<>();
    rows.add(table.header());
    int line = table.header().indexOf("line");
    for (CsvTable.Numbered row : table.rows()) {
      List<String> cells = new ArrayList<>(row.cells());
      boolean words = List.of("condition", "capability", "tool").contains(cells.get(line));
      for (String column :
          words ? List.of("minutes") : List.of("value", "pack", "included", "tax")) {
        int i = table.header().indexOf(column);
        cells.set(i, cells.get(i).replaceAll("(?<=\\d)\\.(?=\\d)", ","));
      }
      rows.add(cells);
    }
    return rows.stream()
        .map(cells ->
            cells.stream()
                .map(cell -> '"' + cell.replace("\"", "\"\"") + '"')
                .collect(Collectors.joining("" + separator)))
        .collect(Collectors.joining("\r\n"));
  }

  @Test(dataProvider = "disguises")
  public void encodingSeparatorAndDecimalCommaAreRecognised(
      String encoding, CsvTable.Separator separator, boolean comma, byte[] file) {
    CsvTable table = CsvTable.read(file);
    assertEquals(table.encoding(), encoding);
    assertEquals(table.separator(), separator);
    CsvReader.Sheets read = CsvReader.read(table);
    assertEquals(read.refusals(), List.of());
    assertEquals(read.decimalComma(), comma);
    assertEquals(read.sheets(), sheets());
  }

  @Test
  public void anOlderEncodingIsReadAndSaid() {
    String text = HEADER + "plan,Grüße,Müller & Söhne,Größe,,,seats,,,EUR,,,,2026-11-20\n";
    CsvTable table = CsvTable.read(text.getBytes(Charset.forName("windows-1252")));
    assertEquals(table.encoding(), "windows-1252");
    ToolSheet sheet = CsvReader.read(table).sheets().getFirst();
    assertEquals(sheet.maker(), "Müller & Söhne");
    assertEquals(sheet.plans().getFirst().name(), "Größe");
  }

  @Test
  public void aHandMadeTableNeedsFewColumns() {
    CsvReader.Sheets read =
        read(
            HEADER
                + PLAN
                + "price,Mapelroot,,Works,Seats,,,m1,7.90,,3,5,,\n"
                + "price,Mapelroot,,Works,Seats,banded-sliced,hosts,u12,25 8.40; more 6.90,,,,,\n");
    assertEquals(read.refusals(), List.of());
    ToolSheet.PlanPart plan = read.sheets().getFirst().plans().getFirst();
    assertEquals(
        plan.prices().getFirst().charges(),
        List.of(new ToolSheet.PerUnitPart("Seats", "seats", "7.90", 3, 5, 0)));
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] {
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,,,m1,eight,,,,,\n",
        "row 3",
        "\"eight\" is not a number. Write it like 7.30, 1,200 or 4/12."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,,,m1,1.23456,,,,,\n",
        "row 3",
        "A price has at most 4 decimals; found 1.23456. Round it."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,,,m1,7,,,0,,\n",
        "row 3",
        "A pack lies between 1 and 100,000; found 0."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,banded-whole,,m1,25 8; 20 7; more 5,,,,,\n",
        "row 3",
        "Band 2 ends at 20 units but band 1 ends at 25. Reorder the bands."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,banded-whole,,m1,more 8; 20 7,,,,,\n",
        "row 3",
        "Band 1 has no end but band 2 follows. Give it an end or make it the last."
      },
      {
        HEADER + PLAN + "price,Mapelroot,Another,Works,Seats,,,m1,7,,,,,\n",
        "row 3",
        "Mapelroot is by \"Made up\" in row 2 and by \"Another\" here. Two vendors have two tools."
            + " Give each its own tool id."
      },
      {
        HEADER + PLAN + PLAN, "row 3", "Row 2 states the same thing already. Remove one of the two."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Wroks,Seats,,,m1,7,,,,,\n",
        "row 3",
        "There is no plan \"Wroks\" in the rows above. Add a row \"plan\" for it."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,,,m1\n",
        "row 3",
        "The row has 8 cells, the header 14: the file seems cut off here. Export it again."
      },
      {
        HEADER + PLAN.replace("EUR", "EURO"),
        "row 2",
        "\"EURO\" is not a currency. Write its three-letter code, like EUR."
      },
      {
        HEADER + PLAN.replace("2026-11-20", "11/10/2026"),
        "row 2",
        "\"11/10/2026\" may be two days. Write the month as a word, like 24 Nov 2026."
      },
      {
        HEADER + PLAN.replace("Made up", "M\uFFFDde up"),
        "row 2",
        "Letters were lost when this file was saved (\uFFFD). Save it again as CSV in UTF-8."
      },
      {
        HEADER
            + PLAN
            + "price,Mapelroot,,Works,Seats,,,m1,7.50,,,,,\n"
            + "price,Mapelroot,,Works,More,,,m1,\"7,50\",,,,,\n",
        "row 1",
        "Some numbers have a decimal comma and some a decimal point. Use one of them."
      },
      {
        HEADER + PLAN + "price,Mapelroot,,Works,Seats,,,m2,7,,,,,\n",
        "row 3",
        "\"m2\" is not one of m1, u12, m12, u24, m24, u36, m36, all."
      },
      {
        HEADER + PLAN + "cost,Mapelroot,,Works,Seats,,,m1,7,,,,,\n",
        "row 3",
        "\"cost\" is not one of tool, plan, price, unsaid, allowance, capability, offer, owned,"
            + " condition, connector, words, pasted, rating."
      },
      {
        "line,toool\nplan,x\n",
        "row 1",
        "There is no column \"tool\". The first row names the columns."
      },
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsRefusedIsToldByRowWithItsRemedy(String file, String where, String reason) {
    CsvReader.Sheets read = read(file);
    assertTrue(
        read.refusals().stream()
            .anyMatch(r -> r.where().equals(where) && r.reason().equals(reason)),
        read.refusals().toString());
  }

  @DataProvider
  public Object[][] unreadable() {
    String cut = HEADER + "plan,\"Mapelroot,Made up";
    return new Object[][] {
      {
        cut.getBytes(StandardCharsets.UTF_8),
        "After row 1 a quoted cell is not closed or is followed by something else: the file seems"
            + " cut off or damaged. Export it again."
      },
      {
        new byte[] {'P', 'K', 3, 4, 0, 0},
        "This is no text file. Save the table as CSV, best in UTF-8, and choose that file."
      },
      {
        "\n\n".getBytes(StandardCharsets.UTF_8),
        "The file begins with an empty line; it should begin with the names of the columns."
      },
      {
        new byte[CsvTable.MOST_BYTES + 1],
        "The file has 10,485,761 bytes; at most 10 MB are read. Split it into several."
      },
      {
        ("line,tool\n" + "plan,x\n".repeat(CsvTable.MOST_ROWS + 1))
            .getBytes(StandardCharsets.UTF_8),
        "The file has more than 50,000 rows. Split it into several."
      },
      {
        new byte[] {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF, 'a', (byte) 0xE4},
        "The file says it is UTF-8 but holds bytes that are not. Save it again as CSV in UTF-8."
      },
    };
  }

  @Test(dataProvider = "unreadable")
  public void aFileThatCannotBeReadIsRefusedInASentence(byte[] file, String sentence) {
    try {
      CsvTable.read(file);
      Assert.fail("was read");
    } catch (IllegalArgumentException e) {
      assertEquals(e.getMessage(), sentence);
    }
  }

  @Test
  public void fiftyThousandRowsAreRead() {
    String text = "line,tool\n" + "tool,x\n".repeat(CsvTable.MOST_ROWS);
    assertEquals(
        CsvTable.read(text.getBytes(StandardCharsets.UTF_8)).rows().size(), CsvTable.MOST_ROWS);
  }

  private static String plans(int count) {
    StringBuilder csv = new StringBuilder("line,tool,maker,plan,name,value,currency,as of,from\n");
    for (int p = 0; p < count; p++) {
      csv.append("plan,Long one,Maker,P" + p + ",,,EUR,2026-11-01,makers-claim\n");
      for (int i = 0; i < Limits.FACTS; i++) {
        csv.append("capability,Long one,Maker,P" + p + ",Thing " + i + ",yes,")
            .append(",2026-11-01,makers-claim\n");
      }
    }
    return csv.toString();
  }

  @Test
  public void aPageOfThousandsOfLinesIsReadWithEachLineAtItsRow() {
    String right = plans(20);
    List<ToolSheet> sheets = read(right.getBytes(StandardCharsets.UTF_8)).sheets();
    List<ToolSheet.FactPart> facts = sheets.getFirst().plans().getLast().facts();
    assertEquals(facts.size(), Limits.FACTS);
    assertEquals(facts.getLast().capability(), "Thing " + (Limits.FACTS - 1));
    String more = "capability,Long one,Maker,P0,One more,yes,,2026-11-01,makers-claim\n";
    assertEquals(
        read((right + more).getBytes(StandardCharsets.UTF_8)).sheets(),
        List.of(),
        "it could not be read in again");
    CsvReader.Sheets refused =
        read(plans(1).replace("Thing 110,yes", "Thing 110,maybe").getBytes(StandardCharsets.UTF_8));
    assertEquals(refused.sheets(), List.of());
    assertEquals(refused.refusals().size(), 1);
    // the header, the plan, and the 111th fact
    assertTrue(refused.refusals().getFirst().toString().contains("row 113"), refused.toString());
  }
}
