package tertulia.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tertulia.app.exchange.Unseen;

/** Refuses a form with a character in it that nobody sees, before anything of it is read. */
@Component
class UnseenFilter extends OncePerRequestFilter {
  static final String FIELD = "tertulia.unseen.field";
  static final String FOUND = "tertulia.unseen.found";

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    for (Map.Entry<String, String[]> field : request.getParameterMap().entrySet()) {
      for (String value : field.getValue()) {
        Optional<String> found = Unseen.in(value);
        if (found.isPresent()) {
          request.setAttribute(FIELD, field.getKey());
          request.setAttribute(FOUND, found.get());
          request.getRequestDispatcher("/unseen").forward(request, response);
          return;
        }
      }
    }
    chain.doFilter(request, response);
  }

  /** A password may hold anything, and is shown to nobody. */
  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("POST") || request.getServletPath().equals("/sign-in");
  }
}
