package tertulia.core.finding;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.LongStream;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.finding.Advice.Grade;
import tertulia.core.finding.Advice.Within;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Totals;
import tertulia.core.sensitivity.Chances;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.Condition.Dimension;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Lead;
import tertulia.core.sensitivity.Otherwise;
import tertulia.core.sensitivity.ScenarioGrid;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.TakeIf;
import tertulia.core.sensitivity.Tried;

/** What there is to say of how firm an answer is. */
public record AdviceFindings(Sensitivity sensitivity) {
  /** Weightings as likely as any other, values as they count. */
  public static final Chances ANY_WEIGHTS =
      new Chances(Chances.Weights.ANY, Chances.Marks.AS_THEY_COUNT);

  /** A leader that is first in fewer weightings is not firm. */
  private static final double MOST_WEIGHTINGS = 2 / 3.0;

  /** A leader that is first in fewer is not called firm. */
  private static final double NEARLY_ALL = 0.9;

  /** Changes of weight smaller than half a percent are not told. */
  private static final BigDecimal LEAST_MOVE = new BigDecimal("0.005");

  private Evaluation read() {
    return sensitivity.read();
  }

  private TakeIf takeIf() {
    return sensitivity.takeIf();
  }

  /** How firm the lead is. */
  public Advice.Firmness firmness() {
    Lead lead = takeIf().lead();
    Optional<String> ahead = lead.tool().or(this::ahead);
    Optional<RankShares> shares = sensitivity.shares(ANY_WEIGHTS);
    Optional<Double> share = ahead.flatMap(tool -> shares.map(s -> s.first(tool)));
    Set<Within> within = within(lead, share);
    int turned = turned();
    return new Advice.Firmness(
        grade(lead, share, within, turned),
        ahead,
        lead.tool().isPresent() ? List.of() : ahead.isEmpty() ? level() : mayPass(),
        turned,
        tried(takeIf().tried()),
        share,
        List.copyOf(within));
  }

  /** Who is ahead by the middle of the totals; empty if several are level. */
  private Optional<String> ahead() {
    List<String> level = level();
    return level.size() == 1 ? Optional.of(level.getFirst()) : Optional.empty();
  }

  /** Those whose totals have the highest middle. */
  private List<String> level() {
    List<Totals.Standing> standings =
        read().scores().totals().map(Totals::standings).orElse(List.of());
    return standings.stream()
        .filter(s -> s.total().midpoint().compareTo(standings.getFirst().total().midpoint()) == 0)
        .map(Totals.Standing::contender)
        .toList();
  }

  /** Who is not certain to be behind the one that is ahead. */
  private List<String> mayPass() {
    List<Totals.Standing> standings =
        read().scores().totals().map(Totals::standings).orElse(List.of());
    return standings.stream()
        .skip(1)
        .filter(s -> !Totals.isAbove(standings.getFirst().total().low(), s.total().high()))
        .map(Totals.Standing::contender)
        .toList();
  }

  private Grade grade(Lead lead, Optional<Double> share, Set<Within> within, int turned) {
    if (read().selection().active().size() < 2) {
      return Grade.ALONE;
    }
    if (lead.tool().isEmpty()) {
      return Grade.OPEN;
    }
    if (!within.isEmpty()) {
      return Grade.NOT_FIRM;
    }
    return turned > 0 || share.filter(s -> s < NEARLY_ALL).isPresent() ? Grade.HOLDS : Grade.FIRM;
  }

  /** Single changes under which somebody else leads for certain. */
  private int turned() {
    return (int)
        takeIf().all().values().stream()
            .flatMap(List::stream)
            .filter(c -> c instanceof Condition.If || c instanceof Condition.Without)
            .count();
  }

  private static int tried(Tried tried) {
    return tried.dropped()
        + tried.required()
        + tried.terms()
        + tried.scenarios()
        + tried.facts()
        + tried.views();
  }

  private Set<Within> within(Lead lead, Optional<Double> share) {
    Set<Within> within = EnumSet.noneOf(Within.class);
    if (lead.tool().isEmpty()) {
      return within;
    }
    String leader = lead.tool().get();
    if (sensitivity.byHeadcount().filter(sizes -> othersWithinPlan(sizes, leader)).isPresent()) {
      within.add(Within.PEOPLE_PLANNED);
    }
    List<Condition> others =
        takeIf().all().entrySet().stream()
            .filter(own -> !own.getKey().equals(leader))
            .flatMap(own -> own.getValue().stream())
            .toList();
    if (others.stream().anyMatch(c -> c.dimension() == Dimension.GROWTH)) {
      within.add(Within.GROWTH);
    }
    if (others.stream().anyMatch(c -> c.dimension() == Dimension.VIEW)) {
      within.add(Within.A_VIEW);
    }
    if (share.filter(s -> s < MOST_WEIGHTINGS).isPresent()) {
      within.add(Within.WEIGHTS);
    }
    return within;
  }

