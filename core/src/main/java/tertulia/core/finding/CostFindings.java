package tertulia.core.finding;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.finding.CostFinding.Cause;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Measure;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByHeadcount.Curve;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.path.CostByHeadcount.Point;
import tertulia.core.path.CostByQuantity;
import tertulia.core.path.LeftOut;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Ways;

/** What there is to say of cost. */
public record CostFindings(Costs costs) {
  /** So many changes of the cheapest are explained; the table has all of them. */
  private static final int MOST_EXPLAINED = 3;

  /** Prices written down further apart than this are not of one time. */
  private static final long DAYS_APART = 90;

  /** Everything that reads as a sentence, the answer first. */
  public List<CostFinding> all() {
    List<CostFinding> all = new ArrayList<>();
    Optional<CostFinding.OnlyOne> only = onlyOne();
    if (only.isPresent()) {
      all.add(only.get());
    } else {
      wholePeriod().ifPresent(all::add);
      all.addAll(byHeadcount());
    }
    all.addAll(free());
    all.addAll(wholeStaff());
    all.addAll(noWays());
    return all;
  }

  /**
   * What the only tool costs that has a plan that serves; empty if others have one, too, or nothing
   * is known of its cost.
   */
  private Optional<CostFinding.OnlyOne> onlyOne() {
    List<String> serving = active().stream().map(Contender::id).filter(this::mayServe).toList();
    if (serving.size() != 1) {
      return Optional.empty();
    }
    String tool = serving.getFirst();
    Optional<Amount> month = costs.now().monthly(tool);
    Optional<Amount> whole = costs.overall().totalBounds(tool);
    if (month.isEmpty() && whole.isEmpty()) {
      return Optional.empty();
    }
    List<String> others =
        active().stream().map(Contender::id).filter(id -> !id.equals(tool)).toList();
    List<String> toConfirm =
        others.stream()
            .filter(id ->
                costs.now().steady(id) instanceof Outcome.NoPlan<?> none && none.isUnconfirmed())
            .toList();
    int most = others.isEmpty() ? 0 : costs.curves().costByHeadcount().most();
    return Optional.of(new CostFinding.OnlyOne(tool, month, whole, others, toConfirm, most));
  }

  /** Whether a plan of a tool serves now, over the period or for any headcount looked at. */
  private boolean mayServe(String tool) {
    return active().size() == 1
        || !(costs.now().steady(tool) instanceof Outcome.NoPlan)
        || !(costs.overall().way(tool) instanceof Ways.Gap gap)
        || gap.isUnpriced()
        || doesForSome(costs.curves().costByHeadcount(), tool);
  }

  private static boolean doesForSome(CostByHeadcount swept, String tool) {
    return IntStream.rangeClosed(1, swept.most()).anyMatch(swept.curve(tool)::does);
  }

  /**
   * What nobody has said of those the answer names first, and might change the plan they need, and
   * with it what they cost.
   */
  public List<MissingFinding.OpenQuestions> openQuestions() {
    Stream<String> cheapest =
        wholePeriod()
            .map(answer -> Stream.concat(answer.now().stream(), answer.whole().stream()))
            .orElseGet(() -> costs.now().orderByCost().stream().limit(1));
    return cheapest
        .distinct()
        .map(tool -> new MissingFinding.OpenQuestions(tool, costs.questions(tool).size()))
        .filter(open -> open.questions() > 0)
        .toList();
  }

  private List<Contender> active() {
    return costs.selection().active();
  }

  private Optional<SteadyCost> steady(String tool) {
    return costs.now().steady(tool) instanceof Outcome.Found<SteadyCost> found
        ? Optional.of(found.best())
        : Optional.empty();
  }

