package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.util.Optional;
import tertulia.core.billing.CostTiming;
import tertulia.core.growth.Scenario;
import tertulia.core.path.Terms;

/**
 * What is under discussion: a month or a headcount, how growth comes out, which terms, which view,
 * whether people's time counts, and how many use it lightly.
 *
 * @param light share of those who need a seat, full or light, that do with a light one, 0 to 1;
 *     empty: as the demand says
 * @param stated so many of a measure in place of what is needed of it; empty: as it is needed
 * @param averagePayment how much a payment is on average, in the reporting currency, 0 to
 *     1,000,000; empty: as the selection states it
 */
public record WhatIf(
    Moment moment,
    Scenario scenario,
    Terms terms,
    CostTiming view,
    Basis basis,
    Optional<BigDecimal> light,
    Optional<Stated> stated,
    Optional<BigDecimal> averagePayment) {
  public WhatIf {
    averagePayment.ifPresent(Selection::checkPayment);
    light.ifPresent(share -> {
      if (share.signum() < 0 || share.compareTo(BigDecimal.ONE) > 0) {
        throw new IllegalArgumentException(
            "The share of light users lies between 0 and 100 %; found "
                + share.movePointRight(2).toPlainString()
                + " %.");
      }
    });
  }

  /** As above with light seats as the demand says. */
  public WhatIf(Moment moment, Scenario scenario, Terms terms, CostTiming view, Basis basis) {
    this(
        moment, scenario, terms, view, basis, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /** What a tool's cost is taken to be. */
  public enum Basis {
    SUBSCRIPTION("subscription"),
    /** With the time of people. */
    FULL("full cost, with staff time");

    private final String words;

    Basis(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** The people under discussion. */
  public sealed interface Moment {
    /** The people planned for plan month m, 0 or later, within the horizon. */
    record Month(int m) implements Moment {}

    /**
     * So many people, 1 to 5,000, in today's shares of the groups.
     *
     * @param month the plan month for which it is asked: what is owned then counts, and what adds
     *     up has done so as if there had always been so many
     */
    record Headcount(int people, int month) implements Moment {
      /** In the first month. */
      public Headcount(int people) {
        this(people, 0);
      }
    }
  }

  /** The first month, growth as expected, any term, spread. */
  public static final WhatIf START =
      new WhatIf(new Moment.Month(0), Scenario.EXPECTED, Terms.ANY, CostTiming.SPREAD);

  /** As above for the subscription alone. */
  public WhatIf(Moment moment, Scenario scenario, Terms terms, CostTiming view) {
    this(moment, scenario, terms, view, Basis.SUBSCRIPTION);
  }

  /** The same if there were so many of a measure. */
  public WhatIf stating(Stated other) {
    return stating(Optional.of(other));
  }

  /** The same with so many of a measure, or with as many as are needed. */
  public WhatIf stating(Optional<Stated> other) {
    return new WhatIf(moment, scenario, terms, view, basis, light, other, averagePayment);
  }

  /** The same if a payment were so much on average, in the reporting currency. */
  public WhatIf paying(BigDecimal other) {
    return new WhatIf(moment, scenario, terms, view, basis, light, stated, Optional.of(other));
  }

  /** The same if growth came out otherwise. */
  public WhatIf growing(Scenario other) {
    return new WhatIf(moment, other, terms, view, basis, light, stated, averagePayment);
  }

  /** The same under other terms. */
  public WhatIf under(Terms others) {
    return new WhatIf(moment, scenario, others, view, basis, light, stated, averagePayment);
  }

  public WhatIf at(Moment other) {
    return new WhatIf(other, scenario, terms, view, basis, light, stated, averagePayment);
  }
}
