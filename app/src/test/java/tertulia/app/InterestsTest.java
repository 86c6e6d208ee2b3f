package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.display.AdviceResults;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Disinterested;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Totals;

/** What is read without those who gain if they are believed. */
public class InterestsTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;

  private Document page(String who, String path) throws Exception {
    MockHttpServletResponse answer =
        mvc.perform(
                MockMvcRequestBuilders.get(URI.create(path))
                    .with(user(people.loadUserByUsername(who))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getStatus(), 200, path);
    return Jsoup.parse(answer.getContentAsString(StandardCharsets.UTF_8));
  }

  private static String said(Document page) {
    Element said = page.getElementById("interests");
    return said == null ? "" : said.text();
  }

  private static List<Totals.Standing> standings(Selection selection) {
    return Evaluation.of(selection, WhatIf.START).scores().totals().orElseThrow().standings();
  }

  private static String ahead(List<Totals.Standing> standings) {
    BigDecimal by =
        standings.get(0).total().midpoint().subtract(standings.get(1).total().midpoint());
    return Figures.score(Interval.exactly(by));
  }

  @Test
  public void theSentenceIsThatOfTwoEvaluationsAndTheSwitchReadsTheOther() throws Exception {
    LocalDate day = LocalDate.parse("2026-11-24");
    List<Totals.Standing> with = standings(selections.load(1, day).selection());
    List<Totals.Standing> without = standings(selections.load(1, day, true).selection());
    assertEquals(with.getFirst().contender(), "halvard-desk");
    assertEquals(without.getFirst().contender(), "halvard-desk");
    String sentence =
        "1 mark comes from someone with an interest. Without it Halvard Desk still leads, by "
            + ahead(without)
            + " instead of "
            + ahead(with)
            + ".";
    for (String step : List.of("overview", "fit", "marks", "firmness", "decision")) {
      Document page = page("ilse", "/selections/1/" + step);
      assertEquals(said(page), sentence + " read everything without that", step);
      assertEquals(
          page.select("#interests a").attr("href"), "/selections/1/" + step + "?interests=out");
    }
    assertEquals(said(page("ilse", "/selections/1/cost")), "");
    Document out = page("ilse", "/selections/1/cost?interests=out&people=80");
    assertEquals(
        said(out),
        sentence + " Everything here is calculated without them. read everything with that");
    assertEquals(out.select("#interests a").attr("href"), "/selections/1/cost?people=80");
    assertEquals(out.select("#whatif [name=interests]").val(), "out");
    assertEquals(
        page("ilse", "/selections/1/marks?interests=out")
            .getElementById("total-halvard-desk")
            .text()
            .split(" ")[0],
        Figures.score(without.getFirst().total()));
  }

  /** Reading without changes what counts and nothing that was entered. */
  @Test
  public void whatWasEnteredStaysInItsFields() throws Exception {
    Document marks = page("odile", "/selections/1/marks?interests=out");
    assertEquals(
        marks.select("#mark-help-halvard-desk option[selected]").val(), "9", "her own mark");
    assertEquals(
        page("ilse", "/selections/1/overview?interests=out").select(".hairlist").text(),
        page("ilse", "/selections/1/overview").select(".hairlist").text(),
        "nothing is missing that was given");
    assertTrue(
        page("ilse", "/selections/1/marks")
            .getElementById("value-help-halvard-desk")
            .parent()
            .text()
            .contains("interest of Odile Brannock: my brother-in-law works for the vendor"));
  }

  /** Said once, it stands beside every mark of the contender, those given afterwards, too. */
  @Test(dependsOnMethods = "whatWasEnteredStaysInItsFields")
  public void anInterestIsSaidOnceForAllMarksOfAContender() throws Exception {
    assertEquals(
        page("ilse", "/selections/1/marks").select(".interestbox summary").text(),
        "You have stated no interest in any contender.");
    assertEquals(post("marks/interest", "contender", "slotmeer", "interest", " A friend. "), 302);
    assertEquals(interestsIn("slotmeer"), List.of("A friend.", "A friend."));
    assertEquals(
        page("ilse", "/selections/1/marks").select(".interestbox summary").text(),
        "You have an interest in Slotmeer: “A friend.”.");
    assertEquals(
        post("marks", "criterion", "ease", "contender", "slotmeer", "mark", ""), 200, "taken back");
    assertEquals(interestsIn("slotmeer"), List.of("A friend."));
    assertEquals(post("marks", "criterion", "ease", "contender", "slotmeer", "mark", "8"), 200);
    assertEquals(interestsIn("slotmeer"), List.of("A friend.", "A friend."), "and given again");
    assertEquals(post("marks/interest", "contender", "nobody", "interest", "x"), 404);
    assertEquals(post("marks/interest", "contender", "slotmeer", "interest", "x".repeat(401)), 422);
    assertEquals(post("marks/interest", "contender", "slotmeer", "interest", ""), 302);
    assertEquals(interestsIn("slotmeer"), List.of());
  }

  private int post(String path, String... fields) throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/1/" + path)
            .with(csrf())
            .with(user(people.loadUserByUsername("ilse")));
    for (int i = 0; i < fields.length; i += 2) {
      request = request.param(fields[i], fields[i + 1]);
    }
    return mvc.perform(request).andReturn().getResponse().getStatus();
  }

  private List<String> interestsIn(String contender) {
    return selections.load(1).selection().panel().members().stream()
        .filter(member -> member.name().equals("Ilse Maren"))
        .flatMap(member -> member.marks().values().stream())
        .flatMap(marks -> Stream.ofNullable(marks.get(contender)))
        .map(Mark::interest)
        .filter(interest -> !interest.isEmpty())
        .toList();
  }

  @Test
  public void whoMayNotSeeAMarkIsNotToldOfItsInterest() throws Exception {
    assertEquals(said(page("joren", "/selections/1/marks")), "");
    assertNull(page("joren", "/selections/1/marks").select("#interests a").first());
  }

  /** What goes out says it in the same words. */
  @Test
  public void theRecordAndTheResultsSayIt() throws Exception {
    String sentence =
        said(page("ilse", "/selections/1/decision")).replaceFirst(" read every.*", "");
    assertEquals(
        AdviceResults.with(selections.load(1).entered(), selections.load(1).file()).interests(),
        sentence);
    assertTrue(
        page("ilse", "/selections/1/decision.md").text().contains(sentence.substring(0, 40)),
        "in the record");
  }

  @Test
  public void aFactFallsToTheNextSource() {
    SelectionFile file = Demo.file();
    ToolSheet slotmeer = file.contenders().getFirst().tool();
    ToolSheet.PlanPart plan = slotmeer.plans().getFirst();
    ToolSheet.SourcePart sold =
        new ToolSheet.SourcePart(
            "2026-11-20", "tried-by-hand", "A seller", "", "", "paid by the sale");
    List<ToolSheet.FactPart> facts = new ArrayList<>(plan.facts());
    ToolSheet.FactPart first =
        facts.stream().filter(fact -> fact.answer().equals("yes")).findFirst().orElseThrow();
    facts.addFirst(new ToolSheet.FactPart(first.capability(), "", "partly", "", sold));
    ToolSheet told =
        slotmeer
            .withPlans(List.of(plan.withFacts(facts)))
            .withRatings(List.of(new ToolSheet.RatingPart("5", 40, sold)));
    SelectionFile with = file.withContenders(List.of(new SelectionFile.ContenderPart(told, null)));
    assertEquals(
        Disinterested.in(with), new Disinterested.Interests(1, 1, 1), "a fact, a rating, a mark");
    SelectionFile without = Disinterested.of(with);
    assertEquals(Disinterested.in(without).facts() + Disinterested.in(without).ratings(), 0);
    Capability capability = new Capability(Codes.slug(first.capability()), first.capability());
    assertEquals(answer(with, capability), Answer.PARTLY);
    assertEquals(Codes.code(answer(without, capability)), first.answer());
    assertEquals(Disinterested.of(without), without, "once is as good as twice");
  }

  private static Answer answer(SelectionFile file, Capability capability) {
    return new ToolReader(new Faults())
        .tool("", file.contenders().getFirst().tool())
        .orElseThrow()
        .offerings()
        .getFirst()
        .fact(capability)
        .answer();
  }
}
