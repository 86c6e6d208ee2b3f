package tertulia.core.deadline;

import java.time.Duration;

/** A computation was stopped as its time was over, or nobody waits. Nothing was changed by it. */
public final class Overdue extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final String what;
  private final Duration most;

  private final boolean abandoned;

  Overdue(String what, Duration most, boolean abandoned) {
    super(what, null, false, false);
    this.what = what;
    this.most = most;
    this.abandoned = abandoned;
  }

  /** What was being worked out, as in "stopped while working out …". */
  public String what() {
    return what;
  }

  /** Whether it was stopped before its time, as nobody waits for it. */
  public boolean isAbandoned() {
    return abandoned;
  }

  /** How long it was given. */
  public Duration most() {
    return most;
  }
}
