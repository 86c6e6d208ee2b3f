package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;

/**
 * Two people take the demonstration's selection through all steps. Every figure checked is worked
 * out here from the story's price pages, not read from the program.
 */
@FreshStore
public class WalkTest extends BrowserTest {
  private static final String SELECTION = "/selections/1";
  private static final int JUNE_2028 = 17;

  private static Locator column(Page page, String row, String contender) {
    List<String> names = page.locator(".bench thead .name a").allTextContents();
    int index = names.indexOf(contender);
    assertTrue(index >= 0, contender + " is not among " + names);
    return page.locator(".bench tr")
        .filter(new Locator.FilterOptions().setHas(page.locator("th[scope=row]").getByText(row)))
        .first()
        .locator("td")
        .nth(index);
  }

  private static String plan(Page page, String contender) {
    List<String> names = page.locator(".bench thead .name a").allTextContents();
    return page.locator(".bench thead .plan").nth(names.indexOf(contender)).textContent();
  }

  private static void step(Page page, String name) {
    page.locator("#steps a").filter(new Locator.FilterOptions().setHasText(name)).click();
    page.waitForURL(Pattern.compile(".*/" + name.toLowerCase(Locale.ROOT) + "(\\?.*)?$"));
  }

  // The story, worked out a second time -----------------------------------------------------

  /** People of a plan month: office, freight desk, deck crews, engineers. */
  private static int[] people(int m) {
    int office = (int) Math.floor(24 * Math.pow(1.06, m / 12.0) + 0.5);
    int desk = (int) Math.floor(8 + 0.1 * m + 0.5 + 1e-9) + (m >= 14 ? 9 : 0);
    boolean summer = m % 12 >= 4 && m % 12 <= 8;
    int crews = 22 + (summer ? 24 : 0) + (m >= 26 ? 7 : 0);
    int[] listed = {8, 8, 8, 8, 8, 8, 9, 9, 9, 9, 9, 9, 10};
    return new int[] {office, desk, crews, listed[Math.min(m, 12)]};
  }

  private static int total(int m) {
    int sum = 0;
    for (int group : people(m)) {
      sum += group;
    }
    return sum;
  }

  private static String money(BigDecimal amount) {
    return String.format(Locale.ENGLISH, "%,.2f", amount.setScale(2, RoundingMode.HALF_UP));
  }

  private static BigDecimal decimal(String number) {
    return new BigDecimal(number);
  }

  /** A list price after the assumed rises of 3 % a year. */
  private static BigDecimal raised(String list, int m) {
    return decimal(list).multiply(decimal("1.03").pow(m / 12)).setScale(4, RoundingMode.HALF_UP);
  }

  private static BigDecimal rounded(BigDecimal exact) {
    return exact.setScale(2, RoundingMode.HALF_UP);
  }

  /** Pierbook's Harbour: packs of 5 at 7.00, at least 15; calendars above 5 at 2.50. */
  private static BigDecimal harbourOver36Months() {
    BigDecimal sum = BigDecimal.ZERO;
    for (int m = 0; m < 36; m++) {
      int seats = Math.ceilDiv(Math.max(15, total(m)), 5) * 5;
      int calendars = (int) Math.ceil(6 + 0.5 * people(m)[1]);
      sum =
          sum.add(rounded(raised("7.00", m).multiply(BigDecimal.valueOf(seats))))
              .add(rounded(raised("2.50", m).multiply(BigDecimal.valueOf(calendars - 5))));
    }
    return sum;
  }

  /**
   * Slotmeer's cheapest path, spread: Crew by the month for nine months, then terms of a year from
   * October on, of the last of which three months fall within the 36.
   */
  private static BigDecimal slotmeersWay() {
    BigDecimal sum = BigDecimal.ZERO;
    for (int m = 0; m < 9; m++) {
      sum = sum.add(rounded(raised("8.60", m).multiply(BigDecimal.valueOf(total(m)))));
    }
    for (int start = 9; start < 36; start += 12) {
      BigDecimal price = raised("7.20", start);
      int held = 0;
      for (int m = start; m < Math.min(start + 12, 36); m++) {
        int more = Math.max(0, total(m) - held);
        held += more;
        int left = start + 12 - m;
        BigDecimal invoice = rounded(price.multiply(BigDecimal.valueOf((long) left * more)));
        sum = sum.add(firstShares(invoice, left, Math.min(left, 36 - m)));
      }
    }
    return sum;
  }

