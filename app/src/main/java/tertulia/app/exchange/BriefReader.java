package tertulia.app.exchange;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tertulia.core.billing.EarlyTerminationPolicy;
import tertulia.core.evaluation.BuyingPolicy;
import tertulia.core.fit.Begins;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.fit.QuantityCover;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Habit;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.growth.Step;
import tertulia.core.labour.Labour;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.scoring.Criterion;

/** Turns the parts of a brief into core values, collecting faults by place. */
final class BriefReader {
  static final int LONGEST_NAME = Limits.NAME;
  static final int LONGEST_WHY = 400;
  private final Faults faults;

  BriefReader(Faults faults) {
    this.faults = faults;
  }

  List<Group> groups(String at, List<Brief.GroupPart> parts) {
    List<Group> groups = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.GroupPart part = parts.get(i);
      String here = at + "/" + i;
      List<Step> steps = new ArrayList<>();
      for (int j = 0; j < part.steps().size(); j++) {
        Brief.StepPart step = part.steps().get(j);
        faults.at(here + "/steps/" + j, () -> step(step)).ifPresent(steps::add);
      }
      faults
          .at(
              here,
              () ->
                  new Group(
                      part.id(),
                      Codes.text(part.name(), LONGEST_NAME),
                      growth(part),
                      steps,
                      part.since() == null ? null : Codes.month(part.since())))
          .ifPresent(groups::add);
    }
    return groups;
  }

  private static Growth growth(Brief.GroupPart part) {
    return switch (part.method()) {
      case "hires" ->
          new Growth.Hires(start(part), Codes.decimal(stated(part.perMonth(), "perMonth")));
      case "percent" ->
          new Growth.Percent(
              start(part),
              Codes.decimal(stated(part.percentPerYear(), "percentPerYear")).movePointLeft(2));
      case "listed" -> new Growth.Listed(part.values() == null ? List.of() : part.values());
      default ->
          throw new IllegalArgumentException(
              "Growth \"" + part.method() + "\" is not one of hires, percent, listed.");
    };
  }

  private static int start(Brief.GroupPart part) {
    if (part.start() == null) {
      throw new IllegalArgumentException(
          "How many people are in " + part.name() + " at the start?");
    }
    return part.start();
  }

  private static String stated(@Nullable String text, String field) {
    if (text == null) {
      throw new IllegalArgumentException("The figure \"" + field + "\" is missing.");
    }
    return text;
  }

  private static Step step(Brief.StepPart part) {
    return new Step(
        Codes.text(part.label(), LONGEST_NAME),
        Codes.month(part.from()),
        part.until() == null ? null : Codes.month(part.until()),
        part.change(),
        part.everyYear(),
        part.onlyIn());
  }

  List<Scenario> scenarios(String at, @Nullable List<Brief.ScenarioPart> parts) {
    if (parts == null || parts.isEmpty()) {
      return Scenario.STANDARD;
    }
    List<Scenario> scenarios = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.ScenarioPart part = parts.get(i);
      faults
          .at(
              at + "/" + i,
              () ->
                  new Scenario(
                      part.id(),
                      Codes.text(part.name(), LONGEST_NAME),
                      Codes.decimal(part.multiplier())))
          .ifPresent(scenarios::add);
    }
    return scenarios;
  }

  /** How the buyer works, and where more of what is counted is to be had. */
  BuyingPolicy practice(Brief brief) {
    Brief.PracticePart part = brief.practice();
    BuyingPolicy plain =
        part == null
            ? BuyingPolicy.STANDARD
            : faults.at("/brief/practice", () -> practice(part)).orElse(BuyingPolicy.STANDARD);
    List<QuantityCover> covers = covers("/brief/demand", brief.demand(), brief.currency());
    return faults
        .at("/brief/demand", () -> new BuyingPolicy(plain.leaving(), plain.labour(), covers))
        .orElse(plain);
  }

  private static BuyingPolicy practice(Brief.PracticePart part) {
    return new BuyingPolicy(
        Codes.oneOf(EarlyTerminationPolicy.class, part.leaving()),
        new Labour(
            Optional.ofNullable(part.hour()).map(Codes::decimal),
            Codes.decimal(part.changeHours()),
            Optional.ofNullable(part.oldTool()).map(Codes::decimal)));
  }

  /**
   * How much is needed of what.
   *
   * @param named every group there is, those too that are refused for something of their own
   */
  Map<Measure, Demand> demand(
      String at, List<Brief.DemandPart> parts, List<Brief.GroupPart> named) {
    List<String> known = named.stream().map(Brief.GroupPart::id).toList();
    Map<Measure, Demand> demands = new LinkedHashMap<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.DemandPart part = parts.get(i);
      String here = at + "/" + i;
      faults
          .at(here, () -> Codes.measure(part.measure()))
          .ifPresent(measure ->
              faults
                  .at(here, () -> demand(measure, part, known))
                  .ifPresent(demand -> demands.put(measure, demand)));
    }
    return demands;
  }

  private static Demand demand(Measure measure, Brief.DemandPart part, List<String> known) {
    Map<String, BigDecimal> rates = new LinkedHashMap<>();
    part.perHead().forEach((group, rate) -> rates.put(known(group, known), Codes.decimal(rate)));
    Map<String, Habit> habits = new LinkedHashMap<>();
    part.byHabit()
        .forEach((group, habit) -> habits.put(known(group, known), habit(measure, habit)));
    Demand demand = Demand.by(Codes.decimal(part.fixed()), rates, habits);
    String stock = part.stock();
    if (stock == null) {
      return demand;
    }
    if (measure.nature() != Measure.Nature.SUM) {
      throw new IllegalArgumentException(
          "Only of what adds up since the start something can be there at the start, and "
              + measure.label()
              + " do not add up. Remove it.");
    }
    return demand.onTopOf(Codes.decimal(stock));
  }

  /** Where more of a quantity is to be had than a plan allows. */
  private List<QuantityCover> covers(String at, List<Brief.DemandPart> parts, String currency) {
    List<QuantityCover> covers = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.DemandPart part = parts.get(i);
      Brief.MoreOutsidePart outside = part.outside();
      if (outside != null) {
        faults.at(at + "/" + i, () -> cover(part, outside, currency)).ifPresent(covers::add);
      }
    }
    return covers;
  }

  private static QuantityCover cover(
      Brief.DemandPart part, Brief.MoreOutsidePart outside, String currency) {
    Measure measure = Codes.measure(part.measure());
    return new QuantityCover(
        measure,
        Codes.decimal(outside.upTo()),
        new ExternalCover(
            measure.label(),
            Codes.text(outside.by(), LONGEST_NAME),
            Codes.money(outside.monthly(), Codes.currency(currency))));
  }

  private static String known(String group, List<String> known) {
    if (!known.contains(group)) {
      throw new IllegalArgumentException(
          "There is no group \"" + group + "\"; the groups are " + known + ".");
    }
    return group;
  }

  /** A habit adds up over a month; what is held or the largest of its kind does not. */
  static Habit habit(Measure measure, Brief.HabitPart part) {
    if (!measure.addsUp()) {
      throw new IllegalArgumentException(
          "How often something is done adds up over a month, and "
              + measure.label()
              + " do not. Write how many there are for each head.");
    }
    return TypedHabit.habit(part);
  }

  List<Need> needs(String at, List<Brief.NeedPart> parts, String currency) {
    List<Need> needs = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.NeedPart part = parts.get(i);
      faults.at(at + "/" + i, () -> need(part, currency)).ifPresent(needs::add);
    }
    return needs;
  }

  private static Need need(Brief.NeedPart part, String currency) {
    Importance importance =
        switch (part.importance()) {
          case "must" -> new Importance.Must(part.partlyIsEnough());
          case "should" -> new Importance.Should(part.weight() == null ? 1 : part.weight());
          case "could" -> new Importance.Could();
          default ->
              throw new IllegalArgumentException(
                  "Importance \"" + part.importance() + "\" is not one of must, should, could.");
        };
    if (part.condition() != null && !Brief.CONDITIONS.containsKey(part.condition())) {
      throw new IllegalArgumentException(
          "Condition \""
              + part.condition()
              + "\" is not one of "
              + String.join(", ", Brief.CONDITIONS.keySet())
              + ".");
    }
    if (part.why() != null) {
      Codes.text(part.why(), LONGEST_WHY);
    }
    if (part.askedBy() != null) {
      Codes.text(part.askedBy(), LONGEST_NAME);
    }
    Codes.text(part.capability(), LONGEST_NAME);
    if (part.asksHowMany()) {
      TypedCount.needed(part.capability());
    }
    return new Need(
        new Capability(part.id(), part.name()),
        importance,
        outside(part, currency),
        begins(part),
        importance instanceof Importance.Must ? Set.copyOf(part.groups()) : Set.of(),
        part.acceptsByHand());
  }

  private static Begins begins(Brief.NeedPart part) {
    if (part.fromMonth() != null && part.fromPeople() != null) {
      throw new IllegalArgumentException(
          "\"" + part.name() + "\" begins from a month and from so many people. Keep one of them.");
    }
    if (part.fromMonth() != null) {
      return new Begins.FromMonth(Codes.month(part.fromMonth()));
    }
    return part.fromPeople() == null ? Begins.AT_ONCE : new Begins.FromPeople(part.fromPeople());
  }

  private static Optional<ExternalCover> outside(Brief.NeedPart part, String currency) {
    return Optional.ofNullable(part.outside())
        .map(outside ->
            new ExternalCover(
                part.name(),
                Codes.text(outside.by(), LONGEST_NAME),
                Codes.money(outside.monthly(), Codes.currency(currency))));
  }

  static Capability capability(String name) {
    String text = Codes.text(name, LONGEST_NAME);
    return new Capability(Codes.slug(text), text);
  }

  List<Criterion> criteria(String at, List<Brief.CriterionPart> parts) {
    List<Criterion> criteria = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      Brief.CriterionPart part = parts.get(i);
      faults
          .at(
              at + "/" + i,
              () ->
                  new Criterion(
                      part.id(),
                      Codes.text(part.name(), LONGEST_NAME),
                      kind(part),
                      part.meaning() == null ? "" : Codes.text(part.meaning(), LONGEST_WHY),
                      part.heading() == null ? "" : Codes.text(part.heading(), LONGEST_NAME)))
          .ifPresent(criteria::add);
    }
    return criteria;
  }

  private static Criterion.Kind kind(Brief.CriterionPart part) {
    return switch (part.kind()) {
      case "judged" -> new Criterion.Judged();
      case "coverage" -> new Criterion.Coverage();
      case "cost" ->
          part.worst() == null && part.best() == null
              ? new Criterion.CostAsFound()
              : new Criterion.Cost(
                  Codes.decimal(stated(part.worst(), "worst")),
                  Codes.decimal(stated(part.best(), "best")));
      case "ratings" ->
          new Criterion.Ratings(
              Codes.decimal(part.prior() == null ? "3.5" : part.prior()),
              Codes.decimal(part.strength() == null ? "50" : part.strength()));
      case "measured" ->
          new Criterion.Measured(
              MeasuredNumber.of(stated(part.number(), "number")),
              Codes.decimal(stated(part.worst(), "worst")),
              Codes.decimal(stated(part.best(), "best")));
      default ->
          throw new IllegalArgumentException(
              "Kind \""
                  + part.kind()
                  + "\" is not one of judged, cost, coverage, ratings, measured.");
    };
  }
}
