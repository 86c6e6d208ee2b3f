package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * In which line of a price page a charge of a plan stands: one about the same whose cell is free
 * for the term and counts units the same way. Found in proportion to the lines that are alike.
 */
final class ChargePlaces {
  /** What a line is about; the add-on is empty for the plan's own charges. */
  record Of(ChargeKind kind, String measure, String name, String addOn) {}

  /** How the units of a cell are counted, as typed; empty: nothing is said. */
  record Rule(String minimum, String pack, String included) {
    static final Rule NONE = new Rule("", "", "");
  }

  /** The terms of a cell that are taken, and how it counts. */
  private static final class Taken {
    private final Set<String> terms = new HashSet<>();
    private Rule rule = Rule.NONE;
  }

  private final Map<Of, List<Integer>> alike = new HashMap<>();
  private final List<Map<Integer, Taken>> lines = new ArrayList<>();

  /** The line for a charge; the number of lines so far if it needs a new one. */
  int place(Of of, int plan, String term, Rule rule) {
    List<Integer> candidates = alike.computeIfAbsent(of, unseen -> new ArrayList<>());
    for (int line : candidates) {
      if (take(lines.get(line), plan, term, rule)) {
        return line;
      }
    }
    lines.add(new HashMap<>());
    take(lines.getLast(), plan, term, rule);
    candidates.add(lines.size() - 1);
    return lines.size() - 1;
  }

  private static boolean take(Map<Integer, Taken> line, int plan, String term, Rule rule) {
    Taken cell = line.computeIfAbsent(plan, free -> new Taken());
    boolean isFree = !cell.terms.contains(term) && (cell.terms.isEmpty() || cell.rule.equals(rule));
    if (isFree) {
      cell.rule = rule;
      cell.terms.add(term);
    }
    return isFree;
  }
}
