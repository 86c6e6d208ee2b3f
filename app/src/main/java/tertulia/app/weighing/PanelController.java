package tertulia.app.weighing;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.exchange.WeighingReader;
import tertulia.app.people.People;
import tertulia.app.people.Role;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Seats;
import tertulia.app.selection.Views;
import tertulia.app.web.Again;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;

/** What people do at a table besides weighing and marking: choose their way, show their view. */
@Controller
class PanelController {
  private final Seats seats;
  private final Views views;
  private final People people;

  PanelController(Seats seats, Views views, People people) {
    this.seats = seats;
    this.views = views;
    this.people = people;
  }

  /** Gives somebody a seat. */
  @PostMapping("/selections/{id}/table")
  String invite(@PathVariable long id, @RequestParam long account, RedirectAttributes flash) {
    People.Entry entry =
        people.all().stream()
            .filter(known -> known.id() == account && !known.disabled())
            .filter(known -> known.role() != Role.READER)
            .findFirst()
            .orElseThrow(() -> new NotFound("account that weighs and marks like that"));
    Again.until(() -> seats.invite(id, account, entry.name()));
    flash.addFlashAttribute(
        "invited", entry.name() + " has a seat. What is asked of them stands on their first page.");
    return "redirect:/selections/" + id + "/weights";
  }

  /** Takes a seat away that nobody has used. */
  @PostMapping("/selections/{id}/table/leave")
  String leave(@PathVariable long id, @RequestParam long member, RedirectAttributes flash) {
    try {
      Again.until(() -> seats.uninvite(id, member));
    } catch (Conflict e) {
      flash.addFlashAttribute("invited", e.message());
    }
    return "redirect:/selections/" + id + "/weights";
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
    Again.until(() -> views.weighBy(id, person, chosen));
    return "redirect:/selections/" + id + "/weights";
  }

  /** Shows the others one's view. */
  @PostMapping("/selections/{id}/hand-in")
  String handIn(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    Again.until(() -> seats.handIn(id, person));
    return back(id, from);
  }

  /** Lets everybody see everybody's view. */
  @PostMapping("/selections/{id}/open-table")
  String open(
      @PathVariable long id,
      @RequestParam(defaultValue = "marks") String from,
      @AuthenticationPrincipal SignedIn person) {
    Again.until(() -> seats.openTable(id, person.name()));
    return back(id, from);
  }

  private static String back(long id, String from) {
    String step = from.matches("weights|marks|decision") ? from : "marks";
    return "redirect:/selections/" + id + "/" + step;
  }
}
