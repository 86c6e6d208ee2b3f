package tertulia.core.finding;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Conflicts;
import tertulia.core.fit.Need;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Included;

/** What is said of fit. */
public sealed interface FitFinding extends Finding {
  /** Musts that each change nothing alone and something together. */
  record OnlyTogether(String tool, List<Need> needs, NeedCosts.Effect effect)
      implements FitFinding {
    public OnlyTogether {
      needs = List.copyOf(needs);
    }
  }

  /**
   * The plan at the head of a tool's column is not the first that would do, but a cheaper one.
   *
   * @param first name of the first plan that would do
   * @param taken the plan and term the head reads
   * @param cost its steady cost a month
   */
  record NotTheFirst(String tool, String first, String taken, Amount cost) implements FitFinding {}

  /**
   * Nothing of a tool would do for so many people.
   *
   * @param toConfirm whether something would do if it were confirmed
   */
  record NoPlan(String tool, int people, Conflicts conflicts, boolean toConfirm)
      implements FitFinding {}

  /** None of a tool's plans would do for so many people. */
  record NoPlanDoes(String tool, int people) implements FitFinding {}

  /**
   * The first of a tool's plans, in the maker's order, that would do for so many people.
   *
   * @param isFirst whether it is the first of all
   */
  record FirstThatDoes(String tool, String plan, int people, boolean isFirst)
      implements FitFinding {}

  /** A plan before it will not do, for these reasons. */
  record WillNotDo(String tool, String plan, List<Reason> reasons) implements FitFinding {
    public WillNotDo {
      reasons = List.copyOf(reasons);
    }
  }

  /**
   * A larger allowance.
   *
   * @param after so much; empty: without an end
   */
  record Larger(Measure measure, Included before, Optional<Included> after) {}

  /**
   * What the plan after the first that does would bring.
   *
   * @param gains needs it meets better
   * @param more what it costs more a month, negative if less; empty if that is not known
   * @param assumed whether that is between the high ends of assumed prices
   * @param beyond what it has besides that nobody asked for
   * @param allowances what it allows more of, whether or not anybody stated its use
   */
  record NextBrings(
      String tool,
      String plan,
      List<Need> gains,
      Optional<Money> more,
      boolean assumed,
      List<Capability> beyond,
      List<Larger> allowances)
      implements FitFinding {
    public NextBrings {
      allowances = List.copyOf(allowances);
      gains = List.copyOf(gains);
      beyond = List.copyOf(beyond);
    }
  }
}
