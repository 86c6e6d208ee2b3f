package tertulia.core.path;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
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
   * An option without a figure.
   *
   * @param place of its plan in the maker's order
   * @param does by n − 1 whether it would do; out past the end
   * @param inLows whether the least it costs is known and stands among the low ends
   */
  record Unpriced(int place, boolean[] does, boolean inLows) {
    boolean mayBeCheaper(int n, int taken) {
      return !inLows && place < taken && does(n);
    }

    boolean does(int n) {
      return n <= does.length && does[n - 1];
    }

    /** The same only where something is as it is said. */
    Unpriced where(boolean[] here, boolean said) {
      boolean[] some = does.clone();
      for (int n = 0; n < some.length; n++) {
        some[n] &= here[n] == said;
      }
      return new Unpriced(place, some, inLows);
    }
  }

  /** One tool's costs, kept as whole minor units of the reporting currency. */
  public static final class Curve {
    private final CurrencyUnit currency;
    private final long[] minors;
    private final long[] lows;
    private final int[] chosen;
    private final int[] places;
    private final List<Unpriced> open;
    private final List<OptionName> options;
    private final List<PlanChange> changes;

    /**
     * @param minors by n − 1, with assumed prices at their high ends
     * @param lows as {@code minors}, with assumed prices at their low ends
     */
    Curve(
        CurrencyUnit currency,
        long[] minors,
        long[] lows,
        int[] chosen,
        int[] places,
        List<Unpriced> open,
        List<OptionName> options,
        List<PlanChange> changes) {
      this.currency = currency;
      this.minors = minors;
      this.lows = lows;
      this.chosen = chosen;
      this.places = places;
      this.open = List.copyOf(open);
      this.options = List.copyOf(options);
      this.changes = List.copyOf(changes);
    }

    /** The cost for n people; empty without a qualifying plan or without a figure. */
    public Optional<Point> at(int n) {
      return hasFigure(n)
          ? Optional.of(
              new Point(
                  Money.ofMinor(currency, minors[n - 1]), options.get(chosen[n - 1]), isAtMost(n)))
          : Optional.empty();
    }

    /** Whether some plan does for n people, with a figure or without. */
    public boolean does(int n) {
      return hasFigure(n) || open.stream().anyMatch(other -> other.does(n));
    }

    /**
     * The least it can be for n people; empty if nothing would do, or nobody knows how cheap what
     * would do may be.
     */
    public Optional<Money> low(int n) {
      long least = least(n);
      return least == Long.MIN_VALUE || least == Long.MAX_VALUE
          ? Optional.empty()
          : Optional.of(Money.ofMinor(currency, least));
    }

    private boolean isAtMost(int n) {
      return open.stream().anyMatch(other -> other.mayBeCheaper(n, places[chosen[n - 1]]));
    }

    /**
     * The least it can be for n people in minor units: its figure with assumed prices at their low
     * ends, below every amount if something that would do has neither a figure nor a least, above
     * every amount if nothing would do.
     */
    private long least(int n) {
      if (!hasFigure(n)) {
        boolean unbounded = open.stream().anyMatch(other -> !other.inLows() && other.does(n));
        return unbounded ? Long.MIN_VALUE : lows[n - 1];
      }
      return isAtMost(n) ? Long.MIN_VALUE : Math.min(lows[n - 1], minors[n - 1]);
    }

    /** Every n at which the plan changes, the first at n = 1. */
    public List<PlanChange> changes() {
      return changes;
    }

    /** With so much more for every n; without a figure if it is not known how much. */
    private Curve plus(Optional<Money> more) {
      if (more.isEmpty()) {
        int[] none = new int[minors.length];
        java.util.Arrays.fill(none, -1);
        boolean[] does = new boolean[minors.length];
        for (int n = 1; n <= does.length; n++) {
          does[n - 1] = hasFigure(n);
        }
        List<Unpriced> unknown = new ArrayList<>(open);
        unknown.add(new Unpriced(0, does, false));
        return new Curve(
            currency,
            minors,
            lows,
            none,
            places,
            unknown,
            options,
            List.of(new PlanChange(1, Optional.empty())));
      }
      long minor = more.get().getAmountMinorLong();
      return new Curve(
          currency, plus(minors, minor), plus(lows, minor), chosen, places, open, options, changes);
    }

    /** With another curve on top; without a figure where that has none. */
    private Curve onTop(Curve other) {
      long[] sums = minors.clone();
      long[] least = lows.clone();
      int[] options = chosen.clone();
      boolean[] unknown = new boolean[minors.length];
      boolean[] cheaper = new boolean[minors.length];
      boolean some = false;
      for (int n = 1; n <= minors.length; n++) {
        if (other.hasFigure(n)) {
          sums[n - 1] = saturated(minors[n - 1], other.minor(n));
          // what may cost anything less leaves the sum an upper bound
          cheaper[n - 1] = hasFigure(n) && other.isAtMost(n);
          least[n - 1] =
              saturated(lows[n - 1], other.isAtMost(n) ? other.minor(n) : other.least(n));
        } else if (hasFigure(n)) {
          options[n - 1] = -1;
          unknown[n - 1] = true;
          some = true;
        }
      }
      List<Unpriced> more = new ArrayList<>(open);
      if (some) {
        more.add(new Unpriced(0, unknown, false));
      }
      more.add(new Unpriced(-1, cheaper, false));
      return new Curve(currency, sums, least, options, places, more, this.options, changes);
    }

    /** For each n the one that costs less; this one if both do the same. */
    private Curve orLess(Curve other) {
      long[] sums = minors.clone();
      long[] least = lows.clone();
      int[] taken = chosen.clone();
      boolean[] others = new boolean[minors.length];
      List<OptionName> names = new ArrayList<>(options);
      names.addAll(other.options);
      int[] where = java.util.Arrays.copyOf(places, names.size());
      System.arraycopy(other.places, 0, where, options.size(), other.options.size());
      for (int n = 1; n <= minors.length; n++) {
        if (other.hasFigure(n) && (!hasFigure(n) || other.minor(n) < minor(n))) {
          others[n - 1] = true;
          sums[n - 1] = other.minor(n);
          least[n - 1] = other.lows[n - 1];
          taken[n - 1] = other.chosen[n - 1] + options.size();
        }
      }
      boolean[] cheaper = new boolean[minors.length];
      for (int n = 1; n <= cheaper.length; n++) {
        // what may cost less than this one may cost less than the other, too
        cheaper[n - 1] = others[n - 1] && (hasFigure(n) ? isAtMost(n) : does(n));
      }
      List<Unpriced> more = new ArrayList<>();
      more.add(new Unpriced(-1, cheaper, false));
      open.forEach(unpriced -> more.add(unpriced.where(others, false)));
      other.open.forEach(unpriced -> more.add(unpriced.where(others, true)));
      return new Curve(currency, sums, least, taken, where, more, names, changes(taken, names));
    }

    private static List<PlanChange> changes(int[] taken, List<OptionName> names) {
      List<PlanChange> changes = new ArrayList<>();
      for (int n = 1; n <= taken.length; n++) {
        Optional<OptionName> now =
            taken[n - 1] < 0 ? Optional.empty() : Optional.of(names.get(taken[n - 1]));
        if (changes.isEmpty() || !changes.getLast().option().equals(now)) {
          changes.add(new PlanChange(n, now));
        }
      }
      return changes;
    }

    private static long[] plus(long[] minors, long more) {
      return java.util.Arrays.stream(minors).map(m -> saturated(m, more)).toArray();
    }

    private static long saturated(long a, long b) {
      return a > Long.MAX_VALUE - b ? Long.MAX_VALUE : a + b;
    }

    private boolean hasFigure(int n) {
      return chosen[n - 1] >= 0;
    }

    private long minor(int n) {
      return minors[n - 1];
    }
  }

  /**
   * What a tool costs for so many people.
   *
   * @param option plan and term
   * @param atMost whether an alternative without a figure was left out
   */
  public record Point(Money money, OptionName option, boolean atMost) {}

  /** From n people on the tool would be on this option; empty: on none with a figure. */
  public record PlanChange(int n, Optional<OptionName> option) {}

  /** From n people on this tool is cheapest; empty: none has a figure. */
  public record Lead(int n, Optional<String> tool) {}

  /** From n people on this tool is the cheaper of two. */
  public record Order(int n, String cheaper) {}

  /** How far a sweep reaches: 500, or twice the highest planned headcount, up to 5,000. */
  public static int reach(int highestPlanned) {
    return Math.min(MOST_SWEPT, Math.max(LEAST_SWEPT, 2 * highestPlanned));
  }

  /**
   * Sweeps n = 1 … most.
   *
   * @param tools offerings by tool id, in the order that decides the first tie
   * @param today the people whose shares hold for every n
   * @param month the plan month under discussion: sums have gathered up to it; what is owned counts
   *     only if it is owned to the end of the plan, as so many people are asked about for good
   */
  public static CostByHeadcount sweep(
      Map<String, List<Offering>> tools, Market market, People today, int month, int most) {
    return sweep(tools, n -> market, today, month, market.horizon().months() - 1, most);
  }

  /**
   * As above where something else changes with n.
   *
   * @param markets what the tools are priced against by n; alike but for the average payment
   * @param owned the plan month whose holding counts
   */
  static CostByHeadcount sweep(
      Map<String, List<Offering>> tools,
      IntFunction<Market> markets,
      People today,
      int month,
      int owned,
      int most) {
    Sweep sweep = new Sweep(markets, today, month, owned, most);
    Map<String, Curve> curves = new LinkedHashMap<>();
    tools.forEach((id, offerings) -> curves.put(id, sweep.curve(offerings)));
    return new CostByHeadcount(most, curves, leads(curves, most));
  }

  private static List<Lead> leads(Map<String, Curve> curves, int most) {
    List<String> tools = List.copyOf(curves.keySet());
    Curve[] all = curves.values().toArray(Curve[]::new);
    List<Lead> leads = new ArrayList<>();
    int before = -1;
    for (int n = 1; n <= most; n++) {
      int leader = cheapest(all, n, before);
      if (n == 1 || leader != before) {
        leads.add(new Lead(n, leader < 0 ? Optional.empty() : Optional.of(tools.get(leader))));
      }
      before = leader;
    }
    return leads;
  }

  /** The place of the cheapest curve; on equality the one before stays; −1 without a figure. */
  private static int cheapest(Curve[] curves, int n, int before) {
    int best = -1;
    long least = Long.MAX_VALUE;
    for (int c = 0; c < curves.length; c++) {
      if (curves[c].hasFigure(n)) {
        long minor = curves[c].minor(n);
        if (minor < least || minor == least && c == before) {
          best = c;
          least = minor;
        }
      }
    }
    return best;
  }

  /** The other tools that cost the same as the one that is cheapest for n people. */
  public List<String> levelWithLead(int n) {
    Optional<String> lead =
        leads.stream().filter(l -> l.n() <= n).reduce((a, b) -> b).flatMap(Lead::tool);
    return lead.map(tool ->
            curves.keySet().stream()
                .filter(other -> !other.equals(tool))
                .filter(other -> curve(other).hasFigure(n))
                .filter(other -> curve(other).minor(n) == curve(tool).minor(n))
                .toList())
        .orElse(List.of());
  }

  /**
   * The tools, other than this one, that may cost less than its figure for n people: their own is
   * only a bound, or lies in a range, or something of theirs that would do has none.
   *
   * @throws IllegalArgumentException if the tool was not swept
   */
  public List<String> mayBeCheaper(String tool, int n) {
    if (!curve(tool).hasFigure(n)) {
      return List.of();
    }
    long figure = curve(tool).minor(n);
    return curves.keySet().stream()
        .filter(other -> !other.equals(tool))
        .filter(other -> curve(other).least(n) < figure)
        .toList();
  }

  /**
   * Which of two tools is certain to be cheaper, from the first n at which it is on, and every n at
   * which that changes. Where they are equal, or a bound leaves it open, the order before stays;
   * where one of them has no figure there is none.
   */
  public List<Order> orders(String first, String second) {
    List<Order> orders = new ArrayList<>();
    int order = 0;
    for (int n = 1; n <= most; n++) {
      if (curve(first).hasFigure(n) && curve(second).hasFigure(n)) {
        int now = Long.compare(curve(first).minor(n), curve(second).minor(n));
        if (now != 0
            && now != order
            && isCertain(now < 0 ? first : second, now < 0 ? second : first, n)) {
          orders.add(new Order(n, now < 0 ? first : second));
          order = now;
        }
      }
    }
    return orders;
  }

  /** Whether one is cheaper for n people whatever the other's figure comes to within its bounds. */
  public boolean isCertain(String cheaper, String dearer, int n) {
    return curve(cheaper).hasFigure(n) && curve(cheaper).minor(n) < curve(dearer).least(n);
  }

  /** Every n at which two tools change order, as {@link #orders} has it. */
  public List<Integer> orderChanges(String first, String second) {
    return orders(first, second).stream().skip(1).map(Order::n).toList();
  }

  /**
   * The same for some of the tools only.
   *
   * @throws IllegalArgumentException if one of them was not swept
   */
  public CostByHeadcount of(List<String> tools) {
    Map<String, Curve> some = new LinkedHashMap<>();
    tools.forEach(tool -> some.put(tool, curve(tool)));
    return new CostByHeadcount(most, some, leads(some, most));
  }

  /**
   * The same with so much more a month for each tool, whatever the headcount.
   *
   * @param monthly by tool id, in the currency of the curves; a tool that is not there, or whose
   *     amount is not known, has no figure
   */
  public CostByHeadcount adding(Map<String, Optional<Money>> monthly) {
    Map<String, Curve> added = new LinkedHashMap<>();
    curves.forEach(
        (id, curve) -> added.put(id, curve.plus(monthly.getOrDefault(id, Optional.empty()))));
    return new CostByHeadcount(most, added, leads(added, most));
  }

  /**
   * The same with other tools on top, such as what stays in use beside each.
   *
   * @param others by tool id; swept as far as these
   */
  public CostByHeadcount onTop(Map<String, List<Curve>> others) {
    Map<String, Curve> added = new LinkedHashMap<>();
    curves.forEach((id, curve) -> {
      Curve sum = curve;
      for (Curve other : others.getOrDefault(id, List.of())) {
        sum = sum.onTop(other);
      }
      added.put(id, sum);
    });
    return new CostByHeadcount(most, added, leads(added, most));
  }

  /** The same with other curves where those cost less. */
  public CostByHeadcount orLess(Map<String, Curve> others) {
    Map<String, Curve> all = new LinkedHashMap<>(curves);
    others.forEach((id, other) -> all.computeIfPresent(id, (same, curve) -> curve.orLess(other)));
    return new CostByHeadcount(most, all, leads(all, most));
  }

  /** The same with some curves in place of the tools' own. */
  public CostByHeadcount replacing(Map<String, Curve> others) {
    Map<String, Curve> all = new LinkedHashMap<>(curves);
    all.replaceAll((id, curve) -> others.getOrDefault(id, curve));
    return new CostByHeadcount(most, all, leads(all, most));
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
