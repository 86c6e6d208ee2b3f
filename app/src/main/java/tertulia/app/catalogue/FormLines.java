package tertulia.app.catalogue;

import java.util.List;

/** Finds the line of a form to which something belongs, or adds one. */
final class FormLines {
  private final ToolForm form;

  FormLines(ToolForm form) {
    this.form = form;
  }

  /** What a charge line is about; the add-on is empty for the plan's own charges. */
  record Of(String kind, String measure, String name, String addOn) {
    boolean describes(ToolForm.ChargeLine line) {
      return line.kind.equals(kind)
          && line.measure.equals(measure)
          && line.name.equals(name)
          && line.addOn.equals(addOn);
    }
  }

  /** A column and a term. */
  record Place(int p, String term) {}

  /**
   * The line of a charge: about the same, with the cell free for the term and counting units the
   * same way; a new one if there is none. The cell counts units by {@code rule} afterwards.
   */
  ToolForm.ChargeLine charge(Of of, Place place, ToolForm.ChargeCell rule) {
    ToolForm.ChargeLine line =
        form.lines.stream()
            .filter(of::describes)
            .filter(l -> isFree(cell(l, place.p()), place.term(), rule))
            .findFirst()
            .orElseGet(() -> added(of));
    ToolForm.ChargeCell cell = cell(line, place.p());
    cell.minimum = rule.minimum;
    cell.pack = rule.pack;
    cell.included = rule.included;
    return line;
  }

  private static boolean isFree(ToolForm.ChargeCell cell, String term, ToolForm.ChargeCell rule) {
    boolean same =
        cell.minimum.equals(rule.minimum)
            && cell.pack.equals(rule.pack)
            && cell.included.equals(rule.included);
    return !cell.prices.containsKey(term) && (cell.isBlank() || same);
  }

  private static ToolForm.ChargeCell cell(ToolForm.ChargeLine line, int p) {
    while (line.cells.size() <= p) {
      line.cells.add(new ToolForm.ChargeCell());
    }
    return line.cells.get(p);
  }

  private ToolForm.ChargeLine added(Of of) {
    ToolForm.ChargeLine line = new ToolForm.ChargeLine();
    line.kind = of.kind();
    line.measure = of.measure();
    line.name = of.name();
    line.addOn = of.addOn();
    form.lines.add(line);
    return line;
  }

  /** The line of an allowance from one source, with the cell of column {@code p} there and free. */
  ToolForm.AllowanceLine allowance(String measure, ToolForm.Source source, int p) {
    ToolForm.AllowanceLine line =
        form.allowances.stream()
            .filter(l -> l.measure.equals(measure) && l.source.isSame(source))
            .filter(l -> l.cells.size() <= p || l.cells.get(p).isEmpty())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.AllowanceLine added = new ToolForm.AllowanceLine();
              added.measure = measure;
              added.source = source;
              form.allowances.add(added);
              return added;
            });
    fill(line.cells, p + 1);
    return line;
  }

  /** The line of a capability: it holds the answers that one source gave. */
  ToolForm.FactLine fact(
      String capability, String group, String addOn, ToolForm.Source source, int p) {
    ToolForm.FactLine line =
        form.facts.stream()
            .filter(l -> l.capability.equals(capability) && l.group.equals(group))
            .filter(l -> l.source.isSame(source))
            .filter(l -> l.addOn.isEmpty() || addOn.isEmpty() || l.addOn.equals(addOn))
            .filter(l -> l.answers.size() <= p || l.answers.get(p).isEmpty())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.FactLine added = new ToolForm.FactLine();
              added.capability = capability;
              added.group = group;
              added.source = source;
              form.facts.add(added);
              return added;
            });
    if (!addOn.isEmpty()) {
      line.addOn = addOn;
    }
    fill(line.answers, p + 1);
    return line;
  }

  static void fill(List<String> cells, int size) {
    while (cells.size() < size) {
      cells.add("");
    }
  }
}
