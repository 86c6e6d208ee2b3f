package tertulia.app.display;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;
import tertulia.core.decision.SigningRule;

/** Who is asked to agree to a proposal, and what they said. */
public final class SigningWords {
  private static final int MOST_NAMED = 3;
  private static final int MOST_IN_A_SENTENCE = 8;

  private SigningWords() {}

  /** By which rule it stands. */
  public static String rule(Signing signing, Instant proposed) {
    return switch (signing.rule()) {
      case SigningRule.OneOther one -> Voice.say("signing.rule.one");
      case SigningRule.Everyone all ->
          Voice.say("signing.rule.everyone", "members", names(signing.asked()));
      case SigningRule.Majority most ->
          Voice.say("signing.rule.majority", "members", names(signing.asked()));
      case SigningRule.Named named ->
          Voice.say("signing.rule.named", "members", names(named.named()));
      case SigningRule.NoObjection until ->
          Voice.say(
              "signing.rule.no-objection",
              Map.of("day", over(until, proposed), "members", names(signing.asked())));
    };
  }

  private static String over(SigningRule.NoObjection until, Instant proposed) {
    return day(proposed.plus(Duration.ofDays(until.days())));
  }

  /** What a proposal waits for. */
  public static String waits(Decision.Proposed proposed, Instant now) {
    Signing signing = proposed.signing();
    if (signing.outcome(proposed.by().at(), now) instanceof Signing.Outcome.Unopposed unopposed) {
      return Voice.say("signing.unopposed", "day", day(unopposed.since()));
    }
    if (signing.rule() instanceof SigningRule.OneOther) {
      return Voice.say("signing.waits.anybody");
    }
    return signing.waiting().isEmpty()
        ? Voice.say("signing.answered")
        : Voice.say("signing.waits", "members", names(signing.waiting()));
  }

  /** That some who are asked cannot answer any more; empty if nobody is. */
  public static String unable(List<Signatory> people) {
    return people.isEmpty() ? "" : Voice.say("signing.unable", "members", names(people));
  }

  /** The answers, one a line. */
  public static List<String> answers(Signing signing) {
    return signing.answers().stream().map(SigningWords::of).toList();
  }

  private static String of(Answer answer) {
    String member = answer.by().person();
    String day = day(answer.by().at());
    return switch (answer) {
      case Answer.Agrees agrees ->
          agrees.reservations().isEmpty()
              ? Voice.say("signing.short.agreed", Map.of("member", member, "day", day))
              : Voice.say(
                  "signing.short.reserved",
                  Map.of("member", member, "day", day, "words", agrees.reservations()));
      case Answer.Against against ->
          Voice.say(
              "signing.short.against",
              Map.of("member", member, "day", day, "words", against.reason()));
    };
  }

  /** What everybody said to a signed decision, and who did not; the proposer left out. */
  public static List<String> all(Decision.Signed signed) {
    List<String> all = new ArrayList<>(answers(signed.signing()));
    signed
        .signing()
        .waiting()
        .forEach(person -> all.add(Voice.say("signing.short.silent", "member", person.name())));
    if (signed.signing().of(signed.closedBy().by()).isEmpty()) {
      all.add(
          Voice.say(
              "signing.short.unopposed",
              Map.of("member", signed.closedBy().person(), "day", day(signed.closedBy().at()))));
    }
    return all;
  }

  /** Who proposed it and who agreed, such as "Ilse Maren and Joren Talvik". */
  public static String who(Decision.Signed signed) {
    List<String> names = new ArrayList<>();
    names.add(signed.by().person());
    names.addAll(signed.agreed());
    if (names.size() <= MOST_NAMED + 1) {
      return Voice.list(names);
    }
    List<String> some = new ArrayList<>(names.subList(0, MOST_NAMED));
    some.add(
        Voice.say("signing.part.others", "count", Figures.whole(names.size() - (long) MOST_NAMED)));
    return Voice.list(some);
  }

  /** The names; of more than a sentence bears, the first few and how many others. */
  private static String names(List<Signatory> people) {
    List<String> names = people.stream().map(Signatory::name).toList();
    if (names.size() <= MOST_IN_A_SENTENCE) {
      return Voice.list(names);
    }
    int few = MOST_IN_A_SENTENCE - 2;
    List<String> some = new ArrayList<>(names.subList(0, few));
    some.add(Voice.say("signing.part.others", "count", Figures.whole(names.size() - (long) few)));
    return Voice.list(some);
  }

  /** Everybody who is asked, where a sentence does not name them all; else none. */
  public static List<String> everybody(Signing signing) {
    return signing.asked().size() <= MOST_IN_A_SENTENCE
        ? List.of()
        : signing.asked().stream().map(Signatory::name).toList();
  }

  /** The day of an act. */
  public static String day(Proposal.Act act) {
    return day(act.at());
  }

  private static String day(Instant at) {
    return Dates.day(at, ZoneId.systemDefault());
  }
}
