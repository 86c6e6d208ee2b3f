package tertulia.app.handover;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.Remarks;
import tertulia.app.selection.SelectionImport;
import tertulia.app.selection.Selections;
import tertulia.app.selection.Table;
import tertulia.core.decision.Proposal;

/** Stores a portable selection that was read, in one piece. */
@Service
public class Intake {
  private final SelectionImport files;
  private final Selections selections;
  private final Decisions decisions;
  private final Remarks remarks;

  Intake(SelectionImport files, Selections selections, Decisions decisions, Remarks remarks) {
    this.files = files;
    this.selections = selections;
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
    long id = files.take(file, by);
    SelectionFile.DecisionPart part = file.decision();
    if (part != null && !part.reasons().isBlank() && !part.givenUp().isBlank()) {
      decisions.draft(
          id, OptionalLong.empty(), proposal(part, choice(part, file, selections.load(id))));
    }
    decisions.keep(id, file.proposals());
    remarks.take(id, file.said());
    return id;
  }

  /** Tools may have been given another id here; places at the table stay the same. */
  private static String choice(SelectionFile.DecisionPart part, SelectionFile file, Table table) {
    List<String> ids = new ArrayList<>();
    file.contenders().forEach(contender -> ids.add(contender.tool().id()));
    int place = ids.indexOf(part.choice());
    return place < 0 ? part.choice() : table.selection().contenders().get(place).id();
  }

  private static Proposal proposal(SelectionFile.DecisionPart part, String choice) {
    return new Proposal(
        choice,
        "",
        part.reasons(),
        part.givenUp(),
        part.conditions(),
        part.lookAgain() == null ? null : LocalDate.parse(part.lookAgain()));
  }
}
