package tertulia.app.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.dao.DataAccessResourceFailureException;

/**
 * Brings what is committed to the disk itself, so that it outlives the power. Commits of several
 * people at once share one call: whoever waits while another is at it is covered by the next.
 */
final class DiskSync implements DisposableBean {
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
      close();
      throw new DataAccessResourceFailureException("The disk does not take what is written.", e);
    }
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
