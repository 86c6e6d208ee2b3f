package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;

/** The last of four judges on a phone, and the organiser reads what came of it at a desk. */
@FreshStore
public class PanelWalkTest extends BrowserTest {
  private static final String SELECTION = "/selections/1";

  /** The value Joren gave his reason under. */
  private String reasoned = "";

  @Test
  public void theLastViewComesFromAPhone() {
    Page joren = signedIn("joren", ColorScheme.LIGHT, 390);
    joren.navigate(SELECTION + "/weights");
    Locator points = joren.locator("input[id^=points-]");
    for (int i = 0; i < points.count(); i++) {
      Locator one = points.nth(i);
      one.fill("" + (10 + 10 * i));
      joren.waitForResponse("**/weights", () -> one.press("Tab"));
    }
    joren.navigate(SELECTION + "/marks");
    assertThat(joren.locator("#marksleft")).hasText("You have 10 of 10 marks left to give.");
    Locator open = joren.locator("select[name=mark]:visible");
    int here = open.count();
    assertEquals(here, 2, "one contender at a time");
    for (int contender = 0; contender < 5; contender++) {
      for (int i = 0; i < here; i++) {
        String mark = "" + (3 + (contender + i) % 7);
        Locator one = joren.locator("select[name=mark]:visible").nth(i);
        joren.waitForResponse("**/marks", () -> one.selectOption(mark));
        assertThat(one).hasValue(mark);
      }
      if (contender < 4) {
        joren.locator("#nextcontender").click();
      }
    }
    assertThat(joren.locator("#marksleft")).hasText("You have given all 10 marks.");
    reasoned =
        joren
            .locator(".because:visible")
            .first()
            .getAttribute("id")
            .replaceFirst("^why-", "#value-");
    joren.locator(".because button:visible").first().click();
    joren.locator("[name=note]").fill("The hatch is wet and it still books.");
    joren.locator("[name=ground]").selectOption("tried");
    joren.getByText("Keep it").click();
    assertThat(joren.locator(".because button:visible").first()).containsText("why ✓");
    joren.getByText("Hand in my view").click();
    assertThat(joren.locator(".ownview")).containsText("You handed in your view on");
    assertThat(joren.locator("#agreement .talk")).hasCount(3);
    assertThat(joren.locator("#agreement .shared td").first()).not().hasText("");
    assertTrue((int) joren.evaluate("document.documentElement.scrollWidth") <= 390);
    assertEquals(String.join("\n", complaints), "");
  }

  /** Shares and what people know about are kept together, or refused with all as typed. */
  @Test(dependsOnMethods = "theLastViewComesFromAPhone")
  public void theOrganiserSetsTheTable() {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    ilse.navigate(SELECTION + "/weights");
    open(ilse, "shares");
    Locator shares = ilse.locator("#section-shares");
    assertThat(shares.getByText("not handed in", new Locator.GetByTextOptions().setExact(true)))
        .hasCount(0);
    ilse.getByLabel("Share of Joren Talvik").fill("two");
    ilse.locator("[aria-label='What Joren Talvik knows about']").fill("the quay in winter");
    ilse.getByText("Save the panel").click();
    assertThat(shares.locator(".fault")).containsText("\"two\" is not a whole number");
    assertThat(ilse.locator("[aria-label='What Joren Talvik knows about']"))
        .hasValue("the quay in winter");
    ilse.getByLabel("Share of Joren Talvik").fill("3");
    ilse.getByText("Save the panel").click();
    open(ilse, "shares");
    assertThat(ilse.getByLabel("Share of Joren Talvik")).hasValue("3");

    ilse.navigate(SELECTION + "/marks");
    ilse.locator(reasoned + " button").click();
    assertThat(ilse.locator("#why-body")).containsText("Joren Talvik, share 3");
    assertThat(ilse.locator("#why-body")).containsText("The hatch is wet and it still books.");
    assertThat(ilse.locator("#why-body")).containsText("tried by hand");
    assertEquals(String.join("\n", complaints), "");
  }
}
