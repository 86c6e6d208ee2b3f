package tertulia.app.store;

import jakarta.persistence.EntityManagerFactory;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Conditional;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.util.unit.DataSize;

/** How a store in a file is used; one in memory needs none of it. */
@Configuration
@Conditional(InFile.class)
class StoreWiring implements DisposableBean, SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(StoreWiring.class);
  private final Store store;
  private final DataSource database;
  private volatile boolean isRunning;

  StoreWiring(Store store, DataSource database) {
    this.store = store;
    this.database = database;
  }

  @Bean
  static DiskSync diskSync(Store store) {
    return new DiskSync(store);
  }

  @Bean
  static PlatformTransactionManager transactionManager(
      EntityManagerFactory entities, DiskSync disk) {
    return new DurableTransactions(entities, disk);
  }

  /** Before security, which has nothing to say to a disk that is full. */
  @Bean
  static FilterRegistrationBean<RoomOnDisk> roomOnDisk(
      Store store, @Value("${tertulia.least-free}") DataSize least) {
    FilterRegistrationBean<RoomOnDisk> room =
        new FilterRegistrationBean<>(
            new RoomOnDisk(store.directory().toFile()::getUsableSpace, least.toBytes()));
    room.setOrder(Ordered.HIGHEST_PRECEDENCE);
    return room;
  }

  @Bean
  static BackupRequests backupRequests(Store store, DataSource database) {
    return new BackupRequests(store, database);
  }

  /**
   * What an upgrade needed is done, and nobody has written anything yet: the web server starts
   * after this.
   */
  @Override
  public void start() {
    mark(Marker.RUNNING);
    isRunning = true;
  }

  @Override
  public void stop() {
    // what is counted at the end is counted when nothing can write any more
  }

  @Override
  public boolean isRunning() {
    return isRunning;
  }

  @Override
  public int getPhase() {
    return 0;
  }

  @EventListener
  void ready(ApplicationReadyEvent event) {
    event.getApplicationContext().getBean(BackupRequests.class).begin();
    try {
      OnDisk.ownerOnly(store.file());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A clean stop leaves the number of rows beside the store, to be counted against it. The pool is
   * closed first: no request that is still running can write after the count.
   */
  @Override
  public void destroy() throws Exception {
    if (isRunning) {
      ((AutoCloseable) database).close();
      try (Connection connection = store.connect()) {
        mark(Marker.stopped(Store.rows(connection)));
      } catch (SQLException | UncheckedIOException | Unusable e) {
        LOG.warn("The rows of the store were not counted at the stop: {}", e.getMessage());
      }
    }
  }

  private void mark(Marker marker) {
    try {
      marker.write(store.marker());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
