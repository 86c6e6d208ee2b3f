package tertulia.core.fit;

import java.util.List;

/** Whether a plan can serve, with all reasons. */
public sealed interface Verdict {
  List<Reason> reasons();

  /** Every must is met and every cap holds. */
  record Qualifies() implements Verdict {
    @Override
    public List<Reason> reasons() {
      return List.of();
    }
  }

  /** Nothing speaks against the plan but something is not known; it does not count as qualified. */
  record Unconfirmed(List<Reason> reasons) implements Verdict {
    public Unconfirmed {
      reasons = List.copyOf(reasons);
    }
  }

  /** At least one reason excludes the plan. */
  record Excluded(List<Reason> reasons) implements Verdict {
    public Excluded {
      reasons = List.copyOf(reasons);
    }
  }

  /** The verdict that follows from the reasons found; none qualifies. */
  static Verdict of(List<Reason> reasons) {
    if (reasons.isEmpty()) {
      return new Qualifies();
    }
    return reasons.stream().anyMatch(Reason::excludes)
        ? new Excluded(reasons)
        : new Unconfirmed(reasons);
  }

  default boolean qualifies() {
    return this instanceof Qualifies;
  }
}
