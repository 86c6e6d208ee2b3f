package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.FindingWords;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.PutAway;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.AnswerFindings;

/**
 * The first page and the overview: what they say is what the core finds, and it can be put away.
 */
public class FirstPageTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Intake intake;
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;
  private long id;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void take() {
    id = titled("Which slots & berths?");
  }

  private long titled(String title) {
    String file = Json.write(Demo.file());
    return intake.take(
        Json.stored(
            file.replace("Which booking tool for the freight desk?", title), SelectionFile.class),
        "Ilse Maren");
  }

  private String as(String who, MockHttpServletRequestBuilder request, int status)
      throws Exception {
    SignedIn person = (SignedIn) people.loadUserByUsername(who);
    MockHttpServletResponse answer =
        mvc.perform(request.with(csrf()).with(user(person))).andReturn().getResponse();
    assertEquals(answer.getStatus(), status);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private String get(String who, String path) throws Exception {
    return as(who, MockMvcRequestBuilders.get(path), 200);
  }

  private static String text(String html) {
    return html.replaceAll("(?s)<script.*?</script>", "")
        .replaceAll("<[^>]*>", " ")
        .replace("&#39;", "'")
        .replace("&amp;", "&")
        .replaceAll("\\s+", " ");
  }

  private void put(String who, long selection, String how, int status) throws Exception {
    as(
        who,
        how.isEmpty()
            ? MockMvcRequestBuilders.post("/selections/" + selection + "/put-back")
            : MockMvcRequestBuilders.post("/selections/" + selection + "/put-away")
                .param("how", how),
        status);
  }

  @Test
  public void theOverviewSaysWhatTheCoreFinds() throws Exception {
    LoadedSelection table = selections.load(id);
    Evaluation evaluation = Evaluation.of(table.selection(), WhatIf.START);
    AnswerFindings findings = new AnswerFindings(evaluation);
    FindingWords words = new FindingWords(table.selection());
    String page = text(get("ilse", "/selections/" + id + "/overview"));
    assertTrue(page.contains(words.besideFirmness(findings.answer())), page);
    findings.missing(catalogue.today(), 180).stream()
        .limit(3)
        .map(words::of)
        .forEach(missing -> assertTrue(page.contains(missing), missing));
    String line = text(get("ilse", "/selections?find=berths"));
    assertTrue(line.contains(words.inShort(findings.answer())), line);
  }

  @Test
  public void aSelectionOpensWithItsOverview() throws Exception {
    MockHttpServletResponse answer =
        mvc.perform(
                MockMvcRequestBuilders.get("/selections/" + id)
                    .with(user(people.loadUserByUsername("pia"))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getRedirectedUrl(), "/selections/" + id + "/overview");
  }

  /** Every figure of the overview and of the lines leads to a working. */
  @Test
  public void everyFigureCanBeAskedWhy() throws Exception {
    for (String path : List.of("/selections/" + id + "/overview", "/selections?find=berths")) {
      String page = get("pia", path);
      var asked =
          java.util.regex.Pattern.compile("data-why=\"(/selections/[0-9]+/why[^\"]*)\"")
              .matcher(page);
      int figures = 0;
      while (asked.find()) {
        assertTrue(
            get("pia", asked.group(1).replace("&amp;", "&")).contains("class=\"working\""),
            asked.group(1));
        figures++;
      }
      assertTrue(figures > 1, path + ": " + figures);
    }
  }

  @Test
  public void wordsToolsAndPeopleAreFound() throws Exception {
    for (String words : List.of("berths", "BERTHS slots", "slotmeer berths", "odile berths")) {
      assertTrue(get("pia", "/selections?find=" + words).contains("slots &amp; berths"), words);
    }
    assertFalse(get("pia", "/selections?find=berths nowhere").contains("slots &amp; berths"));
  }

  @Test
  public void whatIsPutAwayComesBack() throws Exception {
    long other = titled("Out of sight?");
    put("joren", other, "archived", 403);
    put("ilse", other, "archived", 302);
    put("ilse", other, "archived", 302);
    assertFalse(get("ilse", "/selections").contains("Out of sight?"));
    assertTrue(get("joren", "/selections?show=archived").contains("Out of sight?"));
    get("joren", "/selections/" + other + "/overview");
    put("ilse", other, "deleted", 302);
    as("ilse", MockMvcRequestBuilders.get("/selections/" + other + "/overview"), 404);
    as("ilse", MockMvcRequestBuilders.get("/selections/" + other + "/file"), 404);
    assertFalse(get("joren", "/selections?show=deleted").contains("Out of sight?"));
    assertTrue(get("ilse", "/selections?show=deleted").contains("Out of sight?"));
    put("ilse", other, "deleted", 302);
    put("ilse", other, "", 302);
    put("ilse", other, "", 302);
    assertTrue(get("ilse", "/selections").contains("Out of sight?"));
    assertTrue(get("ilse", "/selections/" + other + "/changes").contains("Restored"));
  }

  /** The sample goes as it came: its selection deleted, tools nobody else needs archived. */
  @Test
  public void theSampleIsOneClickAwayAndOneClickGone() throws Exception {
    List<String> before = tools();
    as("joren", MockMvcRequestBuilders.post("/selections/sample"), 403);
    as("ilse", MockMvcRequestBuilders.post("/selections/sample"), 302);
    LoadedSelection sample =
        selections.all(PutAway.Shown.AT_HAND).stream()
            .filter(table -> table.putAway().sample())
            .findFirst()
            .orElseThrow();
    assertTrue(get("ilse", "/selections").contains("a sample"));
    put("ilse", sample.id(), "deleted", 302);
    put("ilse", sample.id(), "deleted", 302);
    assertFalse(get("ilse", "/selections").contains("a sample"));
    assertEquals(tools(), before);
  }

  private List<String> tools() {
    return catalogue.all().stream().map(tool -> tool.sheet().id()).toList();
  }

  @Test
  public void whatWaitsForSomebodyIsSaidToThem() throws Exception {
    String joren = text(get("joren", "/selections"));
    assertTrue(joren.contains("set weights: Which booking tool for the freight desk?"), joren);
    assertFalse(text(get("pia", "/selections")).contains("Asked of you"));
  }

  @Test
  public void aViewThatIsNotKnownIsRefused() throws Exception {
    as("ilse", MockMvcRequestBuilders.get("/selections?show=everything"), 400);
    as(
        "ilse",
        MockMvcRequestBuilders.post("/selections/" + id + "/put-away").param("how", "x"),
        400);
  }
}