  private boolean othersWithinPlan(Sizes sizes, String leader) {
    int from = Math.max(1, read().costs().overall().lowestPlanned());
    int to = Math.min(sizes.sizes(), read().costs().overall().highestPlanned());
    for (int n = from; n <= to; n++) {
      if (sizes.certainLeader(n).filter(tool -> !tool.equals(leader)).isPresent()) {
        return true;
      }
    }
    return false;
  }

  /** When to take which, by their place in the totals; those that lead nowhere are left out. */
  public List<Advice.Take> takes() {
    Optional<String> leader = takeIf().lead().tool();
    List<String> order =
        read().scores().totals().map(Totals::standings).orElse(List.of()).stream()
            .map(Totals.Standing::contender)
            .toList();
    return takeIf().all().keySet().stream()
        .filter(tool -> leader.equals(Optional.of(tool)) || !takeIf().told(tool).isEmpty())
        .map(tool -> take(tool, leader.equals(Optional.of(tool))))
        .sorted(
            Comparator.comparing((Advice.Take take) -> !take.leads())
                .thenComparing(take -> place(order, take.tool())))
        .toList();
  }

  private static int place(List<String> order, String tool) {
    int place = order.indexOf(tool);
    return place < 0 ? order.size() : place;
  }

  /** Who leads at the numbers of people that are near to what is planned; empty if nobody does. */
  public Optional<Advice.BySize> bySize() {
    if (read().selection().active().size() < 2) {
      return Optional.empty();
    }
    long fewest = Math.max(1, read().costs().overall().lowestPlanned());
    long most = Math.max(fewest, read().costs().overall().highestPlanned());
    long from = Math.ceilDiv(fewest, 2);
    long to = 2 * most;
    List<Advice.BySize.Range> near = new ArrayList<>();
    takeIf()
        .sizes()
        .forEach((tool, ranges) ->
            ranges.stream()
                .filter(range -> isNear(range, fewest, most, from, to))
                .forEach(range -> near.add(new Advice.BySize.Range(tool, range))));
    near.sort(Comparator.comparing(range -> range.people().from()));
    return near.isEmpty()
        ? Optional.empty()
        : Optional.of(new Advice.BySize(near, !covers(near, fewest, most)));
  }

  /** Whether a range meets what is planned, or lies where it might come to lie. */
  private static boolean isNear(
      Condition.Between range, long fewest, long most, long from, long to) {
    boolean meets = range.from() <= most && range.to() >= fewest;
    return meets || range.from() >= from && range.to() <= to;
  }

  private static boolean covers(List<Advice.BySize.Range> ranges, long fewest, long most) {
    return LongStream.rangeClosed(fewest, most)
        .allMatch(
            n -> ranges.stream().anyMatch(r -> r.people().from() <= n && n <= r.people().to()));
  }

  private Advice.Take take(String tool, boolean leads) {
    List<Condition> told = takeIf().told(tool);
    return new Advice.Take(
        tool,
        leads,
        told,
        leads ? Optional.empty() : told.stream().findFirst().flatMap(c -> saves(tool, c)),
        takeIf().othersBySize(tool));
  }

  /** Against what the leader costs as it is read, if both are known exactly. */
  private Optional<Money> saves(String tool, Condition condition) {
    if (!(condition instanceof Condition.If given)
        || !(given.otherwise() instanceof Otherwise.Dropped dropped)) {
      return Optional.empty();
    }
    Optional<Money> now =
        takeIf()
            .lead()
            .tool()
            .flatMap(leader -> read().costs().overall().totalBounds(leader))
            .filter(Amount::isExact)
            .map(Amount::high);
    Optional<Money> then =
        dropped
            .of(read())
            .costs()
            .overall()
            .totalBounds(tool)
            .filter(Amount::isExact)
            .map(Amount::high);
    return now.flatMap(mine -> then.map(mine::minus)).filter(Money::isPositive);
  }

  /** Those that lead under nothing that was tried; empty if there are none. */
  public Optional<Advice.Never> never() {
    List<String> never = takeIf().never();
    return never.isEmpty()
        ? Optional.empty()
        : Optional.of(new Advice.Never(never, takeIf().tried()));
  }

  /** What to find out first; empty if no answer would change anything. */
  public Optional<Advice.Next> next(LocalDate today, int daysFresh) {
    List<FindOut> all = sensitivity.findOut(today, daysFresh);
    return all.stream().findFirst().map(Advice.Next::new);
  }

