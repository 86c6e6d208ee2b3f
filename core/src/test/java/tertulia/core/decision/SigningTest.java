package tertulia.core.decision;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

public class SigningTest {
  private static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
  private static final Instant TUESDAY = Instant.parse("2026-11-24T09:00:00Z");
  private static final Signatory ILSE = new Signatory("Ilse", "ilse");
  private static final List<Signatory> PANEL =
      List.of(
          new Signatory("Joren", "joren"),
          new Signatory("Odile", "odile"),
          new Signatory("Maud", "maud"),
          new Signatory("Pia", "pia"));
  private static final Proposal PROPOSAL =
      new Proposal("x", "Desk, yearly", "It serves.", "Ease.", "", null);

  private static Answer agrees(Signatory person) {
    return new Answer.Agrees(new Proposal.Act(person, TUESDAY), "");
  }

  private static Answer against(Signatory person) {
    return new Answer.Against(new Proposal.Act(person, TUESDAY), "too soon");
  }

  /** What each of the first n people says: true, false, or nothing. */
  private static Signing said(SigningRule rule, List<@Nullable Boolean> says) {
    Signing signing = new Signing(rule, PANEL.subList(0, says.size()), List.of());
    for (int i = 0; i < says.size(); i++) {
      Boolean yes = says.get(i);
      if (yes != null) {
        signing = signing.with(yes ? agrees(PANEL.get(i)) : against(PANEL.get(i)));
      }
    }
    return signing;
  }

  private static List<List<@Nullable Boolean>> all(int n, List<@Nullable Boolean> options) {
    List<List<@Nullable Boolean>> all = new ArrayList<>();
    all.add(List.of());
    for (int i = 0; i < n; i++) {
      List<List<@Nullable Boolean>> longer = new ArrayList<>();
      for (List<@Nullable Boolean> before : all) {
        for (Boolean option : options) {
          List<@Nullable Boolean> more = new ArrayList<>(before);
          more.add(option);
          longer.add(more);
        }
      }
      all = longer;
    }
    return all;
  }

  /** By the words of the rule, once everybody has answered. */
  private static boolean stands(SigningRule rule, List<@Nullable Boolean> says) {
    long yes = says.stream().filter(Boolean.TRUE::equals).count();
    return switch (rule) {
      case SigningRule.Majority most -> yes > says.size() - yes;
      case SigningRule.Named named -> Boolean.TRUE.equals(says.getFirst());
      default -> yes == says.size();
    };
  }

  private static boolean completes(List<@Nullable Boolean> whole, List<@Nullable Boolean> part) {
    for (int i = 0; i < part.size(); i++) {
      if (part.get(i) != null && !part.get(i).equals(whole.get(i))) {
        return false;
      }
    }
    return true;
  }

  /** It stands as soon as the answers that are missing cannot change that, and falls likewise. */
  @Test
  public void aRuleIsDecidedWhenWhatIsMissingCannotChangeIt() {
    List<@Nullable Boolean> any = new ArrayList<>(List.of(true, false));
    any.add(null);
    for (int n = 1; n <= 4; n++) {
      for (SigningRule rule :
          List.of(
              new SigningRule.Everyone(),
              new SigningRule.Majority(),
              new SigningRule.Named(List.of(PANEL.getFirst())))) {
        for (List<@Nullable Boolean> part : all(n, any)) {
          List<List<@Nullable Boolean>> whole =
              all(n, List.of(true, false)).stream().filter(w -> completes(w, part)).toList();
          boolean surely = whole.stream().allMatch(w -> stands(rule, w));
          boolean never = whole.stream().noneMatch(w -> stands(rule, w));
          Signing.Outcome outcome = said(rule, part).outcome(MONDAY, TUESDAY);
          String told = rule + " " + part + " " + outcome;
          assertEquals(outcome instanceof Signing.Outcome.Stands, surely, told);
          assertEquals(outcome instanceof Signing.Outcome.Falls, never, told);
        }
      }
    }
  }

