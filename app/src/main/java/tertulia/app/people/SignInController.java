package tertulia.app.people;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Faults;

/** Signing in, and the very first account. */
@Controller
class SignInController {
  private final People people;
  private final boolean demo;

  SignInController(People people, @Value("${tertulia.demo}") boolean demo) {
    this.people = people;
    this.demo = demo;
  }

  @GetMapping("/sign-in")
  String signIn(Model model) {
    if (people.isEmpty()) {
      return "redirect:/first-account";
    }
    model.addAttribute("demo", demo ? people.all() : java.util.List.of());
    return "people/sign-in";
  }

  @GetMapping("/first-account")
  String first(Model model) {
    if (!people.isEmpty()) {
      return "redirect:/sign-in";
    }
    model.addAttribute("account", new People.NewAccount("", "", "", Role.ORGANISER));
    return "people/first-account";
  }

  @PostMapping("/first-account")
  String createFirst(
      @RequestParam String signInName,
      @RequestParam String name,
      @RequestParam String password,
      Model model) {
    if (!people.isEmpty()) {
      return "redirect:/sign-in";
    }
    Faults faults = new Faults();
    People.NewAccount account = new People.NewAccount(signInName, name, password, Role.ORGANISER);
    people.add(account, faults);
    if (faults.isEmpty()) {
      return "redirect:/sign-in?created";
    }
    model.addAttribute("account", account);
    model.addAttribute("faults", faults.all());
    return "people/first-account";
  }
}
