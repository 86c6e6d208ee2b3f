package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.joda.money.Money;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Totals.Margin;

/**
 * Two contenders against each other: criterion by criterion, need by need, in money, and what would
 * turn it. A lead is the left's value less the right's: above 0 it is the left's.
 *
 * @param total the lead in the total; empty if one of them is not ranked or nobody has weighed
 * @param money at three headcounts
 * @param horizon the money between their totals over the plan months
 * @param orders who is cheaper from which headcount on
 */
public record HeadToHead(
    String left,
    String right,
    Optional<Lead> total,
    List<OnCriterion> criteria,
    List<OnNeed> needs,
    List<AtHeadcount> money,
    Apart horizon,
    List<CostByHeadcount.Order> orders,
    List<Turn> turns) {
  public HeadToHead {
    criteria = List.copyOf(criteria);
    needs = List.copyOf(needs);
    money = List.copyOf(money);
    orders = List.copyOf(orders);
    turns = List.copyOf(turns);
  }

  /**
   * How far apart two values from 0 to 1 are.
   *
   * @param apart left and right at the midpoints
   * @param certain whether the one ahead is so whatever the unknown values are
   */
  public record Lead(Totals.Apart apart, boolean certain) {
    static Lead of(Interval left, Interval right) {
      Totals.Apart apart = new Totals.Apart(left.midpoint(), right.midpoint());
      BigDecimal by = apart.exactly();
      boolean certain =
          by.signum() > 0
              ? left.low().compareTo(right.high()) > 0
              : by.signum() < 0 && right.low().compareTo(left.high()) > 0;
      return new Lead(apart, certain);
    }

    /** Left less right at the midpoints. */
    public BigDecimal by() {
      return apart.exactly();
    }

    /** A tie, an edge or clear. */
    public Margin margin() {
      return Margin.of(by().abs());
    }

    /** Whose it is; empty for a tie. */
    public Optional<Side> side() {
      return margin() == Margin.TIE
          ? Optional.empty()
          : Optional.of(by().signum() > 0 ? Side.LEFT : Side.RIGHT);
    }
  }

  /** One of the two. */
  public enum Side {
    LEFT,
    RIGHT
  }

  /** A criterion with its weight from 0 to 1, empty if nobody has weighed. */
  public record OnCriterion(
      Criterion criterion, Optional<BigDecimal> weight, Interval left, Interval right, Lead lead) {
    /** Whether it is nobody's and no tie either, as what is not known decides who is ahead. */
    public boolean isOpen() {
      return !(left.isExact() && right.isExact()) && !lead.certain();
    }

    /** Whose it is; empty for a tie, and while it is open. */
    public Optional<Side> winner() {
      return isOpen() ? Optional.empty() : lead.side();
    }
  }

  /** A need; {@code better} is empty where both are alike or one is not known. */
  public record OnNeed(Need need, Met left, Met right, Optional<Side> better) {}

  /**
   * Steady monthly costs for so many people.
   *
   * @param left empty where there is no figure
   */
  public record AtHeadcount(int people, Optional<Amount> left, Optional<Amount> right) {
    /** The money between them. */
    public Apart apart() {
      return Apart.between(left, right);
    }
  }

  /** What is certain of the money between the two. */
  public sealed interface Apart {
    /** Both cost the same. */
    record Same() implements Apart {}

    /**
     * One is cheaper.
     *
     * @param atLeast whether it may be by more, as not both amounts are one figure
     */
    record Cheaper(Side side, Money by, boolean atLeast) implements Apart {}

    /** Both have a figure, and which is cheaper depends on what is not known of them. */
    record Open() implements Apart {}

    /** One has no figure. */
    record NotKnown() implements Apart {}

    /** Only ends that do not meet say who is cheaper. */
    static Apart between(Optional<Amount> left, Optional<Amount> right) {
      if (left.isEmpty() || right.isEmpty()) {
        return new NotKnown();
      }
      boolean exact = left.get().isExact() && right.get().isExact();
      if (exact && left.get().high().equals(right.get().high())) {
        return new Same();
      }
      return below(Side.LEFT, left.get(), right.get(), !exact)
          .or(() -> below(Side.RIGHT, right.get(), left.get(), !exact))
          .orElseGet(Open::new);
    }

    private static Optional<Apart> below(Side side, Amount one, Amount other, boolean atLeast) {
      return other
          .low()
          .filter(low -> one.high().isLessThan(low))
          .map(low -> new Cheaper(side, low.minus(one.high()), atLeast));
    }
  }

  /** Something that would turn the order of the two. */
  public sealed interface Turn {
    /**
     * The totals are level if a criterion weighed this, the others in proportion.
     *
     * @param now its weight, 0 to 1
     * @param level the weight at which they are level, 0 to 1
     */
    record Weight(Criterion criterion, BigDecimal now, BigDecimal level) implements Turn {}

    /** From so many people on the other is cheaper. */
    record Headcount(int people, String cheaper) implements Turn {}

    /** Without a must the other is cheaper over the plan months. */
    record WithoutNeed(Need need, String cheaper) implements Turn {}
  }

  /** How many criteria a side wins by an edge or clearly, for certain. */
  public long wins(Side side) {
    return criteria.stream().filter(c -> c.winner().equals(Optional.of(side))).count();
  }

  /** How many criteria are open: what is not known decides who is ahead. */
  public long open() {
    return criteria.stream().filter(OnCriterion::isOpen).count();
  }

  /** The musts that a side meets better. */
  public List<Need> mustsBetter(Side side) {
    return needs.stream()
        .filter(line -> line.need().importance() instanceof Importance.Must)
        .filter(line -> line.better().filter(side::equals).isPresent())
        .map(OnNeed::need)
        .toList();
  }

  /**
   * Whether the better total and the lower cost are on the same side; empty if the totals are a tie
   * or not known, or it is not certain which is cheaper.
   */
  public Optional<Boolean> agrees() {
    return horizon instanceof Apart.Cheaper cheaper
        ? total.flatMap(Lead::side).map(side -> side == cheaper.side())
        : Optional.empty();
  }

  static HeadToHead of(Evaluation evaluation, String left, String right) {
    return new Finder(evaluation, left, right).find();
  }

  private record Finder(Evaluation evaluation, String left, String right) {
    /** At how many headcounts the money between them is said. */
    private static final int AT = 3;

    HeadToHead find() {
      List<CostByHeadcount.Order> orders = orders();
      Apart horizon =
          Apart.between(
              evaluation.costs().overall().totalBounds(left),
              evaluation.costs().overall().totalBounds(right));
      List<Turn> turns = new ArrayList<>(weights());
      turns.addAll(headcounts(orders));
      turns.addAll(needsThatTurn(horizon));
      return new HeadToHead(
          left, right, total(), criteria(), needs(), money(), horizon, orders, turns);
    }

    private List<CostByHeadcount.Order> orders() {
      CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
      Set<String> swept = costs.curves().keySet();
      return swept.contains(left) && swept.contains(right) ? costs.orders(left, right) : List.of();
    }

    private Optional<Lead> total() {
      return evaluation
          .scores()
          .totals()
          .filter(t -> t.values().containsKey(left) && t.values().containsKey(right))
          .map(t -> Lead.of(t.total(left), t.total(right)));
    }

    private List<OnCriterion> criteria() {
      List<OnCriterion> lines = new ArrayList<>();
      for (Criterion criterion : evaluation.scores().criteria()) {
        Optional<Interval> l = evaluation.scores().value(left, criterion).map(v -> v.interval());
        Optional<Interval> r = evaluation.scores().value(right, criterion).map(v -> v.interval());
        if (l.isPresent() && r.isPresent()) {
          lines.add(
              new OnCriterion(
                  criterion,
                  evaluation.scores().totals().map(t -> t.weights().get(criterion.id())),
                  l.get(),
                  r.get(),
                  Lead.of(l.get(), r.get())));
        }
      }
      return lines;
    }

    private List<OnNeed> needs() {
      return evaluation.selection().needs().stream().map(this::need).toList();
    }

    private OnNeed need(Need need) {
      Met l = evaluation.costs().met(left, need);
      Met r = evaluation.costs().met(right, need);
      boolean known = l != Met.UNKNOWN && r != Met.UNKNOWN;
      Optional<Side> better =
          known && l.isBetterThan(r)
              ? Optional.of(Side.LEFT)
              : known && r.isBetterThan(l) ? Optional.of(Side.RIGHT) : Optional.empty();
      return new OnNeed(need, l, r, better);
    }

    /** The people of the first month, those under discussion, and the most there will be. */
    private List<AtHeadcount> money() {
      Set<Integer> people = new TreeSet<>();
      people.add(Math.max(1, evaluation.costs().overall().today().total()));
      people.add(Math.max(1, evaluation.costs().people().total()));
      people.add(Math.max(1, evaluation.costs().overall().highestPlanned()));
      int highest = Math.max(1, evaluation.costs().overall().highestPlanned());
      for (int other : new int[] {2 * highest, Math.max(1, highest / 2), 1, highest + 1}) {
        if (people.size() < AT) {
          people.add(Math.min(CostByHeadcount.MOST_SWEPT, other));
        }
      }
      return people.stream()
          .map(n -> {
            Costs then =
                evaluation
                    .costs()
                    .at(new WhatIf.Moment.Headcount(n, evaluation.costs().occasion().month()));
            return new AtHeadcount(n, then.now().monthly(left), then.now().monthly(right));
          })
          .toList();
    }

    /**
     * Where the totals are level. With the other criteria in proportion, a total is w·v + (1 − w)·r
     * with r the weighted mean of the other values, so they are level at w = R / (R − D), D the
     * difference of the criterion's values and R that of the others' means.
     */
    private List<Turn> weights() {
      Optional<Lead> lead = total();
      if (lead.isEmpty() || lead.get().by().signum() == 0) {
        return List.of();
      }
      List<Turn> turns = new ArrayList<>();
      for (OnCriterion line : criteria()) {
        BigDecimal now = line.weight().orElseThrow();
        BigDecimal own = line.lead().by();
        BigDecimal others = BigDecimal.ONE.subtract(now);
        if (others.signum() > 0) {
          BigDecimal rest =
              lead.get().by().subtract(now.multiply(own)).divide(others, MathContext.DECIMAL128);
          if (rest.signum() * own.signum() < 0) {
            BigDecimal level = rest.divide(rest.subtract(own), MathContext.DECIMAL128);
            turns.add(new Turn.Weight(line.criterion(), now, level));
          }
        }
      }
      return turns;
    }

    private static List<Turn> headcounts(List<CostByHeadcount.Order> orders) {
      return orders.stream()
          .skip(1)
          .<Turn>map(order -> new Turn.Headcount(order.n(), order.cheaper()))
          .toList();
    }

    /** Musts without which it is certain that the order over the plan months is the other way. */
    private List<Turn> needsThatTurn(Apart horizon) {
      if (!(horizon instanceof Apart.Cheaper with)) {
        return List.of();
      }
      List<Turn> turns = new ArrayList<>();
      for (Need need : evaluation.selection().needs()) {
        if (need.importance() instanceof Importance.Must) {
          Apart without =
              Apart.between(
                  evaluation.costs().overall().totalWithout(left, Set.of(need)),
                  evaluation.costs().overall().totalWithout(right, Set.of(need)));
          if (without instanceof Apart.Cheaper other && other.side() != with.side()) {
            turns.add(new Turn.WithoutNeed(need, other.side() == Side.LEFT ? left : right));
          }
        }
      }
      return turns;
    }
  }
}
