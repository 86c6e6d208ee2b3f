package tertulia.core.deadline;

import java.time.Duration;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.Lock;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/**
 * How long a computation may go on before whoever waits for it has more of an answer that says so.
 * It holds for everything that is computed within {@link #hold}, however deep; what takes long asks
 * {@link #check} from time to time. Without one, computations run to their end.
 */
public final class Deadline {
  private static final ScopedValue<Deadline> HELD = ScopedValue.newInstance();

  private final Duration most;
  private final long end;
  private final BooleanSupplier abandoned;

  private Deadline(Duration most, BooleanSupplier abandoned) {
    this.most = most;
    this.end = System.nanoTime() + most.toNanos();
    this.abandoned = abandoned;
  }

  /**
   * A deadline from now.
   *
   * @param most how long; at least zero
   * @param abandoned whether nobody waits any more; asked often, so it should be quick
   */
  public static Deadline in(Duration most, BooleanSupplier abandoned) {
    return new Deadline(most, abandoned);
  }

  /**
   * Does something under this deadline.
   *
   * @throws X what {@code work} throws
   * @throws Overdue if it was still at it when the time was over
   */
  public <T, X extends Throwable> T hold(ScopedValue.CallableOp<T, X> work) throws X {
    return ScopedValue.where(HELD, this).call(work);
  }

  /**
   * Goes on as long as somebody waits.
   *
   * @param what is being worked out, as in "stopped while working out …"; asked only when it is
   *     over
   * @throws Overdue if the time is over, or nobody waits
   */
  public static void check(Supplier<String> what) {
    if (HELD.isBound()) {
      HELD.get().go(what);
    }
  }

  /** How long somebody who waits for a lock sleeps before it is asked whether they still wait. */
  private static final long NAP = 50;

  /**
   * Waits for a lock as long as somebody waits for what it guards.
   *
   * @param what is being worked out by whoever holds it
   * @throws Overdue if the time is over, or nobody waits; then the lock is not held
   */
  static void await(Lock lock, Supplier<String> what) {
    try {
      while (!lock.tryLock() && !lock.tryLock(NAP, TimeUnit.MILLISECONDS)) {
        check(what);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted while waiting for " + what.get(), e);
    }
  }

  private void go(Supplier<String> what) {
    boolean nobodyWaits = abandoned.getAsBoolean();
    if (nobodyWaits || System.nanoTime() - end >= 0) {
      throw new Overdue(what.get(), most, nobodyWaits);
    }
  }
}
