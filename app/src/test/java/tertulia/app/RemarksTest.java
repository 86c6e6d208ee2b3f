package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.remark.Remark;

/**
 * What people ask and say at a table: kept once, answered, closed, taken along, and asked about.
 */
@FreshStore
public class RemarksTest extends ServedTest {
  private static final String QUESTION = "Does the <b>third</b> price hold in May?";
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Intake intake;

  private MockHttpServletResponse answer(String who, MockHttpServletRequestBuilder request)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private String page(String who, String path) throws Exception {
    return answer(who, MockMvcRequestBuilders.get("/selections/1" + path))
        .getContentAsString(StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse post(String who, String path, String... parameters)
      throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/1" + path).header("HX-Request", "true");
    for (int i = 0; i < parameters.length; i += 2) {
      request.param(parameters[i], parameters[i + 1]);
    }
    return answer(who, request);
  }

  private MockHttpServletResponse say(String who, String about, String text, String once)
      throws Exception {
    return post(who, "/remarks", "about", about, "kind", "question", "text", text, "once", once);
  }

  private static String word() {
    return "" + UUID.randomUUID();
  }

  /** The question that is asked here. */
  private Remark mine() {
    return all().stream().filter(r -> r.said().text().equals(QUESTION)).findFirst().orElseThrow();
  }

  private List<Remark> all() {
    return selections.load(1).remarks();
  }

  @Test
  public void whatIsSentTwiceIsKeptOnce() throws Exception {
    int before = all().size();
    String once = word();
    String first = say("odile", "figure/steady/slotmeer/", QUESTION, once).getContentAsString();
    say("odile", "figure/steady/slotmeer/", QUESTION, once);
    assertEquals(all().size(), before + 1);
    assertTrue(first.contains("Does the &lt;b&gt;third&lt;/b&gt; price"), first);
    String cost = page("ilse", "/cost");
    assertTrue(cost.contains("2 remarks"), "the step says so");
    assertTrue(cost.contains("Slotmeer · Cost a month"), "and what it is about");
    assertTrue(
        page("ilse", "/why?figure=steady&contender=slotmeer").contains("price hold in May?"),
        "it stands beside the figure");
    assertFalse(page("ilse", "/why?figure=steady&contender=pierbook").contains("hold in May?"));
    assertTrue(page("pia", "/overview").contains("Cost: "), "and on the overview, by its step");
  }

  @Test(dependsOnMethods = "whatIsSentTwiceIsKeptOnce")
  public void itIsAnsweredClosedAndOpenedAgain() throws Exception {
    String id = mine().id();
    String once = word();
    for (int i = 0; i < 2; i++) {
      post(
          "ilse",
          "/remarks",
          "answers",
          id,
          "about",
          "step/cost",
          "kind",
          "remark",
          "text",
          "It does, until June.",
          "once",
          once,
          "page",
          "cost");
    }
    assertEquals(mine().answers().size(), 1);
    assertEquals(mine().answers().getFirst().by(), "Ilse Maren");
    post("odile", "/remarks/" + id + "/close", "open", "false", "page", "cost");
    post("odile", "/remarks/" + id + "/close", "open", "false", "page", "cost");
    assertFalse(mine().isOpen());
    assertFalse(page("ilse", "/fit").contains("2 remarks"));
    assertTrue(page("ilse", "/cost").contains("Closed by Odile Brannock, 24 Nov 2026"));
    post("odile", "/remarks/" + id + "/close", "open", "true", "page", "cost");
    assertTrue(mine().isOpen());
  }

  @Test(dependsOnMethods = "itIsAnsweredClosedAndOpenedAgain")
  public void whatCannotBeKeptIsSaidAndStaysTyped() throws Exception {
    int before = all().size();
    MockHttpServletResponse empty = say("odile", "step/fit", "  ", word());
    assertEquals(empty.getStatus(), 422);
    assertTrue(empty.getContentAsString().contains("The text is empty. Write what you want"));
    MockHttpServletResponse tooLong = say("odile", "step/fit", "kept " + "x".repeat(2000), word());
    assertTrue(tooLong.getContentAsString().contains("at most 2000 fit. Shorten it."));
    assertTrue(tooLong.getContentAsString().contains("kept xxx"), "what was typed stays");
    for (String about : List.of("need/nothing-like-it", "mark/ease/nobody", "lunch", "")) {
      assertEquals(say("odile", about, "What?", word()).getStatus(), 404, about);
    }
    assertEquals(say("odile", "step/fit", "What?", "mine").getStatus(), 404);
    assertEquals(say("pia", "step/fit", "What?", word()).getStatus(), 403, "readers read");
    assertEquals(post("odile", "/remarks/99999/close", "open", "false").getStatus(), 404);
    assertEquals(all().size(), before);
  }

  /** Joren has not handed in: what he says of marks and weights he says to himself so far. */
  @Test(dependsOnMethods = "whatCannotBeKeptIsSaidAndStaysTyped")
  public void whatTellsAViewWaitsForOwnViews() throws Exception {
    post("joren", "/weights", "criterion", "ease", "points", "50");
    say("joren", "mark/ease/slotmeer", "I would give it a three.", word());
    say("ilse", "mark/ease/pierbook", "A seven, for the queue.", word());
    say("joren", "criterion/ease", "Whose first day?", word());
    say("ilse", "step/need", "Who pays?", word());
    for (String where :
        List.of("/marks", "/overview", "/file", "/decision.md", "/live/marks?since=1")) {
      assertFalse(page("ilse", where).contains("give it a three"), where);
      assertFalse(page("joren", where).contains("for the queue"), where);
    }
    assertFalse(
        page("ilse", "/why?figure=value&contender=slotmeer&criterion=ease").contains("a three"));
    assertTrue(page("joren", "/marks").contains("give it a three"), "his own he reads");
    String waits = "Others read it once you have handed in your view";
    assertTrue(page("joren", "/marks").contains(waits), "and is told who reads it when");
    assertFalse(page("joren", "/cost").contains(waits), "of a cost everybody reads it at once");
    assertFalse(page("odile", "/marks").contains(waits));
    assertTrue(page("odile", "/marks").contains("for the queue"), "both have handed in");
    String own = "One remark on how something is judged waits until you have handed in your view.";
    assertTrue(page("joren", "/marks").contains(own), "he is told that there is one");
    assertFalse(page("joren", "/cost").contains(own));
    assertFalse(page("odile", "/cost").contains("waits until you"));
    assertTrue(page("ilse", "/weights").contains("Whose first day?"), "what it means is no view");
    assertTrue(page("joren", "/need").contains("Who pays?"));
    String hidden =
        all().stream()
            .filter(r -> r.said().text().contains("three"))
            .findFirst()
            .orElseThrow()
            .id();
    assertEquals(
        post("ilse", "/remarks/" + hidden + "/close", "open", "false").getStatus(),
        404,
        "nor can it be answered or closed by somebody who cannot read it");
    post("joren", "/hand-in");
    assertTrue(page("ilse", "/marks").contains("give it a three"));
    assertTrue(page("joren", "/marks").contains("for the queue"));
  }

  @Test(dependsOnMethods = "whatTellsAViewWaitsForOwnViews")
  public void theyGoAlongInTheFileAndTheRecord() throws Exception {
    String file = page("ilse", "/file");
    PortableFile.Read read = PortableFile.read(file.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    SelectionFile said = ((PortableFile.Read.Accepted) read).file();
    long again = intake.take(said, "Ilse Maren");
    assertEquals(
        selections.load(again).file().said().toString(), said.said().toString(), "all of it");
    String record = page("ilse", "/decision.md");
    assertTrue(record.contains("- Slotmeer · Cost a month: Odile Brannock, 2026-11-24, asks: "));
    assertTrue(record.contains("  - Ilse Maren, 2026-11-24, answers: It does, until June."));
    String half = file.replaceFirst("\"closedBy\" : \"[^\"]*\",", "");
    assertTrue(
        !half.equals(file)
            && PortableFile.read(half.getBytes(StandardCharsets.UTF_8))
                instanceof PortableFile.Read.Refused torn
            && torn.faults().toString().contains("closedBy and closedAt"));
    String broken = file.replace("step/need", "step/lunch");
    assertTrue(
        !broken.equals(file)
            && PortableFile.read(broken.getBytes(StandardCharsets.UTF_8))
                instanceof PortableFile.Read.Refused refused
            && refused.faults().toString().contains("/remarks/"));
  }

  @Test(dependsOnMethods = "theyGoAlongInTheFileAndTheRecord")
  public void whatIsOpenIsAskedAboutBeforeADecision() throws Exception {
    String[] proposal = {
      "choice",
      "halvard-desk",
      "reasons",
      "Cheapest.",
      "despite",
      "We know that.",
      "givenUp",
      "Ease.",
      "conditions",
      "",
      "lookAgain",
      ""
    };
    String refused = post("ilse", "/decision/propose", proposal).getContentAsString();
    assertTrue(
        refused.contains(
            "6 remarks are open, at Need, Cost, Weights, Marks. Close them, or say that they may"
                + " stay open."),
        refused);
    assertTrue(refused.contains("Cheapest."), "what was typed is still there");
    String[] all = java.util.Arrays.copyOf(proposal, proposal.length + 2);
    // what was ticked is what was read: one that came later is asked about
    String ticked = Jsoup.parse(page("ilse", "/decision")).select("[name=remarksOpen]").val();
    assertEquals(ticked.split(",").length, 6);
    all[proposal.length] = "remarksOpen";
    all[proposal.length + 1] = ticked.substring(0, ticked.lastIndexOf(','));
    assertTrue(
        post("ilse", "/decision/propose", all)
            .getContentAsString()
            .contains("One of them came later. Close them, or say that they may stay open."));
    all[proposal.length] = "remarksOpen";
    all[proposal.length + 1] = WHATEVER_IS_OPEN;
    assertEquals(post("ilse", "/decision/propose", all).getStatus(), 302);
  }

  /** The catalogue here has other tools of the same ids, so those of the file get new ones. */
  @Test(dependsOnMethods = "whatIsOpenIsAskedAboutBeforeADecision")
  public void whatIsSaidOfAToolThatGetsAnotherIdGoesWithIt() {
    for (String about : List.of("contender/slotmeer", "figure/steady/slotmeer/")) {
      say(about);
    }
    String json =
        tertulia.app.exchange.Json.write(selections.load(1).file())
            .replace("\"7.20\"", "\"7.30\"")
            .replace("\"Slotmeer\"", "\"Slotmeer of old\"");
    long id =
        intake.take(tertulia.app.exchange.Json.stored(json, SelectionFile.class), "Ilse Maren");
    List<String> here =
        selections.load(id).selection().contenders().stream().map(c -> c.id()).toList();
    assertFalse(here.contains("slotmeer"), "" + here);
    List<String> named =
        selections.load(id).remarks().stream()
            .map(remark -> remark.about().code())
            .filter(code -> code.contains("slotmeer"))
            .toList();
    assertFalse(named.isEmpty());
    for (String code : named) {
      assertTrue(
          here.stream().anyMatch(tool -> List.of(code.split("/")).contains(tool)), code + here);
    }
  }

  private void say(String about) {
    try {
      assertEquals(say("ilse", about, "And this?", word()).getStatus(), 200);
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }
}
