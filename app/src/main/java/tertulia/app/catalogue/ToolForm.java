package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A price page as typed: plans across, lines down; every field is text. */
public class ToolForm {
  public long version;
  public String name = "";
  public String maker = "";
  public List<PlanColumn> plans = new ArrayList<>();
  public List<ChargeLine> lines = new ArrayList<>();
  public List<FactLine> facts = new ArrayList<>();
  public List<RatingLine> ratings = new ArrayList<>();

  /** A plan: one column. */
  public static class PlanColumn {
    public String id = "";
    public String name = "";
    public String currency = "EUR";
    public String measure = "seats";
    public String least = "";
    public String most = "";
    public String asOf = "";
    public String ground = "makers-claim";
    public String who = "";
    public String link = "";

    boolean isBlank() {
      return name.isBlank();
    }
  }

  /** A charge: one block of lines, with a cell for each plan. */
  public static class ChargeLine {
    public String name = "";
    public String kind = "per-unit";
    public String measure = "seats";
    public String mode = "whole";
    public List<ChargeCell> cells = new ArrayList<>();

    boolean isBlank() {
      return name.isBlank() && cells.stream().allMatch(ChargeCell::isBlank);
    }
  }

  /** What one plan charges for it: a price by term, and how units are counted. */
  public static class ChargeCell {
    public Map<String, String> prices = new LinkedHashMap<>();
    public String minimum = "";
    public String pack = "";
    public String included = "";

    boolean isBlank() {
      return prices.values().stream().allMatch(price -> price == null || price.isBlank());
    }
  }

  /** A capability with each plan's answer. */
  public static class FactLine {
    public String capability = "";
    public List<String> answers = new ArrayList<>();
    public String asOf = "";
    public String ground = "makers-claim";
    public String who = "";
  }

  /** A public rating. */
  public static class RatingLine {
    public String rating = "";
    public String count = "";
    public String asOf = "";
    public String who = "";

    boolean isBlank() {
      return rating.isBlank() && count.isBlank();
    }
  }
}
