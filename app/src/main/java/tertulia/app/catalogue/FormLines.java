package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds the line of a form to which something belongs, or adds one. Lines are looked up by what
 * they are about, so that a page of thousands of lines is read in proportion to them.
 */
final class FormLines {
  private final ToolForm form;
  private final Map<Object, List<ToolForm.ChargeLine>> charges = new HashMap<>();
  private final Map<Object, List<ToolForm.AllowanceLine>> allowances = new HashMap<>();
  private final Map<Object, List<ToolForm.FactLine>> facts = new HashMap<>();
  private final Map<Object, Integer> places = new IdentityHashMap<>();

  /** For a form without lines. */
  FormLines(ToolForm form) {
    this.form = form;
  }

  /** What a charge line is about; the add-on is empty for the plan's own charges. */
  record Of(String kind, String measure, String name, String addOn) {}

  /** A column and a term. */
  record Place(int p, String term) {}

  /**
   * The line of a charge: about the same, with the cell free for the term and counting units the
   * same way; a new one if there is none. The cell counts units by {@code rule} afterwards.
   */
  ToolForm.ChargeLine charge(Of of, Place place, ToolForm.ChargeCell rule) {
    ToolForm.ChargeLine line =
        about(charges, of).stream()
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
    return added(line, form.lines, about(charges, of));
  }

  /** The line of an allowance from one source, with the cell of column {@code p} there and free. */
  ToolForm.AllowanceLine allowance(String measure, ToolForm.Source source, int p) {
    Object key = List.of(measure, source.words());
    ToolForm.AllowanceLine line =
        about(allowances, key).stream()
            .filter(l -> l.cells.size() <= p || l.cells.get(p).isEmpty())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.AllowanceLine added = new ToolForm.AllowanceLine();
              added.measure = measure;
              added.source = source;
              return added(added, form.allowances, about(allowances, key));
            });
    fill(line.cells, p + 1);
    return line;
  }

  /** The line of a capability: it holds the answers that one source gave. */
  ToolForm.FactLine fact(
      String capability, String group, String addOn, ToolForm.Source source, int p) {
    Object key = List.of(capability, group, source.words());
    ToolForm.FactLine line =
        about(facts, key).stream()
            .filter(l -> l.addOn.isEmpty() || addOn.isEmpty() || l.addOn.equals(addOn))
            .filter(l -> l.answers.size() <= p || l.answers.get(p).isEmpty())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.FactLine added = new ToolForm.FactLine();
              added.capability = capability;
              added.group = group;
              added.source = source;
              return added(added, form.facts, about(facts, key));
            });
    if (!addOn.isEmpty()) {
      line.addOn = addOn;
    }
    fill(line.answers, p + 1);
    return line;
  }

  /** Where in its table a line stands that was found or added here; −1 for any other. */
  int place(Object line) {
    return places.getOrDefault(line, -1);
  }

  private static <L> List<L> about(Map<Object, List<L>> lines, Object key) {
    return lines.computeIfAbsent(key, unseen -> new ArrayList<>());
  }

  private <L> L added(L line, List<L> table, List<L> alike) {
    places.put(line, table.size());
    table.add(line);
    alike.add(line);
    return line;
  }

  static void fill(List<String> cells, int size) {
    while (cells.size() < size) {
      cells.add("");
    }
  }
}
