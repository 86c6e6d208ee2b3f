package tertulia.app.fit;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import tertulia.app.exchange.Brief;
import tertulia.app.fit.RowsAsRead.Group;
import tertulia.app.fit.RowsAsRead.Show;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Row;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Comparison;
import tertulia.core.evaluation.NeedCosts;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Measure;

/** The comparison: needs and quantities down, contenders across. */
final class ComparisonRows {
  private final Session session;
  private final RowsAsRead read;

  private ComparisonRows(Session session, RowsAsRead read) {
    this.session = session;
    this.read = read;
  }

  /**
   * A row before it is put in its place.
   *
   * @param cost what it costs the selection; 0 if nothing
   * @param compared what the contenders have of it
   */
  private record Line(
      String name,
      String importance,
      String kind,
      String asked,
      BigDecimal cost,
      Row row,
      Comparison.SideBySide compared) {
    boolean isShown(Show show) {
      return switch (show) {
        case ALL -> true;
        case DIFFER -> compared.differs();
        case SHARED -> compared.isShared();
        case ONLY_ONE -> compared.onlyOneHas();
      };
    }

    String heading(Group group) {
      return switch (group) {
        case IMPORTANCE -> importance;
        case KIND -> kind;
        case ASKED -> asked.isEmpty() ? "Nobody is named" : "Asked for by " + asked;
        case NONE -> "";
      };
    }
  }

  /** The rows as they are to be read, with the headings of their groups. */
  static List<Row> of(Session session, RowsAsRead read) {
    return new ComparisonRows(session, read).rows();
  }

  private List<Row> rows() {
    Map<String, Brief.NeedPart> parts = new LinkedHashMap<>();
    session.table().file().brief().needs().forEach(part -> parts.put(part.id(), part));
    List<Line> lines = new ArrayList<>();
    for (Comparison.SideBySide row :
        session.evaluation().costs().comparison(session.columns()).rows()) {
      lines.add(
          switch (row) {
            case Comparison.SideBySide.OfNeed of ->
                need(of, java.util.Objects.requireNonNull(parts.get(of.need().capability().id())));
            case Comparison.SideBySide.OfMeasure of -> quantity(of);
          });
    }
    List<Line> shown =
        lines.stream()
            .filter(line -> line.isShown(read.show()) && read.finds(line.name()))
            .sorted(order())
            .toList();
    Map<String, List<Row>> groups = new LinkedHashMap<>();
    for (Line line : shown) {
      groups.computeIfAbsent(line.heading(read.group()), h -> new ArrayList<>()).add(line.row());
    }
    List<Row> rows = new ArrayList<>();
    groups.forEach((heading, own) -> {
      if (!heading.isEmpty()) {
        rows.add(new Row(Cell.fact(heading), List.of(), "across"));
      }
      rows.addAll(own);
    });
    return rows;
  }

  private Comparator<Line> order() {
    return switch (read.sort()) {
      case WRITTEN -> Comparator.comparing(line -> 0);
      case NAME -> Comparator.comparing(Line::name, String.CASE_INSENSITIVE_ORDER);
      case COST -> Comparator.comparing(Line::cost).reversed();
    };
  }

  private Line need(Comparison.SideBySide.OfNeed compared, Brief.NeedPart part) {
    Need need = compared.need();
    String asked = part.askedBy() == null ? "" : part.askedBy();
    List<String> notes = new ArrayList<>(List.of(importance(need)));
    if (!asked.isEmpty() && read.group() != Group.ASKED) {
      notes.add(asked);
    }
    if (part.why() != null && read.group() == Group.ASKED) {
      notes.add(part.why());
    }
    if (part.asksHowMany() && compared.mostFirst().size() > 1) {
      notes.add(Unasked.mostFirst(session, compared));
    }
    return new Line(
        need.capability().name(),
        switch (need.importance()) {
          case Importance.Must must -> "Must be there";
          case Importance.Should should -> "Should be there";
          case Importance.Could could -> "Welcome";
        },
        part.ofPlan().isPresent() ? "What it can do" : "Conditions",
        asked,
        cost(need),
        new Row(
            Cell.fact(need.capability().name()).noting(String.join(" · ", notes)),
            session.columns().stream().map(c -> NeedCell.of(session, c, need)).toList(),
            need.importance() instanceof Importance.Must ? "must" : ""),
        compared);
  }

  /** How much a need matters, in words. */
  static String importance(Need need) {
    return switch (need.importance()) {
      case Importance.Must must ->
          "must"
              + (must.partlyIsEnough() ? ", partly is enough" : "")
              + byHand(need)
              + (need.groups().isEmpty() ? "" : ", of some groups only")
              + (need.isAtOnce() ? "" : ", " + need.begins().words());
      case Importance.Should should -> "should, weight " + should.weight() + byHand(need);
      case Importance.Could could -> "could";
    };
  }

  private static String byHand(Need need) {
    return need.byHandIsEnough() ? ", by hand is enough" : "";
  }

  private BigDecimal cost(Need need) {
    Money zero = Money.zero(session.evaluation().selection().currency());
    return session.evaluation().costs().overall().needCosts().lines().stream()
        .filter(line -> line.need().equals(need))
        .findFirst()
        .map((NeedCosts.Line line) -> line.amount(zero).getAmount())
        .orElse(BigDecimal.ZERO);
  }

  /** What is counted and bounded by some contender's plan. */
  private Line quantity(Comparison.SideBySide.OfMeasure compared) {
    Measure measure = compared.measure();
    return new Line(
        measure.label(),
        "Must fit",
        "Quantities",
        "",
        BigDecimal.ZERO,
        new Row(
            Cell.fact(capitalised(measure.label())).noting("of what the plan has"),
            session.columns().stream().map(c -> RoomCell.of(session, c, measure)).toList(),
            "must"),
        compared);
  }

  private static String capitalised(String text) {
    return text.substring(0, 1).toUpperCase(java.util.Locale.ENGLISH) + text.substring(1);
  }
}
