package tertulia.app.growth;

import java.util.ArrayList;
import java.util.List;

/** Groups of people and scenarios as typed: every field is text, so that nothing typed is lost. */
public class PeopleForm {
  public long version = GrowthPlans.NONE;
  public String start = "";
  public String months = "";
  public List<GroupLine> groups = new ArrayList<>();
  public List<ScenarioLine> scenarios = new ArrayList<>();

  /** A group of people with its dated changes. */
  public static class GroupLine {
    public String id = "";
    public String name = "";
    public String method = "percent";
    public String start = "";
    public String figure = "";
    public String since = "";

    /** Of a new group of a selection, what each of it holds: "seat", "light" or "none". */
    public String holds = "seat";

    /** Whether the group is taken out. */
    public boolean out;

    public List<StepLine> steps = new ArrayList<>();

    /** What is said of it, in a few words; empty if nothing is. */
    public String words() {
      if (isBlank()) {
        return "";
      }
      long changes = steps.stream().filter(step -> !step.isBlank()).count();
      String grows =
          switch (method) {
            case "listed" -> "listed month by month";
            case "hires" -> figure.isBlank() || figure.equals("0") ? "stays" : figure + " a month";
            case "hires-a-year" -> figure + " a year";
            default -> figure.isBlank() || figure.equals("0") ? "stays" : figure + " % a year";
          };
      return (start.isBlank() ? "" : start + " at the start, ")
          + grows
          + (changes == 0
              ? ""
              : changes == 1 ? ", a dated change" : ", " + changes + " dated changes");
    }

    boolean isBlank() {
      return out || name.isBlank() && start.isBlank() && figure.isBlank();
    }
  }

  /** A dated change of headcount. */
  public static class StepLine {
    public String label = "";
    public String from = "";
    public String until = "";
    public String change = "";
    public boolean everyYear;
    public String onlyIn = "";

    boolean isBlank() {
      return label.isBlank() && from.isBlank() && change.isBlank();
    }
  }

  /** How growth may come out. */
  public static class ScenarioLine {
    public String id = "";
    public String name = "";
    public String multiplier = "";

    boolean isBlank() {
      return name.isBlank() && multiplier.isBlank();
    }
  }
}