  /** Who is cheapest now and over the whole period; empty if nobody has a total. */
  public Optional<CostFinding.WholePeriod> wholePeriod() {
    List<String> withTotal =
        active().stream()
            .map(Contender::id)
            .filter(id -> costs.overall().total(id).isPresent())
            .toList();
    Optional<Money> least = withTotal.stream().map(id -> total(id)).min(Money::compareTo);
    if (least.isEmpty()) {
      return Optional.empty();
    }
    List<String> whole = withTotal.stream().filter(id -> total(id).equals(least.get())).toList();
    Optional<String> now = costs.now().orderByCost().stream().findFirst();
    Optional<Apart> apart =
        now.filter(id -> !whole.contains(id))
            .map(id ->
                Apart.between(
                    costs.overall().totalBounds(id),
                    costs.overall().totalBounds(whole.getFirst())));
    boolean exact =
        withTotal.stream().allMatch(id -> costs.overall().totalBounds(id).orElseThrow().isExact());
    Optional<Integer> paysFrom =
        exact && whole.size() == 1 && withTotal.size() > 1
            ? Optional.of(paysFrom(whole.getFirst(), withTotal))
            : Optional.empty();
    List<String> open =
        active().stream()
            .map(Contender::id)
            .filter(id ->
                mayCostLess(id, whole)
                    || now.filter(first -> mayCostLessNow(id, first)).isPresent())
            .toList();
    return Optional.of(new CostFinding.WholePeriod(now, whole, apart, paysFrom, open));
  }

  /** Whether a tool may cost less over the period than one of those that are cheapest. */
  private boolean mayCostLess(String tool, List<String> whole) {
    if (costs.overall().way(tool) instanceof Ways.Gap gap) {
      return gap.isUnpriced()
          && whole.stream()
              .anyMatch(id ->
                  costs.overall().leastTotal(tool).map(total(id)::isGreaterThan).orElse(true));
    }
    Optional<Amount> own = costs.overall().totalBounds(tool);
    return whole.stream()
        .filter(id -> !id.equals(tool))
        .anyMatch(id -> own.isEmpty() || own.get().mayBeLessThan(total(id)));
  }

  private boolean mayCostLessNow(String tool, String now) {
    if (tool.equals(now) || costs.now().steady(tool) instanceof Outcome.NoPlan) {
      return false;
    }
    Money figure = costs.now().monthly(now).orElseThrow().high();
    return costs
        .now()
        .monthly(tool)
        .map(own -> own.mayBeLessThan(figure))
        .or(() -> costs.now().leastMonthly(tool).map(figure::isGreaterThan))
        .orElse(true);
  }

  private Money total(String tool) {
    return costs.overall().total(tool).orElseThrow();
  }

  /** The first month from which its running sum stays below those of all rivals. */
  private int paysFrom(String tool, List<String> withTotal) {
    List<Money> mine = costs.overall().running(tool).orElseThrow();
    return withTotal.stream()
        .filter(rival -> !rival.equals(tool))
        .mapToInt(rival -> staysBelow(mine, costs.overall().running(rival).orElseThrow()))
        .max()
        .orElse(0);
  }

  /**
   * The first month from which one running sum stays below another; past the end: it never does.
   */
  private static int staysBelow(List<Money> mine, List<Money> theirs) {
    int from = mine.size();
    while (from > 0 && mine.get(from - 1).isLessThan(theirs.get(from - 1))) {
      from--;
    }
    return from;
  }

  /**
   * Where running sums cross for good: for each two tools with exact totals, from when the one that
   * costs less in the end has cost less; earliest first. Two that never cross are not named.
   */
  public List<CostFinding.PaysFrom> crossings() {
    List<String> exact =
        active().stream()
            .map(Contender::id)
            .filter(id -> costs.overall().totalBounds(id).filter(Amount::isExact).isPresent())
            .toList();
    List<CostFinding.PaysFrom> crossings = new ArrayList<>();
    for (String tool : exact) {
      for (String rival : exact) {
        List<Money> mine = costs.overall().running(tool).orElseThrow();
        int from = staysBelow(mine, costs.overall().running(rival).orElseThrow());
        if (from > 0 && from < mine.size()) {
          crossings.add(new CostFinding.PaysFrom(tool, rival, from));
        }
      }
    }
    crossings.sort(Comparator.comparingInt(CostFinding.PaysFrom::month));
    return crossings;
  }

