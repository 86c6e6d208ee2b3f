package tertulia.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.HeadToHead.Apart;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Option;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;

/** What there is to say of cost. */
public record CostFindings(Costs costs) {
  /** Everything that reads as a sentence, the answer first. */
  public List<CostFinding> all() {
    List<CostFinding> all = new ArrayList<>();
    Optional<CostFinding.OnlyOne> only = onlyOne();
    if (only.isPresent()) {
      all.add(only.get());
    } else {
      wholePeriod().ifPresent(all::add);
      all.addAll(new HeadcountFindings(costs).byHeadcount());
    }
    all.addAll(new HeadcountFindings(costs).ownedForAWhile());
    all.addAll(new HeadcountFindings(costs).free());
    all.addAll(wholeStaff());
    all.addAll(noWays());
    return all;
  }

  /**
   * What the only tool costs that has a plan that serves; empty if others have one, too, or nothing
   * is known of its cost.
   */
  private Optional<CostFinding.OnlyOne> onlyOne() {
    List<String> serving =
        costs.selection().active().stream().map(Contender::id).filter(this::mayServe).toList();
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
        costs.selection().active().stream()
            .map(Contender::id)
            .filter(id -> !id.equals(tool))
            .toList();
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
    return costs.selection().active().size() == 1
        || !(costs.now().steady(tool) instanceof Outcome.NoPlan)
        || !(costs.overall().way(tool) instanceof PlanPaths.Gap gap)
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

  /** Who is cheapest now and over the whole period; empty if nobody has a total. */
  public Optional<CostFinding.WholePeriod> wholePeriod() {
    List<String> withTotal =
        costs.selection().active().stream()
            .map(Contender::id)
            .filter(id -> costs.overall().total(id).isPresent())
            .filter(id -> !costs.overall().keptThoughItFails(id))
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
        costs.selection().active().stream()
            .map(Contender::id)
            .filter(id -> !costs.overall().keptThoughItFails(id))
            .filter(id ->
                mayCostLess(id, whole)
                    || now.filter(first -> mayCostLessNow(id, first)).isPresent())
            .toList();
    return Optional.of(new CostFinding.WholePeriod(now, whole, apart, paysFrom, open));
  }

  /** Whether a tool may cost less over the period than one of those that are cheapest. */
  private boolean mayCostLess(String tool, List<String> whole) {
    if (costs.overall().way(tool) instanceof PlanPaths.Gap gap) {
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
        .mapToInt(
            rival -> RunningFindings.staysBelow(mine, costs.overall().running(rival).orElseThrow()))
        .max()
        .orElse(0);
  }

  private List<CostFinding.WholeStaffPays> wholeStaff() {
    return costs.selection().active().stream()
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
    for (Contender contender : costs.selection().active()) {
      Optional<SteadyCost> now = costs.now().best(contender.id());
      if (now.isPresent()
          && costs.overall().way(contender.id()) instanceof PlanPaths.Gap gap
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
}
