package tertulia.core.fit;

import static java.util.Objects.requireNonNull;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import tertulia.core.working.Precedence;
import tertulia.core.working.Provenance;

/**
 * A plan's answer for one capability, with its date and source.
 *
 * @param addOn name of the add-on that brings it; empty unless the answer is "by add-on"
 */
public record Fact(Answer answer, String addOn, Provenance source) {
  public Fact {
    requireNonNull(answer);
    requireNonNull(source);
    if (answer == Answer.BY_ADD_ON && addOn.isBlank()) {
      throw new IllegalArgumentException(
          "The answer is \"by add-on\" but no add-on is named. Name it as on the price page.");
    }
  }

  public Fact(Answer answer, Provenance source) {
    this(answer, "", source);
  }

  /**
   * Of several facts about one thing the one in force: the strongest ground, then the newest, then
   * the first.
   *
   * @return empty if there is none
   */
  public static Optional<Fact> inForce(Collection<Fact> facts) {
    return facts.stream().min(Comparator.comparing(Fact::source, Precedence.ORDER));
  }
}
