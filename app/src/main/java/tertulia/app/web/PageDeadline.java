package tertulia.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Objects;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.filter.OncePerRequestFilter;
import tertulia.core.deadline.Deadline;
import tertulia.core.deadline.Overdue;

/**
 * Holds what is computed for a page to a deadline; a server that stops waits for none. What was
 * waited for in vain outside of any page, as a connection to the store by a filter or a figure
 * while a page is written out, is answered with the same sentence as within.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class PageDeadline extends OncePerRequestFilter {
  private static final Logger LOG = LoggerFactory.getLogger(PageDeadline.class);
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
    if (request.getMethod().equals("POST")) {
      // what is sent is read first: a large file over a slow line is not held against the page, and
      // a body has a least speed of its own
      request.getParameterMap();
    }
    try {
      Deadline.in(most, () -> stopping)
          .hold(() -> {
            chain.doFilter(request, response);
            return true;
          });
    } catch (ServletException | IOException | RuntimeException e) {
      if (response.isCommitted() || !isWaitedForInVain(e)) {
        throw e;
      }
      LOG.warn("Waited in vain: {}", NestedExceptionUtils.getMostSpecificCause(e).getMessage());
      response.sendError(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
    } catch (Exception e) {
      throw new ServletException(e);
    }
  }

  private static boolean isWaitedForInVain(Throwable thrown) {
    return Stream.iterate(thrown, Objects::nonNull, Throwable::getCause)
        .anyMatch(e ->
            e instanceof Overdue
                || e instanceof CannotCreateTransactionException
                || e instanceof DataAccessResourceFailureException
                || e instanceof PessimisticLockingFailureException);
  }
}
