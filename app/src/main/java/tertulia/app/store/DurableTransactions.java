package tertulia.app.store;

import jakarta.persistence.EntityManagerFactory;
import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;

/** A write is over when it is on the disk. */
final class DurableTransactions extends JpaTransactionManager {
  private static final long serialVersionUID = 1L;
  private final transient DiskSync disk;

  DurableTransactions(EntityManagerFactory entities, DiskSync disk) {
    super(entities);
    this.disk = disk;
  }

  @Override
  protected void doCommit(DefaultTransactionStatus status) {
    super.doCommit(status);
    if (!status.isReadOnly()) {
      disk.await();
    }
  }
}