  /**
   * Which tools with exact totals pay against the old one, and from when; empty if none is known.
   */
  public List<CostFinding> againstOldTool() {
    Optional<List<Money>> stated = costs.overall().runningOfOldTool();
    if (stated.isEmpty()) {
      return List.of();
    }
    List<Money> old = stated.get();
    List<CostFinding> findings = new ArrayList<>();
    List<String> never = new ArrayList<>();
    for (Contender contender : active()) {
      if (costs.overall().totalBounds(contender.id()).filter(Amount::isExact).isPresent()) {
        int from = staysBelow(costs.overall().running(contender.id()).orElseThrow(), old);
        if (from < old.size()) {
          findings.add(new CostFinding.BeatsOldTool(contender.id(), from));
        } else {
          never.add(contender.id());
        }
      }
    }
    if (!never.isEmpty()) {
      findings.add(new CostFinding.OldToolCostsNoMore(never));
    }
    return findings;
  }

  /** From when the committed terms of best ways pay against paying by the month. */
  public List<CostFinding.CommitmentPays> commitments() {
    List<CostFinding.CommitmentPays> pays = new ArrayList<>();
    for (Contender contender : active()) {
      Optional<List<Money>> best = costs.overall().running(contender.id());
      Optional<List<Money>> monthly = costs.overall().runningAllMonthly(contender.id());
      boolean exact =
          costs.overall().totalBounds(contender.id()).filter(Amount::isExact).isPresent();
      if (exact && best.isPresent() && monthly.isPresent()) {
        int from = staysBelow(best.get(), monthly.get());
        if (from < best.get().size()) {
          pays.add(new CostFinding.CommitmentPays(contender.id(), from));
        }
      }
    }
    return pays;
  }

  /** Who is cheapest for how much of something; empty if nobody has a figure at any. */
  public Optional<CostFinding.CheapestByQuantity> byQuantity(CostByQuantity swept) {
    List<Lead> leads = swept.points().leads();
    if (leads.stream().allMatch(lead -> lead.tool().isEmpty())) {
      return Optional.empty();
    }
    List<CostFinding.CheapestByHeadcount.Stretch> stretches = new ArrayList<>();
    for (int i = 0; i < leads.size(); i++) {
      boolean last = i + 1 == leads.size();
      int to = last ? swept.points().most() : leads.get(i + 1).n() - 1;
      CostFinding.CheapestByHeadcount.Stretch points = stretch(swept.points(), leads.get(i), to);
      stretches.add(
          new CostFinding.CheapestByHeadcount.Stretch(
              Math.toIntExact(swept.quantity(points.from())),
              Math.toIntExact(swept.quantity(points.to())),
              points.tool(),
              points.level(),
              points.open()));
    }
    return Optional.of(
        new CostFinding.CheapestByQuantity(
            swept.dimension(), swept.step(), stretches, swept.quantity(swept.points().most())));
  }

  /**
   * Who is cheapest for which headcounts, why that changes, and whether it does within the plan.
   */
  List<CostFinding> byHeadcount() {
    CostByHeadcount swept = costs.curves().costByHeadcount();
    List<Lead> leads = swept.leads();
    if (leads.stream().allMatch(lead -> lead.tool().isEmpty())) {
      return List.of(new CostFinding.NobodyHasAFigure());
    }
    List<CostFinding> findings = new ArrayList<>();
    List<CostFinding.CheapestByHeadcount.Stretch> stretches = new ArrayList<>();
    for (int i = 0; i < leads.size(); i++) {
      int to = i + 1 == leads.size() ? swept.most() : leads.get(i + 1).n() - 1;
      if (isNear(leads.get(i).n(), to)) {
        stretches.add(stretch(swept, leads.get(i), to));
      }
    }
    findings.add(new CostFinding.CheapestByHeadcount(stretches, swept.most()));
    findings.add(withinPlan(swept));
    leadChanges(swept).stream().limit(MOST_EXPLAINED).forEach(findings::add);
    return findings;
  }

