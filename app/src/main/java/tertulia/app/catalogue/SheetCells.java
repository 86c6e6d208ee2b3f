package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.UnsaidWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedCount;
import tertulia.core.working.Ground;

/** Everything a price page states, thing by thing, so that two pages can be set side by side. */
public final class SheetCells {
  private static final String KNOWN_FROM = ", known from";
  private final Map<String, String> cells = new LinkedHashMap<>();
  private final ToolSheet sheet;

  private SheetCells(ToolSheet sheet) {
    this.sheet = sheet;
  }

  /**
   * One thing that differs.
   *
   * @param what such as "Crew: Seats, monthly"
   * @param before empty if it was not there
   * @param after empty if it is not there any more
   * @param isSource whether only where something is known from differs, or when it was confirmed
   */
  public record Change(String what, String before, String after, boolean isSource) {
    static Change of(String what, String before, String after) {
      return new Change(what, before, after, false);
    }

    Change under(String heading) {
      return new Change(heading + what, before, after, isSource);
    }
  }

  /** What differs from {@code before} to {@code after}, in the later page's order. */
  public static List<Change> changes(ToolSheet before, ToolSheet after) {
    Map<String, String> old = of(before);
    Map<String, String> now = of(after);
    Set<String> all = new LinkedHashSet<>(now.keySet());
    all.addAll(old.keySet());
    return all.stream()
        .map(what ->
            new Change(
                what,
                old.getOrDefault(what, ""),
                now.getOrDefault(what, ""),
                what.endsWith(KNOWN_FROM)))
        .filter(change -> !change.before().equals(change.after()))
        .toList();
  }

  private static Map<String, String> of(ToolSheet sheet) {
    SheetCells cells = new SheetCells(sheet);
    cells.fill();
    return cells.cells;
  }

  private void fill() {
    put("Name", sheet.name());
    put("Vendor", sheet.maker());
    put("Work areas", String.join(", ", sheet.areas()));
    put("A suite of", String.join(", ", sheet.contains()));
    put("A set of", String.join(", ", sheet.together()));
    List<PriceLine> lines = PriceLine.of(sheet);
    for (int p = 0; p < sheet.plans().size(); p++) {
      plan(lines, p);
    }
    for (ToolSheet.OfferPart offer : sheet.offers()) {
      put("Offer " + offer.name(), OfferText.of(offer, sheet));
      put("Offer " + offer.name() + KNOWN_FROM, source(offer.source()));
    }
    ToolSheet.OwnedPart owned = sheet.owned();
    if (owned != null) {
      put(
          "Owned already",
          owned.units() + " " + Codes.measure(owned.measure()).label() + " until " + owned.until());
      put("Owned already" + KNOWN_FROM, source(owned.source()));
    }
    for (ToolSheet.ConditionPart part : sheet.conditions()) {
      put(part.kind().label(), part.value());
      put(part.kind().label() + KNOWN_FROM, source(part.source()));
    }
    for (ToolSheet.ConnectorPart part : sheet.connectors()) {
      put(
          "Connector " + part.name(),
          part.price() == null
              ? part.plan() + " of " + part.tool()
              : part.price() + " " + part.currency() + " a month");
      put("Connector " + part.name() + KNOWN_FROM, source(part.source()));
    }
    for (ToolSheet.WordPart part : sheet.words()) {
      add(part.topic().label(), part.text());
      add(part.topic().label() + KNOWN_FROM, source(part.source()));
    }
    put(
        "Public ratings",
        sheet.ratings().stream()
            .map(r -> r.rating() + " from " + r.count())
            .collect(Collectors.joining("; ")));
    sheet.ratings().forEach(r -> add("Public ratings" + KNOWN_FROM, source(r.source())));
    put("Confirmed as it is", String.join("; ", sheet.confirmed()));
  }

