package tertulia.app.browser;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.Media;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What matters of a page stands on the paper, and nothing that can only be done on a screen. */
public class PrintedTest extends BrowserTest {
  @DataProvider
  public Object[][] pages() {
    return new Object[][] {
      {
        "/selections/2/decision",
        List.of(
            "Decided on",
            "We take Rigglet on",
            "Because",
            "Given up",
            "Holds as long as",
            "We look again on",
            "Unchanged since it was signed",
            "SHA-256")
      },
      {
        "/selections/1/decision",
        List.of("criteria won", "halvard desk", "how the list was narrowed")
      },
      {
        "/selections/2/look-again",
        List.of("would decide", "broken since 14 oct 2026", "+216.00", "dinghy")
      },
      {"/selections/1/contenders", List.of("halvard desk", "pierbook")},
      {"/selections/1/fit", List.of("halvard desk", "plan")},
      {
        "/selections/1/cost",
        List.of("monthly cost by headcount", "a head a year", "kept on one plan")
      },
      {"/selections/1/weights", List.of("halvard desk", "ease")},
      {"/selections/1/marks", List.of("halvard desk", "ease")},
      {"/selections/1/firmness", List.of("halvard desk")},
      {"/selections/1/changes", List.of("imported: “which booking tool", "the program")},
      {"/catalogue/slotmeer", List.of("slotmeer", "7.20")},
    };
  }

  @Test(dataProvider = "pages")
  public void whatIsReadStandsOnThePaper(String path, List<String> said) throws IOException {
    for (ColorScheme theme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
      Page page = signedIn("ilse", theme, 1280);
      page.navigate(path);
      String text = text(page.pdf(new Page.PdfOptions().setFormat("A4")));
      for (String each : said) {
        assertTrue(text.contains(each.toLowerCase(java.util.Locale.ROOT)), each + " in " + text);
      }
      for (String act : List.of("Sign out", "Propose it", "Say it", "Keep as a draft")) {
        assertFalse(text.contains(act.toLowerCase(java.util.Locale.ROOT)), act + " in " + text);
      }
      page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
      assertEquals(
          page.evaluate("getComputedStyle(document.body).color"),
          "rgb(27, 37, 48)",
          "ink on paper, in whatever theme: " + theme);
    }
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper()
          .getText(document)
          .replaceAll("\\s+", " ")
          .toLowerCase(java.util.Locale.ROOT);
    }
  }
}
