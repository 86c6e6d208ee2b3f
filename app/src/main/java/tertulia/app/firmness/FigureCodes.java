package tertulia.app.firmness;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.web.util.UriUtils;
import tertulia.app.exchange.Codes;
import tertulia.app.workspace.Session;
import tertulia.core.fit.Need;
import tertulia.core.path.Terms;
import tertulia.core.sensitivity.Chances;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Otherwise;
import tertulia.core.sensitivity.ScenarioGrid.NeedSet;
import tertulia.core.sensitivity.ScenarioGrid.Scene;
import tertulia.core.sensitivity.SensitivityFigure;
import tertulia.core.sensitivity.Sizes;
import tertulia.core.sensitivity.TornadoBar;

/** The figures of this step, as addresses ask "why" for them. */
record FigureCodes(Session session) {
  private static final String PEOPLE = "people";

  /** The address that answers "why" for a figure. */
  String why(SensitivityFigure figure) {
    return switch (figure) {
      case SensitivityFigure.Room room -> address("room", room.criterion());
      case SensitivityFigure.Upset upset -> address("upset", upset.contender());
      case SensitivityFigure.First first ->
          address(
              "first",
              first.contender(),
              Codes.code(first.chances().weights()),
              Codes.code(first.chances().marks()));
      case SensitivityFigure.AtSize size -> address("size", axis(size.axis()), "" + size.place());
      case SensitivityFigure.Discount discount -> address("discount", discount.contender());
      case SensitivityFigure.Raised raised -> address("mark", raised.contender());
      case SensitivityFigure.Weighed weighed -> address("weight", weighed.contender());
      case SensitivityFigure.Dropped dropped ->
          address("must", dropped.contender(), dropped.capability());
      case SensitivityFigure.Moved moved -> address("swing", code(moved.swing()));
      case SensitivityFigure.Answer answer -> address("answer", code(answer.found()));
      case SensitivityFigure.InScene scene ->
          address("scene", code(scene.scene()).toArray(String[]::new));
      case SensitivityFigure.StepUp step -> address("step", step.from(), step.to());
    };
  }

  private String address(String figure, String... of) {
    StringBuilder address =
        new StringBuilder("/selections/" + session.table().id() + "/firmness/why?figure=" + figure);
    for (String part : of) {
      address.append("&of=").append(UriUtils.encode(part, StandardCharsets.UTF_8));
    }
    String whatIf = session.query().query();
    return address.append(whatIf.isEmpty() ? "" : "&" + whatIf).toString();
  }

  private static String axis(Sizes.Axis axis) {
    return switch (axis) {
      case Sizes.Axis.Headcount people -> PEOPLE;
      case Sizes.Axis.Quantity quantity -> quantity.measure().id();
    };
  }

  /** What an assumption goes by; no two of a selection share one. */
  private static String code(TornadoBar swing) {
    return switch (swing.assumption()) {
      case TornadoBar.Assumption.Headcount people -> "people";
      case TornadoBar.Assumption.Growth growth -> "growth";
      case TornadoBar.Assumption.Rise rise -> "rise";
      case TornadoBar.Assumption.Rates rates -> "rates";
      case TornadoBar.Assumption.Hour hour -> "hour";
      case TornadoBar.Assumption.Worth worth ->
          "worth " + worth.tool() + " " + worth.criterion().id();
      case TornadoBar.Assumption.Has has -> has(has.fact());
      case TornadoBar.Assumption.OneView view -> "view " + view.member().name();
    };
  }

  private static String has(Otherwise.Confirmed fact) {
    return "has " + fact.tool() + " " + fact.capability().id();
  }

  private static String code(FindOut found) {
    return switch (found.unknown()) {
      case FindOut.Unknown.Worth worth -> "worth " + worth.tool() + " " + worth.criterion().id();
      case FindOut.Unknown.Has has -> "has " + has.tool() + " " + has.capability().id();
      case FindOut.Unknown.StillHas still ->
          "still " + still.tool() + " " + still.capability().id();
    };
  }

  private static List<String> code(Scene scene) {
    List<String> code =
        new ArrayList<>(
            List.of(
                scene.growth().id(),
                scene.rise().perYear().toPlainString(),
                Codes.code(scene.terms())));
    scene.needs().dropped().stream()
        .map(need -> "without " + need.capability().id())
        .sorted()
        .forEach(code::add);
    scene.needs().required().stream()
        .map(need -> "with " + need.capability().id())
        .sorted()
        .forEach(code::add);
    return code;
  }

  /**
   * The figure an address asks for.
   *
   * @throws IllegalArgumentException if there is none
   */
  SensitivityFigure read(String figure, List<String> of) {
    return switch (figure) {
      case "room" -> new SensitivityFigure.Room(part(of, 0));
      case "upset" -> new SensitivityFigure.Upset(part(of, 0));
      case "first" ->
          new SensitivityFigure.First(
              part(of, 0),
              new Chances(
                  Codes.oneOf(Chances.Weights.class, part(of, 1)),
                  Codes.oneOf(Chances.Marks.class, part(of, 2))));
      case "size" -> new SensitivityFigure.AtSize(axis(part(of, 0)), Integer.parseInt(part(of, 1)));
      case "discount" -> new SensitivityFigure.Discount(part(of, 0));
      case "mark" -> new SensitivityFigure.Raised(part(of, 0));
      case "weight" -> new SensitivityFigure.Weighed(part(of, 0));
      case "must" -> new SensitivityFigure.Dropped(part(of, 0), part(of, 1));
      case "swing" ->
          new SensitivityFigure.Moved(
              session.sensitivity().swings().stream()
                  .filter(swing -> code(swing).equals(part(of, 0)))
                  .findFirst()
                  .orElseThrow(() -> unknown(of)));
      case "answer" ->
          new SensitivityFigure.Answer(
              session.sensitivity().findOut(session.today(), session.daysFresh()).stream()
                  .filter(found -> code(found).equals(part(of, 0)))
                  .findFirst()
                  .orElseThrow(() -> unknown(of)));
      case "scene" -> new SensitivityFigure.InScene(scene(of));
      case "step" -> new SensitivityFigure.StepUp(part(of, 0), part(of, 1));
      default -> throw unknown(List.of(figure));
    };
  }

  private static String part(List<String> of, int place) {
    if (place >= of.size()) {
      throw unknown(of);
    }
    return of.get(place);
  }

  private static IllegalArgumentException unknown(List<String> of) {
    return new IllegalArgumentException("\"" + String.join(" ", of) + "\"");
  }

  private Sizes.Axis axis(String code) {
    return code.equals(PEOPLE)
        ? new Sizes.Axis.Headcount()
        : new Sizes.Axis.Quantity(
            Sizes.quantities(session.evaluation().costs()).stream()
                .filter(measure -> measure.id().equals(code))
                .findFirst()
                .orElseThrow(() -> unknown(List.of(code))));
  }

  private Scene scene(List<String> of) {
    Set<Need> dropped = new LinkedHashSet<>();
    Set<Need> required = new LinkedHashSet<>();
    for (Need need : session.table().selection().needs()) {
      if (of.contains("without " + need.capability().id())) {
        dropped.add(need);
      } else if (of.contains("with " + need.capability().id())) {
        required.add(need);
      }
    }
    return new Scene(
        session.table().selection().scenarios().stream()
            .filter(scenario -> scenario.id().equals(part(of, 0)))
            .findFirst()
            .orElseThrow(() -> unknown(of)),
        ScenariosAsked.rise(part(of, 1)),
        Codes.oneOf(Terms.class, part(of, 2)),
        new NeedSet(dropped, required));
  }
}