  private static BigDecimal firstShares(BigDecimal invoice, int months, int count) {
    long cents = invoice.movePointRight(2).longValueExact();
    return BigDecimal.valueOf(cents / months * count + Math.min(cents % months, count), 2);
  }

  /** Slotmeer's Crew, yearly up front: what is bought in January, then what is added. */
  private static BigDecimal crewOver36Months() {
    BigDecimal sum = BigDecimal.ZERO;
    for (int year = 0; year < 3; year++) {
      int held = total(12 * year);
      BigDecimal price = raised("7.20", 12 * year);
      sum = sum.add(rounded(price.multiply(BigDecimal.valueOf(12L * held))));
      for (int i = 1; i < 12; i++) {
        int more = Math.max(0, total(12 * year + i) - held);
        held += more;
        sum = sum.add(rounded(price.multiply(BigDecimal.valueOf((12L - i) * more))));
      }
    }
    return sum;
  }

  @Test
  public void twoPeopleTakeASelectionFromNeedToDecision() throws Exception {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    ilse.getByRole(
            AriaRole.LINK,
            new Page.GetByRoleOptions().setName("Which booking tool for the freight desk?"))
        .click();
    ilse.waitForURL("**/overview");
    overview(ilse);
    needAndContenders(ilse);
    fit(ilse);
    cost(ilse);
    Page joren = signedIn("joren", ColorScheme.DARK, 1280);
    weightsAndMarks(joren);
    decision(ilse, joren);
    assertEquals(String.join("\n", complaints), "");
  }

  private void overview(Page page) {
    assertThat(page.locator("#moment")).containsText("January 2027 · " + total(0) + " people");
    assertThat(page.locator(".bigsay")).containsText("Halvard Desk leads, but not firmly");
    assertThat(page.locator(".answerpart")).containsText("Halvard Desk is also the cheapest");
    assertThat(page.locator(".answerpart"))
        .containsText("what is still unknown could put Quaymate first");
    assertThat(page.locator(".standing tbody tr").first()).containsText("16,333.72");
    assertThat(page.locator(".besides")).containsText("Joren Talvik has not set weights yet.");
    page.locator("#people").fill("121");
    page.locator("#people").press("Enter");
    assertThat(page.locator(".costsay")).containsText("for 121 people");
    page.locator("#people").fill("");
    page.locator("#people").press("Enter");
    assertThat(page.locator(".costsay")).containsText("for 62 people");
  }

  private void needAndContenders(Page page) {
    step(page, "Need");
    assertThat(page.locator("#section-people > summary")).containsText("62 people in 4 groups");
    // a number is read as it is written, and that is said beside it
    open(page, "counted");
    page.getByLabel("linked calendars, fixed").fill("14,000");
    page.getByLabel("linked calendars, fixed").press("Tab");
    assertThat(page.locator(".reading")).hasText("read as 14000");
    page.getByLabel("linked calendars, fixed").fill("6");
    page.getByLabel("linked calendars, fixed").press("Tab");
    assertThat(page.locator(".reading")).hasCount(0);
    page.onceDialog(dialog -> dialog.accept());
    assertThat(page.locator(".demandline")).containsText("62 seats");
    assertThat(page.locator(".demandline")).containsText("10 linked calendars");
    step(page, "Contenders");
    assertThat(page.locator("main")).containsText("5 contenders, 1 set aside");
    assertThat(page.locator("main")).containsText("It cannot book by vehicle length");
    assertThat(ofTool(page, "Public rating", 2)).containsText("from 12 only");
    assertThat(ofTool(page, "Prices as of", 3)).containsText("older than 180 days");
    // read with another plan fit follows, and one click leads back
    page.locator("input[name='on.slotmeer'][value=fleet]").check();
    assertThat(page.locator("#onplans")).containsText("Read with chosen plans: Fleet of Slotmeer.");
    step(page, "Fit");
    assertThat(page.locator(".headcost td").first()).hasText("843.20");
    page.getByText("Read any plan").click();
    assertThat(page.locator(".headcost td").first()).hasText("446.40");
  }

  /** What stands over all plans of a contender. */
  private static Locator ofTool(Page page, String label, int place) {
    return page.locator(".plantable tbody tr")
        .filter(
            new Locator.FilterOptions()
                .setHas(page.locator("th").getByText(label, new Locator.GetByTextOptions())))
        .locator("td")
        .nth(place);
  }

