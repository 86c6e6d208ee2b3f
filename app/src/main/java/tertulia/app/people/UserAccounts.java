package tertulia.app.people;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.web.NotFound;

/** Accounts: who can sign in and with which role. */
@Service
public class UserAccounts implements UserDetailsService {
  /** How long a link to set a password works. */
  static final Duration LINK_WORKS = Duration.ofDays(3);

  private static final int LINK_LETTERS = 32;
  private final Accounts accounts;
  private final Invitations invitations;
  private final PasswordEncoder passwords;
  private final Clock clock;

  UserAccounts(Accounts accounts, Invitations invitations, PasswordEncoder passwords, Clock clock) {
    this.accounts = accounts;
    this.invitations = invitations;
    this.passwords = passwords;
    this.clock = clock;
  }

  /**
   * What somebody is known by.
   *
   * @param invited whether a link to set the password is still open
   */
  public record Entry(
      long id, String signInName, String name, Role role, boolean disabled, boolean invited) {}

  /** What is entered for a new account. */
  public record NewAccount(String signInName, String name, String password, Role role) {}

  @Transactional(readOnly = true)
  public boolean isEmpty() {
    return accounts.count() == 0;
  }

  @Transactional(readOnly = true)
  public List<Entry> all() {
    List<Long> open =
        invitations.findAll().stream()
            .filter(link -> link.expiresAt.isAfter(clock.instant()))
            .map(link -> link.accountId)
            .toList();
    return accounts.findAllByOrderByDisplayName().stream()
        .map(account -> entry(account, open.contains(account.id)))
        .toList();
  }

  private static Entry entry(Account a, boolean invited) {
    return new Entry(
        Objects.requireNonNull(a.id), a.signInName, a.displayName, a.role, a.disabled, invited);
  }

  /** Adds an account; if anything is wrong it is put down in {@code faults} and nothing is kept. */
  @Transactional
  public void add(NewAccount entered, Faults faults) {
    PasswordRules.check(entered.password(), List.of(entered.name(), entered.signInName()), faults);
    addKnown(entered, faults);
  }

  /** As above with a password that everybody is told, for what is made up. */
  @Transactional
  public void addKnown(NewAccount entered, Faults faults) {
    List<Account> all = accounts.lockAll();
    String signInName = entered.signInName().strip().toLowerCase(Locale.ROOT);
    String name = entered.name().strip();
    if (!signInName.matches("[a-z0-9._@-]{2,80}")) {
      faults.add(
          "signInName",
          "\""
              + entered.signInName().strip()
              + "\" cannot be a sign-in name. Use 2 to 80 letters,"
              + " digits, dots or hyphens.");
    } else if (all.stream().anyMatch(other -> other.signInName.equals(signInName))) {
      faults.add("signInName", "\"" + signInName + "\" is taken. Choose another.");
    }
    if (name.isEmpty()) {
      faults.add("name", "Enter the name colleagues will read.");
    } else if (all.stream().anyMatch(other -> other.displayName.equalsIgnoreCase(name))) {
      faults.add(
          "name",
          "Somebody here is called \""
              + name
              + "\" already, and decisions carry names. Add a middle name or a place.");
    }
    faults.at("name", () -> Codes.text(entered.name(), 120));
    if (faults.isEmpty()) {
      Account account = new Account();
      account.signInName = signInName;
      account.displayName = name;
      account.passwordHash = passwords.encode(entered.password());
      account.role = entered.role();
      accounts.save(account);
    }
  }

  /**
   * Adds an account whose person sets the password by a link.
   *
   * @return the word in the link; empty if anything is wrong, which is put down in {@code faults}
   */
  @Transactional
  public Optional<String> invite(String signInName, String name, Role role, Faults faults) {
    addKnown(new NewAccount(signInName, name, Words.of(LINK_LETTERS), role), faults);
    return faults.isEmpty()
        ? accounts
            .findBySignInName(signInName.strip().toLowerCase(Locale.ROOT))
            .map(account -> link(Objects.requireNonNull(account.id)))
        : Optional.empty();
  }

