package tertulia.core.evaluation;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.joda.money.Money;
import tertulia.core.fit.Fit;
import tertulia.core.fit.Offering;
import tertulia.core.fit.Reason;
import tertulia.core.fit.Verdict;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.inuse.Beside;
import tertulia.core.inuse.InUse;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.CostByQuantity;
import tertulia.core.path.Dimension;
import tertulia.core.path.EvaluationPoint;
import tertulia.core.path.Market;
import tertulia.core.path.OptionName;
import tertulia.core.path.Outcome;
import tertulia.core.path.SteadyCost;

/**
 * What the active contenders cost by how many people there are, and by how much there is of
 * something else.
 */
public final class CostCurves {
  private final Selection selection;
  private final WhatIf whatIf;
  private final CostsOverall overall;
  private final CostsNow now;
  private final People people;
  private final EvaluationPoint occasion;
  private final Market market;

  CostCurves(
      Selection selection,
      WhatIf whatIf,
      CostsOverall overall,
      CostsNow now,
      People people,
      EvaluationPoint occasion) {
    this.selection = selection;
    this.whatIf = whatIf;
    this.overall = overall;
    this.now = now;
    this.people = people;
    this.occasion = occasion;
    this.market = overall.market();
  }

  /** Why an option of a contender does not qualify for so many people; none if it does. */
  public List<Reason> reasonsAt(String contender, OptionName option, int people) {
    Outcome<SteadyCost> outcome =
        SteadyCost.cheapest(
            selection.contender(contender).offerings(),
            market,
            market.lasting(overall.today().scaledTo(people), occasion.month()));
    return Optional.ofNullable(outcome.passedOver().get(option))
        .map(Verdict::reasons)
        .orElse(List.of());
  }

  /**
   * What one plan costs by itself for some numbers of people, under the cheapest of its terms that
   * are read; empty where it is not sold for so many, or has no figure.
   */
  public List<Optional<SteadyCost>> planAlone(Offering offering, List<Integer> people) {
    return people.stream()
        .map(n -> market.lasting(overall.today().scaledTo(n), occasion.month()))
        .map(then ->
            Fit.NOTHING_ASKED
                    .at(
                        offering,
                        offering.plan().charged().stream().findFirst().orElse(null),
                        then.units(),
                        selection.horizon().month(then.owned()))
                    .qualifies()
                ? SteadyCost.cheapestTerm(offering, market, then)
                : Optional.<SteadyCost>empty())
        .toList();
  }

  /** Cost by headcount of the active contenders; with steady people's time if full cost is read. */
  public CostByHeadcount costByHeadcount() {
    return overall.swept(sweptMonth(), this::sweep);
  }

  /**
   * Cost by how much there is of something, for the people under discussion; with steady people's
   * time if full cost is read. Empty if more is needed of something than can be counted.
   */
  public Optional<CostByQuantity> costBy(Dimension dimension) {
    long highest =
        switch (dimension) {
          case Dimension.Quantity quantity -> most(quantity.measure());
          case Dimension.AveragePayment payment ->
              market.averagePayment().map(CostCurves::wholeUnits).orElse(0L);
        };
    return CostByQuantity.sweep(offerings(), market, people, dimension, occasion.month(), highest)
        .map(swept -> new CostByQuantity(dimension, swept.step(), withTime(swept.points())));
  }

  /** The most that is needed of a measure in any month, in whole units. */
  private long most(Measure measure) {
    Demand needed = market.demands().get(measure);
    return needed == null
        ? 0
        : overall.planned().stream()
            .map(people -> needed.units(measure, people))
            .max(Comparator.naturalOrder())
            .map(CostCurves::wholeUnits)
            .orElse(0L);
  }

  private static long wholeUnits(BigDecimal quantity) {
    return quantity.setScale(0, RoundingMode.CEILING).longValueExact();
  }

