package tertulia.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationFailureEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets nobody try passwords as fast as a machine can, says so, and logs it. */
@Component
public class SlowGuessing extends OncePerRequestFilter {
  private static final Logger LOG = LoggerFactory.getLogger(SlowGuessing.class);
  private static final String ATTEMPT = SlowGuessing.class.getName();
  private final LoginThrottle guesses;

  SlowGuessing(LoginThrottle guesses) {
    this.guesses = guesses;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String name = request.getParameter("username");
    try (LoginThrottle.Try attempt =
        guesses.begin(name == null ? "" : name, request.getRemoteAddr())) {
      if (attempt.left().isZero()) {
        request.setAttribute(ATTEMPT, attempt);
        chain.doFilter(request, response);
        return;
      }
      LOG.warn(
          "A sign-in from {} was refused: too many wrong ones before", request.getRemoteAddr());
      response.sendRedirect(
          request.getContextPath()
              + "/sign-in?wait="
              + Math.max(1, attempt.left().toSeconds() + 1));
    }
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("POST") || !request.getServletPath().equals("/sign-in");
  }

  /** The try of the request that is being answered; none outside of signing in. */
  private static Optional<LoginThrottle.Try> attempt() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
            && request.getRequest().getAttribute(ATTEMPT) instanceof LoginThrottle.Try attempt
        ? Optional.of(attempt)
        : Optional.empty();
  }

  @EventListener
  void failed(AbstractAuthenticationFailureEvent event) {
    if (event.getAuthentication().getDetails() instanceof WebAuthenticationDetails from) {
      attempt().ifPresent(LoginThrottle.Try::wrong);
      LOG.warn("A sign-in from {} failed", from.getRemoteAddress());
    }
  }

  @EventListener
  void succeeded(AuthenticationSuccessEvent event) {
    Authentication who = event.getAuthentication();
    if (who.getDetails() instanceof WebAuthenticationDetails from
        && who.getPrincipal() instanceof SignedIn person) {
      attempt().ifPresent(LoginThrottle.Try::right);
      LOG.info("Account {} signed in from {}", person.id(), from.getRemoteAddress());
    }
  }
}