  /** A new link to set a password in the place of any other; the word in it. */
  @Transactional
  public String link(long id) {
    account(id);
    String word = Words.of(LINK_LETTERS);
    Invitation link = invitations.findById(id).orElseGet(Invitation::new);
    link.accountId = id;
    link.wordHash = Words.hash(word);
    link.expiresAt = clock.instant().plus(LINK_WORKS);
    invitations.save(link);
    return word;
  }

  /** Whose link it is; empty if there is no such link, or not any more. */
  @Transactional(readOnly = true)
  public Optional<Entry> linked(String word) {
    return open(word).map(link -> entry(account(link.accountId), true));
  }

  private Optional<Invitation> open(String word) {
    return invitations
        .findByWordHash(Words.hash(word))
        .filter(link -> link.expiresAt.isAfter(clock.instant()))
        .filter(link -> !account(link.accountId).disabled);
  }

  /**
   * Sets a password by a link, which works no more then.
   *
   * @return whose it is; empty if the link does not work or {@code faults} says what is wrong
   */
  @Transactional
  public Optional<Entry> setPassword(String word, String password, Faults faults) {
    Optional<Invitation> link = open(word);
    if (link.isEmpty()) {
      return Optional.empty();
    }
    Account account = account(link.get().accountId);
    PasswordRules.check(password, List.of(account.displayName, account.signInName), faults);
    if (!faults.isEmpty()) {
      return Optional.empty();
    }
    account.passwordHash = passwords.encode(password);
    invitations.delete(link.get());
    return Optional.of(entry(account, false));
  }

  /** Changes a password, for whoever has shown to know the one there is. */
  @Transactional
  void changePassword(long id, String password, Faults faults) {
    Account account = account(id);
    PasswordRules.check(password, List.of(account.displayName, account.signInName), faults);
    if (faults.isEmpty()) {
      account.passwordHash = passwords.encode(password);
    }
  }

  /** Whether it is somebody's password. */
  @Transactional(readOnly = true)
  boolean isPasswordOf(long id, String password) {
    return passwords.matches(password, account(id).passwordHash);
  }

  /** Changes a role; the last organiser stays one. */
  @Transactional
  public void changeRole(long id, Role role, Faults faults) {
    Account account = locked(id);
    if (role != Role.ORGANISER && isLastOrganiser(account)) {
      faults.add(
          "role", account.displayName + " is the only organiser. Make somebody else one first.");
      return;
    }
    account.role = role;
  }

  /** Lets somebody sign in no more, or again; the last organiser can. What they did stays. */
  @Transactional
  public void disable(long id, boolean disabled, Faults faults) {
    Account account = locked(id);
    if (disabled && isLastOrganiser(account)) {
      faults.add(
          "role", account.displayName + " is the only organiser. Make somebody else one first.");
      return;
    }
    account.disabled = disabled;
    if (disabled) {
      invitations.deleteById(id);
    }
  }

  /**
   * All accounts are held while one is changed, so that two cannot take the last two organisers.
   */
  private Account locked(long id) {
    return accounts.lockAll().stream()
        .filter(account -> Objects.equals(account.id, id))
        .findFirst()
        .orElseThrow(() -> new NotFound("such account"));
  }

  private Account account(long id) {
    return accounts.findById(id).orElseThrow(() -> new NotFound("such account"));
  }

  private boolean isLastOrganiser(Account account) {
    return isOrganiser(account)
        && accounts.lockAll().stream().filter(UserAccounts::isOrganiser).count() == 1;
  }

  private static boolean isOrganiser(Account account) {
    return account.role == Role.ORGANISER && !account.disabled;
  }

  /** Somebody as they are now; empty if they may not sign in any more. */
  @Transactional(readOnly = true)
  public Optional<SignedIn> now(long id) {
    return accounts.findById(id).filter(account -> !account.disabled).map(Account::signedIn);
  }

  @Override
  @Transactional(readOnly = true)
  public SignedIn loadUserByUsername(String name) {
    return accounts
        .findBySignInName(name.strip().toLowerCase(Locale.ROOT))
        .filter(account -> !account.disabled)
        .map(Account::signedIn)
        .orElseThrow(() -> new UsernameNotFoundException("no such account"));
  }
}
