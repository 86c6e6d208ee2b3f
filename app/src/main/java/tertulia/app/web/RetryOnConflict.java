package tertulia.app.web;

import java.sql.SQLException;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;

/**
 * Does something again that met the same thing of somebody else at the same moment. For what is
 * somebody's own, such as a mark, where the last one counts and nobody has to be asked.
 */
public final class RetryOnConflict {
  private static final int TRIES = 4;

  /** SQL states: the same key is there already; a row that is referred to is not, or still is. */
  private static final Set<String> OF_SOMEBODY_ELSE = Set.of("23505", "23506", "23503");

  private RetryOnConflict() {}

  /** The result of the first try that meets nobody; after four the last refusal is thrown. */
  public static <T> T until(Supplier<T> each) {
    for (int i = 1; ; i++) {
      try {
        return each.get();
      } catch (DataIntegrityViolationException | ObjectOptimisticLockingFailureException e) {
        if (i == TRIES || !isOfSomebodyElse(e)) {
          throw e;
        }
      }
    }
  }

  /**
   * Whether a refusal of the store comes from a write of somebody else: the same thing was put
   * down, or what it belongs to was taken away. Anything else would be refused again and again.
   */
  static boolean isOfSomebodyElse(RuntimeException refusal) {
    return !(refusal instanceof DataIntegrityViolationException)
        || NestedExceptionUtils.getMostSpecificCause(refusal) instanceof SQLException cause
            && OF_SOMEBODY_ELSE.contains(String.valueOf(cause.getSQLState()));
  }

  /** As above, without a result. */
  public static void until(Runnable each) {
    until(() -> {
      each.run();
      return true;
    });
  }
}
