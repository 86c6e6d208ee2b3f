package tertulia.app.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;

/**
 * A running server copies its own store when asked to by a file in its directory, which only its
 * owner can write.
 */
final class BackupRequests implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(BackupRequests.class);
  private static final String ASKED = ".backup-request";
  private static final String DONE = ".backup-answer";
  private static final String GOOD = "done";
  private static final Duration LOOKS_EVERY = Duration.ofMillis(500);
  private static final Duration PATIENCE = Duration.ofMinutes(10);

  private final Store store;
  private final DataSource database;
  private final ScheduledExecutorService clock =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().daemon().name("backup-requests").factory());

  BackupRequests(Store store, DataSource database) {
    this.store = store;
    this.database = database;
  }

  void begin() {
    clock.scheduleWithFixedDelay(this::look, 0, LOOKS_EVERY.toMillis(), TimeUnit.MILLISECONDS);
  }

  private void look() {
    try (DirectoryStream<Path> asked = Files.newDirectoryStream(store.directory(), "*" + ASKED)) {
      for (Path request : asked) {
        answer(request);
      }
    } catch (IOException | RuntimeException e) {
      LOG.warn("A backup that was asked for was not taken: {}", e.getMessage());
    }
  }

  private void answer(Path request) throws IOException {
    Path target = Path.of(Files.readString(request, StandardCharsets.UTF_8).strip());
    Files.delete(request);
    String answer = GOOD;
    try (Connection connection = database.getConnection()) {
      Backup.take(connection, target);
    } catch (Unusable e) {
      answer = e.sentence();
    } catch (SQLException e) {
      answer = "The server cannot read its store: " + e.getMessage();
    }
    String id = String.valueOf(request.getFileName()).replace(ASKED, "");
    OnDisk.write(store.directory().resolve(id + DONE), answer.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * Asks the server that uses a store for a copy, and waits for it.
   *
   * @throws Unusable if it does not answer, or says why not
   */
  static void ask(Store store, Path target) {
    String id = UUID.randomUUID().toString();
    Path request = store.directory().resolve(id + ASKED);
    Path answer = store.directory().resolve(id + DONE);
    try {
      OnDisk.write(request, target.toString().getBytes(StandardCharsets.UTF_8));
      long end = System.nanoTime() + PATIENCE.toNanos();
      while (!Files.exists(answer)) {
        if (System.nanoTime() > end) {
          Files.deleteIfExists(request);
          throw new Unusable("The server that uses the store does not answer. Stop it first.");
        }
        Thread.sleep(100);
      }
      String said = Files.readString(answer, StandardCharsets.UTF_8);
      Files.delete(answer);
      if (!said.equals(GOOD)) {
        throw new Unusable(said);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Unusable("Interrupted.");
    }
  }

  @Override
  public void destroy() {
    clock.shutdownNow();
  }
}
