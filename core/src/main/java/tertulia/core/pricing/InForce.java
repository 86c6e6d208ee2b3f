package tertulia.core.pricing;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import tertulia.core.money.PriceRise;

/**
 * The plan months in which a price page is the one to buy from. What was bought in them runs on at
 * its prices.
 *
 * @param from the first plan month; its prices rise a year after that. Before 0: it was in force
 *     before the plan began, and rises as many months earlier
 * @param until the plan month after the last; {@link #LAST} if it is not replaced
 * @param raised the plan month from which its yearly rises are counted
 * @param rise the yearly rise with which the page is read; empty: that of the selection
 */
public record InForce(int from, int until, Optional<PriceRise> rise, int raised) {
  /** A page whose prices rise from the month it came into force. */
  public InForce(int from, int until, Optional<PriceRise> rise) {
    this(from, until, rise, from);
  }

  /** After every plan month. */
  public static final int LAST = Integer.MAX_VALUE;

  /** A page in force all the time. */
  public static final InForce ALWAYS = new InForce(0, LAST, Optional.empty());

  public InForce {
    requireNonNull(rise);
    if (until < from) {
      throw new IllegalArgumentException(
          "A page is in force from a month until a later one; found " + from + " to " + until);
    }
  }

  /** Whether something can be bought from the page in plan month {@code m}. */
  public boolean contains(int m) {
    return m >= from && m < until;
  }

  /** Full years that the page has been in force in plan month {@code m}. */
  public int years(int m) {
    return Math.max(0, m - raised) / 12;
  }
}
