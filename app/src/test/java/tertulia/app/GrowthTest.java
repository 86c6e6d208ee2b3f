package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.growth.GrowthPlans;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** The growth plan of the organisation, and selections that follow it. */
@FreshStore
public class GrowthTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private GrowthPlans plans;
  @Autowired private Selections selections;
  @Autowired private UserAccounts people;

  private MockHttpServletResponse send(AbstractMockHttpServletRequestBuilder<?> request)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private MockHttpServletResponse post(String path, Map<String, String> fields) throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    fields.forEach(request::param);
    return send(request);
  }

  private String page(String path) throws Exception {
    MockHttpServletResponse answer = send(MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private GrowthPlans.Stored stored() {
    return plans.find().orElseThrow();
  }

  /** The version that stands in a form of the page. */
  private Map<String, String> version(String form) throws Exception {
    Matcher field =
        Pattern.compile(
                "<form id=\"" + form + "\".*?name=\"version\"\\s+value=\"(-?\\d+)\"",
                Pattern.DOTALL)
            .matcher(page("/growth"));
    assertTrue(field.find(), form);
    return Map.of("version", field.group(1));
  }

  private Map<String, String> rebase(String month) throws Exception {
    return Map.of("month", month, "version", "" + stored().version());
  }

  /** As long as a name may be, in both of those who are named together. */
  @Test(dependsOnMethods = "whatTwoPeopleTakeBackIsTakenBackOnce")
  public void whoHasALongNameRebasesToo() throws Exception {
    String name = "Ω’".repeat(60);
    assertEquals(name.length(), 120);
    plans.change(
        stored().version(),
        stored().plan(),
        name + ", on counts of the staff directory and a table that " + name + " read in");
    assertTrue(page("/growth").contains(name));
    assertEquals(post("/growth/undo", Map.of("version", "" + stored().version())).getStatus(), 302);
    assertEquals(post("/growth/undo", Map.of("version", "" + stored().version())).getStatus(), 302);
  }

  /** Two people had the same page open; the second is told, and nothing swings back. */
  @Test(dependsOnMethods = "headcountsGoOutAndInAsATable")
  public void whatTwoPeopleTakeBackIsTakenBackOnce() throws Exception {
    assertEquals(post("/growth", form("2")).getStatus(), 302);
    Map<String, String> seen = version("undo");
    assertEquals(post("/growth/undo", seen).getStatus(), 302);
    String after = page("/growth/export.csv");
    MockHttpServletResponse late = post("/growth/undo", seen);
    assertEquals(late.getStatus(), 409);
    assertTrue(
        late.getContentAsString(StandardCharsets.UTF_8)
            .contains("Somebody changed the growth plan after you opened this page."));
    Map<String, String> stale =
        Map.of("month", "2026-10", "version", seen.getOrDefault("version", ""));
    assertEquals(post("/growth/rebase", stale).getStatus(), 409);
    assertEquals(read("/growth/import", after, seen).getStatus(), 409);
    assertEquals(page("/growth/export.csv"), after);

    Map<String, String> counted = version("undo-counts");
    String counts = "month,Office\r\n2026-10,31\r\n";
    assertEquals(read("/growth/counts", counts, counted).getStatus(), 302);
    assertEquals(read("/growth/counts", counts, counted).getStatus(), 409);
    assertEquals(post("/growth/counts/undo", counted).getStatus(), 409);
    assertTrue(page("/growth").contains("a table that Ilse Maren imported"));
    assertEquals(post("/growth/counts/undo", version("undo-counts")).getStatus(), 302);
  }

  private Brief.GroupPart group(String id) {
    return stored().plan().groups().stream()
        .filter(group -> group.id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  private Map<String, String> form(String figure) {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("version", "" + stored().version());
    fields.put("start", "2026-01");
    fields.put("months", "48");
    fields.put("groups[0].id", "office");
    fields.put("groups[0].name", "Office");
    fields.put("groups[0].method", "hires");
    fields.put("groups[0].start", "20");
    fields.put("groups[0].figure", figure);
    fields.put("groups[0].steps[0].label", "second quay");
    fields.put("groups[0].steps[0].from", "2027-05");
    fields.put("groups[0].steps[0].change", "4");
    fields.put("scenarios[0].id", "expected");
    fields.put("scenarios[0].name", "as expected");
    fields.put("scenarios[0].multiplier", "1");
    return fields;
  }

  private int peopleInJanuary2028() {
    return selections.load(3).selection().groups().stream()
        .filter(group -> group.id().equals("office"))
        .findFirst()
        .orElseThrow()
        .headcount(
            selections.load(3).selection().horizon(), 12, tertulia.core.growth.Scenario.EXPECTED);
  }

  @Test
  public void aSelectionFollowsThePlanUntilItIsUndone() throws Exception {
    int before = peopleInJanuary2028();
    assertEquals(post("/growth", form("1")).getStatus(), 302);
    // 20, 24 months of one more, and the step
    assertEquals(peopleInJanuary2028(), 48);
    assertTrue(page("/growth").contains("second quay +4"));
    assertEquals(post("/growth/undo", version("undo")).getStatus(), 302);
    assertEquals(peopleInJanuary2028(), before);
  }

  @Test(dependsOnMethods = "aSelectionFollowsThePlanUntilItIsUndone")
  public void faultsStandAtTheirFieldsAndNothingIsSaved() throws Exception {
    long version = stored().version();
    Map<String, String> fields = form("a few");
    fields.put("groups[0].steps[0].from", "May");
    fields.put("groups[0].steps[0].onlyIn", "nowhere");
    MockHttpServletResponse answer = post("/growth", fields);
    String page = answer.getContentAsString(StandardCharsets.UTF_8);
    assertEquals(answer.getStatus(), 422);
    assertTrue(page.contains("&quot;a few&quot; is not a number"), page);
    assertTrue(page.contains("&quot;May&quot; is not a month"));
    assertTrue(page.contains("value=\"a few\""), "what was typed is still there");
    fields = form("1");
    fields.put("groups[0].steps[0].onlyIn", "nowhere");
    assertTrue(
        post("/growth", fields)
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("happens only in scenario &quot;nowhere&quot;"));
    assertEquals(stored().version(), version);
  }

  @Test(dependsOnMethods = "aSelectionFollowsThePlanUntilItIsUndone")
  public void somebodyElsesChangeIsNotOverwritten() throws Exception {
    Map<String, String> fields = form("1");
    fields.put("version", "999");
    MockHttpServletResponse answer = post("/growth", fields);
    assertEquals(answer.getStatus(), 422);
    assertTrue(
        answer
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("Somebody else changed the growth plan"));
  }

  @Test(dependsOnMethods = "aSelectionFollowsThePlanUntilItIsUndone")
  public void aPulledPointBecomesTheGroupsFigure() throws Exception {
    long version = stored().version();
    Map<String, String> fields = form("0");
    fields.put("moved", "0");
    fields.put("month", "40");
    fields.put("to", "44");
    String editor = post("/growth/draw", fields).getContentAsString(StandardCharsets.UTF_8);
    // 44 less the step of 4 and the 20 at the start, over 40 months
    assertTrue(editor.contains("name=\"groups[0].figure\" value=\"0.5\""), editor);
    assertTrue(editor.contains("id=\"handle-0-47\""));
    assertEquals(stored().version(), version, "nothing is saved");
  }

  @Test(dependsOnMethods = "aSelectionFollowsThePlanUntilItIsUndone")
  public void whatHappenedRebasesThePlan() throws Exception {
    String page = page("/growth");
    assertTrue(page.contains("simulated staff directory, made up"));
    assertTrue(page.contains("Re-base the plan on October 2026"));
    assertEquals(post("/growth/rebase", rebase("2026-09")).getStatus(), 409);
    assertEquals(post("/growth/rebase", rebase("2026-10")).getStatus(), 302);
    assertEquals(group("office").start(), Integer.valueOf(26));
    assertEquals(group("office").since(), "2026-10");
    assertEquals(group("deck-crews").start(), Integer.valueOf(20));
    assertEquals(group("engineers").values().getFirst(), Integer.valueOf(9));
    post("/growth/undo", version("undo"));
    assertEquals(group("office").start(), Integer.valueOf(23));
  }

  @Test(dependsOnMethods = "whatHappenedRebasesThePlan")
  public void whatWasCountedByHandCountsBeforeTheDirectory() throws Exception {
    String counts = "month,Office,Deck crews\r\n2026-10,31,\r\n2026-08,28,19\r\n";
    assertEquals(read("/growth/counts", counts).getStatus(), 302);
    String page = page("/growth");
    assertTrue(page.contains("and a table that Ilse Maren imported on 24 Nov 2026"), page);
    assertEquals(post("/growth/rebase", rebase("2026-10")).getStatus(), 302);
    assertEquals(group("office").start(), Integer.valueOf(31), "the file's, not the directory's");
    assertEquals(group("deck-crews").start(), Integer.valueOf(20), "an empty cell counts nobody");
    post("/growth/undo", version("undo"));
    // taken back, the directory's stand again; taken back twice, the file's
    assertEquals(post("/growth/counts/undo", version("undo-counts")).getStatus(), 302);
    assertFalse(page("/growth").contains("a table that"));
    post("/growth/counts/undo", version("undo-counts"));
    assertTrue(page("/growth").contains("a table that Ilse Maren imported"));
    post("/growth/counts/undo", version("undo-counts"));
  }

  @Test(dependsOnMethods = "whatWasCountedByHandCountsBeforeTheDirectory")
  public void wrongCountsAreRefusedWholeByLine() throws Exception {
    MockHttpServletResponse answer =
        read(
            "/growth/counts",
            "month,Office,Pilots\r\n2026-10,26,1\r\n2026-10,27,1\r\n2026-11,27,1\r\n2026-09,−3,1\r\n"
                + "2026-08,1\r\n");
    assertEquals(answer.getStatus(), 422);
    String page = answer.getContentAsString(StandardCharsets.UTF_8);
    for (String sentence :
        List.of(
            "The plan has no group",
            "Line 3, month</b> <span>2026-10 stands in line 2 already.",
            "2026-11 is not over yet. What was counted ends with 2026-10.",
            "Line 5, Office",
            "There are 2 cells; the header has 3.")) {
      assertTrue(page.contains(sentence), sentence + " in " + page);
    }
    assertFalse(page("/growth").contains("a table that"), "nothing was read");
    assertEquals(read("/growth/counts", "\u0000").getStatus(), 422);
    StringBuilder tooMany = new StringBuilder("month,Office\r\n");
    for (int i = 0; i <= 600; i++) {
      tooMany.append(java.time.YearMonth.of(1970, 1).plusMonths(i)).append(",1\r\n");
    }
    assertTrue(
        read("/growth/counts", tooMany.toString())
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("There are 601 months; up to 600 are kept."));
  }

  @Test(
      dependsOnMethods = {"wrongCountsAreRefusedWholeByLine", "aPulledPointBecomesTheGroupsFigure"})
  public void headcountsGoOutAndInAsATable() throws Exception {
    String csv = page("/growth/export.csv");
    assertTrue(csv.startsWith("month,Office,Freight desk,Deck crews,Engineers,Contractors"), csv);
    assertTrue(csv.contains("2027-06,"));
    MockHttpServletResponse taken = read(csv);
    assertEquals(taken.getStatus(), 302);
    assertEquals(page("/growth/export.csv"), csv);
    assertEquals(group("deck-crews").method(), "listed");
    post("/growth/undo", version("undo"));
    assertEquals(group("deck-crews").method(), "hires");
  }

  private MockHttpServletResponse read(String csv) throws Exception {
    return read("/growth/import", csv);
  }

  private MockHttpServletResponse read(String path, String csv) throws Exception {
    return read(path, csv, version(path.endsWith("counts") ? "undo-counts" : "undo"));
  }

  private MockHttpServletResponse read(String path, String csv, Map<String, String> fields)
      throws Exception {
    var request =
        MockMvcRequestBuilders.multipart(path)
            .file(
                new MockMultipartFile(
                    "file", "growth.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)));
    fields.forEach(request::param);
    return send(request);
  }

  @Test(dependsOnMethods = "headcountsGoOutAndInAsATable")
  public void aTableWithMistakesIsRefusedWholeByLine() throws Exception {
    long version = stored().version();
    MockHttpServletResponse answer =
        read("month,Office\n2027-01,20\n2027-03,many\n2027-04,-2\n2027-05\n");
    assertEquals(answer.getStatus(), 422);
    String page = answer.getContentAsString(StandardCharsets.UTF_8);
    for (String says :
        List.of(
            "2027-03 does not follow 2027-01",
            "&quot;many&quot; is not a whole number",
            "A headcount lies between 0 and 1,000,000; found -2",
            "There are 1 cells; the header has 2")) {
      assertTrue(page.contains(says), says + " in " + page);
    }
    assertTrue(
        read("when,Office\n2027-01,20\n")
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("Call it &quot;month&quot;"));
    assertEquals(stored().version(), version);
  }

  @Test(dependsOnMethods = "aTableWithMistakesIsRefusedWholeByLine")
  public void aSelectionCanJoinThePlanAndLeaveIt() throws Exception {
    assertEquals(post("/selections/1/follow", Map.of("follow", "true")).getStatus(), 302);
    assertTrue(selections.load(1).file().brief().follows());
    assertEquals(selections.load(1).selection().groups().size(), 5);
    assertTrue(page("/selections/1/need").contains("These people follow the"));
    // the need is saved without its people, which stay those of the plan
    long version = selections.load(1).version();
    Map<String, String> need = new LinkedHashMap<>();
    need.put("version", "" + version);
    need.put("follows", "true");
    need.put("title", "Which tool now?");
    need.put("start", "2027-01");
    need.put("months", "36");
    need.put("currency", "EUR");
    need.put("hour", "38.00");
    need.put("asOf", "2026-11-24");
    need.put("demand[0].measure", "seats");
    need.put("demand[0].rates[0]", "0.5");
    assertEquals(post("/selections/1/need", need).getStatus(), 302);
    assertEquals(selections.load(1).file().brief().title(), "Which tool now?");
    assertEquals(selections.load(1).selection().groups().size(), 5);
    assertTrue(selections.load(1).file().brief().follows());
    post("/selections/1/follow", Map.of("follow", "false"));
    assertFalse(selections.load(1).file().brief().follows());
    assertEquals(selections.load(1).selection().groups().size(), 5);
  }

  @Test(dependsOnMethods = "aSelectionCanJoinThePlanAndLeaveIt")
  public void hoursOfContendersCountInTheFullCost() throws Exception {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("lines[0].contender", "slotmeer");
    fields.put("lines[0].setUp", "10");
    fields.put("lines[1].contender", "pierbook");
    fields.put("lines[1].upkeep", "-3");
    MockHttpServletResponse refused = post("/selections/1/effort", fields);
    assertEquals(refused.getStatus(), 422);
    assertTrue(
        refused
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("Hours and minutes lie between 0 and 100,000; found -3."));
    fields.put("lines[1].upkeep", "");
    assertEquals(post("/selections/1/effort", fields).getStatus(), 302);
    String cost = page("/selections/1/cost?cost=full");
    // ten hours at 38.00, and nothing else
    assertTrue(cost.contains(">380.00<"), cost);
    assertTrue(cost.contains("nobody has said how many hours it takes"));
  }

  @Test
  public void aNewSelectionFollowsThePlanUnlessItSaysOtherwise() throws Exception {
    assertTrue(page("/selections/new").contains("name=\"follow\""));
    MockHttpServletResponse answer =
        post(
            "/selections/new",
            Map.of("title", "Which mail?", "currency", "EUR", "growth", "0", "follow", "true"));
    long id = Long.parseLong(answer.getRedirectedUrl().split("/")[2]);
    Brief brief = selections.load(id).file().brief();
    assertTrue(brief.follows());
    assertEquals(
        brief.demand().getFirst().perHead().keySet(),
        brief.groups().stream()
            .map(Brief.GroupPart::id)
            .collect(java.util.stream.Collectors.toSet()));
    MockHttpServletResponse own =
        post(
            "/selections/new",
            Map.of("title", "Which phones?", "currency", "EUR", "growth", "0", "people", "12"));
    long ownId = Long.parseLong(own.getRedirectedUrl().split("/")[2]);
    assertFalse(selections.load(ownId).file().brief().follows());
    assertEquals(selections.load(ownId).selection().groups().size(), 1);
  }
}
