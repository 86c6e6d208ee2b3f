package tertulia.app.act;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;

/**
 * Something that was done to a selection, with the names that things had then: it is told as it
 * was, whatever is renamed or taken out since.
 */
public sealed interface Act {

  // the question

  /** The question was asked. */
  record Begun(String question) implements Act {}

  /** The selection came in a file. */
  record Imported(String question) implements Act {}

  /**
   * The question was changed.
   *
   * @param before as it was, so that it can be put back
   * @param format of {@code before}
   * @param lines what changed
   */
  record QuestionChanged(String before, int format, List<String> lines) implements Act {
    public QuestionChanged {
      lines = List.copyOf(lines);
    }

    /** What changed between two states of a question, in words; empty if nothing did. */
    public static List<String> between(Brief before, Brief now) {
      return BriefChanges.between(before, now);
    }
  }

  // contenders

  /** A tool became a contender. */
  record ContenderAdded(String tool) implements Act {}

  /** A tool is no contender any more. */
  record ContenderRemoved(String tool) implements Act {}

  /**
   * A contender, or one plan of it, was set aside.
   *
   * @param plan empty: the whole tool
   */
  record SetAside(String tool, String plan, String reason) implements Act {}

  /**
   * That was taken back.
   *
   * @param plan empty: the whole tool
   */
  record BroughtBack(String tool, String plan) implements Act {}

  /** The hours a contender takes were noted. */
  record HoursNoted(String tool) implements Act {}

  /**
   * It was said whether a tool in use stays or goes with a contender.
   *
   * @param says "stays", "goes", or empty: what follows from its work areas
   */
  record SaidOfInUse(String tool, String contender, String says) implements Act {}

  /** A contender is what is in use, kept as it is, or bought anew. */
  record AsToday(String tool, boolean kept) implements Act {}

  /** What is in use in the workspace is counted in the question, or is not. */
  record UseCounted(boolean counted) implements Act {}

  /** A tool in use is no part of the question, or is again. */
  record UseLeftOut(String tool, boolean out) implements Act {}

  /** Something that a contender can do is not needed. */
  record NotNeeded(String tool, String capability, String because) implements Act {}

  /** That was taken back. */
  record LookedAtAgain(String tool, String capability) implements Act {}

  // the panel

  /** Somebody is on the panel. */
  record Seated(String person) implements Act {}

  /** Somebody is not on the panel any more. */
  record Unseated(String person) implements Act {}

  /** Somebody's view counts otherwise. */
  record ShareChanged(String person, int before, int now) implements Act {}

  /**
   * What somebody knows about.
   *
   * @param about empty: not said any more
   */
  record KnowledgeNoted(String person, String about) implements Act {}

  /** Somebody showed the others their view. */
  record HandedIn(String person) implements Act {}

  /** Everybody sees every view. */
  record ViewsOpened() implements Act {}

  /**
   * Who may open the selection.
   *
   * @param named people who may since then
   * @param unnamed people who were named before
   */
  record Admitted(boolean openToAll, boolean changed, List<String> named, List<String> unnamed)
      implements Act {
    public Admitted {
      named = List.copyOf(named);
      unnamed = List.copyOf(unnamed);
    }
  }

  /** Where a selection is kept. */
  enum Kept {
    ARCHIVED,
    DELETED,
    RESTORED
  }

  /** It was put away, or back. */
  record PutAway(Kept how) implements Act {}

  // views

  /**
   * Somebody said how much a criterion counts.
   *
   * @param before null: nothing was said
   * @param now null: it was taken back
   */
  record Weighed(String person, String criterion, @Nullable Integer before, @Nullable Integer now)
      implements Act {}

  /**
   * Somebody chose how they weigh.
   *
   * @param way its code
   */
  record WeighsBy(String person, String way) implements Act {}

  /**
   * Somebody compared two criteria.
   *
   * @param times 0: taken back
   */
  record Compared(String person, String more, String less, int times) implements Act {}

  /**
   * Somebody marked a contender.
   *
   * @param before as it is told, such as "7" or "cannot judge"; empty: nothing was said
   * @param now empty: it was taken back
   */
  record Marked(String person, String criterion, String tool, String before, String now)
      implements Act {}

  /** Somebody said why they gave a mark. */
  record Reasoned(String person, String criterion, String tool) implements Act {}

  /**
   * Somebody found one contender better than another.
   *
   * @param much by how much, in words; empty: taken back
   */
  record FoundBetter(String person, String criterion, String better, String than, String much)
      implements Act {}

  /**
   * Somebody said what they have to do with a contender.
   *
   * @param words empty: nothing any more
   */
  record InterestStated(String person, String tool, String words) implements Act {}

  /**
   * Somebody said when they would take a contender.
   *
   * @param words empty: no longer
   */
  record OpinionGiven(String person, String tool, String words) implements Act {}

  /** The panel settled a mark together. */
  record Settled(String criterion, String tool, String points, String reason) implements Act {}

  /** That was taken back. */
  record Unsettled(String criterion, String tool) implements Act {}

  // trials

  /** A task was put on the list. */
  record TaskNamed(String task) implements Act {}

  /** A task was taken off it. */
  record TaskDropped(String task) implements Act {}

  /**
   * A trial was planned, or planned otherwise.
   *
   * @param last null: open
   */
  record TrialPlanned(String tool, LocalDate first, @Nullable LocalDate last) implements Act {}

  /**
   * Somebody put down how a task went.
   *
   * @param before as it is told, such as "done, 2 min"; empty: nothing was said
   * @param now empty: it was taken back; as before: only the note changed
   */
  record Tried(String tool, String by, String task, String before, String now) implements Act {}

  // remarks and pictures

  /** What was said. */
  enum Said {
    QUESTION,
    REMARK,
    DISAGREEMENT,
    ANSWER
  }

  /**
   * Somebody asked or said something.
   *
   * @param about what about, by the names it had
   */
  record Remarked(Said kind, String about, String text) implements Act {}

  /** A remark was closed, or opened again. */
  record RemarkClosed(boolean closed, String about, String text) implements Act {}

  /** What was done with a picture. */
  enum Picture {
    ADDED,
    REPLACED,
    REMOVED
  }

  /** A picture was put beside something. */
  record Pictured(Picture how, String beside) implements Act {}

  // the decision

  /** A decision was written down. */
  record Drafted(String tool) implements Act {}

  /** A decision was proposed. */
  record Proposed(String tool) implements Act {}

  /** A proposal was withdrawn. */
  record Withdrawn(String reason) implements Act {}

  /** Somebody objected. */
  record Objected(String reason) implements Act {}

  /**
   * Somebody agreed to a proposal that waits for others, too.
   *
   * @param reservations may be empty
   */
  record Agreed(String reservations) implements Act {}

  /** Somebody was against a proposal that others decide on. */
  record SpokeAgainst(String reason) implements Act {}

  /** The decision was signed. */
  record Signed(String tool) implements Act {}

  /** A decision agreed before it came here was entered. */
  record Entered(String tool) implements Act {}

  /** It was looked at again and still holds. */
  record StillHolds(LocalDate lookAgain) implements Act {}

  /** The question is asked again elsewhere. */
  record AskedAgain() implements Act {}

  /** What an earlier release told in its own words. */
  record Told(List<String> lines) implements Act {
    public Told {
      lines = List.copyOf(lines);
    }
  }
}
