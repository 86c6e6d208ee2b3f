package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Fields;
import tertulia.app.exchange.SelectionFile.EffortPart;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.labour.StaffEffort;

/** The hours each contender takes, as typed. */
public class EffortForm {
  public List<Line> lines = new ArrayList<>();

  /** One contender's hours; all empty: nobody has said. */
  public static class Line {
    public String contender = "";
    public String name = "";
    public String setUp = "";
    public String migration = "";
    public String learning = "";
    public String upkeep = "";
    public String manualMinutes = "";
    public String parallelMonths = "";

    boolean isEmpty() {
      return all().stream().allMatch(text -> text == null || text.isBlank());
    }

    private List<String> all() {
      return List.of(setUp, migration, learning, upkeep, manualMinutes, parallelMonths);
    }
  }

  /** Of how many contenders somebody has said something. */
  public String words() {
    long said = lines.stream().filter(line -> !line.isEmpty()).count();
    return said == 0
        ? "nobody has said anything yet"
        : "said of " + said + " of " + Figures.counted(lines.size(), "contenders");
  }

  static EffortForm of(Session session) {
    EffortForm form = new EffortForm();
    session.columns().forEach(contender -> form.lines.add(line(contender)));
    return form;
  }

  private static Line line(Contender contender) {
    Line line = new Line();
    line.contender = contender.id();
    line.name = contender.tool().name();
    contender.takes().ifPresent(effort -> write(effort, line));
    return line;
  }

  private static void write(StaffEffort effort, Line line) {
    line.setUp = effort.setUp().toPlainString();
    line.migration = effort.migration().toPlainString();
    line.learning = effort.learning().toPlainString();
    line.upkeep = effort.upkeep().toPlainString();
    line.manualMinutes = effort.manualMinutes().toPlainString();
    line.parallelMonths = "" + effort.parallelMonths();
  }

  /** What a line says; empty if it is empty. Fields left empty beside others count as none. */
  static Optional<EffortPart> part(Line line, String at, Fields fields) {
    if (line.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new EffortPart(
            hours(fields, at + ".setUp", line.setUp),
            hours(fields, at + ".migration", line.migration),
            hours(fields, at + ".learning", line.learning),
            hours(fields, at + ".upkeep", line.upkeep),
            hours(fields, at + ".manualMinutes", line.manualMinutes),
            line.parallelMonths == null || line.parallelMonths.isBlank()
                ? 0
                : fields.whole(at + ".parallelMonths", line.parallelMonths)));
  }

  private static String hours(Fields fields, String field, @Nullable String text) {
    return text == null || text.isBlank()
        ? "0"
        : fields.read(
            field,
            text,
            t -> {
              java.math.BigDecimal hours = tertulia.app.exchange.Codes.decimal(t);
              if (hours.signum() < 0
                  || hours.compareTo(java.math.BigDecimal.valueOf(100_000)) > 0) {
                throw new IllegalArgumentException(
                    "Hours and minutes lie between 0 and 100,000; found " + t + ".");
              }
              return hours.toPlainString();
            });
  }
}
