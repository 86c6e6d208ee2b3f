package tertulia.app;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.springframework.boot.test.web.server.LocalManagementPort;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * As it is run for others: a proxy with TLS before it, names it is called by, figures beside it.
 */
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:proxy;DB_CLOSE_DELAY=-1",
      "server.forward-headers-strategy=native",
      "tertulia.hosts=Tools.Brackwater.example, other.example",
      "management.server.port=0",
      "tertulia.data=.",
      "tertulia.least-free=1B"
    })
public class BehindProxyTest extends ServedTest {
  @LocalServerPort private int port;
  @LocalManagementPort private int figures;

  /** What is answered to a request as a proxy writes it, head and body. */
  private static String answer(int port, String path, List<String> headers) throws IOException {
    try (Socket socket = new Socket("127.0.0.1", port)) {
      OutputStream out = socket.getOutputStream();
      String head =
          "GET " + path + " HTTP/1.1\r\n" + String.join("\r\n", headers) + "\r\nConnection: close";
      out.write((head + "\r\n\r\n").getBytes(StandardCharsets.ISO_8859_1));
      out.flush();
      return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  @DataProvider
  public Object[][] hosts() {
    return new Object[][] {
      {"localhost", true},
      {"127.0.0.1:8080", true},
      {"[::1]:8080", true},
      {"tools.brackwater.example", true},
      {"TOOLS.brackwater.example:443", true},
      {"other.example", true},
      {"brackwater.example", false},
      {"tools.brackwater.example.evil.example", false},
      {"localhost.evil.example", false},
      {"10.0.0.4", false}
    };
  }

  @Test(dataProvider = "hosts")
  public void onlyKnownNamesAreAnswered(String host, boolean known) throws IOException {
    String answer = answer(port, "/first-account", List.of("Host: " + host));
    assertTrue(answer.startsWith(known ? "HTTP/1.1 200" : "HTTP/1.1 421"), answer);
    if (!known) {
      assertTrue(answer.contains("tertulia.hosts"), answer);
      assertFalse(answer.contains(host), answer);
    }
  }

  @Test
  public void behindTlsCookiesAndAddressesSaySo() throws IOException {
    List<String> forwarded =
        List.of(
            "Host: tools.brackwater.example",
            "X-Forwarded-For: 192.0.2.7",
            "X-Forwarded-Proto: https");
    String page = answer(port, "/first-account", forwarded);
    assertTrue(page.contains("Strict-Transport-Security: max-age="), page);
    List<String> cookies =
        page.lines()
            .map(line -> line.toLowerCase(Locale.ROOT))
            .filter(line -> line.startsWith("set-cookie:"))
            .toList();
    assertFalse(cookies.isEmpty());
    for (String cookie : cookies) {
      assertTrue(cookie.contains("secure") && cookie.contains("httponly"), cookie);
      assertTrue(cookie.contains("samesite=lax"), cookie);
    }
    String refused = answer(port, "/selections", forwarded);
    assertTrue(
        refused.contains("Location: https://tools.brackwater.example/")
            || refused.contains("Location: /"),
        refused);
    String plain = answer(port, "/first-account", List.of("Host: localhost"));
    assertFalse(plain.contains("Strict-Transport-Security"), plain);
  }

  @Test
  public void healthAndFiguresAreOnAPortOfTheirOwn() throws IOException {
    List<String> here = List.of("Host: localhost");
    String health = answer(figures, "/actuator/health", here);
    assertTrue(health.startsWith("HTTP/1.1 200") && health.contains("\"status\":\"UP\""), health);
    assertTrue(health.contains("\"db\"") && health.contains("\"diskSpace\""), health);
    String metrics = answer(figures, "/actuator/prometheus", here);
    assertTrue(metrics.contains("jvm_memory_used_bytes"), metrics);
    for (String kept : List.of("/actuator/env", "/actuator/heapdump", "/actuator/beans")) {
      assertFalse(answer(figures, kept, here).startsWith("HTTP/1.1 200"), kept);
    }
    String outside = answer(port, "/actuator/health", here);
    assertFalse(outside.startsWith("HTTP/1.1 200"), outside);
    assertFalse(outside.contains("\"status\""), outside);
  }
}
