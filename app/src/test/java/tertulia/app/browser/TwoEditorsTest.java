package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;

/** Two people edit the same page: the second sees what the first saved, and chooses. */
@FreshStore
public class TwoEditorsTest extends BrowserTest {
  private static Locator saved(Page page, String name) {
    return page.locator(
        "label:has([name='" + name + "']) + .theirs, [name='" + name + "'] + .theirs");
  }

  private static void save(Page page) {
    page.onceDialog(dialog -> dialog.accept());
    page.locator("form[data-guard] button.btn-primary").last().click();
  }

  @Test
  public void bothVersionsOfTheNeedStandSideBySide() {
    Page first = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page second = signedIn("ilse", ColorScheme.LIGHT, 1280);
    first.navigate("/selections/1/need");
    second.navigate("/selections/1/need");
    open(first, "question");
    first.locator("[name=title]").fill("Which booking tool for the freight?");
    first.locator("[name=purpose]").fill("For the freight desk alone.");
    save(first);
    assertThat(first.locator("main")).containsText("Saved.");
    open(second, "question");
    second.locator("[name=title]").fill("Which tool for booking freight?");
    save(second);
    assertThat(second.locator("main")).containsText("Somebody else changed this selection");
    assertThat(second.locator("[data-other]")).containsText("2 fields differ");
    assertThat(second.locator("[name=title]")).hasValue("Which tool for booking freight?");
    assertThat(saved(second, "title"))
        .containsText("saved now: Which booking tool for the freight?");
    Locator purpose = saved(second, "purpose");
    assertThat(purpose).containsText("saved now: For the freight desk alone.");
    purpose.locator("button").click();
    assertThat(second.locator("[name=purpose]")).hasValue("For the freight desk alone.");
    save(second);
    assertThat(second.locator("main")).containsText("Saved.");
    first.navigate("/selections/1/need");
    assertThat(first.locator("h1")).hasText("Which tool for booking freight?");
    open(first, "question");
    assertThat(first.locator("[name=purpose]")).hasValue("For the freight desk alone.");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test(dependsOnMethods = "bothVersionsOfTheNeedStandSideBySide")
  public void aLineIsKnownByWhatItIsOfAndNotByItsPlace() {
    Page first = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page second = signedIn("ilse", ColorScheme.LIGHT, 1280);
    first.navigate("/selections/1/weights");
    second.navigate("/selections/1/weights");
    for (Page page : new Page[] {first, second}) {
      page.locator("#section-criteria > summary").click();
    }
    // the first is taken out, so every other moves up; and one is new
    first.getByLabel("Criterion 1", exactly()).fill("");
    first.getByLabel("What criterion 3 means").fill("A person answers.");
    first.getByLabel("Criterion 6", exactly()).fill("Works in the rain");
    save(first);
    assertThat(first.locator(".bench")).containsText("Works in the rain");
    second.getByLabel("What criterion 2 means").fill("No paper.");
    save(second);
    assertThat(second.locator("[data-other]"))
        .containsText("Saved now and not in yours: Works in the rain.");
    assertThat(second.locator("[data-other]")).containsText("2 fields differ");
    assertThat(saved(second, "criteria[2].meaning")).containsText("A person answers.");
    assertThat(saved(second, "criteria[1].meaning")).containsText("A clerk on the first day");
  }

  private static Page.GetByLabelOptions exactly() {
    return new Page.GetByLabelOptions().setExact(true);
  }
}
