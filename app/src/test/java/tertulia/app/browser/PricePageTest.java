package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Selections;

/** Somebody puts a price page from paper down: by keyboard, by pasting, with slips and undo. */
@FreshStore
public class PricePageTest extends BrowserTest {
  @Autowired private Catalogue catalogue;
  @Autowired private Selections selections;

  private Page blank() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/new");
    return page;
  }

  private static String price(int charge, int plan, String term) {
    return "[name='lines[" + charge + "].cells[" + plan + "].prices[" + term + "]']";
  }

  private static String plan(int plan) {
    return "[name='plans[" + plan + "].name']";
  }

  /** As a spreadsheet puts cells on the clipboard. */
  private static void paste(Page page, String field, String cells) {
    page.locator(field)
        .evaluate(
            "(field, text) => { const data = new DataTransfer(); data.setData('text/plain', text);"
                + " field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles:"
                + " true, cancelable: true })); }",
            cells);
  }

  private ToolSheet saved(Page page, String slug) {
    page.getByText("Save the price page").click();
    page.waitForURL("**/catalogue/" + slug);
    return catalogue.get(slug).sheet();
  }

  private static List<String> prices(ToolSheet sheet, int plan) {
    return sheet.plans().get(plan).prices().stream()
        .flatMap(term -> term.charges().stream())
        .map(charge -> ((ToolSheet.PerUnitPart) charge).price())
        .toList();
  }

  @Test
  public void byKeyboardAlone() {
    Page page = blank();
    page.locator("[name=name]").focus();
    page.keyboard().type("Greenshank");
    page.locator(plan(0)).focus();
    page.keyboard().type("Small");
    assertThat(page.locator(plan(1))).isVisible();
    page.locator(plan(1)).focus();
    page.keyboard().type("Large");
    assertThat(page.locator(plan(2))).hasCount(1);
    page.locator(price(0, 0, "m1")).focus();
    page.keyboard().type("6.40");
    page.keyboard().press("Enter");
    assertThat(page.locator(price(0, 0, "u12"))).isFocused();
    page.keyboard().type("5.20");
    page.locator(price(0, 1, "m1")).focus();
    page.keyboard().type("16.90");
    page.keyboard().press("Control+Enter");
    page.waitForURL("**/catalogue/greenshank");
    ToolSheet sheet = catalogue.get("greenshank").sheet();
    assertEquals(
        sheet.plans().stream().map(ToolSheet.PlanPart::name).toList(), List.of("Small", "Large"));
    assertEquals(prices(sheet, 0), List.of("6.40", "5.20"));
    assertEquals(prices(sheet, 1), List.of("16.90"));
    assertEquals(String.join("\n", complaints), "");
  }

  @Test
  public void cellsFromASpreadsheetFillTheSheet() {
    Page page = blank();
    page.locator("[name=name]").fill("Redshank");
    paste(page, plan(0), "One\tTwo\tThree\tFour\n");
    assertThat(page.locator(plan(3))).hasValue("Four");
    paste(page, price(0, 0, "m1"), "1.10\t2.20\t3.30\t4.40\r\n1.00\t2.00\t3.00\t4.00\r\n");
    assertThat(page.locator(price(0, 3, "u12"))).hasValue("4.00");
    ToolSheet sheet = saved(page, "redshank");
    assertEquals(sheet.plans().size(), 4);
    assertEquals(prices(sheet, 2), List.of("3.30", "3.00"));
  }

  @Test
  public void aPageOfManyPlansLosesNothing() {
    Page page = blank();
    page.locator("[name=name]").fill("Oystercatcher");
    StringBuilder names = new StringBuilder();
    StringBuilder prices = new StringBuilder();
    for (int p = 0; p < 24; p++) {
      names.append(p == 0 ? "" : "\t").append("Plan ").append(p);
      prices.append(p == 0 ? "" : "\t").append(p + 1).append(".50");
    }
    paste(page, plan(0), names + "\n");
    paste(page, price(0, 0, "m1"), prices + "\n");
    page.locator("#part-conditions summary").first().click();
    page.locator("[name='conditions[5].value']").fill("no");
    int fields =
        (Integer) page.evaluate("() => document.querySelectorAll('form.sheet [name]').length");
    assertTrue(fields > 1_000, fields + " fields");
    ToolSheet sheet = saved(page, "oystercatcher");
    assertEquals(sheet.plans().size(), 24);
    assertEquals(prices(sheet, 23), List.of("24.50"));
    assertEquals(sheet.conditions().getFirst().value(), "no");
  }

  @Test
  public void whatIsWrongIsSaidBesideTheCellWhileOneWrites() {
    Page page = blank();
    page.locator("[name=name]").fill("Dotterel");
    page.locator(plan(0)).fill("Works");
    page.locator(price(0, 0, "m1")).fill("eight");
    page.locator(price(0, 0, "m1")).blur();
    assertThat(page.locator("td:has(" + price(0, 0, "m1") + ") .fault"))
        .hasText("\"eight\" is not a number. Write it like 7.30, 1,200 or 4/12.");
    page.locator(price(0, 0, "m1")).fill("9.10");
    page.locator(price(0, 0, "u12")).fill("87.60");
    page.locator(price(0, 0, "u12")).blur();
    assertThat(page.locator("td:has(" + price(0, 0, "m1") + ") .fault")).hasCount(0);
    assertThat(page.locator(".doubt")).containsText("about ten times less");
    page.locator(".doubt input").check();
    ToolSheet sheet = saved(page, "dotterel");
    assertEquals(sheet.confirmed(), List.of("ten-times|Works|Seats|yearly, up front|876.00|91.00"));
    assertThat(page.locator("main .warn:not(.good)")).hasCount(0);
  }

  @Test
  public void everyKindOfChargeHasItsPlace() {
    Page page = blank();
    page.locator("[name=name]").fill("Knotwing");
    page.locator(plan(0)).fill("Works");
    page.locator("[name='lines[0].kind']").selectOption("banded-sliced");
    page.locator(price(0, 0, "m1")).fill("25 8.40\n60 6.90\nmore 5.10");
    page.locator("[name='lines[1].name']").fill("Hours");
    page.locator("[name='lines[1].kind']").selectOption("usage");
    page.locator("[name='lines[1].measure']").selectOption("recorded-hours");
    assertThat(page.locator(price(1, 0, "m1"))).isHidden();
    page.locator(price(1, 0, "all")).fill("7.00");
    page.locator("[name='lines[1].cells[0].included']").fill("15 + 1.5 a seat");
    page.locator("[name='lines[1].cells[0].pack']").fill("10");
    page.locator("[name='lines[2].name']").fill("Setting up");
    page.locator("[name='lines[2].kind']").selectOption("one-off");
    page.locator(price(2, 0, "all")).fill("240");
    page.getByText("2 and 3 years", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.locator("[data-shows=long]")).hasAttribute("aria-pressed", "true");
    page.locator(price(0, 0, "u36")).fill("25 7.40; more 4.10");
    ToolSheet sheet = saved(page, "knotwing");
    assertEquals(sheet.plans().getFirst().prices().size(), 2);
    assertThat(page.locator(".bench.page"))
        .containsText("to 25: 8.40 each; to 60: 6.90 each; above: 5.10 each EUR a month");
    assertThat(page.locator(".bench.page"))
        .containsText("7.00 EUR for each 10 begun, 15 + 1.5 a seat included");
    assertThat(page.locator(".bench.page")).containsText("3 years, up front");
  }

  @Test
  public void aPriceIsReadAsItIsWrittenAndSaysWhatItComesTo() {
    Page page = blank();
    page.locator("[name=name]").fill("Ruddock");
    page.locator(plan(0)).fill("Works");
    reads(page, price(0, 0, "m1"), "€8", "8.00 a month, 96.00 a year");
    reads(page, price(0, 0, "u12"), "84 a year", "7.00 a month, 84.00 a year");
    page.locator(plan(1)).fill("Many");
    page.locator("[name='lines[1].name']").fill("Crowd");
    page.locator("[name='lines[1].kind']").selectOption("banded-whole");
    reads(
        page,
        price(1, 1, "m1"),
        "up to 25: 90 in all; above: 5.10 each",
        "10 → 90.00, 25 → 90.00, 26 → 132.60 a month");
    page.locator(plan(2)).fill("Ask us");
    page.locator(price(0, 2, "m1")).fill("on request");
    ToolSheet sheet = saved(page, "ruddock");
    assertEquals(prices(sheet, 0), List.of("8", "84 a year"));
    assertEquals(
        ((ToolSheet.BandedPart) sheet.plans().get(1).prices().getFirst().charges().getFirst())
            .bands()
            .getFirst(),
        new ToolSheet.BandPart(25, "0", "90"));
    assertEquals(sheet.plans().get(2).prices(), List.of());
    assertThat(page.locator(".bench.page")).containsText("price on request");
  }

  private static void reads(Page page, String field, String typed, String reading) {
    page.locator(field).fill(typed);
    page.locator(field).blur();
    assertThat(page.locator("td:has(" + field + ") .reading")).hasText(reading);
  }

  @Test
  public void whatIsTypedStaysWhereItIsWhileTheSheetGrowsAndIsAnswered() {
    Page page = blank();
    // from when the page stands: its fonts come when they come
    page.evaluate(
        "() => document.fonts.ready.then(() => { window.moved = 0; new PerformanceObserver((list)"
            + " => list.getEntries().forEach((e) => { if (!e.hadRecentInput) window.moved +="
            + " e.value; })).observe({ type: 'layout-shift' }); })");
    page.locator("[name=name]").fill("Dunlin");
    page.locator(plan(0)).fill("Works");
    page.locator(price(0, 0, "m1")).fill("eight");
    page.locator(price(0, 0, "u12")).fill("7 a year");
    page.locator(price(0, 0, "u12")).blur();
    assertThat(page.locator("td:has(" + price(0, 0, "m1") + ") .fault")).hasCount(1);
    page.locator(price(0, 0, "m1")).fill("8");
    page.locator(price(0, 0, "m1")).blur();
    assertThat(page.locator("td:has(" + price(0, 0, "m1") + ") .fault")).hasCount(0);
    page.locator(plan(1)).fill("Works");
    page.locator(plan(1)).blur();
    assertThat(page.locator(".pricepage .fault")).hasCount(1);
    // a line that shows its first pixel at the lower edge is no shift
    assertEquals(((Number) page.evaluate("() => window.moved")).doubleValue(), 0.0, 0.0003);
  }

  @Test
  public void aPageForASelectionAsksForWhatThatNeedsFirst() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/selections");
    page.locator(".answers a, main a[href*='/selections/']").first().click();
    String selection = page.url().replaceAll(".*/selections/([0-9]+).*", "$1");
    page.navigate("/catalogue/new?selection=" + selection);
    List<String> needed = needsOf(Long.parseLong(selection));
    assertEquals(
        page.locator(".facts [name$='.capability']:visible").all().stream()
            .map(field -> field.inputValue())
            .limit(needed.size())
            .toList(),
        needed);
    assertTrue(
        ((Number) page.evaluate("() => document.documentElement.scrollHeight")).intValue() < 1_700);
  }

  @Test
  public void whereSoManyAreNeededANumberIsAskedFor() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/new?selection=1");
    assertThat(page.locator(".facts input[name$='.answers[0]']"))
        .hasAttribute("aria-label", "languages, plan 1");
  }

  private List<String> needsOf(long selection) {
    return selections.load(selection).file().brief().needs().stream()
        .filter(need -> need.condition() == null)
        .map(Brief.NeedPart::capability)
        .toList();
  }

  @Test
  public void whatAPlanRequiresOfOthersIsAskedForWhereItIsSpokenOf() {
    Page page = blank();
    page.locator("[name=name]").fill("Turnstone");
    page.locator(plan(0)).fill("Perch");
    page.locator(price(0, 0, "m1")).fill("6.00");
    page.locator(plan(1)).fill("Roost");
    page.locator(price(0, 1, "m1")).fill("2.00");
    assertThat(page.locator("[name='plans[1].basePlan']")).isHidden();
    page.getByText("a plan on top of another").click();
    page.locator("[name='plans[1].basePlan']").fill("Perch");
    assertThat(page.locator("[name='plans[0].holdsUntil']")).isHidden();
    page.locator("[name='plans[0].basis']").selectOption("quote");
    page.locator("[name='plans[0].holdsUntil']").fill("31 Jan 2027");
    page.locator("[name='facts[0].capability']").fill("Goes with Seilpost");
    assertThat(page.locator("[name='facts[0].addOn']")).isHidden();
    page.locator("[name='facts[0].answers[0]']").selectOption("through-connector");
    page.locator("[name='facts[0].addOn']").fill("Relay");
    page.locator("[name='facts[1].capability']").fill("Rosters on paper");
    page.locator("[name='facts[1].answers[1]']").selectOption("by-hand");
    page.locator("[name='facts[1].minutes']").fill("12.5");
    page.locator("#part-connectors > summary").click();
    page.locator("[name='connectors[0].name']").fill("Relay");
    page.locator("[name='connectors[0].price']").fill("12");
    page.locator("[name='connectors[0].currency']").fill("EUR");
    ToolSheet sheet = saved(page, "turnstone");
    assertEquals(sheet.plans().get(1).basePlan(), "Perch");
    assertEquals(sheet.plans().getFirst().holdsUntil(), "2027-01-31");
    assertEquals(sheet.plans().getFirst().facts().getFirst().addOn(), "Relay");
    assertEquals(sheet.plans().get(1).facts().getFirst().minutes(), "12.5");
    assertEquals(sheet.connectors().getFirst().price(), "12");
    assertThat(page.locator("main")).containsText("the plan Perch below it, which is paid, too");
    assertThat(page.locator("main")).containsText("by hand, 12.5 minutes a workday");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test
  public void whatIsTakenOutCanBePutBackAndSavedChangesTakenBack() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/deckspeak/edit");
    page.getByLabel("Take out plan 2").click();
    assertThat(page.locator(plan(1))).isHidden();
    assertThat(page.locator("#taken-out")).containsText("Everybody is taken out");
    page.locator("#taken-out button").click();
    assertThat(page.locator(plan(1))).isVisible();
    page.getByLabel("Take out plan 2").click();
    assertEquals(saved(page, "deckspeak").plans().size(), 1);
    page.locator("[role=status] button").click();
    assertThat(page.locator("[role=status]").first()).containsText("undone");
    assertEquals(catalogue.get("deckspeak").sheet().plans().size(), 2);
  }

  @Test
  public void aFileIsShownBeforeItIsTaken() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/import");
    String file =
        "line;tool;maker;plan;name;term;value;currency;as of\n"
            + "plan;Sanderling;Made up;Works;;;;EUR;2026-11-20\n"
            + "price;Sanderling;;Works;Seats;m1;7,90;;\n";
    page.locator("[name=file]")
        .setInputFiles(
            new FilePayload("pages.csv", "text/csv", file.getBytes(StandardCharsets.UTF_8)));
    page.getByText("Show the changes").click();
    assertThat(page.locator("main"))
        .containsText("read as CSV, UTF-8, separated by semicolons, decimal comma");
    assertThat(page.locator("main")).containsText("1 new, 0 changed, 0 unchanged");
    assertTrue(catalogue.find("sanderling").isEmpty());
    accessible(page, ColorScheme.LIGHT, "import preview");
    page.getByText("Take it all").click();
    page.waitForURL("**/catalogue");
    assertThat(page.locator("[role=status]").first()).containsText("1 tool taken from pages.csv.");
    assertEquals(prices(catalogue.get("sanderling").sheet(), 0), List.of("7.90"));
  }

  @Test
  public void theListFollowsWhatIsTyped() {
    Page page = signedIn("pia", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue");
    page.locator("[name=q]").fill("crew calendar archipel");
    assertThat(page.locator("#found .name")).hasCount(2);
    assertThat(page.locator("#found")).containsText("Dagrond");
    assertTrue(page.url().contains("q=crew"), page.url());
  }
}
