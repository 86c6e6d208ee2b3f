package tertulia.core.finding;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.finding.AnswerFinding.Cheapness;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Totals;
import tertulia.core.time.Horizon;
import tertulia.core.working.Provenance;

/** What a selection answers so far, and what keeps that from being settled. */
public record AnswerFindings(Evaluation evaluation) {

  private Costs costs() {
    return evaluation.costs();
  }

  /**
   * The answer so far, by the strongest ground there is: fit where one only does, totals, then
   * cost.
   */
  public AnswerFinding answer() {
    if (evaluation.selection().active().isEmpty()) {
      return new AnswerFinding.NobodyCompared();
    }
    if (costs().overall().feasible().isEmpty()) {
      return new AnswerFinding.NobodyDoes(toConfirm());
    }
    if (costs().overall().feasible().size() == 1) {
      return new AnswerFinding.OnlyOneDoes(
          costs().overall().feasible().getFirst().id(),
          evaluation.selection().active().size() == 1);
    }
    return evaluation.scores().totals().<AnswerFinding>map(this::ahead).orElseGet(this::cheapest);
  }

  /** The contender an answer is about; empty if it is about none. */
  public static Optional<String> front(AnswerFinding answer) {
    return switch (answer) {
      case AnswerFinding.Ahead ahead -> Optional.of(ahead.tools().getFirst());
      case AnswerFinding.OnlyOneDoes only -> Optional.of(only.tool());
      case AnswerFinding.CheapestThatDoes cheapest -> Optional.of(cheapest.tools().getFirst());
      case AnswerFinding.NobodyHasATotal none -> Optional.empty();
      case AnswerFinding.NobodyDoes none -> Optional.empty();
      case AnswerFinding.NobodyCompared nobody -> Optional.empty();
      case AnswerFinding.DecisionToday today -> today.first().stream().findFirst();
      case AnswerFinding.WhoDoes does -> Optional.empty();
    };
  }

  /** Who does what is needed; everybody at the table is named once. */
  public AnswerFinding.WhoDoes whoDoes() {
    List<String> doing = costs().overall().feasible().stream().map(Contender::id).toList();
    List<String> toConfirm = toConfirm().stream().filter(id -> !doing.contains(id)).toList();
    return new AnswerFinding.WhoDoes(
        doing,
        toConfirm,
        evaluation.selection().active().stream()
            .map(Contender::id)
            .filter(id -> !doing.contains(id) && !toConfirm.contains(id))
            .toList());
  }

  /** Whether what was decided would lead today; {@code choice} need not be a contender any more. */
  public AnswerFinding.DecisionToday today(String choice) {
    AnswerFinding answer = answer();
    List<String> first =
        switch (answer) {
          case AnswerFinding.Ahead ahead -> ahead.tools();
          case AnswerFinding.OnlyOneDoes only -> List.of(only.tool());
          case AnswerFinding.CheapestThatDoes cheapest -> cheapest.tools();
          case AnswerFinding.NobodyHasATotal none -> List.of();
          case AnswerFinding.NobodyDoes none -> List.of();
          case AnswerFinding.NobodyCompared nobody -> List.of();
          case AnswerFinding.DecisionToday today -> today.first();
          case AnswerFinding.WhoDoes does -> List.of();
        };
    return new AnswerFinding.DecisionToday(first, first.contains(choice));
  }

  private AnswerFinding.Ahead ahead(Totals totals) {
    List<Totals.Standing> standings = totals.standings();
    Totals.Standing first = standings.getFirst();
    List<Totals.Standing> near =
        standings.stream()
            .filter(s -> !Totals.isAbove(first.total().low(), s.total().high()))
            .toList();
    boolean level = near.size() > 1 && near.stream().allMatch(s -> s.total().isExact());
    List<String> tools =
        level ? near.stream().map(Totals.Standing::contender).toList() : List.of(first.contender());
    List<String> mayPass =
        level
            ? List.of()
            : near.stream()
                .map(Totals.Standing::contender)
                .filter(id -> !tools.contains(id))
                .toList();
    String front = tools.getFirst();
    return new AnswerFinding.Ahead(tools, mayPass, cheapness(front), mayCostLess(front));
  }

  private AnswerFinding cheapest() {
    List<String> doing = costs().overall().feasible().stream().map(Contender::id).toList();
    Optional<CostFinding.WholePeriod> whole = new CostFindings(costs()).wholePeriod();
    return whole
        .<AnswerFinding>map(period ->
            new AnswerFinding.CheapestThatDoes(
                period.whole(),
                period.whole().stream().allMatch(this::isCheapestNow),
                period.open()))
        .orElseGet(() -> new AnswerFinding.NobodyHasATotal(doing));
  }

  private boolean isCheapestNow(String tool) {
    return new CostFindings(costs()).place(tool).filter(place -> place.place() == 1).isPresent();
  }

  /** Where a contender stands by its figures, now and over the whole period. */
  private Cheapness cheapness(String tool) {
    if (costs().now().monthly(tool).isEmpty() || costs().overall().totalBounds(tool).isEmpty()) {
      return Cheapness.NOT_KNOWN;
    }
    boolean whole =
        new CostFindings(costs()).wholePeriod().filter(w -> w.whole().contains(tool)).isPresent();
    if (isCheapestNow(tool)) {
      return whole ? Cheapness.NOW_AND_WHOLE : Cheapness.NOW;
    }
    return whole ? Cheapness.WHOLE : Cheapness.NEITHER;
  }

