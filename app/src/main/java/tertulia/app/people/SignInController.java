package tertulia.app.people;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tertulia.app.exchange.Faults;

/** Signing in, and the very first account. */
@Controller
class SignInController {
  private static final int LONGEST_WAIT = 60;

  private final UserAccounts people;
  private final SetupCode setupCode;
  private final boolean demo;

  SignInController(
      UserAccounts people, SetupCode setupCode, @Value("${tertulia.demo}") boolean demo) {
    this.people = people;
    this.setupCode = setupCode;
    this.demo = demo;
  }

  @GetMapping("/sign-in")
  String signIn(@RequestParam(defaultValue = "0") int wait, Model model) {
    if (people.isEmpty()) {
      return "redirect:/first-account";
    }
    model.addAttribute("wait", Math.clamp(wait, 0, LONGEST_WAIT));
    model.addAttribute("demo", demo ? people.all() : java.util.List.of());
    return "people/sign-in";
  }

  @GetMapping("/first-account")
  String first(Model model) {
    if (!people.isEmpty()) {
      return "redirect:/sign-in";
    }
    model.addAttribute("account", new UserAccounts.NewAccount("", "", "", Role.ORGANISER));
    model.addAttribute("word", "");
    return "people/first-account";
  }

  /** The word is taken before anything is looked at, so that two at once make one account. */
  @PostMapping("/first-account")
  String createFirst(
      @RequestParam String signInName,
      @RequestParam String name,
      @RequestParam String password,
      @RequestParam(defaultValue = "") String word,
      Model model,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (!people.isEmpty()) {
      return "redirect:/sign-in";
    }
    Faults faults = new Faults();
    UserAccounts.NewAccount account =
        new UserAccounts.NewAccount(signInName, name, password, Role.ORGANISER);
    if (setupCode.take(word)) {
      people.add(account, faults);
      if (faults.isEmpty()) {
        return signedIn(request, signInName, password);
      }
      setupCode.giveBack(word);
    } else {
      faults.add(
          "word",
          "This is not the setup code that was printed where the server was started. Look there, or start"
              + " it again for a new one.");
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
    model.addAttribute("account", account);
    model.addAttribute("word", word);
    model.addAttribute("faults", faults.all());
    return "people/first-account";
  }

  /** Whoever has just chosen a password need not type it again. */
  private static String signedIn(HttpServletRequest request, String name, String password) {
    try {
      request.getSession();
      // a session that somebody else began must not become this person's
      request.changeSessionId();
      request.login(name.strip(), password);
      return "redirect:/selections";
    } catch (ServletException e) {
      return "redirect:/sign-in?created";
    }
  }
}
