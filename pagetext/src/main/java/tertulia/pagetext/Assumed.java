package tertulia.pagetext;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.pricing.Unsaid;

/** What a page does not say itself and a reading takes for granted. */
public enum Assumed {
  /** A dollar sign is taken for the dollar of the United States, a yen sign for Japan's yen. */
  WHOSE_CURRENCY("the sign stands for several currencies", Sureness.LIKELY),
  /** An amount without a sign is in the currency of the page's other prices. */
  CURRENCY_OF_PAGE("it has no sign and is read in the page’s currency", Sureness.LIKELY),
  /** The unit, month or billing is said elsewhere on the page, not beside this amount. */
  SAID_ELSEWHERE("said elsewhere on the page, not beside it", Sureness.LIKELY),
  /** Nothing says who or what the price is for; a seat is taken. */
  FOR_WHOM("it is not said for whom it is", Sureness.GUESS, Unsaid.Kind.UNIT),
  /** Nothing says whether the price is a month's or a year's; a month is taken. */
  EVERY_WHAT(
      "it is not said whether it is a month’s or a year’s", Sureness.GUESS, Unsaid.Kind.PERIOD),
  /** Nothing says how it is billed; by the month is taken. */
  HOW_BILLED("it is not said how it is billed", Sureness.LIKELY, Unsaid.Kind.TERM),
  /** Nothing says how it is billed, and the page knows of more than one way. */
  WHICH_BILLING(
      "the page knows several ways of billing and does not say which this is",
      Sureness.GUESS,
      Unsaid.Kind.TERM),
  /** Of two amounts side by side the higher is taken for the one that was struck through. */
  STRUCK_THROUGH("the higher of two amounts is taken as the lasting price", Sureness.LIKELY),
  /** A separator before three digits may be one of thousands or of decimals. */
  WHICH_SEPARATOR("its separator may stand for thousands or for decimals", Sureness.LIKELY),
  /** A band's price that rises with its size is taken for the price of all units together. */
  IN_ALL("it rises with the size and is taken as the price of all together", Sureness.LIKELY),
  /** Set beside the price by the month it can only be a month's, or only a year's. */
  BY_COMPARISON("read so beside the price by the month", Sureness.LIKELY),
  /** What the title of the page puts before or behind "pricing" is taken for the tool's name. */
  TITLE("from the title of the page", Sureness.LIKELY),
  /** There is no usual measure for what is counted; it is one of its own. */
  OWN_UNIT("counted in a unit of its own", Sureness.LIKELY),
  /** A page with a price and no plan by name. */
  NO_PLAN_NAMED("the page names no plan", Sureness.LIKELY),
  /** A name above a price may be a description. */
  WHICH_NAME("another line above the price may be its name", Sureness.LIKELY),
  /** On a page with prices for each seat a limit does not say whether it is for each, too. */
  ACCOUNT_OR_SEAT("it is not said whether for the account or for each seat", Sureness.LIKELY),
  /** A number of people without "up to" is taken for the most there may be. */
  AT_MOST("a bare number is taken for the most there may be", Sureness.LIKELY),
  /** A line in a plan's list is taken for something the plan has. */
  HAS_IT("a line of its list, without a tick", Sureness.CLEAR),
  /** A number in a table is taken for how many there are, as nothing says that it is a limit. */
  HOW_MANY("read as how many there are; nothing says that it is a limit", Sureness.LIKELY),
  /** It is said of another plan whose everything this plan has. */
  FROM_OTHER_PLAN("taken over from the plan it contains", Sureness.LIKELY);

  private final String words;
  private final Sureness sure;
  private final Unsaid.@Nullable Kind open;

  Assumed(String words, Sureness sure) {
    this(words, sure, null);
  }

  Assumed(String words, Sureness sure, Unsaid.@Nullable Kind open) {
    this.words = words;
    this.sure = sure;
    this.open = open;
  }

  /** What stays open of a price that was read so; empty if nothing does. */
  public Optional<Unsaid.Kind> leavesOpen() {
    return Optional.ofNullable(open);
  }

  /** As it follows a colon. */
  public String words() {
    return words;
  }

  /** How sure a reading is that had to assume this. */
  public Sureness sure() {
    return sure;
  }
}
