package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import org.joda.money.Money;

/**
 * Something a buyer gets elsewhere where a plan does not have it.
 *
 * @param what it is, such as "Single sign-on"
 * @param by what it is covered by, such as "the directory we run ourselves"
 * @param monthly what that costs a month, 0 or more, in the selection's currency; price rises,
 *     offers and terms do not touch it
 */
public record Outside(String what, String by, Money monthly) {
  public Outside {
    requireNonNull(monthly);
    if (by.isBlank()) {
      throw new IllegalArgumentException(
          "\"" + what + "\" is covered outside, but not by what. Name what covers it.");
    }
    if (monthly.isNegative()) {
      throw new IllegalArgumentException(
          "What is covered outside costs 0 or more a month; found " + monthly + ".");
    }
  }
}
