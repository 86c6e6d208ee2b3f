package tertulia.app.handover;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.TextContentRenderer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

public class MarkdownTest {
  private static final Results RESULTS = Results.of(Demo.selection());

  private static String written(Optional<Decision> decision) {
    return Markdown.of(Demo.file(), RESULTS, decision);
  }

  @Test
  public void whatIsHadElsewhereAndAtTheStartIsAmongTheDrivers() {
    SelectionFile file = Demo.file();
    String text =
        Demo.text()
            .replaceFirst(
                "\"demand\": \\[",
                "\"demand\": [{\"measure\": \"own/sum/chart/charts\", \"fixed\": \"1\", \"perHead\":"
                    + " {}, \"stock\": \"60\", \"outside\": {\"by\": \"a *drawer*\", \"upTo\":"
                    + " \"120\", \"monthly\": \"6.00\"}},");
    SelectionFile more =
        ((PortableFile.Read.Accepted)
                PortableFile.read(text.getBytes(java.nio.charset.StandardCharsets.UTF_8)))
            .file();
    String written = Markdown.of(more, RESULTS, Optional.empty());
    assertTrue(written.contains("- counted: 60 charts at the start"), written);
    assertTrue(
        written.contains(
            "- counted: charts, up to 120 more than a plan allows by a \\*drawer\\* at 6.00 in each"
                + " month that needs it"),
        written);
    assertTrue(!Markdown.of(file, RESULTS, Optional.empty()).contains("- counted:"));
  }

  @Test
  public void anOpenSelectionHasContextDriversAndOptions() {
    String text = written(Optional.empty());
    List<String> headings = text.lines().filter(line -> line.startsWith("#")).toList();
    assertEquals(
        headings,
        List.of(
            "# Which booking tool for the freight desk?",
            "## Context",
            "## Decision drivers",
            "## Considered options",
            "### How the list was narrowed",
            "### What was asked and said"));
    assertTrue(text.contains("- Status: open"));
    assertTrue(
        text.contains(
            "- must: Two-way calendar link (Odile Brannock): A slot moved on the quay has to move"));
    assertTrue(
        text.contains(
            "- 2026-10-20: Pierbook set aside by Ilse Maren: Nobody could say whether its small"));
    assertTrue(text.contains("- criterion: Cost, weight 19 %"));
    assertTrue(text.contains("62 to 111 people over 36 months from 2027-01; figures in EUR"));
  }

  @Test
  public void whatTheTableSettledStandsThereWithWhy() {
    String text = record("We all tried it again.");
    assertTrue(
        text.contains(
            "### Marks settled together\n\n- Slotmeer · We all tried it again.: 7, We all tried it"
                + " again. (We all tried it again., 2026-10-21)\n"),
        text);
    assertTrue(!written(Optional.empty()).contains("settled together"));
  }

  @Test
  public void everyContenderIsARowWithItsFigureOrItsReason() {
    List<String> rows = written(Optional.empty()).lines().filter(l -> l.startsWith("| ")).toList();
    assertEquals(rows.size(), 7);
    for (Results.ContenderResult c : RESULTS.contenders()) {
      String row =
          rows.stream().filter(r -> r.startsWith("| " + c.name() + " |")).findFirst().get();
      if (c.setAside() != null) {
        assertTrue(row.contains("set aside: It cannot book by vehicle length"), row);
      } else {
        String amount = String.format("%,.2f", new java.math.BigDecimal(c.horizon().amount()));
        assertTrue(row.contains((c.horizon().atMost() ? "at most " : "") + amount), row);
      }
    }
  }

  @Test
  public void aSignedDecisionSaysWhoAndWhatFollows() {
    Proposal proposal =
        new Proposal(
            "halvard-desk",
            "Desk 25, yearly, up front",
            "It *serves*.\n# Not a heading",
            "Ease",
            "fewer than 134",
            LocalDate.of(2027, 10, 1));
    Decision signed =
        new Decision.Draft(proposal)
            .propose(new Signatory("Ilse", "ilse"), Instant.parse("2026-11-23T09:00:00Z"))
            .sign(new Signatory("Joren", ""), Instant.parse("2026-11-24T09:00:00Z"));
    String text = written(Optional.of(signed));
    assertTrue(
        text.contains(
            "- Status: accepted on 2026-11-24; proposed by Ilse (ilse) on 2026-11-23; Joren agreed,"
                + " 24 Nov 2026"));
    assertTrue(text.contains("Chosen: **Halvard Desk**, Desk 25, yearly, up front."));
    assertTrue(text.contains("It \\*serves\\*.\n\\# Not a heading"));
    assertTrue(text.contains("Holds as long as: fewer than 134"));
    assertTrue(text.contains("To be looked at again on 2027-10-01."));
  }

