package tertulia.core.evaluation;

import static java.util.Objects.requireNonNull;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import tertulia.core.fit.Need;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.inuse.Beside;
import tertulia.core.money.ExchangeRates;
import tertulia.core.money.PriceRise;
import tertulia.core.pricing.Plan;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Panel;
import tertulia.core.time.Horizon;
import tertulia.core.trial.Trials;

/**
 * Everything people entered for one choice of a tool.
 *
 * @param purpose for whom and for which job only; may be empty
 * @param asOf the selection's date: rates are the latest on or before it
 * @param currency of every figure
 * @param demands units needed per measure
 * @param averagePayment average value of a payment that passes through the tool, in {@code
 *     currency}, 0 or more; empty: not known
 * @param rise yearly rise of list prices assumed
 * @param scenarios how growth may come out; the first is read if nothing else is asked for
 * @param practice how terms are left and what people's time costs
 * @param trials what was tried by hand
 * @param beside what is in use already
 */
@RecordBuilder
public record Selection(
    String title,
    String purpose,
    LocalDate asOf,
    Horizon horizon,
    CurrencyUnit currency,
    PriceRise rise,
    List<Group> groups,
    Map<Measure, Demand> demands,
    Optional<BigDecimal> averagePayment,
    List<Need> needs,
    List<Criterion> criteria,
    List<Contender> contenders,
    Panel panel,
    ExchangeRates rates,
    List<Scenario> scenarios,
    BuyingPolicy practice,
    Trials trials,
    Beside beside)
    implements SelectionBuilder.With {
  public Selection {
    requireNonNull(trials);
    requireNonNull(beside);
    requireNonNull(purpose);
    requireNonNull(asOf);
    requireNonNull(horizon);
    requireNonNull(currency);
    requireNonNull(rise);
    requireNonNull(panel);
    requireNonNull(rates);
    averagePayment.ifPresent(Selection::checkPayment);
    if (title.isBlank()) {
      throw new IllegalArgumentException("A selection needs a title. A question is best.");
    }
    groups = List.copyOf(groups);
    demands = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(demands));
    needs = List.copyOf(needs);
    criteria = List.copyOf(criteria);
    contenders = List.copyOf(contenders);
    scenarios = List.copyOf(scenarios);
    requireNonNull(practice);
    if (scenarios.isEmpty()) {
      throw new IllegalArgumentException("A selection needs a scenario of growth.");
    }
    for (Need need : needs) {
      need.outside()
          .filter(cover -> !cover.monthly().getCurrencyUnit().equals(currency))
          .ifPresent(cover -> {
            throw new IllegalArgumentException(
                "What covers \""
                    + need.capability().name()
                    + "\" is in "
                    + cover.monthly().getCurrencyUnit()
                    + ", the selection in "
                    + currency
                    + ".");
          });
    }
    checkWords(demands.keySet());
    checkIds("scenarios", scenarios.stream().map(Scenario::id));
    checkIds("groups", groups.stream().map(Group::id));
    checkIds("needs", needs.stream().map(need -> need.capability().id()));
    checkIds("criteria", criteria.stream().map(Criterion::id));
    checkIds("contenders", contenders.stream().map(Contender::id));
    checkIds("members", panel.members().stream().map(member -> member.id()));
  }

  /** A selection with the standard scenarios, credited terms and nothing said of people's time. */
  public Selection(
      String title,
      String purpose,
      LocalDate asOf,
      Horizon horizon,
      CurrencyUnit currency,
      PriceRise rise,
      List<Group> groups,
      Map<Measure, Demand> demands,
      Optional<BigDecimal> averagePayment,
      List<Need> needs,
      List<Criterion> criteria,
      List<Contender> contenders,
      Panel panel,
      ExchangeRates rates) {
    this(
        title,
        purpose,
        asOf,
        horizon,
        currency,
        rise,
        groups,
        demands,
        averagePayment,
        needs,
        criteria,
        contenders,
        panel,
        rates,
        Scenario.STANDARD,
        BuyingPolicy.STANDARD);
  }

  /** A selection of which nothing is tried by hand. */
  public Selection(
      String title,
      String purpose,
      LocalDate asOf,
      Horizon horizon,
      CurrencyUnit currency,
      PriceRise rise,
      List<Group> groups,
      Map<Measure, Demand> demands,
      Optional<BigDecimal> averagePayment,
      List<Need> needs,
      List<Criterion> criteria,
      List<Contender> contenders,
      Panel panel,
      ExchangeRates rates,
      List<Scenario> scenarios,
      BuyingPolicy practice) {
    this(
        title,
        purpose,
        asOf,
        horizon,
        currency,
        rise,
        groups,
        demands,
        averagePayment,
        needs,
        criteria,
        contenders,
        panel,
        rates,
        scenarios,
        practice,
        Trials.NONE,
        Beside.NOTHING);
  }

  /** What costs rest on: this selection without its criteria, anybody's view and what was tried. */
  public Selection unjudged() {
    return with().criteria(List.of()).panel(new Panel(List.of())).trials(Trials.NONE).build();
  }

  /** This selection judged by others. */
  public Selection judgedBy(Panel others) {
    return withPanel(others);
  }

  /** This selection with other needs. */
  public Selection asking(List<Need> others) {
    return withNeeds(others);
  }

  /** This selection judged by other criteria. */
  public Selection judgedUnder(List<Criterion> others) {
    return withCriteria(others);
  }

  /** This selection with other contenders. */
  public Selection among(List<Contender> others) {
    return withContenders(others);
  }

  /**
   * This selection with some contenders read on one plan each; the others on any of theirs.
   *
   * @param plans plan ids by contender id; what is no contender or plan here is not looked at
   */
  public Selection on(Map<String, String> plans) {
    return plans.isEmpty()
        ? this
        : among(
            contenders.stream()
                .map(c -> Optional.ofNullable(plans.get(c.id())).map(c::on).orElse(c))
                .toList());
  }

  /**
   * Whether it says for whom or what it is: some month has people, or something else is counted.
   */
  public boolean isCounted() {
    return isPeopled() || demands.keySet().stream().anyMatch(measure -> !measure.isPeople());
  }

  /** No id of a group that somebody entered. */
  private static final String ANYBODY = "?";

  /** Whether its people are nobody's plan but those of {@link #forAnybody}. */
  public boolean isForAnybody() {
    return groups.stream().anyMatch(group -> group.id().equals(ANYBODY));
  }

  private boolean isPeopled() {
    return IntStream.range(0, horizon.months()).anyMatch(this::someoneIn);
  }

  /**
   * This selection if it does not say for whom it is: so many people in every month, a seat each,
   * so that its prices can be read; without people what is in use is not counted, as nobody uses
   * it.
   *
   * @param many at least 1
   */
  public Selection forAnybody(int many) {
    boolean peopled = isPeopled();
    boolean seated = demands.keySet().stream().anyMatch(Measure::isPeople);
    if (peopled && seated) {
      return this;
    }
    List<Group> people =
        peopled
            ? groups
            : List.of(
                new Group(ANYBODY, "People", new Growth.Hires(many, BigDecimal.ZERO), List.of()));
    Map<Measure, Demand> needed = new LinkedHashMap<>(demands);
    if (!seated) {
      Map<String, BigDecimal> each = new LinkedHashMap<>();
      people.forEach(group -> each.put(group.id(), BigDecimal.ONE));
      needed.put(Measure.SEATS, new Demand(BigDecimal.ZERO, each));
    }
    return with().groups(people).demands(needed).beside(peopled ? beside : Beside.NOTHING).build();
  }

  private boolean someoneIn(int m) {
    return scenarios.stream()
        .anyMatch(s -> groups.stream().anyMatch(g -> g.headcount(horizon, m, s) > 0));
  }

  /** This selection with another yearly rise of list prices. */
  public Selection rising(PriceRise other) {
    return withRise(other);
  }

  /** This selection at other rates of exchange. */
  public Selection exchangedAt(ExchangeRates others) {
    return withRates(others);
  }

  /** This selection with people who work otherwise. */
  public Selection practising(BuyingPolicy other) {
    return withPractice(other);
  }

  /** This selection with other people. */
  public Selection peopled(List<Group> others) {
    return withGroups(others);
  }

  /**
   * This selection over the months that are left from plan month {@code m} on, as if it began then;
   * people are as many as they would have been, and what is kept is brought along.
   *
   * @param m from 0 to the last plan month
   * @param scenario in which what is kept has added up
   */
  public Selection from(int m, Scenario scenario) {
    Map<Measure, Demand> kept = new LinkedHashMap<>();
    demands.forEach((measure, demand) ->
        kept.put(
            measure,
            measure.nature() == Measure.Nature.SUM
                ? demand.onTopOf(demand.stock().add(gathered(measure, demand, m, scenario)))
                : demand));
    List<Group> anchored =
        groups.stream()
            .map(group ->
                group.start().isPresent()
                    ? group
                    : new Group(
                        group.id(), group.name(), group.growth(), group.steps(), horizon.start()))
            .toList();
    return with()
        .horizon(new Horizon(horizon.month(m), horizon.months() - m))
        .groups(anchored)
        .demands(kept)
        .build();
  }

  private BigDecimal gathered(Measure measure, Demand demand, int months, Scenario scenario) {
    return IntStream.range(0, months)
        .mapToObj(m -> demand.units(measure, People.planned(groups, horizon, m, scenario)))
        .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /** This selection with what was tried by hand. */
  public Selection tried(Trials others) {
    return withTrials(others);
  }

  static void checkPayment(BigDecimal value) {
    if (value.signum() < 0 || value.compareTo(BigDecimal.valueOf(1_000_000)) > 0) {
      throw new IllegalArgumentException(
          "An average payment lies between 0 and 1,000,000; found " + value.toPlainString() + ".");
    }
  }

  /** What is called alike would be one thing in every sentence and table. */
  private static void checkWords(Set<Measure> counted) {
    Set<String> words = new HashSet<>();
    for (Measure measure : counted) {
      if (!words.add(measure.label().toLowerCase(Locale.ROOT))) {
        throw new IllegalArgumentException(
            "Two things that are counted are called "
                + measure.label()
                + ". Count one of them by another word.");
      }
    }
  }

  private static void checkIds(String what, Stream<String> ids) {
    List<String> all = ids.toList();
    if (all.stream().distinct().count() < all.size()) {
      throw new IllegalArgumentException("Two " + what + " have the same id: " + all);
    }
  }

  /**
   * The contender with an id.
   *
   * @throws IllegalArgumentException if there is none
   */
  public Contender contender(String id) {
    return contenders.stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No contender " + id));
  }

  /** The scenario with an id; the expected one, or else the first, if there is none such. */
  public Scenario scenario(String id) {
    return scenarios.stream()
        .filter(s -> s.id().equals(id))
        .findFirst()
        .or(() -> scenarios.stream().filter(s -> s.id().equals(Scenario.EXPECTED.id())).findFirst())
        .orElseGet(scenarios::getFirst);
  }

  /** The contenders that nobody set aside. */
  public List<Contender> active() {
    return contenders.stream().filter(c -> c.setAside().isEmpty()).toList();
  }

  /**
   * What matters here of all that can be counted: the measures stated, and those that a plan of a
   * contender charges or limits, in the usual order, one's own last.
   */
  public List<Measure> counted() {
    Set<Measure> counted = new LinkedHashSet<>(demands.keySet());
    for (Contender contender : active()) {
      for (Plan plan : contender.plans()) {
        plan.charged().forEach(list -> counted.addAll(list.measures()));
        plan.allowances().forEach(allowance -> counted.add(allowance.measure()));
      }
    }
    return Stream.concat(
            Measure.KNOWN.stream().filter(counted::contains),
            counted.stream()
                .filter(Measure::isOwn)
                .sorted(Comparator.comparing(Measure::label).thenComparing(Measure::id)))
        .toList();
  }
}
