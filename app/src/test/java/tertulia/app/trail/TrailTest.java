package tertulia.app.trail;

import static java.util.Objects.requireNonNull;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.testng.annotations.Test;
import tertulia.app.ServedTest;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

public class TrailTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private JdbcTemplate store;
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;

  private MockHttpServletResponse answer(MockHttpServletRequestBuilder request, String who)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private void sent(MockHttpServletRequestBuilder request, String who) throws Exception {
    int status = answer(request, who).getStatus();
    assertTrue(status < 400, "" + status);
  }

  private List<String> lines(long id, String who) throws Exception {
    String page = answer(get("/selections/" + id + "/changes"), who).getContentAsString();
    List<String> newestFirst = new ArrayList<>();
    for (Element row : Jsoup.parse(page).select("tbody tr")) {
      List<String> entry =
          row.select("td").get(1).select("div").stream()
              .map(line -> row.select("td").first().text() + ": " + line.text())
              .toList();
      newestFirst.addAll(entry.reversed());
    }
    return newestFirst;
  }

  private String pia() {
    return account("pia");
  }

  private String joren() {
    return account("joren");
  }

  private String account(String who) {
    return ""
        + people.all().stream()
            .filter(entry -> entry.signInName().equals(who))
            .findFirst()
            .orElseThrow()
            .id();
  }

  private long begun() throws Exception {
    String at =
        answer(
                post("/selections/new")
                    .param("title", "Which boards for the workshop?")
                    .param("currency", "EUR")
                    .param("people", "12")
                    .param("growth", "0"),
                "ilse")
            .getRedirectedUrl();
    return Long.parseLong(String.valueOf(at).replaceAll("\\D*(\\d+).*", "$1"));
  }

  private void ask(long id, String title) {
    ObjectNode brief = new JsonMapper().valueToTree(selections.load(id).file().brief());
    brief.put("title", title);
    selections.changeBrief(
        id, selections.load(id).version(), new JsonMapper().treeToValue(brief, Brief.class));
  }

  @Test
  public void everyActIsToldWithWhoDidItNewestFirst() throws Exception {
    long id = begun();
    sent(post("/selections/" + id + "/contenders").param("slug", "slotmeer"), "ilse");
    sent(
        post("/selections/" + id + "/contenders/slotmeer/aside").param("reason", "Too large"),
        "ilse");
    sent(post("/selections/" + id + "/contenders/slotmeer/back"), "ilse");
    String criterion = selections.load(id).file().brief().criteria().getFirst().id();
    String name = selections.load(id).file().brief().criteria().getFirst().name();
    sent(
        post("/selections/" + id + "/weights").param("criterion", criterion).param("points", "3"),
        "joren");
    sent(
        post("/selections/" + id + "/weights").param("criterion", criterion).param("points", "7"),
        "joren");
    Brief.CriterionPart judged =
        selections.load(id).file().brief().criteria().stream()
            .filter(part -> part.kind().equals("judged"))
            .findFirst()
            .orElseThrow();
    for (String mark : List.of("7", "x", "")) {
      sent(
          post("/selections/" + id + "/marks")
              .param("criterion", judged.id())
              .param("contender", "slotmeer")
              .param("mark", mark),
          "joren");
    }
    for (String open : List.of("false", "true")) {
      sent(
          post("/selections/" + id + "/people")
              .param("version", "" + selections.load(id).version())
              .param("open", open)
              .param("named", open.equals("false") ? pia() : ""),
          "ilse");
    }
    String mark = "Joren Talvik: Mark for " + judged.name() + ", Slotmeer, Joren Talvik: ";
    assertFalse(
        lines(id, "pia").stream().anyMatch(line -> line.contains("Mark for")),
        "what is not handed in is not told");
    sent(post("/selections/" + id + "/open-table"), "ilse");
    assertEquals(
        lines(id, "pia"),
        List.of(
            "Ilse Maren: Views opened: everybody sees every view",
            "Ilse Maren: Pia Sandvoll: no longer named",
            "Ilse Maren: Opened to all",
            "Ilse Maren: Pia Sandvoll: named",
            "Ilse Maren: Kept to the people named",
            mark + "cannot judge → taken back",
            mark + "7 → cannot judge",
            mark + "7",
            "Joren Talvik: Weight of " + name + ", Joren Talvik: 3 → 7",
            "Joren Talvik: Weight of " + name + ", Joren Talvik: 3",
            "Joren Talvik: Joren Talvik: on the panel",
            "Ilse Maren: Slotmeer: brought back",
            "Ilse Maren: Slotmeer: set aside: Too large",
            "Ilse Maren: Slotmeer: added as a contender",
            "Ilse Maren: Ilse Maren: on the panel",
            "Ilse Maren: Begun: “Which boards for the workshop?”"));
  }

  @Test
  public void whatWasAskedAndSaidIsToldAndOfJudgingOnceViewsAreIn() throws Exception {
    long id = begun();
    sent(post("/selections/" + id + "/contenders").param("slug", "slotmeer"), "ilse");
    String judged =
        selections.load(id).file().brief().criteria().stream()
            .filter(part -> part.kind().equals("judged"))
            .findFirst()
            .orElseThrow()
            .id();
    say(id, "ilse", "step/need", "", "Who\n pays?" + " And who decides".repeat(6));
    String remark = selections.load(id).remarks().getFirst().id();
    say(id, "joren", "", remark, "The office.");
    for (String open : List.of("false", "true")) {
      sent(
          post("/selections/" + id + "/remarks/" + remark + "/close").param("open", open), "odile");
    }
    sent(
        post("/selections/" + id + "/marks")
            .param("criterion", judged)
            .param("contender", "slotmeer")
            .param("mark", "7"),
        "joren");
    say(id, "joren", "mark/" + judged + "/slotmeer", "", "A seven, for the queue.");
    String question = "Question on Need: “Who pays? And who decides";
    // that he took a seat is no secret, what he said of a mark is
    List<String> ilse = lines(id, "ilse");
    assertEquals(ilse.getFirst(), "Joren Talvik: Joren Talvik: on the panel");
    ilse = ilse.subList(1, ilse.size());
    assertTrue(
        ilse.get(0).startsWith("Odile Brannock: Opened again on Need: “Who pays?"), "" + ilse);
    assertTrue(ilse.get(1).startsWith("Odile Brannock: Closed on Need: “Who pays?"), "" + ilse);
    assertEquals(ilse.get(2), "Joren Talvik: Answer on Need: “The office.”");
    assertTrue(ilse.get(3).startsWith("Ilse Maren: " + question) && ilse.get(3).endsWith("…”"));
    assertTrue(lines(id, "joren").getFirst().contains("A seven, for the queue."));
    sent(post("/selections/" + id + "/open-table"), "ilse");
    assertTrue(lines(id, "ilse").get(1).contains("A seven, for the queue."));
  }

  @Test
  public void whatWasDoneIsToldAndNothingElse() throws Exception {
    long id = begun();
    String at = "/selections/" + id;
    sent(post(at + "/contenders").param("slug", "slotmeer"), "ilse");
    String plan = catalogue.get("slotmeer").sheet().plans().getFirst().id();
    String name = catalogue.get("slotmeer").sheet().plans().getFirst().name();
    sent(
        post(at + "/contenders/slotmeer/aside").param("plan", plan).param("reason", "Sold no more"),
        "ilse");
    sent(post(at + "/contenders/slotmeer/back").param("plan", plan), "ilse");
    sent(post(at + "/table").param("account", joren()), "ilse");
    long seat =
        requireNonNull(
            store.queryForObject(
                "select max(id) from panel_member where selection_id = ?", Long.class, id));
    sent(
        post(at + "/shares").param("share-" + seat, "1").param("knows-" + seat, "Harbour dues"),
        "ilse");
    sent(post(at + "/table/leave").param("member", "" + seat), "ilse");
    assertEquals(
        lines(id, "ilse").subList(0, 6),
        List.of(
            "Ilse Maren: Joren Talvik: no longer on the panel",
            "Ilse Maren: What Joren Talvik knows about: Harbour dues",
            "Ilse Maren: Joren Talvik: on the panel",
            "Ilse Maren: Slotmeer, plan " + name + ": brought back",
            "Ilse Maren: Slotmeer, plan " + name + ": set aside: Sold no more",
            "Ilse Maren: Slotmeer: added as a contender"));
    assertEquals(
        store.queryForObject(
            "select max(cast(done_at at time zone 'UTC' as date)) from act", LocalDate.class),
        LocalDate.of(2026, 11, 24),
        "by the clock that everything else goes by");
  }

  private void say(long id, String who, String about, String answers, String text)
      throws Exception {
    sent(
        post("/selections/" + id + "/remarks")
            .param("about", about)
            .param("answers", answers)
            .param("kind", "question")
            .param("text", text)
            .param("once", "" + UUID.randomUUID()),
        who);
  }

  @Test
  public void theQuestionCanBePutBackAsItWasAndThatIsTold() throws Exception {
    long id = begun();
    ask(id, "Which board?");
    ask(id, "Which one?");
    String page = answer(get("/selections/" + id + "/changes"), "ilse").getContentAsString();
    List<Element> undo = Jsoup.parse(page).select("tbody form");
    assertEquals(undo.size(), 2, page);
    String newest = undo.getLast().attr("action");
    String version = undo.getLast().select("[name=version]").attr("value");
    assertEquals(answer(post(newest).param("version", "0"), "ilse").getStatus(), 409);
    assertEquals(answer(post(newest).param("version", version), "joren").getStatus(), 403);
    sent(post(newest).param("version", version), "ilse");
    assertEquals(selections.title(id), "Which board?");
    assertEquals(
        lines(id, "ilse").getFirst(), "Ilse Maren: The question: Which one? → Which board?");
    long other = begun();
    String elsewhere = newest.replace("/selections/" + id + "/", "/selections/" + other + "/");
    assertEquals(
        answer(post(elsewhere).param("version", "" + selections.load(other).version()), "ilse")
            .getStatus(),
        404);
  }

  @Test
  public void aLongActIsShortUntilOneAsks() throws Exception {
    long id = begun();
    for (String slug :
        List.of("slotmeer", "pierbook", "quaymate", "halvard-desk", "tollen-suite")) {
      sent(post("/selections/" + id + "/contenders").param("slug", slug), "ilse");
    }
    String page = answer(get("/selections/" + id + "/changes"), "pia").getContentAsString();
    assertTrue(Jsoup.parse(page).select("details summary").text().contains(" more"), page);
    assertEquals(Jsoup.parse(page).select("tbody form").size(), 0, "readers undo nothing");
  }
}
