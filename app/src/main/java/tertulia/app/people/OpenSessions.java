package tertulia.app.people;

import java.util.List;
import org.springframework.security.core.session.SessionInformation;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.stereotype.Component;

/** Where people are signed in, and how that ends from elsewhere. */
@Component
class OpenSessions {
  private final SessionRegistry registry;

  OpenSessions(SessionRegistry registry) {
    this.registry = registry;
  }

  List<SessionInformation> of(SignedIn person) {
    return registry.getAllSessions(person, false);
  }

  /** Ends all of a person's sessions; the next click of each says so. */
  void end(long account) {
    endBut(account, "");
  }

  /** As above, but for the one with an identifier. */
  void endBut(long account, String kept) {
    registry.getAllPrincipals().stream()
        .filter(principal -> principal instanceof SignedIn person && person.id() == account)
        .flatMap(principal -> registry.getAllSessions(principal, false).stream())
        .filter(session -> !session.getSessionId().equals(kept))
        .forEach(SessionInformation::expireNow);
  }
}
