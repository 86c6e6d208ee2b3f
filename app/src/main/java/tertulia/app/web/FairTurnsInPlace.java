package tertulia.app.web;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** Puts fair turns before everything else. */
@Component
class FairTurnsInPlace implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private final Duration grace;
  private final long leastSpeed;

  /**
   * @param leastSpeed in bytes a second
   */
  FairTurnsInPlace(
      @Value("${tertulia.slowest-body:10s}") Duration grace,
      @Value("${tertulia.least-speed:4096}") long leastSpeed) {
    this.grace = grace;
    this.leastSpeed = leastSpeed;
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    factory.addContextValves(new FairTurns(grace, leastSpeed));
  }
}
