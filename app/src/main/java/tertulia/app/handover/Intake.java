package tertulia.app.handover;

import java.time.LocalDate;
import java.util.Objects;
import java.util.OptionalLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.ProvisoPart;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.Remarks;
import tertulia.app.selection.SelectionImport;
import tertulia.core.decision.Proposal;

/** Stores a portable selection that was read, in one piece. */
@Service
public class Intake {
  private final SelectionImport files;
  private final Decisions decisions;
  private final Remarks remarks;

  Intake(SelectionImport files, Decisions decisions, Remarks remarks) {
    this.files = files;
    this.decisions = decisions;
    this.remarks = remarks;
  }

  /**
   * Stores everything or nothing. What was decided elsewhere comes in as a draft: nobody here has
   * signed it.
   *
   * @param by whose tools they are if they are new here
   * @return the id of the new selection
   */
  @Transactional
  public long take(SelectionFile file, String by) {
    SelectionImport.Taken taken = files.take(file, by);
    long id = taken.id();
    SelectionFile.DecisionPart part = file.decision();
    if (part != null && !part.reasons().isBlank() && !part.givenUp().isBlank()) {
      String choice = taken.ids().getOrDefault(part.choice(), part.choice());
      decisions.draft(id, OptionalLong.empty(), proposal(part, choice));
    }
    decisions.keep(id, file.proposals());
    remarks.take(id, file.said(), taken.ids());
    return id;
  }

  private static Proposal proposal(SelectionFile.DecisionPart part, String choice) {
    return new Proposal(
        choice,
        "",
        part.reasons(),
        part.givenUp(),
        part.conditions(),
        part.lookAgain() == null ? null : LocalDate.parse(part.lookAgain()),
        Objects.requireNonNullElse(part.despite(), ""),
        ProvisoPart.read(part.holdsWhile()));
  }
}
