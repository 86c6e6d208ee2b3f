package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Limits;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One set of limits: what is taken can be stored, and what was stored can be read for ever. */
@FreshStore
public class LimitsTest extends ServedTest {
  private static final List<String> STEPS =
      List.of("need", "contenders", "fit", "cost", "weights", "marks", "decision");
  @Autowired private JdbcTemplate jdbc;

  private MockHttpServletResponse post(String who, String path, Map<String, String> fields)
      throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    fields.forEach(request::param);
    return ask(who, request);
  }

  private long selection(String title) throws Exception {
    String made =
        post(
                "ilse",
                "/selections/new",
                Map.of("title", title, "currency", "EUR", "people", "9", "growth", "0"))
            .getRedirectedUrl();
    long id = Long.parseLong(made.split("/")[2]);
    jdbc.update(
        "update selection set brief = (select brief from selection where id = 1) where id = ?", id);
    assertEquals(
        post("ilse", "/selections/" + id + "/contenders", Map.of("slug", "slotmeer")).getStatus(),
        302);
    return id;
  }

  private void assertEveryPageIsThere(long id) throws Exception {
    for (String step : STEPS) {
      assertEquals(
          ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/" + step)).getStatus(),
          200,
          step);
    }
    assertEquals(
        ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/file")).getStatus(), 200);
  }

  private static JsonNode schema(String name) throws IOException {
    return JsonMapper.shared()
        .readTree(Files.readString(Path.of("..", "docs", "formats", name + "-1.schema.json")));
  }

  @DataProvider
  public Object[][] published() {
    return new Object[][] {
      {"selection", "/properties/contenders", Limits.CONTENDERS},
      {"selection", "/properties/panel", Limits.MEMBERS},
      {"selection", "/properties/log", Limits.ACTS},
      {"selection", "/properties/ended", Limits.ENDED},
      {"selection", "/$defs/brief/properties/groups", Limits.GROUPS},
      {"selection", "/$defs/brief/properties/demand", Limits.COUNTED},
      {"selection", "/$defs/brief/properties/needs", Limits.NEEDS},
      {"selection", "/$defs/brief/properties/criteria", Limits.CRITERIA},
      {"selection", "/properties/settled", Limits.SETTLED},
      {"selection", "/properties/remarks", Limits.REMARKS},
      {"selection", "/$defs/trials/properties/tasks", Limits.TASKS},
      {"selection", "/$defs/trials/properties/trials/items/properties/people", Limits.TRYING},
      {"selection", "/$defs/trials/properties/trials/items/properties/results", Limits.RESULTS},
      {"selection", "/$defs/remark/properties/answers", Limits.ANSWERS},
      {"catalogue", "/$defs/tool/properties/plans", Limits.PLANS},
      {"catalogue", "/$defs/term/properties/charges", Limits.CHARGES},
      {"catalogue", "/$defs/plan/properties/facts", Limits.FACTS},
      {"catalogue", "/$defs/plan/properties/allowances", Limits.ALLOWANCES}
    };
  }

  @Test(dataProvider = "published")
  public void thePublishedSchemasSayTheSameNumbers(String schema, String at, int limit)
      throws IOException {
    assertEquals(schema(schema).at(at + "/maxItems").asInt(), limit);
  }

  @Test
  public void thePersonPastTheLastSeatIsToldAndNobodysPageIsLost() throws Exception {
    long id = selection("How many fit?");
    int seated =
        jdbc.queryForObject(
            "select count(*) from panel_member where selection_id = ?", Integer.class, id);
    for (int i = seated; i < Limits.MEMBERS; i++) {
      jdbc.update(
          "insert into panel_member(selection_id, name, share, version) values (?, ?, 1, 0)",
          id,
          "Person " + i);
    }
    MockHttpServletResponse full =
        post("joren", "/selections/" + id + "/weights", Map.of("criterion", "cost", "points", "3"));
    assertEquals(full.getStatus(), 409, full.getContentAsString());
    assertTrue(
        full.getContentAsString().contains("At most 200 people can be on one panel"),
        full.getContentAsString());
    assertEveryPageIsThere(id);
    // one more that got in before the limit was looked at
    jdbc.update(
        "insert into panel_member(selection_id, name, share, version) values (?, 'One', 1, 0)", id);
    assertEveryPageIsThere(id);
  }

  @Test
  public void theActPastTheLastIsRefusedAndTheLogIsReadForEver() throws Exception {
    long id = selection("How often was it narrowed?");
    for (int i = 1; i < Limits.ACTS; i++) {
      jdbc.update(
          "insert into narrowing(selection_id, noted_at, noted_by, what, contender, reason)"
              + " values (?, now(), 'Ilse', 'back', 'Slotmeer', null)",
          id);
    }
    MockHttpServletResponse full =
        post(
            "ilse",
            "/selections/" + id + "/contenders/slotmeer/aside",
            Map.of("reason", "too dear"));
    assertEquals(full.getStatus(), 409);
    assertTrue(
        full.getContentAsString(StandardCharsets.UTF_8)
            .contains("The list of this selection was changed 1000 times"));
    assertEveryPageIsThere(id);
    jdbc.update(
        "insert into narrowing(selection_id, noted_at, noted_by, what, contender, reason)"
            + " values (?, now(), 'Ilse', 'back', 'Slotmeer', null)",
        id);
    assertEveryPageIsThere(id);
  }

  /** The form has room for more charges than one term of a plan can have. */
  @Test
  public void aPageThatCouldNotBeReadInAgainIsNotTaken() throws Exception {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("name", "Manyfold");
    fields.put("plans[0].name", "All");
    fields.put("plans[0].currency", "EUR");
    fields.put("plans[0].source.asOf", "2026-11-10");
    for (int i = 0; i <= Limits.CHARGES; i++) {
      fields.put("lines[" + i + "].name", "Part " + i);
      fields.put("lines[" + i + "].kind", "flat");
      fields.put("lines[" + i + "].cells[0].prices[m1]", "1.00");
    }
    MockHttpServletResponse refused = post("ilse", "/catalogue/new", fields);
    assertEquals(refused.getStatus(), 422);
    assertTrue(
        refused
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("This is more than can be kept"),
        refused.getContentAsString());
    fields.keySet().removeIf(field -> field.startsWith("lines[" + Limits.CHARGES + "]"));
    assertEquals(post("ilse", "/catalogue/new", fields).getStatus(), 302);
  }

  @DataProvider
  public Object[][] unseen() {
    return new Object[][] {
      {"Dear \u202Eevil", "U+202E"}, {"a\u0000b", "U+0000"}, {"\u2066x", "U+2066"}
    };
  }

  /** A name that reads other than it is comes in by no way: form, JSON or CSV. */
  @Test(dataProvider = "unseen")
  public void aCharacterThatNobodySeesIsRefusedByEveryWayIn(String text, String named)
      throws Exception {
    MockHttpServletResponse form =
        post(
            "ilse",
            "/selections/new",
            Map.of("title", text, "currency", "EUR", "people", "9", "growth", "0"));
    assertEquals(form.getForwardedUrl(), "/refused-text");
    byte[] json =
        tertulia.app.exchange.Demo.text()
            .replaceFirst("\"title\": \"[^\"]*\"", "\"title\": \"" + escaped(text) + "\"")
            .getBytes(StandardCharsets.UTF_8);
    assertSays(tertulia.app.exchange.PortableFile.read(json), named);
    byte[] latin =
        tertulia.app.exchange.Demo.text()
            .replaceFirst("\"title\": \"[^\"]*\"", "\"title\": \"Caf\u00e9\"")
            .getBytes(StandardCharsets.ISO_8859_1);
    assertSays(tertulia.app.exchange.PortableFile.read(latin), "not written in UTF-8");
  }

  @Test
  public void aTextLongerThanAnyFieldIsRefusedBeforeItIsRead() throws Exception {
    for (int length : new int[] {50_000, 50_001}) {
      MockHttpServletResponse answer =
          post(
              "ilse",
              "/selections/new",
              Map.of("title", "x".repeat(length), "currency", "EUR", "people", "9", "growth", "0"));
      assertEquals(answer.getForwardedUrl(), length > 50_000 ? "/refused-text" : null);
      assertTrue(length > 50_000 || answer.getStatus() == 422, "" + answer.getStatus());
    }
  }

  private static String escaped(String text) {
    StringBuilder escaped = new StringBuilder();
    text.chars().forEach(c -> escaped.append(String.format("\\\\u%04x", c)));
    return escaped.toString();
  }

  private static void assertSays(tertulia.app.exchange.PortableFile.Read read, String part) {
    assertTrue(
        read instanceof tertulia.app.exchange.PortableFile.Read.Refused refused
            && refused.faults().getFirst().message().contains(part),
        read.toString());
  }

  /** Before anybody is counted every page answers, with what each costs for one. */
  @Test
  public void nobodyIsANumberOfPeopleToo() throws Exception {
    String made =
        post(
                "ilse",
                "/selections/new",
                Map.of("title", "Nobody yet", "currency", "EUR", "people", "0", "growth", "0"))
            .getRedirectedUrl();
    String selection = made.substring(0, made.lastIndexOf('/'));
    for (String slug : List.of("halvard-desk", "slotmeer")) {
      post("ilse", selection + "/contenders", Map.of("slug", slug));
    }
    for (String page :
        List.of(
            "overview",
            "need",
            "contenders",
            "fit",
            "cost",
            "weights",
            "marks",
            "firmness",
            "decision",
            "decision.md",
            "plans",
            "versus?one=slotmeer&other=halvard-desk",
            "cost.xlsx",
            "file")) {
      MockHttpServletResponse answer =
          ask("ilse", MockMvcRequestBuilders.get(selection + "/" + page));
      assertEquals(answer.getStatus(), 200, page);
    }
  }

  /** An address may name anything; a page written for what is gone meanwhile is kept. */
  @Test
  public void whatIsBeyondTheEndOrGoneMeanwhileIsNoFaultOfOurs() throws Exception {
    for (String page : List.of("1", "50", "42949673", "2147483647", "-2147483648")) {
      MockHttpServletResponse listed =
          ask("ilse", MockMvcRequestBuilders.get("/catalogue").param("page", page));
      assertEquals(listed.getStatus(), 200, page);
      assertTrue(
          listed.getContentAsString(StandardCharsets.UTF_8).contains("Halvard Desk"),
          "the last page there is, for page " + page);
    }
    MockHttpServletResponse kept =
        post(
            "ilse",
            "/catalogue/new",
            Map.of("selection", "987654321", "name", "", "maker", "Yards of Kade"));
    assertEquals(kept.getStatus(), 422);
    assertTrue(
        kept.getContentAsString(StandardCharsets.UTF_8).contains("Yards of Kade"),
        "what was typed is still there");
  }

  /** A copy holds every view: an open session is not enough to take one. */
  @Test
  public void aCopyAsksForThePasswordAgain() throws Exception {
    MockHttpServletResponse refused =
        post("ilse", "/safekeeping/backup", Map.of("password", "brackwasser"));
    assertEquals(refused.getStatus(), 422);
    assertTrue(
        refused
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("This is not your own password, so no copy was taken."));
    // with it the next thing is asked: here the data lie in memory, and there is no store to copy
    assertEquals(
        post("ilse", "/safekeeping/backup", Map.of("password", "brackwater")).getStatus(), 409);
    assertEquals(
        post("joren", "/safekeeping/backup", Map.of("password", "brackwater")).getStatus(), 403);
  }

  /** What is shown of a price is what was typed, for as many months as it was said of. */
  @Test
  public void aPriceReadsAsItWasStated() throws Exception {
    Map<String, String> page = new LinkedHashMap<>();
    page.put("name", "Yenboat");
    page.put("maker", "Yards of Kade");
    page.put("plans[0].id", "only");
    page.put("plans[0].name", "Only");
    page.put("plans[0].currency", "JPY");
    page.put("plans[0].measure", "seats");
    page.put("plans[0].least", "0");
    page.put("plans[0].source.asOf", "2026-11-20");
    page.put("plans[0].source.ground", "makers-claim");
    page.put("lines[0].name", "Seats");
    page.put("lines[0].kind", "per-unit");
    page.put("lines[0].measure", "seats");
    page.put("lines[0].cells[0].prices[m1]", "1,000");
    page.put("lines[0].cells[0].prices[u12]", "10,000 a year");
    page.put("lines[0].cells[0].prices[u24]", "18,000 for 24 months");
    page.put("asked", "true");
    assertEquals(post("ilse", "/catalogue/new", page).getRedirectedUrl(), "/catalogue/yenboat");
    String shown =
        ask("ilse", MockMvcRequestBuilders.get("/catalogue/yenboat"))
            .getContentAsString(StandardCharsets.UTF_8);
    for (String said : List.of("1000 JPY a month", "10000 JPY a year", "18000 JPY for 24 months")) {
      assertTrue(shown.contains(said), said + " in " + shown);
    }
    assertTrue(!shown.contains("a year JPY a month"), shown);
  }
}
