package tertulia.app.mail;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.Selections;

/** Keeps what would go out as mail: no mail is connected, so it is read here. */
@Service
class Outbox implements Mail {
  private final MessageRow.All rows;
  private final Selections selections;
  private final Clock clock;

  Outbox(MessageRow.All rows, Selections selections, Clock clock) {
    this.rows = rows;
    this.selections = selections;
    this.clock = clock;
  }

  @Override
  @Transactional
  public boolean send(Message message) {
    if (rows.existsByOnce(message.once())) {
      return false;
    }
    MessageRow row = new MessageRow();
    row.accountId = message.account();
    row.recipient = message.to();
    row.subject = message.subject();
    row.body = message.body();
    row.link = message.link();
    row.selectionId = message.selection();
    row.sentBy = message.from();
    row.sentAt = clock.instant().truncatedTo(ChronoUnit.SECONDS);
    row.once = message.once();
    rows.save(row);
    return true;
  }

  /** A message that went out. */
  record Sent(String to, String subject, String body, String link, String from, Instant at) {}

  /**
   * The last ones: of all if that person organises, else those to the person; never of a selection
   * that is not there for them any more.
   */
  @Transactional(readOnly = true)
  public List<Sent> read(SignedIn person) {
    List<MessageRow> found =
        person.organises()
            ? rows.findTop200ByOrderByIdDesc()
            : rows.findTop200ByAccountIdOrderByIdDesc(person.id());
    Set<Long> closed =
        found.stream()
            .flatMap(row -> Stream.ofNullable(row.selectionId))
            .distinct()
            .filter(id -> !selections.isThere(id))
            .collect(Collectors.toSet());
    return found.stream()
        .filter(row -> row.selectionId == null || !closed.contains(row.selectionId))
        .map(
            row -> new Sent(row.recipient, row.subject, row.body, row.link, row.sentBy, row.sentAt))
        .toList();
  }
}
