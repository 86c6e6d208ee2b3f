package tertulia.app.mail;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.people.SignedIn;

/** Keeps what would go out as mail: no mail is connected, so it is read here. */
@Service
class Outbox implements Mail {
  private final MessageRow.All rows;
  private final Clock clock;

  Outbox(MessageRow.All rows, Clock clock) {
    this.rows = rows;
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
    row.sentBy = message.from();
    row.sentAt = clock.instant().truncatedTo(ChronoUnit.SECONDS);
    row.once = message.once();
    rows.save(row);
    return true;
  }

  /** A message that went out. */
  record Sent(String to, String subject, String body, String link, String from, Instant at) {}

  /** The last ones: of all if that person organises, else those to the person. */
  @Transactional(readOnly = true)
  public List<Sent> read(SignedIn person) {
    List<MessageRow> found =
        person.organises()
            ? rows.findTop200ByOrderByIdDesc()
            : rows.findTop200ByAccountIdOrderByIdDesc(person.id());
    return found.stream()
        .map(
            row -> new Sent(row.recipient, row.subject, row.body, row.link, row.sentBy, row.sentAt))
        .toList();
  }
}