  private void fit(Page page) {
    step(page, "Fit");
    assertThat(verdict(page, "Halvard Desk", "Counter").first())
        .containsText("Freight slots by vehicle length: not in this plan");
    assertThat(verdict(page, "Halvard Desk", "Counter").nth(1))
        .containsText("seats: " + total(4) + " of 80");
    assertThat(verdict(page, "Halvard Desk", "Counter").nth(1)).containsText("May 2027");
    assertThat(verdict(page, "Pierbook", "Jetty")).containsText("not confirmed");
    assertThat(verdict(page, "Pierbook", "Port")).containsText("price on request");
    assertThat(column(page, "Two-way calendar link", "Slotmeer")).containsText("from Crew up");
  }

  /** The lines of the table of verdicts that are about one plan. */
  private static Locator verdict(Page page, String contender, String plan) {
    return page.locator("table.verdicts tbody tr")
        .filter(new Locator.FilterOptions().setHasText(contender))
        .filter(
            new Locator.FilterOptions()
                .setHas(page.getByText(plan, new Page.GetByTextOptions().setExact(true))));
  }

  private void cost(Page page) {
    step(page, "Cost");
    Locator bead = page.locator("#bead");
    for (int m = 0; m < JUNE_2028; m++) {
      bead.press("ArrowRight");
    }
    int n = total(JUNE_2028);
    assertThat(page.locator("#moment")).containsText("June 2028 · " + n + " people");
    page.waitForURL("**/cost?month=17");
    String row = "A month for " + n + " people";
    BigDecimal heads = BigDecimal.valueOf(n);
    assertThat(column(page, row, "Slotmeer")).hasText(money(decimal("7.20").multiply(heads)));
    assertThat(column(page, row, "Halvard Desk"))
        .hasText(money(decimal("190").add(decimal("4.10").multiply(BigDecimal.valueOf(n - 25)))));
    BigDecimal pounds = decimal("6.90").multiply(decimal("60"));
    pounds = pounds.add(decimal("3.90").multiply(BigDecimal.valueOf(n - 60)));
    assertThat(column(page, row, "Quaymate"))
        .hasText(money(rounded(pounds).multiply(decimal("1.1642"))));
    // their plans on request stand after those taken, so they make no upper bound of the figure
    assertThat(column(page, row, "Tollen Suite")).hasText("640.00");
    assertThat(column(page, "Kept on one plan", "Pierbook"))
        .containsText(money(harbourOver36Months()));
    assertThat(column(page, "Kept on one plan", "Pierbook")).not().containsText("at most");
    assertThat(column(page, "Kept on one plan", "Slotmeer"))
        .containsText(money(crewOver36Months()));
    assertThat(column(page, "36 months, spread evenly", "Slotmeer"))
        .containsText(money(slotmeersWay()));
    headcountChangesPlanCostAndOrder(page);
    why(page);
    picture(page);
    badInput(page);
    onlyMonthlyTerms(page);
  }

  private void headcountChangesPlanCostAndOrder(Page page) {
    assertEquals(plan(page, "Slotmeer"), "Crew, yearly, up front");
    assertThat(column(page, "More than the cheapest", "Slotmeer")).containsText("4 of 5");
    page.locator("#people").fill("121");
    page.locator("#people").press("Enter");
    assertThat(page.locator("#moment")).containsText("If there were 121 people");
    assertThat(column(page, "A month for 121 people", "Slotmeer"))
        .hasText(money(decimal("13.60").multiply(decimal("121"))));
    assertEquals(plan(page, "Slotmeer"), "Fleet, yearly, up front");
    assertThat(column(page, "More than the cheapest", "Slotmeer")).containsText("5 of 5");
    page.waitForURL("**/cost?people=121");
    page.reload();
    assertThat(page.locator("#people")).hasValue("121");
    assertThat(column(page, "A month for 121 people", "Slotmeer")).hasText("1,645.60");
    // many moves of the bead are one place: Back leads to the step before
    page.goBack();
    page.waitForURL("**/fit");
    page.goForward();
    page.waitForURL("**/cost?people=121");
    assertThat(column(page, "A month for 121 people", "Slotmeer")).hasText("1,645.60");
  }

  private void why(Page page) {
    column(page, "A month for 121 people", "Slotmeer").locator("button").focus();
    page.keyboard().press("Enter");
    Locator panel = page.locator("#why");
    assertThat(panel).isVisible();
    assertThat(panel).containsText("13.60 EUR");
    assertThat(panel).containsText("121 seats");
    assertThat(panel).containsText("as of 12 Nov 2026, vendor's claim");
    assertThat(panel).containsText("seats: 121 of 120");
    page.keyboard().press("Escape");
    assertThat(panel).isHidden();
    assertThat(column(page, "A month for 121 people", "Slotmeer").locator("button")).isFocused();
  }

