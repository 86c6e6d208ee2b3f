package tertulia.app.people;

import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Asks somebody who is signed in for their password again, before what cannot be taken back.
 * Guessing is slowed down as at signing in: an open session does not know the password.
 */
@Component
public class OwnPassword {
  private static final Logger LOG = LoggerFactory.getLogger(OwnPassword.class);
  private final UserAccounts people;
  private final LoginThrottle guesses;

  OwnPassword(UserAccounts people, LoginThrottle guesses) {
    this.people = people;
    this.guesses = guesses;
  }

  /**
   * What is wrong with a password that was entered again, as a sentence; empty if it is the one.
   *
   * @param undone what did not happen because of it, such as "nothing was signed"
   */
  public Optional<String> fault(SignedIn person, String entered, String undone) {
    String where = "the session of " + person.id();
    try (LoginThrottle.Try attempt = guesses.begin(person.getUsername(), where)) {
      if (!attempt.left().isZero()) {
        return Optional.of(
            "There were too many wrong passwords, so "
                + undone
                + ". Wait "
                + (attempt.left().toSeconds() + 1)
                + " seconds, then enter the one you sign in with.");
      }
      if (people.isPasswordOf(person.id(), entered)) {
        attempt.right();
        return Optional.empty();
      }
      attempt.wrong();
      LOG.warn("Account {} entered a wrong password in its session", person.id());
      return Optional.of(
          "This is not your own password, so " + undone + ". Enter the one you sign in with.");
    }
  }
}
