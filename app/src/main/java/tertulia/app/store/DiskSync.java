package tertulia.app.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.dao.DataAccessResourceFailureException;

/**
 * Brings what is committed to the disk itself, so that it outlives the power. Commits of several
 * people at once share one call: whoever waits while another is at it is covered by the next.
 */
final class DiskSync implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(DiskSync.class);
  private static final Duration LAST_ANSWER = Duration.ofSeconds(1);

  /** How the process ends when the disk does not take what is written. */
  private static final int EXIT_STATUS = 4;

  private final Store store;
  private final AtomicLong asked = new AtomicLong();
  private final Object turn = new Object();
  private long done;
  private @Nullable Connection connection;

  DiskSync(Store store) {
    this.store = store;
  }

  /**
   * Returns when all that was committed before the call is on the disk.
   *
   * @throws DataAccessResourceFailureException if it cannot be brought there
   */
  void await() {
    long mine = asked.incrementAndGet();
    synchronized (turn) {
      if (done >= mine) {
        return;
      }
      long covers = asked.get();
      sync();
      done = covers;
    }
  }

  private void sync() {
    try {
      if (connection == null) {
        connection = store.connect();
      }
      try (Statement statement = connection.createStatement()) {
        statement.execute("checkpoint sync");
      }
    } catch (SQLException e) {
      stop();
      throw new DataAccessResourceFailureException("The disk does not take what is written.", e);
    }
  }

  /**
   * A store that could not be written would go on in memory, and show what is not saved. Nobody was
   * told that it is; so the process ends after this answer, and starts again from the disk.
   */
  private static void stop() {
    LOG.error("The disk does not take what is written. The server stops; make room and start it.");
    Thread.ofPlatform()
        .daemon()
        .start(() -> {
          LockSupport.parkNanos(LAST_ANSWER.toNanos());
          Runtime.getRuntime().halt(EXIT_STATUS);
        });
  }

  private void close() {
    try {
      if (connection != null) {
        connection.close();
      }
    } catch (SQLException e) {
      // a connection that is broken is as good as closed
    }
    connection = null;
  }

  @Override
  public void destroy() {
    synchronized (turn) {
      close();
    }
  }
}