  /** Who is first more often than the one that is ahead; empty if nobody is. */
  public Optional<Advice.MoreOften> moreOften() {
    return read()
        .scores()
        .totals()
        .filter(totals -> totals.values().size() > 1)
        .map(totals -> totals.standings().getFirst().contender())
        .flatMap(ahead ->
            sensitivity
                .shares(ANY_WEIGHTS)
                .filter(shares -> shares.first(shares.byFirst().getFirst()) > shares.first(ahead))
                .map(shares ->
                    new Advice.MoreOften(
                        ahead,
                        shares.first(ahead),
                        shares.byFirst().getFirst(),
                        shares.first(shares.byFirst().getFirst()))));
  }

  /** Whether today's headcount alone puts another first; empty if not. */
  public Optional<Advice.AtThisSize> atThisSize() {
    return takeIf()
        .lead()
        .tool()
        .flatMap(whole ->
            sensitivity
                .byHeadcount()
                .filter(sizes -> sizes.now() >= 1 && sizes.now() <= sizes.sizes())
                .flatMap(sizes ->
                    sizes
                        .certainLeader(sizes.now())
                        .filter(now -> !now.equals(whole))
                        .map(now -> new Advice.AtThisSize(whole, now, sizes.now()))));
  }

  /** The weight that may move least before somebody else is ahead; empty if none turns it. */
  public Optional<Advice.Tightest> tightest() {
    Optional<String> leader =
        read().scores().totals().map(Totals::standings).map(s -> s.getFirst().contender());
    return sensitivity.rooms().stream()
        .filter(room -> !room.isNone() && turns(room))
        .min(Comparator.comparing(AdviceFindings::way))
        .flatMap(room -> leader.map(tool -> new Advice.Tightest(tool, room)));
  }

  /** How far it is to the nearer end at which somebody takes over. */
  private static BigDecimal way(StabilityRange room) {
    BigDecimal down =
        room.low().takesOver().isEmpty()
            ? BigDecimal.TWO
            : room.weight().subtract(room.low().weight());
    BigDecimal up =
        room.high().takesOver().isEmpty()
            ? BigDecimal.TWO
            : room.high().weight().subtract(room.weight());
    return down.min(up);
  }

  /** How little would have to change for each of the others to be level, the least first. */
  public List<Advice.Nearest> nearest() {
    List<Advice.Nearest> nearest = new ArrayList<>();
    read()
        .scores()
        .totals()
        .ifPresent(totals -> {
          for (NearestUpset upset : sensitivity.upsets()) {
            nearest.add(new Advice.Nearest(upset, upset.moves(totals, LEAST_MOVE)));
          }
        });
    nearest.sort(Comparator.comparing(n -> n.upset().shift()));
    return nearest;
  }

  /** How many have weighed, if not all have. */
  public Optional<Advice.Weighed> weighed() {
    List<Member> members = read().selection().panel().members();
    int so = (int) members.stream().filter(m -> Progress.hasWeighed(read().selection(), m)).count();
    return so == members.size() && so > 0
        ? Optional.empty()
        : Optional.of(new Advice.Weighed(so, members.size()));
  }

  /** Which of what was combined changes who is first. */
  public Advice.Mattering mattering(List<ScenarioGrid.Scene> combined) {
    return new Advice.Mattering(List.copyOf(sensitivity.scenarios(combined).mattering()));
  }

  /** Who is beaten in both worth and cost, in the contenders' order. */
  public List<Advice.Beaten> beaten() {
    return ValueForMoney.of(read()).stream()
        .flatMap(worth -> worth.points().stream())
        .filter(point -> !point.beatenBy().isEmpty())
        .map(point -> new Advice.Beaten(point.contender(), point.beatenBy()))
        .toList();
  }

  /** What more worth costs, from the cheapest on. */
  public List<Advice.MoreWorth> moreWorth() {
    return ValueForMoney.of(read()).stream()
        .flatMap(worth -> worth.stepsUp().stream())
        .map(Advice.MoreWorth::new)
        .toList();
  }

  /** For what a choice holds, around what is read. */
  public Advice.HoldsFor holdsFor(String choice) {
    boolean level = sensitivity.rooms().stream().anyMatch(StabilityRange::isNone);
    boolean byTotals = ahead().equals(Optional.of(choice)) && !level;
    boolean certain = takeIf().lead().tool().equals(Optional.of(choice));
    return new Advice.HoldsFor(
        choice,
        byTotals || certain,
        certain,
        // at a number of people it is asked who leads for certain: that is another thing than ahead
        certain
            ? sensitivity.byHeadcount().flatMap(sizes -> sizes.around(choice))
            : Optional.empty(),
        byTotals ? sensitivity.rooms().stream().filter(AdviceFindings::turns).toList() : List.of());
  }

  private static boolean turns(StabilityRange room) {
    return !(room.low().takesOver().isEmpty() && room.high().takesOver().isEmpty());
  }
}
