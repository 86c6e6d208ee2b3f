package tertulia.core.evaluation;

import java.math.BigDecimal;
import org.joda.money.Money;
import tertulia.core.path.Terms;

/** What would make a dearer contender the cheapest. */
public sealed interface Remedy {
  /**
   * A discount on every list price; shares of payments are not discounted.
   *
   * @param percent the smallest, in tenths
   * @param becomes what the contender would cost over the horizon
   * @param rival what the cheapest costs
   */
  record Discount(BigDecimal percent, Money becomes, Money rival) implements Remedy {}

  /**
   * Another headcount: the nearest at which its steady cost is strictly the lowest.
   *
   * @param people above or below those under discussion
   */
  record Headcount(int people) implements Remedy {}

  /**
   * Other terms: if only these were allowed, it would cost less than every other.
   *
   * @param becomes what the contender would cost over the horizon
   */
  record Term(Terms terms, Money becomes) implements Remedy {}
}
