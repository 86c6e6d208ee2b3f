package tertulia.app.live;

import java.io.IOException;
import java.time.Clock;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tertulia.app.catalogue.PagesChanged;
import tertulia.app.growth.PlanChanged;
import tertulia.app.inuse.InUseChanged;
import tertulia.app.selection.SelectionChanged;

/**
 * Who has a page of which selection open. What has changed is not sent, only that something has:
 * the page then asks for it as whoever it is, so that nobody is sent what they may not see. Every
 * change has a number; a page that was cut off asks with the number it last saw and misses nothing.
 */
@Component
public class Live {
  /** Streams at once; a page beyond that is read anew by hand. */
  static final int MOST = 500;

  /** After which the browser asks again, and is looked at again. */
  private static final long MILLISECONDS = 10 * 60 * 1000L;

  private final AtomicLong first;
  private final AtomicLong ofAll = new AtomicLong();
  private final Map<Long, AtomicLong> changes = new ConcurrentHashMap<>();
  private final Map<Long, Set<SseEmitter>> streams = new ConcurrentHashMap<>();
  private final AtomicInteger open = new AtomicInteger();

  Live(Clock clock) {
    // another start of the server has other numbers, so a page from before it asks for everything
    this.first = new AtomicLong(clock.millis());
  }

  private AtomicLong own(long selection) {
    return changes.computeIfAbsent(selection, id -> new AtomicLong(first.get()));
  }

  /** The number of the last change of a selection. */
  public long last(long selection) {
    return own(selection).get() + ofAll.get();
  }

  /**
   * A stream that says when something of a selection has changed, and at once where it is now.
   *
   * @return null if there are as many as can be
   */
  public @Nullable SseEmitter open(long selection) {
    if (open.incrementAndGet() > MOST) {
      open.decrementAndGet();
      return null;
    }
    SseEmitter stream = new SseEmitter(MILLISECONDS);
    Set<SseEmitter> readers =
        streams.computeIfAbsent(selection, id -> ConcurrentHashMap.newKeySet());
    Runnable gone =
        () -> {
          if (readers.remove(stream)) {
            open.decrementAndGet();
          }
        };
    readers.add(stream);
    stream.onCompletion(gone);
    stream.onTimeout(stream::complete);
    stream.onError(e -> gone.run());
    send(stream, last(selection));
    return stream;
  }

  /**
   * Tells everybody, but not in the thread of whoever changed it: a slow reader holds up nobody.
   */
  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  void changed(SelectionChanged changed) {
    own(changed.id()).incrementAndGet();
    tell(changed.id());
  }

  /** What selections rest on has changed: prices, the people planned, or what is in use. */
  @TransactionalEventListener(
      classes = {PagesChanged.class, PlanChanged.class, InUseChanged.class},
      phase = TransactionPhase.AFTER_COMMIT)
  void changedForAll() {
    ofAll.incrementAndGet();
    streams.keySet().forEach(this::tell);
  }

  private void tell(long selection) {
    long now = last(selection);
    for (SseEmitter stream : streams.getOrDefault(selection, Set.of())) {
      Thread.ofVirtual().start(() -> send(stream, now));
    }
  }

  private static void send(SseEmitter stream, long number) {
    try {
      stream.send(SseEmitter.event().name("changed").data("" + number));
    } catch (IOException | IllegalStateException e) {
      stream.complete();
    }
  }
}