  /** The month of the sweep: any other leads to the same if nothing is kept. */
  private int sweptMonth() {
    boolean matters =
        market.demands().keySet().stream()
            .anyMatch(measure -> measure.nature() == Measure.Nature.SUM);
    return matters ? occasion.month() : 0;
  }

  private CostByHeadcount sweep(int month) {
    return withTime(withInUse(bought(month), month));
  }

  /** The contenders, each with what is bought together with it. */
  private CostByHeadcount bought(int month) {
    Map<String, List<CostByHeadcount.Curve>> others = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      List<CostByHeadcount.Curve> more =
          contender.boughtWith().stream()
              .map(other ->
                  swept(
                          Map.of(other.tool().id(), other.offerings()),
                          market.asking(CostsOverall.askedOf(other, market.fit())),
                          month)
                      .curve(other.tool().id()))
              .toList();
      if (!more.isEmpty()) {
        others.put(contender.id(), more);
      }
    }
    CostByHeadcount alone = swept(offerings(), market, month).orLess(splits(month));
    return others.isEmpty() ? alone : alone.onTop(others);
  }

  /** Of contenders that are on several plans side by side, the sum of these. */
  private Map<String, CostByHeadcount.Curve> splits(int month) {
    Map<String, CostByHeadcount.Curve> curves = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      String id = contender.id();
      if (overall.isSplitTaken(id)) {
        List<CostByHeadcount> each =
            overall.split(id).orElseThrow().shares().stream()
                .map(share -> swept(Map.of(id, List.of(share.offering())), share.in(market), month))
                .toList();
        curves.put(
            id,
            each.getFirst()
                .onTop(
                    Map.of(
                        id, each.subList(1, each.size()).stream().map(s -> s.curve(id)).toList()))
                .curve(id));
      }
    }
    return curves;
  }

  private CostByHeadcount swept(Map<String, List<Offering>> tools, Market priced, int month) {
    return CostByHeadcount.sweep(
        tools, priced, overall.today(), month, CostByHeadcount.reach(overall.highestPlanned()));
  }

  /** A sweep with what stays in use beside each; what is in use itself by its own users. */
  private CostByHeadcount withInUse(CostByHeadcount alone, int month) {
    Beside beside = selection.beside();
    if (beside.isNothing()) {
      return alone;
    }
    Map<String, CostByHeadcount.Curve> used = new LinkedHashMap<>();
    for (InUse use : beside.tools()) {
      Offering kept = UseCosts.again(use);
      used.put(
          use.id(),
          swept(
                  Map.of(use.id(), List.of(kept)),
                  overall.inUse().asToday(use).market().asking(Fit.NOTHING_ASKED),
                  month)
              .curve(use.id()));
    }
    Map<String, CostByHeadcount.Curve> asToday = new LinkedHashMap<>();
    Map<String, List<CostByHeadcount.Curve>> stays = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      if (contender.asToday()
          && used.containsKey(contender.id())
          && !overall.keptThoughItFails(contender.id())) {
        asToday.put(contender.id(), used.get(contender.id()));
      }
      stays.put(
          contender.id(),
          overall.inUse().staying(contender.id()).stream()
              .map(use -> Objects.requireNonNull(used.get(use.id())))
              .toList());
    }
    return alone.replacing(asToday).onTop(stays);
  }

  /** The offerings of the active contenders. */
  private Map<String, List<Offering>> offerings() {
    Map<String, List<Offering>> tools = new LinkedHashMap<>();
    selection.active().forEach(c -> tools.put(c.id(), c.offerings()));
    return tools;
  }

  /** A sweep with steady people's time, if full cost is read. */
  private CostByHeadcount withTime(CostByHeadcount subscription) {
    if (whatIf.basis() == WhatIf.Basis.SUBSCRIPTION) {
      return subscription;
    }
    Map<String, Optional<Money>> time = new LinkedHashMap<>();
    selection.active().forEach(c -> time.put(c.id(), now.steadyTime(c.id())));
    return subscription.adding(time);
  }
}
