package tertulia.app.display;

import java.util.List;
import java.util.Map;
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
      return Voice.say("change.nothing");
    }
    String says =
        Voice.all(
            order.cheapestChanges() ? cheapest(order) : "",
            order.leadChanges() ? leadAfter(order) : "");
    return says.isEmpty() ? Voice.say("change.same") : says;
  }

  private String cheapest(ChangeFinding.OrderAfter order) {
    if (order.cheapest().isEmpty()) {
      return Voice.say("change.cheapest.nobody");
    }
    return order.cheapestBefore().isEmpty()
        ? Voice.say("change.cheapest.first", "now", names(order.cheapest()))
        : Voice.say(
            "change.cheapest",
            Map.of("now", names(order.cheapest()), "before", names(order.cheapestBefore())));
  }

  private String leadAfter(ChangeFinding.OrderAfter order) {
    List<String> before = ChangeFinding.OrderAfter.ahead(order.leadBefore());
    List<String> now = ChangeFinding.OrderAfter.ahead(order.lead());
    boolean open = order.lead() instanceof ScoreFinding.OpenLead;
    boolean level = order.lead() instanceof ScoreFinding.LevelLead;
    if (now.isEmpty()) {
      return Voice.say("change.leads.nobody");
    }
    if (before.equals(now) && !level) {
      return Voice.say(
          open ? "change.still-leads.mid-range" : "change.still-leads", "now", names(now));
    }
    if (before.isEmpty() || before.equals(now)) {
      return Voice.say(
          open
              ? "change.leads-first.mid-range"
              : level ? "change.leads-first.level" : "change.leads-first",
          "now",
          names(now));
    }
    return Voice.say(
        open ? "change.leads.mid-range" : level ? "change.leads.level" : "change.leads",
        Map.of("now", names(now), "before", names(before)));
  }
}
