package tertulia.app.display;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;
import tertulia.core.decision.SigningRule;

public class SigningWordsTest {
  private static final Instant PROPOSED = Instant.parse("2026-11-24T09:00:00Z");

  private static List<Signatory> people(int many) {
    return IntStream.range(0, many).mapToObj(n -> new Signatory("P" + n + ".", "p" + n)).toList();
  }

  /** Whoever is asked is named, in the sentence or, of too many, in the list under it. */
  @Test
  public void everybodyWhoIsAskedIsNamed() {
    for (int many = 1; many <= 40; many++) {
      List<Signatory> asked = people(many);
      List<SigningRule> rules =
          List.of(
              new SigningRule.Everyone(),
              new SigningRule.Majority(),
              new SigningRule.Named(asked),
              new SigningRule.NoObjection(7));
      for (SigningRule rule : rules) {
        Signing signing = new Signing(rule, asked, List.of());
        String said = SigningWords.rule(signing, PROPOSED);
        List<String> listed = SigningWords.everybody(signing);
        long named = asked.stream().filter(person -> said.contains(person.name())).count();
        if (listed.isEmpty()) {
          assertEquals(named, many, said);
        } else {
          assertEquals(listed.size(), many);
          assertTrue(said.contains((many - named) + " others"), said);
        }
      }
    }
  }

  /** What is waited for are those asked who have not answered, whatever they are asked. */
  @Test
  public void whoHasAnsweredIsNotWaitedFor() {
    for (int answered = 0; answered <= 7; answered++) {
      Signing signing = new Signing(new SigningRule.Majority(), people(7), List.of());
      List<String> said = new ArrayList<>();
      for (Signatory person : people(7).subList(0, answered)) {
        signing =
            signing.with(
                new Answer.Agrees(new Proposal.Act(person, PROPOSED), "but " + person.name()));
        said.add(person.name());
      }
      Decision.Proposed proposed =
          new Decision.Proposed(
              new Proposal("x", "", "r", "g", "", null),
              new Proposal.Act(new Signatory("Ilse", "ilse"), PROPOSED),
              signing);
      String waits = SigningWords.waits(proposed, PROPOSED);
      for (Signatory person : people(7)) {
        assertEquals(waits.contains(person.name()), !said.contains(person.name()), waits);
      }
      assertEquals(SigningWords.answers(signing).size(), answered);
    }
  }
}
