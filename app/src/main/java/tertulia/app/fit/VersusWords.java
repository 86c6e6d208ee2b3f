package tertulia.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import tertulia.app.display.Figures;
import tertulia.core.evaluation.HeadToHead;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.evaluation.HeadToHead.Side;
import tertulia.core.evaluation.HeadToHead.Turn;
import tertulia.core.fit.Need;
import tertulia.core.scoring.Totals.Margin;

/** What a head to head comes to in words; every clause is one of its figures, none is a guess. */
final class VersusWords {
  private VersusWords() {}

  /** Who is ahead in all, by criteria and in money, and whether these agree. */
  static List<String> verdict(HeadToHead found, String left, String right) {
    List<String> says = new ArrayList<>();
    says.add(total(found, left, right));
    if (!found.criteria().isEmpty()) {
      says.add(criteria(found, left, right));
    }
    says.add(money(found, left, right));
    musts(found, left, right, says);
    agree(found, left, right, says);
    return says;
  }

  private static String total(HeadToHead found, String left, String right) {
    if (found.total().isEmpty()) {
      return "There is no total to compare: one of them is not ranked, or no weights are in these figures.";
    }
    HeadToHead.Lead lead = found.total().get();
    String by = Figures.lead(lead.by());
    if (lead.margin() == Margin.TIE) {
      return "In the total they are a tie, " + by + " apart.";
    }
    return name(lead.side().orElseThrow(), left, right)
        + " is ahead in the total by "
        + by
        + ", "
        + lead.margin().words()
        + (lead.certain() ? "." : "; values that are not known could turn that.");
  }

  private static String criteria(HeadToHead found, String left, String right) {
    long l = found.wins(Side.LEFT);
    long r = found.wins(Side.RIGHT);
    long open = found.open();
    long ties = found.criteria().size() - l - r - open;
    return left
        + " wins "
        + count(l)
        + ", "
        + right
        + " "
        + count(r)
        + (ties == 0 ? "" : "; " + count(ties) + (ties == 1 ? " is a tie" : " are ties"))
        + (open == 0
            ? ""
            : "; " + count(open) + (open == 1 ? " is" : " are") + " open, as not all is known")
        + ". A count of wins says nothing of their weights.";
  }

  private static String count(long criteria) {
    return criteria == 0 ? "no criterion" : criteria == 1 ? "1 criterion" : criteria + " criteria";
  }

  private static String money(HeadToHead found, String left, String right) {
    return switch (found.horizon()) {
      case Apart.Same same -> "Over the plan months they cost the same.";
      case Apart.Cheaper cheaper ->
          name(cheaper.side(), left, right)
              + " is cheaper over the plan months by "
              + (cheaper.atLeast() ? "at least " : "")
              + Figures.moneyIn(cheaper.by())
              + ".";
      case Apart.Open open ->
          "Over the plan months either may be cheaper: a price is only known within bounds.";
      case Apart.NotKnown unknown -> "Over the plan months the money between them is not known.";
    };
  }

  private static void musts(HeadToHead found, String left, String right, List<String> says) {
    for (Side side : Side.values()) {
      List<Need> only = found.mustsBetter(side);
      if (!only.isEmpty()) {
        says.add(
            "Of the musts "
                + name(side, left, right)
                + " meets better: "
                + only.stream()
                    .map(need -> need.capability().name())
                    .collect(Collectors.joining(", "))
                + ".");
      }
    }
  }

  private static void agree(HeadToHead found, String left, String right, List<String> says) {
    if (found.agrees().isEmpty() || !(found.horizon() instanceof Apart.Cheaper cheaper)) {
      return;
    }
    Side ahead = found.total().flatMap(HeadToHead.Lead::side).orElseThrow();
    says.add(
        found.agrees().get()
            ? name(ahead, left, right) + " has both the better total and the lower cost."
            : "The better total and the lower cost are not on the same side: "
                + name(ahead, left, right)
                + " costs "
                + (cheaper.atLeast() ? "at least " : "")
                + Figures.moneyIn(cheaper.by())
                + " more.");
  }

  private static String name(Side side, String left, String right) {
    return side == Side.LEFT ? left : right;
  }

  /** What would turn the order of the two, a sentence each. */
  static List<String> turns(HeadToHead found, UnaryOperator<String> name) {
    List<String> says = new ArrayList<>();
    for (Turn turn : found.turns()) {
      says.add(
          switch (turn) {
            case Turn.Weight weight ->
                "If “"
                    + weight.criterion().name()
                    + "” weighed "
                    + Figures.tenths(weight.level())
                    + " instead of "
                    + Figures.tenths(weight.now())
                    + ", the others in proportion, their totals would be level.";
            case Turn.Headcount headcount ->
                "From "
                    + Figures.counted(headcount.people(), "people")
                    + " on "
                    + name.apply(headcount.cheaper())
                    + " is the cheaper.";
            case Turn.WithoutNeed need ->
                "Without “"
                    + need.need().capability().name()
                    + "” "
                    + name.apply(need.cheaper())
                    + " would be cheaper over the plan months.";
          });
    }
    return says;
  }
}
