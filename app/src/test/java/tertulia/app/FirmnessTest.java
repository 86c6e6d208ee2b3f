package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.display.AdviceResults;
import tertulia.app.display.AdviceWords;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Results;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.firmness.Reweighed;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Terms;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Totals;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.sensitivity.Sizes;

/** How firm the answer is, from the sentences to the scenarios and what goes out. */
public class FirmnessTest extends ServedTest {
  private static final Pattern FROM = Pattern.compile("for ([0-9,]+) people or more");
  private static final Pattern UP_TO = Pattern.compile("up to ([0-9,]+) people");
  private static final Pattern PERCENT =
      Pattern.compile("the weight of “[^”]+” is at (?:least|most) ([0-9]+)\u00a0%");
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;

  private MockHttpServletResponse answer(String who, String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get(URI.create(path))
                .with(csrf())
                .with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private Document page(String who, String path) throws Exception {
    MockHttpServletResponse answer = answer(who, path);
    assertEquals(answer.getStatus(), 200, path);
    return Jsoup.parse(answer.getContentAsString(StandardCharsets.UTF_8));
  }

  /** Everything the demonstration can be asked: three questions, months, growth and terms. */
  private List<Evaluation> readings() {
    List<Evaluation> readings = new ArrayList<>();
    for (long id = 1; id <= 3; id++) {
      Selection selection = selections.load(id).selection();
      for (int month : new int[] {0, 17}) {
        for (Scenario scenario : selection.scenarios()) {
          for (Terms terms : new Terms[] {Terms.ANY, Terms.MONTHLY}) {
            readings.add(
                Evaluation.of(
                    selection,
                    new WhatIf(
                        new WhatIf.Moment.Month(month),
                        scenario,
                        terms,
                        CostTiming.SPREAD,
                        WhatIf.Basis.SUBSCRIPTION)));
          }
        }
      }
    }
    return readings;
  }

  /** A number in a sentence is taken out of it and tried: there it is so, one further it is not. */
  @Test
  public void theNumbersOfTheSentencesHoldAndOneFurtherDoNot() {
    int tried = 0;
    int bySize = 0;
    for (Evaluation read : readings()) {
      Sensitivity sensitivity = new Sensitivity(read);
      AdviceWords words = new AdviceWords(read.selection());
      for (Advice.BySize.Range range :
          new AdviceFindings(sensitivity).bySize().map(Advice.BySize::ranges).orElse(List.of())) {
        String sentence = words.of(new Advice.BySize(List.of(range), false));
        Sizes sizes = sensitivity.byHeadcount().orElseThrow();
        int both =
            size(sizes, range.tool(), FROM.matcher(sentence), -1)
                + size(sizes, range.tool(), UP_TO.matcher(sentence), 1);
        tried += both;
        bySize += both;
      }
      for (Advice.Take take : new AdviceFindings(sensitivity).takes()) {
        String sentence = words.of(take);
        String name = read.selection().contender(take.tool()).tool().name();
        assertTrue(sentence.startsWith("Choose " + name), sentence);
        assertTrue(sentence.endsWith("."), sentence);
        for (Condition condition : take.when()) {
          if (condition instanceof Condition.Weight weight) {
            Matcher percent = PERCENT.matcher(sentence);
            if (percent.find()) {
              int number = Integer.parseInt(percent.group(1));
              boolean least = number == weight.from();
              assertTrue(least || number == weight.to(), sentence);
              Totals totals = read.scores().totals().orElseThrow();
              assertTrue(leads(totals, take.tool(), weight.criterion(), number), sentence);
              assertFalse(
                  leads(totals, take.tool(), weight.criterion(), number + (least ? -1 : 1)),
                  sentence);
              tried++;
            }
          }
        }
      }
    }
    assertTrue(tried > 10 && bySize > 3, bySize + " sizes of " + tried + " numbers were tried");
  }

  /** Whether it is above all others for certain with so many percent for one criterion. */
  private static boolean leads(Totals totals, String tool, Criterion criterion, int percent) {
    Reweighed reweighed = new Reweighed(totals);
    BigDecimal weight = BigDecimal.valueOf(percent, 2);
    BigDecimal mine = reweighed.total(tool, criterion, weight).low();
    return totals.values().keySet().stream()
        .filter(other -> !other.equals(tool))
        .allMatch(other -> Totals.isAbove(mine, reweighed.total(other, criterion, weight).high()));
  }

  private static int size(Sizes sizes, String tool, Matcher found, int beyond) {
    if (!found.find()) {
      return 0;
    }
    int people = Integer.parseInt(found.group(1).replace(",", ""));
    assertEquals(sizes.certainLeader(people), Optional.of(tool), found.group());
    assertFalse(sizes.certainLeader(people + beyond).equals(Optional.of(tool)), found.group());
    return 1;
  }

  @Test
  public void theMiddleSelectionSaysFirstThatItIsNotFirm() throws Exception {
    String says =
        "Halvard Desk leads, but not firmly: what is still unknown could put Quaymate first.";
    Document firmness = page("ilse", "/selections/1/firmness");
    assertTrue(
        firmness.select(".bigsay").text().startsWith(says), firmness.select(".bigsay").text());
    Document overview = page("odile", "/selections/1/overview");
    assertTrue(overview.select(".bigsay").text().startsWith(says));
    String besides = overview.select(".besides").text();
    assertTrue(
        besides.contains("Choose Pierbook if “At least 40 languages” is a must-have"), besides);
    assertTrue(
        besides.contains("Find out first how good Quaymate is at “Help when it breaks”"), besides);
    assertFalse(firmness.select("#ranks svg circle").isEmpty());
    assertFalse(firmness.select("#by-size svg path.area").isEmpty());
    assertEquals(firmness.select("#rooms tbody").first().select("tr").size(), 5);
  }

  /** Whoever has not handed in reads nothing of the others' views here either. */
  @Test
  public void viewsThatAreNotShownAreNotSensedHere() throws Exception {
    String own = page("joren", "/selections/1/firmness").text();
    assertFalse(own.contains("Odile Brannock’s view"), own);
    assertFalse(own.contains("Halvard Desk leads, but not firmly"), own);
    assertTrue(own.contains("rests on cost alone") || own.contains("have set weights"), own);
    String pull =
        answer("joren", "/selections/1/firmness/pull?criterion=ease&weight=50")
            .getContentAsString();
    assertFalse(pull.contains("With 50"), "there are no totals for him to pull");
  }

  @Test
  public void aPulledWeightIsTheTableReweighedAndKeepsNothing() throws Exception {
    Document pulled = page("odile", "/selections/1/firmness/pull?criterion=cost&weight=100");
    assertTrue(pulled.text().startsWith("With 100 % for “Cost”"), pulled.text());
    // 16,333.72 over 36 months, on the scale from 1,100 to 300 a month
    assertEquals(pulled.select("tr").first().text(), "Halvard Desk 0.808");
    assertEquals(
        answer("odile", "/selections/1/firmness/pull?criterion=cost&weight=101").getStatus(), 404);
    assertEquals(
        answer("odile", "/selections/1/firmness/pull?criterion=none&weight=5").getStatus(), 404);
    assertEquals(
        answer("odile", "/selections/1/firmness/pull?criterion=cost&weight=x").getStatus(), 400);
  }

  /** Each row asks for the next; the last one says what mattered. */
  @Test
  public void scenariosComeARowAtATime() throws Exception {
    Document whole = page("odile", "/selections/1/firmness/scenarios");
    assertEquals(whole.select(".grid thead th").size(), 2 + 9, "three growths with three rises");
    Element next = whole.selectFirst("tr.waiting");
    int rows = 0;
    String mattering = "";
    while (next != null) {
      assertTrue(next.text().startsWith("row " + (rows + 1) + " of 4"), next.text());
      String row = answer("odile", next.attr("hx-get")).getContentAsString(StandardCharsets.UTF_8);
      Document parsed = Jsoup.parse("<table>" + row + "</table>");
      assertEquals(parsed.select("tr").first().select("td").size(), 1 + 9);
      mattering = parsed.select("#mattering").text();
      next = parsed.selectFirst("tr.waiting");
      rows++;
    }
    assertEquals(rows, 4, "every must and one given up, any terms and monthly");
    assertTrue(
        mattering.startsWith("Who leads depends on") || mattering.startsWith("No combination"),
        mattering);
  }

  @Test
  public void whatCannotBeCombinedIsSaidInASentence() throws Exception {
    String path = "/selections/1/firmness/scenarios?combine=yes&sgrowth=low&sterms=any&srise=";
    assertTrue(page("odile", path + "3;soon").text().contains("“soon” is no price rise."));
    assertTrue(
        page("odile", path + "1;2;3;4;5;6").text().contains("At most 5 price rises are combined."));
    assertTrue(
        page("odile", "/selections/1/firmness/scenarios?combine=yes&srise=3")
            .text()
            .contains("Name at least one of each: growth, rise, terms, needs."));
    assertEquals(answer("odile", path + "3&row=7").getStatus(), 404);
    assertEquals(answer("odile", path + "soon&row=0").getStatus(), 404);
    Document kept = page("odile", path + "2,5;4");
    assertEquals(kept.select("[name=srise]").val(), "2,5;4");
    assertTrue(kept.text().contains("growth low, prices 2.5 %"), kept.text());
  }

  @Test
  public void itGoesIntoTheRecordAndIntoWhatIsEvaluated() throws Exception {
    String record =
        answer("ilse", "/selections/1/decision.md").getContentAsString(StandardCharsets.UTF_8);
    assertTrue(record.contains("### How firm that is"), record);
    assertTrue(record.contains("Choose Pierbook if"), record);
    Results results = AdviceResults.with(selections.load(2).selection(), selections.load(2).file());
    Results.FirmnessResult firm = results.firmness();
    assertEquals(firm.grade(), "not-firm");
    assertEquals(firm.takeIf().getFirst().contender(), "rigglet");
    assertEquals(firm.rooms().size(), 3);
    assertEquals(
        firm.firstIn().values().stream().mapToDouble(Double::parseDouble).sum(), 1.0, 0.001);
    Results again = Json.stored(Json.write(results), Results.class);
    assertEquals(again, results, "what is written is read");
  }

  /** Nothing is compared, one alone, two without anybody at the table. */
  @Test
  public void anEmptyOneTeaches() throws Exception {
    String alone = "Nobody is on the panel yet: what follows rests on cost alone.";
    assertEquals(page("pia", "/selections/3/firmness").select(".bigsay").text(), alone);
    Document overview = page("pia", "/selections/3/overview");
    assertTrue(
        overview.select(".bigsay").text().startsWith("Hullbook is the cheapest tool that meets"));
    assertTrue(overview.select(".besides").text().contains(alone));
    for (String who : new String[] {"pia", "ilse"}) {
      assertEquals(answer(who, "/selections/3/firmness?drawn=of-the-table").getStatus(), 200);
      assertEquals(answer(who, "/selections/1/firmness?drawn=nonsense&values=x").getStatus(), 200);
    }
  }

  /** Of each kind the first of a page is asked, and every one once it is of another kind. */
  @Test
  public void everyKindOfFigureOfTheStepAnswersWhy() throws Exception {
    Set<String> kinds = new TreeSet<>();
    for (String path :
        List.of(
            "/selections/1/firmness",
            "/selections/1/firmness?sizes=calendars&people=80",
            "/selections/2/firmness?drawn=in-order&values=between-people",
            "/selections/1/firmness/scenarios?row=0",
            "/selections/2/firmness/scenarios?row=2")) {
      String page = answer("odile", path).getContentAsString(StandardCharsets.UTF_8);
      boolean row = path.contains("row=");
      Set<String> here = new HashSet<>();
      for (Element figure :
          Jsoup.parse(row ? "<table>" + page + "</table>" : page).select("[data-why]")) {
        String why = figure.attr("data-why");
        String kind = why.replaceAll(".*(/(?:firmness/)?why\\?figure=[a-z-]+).*", "$1");
        if (here.add(kind)) {
          Document working = page("odile", why);
          assertFalse(working.select(".working").isEmpty(), why);
          if (kind.equals("/firmness/why?figure=room")) {
            assertTrue(working.text().contains(figure.text()), why + ": " + working.text());
          }
        }
        kinds.add(kind.replaceAll(".*figure=", ""));
      }
    }
    assertTrue(
        kinds.containsAll(
            Set.of(
                "room",
                "upset",
                "first",
                "size",
                "discount",
                "mark",
                "weight",
                "swing",
                "answer",
                "scene",
                "step")),
        "" + kinds);
  }

  @Test
  public void whatIsNoFigureIsNotFound() throws Exception {
    for (String query :
        List.of(
            "figure=nothing",
            "figure=room&of=colour",
            "figure=room",
            "figure=size&of=people&of=0",
            "figure=size&of=people&of=many",
            "figure=size&of=boats&of=3",
            "figure=scene&of=high&of=1e9&of=any",
            "figure=discount&of=halvard-desk",
            "figure=first&of=nobody&of=any&of=as-they-count",
            "figure=first&of=rigglet&of=any&of=as-they-count",
            "figure=first&of=gangway-ledger&of=of-the-table&of=between-people",
            "figure=swing&of=luck")) {
      assertEquals(answer("odile", "/selections/1/firmness/why?" + query).getStatus(), 404, query);
    }
  }

  @Test
  public void aSetOfNeedsOfOnesOwnIsWorkedOutUnderItsName() throws Exception {
    String asked =
        "/selections/2/firmness/scenarios?combine=yes&sgrowth=expected&srise=0&sterms=any"
            + "&sname1=Deck%20%26%20shore&smust1=works-offline-on-deck&sname2=&sname3=";
    Document whole = page("ilse", asked);
    assertEquals(whole.select("[name=sname1]").val(), "Deck & shore");
    Document row =
        Jsoup.parse(
            "<table>"
                + answer("ilse", asked + "&row=1").getContentAsString(StandardCharsets.UTF_8)
                + "</table>");
    assertEquals(row.select("th").first().text(), "Deck & shore");
    Selection selection = selections.load(2).selection();
    Set<Need> dropped = new HashSet<>();
    Set<Need> required = new HashSet<>();
    for (Need need : selection.needs()) {
      boolean must = need.importance() instanceof Importance.Must;
      boolean asks = need.capability().id().equals("works-offline-on-deck");
      if (must != asks) {
        (must ? dropped : required).add(need);
      }
    }
    assertFalse(required.isEmpty());
    Evaluation then =
        Evaluation.of(
            selection.asking(
                selection.needs().stream()
                    .filter(need -> !dropped.contains(need))
                    .map(need ->
                        required.contains(need)
                            ? new Need(
                                need.capability(), new Importance.Must(false), need.outside())
                            : need)
                    .toList()),
            WhatIf.START);
    String first =
        then.scores()
            .totals()
            .map(t -> t.standings().getFirst().contender())
            .map(id -> selection.contender(id).tool().name())
            .orElse("nobody does");
    assertEquals(row.select("td .figure").first().text(), first);
  }
}
