package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** All plans side by side, read with a chosen plan, the answer by size, the score card. */
public class SideBySideTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Intake intake;
  @Autowired private Selections selections;
  private long id;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void take() {
    id = intake.take(Demo.file(), "Ilse Maren");
  }

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request, String who)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private String page(long of, String path) throws Exception {
    MockHttpServletResponse answer =
        send(MockMvcRequestBuilders.get("/selections/" + of + "/" + path), "ilse");
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private String text(String path) throws Exception {
    return text(id, path);
  }

  private String text(long of, String path) throws Exception {
    return page(of, path).replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
  }

  private MockHttpServletResponse post(long of, String who, String path, Map<String, String> fields)
      throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/" + of + "/" + path);
    fields.forEach(request::param);
    return send(request, who);
  }

  private static void has(String page, String... words) {
    for (String word : words) {
      assertTrue(page.contains(word), word + " in " + page);
    }
  }

  @Test
  public void allPlansStandSideBySideWithPricesSizesLimitsAndWhatTheyAdd() throws Exception {
    String page = text("contenders");
    has(
        page,
        "For 62 people the plans read here cost 341.70 to 491.06 EUR a month.",
        "Solo Crew Fleet Counter Desk 25 Yard Jetty Harbour Port Pair Team Guild",
        // what one plan costs, the next, and the step between
        "too small 446.40 yearly, up front 843.20",
        // no step from a plan that is not sold for so many
        "Step to this plan +396.80 +146.80",
        "A head, committed 7.20 13.60 3.14 5.51 6.94",
        "1 to 10 1 to 120 no limit named",
        "from 15 pay for at least 15",
        "2 for the account 30 for the account no limit",
        "Crew : adds Two-way calendar link, Roles for contractors, Works offline on deck in part",
        "Desk 25 : adds Freight slots by vehicle length",
        "but not Text message reminders",
        "Since 2011; the desk of today since 2019",
        // not known is neither yes nor no, and no days are no trial
        "Trial 14 days, all of Crew, no card 30 days, not known whether it asks for a card",
        "not said not said no trial",
        // silence of a page is not nothing
        "Whole staff : names nothing more");
  }

  /** A plan may be sold for so many of something else than people. */
  @Test
  public void aPlanSoldForSoManyCalendarsIsNotSoldForSoManyPeople() throws Exception {
    String file =
        Json.write(Demo.file())
            .replaceFirst(
                "\"measure\"\\s*:\\s*\"seats\",\\s*\"least\"\\s*:\\s*0,\\s*\"most\"\\s*:\\s*10",
                "\"measure\":\"calendars\",\"least\":4,\"most\":10");
    String page =
        text(intake.take(Json.stored(file, SelectionFile.class), "Ilse Maren"), "contenders");
    has(page, "Sold for people no limit named 1 to 120", "up to 10");
    has(page, "pay for at least 4");
  }

  @Test
  public void otherSizesChangeThePricesAndTheOrder() throws Exception {
    has(
        text("contenders?people=10"),
        "For 10 people",
        "0.00 monthly 72.00 yearly, up front 136.00");
    String dear = text("contenders?people=10&order=price");
    assertTrue(
        dear.indexOf("Pair Team Guild") > 0 && dear.contains("Solo Crew Fleet"), "all are there");
    has(text("contenders?people=10&picture=all"), "44.00", "110.00");
  }

  /** With a chosen plan fit, cost and head to head follow, and one click leads back. */
  @Test
  public void aChosenPlanIsReadEverywhere() throws Exception {
    for (String step : List.of("fit", "cost", "overview", "versus", "contenders", "firmness")) {
      String page = page(id, step + "?on.slotmeer=fleet");
      has(
          page.replaceAll("<[^>]*>", " "),
          "Read with chosen plans: Fleet of Slotmeer.",
          "Read any plan");
      assertTrue(page.contains("href=\"/selections/" + id + "/" + step + "\""), step);
    }
    has(text("fit?on.slotmeer=fleet"), "Fleet, yearly, up front; chosen", "843.20");
    // whoever then asks for other people still reads the chosen plan
    has(page(id, "cost?on.slotmeer=fleet"), "name=\"on.slotmeer\" value=\"fleet\"");
    has(text("cost?on.slotmeer=fleet&people=10"), "136.00", "Read with chosen plans");
    // plan by plan is about all of them
    String plans = text("plans?contender=slotmeer&on.slotmeer=fleet");
    has(plans, "Solo out", "Crew meets your needs", "Fleet meets your needs");
    // the working of a figure is that of the plan chosen
    MockHttpServletResponse why =
        send(
            MockMvcRequestBuilders.get(
                "/selections/" + id + "/why?figure=steady&contender=slotmeer&on.slotmeer=fleet"),
            "ilse");
    has(why.getContentAsString(StandardCharsets.UTF_8), "Fleet", "843.20");
    // what is no plan of it is not looked at
    assertFalse(text("fit?on.slotmeer=nothing").contains("Read with chosen plans"));
  }

  @Test
  public void theAnswerForOneTenAndAHundredIsReadInOneLook() throws Exception {
    String page = text("contenders?sizes=25");
    has(page, "By size of buyer 1 person 10 people 100 people", "Leads Slotmeer");
    has(page, "1 person 10 people 25 people 62 people, fewest 100 people 111 people, most");
    has(text("contenders?sizes=0"), "A number of people lies between 1 and 5,000; found 0.");
    has(text("contenders?sizes=a,b"), "&quot;a&quot; is not a whole number");
    has(text("contenders?sizes=1,2,3,4,5"), "Name up to 4 numbers of people; found 5.");
  }

  /** Somebody with two names and two pages, and nothing else said. */
  @Test
  public void nobodyCountedAndNothingNeededStillShowsPrices() throws Exception {
    MockHttpServletRequestBuilder begin = MockMvcRequestBuilders.post("/selections/new");
    Map.of("title", "Which of the two?", "people", "", "growth", "0", "currency", "EUR")
        .forEach(begin::param);
    MockHttpServletResponse begun = send(begin, "ilse");
    String address = begun.getRedirectedUrl();
    assertTrue(
        address != null && address.endsWith("/contenders"),
        begun.getStatus() + " " + begun.getContentAsString());
    long own = Long.parseLong(address.replaceAll("\\D+", ""));
    has(text(own, "contenders"), "Paste the first price page");
    for (String slug : List.of("slotmeer", "halvard-desk")) {
      send(
          MockMvcRequestBuilders.post("/selections/" + own + "/contenders").param("slug", slug),
          "ilse");
    }
    String page = text(own, "contenders");
    has(
        page,
        "For 10 people",
        "Nothing is needed yet: this is what the pages say, as far as is known.",
        "Nobody is counted yet.",
        "Cheapest by headcount: Slotmeer up to",
        "how many of these do you use?",
        "1 person 10 people 100 people");
    assertFalse(page.contains("Paste the"), "two are enough");
    has(text(own, "contenders?people=40"), "For 40 people the plans read here cost");
    // every page reads the same people, and says so
    has(text(own, "overview"), "nobody is counted yet", "nobody counted yet, read for 10 people");
    has(
        text(own, "overview"),
        "0.00 a month in Dec 2026, for 10 people; 0.00 over the 36 months",
        "Cheapest by headcount: Slotmeer up to");
    has(text(own, "overview?people=40"), "for 40 people");
    assertFalse(text(own, "overview").contains("You will have"));
    // and nothing is proposed without saying for whom
    MockHttpServletResponse refused =
        post(
            own,
            "ilse",
            "decision/propose",
            Map.of("choice", "slotmeer", "reasons", "x", "givenUp", "y"));
    has(refused.getContentAsString(StandardCharsets.UTF_8), "Nobody is counted yet");
  }

  @Test
  public void theScoreCardSaysWhoWinsWhereAndWhy() throws Exception {
    for (String step : List.of("overview", "decision")) {
      String page = text(step);
      has(
          page,
          "Slotmeer and Pierbook are level in the heaviest criterion, Ease at the freight desk.",
          "Quaymate wins What should be there (19 % of the weight)",
          "“My clerk booked a lorry while on the phone, first try.” Odile Brannock, Slotmeer",
          "Halvard Desk costs 16,333.72 EUR over 36 months",
          "A clerk on the first day books a lorry with the phone at the ear.",
          "“There is no signal below the car deck.” Joren Talvik",
          "an edge , still open".replace(" ,", ","),
          "Cost 19 %, clear");
    }
  }

  /** A reader of closed views sees no mark, so nobody is named as ahead by marks. */
  @Test
  public void whoeverSeesNoMarksIsToldThatItIsOpen() throws Exception {
    String seen =
        send(MockMvcRequestBuilders.get("/selections/1/overview"), "pia")
            .getContentAsString(StandardCharsets.UTF_8)
            .replaceAll("<[^>]*>", " ")
            .replaceAll("\\s+", " ");
    has(seen, "? ? ? ? ? still open");
    // neither is the page at odds with itself, nor is a reader told to hand in a view
    has(seen, "3 of 4 have set weights", "No weights are in these figures: each line counts");
    has(seen, "Whoever has handed in a view sees them.");
    assertFalse(seen.contains("a tie, still open"), seen);
  }

  @Test
  public void anOpinionStandsBesideWhatIsProvedAndInTheFile() throws Exception {
    long id = intake.take(Demo.file(), "Ilse Maren");
    String words = "one person books for <many> & more";
    assertEquals(
        post(id, "odile", "contenders/slotmeer/opinion", Map.of("words", words)).getStatus(), 302);
    // it is part of a view: the others see it once that is handed in, oneself at once
    String own = "Opinion, Odile Brannock: one person books for &lt;many&gt; &amp; more";
    assertFalse(page(id, "overview").contains(own));
    has(
        send(MockMvcRequestBuilders.get("/selections/" + id + "/overview"), "odile")
            .getContentAsString(StandardCharsets.UTF_8),
        own);
    SelectionFile.MemberPart odile = member(id, "Odile Brannock");
    assertEquals(odile.said(), List.of(new SelectionFile.OpinionPart("slotmeer", words)));
    long copy = intake.take(selections.load(id).file(), "Ilse Maren");
    assertEquals(member(copy, "Odile Brannock").said(), odile.said());
    post(id, "odile", "contenders/slotmeer/opinion", Map.of("words", ""));
    assertEquals(member(id, "Odile Brannock").said(), List.of());
    assertEquals(
        post(id, "pia", "contenders/slotmeer/opinion", Map.of("words", "x")).getStatus(), 403);
    assertEquals(
        post(id, "ilse", "contenders/nobody/opinion", Map.of("words", "x")).getStatus(), 404);
    int seats = selections.load(id).seats().size();
    for (String tooLong : List.of("y".repeat(401), "\uD83D\uDE00".repeat(400))) {
      assertEquals(
          post(id, "ilse", "contenders/slotmeer/opinion", Map.of("words", tooLong)).getStatus(),
          302);
    }
    assertEquals(selections.load(id).seats().size(), seats);
  }

  private SelectionFile.MemberPart member(long of, String name) {
    return selections.load(of).file().panel().stream()
        .filter(part -> part.name().equals(name))
        .reduce((first, last) -> last)
        .orElseThrow();
  }

  @Test
  public void whatIsLookedAtAndNotNeededIsKeptWithTheReason() throws Exception {
    long id = intake.take(Demo.file(), "Ilse Maren");
    String before = text(id, "plans?contender=slotmeer");
    // as on the table of all plans: what is not sold for so many has no price and no step
    has(before, "at its cheapest term too small 446.40 yearly, up front 843.20");
    has(before, "More than the plan before — + 396.80");
    // what only a plan has that is not confirmed, or that has no price
    has(
        text(id, "plans?contender=pierbook"),
        "Works offline on deck in Port takes Port, not confirmed");
    has(
        text(id, "plans?contender=tollen-suite"),
        "Waiting list in Whole house takes Whole house, whose price is not known");
    has(before, "7 of 8 looked at", "Waiting list in Fleet takes Fleet, +396.80 EUR a month");
    Map<String, String> not =
        Map.of("capability", "languages", "because", "we write English and Dutch");
    assertEquals(post(id, "odile", "contenders/slotmeer/looked", not).getStatus(), 302);
    has(
        text(id, "plans?contender=slotmeer"),
        "8 of 8 looked at",
        "not needed: we write English and Dutch (Odile Brannock)");
    SelectionFile file = selections.load(id).file();
    assertEquals(
        file.contenders().getFirst().needless(),
        List.of(
            new SelectionFile.NotNeededPart(
                "Languages", "we write English and Dutch", "Odile Brannock")));
    long copy = intake.take(file, "Ilse Maren");
    has(text(copy, "plans?contender=slotmeer"), "8 of 8 looked at");
    post(
        id,
        "odile",
        "contenders/slotmeer/looked",
        Map.of("capability", "languages", "undo", "true"));
    has(text(id, "plans?contender=slotmeer"), "7 of 8 looked at");
    assertEquals(
        post(
                id,
                "odile",
                "contenders/slotmeer/looked",
                Map.of("capability", "wings", "because", "x"))
            .getStatus(),
        404);
    for (String because : List.of(" ", "\uD83D\uDE00".repeat(200))) {
      assertEquals(
          post(
                  id,
                  "odile",
                  "contenders/slotmeer/looked",
                  Map.of("capability", "languages", "because", because))
              .getStatus(),
          302);
    }
    has(text(id, "plans?contender=slotmeer"), "7 of 8 looked at");
  }

  /** A must from a month on changes plan and cost from there, and only there. */
  @Test
  public void aNeedThatBeginsLaterChangesPlanAndCostFromThere() throws Exception {
    SelectionFile file = Demo.file();
    List<Brief.NeedPart> needs =
        file.brief().needs().stream()
            .map(part ->
                part.capability().equals("Waiting list")
                    ? new Brief.NeedPart(
                        part.capability(),
                        "must",
                        null,
                        false,
                        null,
                        null,
                        part.askedBy(),
                        part.why(),
                        "2028-07",
                        null,
                        null,
                        null)
                    : part)
            .toList();
    long later =
        intake.take(
            new SelectionFile(
                file.format(),
                file.version(),
                file.brief().withNeeds(needs),
                file.contenders(),
                file.panel(),
                null),
            "Ilse Maren");
    has(
        text(later, "fit"),
        "must, from Jul 2028",
        "Crew is enough until Jun 2028, then Fleet (Waiting list: not in this plan)");
    has(page(later, "need"), "value=\"2028-07\"");
    assertEquals(selections.load(later).file().brief().needs(), needs);
    has(text(later, "cost?month=17"), "Crew, yearly, up front");
    has(text(later, "cost?month=18"), "Fleet, yearly, up front");
  }

  @Test
  public void whatIsOpenIsShownIfConfirmedAndShouldsHaveTheirPrice() throws Exception {
    String fit = text("fit");
    has(
        fit,
        "266.00 on Jetty if confirmed",
        "Pierbook : For 62 people it would cost 266.00 a month on Jetty, monthly.",
        "It would not lead even then.",
        "Jetty, Two-way calendar link: not known; confirm it",
        "Waiting list should, weight 3 21,171.28 Fleet, monthly, then Fleet, yearly, up front");
    has(text("cost"), "If confirmed", "266.00 on Jetty if confirmed");
  }
}
