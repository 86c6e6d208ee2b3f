package tertulia.core.sensitivity;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Figure;
import tertulia.core.evaluation.Stated;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.firmness.NearestUpset;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.Reweighed;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;
import tertulia.core.scoring.Value;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/** Answers "why" for what is said of how firm an answer is. */
record SensitivityExplanation(Sensitivity sensitivity) {
  private static final String MIDDLE = "the middle of what it can be";

  /** Of so many of several the worth is followed down to what was entered; more is not read. */
  private static final int FOLLOWED = 2;

  Derivation of(SensitivityFigure figure) {
    return switch (figure) {
      case SensitivityFigure.Room room -> room(room.criterion());
      case SensitivityFigure.Upset upset -> upset(upset.contender());
      case SensitivityFigure.First first -> first(first.contender(), first.chances());
      case SensitivityFigure.AtSize size -> atSize(size);
      case SensitivityFigure.Discount discount -> discount(discount.contender());
      case SensitivityFigure.Raised raised -> raised(raised.contender());
      case SensitivityFigure.Weighed weighed -> weighed(weighed.contender());
      case SensitivityFigure.Dropped dropped -> dropped(dropped.contender(), dropped.capability());
      case SensitivityFigure.Moved moved -> moved(moved.swing());
      case SensitivityFigure.Answer answer -> answer(answer.found());
      case SensitivityFigure.InScene scene -> inScene(scene.scene());
      case SensitivityFigure.StepUp step -> stepUp(step);
    };
  }

  private Evaluation read() {
    return sensitivity.read();
  }

  private Totals totals() {
    return read().scores().totals().orElseThrow(() -> none("totals, as nobody has set weights"));
  }

  private static NoSuchFigure none(String what) {
    return new NoSuchFigure(what);
  }

  private String name(String contender) {
    return read().selection().contenders().stream()
        .filter(c -> c.id().equals(contender))
        .findFirst()
        .orElseThrow(() -> none("contender \"" + contender + "\" in this selection"))
        .tool()
        .name();
  }

  private static String percent(BigDecimal share) {
    return share.movePointRight(2).setScale(1, RoundingMode.HALF_UP).toPlainString() + " %";
  }

  private static Derivation stated(String label, String text, List<Derivation> parts) {
    return new Derivation.Stated(label, text, Optional.empty(), parts);
  }

  // rooms and upsets

  private Derivation room(String id) {
    StabilityRange room =
        sensitivity.rooms().stream()
            .filter(r -> r.criterion().id().equals(id))
            .findFirst()
            .orElseThrow(() -> none("room of " + id));
    return stated(
        room.criterion().name(),
        room.isNone()
            ? "no room, as the lead is shared"
            : percent(room.low().weight())
                + " to "
                + percent(room.high().weight())
                + ", now "
                + percent(room.weight()),
        List.of(
            end("At the lower end", room.criterion(), room.low()),
            end("At the upper end", room.criterion(), room.high())));
  }

  private Derivation end(String label, Criterion criterion, StabilityRange.End end) {
    String text =
        end.takesOver().isEmpty()
            ? "nobody takes over"
            : end.takesOver().stream().map(this::name).reduce((a, b) -> a + ", " + b).orElse("")
                + " draws level";
    return stated(label, text, ordered(criterion, end.weight()));
  }

  /**
   * Everybody's total with another weight of one criterion, the highest first; what the first two
   * are worth is followed down to what was entered.
   */
  private List<Derivation> ordered(Criterion criterion, BigDecimal weight) {
    Reweighed reweighed = new Reweighed(totals());
    List<String> order =
        totals().values().keySet().stream()
            .sorted(
                java.util.Comparator.comparing(
                    (String tool) -> reweighed.total(tool, criterion, weight).midpoint(),
                    java.util.Comparator.reverseOrder()))
            .toList();
    List<Derivation> lines = new ArrayList<>();
    for (String tool : order) {
      lines.add(reweighed(tool, criterion, weight, lines.size() < FOLLOWED));
    }
    return lines;
  }

  private Derivation reweighed(
      String tool, Criterion criterion, BigDecimal weight, boolean followed) {
    Interval rest = new Reweighed(totals()).rest(tool, criterion);
    return Derivation.Sum.of(
        name(tool),
        "",
        List.of(
            weighed(criterion.name(), weight, middle(totals().value(tool, criterion), followed)),
            weighed(
                "All other criteria",
                BigDecimal.ONE.subtract(weight),
                new Derivation.Derived(
                    "score under them",
                    new Quantity(rest.midpoint(), ""),
                    "their weights in proportion, brought to 1",
                    others(tool, criterion, followed)))));
  }

