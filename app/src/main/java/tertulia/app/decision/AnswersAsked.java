package tertulia.app.decision;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tertulia.app.display.Voice;
import tertulia.app.mail.Mail;
import tertulia.app.people.SignedIn;
import tertulia.app.people.UserAccounts;
import tertulia.core.decision.Signatory;
import tertulia.core.decision.Signing;

/** Writes to those who are asked to agree to a proposal. */
@Component
class AnswersAsked {
  private final Mail mail;
  private final UserAccounts people;

  AnswersAsked(Mail mail, UserAccounts people) {
    this.mail = mail;
    this.people = people;
  }

  /**
   * Asks everybody who is named.
   *
   * @param again whether it was asked before and has changed
   */
  void ask(
      long selection, String title, Signing signing, SignedIn person, Instant at, boolean again) {
    String body = Voice.say(again ? "signing.mail.again" : "signing.mail", "person", person.name());
    signing.asked().forEach(one -> send(selection, title, one, person, body, "asked/" + at));
  }

  /** Reminds those who have not answered. */
  List<String> remind(
      long selection, String title, Signing signing, SignedIn person, LocalDate day) {
    String body = Voice.say("signing.mail.reminder", Map.of("person", person.name()));
    List<String> reminded = new ArrayList<>();
    for (Signatory one : signing.waiting()) {
      if (send(selection, title, one, person, body, "reminded/" + day)) {
        reminded.add(one.name());
      }
    }
    return reminded;
  }

  private boolean send(
      long selection, String title, Signatory to, SignedIn from, String body, String occasion) {
    Optional<UserAccounts.Entry> account =
        people.all().stream()
            .filter(entry -> entry.signInName().equals(to.account()) && !entry.disabled())
            .findFirst();
    return account.isPresent()
        && mail.send(
            new Mail.Message(
                account.get().id(),
                selection,
                to.name(),
                title,
                body,
                "/selections/" + selection + "/decision",
                from.name(),
                "answer/" + selection + "/" + account.get().id() + "/" + occasion));
  }
}
