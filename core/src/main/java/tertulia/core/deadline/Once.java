package tertulia.core.deadline;

import static java.util.Objects.requireNonNull;

import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * What is worked out at most once, however many ask. Those who come while it is worked out wait for
 * it, but no longer than their own {@link Deadline}; if whoever works it out gives up, the next
 * begins anew.
 */
public final class Once<T> {
  private final ReentrantLock turn = new ReentrantLock();
  private final String what;
  private @Nullable Supplier<T> work;
  private volatile @Nullable T done;

  /**
   * @param what is worked out, as in "stopped while working out …"
   */
  public Once(String what, Supplier<T> work) {
    this.what = what;
    this.work = work;
  }

  /**
   * The result.
   *
   * @throws Overdue if the time of whoever asks is over before it is there
   */
  public T get() {
    T known = done;
    if (known != null) {
      return known;
    }
    Deadline.await(turn, () -> what);
    try {
      known = done;
      if (known == null) {
        known = requireNonNull(work).get();
        done = known;
        // what it was worked out from is not held any longer
        work = null;
      }
      return known;
    } finally {
      turn.unlock();
    }
  }
}
