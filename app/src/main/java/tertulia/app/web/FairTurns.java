package tertulia.app.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.http.InvalidParameterException;

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
      timed(request, () -> getNext().invoke(request, response));
    } else if (!hasBody(request)) {
      stranger(strangers.page(), request, response, () -> getNext().invoke(request, response));
    } else if (!isForm(request)) {
      refuse(request, response, HttpServletResponse.SC_UNSUPPORTED_MEDIA_TYPE);
    } else {
      boolean read = stranger(strangers.body(), request, response, () -> read(request, response));
      // all of it is there: whoever sent it cannot draw out what follows
      if (read
          && !response.isCommitted()
          && request.getCoyoteRequest().getErrorException() == null) {
        getNext().invoke(request, response);
      }
    }
  }

  /** Reads a form whole, in the one encoding there is here. */
  private void read(Request request, Response response) throws IOException, ServletException {
    request.setCharacterEncoding(StandardCharsets.UTF_8.name());
    try {
      timed(request, request::getParameterMap);
    } catch (InvalidParameterException e) {
      refuse(request, response, e.getErrorCode());
    } catch (IllegalStateException e) {
      refuse(request, response, HttpServletResponse.SC_BAD_REQUEST);
    }
  }

  private interface Work {
    void go() throws IOException, ServletException;
  }

  /** Does something while a stranger is waited for; false if there was no turn. */
  private static boolean stranger(
      Optional<Strangers.Turn> turn, Request request, Response response, Work work)
      throws IOException, ServletException {
    if (turn.isEmpty()) {
      refuse(request, response, HttpServletResponse.SC_SERVICE_UNAVAILABLE);
      return false;
    }
    try (Strangers.Turn held = turn.get()) {
      work.go();
    }
    return true;
  }

  private static boolean hasBody(Request request) {
    return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
  }

  /** Nothing else is taken of people who are not signed in. */
  private static boolean isForm(Request request) {
    String type = request.getContentType();
    return type != null
        && (type.startsWith("application/x-www-form-urlencoded")
            || type.startsWith("multipart/form-data"));
  }

  private void timed(Request request, Work work) throws IOException, ServletException {
    org.apache.coyote.Request raw = request.getCoyoteRequest();
    InputBuffer plain = raw.getInputBuffer();
    TimedBody body = new TimedBody(plain, grace, leastSpeed, System::nanoTime);
    raw.setInputBuffer(body);
    try {
      work.go();
    } finally {
      raw.setInputBuffer(plain);
      if (body.isTooSlow()) {
        // the rest of it is not waited for
        raw.action(ActionCode.CLOSE_NOW, null);
      }
    }
  }

  private static void refuse(Request request, Response response, int status) throws IOException {
    response.setStatus(status);
    response.setHeader("Retry-After", "2");
    response.setHeader("Connection", "close");
    response.setContentType("text/plain");
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    response
        .getWriter()
        .write(
            status == HttpServletResponse.SC_SERVICE_UNAVAILABLE
                ? "Too many people who are not signed in ask for something just now. Try again.\n"
                : "This form cannot be read. Go back and use the page's own buttons.\n");
    response.finishResponse();
    // what it brings is not waited for
    request.getCoyoteRequest().action(ActionCode.CLOSE_NOW, null);
  }
}
