package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tertulia.core.working.Quantity;
import tertulia.core.working.Working;

/** Values of judged criteria: the share-weighted mean of the marks given, over 10. */
public final class Judgement {
  private Judgement() {}

  /** The value of a contender; unknown as long as nobody who counts has given a mark. */
  public static Value of(Panel panel, Criterion criterion, String contender) {
    BigDecimal sum = BigDecimal.ZERO;
    BigDecimal shares = BigDecimal.ZERO;
    for (Map.Entry<Member, Mark> entry : panel.marks(criterion.id(), contender).entrySet()) {
      BigDecimal share = panel.shareOf(entry.getKey());
      if (entry.getValue().given().isPresent() && share.signum() != 0) {
        sum = sum.add(share.multiply(entry.getValue().given().get()));
        shares = shares.add(share);
      }
    }
    Interval value =
        shares.signum() == 0
            ? Interval.UNKNOWN
            : Interval.exactly(sum.divide(shares.multiply(BigDecimal.TEN), Panel.ROOM));
    return new Value(value, () -> explain(panel, criterion, contender, value));
  }

  private static Working explain(
      Panel panel, Criterion criterion, String contender, Interval value) {
    List<Working> parts = new ArrayList<>();
    for (Map.Entry<Member, Mark> entry : panel.marks(criterion.id(), contender).entrySet()) {
      Member member = entry.getKey();
      BigDecimal share = panel.shareOf(member);
      String because = entry.getValue().because();
      if (entry.getValue().given().isEmpty()) {
        parts.add(
            new Working.Stated(
                member.name(), "cannot judge" + (because.isEmpty() ? "" : ": " + because)));
      } else if (share.signum() != 0) {
        parts.add(
            new Working.Entered(
                member.name()
                    + ", share "
                    + share.toPlainString()
                    + (because.isEmpty() ? "" : ": " + because),
                new Quantity(entry.getValue().given().get(), "of 10")));
      }
    }
    return value.isExact()
        ? new Working.Derived(
            criterion.name(),
            new Quantity(value.low(), ""),
            "mean of the marks by the members' shares, over 10",
            parts)
        : new Working.Missing(criterion.name(), "nobody has given a mark", parts);
  }
}
