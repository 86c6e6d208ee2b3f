package tertulia.app.store;

import java.io.IOException;
import java.net.CookieManager;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The product as a process of its own, to be killed, and browsers that talk to it. */
final class Server implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(120);
  private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");

  private final Process process;
  private final Path log;
  private final int port;

  private Server(Process process, Path log, int port) {
    this.process = process;
    this.log = log;
    this.port = port;
  }

  /** Begins a process; it may refuse to start. */
  static Server begin(Launch launch, Path data, String... more) throws IOException {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Path log = Files.createTempFile("tertulia", ".log");
    List<String> command = new ArrayList<>(launch.command());
    command.addAll(List.of(more));
    command.add("--tertulia.data=" + data);
    command.add("--server.port=" + port);
    command.add("--spring.main.lazy-initialization=true");
    Process process =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
    return new Server(process, log, port);
  }

  /** A process that answers. */
  static Server start(Launch launch, Path data, String... more)
      throws IOException, InterruptedException {
    Server server = begin(launch, data, more);
    long end = System.nanoTime() + PATIENCE.toNanos();
    while (!server.answers()) {
      if (!server.process.isAlive() || System.nanoTime() > end) {
        throw new IllegalStateException("not started: " + server.said());
      }
      Thread.sleep(50);
    }
    return server;
  }

  private boolean answers() {
    try {
      return new Browser().get("/sign-in").statusCode() < 500;
    } catch (IOException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /** Everything it has written to its output. */
  String said() throws IOException {
    return Files.readString(log);
  }

  /** The first group of an expression, as soon as it has been written. */
  String printed(String expression) throws IOException, InterruptedException {
    long end = System.nanoTime() + PATIENCE.toNanos();
    Matcher found = Pattern.compile(expression).matcher(said());
    while (!found.find()) {
      if (System.nanoTime() > end) {
        throw new IllegalStateException("not printed: " + said());
      }
      Thread.sleep(50);
      found = Pattern.compile(expression).matcher(said());
    }
    return found.group(1);
  }

  /** Waits for its end. */
  int exitStatus() throws InterruptedException {
    if (!process.waitFor(PATIENCE.toSeconds(), TimeUnit.SECONDS)) {
      throw new IllegalStateException("still running");
    }
    return process.exitValue();
  }

  /** As if the plug were pulled on the process. */
  void kill() throws InterruptedException {
    process.destroyForcibly();
    process.waitFor();
  }

  /** A clean stop. */
  void stop() throws InterruptedException {
    process.destroy();
    process.waitFor();
  }

  @Override
  public void close() {
    process.destroyForcibly();
  }

  Browser browser() {
    return new Browser();
  }

  /** Somebody's browser: it keeps its cookies and sends the token of the page it last read. */
  final class Browser {
    private final HttpClient client =
        HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .connectTimeout(Duration.ofSeconds(5))
            .build();

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
      return client.send(
          request(path).GET().build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
    }

    private HttpRequest.Builder request(String path) {
      return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
          .timeout(Duration.ofSeconds(30));
    }

    /** Sends a form with the token that stands on a page. */
    HttpResponse<String> post(String page, String path, Map<String, String> fields)
        throws IOException, InterruptedException {
      Matcher token = TOKEN.matcher(get(page).body());
      if (!token.find()) {
        throw new IOException("no token on " + page);
      }
      return post(path, fields, token.group(1));
    }

    HttpResponse<String> post(String path, Map<String, String> fields, String token)
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

    String token(String page) throws IOException, InterruptedException {
      Matcher token = TOKEN.matcher(get(page).body());
      if (!token.find()) {
        throw new IOException("no token on " + page);
      }
      return token.group(1);
    }

    private static String encoded(String text) {
      return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    void signIn(String name, String password) throws IOException, InterruptedException {
      HttpResponse<String> answer =
          post("/sign-in", "/sign-in", Map.of("username", name, "password", password));
      if (answer.statusCode() != 302
          || answer.headers().firstValue("Location").orElse("").contains("error")) {
        throw new IOException("not signed in: " + answer.statusCode());
      }
    }
  }
}
