package tertulia.app.web;

import java.io.IOException;
import java.time.Duration;
import java.util.function.LongSupplier;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;

/**
 * What a request brings, within a time: after a grace it has to have come at a least speed, so that
 * nobody holds a thread by sending a byte now and then.
 */
final class TimedBody implements InputBuffer {
  /** It comes too slowly; the connection is closed. */
  static final class TooSlow extends IOException {
    private static final long serialVersionUID = 1L;

    TooSlow(long bytes, long seconds) {
      super("Only " + bytes + " bytes of a body came in " + seconds + " s");
    }
  }

  private static final long NANOS = 1_000_000_000L;

  private final InputBuffer plain;
  private final long grace;
  private final long leastSpeed;
  private final LongSupplier nanos;
  private final long begun;
  private long bytes;
  private boolean tooSlow;

  /**
   * @param grace so long it may come as slowly as it likes
   * @param leastSpeed in bytes a second, over all of the time after that
   * @param nanos a clock
   */
  TimedBody(InputBuffer plain, Duration grace, long leastSpeed, LongSupplier nanos) {
    this.plain = plain;
    this.grace = grace.toNanos();
    this.leastSpeed = leastSpeed;
    this.nanos = nanos;
    begun = nanos.getAsLong();
  }

  /**
   * The next bytes.
   *
   * @throws TooSlow if they came too slowly
   */
  @Override
  public int doRead(ApplicationBufferHandler handler) throws IOException {
    int read = plain.doRead(handler);
    bytes += Math.max(0, read);
    long past = nanos.getAsLong() - begun - grace;
    if (read > 0 && past > 0 && bytes < leastSpeed * (past / (double) NANOS)) {
      tooSlow = true;
      throw new TooSlow(bytes, (past + grace) / NANOS);
    }
    return read;
  }

  /** Whether it came too slowly. */
  boolean isTooSlow() {
    return tooSlow;
  }

  @Override
  public int available() {
    return plain.available();
  }
}
