package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import tertulia.core.working.Precedence;
import tertulia.core.working.Provenance;

/**
 * A plan's answer for one capability, with its date and source.
 *
 * @param addOn name of the add-on or connector that brings it; empty for other answers
 * @param count how many of it there are; empty: nobody has counted
 * @param minutes of work by hand on each workday, 0 to 1,440; empty: nobody has said how many, or
 *     it is not by hand
 */
public record Fact(
    Answer answer,
    String addOn,
    Provenance source,
    Optional<Count> count,
    Optional<BigDecimal> minutes) {
  private static final BigDecimal A_DAY = BigDecimal.valueOf(24 * 60);

  public Fact {
    requireNonNull(answer);
    requireNonNull(source);
    requireNonNull(count);
    requireNonNull(minutes);
    if (answer == Answer.BY_ADD_ON && addOn.isBlank()) {
      throw new IllegalArgumentException(
          "The answer is \"by add-on\" but no add-on is named. Name it as on the price page.");
    }
    if (answer == Answer.THROUGH_CONNECTOR && addOn.isBlank()) {
      throw new IllegalArgumentException(
          "The answer is \"through a connector\" but no connector is named. Name it.");
    }
    minutes.ifPresent(found -> {
      if (answer != Answer.BY_HAND) {
        throw new IllegalArgumentException(
            "Minutes are said of what is done by hand; the answer is \""
                + answer.words()
                + "\". Clear them, or answer \"by hand\".");
      }
      if (found.signum() < 0 || found.compareTo(A_DAY) > 0) {
        throw new IllegalArgumentException(
            "By hand takes 0 to 1,440 minutes a workday; found " + found.toPlainString() + ".");
      }
    });
  }

  /** A fact of something that is not done by hand, or nobody has said how long that takes. */
  public Fact(Answer answer, String addOn, Provenance source, Optional<Count> count) {
    this(answer, addOn, source, count, Optional.empty());
  }

  /** Done by hand, in so many minutes on each workday. */
  public static Fact byHand(Optional<BigDecimal> minutes, Provenance source) {
    return new Fact(Answer.BY_HAND, "", source, Optional.empty(), minutes);
  }

  public Fact(Answer answer, Provenance source) {
    this(answer, "", source);
  }

  /** A fact that counts nothing. */
  public Fact(Answer answer, String addOn, Provenance source) {
    this(answer, addOn, source, Optional.empty());
  }

  /** So many of it, which is a yes if there are any for certain. */
  public static Fact counted(Count count, Provenance source) {
    return new Fact(count.any(), "", source, Optional.of(count));
  }

  /**
   * What this fact says of a need for so many.
   *
   * @return unknown where nobody has counted, or in another unit; a plan that does not have it has
   *     not as many as are asked for
   */
  public Fact of(Count asked) {
    Answer said =
        count
            .map(known -> known.answer(asked))
            .orElse(answer == Answer.NO && asked.low().signum() > 0 ? Answer.NO : Answer.UNKNOWN);
    return new Fact(said, "", source, count);
  }

  /** Such as "yes", "by add-on", "by hand, 15 minutes a workday" or "41 languages". */
  public String words() {
    return count
        .map(Count::words)
        .orElseGet(() ->
            answer.words()
                + minutes
                    .map(found ->
                        ", " + found.stripTrailingZeros().toPlainString() + " minutes a workday")
                    .orElse(""));
  }

  /**
   * Of several facts about one thing the one in force: the strongest ground, then the newest, then
   * the first. A plain yes gives way to a count that is a yes too and says more.
   *
   * @return empty if there is none
   */
  public static Optional<Fact> inForce(Collection<Fact> facts) {
    Comparator<Fact> order = Comparator.comparing(Fact::source, Precedence.ORDER);
    Optional<Fact> first = facts.stream().min(order);
    boolean plainYes = first.filter(f -> f.answer == Answer.YES && f.count.isEmpty()).isPresent();
    Optional<Fact> counted =
        facts.stream().filter(f -> f.count.isPresent()).min(order).filter(f -> plainYes);
    return counted.filter(f -> f.answer == Answer.YES).or(() -> first);
  }
}