  private List<Derivation> others(String tool, Criterion without, boolean followed) {
    return totals().criteria().stream()
        .filter(c -> !c.equals(without))
        .map(c -> weighed(c.name(), totals().weight(c), middle(totals().value(tool, c), followed)))
        .toList();
  }

  private static Derivation weighed(String label, BigDecimal weight, Derivation worth) {
    return Derivation.Product.of(
        label, "", List.of(new Derivation.Entered("weight", new Quantity(weight, "")), worth));
  }

  private static Derivation middle(Value value, boolean followed) {
    return new Derivation.Derived(
        "worth",
        new Quantity(value.interval().midpoint(), ""),
        value.interval().isExact() ? "as it is read" : MIDDLE,
        followed ? List.of(value.working()) : List.of());
  }

  /**
   * The totals of all, the highest first; what the first two are worth is followed down to what was
   * entered.
   */
  private List<Derivation> all(Totals totals) {
    List<Derivation> lines = new ArrayList<>();
    for (Totals.Standing standing : totals.standings()) {
      lines.add(total(totals, standing.contender(), lines.size() < FOLLOWED));
    }
    return lines;
  }

  private Derivation total(Totals totals, String tool, boolean followed) {
    return Derivation.Sum.of(
        name(tool),
        "",
        totals.criteria().stream()
            .map(c -> weighed(c.name(), totals.weight(c), middle(totals.value(tool, c), followed)))
            .toList());
  }

  private Derivation upset(String contender) {
    NearestUpset upset =
        sensitivity.upsets().stream()
            .filter(u -> u.contender().equals(contender))
            .findFirst()
            .orElseThrow(() -> none("weights that put " + name(contender) + " first"));
    List<Derivation> moves =
        upset.moves(totals(), BigDecimal.ZERO).stream()
            .<Derivation>map(move ->
                new Derivation.Derived(
                    move.criterion().name(),
                    new Quantity(move.by(), ""),
                    "its weight from "
                        + percent(totals().weight(move.criterion()))
                        + " to "
                        + percent(
                            upset.weights().getOrDefault(move.criterion().id(), BigDecimal.ZERO)),
                    List.of()))
            .toList();
    return stated(
        name(contender),
        percent(upset.shift()) + " of the weight moves, half of all changes together",
        List.of(
            stated("Weights that change", moves.size() + " criteria", moves),
            stated(
                "Totals then",
                "level with the first",
                all(new Totals(totals().criteria(), upset.weights(), totals().values())))));
  }

  // draws

  private Derivation first(String contender, Chances chances) {
    RankShares shares =
        sensitivity
            .shares(chances)
            .filter(drawn -> drawn.shares().containsKey(contender))
            .orElseThrow(() -> none("share of " + contender));
    List<Derivation> parts = new ArrayList<>();
    parts.add(
        new Derivation.Stated(
            "Weights drawn",
            switch (chances.weights()) {
              case ANY -> "evenly from all that add up to 1";
              case OF_THE_TABLE -> "evenly between the least and the most anybody gives";
              case IN_ORDER -> "evenly from all that keep the order of the panel";
            }));
    for (Criterion criterion : totals().criteria()) {
      Interval drawn = chances.value(read(), totals(), contender, criterion);
      parts.add(
          stated(
              criterion.name(),
              ends(drawn) + (drawn.isExact() ? "" : ", drawn evenly"),
              List.of(totals().value(contender, criterion).working())));
    }
    for (String other : shares.byFirst()) {
      if (!other.equals(contender)) {
        parts.add(share(other, shares, List.of()));
      }
    }
    return share(contender, shares, parts);
  }

  private Derivation share(String contender, RankShares shares, List<Derivation> parts) {
    return new Derivation.Derived(
        name(contender) + " first",
        new Quantity(BigDecimal.valueOf(shares.first(contender)), ""),
        "share of "
            + shares.draws()
            + " draws in which its total is the highest; those who are level share it",
        parts);
  }

  private static String ends(Interval interval) {
    String low = three(interval.low());
    return interval.isExact() ? low : low + " to " + three(interval.high());
  }

  private static String three(BigDecimal number) {
    return number.setScale(3, RoundingMode.HALF_UP).toPlainString();
  }

  // sizes

  private Derivation atSize(SensitivityFigure.AtSize asked) {
    Sizes sizes =
        sensitivity
            .by(asked.axis())
            .filter(found -> asked.place() >= 1 && asked.place() <= found.sizes())
            .orElseThrow(() -> none("figures at that size"));
    Evaluation there = Evaluation.of(read().selection(), at(sizes, asked.place()));
    List<Derivation> parts = new ArrayList<>();
    for (Contender contender : read().selection().active()) {
      parts.add(atSize(sizes, asked.place(), contender.id(), there));
    }
    String leader =
        sizes.certainLeader(asked.place()).map(this::name).orElse("nobody in every case");
    return stated(
        "At " + sizes.size(asked.place()) + " " + unit(asked.axis()), leader + " leads", parts);
  }

