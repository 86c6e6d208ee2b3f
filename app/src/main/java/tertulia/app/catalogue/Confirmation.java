package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;

/** Facts of a sheet confirmed as of a day: they stay, their date moves. */
record Confirmation(String day) {

  /**
   * The sheet with one thing confirmed.
   *
   * @param key "prices:" and a plan's id, "fact:" and a capability's slug, "allowance:" and a
   *     measure, "condition:" and its kind, "owned:", "doubt:" and a doubt's key, or "unsaid:" and
   *     what {@link #unsaid} makes of it
   * @throws IllegalArgumentException if there is no such thing
   */
  ToolSheet of(ToolSheet sheet, String key) {
    String[] parts = key.split(":", 2);
    String which = parts.length == 2 ? parts[1] : "";
    return switch (parts[0]) {
      case "prices" -> plans(sheet, plan -> plan.id().equals(which), fact -> false, part -> false);
      case "fact" ->
          plans(
              sheet,
              plan -> false,
              fact -> Codes.slug(fact.capability()).equals(which),
              part -> false);
      case "allowance" ->
          plans(sheet, plan -> false, fact -> false, part -> part.measure().equals(which));
      case "condition" -> conditions(sheet, which);
      case "owned" -> owned(sheet);
      case "doubt" -> doubt(sheet, which);
      case "unsaid" -> settled(sheet, which);
      default -> throw new IllegalArgumentException("Nothing is called \"" + key + "\".");
    };
  }

  private ToolSheet plans(
      ToolSheet sheet,
      Predicate<ToolSheet.PlanPart> price,
      Predicate<ToolSheet.FactPart> fact,
      Predicate<ToolSheet.AllowancePart> allowance) {
    return sheet.withPlans(
        sheet.plans().stream()
            .map(plan ->
                plan.with()
                    .source(price.test(plan) ? plan.source().confirmedOn(day) : plan.source())
                    .allowances(
                        plan.allowances().stream()
                            .map(part -> allowance.test(part) ? confirmed(part) : part)
                            .toList())
                    .facts(
                        plan.facts().stream()
                            .map(part -> fact.test(part) ? confirmed(part) : part)
                            .toList())
                    .build())
            .toList());
  }

  private ToolSheet.AllowancePart confirmed(ToolSheet.AllowancePart part) {
    return part.withSource(part.source().confirmedOn(day));
  }

  private ToolSheet.FactPart confirmed(ToolSheet.FactPart part) {
    return part.withSource(part.source().confirmedOn(day));
  }

  private static ToolSheet doubt(ToolSheet sheet, String key) {
    List<String> keys = new ArrayList<>(sheet.confirmed());
    keys.add(key);
    return sheet.withConfirmed(keys);
  }

  /**
   * What is confirmed when somebody says that a price is as it was put down.
   *
   * @param term under which it stands on the page; "all" for one price under all of them
   */
  static String unsaid(ToolSheet.PlanPart plan, ToolSheet.UnsaidPart open, String term) {
    return "unsaid:" + String.join("/", plan.id(), term, open.charge());
  }

  private static ToolSheet settled(ToolSheet sheet, String which) {
    List<ToolSheet.PlanPart> plans =
        sheet.plans().stream()
            .map(plan ->
                plan.withUnsaid(
                    plan.unsaid().stream().filter(open -> !isSettled(plan, open, which)).toList()))
            .toList();
    if (plans.equals(sheet.plans())) {
      throw new IllegalArgumentException("This is no longer open.");
    }
    return sheet.withPlans(plans);
  }

  private static boolean isSettled(
      ToolSheet.PlanPart plan, ToolSheet.UnsaidPart open, String which) {
    return Stream.of(open.term(), ToolForm.ANY_TERM)
        .anyMatch(term -> unsaid(plan, open, term).equals("unsaid:" + which));
  }

  private ToolSheet conditions(ToolSheet sheet, String kind) {
    return sheet.withConditions(
        sheet.conditions().stream()
            .map(part ->
                Codes.code(part.kind()).equals(kind)
                    ? part.withSource(part.source().confirmedOn(day))
                    : part)
            .toList());
  }

  private ToolSheet owned(ToolSheet sheet) {
    ToolSheet.OwnedPart part = sheet.owned();
    if (part == null) {
      throw new IllegalArgumentException("Nothing of " + sheet.name() + " is owned.");
    }
    return sheet.withOwned(part.withSource(part.source().confirmedOn(day)));
  }
}
