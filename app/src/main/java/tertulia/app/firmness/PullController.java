package tertulia.app.firmness;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.chart.Marks;
import tertulia.app.chart.SwingChart;
import tertulia.app.display.Figures;
import tertulia.app.people.SignedIn;
import tertulia.app.web.NotFound;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Steps;
import tertulia.core.firmness.Reweighed;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/** The totals if one weight were something else; nothing is kept. */
@Controller
class PullController {
  private final Steps steps;

  PullController(Steps steps) {
    this.steps = steps;
  }

  /**
   * What comes of a pulled weight.
   *
   * @param weight of the criterion, as it reads
   * @param lines the highest total first
   */
  record Pulled(String criterion, int weight, List<Line> lines) {}

  /** One contender's total. */
  record Line(String mark, String name, String total, String bar) {}

  @GetMapping("/selections/{id}/firmness/pull")
  String pull(
      @PathVariable long id,
      @RequestParam String criterion,
      @RequestParam int weight,
      @RequestParam Map<String, String> query,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    if (weight < 0 || weight > 100) {
      throw new NotFound("weight of " + weight + " %; weights lie between 0 and 100 %");
    }
    Session session = steps.open(id, query, person);
    Optional<Totals> totals = session.evaluation().scores().totals();
    Criterion pulled =
        totals.map(Totals::criteria).orElse(List.of()).stream()
            .filter(c -> c.id().equals(criterion))
            .findFirst()
            .orElseThrow(() -> new NotFound("criterion \"" + criterion + "\""));
    model.addAttribute("pulled", pulled(session, totals.orElseThrow(), pulled, weight));
    return "firmness/pulled";
  }

  private static Pulled pulled(Session session, Totals totals, Criterion criterion, int weight) {
    Reweighed reweighed = new Reweighed(totals);
    BigDecimal share = BigDecimal.valueOf(weight).movePointLeft(2);
    return new Pulled(
        criterion.name(),
        weight,
        totals.values().keySet().stream()
            .sorted(
                java.util.Comparator.comparing(
                    (String id) -> reweighed.total(id, criterion, share).midpoint(),
                    java.util.Comparator.reverseOrder()))
            .map(id -> line(session, id, reweighed.total(id, criterion, share)))
            .toList());
  }

  private static Line line(Session session, String id, Interval total) {
    String name = session.table().selection().contender(id).tool().name();
    String reads = Figures.score(total);
    return new Line(
        Marks.inline(session.mark(id)),
        name,
        reads,
        SwingChart.bar(total, session.mark(id), name + ": " + reads));
  }
}
