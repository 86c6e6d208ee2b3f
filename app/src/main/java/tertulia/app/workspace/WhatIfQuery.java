package tertulia.app.workspace;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.web.util.UriUtils;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TypedDate;
import tertulia.app.exchange.TypedNumber;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.Stated;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.evaluation.WhatIf.Moment;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Scenario;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.Dimension;
import tertulia.core.path.Terms;
import tertulia.core.time.Horizon;

/**
 * The "what if" as it stands in the address.
 *
 * @param typedPeople what was typed as a headcount; empty if a month is under discussion
 * @param pricesOf the day whose price pages are used, as typed; empty: today's
 * @param across by what other than people cost is drawn, if by anything
 * @param disinterested whether it is read without what somebody with an interest said
 * @param plans the plan on which a contender is read, by its id; the others are read on any
 * @param fault what is wrong with it; empty if nothing
 * @param now the plan month that is under discussion if nothing else is asked for: that of today
 *     while the plan's months hold it, else the nearest
 */
public record WhatIfQuery(
    WhatIf whatIf,
    String typedPeople,
    String pricesOf,
    Optional<Dimension> across,
    boolean disinterested,
    Map<String, String> plans,
    String fault,
    int now) {
  /** Before the id of a contender in an address: the plan on which it is read. */
  public static final String ON = "on.";

  /** Reads an address; what is missing or makes no sense stands as if nothing were asked. */
  public static WhatIfQuery of(Map<String, String> query, Selection selection, LocalDate today) {
    Horizon horizon = selection.horizon();
    int now = now(horizon, today);
    Scenario scenario = selection.scenario(query.getOrDefault("growth", Scenario.EXPECTED.id()));
    WhatIf.Basis basis = choice(WhatIf.Basis.class, query.get("cost"), WhatIf.Basis.SUBSCRIPTION);
    Terms terms = choice(Terms.class, query.get("terms"), Terms.ANY);
    CostTiming view = choice(CostTiming.class, query.get("view"), CostTiming.SPREAD);
    Moment month = new Moment.Month(month(query.getOrDefault("month", ""), horizon, now));
    String typed = query.getOrDefault("people", "").strip();
    String pricesOf = query.getOrDefault("asof", "").strip();
    Faults faults = new Faults();
    Optional<BigDecimal> light = light(query.getOrDefault("light", "").strip(), faults);
    if (!pricesOf.isEmpty()) {
      faults.at("asof", () -> TypedDate.day(pricesOf));
    }
    Moment moment =
        typed.isEmpty()
            ? month
            : faults
                .<Moment>at("people", () -> new Moment.Headcount(people(typed), now))
                .orElse(month);
    Optional<Dimension> across = dimension(query.getOrDefault("what", ""), selection);
    Optional<Measure> counted = across.flatMap(WhatIfQuery::measure);
    if (counted.isEmpty() && !query.getOrDefault("many", "").isBlank()) {
      faults.add("many", "Choose what the number counts, beside it.");
    }
    Optional<Stated> stated =
        counted.flatMap(measure -> stated(measure, query.getOrDefault("many", "").strip(), faults));
    return new WhatIfQuery(
        new WhatIf(
            moment,
            scenario,
            terms,
            view,
            basis,
            light,
            stated,
            payment(query.getOrDefault("payment", "").strip(), faults)),
        typed,
        pricesOf,
        across,
        disinterested(query),
        plans(query, selection),
        faults.all().stream().map(Fault::message).collect(Collectors.joining(" ")),
        now);
  }

  /** The plan month of a day, or the one nearest to it. */
  static int now(Horizon horizon, LocalDate today) {
    long months = ChronoUnit.MONTHS.between(horizon.start(), YearMonth.from(today));
    return (int) Math.clamp(months, 0, horizon.months() - 1L);
  }

  /** The day whose price pages are used; empty: today's. */
  public Optional<LocalDate> day() {
    try {
      return pricesOf.isEmpty() ? Optional.empty() : Optional.of(TypedDate.day(pricesOf));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** This "what if" for so many people. */
  public WhatIfQuery at(int people) {
    return new WhatIfQuery(
        whatIf.at(new Moment.Headcount(people, now)),
        "" + people,
        pricesOf,
        across,
        disinterested,
        plans,
        fault,
        now);
  }

  /** This "what if" with the price pages as they held on a day. */
  public WhatIfQuery pricedOn(LocalDate day) {
    return new WhatIfQuery(
        whatIf, typedPeople, day.toString(), across, disinterested, plans, fault, now);
  }

  /** The day whose price pages an address asks for; empty: today's. */
  static Optional<LocalDate> pricesOf(Map<String, String> query) {
    String typed = query.getOrDefault("asof", "").strip();
    return new WhatIfQuery(WhatIf.START, "", typed, Optional.empty(), false, Map.of(), "", 0).day();
  }

  /** Whether an address asks to leave out what somebody with an interest said. */
  static boolean disinterested(Map<String, String> query) {
    return query.getOrDefault("interests", "").equals("out");
  }

  /** This "what if" with or without what somebody with an interest said. */
  public WhatIfQuery disinterested(boolean without) {
    return new WhatIfQuery(whatIf, typedPeople, pricesOf, across, without, plans, fault, now);
  }

  private static Optional<Dimension> dimension(String id, Selection selection) {
    Dimension payment = new Dimension.AveragePayment();
    return id.equals(payment.id())
        ? Optional.of(payment)
        : selection.counted().stream()
            .filter(measure -> measure.id().equals(id))
            .findFirst()
            .map(Dimension.Quantity::new);
  }

  private static Optional<Measure> measure(Dimension dimension) {
    return switch (dimension) {
      case Dimension.Quantity quantity -> Optional.of(quantity.measure());
      case Dimension.AveragePayment payment -> Optional.empty();
    };
  }

  private static Optional<BigDecimal> payment(String typed, Faults faults) {
    return typed.isEmpty()
        ? Optional.empty()
        : faults.at(
            "payment",
            () -> {
              BigDecimal value = TypedNumber.read(typed).value();
              WhatIf.START.paying(value);
              return value;
            });
  }

  /** How much a payment would be on average, as it is typed; empty: as it is stated. */
  public String typedPayment() {
    return whatIf.averagePayment().map(BigDecimal::toPlainString).orElse("");
  }

  private static Optional<Stated> stated(Measure measure, String typed, Faults faults) {
    return typed.isEmpty()
        ? Optional.empty()
        : faults.at("many", () -> new Stated(measure, TypedNumber.read(typed).value()));
  }

  /** How many of the measure there would be, as it is typed; empty: as many as are needed. */
  public String typedMany() {
    return whatIf.stated().map(stated -> stated.units().toPlainString()).orElse("");
  }

  /** This "what if" read across something, with as much of it as is needed. */
  public WhatIfQuery across(Dimension dimension) {
    return new WhatIfQuery(
        whatIf.stating(Optional.empty()),
        typedPeople,
        pricesOf,
        Optional.of(dimension),
        disinterested,
        plans,
        fault,
        now);
  }

  /** Percent of those who need a seat; empty: as the demand says. */
  private static Optional<BigDecimal> light(String typed, Faults faults) {
    return typed.isEmpty()
        ? Optional.empty()
        : faults.at(
            "light",
            () -> {
              BigDecimal percent = Codes.decimal(typed);
              if (percent.signum() < 0 || percent.compareTo(BigDecimal.valueOf(100)) > 0) {
                throw new IllegalArgumentException(
                    "Light users are 0 to 100 % of all; found " + typed + ".");
              }
              return percent.movePointLeft(2);
            });
  }

  /** Percent of light users as it is typed; empty: as the demand says. */
  public String typedLight() {
    return whatIf
        .light()
        .map(share -> share.movePointRight(2).stripTrailingZeros().toPlainString())
        .orElse("");
  }

  private static int people(String typed) {
    int people = TypedNumber.readWhole(typed);
    if (people < 1 || people > CostByHeadcount.MOST_SWEPT) {
      throw new IllegalArgumentException(
          "A headcount under discussion lies between 1 and 5,000; found " + typed + ".");
    }
    return people;
  }

  private static int month(String text, Horizon horizon, int now) {
    try {
      return Math.clamp(Codes.whole(text), 0, horizon.months() - 1);
    } catch (IllegalArgumentException e) {
      return now;
    }
  }

  private static <E extends Enum<E>> E choice(
      Class<E> type, @org.jspecify.annotations.Nullable String code, E standard) {
    try {
      return code == null ? standard : Codes.oneOf(type, code);
    } catch (IllegalArgumentException e) {
      return standard;
    }
  }

  /** The month under discussion, or −1 if a headcount was typed. */
  public int month() {
    return whatIf.moment() instanceof Moment.Month month ? month.m() : -1;
  }

  /** This "what if" as the shortest address that leads back to it; empty at the start. */
  public String query() {
    return query(whatIf.terms());
  }

  /** As {@link #query()} with other terms. */
  public String query(Terms terms) {
    List<String> parts = new ArrayList<>();
    switch (whatIf.moment()) {
      case Moment.Month month -> add(parts, month.m() != now, "month", "" + month.m());
      case Moment.Headcount headcount -> parts.add("people=" + headcount.people());
    }
    add(
        parts,
        !whatIf.scenario().id().equals(Scenario.EXPECTED.id()),
        "growth",
        whatIf.scenario().id());
    add(parts, terms != Terms.ANY, "terms", Codes.code(terms));
    add(parts, whatIf.view() != CostTiming.SPREAD, "view", Codes.code(whatIf.view()));
    add(parts, whatIf.basis() != WhatIf.Basis.SUBSCRIPTION, "cost", Codes.code(whatIf.basis()));
    add(parts, whatIf.light().isPresent(), "light", typedLight());
    across.ifPresent(
        dimension -> parts.add("what=" + UriUtils.encode(dimension.id(), StandardCharsets.UTF_8)));
    add(parts, whatIf.stated().isPresent(), "many", typedMany());
    add(parts, whatIf.averagePayment().isPresent(), "payment", typedPayment());
    day().ifPresent(day -> parts.add("asof=" + day));
    add(parts, disinterested, "interests", "out");
    plans.forEach((contender, plan) -> parts.add(on(contender, plan)));
    return String.join("&", parts);
  }

  private static String on(String contender, String plan) {
    return ON
        + UriUtils.encode(contender, StandardCharsets.UTF_8)
        + "="
        + UriUtils.encode(plan, StandardCharsets.UTF_8);
  }

  /** The plans asked for that are there, in the contenders' order. */
  private static Map<String, String> plans(Map<String, String> query, Selection selection) {
    Map<String, String> plans = new LinkedHashMap<>();
    for (Contender contender : selection.active()) {
      String asked = query.getOrDefault(ON + contender.id(), "");
      contender.plans().stream()
          .filter(plan -> plan.id().equals(asked))
          .findFirst()
          .ifPresent(plan -> plans.put(contender.id(), plan.id()));
    }
    return Collections.unmodifiableMap(plans);
  }

  /** This "what if" with every contender read on any of its plans. */
  public WhatIfQuery onAnyPlan() {
    return new WhatIfQuery(
        whatIf, typedPeople, pricesOf, across, disinterested, Map.of(), fault, now);
  }

  private static void add(List<String> parts, boolean differs, String name, String value) {
    if (differs) {
      parts.add(name + "=" + value);
    }
  }
}