  private static String unit(Sizes.Axis axis) {
    return switch (axis) {
      case Sizes.Axis.Headcount people -> "people";
      case Sizes.Axis.Quantity quantity -> quantity.measure().label();
    };
  }

  private WhatIf at(Sizes sizes, int place) {
    WhatIf now = read().whatIf();
    return switch (sizes.axis()) {
      case Sizes.Axis.Headcount people ->
          now.at(
              new WhatIf.Moment.Headcount(
                  Math.toIntExact(sizes.size(place)), read().costs().occasion().month()));
      case Sizes.Axis.Quantity quantity ->
          now.stating(new Stated(quantity.measure(), BigDecimal.valueOf(sizes.size(place))));
    };
  }

  private Derivation atSize(Sizes sizes, int place, String tool, Evaluation there) {
    Derivation costs = there.explain(new Figure.Steady(tool));
    Optional<Interval> cost = sizes.cost(tool, place);
    if (cost.isEmpty()) {
      return stated(
          name(tool), sizes.isByTotals() ? "does not do" : "by cost alone", List.of(costs));
    }
    BigDecimal weight = BigDecimal.valueOf(sizes.weight());
    Interval rest = sizes.rest(tool).orElseThrow();
    String scale =
        sizes
            .scale()
            .map(s ->
                "a head and month score 0 at "
                    + s.worst().setScale(2, RoundingMode.HALF_UP)
                    + ", all at "
                    + s.best().setScale(2, RoundingMode.HALF_UP))
            .orElse("cost is no criterion");
    return Derivation.Sum.of(
        name(tool),
        "",
        List.of(
            weighed(
                "What it costs there",
                weight,
                new Derivation.Derived(
                    "worth",
                    new Quantity(cost.get().midpoint(), ""),
                    scale + (cost.get().isExact() ? "" : "; " + MIDDLE),
                    List.of(costs))),
            weighed(
                "All other criteria",
                BigDecimal.ONE.subtract(weight),
                new Derivation.Derived(
                    "score under them",
                    new Quantity(rest.midpoint(), ""),
                    rest.isExact() ? "their weights brought to 1" : MIDDLE,
                    List.of()))));
  }

  // what it would take

  private WhatItTakes takes(String contender) {
    return sensitivity
        .whatItTakes(contender)
        .orElseThrow(() -> none("things it would take for " + name(contender)));
  }

  private Derivation discount(String contender) {
    BigDecimal percent =
        takes(contender)
            .discount()
            .orElseThrow(() -> none("discounts that put " + name(contender) + " first"));
    WhatItTakes.Discounted enough =
        WhatItTakes.Discounted.of(read(), contender, percent).orElseThrow();
    List<Derivation> parts = new ArrayList<>();
    parts.add(
        stated("Totals then", name(contender) + " first", all(enough.totals().orElseThrow())));
    WhatItTakes.Discounted.of(read(), contender, percent.subtract(new BigDecimal("0.1")))
        .flatMap(WhatItTakes.Discounted::totals)
        .ifPresent(totals ->
            parts.add(stated("With a tenth of a percent less", "not first alone", all(totals))));
    return stated(name(contender), percent.toPlainString() + " % off every list price", parts);
  }

  private Derivation raised(String contender) {
    WhatItTakes.Raised raised =
        takes(contender)
            .mark()
            .orElseThrow(() -> none("marks that put " + name(contender) + " first"));
    Value value =
        new Value(
            Interval.exactly(raised.to().movePointLeft(1)),
            new Derivation.Stated(raised.criterion().name(), "if the panel gave " + raised.to()));
    return stated(
        name(contender),
        raised.criterion().name() + " from " + raised.from() + " to " + raised.to(),
        List.of(
            stated(
                "Totals then",
                name(contender) + " first",
                all(TakeIf.known(totals(), contender, raised.criterion(), value))),
            stated(
                "Totals now",
                name(totals().standings().getFirst().contender()) + " first",
                all(totals()))));
  }

