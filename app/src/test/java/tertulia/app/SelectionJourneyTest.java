package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import jakarta.persistence.EntityManagerFactory;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What happens to stored selections when people send forms and files. */
public class SelectionJourneyTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private EntityManagerFactory factory;

  private MockHttpServletResponse send(
      String name, AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
    request.with(csrf());
    request.with(user(people.loadUserByUsername(name)));
    return mvc.perform(request).andReturn().getResponse();
  }

  private MockHttpServletResponse get(String name, String path) throws Exception {
    return send(name, MockMvcRequestBuilders.get(path));
  }

  private MockHttpServletResponse post(String name, String path, String... fields)
      throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    for (int i = 0; i + 1 < fields.length; i += 2) {
      request.param(fields[i], fields[i + 1]);
    }
    return send(name, request);
  }

  private MockHttpServletResponse upload(String text) throws Exception {
    MockMultipartFile file =
        new MockMultipartFile(
            "file", "selection.json", "application/json", text.getBytes(StandardCharsets.UTF_8));
    return send("ilse", MockMvcRequestBuilders.multipart("/selections/import").file(file));
  }

  private long taken(String text) throws Exception {
    MockHttpServletResponse answer = upload(text);
    assertEquals(answer.getStatus(), 302, answer.getContentAsString());
    return Long.parseLong(String.valueOf(answer.getRedirectedUrl()).split("/")[2]);
  }

  @Test
  public void aFileTakenOutAndInGivesTheSameResults() throws Exception {
    long id = taken(Demo.text());
    String out = get("pia", "/selections/" + id + "/file").getContentAsString();
    var read = (PortableFile.Read.Accepted) PortableFile.read(out.getBytes(StandardCharsets.UTF_8));
    assertEquals(Results.of(read.selection()), Results.of(Demo.selection()));
    assertEquals(Results.of(selections.load(id).selection()), Results.of(Demo.selection()));
  }

  /** The desk takes payments, of which the first tool keeps a share. */
  private static String withPayments() {
    ObjectNode file = (ObjectNode) new JsonMapper().readTree(Demo.text());
    ((ArrayNode) file.at("/brief/demand"))
        .addObject()
        .put("measure", "card-payments")
        .put("fixed", "310")
        .putObject("perHead");
    ((ObjectNode) file.at("/brief")).put("averagePayment", "83.50");
    for (JsonNode list : file.at("/contenders/0/tool/plans").findValues("charges")) {
      ((ArrayNode) list)
          .addObject()
          .put("kind", "payment-fee")
          .put("name", "Payments")
          .put("measure", "card-payments")
          .put("percent", "2.65")
          .put("fixed", "0.18");
    }
    return file.toString();
  }

  @Test
  public void costIsReadByHowMuchAPaymentIs() throws Exception {
    String at = "/selections/" + taken(withPayments()) + "/cost?what=average-payment";
    String now = get("pia", at).getContentAsString();
    assertTrue(now.contains("Monthly cost by average payment, EUR"));
    assertTrue(now.contains("<p>By average payment in EUR: "), "who is cheapest for how much");
    assertTrue(now.contains("data-field=\"payment\""), "a point of it is read by choosing it");
    String less = get("pia", at + "&payment=10").getContentAsString();
    assertTrue(less.contains("people, with payments of EUR 10 on average"));
    assertNotEquals(head(less), head(now));
    String refused = get("pia", at + "&payment=-1").getContentAsString();
    assertTrue(refused.contains("An average payment lies between 0 and 1,000,000; found -1."));
    assertEquals(head(refused), head(now), "what makes no sense is not read");
    assertFalse(get("pia", "/selections/1/cost").getContentAsString().contains("average payment"));
  }

  /** The contenders' costs at the head of the table. */
  private static String head(String page) {
    String from = page.substring(page.indexOf("<table class=\"bench"));
    return from.substring(0, from.indexOf("</thead>")).replaceAll("<[^>]*>", " ");
  }

  @Test
  public void aRefusedFileLeavesNothingBehind() throws Exception {
    int before = selections.titles().size();
    MockHttpServletResponse answer = upload(Demo.text().replace("\"upTo\": 90", "\"upTo\": 30"));
    assertEquals(answer.getStatus(), 422);
    assertTrue(answer.getContentAsString().contains("Reorder the bands."));
    assertEquals(selections.titles().size(), before);
    assertEquals(upload("not json <script>").getStatus(), 422);
  }

  @Test
  public void whatWasTypedIsStillThereWhenAFormIsRefused() throws Exception {
    long id = taken(Demo.text());
    MockHttpServletResponse answer =
        post(
            "ilse",
            "/selections/" + id + "/need",
            "version",
            "0",
            "title",
            "A <b>new</b> title",
            "purpose",
            "",
            "months",
            "-3",
            "start",
            "2027-01",
            "currency",
            "EUR",
            "asOf",
            "2026-11-24",
            "rise",
            "3",
            "groups[0].name",
            "Staff",
            "groups[0].method",
            "percent",
            "groups[0].start",
            "10",
            "groups[0].figure",
            "0");
    String page = answer.getContentAsString();
    assertEquals(answer.getStatus(), 422);
    assertTrue(page.contains("A plan covers 1 to 120 months; found -3."));
    assertTrue(page.contains("id=\"fault-months\""), "said at the field");
    assertTrue(page.contains("value=\"A &lt;b&gt;new&lt;/b&gt; title\""));
    assertFalse(page.contains("<b>new</b>"));
    assertEquals(selections.load(id).selection().title(), Demo.selection().title());
    assertEquals(selections.load(id).selection().horizon(), Demo.selection().horizon());
  }

  @Test
  public void twoPeopleEditingAreTold() throws Exception {
    long id = taken(Demo.text());
    String[] form = {
      "version",
      "0",
      "title",
      "First",
      "purpose",
      "",
      "months",
      "12",
      "start",
      "2027-01",
      "currency",
      "EUR",
      "asOf",
      "2026-11-24",
      "rise",
      "0",
      "groups[0].name",
      "Staff",
      "groups[0].method",
      "percent",
      "groups[0].start",
      "10",
      "groups[0].figure",
      "0"
    };
    assertEquals(post("ilse", "/selections/" + id + "/need", form).getStatus(), 302);
    form[3] = "Second";
    MockHttpServletResponse late = post("ilse", "/selections/" + id + "/need", form);
    assertEquals(late.getStatus(), 422);
    assertTrue(late.getContentAsString().contains("Somebody else changed this selection"));
    assertTrue(late.getContentAsString().contains("value=\"Second\""));
    assertEquals(selections.load(id).selection().title(), "First");
  }

  @Test
  public void aContenderTakenOffTheTableComesBackWithItsMarks() throws Exception {
    long id = taken(Demo.text());
    String slug = selections.load(id).selection().contenders().getFirst().id();
    Results before = Results.of(selections.load(id).selection());
    String at = "/selections/" + id + "/contenders";
    assertEquals(post("ilse", at + "/" + slug + "/remove").getStatus(), 302);
    assertEquals(selections.load(id).selection().contenders().size(), 5);
    assertEquals(post("ilse", at, "slug", slug).getStatus(), 302);
    Results after = Results.of(selections.load(id).selection());
    assertEquals(after.weights(), before.weights());
    assertEquals(after.contenders().getLast().total(), before.contenders().getFirst().total());
    assertEquals(post("ilse", at + "/" + slug + "/aside", "reason", " ").getStatus(), 302);
    assertTrue(selections.load(id).selection().contender(slug).setAside().isEmpty());
    post("ilse", at + "/" + slug + "/aside", "reason", "too dear");
    assertEquals(
        selections.load(id).selection().contender(slug).setAside().orElseThrow(), "too dear");
    post("ilse", at + "/" + slug + "/back");
    assertTrue(selections.load(id).selection().contender(slug).setAside().isEmpty());
  }

  @Test
  public void aDecisionIsSignedByASecondPersonAndFrozen() throws Exception {
    long id = taken(Demo.text());
    String at = "/selections/" + id + "/decision";
    String choice = selections.load(id).selection().contenders().get(1).id();
    MockHttpServletResponse empty = post("ilse", at, "choice", choice, "reasons", "It serves.");
    assertEquals(empty.getStatus(), 422);
    assertTrue(empty.getContentAsString().contains("It serves."));
    post(
        "ilse",
        at + "/propose",
        "remarksOpen",
        WHATEVER_IS_OPEN,
        "choice",
        choice,
        "reasons",
        "It *serves*.",
        "despite",
        "We know that.",
        "givenUp",
        "Ease");
    String version = proposal(get("joren", at).getContentAsString());
    assertEquals(sign("ilse", at, version, "brackwater"), 422);
    assertEquals(sign("joren", at, version, "another"), 422, "a signature takes the password");
    assertEquals(
        post("joren", at + "/object", "proposal", version, "reason", " ").getStatus(), 422);
    assertEquals(sign("joren", at, "999", "brackwater"), 409);
    assertEquals(sign("joren", at, version, "brackwater"), 302);
    String snapshot = get("pia", "/selections/" + id + "/snapshot").getContentAsString();
    byte[] digest =
        MessageDigest.getInstance("SHA-256").digest(snapshot.getBytes(StandardCharsets.UTF_8));
    String page = get("pia", at).getContentAsString();
    assertTrue(page.contains(HexFormat.of().formatHex(digest)));
    assertTrue(page.contains("Unchanged since"));
    String markdown = get("pia", at + ".md").getContentAsString();
    assertTrue(markdown.contains("Chosen: **Halvard Desk**"), markdown);
    assertTrue(markdown.contains("It \\*serves\\*."), markdown);
    assertEquals(
        post(
                "joren",
                "/selections/" + id + "/marks",
                "criterion",
                "ease",
                "contender",
                choice,
                "mark",
                "3")
            .getStatus(),
        409);
    assertEquals(
        post(
                "ilse",
                at,
                "choice",
                choice,
                "reasons",
                "r",
                "despite",
                "We know that.",
                "givenUp",
                "g")
            .getStatus(),
        409);
    assertEquals(get("pia", "/selections/" + id + "/snapshot").getContentAsString(), snapshot);
  }

  private static String proposal(String page) {
    return Jsoup.parse(page).select("[name=proposal]").first().val();
  }

  private static String version(String page) {
    return Jsoup.parse(page).select("[name=version]").first().val();
  }

  @Test
  public void anObjectionLeadsBackToTheTable() throws Exception {
    long id = taken(Demo.text());
    String at = "/selections/" + id + "/decision";
    String choice = selections.load(id).selection().contenders().get(1).id();
    post(
        "ilse",
        at + "/propose",
        "remarksOpen",
        WHATEVER_IS_OPEN,
        "choice",
        choice,
        "reasons",
        "r",
        "despite",
        "We know that.",
        "givenUp",
        "g");
    String version = proposal(get("joren", at).getContentAsString());
    post("joren", at + "/object", "proposal", version, "reason", "The trial is not over.");
    assertTrue(get("pia", at).getContentAsString().contains("The trial is not over."));
    assertEquals(
        post(
                "ilse",
                at + "/propose",
                "remarksOpen",
                WHATEVER_IS_OPEN,
                "choice",
                choice,
                "reasons",
                "r2",
                "despite",
                "We know that.",
                "givenUp",
                "g2",
                "version",
                version(get("ilse", at).getContentAsString()))
            .getStatus(),
        302);
    assertTrue(get("pia", at).getContentAsString().contains("It waits for a second person."));
  }

  private int sign(String who, String at, String version, String password) throws Exception {
    return post(who, at + "/sign", "proposal", version, "password", password).getStatus();
  }

  @Test
  public void noPageGrowsItsQueriesWithItsRows() throws Exception {
    long id = taken(Demo.text());
    long few = queries("/selections/" + id + "/cost");
    for (int i = 0; i < 3; i++) {
      taken(Demo.text().replace("\"name\": \"Slotmeer\"", "\"name\": \"Slot " + i + "\""));
    }
    assertEquals(queries("/selections/" + id + "/cost"), few);
    // a first visit writes down that it was one
    queries("/selections");
    long list = queries("/selections");
    taken(Demo.text());
    assertEquals(queries("/selections"), list);
    assertTrue(few <= 20, few + " queries");
  }

  private long queries(String path) throws Exception {
    Statistics statistics = factory.unwrap(SessionFactory.class).getStatistics();
    var pia = user(people.loadUserByUsername("pia"));
    statistics.clear();
    assertEquals(
        mvc.perform(MockMvcRequestBuilders.get(path).with(pia))
            .andReturn()
            .getResponse()
            .getStatus(),
        200);
    return statistics.getPrepareStatementCount();
  }

  @Test
  public void whatIsNotThereAndWhatMakesNoSenseIsAnsweredInASentence() throws Exception {
    for (String path :
        new String[] {
          "/selections/987654/cost", "/catalogue/nothing-like-it",
          "/selections/1/why?figure=steady&contender=nobody", "/selections/1/why?figure=magic",
          "/selections/1/why?figure=month&contender=slotmeer&of=900", "/selections/1/snapshot"
        }) {
      MockHttpServletResponse answer = get("pia", path);
      assertEquals(answer.getStatus(), 404, path);
      assertTrue(answer.getContentAsString().contains("There is no"), path);
      assertFalse(answer.getContentAsString().contains("Exception"), path);
    }
    assertEquals(get("pia", "/selections/abc/cost").getStatus(), 400);
    assertEquals(get("pia", "/selections/1/cost?people=minus").getStatus(), 200);
  }
}
