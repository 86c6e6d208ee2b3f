package tertulia.app.browser;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.Assert;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterSuite;
import org.testng.annotations.BeforeClass;
import tertulia.app.ServedTest;

/** Base of tests that drive the real pages in Debian's Chromium; one browser for all of them. */
public abstract class BrowserTest extends ServedTest {
  private static final String AXE = AxeBuilder.getAxeScript();
  private static final List<String> OF_COLOUR = List.of("color-contrast", "link-in-text-block");

  @LocalServerPort private int port;

  /** Takes out all but two of those that have the same look down to the last part of them. */
  private static final String WITHOUT_ALIKE =
      """
      () => {
        const seen = new Map();
        const own = e => `${e.tagName}.${[...e.classList].sort().join('.')}`
          + ['type', 'disabled', 'aria-current', 'aria-pressed', 'hidden', 'open', 'style', 'fill', 'stroke']
            .map(a => e.getAttribute(a) ?? '').join('|');
        const looks = e => own(e) + '(' + [...e.children].map(looks).join() + ')';
        const gone = window.gone = [];
        const thin = (e, above) => {
          const look = above + '>' + looks(e);
          const before = seen.get(look) ?? 0;
          seen.set(look, before + 1);
          if (before >= 2) {
            const place = document.createComment('');
            e.replaceWith(place);
            gone.push([place, e]);
          } else {
            [...e.children].forEach(child => thin(child, above + '>' + own(e)));
          }
        };
        thin(document.body, '');
      }
      """;

  private static final String WITH_ALIKE =
      "() => window.gone.reverse().forEach(([place, e]) => place.replaceWith(e))";

  private static @Nullable Playwright playwright;
  private static @Nullable Browser browser;

  private final List<BrowserContext> windows = new ArrayList<>();

  /** What the pages wrote to the console as errors; nothing is expected there. */
  protected final List<String> complaints = new ArrayList<>();

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void startBrowser() {
    if (browser != null) {
      return;
    }
    // a slow machine is no failure
    PlaywrightAssertions.setDefaultAssertionTimeout(60_000);
    playwright = Playwright.create();
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(chromium())
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

  /**
   * The one without windows of its own, as it takes less; the whole one where that is not there.
   */
  private static Path chromium() {
    return Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
        .map(Path::of)
        .filter(Files::isExecutable)
        .findFirst()
        .orElseThrow(() -> new IllegalStateException("No Chromium is installed; see bin/test."));
  }

  @AfterClass(alwaysRun = true)
  public void closeWindows() {
    windows.forEach(BrowserContext::close);
    windows.clear();
  }

  @AfterSuite(alwaysRun = true)
  public void stopBrowser() {
    if (playwright != null) {
      playwright.close();
    }
    playwright = null;
    browser = null;
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
        Objects.requireNonNull(browser)
            .newContext(
                new Browser.NewContextOptions()
                    .setBaseURL("http://localhost:" + port)
                    .setColorScheme(scheme)
                    .setViewportSize(width, 800));
    windows.add(context);
    // of every page in it, also of those that are opened later
    context.setDefaultTimeout(60_000);
    context.setDefaultNavigationTimeout(60_000);
    Page page = context.newPage();
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
   * at: all else is the same page. Of what looks alike in every part two are looked at for colour,
   * as each takes long.
   */
  protected static void accessible(Page page, ColorScheme scheme, String where) {
    page.evaluate(AXE);
    List<Object> found = new ArrayList<>();
    if (scheme == ColorScheme.LIGHT) {
      Map<String, Object> off = new HashMap<>();
      OF_COLOUR.forEach(rule -> off.put(rule, Map.of("enabled", false)));
      found.addAll(serious(page, Map.of("rules", off)));
    }
    page.evaluate(WITHOUT_ALIKE);
    found.addAll(serious(page, Map.of("runOnly", OF_COLOUR)));
    page.evaluate(WITH_ALIKE);
    Assert.assertEquals(found, List.of(), where + " " + scheme);
  }

  private static List<?> serious(Page page, Map<String, ?> options) {
    return (List<?>)
        page.evaluate(
            """
            options => axe.run(document, {resultTypes: ['violations'], ...options})
              .then(result => result.violations
                .filter(rule => rule.impact === 'serious' || rule.impact === 'critical')
                .flatMap(rule => rule.nodes.map(n => `${rule.id} ${n.target} ${n.html}`)))
            """,
            options);
  }
}