  @Test
  public void nobodyObjectingForSoManyDaysIsEnough() {
    Signing silent =
        new Signing(new SigningRule.NoObjection(7), PANEL, List.of()).with(agrees(PANEL.get(1)));
    Instant over = MONDAY.plus(Duration.ofDays(7));
    assertEquals(silent.outcome(MONDAY, over.minusSeconds(1)), new Signing.Outcome.Open());
    assertEquals(silent.outcome(MONDAY, over), new Signing.Outcome.Unopposed(over));
    assertTrue(
        silent.with(against(PANEL.get(2))).outcome(MONDAY, over) instanceof Signing.Outcome.Falls);
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL, silent.anew()).propose(ILSE, MONDAY);
    expectThrows(IllegalStateException.class, () -> proposed.unopposed(ILSE, TUESDAY));
    assertEquals(proposed.unopposed(ILSE, over).at(), over);
    assertEquals(proposed.unopposed(ILSE, over).agreed(), List.of());
    Answer late = new Answer.Against(new Proposal.Act(PANEL.getFirst(), over), "too late");
    expectThrows(IllegalStateException.class, () -> proposed.answer(late));
    assertTrue(
        proposed.answer(new Answer.Agrees(new Proposal.Act(PANEL.getFirst(), over), ""))
            instanceof Decision.Proposed,
        "to agree is never too late");
    Answer inTime =
        new Answer.Against(new Proposal.Act(PANEL.getFirst(), over.minusSeconds(1)), "too soon");
    assertTrue(proposed.answer(inTime) instanceof Decision.Objected);
  }

  @Test
  public void anAnswerTakesThePlaceOfTheOneBefore() {
    Signing signing =
        said(new SigningRule.Majority(), java.util.Arrays.asList(false, null, null))
            .with(agrees(PANEL.getFirst()));
    assertEquals(signing.answers().size(), 1);
    assertEquals(signing.of(PANEL.getFirst()), Optional.of(agrees(PANEL.getFirst())));
    assertEquals(signing.waiting(), PANEL.subList(1, 3));
    assertEquals(signing.anew().answers(), List.of());
    assertEquals(signing.without(PANEL.get(1)).asked().size(), 2);
  }

  @Test
  public void onlyThoseAskedAnswer() {
    Signing two = new Signing(new SigningRule.Everyone(), PANEL.subList(0, 2), List.of());
    Decision.Proposed proposed = new Decision.Draft(PROPOSAL, two).propose(ILSE, MONDAY);
    assertFalse(two.asks(PANEL.get(2)));
    expectThrows(IllegalStateException.class, () -> proposed.answer(agrees(PANEL.get(2))));
    Decision.Proposed waits = (Decision.Proposed) proposed.answer(agrees(PANEL.get(0)));
    assertEquals(waits.signing().waiting(), List.of(PANEL.get(1)));
    Decision.Signed signed =
        (Decision.Signed)
            waits.answer(
                new Answer.Agrees(new Proposal.Act(PANEL.get(1), TUESDAY), "not for the crews"));
    assertEquals(signed.agreed(), List.of("Joren", "Odile"));
    assertEquals(signed.closedBy().person(), "Odile");
    Decision.Objected objected = (Decision.Objected) waits.answer(against(PANEL.get(1)));
    assertEquals(objected.reason(), "too soon");
    assertEquals(objected.revise(PROPOSAL).signing().answers(), List.of());
    assertTrue(Signing.BY_ONE_OTHER.asks(PANEL.get(3)));
  }

  @Test
  public void aRuleNeedsPeople() {
    expectThrows(
        IllegalArgumentException.class,
        () -> new Signing(new SigningRule.Everyone(), List.of(), List.of()));
    expectThrows(IllegalArgumentException.class, () -> new SigningRule.Named(List.of()));
    expectThrows(
        IllegalArgumentException.class,
        () -> new Signing(new SigningRule.Named(List.of(ILSE)), PANEL.subList(0, 1), List.of()));
    expectThrows(
        IllegalArgumentException.class,
        () ->
            new Decision.Draft(
                    PROPOSAL, new Signing(new SigningRule.Majority(), List.of(ILSE), List.of()))
                .propose(ILSE, MONDAY));
    expectThrows(IllegalArgumentException.class, () -> new SigningRule.NoObjection(0));
    expectThrows(IllegalArgumentException.class, () -> new SigningRule.NoObjection(61));
  }
}
