package tertulia.app.decision;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Session;
import tertulia.core.finding.RemarkFinding;
import tertulia.core.remark.Remark;
import tertulia.core.remark.RemarkFindings;

/**
 * Remarks that are open when something is to be proposed. Whoever proposes says of those that they
 * have seen that they may stay open; one that came later is asked about again.
 *
 * @param sentence that says where they are
 * @param ids of them, as the form sends them
 */
record OpenRemarks(String sentence, boolean one, List<String> ids) {
  static final String FIELD = "remarksOpen";

  /** Empty if none is open. */
  static Optional<OpenRemarks> of(Session session) {
    List<Remark> remarks = session.table().remarks();
    return new RemarkFindings(remarks, 0).open().map(open -> of(session, open, remarks));
  }

  private static OpenRemarks of(
      Session session, RemarkFinding.OpenRemarks open, List<Remark> remarks) {
    return new OpenRemarks(
        new FindingWords(session.table().selection()).of(open),
        open.remarks() == 1,
        remarks.stream().filter(Remark::isOpen).map(Remark::id).toList());
  }

  public String code() {
    return ids.stream().collect(Collectors.joining(","));
  }

  /**
   * Why it cannot be proposed; empty if all of them may stay open.
   *
   * @param seen what the form sent back; null: nothing was ticked
   */
  Optional<String> refusal(@Nullable String seen) {
    List<String> passed = seen == null ? List.of() : Stream.of(seen.split(",", -1)).toList();
    long later = ids.stream().filter(id -> !passed.contains(id)).count();
    if (later == 0) {
      return Optional.empty();
    }
    String since =
        seen == null || later == ids.size()
            ? ""
            : later == 1 ? " One of them came later." : " " + later + " of them came later.";
    return Optional.of(
        sentence
            + since
            + (one
                ? " Close it, or say that it may stay open."
                : " Close them, or say that they may stay open."));
  }
}
