package tertulia.app.selection;

import java.util.Optional;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import tertulia.app.people.SignedIn;

/**
 * The one place that says who may open which selection: everybody with an account, or only the
 * people named. Organisers may open every one, so that none can be lost with the people in it. To
 * everybody else a selection that is not theirs does not exist.
 */
@Component
class SelectionAccess {
  /** Whether a selection is there for whoever is signed in; a deleted one is for nobody. */
  boolean admits(SelectionRow row) {
    return row.putAway != PutAway.How.DELETED && isOpenTo(row);
  }

  /** The same whether or not it is deleted. */
  boolean isOpenTo(SelectionRow row) {
    Authentication here = SecurityContextHolder.getContext().getAuthentication();
    if (row.openToAll || here == null) {
      // without anybody asking it is the program itself, at its start
      return true;
    }
    return visitor(here)
        .filter(person -> person.organises() || row.named.contains(person.id()))
        .isPresent();
  }

  /** Whoever is signed in; empty if it is the program itself. */
  Optional<SignedIn> visitor() {
    return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
        .flatMap(SelectionAccess::visitor);
  }

  private static Optional<SignedIn> visitor(Authentication here) {
    return here.getPrincipal() instanceof SignedIn person ? Optional.of(person) : Optional.empty();
  }
}
