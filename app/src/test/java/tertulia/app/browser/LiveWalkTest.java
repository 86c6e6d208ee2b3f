package tertulia.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.testng.annotations.Test;
import tertulia.app.FreshStore;

/** Two people have the same page open: each sees what the other does, also after being cut off. */
@FreshStore
public class LiveWalkTest extends BrowserTest {
  private static final String MARKS = "/selections/1/marks";

  private static Locator value(Page page, String contender) {
    return page.locator("#dots-ease-" + contender + " svg");
  }

  private static void say(Page page, String text) {
    page.locator(".say > summary").click();
    page.locator(".remarkform textarea").fill(text);
    page.locator(".remarkform button.btn").click();
  }

  @Test
  public void twoBrowsersSeeEachOthersMarksAndRemarks() {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page odile = signedIn("odile", ColorScheme.LIGHT, 1280);
    ilse.navigate(MARKS);
    odile.navigate(MARKS);
    Locator total = odile.locator("#total-tollen-suite");
    String before = total.textContent();
    ilse.locator("#mark-ease-tollen-suite").selectOption("10");
    assertThat(total).not().hasText(before);
    assertEquals(
        total.textContent().strip(), ilse.locator("#total-tollen-suite").textContent().strip());

    say(ilse, "Who tried it on the quay?");
    assertThat(odile.locator("#remarklist")).containsText("Ilse Maren asks: Who tried it");
    assertThat(odile.locator("#steps")).containsText("1 remark");
    // what somebody is writing stays while others speak
    odile.locator("#remarklist [data-answer]").click();
    odile.locator(".remarkform textarea").fill("I did, in");
    say(ilse, "And who by phone?");
    assertThat(odile.locator("#remarklist")).containsText("And who by phone?");
    assertThat(odile.locator(".remarkform textarea")).hasValue("I did, in");
    odile.locator(".remarkform textarea").fill("I did, in the rain.");
    odile.locator(".remarkform button.btn").click();
    assertThat(ilse.locator("#remarklist .answered")).containsText("I did, in the rain.");

    // beside a figure it is said of that figure, and stands at the step too
    ilse.locator("#remarklist").evaluate("list => list.scrollIntoView()");
    ilse.locator("#total-slotmeer button").click();
    assertThat(ilse.locator("#why .remarks")).containsText("none yet");
    ilse.locator("#why .say > summary").click();
    ilse.locator("#why .remarkform [name=kind]").selectOption("disagreement");
    ilse.locator("#why .remarkform textarea").fill("help is worth more than that");
    ilse.locator("#why .remarkform button.btn").click();
    assertThat(ilse.locator("#why .remarks"))
        .containsText("Ilse Maren disagrees, because: help is worth more");
    assertThat(odile.locator("#remarklist")).containsText("Slotmeer · Total score");
    assertThat(odile.locator("#results .figure.remarked"))
        .hasAttribute("aria-description", "one remark open");
    assertEquals(String.join("\n", complaints), "");
  }

  @Test(dependsOnMethods = "twoBrowsersSeeEachOthersMarksAndRemarks")
  public void whoWasCutOffMissesNothing() {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page odile = signedIn("odile", ColorScheme.LIGHT, 1280);
    ilse.navigate(MARKS);
    odile.navigate(MARKS);
    String before = odile.locator("#total-pierbook").textContent();
    odile.context().setOffline(true);
    ilse.locator("#mark-ease-pierbook").selectOption("0");
    assertThat(ilse.locator("#total-pierbook")).not().hasText(before);
    say(ilse, "Said while one was away");
    assertThat(ilse.locator("#remarklist")).containsText("Said while one was away");
    odile.context().setOffline(false);
    assertThat(odile.locator("#total-pierbook")).not().hasText(before);
    assertThat(odile.locator("#remarklist")).containsText("Said while one was away");
  }

  /** As a browser tells a page that another tab is looked at, and then this one again. */
  private static void look(Page page, boolean at) {
    page.evaluate(
        "at => { Object.defineProperty(document, 'hidden', {value: !at, configurable: true});"
            + " document.dispatchEvent(new Event('visibilitychange')); }",
        at);
  }

  @Test(dependsOnMethods = "whoWasCutOffMissesNothing")
  public void aPageNobodyLooksAtHoldsNoConnectionAndCatchesUp() {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page odile = signedIn("odile", ColorScheme.LIGHT, 1280);
    ilse.navigate(MARKS);
    odile.navigate(MARKS);
    look(odile, false);
    say(ilse, "Said while nobody looked");
    assertThat(ilse.locator("#remarklist")).containsText("Said while nobody looked");
    assertThat(odile.locator("#remarklist")).not().containsText("Said while nobody looked");
    look(odile, true);
    assertThat(odile.locator("#remarklist")).containsText("Said while nobody looked");
  }

  @Test(dependsOnMethods = "aPageNobodyLooksAtHoldsNoConnectionAndCatchesUp")
  public void whoeverIsWritingIsToldThatTheQuestionHasChanged() {
    Page ilse = signedIn("ilse", ColorScheme.LIGHT, 1280);
    Page other = signedIn("ilse", ColorScheme.LIGHT, 1280);
    ilse.navigate("/selections/1/need");
    other.navigate("/selections/1/need");
    open(ilse, "question");
    ilse.locator("[name=purpose]").fill("For the freight desk, and");
    open(other, "question");
    other.locator("[name=purpose]").fill("For the freight desk alone.");
    other.locator(".savebar button").click();
    assertThat(other.locator("main")).containsText("Saved.");
    assertThat(ilse.locator("#news")).containsText("Somebody has changed this since you opened it");
    assertThat(ilse.locator("[name=purpose]")).hasValue("For the freight desk, and");
  }
}
