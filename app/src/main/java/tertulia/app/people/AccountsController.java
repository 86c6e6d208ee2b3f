package tertulia.app.people;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Faults;

/** The list of people, for organisers. */
@Controller
class AccountsController {
  private final People people;

  AccountsController(People people) {
    this.people = people;
  }

  @GetMapping("/people")
  String list(Model model) {
    return show(new People.NewAccount("", "", "", Role.MEMBER), new Faults(), model);
  }

  @PostMapping("/people")
  String add(
      @RequestParam String signInName,
      @RequestParam String name,
      @RequestParam String password,
      @RequestParam Role role,
      Model model) {
    Faults faults = new Faults();
    People.NewAccount account = new People.NewAccount(signInName, name, password, role);
    people.add(account, faults);
    return faults.isEmpty() ? "redirect:/people" : show(account, faults, model);
  }

  @PostMapping("/people/{id}")
  String change(@PathVariable long id, @RequestParam Role role, Model model) {
    Faults faults = new Faults();
    people.changeRole(id, role, faults);
    return faults.isEmpty()
        ? "redirect:/people"
        : show(new People.NewAccount("", "", "", Role.MEMBER), faults, model);
  }

  private String show(People.NewAccount account, Faults faults, Model model) {
    model.addAttribute("people", people.all());
    model.addAttribute("roles", Role.values());
    model.addAttribute("account", account);
    model.addAttribute("faults", faults.all());
    return "people/people";
  }
}
