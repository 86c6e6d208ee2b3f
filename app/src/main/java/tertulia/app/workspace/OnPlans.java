package tertulia.app.workspace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.app.display.Voice;
import tertulia.core.evaluation.Contender;

/**
 * That some contenders are read on a plan somebody chose.
 *
 * @param sentence which
 * @param query of the address that reads all on any plan; may be empty
 */
public record OnPlans(String sentence, String query) {
  /** Empty if all contenders are read on any of their plans. */
  static Optional<OnPlans> of(Session session) {
    Map<String, String> plans = session.query().plans();
    if (plans.isEmpty()) {
      return Optional.empty();
    }
    List<String> chosen =
        session.columns().stream()
            .filter(contender -> plans.containsKey(contender.id()))
            .map(contender -> name(contender, plans.getOrDefault(contender.id(), "")))
            .toList();
    return Optional.of(
        new OnPlans(
            Voice.say("plans.chosen", "plans", Voice.list(chosen)),
            session.query().onAnyPlan().query()));
  }

  private static String name(Contender contender, String id) {
    return contender.plans().stream()
        .filter(plan -> plan.id().equals(id))
        .findFirst()
        .map(plan ->
            Voice.say(
                "plans.part.plan", Map.of("tool", contender.tool().name(), "plan", plan.name())))
        .orElse(contender.tool().name());
  }
}
