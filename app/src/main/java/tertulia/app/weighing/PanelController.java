package tertulia.app.weighing;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;
import tertulia.app.web.Again;
import tertulia.app.web.NotFound;

/** What people do at a table besides weighing and marking: choose their way, show their view. */
@Controller
class PanelController {
  private final Selections selections;

  PanelController(Selections selections) {
    this.selections = selections;
  }

  @PostMapping("/selections/{id}/weights/way")
  String way(
      @PathVariable long id, @RequestParam String way, @AuthenticationPrincipal SignedIn person) {
    WeighingReader.Way chosen;
    try {
      chosen = WeighingReader.Way.of(way);
    } catch (IllegalArgumentException e) {
      throw new NotFound("way to weigh called \"" + way + "\"");
    }
    Again.until(() -> selections.weighBy(id, person, chosen));
    return "redirect:/selections/" + id + "/weights";
  }

  /** Shows the others one's view. */
  @PostMapping("/selections/{id}/hand-in")
  String handIn(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    Again.until(() -> selections.handIn(id, person));
    return back(id, from);
  }

  /** Lets everybody see everybody's view. */
  @PostMapping("/selections/{id}/open-table")
  String open(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    Again.until(() -> selections.openTable(id, person.name()));
    return back(id, from);
  }

  private static String back(long id, String from) {
    String step = from.matches("weights|marks|decision") ? from : "marks";
    return "redirect:/selections/" + id + "/" + step;
  }
}
