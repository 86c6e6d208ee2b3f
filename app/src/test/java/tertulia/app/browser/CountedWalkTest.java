package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Selections;

/** Somebody counts what nobody else counts: winches, and languages. */
@FreshStore
public class CountedWalkTest extends BrowserTest {
  private static final String WINCHES = "own/level/winch/winches";
  @Autowired private Catalogue catalogue;
  @Autowired private Selections selections;

  private static void count(Page page, String one, String many) {
    page.locator("[name='counting.one']").fill(one);
    page.locator("[name='counting.many']").fill(many);
    page.locator(".ownmeasure button").click();
  }

  @Test
  public void aPageChargesByTheWinchAndSaysHowManyLanguages() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/catalogue/new?selection=3");
    page.locator("[name=name]").fill("Winchbook");
    page.locator("[name='plans[0].name']").fill("Drum");
    page.locator("[data-shows=own]").click();
    count(page, "<b>winch", "winches");
    assertThat(page.locator(".ownmeasure .fault")).containsText("is no word for what is counted");
    assertThat(page.locator("[name='counting.one']")).hasValue("<b>winch");
    count(page, "winch", "winches");
    assertThat(page.locator("main .warn.good[role=status]:visible"))
        .containsText("“winches” can now be chosen");
    assertThat(page.locator("[name=name]")).hasValue("Winchbook");
    page.locator("[name='lines[0].name']").fill("Rope work");
    page.locator("[name='lines[0].measure']").selectOption(WINCHES);
    page.locator("[name='lines[0].cells[0].prices[m1]']").fill("30");
    page.locator("[name='plans[0].measure']").selectOption(WINCHES);

    Locator spare = page.locator("tr[data-repeats=facts]").last();
    spare.locator("[name$='.capability']").fill("Languages");
    String name =
        (String)
            page.evaluate(
                "[...document.querySelectorAll('[name$=\".capability\"]')]"
                    + ".find(f => f.value === 'Languages').name.replace('.capability', '')");
    page.locator("select[name='" + name + ".answers[0]']").selectOption("count");
    Locator many = page.locator("input[name='" + name + ".answers[0]']");
    assertEquals(page.evaluate("document.activeElement.name"), name + ".answers[0]");
    many.fill("a lot");
    page.locator(".savebar .btn-primary").click();
    assertThat(page.locator("main .warn.stop").first()).containsText("does not say how many");
    assertThat(page.locator("input[name='" + name + ".answers[0]']")).hasValue("a lot");
    page.locator("input[name='" + name + ".answers[0]']").fill("41");
    page.locator(".savebar .btn-primary").click();
    if (page.locator(".doubt input").count() > 0) {
      page.locator(".savebar .btn-primary").click();
    }
    page.waitForURL("**/contenders");
    ToolSheet sheet = catalogue.get("winchbook").sheet();
    assertEquals(sheet.plans().getFirst().measure(), WINCHES);
    assertTrue(
        sheet.plans().getFirst().facts().stream()
            .anyMatch(fact -> fact.answer().equals("41 languages")));
    page.navigate("/catalogue/winchbook");
    assertThat(page.locator("main")).containsText("41 languages");
    assertThat(page.locator("main")).containsText("Rope work, each of the winches, monthly");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test(dependsOnMethods = "aPageChargesByTheWinchAndSaysHowManyLanguages")
  public void theNeedCountsThemAndHasMoreElsewhere() {
    Page page = signedIn("ilse", ColorScheme.LIGHT, 1280);
    page.navigate("/selections/3/need");
    page.locator("#counted > summary, details:has(table.counted) > summary").first().click();
    page.locator("details.others > summary").click();
    count(page, "wherry", "wherrys");
    assertThat(page.locator("main .warn[role=status]").first())
        .containsText("“wherrys” is in the list");
    assertThat(page.locator("[aria-label='wherrys, fixed']")).isInViewport();
    // a button does nothing before the scripts are there
    page.waitForLoadState();
    page.locator("[aria-label='wherrys, fixed']").fill("3");
    Locator more = page.locator("[aria-label='More on wherrys']");
    more.click();
    page.locator("[aria-label='wherrys, covered by']").fill("the harbour’s book");
    page.locator("[aria-label='wherrys, more for a month']").fill("4.00");
    page.locator("button:has-text('Save the need')").click();
    assertThat(page.locator("main")).containsText("Up to how much more is covered there?");
    assertThat(page.locator("[aria-label='wherrys, covered by']")).hasValue("the harbour’s book");
    page.locator("[aria-label='wherrys, up to so many more']").fill("5");
    page.locator("details.section > summary:has-text('What must be there')").click();
    page.locator("[aria-label^='Need ']").last().fill("at least 40 languages");
    page.locator("button:has-text('Save the need')").click();
    page.waitForURL("**/need?saved");
    Brief brief = selections.load(3).file().brief();
    assertEquals(
        brief.demand().getLast(),
        new Brief.DemandPart(
            "own/level/wherry/wherrys",
            "3",
            java.util.Map.of(),
            null,
            null,
            new Brief.MoreOutsidePart("the harbour’s book", "5", "4.00")));
    assertEquals(brief.needs().getLast().condition(), Brief.COUNT);
    assertEquals(brief.needs().getLast().capability(), "at least 40 languages");
    page.navigate("/selections/3/fit");
    assertThat(page.locator("main")).containsText("At least 40 languages");
    assertEquals(String.join("\n", complaints), "");
  }
}
