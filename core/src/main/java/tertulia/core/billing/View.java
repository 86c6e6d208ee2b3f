package tertulia.core.billing;

/** How a total over months reads its invoices. */
public enum View {
  /** Each invoice divided evenly over the months it covers. */
  SPREAD("spread"),
  /** Each invoice in the month it falls due. */
  CASH("cash");

  private final String words;

  View(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
