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
  private final ChargePlaces charges = new ChargePlaces();
  private final Map<Object, List<ToolForm.AllowanceLine>> allowances = new HashMap<>();
  private final Map<Object, List<ToolForm.FactLine>> facts = new HashMap<>();
  private final Map<Object, Integer> places = new IdentityHashMap<>();

  /** For a form without lines. */
  FormLines(ToolForm form) {
    this.form = form;
  }

  /**
   * The line of a charge: about the same, with the cell free for the term and counting units the
   * same way; a new one if there is none. The cell counts units by {@code rule} afterwards.
   */
  ToolForm.ChargeLine charge(ChargePlaces.Of of, int plan, String term, ChargePlaces.Rule rule) {
    int place = charges.place(of, plan, term, rule);
    if (place == form.lines.size()) {
      ToolForm.ChargeLine added = ToolForm.ChargeLine.about(of);
      places.put(added, place);
      form.lines.add(added);
    }
    ToolForm.ChargeLine line = form.lines.get(place);
    while (line.cells.size() <= plan) {
      line.cells.add(new ToolForm.ChargeCell());
    }
    line.cells.get(plan).count(rule);
    return line;
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
      String capability,
      String group,
      String addOn,
      String minutes,
      ToolForm.Source source,
      int p) {
    Object key = List.of(capability, group, source.words());
    ToolForm.FactLine line =
        about(facts, key).stream()
            .filter(l -> l.addOn.isEmpty() || addOn.isEmpty() || l.addOn.equals(addOn))
            .filter(l -> l.minutes.isEmpty() || minutes.isEmpty() || l.minutes.equals(minutes))
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
    if (!minutes.isEmpty()) {
      line.minutes = minutes;
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
