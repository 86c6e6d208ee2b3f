package tertulia.core.scoring;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * Values of judged criteria: the mark that the table settled, else the share-weighted mean of the
 * marks given, over 10.
 */
public final class Judgement {
  private Judgement() {}

  /** The value of a contender; unknown as long as nobody who counts has given a mark. */
  public static Value of(Panel panel, Criterion criterion, String contender) {
    java.util.Optional<Settled> settled = panel.settled(criterion.id(), contender);
    if (settled.isPresent()) {
      Interval value = Interval.exactly(settled.get().points().divide(BigDecimal.TEN, Panel.ROOM));
      return new Value(value, () -> together(panel, criterion, settled.get(), value));
    }
    BigDecimal sum = BigDecimal.ZERO;
    BigDecimal shares = BigDecimal.ZERO;
    for (Panel.Given given : panel.marks(criterion.id(), contender)) {
      BigDecimal share = panel.shareOf(given.member());
      if (given.mark().given().isPresent() && share.signum() != 0) {
        sum = sum.add(share.multiply(given.mark().given().get()));
        shares = shares.add(share);
      }
    }
    Interval value =
        shares.signum() == 0
            ? Interval.UNKNOWN
            : Interval.exactly(sum.divide(shares.multiply(BigDecimal.TEN), Panel.ROOM));
    return new Value(value, () -> explain(panel, criterion, contender, value));
  }

  /** What the table settled, with what each gave beside it. */
  private static Derivation together(
      Panel panel, Criterion criterion, Settled settled, Interval value) {
    List<Derivation> parts = new ArrayList<>();
    parts.add(
        new Derivation.Entered(
            "settled by the panel: " + settled.reason(), new Quantity(settled.points(), "of 10")));
    List<Derivation> each = each(panel, criterion, settled.contender());
    if (!each.isEmpty()) {
      parts.add(
          new Derivation.Stated(
              "what each gave",
              "stays, and does not count here",
              java.util.Optional.empty(),
              each));
    }
    return new Derivation.Derived(
        criterion.name(),
        new Quantity(value.low(), ""),
        "the mark settled together, over 10",
        parts);
  }

  private static Derivation explain(
      Panel panel, Criterion criterion, String contender, Interval value) {
    List<Derivation> parts = each(panel, criterion, contender);
    return value.isExact()
        ? new Derivation.Derived(
            criterion.name(),
            new Quantity(value.low(), ""),
            "mean of the marks by the members' shares, over 10",
            parts)
        : new Derivation.Missing(criterion.name(), "nobody has given a mark", parts);
  }

  private static List<Derivation> each(Panel panel, Criterion criterion, String contender) {
    List<Derivation> parts = new ArrayList<>();
    for (Panel.Given given : panel.marks(criterion.id(), contender)) {
      Member member = given.member();
      BigDecimal share = panel.shareOf(member);
      String because = given.mark().because();
      if (given.mark().given().isEmpty()) {
        parts.add(
            new Derivation.Stated(
                member.name(), "cannot judge" + (because.isEmpty() ? "" : ": " + because)));
      } else if (share.signum() != 0) {
        parts.add(
            new Derivation.Entered(
                member.name()
                    + ", share "
                    + share.toPlainString()
                    + (because.isEmpty() ? "" : ": " + because),
                new Quantity(given.mark().given().get(), "of 10")));
      }
    }
    return parts;
  }
}
