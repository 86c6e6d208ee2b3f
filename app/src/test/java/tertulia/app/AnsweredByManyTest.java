package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Faults;
import tertulia.app.handover.Intake;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.decision.Decision;

/** A proposal asks people by name; it stands or falls by the rule that was chosen. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:many;DB_CLOSE_DELAY=-1")
public class AnsweredByManyTest extends ServedTest {
  @Autowired private Selections selections;
  @Autowired private Decisions decisions;
  @Autowired private Intake intake;
  @Autowired private UserAccounts people;
  @Autowired private MovableClock clock;
  private long id;
  private String at = "";

  @BeforeMethod
  public void asked() {
    clock.moveTo("2026-11-24");
    id = intake.take(Demo.file(), "Ilse Maren");
    at = "/selections/" + id + "/decision";
  }

  private MockHttpServletResponse propose(String... more) throws Exception {
    Map<String, String> form = new LinkedHashMap<>();
    form.put("remarksOpen", WHATEVER_IS_OPEN);
    form.put("choice", selections.load(id).selection().active().getFirst().id());
    form.put("reasons", "It serves.");
    form.put("despite", "We know that.");
    form.put("givenUp", "Ease");
    form.put("version", decisions.find(id).map(stored -> "" + stored.version()).orElse(""));
    for (int i = 0; i < more.length; i += 2) {
      form.put(more[i], more[i + 1]);
    }
    List<String> pairs = new ArrayList<>();
    form.forEach((name, value) -> pairs.addAll(List.of(name, value)));
    return sendForm("ilse", at + "/propose", pairs.toArray(String[]::new));
  }

  private String proposal() {
    return decisions.find(id).orElseThrow().proposal();
  }

  private int agree(String who, String read, String reservations) throws Exception {
    return sendForm(
            who,
            at + "/sign",
            "proposal",
            read,
            "password",
            "brackwater",
            "reservations",
            reservations)
        .getStatus();
  }

  private Decision decision() {
    return decisions.find(id).orElseThrow().decision();
  }

  private String text(String who, String path) throws Exception {
    return ask(who, MockMvcRequestBuilders.get(path))
        .getContentAsString(StandardCharsets.UTF_8)
        .replaceAll("<[^>]*>", " ")
        .replaceAll("\\s+", " ");
  }

  /** How many answers the first page asks of somebody. */
  private int asksFor(String who) throws Exception {
    return text(who, "/selections").split("read what Ilse Maren proposes", -1).length - 1;
  }

  @Test
  public void moreThanHalfOfThoseAskedAgree() throws Exception {
    assertEquals(
        propose("rule", "majority", "ask-joren", "on", "ask-odile", "on", "ask-maud", "on")
            .getStatus(),
        302);
    String page = text("joren", at);
    assertTrue(
        page.contains(
            "More than half of those asked have to agree: Joren Talvik, Maud Verlinde and Odile"
                + " Brannock."),
        page);
    int waiting = asksFor("joren");
    assertTrue(waiting > 0, "it is asked of each");
    assertTrue(
        text("joren", "/outbox").contains("Please read what Ilse Maren proposes"),
        "and written to them");
    assertEquals(agree("ilse", proposal(), ""), 422, "whoever proposes does not sign");
    // both have read the same page: what one answers does not stand in the other's way
    String read = proposal();
    assertEquals(agree("joren", read, "Not before the spring."), 302);
    assertEquals(
        sendForm("odile", at + "/object", "proposal", read, "reason", "Too few languages.")
            .getStatus(),
        302);
    assertTrue(decision() instanceof Decision.Proposed, "one for and one against");
    assertTrue(text("maud", at).contains("It waits for Maud Verlinde."));
    assertTrue(
        text("maud", at).contains("with reservations: Not before the spring."), text("maud", at));
    assertEquals(asksFor("joren"), waiting - 1, "answered");
    assertEquals(agree("maud", read, ""), 302);
    Decision.Signed signed = (Decision.Signed) decision();
    assertEquals(signed.agreed(), List.of("Joren Talvik", "Maud Verlinde"));
    String record = text("pia", "/selections/" + id + "/record");
    assertTrue(record.contains("agreed, with reservations: Not before the spring."), record);
    assertTrue(record.contains("was against it: Too few languages."), record);
    String markdown =
        ask("pia", MockMvcRequestBuilders.get(at + ".md"))
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(markdown.contains("Odile Brannock was against it"), markdown);
    for (String said : decisions.find(id).orElseThrow().minutes().orElseThrow().inShort()) {
      assertTrue(markdown.replace("\\", "").contains(said), said + " in " + markdown);
    }
    String history = text("pia", "/selections/" + id + "/changes");
    assertTrue(history.contains("agreed to, with reservations: Not before"), history);
    assertTrue(history.contains("spoken against: Too few languages."), history);
    assertTrue(decisions.find(id).orElseThrow().isIntact());
  }

  @Test
  public void whoIsNotAskedDoesNotAnswer() throws Exception {
    int before = asksFor("odile");
    propose("rule", "everyone", "ask-joren", "on");
    assertEquals(agree("odile", proposal(), ""), 422);
    assertTrue(text("odile", at).contains("You are not among those who are asked."));
    assertFalse(text("odile", at).contains("Agree and sign"));
    assertEquals(asksFor("odile"), before, "it is not asked of her");
    assertEquals(
        sendForm("odile", at + "/object", "proposal", proposal(), "reason", "No.").getStatus(),
        422);
    assertEquals(agree("joren", proposal(), ""), 302);
    assertTrue(decision() instanceof Decision.Signed);
  }

  @Test
  public void onlyThoseWhoAreMarkedHaveToAgree() throws Exception {
    propose("rule", "named", "ask-joren", "on", "must-maud", "on");
    assertTrue(text("maud", at).contains("Of those asked, these have to agree: Maud Verlinde."));
    sendForm("joren", at + "/object", "proposal", proposal(), "reason", "I would wait.");
    assertTrue(decision() instanceof Decision.Proposed, "his word does not decide it");
    assertEquals(agree("maud", proposal(), ""), 302);
    assertTrue(decision() instanceof Decision.Signed);
  }

  @Test
  public void aRuleWithoutPeopleIsRefusedWithEverythingTyped() throws Exception {
    MockHttpServletResponse nobody = propose("rule", "majority");
    assertEquals(nobody.getStatus(), 422);
    String page = nobody.getContentAsString(StandardCharsets.UTF_8);
    assertTrue(page.contains("Nobody is asked to agree. Choose at least one person."), page);
    assertTrue(page.contains("It serves."), "what was typed is still there");
    MockHttpServletResponse days = propose("rule", "no-objection", "ask-joren", "on", "days", "90");
    assertTrue(
        days.getContentAsString(StandardCharsets.UTF_8).contains("from 1 to 60 days; found 90"));
    MockHttpServletResponse limit =
        propose("holds1", "at-most people", "limit1", "4o", "holds2", "leads");
    assertEquals(limit.getStatus(), 422);
    String typed = limit.getContentAsString(StandardCharsets.UTF_8);
    assertTrue(typed.contains("4o"), "the limit is still there");
    assertEquals(Jsoup.parse(typed).select("[name=holds2] [selected]").val(), "leads");
    assertTrue(decisions.find(id).isEmpty(), "nothing was written");
  }

  @Test
  public void aChangeOfSubstanceAsksAgain() throws Exception {
    propose("rule", "everyone", "ask-joren", "on", "ask-maud", "on");
    agree("joren", proposal(), "");
    String before = proposal();
    assertEquals(sendForm("ilse", at + "/remind").getStatus(), 302);
    sendForm("ilse", at + "/remind");
    String sent = text("ilse", "/outbox");
    assertEquals(
        sent.split("reminds you: your answer", -1).length - 1, 1, "one a day, and only Maud");
    somethingChanges();
    assertEquals(agree("maud", before, ""), 409, "what it rests on has changed");
    clock.moveTo("2026-11-25");
    String version = "" + decisions.find(id).orElseThrow().version();
    MockHttpServletResponse renewed = sendForm("ilse", at + "/renew", "version", version);
    assertEquals(renewed.getStatus(), 302, renewed.getContentAsString());
    assertEquals(decision().signing().answers(), List.of(), "each is asked again");
    assertEquals(decision().signing().asked().size(), 2);
    assertTrue(text("joren", "/outbox").contains("Your answer is asked again."));
    assertEquals(agree("maud", before, ""), 409, "an answer to what is not proposed any more");
  }

  @Test
  public void whoeverIsAskedAloneCannotProposeItAgain() throws Exception {
    propose("rule", "everyone", "ask-joren", "on");
    somethingChanges();
    people.changeRole(account("joren"), Role.ORGANISER, new Faults());
    try {
      String version = "" + decisions.find(id).orElseThrow().version();
      MockHttpServletResponse renewed = sendForm("joren", at + "/renew", "version", version);
      assertEquals(renewed.getStatus(), 422);
      assertTrue(
          renewed
              .getContentAsString(StandardCharsets.UTF_8)
              .contains("You are the only one who is asked to agree"));
      assertTrue(decision() instanceof Decision.Proposed, "nothing was written");
      assertEquals(decisions.ended(id), List.of());
    } finally {
      people.changeRole(account("joren"), Role.MEMBER, new Faults());
    }
  }

  @Test
  public void itIsSaidWhoCannotAnswerAnyMore() throws Exception {
    propose("rule", "everyone", "ask-joren", "on", "ask-maud", "on");
    String said = "Not able to answer any more: ";
    assertFalse(text("ilse", at).contains(said));
    people.disable(account("maud"), true, new Faults());
    people.changeRole(account("joren"), Role.READER, new Faults());
    try {
      assertTrue(
          text("ilse", at).contains(said + "Joren Talvik and Maud Verlinde."), text("ilse", at));
    } finally {
      people.disable(account("maud"), false, new Faults());
      people.changeRole(account("joren"), Role.MEMBER, new Faults());
    }
  }

  private void somethingChanges() throws Exception {
    String last = selections.load(id).selection().active().getLast().id();
    sendForm(
        "ilse",
        "/selections/" + id + "/contenders/" + last + "/aside",
        "reason",
        "It is no longer sold here.");
  }

  private long account(String name) {
    return people.all().stream()
        .filter(entry -> entry.signInName().equals(name))
        .findFirst()
        .orElseThrow()
        .id();
  }

  @Test
  public void nobodyObjectsInTime() throws Exception {
    propose("rule", "no-objection", "ask-joren", "on", "days", "7");
    assertTrue(text("joren", at).contains("It stands if nobody objects until 1 Dec 2026."));
    String dates = text("joren", "/dates");
    assertTrue(dates.contains("1 Dec 2026"), dates);
    assertTrue(dates.contains("Last day to object to “Which booking tool"), dates);
    assertTrue(
        dates.contains("A condition of “Which tool for planning the refits?” breaks: It costs at"),
        dates);
    String read = proposal();
    assertEquals(
        sendForm("ilse", at + "/unopposed", "proposal", read, "password", "brackwater").getStatus(),
        422,
        "the days are not over");
    clock.moveTo("2026-12-02");
    assertTrue(text("ilse", at).contains("Nobody has objected until 1 Dec 2026"));
    assertFalse(text("joren", at).contains("what speaks against it"), "it is too late for that");
    assertEquals(
        sendForm("joren", at + "/object", "proposal", read, "reason", "Too late.").getStatus(),
        422);
    assertTrue(decision() instanceof Decision.Proposed);
    assertEquals(
        sendForm("ilse", at + "/unopposed", "proposal", read, "password", "wrong").getStatus(),
        422);
    assertEquals(
        sendForm("joren", at + "/unopposed", "proposal", read, "password", "brackwater")
            .getStatus(),
        403,
        "an organiser records it");
    assertEquals(
        sendForm("ilse", at + "/unopposed", "proposal", read, "password", "brackwater").getStatus(),
        302);
    String record = text("pia", "/selections/" + id + "/record");
    assertTrue(record.contains("noted that nobody objected"), record);
    assertTrue(record.contains("did not answer"), record);
    assertTrue(text("pia", "/selections").contains("Agreed 2 Dec 2026 by Ilse Maren."));
  }

  @Test
  public void aConditionThatIsBrokenAlreadyWantsAReason() throws Exception {
    MockHttpServletResponse silent = propose("despite", "", "holds1", "cost-in-all", "limit1", "1");
    assertEquals(silent.getStatus(), 422);
    assertTrue(
        silent
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("A condition is broken already: It costs at most 1.00 EUR over 36 months."));
    propose("holds1", "cost-in-all", "limit1", "1", "holds2", "at-most people", "limit2", "70");
    String page = text("joren", at);
    assertTrue(page.contains("Does not hold as things stand:"), page);
    assertTrue(page.contains("Will break in"), "people grow beyond 70 as planned: " + page);
    agree("joren", proposal(), "");
    assertTrue(
        text("pia", "/selections/" + id + "/record").contains("A condition is broken already"));
  }

  @Test
  public void whoCannotSignIsNotOffered() throws Exception {
    String form = ask("ilse", MockMvcRequestBuilders.get(at)).getContentAsString();
    assertTrue(form.contains("ask-joren"));
    assertFalse(form.contains("ask-pia"), "a reader");
    assertFalse(form.contains("ask-ilse"), "whoever reads this would propose");
    assertEquals(
        propose("rule", "everyone", "ask-pia", "on").getStatus(), 422, "nor taken if sent");
    assertEquals(people.all().size(), 5);
  }
}
