package tertulia.app.selection;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.people.SignedIn;
import tertulia.app.web.Conflict;
import tertulia.app.web.NotFound;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;

/** What people ask and say at a table. */
@Service
public class Remarks {
  private final SelectionStore store;
  private final Rows.Remarks rows;
  private final Clock clock;
  private final SubjectNames names;
  private final Acts acts;

  Remarks(SelectionStore store, Rows.Remarks rows, Clock clock, SubjectNames names, Acts acts) {
    this.names = names;
    this.acts = acts;
    this.store = store;
    this.rows = rows;
    this.clock = clock;
  }

  /**
   * Writes down what somebody asks or says; nothing happens if it was written down already.
   *
   * @param once a word of the form it was written in
   * @throws Conflict if as much was said as is kept, or the selection is decided
   * @throws IllegalArgumentException if the text is empty or too long
   */
  @Transactional
  public void say(
      long id, SignedIn person, Subject about, Remark.Kind kind, String text, String once) {
    store.open(id);
    if (rows.countBySelectionIdAndAnswersIsNull(id) >= Limits.REMARKS) {
      throw new Conflict(
          "At most "
              + Limits.REMARKS
              + " remarks are kept for a selection, and there are so many. Answer one that is"
              + " there instead.");
    }
    keep(id, null, about.code(), kind, person, text, once);
  }

  /** Writes down an answer; as {@link #say}. */
  @Transactional
  public void answer(long id, long remark, SignedIn person, String text, String once) {
    store.open(id);
    RemarkRow answered = remark(id, remark);
    if (rows.countByAnswers(remark) >= Limits.ANSWERS) {
      throw new Conflict(
          "At most "
              + Limits.ANSWERS
              + " answers are kept to one remark, and there are so many. Close it and make a new"
              + " one.");
    }
    keep(id, remark, answered.about, Remark.Kind.REMARK, person, text, once);
  }

  private void keep(
      long id,
      @Nullable Long answers,
      String about,
      Remark.Kind kind,
      SignedIn person,
      String text,
      String once) {
    if (rows.existsBySelectionIdAndOnce(id, once)) {
      return;
    }
    Instant now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
    Remark.Said said =
        new Remark.Said(Codes.text(text.strip(), Remark.LONGEST), person.name(), now);
    rows.save(row(id, answers, about, kind, said, person.id(), once));
    Subject subject = Subject.of(about);
    acts.note(
        id,
        names.viewOf(id, person.id(), subject.isJudged()),
        new Act.Remarked(
            answers == null ? said(kind) : Act.Said.ANSWER, names.of(id, subject), said.text()));
  }

  private static RemarkRow row(
      long id,
      @Nullable Long answers,
      String about,
      Remark.Kind kind,
      Remark.Said said,
      @Nullable Long account,
      String once) {
    RemarkRow row = new RemarkRow();
    row.selectionId = id;
    row.answers = answers;
    row.about = about;
    row.kind = Codes.code(kind);
    row.text = said.text();
    row.accountId = account;
    row.author = said.by();
    row.saidAt = said.at();
    row.once = once;
    return row;
  }

  /** Says that nothing is left to say about a remark; nothing happens if somebody has. */
  @Transactional
  public void close(long id, long remark, String by) {
    store.open(id);
    RemarkRow row = remark(id, remark);
    if (row.closedBy == null) {
      row.closedBy = by;
      row.closedAt = clock.instant().truncatedTo(ChronoUnit.SECONDS);
      closed(id, row, true);
    }
  }

  /** Takes that back. */
  @Transactional
  public void reopen(long id, long remark) {
    store.open(id);
    RemarkRow row = remark(id, remark);
    if (row.closedBy != null) {
      row.closedBy = null;
      row.closedAt = null;
      closed(id, row, false);
    }
  }

  private void closed(long id, RemarkRow row, boolean closed) {
    Subject about = Subject.of(row.about);
    acts.note(
        id,
        names.viewOf(id, row.accountId, about.isJudged()),
        new Act.RemarkClosed(closed, names.of(id, about), row.text));
  }

  private static Act.Said said(Remark.Kind kind) {
    return switch (kind) {
      case QUESTION -> Act.Said.QUESTION;
      case REMARK -> Act.Said.REMARK;
      case DISAGREEMENT -> Act.Said.DISAGREEMENT;
    };
  }

  private RemarkRow remark(long id, long remark) {
    return rows.findById(remark)
        .filter(row -> row.selectionId == id && row.answers == null)
        .orElseThrow(() -> new NotFound("remark " + remark + " in this selection"));
  }

  /** Everything said at selections, by selection and oldest first. */
  Map<Long, List<RemarkRow>> of(Collection<Long> selections) {
    return rows.findBySelectionIdInOrderById(selections).stream()
        .collect(Collectors.groupingBy(row -> row.selectionId));
  }

  /**
   * What was said as one person may read it.
   *
   * @param all oldest first
   * @param kept accounts whose view is kept from the reader; what they say of how something is
   *     judged is too
   */
  static List<Remark> read(List<RemarkRow> all, Collection<Long> kept) {
    List<Remark> read = new ArrayList<>();
    for (RemarkRow row : all) {
      Subject about = Subject.of(row.about);
      if (row.answers == null && !isKept(row, about, kept)) {
        List<Remark.Said> answers =
            all.stream()
                .filter(other -> Objects.equals(other.answers, row.id))
                .filter(other -> !isKept(other, about, kept))
                .map(Remarks::said)
                .toList();
        read.add(
            new Remark(
                String.valueOf(row.id),
                about,
                Codes.oneOf(Remark.Kind.class, row.kind),
                said(row),
                answers,
                row.closedBy == null || row.closedAt == null
                    ? Optional.empty()
                    : Optional.of(new Remark.Closed(row.closedBy, row.closedAt))));
      }
    }
    return read;
  }

  /** How many there are that one person may not read, answers not counted. */
  static int kept(List<RemarkRow> all, Collection<Long> kept) {
    return (int)
        all.stream()
            .filter(row -> row.answers == null && isKept(row, Subject.of(row.about), kept))
            .count();
  }

  private static boolean isKept(RemarkRow row, Subject about, Collection<Long> kept) {
    return about.isJudged() && row.accountId != null && kept.contains(row.accountId);
  }

  private static Remark.Said said(RemarkRow row) {
    return new Remark.Said(row.text, row.author, row.saidAt);
  }

  /**
   * Keeps what came in a file.
   *
   * @param ids of the contenders here, by those in the file
   */
  @Transactional
  public void take(long id, List<SelectionFile.RemarkPart> parts, Map<String, String> ids) {
    for (SelectionFile.RemarkPart part : parts) {
      Remark remark = part.read("");
      String about = remark.about().renamed(ids).code();
      RemarkRow row =
          row(id, null, about, remark.kind(), remark.said(), null, "" + UUID.randomUUID());
      remark
          .closed()
          .ifPresent(closed -> {
            row.closedBy = closed.by();
            row.closedAt = closed.at();
          });
      Long stored = Objects.requireNonNull(rows.save(row).id);
      for (Remark.Said answer : remark.answers()) {
        rows.save(row(id, stored, about, Remark.Kind.REMARK, answer, null, "" + UUID.randomUUID()));
      }
    }
  }
}
