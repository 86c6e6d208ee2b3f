package tertulia.core.decision;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Who is asked to agree to a proposal, by which rule it stands, and what they said.
 *
 * @param asked without whoever proposes; nobody by the rule of one other, by which anybody may
 *     answer
 * @param answers one a person, the last that person gave, in the order in which they came
 */
public record Signing(SigningRule rule, List<Signatory> asked, List<Answer> answers) {
  /** People that are asked at most. */
  public static final int MOST = 100;

  /** One other person signs, whoever that is. */
  public static final Signing BY_ONE_OTHER =
      new Signing(new SigningRule.OneOther(), List.of(), List.of());

  public Signing {
    requireNonNull(rule);
    asked = List.copyOf(asked);
    answers = List.copyOf(answers);
    if (asked.size() > MOST) {
      throw new IllegalArgumentException(
          "At most 100 people are asked; found " + asked.size() + ". Ask fewer.");
    }
    if (asked.isEmpty() && !(rule instanceof SigningRule.OneOther)) {
      throw new IllegalArgumentException("Nobody is asked to agree. Choose at least one person.");
    }
    if (rule instanceof SigningRule.Named named) {
      for (Signatory one : named.named()) {
        if (!contains(asked, one)) {
          throw new IllegalArgumentException(
              one.name() + " has to agree and is not asked. Ask them, too.");
        }
      }
    }
  }

  /** What has come of the answers so far. */
  public sealed interface Outcome {
    /** It is open; some have not answered. */
    record Open() implements Outcome {}

    /** The days for objections are over, and nobody was against it. */
    record Unopposed(Instant since) implements Outcome {}

    /** It stands. */
    record Stands() implements Outcome {}

    /** It falls by an answer. */
    record Falls(Answer.Against by) implements Outcome {}
  }

  private static boolean contains(List<Signatory> people, Signatory person) {
    return people.stream().anyMatch(person::isSameAs);
  }

  /** Whether somebody is asked; by the rule of one other, anybody is. */
  public boolean asks(Signatory person) {
    return rule instanceof SigningRule.OneOther || contains(asked, person);
  }

  /** The answer of a person; empty if there is none yet. */
  public Optional<Answer> of(Signatory person) {
    return answers.stream().filter(answer -> answer.by().by().isSameAs(person)).findFirst();
  }

  /** Those asked who have not answered, in the order in which they are asked. */
  public List<Signatory> waiting() {
    return asked.stream().filter(person -> of(person).isEmpty()).toList();
  }

  /** With one more answer; it takes the place of what that person said before. */
  public Signing with(Answer answer) {
    List<Answer> all = new ArrayList<>(answers);
    all.removeIf(other -> other.by().by().isSameAs(answer.by().by()));
    all.add(answer);
    return new Signing(rule, asked, all);
  }

  /**
   * The same without somebody who is not asked after all.
   *
   * @throws IllegalArgumentException if nobody is left
   */
  public Signing without(Signatory person) {
    List<Signatory> others = asked.stream().filter(one -> !one.isSameAs(person)).toList();
    SigningRule left =
        rule instanceof SigningRule.Named named
            ? new SigningRule.Named(
                named.named().stream().filter(one -> !one.isSameAs(person)).toList())
            : rule;
    return new Signing(left, others, answers);
  }

  /** The same people and rule, nobody having answered. */
  public Signing anew() {
    return new Signing(rule, asked, List.of());
  }

  /**
   * What has come of it.
   *
   * @param proposed when it was proposed
   * @param now the moment it is asked at
   */
  public Outcome outcome(Instant proposed, Instant now) {
    return switch (rule) {
      case SigningRule.OneOther one ->
          against().<Outcome>map(Outcome.Falls::new).orElseGet(() -> standsIf(agreed() > 0));
      case SigningRule.Everyone all ->
          against()
              .<Outcome>map(Outcome.Falls::new)
              .orElseGet(() -> standsIf(agreed() == asked.size()));
      case SigningRule.Majority most -> majority();
      case SigningRule.Named named -> named(named.named());
      case SigningRule.NoObjection until ->
          against()
              .<Outcome>map(Outcome.Falls::new)
              .orElseGet(() -> {
                Instant over = proposed.plus(Duration.ofDays(until.days()));
                return now.isBefore(over) ? new Outcome.Open() : new Outcome.Unopposed(over);
              });
    };
  }

  private static Outcome standsIf(boolean stands) {
    return stands ? new Outcome.Stands() : new Outcome.Open();
  }

  private int agreed() {
    return (int) answers.stream().filter(Answer.Agrees.class::isInstance).count();
  }

  private Optional<Answer.Against> against() {
    return answers.stream()
        .filter(Answer.Against.class::isInstance)
        .map(Answer.Against.class::cast)
        .findFirst();
  }

  /** It stands once more than half agree, and falls once that cannot come about any more. */
  private Outcome majority() {
    if (2 * agreed() > asked.size()) {
      return new Outcome.Stands();
    }
    List<Answer.Against> against =
        answers.stream()
            .filter(Answer.Against.class::isInstance)
            .map(Answer.Against.class::cast)
            .toList();
    return 2 * against.size() >= asked.size()
        ? new Outcome.Falls(against.getLast())
        : new Outcome.Open();
  }

  private Outcome named(List<Signatory> named) {
    Optional<Answer.Against> against =
        answers.stream()
            .filter(answer -> contains(named, answer.by().by()))
            .filter(Answer.Against.class::isInstance)
            .map(Answer.Against.class::cast)
            .findFirst();
    return against
        .<Outcome>map(Outcome.Falls::new)
        .orElseGet(() ->
            standsIf(
                named.stream()
                    .allMatch(
                        person -> of(person).filter(Answer.Agrees.class::isInstance).isPresent())));
  }
}