  /** Whether headcounts come near those planned: from a third of the fewest to twice the most. */
  private boolean isNear(int from, int to) {
    return to >= costs.overall().lowestPlanned() / 3
        && from <= 2 * costs.overall().highestPlanned();
  }

  private CostFinding.CheapestByHeadcount.Stretch stretch(
      CostByHeadcount swept, Lead lead, int to) {
    TreeSet<String> level = new TreeSet<>();
    for (int n = lead.n(); n <= to; n++) {
      level.addAll(swept.levelWithLead(n));
    }
    List<String> inOrder = active().stream().map(Contender::id).filter(level::contains).toList();
    return new CostFinding.CheapestByHeadcount.Stretch(
        lead.n(), to, lead.tool(), inOrder, mayBeCheaper(swept, lead.tool(), lead.n(), to));
  }

  /** Who may cost less than a tool somewhere between two headcounts, in the contenders' order. */
  private List<String> mayBeCheaper(
      CostByHeadcount swept, Optional<String> tool, int from, int to) {
    TreeSet<String> open = new TreeSet<>();
    for (int n = from; n <= to && tool.isPresent(); n++) {
      open.addAll(swept.mayBeCheaper(tool.get(), n));
    }
    return active().stream().map(Contender::id).filter(open::contains).toList();
  }

  private CostFinding.WithinPlan withinPlan(CostByHeadcount swept) {
    int low = costs.overall().lowestPlanned();
    int high = costs.overall().highestPlanned();
    List<Lead> leads = swept.leads();
    TreeSet<String> open = new TreeSet<>();
    for (int i = 0; i < leads.size(); i++) {
      int to = i + 1 == leads.size() ? swept.most() : leads.get(i + 1).n() - 1;
      open.addAll(
          mayBeCheaper(
              swept, leads.get(i).tool(), Math.max(low, leads.get(i).n()), Math.min(high, to)));
    }
    return new CostFinding.WithinPlan(
        low,
        high,
        leads.stream().map(Lead::n).filter(n -> n > Math.max(1, low) && n <= high).toList(),
        active().stream().map(Contender::id).filter(open::contains).toList());
  }

  /** Every change of the cheapest near the headcounts planned, with its cause. */
  List<CostFinding.LeadChange> leadChanges(CostByHeadcount swept) {
    List<CostFinding.LeadChange> changes = new ArrayList<>();
    List<Lead> leads = swept.leads();
    for (int i = 1; i < leads.size(); i++) {
      Optional<String> before = leads.get(i - 1).tool();
      Optional<String> now = leads.get(i).tool();
      int n = leads.get(i).n();
      if (before.isPresent() && now.isPresent() && isNear(n, n)) {
        changes.add(
            new CostFinding.LeadChange(
                n,
                before.get(),
                now.get(),
                cause(swept, before.get(), now.get(), n),
                swept.isCertain(now.get(), before.get(), n)));
      }
    }
    return changes;
  }

  /** Looks at what each of the two does between n − 1 and n people. */
  private Cause cause(CostByHeadcount swept, String before, String now, int n) {
    Curve left = swept.curve(before);
    Curve taken = swept.curve(now);
    Optional<Point> leftWas = left.at(n - 1);
    Optional<Point> leftIs = left.at(n);
    if (leftWas.isPresent() && !leftWas.map(Point::option).equals(leftIs.map(Point::option))) {
      List<Reason> reasons = costs.curves().reasonsAt(before, leftWas.get().option(), n);
      if (!reasons.isEmpty()) {
        return new Cause.LeavesPlan(before, leftWas.get().option(), reasons);
      }
    }
    Optional<Point> takenWas = taken.at(n - 1);
    Point takenIs = taken.at(n).orElseThrow();
    if (takenWas.isEmpty() || leftWas.isEmpty() || leftIs.isEmpty()) {
      return new Cause.HasAFigure();
    }
    if (!takenWas.get().option().equals(takenIs.option())) {
      return new Cause.TakesPlan(now, takenIs.option());
    }
    Money rise = leftIs.get().money().minus(leftWas.get().money());
    Money own = takenIs.money().minus(takenWas.get().money());
    if (own.isNegative()) {
      return new Cause.Falls(now, own.negated());
    }
    // had it gone on as for the person before, it would not have been overtaken
    Optional<Money> usual =
        n > 2
            ? left.at(n - 2).map(point -> leftWas.get().money().minus(point.money()))
            : Optional.empty();
    boolean jumps =
        usual
            .filter(step -> rise.isGreaterThan(step))
            .filter(step -> !leftWas.get().money().plus(step).isGreaterThan(takenIs.money()))
            .isPresent();
    return jumps ? new Cause.Jumps(before, rise) : new Cause.GrowsLess(own, rise);
  }

