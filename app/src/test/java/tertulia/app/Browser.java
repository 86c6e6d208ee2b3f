package tertulia.app;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Somebody's browser: it keeps its cookies and sends the token of the page it last read. */
public final class Browser {
  private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");

  private final int port;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient client =
      HttpClient.newBuilder().cookieHandler(cookies).connectTimeout(Duration.ofSeconds(5)).build();

  public Browser(int port) {
    this.port = port;
  }

  /** The names of the cookies it keeps. */
  public Set<String> cookies() {
    return cookies.getCookieStore().getCookies().stream()
        .map(HttpCookie::getName)
        .collect(Collectors.toSet());
  }

  /** All of them, as a header. */
  public String cookieHeader() {
    return cookies.getCookieStore().getCookies().stream()
        .map(cookie -> cookie.getName() + "=" + cookie.getValue())
        .collect(Collectors.joining("; "));
  }

  public HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return client.send(
        request(path).GET().build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
        .timeout(Duration.ofSeconds(30));
  }

  /** Sends a form with the token that stands on a page. */
  public HttpResponse<String> post(String page, String path, Map<String, String> fields)
      throws IOException, InterruptedException {
    Matcher token = TOKEN.matcher(get(page).body());
    if (!token.find()) {
      throw new IOException("no token on " + page);
    }
    return post(path, fields, token.group(1));
  }

  public HttpResponse<String> post(String path, Map<String, String> fields, String token)
      throws IOException, InterruptedException {
    String body =
        fields.entrySet().stream()
            .map(e -> encoded(e.getKey()) + "=" + encoded(e.getValue()))
            .collect(Collectors.joining("&", "_csrf=" + encoded(token) + "&", ""));
    return client.send(
        request(path)
            .header("Content-Type", "application/x-www-form-urlencoded")
            .POST(HttpRequest.BodyPublishers.ofString(body))
            .build(),
        HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
  }

  public String token(String page) throws IOException, InterruptedException {
    Matcher token = TOKEN.matcher(get(page).body());
    if (!token.find()) {
      throw new IOException("no token on " + page);
    }
    return token.group(1);
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  public void signIn(String name, String password) throws IOException, InterruptedException {
    HttpResponse<String> answer =
        post("/sign-in", "/sign-in", Map.of("username", name, "password", password));
    if (answer.statusCode() != 302
        || answer.headers().firstValue("Location").orElse("").contains("error")) {
      throw new IOException("not signed in: " + answer.statusCode());
    }
  }
}