  private void picture(Page page) {
    assertThat(page.locator("[data-chart] svg.costs"))
        .hasAttribute("aria-label", Pattern.compile(".*From 29: Halvard Desk\\. From 135.*"));
    assertThat(page.locator(".says"))
        .containsText("Cheapest by headcount: Slotmeer up to 28 people; Halvard");
    page.locator("[data-reader]").focus();
    page.keyboard().press("ArrowRight");
    assertThat(page.locator("[data-chart] output")).containsText("2 people: Slotmeer 14.40");
    page.locator("main h1").click();
    page.keyboard().press("t");
    assertThat(page.locator("[data-table] table").first()).isVisible();
    assertThat(page.locator("[data-table] table").first()).containsText("135 people");
    assertThat(page.locator(".ways [data-table] table")).containsText("cheaper from here on");
    assertThat(page.locator("svg.ribbons .stretch").first()).isVisible();
  }

  private void badInput(Page page) {
    page.locator("#people").fill("minus three");
    page.locator("#people").press("Enter");
    assertThat(page.locator("#moment .fault"))
        .hasText(
            "\"minus three\" is not a whole number of up to nine digits. Write it like 25 or 1,200.");
    assertThat(page.locator("#people")).hasValue("minus three");
    page.locator("#people").fill("");
    page.locator("#people").press("Enter");
    assertThat(page.locator("#moment .fault")).hasCount(0);
  }

  private void onlyMonthlyTerms(Page page) {
    assertThat(page.locator(".says")).containsText("is month to month");
    page.getByText("Compare all monthly").click();
    page.waitForURL("**/cost?**terms=monthly");
    assertThat(column(page, "A month for", "Slotmeer")).not().hasText("");
    assertEquals(plan(page, "Slotmeer"), "Crew, monthly");
    assertEquals(plan(page, "Tollen Suite"), "price not known");
  }

  private void weightsAndMarks(Page page) {
    page.navigate(SELECTION + "/weights");
    // what Ilse and Odile handed in is not for Joren before his own view is
    assertThat(page.locator("#weight-cost")).hasText("—");
    assertThat(page.locator(".ownview"))
        .containsText("Not in these figures: Ilse Maren, Odile Brannock, Maud Verlinde.");
    points(page, "cost", "50");
    points(page, "ease", "x");
    assertThat(page.locator("#wfault-ease")).containsText("\"x\" is not a whole number.");
    assertThat(page.locator("#points-ease")).hasValue("x");
    points(page, "ease", "50");
    assertThat(page.locator("#wfault-ease")).hasText("");
    assertThat(page.locator("#weight-cost")).hasText("50 %");
    step(page, "Marks");
    mark(page, "Slotmeer", "Ease at the freight desk", "10");
    assertThat(page.locator("#value-ease-slotmeer")).hasText("1.000");
    because(page, "Slotmeer", "Ease at the freight desk", "My crew needed no card for it.");
    page.getByText("Hand in my view").click();
    assertThat(page.locator(".ownview")).containsText("You handed in your view on 24 Nov 2026.");
    // (8 + 9 + 4 + 2 · 10) / (5 · 10)
    assertThat(page.locator("#value-ease-slotmeer")).hasText("0.820");
    whyIsSaid(page);
    step(page, "Weights");
    // Joren's share is 2, Maud's steps are 20 and 100 of 250:
    // (0.35 + 0.15 + 0.08 + 2 · 0.5) / 5 and (0.2 + 0.4 + 0.4 + 2 · 0.5) / 5
    assertThat(page.locator("#weight-cost")).hasText("32 %");
    assertThat(page.locator("#weight-ease")).hasText("40 %");
    step(page, "Marks");
    mark(page, "Quaymate", "Help when it breaks", "x");
    assertThat(page.locator("#value-help-quaymate")).hasText("not known");
    mark(page, "Quaymate", "Help when it breaks", "7");
    assertThat(page.locator("#value-help-quaymate")).hasText("0.700");
    assertThat(page.locator("#total-slotmeer")).containsText(slotmeersTotal());
    page.reload();
    assertThat(page.locator("#value-ease-slotmeer")).hasText("0.820");
    assertThat(page.locator("#total-slotmeer")).containsText(slotmeersTotal());
  }

