package tertulia.app.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.coyote.InputBuffer;

/**
 * Sees to it, before anything of a request is read, that nobody is kept out by others: bodies come
 * in a time, and people who are not signed in never hold every thread.
 */
final class FairTurns extends ValveBase {
  private final Strangers strangers = new Strangers();
  private final Duration grace;
  private final long leastSpeed;

  FairTurns(Duration grace, long leastSpeed) {
    super(true);
    this.grace = grace;
    this.leastSpeed = leastSpeed;
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    if (request.getSessionInternal(false) != null) {
      timed(request, response);
      return;
    }
    try (Strangers.Turn turn = strangers.turn(hasBody(request))) {
      if (turn == null) {
        refuse(request, response);
      } else {
        timed(request, response);
      }
    }
  }

  private static boolean hasBody(Request request) {
    return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
  }

  private void timed(Request request, Response response) throws IOException, ServletException {
    org.apache.coyote.Request raw = request.getCoyoteRequest();
    InputBuffer plain = raw.getInputBuffer();
    TimedBody body = new TimedBody(plain, grace, leastSpeed, System::nanoTime);
    raw.setInputBuffer(body);
    try {
      getNext().invoke(request, response);
    } finally {
      raw.setInputBuffer(plain);
      if (body.isTooSlow()) {
        // the rest of it is not waited for
        raw.action(ActionCode.CLOSE_NOW, null);
      }
    }
  }

  private static void refuse(Request request, Response response) throws IOException {
    response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
    response.setHeader("Retry-After", "2");
    response.setHeader("Connection", "close");
    response.setContentType("text/plain");
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    response
        .getWriter()
        .write("Too many people who are not signed in ask for something just now. Try again.\n");
    response.finishResponse();
    // what it brings is not waited for
    request.getCoyoteRequest().action(ActionCode.CLOSE_NOW, null);
  }
}
