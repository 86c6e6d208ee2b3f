package tertulia.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tertulia.app.exchange.Unseen;

/**
 * Refuses a form with a character in it that nobody sees, or with a text longer than any field of
 * ours holds, before anything of it is read.
 */
@Component
class RefusedTextFilter extends OncePerRequestFilter {
  static final String FIELD = "tertulia.refused.field";
  static final String SENTENCE = "tertulia.refused.sentence";
  private static final int LONGEST = 50_000;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    for (Map.Entry<String, String[]> field : request.getParameterMap().entrySet()) {
      for (String value : field.getValue()) {
        Optional<String> fault = fault(value);
        if (fault.isPresent()) {
          request.setAttribute(FIELD, field.getKey());
          request.setAttribute(SENTENCE, fault.get());
          request.getRequestDispatcher("/refused-text").forward(request, response);
          return;
        }
      }
    }
    chain.doFilter(request, response);
  }

  private static Optional<String> fault(String value) {
    return value.length() > LONGEST
        ? Optional.of(
            String.format(
                Locale.ROOT,
                "It has %,d characters, and at most %,d are read. Shorten it.",
                value.length(),
                LONGEST))
        : Unseen.in(value).map(Unseen::sentence);
  }

  /** A password may hold anything, and is shown to nobody. */
  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("POST") || request.getServletPath().equals("/sign-in");
  }
}
