package tertulia.app.workspace;

import java.util.Map;
import tertulia.app.web.NotFound;
import tertulia.core.evaluation.Figure;

/** The figure that an address asks "why" of. */
public final class AskedFigure {
  private AskedFigure() {}

  /**
   * The figure; only what stands in the address can be at fault here.
   *
   * @throws NotFound if there is none such
   */
  public static Figure of(Map<String, String> query) {
    try {
      return figure(query);
    } catch (IllegalArgumentException e) {
      throw new NotFound("such figure: " + e.getMessage());
    }
  }

  private static Figure figure(Map<String, String> query) {
    String contender = query.getOrDefault("contender", "");
    String criterion = query.getOrDefault("criterion", "");
    return switch (query.getOrDefault("figure", "")) {
      case "headcount" -> new Figure.Headcount();
      case "units" -> new Figure.Units(query.getOrDefault("measure", ""));
      case "steady" -> new Figure.Steady(contender);
      case "horizon" -> new Figure.Horizon(contender);
      case "way" -> new Figure.BestWay(contender);
      case "inall" -> new Figure.InAll(contender);
      case "month" -> new Figure.Month(contender, Integer.parseInt(query.getOrDefault("of", "0")));
      case "old-tool" -> new Figure.OldTool(Integer.parseInt(query.getOrDefault("of", "0")));
      case "running" ->
          new Figure.Running(contender, Integer.parseInt(query.getOrDefault("of", "0")));
      case "head" ->
          new Figure.PerHead(contender, query.getOrDefault("of", "").equals("12") ? 12 : 1);
      case "year" -> new Figure.Year(contender, Integer.parseInt(query.getOrDefault("of", "0")));
      case "time" -> new Figure.Time(contender);
      case "full" -> new Figure.Full(contender);
      case "remedies" -> new Figure.Remedies(contender);
      case "staff" -> new Figure.WholeStaff(contender);
      case "past" -> new Figure.PastHorizon(contender);
      case "idle" -> new Figure.Idle(contender);
      case "dearer" -> new Figure.Dearer(contender);
      case "needcost" -> new Figure.NeedCost(query.getOrDefault("capability", ""), contender);
      case "needcostall" -> new Figure.NeedCostOfAll(query.getOrDefault("capability", ""));
      case "planalone" -> new Figure.PlanAlone(contender, query.getOrDefault("plan", ""));
      case "planmore" ->
          new Figure.PlanMore(
              contender, query.getOrDefault("plan", ""), query.getOrDefault("than", ""));
      case "room" -> new Figure.Room(contender, query.getOrDefault("measure", ""));
      case "plans" -> new Figure.Plans(contender);
      case "weight" -> new Figure.Weight(criterion);
      case "value" -> new Figure.Value(contender, criterion);
      case "total" -> new Figure.Total(contender);
      case "wins" -> new Figure.Wins(contender);
      case "winner" -> new Figure.Winner(criterion);
      default -> throw new IllegalArgumentException("unknown kind");
    };
  }
}
