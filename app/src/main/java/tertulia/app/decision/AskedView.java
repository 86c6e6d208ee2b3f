package tertulia.app.decision;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import tertulia.app.display.SigningWords;
import tertulia.app.people.SignedIn;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;

/**
 * What a proposal asks of whom.
 *
 * @param rule by which it stands
 * @param everybody who is asked, if the rule does not name them all
 * @param answers so far, one a line
 * @param waits what it waits for
 * @param unable who of those asked cannot answer any more, in a sentence; may be empty
 * @param mine whether the reader proposed it
 * @param asks whether the reader may answer
 * @param own what the reader answered; empty: nothing yet
 * @param unopposed whether the days for objections are over without one
 * @param reminds whether somebody named has not answered
 * @param proposal which one was read, as the forms send it
 */
record AskedView(
    String rule,
    List<String> everybody,
    List<String> answers,
    String waits,
    String unable,
    boolean mine,
    boolean asks,
    String own,
    boolean unopposed,
    boolean reminds,
    String proposal) {

  /**
   * Empty if nothing is proposed.
   *
   * @param unable those of some people who cannot answer
   */
  static Optional<AskedView> of(
      Decisions.Stored stored,
      SignedIn person,
      Instant now,
      UnaryOperator<List<Signatory>> unable) {
    if (!(stored.decision() instanceof Decision.Proposed proposed)) {
      return Optional.empty();
    }
    Signatory reader = Decisions.signatory(person);
    Signing signing = proposed.signing();
    boolean mine = reader.isSameAs(proposed.by().by());
    boolean over = signing.outcome(proposed.by().at(), now) instanceof Signing.Outcome.Unopposed;
    return Optional.of(
        new AskedView(
            SigningWords.rule(signing, proposed.by().at()),
            SigningWords.everybody(signing),
            SigningWords.answers(signing),
            SigningWords.waits(proposed, now),
            SigningWords.unable(unable.apply(signing.waiting())),
            mine,
            !mine && person.weighs() && signing.asks(reader),
            signing
                .of(reader)
                .map(answer ->
                    switch (answer) {
                      case Answer.Agrees agrees -> "You agreed.";
                      case Answer.Against against -> "You were against it.";
                    })
                .orElse(""),
            over,
            !signing.waiting().isEmpty(),
            stored.proposal()));
  }
}
