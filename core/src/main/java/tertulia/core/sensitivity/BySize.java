package tertulia.core.sensitivity;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Confirmation;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * The answer for so many people, in today's shares of the groups: what each contender costs a month
 * on its cheapest plan that meets the needs, and who leads with the cost read a head, as {@link
 * Sizes} does.
 *
 * @param people 1 to 5,000
 * @param lines in the contenders' order
 * @param leader who leads in every case; empty if nobody does
 * @param byTotals whether totals decide; else the cost alone does
 */
public record BySize(int people, List<Line> lines, Optional<String> leader, boolean byTotals) {
  public BySize {
    lines = List.copyOf(lines);
  }

  /**
   * One contender.
   *
   * @param cost its cheapest plan that meets the needs; empty if it has none with a figure
   * @param monthly what it costs a month, as it is read
   * @param ifConfirmed what it would cost less if what is open turned out well
   * @param total from 0 to 1; empty without totals, or where it does not meet the needs
   */
  public record Line(
      String contender,
      Optional<SteadyCost> cost,
      Optional<Amount> monthly,
      Optional<Confirmation.Now> ifConfirmed,
      Optional<Interval> total) {}

  /** The cheapest; several if they cost the same, none if no cost is known. */
  public List<String> cheapest() {
    Optional<Money> least =
        lines.stream().flatMap(l -> l.monthly().stream()).map(Amount::high).min(Money::compareTo);
    return lines.stream()
        .filter(l -> least.isPresent() && l.monthly().map(Amount::high).equals(least))
        .map(Line::contender)
        .toList();
  }

  /** The two best by the middle of the totals, the best first; fewer if fewer have a total. */
  public List<Line> best() {
    List<Line> order = new ArrayList<>(lines.stream().filter(l -> l.total().isPresent()).toList());
    order.sort(
        Comparator.comparing(
            (Line line) -> line.total().orElseThrow().midpoint(), Comparator.reverseOrder()));
    return order.subList(0, Math.min(2, order.size()));
  }

  /** By how much the best is ahead of the second by the middle of their totals. */
  public Optional<Totals.Apart> lead() {
    List<Line> two = best();
    return two.size() < 2
        ? Optional.empty()
        : Optional.of(
            new Totals.Apart(
                two.get(0).total().orElseThrow().midpoint(),
                two.get(1).total().orElseThrow().midpoint()));
  }

  static BySize of(Evaluation read, Optional<Sizes> sizes, int people) {
    int month = read.costs().occasion().month();
    Costs then = read.costs().at(new WhatIf.Moment.Headcount(people, month));
    Confirmation confirmation = then.confirmation();
    List<Line> lines = new ArrayList<>();
    for (Contender contender : read.selection().active()) {
      String id = contender.id();
      lines.add(
          new Line(
              id,
              then.now().best(id),
              then.now().monthly(id),
              confirmation.now(id),
              sizes.flatMap(s -> s.total(id, people))));
    }
    return new BySize(
        people,
        lines,
        sizes.filter(s -> people <= s.sizes()).flatMap(s -> s.certainLeader(people)),
        sizes.filter(Sizes::isByTotals).isPresent());
  }
}
