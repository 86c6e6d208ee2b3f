package tertulia.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Reads at each request what somebody may do: a changed role or a disabled account holds from the
 * next click, and a session ends after thirty days whatever happens.
 */
public final class CurrentAccount extends OncePerRequestFilter {
  private static final Duration LONGEST_SESSION = Duration.ofDays(30);
  private final UserAccounts people;

  public CurrentAccount(UserAccounts people) {
    this.people = people;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Authentication known = SecurityContextHolder.getContext().getAuthentication();
    if (known != null && known.getPrincipal() instanceof SignedIn person) {
      HttpSession session = request.getSession(false);
      Optional<SignedIn> now = isOver(session) ? Optional.empty() : now(person, request);
      SecurityContext context = SecurityContextHolder.createEmptyContext();
      now.ifPresent(p ->
          context.setAuthentication(
              UsernamePasswordAuthenticationToken.authenticated(p, null, p.getAuthorities())));
      SecurityContextHolder.setContext(context);
      if (now.isEmpty() && session != null) {
        session.invalidate();
      }
    }
    chain.doFilter(request, response);
  }

  /** While it is said that the store does not answer, it is not asked again. */
  private Optional<SignedIn> now(SignedIn person, HttpServletRequest request) {
    boolean failed =
        request.getAttribute(RequestDispatcher.ERROR_EXCEPTION) != null
            || Integer.valueOf(HttpServletResponse.SC_SERVICE_UNAVAILABLE)
                .equals(request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE));
    return !failed ? people.now(person.id()) : Optional.of(person);
  }

  private static boolean isOver(@org.jspecify.annotations.Nullable HttpSession session) {
    return session != null
        && System.currentTimeMillis() - session.getCreationTime() > LONGEST_SESSION.toMillis();
  }

  /** A page that says something is refused names the role by which it is. */
  @Override
  protected boolean shouldNotFilterErrorDispatch() {
    return false;
  }

  /** What belongs to nobody needs nobody looked up. */
  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    return path.startsWith("/webjars/")
        || path.startsWith("/css/")
        || path.startsWith("/js/")
        || path.startsWith("/fonts/");
  }
}
