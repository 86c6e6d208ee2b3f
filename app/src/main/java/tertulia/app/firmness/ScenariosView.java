package tertulia.app.firmness;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import tertulia.app.chart.Marks;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.firmness.ScenariosAsked.Named;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.sensitivity.Lead;
import tertulia.core.sensitivity.ScenarioGrid.Case;
import tertulia.core.sensitivity.ScenarioGrid.Scene;
import tertulia.core.sensitivity.SensitivityFigure;

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
    List<String> names,
    List<Musts> musts,
    String fault) {
  /** Something that can be combined. */
  record Choice(String code, String words, boolean chosen) {}

  /**
   * A need as a row of the sets of one's own.
   *
   * @param own by set, whether it must be there
   */
  record Musts(String code, String words, boolean stated, List<Boolean> own) {}

  /** A row: which needs and terms, and who leads across. */
  record Line(String needs, String terms, List<Shown> cells) {}

  /** One combination. */
  record Shown(String mark, String leader, String why, String ahead, String cost) {}

  static ScenariosView of(Session session, ScenariosAsked asked) {
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
        names(asked),
        selection.needs().stream().map(need -> musts(need, asked)).toList(),
        asked.fault());
  }

  private static List<String> names(ScenariosAsked asked) {
    List<String> names = new ArrayList<>(asked.named().stream().map(Named::name).toList());
    while (names.size() < ScenariosAsked.MOST_NAMED) {
      names.add("");
    }
    return names;
  }

  private static Musts musts(Need need, ScenariosAsked asked) {
    boolean stated = need.importance() instanceof Importance.Must;
    List<Boolean> own = new ArrayList<>();
    for (int n = 0; n < ScenariosAsked.MOST_NAMED; n++) {
      own.add(
          n < asked.named().size()
              ? asked.named().get(n).musts().contains(need.capability().id())
              : stated);
    }
    return new Musts(need.capability().id(), need.capability().name(), stated, own);
  }

  private static String rise(PriceRise rise) {
    return rise.isNone()
        ? ", no rise"
        : ", prices " + Figures.percentAsEntered(rise.perYear()) + " a year";
  }

  static Line line(Session session, ScenariosAsked asked, int row) {
    List<Scene> scenes = asked.rows().get(row);
    Scene first = scenes.getFirst();
    return new Line(
        asked.words(first.needs()),
        first.terms().words(),
        session.sensitivity().scenarios(scenes).cells().stream()
            .map(cell -> shown(session, cell))
            .toList());
  }

  private static Shown shown(Session session, Case cell) {
    boolean certain = cell.lead().tool().isPresent();
    return cell.first()
        .map(tool ->
            new Shown(
                Marks.inline(session.mark(tool)),
                session.table().selection().contender(tool).tool().name(),
                why(session, cell),
                cell.by().map(ScenariosView::ahead).orElse("")
                    + (certain ? "" : ", not in every case"),
                cell.cost().map(Known::amount).orElse("cost not known")))
        .orElseGet(() ->
            new Shown(
                "",
                cell.lead().basis() == Lead.Basis.NOBODY ? "nobody does" : "nobody in every case",
                why(session, cell),
                "",
                ""));
  }

  private static String why(Session session, Case cell) {
    return new FigureCodes(session).why(new SensitivityFigure.InScene(cell.scene()));
  }

  private static String ahead(BigDecimal by) {
    return "by " + by.setScale(3, RoundingMode.HALF_UP).toPlainString();
  }

  /** Which of what is combined changes who leads, in a sentence. */
  static String mattering(Session session, ScenariosAsked asked) {
    AdviceFindings findings = new AdviceFindings(session.sensitivity());
    return new AdviceWords(session.table().selection())
        .of(findings.mattering(asked.rows().stream().flatMap(List::stream).toList()));
  }
}
