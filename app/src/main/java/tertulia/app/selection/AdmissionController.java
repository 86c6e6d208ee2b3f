package tertulia.app.selection;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/** Who may open a selection: shown to whoever may, changed by organisers. */
@Controller
class AdmissionController {
  private final Selections selections;
  private final UserAccounts people;

  AdmissionController(Selections selections, UserAccounts people) {
    this.selections = selections;
    this.people = people;
  }

  /**
   * Somebody in the list.
   *
   * @param always whether the role lets them in anyway
   */
  record Person(long id, String name, String role, boolean named, boolean always) {}

  @GetMapping("/selections/{id}/people")
  String show(@PathVariable long id, Model model) {
    Selections.Admission stored = selections.admission(id);
    model.addAttribute("id", id);
    model.addAttribute("question", selections.title(id));
    model.addAttribute("version", stored.version());
    model.addAttribute("open", stored.openToAll());
    model.addAttribute("people", people(stored.named()));
    return "selection/admission";
  }

  @PostMapping("/selections/{id}/people")
  String change(
      @PathVariable long id,
      @RequestParam long version,
      @RequestParam boolean open,
      @RequestParam(defaultValue = "") Set<Long> named,
      RedirectAttributes flash) {
    Set<Long> known =
        people.all().stream()
            .map(UserAccounts.Entry::id)
            .filter(named::contains)
            .collect(Collectors.toSet());
    selections.admit(id, version, open, known);
    flash.addFlashAttribute("done", "Saved. It holds from everybody's next click.");
    return "redirect:/selections/" + id + "/people";
  }

  private List<Person> people(Set<Long> named) {
    return people.all().stream()
        .filter(entry -> !entry.disabled())
        .map(entry ->
            new Person(
                entry.id(),
                entry.name(),
                entry.role().words(),
                named.contains(entry.id()),
                entry.role() == Role.ORGANISER))
        .toList();
  }
}
