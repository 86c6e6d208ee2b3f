package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.Test;

/** Points of the growth picture are pulled, by mouse and by keyboard; nothing of it is saved. */
public class GrowthPageTest extends BrowserTest {
  @Test
  public void aPointIsPulledByMouseAndByKeys() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/growth");
    Locator end = page.locator("#handle-0-47");
    assertThat(end).hasAttribute("aria-valuenow", "29");
    Locator figure = page.locator("[name='groups[0].figure']");
    assertThat(figure).hasValue("6");
    end.focus();
    page.keyboard().press("ArrowUp");
    assertThat(figure).not().hasValue("6");
    assertThat(page.locator("#handle-0-47")).hasAttribute("aria-valuenow", "30");
    assertThat(page.locator("#handle-0-47")).isFocused();
    String before = figure.inputValue();
    BoundingBox box = page.locator("#handle-0-47").boundingBox();
    page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
    page.mouse().down();
    page.mouse().move(box.x + box.width / 2, box.y - 60);
    page.mouse().up();
    assertThat(figure).not().hasValue(before);
    assertThat(page.locator("#handle-0-47")).not().hasAttribute("aria-valuenow", "30");
    // typed: the picture follows, and what is typed stays
    page.locator("fieldset.group summary").first().click();
    figure.fill("0");
    figure.press("Tab");
    assertThat(page.locator("#handle-0-47")).hasAttribute("aria-valuenow", "23");
    assertThat(figure).hasValue("0");
    page.onDialog(dialog -> dialog.accept());
    page.navigate("/growth");
    assertThat(page.locator("#handle-0-47")).hasAttribute("aria-valuenow", "29");
    page.locator(".scenariobar")
        .getByText("high", new Locator.GetByTextOptions().setExact(true))
        .click();
    page.waitForURL("**/growth?growth=high");
    assertThat(page.locator("#handle-0-47")).hasAttribute("aria-valuenow", "32");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test
  public void aReaderSeesThePlanAndCannotChangeIt() {
    Page page = signedIn("pia", ColorScheme.LIGHT, 1280);
    page.navigate("/growth");
    assertThat(page.locator("svg.growth")).isVisible();
    assertEquals(page.locator(".handle").count(), 0);
    assertEquals(page.locator("form[data-growth]").count(), 0);
  }
}
