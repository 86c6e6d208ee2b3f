package tertulia.app.decision;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.MovableClock;
import tertulia.app.ServedTest;

/** The decision of eleven months ago, held against today. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:thennow;DB_CLOSE_DELAY=-1")
public class ThenAndNowTest extends ServedTest {
  private static final String AT = "/selections/2/look-again";
  @Autowired private Decisions decisions;
  @Autowired private LookBack lookBack;
  @Autowired private MovableClock clock;

  @AfterMethod
  public void today() {
    clock.moveTo("2026-11-24");
  }

  private Document page(String who, String path) throws Exception {
    MockHttpServletResponse answer = ask(who, MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return Jsoup.parse(answer.getContentAsString(StandardCharsets.UTF_8));
  }

  private static List<String> conditions(Document page) {
    return page.select(".condition").stream()
        .map(c -> c.select("b").text() + ": " + c.select("p").text())
        .toList();
  }

  @Test
  public void oneClickTellsWhetherItHoldsAndWhatChangedIt() throws Exception {
    Document page = page("pia", AT);
    assertEquals(
        page.select(".lookback h2").first().text(), "By today’s totals we would decide the same.");
    assertEquals(
        page.select(".saysline").text(),
        "Rigglet is ahead today, by 0.002. Werfplan was ahead by 0.005 when it was decided. Rigglet"
            + " costs 1,080.00 EUR over 36 months, 216.00 EUR more than when it was decided. 840.00"
            + " EUR of it is for the 26 months from today on. Keelboard, begun today, would cost"
            + " 3,630.98 EUR for these months.");
    assertEquals(
        conditions(page),
        List.of(
            "The price of its plan rises by at most 10 %: Broken since 14 Oct 2026: 37.5 % more"
                + " than when it was decided.",
            "It costs at most 30.00 EUR a month: Will break in January 2027, as planned today:"
                + " 33.00 EUR then.",
            "At most 14 people in Contractors: Broken since November 2026: 18 people today.",
            "It costs at most 1,200.00 EUR over 36 months: Holds: 1,080.00 EUR.",
            "It still has “Refit templates”: Holds."));
    assertFalse(page.select("form[action$=holds]").size() > 0, "a reader reads");
    assertEquals(page("joren", AT).select("form[action$=holds]").size(), 1);
  }

  private static BigDecimal amount(String text) {
    return new BigDecimal(text.replace("−", "-").replace("+", "").replace(",", ""));
  }

  @Test
  public void theCausesAddUpInEveryTable() throws Exception {
    Document page = page("ilse", AT);
    List<Element> rows = page.select(".changes tbody tr");
    assertTrue(rows.size() >= 3, "" + rows);
    for (int column = 0; column < 3; column++) {
      BigDecimal sum = BigDecimal.ZERO;
      for (Element row : rows.subList(0, rows.size() - 1)) {
        sum = sum.add(amount(row.select(".amount").get(column).text()));
      }
      assertEquals(
          sum.compareTo(amount(rows.getLast().select(".amount").get(column).text())), 0, "" + rows);
    }
    for (Element table : page.select(".causes table")) {
      List<Element> levels = table.select("tbody tr");
      for (int column = 0; column < 2; column++) {
        BigDecimal level = amount(levels.getFirst().select(".amount").get(column).text());
        for (Element row : levels.subList(1, levels.size() - 1)) {
          level = level.add(amount(row.select(".amount").get(column).text()));
        }
        assertEquals(
            level.compareTo(amount(levels.getLast().select(".amount").get(column).text())),
            0,
            table.text());
      }
    }
    assertEquals(page.select(".causes table").size(), 3);
    String changed = page.select(".changes").text();
    assertTrue(changed.contains("Rigglet, Dinghy: Account, monthly: 29.00 → 39.00"), changed);
    assertTrue(changed.contains("GBP to EUR: 1.1418 → 1.1642"), changed);
    assertTrue(changed.contains("Contractors: 14 in November 2026 then, 18 now"), changed);
  }

  /**
   * What stands on the page is the first thing its working says, frozen, today and part by part.
   */
  @Test
  public void everyFigureLeadsToItsWorking() throws Exception {
    int asked = 0;
    for (String path : List.of("/selections/2/record", AT)) {
      for (Element figure : page("pia", path).select("article [data-why], .lookback [data-why]")) {
        String working = page("pia", figure.attr("data-why")).text();
        String said = figure.text().replace("+", "").replaceAll(" EUR$", "");
        if (!said.equals("0")) {
          // a score is read to three decimals, and worked out to more
          boolean rounded =
              said.matches("0\\.\\d{3}")
                  && Pattern.compile("0\\.\\d{4,}")
                      .matcher(working)
                      .results()
                      .map(found -> new BigDecimal(found.group()).setScale(3, RoundingMode.HALF_UP))
                      .anyMatch(new BigDecimal(said)::equals);
          assertTrue(rounded || working.contains(said), path + " " + figure + ": " + working);
        }
        asked++;
      }
    }
    assertTrue(asked > 25, "" + asked);
    String part = page("pia", AT + "/why?contender=werfplan&of=cost&cause=prices").text();
    assertTrue(part.contains("the mean over all"), part);
    assertTrue(part.contains("coming first"), part);
    assertEquals(
        ask("pia", MockMvcRequestBuilders.get(AT + "/why?contender=x&of=cost&cause=prices"))
            .getStatus(),
        404);
    assertEquals(
        ask("pia", MockMvcRequestBuilders.get(AT + "/why?contender=rigglet&of=cost&cause=moon"))
            .getStatus(),
        404);
    assertEquals(
        ask("pia", MockMvcRequestBuilders.get("/selections/1/record/why?figure=total")).getStatus(),
        404);
  }

  /** What the record froze is where it starts, and the picture ends where the sentence does. */
  @Test
  public void whatIsThenIsWhatWasFrozen() {
    LookBack.LookedAt looked = looked();
    looked
        .then()
        .results()
        .contenders()
        .forEach(frozen -> {
          if (frozen.setAside() == null) {
            assertEquals(
                looked
                    .differences()
                    .of(frozen.id())
                    .orElseThrow()
                    .cost()
                    .orElseThrow()
                    .then()
                    .toPlainString(),
                frozen.horizon().amount(),
                frozen.name());
          }
        });
    LookBackView view =
        LookBackView.of(looked, 2, Map.of("rigglet", 1), LocalDate.of(2026, 11, 24));
    assertTrue(view.costs().contains("864.00") && view.costs().contains("1,080.00"), view.costs());
    assertEquals(
        view.axis(),
        "The axes do not begin at 0: that of the cost at 800, that of the totals at 0.65.");
  }

  private LookBack.LookedAt looked() {
    return lookBack.at(2, decisions.find(2).orElseThrow()).orElseThrow();
  }

  @Test
  public void theFirstPageAndTheOverviewWarn() throws Exception {
    String warning =
        "There are five conditions. Two of them are broken. One will break, as planned today.";
    assertTrue(page("joren", "/selections").text().contains(warning));
    assertTrue(page("joren", "/selections/2/overview").text().contains(warning));
    Document decision = page("joren", "/selections/2/decision");
    assertTrue(decision.select("#again").text().contains(warning), decision.text());
    assertEquals(decision.select("#again a").attr("href"), AT);
  }

  /** On the last day of a month, on 29 February, after the plan: nothing falls over. */
  @Test
  public void itIsReadOnAnyDay() throws Exception {
    clock.moveTo("2026-10-14");
    List<String> onTheDay = conditions(page("pia", AT));
    assertTrue(onTheDay.getFirst().contains("Broken since 14 Oct 2026"), "" + onTheDay);
    assertTrue(
        onTheDay.get(2).contains("Holds") || onTheDay.get(2).contains("Will break"), "" + onTheDay);
    clock.moveTo("2025-12-22");
    List<String> atOnce = conditions(page("pia", AT));
    assertTrue(atOnce.getFirst().endsWith("Holds: the same as when it was decided."), "" + atOnce);
    for (String later : List.of("2027-11-30", "2028-12-31", "2029-01-31")) {
      clock.moveTo(later);
      assertTrue(
          page("pia", AT).select(".saysline").text().contains("Rigglet costs 1,080.00 EUR"),
          later + ": a page of two years ago was paid since then");
    }
    clock.moveTo("2028-02-29");
    assertFalse(conditions(page("pia", AT)).isEmpty());
    clock.moveTo("2029-01-31");
    List<String> over = conditions(page("pia", AT));
    assertTrue(over.get(1).endsWith("the months of the plan are over."), "" + over);
    assertFalse(page("pia", AT).text().contains("from today on"), "no months are left");
  }

  /**
   * What a release cannot read any more, or what is in another currency, is compared with nothing.
   */
  @Test
  public void whatCannotBeComparedIsNot() {
    Decisions.Stored stored = decisions.find(2).orElseThrow();
    String frozen = Objects.requireNonNull(stored.snapshot());
    for (String other :
        List.of(
            frozen.replace("\"importance\" : \"must\"", "\"importance\" : \"at all costs\""),
            frozen.replace("\"currency\" : \"EUR\"", "\"currency\" : \"SEK\""))) {
      assertNotEquals(other, frozen);
      assertEquals(
          lookBack.at(2, new Decisions.Stored(stored.decision(), other, null, 0, "")),
          Optional.empty());
    }
  }

  @Test
  public void whatIsNotDecidedIsNotLookedAtAgain() throws Exception {
    assertTrue(page("pia", "/selections/1/look-again").text().contains("Nothing is decided here"));
    assertEquals(
        lookBack.at(
            1, new Decisions.Stored(decisions.find(2).orElseThrow().decision(), null, null, 0, "")),
        Optional.empty());
  }
}
