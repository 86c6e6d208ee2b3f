package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.core.fit.Answer;

/**
 * Puts into the prices of a page what its plans require of other pages: the plan that one is had
 * only with, and connectors as add-ons. Both are bought under the term of the plan itself, at list;
 * where they are sold only under shorter ones, at the price of the longest of those.
 *
 * @param pages by the tool's id
 * @param had what of other tools is there anyway
 */
record RequiredPrices(Map<String, ToolSheet> pages, Had had) {
  private static final int DEEPEST = 4;

  /**
   * How a tool is there.
   *
   * @param plan id of the plan it is on; null: whichever it needs
   * @param units for how many people it is there; null: for everybody
   */
  record There(@Nullable String plan, @Nullable Integer units) {
    /** Whether its plan is the one asked for, or one that the maker names after it. */
    boolean isOn(ToolSheet page, ToolSheet.PlanPart asked) {
      List<String> ids = page.plans().stream().map(ToolSheet.PlanPart::id).toList();
      return plan == null || ids.indexOf(plan) >= ids.indexOf(asked.id());
    }
  }

  /** What need not be bought again, by the tool's id. */
  record Had(Map<String, There> tools) {
    static final Had NOTHING = new Had(Map.of());

    Had {
      tools = Map.copyOf(tools);
    }

    /** The same with tools that are bought together. */
    Had with(List<String> bought) {
      Map<String, There> all = new HashMap<>(tools);
      bought.forEach(id -> all.put(id, new There(null, null)));
      return new Had(all);
    }
  }

  /** For how many people another plan is there already; empty: for everybody. */
  private Optional<Integer> there(Other other) {
    There there = had.tools().get(other.sheet().id());
    return there == null || !there.isOn(other.sheet(), other.plan())
        ? Optional.of(0)
        : Optional.ofNullable(there.units());
  }

  /** A plan of another page, or of the same. */
  private record Other(ToolSheet sheet, ToolSheet.PlanPart plan) {
    /** What it is called on a page: of another tool with that tool’s name. */
    String named(ToolSheet page) {
      return page.id().equals(sheet.id()) ? plan.name() : sheet.name() + " " + plan.name();
    }

    /** What its charges are called beside those of another plan. */
    String named(String charge) {
      return Codes.shortened(sheet.name() + " " + plan.name() + ": " + charge);
    }

    boolean isFrom() {
      return isLeast(plan);
    }

    boolean isAssumed() {
      return plan.basis() == ToolSheet.Basis.ASSUMED;
    }

    List<ToolSheet.TermPart> high() {
      return isAssumed() ? plan.highPrices() : plan.prices();
    }
  }

  /** A plan of a page by its name, else by its id, which a renamed plan keeps; empty if none. */
  static Optional<ToolSheet.PlanPart> plan(ToolSheet sheet, String named) {
    Stream<ToolSheet.PlanPart> byName =
        sheet.plans().stream().filter(plan -> plan.name().strip().equalsIgnoreCase(named.strip()));
    Stream<ToolSheet.PlanPart> byId =
        sheet.plans().stream().filter(plan -> plan.id().equals(Codes.slug(named)));
    return Stream.concat(byName, byId).findFirst();
  }

  /** The page with all that in its prices; the same page if it requires nothing. */
  ToolSheet in(ToolSheet sheet) {
    boolean requires =
        !sheet.connectors().isEmpty()
            || sheet.plans().stream().anyMatch(plan -> plan.basePlan() != null);
    if (!requires) {
      return sheet;
    }
    List<ToolSheet.PlanPart> plans =
        sheet.plans().stream()
            .map(plan -> connected(sheet, plan))
            .map(plan -> onTop(sheet, plan, 0))
            .toList();
    return sheet.withPlans(plans).withOffers(ownChargesOnly(sheet));
  }

