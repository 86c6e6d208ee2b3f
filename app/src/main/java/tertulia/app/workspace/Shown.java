package tertulia.app.workspace;

import java.nio.charset.StandardCharsets;
import org.springframework.web.util.UriUtils;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.Sizes;

/**
 * The place that shows a condition.
 *
 * @param words what that place is called
 */
public record Shown(String words, String href) {

  static Shown of(Session session, Condition condition) {
    String firmness = session.step("firmness");
    return switch (condition.dimension()) {
      case HEADCOUNT, QUANTITY -> new Shown("by size", firmness(firmness, condition) + "#by-size");
      case WEIGHT -> new Shown("weights", firmness + "#rooms");
      case MUST_DROPPED, TERMS, GROWTH -> new Shown("scenarios", firmness + "#scenarios");
      case FACT, MUST_ADDED -> new Shown("Fit", session.step("fit"));
      case WORTH -> new Shown("to find out", firmness + "#find-out");
      case VIEW -> new Shown("Marks", session.step("marks"));
    };
  }

  private static String firmness(String step, Condition condition) {
    return switch (condition) {
      case Condition.Between between ->
          switch (between.axis()) {
            case Sizes.Axis.Headcount people -> step;
            case Sizes.Axis.Quantity quantity ->
                step
                    + (step.contains("?") ? "&" : "?")
                    + "sizes="
                    + UriUtils.encode(quantity.measure().id(), StandardCharsets.UTF_8);
          };
      case Condition.Unless unless -> firmness(step, unless.other());
      case Condition.If other -> step;
      case Condition.Weight other -> step;
      case Condition.Worth other -> step;
      case Condition.Costs other -> step;
      case Condition.Without other -> step;
    };
  }
}
