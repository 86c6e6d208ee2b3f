package tertulia.app.handover;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.Results;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;

public class MarkdownTest {
  private static final Results RESULTS = Results.of(Demo.selection());

  private static String written(Optional<Decision> decision) {
    return Markdown.of(Demo.file(), RESULTS, decision);
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
            "### How the list was narrowed"));
    assertTrue(text.contains("- Status: open"));
    assertTrue(
        text.contains(
            "- must: Two-way calendar link (Odile Brannock): A slot moved on the quay has to move"));
    assertTrue(
        text.contains(
            "- 2026-10-20: Pierbook set aside by Ilse Maren: Nobody could say whether its small"));
    assertTrue(text.contains("- criterion: Cost, weight 0.250000"));
    assertTrue(text.contains("62 to 111 people over 36 months from 2027-01; figures in EUR"));
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
        assertTrue(
            row.contains((c.horizon().atMost() ? "at most " : "") + c.horizon().amount()), row);
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
            .propose("Ilse", Instant.parse("2026-11-23T09:00:00Z"))
            .sign("Joren", Instant.parse("2026-11-24T09:00:00Z"));
    String text = written(Optional.of(signed));
    assertTrue(
        text.contains(
            "- Status: accepted; proposed by Ilse on 2026-11-23, signed off by Joren on"
                + " 2026-11-24"));
    assertTrue(text.contains("Chosen: **Halvard Desk**, Desk 25, yearly, up front."));
    assertTrue(text.contains("It \\*serves\\*.\n\\# Not a heading"));
    assertTrue(text.contains("Holds as long as: fewer than 134"));
    assertTrue(text.contains("To be looked at again on 2027-10-01."));
  }

  @Test
  public void textOfPeopleCannotBecomeMarkup() {
    assertEquals(
        Markdown.escaped("<img src=x> [a](b) `c` | d ~e~ \\"),
        "\\<img src=x\\> \\[a\\](b) \\`c\\` \\| d \\~e\\~ \\\\");
  }
}
