package tertulia.app.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Importance;
import tertulia.core.growth.Measure;

/**
 * A part of the Need form: one line that opens.
 *
 * @param id name of the part in the page
 * @param says what is stored in it
 * @param open whether it stands open: there is something to put right, or nothing in it yet
 */
record NeedSection(String id, String title, String says, boolean open) {
  private static final int LONGEST = 110;

  /** Fields of each part, by how their names begin. */
  private static final Map<String, Pattern> FIELDS =
      Map.of(
          "question", Pattern.compile("title|purpose"),
          "needs", Pattern.compile("needs.*"),
          "people", Pattern.compile("groups.*|start|months"),
          "counted", Pattern.compile("demand.*|averagePayment|counting.*"),
          "money", Pattern.compile("currency|asOf|rise|rates.*|leaving"),
          "time", Pattern.compile("hour|changeHours|oldTool"));

  /** All parts in the order in which they are filled in. */
  static List<NeedSection> of(Session session, Set<String> faults) {
    Selection s = session.table().selection();
    List<NeedSection> sections = new ArrayList<>();
    sections.add(section("question", "The question", shortened(s.purpose()), false, faults));
    sections.add(section("needs", "What must be there", needs(s), s.needs().isEmpty(), faults));
    sections.add(
        section(
            "people",
            "Who, and how many",
            people(s, session.evaluation().costs()),
            s.groups().isEmpty(),
            faults));
    List<Measure> unstated =
        s.counted().stream().filter(measure -> !s.demands().containsKey(measure)).toList();
    sections.add(
        section("counted", "What is counted", counted(s, unstated), s.demands().isEmpty(), faults));
    sections.add(section("money", "Money and rates", money(s), false, faults));
    sections.add(section("time", "Staff time", time(s), false, faults));
    return sections;
  }

  private static NeedSection section(
      String id, String title, String says, boolean empty, Set<String> faults) {
    boolean wrong =
        faults.stream()
            .anyMatch(field -> Objects.requireNonNull(FIELDS.get(id)).matcher(field).matches());
    return new NeedSection(id, title, says, wrong || empty);
  }

  private static String shortened(String text) {
    String line =
        text.strip()
            .lines()
            .findFirst()
            .orElse("for whom, and for which job only: nothing said yet");
    return line.length() <= LONGEST
        ? line
        : line.substring(
                0, line.lastIndexOf(' ', LONGEST) < 20 ? LONGEST : line.lastIndexOf(' ', LONGEST))
            + " …";
  }

  private static String needs(Selection s) {
    if (s.needs().isEmpty()) {
      return "nothing yet; everybody is in";
    }
    long musts = s.needs().stream().filter(n -> n.importance() instanceof Importance.Must).count();
    long shoulds =
        s.needs().stream().filter(n -> n.importance() instanceof Importance.Should).count();
    List<String> parts = new ArrayList<>();
    counted(musts, "musts", parts);
    counted(shoulds, "shoulds", parts);
    counted(s.needs().size() - musts - shoulds, "coulds", parts);
    return String.join(", ", parts);
  }

  private static void counted(long number, String of, List<String> parts) {
    if (number > 0) {
      parts.add(Figures.counted(number, of));
    }
  }

  private static String people(Selection s, Costs costs) {
    if (s.groups().isEmpty()) {
      return "nobody yet";
    }
    return Figures.counted(costs.overall().today().total(), "people")
        + " in "
        + Figures.counted(s.groups().size(), "groups")
        + (costs.overall().highestPlanned() > costs.overall().today().total()
            ? ", up to " + Figures.whole(costs.overall().highestPlanned())
            : "")
        + ", over "
        + Figures.counted(s.horizon().months(), "months")
        + " from "
        + Dates.shortMonth(s.horizon().start());
  }

  private static String counted(Selection s, List<Measure> unstated) {
    String stated =
        s.demands().isEmpty()
            ? "nothing yet"
            : String.join(", ", s.demands().keySet().stream().map(Measure::label).toList());
    return unstated.isEmpty()
        ? stated
        : stated
            + "; contenders count "
            + String.join(", ", unstated.stream().map(Measure::label).toList())
            + " too, and nobody has said how many";
  }

  private static String money(Selection s) {
    return s.currency().getCode()
        + ", rates of "
        + Dates.day(s.asOf())
        + (s.rise().isNone()
            ? ", prices stay"
            : ", prices rise " + Figures.percent(s.rise().perYear()) + " a year");
  }

  private static String time(Selection s) {
    return s.practice()
        .labour()
        .hour()
        .map(hour -> "an hour costs " + hour.toPlainString() + " " + s.currency().getCode())
        .orElse("nobody has said what an hour costs; only needed for the full cost");
  }
}
