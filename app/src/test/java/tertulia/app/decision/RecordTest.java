package tertulia.app.decision;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.testng.annotations.Test;
import tertulia.app.ServedTest;
import tertulia.app.people.UserAccounts;

/** The record of a signed decision: page and PDF say the same, and everything that was decided. */
public class RecordTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Decisions decisions;
  @Autowired private RecordPdf pdf;

  private MockHttpServletResponse answer(String path, String who) throws Exception {
    return mvc.perform(get(path).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  private Minutes minutes() {
    return MinutesWriter.of(decisions.find(2).orElseThrow()).orElseThrow();
  }

  private static String oneLine(String text) {
    return text.replaceAll("[\\s\\p{Z}]+", "");
  }

  /** Everything a record says, in its order. */
  private static List<String> said(Minutes minutes) {
    return Stream.of(
            Stream.of(minutes.question(), minutes.forWhom(), minutes.decided(), minutes.headline()),
            minutes.inShort().stream(),
            minutes.signatures().stream().flatMap(s -> Stream.of(s.name(), s.did(), s.on())),
            minutes.sections().stream()
                .flatMap(s ->
                    Stream.concat(
                        Stream.of(s.heading()),
                        s.blocks().stream()
                            .flatMap(b ->
                                Stream.of(
                                        Stream.of(b.text(), b.caption()),
                                        b.points().stream(),
                                        b.table().stream()
                                            .flatMap(List::stream)
                                            .flatMap(c -> Stream.of(c.text(), c.note())))
                                    .flatMap(all -> all)))),
            Stream.of(minutes.sha256()))
        .flatMap(all -> all)
        .filter(text -> !text.isBlank())
        .toList();
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertTrue(document.getNumberOfPages() >= 2 && document.getNumberOfPages() <= 6);
      PDFTextStripper stripper = new PDFTextStripper();
      stripper.setSortByPosition(false);
      return stripper.getText(document);
    }
  }

  @Test
  public void whoeverWasNotThereReadsWhatWasDecidedForHowMuchAndAgainstWhat() throws Exception {
    Minutes minutes = minutes();
    assertEquals(
        minutes.headline(),
        "We take Rigglet on Dinghy, yearly, up front, for 864.00 EUR over 36 months.");
    assertEquals(
        minutes.inShort(),
        List.of(
            "24.00 EUR a month in January 2026, for 30 people.",
            "It was not ahead by the totals: Werfplan was, by 0.006.",
            "Werfplan, the cheapest of the others, costs 3,452.20 EUR more over that time.",
            "We look again on 15 Dec 2026."));
    assertEquals(
        minutes.signatures().stream().map(s -> s.name() + " " + s.did() + " " + s.on()).toList(),
        List.of("Ilse Maren proposed it 19 Dec 2025", "Joren Talvik agreed 22 Dec 2025"));
    assertEquals(
        minutes.sections().stream().map(Minutes.Section::heading).toList(),
        List.of(
            "Because",
            "Given up",
            "Against it",
            "Holds as long as",
            "For whom",
            "What was needed",
            "Contenders",
            "Ruled out",
            "Who won where",
            "By contender",
            "By size of buyer",
            "Who decided",
            "How firm it was",
            "Prices"));
  }

  @Test
  public void pageAndPdfSayEverySentenceAndFigure() throws Exception {
    List<String> said = said(minutes());
    assertTrue(said.size() > 100, "" + said.size());
    MockHttpServletResponse page = answer("/selections/2/record", "pia");
    assertEquals(page.getStatus(), 200);
    String html = oneLine(Jsoup.parse(page.getContentAsString()).wholeText());
    String step =
        oneLine(
            Jsoup.parse(answer("/selections/2/decision", "pia").getContentAsString()).wholeText());
    MockHttpServletResponse file = answer("/selections/2/record.pdf", "pia");
    assertEquals(file.getContentType(), "application/pdf");
    String whole = oneLine(text(file.getContentAsByteArray()));
    assertTrue(whole.contains("Page1of3") && whole.contains("Page3of3"), whole);
    // a sentence may go on overleaf
    String foot = java.util.regex.Pattern.quote(oneLine(minutes().question())) + "Page\\dof\\d";
    String paper = whole.replaceAll(foot, "");
    for (String each : said) {
      assertTrue(html.contains(oneLine(each)), each);
      assertTrue(step.contains(oneLine(each)), each);
      assertTrue(paper.contains(oneLine(each)), each + " in " + paper);
    }
  }

  /** Other scripts, markup and long words of people reach the paper as they were typed. */
  @Test
  public void whatPeopleTypedReachesThePaperAsTyped() throws Exception {
    Minutes plain = minutes();
    String typed = "Ποιο εργαλείο; Œuvre, Łódź, Ещё & <b>\"x\"</b> " + "ω".repeat(60);
    Minutes odd =
        new Minutes(
            typed,
            typed,
            plain.decided(),
            plain.headline(),
            List.of(typed),
            plain.signatures(),
            plain.sections(),
            plain.sha256(),
            false);
    String paper = oneLine(text(pdf.write(odd)));
    assertTrue(paper.contains(oneLine(typed)), paper);
    assertTrue(paper.contains("doesnotmatchthefingerprint"), paper);
  }

  @Test
  public void beforeItIsSignedThereIsNoRecord() throws Exception {
    for (String path : List.of("/selections/1/record", "/selections/1/record.pdf")) {
      assertEquals(answer(path, "ilse").getStatus(), 404, path);
    }
  }
}
