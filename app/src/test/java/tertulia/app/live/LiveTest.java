package tertulia.app.live;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import org.testng.annotations.Test;
import tertulia.app.selection.SelectionChanged;

/** Changes are numbered, and as many hear of them as can. */
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
  public void thereAreAsManyStreamsAsCanBe() {
    Live live = live("2026-11-24T09:00:00Z");
    for (int i = 0; i < Live.MOST; i++) {
      assertNotNull(live.open(1));
    }
    assertNull(live.open(1));
  }
}
