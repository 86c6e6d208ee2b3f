package tertulia.app.weighing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import tertulia.app.display.Dates;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.scoring.Criterion;

/**
 * Marks that the table settled together, and those it may settle.
 *
 * @param lines what is settled
 * @param choices every contender under every criterion that is marked
 */
record SettledView(List<Line> lines, List<Choice> choices) {
  /**
   * A mark settled together.
   *
   * @param cell criterion and contender, as the form sends them
   */
  record Line(String cell, String of, String points, String reason, String noted) {}

  /** A place for a mark. */
  record Choice(String cell, String of) {}

  /** What was typed and refused. */
  record Typed(String cell, String points, String reason, String fault) {
    static final Typed NOTHING = new Typed("", "", "", "");
  }

  static SettledView of(Session session) {
    List<Choice> choices = new ArrayList<>();
    for (Criterion criterion : MarksController.judged(session)) {
      for (Contender contender : session.columns()) {
        choices.add(
            new Choice(
                criterion.id() + " " + contender.id(),
                contender.tool().name() + ", " + criterion.name()));
      }
    }
    List<Line> lines =
        session.table().file().agreed().stream()
            .flatMap(part ->
                choices.stream()
                    .filter(c -> c.cell().equals(part.criterion() + " " + part.contender()))
                    .map(c -> line(part, c)))
            .toList();
    return new SettledView(lines, choices);
  }

  private static Line line(SelectionFile.SettledPart part, Choice choice) {
    return new Line(
        choice.cell(),
        choice.of(),
        part.points(),
        part.reason(),
        "added by " + part.by() + ", " + Dates.day(LocalDate.parse(part.on())));
  }
}
