package tertulia.app.store;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses what is to be saved while the disk is nearly full, before anything of it is written.
 * Reading goes on, and so does saving as soon as there is room again.
 */
final class RoomOnDisk extends OncePerRequestFilter {
  private static final Logger LOG = LoggerFactory.getLogger(RoomOnDisk.class);

  /** These write nothing. */
  private static final Set<String> WRITE_NOTHING = Set.of("/sign-in", "/sign-out");

  private final LongSupplier free;
  private final long least;

  /**
   * @param free bytes the disk still takes
   * @param least bytes that have to be free
   */
  RoomOnDisk(LongSupplier free, long least) {
    this.free = free;
    this.least = least;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (free.getAsLong() >= least) {
      chain.doFilter(request, response);
      return;
    }
    LOG.error("The disk of the store is nearly full; nothing is saved until there is room");
    request.getRequestDispatcher("/no-room").forward(request, response);
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("POST") || WRITE_NOTHING.contains(request.getServletPath());
  }
}
