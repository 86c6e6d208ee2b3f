package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** Needs, the comparison, plan by plan, head to head and narrowing, on a selection of their own. */
public class FitPagesTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Intake intake;
  @Autowired private Selections selections;
  private long id;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void take() {
    id = intake.take(Demo.file(), "Ilse Maren");
  }

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private String page(String path) throws Exception {
    MockHttpServletResponse answer =
        send(MockMvcRequestBuilders.get("/selections/" + id + "/" + path));
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse post(String path, Map<String, String> fields) throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/" + id + "/" + path);
    fields.forEach(request::param);
    return send(request);
  }

  private static String text(String html) {
    return html.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
  }

  /** What contenders have becomes a need where it is seen, once. */
  @Test
  public void whatTheyHaveIsAskedForInPlace() throws Exception {
    SelectionFile file = Demo.file();
    Brief.NeedPart dropped = file.brief().needs().getFirst();
    long other =
        intake.take(
            new SelectionFile(
                file.format(),
                file.version(),
                file.brief().withNeeds(file.brief().needs().subList(1, 3)),
                file.contenders(),
                file.panel(),
                null),
            "Ilse Maren");
    String path = "/selections/" + other;
    String ask = "must:" + dropped.id();
    String before = send(MockMvcRequestBuilders.get(path + "/fit")).getContentAsString();
    assertTrue(before.contains("value=\"" + ask + "\""), before);
    for (int i = 0; i < 2; i++) {
      MockHttpServletResponse asked =
          send(MockMvcRequestBuilders.post(path + "/need/ask?month=3").param("ask", ask));
      assertEquals(asked.getRedirectedUrl(), path + "/fit?month=3");
    }
    List<Brief.NeedPart> needs = selections.load(other).file().brief().needs();
    assertEquals(needs.size(), 3);
    assertEquals(needs.getLast().id(), dropped.id());
    assertEquals(needs.getLast().importance(), "must");
    String after = send(MockMvcRequestBuilders.get(path + "/fit")).getContentAsString();
    assertFalse(after.contains("value=\"" + ask + "\""), "it is asked for");
    for (String wrong : List.of("must:unheard-of", "perhaps:" + dropped.id(), "must", "")) {
      assertEquals(
          send(MockMvcRequestBuilders.post(path + "/need/ask").param("ask", wrong)).getStatus(),
          404,
          wrong);
    }
  }

  /** The names of the comparison's rows, headings left out. */
  private List<String> rows(String query) throws Exception {
    String table = page("fit" + query);
    table = table.substring(table.indexOf("<tbody", table.indexOf("class=\"bench\"")));
    table = table.substring(0, table.indexOf("</tbody>"));
    List<String> rows = new ArrayList<>();
    for (String row : table.split("<tr")) {
      if (row.contains("<td")) {
        String label = row.substring(row.indexOf("<th"), row.indexOf("</th>"));
        rows.add(text(label.replaceAll("<small>.*", "")).strip());
      }
    }
    return rows;
  }

  @DataProvider
  public Object[][] readings() {
    return new Object[][] {
      {
        "",
        List.of(
            "Freight slots by vehicle length",
            "Two-way calendar link",
            "Roles for contractors",
            "Waiting list",
            "Works offline on deck",
            "Text message reminders",
            "Own colours and logo",
            "At least 40 languages",
            "Seats",
            "Linked calendars")
      },
      {"?rows=only-one", List.of("Own colours and logo", "At least 40 languages")},
      {
        "?rows=shared",
        List.of(
            "Freight slots by vehicle length",
            "Two-way calendar link",
            "Roles for contractors",
            "Seats")
      },
      {"?find=LINK", List.of("Two-way calendar link", "Linked calendars")},
      {
        "?sort=name&group=none&find=o",
        List.of(
            "Freight slots by vehicle length",
            "Own colours and logo",
            "Roles for contractors",
            "Two-way calendar link",
            "Works offline on deck")
      },
      {
        "?sort=cost&find=t",
        List.of(
            "Two-way calendar link",
            "Freight slots by vehicle length",
            "Roles for contractors",
            "Waiting list",
            "Text message reminders",
            "At least 40 languages",
            "Seats")
      },
      {"?rows=only-one&find=calendar", List.of()},
      {"?rows=nonsense&sort=%3Cscript%3E&find=logo", List.of("Own colours and logo")},
    };
  }

  @Test(dataProvider = "readings")
  public void theRowsAreThoseOneAskedFor(String query, List<String> expected) throws Exception {
    assertEquals(rows(query), expected);
  }

  @Test
  public void theAddressKeepsWhatWasAskedFor() throws Exception {
    MockHttpServletResponse answer =
        send(
            MockMvcRequestBuilders.get("/selections/" + id + "/fit")
                .header("HX-Request", "true")
                .param("month", "17")
                .param("rows", "differ")
                .param("find", "two words"));
    assertEquals(
        answer.getHeader("HX-Replace-Url"),
        "/selections/" + id + "/fit?month=17&rows=differ&find=two+words");
    assertTrue(text(page("fit?rows=only-one&find=calendar")).contains("No row is like that."));
  }

  @Test
  public void aCellSaysFromWhichPlanOnWithSourceAndAge() throws Exception {
    String fit = text(page("fit"));
    assertTrue(fit.contains("● from Crew up tried by hand, 3 Nov 2026"), fit);
    assertTrue(fit.contains("vendor&#39;s claim, old: 3 Apr 2026 confirm as of today"), fit);
    assertTrue(fit.contains("62 of 120 Dec 2029: 88 of 120; vendor&#39;s claim, 12 Nov 2026"), fit);
    assertTrue(fit.contains("Gangway Ledger set aside: It cannot book by vehicle length"), fit);
    String cheap = fit.substring(fit.indexOf("Gangway Ledger set aside"));
    assertTrue(cheap.contains("no plan fits"), cheap);
    assertTrue(cheap.contains("Freight slots by vehicle length: not in this plan"), cheap);
  }

  @Test
  public void planByPlanSaysWhatTheNextWouldBring() throws Exception {
    String plans = text(page("plans?contender=slotmeer"));
    assertTrue(
        plans.contains("Crew is the lowest plan that meets your needs for 62 people."), plans);
    assertTrue(
        plans.contains(
            "Solo is not enough (Two-way calendar link: not in this plan; Roles for contractors:"
                + " not in this plan; seats: 62 of 10; linked calendars: 10 of 2)."),
        plans);
    // 62 at 13.60 less 62 at 7.20
    assertTrue(
        plans.contains(
            "Fleet adds Waiting list, Works offline on deck and Own colours and logo. It allows more:"
                + " linked calendars without a limit instead of 30 for the account. It costs 396.80"
                + " more a month."),
        plans);
    assertTrue(plans.contains("62 of 10"), plans);
    String why = page("why?figure=planalone&contender=slotmeer&plan=fleet");
    assertTrue(text(why).contains("843.20 EUR"), why);
    String more = text(page("why?figure=planmore&contender=slotmeer&plan=fleet&than=crew"));
    assertTrue(more.contains("396.80 EUR") && more.contains("446.40 EUR"), more);
    assertEquals(
        send(MockMvcRequestBuilders.get(
                "/selections/" + id + "/why?figure=planmore&contender=slotmeer&plan=x&than=y"))
            .getStatus(),
        404);
    assertTrue(text(page("why?figure=room&contender=slotmeer&measure=seats")).contains("58 seats"));
  }

  @Test
  public void headToHeadHasMoneyAtThreeHeadcountsAndNoContenderAgainstItself() throws Exception {
    String versus = text(page("versus?one=slotmeer&other=halvard-desk"));
    assertTrue(versus.contains("A month for 62 people 446.40 341.70 Halvard Desk"), versus);
    assertTrue(versus.contains("cheaper by 104.70"), versus);
    assertTrue(versus.contains("A month for 111 people"), versus);
    assertTrue(
        versus.contains(
            "Slotmeer is cheaper from the first person; Halvard Desk is cheaper from 29 people"),
        versus);
    String same = page("versus?one=pierbook&other=pierbook");
    assertFalse(text(same).contains("Pierbook against Pierbook"));
    assertTrue(text(same).contains("Pierbook against"), same);
  }

  private Map<String, String> needForm() {
    Brief brief = selections.load(id).file().brief();
    Map<String, String> form = new LinkedHashMap<>();
    form.put("version", "" + selections.load(id).version());
    form.put("title", brief.title());
    form.put("asOf", brief.asOf());
    form.put("start", brief.start());
    form.put("months", "" + brief.months());
    form.put("currency", "EUR");
    form.put("rise", "3");
    form.put("groups[0].id", "office");
    form.put("groups[0].name", "Office");
    form.put("groups[0].method", "percent");
    form.put("groups[0].start", "20");
    form.put("groups[0].howMuch", "0");
    form.put("demand[0].measure", "seats");
    form.put("demand[0].rates[0]", "1");
    form.put("needs[0].capability", "Waiting list");
    form.put("needs[0].importance", "must");
    return form;
  }

  @Test
  public void whatACoverLacksIsSaidAtItsFieldAndNothingIsLost() throws Exception {
    Map<String, String> form = needForm();
    form.put("needs[0].outsideMonthly", "12.345");
    form.put("needs[0].why", "the quay <b>fills</b> up");
    MockHttpServletResponse refused = post("need", form);
    assertEquals(refused.getStatus(), 422);
    String page = refused.getContentAsString(StandardCharsets.UTF_8);
    assertTrue(page.contains("Name what covers it, or remove the amount."), page);
    assertTrue(page.contains("value=\"12.345\""), page);
    assertTrue(page.contains("the quay &lt;b&gt;fills&lt;/b&gt; up"), page);
    form.put("needs[0].outsideBy", "a list on paper");
    String decimals = post("need", form).getContentAsString(StandardCharsets.UTF_8);
    assertTrue(
        text(decimals).contains("\"12.345\" has more decimals than EUR has. Round it.")
            || text(decimals)
                .contains("&quot;12.345&quot; has more decimals than EUR has. Round it."),
        text(decimals));
    form.put("needs[0].outsideMonthly", "12");
    form.put("needs[0].importance", "could");
    String could = post("need", form).getContentAsString(StandardCharsets.UTF_8);
    assertTrue(text(could).contains("is welcome, not needed"), text(could));
  }

  @Test
  public void needsOfAnotherSelectionOrAnAreaComeIntoTheFormUnsaved() throws Exception {
    Brief before = selections.load(id).file().brief();
    Map<String, String> form = needForm();
    form.put("title", "Typed and not saved");
    form.put("from", "area:knowledge");
    String taken = post("need/take", form).getContentAsString(StandardCharsets.UTF_8);
    assertTrue(taken.contains("value=\"Pages with history\""), taken);
    assertTrue(taken.contains("value=\"Typed and not saved\""), taken);
    assertTrue(taken.contains("nothing is saved yet"), taken);
    form.put("from", "selection:3");
    String other = post("need/take", form).getContentAsString(StandardCharsets.UTF_8);
    assertTrue(other.contains("the directory the office runs, by hand"), other);
    assertTrue(other.contains("value=\"EU\""), other);
    assertEquals(selections.load(id).file().brief(), before);
    form.put("from", "selection:999999");
    assertEquals(post("need/take", form).getStatus(), 404);
    form.put("from", "elsewhere");
    assertEquals(post("need/take", form).getStatus(), 404);
  }

  @Test
  public void narrowingIsWrittenDownWithNameDayAndReason() throws Exception {
    int before = selections.load(id).file().narrowing().size();
    String at = "contenders/pierbook/";
    post(at + "aside", Map.of("reason", "No answer in <two> weeks"));
    post(at + "back", Map.of());
    post(at + "back", Map.of());
    List<SelectionFile.LogPart> log = selections.load(id).file().narrowing();
    assertEquals(log.size(), before + 2, "bringing back twice is one act");
    SelectionFile.LogPart aside = log.get(before);
    assertEquals(aside.what(), "set-aside");
    assertEquals(aside.who(), "Ilse Maren");
    assertEquals(aside.reason(), "No answer in <two> weeks");
    assertTrue(aside.at().startsWith("2026-11-24T"), aside.at());
    String step = page("contenders");
    assertTrue(step.contains("No answer in &lt;two&gt; weeks"), step);
    assertTrue(text(page("decision")).contains("Pierbook brought back by Ilse Maren"));
    assertTrue(page("decision.md").contains("Pierbook set aside by Ilse Maren"));
    assertNotNull(selections.load(id).file().log());
  }
}
