package tertulia.app.browser;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.Assert;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tertulia.app.ServedTest;

/** Base of tests that drive the real pages in Debian's Chromium; one browser for a class. */
public abstract class BrowserTest extends ServedTest {
  private static final String AXE = AxeBuilder.getAxeScript();
  private static final List<String> OF_COLOUR = List.of("color-contrast", "link-in-text-block");

  @LocalServerPort private int port;
  private Playwright playwright;
  private Browser browser;

  /** What the pages wrote to the console as errors; nothing is expected there. */
  protected final List<String> complaints = new ArrayList<>();

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void startBrowser() {
    // a slow machine is no failure
    PlaywrightAssertions.setDefaultAssertionTimeout(60_000);
    playwright = Playwright.create();
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--no-first-run")));
  }

  @AfterClass(alwaysRun = true)
  public void stopBrowser() {
    if (playwright != null) {
      playwright.close();
    }
  }

  /** Somebody's own browser window, signed in. */
  protected Page signedIn(String name, ColorScheme scheme, int width) {
    Page page = window(scheme, width);
    page.navigate("/sign-in");
    page.locator("[name=username]").fill(name);
    page.locator("[name=password]").fill("brackwater");
    page.locator("main button").click();
    page.waitForURL("**/selections**");
    return page;
  }

  /** Opens a part of a form that is one line until it is opened. */
  protected static void open(Page page, String part) {
    page.locator("#section-" + part + ":not([open]) > summary").click();
  }

  /** Opens everything that is folded. */
  protected static void unfold(Page page) {
    page.evaluate("document.querySelectorAll('details').forEach(d => { d.open = true; })");
  }

  /** A browser window of its own. */
  protected Page window(ColorScheme scheme, int width) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setBaseURL("http://localhost:" + port)
                .setColorScheme(scheme)
                .setViewportSize(width, 800));
    Page page = context.newPage();
    page.setDefaultTimeout(60_000);
    page.onConsoleMessage(message -> {
      if (message.type().equals("error") && !message.text().contains("status of 4")) {
        complaints.add(message.text());
      }
    });
    page.onPageError(complaints::add);
    return page;
  }

  /**
   * Fails if axe finds anything serious on the page. In dark only what depends on colour is looked
   * at: all else is the same page.
   */
  protected static void accessible(Page page, ColorScheme scheme, String where) {
    page.evaluate(AXE);
    Object found =
        page.evaluate(
            """
            rules => axe.run(document, {resultTypes: ['violations'], ...rules})
              .then(result => result.violations
                .filter(rule => rule.impact === 'serious' || rule.impact === 'critical')
                .flatMap(rule => rule.nodes.map(n => `${rule.id} ${n.target} ${n.html}`)))
            """,
            scheme == ColorScheme.DARK ? Map.of("runOnly", OF_COLOUR) : Map.of());
    Assert.assertEquals(found, List.of(), where + " " + scheme);
  }
}
