package tertulia.core.deadline;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

/** What many ask for is worked out once, and nobody waits longer than they would. */
public class OnceTest {
  @Test
  public void manyWhoAskAtOnceWorkItOutOnce() throws Exception {
    AtomicInteger worked = new AtomicInteger();
    OnceEach<String, String> pages = new OnceEach<>("pages", 2);
    int readers = 40;
    CyclicBarrier start = new CyclicBarrier(readers);
    try (ExecutorService all = Executors.newFixedThreadPool(readers)) {
      List<Future<String>> reading = new ArrayList<>();
      for (int i = 0; i < readers; i++) {
        reading.add(
            all.submit(() -> {
              start.await();
              return pages.get("one", key -> key + " " + worked.incrementAndGet());
            }));
      }
      for (Future<String> read : reading) {
        assertEquals(read.get(), "one 1");
      }
    }
  }

  @Test
  public void theOneAskedForLongestAgoGoesFirst() {
    AtomicInteger worked = new AtomicInteger();
    OnceEach<String, Integer> numbers = new OnceEach<>("numbers", 2);
    for (String key : List.of("a", "b", "a", "c", "a")) {
      numbers.get(key, k -> worked.incrementAndGet());
    }
    assertEquals(worked.get(), 3);
    assertEquals(numbers.get("b", k -> worked.incrementAndGet()), Integer.valueOf(4));
  }

  @Test
  public void whatFailedIsWorkedOutAgain() {
    AtomicInteger tries = new AtomicInteger();
    Once<String> once =
        new Once<>(
            "a page",
            () -> {
              if (tries.incrementAndGet() == 1) {
                throw new IllegalStateException("cut off");
              }
              return "page";
            });
    assertThrows(IllegalStateException.class, once::get);
    assertEquals(once.get(), "page");
    assertEquals(once.get(), "page");
    assertEquals(tries.get(), 2);
  }

  @Test
  public void whoWaitsForAnotherGivesUpAtTheirOwnDeadline() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    Once<String> once =
        new Once<>(
            "the ways through Tollen",
            () -> {
              begun.countDown();
              try {
                go.await();
              } catch (InterruptedException e) {
                throw new IllegalStateException(e);
              }
              return "found";
            });
    try (ExecutorService other = Executors.newSingleThreadExecutor()) {
      Future<String> first = other.submit(once::get);
      begun.await();
      Overdue overdue =
          expectThrows(
              Overdue.class, () -> Deadline.in(Duration.ZERO, () -> false).hold(once::get));
      assertEquals(overdue.what(), "the ways through Tollen");
      Overdue left =
          expectThrows(
              Overdue.class, () -> Deadline.in(Duration.ofDays(1), () -> true).hold(once::get));
      assertTrue(left.isAbandoned());
      go.countDown();
      assertEquals(first.get(), "found");
    }
    assertEquals(
        Deadline.in(Duration.ZERO, () -> false).<String, RuntimeException>hold(once::get), "found");
  }
}
