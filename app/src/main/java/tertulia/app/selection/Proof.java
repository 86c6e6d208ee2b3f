package tertulia.app.selection;

import java.time.LocalDate;
import tertulia.core.remark.Subject;

/**
 * A picture beside a mark, a result or a fact.
 *
 * @param about what {@link #ofMark}, {@link #ofResult} or {@link #ofFact} makes of it
 */
public record Proof(long id, String about, String by, LocalDate on) {
  /** Beside a mark. */
  public static String ofMark(String criterion, String contender) {
    return new Subject.OfMark(criterion, contender).code();
  }

  /** Beside how a task went. */
  public static String ofResult(String task, String contender) {
    return "result/" + task + "/" + contender;
  }

  /** Beside what a contender has of a need. */
  public static String ofFact(String need, String contender) {
    return new Subject.OfFact(need, contender).code();
  }

  /** Whether it may tell how somebody judges, so that it waits for own views. */
  boolean isJudged() {
    return about.startsWith("mark/");
  }
}
