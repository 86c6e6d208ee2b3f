package tertulia.core.deadline;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

public class DeadlineTest {
  @Test
  public void withoutOneEverythingGoesOn() {
    Deadline.check(() -> "nothing");
  }

  @Test
  public void withinItNothingHappens() {
    int found =
        Deadline.in(Duration.ofDays(1), () -> false)
            .hold(() -> {
              Deadline.check(() -> "nothing");
              return 7;
            });
    assertEquals(found, 7);
  }

  @Test
  public void afterItTheWorkIsStoppedAndSaysAtWhat() {
    Overdue overdue =
        expectThrows(
            Overdue.class,
            () ->
                Deadline.in(Duration.ZERO, () -> false)
                    .hold(() -> {
                      Deadline.check(() -> "the ways through Tollen");
                      return 7;
                    }));
    assertEquals(overdue.what(), "the ways through Tollen");
    assertEquals(overdue.most(), Duration.ZERO);
    assertFalse(overdue.isAbandoned());
    Deadline.check(() -> "it held for that work only");
  }

  @Test
  public void whatNobodyWaitsForIsStopped() {
    AtomicInteger rounds = new AtomicInteger();
    Deadline deadline = Deadline.in(Duration.ofDays(1), () -> rounds.get() == 5);
    Overdue overdue =
        expectThrows(
            Overdue.class,
            () ->
                deadline.hold(() -> {
                  while (rounds.incrementAndGet() < 100) {
                    Deadline.check(() -> "rounds");
                  }
                  return 0;
                }));
    assertEquals(rounds.get(), 5);
    assertTrue(overdue.isAbandoned());
  }
}
