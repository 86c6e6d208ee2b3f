package tertulia.core.decision;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
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

  private static final Signatory ILSE = new Signatory("Ilse", "ilse");
  private static final Signatory JOREN = new Signatory("Joren", "joren");

  /** A name can be changed, an account cannot; where one is not known the name has to tell. */
  @Test
  public void onePersonIsOneAccount() {
    assertTrue(new Signatory("Ilse Maren", "ilse").isSameAs(ILSE));
    assertFalse(new Signatory("Ilse", "another").isSameAs(ILSE));
    assertTrue(new Signatory("Ilse", "").isSameAs(ILSE));
    assertFalse(new Signatory("Joren", "").isSameAs(ILSE));
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose(ILSE, MONDAY);
    Signatory renamed = new Signatory("Somebody else", "ilse");
    expectThrows(IllegalStateException.class, () -> proposed.sign(renamed, TUESDAY));
    assertEquals(ILSE.words(), "Ilse (ilse)");
    assertEquals(new Signatory("Ilse", "").words(), "Ilse");
  }

  @Test
  public void aSecondPersonSigns() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose(ILSE, MONDAY);
    Decision.Signed signed = proposed.sign(JOREN, TUESDAY);
    assertEquals(signed.by(), new Proposal.Act(ILSE, MONDAY));
    assertEquals(signed.closedBy(), new Proposal.Act(JOREN, TUESDAY));
    assertEquals(signed.agreed(), List.of("Joren"));
  }

  private static Answer against(Signatory person, String reason) {
    return new Answer.Against(new Proposal.Act(person, TUESDAY), reason);
  }

  @Test
  public void nobodySignsTheirOwnProposal() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose(ILSE, MONDAY);
    assertEquals(
        expectThrows(IllegalStateException.class, () -> proposed.sign(ILSE, TUESDAY)).getMessage(),
        "Whoever proposes a decision cannot sign it. Ask a colleague.");
    expectThrows(IllegalStateException.class, () -> proposed.answer(against(ILSE, "no")));
  }

  @Test
  public void anObjectionNeedsAReasonAndLeadsBackToTheTable() {
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL).propose(ILSE, MONDAY);
    expectThrows(IllegalArgumentException.class, () -> against(JOREN, "  "));
    Decision.Objected objected =
        (Decision.Objected) proposed.answer(against(JOREN, "The trial is not over."));
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
