package tertulia.app.act;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Json;
import tertulia.app.people.SignedIn;

/** Writes down what is done to selections, and reads it. What is written is never changed. */
@Service
public class Acts {
  private static final String PROGRAM = "the program";

  private static final Map<String, Class<? extends Act>> KINDS =
      Arrays.stream(Act.class.getPermittedSubclasses())
          .map(kind -> kind.<Act>asSubclass(Act.class))
          .collect(Collectors.toMap(Acts::kind, Function.identity()));

  private final ActRow.All rows;
  private final Clock clock;

  Acts(ActRow.All rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /**
   * An act as it was written down.
   *
   * @param person name of whoever did it, as it was then
   */
  public record Noted(long id, Instant at, String person, Act act) {}

  /** Writes down what whoever is signed in does just now, with what it does. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void note(long selection, Act act) {
    note(selection, null, act);
  }

  /**
   * The same of what tells how somebody judges; it is read by whoever may see that view.
   *
   * @param member whose view it tells of; null: none's
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void note(long selection, @Nullable Long member, Act act) {
    Optional<SignedIn> who =
        Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
            .map(Authentication::getPrincipal)
            .filter(SignedIn.class::isInstance)
            .map(SignedIn.class::cast);
    ActRow row = new ActRow();
    row.selectionId = selection;
    row.doneAt = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    row.accountId = who.map(SignedIn::id).orElse(null);
    row.person = who.map(SignedIn::name).orElse(PROGRAM);
    row.kind = kind(act.getClass());
    row.viewOf = member;
    row.document = Json.write(act);
    rows.save(row);
  }

  /**
   * The newest acts on a selection, the newest first.
   *
   * @param withheld members whose views the reader may not see
   */
  @Transactional(readOnly = true)
  public List<Noted> of(long selection, Collection<Long> withheld, int most) {
    return noted(rows.newest(selection, some(withheld), Limit.of(most)));
  }

  /** What others than an account did after a moment, as {@link #of}. */
  @Transactional(readOnly = true)
  public List<Noted> since(
      long selection, Instant moment, long account, Collection<Long> withheld, int most) {
    return noted(rows.since(selection, moment, account, some(withheld), Limit.of(most)));
  }

  /** One act on a selection. */
  @Transactional(readOnly = true)
  public Optional<Noted> find(long selection, long id) {
    return rows.findByIdAndSelectionId(id, selection).map(Acts::noted);
  }

  /** SQL knows no empty list. */
  private static Collection<Long> some(Collection<Long> withheld) {
    return withheld.isEmpty() ? List.of(-1L) : withheld;
  }

  private static List<Noted> noted(List<ActRow> rows) {
    return rows.stream().map(Acts::noted).toList();
  }

  private static Noted noted(ActRow row) {
    Class<? extends Act> kind =
        Objects.requireNonNull(KINDS.get(row.kind), () -> "no kind of act: " + row.kind);
    return new Noted(
        Objects.requireNonNull(row.id), row.doneAt, row.person, Json.stored(row.document, kind));
  }

  /** Such as "set-aside"; it is stored and stays as it is. */
  public static String kind(Class<?> act) {
    return act.getSimpleName()
        .replaceAll("(?<=[a-z])(?=[A-Z])", "-")
        .toLowerCase(java.util.Locale.ROOT);
  }
}
