package tertulia.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only to the names by which the server is known: else a foreign page could have a browser
 * talk to it under a name of its own, and links in what we send could be made to lead elsewhere.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class KnownHosts extends OncePerRequestFilter {
  private static final List<String> THIS_MACHINE = List.of("localhost", "127.0.0.1", "[::1]");
  private static final int MISDIRECTED_REQUEST = 421;

  private final Set<String> names;

  KnownHosts(@Value("${tertulia.hosts:}") List<String> names) {
    this.names =
        Stream.concat(THIS_MACHINE.stream(), names.stream())
            .map(name -> name.strip().toLowerCase(Locale.ROOT))
            .filter(name -> !name.isEmpty())
            .collect(Collectors.toUnmodifiableSet());
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (names.contains(request.getServerName().toLowerCase(Locale.ROOT))) {
      chain.doFilter(request, response);
      return;
    }
    response.setStatus(MISDIRECTED_REQUEST);
    response.setContentType(MediaType.TEXT_PLAIN_VALUE);
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    // the name itself is not said: it may be anything
    response
        .getWriter()
        .write(
            "This server is not known by the name in this address. Whoever runs it can add the"
                + " name to its setting tertulia.hosts.\n");
  }
}
