package tertulia.app.selection;

import java.time.LocalDate;
import tertulia.core.remark.Subject;

/**
 * A picture beside a mark or a result.
 *
 * @param about what {@link #ofMark} or {@link #ofResult} makes of it
 */
public record Proof(long id, String about, String by, LocalDate on) {
  /** Beside a mark. */
  public static String ofMark(String criterion, String contender) {
    return new Subject.Mark(criterion, contender).code();
  }

  /** Beside how a task went. */
  public static String ofResult(String task, String contender) {
    return "result/" + task + "/" + contender;
  }

  /** Whether it may tell how somebody judges, so that it waits for own views. */
  boolean isJudged() {
    return about.startsWith("mark/");
  }
}