  /** Tools that cost nothing up to some headcount; what is owned was paid for and is not free. */
  List<CostFinding.FreeUpTo> free() {
    List<CostFinding.FreeUpTo> free = new ArrayList<>();
    CostByHeadcount swept = costs.curves().costByHeadcount();
    for (Contender contender : active()) {
      Curve curve = swept.curve(contender.id());
      int last = 0;
      while (contender.tool().owned().isEmpty()
          && last < swept.most()
          && curve.at(last + 1).filter(point -> point.money().isZero()).isPresent()) {
        last++;
      }
      if (last > 0) {
        int most = last;
        int months = costs.overall().planned().size();
        int until =
            IntStream.range(0, months)
                .filter(m -> costs.overall().planned().get(m).total() > most)
                .findFirst()
                .orElse(months);
        free.add(
            new CostFinding.FreeUpTo(
                contender.id(),
                most,
                most < swept.most(),
                until == 0 ? Optional.empty() : Optional.of(until - 1),
                until == months));
      }
    }
    return free;
  }

  private List<CostFinding.WholeStaffPays> wholeStaff() {
    return active().stream()
        .flatMap(contender ->
            costs.now().wholeStaff(contender.id()).stream()
                .map(staff ->
                    new CostFinding.WholeStaffPays(
                        contender.id(), costs.people().total(), staff.named())))
        .toList();
  }

  /** Tools with a plan for now and without a way through all months, with why theirs ends. */
  List<CostFinding.NoWay> noWays() {
    List<CostFinding.NoWay> none = new ArrayList<>();
    for (Contender contender : active()) {
      Optional<SteadyCost> now = steady(contender.id());
      if (now.isPresent()
          && costs.overall().way(contender.id()) instanceof Ways.Gap gap
          && !gap.isUnpriced()) {
        Option option = now.get().option();
        none.add(
            new CostFinding.NoWay(
                contender.id(),
                gap.month(),
                option.name(),
                costs.overall().reasonsIn(option, gap.month())));
      }
    }
    return none;
  }

  /** Some prices without a commitment beside others with one; empty if all are alike. */
  public Optional<CostFinding.MixedTerms> mixedTerms() {
    List<String> monthly = new ArrayList<>();
    List<String> committed = new ArrayList<>();
    for (Contender contender : active()) {
      steady(contender.id())
          .ifPresent(cost ->
              (cost.option().list().term().isCommitted() ? committed : monthly)
                  .add(contender.id()));
    }
    return monthly.isEmpty() || committed.isEmpty()
        ? Optional.empty()
        : Optional.of(new CostFinding.MixedTerms(monthly, committed));
  }

  /**
   * Where a tool stands by what it costs now.
   *
   * @param place from 1; as many are before it as have a lower figure
   * @param of how many have a figure
   * @param more what its figure is above the least
   * @param least the least figure
   * @param bound whether it or one with the least figure is known only within bounds
   */
  public record Place(int place, int of, Money more, Money least, boolean bound) {}

