package tertulia.core.time;

/** Plan months from (included) to end (not included). */
public record MonthSpan(int from, int end) {
  public MonthSpan {
    if (from < 0 || end <= from) {
      throw new IllegalArgumentException(
          "A span of months starts at 0 or later and holds at least one; found "
              + from
              + " to "
              + end);
    }
  }

  /** Whether it covers a plan month. */
  public boolean contains(int month) {
    return from <= month && month < end;
  }

  public int months() {
    return end - from;
  }
}
