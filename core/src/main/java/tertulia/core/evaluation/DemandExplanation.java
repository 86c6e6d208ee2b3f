package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.core.fit.Reason;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Measure;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/** Why so many people are there, and so many units needed. */
record DemandExplanation(Evaluation evaluation) {
  private static final String ROUNDED_UP = "the sum over the groups, rounded up once";

  private Selection selection() {
    return evaluation.selection();
  }

  private Costs costs() {
    return evaluation.costs();
  }

  private Demand stated(Measure measure) {
    return requireNonNull(costs().market().demands().get(measure), measure.id());
  }

  /** The people under discussion. */
  Derivation headcount() {
    return switch (evaluation.whatIf().moment()) {
      case WhatIf.Moment.Month month ->
          Derivation.Sum.of("Headcount", "people", plannedGroups(month.m()));
      case WhatIf.Moment.Headcount typed ->
          new Derivation.Derived(
              "Headcount",
              Quantity.of(typed.people(), "people"),
              "asked for; the groups keep their shares of the first month",
              plannedGroups(0));
    };
  }

  private List<Derivation> plannedGroups(int m) {
    return selection().groups().stream()
        .map(g -> g.explain(selection().horizon(), m, evaluation.whatIf().scenario()))
        .toList();
  }

  /**
   * The units of a measure they need.
   *
   * @throws NoSuchFigure if no demand for it is stated
   */
  Derivation units(String measureId) {
    Measure measure =
        costs().market().demands().keySet().stream()
            .filter(m -> m.id().equals(measureId))
            .findFirst()
            .orElseThrow(() -> new NoSuchFigure("demand for " + measureId));
    return of(measure);
  }

  /** As above; a demand for it is stated. */
  Derivation of(Measure measure) {
    Demand demand = stated(measure);
    List<Group> groups = selection().groups();
    Derivation people = headcount();
    Derivation units = demand.explain(measure, groups, costs().people());
    Quantity needed = measure.quantity(costs().occasion().units().amount(measure).orElseThrow());
    if (measure.nature() == Measure.Nature.SUM) {
      return gathered(units, measure, needed, people);
    }
    List<Derivation> parts = new ArrayList<>(units.parts());
    parts.add(people);
    return new Derivation.Derived(units.label(), needed, ROUNDED_UP, parts);
  }

  /** What has added up: of a planned month its months so far, of a headcount as many alike. */
  private Derivation gathered(
      Derivation units, Measure measure, Quantity needed, Derivation people) {
    int m = costs().occasion().month();
    return switch (evaluation.whatIf().moment()) {
      case WhatIf.Moment.Month month -> {
        List<Derivation> flows = new ArrayList<>(stock(measure));
        for (int i = 0; i <= m; i++) {
          flows.add(flow(measure, i));
        }
        yield new Derivation.Derived(
            units.label(), needed, "what the months from the start brought, added up", flows);
      }
      case WhatIf.Moment.Headcount typed ->
          new Derivation.Derived(
              units.label(),
              needed,
              "a month's part × the "
                  + (m + 1)
                  + (m == 0 ? " month" : " months")
                  + " from the start up to the one under discussion",
              Stream.of(stock(measure), List.of(units, people)).flatMap(List::stream).toList());
    };
  }

  /** What was there at the start of something that adds up; empty if nothing was. */
  private List<Derivation> stock(Measure measure) {
    BigDecimal there = stated(measure).stock();
    return there.signum() == 0
        ? List.of()
        : List.of(new Derivation.Entered("there at the start", measure.quantity(there)));
  }

  /** What one plan month brings of something that adds up. */
  private Derivation flow(Measure measure, int m) {
    Demand demand = stated(measure);
    Derivation units =
        demand.explain(measure, selection().groups(), costs().overall().planned().get(m));
    return new Derivation.Derived(
        selection().horizon().month(m).toString(),
        units.value().orElseThrow(),
        ROUNDED_UP,
        units.parts());
  }

  /** The units needed of it in each plan month. */
  Derivation byMonth(Measure measure) {
    List<Derivation> months = new ArrayList<>();
    for (int m = 0; m < selection().horizon().months(); m++) {
      months.add(in(measure, m));
    }
    return new Derivation.Stated(
        "Demand for " + measure.label(), "month by month", Optional.empty(), months);
  }

  private Derivation in(Measure measure, int m) {
    Demand demand = stated(measure);
    Derivation units =
        demand.explain(measure, selection().groups(), costs().overall().planned().get(m));
    boolean sum = measure.nature() == Measure.Nature.SUM;
    return new Derivation.Derived(
        selection().horizon().month(m).toString(),
        measure.quantity(costs().overall().months().get(m).amount(measure).orElseThrow()),
        sum ? "added up since the start; this month's part:" : ROUNDED_UP,
        sum
            ? Stream.of(m == 0 ? stock(measure) : List.<Derivation>of(), List.of(units))
                .flatMap(List::stream)
                .toList()
            : units.parts());
  }

  /** The demand of the first month in which so many units are needed. */
  List<Derivation> firstMonthWith(Reason.OverCap over) {
    for (int m = 0; m < costs().overall().months().size(); m++) {
      if (costs().overall().months().get(m).of(over.measure()).orElse(-1) == over.needed()) {
        return List.of(in(over.measure(), m));
      }
    }
    return List.of();
  }
}
