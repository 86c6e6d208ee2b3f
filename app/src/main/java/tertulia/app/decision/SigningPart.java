package tertulia.app.decision;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.core.decision.Answer;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;
import tertulia.core.decision.SigningRule;

/**
 * Who is asked to agree, by which rule, and what they said, as the store and a frozen record write
 * it.
 *
 * @param rule one of {@link Rule}, as its code
 * @param days in which somebody may object; null by other rules
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record SigningPart(
    String rule, @Nullable Integer days, List<PersonPart> asked, List<AnswerPart> answers) {
  SigningPart {
    asked = List.copyOf(asked);
    answers = List.copyOf(answers);
  }

  /** The rules. */
  enum Rule {
    ONE_OTHER,
    EVERYONE,
    MAJORITY,
    NAMED,
    NO_OBJECTION
  }

  /**
   * Somebody.
   *
   * @param account null: not known
   * @param hasToAgree null: no
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record PersonPart(String name, @Nullable String account, @Nullable Boolean hasToAgree) {
    Signatory toCore() {
      return new Signatory(name, Objects.requireNonNullElse(account, ""));
    }

    static PersonPart of(Signatory person, boolean hasToAgree) {
      return new PersonPart(
          person.name(),
          person.account().isEmpty() ? null : person.account(),
          hasToAgree ? true : null);
    }
  }

  /**
   * What somebody said.
   *
   * @param agrees or is against it
   * @param words reservations or the reason; null: none
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record AnswerPart(
      String name, @Nullable String account, boolean agrees, @Nullable String words, String at) {
    Answer toCore() {
      Proposal.Act by =
          new Proposal.Act(
              new Signatory(name, Objects.requireNonNullElse(account, "")), Instant.parse(at));
      String said = Objects.requireNonNullElse(words, "");
      return agrees ? new Answer.Agrees(by, said) : new Answer.Against(by, said);
    }

    static AnswerPart of(Answer answer) {
      Signatory person = answer.by().by();
      String words =
          switch (answer) {
            case Answer.Agrees agrees -> agrees.reservations();
            case Answer.Against against -> against.reason();
          };
      return new AnswerPart(
          person.name(),
          person.account().isEmpty() ? null : person.account(),
          answer instanceof Answer.Agrees,
          words.isEmpty() ? null : words,
          answer.by().at().toString());
    }
  }

  static SigningPart of(Signing signing) {
    return new SigningPart(
        Codes.code(rule(signing.rule())),
        signing.rule() instanceof SigningRule.NoObjection until ? until.days() : null,
        signing.asked().stream()
            .map(person -> PersonPart.of(person, hasToAgree(signing.rule(), person)))
            .toList(),
        signing.answers().stream().map(AnswerPart::of).toList());
  }

  static Rule rule(SigningRule rule) {
    return switch (rule) {
      case SigningRule.OneOther one -> Rule.ONE_OTHER;
      case SigningRule.Everyone all -> Rule.EVERYONE;
      case SigningRule.Majority most -> Rule.MAJORITY;
      case SigningRule.Named named -> Rule.NAMED;
      case SigningRule.NoObjection until -> Rule.NO_OBJECTION;
    };
  }

  private static boolean hasToAgree(SigningRule rule, Signatory person) {
    return rule instanceof SigningRule.Named named
        && named.named().stream().anyMatch(person::isSameAs);
  }

  Signing toCore() {
    SigningRule read =
        switch (Codes.oneOf(Rule.class, rule)) {
          case ONE_OTHER -> new SigningRule.OneOther();
          case EVERYONE -> new SigningRule.Everyone();
          case MAJORITY -> new SigningRule.Majority();
          case NAMED ->
              new SigningRule.Named(
                  asked.stream()
                      .filter(person -> Boolean.TRUE.equals(person.hasToAgree()))
                      .map(PersonPart::toCore)
                      .toList());
          case NO_OBJECTION -> new SigningRule.NoObjection(Objects.requireNonNullElse(days, 0));
        };
    return new Signing(
        read,
        asked.stream().map(PersonPart::toCore).toList(),
        answers.stream().map(AnswerPart::toCore).toList());
  }
}
