package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Firmness as somebody reads it: draws otherwise, pulls a weight, waits for the scenarios. */
public class FirmnessWalkTest extends BrowserTest {
  @Test
  public void itIsReadPulledAndCombined() {
    Page page = signedIn("odile", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/overview");
    page.locator(".besides a", new Page.LocatorOptions().setHasText("How firm that is")).click();
    assertThat(page.locator(".bigsay").first()).containsText("not firmly");

    page.locator("#by-size [name=sizes]").selectOption("calendars");
    page.waitForURL("**sizes=calendars**");
    assertThat(page.locator("#by-size figcaption")).containsText("by linked calendars");
    page.locator("#wants .figure").first().click();
    assertThat(page.locator("#why .working").first()).containsText("Totals then");
    // while it still slides in nothing closes it
    assertThat(page.locator("#why.show:not(.showing)")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.locator("#why .working")).isHidden();

    page.locator("#ranks [name=drawn]").selectOption("in-order");
    page.waitForURL("**drawn=in-order**");
    assertThat(page.locator("#ranks [name=drawn]")).hasValue("in-order");

    page.locator("#pull > summary").click();
    assertThat(page.locator("#pulled")).containsText("for “Cost”");
    page.locator(".pulling [name=criterion]").selectOption("ease");
    assertThat(page.locator("#pulled")).containsText("for “Ease at the freight desk”");
    Locator weight = page.locator(".pulling [name=weight]");
    weight.focus();
    page.keyboard().press("End");
    assertThat(page.locator("#pulled")).containsText("With 100 %");

    page.locator("#scenarios").scrollIntoViewIfNeeded();
    assertThat(page.locator("#mattering")).containsText("leads");
    assertThat(page.locator("#grid tr.waiting")).hasCount(0);
    page.locator("#grid details > summary").click();
    page.locator("#grid [name=srise]").fill("soon");
    page.locator("#grid button.btn").click();
    assertThat(page.locator("#grid [role=alert]")).containsText("“soon” is no price rise");
    page.locator("#grid [name=srise]").fill("0");
    page.locator("#grid button.btn").click();
    assertThat(page.locator("#grid .grid thead th")).hasCount(2 + 3);
    page.locator("#grid details > summary").click();
    page.locator("#grid [name=sname1]").fill("A bare desk");
    page.locator("#grid [name=smust1]").first().uncheck();
    page.locator("#grid button.btn").click();
    assertThat(
            page.locator("#grid .grid th")
                .filter(new Locator.FilterOptions().setHasText("A bare desk"))
                .first())
        .isVisible();
    assertThat(page.locator("#mattering")).containsText("leads");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test(dependsOnMethods = "itIsReadPulledAndCombined")
  public void itFitsAPhone() {
    Page page = signedIn("odile", ColorScheme.DARK, 390);
    page.navigate("/selections/1/firmness");
    int wide = (int) page.evaluate("document.documentElement.scrollWidth");
    assertTrue(wide <= 390, "runs off: " + wide);
  }

  /** Whoever was not there reads it on one screen, and takes one sheet along. */
  @Test
  public void theOverviewIsOneScreenAndOneSheet() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.setViewportSize(1280, 800);
    page.navigate("/selections/1/overview");
    for (String last : new String[] {".standing tbody tr:last-child", ".besides > :last-child"}) {
      double top = page.locator(last).last().boundingBox().y;
      assertTrue(top < 800, last + " begins at " + top);
    }
    byte[] printed = page.pdf(new Page.PdfOptions().setFormat("A4"));
    String text = new String(printed, StandardCharsets.ISO_8859_1);
    assertEquals(Pattern.compile("/Type\\s*/Page[^s]").matcher(text).results().count(), 1);
  }
}
