package tertulia.app.need;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TypedMeasure;
import tertulia.app.growth.PeopleForm;

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

  /** Whether the groups are those of the growth plan. */
  public boolean follows;

  public String hour = "";
  public String changeHours = "";
  public String oldTool = "";
  public String leaving = "credited";
  public List<PeopleForm.GroupLine> groups = new ArrayList<>();
  public List<DemandLine> demand = new ArrayList<>();
  public List<NeedLine> needs = new ArrayList<>();
  public List<RateLine> rates = new ArrayList<>();

  /** Something of one's own that is to be counted. */
  public TypedMeasure counting = new TypedMeasure();

  /** Units of a measure; one rate for each group line. */
  public static class DemandLine {
    public String measure = "";
    public String label = "";

    /** How it adds up, such as "a month". */
    public String nature = "";

    /** Whether it matters here; the others stand behind a search. */
    public boolean used;

    /** Whether it adds up over a month, so that a rate may be said as a habit. */
    public boolean byHabit;

    public String fixed = "";
    public List<String> rates = new ArrayList<>();

    /** Whether it adds up since the start, so that something may be there already. */
    public boolean sums;

    /** Whether people have a seat or none, so that no more of it is to be had elsewhere. */
    public boolean people;

    public String stock = "";
    public String outsideBy = "";
    public String outsideUpTo = "";
    public String outsideMonthly = "";

    /** What is said beyond how many, in a few words; empty if nothing is. */
    public String more() {
      return java.util.stream.Stream.of(
              stock.isBlank() ? "" : stock + " at the start",
              outsideBy.isBlank() ? "" : "up to " + outsideUpTo + " more by " + outsideBy)
          .filter(part -> !part.isBlank())
          .collect(java.util.stream.Collectors.joining(" · "));
    }

    /** What the row of a measure is called where it is looked for. */
    public String place() {
      return Codes.slug(measure);
    }

    boolean isBlank() {
      return fixed.isBlank()
          && stock.isBlank()
          && isNotCovered()
          && rates.stream().allMatch(rate -> rate == null || rate.isBlank());
    }

    boolean isNotCovered() {
      return outsideBy.isBlank() && outsideUpTo.isBlank() && outsideMonthly.isBlank();
    }
  }

  /** A needed capability, or a condition. */
  public static class NeedLine {
    /** Empty, or the kind of condition. */
    public String condition = "";

    public String capability = "";
    public String importance = "must";
    public String weight = "";
    public boolean partly;
    public boolean byHand;
    public String outsideBy = "";
    public String outsideMonthly = "";
    public String askedBy = "";
    public String why = "";

    /** When a must begins to count: a month, or so many people; empty: at once. */
    public String begins = "";

    /** Names of the groups that need it, of a must; empty: everybody does. */
    public String groups = "";

    /** What is said beyond the need itself, in a few words; empty if nothing is. */
    public String more() {
      return java.util.stream.Stream.of(
              condition,
              partly ? "partly is enough" : "",
              byHand ? "by hand is enough" : "",
              begins.isBlank() ? "" : "from " + begins,
              groups.isBlank() ? "" : "for " + groups,
              outsideBy.isBlank() ? "" : "or " + outsideBy,
              askedBy.isBlank() ? "" : "asked for by " + askedBy,
              why)
          .filter(part -> !part.isBlank())
          .collect(java.util.stream.Collectors.joining(" · "));
    }

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