  /** An offer of a tool takes nothing off what others charge. */
  private static List<ToolSheet.OfferPart> ownChargesOnly(ToolSheet sheet) {
    List<String> own =
        sheet.plans().stream()
            .flatMap(plan -> Stream.concat(plan.prices().stream(), plan.highPrices().stream()))
            .flatMap(term ->
                Stream.concat(
                    term.charges().stream(),
                    term.addOns().stream().flatMap(addOn -> addOn.charges().stream())))
            .filter(RequiredPrices::isHeld)
            .map(ToolSheet.ChargePart::name)
            .distinct()
            .toList();
    return sheet.offers().stream()
        .map(offer -> offer.charges().isEmpty() ? offer.withCharges(own) : offer)
        .toList();
  }

  private static boolean isHeld(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.PerUnitPart unit -> true;
      case ToolSheet.BandedPart banded -> true;
      case ToolSheet.FlatPart flat -> true;
      case ToolSheet.OneOffPart once -> false;
      case ToolSheet.UsagePart usage -> false;
      case ToolSheet.PaymentFeePart fee -> false;
    };
  }

  private ToolSheet.PlanPart onTop(ToolSheet sheet, ToolSheet.PlanPart plan, int deep) {
    String named = plan.basePlan();
    if (named == null || plan.prices().isEmpty()) {
      return plan;
    }
    String tool = plan.baseTool() == null ? sheet.id() : plan.baseTool();
    Optional<ToolSheet> page =
        tool.equals(sheet.id()) ? Optional.of(sheet) : Optional.ofNullable(pages.get(tool));
    Optional<Other> base =
        deep >= DEEPEST
            ? Optional.empty()
            : page.flatMap(found ->
                plan(found, named).map(below -> new Other(found, onTop(found, below, deep + 1))));
    ToolSheet.PlanPart called =
        base.map(below -> plan.withBasePlan(below.named(sheet))).orElse(plan);
    if (base.filter(below -> there(below).isEmpty()).isPresent()) {
      return called;
    }
    return base.flatMap(below -> joined(called, below)).orElseGet(() -> least(called));
  }

  /** Only the plan's own price is known. */
  private static ToolSheet.PlanPart least(ToolSheet.PlanPart plan) {
    return plan.withBasis(ToolSheet.Basis.BASE_NOT_PRICED).withHighPrices(List.of());
  }

  private Optional<ToolSheet.PlanPart> joined(ToolSheet.PlanPart plan, Other base) {
    boolean assumed = plan.basis() == ToolSheet.Basis.ASSUMED || base.isAssumed();
    List<ToolSheet.TermPart> planHigh =
        plan.basis() == ToolSheet.Basis.ASSUMED ? plan.highPrices() : plan.prices();
    List<ToolSheet.TermPart> low = joined(plan, plan.prices(), base, base.plan().prices());
    List<ToolSheet.TermPart> high = joined(plan, planHigh, base, base.high());
    Integer most = fewer(plan, base.plan());
    boolean forNobody = most != null && most < plan.least();
    if (!isComparable(plan, base) || low.isEmpty() || forNobody) {
      return Optional.empty();
    }
    ToolSheet.Basis basis =
        isLeast(plan)
            ? plan.basis()
            : base.isFrom()
                ? ToolSheet.Basis.BASE_NOT_PRICED
                : assumed ? ToolSheet.Basis.ASSUMED : plan.basis();
    return Optional.of(
        plan.with()
            .prices(low)
            .highPrices(basis == ToolSheet.Basis.ASSUMED ? high : List.of())
            .basis(basis)
            .most(most)
            .unsaid(
                plan.unsaid().stream()
                    .filter(open -> low.stream().anyMatch(isUnder(open)))
                    .toList())
            .build());
  }

  private static Predicate<ToolSheet.TermPart> isUnder(ToolSheet.UnsaidPart open) {
    return term -> TermCode.of(term.monthsCommitted(), term.upFront()).code().equals(open.term());
  }

  private static boolean isLeast(ToolSheet.PlanPart plan) {
    return plan.basis() == ToolSheet.Basis.FROM
        || plan.basis() == ToolSheet.Basis.QUOTE_ENDED
        || plan.basis() == ToolSheet.Basis.BASE_NOT_PRICED;
  }

  private static @Nullable Integer fewer(ToolSheet.PlanPart plan, ToolSheet.PlanPart base) {
    boolean same = plan.measure().equals(base.measure());
    if (!same || base.most() == null) {
      return plan.most();
    }
    return plan.most() == null ? base.most() : Integer.valueOf(Math.min(plan.most(), base.most()));
  }

  private static boolean isComparable(ToolSheet.PlanPart plan, Other other) {
    return plan.currency().equals(other.plan().currency())
        && java.util.Objects.equals(plan.taxPercent(), other.plan().taxPercent())
        && other.plan().prices().stream().allMatch(term -> term.yearlyMinimum() == null);
  }

  private List<ToolSheet.TermPart> joined(
      ToolSheet.PlanPart plan,
      List<ToolSheet.TermPart> own,
      Other base,
      List<ToolSheet.TermPart> others) {
    List<ToolSheet.TermPart> terms = new ArrayList<>();
    for (ToolSheet.TermPart term : own) {
      under(term, others)
          .ifPresent(found -> {
            List<ToolSheet.ChargePart> charges = new ArrayList<>(term.charges());
            found
                .charges()
                .forEach(charge -> charges.add(charged(plan, base, charge, there(base).orElse(0))));
            terms.add(
                new ToolSheet.TermPart(
                    term.monthsCommitted(),
                    term.upFront(),
                    charges,
                    term.addOns(),
                    term.yearlyMinimum()));
          });
    }
    return terms;
  }

  /**
   * The same term, else as long a one, else the longest that is shorter; empty if there is none.
   */
  private static Optional<ToolSheet.TermPart> under(
      ToolSheet.TermPart term, List<ToolSheet.TermPart> others) {
    return others.stream()
        .filter(other -> other.monthsCommitted() <= term.monthsCommitted())
        .max(
            java.util.Comparator.comparingInt(ToolSheet.TermPart::monthsCommitted)
                .thenComparing(other -> other.upFront() == term.upFront()));
  }

  /**
   * A charge of another plan for the units of this one.
   *
   * @param there units of it that are there already
   */
  private ToolSheet.ChargePart charged(
      ToolSheet.PlanPart plan, Other other, ToolSheet.ChargePart charge, int there) {
    String name = other.named(charge.name());
    return switch (charge) {
      case ToolSheet.PerUnitPart unit -> {
        boolean people = unit.measure().equals(other.plan().measure());
        yield new ToolSheet.PerUnitPart(
            name,
            people ? plan.measure() : unit.measure(),
            unit.price(),
            people ? Math.max(unit.minimum(), other.plan().least()) : unit.minimum(),
            unit.pack(),
            withThere(unit.included(), people ? there : 0));
      }
      case ToolSheet.BandedPart banded -> {
        boolean people = banded.measure().equals(other.plan().measure());
        yield new ToolSheet.BandedPart(
            name,
            people ? plan.measure() : banded.measure(),
            banded.mode(),
            banded.bands(),
            people ? Math.max(banded.minimum(), other.plan().least()) : banded.minimum(),
            banded.pack(),
            withThere(banded.included(), people ? there : 0));
      }
      case ToolSheet.FlatPart flat -> new ToolSheet.FlatPart(name, there > 0 ? "0" : flat.price());
      case ToolSheet.OneOffPart once ->
          new ToolSheet.OneOffPart(name, there > 0 ? "0" : once.price(), once.each());
      case ToolSheet.UsagePart usage ->
          new ToolSheet.UsagePart(
              name,
              usage.measure(),
              usage.perAccount(),
              usage.perSeat(),
              usage.seats(),
              usage.block(),
              usage.price());
      case ToolSheet.PaymentFeePart fee ->
          new ToolSheet.PaymentFeePart(name, fee.measure(), fee.percent(), fee.fixed());
    };
  }

  /** As many as a charge can have; more are there than anybody counts. */
  private static int withThere(int included, int there) {
    return Math.min(1_000_000, included + there);
  }

  /** With the connectors that its facts name as add-ons; what has no price is not known. */
  private ToolSheet.PlanPart connected(ToolSheet sheet, ToolSheet.PlanPart plan) {
    Set<String> named = new LinkedHashSet<>();
    plan.facts().stream()
        .filter(RequiredPrices::isThrough)
        .forEach(fact -> named.add(fact.addOn()));
    if (named.isEmpty()) {
      return plan;
    }
    Map<String, ToolSheet.ConnectorPart> priced = new LinkedHashMap<>();
    sheet.connectors().stream()
        .filter(part -> named.contains(part.name()))
        .filter(part -> isPriced(plan, part))
        .forEach(part -> priced.put(part.name(), part));
    return plan.withPrices(with(plan, plan.prices(), priced.values()))
        .withHighPrices(with(plan, plan.highPrices(), priced.values()))
        .withFacts(
            plan.facts().stream()
                .map(fact ->
                    isThrough(fact) && !priced.containsKey(fact.addOn())
                        ? fact.withAnswer(Codes.code(Answer.UNKNOWN)).withAddOn("")
                        : fact)
                .toList());
  }

  private static boolean isThrough(ToolSheet.FactPart fact) {
    return fact.answer().equals(Codes.code(Answer.THROUGH_CONNECTOR));
  }

  private boolean isPriced(ToolSheet.PlanPart plan, ToolSheet.ConnectorPart part) {
    if (part.price() != null) {
      return plan.currency().equals(part.currency()) || plan.prices().isEmpty();
    }
    return connector(part).filter(other -> there(other).isEmpty()).isPresent()
        || connector(part)
            .filter(other -> isComparable(plan, other))
            .filter(other -> !other.isFrom() && !other.isAssumed())
            .filter(other ->
                plan.prices().stream()
                    .allMatch(term -> under(term, other.plan().prices()).isPresent()))
            .isPresent();
  }

  private Optional<Other> connector(ToolSheet.ConnectorPart part) {
    return Optional.ofNullable(part.tool())
        .map(pages::get)
        .flatMap(page ->
            Optional.ofNullable(part.plan())
                .flatMap(named -> plan(page, named))
                .map(plan -> new Other(page, plan)));
  }

  private List<ToolSheet.TermPart> with(
      ToolSheet.PlanPart plan,
      List<ToolSheet.TermPart> terms,
      java.util.Collection<ToolSheet.ConnectorPart> connectors) {
    return terms.stream()
        .map(term -> {
          List<ToolSheet.AddOnPart> addOns = new ArrayList<>(term.addOns());
          // an add-on of the page that is called so is what is bought
          connectors.stream()
              .filter(part -> term.addOns().stream().noneMatch(a -> a.name().equals(part.name())))
              .forEach(part ->
                  addOns.add(new ToolSheet.AddOnPart(part.name(), charges(plan, term, part))));
          return new ToolSheet.TermPart(
              term.monthsCommitted(), term.upFront(), term.charges(), addOns, term.yearlyMinimum());
        })
        .toList();
  }

  private List<ToolSheet.ChargePart> charges(
      ToolSheet.PlanPart plan, ToolSheet.TermPart term, ToolSheet.ConnectorPart part) {
    if (part.price() != null) {
      return List.of(new ToolSheet.FlatPart(part.name(), part.price()));
    }
    Other other = connector(part).orElseThrow();
    if (there(other).isEmpty()) {
      return List.of(new ToolSheet.FlatPart(part.name(), "0"));
    }
    List<ToolSheet.ChargePart> charges =
        under(term, other.plan().prices()).orElseThrow().charges().stream()
            .map(charge -> charged(plan, other, charge, 0))
            .toList();
    return charges.isEmpty() ? List.of(new ToolSheet.FlatPart(part.name(), "0")) : charges;
  }
}
