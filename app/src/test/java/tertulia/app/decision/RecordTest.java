package tertulia.app.decision;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.jsoup.Jsoup;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.testng.annotations.Test;
import tertulia.app.ServedTest;
import tertulia.app.people.UserAccounts;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

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

  private static String text(byte[] pdf, int most) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      assertTrue(document.getNumberOfPages() >= 2 && document.getNumberOfPages() <= most);
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
            "It was not ahead by the totals: Werfplan was, by 0.005.",
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
    String whole = oneLine(text(file.getContentAsByteArray(), 6));
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

  /** The record of the same decision with something else frozen. */
  private Minutes with(Consumer<ObjectNode> change) {
    Decisions.Stored stored = decisions.find(2).orElseThrow();
    ObjectNode snapshot =
        (ObjectNode) new JsonMapper().readTree(Objects.requireNonNull(stored.snapshot()));
    change.accept(snapshot);
    return MinutesWriter.of(
            new Decisions.Stored(stored.decision(), snapshot.toString(), stored.sha256(), 0, ""))
        .orElseThrow();
  }

  private static ObjectNode contender(ObjectNode snapshot, int place) {
    return (ObjectNode) snapshot.get("results").get("contenders").get(place);
  }

  private static void total(ObjectNode snapshot, int place, String low, String high) {
    ((ObjectNode) contender(snapshot, place).get("total")).put("low", low).put("high", high);
  }

  /** A tie is no lead, a range no figure, and what has no cost is not passed over in silence. */
  @Test
  public void theFirstSentencesSayNoMoreThanIsKnown() {
    assertEquals(
        with(
                frozen -> {
                  total(frozen, 0, "0.790000", "0.790000");
                  total(frozen, 1, "0.790000", "0.790000");
                })
            .inShort()
            .get(1),
        "It was level with Werfplan by the totals.");
    assertEquals(
        with(
                frozen -> {
                  total(frozen, 0, "0.790000", "0.790000");
                  total(frozen, 1, "0.700000", "0.900000");
                })
            .inShort()
            .get(1),
        "It was not ahead on mid-range totals: Werfplan was, by 0.010.");
    assertEquals(
        with(
                frozen -> {
                  total(frozen, 0, "0.900000", "0.900000");
                  total(frozen, 1, "0.700000", "0.750000");
                })
            .inShort()
            .get(1),
        "It was ahead on mid-range totals, 0.175 before Werfplan.");
    assertEquals(
        with(frozen -> contender(frozen, 2).remove("horizon")).inShort().get(2),
        "Werfplan, the cheapest of the others as far as costs are known, costs 3,452.20 EUR more"
            + " over that time.");
    // nobody has said is neither by points nor nothing
    List<String> panel =
        said(
            with(frozen -> {
              ObjectNode first = (ObjectNode) frozen.get("selection").get("panel").get(0);
              first.put("weighsBy", "swing");
              ((ObjectNode) frozen.get("selection").get("panel").get(1).get("points")).removeAll();
            }));
    assertTrue(panel.contains("set in another way than by points"), "" + panel);
    assertTrue(panel.contains("none set"), "" + panel);
  }

  /** As many contenders as may be compared stay within the sheet. */
  @Test
  public void manyContendersStandInTablesThatFitThePage() throws Exception {
    Minutes many =
        with(frozen -> {
          ArrayNode all = (ArrayNode) frozen.get("results").get("contenders");
          for (int i = 0; i < 9; i++) {
            ObjectNode more = contender(frozen, 1).deepCopy();
            more.put("id", "more-" + i).put("name", "Ω".repeat(110) + i);
            all.add(more);
          }
        });
    assertTrue(
        many.sections().stream()
            .filter(section -> section.id().equals("contenders"))
            .flatMap(section -> section.blocks().stream())
            .allMatch(block -> block.table().stream().allMatch(row -> row.size() <= 6)));
    String paper = oneLine(text(pdf.write(many), 12));
    assertTrue(paper.contains("Ω".repeat(110) + 8), paper);
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
    String paper = oneLine(text(pdf.write(odd), 6));
    assertTrue(paper.contains(oneLine(typed)), paper);
    assertTrue(paper.contains("doesnotmatchthefingerprint"), paper);
  }

  /** What forty people said at length fits the paper: nothing runs over its edge. */
  @Test
  public void whatManySaidAtLengthStandsOnThePaper() throws Exception {
    Minutes plain = minutes();
    List<Minutes.Signature> many = new ArrayList<>();
    for (int n = 0; n < 40; n++) {
      String at = "agreed, with reservations: " + "I would rather wait for the spring. ".repeat(19);
      many.add(
          new Minutes.Signature(
              "Person " + n + " of the second deck",
              n % 2 == 0 ? "agreed" : at + "ω".repeat(90) + " end" + n,
              "1 Dec 2025",
              n % 2 == 0 ? "for" : "reserved"));
    }
    Minutes said =
        new Minutes(
            plain.question(),
            plain.forWhom(),
            plain.decided(),
            plain.headline(),
            plain.inShort(),
            many,
            plain.sections(),
            plain.sha256(),
            true);
    byte[] file = pdf.write(said);
    String paper = oneLine(text(file, 12));
    for (int n = 0; n < 40; n++) {
      assertTrue(paper.contains("Person" + n + "oftheseconddeck"), "person " + n);
      assertTrue(n % 2 == 0 || paper.contains("end" + n), "the end of what " + n + " said");
    }
    try (PDDocument document = Loader.loadPDF(file)) {
      float[] widest = {0};
      new PDFTextStripper() {
        @Override
        protected void processTextPosition(TextPosition at) {
          widest[0] = Math.max(widest[0], at.getXDirAdj() + at.getWidthDirAdj());
        }
      }.getText(document);
      float page = document.getPage(0).getMediaBox().getWidth();
      assertTrue(widest[0] < page - 20, widest[0] + " of " + page);
    }
  }

  @Test
  public void beforeItIsSignedThereIsNoRecord() throws Exception {
    for (String path : List.of("/selections/1/record", "/selections/1/record.pdf")) {
      assertEquals(answer(path, "ilse").getStatus(), 404, path);
    }
  }
}