  @DataProvider
  public Object[][] typed() {
    return new Object[][] {
      {"<img src=x> [a](b) `c` | d ~e~ \\"},
      {"# A heading"},
      {"Underlined\n====="},
      {"Underlined\n-----"},
      {"- a list\n- of two"},
      {"+ a list"},
      {"1. numbered\n2) numbered"},
      {"a | b\n|---|---|\n1 | 2"},
      {"    indented as code"},
      {"```\nfenced\n```"},
      {"> quoted"},
      {"***"},
      {"&lt;b&gt; &amp; &#35;"},
      {"<script>alert(1)</script>\n<!-- not seen"},
      {"![picture](https://example.org/a.png) <https://example.org> [r]: /x"},
      {"two\n\n\n\nparagraphs\n\n---\n\n## and more"},
      {"ends with a backslash \\"}
    };
  }

  /**
   * Read by a parser of Markdown, a record has the same headings, lists and rows whatever people
   * typed, nothing else of markup, and every word as it was typed.
   */
  @Test(dataProvider = "typed")
  public void textOfPeopleCannotBecomeMarkup(String text) {
    Shape plain = Shape.of(record("plain words"));
    String written = record(text);
    Shape shape = Shape.of(written);
    assertEquals(shape.counts(), plain.counts(), written);
    String words = text.strip().replaceAll("\\s+", " ");
    long times = occurrences(plain.words(), "plain words");
    assertTrue(times > 8, "only " + times);
    assertEquals(occurrences(shape.words(), words), times, shape.words());
  }

  private static long occurrences(String in, String what) {
    return Pattern.compile(Pattern.quote(what)).matcher(in).results().count();
  }

  /** The demonstration's record with one text in every place where people write. */
  private static String record(String typed) {
    SelectionFile file = Demo.file();
    Brief brief = file.brief();
    ObjectNode tree = (ObjectNode) new JsonMapper().valueToTree(brief);
    tree.put("title", typed).put("purpose", typed);
    for (JsonNode need : tree.path("needs")) {
      ((ObjectNode) need).put("name", typed).put("askedBy", typed).put("why", typed);
    }
    for (JsonNode criterion : tree.path("criteria")) {
      ((ObjectNode) criterion).put("name", typed);
    }
    SelectionFile other =
        new SelectionFile(
            file.format(),
            file.version(),
            new JsonMapper().treeToValue(tree, Brief.class),
            file.contenders(),
            file.panel(),
            null,
            List.of(
                new SelectionFile.LogPart(
                    "2026-10-20T09:00:00Z", typed, "set-aside", typed, typed)),
            List.of(
                new SelectionFile.EndedPart(
                    typed,
                    typed,
                    typed,
                    typed,
                    typed,
                    "2026-10-20T09:00:00Z",
                    "objected",
                    typed,
                    "2026-10-21T09:00:00Z",
                    typed)),
            List.of(
                new SelectionFile.SettledPart("ease", "slotmeer", "7", typed, typed, "2026-10-21")),
            List.of(
                new SelectionFile.RemarkPart(
                    "step/cost",
                    "question",
                    typed,
                    typed,
                    "2026-10-20T09:00:00Z",
                    List.of(new SelectionFile.AnswerPart(typed, typed, "2026-10-21T09:00:00Z")),
                    null,
                    null)),
            null,
            null);
    Decision decision =
        new Decision.Draft(
                new Proposal("gone", typed, typed, typed, typed, LocalDate.of(2027, 10, 1)))
            .propose(new Signatory(typed, ""), Instant.parse("2026-11-23T09:00:00Z"))
            .answer(
                new Answer.Against(
                    new Proposal.Act(
                        new Signatory("Joren", "joren"), Instant.parse("2026-11-24T09:00:00Z")),
                    typed));
    return Markdown.of(other, RESULTS, Optional.of(decision));
  }

  /** What a parser sees: how often each kind of node but text, and the text between. */
  private record Shape(Map<String, Integer> counts, String words) {
    static Shape of(String markdown) {
      List<Extension> tables = List.of(TablesExtension.create());
      Node document = Parser.builder().extensions(tables).build().parse(markdown);
      Map<String, Integer> counts = new TreeMap<>();
      count(document, counts);
      // typed paragraphs stay paragraphs
      counts.remove("Paragraph");
      counts.remove("SoftLineBreak");
      counts.remove("Text");
      String words = TextContentRenderer.builder().extensions(tables).build().render(document);
      return new Shape(counts, words.replaceAll("\\s+", " "));
    }

    private static void count(Node node, Map<String, Integer> counts) {
      counts.merge(node.getClass().getSimpleName(), 1, Integer::sum);
      for (Node child = node.getFirstChild(); child != null; child = child.getNext()) {
        count(child, counts);
      }
    }
  }
}