  /** Its place among those with a figure; empty if it has none. */
  public Optional<Place> place(String tool) {
    List<Amount> all =
        costs.now().orderByCost().stream()
            .map(id -> costs.now().monthly(id).orElseThrow())
            .toList();
    return costs
        .now()
        .monthly(tool)
        .map(own -> {
          Money least = all.getFirst().high();
          int before = (int) all.stream().filter(a -> a.high().isLessThan(own.high())).count();
          boolean bound =
              !own.isExact() || all.stream().anyMatch(a -> a.high().equals(least) && !a.isExact());
          return new Place(before + 1, all.size(), own.high().minus(least), least, bound);
        });
  }

  /** A price that is not of the time of the newest of the others; empty if it is. */
  public Optional<CostFinding.OlderPrice> olderPrice(String tool) {
    return steady(tool)
        .map(CostFindings::asOf)
        .flatMap(asOf -> {
          LocalDate newest =
              active().stream()
                  .flatMap(contender -> steady(contender.id()).stream())
                  .map(CostFindings::asOf)
                  .max(Comparator.naturalOrder())
                  .orElseThrow();
          return ChronoUnit.DAYS.between(asOf, newest) > DAYS_APART
              ? Optional.of(new CostFinding.OlderPrice(tool, asOf, newest))
              : Optional.empty();
        });
  }

  private static LocalDate asOf(SteadyCost cost) {
    return cost.option().plan().source().asOf();
  }

  /** A number of units a little above those needed that would cost less. */
  public Optional<CostFinding.FallingBand> fallingBand(String tool) {
    return steady(tool)
        .flatMap(cost ->
            cost.lines().stream()
                .filter(InvoiceLine.Held.class::isInstance)
                .flatMapToInt(line -> ((InvoiceLine.Held) line).cheaperWithMore().stream())
                .boxed()
                .findFirst()
                .map(units ->
                    new CostFinding.FallingBand(tool, units, cost.option().list().term().words())));
  }

  /** Why a tool's figure is only an upper bound; empty if it is not. */
  public Optional<CostFinding.AtMost> atMost(String tool) {
    return costs.now().steady(tool) instanceof Outcome.Found<SteadyCost> found && found.isAtMost()
        ? Optional.of(
            new CostFinding.AtMost(
                tool, found.leftOut().stream().filter(LeftOut::mayBeCheaper).toList()))
        : Optional.empty();
  }

  /** The first plan of a tool that would be cheaper and is out for nothing but a cap. */
  public Optional<CostFinding.BeyondCap> beyondCap(String tool) {
    if (steady(tool).isEmpty()) {
      return Optional.empty();
    }
    for (Offering offering : costs.selection().contender(tool).offerings()) {
      List<Reason> reasons =
          costs.now().against(tool).getOrDefault(offering.plan().name(), List.of());
      if (reasons.size() == 1 && reasons.getFirst() instanceof Reason.OverCap over) {
        boolean cheaper =
            costs
                .now()
                .planAlone(offering)
                .filter(cost -> !mayBeNoMoreThan(tool, cost.money()))
                .isPresent();
        if (cheaper) {
          return Optional.of(
              new CostFinding.BeyondCap(tool, offering.plan().name(), over, peopleFor(over)));
        }
      }
    }
    return Optional.empty();
  }

  /** Whether what a tool costs now may be no more than so much. */
  private boolean mayBeNoMoreThan(String tool, Money money) {
    return costs
        .now()
        .steadyBounds(tool)
        .flatMap(Amount::low)
        .filter(low -> low.isGreaterThan(money))
        .isEmpty();
  }

  /** The most people who still fit under a cap, in today's shares; 0 if nobody does. */
  private int peopleFor(Reason.OverCap over) {
    Measure measure = over.measure();
    int month = costs.occasion().month();
    return IntStream.iterate(costs.people().total() - 1, n -> n > 0, n -> n - 1)
        .filter(n ->
            costs
                    .market()
                    .occasion(costs.overall().today().scaledTo(n), month)
                    .units()
                    .of(measure)
                    .orElse(0)
                <= over.most())
        .findFirst()
        .orElse(0);
  }
}
