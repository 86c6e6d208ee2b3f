package tertulia.core.finding;

import java.time.LocalDate;
import java.util.List;

/** What is said of who has shown the others their view. */
public sealed interface ViewFinding extends Finding {
  /** Everybody sees every view, as somebody opened the table. */
  record OpenedTable(String by) implements ViewFinding {}

  /** The reader has shown the others their view. */
  record OwnViewShown(LocalDate on) implements ViewFinding {}

  /**
   * Somebody entered something after they had shown their view and may have seen those of others.
   *
   * @param criteria the names of those it was under, in the order of the selection
   */
  record ChangedSince(String name, LocalDate handedIn, List<String> criteria)
      implements ViewFinding {
    public ChangedSince {
      criteria = List.copyOf(criteria);
    }
  }

  /** The reader sits alone at the table. */
  record AloneAtTheTable() implements ViewFinding {}

  /**
   * What others judge is kept from the reader until they have shown their own view.
   *
   * @param marksLeft marks the reader has not given
   */
  record OwnViewFirst(int marksLeft) implements ViewFinding {}

  /** Others who have not shown their view yet, in the order they sit. */
  record ViewsMissing(List<String> people) implements ViewFinding {
    public ViewsMissing {
      people = List.copyOf(people);
    }
  }

  /** Others whose view is not in the figures the reader sees. */
  record ViewsLeftOut(List<String> people) implements ViewFinding {
    public ViewsLeftOut {
      people = List.copyOf(people);
    }
  }

  /**
   * Somebody waits for the view of somebody else, who has this left to do before they show it.
   *
   * @param selection its title
   * @param weights whether weights are missing
   * @param marks marks that are missing
   */
  record ViewAskedFor(String by, String selection, boolean weights, int marks)
      implements ViewFinding {}
}
