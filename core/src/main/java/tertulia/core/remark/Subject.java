package tertulia.core.remark;

import static java.util.Objects.requireNonNull;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import tertulia.core.finding.Stage;

/**
 * What a remark is about. Ids are those of the selection; what they name may be gone by the time
 * the remark is read.
 */
public sealed interface Subject {
  /** The step at which it stands. */
  Stage step();

  /** Whether what is said of it may tell how somebody judges, so that it waits for own views. */
  boolean isJudged();

  /** Its parts as one text, from which {@link #of} makes it again. */
  String code();

  /**
   * The same where contenders go by other ids.
   *
   * @param ids the new id of each contender by its old one; who is not in it keeps theirs
   */
  default Subject renamed(Map<String, String> ids) {
    return switch (this) {
      case OfStep step -> step;
      case OfNeed need -> need;
      case OfCriterion criterion -> criterion;
      case OfContender of -> new OfContender(renamed(of.contender(), ids));
      case OfFact fact -> new OfFact(fact.need(), renamed(fact.contender(), ids));
      case OfMark mark -> new OfMark(mark.criterion(), renamed(mark.contender(), ids));
      case OfFigure figure ->
          new OfFigure(figure.name(), renamed(figure.contender(), ids), figure.of());
    };
  }

  private static String renamed(String id, Map<String, String> ids) {
    return ids.getOrDefault(id, id);
  }

  /** A step as a whole. */
  record OfStep(Stage step) implements Subject {
    @Override
    public boolean isJudged() {
      return step == Stage.MARKS || step == Stage.WEIGHTS || step == Stage.FIRMNESS;
    }

    @Override
    public String code() {
      return "step/" + step.name().toLowerCase(Locale.ROOT);
    }
  }

  /** A need. */
  record OfNeed(String need) implements Subject {
    @Override
    public Stage step() {
      return Stage.NEED;
    }

    @Override
    public boolean isJudged() {
      return false;
    }

    @Override
    public String code() {
      return "need/" + need;
    }
  }

  /** What is known of a contender. */
  record OfContender(String contender) implements Subject {
    @Override
    public Stage step() {
      return Stage.CONTENDERS;
    }

    @Override
    public boolean isJudged() {
      return false;
    }

    @Override
    public String code() {
      return "contender/" + contender;
    }
  }

  /** What a contender has of a need. */
  record OfFact(String need, String contender) implements Subject {
    @Override
    public Stage step() {
      return Stage.FIT;
    }

    @Override
    public boolean isJudged() {
      return false;
    }

    @Override
    public String code() {
      return "fact/" + need + "/" + contender;
    }
  }

  /** What a criterion means. */
  record OfCriterion(String criterion) implements Subject {
    @Override
    public Stage step() {
      return Stage.WEIGHTS;
    }

    @Override
    public boolean isJudged() {
      return false;
    }

    @Override
    public String code() {
      return "criterion/" + criterion;
    }
  }

  /** What a contender is worth under a criterion. */
  record OfMark(String criterion, String contender) implements Subject {
    @Override
    public Stage step() {
      return Stage.MARKS;
    }

    @Override
    public boolean isJudged() {
      return true;
    }

    @Override
    public String code() {
      return "mark/" + criterion + "/" + contender;
    }
  }

  /**
   * A computed figure.
   *
   * @param name what it is called where it can be asked "why"
   * @param contender whose it is; empty if nobody's alone
   * @param of what else tells it from others of the name; may be empty
   */
  record OfFigure(String name, String contender, String of) implements Subject {
    private static final Set<String> JUDGED = Set.of("weight", "winner", "wins", "total");
    private static final Set<String> OF_FIT =
        Set.of("plans", "room", "needcost", "needcostall", "planalone", "planmore");

    public OfFigure {
      requireNonNull(of);
      if (!name.matches("[a-z-]{1,30}") || contender.contains("/")) {
        throw new IllegalArgumentException("\"" + name + "\" is not a figure.");
      }
    }

    @Override
    public Stage step() {
      return switch (name) {
        case "headcount", "units" -> Stage.NEED;
        case "weight", "winner" -> Stage.WEIGHTS;
        case "wins", "total" -> Stage.MARKS;
        default -> OF_FIT.contains(name) ? Stage.FIT : Stage.COST;
      };
    }

    @Override
    public boolean isJudged() {
      return JUDGED.contains(name);
    }

    @Override
    public String code() {
      return "figure/" + name + "/" + contender + "/" + of;
    }
  }

  /** Longest code there is. */
  int LONGEST = 300;

  /**
   * The subject with a code.
   *
   * @throws IllegalArgumentException if there is none, or it is longer than {@link #LONGEST}
   */
  static Subject of(String code) {
    String[] parts = code.length() > LONGEST ? new String[0] : code.split("/", 4);
    String kind = parts.length == 0 ? "" : parts[0];
    int least = kind.equals("figure") ? 4 : Set.of("fact", "mark").contains(kind) ? 3 : 2;
    if (parts.length != least) {
      throw unknown(code);
    }
    return switch (kind) {
      case "step" -> new OfStep(stage(code, parts[1]));
      case "need" -> new OfNeed(parts[1]);
      case "contender" -> new OfContender(parts[1]);
      case "fact" -> new OfFact(parts[1], parts[2]);
      case "criterion" -> new OfCriterion(parts[1]);
      case "mark" -> new OfMark(parts[1], parts[2]);
      case "figure" -> new OfFigure(parts[1], parts[2], parts[3]);
      default -> throw unknown(code);
    };
  }

  private static Stage stage(String code, String name) {
    for (Stage stage : Stage.values()) {
      if (stage.name().toLowerCase(Locale.ROOT).equals(name)) {
        return stage;
      }
    }
    throw unknown(code);
  }

  private static IllegalArgumentException unknown(String code) {
    return new IllegalArgumentException(
        "\""
            + code
            + "\" is nothing a remark can be about. Name a step, need, contender, fact,"
            + " criterion, mark or figure.");
  }
}
