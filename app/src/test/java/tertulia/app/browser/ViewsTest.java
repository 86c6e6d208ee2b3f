package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every main view, in both themes and on a narrow screen. */
public class ViewsTest extends BrowserTest {
  private static final List<String> VIEWS =
      List.of(
          "/selections",
          "/selections/1/overview",
          "/selections/3/overview",
          "/selections/1/need",
          "/selections/1/contenders",
          "/selections/1/fit",
          "/selections/1/cost?month=17",
          "/selections/1/weights",
          "/selections/1/marks",
          "/selections/1/firmness",
          "/selections/1/decision",
          "/selections/2/decision",
          "/selections/2/record",
          "/selections/2/look-again",
          "/selections/1/plans",
          "/selections/1/versus",
          "/selections/1/changes",
          "/selections/1/people",
          "/selections/3/fit",
          "/selections/3/need",
          "/selections/new",
          "/selections/import",
          "/catalogue",
          "/catalogue/halvard-desk",
          "/catalogue/halvard-desk/edit",
          "/catalogue/werfplan",
          "/catalogue/new?selection=1",
          "/method",
          "/catalogue/slotmeer/history",
          "/catalogue/slotmeer/compare?from=2025-11-20&to=2026-11-12",
          "/catalogue/import",
          "/growth",
          "/in-use",
          "/selections/4/cost",
          "/dates",
          "/price-changes",
          "/people",
          "/account",
          "/selections/1/trials",
          "/outbox",
          "/safekeeping");

  private static final String SHOWN =
      "() => new Promise(shown => requestAnimationFrame(() => setTimeout(shown)))";
  private static final String HEIGHTS =
      "[...document.querySelectorAll('#results .later')].map(part => part.offsetHeight)";

  @DataProvider
  public Object[][] schemes() {
    return new Object[][] {{ColorScheme.LIGHT}, {ColorScheme.DARK}};
  }

  @Test
  public void axeFindsNothingSerious() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    for (String view : VIEWS) {
      page.navigate(view);
      unfold(page);
      inBothThemes(page, view);
    }
    page.navigate("/selections/1/cost?month=17");
    page.locator(".bench .big button").first().click();
    assertThat(page.locator("#why .working")).isVisible();
    page.waitForFunction("() => !document.querySelector('#why').classList.contains('showing')");
    inBothThemes(page, "why");
    assertEquals(String.join("\n", complaints), "");
  }

  private static void inBothThemes(Page page, String view) {
    accessible(page, ColorScheme.LIGHT, view);
    page.evaluate(
        "() => { document.documentElement.dataset.bsTheme = 'dark';"
            + " return Promise.all(document.getAnimations().map(a => a.finished)).then(() => 0); }");
    accessible(page, ColorScheme.DARK, view);
  }

  /** Else the test above could pass by seeing nothing. */
  @Test(dataProvider = "schemes")
  public void axeSeesWhatIsPale(ColorScheme scheme) {
    Page page = signedIn("ilse", scheme, 1280);
    page.evaluate(
        "() => document.querySelectorAll('main *').forEach(e => Object.assign(e.style, {color:"
            + " '#777', background: '#888'}))");
    assertThrows(AssertionError.class, () -> accessible(page, scheme, "/selections"));
  }

  @Test
  public void nothingRunsOffANarrowScreen() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 390);
    for (String view : VIEWS) {
      page.navigate(view);
      int width = (Integer) page.evaluate("() => document.documentElement.scrollWidth");
      assertTrue(width <= 390, view + " is " + width + " wide");
    }
    for (String step : List.of("fit", "weights", "marks", "decision")) {
      page.navigate("/selections/1/" + step);
      // who marks goes through the contenders one after the other
      assertThat(page.locator(".bench thead .name:visible")).hasCount(step.equals("marks") ? 1 : 2);
      assertEquals(
          page.evaluate(
              "() => [...document.querySelectorAll('.bench td:not([hidden])')].filter(c =>"
                  + " c.scrollWidth > c.clientWidth + 1).length"),
          0,
          "cells run into one another in " + step);
    }
    page.navigate("/selections/1/marks");
    assertThat(page.locator(".bench thead .name:visible")).containsText("Slotmeer");
    page.locator("#nextcontender").click();
    assertThat(page.locator(".bench thead .name:visible")).containsText("Halvard Desk");
    page.locator("#right").selectOption("4");
    assertThat(page.locator(".bench thead .name:visible").nth(1)).containsText("Tollen Suite");
  }

  @Test
  public void aWideTableReadsWithoutScrollingSideways() {
    Page page = signedIn("pia", ColorScheme.LIGHT, 1280);
    for (String view : VIEWS.subList(1, 12)) {
      page.navigate(view);
      assertEquals(
          page.evaluate(
              "() => [...document.querySelectorAll('main table')].filter(t => t.offsetWidth).flatMap("
                  + "t => [...t.rows].filter(r => r.offsetWidth && r.offsetWidth < t.offsetWidth - 4))"
                  + ".map(r => r.className || r.textContent.trim().slice(0, 60))"),
          List.of(),
          "rows that end before their table in " + view);
      assertEquals(
          page.evaluate(
              "() => [...document.querySelectorAll('.benchbox')].filter(b => b.scrollWidth >"
                  + " b.clientWidth + 1).length"),
          0,
          view);
    }
  }

  @Test
  public void keysAreListedAndNeverTakenFromTyping() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/cost");
    page.keyboard().press("?");
    assertThat(page.locator("#keys")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.locator("#keys")).isHidden();
    page.keyboard().press("h");
    assertThat(page.locator("#people")).isFocused();
    page.keyboard().type("tm?");
    assertThat(page.locator("#people")).hasValue("tm?");
  }

  @Test
  public void whoHasReadDownStaysThereWhenFiguresChange() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/1/cost");
    page.evaluate("scrollTo(0, 900)");
    Locator cost = page.locator(".bench .headcost td").first();
    String before = cost.innerText();
    page.evaluate(
        "() => { const people = document.getElementById('people'); people.value = '97';"
            + " people.dispatchEvent(new Event('change', { bubbles: true })); }");
    assertThat(cost).not().hasText(before);
    assertEquals(page.evaluate("Math.round(scrollY)"), 900);
  }

  /** Below the first screen parts are laid out when they come into view, each as high as before. */
  @Test
  public void whatIsOutOfViewStaysAsHighWhenFiguresChange() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    for (String view : List.of("cost", "fit")) {
      page.navigate("/selections/1/" + view);
      for (Locator later : page.locator("#results .later").all()) {
        later.scrollIntoViewIfNeeded();
        page.evaluate(SHOWN);
      }
      Object heights = page.evaluate(HEIGHTS);
      page.evaluate("scrollTo(0, 0)");
      page.evaluate(
          "() => { document.querySelector('#results .later').dataset.old = ''; const growth ="
              + " document.querySelector('#whatif [name=growth]'); growth.value = 'high';"
              + " growth.dispatchEvent(new Event('change', { bubbles: true })); }");
      assertThat(page.locator("#results .later[data-old]")).hasCount(0);
      page.evaluate(SHOWN);
      assertEquals(page.evaluate(HEIGHTS), heights, view);
    }
  }

  @Test
  public void theThemeChosenIsKept() {
    Page page = signedIn("pia", ColorScheme.LIGHT, 1280);
    page.locator("#theme").click();
    page.navigate("/catalogue");
    assertThat(page.locator("html")).hasAttribute("data-bs-theme", "dark");
  }
}
