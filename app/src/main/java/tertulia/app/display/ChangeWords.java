package tertulia.app.display;

import java.util.ArrayList;
import java.util.List;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.ChangeFinding;
import tertulia.core.finding.ScoreFinding;

/** What a change does. */
record ChangeWords(Selection selection) implements SelectionWords {
  String of(ChangeFinding finding) {
    return switch (finding) {
      case ChangeFinding.OrderAfter order -> order(order);
    };
  }

  private String order(ChangeFinding.OrderAfter order) {
    if (order.isNothing()) {
      return "Nobody is cheapest or leads, before or after.";
    }
    List<String> says = new ArrayList<>();
    if (order.cheapestChanges()) {
      says.add(
          anybody(order.cheapest())
              + " would be cheapest instead of "
              + anybody(order.cheapestBefore()));
    }
    if (order.leadChanges()) {
      says.add(leadAfter(order));
    }
    return says.isEmpty()
        ? "The cheapest and the leader stay."
        : capitalised(String.join("; ", says)) + ".";
  }

  private String leadAfter(ChangeFinding.OrderAfter order) {
    List<String> before = ChangeFinding.OrderAfter.ahead(order.leadBefore());
    List<String> now = ChangeFinding.OrderAfter.ahead(order.lead());
    String how =
        switch (order.lead()) {
          case ScoreFinding.OpenLead open -> ", by the middle of what its total can be";
          case ScoreFinding.LevelLead level -> ", level";
          default -> before.equals(now) ? ", whatever is not known" : "";
        };
    return anybody(now)
        + " would lead the totals"
        + (before.equals(now) ? "" : " instead of " + anybody(before))
        + how;
  }

  private String anybody(List<String> tools) {
    return tools.isEmpty() ? "nobody" : names(tools);
  }
}