  /** Who may cost less than a contender, though its figure is not above theirs. */
  private List<String> mayCostLess(String tool) {
    Optional<Amount> now = costs().now().monthly(tool);
    Optional<Amount> whole = costs().overall().totalBounds(tool);
    return costs().overall().feasible().stream()
        .map(Contender::id)
        .filter(id -> !id.equals(tool))
        .filter(id ->
            isOpen(now, costs().now().monthly(id), costs().now().leastMonthly(id))
                || isOpen(
                    whole, costs().overall().totalBounds(id), costs().overall().leastTotal(id)))
        .toList();
  }

  /** An amount without a figure is open unless the least it can be is no less than mine. */
  private static boolean isOpen(
      Optional<Amount> mine, Optional<Amount> other, Optional<Money> least) {
    if (mine.isEmpty()) {
      return false;
    }
    Money high = mine.get().high();
    return other
        .map(known -> !known.high().isLessThan(high) && known.mayBeLessThan(high))
        .orElseGet(() -> least.map(high::isGreaterThan).orElse(true));
  }

  private List<String> toConfirm() {
    return evaluation.selection().active().stream()
        .map(Contender::id)
        .filter(this::isUnconfirmed)
        .toList();
  }

  private boolean isUnconfirmed(String tool) {
    return costs().now().steady(tool) instanceof Outcome.NoPlan<SteadyCost> none
        && none.isUnconfirmed();
  }

  /**
   * What is missing, what matters most first.
   *
   * @param daysFresh prices older than this are old
   */
  public List<MissingFinding> missing(LocalDate today, int daysFresh) {
    List<MissingFinding> missing = new ArrayList<>();
    toConfirm().forEach(tool -> missing.add(new MissingFinding.ToConfirm(tool)));
    costs().overall().feasible().stream()
        .map(Contender::id)
        .filter(this::hasNoPrice)
        .forEach(tool -> missing.add(new MissingFinding.NoPrice(tool)));
    monthsPassed(today).ifPresent(missing::add);
    judging(missing);
    evaluation.scores().totals().ifPresent(totals -> openValues(totals, missing));
    for (Contender contender : evaluation.selection().active()) {
      int questions = costs().questions(contender.id()).size();
      if (questions > 0) {
        missing.add(new MissingFinding.OpenQuestions(contender.id(), questions));
      }
    }
    oldPrices(today, daysFresh, missing);
    return missing;
  }

  private Optional<MissingFinding.MonthsPassed> monthsPassed(LocalDate today) {
    Horizon horizon = evaluation.selection().horizon();
    long passed = ChronoUnit.MONTHS.between(horizon.start(), YearMonth.from(today));
    return passed < 1
        ? Optional.empty()
        : Optional.of(
            new MissingFinding.MonthsPassed(
                horizon.start(), (int) Math.min(passed, horizon.months()), horizon.months()));
  }

  private boolean hasNoPrice(String tool) {
    return costs().now().steady(tool) instanceof Outcome.Unpriced
        || costs().overall().way(tool) instanceof PlanPaths.Gap gap && gap.isUnpriced();
  }

  /** Views that count in no figure the reader has; empty if there are none. */
  public Optional<MissingFinding.ViewsWithheld> viewsWithheld() {
    List<Member> withheld =
        evaluation.selection().panel().members().stream().filter(Member::isWithheld).toList();
    return withheld.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new MissingFinding.ViewsWithheld(
                withheld.stream().map(Member::name).toList(),
                withheld.stream().filter(Member::handedIn).map(Member::name).toList()));
  }

  /** Weights and marks, once there is something to judge. */
  private void judging(List<MissingFinding> missing) {
    if (costs().overall().feasible().size() < 2) {
      return;
    }
    if (evaluation.scores().criteria().isEmpty()) {
      missing.add(new MissingFinding.NoCriteria());
      return;
    }
    List<Member> members = evaluation.selection().panel().members();
    viewsWithheld().ifPresent(missing::add);
    List<String> idle =
        members.stream()
            .filter(m -> !Progress.hasWeighed(evaluation.selection(), m))
            .map(Member::name)
            .toList();
    if (members.isEmpty() || !idle.isEmpty()) {
      missing.add(new MissingFinding.NotWeighed(idle));
    }
    int all = Progress.marksToGive(evaluation.selection());
    for (Member member : members) {
      int left = Progress.marksLeft(evaluation.selection(), member);
      if (left > 0) {
        missing.add(new MissingFinding.NotMarked(member.name(), left, all));
      }
    }
  }

  private static void openValues(Totals totals, List<MissingFinding> missing) {
    for (Criterion criterion : totals.criteria()) {
      if (totals.weight(criterion).signum() > 0) {
        Stage step =
            switch (criterion.kind()) {
              case Criterion.Judged judged -> Stage.MARKS;
              case Criterion.Cost cost -> Stage.COST;
              case Criterion.CostAsFound cost -> Stage.COST;
              case Criterion.Coverage coverage -> Stage.FIT;
              case Criterion.Ratings ratings -> Stage.CONTENDERS;
              case Criterion.Measured measured ->
                  measured.number().isOfPlan() ? Stage.FIT : Stage.MARKS;
            };
        totals.values().keySet().stream()
            .filter(tool -> !totals.value(tool, criterion).interval().isExact())
            .forEach(
                tool -> missing.add(new MissingFinding.ValueOpen(tool, criterion.name(), step)));
      }
    }
  }

  private void oldPrices(LocalDate today, int daysFresh, List<MissingFinding> missing) {
    for (Contender contender : evaluation.selection().active()) {
      if (costs().now().steady(contender.id()) instanceof Outcome.Found<SteadyCost> found) {
        Provenance source = found.best().option().plan().source();
        if (source.isOldOn(today, daysFresh)) {
          missing.add(new MissingFinding.OldPrice(contender.id(), source.asOf()));
        }
      }
    }
  }
}