  private void plan(List<PriceLine> lines, int p) {
    ToolSheet.PlanPart plan = sheet.plans().get(p);
    UnaryOperator<String> about = what -> plan.name() + ": " + what;
    put(about.apply("sold"), sold(plan));
    put(
        about.apply("prices are"),
        ToolForms.basis(plan).replace('-', ' ') + ", in " + plan.currency());
    String base = plan.basePlan();
    if (base != null) {
      put(
          about.apply("had only with"),
          base + (plan.baseTool() == null ? "" : " of " + plan.baseTool()));
    }
    put(about.apply("quote holds until"), plan.holdsUntil() == null ? "" : plan.holdsUntil());
    put(about.apply("tax in prices"), plan.taxPercent() == null ? "" : plan.taxPercent() + " %");
    for (PriceLine line : lines) {
      charge(about, line, p);
    }
    for (ToolSheet.UnsaidPart open : plan.unsaid()) {
      add(
          about.apply(open.charge() + ", " + TermCode.of(open.term()).label() + ", not said"),
          UnsaidWords.note(open.what()));
    }
    put(about.apply("prices" + KNOWN_FROM), source(plan.source()));
    for (ToolSheet.AllowancePart part : plan.allowances()) {
      String measure = Codes.measure(part.measure()).label();
      put(about.apply(measure + " allowed"), AllowanceText.of(part));
      put(about.apply(measure + " allowed" + KNOWN_FROM), source(part.source()));
    }
    for (ToolSheet.FactPart fact : plan.facts().stream().sorted(InForce.FIRST).toList()) {
      String by = fact.addOn().isEmpty() ? "" : " (" + fact.addOn() + ")";
      add(
          about.apply(fact.capability()),
          (TypedCount.isMeant(fact.answer()) ? fact.answer() : fact.answer().replace('-', ' '))
              + by
              + (fact.minutes() == null ? "" : ", " + fact.minutes() + " minutes a workday"));
      add(about.apply(fact.capability() + KNOWN_FROM), source(fact.source()));
    }
  }

  private static String sold(ToolSheet.PlanPart plan) {
    String most = plan.most() == null ? "" : " to " + plan.most();
    return "from " + plan.least() + most + " " + Codes.measure(plan.measure()).label();
  }

  private void charge(UnaryOperator<String> about, PriceLine line, int p) {
    ChargePlaces.Of of = line.of();
    String name = (of.addOn().isEmpty() ? "" : "add-on " + of.addOn() + ", ") + of.name();
    List<String> rule = new ArrayList<>();
    note(rule, line.rule(p).minimum(), "at least %s");
    note(
        rule,
        line.rule(p).pack(),
        line.kind() == ChargeKind.USAGE ? "blocks of %s" : "packs of %s");
    note(rule, line.rule(p).included(), "%s included");
    String suffix = rule.isEmpty() ? "" : " (" + String.join(", ", rule) + ")";
    line.cells()
        .get(p)
        .forEach((term, price) -> {
          String when = term.equals(ToolForm.ANY_TERM) ? "" : ", " + TermCode.of(term).label();
          put(about.apply(name + when), ChargeTexts.price(price).replace("\n", "; ") + suffix);
        });
  }

  private static void note(List<String> rule, String value, String words) {
    if (!value.isEmpty()) {
      rule.add(String.format(Locale.ROOT, words, value));
    }
  }

  private static String source(ToolSheet.SourcePart source) {
    List<String> parts =
        new ArrayList<>(
            List.of(
                Dates.day(java.time.LocalDate.parse(source.asOf())),
                Codes.oneOf(Ground.class, source.ground()).words()));
    for (String part : List.of(source.who(), source.link(), source.note(), source.interest())) {
      if (!part.isEmpty()) {
        parts.add(part);
      }
    }
    return String.join(", ", parts);
  }

  private void put(String what, String text) {
    if (!text.isEmpty()) {
      cells.put(what, text);
    }
  }

  /** Several things of one name stand one after the other. */
  private void add(String what, String text) {
    cells.merge(what, text, (before, more) -> before + "; " + more);
  }
}
