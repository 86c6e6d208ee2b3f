package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.TimeZone;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.decision.Decisions;
import tertulia.app.decision.Snapshot;
import tertulia.app.display.AdviceResults;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.handover.Intake;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Views;

/** Nobody signs figures nobody was shown; what did not stand stays on record. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:clocked;DB_CLOSE_DELAY=-1")
public class SignedIsReadTest extends ServedTest {
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;
  @Autowired private Selections selections;
  @Autowired private Decisions decisions;
  @Autowired private Intake intake;
  @Autowired private JdbcTemplate jdbc;
  @Autowired private Views views;
  @Autowired private PlatformTransactionManager transactions;
  @Autowired private MovableClock clock;
  private long id;
  private String at = "";

  @BeforeMethod
  public void proposed() throws Exception {
    clock.moveTo("2026-11-24");
    id = intake.take(Demo.file(), "Ilse Maren");
    at = "/selections/" + id + "/decision";
    assertEquals(propose().getStatus(), 302);
  }

  private MockHttpServletResponse propose() throws Exception {
    String version = decisions.find(id).map(stored -> "" + stored.version()).orElse("");
    return sendForm(
        "ilse",
        at + "/propose",
        "remarksOpen",
        WHATEVER_IS_OPEN,
        "choice",
        slug("slotmeer"),
        "reasons",
        "It serves.",
        "despite",
        "We know that.",
        "givenUp",
        "Ease",
        "version",
        version);
  }

  private String slug(String tool) {
    return selections.load(id).selection().contenders().stream()
        .map(contender -> contender.id())
        .filter(contender -> contender.startsWith(tool))
        .findFirst()
        .orElseThrow();
  }

  private String page(String who, String path) throws Exception {
    MockHttpServletResponse answer = ask(who, MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private static String text(String page) {
    return page.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
  }

  private String version() {
    return "" + decisions.find(id).orElseThrow().version();
  }

  private String proposal() {
    return decisions.find(id).orElseThrow().proposal();
  }

  private MockHttpServletResponse sign() throws Exception {
    return sendForm("joren", at + "/sign", "proposal", proposal(), "password", "brackwater");
  }

  private String refusal() throws Exception {
    assertFalse(page("joren", at).contains("Agree and sign"), "nobody is invited to sign it");
    MockHttpServletResponse refused = sign();
    assertEquals(refused.getStatus(), 409);
    assertTrue(decisions.find(id).orElseThrow().frozen().isEmpty());
    return text(refused.getContentAsString(StandardCharsets.UTF_8));
  }

  private void brief(String from, String to) {
    var table = selections.load(id);
    String json = tertulia.app.exchange.Json.write(table.file().brief());
    assertTrue(json.contains(from), json);
    selections.changeBrief(
        id,
        table.version(),
        tertulia.app.exchange.Json.stored(
            json.replace(from, to), tertulia.app.exchange.Brief.class));
  }

  @Test
  public void whatIsUnchangedIsSignedAndIsWhatWasProposed() throws Exception {
    assertTrue(page("joren", at).contains("Agree and sign"));
    Results read = AdviceResults.with(selections.load(id).selection(), selections.load(id).file());
    assertEquals(sign().getStatus(), 302);
    Snapshot frozen = decisions.find(id).orElseThrow().frozen().orElseThrow();
    assertEquals(frozen.version(), 6);
    assertEquals(frozen.decision().signedByAccount(), "joren");
    assertEquals(frozen.results(), read);
    assertTrue(decisions.find(id).orElseThrow().isIntact());
  }

  /** Sentences and names of options are worded anew from release to release, figures are not. */
  @Test
  public void whatAnOlderReleaseProposedInOtherWordsIsSigned() {
    int worded =
        jdbc.update(
            "update decision set digest = 'of an older release', basis ="
                + " replace(replace(replace(replace(basis, ' is at most', ' has at most'),"
                + " 'yearly', 'for a year'), 'automation runs', 'runs'), ' EUR\"', ' euros\"')"
                + " where selection_id = ?",
            id);
    assertEquals(worded, 1);
    String basis =
        jdbc.queryForObject("select basis from decision where selection_id = ?", String.class, id);
    assertTrue(Objects.requireNonNull(basis).contains("for a year"), "it is worded otherwise");
    decisions.sign(id, decisions.find(id).orElseThrow().proposal(), signedIn("joren"));
    assertTrue(decisions.find(id).orElseThrow().isIntact());
  }

  @Test
  public void whereAServerStandsDoesNotMatter() throws Exception {
    Locale here = Locale.getDefault();
    TimeZone zone = TimeZone.getDefault();
    try {
      for (String there : List.of("de-CH", "ar-EG", "hi-IN-u-nu-deva", "tr-TR")) {
        Locale.setDefault(Locale.forLanguageTag(there));
        TimeZone.setDefault(TimeZone.getTimeZone("Pacific/Kiritimati"));
        assertTrue(page("joren", at).contains("Agree and sign"), there);
      }
      assertEquals(sign().getStatus(), 302);
    } finally {
      Locale.setDefault(here);
      TimeZone.setDefault(zone);
    }
  }

  /** Either it is in what is signed, or it is refused; it waits until that is known. */
  @Test
  public void aMarkThatMeetsASignatureIsInItOrRefused() throws Exception {
    CountDownLatch marked = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    ExecutorService other = Executors.newSingleThreadExecutor();
    try {
      Future<?> marking =
          other.submit(() ->
              new TransactionTemplate(transactions)
                  .executeWithoutResult(status -> {
                    views.mark(id, signedIn("odile"), "ease", slug("slotmeer"), "1");
                    marked.countDown();
                    await(go);
                  }));
      await(marked);
      Future<Integer> signing =
          Executors.newSingleThreadExecutor().submit(() -> sign().getStatus());
      Thread.sleep(200);
      assertFalse(signing.isDone(), "it waits for the mark");
      go.countDown();
      marking.get();
      assertEquals(signing.get(), Integer.valueOf(409), "the mark is not in what was proposed");
    } finally {
      go.countDown();
      other.shutdown();
    }
    assertEquals(sendForm("ilse", at + "/renew", "version", version()).getStatus(), 302);
    assertEquals(sign().getStatus(), 302);
    assertEquals(
        sendForm(
                "odile",
                "/selections/" + id + "/marks",
                "criterion",
                "ease",
                "contender",
                slug("slotmeer"),
                "mark",
                "9")
            .getStatus(),
        409);
  }

  private static void await(CountDownLatch latch) {
    try {
      assertTrue(latch.await(20, TimeUnit.SECONDS));
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
  }

  private SignedIn signedIn(String who) {
    return (SignedIn) people.loadUserByUsername(who);
  }

  @Test
  public void anotherHeadcountIsSaidFigureByFigureAndHasToBeProposedAgain() throws Exception {
    brief("\"start\" : 22", "\"start\" : 60");
    String refused = refusal();
    assertTrue(refused.contains("People in the first month 62 100"), refused);
    assertTrue(refused.contains("Slotmeer, over the plan"), refused);
    assertTrue(refused.contains("Slotmeer, a month at the start 446.40"), refused);
    assertTrue(refused.contains("An organiser can propose it again"), refused);
    assertEquals(sendForm("ilse", at + "/renew", "version", version()).getStatus(), 302);
    String page = text(page("joren", at));
    assertTrue(page.contains("Agree and sign"), page);
    assertTrue(
        page.contains("withdrawn by Ilse Maren, 24 Nov 2026 : Proposed again, as this has changed"),
        page);
    assertEquals(sign().getStatus(), 302);
    Snapshot frozen = decisions.find(id).orElseThrow().frozen().orElseThrow();
    assertEquals(frozen.results().people().getFirst(), Integer.valueOf(100));
    assertEquals(frozen.selection().proposals().size(), 1);
  }

  @Test
  public void aPriceThatComesIntoForceMeanwhileRefusesToo() throws Exception {
    String slug = slug("slotmeer");
    ToolSheet sheet = catalogue.get(slug).sheet();
    catalogue.change(
        slug,
        catalogue.get(slug).version(),
        tertulia.app.exchange.Json.stored(
            tertulia.app.exchange.Json.write(sheet).replace("\"7.20\"", "\"8.20\""),
            ToolSheet.class),
        LocalDate.of(2026, 11, 27),
        "Ilse Maren");
    assertTrue(page("joren", at).contains("Agree and sign"), "today it stands");
    clock.moveTo("2026-11-27");
    String refused = refusal();
    assertTrue(refused.contains("The price page of Slotmeer as proposed changed"), refused);
    assertTrue(refused.contains("Slotmeer, a month at the start 446.40"), refused);
    clock.moveTo("2026-11-24");
    catalogue.undo(slug, catalogue.get(slug).version(), LocalDate.of(2026, 11, 27));
  }

  @Test
  public void aChoiceThatIsNoContenderAnyMoreCannotBeSignedNorRenewed() throws Exception {
    sendForm("ilse", "/selections/" + id + "/contenders/" + slug("slotmeer") + "/remove");
    assertTrue(refusal().contains("Slotmeer compared not there"));
    MockHttpServletResponse renewed = sendForm("ilse", at + "/renew", "version", version());
    assertEquals(renewed.getStatus(), 422);
    assertTrue(renewed.getContentAsString().contains("The choice is not compared any more."));
  }

  @Test
  public void aMarkThatChangesTheScoresRefuses() throws Exception {
    sendForm(
        "odile",
        "/selections/" + id + "/marks",
        "criterion",
        "ease",
        "contender",
        slug("slotmeer"),
        "mark",
        "1");
    String refused = refusal();
    assertTrue(refused.contains("Slotmeer, total score"), refused);
  }

  @Test
  public void thePagesItRestsOnSaySoBeforeTheySave() throws Exception {
    String line = "is proposed by Ilse Maren since 24 Nov 2026 and waits for a signature";
    assertTrue(page("ilse", "/proposals/selection?id=" + id).contains(line));
    assertTrue(page("ilse", "/proposals/tool?slug=" + slug("slotmeer")).contains(line));
    assertFalse(page("ilse", "/proposals/tool?slug=werfplan").contains(at));
    assertFalse(page("ilse", "/proposals/growth").contains(at), "it has people of its own");
    assertTrue(
        page("ilse", "/selections/" + id + "/need").contains("/proposals/selection?id=" + id));
    assertTrue(
        page("ilse", "/catalogue/" + slug("slotmeer") + "/edit").contains("/proposals/tool?slug="));
    assertTrue(page("ilse", "/growth").contains("/proposals/growth"));
    assertEquals(
        sendForm("ilse", "/selections/" + id + "/follow", "follow", "true").getStatus(), 302);
    assertTrue(page("ilse", "/proposals/growth").contains(at));
  }

  @Test
  public void aProposalIsWithdrawnForAReasonAndNotByAStaleSave() throws Exception {
    MockHttpServletResponse stale =
        sendForm(
            "ilse",
            at,
            "choice",
            slug("slotmeer"),
            "reasons",
            "r",
            "despite",
            "We know that.",
            "givenUp",
            "g",
            "version",
            "0");
    assertEquals(stale.getStatus(), 409);
    assertTrue(stale.getContentAsString().contains("Withdraw the proposal first"));
    assertTrue(page("pia", at).contains("It waits for a second person."));
    assertEquals(
        sendForm("ilse", at + "/withdraw", "version", version(), "reason", " ").getStatus(), 422);
    String version = version();
    assertEquals(
        sendForm("ilse", at + "/withdraw", "version", version, "reason", "A colleague is back.")
            .getStatus(),
        302);
    assertEquals(
        sendForm("ilse", at + "/withdraw", "version", version, "reason", "Twice.").getStatus(),
        409);
    assertEquals(propose().getStatus(), 302);
    sendForm("joren", at + "/object", "proposal", proposal(), "reason", "The trial is not over.");
    assertEquals(propose().getStatus(), 302);
    List<SelectionFile.EndedPart> ended = decisions.ended(id);
    assertEquals(
        ended.stream().map(SelectionFile.EndedPart::what).toList(),
        List.of("withdrawn", "objected"));
    String markdown = page("pia", at + ".md");
    assertTrue(markdown.contains("withdrawn by Ilse Maren: A colleague is back."), markdown);
    assertTrue(markdown.contains("objected to by Joren Talvik: The trial is not over."), markdown);
    String file = page("pia", "/selections/" + id + "/file");
    PortableFile.Read read = PortableFile.read(file.getBytes(StandardCharsets.UTF_8));
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    long again = intake.take(((PortableFile.Read.Accepted) read).file(), "Ilse Maren");
    assertEquals(decisions.ended(again), ended, "they travel with the file");
    assertEquals(sign().getStatus(), 302);
    assertEquals(
        decisions.find(id).orElseThrow().frozen().orElseThrow().selection().proposals(), ended);
  }

  @Test
  public void ofTwoOrganisersWhoWriteTheDecisionDownTheSecondIsTold() throws Exception {
    sendForm("ilse", at + "/withdraw", "version", version(), "reason", "To revise it.");
    String version = version();
    String[] draft = {
      "choice",
      slug("slotmeer"),
      "reasons",
      "First",
      "despite",
      "We know that.",
      "givenUp",
      "g",
      "version",
      version
    };
    assertEquals(sendForm("ilse", at, draft).getStatus(), 302);
    draft[3] = "Second";
    MockHttpServletResponse late = sendForm("ilse", at, draft);
    assertEquals(late.getStatus(), 409);
    assertTrue(late.getContentAsString().contains("Somebody else changed this decision"));
    assertTrue(late.getContentAsString().contains("Second"), "nothing typed is lost");
    assertEquals(decisions.find(id).orElseThrow().decision().proposal().reasons(), "First");
  }

  /** Written by the first release; its fingerprint is that of the bytes as they were stored. */
  @Test
  public void aRecordOfTheFirstFormatIsReadAndVerified() throws Exception {
    sendForm("joren", at + "/sign", "proposal", proposal(), "password", "brackwater");
    String json;
    try (InputStream in =
        Objects.requireNonNull(getClass().getResourceAsStream("/records/decision-1.json"))) {
      json = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new AssertionError(e);
    }
    jdbc.update(
        "update decision set snapshot = ?, sha256 = ? where selection_id = ?",
        json,
        "ffb160736385003f58d8590a2cd3a175f87cad83ddf9fda2e9b4b3d8408315f3",
        id);
    Decisions.Stored stored = decisions.find(id).orElseThrow();
    assertTrue(stored.isIntact());
    Snapshot frozen = stored.frozen().orElseThrow();
    assertEquals(frozen.version(), 6, "brought to today's format");
    assertEquals(frozen.decision().choice(), "rigglet");
    String page = text(page("pia", at));
    assertTrue(page.contains("Unchanged since"), page);
    assertTrue(page.contains("Rigglet"), page);
    assertEquals(page("pia", "/selections/" + id + "/snapshot"), json, "handed out as it was");
    assertTrue(page("pia", at + ".md").contains("Rigglet"));
    jdbc.update(
        "update decision set snapshot = replace(snapshot, 'rigglet', 'other') where selection_id ="
            + " ?",
        id);
    assertFalse(decisions.find(id).orElseThrow().isIntact());
  }

  @Test
  public void aSelectionFileOfTheFirstReleaseIsRead() throws Exception {
    try (InputStream in =
        Objects.requireNonNull(getClass().getResourceAsStream("/records/selection-1.json"))) {
      assertTrue(PortableFile.read(in.readAllBytes()) instanceof PortableFile.Read.Accepted);
    }
  }
}
