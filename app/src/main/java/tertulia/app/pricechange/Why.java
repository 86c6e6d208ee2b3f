package tertulia.app.pricechange;

import org.springframework.ui.Model;
import tertulia.app.display.WorkingLine;
import tertulia.core.working.Derivation;

/** Shows a working in the panel that answers "why". */
final class Why {
  private Why() {}

  static String show(Derivation working, Model model) {
    model.addAttribute("about", working.label());
    model.addAttribute("line", WorkingLine.of(working));
    return "workspace/why";
  }
}
