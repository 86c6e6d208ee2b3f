package tertulia.app.display;

import java.util.HashMap;
import java.util.Map;
import java.util.stream.Stream;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.growth.Measure;
import tertulia.core.remark.Subject;

/** What a remark is about, by the names it has now. */
public final class SubjectWords {
  private static final Map<String, String> FIGURES =
      Map.ofEntries(
          Map.entry("headcount", "People"),
          Map.entry("units", "What is counted"),
          Map.entry("steady", "Cost a month"),
          Map.entry("horizon", "Cost over all months"),
          Map.entry("way", "Cheapest path through the plans"),
          Map.entry("month", "Cost of one month"),
          Map.entry("running", "Cost up to a month"),
          Map.entry("old-tool", "Cost of the tool in use"),
          Map.entry("head", "Cost a head"),
          Map.entry("year", "Cost of a year"),
          Map.entry("time", "Staff time"),
          Map.entry("full", "Cost with staff time"),
          Map.entry("remedies", "What would make it the cheapest"),
          Map.entry("staff", "Price for all staff"),
          Map.entry("past", "Committed after the last month"),
          Map.entry("idle", "Paid for and not needed"),
          Map.entry("dearer", "More expensive than the cheapest"),
          Map.entry("needcost", "What a must costs"),
          Map.entry("needcostall", "What a must costs"),
          Map.entry("planalone", "One plan’s cost"),
          Map.entry("planmore", "What a more expensive plan adds"),
          Map.entry("room", "Headroom in the plan"),
          Map.entry("plans", "Which plan is enough"),
          Map.entry("weight", "Weight"),
          Map.entry("winner", "Who leads"),
          Map.entry("wins", "Criteria won"),
          Map.entry("total", "Total score"));

  private final Map<String, String> names;

  /**
   * With names from elsewhere than a file.
   *
   * @param names by kind and id, such as "need/sso"; kinds are need, criterion, contender, task
   */
  public SubjectWords(Map<String, String> names) {
    this.names = Map.copyOf(names);
  }

  public SubjectWords(SelectionFile file) {
    names = new HashMap<>();
    for (Brief.NeedPart need : file.brief().needs()) {
      names.put("need/" + need.id(), need.name());
    }
    for (Brief.CriterionPart criterion : file.brief().criteria()) {
      names.put("criterion/" + criterion.id(), criterion.name());
    }
    for (SelectionFile.ContenderPart part : file.contenders()) {
      names.put("contender/" + part.tool().id(), part.tool().name());
    }
    file.tried().tasks().forEach(task -> names.put("task/" + task.id(), task.words()));
  }

  /** Such as "Slotmeer · Cost a month"; what is not there any more goes by its id. */
  public String of(Subject subject) {
    return switch (subject) {
      case Subject.OfStep step -> step.step().words();
      case Subject.OfNeed need -> name("need", need.need());
      case Subject.OfContender contender -> name("contender", contender.contender());
      case Subject.OfFact fact ->
          name("contender", fact.contender()) + " · " + name("need", fact.need());
      case Subject.OfCriterion criterion -> name("criterion", criterion.criterion());
      case Subject.OfMark mark ->
          name("contender", mark.contender()) + " · " + name("criterion", mark.criterion());
      case Subject.OfFigure figure -> figure(figure);
    };
  }

  /** What a picture stands beside: a mark, or how a task went with a contender. */
  public String beside(String about) {
    String[] parts = about.split("/", -1);
    return parts[0].equals("result") && parts.length == 3
        ? name("contender", parts[2]) + " · " + name("task", parts[1])
        : of(Subject.of(about));
  }

  private String figure(Subject.OfFigure figure) {
    String of =
        Measure.isDefinition(figure.of())
            ? Measure.of(figure.of()).label()
            : names.getOrDefault("criterion/" + figure.of(), figure.of());
    return Stream.of(
            figure.contender().isEmpty() ? "" : name("contender", figure.contender()),
            FIGURES.getOrDefault(figure.name(), figure.name()),
            of)
        .filter(part -> !part.isEmpty())
        .reduce((one, other) -> one + " · " + other)
        .orElse("");
  }

  private String name(String kind, String id) {
    return names.getOrDefault(kind + "/" + id, id + " (not there any more)");
  }
}
