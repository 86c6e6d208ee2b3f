package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.scoring.Weighing;

/** What one person weighs, marks and says stays theirs until they and the reader have handed in. */
@FreshStore
public class OwnViewFirstTest extends ServedTest {
  private static final String ILSES = "Booked six lorries in a row";
  private static final String ODILES = "Lost my booking twice";
  private static final String JORENS = "My crew needed no card";
  private static final long ID = 1;
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Intake intake;

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  private RequestMappingHandlerMapping routes;

  private MockHttpServletResponse answer(String who, MockHttpServletRequestBuilder request)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private MockHttpServletResponse get(String who, String path) throws Exception {
    return answer(who, MockMvcRequestBuilders.get(path));
  }

  private String text(String who, String path) throws Exception {
    return get(who, "/selections/" + ID + path).getContentAsString(StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse post(String who, String path, String... parameters)
      throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/" + ID + "/" + path);
    for (int i = 0; i < parameters.length; i += 2) {
      request.param(parameters[i], parameters[i + 1]);
    }
    return answer(who, request);
  }

  /** Every page there is of a selection and of all, with everything that asks for more. */
  private List<String> pages() {
    Set<String> pages = new LinkedHashSet<>(List.of("/", "/selections"));
    routes.getHandlerMethods().keySet().stream()
        .filter(info ->
            info.getMethodsCondition().getMethods().stream()
                .anyMatch(method -> method.asHttpMethod().equals(HttpMethod.GET)))
        .flatMap(info -> info.getPatternValues().stream())
        .filter(pattern -> pattern.startsWith("/selections/{id}"))
        .map(pattern -> pattern.replace("{id}", "" + ID).replace("{proof}", "1"))
        .forEach(pattern -> {
          if (pattern.contains("{step:")) {
            Stream.of(pattern.replaceAll(".*\\{step:([^}]*)}.*", "$1").split("\\|"))
                .map(step -> pattern.replaceAll("\\{step:[^}]*}", step))
                .forEach(page -> pages.add(page.contains("/live/") ? page + "?since=1" : page));
          } else {
            pages.add(pattern);
          }
        });
    String selection = "/selections/" + ID;
    for (String figure : List.of("value", "total")) {
      pages.add(
          selection + "/why?figure=" + figure + "&contender=slotmeer&criterion=ease&of=slotmeer");
    }
    pages.add(selection + "/why?figure=value&contender=pierbook&criterion=ease");
    pages.add(selection + "/why?figure=weight&criterion=ease");
    pages.add(selection + "/why?figure=winner&criterion=ease");
    pages.add(selection + "/versus?one=slotmeer&other=pierbook");
    pages.add(selection + "/marks/reason?criterion=ease&contender=slotmeer");
    return new ArrayList<>(pages);
  }

  /** What an answer says; of a workbook the text of all its parts. */
  private static String said(MockHttpServletResponse answer) throws Exception {
    byte[] bytes = answer.getContentAsByteArray();
    if (bytes.length > 2 && bytes[0] == 'P' && bytes[1] == 'K') {
      StringBuilder all = new StringBuilder();
      try (ZipInputStream parts = new ZipInputStream(new ByteArrayInputStream(bytes))) {
        for (ZipEntry part = parts.getNextEntry(); part != null; part = parts.getNextEntry()) {
          all.append(new String(parts.readAllBytes(), StandardCharsets.UTF_8));
        }
      }
      return all.toString();
    }
    return new String(bytes, StandardCharsets.UTF_8);
  }

  /** How many pages say each of some secrets, in their order. */
  private List<Integer> pagesThatSay(String who, String... secrets) throws Exception {
    int[] found = new int[secrets.length];
    for (String page : pages()) {
      MockHttpServletResponse answer = get(who, page);
      assertTrue(answer.getStatus() < 500, page);
      String said = said(answer);
      for (int i = 0; i < secrets.length; i++) {
        found[i] += said.contains(secrets[i]) ? 1 : 0;
      }
    }
    return IntStream.of(found).boxed().toList();
  }

  private Map<String, SelectionFile.MemberPart> panelOf(String who) throws Exception {
    byte[] file = get(who, "/selections/" + ID + "/file").getContentAsByteArray();
    PortableFile.Read read = PortableFile.read(file);
    assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
    Map<String, SelectionFile.MemberPart> panel = new java.util.HashMap<>();
    ((PortableFile.Read.Accepted) read)
        .file()
        .panel()
        .forEach(member -> panel.put(member.name(), member));
    return panel;
  }

  @Test
  public void beforeOnesOwnViewIsInNoPageSaysAnothers() throws Exception {
    assertTrue(pages().size() > 20, "only " + pages());
    assertEquals(pagesThatSay("joren", ILSES, ODILES), List.of(0, 0));
    assertTrue(
        pagesThatSay("ilse", ODILES).getFirst() > 1, "and those who handed in see each other");
    Map<String, SelectionFile.MemberPart> panel = panelOf("joren");
    for (String other : List.of("Ilse Maren", "Odile Brannock")) {
      assertEquals(panel.get(other).weighsBy(), SelectionFile.MemberPart.WITHHELD);
      assertFalse(panel.get(other).anything(), other);
    }
    assertEquals(panelOf("ilse").get("Odile Brannock").points().get("ease"), Integer.valueOf(40));
    String marks = text("joren", "/marks");
    assertFalse(marks.contains("0.850"), "nor a value that rests on their marks");
    assertTrue(
        marks.contains("Not in these figures: Ilse Maren, Odile Brannock, Maud Verlinde."), marks);
    assertTrue(
        text("joren", "/overview").contains("Whoever has handed in a view sees them."),
        "the overview says what it leaves out");
    assertFalse(text("joren", "/changes").contains("Ilse Maren: 35"));
    String without = "without the views of Ilse Maren, Odile Brannock and Maud Verlinde";
    for (String page : List.of("/cost", "/fit", "/decision", "/contenders")) {
      assertTrue(text("joren", page).contains(without), page + " says what its totals leave out");
      assertFalse(text("ilse", page).contains("without the view"), page);
    }
    assertTrue(
        get("joren", "/selections/" + ID + "/line")
            .getContentAsString(StandardCharsets.UTF_8)
            .contains(
                "The views of Ilse Maren, Odile Brannock and Maud Verlinde are not in these"
                    + " figures."));
    assertTrue(
        text("joren", "/decision.md")
            .contains("the view of Ilse Maren, Odile Brannock, Maud Verlinde"));
    // how far they have come is the same for everybody
    for (String who : List.of("ilse", "joren")) {
      assertTrue(
          text(who, "/cost")
              .replaceAll("<[^>]*>|\\s+", " ")
              .replaceAll(" +", " ")
              .contains("Marks 2 of 4"),
          who);
    }
  }

  @Test(dependsOnMethods = "beforeOnesOwnViewIsInNoPageSaysAnothers")
  public void whoHasNotHandedInIsNotSeenEither() throws Exception {
    assertEquals(post("joren", "weights", "criterion", "ease", "points", "77").getStatus(), 200);
    post("joren", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "3");
    assertEquals(
        post(
                "joren",
                "marks/reason",
                "criterion",
                "ease",
                "contender",
                "slotmeer",
                "note",
                JORENS,
                "ground",
                "tried")
            .getStatus(),
        200);
    assertTrue(pagesThatSay("joren", JORENS).getFirst() > 1, "his own he sees");
    for (String who : List.of("ilse", "odile", "pia")) {
      List<Integer> found = pagesThatSay(who, JORENS, ILSES);
      assertEquals(found.getFirst(), Integer.valueOf(0), who);
      assertEquals(found.getLast() == 0, who.equals("pia"), "a reader waits for all of them");
      assertFalse(text(who, "/changes").contains("Joren Talvik: 77"), who);
    }
    assertEquals(panelOf("ilse").get("Joren Talvik").weighsBy(), "withheld");
  }

  @Test(dependsOnMethods = "whoHasNotHandedInIsNotSeenEither")
  public void nothingIsProposedOnFiguresThatLeaveSomebodyOut() throws Exception {
    String page =
        post(
                "ilse",
                "decision/propose",
                "remarksOpen",
                WHATEVER_IS_OPEN,
                "choice",
                "halvard-desk",
                "reasons",
                "It is the cheapest.",
                "despite",
                "We know that.",
                "givenUp",
                "The easier desk.",
                "conditions",
                "",
                "reviewOn",
                "")
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(page.contains("The view of Joren Talvik is not in the figures you read."), page);
    assertTrue(page.contains("The easier desk."), "what was typed is still there");
    MockHttpServletResponse settled = settle("ease slotmeer", "7", "We all tried it again.");
    assertEquals(settled.getStatus(), 422);
    String refused = settled.getContentAsString(StandardCharsets.UTF_8);
    assertTrue(
        refused.contains(
            "before everybody has handed in their view; not yet: Joren Talvik. Wait for them"),
        refused);
    assertTrue(refused.contains("We all tried it again."), "what was typed is still there");
  }

  /** What a mark changes is said of it in every place of the page, with the mark itself. */
  @Test(dependsOnMethods = "whoHasEnteredNothingHandsNothingIn")
  public void theFirstMarkBringsTheWayToHandIn() throws Exception {
    String answer =
        said(post("newcomer", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "5"));
    assertTrue(answer.contains("Hand in my view"), answer);
    assertTrue(answer.contains("You have 9 of 10 marks left to give."), answer);
    assertTrue(answer.contains("9 marks are still open."), "both say the same: " + answer);
    post("newcomer", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "");
    long seat =
        selections.load(ID).seats().stream()
            .filter(s -> s.name().equals("Nele Quist"))
            .findFirst()
            .orElseThrow()
            .memberId();
    assertEquals(post("ilse", "table/leave", "member", "" + seat).getStatus(), 302);
  }

  /** Who shows nothing would see everything. */
  @Test(dependsOnMethods = "nothingIsProposedOnFiguresThatLeaveSomebodyOut")
  public void whoHasEnteredNothingHandsNothingIn() throws Exception {
    people.add(
        new UserAccounts.NewAccount("newcomer", "Nele Quist", "seven quiet herons", Role.MEMBER),
        new Faults());
    MockHttpServletResponse refused = post("newcomer", "hand-in");
    assertEquals(refused.getStatus(), 409);
    assertTrue(said(refused).contains("nothing to hand in"));
    assertFalse(text("newcomer", "/marks").contains("Hand in my view"), "nor is it offered");
    assertEquals(pagesThatSay("newcomer", ILSES, ODILES, JORENS), List.of(0, 0, 0));
  }

  @Test(dependsOnMethods = "theFirstMarkBringsTheWayToHandIn")
  public void afterHandingInEverybodyReadsTheSame() throws Exception {
    assertEquals(post("pia", "hand-in").getStatus(), 403);
    assertEquals(post("joren", "open-table").getStatus(), 403, "only organisers open it");
    assertEquals(post("joren", "hand-in").getStatus(), 302);
    assertEquals(post("joren", "hand-in").getStatus(), 302, "twice is once");
    for (String who : List.of("ilse", "odile", "joren", "pia")) {
      assertFalse(pagesThatSay(who, ILSES, ODILES, JORENS).contains(0), who);
    }
    assertEquals(panelOf("pia").get("Joren Talvik").points().get("ease"), Integer.valueOf(77));
    assertTrue(text("ilse", "/changes").contains("Joren Talvik: handed in"));
    assertTrue(text("ilse", "/changes").contains("Joren Talvik: 77"), "and what came before");
    post("joren", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "4");
    assertTrue(text("ilse", "/changes").contains("3 → 4"), "a change afterwards is logged");
    String changed = "Joren Talvik handed in on 24 Nov 2026 and has since changed ";
    assertTrue(text("odile", "/marks").contains(changed), "and said where his marks are read");
    post("joren", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "3");
    assertFalse(text("odile", "/marks").contains(changed), "as it was handed in first");
    post("joren", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "");
    assertTrue(text("odile", "/marks").contains(changed), "what is taken back is a change too");
    post("joren", "marks", "criterion", "ease", "contender", "slotmeer", "mark", "4");
  }

  @Test(dependsOnMethods = "afterHandingInEverybodyReadsTheSame")
  public void everyWayToWeighIsKeptWhenAnotherIsChosen() throws Exception {
    post("odile", "weights/way", "way", "rank-order");
    int rank = 1;
    for (String criterion : List.of("cost", "ease", "help", "coverage", "ratings")) {
      post("odile", "weights", "criterion", criterion, "points", "" + rank++, "way", "rank-order");
    }
    assertTrue(weighing("Odile Brannock") instanceof Weighing.RankOrder);
    post("odile", "weights/way", "way", "pairs");
    post("odile", "weights/pair", "one", "ease", "other", "cost", "times", "3");
    post("odile", "weights/pair", "one", "cost", "other", "ratings", "times", "-1");
    String page = text("odile", "/weights");
    assertTrue(page.contains("1 of 10 pairs compared. They count once all are."), page);
    post("odile", "weights/way", "way", "swing");
    post("odile", "weights", "criterion", "ease", "points", "100", "way", "swing");
    String refused =
        post("odile", "weights", "criterion", "cost", "points", "101", "way", "swing")
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(refused.contains("The points of a step lie between 0 and 100; found 101."), refused);
    SelectionFile.MemberPart part = panelOf("ilse").get("Odile Brannock");
    assertEquals(part.weighsBy(), "swing");
    assertEquals(part.points().get("ease"), Integer.valueOf(40), "by points it is as it was");
    assertEquals(
        part.otherWays(),
        List.of(
            new SelectionFile.SwingPart(Map.of("ease", 100)),
            new SelectionFile.RankOrderPart(
                Map.of("cost", 1, "ease", 2, "help", 3, "coverage", 4, "ratings", 5)),
            new SelectionFile.ComparedPart(
                List.of(new SelectionFile.PreferencePart("ease", "cost", 3)))));
    assertTrue(
        text("ilse", "/changes").contains("Odile Brannock: weighs by steps from worst to best"));
    post("odile", "weights/way", "way", "points");
    assertTrue(weighing("Odile Brannock") instanceof Weighing.Points);
  }

  /** Three of five tied: Slotmeer clearly over Halvard Desk, which is level with Pierbook. */
  @Test(dependsOnMethods = "everyWayToWeighIsKeptWhenAnotherIsChosen")
  public void pairsLeadToMarksThatAreTakenOverOrNot() throws Exception {
    String first = pair("help", "slotmeer", "halvard-desk", "ONE_CLEAR", "They rang back.");
    assertTrue(first.contains("Your pairs lead to Slotmeer 6.5, Halvard Desk 3.5."), first);
    assertTrue(
        first.contains("Not tied to the others by any pair: Pierbook, Quaymate, Tollen Suite."),
        first);
    String second = pair("help", "halvard-desk", "pierbook", "LEVEL", "");
    assertTrue(
        second.contains("Your pairs lead to Slotmeer 7.0, Halvard Desk 4.0, Pierbook 4.0."),
        second);
    assertFalse(second.contains("fits worst"), second);
    String third = pair("help", "slotmeer", "tollen-suite", "OTHER_EDGE", "");
    assertTrue(third.contains("Tollen Suite"), third);
    assertTrue(third.contains("value=\"They rang back.\""), "why stays beside its pair");
    assertEquals(
        panelOf("joren").get("Joren Talvik").compared().getFirst(),
        new SelectionFile.PairPart("help", "slotmeer", "halvard-desk", "clear", "They rang back."));
    assertEquals(post("joren", "marks/pairs/take", "criterion", "help").getStatus(), 200);
    Map<String, tertulia.core.scoring.Mark> taken =
        selections.load(ID).selection().panel().members().stream()
            .filter(m -> m.name().equals("Joren Talvik"))
            .findFirst()
            .orElseThrow()
            .marks()
            .get("help");
    // about 5: slotmeer over both by 3, tollen-suite over slotmeer by 1
    assertEquals(taken.get("slotmeer").given().orElseThrow().intValue(), 6);
    assertEquals(taken.get("tollen-suite").given().orElseThrow().intValue(), 7);
    assertEquals(taken.get("halvard-desk").given().orElseThrow().intValue(), 3);
    assertFalse(taken.containsKey("quaymate"), "what is not tied keeps what it had");
    pair("help", "slotmeer", "tollen-suite", "", "");
    assertEquals(panelOf("joren").get("Joren Talvik").compared().size(), 2, "taken back");
    for (String[] bad :
        new String[][] {
          {"one", "slotmeer", "other", "slotmeer"},
          {"one", "slotmeer", "other", "nobody"},
          {"one", "slotmeer", "other", "pierbook", "answer", "BEST"}
        }) {
      List<String> all = new ArrayList<>(List.of("criterion", "help", "answer", "LEVEL"));
      if (bad.length > 4) {
        all = new ArrayList<>(List.of("criterion", "help"));
      }
      all.addAll(List.of(bad));
      assertEquals(post("joren", "marks/pairs", all.toArray(String[]::new)).getStatus(), 404);
    }
    assertTrue(text("ilse", "/changes").contains("Slotmeer against Halvard Desk, Joren Talvik"));
  }

  private MockHttpServletResponse settle(String cell, String points, String reason)
      throws Exception {
    return post("ilse", "marks/settle", "cell", cell, "points", points, "reason", reason);
  }

  @Test(dependsOnMethods = "pairsLeadToMarksThatAreTakenOverOrNot")
  public void whatIsSettledTogetherCountsAndSaysSo() throws Exception {
    assertEquals(post("joren", "marks/settle").getStatus(), 403);
    assertTrue(
        settle("ease slotmeer", "7", " ")
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("Say why the panel agrees on this mark"));
    assertEquals(settle("ease nobody", "7", "Why.").getStatus(), 404);
    assertEquals(settle("ease slotmeer", "7", "We all tried it again.").getStatus(), 302);
    assertEquals(settle("ease slotmeer", "6", "And once more.").getStatus(), 302, "anew");
    String marks = text("odile", "/marks");
    assertTrue(marks.contains("settled together"), marks);
    assertTrue(marks.contains("added by Ilse Maren, 24 Nov 2026"), marks);
    String why = text("odile", "/why?figure=value&contender=slotmeer&criterion=ease");
    assertTrue(why.contains("settled by the panel: And once more."), why);
    assertTrue(why.contains(ILSES), "what each gave stays beside it");
    byte[] file = get("ilse", "/selections/" + ID + "/file").getContentAsByteArray();
    SelectionFile read = ((PortableFile.Read.Accepted) PortableFile.read(file)).file();
    assertEquals(
        read.agreed(),
        List.of(
            new SelectionFile.SettledPart(
                "ease", "slotmeer", "6", "And once more.", "Ilse Maren", "2026-11-24")));
    assertTrue(
        text("ilse", "/changes")
            .contains("Mark for Ease at the freight desk, Slotmeer: settled together at 6"));
    assertEquals(post("ilse", "marks/unsettle", "cell", "ease slotmeer").getStatus(), 302);
    assertFalse(text("odile", "/marks").contains("put down by"));
  }

  @Test(dependsOnMethods = "whatIsSettledTogetherCountsAndSaysSo")
  public void aSeatIsGivenBeforeAnybodyWeighsAndTakenAwayWhileItIsEmpty() throws Exception {
    Faults faults = new Faults();
    people.add(
        new UserAccounts.NewAccount("mara", "Mara Quist", "seven quiet herons", Role.MEMBER),
        faults);
    assertEquals(faults.all(), List.of());
    long mara = account("mara");
    assertEquals(post("joren", "table", "account", "" + mara).getStatus(), 403);
    assertEquals(post("ilse", "table", "account", "" + account("pia")).getStatus(), 404, "reads");
    assertEquals(post("ilse", "table", "account", "" + mara).getStatus(), 302);
    assertEquals(post("ilse", "table", "account", "" + mara).getStatus(), 302, "twice is once");
    assertEquals(selections.load(ID).seats().size(), 5);
    assertTrue(text("ilse", "/marks").contains("Not handed in yet: Mara Quist."));
    String first = get("mara", "/selections").getContentAsString(StandardCharsets.UTF_8);
    assertTrue(first.contains("weigh"), "it is asked of her on her first page");
    assertEquals(pagesThatSay("mara", ILSES), List.of(0));
    long seat = selections.load(ID).seats().getLast().memberId();
    long jorens = selections.load(ID).seats().get(2).memberId();
    assertEquals(post("ilse", "table/leave", "member", "" + jorens).getStatus(), 302);
    assertEquals(selections.load(ID).seats().size(), 5, "who has weighed keeps the seat");
    assertEquals(post("ilse", "table/leave", "member", "" + seat).getStatus(), 302);
    assertEquals(selections.load(ID).seats().size(), 4);
  }

  /** Nobody else has a seat: a second person still reads and signs what was proposed. */
  @Test(dependsOnMethods = "aSeatIsGivenBeforeAnybodyWeighsAndTakenAwayWhileItIsEmpty")
  public void whoWeighsAloneCanProposeAndASecondPersonSigns() throws Exception {
    SelectionFile demo =
        ((PortableFile.Read.Accepted)
                PortableFile.read(get("ilse", "/selections/1/file").getContentAsByteArray()))
            .file();
    long lone = intake.take(demo.withPanel(List.of()), "Ilse Maren");
    String at = "/selections/" + lone;
    answer(
        "ilse",
        MockMvcRequestBuilders.post(at + "/weights")
            .param("criterion", "cost")
            .param("points", "9"));
    String mine = get("ilse", at + "/marks").getContentAsString(StandardCharsets.UTF_8);
    assertTrue(mine.contains("Only you have a place on the panel."), mine);
    assertTrue(mine.contains("Hand in my view"), "there is a way to show it");
    assertTrue(
        get("pia", at + "/cost")
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("without the view of Ilse Maren"));
    assertEquals(
        answer(
                "ilse",
                MockMvcRequestBuilders.post(at + "/decision/propose")
                    .param("remarksOpen", WHATEVER_IS_OPEN)
                    .param("choice", "halvard-desk")
                    .param("reasons", "It is the cheapest.")
                    .param("despite", "We know that.")
                    .param("givenUp", "The easier desk.")
                    .param("conditions", "")
                    .param("reviewOn", ""))
            .getStatus(),
        302);
    assertFalse(
        get("pia", at + "/cost")
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("without the view"),
        "what is proposed is everybody's to read");
    String page = get("joren", at + "/decision").getContentAsString(StandardCharsets.UTF_8);
    String proposal = page.replaceAll("(?s).*name=\"proposal\"\\s+value=\"([^\"]+)\".*", "$1");
    assertEquals(
        answer(
                "joren",
                MockMvcRequestBuilders.post(at + "/decision/sign")
                    .param("proposal", proposal)
                    .param("password", "brackwater"))
            .getStatus(),
        302);
    assertTrue(selections.load(lone).decided(), "signed, as both read the same");
  }

  private long account(String name) {
    return people.all().stream()
        .filter(entry -> entry.signInName().equals(name))
        .findFirst()
        .orElseThrow()
        .id();
  }

  private String pair(String criterion, String one, String other, String answer, String note)
      throws Exception {
    MockHttpServletResponse answered =
        post(
            "joren",
            "marks/pairs",
            "criterion",
            criterion,
            "one",
            one,
            "other",
            other,
            "answer",
            answer,
            "note",
            note);
    assertEquals(answered.getStatus(), 200);
    return answered.getContentAsString(StandardCharsets.UTF_8);
  }

  private Weighing weighing(String name) {
    return selections.load(ID).selection().panel().members().stream()
        .filter(member -> member.name().equals(name))
        .findFirst()
        .orElseThrow()
        .weighing();
  }
}
