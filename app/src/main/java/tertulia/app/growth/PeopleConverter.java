package tertulia.app.growth;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fields;
import tertulia.app.exchange.TypedNumber;

/**
 * Between lines of a form and groups of people.
 *
 * @param fields collects what is wrong under the form's field
 * @param places field of the form for each row, such as "groups/0/1", for faults the core finds
 */
public record PeopleConverter(Fields fields, Map<String, String> places) {
  private static final int LONGEST_NAME = 120;

  private static final String HIRES = "hires";
  private static final String HIRES_A_YEAR = "hires-a-year";
  private static final BigDecimal MONTHS = BigDecimal.valueOf(12);

  /** "0.25" people a month are typed; "0.33333333" were four a year. */
  private static final int LONGEST_A_MONTH = 6;

  /** The lines of groups. */
  public static List<PeopleForm.GroupLine> lines(List<Brief.GroupPart> parts) {
    return parts.stream().map(PeopleConverter::line).toList();
  }

  private static PeopleForm.GroupLine line(Brief.GroupPart part) {
    PeopleForm.GroupLine line = new PeopleForm.GroupLine();
    line.id = part.id();
    line.name = part.name();
    line.method = part.method();
    line.start = part.start() == null ? "" : "" + part.start();
    line.figure = figure(part);
    yearly(line);
    line.since = orEmpty(part.since());
    for (Brief.StepPart step : part.steps()) {
      PeopleForm.StepLine s = new PeopleForm.StepLine();
      s.label = step.label();
      s.from = step.from();
      s.until = orEmpty(step.until());
      s.change = "" + step.change();
      s.everyYear = step.everyYear();
      s.onlyIn = orEmpty(step.onlyIn());
      line.steps.add(s);
    }
    return line;
  }

  /** A twelfth that nobody would type is shown as the number a year that was. */
  private static void yearly(PeopleForm.GroupLine line) {
    if (line.method.equals(HIRES) && line.figure.length() > LONGEST_A_MONTH) {
      BigDecimal year =
          new BigDecimal(line.figure).multiply(MONTHS).setScale(2, RoundingMode.HALF_UP);
      if (aMonth(year.toPlainString()).equals(line.figure)) {
        line.method = HIRES_A_YEAR;
        line.figure = year.stripTrailingZeros().toPlainString();
      }
    }
  }

  private static String aMonth(String aYear) {
    return TypedNumber.read(aYear + "/12").text();
  }

  private static String figure(Brief.GroupPart part) {
    if (part.values() != null) {
      return String.join(", ", part.values().stream().map(String::valueOf).toList());
    }
    return part.perMonth() != null ? part.perMonth() : orEmpty(part.percentPerYear());
  }

  private static String orEmpty(@Nullable String text) {
    return text == null ? "" : text;
  }

  /**
   * The groups of lines that are not blank.
   *
   * @param ids takes the id of each line's group; "" for a blank line
   */
  public List<Brief.GroupPart> groups(List<PeopleForm.GroupLine> lines, List<String> ids) {
    List<Brief.GroupPart> parts = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      PeopleForm.GroupLine line = lines.get(i);
      ids.add("");
      if (!line.isBlank()) {
        String at = "groups[" + i + "]";
        places.put("groups/" + parts.size(), at + ".name");
        String name = fields.text(at + ".name", line.name, LONGEST_NAME, true);
        String id = line.id.isBlank() ? Codes.unused(Codes.slug(name), ids) : line.id;
        ids.set(i, id);
        parts.add(group(line, at, id, name, parts.size()));
      }
    }
    if (parts.isEmpty()) {
      fields.faults().add("groups[0].name", "Nobody is named. Name at least one group of people.");
    }
    return parts;
  }

  private Brief.GroupPart group(
      PeopleForm.GroupLine line, String at, String id, String name, int place) {
    boolean listed = line.method.equals("listed");
    List<Integer> values = new ArrayList<>();
    if (listed) {
      for (String value : line.figure.strip().split("[,;\\s]+")) {
        values.add(fields.whole(at + ".figure", value));
      }
    }
    boolean yearly = line.method.equals(HIRES_A_YEAR);
    String typed =
        listed ? "0" : fields.decimal(at + ".figure", line.figure.isBlank() ? "0" : line.figure);
    String figure = yearly && !typed.isEmpty() ? aMonth(typed) : typed;
    String method = yearly ? HIRES : line.method;
    return new Brief.GroupPart(
        id,
        name,
        method,
        listed ? null : Integer.valueOf(fields.whole(at + ".start", line.start)),
        method.equals(HIRES) ? figure : null,
        method.equals("percent") ? figure : null,
        listed ? values : null,
        steps(line, at, place),
        line.since.isBlank() ? null : fields.month(at + ".since", line.since));
  }

  private List<Brief.StepPart> steps(PeopleForm.GroupLine line, String at, int place) {
    List<Brief.StepPart> parts = new ArrayList<>();
    for (int j = 0; j < line.steps.size(); j++) {
      PeopleForm.StepLine step = line.steps.get(j);
      if (!step.isBlank()) {
        String here = at + ".steps[" + j + "]";
        places.put("groups/" + place + "/" + parts.size(), here + ".from");
        parts.add(
            new Brief.StepPart(
                fields.text(here + ".label", step.label, LONGEST_NAME, true),
                fields.month(here + ".from", step.from),
                step.until.isBlank() ? null : fields.month(here + ".until", step.until),
                fields.whole(here + ".change", step.change.replace("+", "").replace('−', '-')),
                step.everyYear,
                step.onlyIn.isBlank() ? null : step.onlyIn));
      }
    }
    return parts;
  }

  /** The scenarios of lines that are not blank; null if they are the standard ones. */
  public @Nullable List<Brief.ScenarioPart> scenarios(List<PeopleForm.ScenarioLine> lines) {
    List<Brief.ScenarioPart> parts = new ArrayList<>();
    List<String> ids = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      PeopleForm.ScenarioLine line = lines.get(i);
      if (!line.isBlank()) {
        String at = "scenarios[" + i + "]";
        places.put("scenarios/" + parts.size(), at + ".multiplier");
        String name = fields.text(at + ".name", line.name, LONGEST_NAME, true);
        String id = line.id.isBlank() ? Codes.unused(Codes.slug(name), ids) : line.id;
        ids.add(id);
        parts.add(
            new Brief.ScenarioPart(id, name, fields.decimal(at + ".multiplier", line.multiplier)));
      }
    }
    return parts.isEmpty() ? null : parts;
  }

  static List<PeopleForm.ScenarioLine> scenarioLines(List<Brief.ScenarioPart> parts) {
    List<PeopleForm.ScenarioLine> lines = new ArrayList<>();
    for (Brief.ScenarioPart part : parts) {
      PeopleForm.ScenarioLine line = new PeopleForm.ScenarioLine();
      line.id = part.id();
      line.name = part.name();
      line.multiplier = part.multiplier();
      lines.add(line);
    }
    return lines;
  }
}
