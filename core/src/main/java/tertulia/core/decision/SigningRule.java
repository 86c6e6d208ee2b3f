package tertulia.core.decision;

import java.util.List;

/** Who has to agree so that a proposal stands. */
public sealed interface SigningRule {
  /** One person who did not propose it. */
  record OneOther() implements SigningRule {}

  /** All who are asked. */
  record Everyone() implements SigningRule {}

  /** More than half of those who are asked. */
  record Majority() implements SigningRule {}

  /**
   * Some of those who are asked; the others may say what they think.
   *
   * @param named at least one
   */
  record Named(List<Signatory> named) implements SigningRule {
    public Named {
      named = List.copyOf(named);
      if (named.isEmpty()) {
        throw new IllegalArgumentException(
            "Nobody is named who has to agree. Name at least one person.");
      }
    }
  }

  /**
   * Nobody who is asked objects within some days.
   *
   * @param days 1 to {@link #MOST_DAYS}
   */
  record NoObjection(int days) implements SigningRule {
    public static final int MOST_DAYS = 60;

    public NoObjection {
      if (days < 1 || days > MOST_DAYS) {
        throw new IllegalArgumentException(
            "Objections are waited for from 1 to 60 days; found "
                + days
                + ". Choose a number in that range.");
      }
    }
  }
}
