package tertulia.core.difference;

/** What can have changed since a question was asked, in the order in which it is told. */
public enum Cause {
  /** The price pages with limits, allowances and offers, and the yearly rise. */
  PRICES,
  /** The rates of exchange. */
  RATES,
  /** The people and what they use, with how the buyer pays and works. */
  PEOPLE,
  /** What is needed, and what is known of the tools, by trials and ratings too. */
  NEEDS,
  /** What matters more to whom, on which scales. */
  WEIGHTS,
  /** The marks, and those agreed together. */
  MARKS;

  /** Whether costs rest on it. */
  public boolean isOfCosts() {
    return switch (this) {
      case PRICES, RATES, PEOPLE, NEEDS -> true;
      case WEIGHTS, MARKS -> false;
    };
  }
}
