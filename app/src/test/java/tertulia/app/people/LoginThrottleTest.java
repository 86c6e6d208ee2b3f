package tertulia.app.people;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.testng.annotations.Test;

/** However many are tried at once, no more are looked at than one after the other. */
public class LoginThrottleTest {
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

  private final LoginThrottle guesses = new LoginThrottle(Clock.fixed(NOON, ZoneOffset.UTC));

  @Test
  public void ofSixtyAtOnceFiveAreLookedAt() throws Exception {
    CountDownLatch all = new CountDownLatch(60);
    List<Future<Boolean>> tries = new ArrayList<>();
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      for (int i = 0; i < 60; i++) {
        tries.add(
            threads.submit(() -> {
              try (LoginThrottle.Try made = guesses.begin("ilse", "192.0.2.7")) {
                // everybody has begun before anybody knows that it was wrong
                all.countDown();
                all.await();
                if (made.left().isZero()) {
                  made.wrong();
                  return true;
                }
                return false;
              }
            }));
      }
    }
    int looked = 0;
    for (Future<Boolean> made : tries) {
      looked += made.get() ? 1 : 0;
    }
    assertEquals(looked, 5);
    assertFalse(left("ilse", "192.0.2.7").isZero(), "and then it has to be waited");
  }

  private Duration left(String name, String address) {
    try (LoginThrottle.Try made = guesses.begin(name, address)) {
      return made.left();
    }
  }

  @Test
  public void aRightOneForgetsTheWrongOnesAndWhatIsGivenUpDoesNotCount() {
    for (int i = 0; i < 4; i++) {
      try (LoginThrottle.Try made = guesses.begin("odile", "192.0.2.8")) {
        made.wrong();
      }
    }
    assertTrue(left("odile", "192.0.2.8").isZero());
    assertTrue(left("odile", "192.0.2.8").isZero(), "a try that was neither is as none");
    try (LoginThrottle.Try made = guesses.begin("odile", "192.0.2.8")) {
      made.right();
    }
    for (int i = 0; i < 4; i++) {
      try (LoginThrottle.Try made = guesses.begin("odile", "192.0.2.8")) {
        made.wrong();
      }
    }
    assertTrue(left("odile", "192.0.2.8").isZero());
    // signing in many times from one address holds nobody up there
    for (int i = 0; i < 40; i++) {
      try (LoginThrottle.Try made = guesses.begin("person " + i, "192.0.2.9")) {
        assertTrue(made.left().isZero());
        made.right();
      }
    }
    assertTrue(left("somebody else", "192.0.2.9").isZero());
  }
}
