package tertulia.core.finding;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import tertulia.core.decision.Proviso;
import tertulia.core.scoring.Totals;

/** What speaks against a choice in the figures and facts it is to rest on. */
public sealed interface VerdictFinding extends Finding {

  /**
   * Another is ahead by the middle of the totals.
   *
   * @param by how far, above 0
   */
  record NotAhead(String choice, String first, Totals.Apart by) implements VerdictFinding {}

  /** It is ahead or level by the middle of the totals, and not in every case. */
  record NotForCertain(String choice, List<String> mayPass) implements VerdictFinding {
    public NotForCertain {
      mayPass = List.copyOf(mayPass);
    }
  }

  /** No plan of it meets every must-have in all months. */
  record MustsUnmet(String choice) implements VerdictFinding {}

  /** Nobody has confirmed that a plan of it meets every must-have in all months. */
  record MustsUnconfirmed(String choice) implements VerdictFinding {}

  /** What it costs is not known in all months. */
  record CostUnknown(String choice) implements VerdictFinding {}

  /** Others have totals, it has none. */
  record NotRanked(String choice) implements VerdictFinding {}

  /** Nobody has a total. */
  record NoTotals() implements VerdictFinding {}

  /** Its price page is older than what counts as fresh. */
  record OldFacts(String choice, LocalDate asOf) implements VerdictFinding {}

  /** People on the panel who have weights to set or marks to give. */
  record ViewsMissing(List<String> people) implements VerdictFinding {
    public ViewsMissing {
      people = List.copyOf(people);
    }
  }

  /** A condition under which it is to hold does not hold as it is. */
  record ConditionBroken(Proviso proviso) implements VerdictFinding {
    public ConditionBroken {
      requireNonNull(proviso);
    }
  }

  /** A trial of it was planned, and nobody has put anything down. */
  record NotTried(String choice) implements VerdictFinding {}
}
