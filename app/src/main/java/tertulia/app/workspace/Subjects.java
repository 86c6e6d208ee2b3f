package tertulia.app.workspace;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.app.selection.LoadedSelection;
import tertulia.core.evaluation.Selection;
import tertulia.core.remark.Subject;

/** Between what can be asked "why" and what a remark is about. */
final class Subjects {
  /** What tells figures of one name apart besides the contender, in addresses. */
  private static final List<String> PARTS =
      List.of("capability", "measure", "criterion", "plan", "of");

  private Subjects() {}

  /** What is asked about by an address that asks "why". */
  static Subject of(Map<String, String> query) {
    String figure = query.getOrDefault("figure", "");
    String contender = query.getOrDefault("contender", "");
    String criterion = query.getOrDefault("criterion", "");
    if (figure.equals("value")) {
      return new Subject.OfMark(criterion, contender);
    }
    String of = "";
    for (String part : PARTS) {
      of = of.isEmpty() ? query.getOrDefault(part, "") : of;
    }
    return new Subject.OfFigure(figure, contender, of);
  }

  /** What an address asks for "why" about it; empty if nothing is computed there. */
  static Map<String, String> asked(Subject subject) {
    Map<String, String> asked = new LinkedHashMap<>();
    switch (subject) {
      case Subject.OfMark mark -> {
        asked.put("figure", "value");
        asked.put("contender", mark.contender());
        asked.put("criterion", mark.criterion());
      }
      case Subject.OfFigure figure -> {
        if (figure.name().equals("planmore")) {
          // than which other plan, nobody knows any more
          return asked;
        }
        asked.put("figure", figure.name());
        if (!figure.contender().isEmpty()) {
          asked.put("contender", figure.contender());
        }
        if (!figure.of().isEmpty()) {
          asked.put(part(figure.name()), figure.of());
        }
      }
      case Subject.OfStep step -> {}
      case Subject.OfNeed need -> {}
      case Subject.OfContender contender -> {}
      case Subject.OfFact fact -> {}
      case Subject.OfCriterion criterion -> {}
    }
    return asked;
  }

  private static String part(String figure) {
    return switch (figure) {
      case "needcost", "needcostall" -> "capability";
      case "units", "room" -> "measure";
      case "weight", "winner" -> "criterion";
      case "planalone", "planmore" -> "plan";
      default -> "of";
    };
  }

  /** Whether what a remark is to be about is there. */
  static boolean isThere(LoadedSelection table, Subject subject) {
    Selection selection = table.selection();
    return switch (subject) {
      case Subject.OfStep step -> true;
      case Subject.OfNeed need -> hasNeed(table, need.need());
      case Subject.OfContender contender -> sits(selection, contender.contender());
      case Subject.OfFact fact -> hasNeed(table, fact.need()) && sits(selection, fact.contender());
      case Subject.OfCriterion criterion -> judges(selection, criterion.criterion());
      case Subject.OfMark mark ->
          judges(selection, mark.criterion()) && sits(selection, mark.contender());
      case Subject.OfFigure figure ->
          figure.contender().isEmpty() || sits(selection, figure.contender());
    };
  }

  private static boolean hasNeed(LoadedSelection table, String id) {
    return table.file().brief().needs().stream().anyMatch(n -> n.id().equals(id));
  }

  private static boolean sits(Selection selection, String id) {
    return selection.contenders().stream().anyMatch(c -> c.id().equals(id));
  }

  private static boolean judges(Selection selection, String id) {
    return selection.criteria().stream().anyMatch(c -> c.id().equals(id));
  }
}
