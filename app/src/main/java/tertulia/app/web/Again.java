package tertulia.app.web;

import java.util.function.Supplier;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;

/**
 * Does something again that met the same thing of somebody else at the same moment. For what is
 * somebody's own, such as a mark, where the last one counts and nobody has to be asked.
 */
public final class Again {
  private static final int TRIES = 4;

  private Again() {}

  /** The result of the first try that meets nobody; after four the last refusal is thrown. */
  public static <T> T until(Supplier<T> each) {
    for (int i = 1; ; i++) {
      try {
        return each.get();
      } catch (DataIntegrityViolationException | ObjectOptimisticLockingFailureException e) {
        if (i == TRIES) {
          throw e;
        }
      }
    }
  }

  /** As above, without a result. */
  public static void until(Runnable each) {
    until(() -> {
      each.run();
      return true;
    });
  }
}
