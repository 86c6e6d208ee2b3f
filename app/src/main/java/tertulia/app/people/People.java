package tertulia.app.people;

import java.util.List;
import java.util.Locale;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;

/** Accounts: who can sign in and with which role. */
@Service
public class People implements UserDetailsService {
  private static final int LEAST_PASSWORD = 10;
  private static final int MOST_PASSWORD = 72;
  private final Accounts accounts;
  private final PasswordEncoder passwords;

  People(Accounts accounts, PasswordEncoder passwords) {
    this.accounts = accounts;
    this.passwords = passwords;
  }

  /** What somebody is known by. */
  public record Entry(long id, String signInName, String name, Role role) {}

  /** What is entered for a new account. */
  public record NewAccount(String signInName, String name, String password, Role role) {}

  public boolean isEmpty() {
    return accounts.count() == 0;
  }

  public List<Entry> all() {
    return accounts.findAllByOrderByDisplayName().stream()
        .map(a ->
            new Entry(java.util.Objects.requireNonNull(a.id), a.signInName, a.displayName, a.role))
        .toList();
  }

  /** Adds an account; if anything is wrong it is put down in {@code faults} and nothing is kept. */
  @Transactional
  public void add(NewAccount entered, Faults faults) {
    String signInName = entered.signInName().strip().toLowerCase(Locale.ROOT);
    if (!signInName.matches("[a-z0-9._@-]{2,80}")) {
      faults.add(
          "signInName",
          "\""
              + entered.signInName().strip()
              + "\" cannot be a sign-in name. Use 2 to 80 letters,"
              + " digits, dots or hyphens.");
    } else if (accounts.findBySignInName(signInName).isPresent()) {
      faults.add("signInName", "\"" + signInName + "\" is taken. Choose another.");
    }
    if (entered.name().isBlank()) {
      faults.add("name", "Enter the name colleagues will read.");
    }
    faults.at("name", () -> Codes.text(entered.name(), 120));
    int length = entered.password().length();
    if (length < LEAST_PASSWORD || length > MOST_PASSWORD) {
      faults.add("password", "A password has 10 to 72 characters; this one has " + length + ".");
    }
    if (faults.isEmpty()) {
      Account account = new Account();
      account.signInName = signInName;
      account.displayName = entered.name().strip();
      account.passwordHash = passwords.encode(entered.password());
      account.role = entered.role();
      accounts.save(account);
    }
  }

  /** Changes a role; the last organiser stays one. */
  @Transactional
  public void changeRole(long id, Role role, Faults faults) {
    Account account = accounts.findById(id).orElseThrow();
    boolean last = account.role == Role.ORGANISER && accounts.countByRole(Role.ORGANISER) == 1;
    if (last && role != Role.ORGANISER) {
      faults.add(
          "role", account.displayName + " is the only organiser. Make somebody else one first.");
      return;
    }
    account.role = role;
  }

  @Override
  public SignedIn loadUserByUsername(String name) {
    return accounts
        .findBySignInName(name.strip().toLowerCase(Locale.ROOT))
        .map(Account::signedIn)
        .orElseThrow(() -> new UsernameNotFoundException("no such account"));
  }
}
