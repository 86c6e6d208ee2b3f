package tertulia.app.web;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.dao.InvalidDataAccessResourceUsageException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.transaction.CannotCreateTransactionException;
import org.testng.annotations.Test;
import tertulia.app.Browser;
import tertulia.app.ServedTest;
import tertulia.core.deadline.Deadline;

/** Nobody is kept out by others who send slowly, or all at once. */
public class FairTurnsTest extends ServedTest {
  private static final int SLOW_ONES = 30;
  @LocalServerPort private int port;

  private Browser signedIn() throws Exception {
    Browser browser = new Browser(port);
    browser.signIn("ilse", "brackwater");
    return browser;
  }

  @Test
  public void thirtyStrangersThatSendSlowlyLeaveRoomForWhoIsSignedIn() throws Exception {
    Browser ilse = signedIn();
    String head =
        "POST /sign-in HTTP/1.1\r\nHost: localhost:"
            + port
            + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 90000"
            + "\r\n\r\nu";
    Semaphore refused = new Semaphore(0);
    List<Socket> sockets = new ArrayList<>();
    try {
      for (int i = 0; i < SLOW_ONES; i++) {
        Socket socket = new Socket("localhost", port);
        sockets.add(socket);
        socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
        Thread.ofVirtual()
            .start(() -> {
              try {
                byte[] line = socket.getInputStream().readNBytes(12);
                if (new String(line, StandardCharsets.US_ASCII).equals("HTTP/1.1 503")) {
                  refused.release();
                }
              } catch (IOException e) {
                // closed at the end of this test
              }
            });
      }
      assertTrue(
          refused.tryAcquire(SLOW_ONES - Strangers.BODIES_AT_ONCE, 60, TimeUnit.SECONDS),
          refused.availablePermits() + " were refused");
      assertEquals(ilse.get("/selections").statusCode(), 200);
    } finally {
      for (Socket socket : sockets) {
        socket.close();
      }
    }
    assertEquals(
        new Browser(port).get("/sign-in").statusCode(),
        200,
        "and strangers again as soon as those are gone");
  }

  /** What only takes the processor's time is waited for: a morning is no attack. */
  @Test
  public void fortyWhoSignInAtTheSameMomentAreAllAnswered() throws Exception {
    List<Future<Integer>> answers = new ArrayList<>();
    CountDownLatch all = new CountDownLatch(40);
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      for (int i = 0; i < 40; i++) {
        Map<String, String> fields = Map.of("username", "pia", "password", "brackwater");
        answers.add(
            threads.submit(() -> {
              Browser browser = new Browser(port);
              String token;
              try {
                token = browser.token("/sign-in");
              } finally {
                all.countDown();
              }
              all.await();
              // in, or asked to wait a moment as so many try one account; never turned away
              int answered = browser.post("/sign-in", fields, token).statusCode();
              if (browser.get("/selections").statusCode() == 200) {
                browser.post("/selections", "/sign-out", Map.of());
              }
              return answered;
            }));
      }
    }
    for (Future<Integer> answer : answers) {
      assertEquals(answer.get(), Integer.valueOf(302));
    }
  }

  @Test
  public void ofAStrangerOnlyFormsAreTaken() throws Exception {
    try (Socket socket = new Socket("localhost", port)) {
      socket
          .getOutputStream()
          .write(
              ("POST /sign-in HTTP/1.1\r\nHost: localhost:"
                      + port
                      + "\r\nContent-Type: application/json\r\nContent-Length: 2\r\n\r\n{}")
                  .getBytes(StandardCharsets.US_ASCII));
      assertEquals(
          new String(socket.getInputStream().readNBytes(12), StandardCharsets.US_ASCII),
          "HTTP/1.1 415");
    }
  }

  /** Gives a byte at each read. */
  private static final InputBuffer DRIPPING =
      new InputBuffer() {
        @Override
        public int doRead(ApplicationBufferHandler handler) {
          return 1;
        }

        @Override
        public int available() {
          return 1;
        }
      };

  @Test
  public void aBodyHasATimeAndALeastSpeed() throws IOException {
    AtomicLong now = new AtomicLong();
    TimedBody body = new TimedBody(DRIPPING, Duration.ofSeconds(10), 2, now::get);
    for (int second = 1; second <= 10; second++) {
      now.addAndGet(1_000_000_000L);
      assertEquals(body.doRead(null), 1, "within the grace as slowly as it likes");
    }
    // ten bytes are due five seconds later at two a second, and come
    for (int second = 11; second <= 20; second++) {
      now.addAndGet(1_000_000_000L);
      assertEquals(body.doRead(null), 1, "in second " + second);
    }
    now.addAndGet(1_000_000_000L);
    assertThrows(TimedBody.TooSlow.class, () -> body.doRead(null));
    assertTrue(body.isTooSlow());
  }

  @Test
  public void whatIsWaitedForInVainOutsideOfAPageIsTheServersBusiness() throws Exception {
    PageDeadline deadline = new PageDeadline(Duration.ofDays(1));
    MockHttpServletResponse busy = new MockHttpServletResponse();
    deadline.doFilter(
        new MockHttpServletRequest("GET", "/selections"),
        busy,
        (request, response) -> {
          throw new CannotCreateTransactionException("no connection");
        });
    assertEquals(busy.getStatus(), 503);
    assertThrows(
        InvalidDataAccessResourceUsageException.class,
        () ->
            deadline.doFilter(
                new MockHttpServletRequest("GET", "/selections"),
                new MockHttpServletResponse(),
                (request, response) -> {
                  throw new InvalidDataAccessResourceUsageException("a fault of ours");
                }));
  }

  @Test
  public void howLongAFileTakesToArriveIsNotHeldAgainstThePage() throws Exception {
    PageDeadline deadline = new PageDeadline(Duration.ofDays(1));
    // then whatever asks under a deadline is told that nobody waits
    deadline.stop();
    AtomicLong read = new AtomicLong();
    MockHttpServletRequest sent =
        new MockHttpServletRequest("POST", "/catalogue/import") {
          @Override
          public Map<String, String[]> getParameterMap() {
            Deadline.check(() -> "reading");
            read.incrementAndGet();
            return super.getParameterMap();
          }
        };
    MockHttpServletResponse answer = new MockHttpServletResponse();
    deadline.doFilter(sent, answer, (request, response) -> Deadline.check(() -> "the page"));
    assertEquals(read.get(), 1, "the body was read before the time began");
    assertEquals(answer.getStatus(), 503, "and the page has its deadline");
  }

  @Test
  public void thePageOfFaultsIsNoAddress() throws Exception {
    assertEquals(
        signedIn().get("/error").statusCode(), 403, "as any address that is not one of ours");
  }
}
