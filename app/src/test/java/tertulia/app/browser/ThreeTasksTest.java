package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.exchange.Faults;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/**
 * Three people with nothing but a question and a price page or two: each comes to a first true
 * figure, worked out by hand, in fewer than forty entries.
 */
@FreshStore
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:files;DB_CLOSE_DELAY=-1"
    })
public class ThreeTasksTest extends BrowserTest {
  private static final int MOST_ENTRIES = 40;

  @Autowired private UserAccounts people;
  private Page page;
  private int entries;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void firstAccount() {
    Faults faults = new Faults();
    people.addKnown(
        new UserAccounts.NewAccount("anneke", "Anneke Voss", "long enough for me", Role.ORGANISER),
        faults);
    assertEquals(faults.all(), List.of());
  }

  private void enter(String field, String value) {
    enter(page.locator("[name='" + field + "']").first(), value);
  }

  private void enter(Locator field, String value) {
    entries++;
    if (field.evaluate("field => field.tagName").equals("SELECT")) {
      field.selectOption(value);
    } else {
      field.fill(value);
    }
  }

  private void ask(String question, String heads) {
    entries = 0;
    page = window(ColorScheme.LIGHT, 1280);
    page.navigate("/");
    page.locator("[name=username]").fill("anneke");
    page.locator("[name=password]").fill("long enough for me");
    page.locator("main button").click();
    page.getByText("Ask a question").click();
    enter("title", question);
    enter("people", heads);
    page.locator("main form.sheet button").click();
    page.waitForURL("**/contenders");
    step("Need");
  }

  private void step(String name) {
    page.locator("#steps a").getByText(name).click();
  }

  private void write(String tool) {
    page.getByText("Add a tool: paste its price page").click();
    enter("name", tool);
  }

  private void bring() {
    page.getByText("Save it and add it to the contenders").click();
    assertThat(page.locator("main")).containsText("is in the catalogue and is a contender.");
  }

  private static String price(int charge, String term) {
    return "lines[" + charge + "].cells[0].prices[" + term + "]";
  }

  private void within() {
    assertTrue(entries < MOST_ENTRIES, entries + " entries");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test
  public void aBakeryChainChoosesAShiftPlanner() {
    ask("Which shift planner for the bakeries?", "60");
    enter(
        page.getByLabel("Need 1", new Page.GetByLabelOptions().setExact(true)),
        "Swaps between shops");
    page.getByText("Save the need").click();
    page.waitForURL("**/need?saved");
    step("Contenders");
    write("Ovenroster");
    enter("plans[0].name", "Shops");
    enter(price(0, "m1"), "€4.20");
    enter(price(0, "u12"), "43.20 a year");
    enter("facts[0].answers[0]", "yes");
    bring();
    write("Loafshift");
    enter("plans[0].name", "House");
    enter("lines[0].kind", "banded-whole");
    enter(price(0, "m1"), "up to 75: 190 in all; above: 2.90 each");
    enter("facts[0].answers[0]", "yes");
    bring();
    step("Cost");
    // 60 seats at 3.60, and 190 whoever comes
    assertThat(page.locator(".headcost td").nth(0)).hasText("216.00");
    assertThat(page.locator(".headcost td").nth(1)).hasText("190.00");
    within();
  }

  @Test
  public void aChoirFederationWithGuestsChoosesACalendar() {
    ask("Which calendar for the choirs?", "25");
    open(page, "people");
    page.getByText("One more group").click();
    enter("groups[1].name", "Guests");
    enter("groups[1].start", "300");
    enter("groups[1].holds", "light");
    page.getByText("Save the need").click();
    page.waitForURL("**/need?saved");
    assertThat(page.locator(".demandline"))
        .hasText("December 2026 · 325 people, needed: 25 seats · 25 staff · 300 light seats");
    open(page, "counted");
    page.getByText("Count something else").click();
    enter(page.getByLabel("bookings, fixed"), "500");
    page.getByText("Save the need").click();
    page.waitForURL("**/need?saved");
    step("Contenders");
    write("Evensong");
    enter("plans[0].name", "Choir");
    enter(price(0, "m1"), "5");
    enter("lines[1].name", "Guests");
    enter("lines[1].measure", "light-seats");
    enter(price(1, "m1"), "0.20");
    page.getByText("at least so many, packs, some included").click();
    enter("lines[1].cells[0].included", "100");
    bring();
    write("Matins");
    enter("plans[0].name", "All");
    enter("lines[0].kind", "flat");
    enter(price(0, "m1"), "160");
    bring();
    step("Cost");
    // 25 seats at 5 and 200 guests above the 100 included at 0.20; 160 for all
    assertThat(page.locator(".headcost td").nth(0)).hasText("165.00");
    assertThat(page.locator(".headcost td").nth(1)).hasText("160.00");
    // neither page speaks of bookings; it stands where the cheapest is named
    assertThat(page.locator("main"))
        .containsText("Matins: one open question may change the plan it needs.");
    page.getByText("See which").click();
    assertThat(page.locator("#unsaid")).containsText("Matins, bookings");
    within();
  }

  @Test
  public void aSurveyOfficeAsksWhetherTheSuiteItOwnsWillDo() {
    ask("Will the suite we own do?", "90");
    enter(
        page.getByLabel("Need 1", new Page.GetByLabelOptions().setExact(true)),
        "Field notes offline");
    page.getByText("Save the need").click();
    page.waitForURL("**/need?saved");
    step("Contenders");
    write("Theodolite");
    enter("plans[0].name", "Office");
    enter(price(0, "u12"), "7");
    enter("facts[0].answers[0]", "yes");
    page.locator("#part-owned > summary").click();
    enter("owned.plan", "Office");
    enter("owned.units", "40");
    enter("owned.until", "2029-12-31");
    bring();
    step("Cost");
    // 90 are needed and 40 are paid for: 50 at 7.00
    assertThat(page.locator(".headcost td").nth(0))
        .hasText("350.00paid for already: 40 seats until 31 Dec 2029");
    assertThat(page.locator("main"))
        .containsText(
            "Theodolite costs 350.00 EUR a month and 12,600.00 EUR over 36 months. Nothing is"
                + " compared with it yet.");
    within();
  }
}
