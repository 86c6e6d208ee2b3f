package tertulia.app.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Comparison;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Count;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;

/**
 * Something that contenders have and nobody asked for yet.
 *
 * @param id of the capability
 * @param cells what each contender has of it
 * @param have how many are known to have it, in words; of something counted, most first
 * @param unit in which it is counted; empty if nobody has counted
 */
record Unasked(String id, String name, List<Cell> cells, String have, String unit) {

  /** All of them, those first that would tell the contenders apart. */
  static List<Unasked> of(Session session) {
    List<Need> needs = new ArrayList<>();
    names(session)
        .forEach((id, name) -> {
          Capability capability = new Capability(id, name);
          if (session.table().file().brief().needs().stream()
              .flatMap(need -> need.ofPlan().stream())
              .noneMatch(asked -> Codes.slug(asked).equals(id))) {
            needs.add(new Need(capability, new Importance.Could()));
          }
        });
    return session.evaluation().costs().comparison(session.columns(), needs).rows().stream()
        .sorted(
            Comparator.comparing(Comparison.SideBySide.OfNeed::differs)
                .reversed()
                .thenComparing(
                    row -> row.need().capability().name(), String.CASE_INSENSITIVE_ORDER))
        .map(row -> of(session, row))
        .toList();
  }

  private static Unasked of(Session session, Comparison.SideBySide.OfNeed row) {
    Capability capability = row.need().capability();
    return new Unasked(
        capability.id(),
        capability.name(),
        session.columns().stream().map(c -> NeedCell.of(session, c, row.need())).toList(),
        row.mostFirst().size() > 1 ? mostFirst(session, row) : having(row),
        row.mostFirst().stream().findFirst().flatMap(row::count).map(Count::unit).orElse(""));
  }

  private static String having(Comparison.SideBySide.OfNeed row) {
    return row.having()
        + " of "
        + Figures.counted(row.standings().size(), "contenders")
        + (row.having() == 1 ? " is" : " are")
        + " known to have it";
  }

  /** Such as "most first: Kelp Talk 61, Halvard Desk at least 40". */
  static String mostFirst(Session session, Comparison.SideBySide.OfNeed row) {
    return row.mostFirst().stream()
        .map(i -> session.columns().get(i).tool().name() + " " + row.count(i).orElseThrow().many())
        .collect(Collectors.joining(", ", "most first: ", ""));
  }

  /** Names of what the pages of those at the table say anything about, by id. */
  static Map<String, String> names(Session session) {
    Map<String, String> names = new TreeMap<>();
    session.table().file().contenders().stream()
        .filter(part -> part.setAside() == null)
        .map(SelectionFile.ContenderPart::tool)
        .flatMap(tool -> tool.plans().stream())
        .flatMap(plan -> plan.facts().stream())
        .forEach(fact -> names.putIfAbsent(Codes.slug(fact.capability()), fact.capability()));
    return names;
  }
}
