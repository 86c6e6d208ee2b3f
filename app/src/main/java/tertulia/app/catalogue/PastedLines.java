package tertulia.app.catalogue;

import java.util.Optional;
import tertulia.app.exchange.Codes;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading.PlanSaid;

/** The places in a form where what a page says stands; one that says nothing yet becomes it. */
final class PastedLines {
  private final ToolForm form;

  PastedLines(ToolForm form) {
    this.form = form;
  }

  /** The line that charges so; one that says nothing yet becomes it. */
  ToolForm.ChargeLine line(ChargeKind kind, Measure measure, String name, String addOn) {
    for (ToolForm.ChargeLine line : form.lines) {
      boolean counts = !kind.isCounted() || line.measure.equals(measure.id());
      boolean named =
          kind.isBanded() || kind == ChargeKind.PER_UNIT || kind == ChargeKind.FLAT
              ? line.addOn.strip().equals(addOn)
              : line.name.equalsIgnoreCase(name)
                  || kind == ChargeKind.USAGE
                  || kind == ChargeKind.PAYMENT_FEE;
      if (line.kind.equals(kind.code()) && counts && named && !line.name.isBlank()) {
        return line;
      }
    }
    ToolForm.ChargeLine line =
        form.lines.stream()
            .filter(
                l -> l.cells.stream().allMatch(ToolForm.ChargeCell::isBlank) && l.addOn.isBlank())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.ChargeLine added = new ToolForm.ChargeLine();
              form.lines.add(added);
              return added;
            });
    line.kind = kind.code();
    line.measure = measure.id();
    line.name = name;
    line.addOn = addOn;
    return line;
  }

  String cell(ToolForm.ChargeLine line, int p, String term, String text) {
    while (line.cells.size() <= p) {
      line.cells.add(new ToolForm.ChargeCell());
    }
    line.cells.get(p).prices.put(term, text);
    return "lines[" + form.lines.indexOf(line) + "].cells[" + p + "].prices[" + term + "]";
  }

  String rule(ToolForm.ChargeLine line, int p, String what) {
    return "lines[" + form.lines.indexOf(line) + "].cells[" + p + "]." + what;
  }

  int allowance(Measure measure) {
    for (int a = 0; a < form.allowances.size(); a++) {
      if (form.allowances.get(a).measure.equals(measure.id())) {
        return a;
      }
    }
    ToolForm.AllowanceLine line = new ToolForm.AllowanceLine();
    line.measure = measure.id();
    form.allowances.removeIf(ToolForm.AllowanceLine::isBlank);
    form.allowances.add(line);
    return form.allowances.size() - 1;
  }

  int fact(String capability) {
    for (int f = 0; f < form.facts.size(); f++) {
      if (Codes.slug(form.facts.get(f).capability).equals(Codes.slug(capability))) {
        return f;
      }
    }
    ToolForm.FactLine line = new ToolForm.FactLine();
    line.capability = capability;
    form.facts.removeIf(ToolForm.FactLine::isBlank);
    form.facts.add(line);
    return form.facts.size() - 1;
  }

  int column(PlanSaid plan, Optional<String> currency) {
    for (int p = 0; p < form.plans.size(); p++) {
      if (Codes.slug(form.plans.get(p).name).equals(Codes.slug(plan.name().value()))) {
        return p;
      }
    }
    ToolForm.PlanColumn column = new ToolForm.PlanColumn();
    column.name = plan.name().value();
    currency.ifPresent(first -> column.currency = first);
    form.plans.add(column);
    return form.plans.size() - 1;
  }
}
