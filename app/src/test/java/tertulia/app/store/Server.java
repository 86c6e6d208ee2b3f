package tertulia.app.store;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.app.Browser;

/** The product as a process of its own, to be killed. */
final class Server implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(120);

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
    command.add("--tertulia.password-work=4");
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
      return new Browser(port).get("/sign-in").statusCode() < 500;
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
    return new Browser(port);
  }
}
