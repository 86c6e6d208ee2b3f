package tertulia.app.web;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

/**
 * How many requests of people who are not signed in are answered at once: never as many as there
 * are threads, so that whoever is signed in always finds one.
 */
final class Strangers {
  /** Requests at once, those that wait for their turn to send a body among them. */
  static final int AT_ONCE = 14;

  /** Bodies that are read at once. */
  static final int BODIES_AT_ONCE = 6;

  private static final long LONGEST_WAIT_MILLIS = 1000;

  private final Semaphore all = new Semaphore(AT_ONCE);
  private final Semaphore bodies = new Semaphore(BODIES_AT_ONCE, true);

  /** A request that is being answered. */
  final class Turn implements AutoCloseable {
    private final boolean body;

    private Turn(boolean body) {
      this.body = body;
    }

    @Override
    public void close() {
      if (body) {
        bodies.release();
      }
      all.release();
    }
  }

  /** Null if there are too many just now. */
  @org.jspecify.annotations.Nullable
  Turn turn(boolean body) {
    if (!all.tryAcquire()) {
      return null;
    }
    boolean taken = false;
    try {
      taken = !body || bodies.tryAcquire(LONGEST_WAIT_MILLIS, TimeUnit.MILLISECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } finally {
      if (!taken) {
        all.release();
      }
    }
    return taken ? new Turn(body) : null;
  }
}
