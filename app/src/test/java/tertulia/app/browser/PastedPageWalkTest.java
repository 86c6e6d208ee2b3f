package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.ToolSheet;

/** Somebody pastes price pages of eight shapes, looks at what was read, and saves. */
@FreshStore
public class PastedPageWalkTest extends BrowserTest {
  @Autowired private Catalogue catalogue;

  private static String text(String page) throws IOException {
    return Files.readString(Path.of("../pagetext/src/test/resources/pagetext", page + ".txt"));
  }

  private static void paste(Page page, String text) {
    page.locator("[name='pasted.text']").fill(text);
    page.locator("[formaction$='/catalogue/paste']").click();
    page.waitForURL("**/catalogue/paste");
  }

  private ToolSheet saved(Page page, String name) {
    page.locator("[name=name]").fill(name);
    page.locator(".savebar .btn-primary").click();
    if (page.locator(".doubt input").count() > 0) {
      page.locator(".savebar .btn-primary").click();
    }
    String slug = name.toLowerCase(Locale.ROOT);
    page.waitForURL("**/catalogue/" + slug);
    return catalogue.get(slug).sheet();
  }

  @Test
  public void shapesOfPagesAreInTheCatalogueByPastingAndLooking() throws IOException {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Map<String, Integer> plans = Map.of("table", 3, "flattened", 2, "bands", 2, "struck", 2);
    for (Map.Entry<String, Integer> shape : plans.entrySet()) {
      page.navigate("/catalogue/new");
      paste(page, text(shape.getKey()));
      assertThat(page.locator(".readings .saysline")).containsText("things were read");
      ToolSheet sheet = saved(page, "Pasted" + shape.getKey());
      assertEquals(sheet.plans().size(), shape.getValue().intValue(), shape.getKey());
      assertEquals(Objects.requireNonNull(sheet.pasted()).text(), text(shape.getKey()).strip());
    }
    page.navigate("/catalogue/pastedstruck");
    assertThat(page.locator("table.page")).containsText("12 EUR a month");
    page.locator(".pastedtext summary").click();
    assertThat(page.locator(".pastedtext pre")).containsText("€12 €9 per user per month");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test
  public void whatIsDoubtfulIsShownInItsCell() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/new");
    page.locator("[name=maker]").fill("Somebody");
    paste(page, "Brig\n€25\n\nCutter\n€40 per user per month, billed monthly\n12 dashboards\n");
    assertThat(page.locator("[name=maker]")).hasValue("Somebody");
    assertThat(page.locator(".readings")).containsText("12 dashboards");
    Locator guess = page.locator(".readings li.guess");
    assertThat(guess).hasCount(1);
    assertThat(guess).containsText("it is not said for whom it is");
    guess.locator("button").click();
    Locator cell = page.locator("[name='lines[0].cells[0].prices[m1]']");
    assertThat(cell).isFocused();
    assertTrue(cell.getAttribute("class").contains("read-guess"));
    // what was put right stays when something else is refused
    cell.fill("30");
    page.locator(".savebar .btn-primary").click();
    assertThat(page.locator("main .warn.stop").first()).containsText("Nothing was saved");
    assertThat(cell).hasValue("30");
    assertThat(page.locator(".readings li.guess")).hasCount(1);
    ToolSheet sheet = saved(page, "Doubtful");
    assertEquals(
        ((ToolSheet.PerUnitPart) sheet.plans().getFirst().prices().getFirst().charges().getFirst())
            .price(),
        "30");
    page.navigate("/catalogue/doubtful/edit");
    page.locator("#part-pasted > summary").click();
    paste(page, "");
    assertThat(page.locator("#part-pasted .fault")).containsText("Nothing was pasted");
    assertThat(page.locator("[name='plans[1].name']")).hasValue("Cutter");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test(dependsOnMethods = "whatIsDoubtfulIsShownInItsCell")
  public void itFitsAPhoneAndIsReadAloud() {
    for (ColorScheme scheme : ColorScheme.values()) {
      if (scheme == ColorScheme.NO_PREFERENCE) {
        continue;
      }
      Page page = signedIn("ilse", scheme, 390);
      page.navigate("/catalogue/new");
      paste(page, "Brig\n€25\n" + "x".repeat(120) + "\n");
      assertTrue((int) page.evaluate("document.documentElement.scrollWidth") <= 390);
      accessible(page, scheme, "/catalogue/paste");
    }
  }
}
