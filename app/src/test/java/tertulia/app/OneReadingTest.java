package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.decision.Decisions;
import tertulia.app.display.AdviceResults;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.handover.EvaluateCommand;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Selection;

/**
 * One selection with an exact figure, an upper bound, a lower one, a range, a share of what is
 * bought once, one that is not known and one that is out, read through everything that shows or
 * hands it on.
 */
@FreshStore
public class OneReadingTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Decisions decisions;
  @Autowired private Intake intake;
  private long id;
  private Results results;

  private static final String SOURCE =
      "{\"asOf\": \"2026-11-12\", \"ground\": \"makers-claim\", \"who\": \"Ilse\", \"link\": \"\"}";

  private static String seats(String price) {
    return """
    {"kind": "per-unit", "name": "Seats", "measure": "seats", "price": "%s", "minimum": 0,
     "pack": 1, "included": 0}\
    """
        .formatted(price);
  }

  private static String monthly(String charges) {
    return charges.isEmpty()
        ? "[]"
        : "[{\"monthsCommitted\": 1, \"upFront\": false, \"charges\": [" + charges + "]}]";
  }

  private static String plan(String name, String charges, String others) {
    return """
    {"id": "%s", "name": "%s", "currency": "EUR", "measure": "seats", "least": 0,
     "source": %s, "prices": %s, "facts": [] %s}\
    """
        .formatted(name.toLowerCase(Locale.ROOT), name, SOURCE, monthly(charges), others);
  }

  private static String tool(String name, String... plans) {
    return """
    {"tool": {"id": "%s", "name": "%s", "maker": "Maker of %s", "areas": ["ledgers"],
     "plans": [%s], "ratings": []}}\
    """
        .formatted(name.toLowerCase(Locale.ROOT), name, name, String.join(", ", plans));
  }

  private static String file() {
    return """
    {"format": "tertulia-selection", "version": %d,
     "brief": {"title": "Which ledger?", "purpose": "", "asOf": "2026-11-24",
      "start": "2027-01", "months": 12, "currency": "EUR", "priceRisePercent": "0",
      "groups": [{"id": "all", "name": "All", "method": "hires", "start": 10,
       "perMonth": "0", "steps": []}],
      "demand": [{"measure": "seats", "fixed": "0", "perHead": {"all": "1"}}],
      "needs": [],
      "criteria": [{"id": "cost", "name": "Cost", "kind": "cost", "worst": "200",
       "best": "0"}],
      "rates": []},
     "contenders": [%s],
     "panel": [{"name": "Ilse Maren", "share": 1, "points": {"cost": 1},
      "marks": []}]}\
    """
        .formatted(
            Demo.file().version(),
            String.join(
                ", ",
                tool("Plainbook", plan("Only", seats("5.00"), "")),
                tool("Quietbook", plan("Hushed", "", ""), plan("Told", seats("4.00"), "")),
                tool(
                    "Guessbook",
                    plan(
                        "Only",
                        seats("3.00"),
                        ", \"basis\": \"assumed\", \"highPrices\": " + monthly(seats("6.00")))),
                tool(
                    "Oncebook",
                    plan(
                        "Only",
                        seats("2.00")
                            + ", {\"kind\": \"one-off\", \"name\": \"Set up\", \"price\": \"1200\"}",
                        "")),
                tool("Mutebook", plan("Only", "", "")),
                tool("Fromabook", plan("Only", seats("9.00"), ", \"basis\": \"from\"")),
                tool("Smallbook", plan("Only", seats("1.00"), ", \"most\": 3"))));
  }

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void taken() {
    PortableFile.Read read = PortableFile.read(file().getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    id = intake.take(((PortableFile.Read.Accepted) read).file(), "Ilse Maren");
    results = Results.of(selections.load(id).selection());
  }

  private byte[] sent(String who, MockHttpServletRequestBuilder request, int status)
      throws Exception {
    var answer =
        mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getStatus(), status, answer.getContentAsString(StandardCharsets.UTF_8));
    return answer.getContentAsByteArray();
  }

  private byte[] read(String path) throws Exception {
    return sent("ilse", MockMvcRequestBuilders.get("/selections/" + id + path), 200);
  }

  private static String text(byte[] page) {
    return new String(page, StandardCharsets.UTF_8)
        .replaceAll("<[^>]*>", " ")
        .replaceAll("\\s+", " ");
  }

  private Results.ContenderResult of(String name) {
    return results.contenders().stream().filter(c -> c.name().equals(name)).findFirst().get();
  }

  @Test
  public void theResultsTellThemApart() {
    assertEquals(of("Plainbook").horizon().words(), "600.00");
    assertEquals(of("Quietbook").horizon().words(), "at most 480.00");
    assertEquals(of("Guessbook").horizon().words(), "360.00 to 720.00");
    assertEquals(of("Oncebook").horizon().words(), "1,440.00");
    assertEquals(of("Oncebook").firstMonth().words(), "120.00");
    assertEquals(of("Oncebook").firstMonth().boughtOnce(), "100.00");
    assertEquals(of("Fromabook").firstMonth().words(), "at least 90.00");
    assertEquals(of("Fromabook").horizon().words(), "at least 1,080.00");
    for (String without : List.of("Mutebook", "Smallbook")) {
      assertEquals(of(without).horizon(), null, without);
    }
    assertEquals(of("Smallbook").total(), null, "out is not ranked");
    Results.ScoreResult bound = of("Quietbook").total();
    assertEquals(new BigDecimal(bound.low()).compareTo(new BigDecimal("0.8")), 0);
    assertEquals(new BigDecimal(bound.high()).compareTo(BigDecimal.ONE), 0);
    Results.ScoreResult least = of("Fromabook").total();
    assertEquals(new BigDecimal(least.low()).signum(), 0, "nobody knows how dear");
    assertEquals(new BigDecimal(least.high()).compareTo(new BigDecimal("0.55")), 0);
    Results.ScoreResult mute = of("Mutebook").total();
    assertEquals(new BigDecimal(mute.low()).signum(), 0);
    assertEquals(new BigDecimal(mute.high()).compareTo(BigDecimal.ONE), 0);
  }

  @Test
  public void theFileGivesTheSameAndSoDoesEvaluate() throws Exception {
    byte[] file = read("/file");
    PortableFile.Read.Accepted accepted = (PortableFile.Read.Accepted) PortableFile.read(file);
    Selection again = accepted.selection();
    Results whole = AdviceResults.with(again, accepted.file());
    assertEquals(Json.write(Results.of(again)), Json.write(results));
    Path stored = Files.createTempFile("ledger", ".json");
    Files.write(stored, file);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int exit =
        EvaluateCommand.run(
            new String[] {"evaluate", stored.toString()},
            new PrintStream(out, true, StandardCharsets.UTF_8),
            System.err);
    Files.delete(stored);
    assertEquals(exit, 0);
    assertEquals(out.toString(StandardCharsets.UTF_8), Json.write(whole));
    assertEquals(whole.knowing(null).interested(null).beside(null), results);
  }

  @Test
  public void thePageSaysTheSame() throws Exception {
    String page = text(read("/cost"));
    String head =
        page.substring(page.indexOf("A month for 10 people"), page.indexOf("Total score"));
    assertEquals(
        head.strip(),
        "A month for 10 people 50.00 at most 40.00 30.00 to 60.00 120.00 of it 100.00 a month for"
            + " what is bought once not known at least 90.00 —");
    String whole = page.substring(page.indexOf("12 months, spread evenly"));
    whole = whole.substring(0, whole.indexOf("of it in Jan 2027"));
    for (String figure :
        List.of(
            " 600.00 ", "at most 480.00", "360.00 to 720.00", "1,440.00", "at least 1,080.00")) {
      assertTrue(whole.contains(figure), figure + " in " + whole);
    }
  }

  @Test
  public void headToHeadABoundIsNoFigure() throws Exception {
    String bound = versus("Plainbook", "Quietbook");
    assertTrue(bound.contains("Quietbook is cheaper over the plan months by at least 120.00 EUR."));
    assertTrue(bound.contains("at most 40.00"), bound);
    assertTrue(bound.contains("cheaper by at least 10.00"), bound);
    String range = versus("Guessbook", "Plainbook");
    assertTrue(
        range.contains(
            "Over the plan months either may be cheaper: a price is only known within bounds."),
        range);
    assertFalse(range.contains("is cheaper over the plan months"), range);
    // a bound from above on the dearer figure says nothing
    assertTrue(versus("Quietbook", "Guessbook").contains("either may be cheaper"));
    assertTrue(
        versus("Oncebook", "Plainbook")
            .contains("Plainbook is cheaper over the plan months by 840.00 EUR."));
  }

  private String versus(String one, String other) throws Exception {
    return text(read("/versus?one=" + of(one).id() + "&other=" + of(other).id()));
  }

  @Test
  public void withoutAnybodyAtTheTableNothingIsCounted() throws Exception {
    String alone = file();
    alone = alone.substring(0, alone.indexOf("\"panel\":")) + "\"panel\": []}";
    PortableFile.Read read = PortableFile.read(alone.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    long empty = intake.take(((PortableFile.Read.Accepted) read).file(), "Ilse Maren");
    String page =
        text(sent("ilse", MockMvcRequestBuilders.get("/selections/" + empty + "/weights"), 200));
    assertFalse(page.contains("0 of 0"), page);
    assertTrue(page.contains("Weights"), page);
  }

  @Test
  public void markdownSaysTheSame() throws Exception {
    String text = new String(read("/decision.md"), StandardCharsets.UTF_8);
    for (Results.ContenderResult c : results.contenders()) {
      String row =
          text.lines().filter(line -> line.startsWith("| " + c.name() + " |")).findFirst().get();
      assertEquals(row.contains("at most"), c.horizon() != null && c.horizon().atMost(), row);
      if (c.horizon() != null) {
        assertTrue(row.contains(c.horizon().words()), row);
      }
    }
  }

  @Test
  public void theWorkbookSaysTheSame() throws Exception {
    DataFormatter formatter = new DataFormatter(Locale.ENGLISH);
    formatter.setUseCachedValuesForFormulaCells(true);
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(read("/cost.xlsx")))) {
      Map<String, Row> rows = new HashMap<>();
      for (Row row : book.getSheet("Overview")) {
        rows.put(formatter.formatCellValue(row.getCell(0)), row);
      }
      for (Results.ContenderResult c : results.contenders()) {
        Row row = rows.get(c.name());
        String words = formatter.formatCellValue(row.getCell(5));
        if (c.horizon() == null || c.horizon().amount() == null) {
          assertEquals(words, "no figure: see its working in Tertulia");
          assertEquals(
              formatter.formatCellValue(row.getCell(8)),
              c.horizon() == null ? "" : "1080",
              c.name());
          continue;
        }
        assertEquals(
            BigDecimal.valueOf(row.getCell(1).getNumericCellValue())
                .compareTo(new BigDecimal(c.horizon().amount())),
            0,
            c.name());
        assertEquals(words.startsWith("at most: "), c.horizon().atMost(), words);
        assertEquals(
            formatter.formatCellValue(row.getCell(8)).equals("not known"), c.horizon().atMost());
        if (c.horizon().low() != null) {
          assertEquals(
              BigDecimal.valueOf(row.getCell(8).getNumericCellValue())
                  .compareTo(new BigDecimal(c.horizon().low())),
              0);
        }
      }
    }
  }

  @Test(
      dependsOnMethods = {
        "thePageSaysTheSame",
        "headToHeadABoundIsNoFigure",
        "markdownSaysTheSame",
        "theWorkbookSaysTheSame",
        "theFileGivesTheSameAndSoDoesEvaluate"
      })
  public void theRecordKeepsTheSame() throws Exception {
    String at = "/selections/" + id + "/decision";
    sent(
        "ilse",
        MockMvcRequestBuilders.post(at + "/propose")
            .param("choice", of("Quietbook").id())
            .param("reasons", "It is quiet.")
            .param("despite", "We know that.")
            .param("givenUp", "Certainty about its price."),
        302);
    String proposal = decisions.find(id).orElseThrow().proposal();
    sent(
        "joren",
        MockMvcRequestBuilders.post(at + "/sign")
            .param("proposal", proposal)
            .param("password", "brackwater"),
        302);
    assertEquals(
        Json.write(decisions.find(id).orElseThrow().frozen().orElseThrow().results()),
        Json.write(
            AdviceResults.with(selections.load(id).selection(), selections.load(id).file())));
    assertTrue(new String(read("/snapshot"), StandardCharsets.UTF_8).contains("at most 480.00"));
    markdownSaysTheSame();
  }

  /** A page that says yes, of a plan whose price it does not say, is not to be confirmed. */
  @Test
  public void whatAPlanOnRequestHasIsSaidToBeThere() throws Exception {
    String yes =
        "\"facts\": [{\"capability\": \"Approvals\", \"answer\": \"yes\", \"source\": "
            + SOURCE
            + "}]";
    String asked =
        file()
            .replace(
                "\"needs\": []",
                "\"needs\": [{\"capability\": \"Approvals\", \"importance\": \"must\","
                    + " \"partlyIsEnough\": false}]")
            .replace(plan("Hushed", "", ""), plan("Hushed", "", "").replace("\"facts\": []", yes));
    PortableFile.Read read = PortableFile.read(asked.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    long other = intake.take(((PortableFile.Read.Accepted) read).file(), "Ilse Maren");
    String fit =
        text(sent("ilse", MockMvcRequestBuilders.get("/selections/" + other + "/fit"), 200));
    assertTrue(fit.contains("Hushed has it, at a price on request"), fit);
  }
}