  /** Slotmeer's total: weights of the table times cost, ease, help, coverage and ratings. */
  private static String slotmeersTotal() {
    double cost = (1100 - slotmeersWay().doubleValue() / 36) / 800;
    double ease = 0.82;
    double help = (6 + 5 + 3) / 30.0;
    double coverage = (3 * 0 + 4 * 0.5 + 2 * 1) / 9.0;
    double ratings = ((50 * 3.5 + 180 * 4.6) / 230 - 1) / 4;
    double total =
        (0.35 + 0.15 + 0.08 + 1) / 5 * cost
            + 0.4 * ease
            + (0.15 + 0.2 + 0.32) / 5 * help
            + (0.2 + 0.2 + 0.16) / 5 * coverage
            + (0.1 + 0.05 + 0.04) / 5 * ratings;
    return String.format(Locale.ENGLISH, "%.3f", total);
  }

  private static void points(Page page, String criterion, String points) {
    page.locator("#points-" + criterion).fill(points);
    page.waitForResponse("**/weights", () -> page.locator("#points-" + criterion).press("Tab"));
  }

  private static void mark(Page page, String contender, String criterion, String mark) {
    page.waitForResponse(
        "**/marks",
        () -> page.getByLabel("Your mark for " + contender + ", " + criterion).selectOption(mark));
  }

  private static void because(Page page, String contender, String criterion, String why) {
    page.getByText(": your mark for " + contender + ", " + criterion).locator("..").click();
    assertThat(page.locator(".reasonform")).containsText(contender + " · " + criterion);
    page.locator("[name=note]").fill(why);
    page.locator("[name=ground]").selectOption("tried");
    page.getByText("Keep it").click();
    assertThat(page.locator("#why-ease-slotmeer")).containsText("why ✓");
  }

  /** The value answers "why" with everybody's sentence and what it rests on. */
  private static void whyIsSaid(Page page) {
    page.locator("#value-ease-slotmeer button").click();
    assertThat(page.locator("#why-body"))
        .containsText("Joren Talvik, share 2: My crew needed no card for it. · tried by hand");
    assertThat(page.locator("#why-body"))
        .containsText("Odile Brannock, share 1: My clerk booked a lorry while on the phone");
    page.keyboard().press("Escape");
  }

  private void decision(Page ilse, Page joren) throws Exception {
    ilse.navigate(SELECTION + "/decision");
    ilse.getByLabel("Why this one").fill("It books by vehicle length and is cheapest to 134.");
    ilse.getByText("Propose it").click();
    assertThat(ilse.locator(".below [role=alert]")).containsText("Say what another contender");
    assertThat(ilse.getByLabel("Why this one"))
        .hasValue("It books by vehicle length and is cheapest to 134.");
    ilse.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Halvard Desk")).check();
    ilse.getByLabel("What is given up").fill("The easier desk of Slotmeer.");
    ilse.getByLabel("Look again on").fill("2027-10-01");
    ilse.getByText("Propose it").click();
    assertThat(ilse.locator(".below [role=alert]"))
        .containsText("One remark is open, at Cost. Close it, or say that it may stay open.");
    assertThat(ilse.locator(".below [role=alert]"))
        .containsText("Say why it is the right choice nevertheless.");
    ilse.getByLabel("Remarks may stay open").check();
    ilse.getByLabel("why nevertheless").fill("Two of us have tried it, and that is enough.");
    ilse.getByText("Propose it").click();
    assertThat(ilse.locator(".record")).containsText("Proposed by Ilse Maren (ilse), 24 Nov 2026");
    assertThat(ilse.getByText("Agree and sign")).hasCount(0);
    joren.navigate(SELECTION + "/decision");
    assertThat(joren.locator(".record")).containsText("The easier desk of Slotmeer.");
    joren.locator("[name=password]").fill("brackwater");
    joren.getByText("Agree and sign").click();
    assertThat(joren.locator(".minutes .signatures")).containsText("Joren Talvikagreed24 Nov 2026");
    assertThat(joren.locator(".minutes")).containsText("Two of us have tried it");
    assertThat(joren.locator(".minutes")).containsText("Unchanged since");
    Download download =
        joren.waitForDownload(() -> joren.getByText("Download the frozen figures").click());
    byte[] bytes = Files.readAllBytes(download.path());
    assertThat(joren.locator(".hash code"))
        .hasText(HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)));
    joren.navigate(SELECTION + "/marks");
    assertThat(joren.locator("select[name=mark]")).hasCount(0);
  }
}
