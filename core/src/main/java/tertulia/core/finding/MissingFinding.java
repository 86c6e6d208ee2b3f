package tertulia.core.finding;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/** What keeps an answer from being settled, and can be put right. */
public sealed interface MissingFinding extends Finding {
  /** Where it is put right. */
  Stage step();

  /** Nothing says yet what counts. */
  record NoCriteria() implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.WEIGHTS;
    }
  }

  /** People at the table who have given no weights; nobody at the table: the list is empty. */
  record NotWeighed(List<String> members) implements MissingFinding {
    public NotWeighed {
      members = List.copyOf(members);
    }

    @Override
    public Stage step() {
      return Stage.WEIGHTS;
    }
  }

  /**
   * Views that count in no figure, as the reader may not see them yet.
   *
   * @param members whose they are; each is among those who have handed in or not
   * @param handedIn those of them who wait for the reader's own view
   */
  record ViewsWithheld(List<String> members, List<String> handedIn) implements MissingFinding {
    public ViewsWithheld {
      members = List.copyOf(members);
      handedIn = List.copyOf(handedIn);
    }

    @Override
    public Stage step() {
      return Stage.MARKS;
    }
  }

  /** Somebody at the table has marks left to give. */
  record NotMarked(String member, int left, int of) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.MARKS;
    }
  }

  /** A contender's value under a criterion that counts is not known. */
  record ValueOpen(String tool, String criterion, Stage step) implements MissingFinding {}

  /** A contender has no plan that is sure to do, and would have one if facts were confirmed. */
  record ToConfirm(String tool) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.FIT;
    }
  }

  /** A contender does and has no figure, as a price is not known. */
  record NoPrice(String tool) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.COST;
    }
  }

  /**
   * Months the question looks at lie in the past: what is read for its first month is no longer so.
   *
   * @param passed how many of them, at least 1
   * @param of how many there are
   */
  record MonthsPassed(YearMonth start, int passed, int of) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.NEED;
    }
  }

  /** Things nobody has said of a contender that might change which plan it needs. */
  record OpenQuestions(String tool, int questions) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.FIT;
    }
  }

  /** The price a contender is judged by is older than prices should be. */
  record OldPrice(String tool, LocalDate asOf) implements MissingFinding {
    @Override
    public Stage step() {
      return Stage.COST;
    }
  }
}
