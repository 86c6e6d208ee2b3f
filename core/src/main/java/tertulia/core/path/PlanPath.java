package tertulia.core.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.Ledger;
import tertulia.core.billing.MinimumYear;
import tertulia.core.growth.Group;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Offer;
import tertulia.core.time.MonthSpan;
import tertulia.core.working.Derivation;
import tertulia.core.working.Quantity;

/**
 * A way through a tool's plans: one term after the other, over all months.
 *
 * @param legs one a term, in order
 * @param offers those used, in the tool's order
 * @param minimums the months that were held against a yearly minimum, reached or not
 * @param changing what changes of plan cost in people's time, in the ledger's currency; counted in
 *     the choice but not in the ledger
 * @param alongside what is bought together with it over the same months; its invoices are in the
 *     ledger
 */
public record PlanPath(
    List<Leg> legs,
    Ledger ledger,
    List<Offer> offers,
    List<MinimumYear> minimums,
    Money changing,
    List<Alongside> alongside) {
  public PlanPath {
    legs = List.copyOf(legs);
    offers = List.copyOf(offers);
    minimums = List.copyOf(minimums);
    alongside = List.copyOf(alongside);
  }

  /** A way beside which nothing else is bought. */
  public PlanPath(
      List<Leg> legs,
      Ledger ledger,
      List<Offer> offers,
      List<MinimumYear> minimums,
      Money changing) {
    this(legs, ledger, offers, minimums, changing, List.of());
  }

  /**
   * A way that is taken together with another.
   *
   * @param groups those whom it is for; none: everybody
   */
  public record Alongside(Kind kind, List<Group> groups, PlanPath path) {
    /** Why it runs beside the other. */
    public enum Kind {
      /** It is another tool’s. */
      TOOL,
      /** It is the same tool’s, for some groups. */
      GROUPS,
      /** It is the same plan’s, under another term. */
      TERM
    }

    public Alongside {
      groups = List.copyOf(groups);
    }

    public boolean isOf(Kind other) {
      return kind == other;
    }
  }

  /** This way together with others, with all their invoices and changes. */
  public PlanPath with(List<Alongside> others) {
    if (others.isEmpty()) {
      return this;
    }
    List<PlanPath> paths = new ArrayList<>();
    paths.add(this);
    others.forEach(other -> paths.add(other.path()));
    return new PlanPath(
        legs,
        Ledger.of(paths.stream().map(PlanPath::ledger).toList()),
        paths.stream().flatMap(path -> path.offers().stream()).toList(),
        paths.stream().flatMap(path -> path.minimums().stream()).toList(),
        paths.stream().map(PlanPath::changing).reduce(Money::plus).orElseThrow(),
        Stream.concat(alongside.stream(), others.stream()).toList());
  }

  /** This way without what is taken together with it. */
  public PlanPath alone() {
    if (alongside.isEmpty()) {
      return this;
    }
    List<Invoice> own = new ArrayList<>(ledger.invoices());
    List<MinimumYear> ownMinimums = new ArrayList<>(minimums);
    Money ownChanging = changing;
    for (Alongside other : alongside) {
      other.path().ledger().invoices().forEach(own::remove);
      other.path().minimums().forEach(ownMinimums::remove);
      ownChanging = ownChanging.minus(other.path().changing());
    }
    return new PlanPath(
        legs,
        new Ledger(ledger.horizon(), ledger.currency(), own, List.of()),
        offers,
        ownMinimums,
        ownChanging);
  }

  /** Whether some groups are on a plan of their own. */
  public boolean isSplit() {
    return alongside.stream().anyMatch(other -> other.isOf(Alongside.Kind.GROUPS));
  }

  /** Every term of this way and of those taken together with it. */
  public List<Leg> allLegs() {
    return Stream.concat(
            legs.stream(), alongside.stream().flatMap(other -> other.path().legs().stream()))
        .toList();
  }

  /**
   * One term.
   *
   * @param months those in which the plan is used, within the horizon
   * @param committedTo the month in which the term ends, past the horizon if it does
   * @param offers those that are in force for it
   * @param bills its invoices, credits for leaving it and minimums that end in it among them
   */
  public record Leg(
      Option option, MonthSpan months, int committedTo, List<Offer> offers, List<Invoice> bills) {
    public Leg {
      offers = List.copyOf(offers);
      bills = List.copyOf(bills);
    }

    /** This leg and the next one in a row. */
    private Leg with(Leg next) {
      List<Invoice> all = new ArrayList<>(bills);
      all.addAll(next.bills);
      return new Leg(
          option, new MonthSpan(months.from(), next.months.end()), next.committedTo, offers, all);
    }

    /** Whether the plan stopped qualifying before the term was over. */
    public boolean isLeftEarly(int horizon) {
      return months.end() < committedTo && months.end() < horizon;
    }
  }

  /** Terms in a row under one option, joined: what is drawn as one stretch. */
  public List<Leg> stretches() {
    List<Leg> joined = new ArrayList<>();
    for (Leg leg : legs) {
      if (!joined.isEmpty() && joined.getLast().option().equals(leg.option())) {
        joined.add(joined.removeLast().with(leg));
      } else {
        joined.add(leg);
      }
    }
    return joined;
  }

  /** The stretches without regard to the term: one for each run of months on a plan's option. */
  public List<Leg> byOption() {
    List<Leg> runs = new ArrayList<>();
    for (Leg leg : stretches()) {
      boolean goesOn =
          !runs.isEmpty()
              && isSamePlan(runs.getLast(), leg)
              && runs.getLast().option().addOns().equals(leg.option().addOns());
      if (goesOn) {
        runs.add(runs.removeLast().with(leg));
      } else {
        runs.add(leg);
      }
    }
    return runs;
  }

  /** As {@link #byOption()}, with those of groups that are on plans of their own. */
  public List<Leg> everyOption() {
    return Stream.concat(
            byOption().stream(),
            alongside.stream()
                .filter(other -> other.isOf(Alongside.Kind.GROUPS))
                .flatMap(other -> other.path().byOption().stream()))
        .toList();
  }

  /**
   * What is taken, such as "Crew, monthly" or "Crew, monthly, then Crew, yearly, up front"; with
   * what is taken together with it after a plus.
   */
  public String label() {
    return Stream.concat(Stream.of(ownLabel()), alongside.stream().map(PlanPath::label))
        .collect(Collectors.joining(" + "));
  }

  private static String label(Alongside other) {
    return other.groups().isEmpty()
        ? other.path().label()
        : other.path().label()
            + " for "
            + other.groups().stream().map(Group::name).collect(Collectors.joining(", "));
  }

  /** As {@link #label()}, without what is taken together with it. */
  public String ownLabel() {
    List<Leg> stretches = stretches();
    String first = stretches.getFirst().option().label();
    return switch (stretches.size()) {
      case 1 -> first;
      case 2 -> first + ", then " + stretches.getLast().option().label();
      default -> first + ", then " + (stretches.size() - 1) + " changes";
    };
  }

  /**
   * Units held in plan month {@code m} under the first charge that counts any, included ones with
   * them; empty if nothing is counted.
   */
  public OptionalInt held(int m) {
    Leg leg = leg(m);
    return leg.bills().stream()
        .filter(invoice -> invoice.covers().from() <= m && m < invoice.covers().end())
        .flatMap(invoice -> invoice.lines().stream())
        .flatMapToInt(line -> units(leg, line))
        .max();
  }

  private static IntStream units(Leg leg, InvoiceLine line) {
    return counted(leg)
        .filter(charge -> line instanceof InvoiceLine.Held held && held.charge().equals(charge))
        .map(charge -> ((InvoiceLine.Held) line).units() + charge.rule().included())
        .map(IntStream::of)
        .orElseGet(IntStream::empty);
  }

  private static Optional<Charge.Counted> counted(Leg leg) {
    return leg.option().list().charges().stream()
        .filter(Charge.Counted.class::isInstance)
        .map(Charge.Counted.class::cast)
        .findFirst();
  }

  /** What the first charge counts that counts anything in month {@code m}. */
  public Optional<Measure> counts(int m) {
    return counted(leg(m)).map(Charge.Counted::measure);
  }

  private Leg leg(int m) {
    return legs.stream()
        .filter(leg -> leg.months().contains(m))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No month " + m + " on this way"));
  }

  /** How often the plan changes. */
  public int changes() {
    return changesOfPlan().size();
  }

  /** The plan months in which the plan changes. */
  public List<Integer> changesOfPlan() {
    List<Integer> changes = new ArrayList<>();
    for (int i = 1; i < legs.size(); i++) {
      if (!isSamePlan(legs.get(i - 1), legs.get(i))) {
        changes.add(legs.get(i).months().from());
      }
    }
    return changes;
  }

  private static boolean isSamePlan(Leg a, Leg b) {
    return a.option().plan().id().equals(b.option().plan().id());
  }

  /** What is given back for terms that are left early, 0 or more. */
  public Money credited() {
    return ledger.invoices().stream()
        .flatMap(invoice -> invoice.lines().stream())
        .filter(InvoiceLine.Credit.class::isInstance)
        .map(line -> line.amount().negated())
        .reduce(Money.zero(ledger.currency()), Money::plus);
  }

  /** The working of what is taken when; the amounts stand in the ledger's. */
  public Derivation explain() {
    List<Derivation> parts = new ArrayList<>();
    for (Leg leg : stretches()) {
      parts.add(
          new Derivation.Derived(
              leg.option().label(),
              Quantity.of(leg.months().months(), "months"),
              "from "
                  + ledger.horizon().month(leg.months().from())
                  + " to "
                  + ledger.horizon().month(leg.months().end() - 1),
              List.of()));
    }
    Derivation own = Derivation.Sum.of("The path through the plans", "months", parts);
    if (alongside.isEmpty()) {
      return own;
    }
    List<Derivation> all = new ArrayList<>();
    all.add(own);
    alongside.forEach(other -> all.add(other.path().explain()));
    return new Derivation.Stated("What is bought together", label(), Optional.empty(), all);
  }
}