  private Derivation weighed(String contender) {
    Condition.Weight weight =
        takes(contender)
            .weight()
            .orElseThrow(() -> none("weights that put " + name(contender) + " first"));
    List<Derivation> parts = new ArrayList<>();
    for (int percent : new int[] {weight.from(), weight.to()}) {
      BigDecimal share = BigDecimal.valueOf(percent, 2);
      parts.add(stated("Totals at " + percent + " %", "", ordered(weight.criterion(), share)));
    }
    return stated(
        name(contender),
        weight.criterion().name()
            + " has a weight of "
            + weight.from()
            + " to "
            + weight.to()
            + " %",
        parts);
  }

  private Derivation dropped(String contender, String capability) {
    Evaluation then =
        takes(contender).needs().stream()
            .filter(need -> need.capability().id().equals(capability))
            .findFirst()
            .map(need -> new Otherwise.Dropped(need).of(read()))
            .orElseThrow(() -> none("such needs"));
    return stated(name(contender), "first without it", leading(then));
  }

  // what moves, what is not known, scenarios

  private Derivation moved(TornadoBar swing) {
    return stated(
        name(swing.moved()),
        swing.low().map(SensitivityExplanation::three).orElse("out")
            + " to "
            + swing.high().map(SensitivityExplanation::three).orElse("out"),
        List.of(end("At the one end", swing.one()), end("At the other", swing.other())));
  }

  private Derivation end(String label, TornadoBar.End end) {
    String leader = end.leader().map(this::name).orElse("nobody in every case");
    return end.totals()
        .map(totals -> stated(label, leader + " leads", all(totals)))
        .orElseGet(() -> new Derivation.Missing(label, "nobody does what is needed"));
  }

  private Derivation answer(FindOut found) {
    List<String> labels =
        switch (found.unknown()) {
          case FindOut.Unknown.Worth worth -> List.of("At the least", "At the most");
          case FindOut.Unknown.Has has -> List.of("If it is not there", "If it is there");
          case FindOut.Unknown.StillHas still -> List.of("If it still is", "If it no longer is");
        };
    List<Derivation> parts = new ArrayList<>();
    for (int i = 0; i < found.answers().size(); i++) {
      FindOut.Answered answered = found.answers().get(i);
      parts.add(
          stated(
              labels.get(i),
              answered.leader().map(this::name).orElse("nobody in every case")
                  + " leads by the weights of the panel",
              answered
                  .shares()
                  .map(shares ->
                      shares.byFirst().stream()
                          .map(tool -> share(tool, shares, List.of()))
                          .toList())
                  .orElse(List.of())));
    }
    return stated(name(found.gains()), "how often it comes first, by the answer", parts);
  }

  private Derivation inScene(ScenarioGrid.Scene scene) {
    ScenarioGrid.Case cell = sensitivity.scenarios(List.of(scene)).cells().getFirst();
    return stated(
        cell.first().map(this::name).orElse("Nobody"),
        cell.lead().tool().isPresent() ? "leads in every case" : "nobody leads in every case",
        leading(scene.of(read())));
  }

  /** Everybody's total, or what it costs as long as nobody has weighed. */
  private List<Derivation> leading(Evaluation then) {
    if (then.scores().totals().isPresent()) {
      return all(then.scores().totals().get());
    }
    List<Derivation> parts = new ArrayList<>();
    for (Contender contender : then.selection().active()) {
      Derivation costs = then.explain(new Figure.Horizon(contender.id()));
      parts.add(
          stated(
              "What " + contender.tool().name() + " costs",
              "over " + then.selection().horizon().months() + " months",
              List.of(costs)));
    }
    return parts;
  }

  private Derivation stepUp(SensitivityFigure.StepUp asked) {
    ValueForMoney worth =
        ValueForMoney.of(read()).orElseThrow(() -> none("scores beside the cost"));
    ValueForMoney.StepUp step =
        worth.stepsUp().stream()
            .filter(s -> s.from().equals(asked.from()) && s.to().equals(asked.to()))
            .findFirst()
            .orElseThrow(() -> none("such steps"));
    List<Derivation> parts = new ArrayList<>();
    for (String tool : List.of(step.to(), step.from())) {
      worth.points().stream()
          .filter(p -> p.contender().equals(tool))
          .forEach(point -> {
            parts.add(
                new Derivation.Derived(
                    "The score of " + name(tool),
                    new Quantity(point.value().midpoint(), ""),
                    "its total without cost, the other weights brought to 1",
                    List.of()));
            parts.add(
                stated(
                    "What " + name(tool) + " costs",
                    amount(point.cost()),
                    List.of(read().explain(new Figure.Horizon(tool)))));
          });
    }
    return new Derivation.Derived(
        "A hundredth of score",
        Quantity.of(step.each()),
        "the difference in cost, divided by the difference in hundredths of score",
        parts);
  }

  private static String amount(Amount cost) {
    return cost.high().toString();
  }
}
