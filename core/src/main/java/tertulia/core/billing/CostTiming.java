package tertulia.core.billing;

/** How a total over months reads its invoices. */
public enum CostTiming {
  /** Each invoice divided evenly over the months it covers. */
  SPREAD("spread evenly"),
  /** Each invoice in the month it falls due. */
  CASH("when invoiced");

  private final String words;

  CostTiming(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
