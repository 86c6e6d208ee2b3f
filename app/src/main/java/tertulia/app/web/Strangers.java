package tertulia.app.web;

import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

/**
 * How many people who are not signed in may be waited for at once: fewer than there are threads, so
 * that whoever is signed in always finds one. What only takes the processor's time is not counted:
 * nobody can draw that out.
 */
final class Strangers {
  /** Bodies that are being read at once. */
  static final int BODIES_AT_ONCE = 5;

  /** Pages that are being written out at once. */
  static final int PAGES_AT_ONCE = 12;

  private static final int WAITING = 3;
  private static final long LONGEST_WAIT_MILLIS = 1000;

  /** A page is written out in milliseconds, unless somebody draws it out: its turn comes soon. */
  private static final long LONGEST_WAIT_FOR_PAGE_MILLIS = 3000;

  private final Semaphore bodies = new Semaphore(BODIES_AT_ONCE, true);
  private final Semaphore inLine = new Semaphore(WAITING);
  private final Semaphore pages = new Semaphore(PAGES_AT_ONCE, true);

  /** Somebody who is waited for; it is closed when that is over. */
  interface Turn extends AutoCloseable {
    @Override
    void close();
  }

  /** To send a body; empty if too many do, and enough wait for their turn. */
  Optional<Turn> body() {
    if (bodies.tryAcquire()) {
      return Optional.of(bodies::release);
    }
    if (!inLine.tryAcquire()) {
      return Optional.empty();
    }
    try {
      return waited(bodies, LONGEST_WAIT_MILLIS);
    } finally {
      inLine.release();
    }
  }

  /** To be sent a page; empty if too many are. */
  Optional<Turn> page() {
    return waited(pages, LONGEST_WAIT_FOR_PAGE_MILLIS);
  }

  private static Optional<Turn> waited(Semaphore turns, long millis) {
    try {
      return turns.tryAcquire(millis, TimeUnit.MILLISECONDS)
          ? Optional.of(turns::release)
          : Optional.empty();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    }
  }
}
