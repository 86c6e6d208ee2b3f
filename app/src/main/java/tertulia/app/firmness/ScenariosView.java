package tertulia.app.firmness;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Workspace;
import tertulia.core.evaluation.Selection;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.sensitivity.Lead;
import tertulia.core.sensitivity.ScenarioGrid.Axis;
import tertulia.core.sensitivity.ScenarioGrid.Cell;
import tertulia.core.sensitivity.ScenarioGrid.Scene;

/**
 * Scenarios as they are read.
 *
 * @param address of a row, up to its number
 * @param columns growth and price rise across
 * @param rows how many there are
 */
record ScenariosView(
    String address,
    String form,
    List<String> columns,
    int rows,
    List<Choice> growth,
    String rises,
    List<Choice> terms,
    List<Choice> needs,
    boolean together,
    String fault) {
  /** Something that can be combined. */
  record Choice(String code, String words, boolean chosen) {}

  /** A row: which needs and terms, and who leads across. */
  record Line(String needs, String terms, List<Shown> cells) {}

  /** One combination. */
  record Shown(String mark, String leader, String ahead, String cost) {}

  static ScenariosView of(Workspace.Session session, ScenariosAsked asked) {
    Selection selection = session.table().selection();
    String whatIf = session.query().query();
    String path = "/selections/" + session.table().id() + "/firmness/scenarios?";
    List<Choice> terms = new ArrayList<>();
    for (Terms each : Terms.values()) {
      terms.add(new Choice(Codes.code(each), each.words(), asked.terms().contains(each)));
    }
    return new ScenariosView(
        path + (whatIf.isEmpty() ? "" : whatIf + "&") + asked.query() + "&row=",
        path + whatIf,
        asked.fault().isEmpty()
            ? asked.rises().stream()
                .flatMap(rise -> asked.growth().stream().map(growth -> growth.words() + rise(rise)))
                .toList()
            : List.of(),
        asked.fault().isEmpty() ? asked.rows().size() : 0,
        selection.scenarios().stream()
            .map(s -> new Choice(s.id(), s.words(), asked.growth().contains(s)))
            .toList(),
        asked.typedRises(),
        terms,
        ScenariosAsked.musts(selection).stream()
            .map(need ->
                new Choice(
                    need.capability().id(), need.capability().name(), asked.given().contains(need)))
            .toList(),
        asked.together(),
        asked.fault());
  }

  private static String rise(PriceRise rise) {
    return rise.isNone()
        ? ", no rise"
        : ", prices " + Figures.percentAsEntered(rise.perYear()) + " a year";
  }

  static Line line(Workspace.Session session, ScenariosAsked asked, int row) {
    List<Scene> scenes = asked.rows().get(row);
    Scene first = scenes.getFirst();
    return new Line(
        first.needs().up().isEmpty()
            ? "every must"
            : "without "
                + first.needs().up().stream()
                    .map(need -> "“" + need.capability().name() + "”")
                    .sorted()
                    .collect(Collectors.joining(" and ")),
        first.terms().words(),
        session.sensitivity().scenarios(scenes).cells().stream()
            .map(cell -> shown(session, cell))
            .toList());
  }

  private static Shown shown(Workspace.Session session, Cell cell) {
    boolean certain = cell.lead().tool().isPresent();
    return cell.first()
        .map(tool ->
            new Shown(
                Marks.inline(session.mark(tool)),
                session.table().selection().contender(tool).tool().name(),
                cell.by().map(ScenariosView::ahead).orElse("")
                    + (certain ? "" : ", not for certain"),
                cell.cost().map(Known::amount).orElse("cost not known")))
        .orElseGet(() ->
            new Shown(
                "",
                cell.lead().basis() == Lead.Basis.NOBODY ? "nobody does" : "nobody for certain",
                "",
                ""));
  }

  private static String ahead(BigDecimal by) {
    return "by " + by.setScale(3, RoundingMode.HALF_UP).toPlainString();
  }

  /** Which of the axes change who leads, in a sentence. */
  static String mattering(Workspace.Session session, ScenariosAsked asked) {
    Set<Axis> mattering =
        session
            .sensitivity()
            .scenarios(asked.rows().stream().flatMap(List::stream).toList())
            .mattering();
    if (mattering.isEmpty()) {
      return "Whatever of this is combined, it does not change who leads.";
    }
    String what = mattering.stream().map(ScenariosView::words).collect(Collectors.joining(", "));
    return "What changes who leads: " + what + ". The rest does not, alone.";
  }

  private static String words(Axis axis) {
    return switch (axis) {
      case GROWTH -> "growth";
      case RISE -> "the price rise";
      case TERMS -> "the terms";
      case NEEDS -> "which musts are kept";
    };
  }
}
