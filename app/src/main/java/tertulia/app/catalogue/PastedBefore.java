package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import tertulia.app.exchange.Codes;

/**
 * Takes out of a sheet what an earlier text brought, before another is read into it. What somebody
 * has changed or added since stays.
 */
final class PastedBefore {
  private final ToolForm form;
  private final ToolForm brought;
  private final Set<String> named;

  private PastedBefore(ToolForm form, ToolForm brought, Set<String> named) {
    this.form = form;
    this.brought = brought;
    this.named = named;
  }

  /**
   * Takes it out.
   *
   * @param brought a form that holds nothing but what the earlier text says
   * @param named slugs of the plans that the other text names: they keep their place
   */
  static void takeOut(ToolForm form, ToolForm brought, Set<String> named) {
    PastedBefore before = new PastedBefore(form, brought, named);
    if (form.name.equals(brought.name)) {
      form.name = "";
    }
    for (int p = 0; p < brought.plans.size(); p++) {
      before.plan(p);
    }
    for (ToolForm.OfferLine offer : brought.offers) {
      form.offers.removeIf(o -> o.name.equals(offer.name) && o.value.equals(offer.value));
    }
    for (ToolForm.ConditionLine condition : brought.conditions) {
      form.conditions.stream()
          .filter(c -> c.kind.equals(condition.kind) && c.value.equals(condition.value))
          .forEach(c -> c.value = "");
    }
  }

  private void plan(int from) {
    ToolForm.PlanColumn old = brought.plans.get(from);
    Optional<ToolForm.PlanColumn> column =
        form.plans.stream()
            .filter(p -> Codes.slug(p.name).equals(Codes.slug(old.name)))
            .findFirst();
    if (column.isEmpty()) {
      return;
    }
    int p = form.plans.indexOf(column.get());
    brought.lines.forEach(line -> charge(line, from, p));
    for (ToolForm.AllowanceLine line : brought.allowances) {
      form.allowances.stream()
          .filter(a -> a.measure.equals(line.measure))
          .forEach(a -> takeOut(a.cells, p, line.cells, from));
    }
    for (ToolForm.FactLine line : brought.facts) {
      form.facts.stream()
          .filter(f -> f.capability.equalsIgnoreCase(line.capability))
          .forEach(f -> takeOut(f.answers, p, line.answers, from));
    }
    ToolForm.PlanColumn now = column.get();
    now.least = now.least.equals(old.least) ? "" : now.least;
    now.most = now.most.equals(old.most) ? "" : now.most;
    now.tax = now.tax.equals(old.tax) ? "" : now.tax;
    if (now.basis.equals(old.basis)) {
      now.basis = new ToolForm.PlanColumn().basis;
    }
    if (isEmpty(p) && !named.contains(Codes.slug(old.name))) {
      remove(p);
    }
  }

  private void charge(ToolForm.ChargeLine line, int from, int p) {
    if (from >= line.cells.size()) {
      return;
    }
    ToolForm.ChargeCell old = line.cells.get(from);
    form.lines.stream()
        .filter(l -> l.kind.equals(line.kind) && l.name.equals(line.name))
        .filter(l -> l.measure.equals(line.measure) && l.addOn.equals(line.addOn))
        .filter(l -> p < l.cells.size())
        .map(l -> l.cells.get(p))
        .forEach(cell -> {
          cell.prices.entrySet().removeIf(e -> e.getValue().equals(old.prices.get(e.getKey())));
          cell.minimum = cell.minimum.equals(old.minimum) ? "" : cell.minimum;
          cell.pack = cell.pack.equals(old.pack) ? "" : cell.pack;
          cell.included = cell.included.equals(old.included) ? "" : cell.included;
        });
  }

  private static void takeOut(List<String> cells, int p, List<String> old, int from) {
    if (p < cells.size() && from < old.size() && cells.get(p).equals(old.get(from))) {
      cells.set(p, "");
    }
  }

  private boolean isEmpty(int p) {
    return form.lines.stream().allMatch(l -> p >= l.cells.size() || l.cells.get(p).isBlank())
        && form.allowances.stream().allMatch(a -> isEmpty(a.cells, p))
        && form.facts.stream().allMatch(f -> isEmpty(f.answers, p))
        && (form.plans.get(p).least + form.plans.get(p).most).isBlank();
  }

  private static boolean isEmpty(List<String> cells, int p) {
    return p >= cells.size() || cells.get(p) == null || cells.get(p).isBlank();
  }

  private void remove(int p) {
    form.plans.remove(p);
    form.lines.stream().filter(l -> p < l.cells.size()).forEach(l -> l.cells.remove(p));
    form.allowances.stream().filter(a -> p < a.cells.size()).forEach(a -> a.cells.remove(p));
    form.facts.stream().filter(f -> p < f.answers.size()).forEach(f -> f.answers.remove(p));
  }
}
