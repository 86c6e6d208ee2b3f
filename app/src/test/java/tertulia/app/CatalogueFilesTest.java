package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.Imports;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/** The catalogue between workspaces: out of one, into an empty one, and again. */
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:files;DB_CLOSE_DELAY=-1"
    })
public class CatalogueFilesTest extends ServedTest {
  private static final Pattern TOKEN = Pattern.compile("name=\"token\"\\s+value=\"([^\"]+)\"");
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;
  @Autowired private Imports imports;
  @Autowired private JdbcTemplate jdbc;
  private MockHttpSession session = new MockHttpSession();

  @BeforeMethod
  public void emptied() {
    empty(jdbc, people);
    session = new MockHttpSession();
  }

  /** A workspace with an organiser and nothing else. */
  static void empty(JdbcTemplate jdbc, UserAccounts people) {
    jdbc.execute("delete from tool_version");
    jdbc.execute("delete from tool");
    if (people.isEmpty()) {
      people.add(
          new UserAccounts.NewAccount("ilse", "Ilse Maren", "long enough for me", Role.ORGANISER),
          new Faults());
    }
  }

  private static byte[] demonstration() throws IOException {
    try (var in =
        Objects.requireNonNull(
            CatalogueFilesTest.class.getResourceAsStream("/demo/catalogue.json"))) {
      return in.readAllBytes();
    }
  }

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(
            request.session(session).with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private String export(String kind) throws Exception {
    return send(MockMvcRequestBuilders.get("/catalogue/export." + kind))
        .getContentAsString(StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse upload(byte[] file) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.multipart("/catalogue/import")
                .file(new MockMultipartFile("file", "pages.csv", "text/csv", file))
                .session(session)
                .with(csrf())
                .with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private MockHttpServletResponse take(MockHttpServletResponse shown) throws Exception {
    Matcher token = TOKEN.matcher(shown.getContentAsString());
    assertTrue(token.find(), "nothing to take");
    return send(
        MockMvcRequestBuilders.post("/catalogue/import/take").param("token", token.group(1)));
  }

  /** Every tool for 40 people with a seat, a host and a line each, on a day. */
  private String results(String day) {
    Brief brief =
        new Brief(
            "All",
            "",
            day,
            "2027-01",
            12,
            "EUR",
            "0",
            List.of(new Brief.GroupPart("g", "G", "hires", 40, "1", null, null, List.of())),
            List.of("seats", "hosts", "phone-lines", "calendars", "whole-staff", "light-seats")
                .stream()
                .map(m -> new Brief.DemandPart(m, "0", Map.of("g", "1")))
                .toList(),
            "60",
            List.of(),
            List.of(),
            List.of());
    Map<Long, tertulia.app.exchange.ToolSheet> sheets =
        catalogue.sheets(
            catalogue.everything().stream().map(Catalogue.Stored::id).toList(),
            java.time.LocalDate.parse(day));
    SelectionFile file =
        new SelectionFile(
            SelectionFile.FORMAT,
            SelectionFile.VERSION,
            brief,
            sheets.values().stream()
                .sorted(java.util.Comparator.comparing(sheet -> sheet.id()))
                .map(sheet -> new SelectionFile.ContenderPart(sheet, null))
                .toList(),
            List.of(),
            null);
    Faults faults = new Faults();
    var selection = new SelectionReader(faults).read(file);
    assertTrue(faults.isEmpty(), faults.all().toString());
    return Results.of(selection.orElseThrow()).toString();
  }

  @Test
  public void outAndIntoAnEmptyWorkspaceIsTheSame() throws Exception {
    take(upload(demonstration()));
    String json = export("json");
    String csv = export("csv");
    String today = results("2026-11-24");
    String lastYear = results("2025-12-01");
    assertEquals(catalogue.everything().size(), 27);

    emptied();
    take(upload(json.getBytes(StandardCharsets.UTF_8)));
    assertEquals(export("json"), json);
    assertEquals(export("csv"), csv);
    assertEquals(results("2026-11-24"), today);
    assertEquals(results("2025-12-01"), lastYear);

    // CSV carries the pages in force, without history and without what is archived
    emptied();
    take(upload(csv.getBytes(StandardCharsets.UTF_8)));
    assertEquals(export("csv"), csv);
    assertEquals(catalogue.everything().size(), 26);
  }

  @Test
  public void theSameFileASecondTimeChangesNothing() throws Exception {
    take(upload(demonstration()));
    String before = export("json");
    for (String file : List.of(before, export("csv"))) {
      String page = upload(file.getBytes(StandardCharsets.UTF_8)).getContentAsString();
      assertTrue(page.contains("Everything in this file is in the catalogue already."), page);
      assertTrue(page.contains("0 new, 0 changed"), page);
      assertFalse(TOKEN.matcher(page).find());
      assertEquals(imports.take(file.getBytes(StandardCharsets.UTF_8), "Ilse"), 0);
    }
    assertEquals(export("json"), before);
  }

  @Test
  public void whatWouldChangeIsShownBeforeItIsTaken() throws Exception {
    take(upload(demonstration()));
    String csv = export("csv");
    String changed = csv.replaceFirst("(price,Werfplan,[^\\r\\n]*,u12,)6\\.90", "$16.20");
    assertFalse(changed.equals(csv), "the page has such a price");
    MockHttpServletResponse shown = upload(changed.getBytes(StandardCharsets.UTF_8));
    String page = shown.getContentAsString(StandardCharsets.UTF_8);
    assertTrue(page.contains("0 new, 1 changed, 25 unchanged"), page);
    assertTrue(
        page.contains("<b>Gang: Seats, yearly, up front</b> <del>6.90</del> <ins>6.20</ins>"));
    assertTrue(page.contains("CSV, UTF-8, separated by commas, decimal point"));
    assertEquals(export("csv"), csv, "looking changes nothing");
    assertEquals(catalogue.history("werfplan").size(), 3);
    take(shown);
    assertEquals(export("csv"), changed);
    assertEquals(catalogue.history("werfplan").size(), 4);
    assertEquals(catalogue.history("werfplan").getLast().by(), "Ilse Maren");
  }

  @Test
  public void oneBadRowKeepsEverythingOut() throws Exception {
    String file =
        "line,tool,plan,name,term,value,currency,as of\n"
            + "plan,Good,Works,,,,EUR,2026-11-20\n"
            + "plan,Bad,Works,,,,EUR,2026-11-20\n"
            + "price,Bad,Works,Seats,m1,seven,,\n";
    MockHttpServletResponse shown = upload(file.getBytes(StandardCharsets.UTF_8));
    assertEquals(shown.getStatus(), 422);
    String page = shown.getContentAsString();
    assertTrue(page.contains("<td>row 4</td>"), page);
    assertTrue(page.contains("&quot;seven&quot; is not a number."), page);
    assertFalse(TOKEN.matcher(page).find());
    assertEquals(imports.take(file.getBytes(StandardCharsets.UTF_8), "Ilse"), 0);
    assertEquals(catalogue.everything(), List.of());
  }

  @Test
  public void aFileThatWasNotShownIsNotTaken() throws Exception {
    upload(demonstration());
    assertEquals(
        send(MockMvcRequestBuilders.post("/catalogue/import/take").param("token", "guessed"))
            .getStatus(),
        409);
    assertEquals(catalogue.everything(), List.of());
  }

  @Test
  public void brokenJsonIsRefusedWithItsPlace() throws Exception {
    String text = new String(demonstration(), StandardCharsets.UTF_8);
    for (Map.Entry<String, String> broken :
        Map.of(
                text.substring(0, text.length() / 2),
                "This is not a JSON file",
                text.replaceFirst("\"currency\": \"EUR\"", "\"currency\": \"EURO\""),
                "/tools/0",
                text.replaceFirst("\"monthsCommitted\": 12", "\"monthsCommitted\": 13"),
                "/tools/0",
                text.replaceFirst("\"holdsFrom\": \"2025-11-20\"", "\"holdsFrom\": \"2026-11-23\""),
                "Pages stand oldest first, each from a day of its own.",
                text.replaceFirst(
                    "(\"highPrices\": \\[\\s*\\{\\s*\"monthsCommitted\": )12", "$124"),
                "its low and high prices charge for the same things",
                text.replace("tertulia-catalogue", "something"),
                "This is JSON but no Tertulia catalogue")
            .entrySet()) {
      MockHttpServletResponse shown = upload(broken.getKey().getBytes(StandardCharsets.UTF_8));
      assertEquals(shown.getStatus(), 422);
      assertTrue(shown.getContentAsString().contains(broken.getValue()), broken.getValue());
    }
    assertEquals(catalogue.everything(), List.of());
  }
}
