package tertulia.core.decision;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.time.LocalDate;
import org.testng.annotations.Test;

public class DecisionTest {
  private static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
  private static final Instant TUESDAY = Instant.parse("2026-11-24T09:00:00Z");
  private static final Proposal PROPOSAL =
      new Proposal(
          "x",
          "Desk, yearly",
          "It serves.",
          "Ease.",
          "below 134 people",
          LocalDate.of(2027, 10, 1));

  @Test
  public void aSecondPersonSigns() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose("Ilse", MONDAY);
    Decision.Signed signed = proposed.sign("Joren", TUESDAY);
    assertEquals(signed.by(), new Proposal.Act("Ilse", MONDAY));
    assertEquals(signed.signedBy(), new Proposal.Act("Joren", TUESDAY));
  }

  @Test
  public void nobodySignsTheirOwnProposal() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose("Ilse", MONDAY);
    assertEquals(
        expectThrows(IllegalStateException.class, () -> proposed.sign("Ilse", TUESDAY))
            .getMessage(),
        "Whoever proposes a decision cannot sign it off. Ask a colleague.");
    expectThrows(IllegalStateException.class, () -> proposed.object("Ilse", TUESDAY, "no"));
  }

  @Test
  public void anObjectionNeedsAReasonAndLeadsBackToTheTable() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose("Ilse", MONDAY);
    expectThrows(IllegalArgumentException.class, () -> proposed.object("Joren", TUESDAY, "  "));
    Decision.Objected objected = proposed.object("Joren", TUESDAY, "The trial is not over.");
    assertEquals(objected.revise(PROPOSAL), new Decision.Draft(PROPOSAL));
  }

  @Test
  public void reasonsAndWhatIsGivenUpAreNeeded() {
    expectThrows(
        IllegalArgumentException.class, () -> new Proposal("x", "o", " ", "given up", "", null));
    expectThrows(
        IllegalArgumentException.class, () -> new Proposal("x", "o", "reasons", "", "", null));
  }
}
