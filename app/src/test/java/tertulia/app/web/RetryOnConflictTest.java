package tertulia.app.web;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.sql.SQLException;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Only what somebody else caused is tried again. */
public class RetryOnConflictTest {
  @DataProvider
  public Object[][] refusals() {
    return new Object[][] {
      {refused("23505"), 4}, // the same key
      {refused("23503"), 4}, // what it belongs to is gone
      {new ObjectOptimisticLockingFailureException("row", 1), 4},
      {refused("22001"), 1}, // too long
      {refused("23502"), 1}, // nothing where something has to be
      {new DataIntegrityViolationException("for a reason nobody knows"), 1},
    };
  }

  private static DataIntegrityViolationException refused(String state) {
    return new DataIntegrityViolationException("no", new SQLException("no", state));
  }

  @Test(dataProvider = "refusals")
  public void triedAsOftenAsItMayHelp(RuntimeException refusal, int times) {
    AtomicInteger tried = new AtomicInteger();
    assertThrows(
        refusal.getClass(),
        () ->
            RetryOnConflict.until(() -> {
              tried.incrementAndGet();
              throw refusal;
            }));
    assertEquals(tried.get(), times);
  }
}
