package tertulia.app;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** A clock that a test sets to another day. */
public final class MovableClock extends Clock {
  /** The day on which the demonstration begins. */
  static final String START = "2026-11-24";

  private volatile Instant now;

  private MovableClock(Instant now) {
    this.now = now;
  }

  /** Makes it nine in the morning of a day. */
  public void moveTo(String day) {
    now = LocalDate.parse(day).atTime(9, 0).toInstant(ZoneOffset.UTC);
  }

  @Override
  public Instant instant() {
    return now;
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return this;
  }

  /** Puts it in place of the server's clock. */
  @TestConfiguration
  public static class InPlace {
    @Bean
    @Primary
    MovableClock movableClock() {
      MovableClock clock = new MovableClock(Instant.EPOCH);
      clock.moveTo(START);
      return clock;
    }
  }
}
