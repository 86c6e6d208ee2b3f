package tertulia.core.path;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.billing.UnitsNeeded;
import tertulia.core.fit.Offering;
import tertulia.core.growth.People;

/**
 * The steady monthly cost of several tools for n = 1 … most people, with every n at which something
 * changes. Where two are equal the one that was cheapest at n − 1 stays.
 *
 * @param curves by tool id, in the tools' order
 * @param leads who is cheapest from which n on; empty where nobody has a figure
 */
public record CostByHeadcount(int most, Map<String, Curve> curves, List<Lead> leads) {
  /** A sweep covers at least this many people and at most {@link #MOST_SWEPT}. */
  public static final int LEAST_SWEPT = 500;

  public static final int MOST_SWEPT = 5_000;

  public CostByHeadcount {
    leads = List.copyOf(leads);
  }

  /**
   * One tool's costs.
   *
   * @param points at index n − 1 the steady cost for n people
   * @param changes every n at which the plan changes, the first at n = 1
   */
  public record Curve(List<Optional<Point>> points, List<PlanChange> changes) {
    /** The cost for n people; empty without a qualifying plan or without a figure. */
    public Optional<Point> at(int n) {
      return points.get(n - 1);
    }
  }

  /**
   * What a tool costs for so many people.
   *
   * @param option label of plan and term
   * @param atMost whether an alternative without a figure was left out
   */
  public record Point(Money money, String option, boolean atMost) {}

  /** From n people on the tool would be on this option; empty: on none with a figure. */
  public record PlanChange(int n, Optional<String> option) {}

  /** From n people on this tool is cheapest; empty: none has a figure. */
  public record Lead(int n, Optional<String> tool) {}

  /** How far a sweep reaches: 500, or twice the highest planned headcount, up to 5,000. */
  public static int reach(int highestPlanned) {
    return Math.min(MOST_SWEPT, Math.max(LEAST_SWEPT, 2 * highestPlanned));
  }

  /**
   * Sweeps n = 1 … most.
   *
   * @param tools offerings by tool id, in the order that decides the first tie
   * @param today the people whose shares hold for every n
   */
  public static CostByHeadcount sweep(
      Map<String, List<Offering>> tools, Market market, People today, int most) {
    List<UnitsNeeded> units = new ArrayList<>(most);
    for (int n = 1; n <= most; n++) {
      units.add(market.units(today.scaledTo(n)));
    }
    Map<String, Curve> curves = new LinkedHashMap<>();
    tools.forEach((id, offerings) -> curves.put(id, curve(offerings, market, units)));
    return new CostByHeadcount(most, curves, leads(curves, most));
  }

  private static Curve curve(List<Offering> offerings, Market market, List<UnitsNeeded> units) {
    List<Optional<Point>> points = new ArrayList<>(units.size());
    List<PlanChange> changes = new ArrayList<>();
    Optional<String> before = Optional.empty();
    Candidates candidates = Candidates.of(offerings, market);
    for (UnitsNeeded needed : units) {
      Optional<Point> point = point(SteadyCost.cheapest(candidates, market, needed, before));
      points.add(point);
      Optional<String> option = point.map(Point::option);
      if (points.size() == 1 || !option.equals(before)) {
        changes.add(new PlanChange(points.size(), option));
      }
      before = option;
    }
    return new Curve(List.copyOf(points), List.copyOf(changes));
  }

  private static Optional<Point> point(Outcome<SteadyCost> outcome) {
    return switch (outcome) {
      case Outcome.Found<SteadyCost> found ->
          Optional.of(
              new Point(found.best().money(), found.best().option().label(), found.isAtMost()));
      case Outcome.NoPlan<SteadyCost> none -> Optional.empty();
      case Outcome.Unpriced<SteadyCost> unpriced -> Optional.empty();
    };
  }

  private static List<Lead> leads(Map<String, Curve> curves, int most) {
    List<Lead> leads = new ArrayList<>();
    Optional<String> before = Optional.empty();
    for (int n = 1; n <= most; n++) {
      Optional<String> leader = cheapest(curves, n, before);
      if (n == 1 || !leader.equals(before)) {
        leads.add(new Lead(n, leader));
      }
      before = leader;
    }
    return leads;
  }

  private static Optional<String> cheapest(
      Map<String, Curve> curves, int n, Optional<String> before) {
    Comparator<Map.Entry<String, Money>> byMoney = Map.Entry.comparingByValue();
    Comparator<Map.Entry<String, Money>> stayerFirst =
        Comparator.comparing(e -> !Optional.of(e.getKey()).equals(before));
    Map<String, Money> costs = new LinkedHashMap<>();
    curves.forEach((id, curve) -> curve.at(n).ifPresent(point -> costs.put(id, point.money())));
    return costs.entrySet().stream().min(byMoney.thenComparing(stayerFirst)).map(Map.Entry::getKey);
  }

  /**
   * Every n at which two tools change order: the one that was not dearer becomes strictly dearer.
   * Where one of them has no figure there is no order.
   */
  public List<Integer> orderChanges(String first, String second) {
    List<Integer> changes = new ArrayList<>();
    int order = 0;
    for (int n = 1; n <= most; n++) {
      Optional<Point> a = curve(first).at(n);
      Optional<Point> b = curve(second).at(n);
      if (a.isPresent() && b.isPresent()) {
        int now = Integer.signum(a.get().money().compareTo(b.get().money()));
        if (now != 0) {
          if (order != 0 && now != order) {
            changes.add(n);
          }
          order = now;
        }
      }
    }
    return changes;
  }

  /**
   * The curve of a tool.
   *
   * @throws IllegalArgumentException if the tool was not swept
   */
  public Curve curve(String tool) {
    Curve curve = curves.get(tool);
    if (curve == null) {
      throw new IllegalArgumentException("No curve for tool " + tool);
    }
    return curve;
  }
}
