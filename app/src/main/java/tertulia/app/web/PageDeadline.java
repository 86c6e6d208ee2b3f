package tertulia.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tertulia.core.deadline.Deadline;

/** Holds what is computed for a page to a deadline; a server that stops waits for none. */
@Component
class PageDeadline extends OncePerRequestFilter {
  private final Duration most;
  private volatile boolean stopping;

  PageDeadline(@Value("${tertulia.longest-page:20s}") Duration most) {
    this.most = most;
  }

  @EventListener(ContextClosedEvent.class)
  void stop() {
    stopping = true;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      Deadline.in(most, () -> stopping)
          .hold(() -> {
            chain.doFilter(request, response);
            return true;
          });
    } catch (ServletException | IOException | RuntimeException e) {
      throw e;
    } catch (Exception e) {
      throw new ServletException(e);
    }
  }
}
