package tertulia.core.evaluation;

import tertulia.core.billing.View;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Terms;

/**
 * What is under discussion: a month or a headcount, how growth comes out, which terms, which view.
 */
public record WhatIf(Moment moment, Scenario scenario, Terms terms, View view) {
  /** The people under discussion. */
  public sealed interface Moment {
    /** The people planned for plan month m, 0 or later, within the horizon. */
    record Month(int m) implements Moment {}

    /** So many people, 1 to 5,000, in today's shares of the groups. */
    record Headcount(int people) implements Moment {}
  }

  /** The first month, growth as expected, any term, spread. */
  public static final WhatIf START =
      new WhatIf(new Moment.Month(0), Scenario.EXPECTED, Terms.ANY, View.SPREAD);

  public WhatIf at(Moment other) {
    return new WhatIf(other, scenario, terms, view);
  }
}
