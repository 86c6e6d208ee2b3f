package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.Demo;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.core.decision.Decision;

/** A decision is looked at again on its day: it still holds, or it is asked again. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:clocked;DB_CLOSE_DELAY=-1")
public class LookedAtAgainTest extends ServedTest {
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Decisions decisions;
  @Autowired private Intake intake;
  @Autowired private MovableClock clock;
  private long id;
  private String at = "";
  private String again = "";

  private String text(String who, String path) throws Exception {
    return ask(who, MockMvcRequestBuilders.get(path))
        .getContentAsString(StandardCharsets.UTF_8)
        .replaceAll("<[^>]*>", " ")
        .replaceAll("\\s+", " ");
  }

  private Decision.Signed signed() {
    return (Decision.Signed) decisions.find(id).orElseThrow().decision();
  }

  @Test
  public void beforeItsDayNobodyIsAsked() throws Exception {
    clock.moveTo("2026-11-24");
    id = intake.take(Demo.file(), "Ilse Maren");
    at = "/selections/" + id + "/decision";
    again = "/selections/" + id + "/look-again";
    String choice = selections.load(id).selection().active().getFirst().id();
    sendForm(
        "ilse",
        at + "/propose",
        "remarksOpen",
        WHATEVER_IS_OPEN,
        "choice",
        choice,
        "reasons",
        "It serves.",
        "despite",
        "We know that.",
        "givenUp",
        "Ease",
        "lookAgain",
        "17.12.2026");
    assertEquals(
        sendForm(
                "ilse",
                at + "/holds",
                "read",
                "0",
                "lookAgain",
                "2027-01-01",
                "password",
                "brackwater")
            .getStatus(),
        409);
    assertEquals(sendForm("ilse", at + "/again", "read", "0").getStatus(), 409);
    String proposal = decisions.find(id).orElseThrow().proposal();
    assertEquals(
        sendForm("joren", at + "/sign", "proposal", proposal, "password", "brackwater").getStatus(),
        302);
    assertFalse(text("joren", "/selections").contains("due since 17 Dec 2026"));
    assertFalse(text("joren", at).contains("Look at this decision again."));
    assertTrue(
        ask("joren", MockMvcRequestBuilders.get(again)).getContentAsString().contains("2027-11-24"),
        "the day in the box lies ahead, as in a year");
  }

  @Test(dependsOnMethods = "beforeItsDayNobodyIsAsked")
  public void onItsDayItIsAskedAndAnsweredOnce() throws Exception {
    clock.moveTo("2026-12-17");
    assertTrue(text("joren", "/selections").contains("review it, due since 17 Dec 2026"));
    assertTrue(
        text("joren", at)
            .contains("Look at this decision again. It has been due since 17 Dec 2026."));
    assertFalse(text("pia", again).contains("It still holds"), "a reader reads");
    assertTrue(text("joren", again).contains("It still holds"), "a member finds where to say so");
    assertFalse(text("joren", again).contains("Ask it again"), "and does not begin selections");
    assertTrue(text("ilse", again).contains("Ask it again"));
    assertEquals(
        sendForm("pia", at + "/holds", "read", "0", "lookAgain", "2027-06-30").getStatus(), 403);
    String note = "Prices as they were. <b>Nobody</b> missed anything.";
    MockHttpServletResponse late =
        sendForm("joren", at + "/holds", "read", "0", "note", note, "lookAgain", "17.12.2026");
    assertEquals(late.getStatus(), 422);
    assertTrue(late.getContentAsString().contains("17.12.2026 is not in the future."));
    assertTrue(late.getContentAsString().contains("Nobody"), "what was typed is still there");
    assertEquals(
        sendForm("joren", at + "/holds", "read", "0", "note", note).getStatus(), 422, "no day");
    MockHttpServletResponse unsigned =
        sendForm("joren", at + "/holds", "read", "0", "note", note, "lookAgain", "30.6.2027");
    assertEquals(unsigned.getStatus(), 422, "it is signed");
    MockHttpServletResponse silent =
        sendForm(
            "joren",
            at + "/holds",
            "read",
            "0",
            "lookAgain",
            "30.6.2027",
            "password",
            "brackwater");
    assertEquals(silent.getStatus(), 422, "another is ahead, so it wants a reason");
    assertTrue(
        silent.getContentAsString(StandardCharsets.UTF_8).contains("Say why it still holds."));
    String[] holds = {
      "read", "0", "note", note, "lookAgain", "30.6.2027", "password", "brackwater"
    };
    assertEquals(sendForm("joren", at + "/holds", holds).getStatus(), 302);
    assertEquals(sendForm("odile", at + "/holds", holds).getStatus(), 409, "Joren was first");
    assertEquals(signed().reviewOn().orElseThrow(), LocalDate.of(2027, 6, 30));
    assertFalse(text("joren", "/selections").contains("due since 17 Dec 2026"));
    String page = text("odile", at);
    assertTrue(
        page.contains(
            "Joren Talvik (joren), 17 Dec 2026: it still holds. Prices as they were. &lt;b&gt;Nobody"),
        page);
    assertTrue(page.contains("We look again on 30 Jun 2027."), page);
    assertTrue(text("odile", "/selections/" + id + "/changes").contains("still holds, look again"));
    assertTrue(text("odile", at + ".md").contains("it still holds; look again on 2027-06-30"));
    assertTrue(decisions.find(id).orElseThrow().isIntact(), "what was signed is untouched");
  }

  @Test(dependsOnMethods = "onItsDayItIsAskedAndAnsweredOnce")
  public void itIsAskedAgainWithWhatWasLearnt() throws Exception {
    clock.moveTo("2027-06-30");
    assertEquals(
        sendForm("joren", at + "/again", "read", "1").getStatus(), 403, "an organiser does");
    String open = "/selections/" + id + "/people";
    String admitted = "" + people.loadUserByUsername("joren").id();
    String version =
        ask("ilse", MockMvcRequestBuilders.get(open))
            .getContentAsString()
            .replaceAll("(?s).*name=\"version\"\\s+value=\"(\\d+)\".*", "$1");
    sendForm("ilse", open, "version", version, "open", "false", "named", admitted);
    assertEquals(
        ask("pia", MockMvcRequestBuilders.get(at)).getStatus(), 404, "Pia is kept out of it");
    int before = selections.titles().size();
    assertEquals(sendForm("ilse", at + "/again", "read", "0").getStatus(), 409, "read again first");
    assertEquals(selections.titles().size(), before, "nothing half done is left");
    MockHttpServletResponse asked = sendForm("ilse", at + "/again", "read", "1");
    assertEquals(asked.getStatus(), 302);
    long next =
        Long.parseLong(
            Objects.requireNonNull(asked.getRedirectedUrl()).replaceAll("\\D*(\\d+).*", "$1"));
    String successor = "/selections/" + next + "/overview";
    assertEquals(ask("pia", MockMvcRequestBuilders.get(successor)).getStatus(), 404, "and of this");
    assertEquals(ask("joren", MockMvcRequestBuilders.get(successor)).getStatus(), 200);
    LoadedSelection old = selections.load(id);
    LoadedSelection again = selections.load(next);
    assertEquals(again.selection().criteria(), old.selection().criteria());
    assertEquals(again.selection().asOf(), LocalDate.of(2027, 6, 30));
    assertFalse(again.decided());
    assertEquals(
        again.file().panel().stream().map(m -> m.marks().size()).toList(),
        old.file().panel().stream().map(m -> m.marks().size()).toList());
    assertEquals(
        again.seats().stream().map(LoadedSelection.Seat::accountId).toList(),
        old.seats().stream().map(LoadedSelection.Seat::accountId).toList());
    assertTrue(text("ilse", at).contains("Go to the selection in which it is asked again"));
    assertFalse(text("ilse", at).contains("Look at this decision again."));
    assertFalse(
        text("joren", "/selections").contains("due since 30 Jun 2027"), "it never goes on asking");
    assertEquals(sendForm("ilse", at + "/again", "read", "2").getStatus(), 409);
    assertEquals(
        sendForm(
                "ilse",
                at + "/holds",
                "read",
                "2",
                "note",
                "So.",
                "lookAgain",
                "2028-01-01",
                "password",
                "brackwater")
            .getStatus(),
        409);
    assertEquals(List.of(2), List.of(signed().reviews().size()));
  }
}
