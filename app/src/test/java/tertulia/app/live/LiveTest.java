package tertulia.app.live;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;
import tertulia.app.selection.SelectionChanged;

/** Changes are numbered, and what many ask after one is worked out once. */
public class LiveTest {
  private static Live live(String start) {
    return new Live(Clock.fixed(Instant.parse(start), ZoneOffset.UTC));
  }

  @Test
  public void everyChangeHasANumberAndAnotherStartHasOthers() {
    Live live = live("2026-11-24T09:00:00Z");
    long before = live.last(1);
    live.changed(new SelectionChanged(1));
    live.changed(new SelectionChanged(1));
    assertEquals(live.last(1), before + 2);
    assertEquals(live.last(2), before, "each selection counts for itself");
    live.changedForAll();
    assertEquals(live.last(1), before + 3, "a price or the growth plan is of them all");
    assertEquals(live.last(2), before + 1);
    assertTrue(live("2026-11-24T10:00:00Z").last(1) > live.last(1));
  }

  @Test
  public void manyReadersOfOneChangeWorkItOutOnce() throws Exception {
    Live live = live("2026-11-24T09:00:00Z");
    AtomicInteger worked = new AtomicInteger();
    int readers = 40;
    CyclicBarrier start = new CyclicBarrier(readers);
    List<Callable<String>> asking = new ArrayList<>();
    for (int i = 0; i < readers; i++) {
      asking.add(() -> {
        start.await();
        return live.once("selection 1 after change 7", () -> "page " + worked.incrementAndGet());
      });
    }
    ExecutorService all = Executors.newFixedThreadPool(readers);
    try {
      for (Future<String> read : all.invokeAll(asking)) {
        assertEquals(read.get(), "page 1");
      }
    } finally {
      all.shutdown();
    }
    assertEquals(live.once("after change 8", () -> "page " + worked.incrementAndGet()), "page 2");
  }

  @Test
  public void whatFailedIsWorkedOutAgain() {
    Live live = live("2026-11-24T09:00:00Z");
    assertThrows(
        IllegalStateException.class,
        () ->
            live.once(
                "question",
                () -> {
                  throw new IllegalStateException("cut off");
                }));
    assertEquals(live.once("question", () -> "page"), "page");
  }

  @Test
  public void thereAreAsManyStreamsAsCanBe() {
    Live live = live("2026-11-24T09:00:00Z");
    for (int i = 0; i < Live.MOST; i++) {
      assertNotNull(live.open(1));
    }
    assertNull(live.open(1));
  }
}
