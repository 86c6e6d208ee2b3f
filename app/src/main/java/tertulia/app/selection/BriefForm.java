package tertulia.app.selection;

import java.util.ArrayList;
import java.util.List;

/** The Need form as typed: every field is text, so that nothing typed is lost. */
public class BriefForm {
  public long version;
  public String title = "";
  public String purpose = "";
  public String asOf = "";
  public String start = "";
  public String months = "";
  public String currency = "";
  public String rise = "";
  public String averagePayment = "";
  public List<GroupLine> groups = new ArrayList<>();
  public List<DemandLine> demand = new ArrayList<>();
  public List<NeedLine> needs = new ArrayList<>();
  public List<RateLine> rates = new ArrayList<>();

  /** A group of people with its dated changes. */
  public static class GroupLine {
    public String id = "";
    public String name = "";
    public String method = "percent";
    public String start = "";
    public String figure = "";
    public List<StepLine> steps = new ArrayList<>();

    boolean isBlank() {
      return name.isBlank() && start.isBlank() && figure.isBlank();
    }
  }

  /** A dated change of headcount. */
  public static class StepLine {
    public String label = "";
    public String from = "";
    public String until = "";
    public String change = "";
    public boolean everyYear;

    boolean isBlank() {
      return label.isBlank() && from.isBlank() && change.isBlank();
    }
  }

  /** Units of a measure; one rate for each group line. */
  public static class DemandLine {
    public String measure = "";
    public String label = "";
    public String fixed = "";
    public List<String> rates = new ArrayList<>();

    boolean isBlank() {
      return fixed.isBlank() && rates.stream().allMatch(rate -> rate == null || rate.isBlank());
    }
  }

  /** A needed capability. */
  public static class NeedLine {
    public String capability = "";
    public String importance = "must";
    public String weight = "";
    public boolean partly;

    boolean isBlank() {
      return capability.isBlank();
    }
  }

  /** A rate of exchange; into the selection's currency if nothing else is said. */
  public static class RateLine {
    public String from = "";
    public String to = "";
    public String rate = "";
    public String on = "";
    public String source = "";

    boolean isBlank() {
      return from.isBlank() && rate.isBlank();
    }
  }
}
