package tertulia.app.people;

import java.util.Optional;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Addresses under which a calendar reads somebody's dates without signing in. */
@Service
public class CalendarAddresses {
  /** Letters of the secret word; they hold more than 190 bits. */
  private static final int LETTERS = 40;

  private final CalendarAddress.All rows;
  private final UserAccounts people;

  CalendarAddresses(CalendarAddress.All rows, UserAccounts people) {
    this.rows = rows;
    this.people = people;
  }

  /** Whether somebody has one. */
  @Transactional(readOnly = true)
  public boolean has(SignedIn person) {
    return rows.existsById(person.id());
  }

  /** A new secret word for somebody; an earlier one opens nothing from now on. */
  @Transactional
  public String renew(SignedIn person) {
    String word = Words.of(LETTERS);
    CalendarAddress row = rows.findById(person.id()).orElseGet(CalendarAddress::new);
    row.accountId = person.id();
    row.wordHash = Words.hash(word);
    rows.save(row);
    return word;
  }

  /** Takes it back; nothing happens if there is none. */
  @Transactional
  public void revoke(SignedIn person) {
    rows.deleteById(person.id());
  }

  /** What is read by whoever has the word, as the person whose it is. */
  public interface Reading<T> {
    T read();
  }

  /**
   * Reads something as the person to whom a word belongs, and as nobody else.
   *
   * @return empty if it belongs to nobody, or to somebody who may not sign in any more
   */
  public <T> Optional<T> as(String word, Reading<T> reading) {
    Optional<SignedIn> person =
        rows.findByWordHash(Words.hash(word)).flatMap(row -> people.now(row.accountId));
    if (person.isEmpty()) {
      return Optional.empty();
    }
    SecurityContext before = SecurityContextHolder.getContext();
    SecurityContext own = SecurityContextHolder.createEmptyContext();
    own.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person.get(), null, person.get().getAuthorities()));
    SecurityContextHolder.setContext(own);
    try {
      return Optional.of(reading.read());
    } finally {
      SecurityContextHolder.setContext(before);
    }
  }
}
