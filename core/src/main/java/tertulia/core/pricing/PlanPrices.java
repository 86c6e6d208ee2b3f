package tertulia.core.pricing;

import java.util.List;

/** What is known of a plan's prices. */
public sealed interface PlanPrices {
  /** A price list for each term the plan sells, as the page states it; no charges means free. */
  record Listed(List<PriceList> lists) implements PlanPrices {
    public Listed {
      lists = checked(lists);
    }
  }

  /** The maker names a price only when asked; unknown, never nothing. */
  record OnRequest() implements PlanPrices {}

  /** The maker was asked and named these prices. */
  record Quoted(List<PriceList> lists) implements PlanPrices {
    public Quoted {
      lists = checked(lists);
    }
  }

  /**
   * Nobody has a price; somebody assumed a range. Marked wherever it is used.
   *
   * @param low the cheapest thought possible, by term
   * @param high the dearest, for the same terms
   */
  record Assumed(List<PriceList> low, List<PriceList> high) implements PlanPrices {
    public Assumed {
      low = checked(low);
      high = checked(high);
      if (!terms(low).equals(terms(high))) {
        throw new IllegalArgumentException(
            "A range has a low and a high price for the same terms; found "
                + terms(low)
                + " and "
                + terms(high)
                + ".");
      }
    }

    private static List<String> terms(List<PriceList> lists) {
      return lists.stream().map(list -> list.term().words()).toList();
    }
  }

  /**
   * Of each price only the least is known, as in "from 15,000": what it comes to lies anywhere
   * above.
   *
   * @param least by term
   * @param because why no more is known
   */
  record From(List<PriceList> least, Because because) implements PlanPrices {
    /** Why only the least is known. */
    public enum Because {
      PAGE_SAYS_FROM("only the least it costs is known"),
      QUOTE_ENDED("its quote does not hold any more, so it costs at least that"),
      BASE_NOT_PRICED("what it is had only with has no price here, which comes on top");

      private final String words;

      Because(String words) {
        this.words = words;
      }

      public String words() {
        return words;
      }
    }

    public From {
      least = checked(least);
    }

    /** As a price page says. */
    public From(List<PriceList> least) {
      this(least, Because.PAGE_SAYS_FROM);
    }
  }

  /** Which end of what is known of a price is meant. */
  enum End {
    LOW,
    HIGH
  }

  private static List<PriceList> checked(List<PriceList> lists) {
    if (lists.isEmpty()) {
      throw new IllegalArgumentException(
          "A plan with prices sells at least one term. Enter a price or mark the plan \"price on"
              + " request\".");
    }
    if (lists.stream().map(PriceList::term).distinct().count() < lists.size()) {
      throw new IllegalArgumentException("A plan has one price list for each term.");
    }
    return List.copyOf(lists);
  }
}
