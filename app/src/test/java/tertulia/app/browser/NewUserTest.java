package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tertulia.app.people.SetupCode;

/** Somebody who starts with nothing: an empty store, no tools, no colleagues. */
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:empty;DB_CLOSE_DELAY=-1"
    })
public class NewUserTest extends BrowserTest {
  @Autowired private SetupCode word;

  @Test
  public void fromAnEmptyStoreToAProposal() {
    Page page = window(ColorScheme.LIGHT, 1280);
    firstAccount(page);
    begin(page);
    need(page);
    page.locator("#steps a").getByText("Contenders").click();
    assertThat(page.locator("main")).containsText("No contenders yet");
    tool(page, "Mapelroot", "6.00", "5.00", "yes");
    tool(page, "Tallowby", "9.00", "", "partly");
    costs(page);
    weighAndDecide(page);
    assertEquals(String.join("\n", complaints), "");
  }

  private void firstAccount(Page page) {
    page.navigate("/");
    assertThat(page.locator("h1")).hasText("The first account");
    page.locator("[name=name]").fill("Anneke Voss");
    page.locator("[name=signInName]").fill("anneke");
    page.locator("[name=password]").fill("short");
    page.locator("[name=word]").fill("guessed");
    page.getByText("Create the account").click();
    assertThat(page.locator("[role=alert]").first()).containsText("This is not the setup code");
    page.locator("[name=word]").fill(word.word());
    page.locator("[name=password]").fill("short");
    page.getByText("Create the account").click();
    assertThat(page.locator("[role=alert]").first())
        .containsText("A password has 12 characters or more; this one has 5.");
    assertThat(page.locator("[name=name]")).hasValue("Anneke Voss");
    page.locator("[name=password]").fill("long enough for me");
    List<String> before = sessions(page);
    page.getByText("Create the account").click();
    // whoever has just chosen a password is not asked for it again
    assertThat(page.locator("main")).containsText("Nothing is being chosen yet");
    assertTrue(Collections.disjoint(sessions(page), before), "a session of nobody became hers");
    page.navigate("/first-account");
    assertThat(page.locator("h1")).not().hasText("The first account");
  }

  private static List<String> sessions(Page page) {
    return page.context().cookies().stream()
        .filter(cookie -> cookie.name.toLowerCase(Locale.ROOT).contains("session"))
        .map(cookie -> cookie.value)
        .toList();
  }

  private static void begin(Page page) {
    page.navigate("/selections");
    page.getByText("Ask a question").click();
    page.locator("[name=title]").fill("Which planning tool for the workshop?");
    page.locator("[name=people]").fill("-4");
    page.locator("[name=currency]").fill("Euros");
    page.locator("main form.sheet button").click();
    assertThat(page.locator("#fault-currency")).containsText("\"Euros\" is not a currency.");
    assertThat(page.locator("[name=title]")).hasValue("Which planning tool for the workshop?");
    page.locator("[name=currency]").fill("EUR");
    page.locator("main form.sheet button").click();
    assertThat(page.locator("#fault-people")).containsText("A headcount lies between 0");
    page.locator("[name=people]").fill("20");
    page.locator("main form.sheet button").click();
    page.waitForURL("**/contenders");
    assertThat(page.locator("main")).containsText("Paste the first price page");
    page.locator("#steps a").getByText("Need").click();
    assertThat(page.locator("#section-people > summary")).containsText("20 people in 1 group");
  }

  private static void need(Page page) {
    page.getByLabel("Need 1").fill("Shared plans");
    page.locator(".needlines summary").first().click();
    page.getByLabel("Partly is enough 1").check();
    page.getByText("Save the need").click();
    assertThat(page.locator("[role=status].good")).hasText("Saved.");
  }

  /** A tool with one plan: a price a month, perhaps one a year, and one answer. */
  private static void tool(Page page, String name, String monthly, String yearly, String answer) {
    page.getByText("Add a tool: paste its price page").click();
    page.locator("[name=name]").fill(name);
    page.locator("[name='plans[0].name']").fill("Works");
    page.locator("[name='lines[0].cells[0].prices[m1]']").fill("six");
    page.getByText("Save it and add it to the contenders").click();
    assertThat(page.locator("main")).containsText("\"six\" is not a number. Write it like 7.30");
    assertThat(page.locator("[name='lines[0].cells[0].prices[m1]']")).hasValue("six");
    page.locator("[name='lines[0].cells[0].prices[m1]']").fill(monthly);
    page.locator("[name='lines[0].cells[0].prices[u12]']").fill(yearly);
    page.locator("[name='facts[0].capability']").fill("Shared plans");
    page.locator("[name='facts[0].answers[0]']").selectOption(answer);
    page.getByText("Save it and add it to the contenders").click();
    assertThat(page.locator(".bench thead")).containsText(name);
  }

  private static void costs(Page page) {
    page.locator("#steps a").getByText("Cost").click();
    // 20 seats at 5.00 and at 9.00; three years of it
    assertThat(page.locator(".headcost td").nth(0)).hasText("100.00");
    assertThat(page.locator(".headcost td").nth(1)).hasText("180.00");
    assertThat(page.locator(".big td").nth(0)).containsText("3,600.00");
    assertThat(page.locator(".big td").nth(1)).containsText("6,480.00");
    assertThat(page.locator(".says")).containsText("Mapelroot is the cheapest at every headcount");
  }

  private static void weighAndDecide(Page page) {
    page.locator("#steps a").getByText("Weights").click();
    assertThat(page.locator("main")).containsText("no need is a should");
    page.locator("#points-ease").fill("10");
    page.waitForResponse("**/weights", () -> page.locator("#points-ease").press("Tab"));
    assertThat(page.locator("#weight-ease")).hasText("100 %");
    page.locator("#steps a").getByText("Marks").click();
    page.waitForResponse(
        "**/marks",
        () -> page.getByLabel("Your mark for Mapelroot, Ease of daily use").selectOption("8"));
    assertThat(page.locator("#total-mapelroot")).containsText("0.800");
    page.locator("#steps a").getByText("Decision").click();
    page.getByLabel("Why this one").fill("Cheaper, and it does the job.");
    page.getByLabel("What is given up").fill("Nothing that we know of.");
    page.getByText("Propose it").click();
    assertThat(page.locator(".below [role=alert]"))
        .containsText("Say why it is the right choice nevertheless.");
    page.getByLabel("why nevertheless").fill("The rest would change nothing.");
    page.getByText("Propose it").click();
    assertThat(page.locator(".record")).containsText("Proposed by Anneke Voss");
    assertThat(page.locator(".record")).containsText("so colleagues answer.");
  }
}
