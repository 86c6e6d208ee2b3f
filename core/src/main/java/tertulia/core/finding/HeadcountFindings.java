package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.joda.money.Money;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.finding.CostFinding.Cause;
import tertulia.core.fit.Reason;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByHeadcount.Curve;
import tertulia.core.path.CostByHeadcount.Lead;
import tertulia.core.path.CostByHeadcount.Point;
import tertulia.core.path.CostByQuantity;
import tertulia.core.time.Horizon;

/** What there is to say of cost by headcount, or by how much there is of something else. */
public record HeadcountFindings(Costs costs) {
  /** So many changes of the cheapest are explained; the table has all of them. */
  private static final int MOST_EXPLAINED = 3;

  /** Who is cheapest for how much of something, or that nobody has a figure at any. */
  public CostFinding byQuantity(CostByQuantity swept) {
    long most = swept.quantity(swept.points().most());
    List<Lead> leads = swept.points().leads();
    if (leads.stream().allMatch(lead -> lead.tool().isEmpty())) {
      return new CostFinding.NobodyHasAFigureBy(swept.dimension(), most);
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
    return new CostFinding.CheapestByQuantity(swept.dimension(), swept.step(), stretches, most);
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
    if (costs.overall().highestPlanned() > 0 && !costs.selection().isForAnybody()) {
      findings.add(withinPlan(swept));
    }
    leadChanges(swept).stream().limit(MOST_EXPLAINED).forEach(findings::add);
    return findings;
  }

  /**
   * Whether headcounts come near those planned: from a third of the fewest to twice the most. If
   * nobody is planned, one or two people are near; whoever plans for one person, or does not say
   * for whom, looks at all sizes.
   */
  private boolean isNear(int from, int to) {
    return costs.selection().isForAnybody()
        || costs.overall().highestPlanned() == 1
        || to >= costs.overall().lowestPlanned() / 3
            && from <= 2 * Math.max(1, costs.overall().highestPlanned());
  }

  private CostFinding.CheapestByHeadcount.Stretch stretch(
      CostByHeadcount swept, Lead lead, int to) {
    TreeSet<String> level = new TreeSet<>();
    for (int n = lead.n(); n <= to; n++) {
      level.addAll(swept.levelWithLead(n));
    }
    List<String> inOrder =
        costs.selection().active().stream().map(Contender::id).filter(level::contains).toList();
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
    return costs.selection().active().stream().map(Contender::id).filter(open::contains).toList();
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
        costs.selection().active().stream().map(Contender::id).filter(open::contains).toList());
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

  /** What is paid for until a day inside the plan, by whoever is compared. */
  List<CostFinding.OwnedForAWhile> ownedForAWhile() {
    Horizon horizon = costs.selection().horizon();
    return costs.selection().active().stream()
        .flatMap(contender ->
            contender.tool().owned().stream()
                .filter(owned -> owned.holdsIn(horizon.month(0)))
                .filter(owned -> !owned.holdsIn(horizon.month(horizon.months() - 1)))
                .map(owned ->
                    new CostFinding.OwnedForAWhile(
                        contender.id(), owned.units(), owned.measure(), owned.until())))
        .toList();
  }

  /** Tools that cost nothing up to some headcount; what is owned was paid for and is not free. */
  List<CostFinding.FreeUpTo> free() {
    List<CostFinding.FreeUpTo> free = new ArrayList<>();
    CostByHeadcount swept = costs.curves().costByHeadcount();
    for (Contender contender : costs.selection().active()) {
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
}
