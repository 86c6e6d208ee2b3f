package tertulia.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;
import tertulia.app.Browser;

/**
 * What was acknowledged is there after a kill at any moment. Two kills here; more with {@code
 * -Dkills=500}.
 */
public class KillsTest {
  private static final int KILLS = Integer.getInteger("kills", 2);
  private static final int WRITERS = 4;
  private static final String PASSWORD = "a long enough word";

  @Test
  public void nothingAcknowledgedIsLost() throws Exception {
    Path data = Files.createTempDirectory("tertulia-kills");
    Launch launch = Launch.prepare(KILLS > 10);
    Random random = new Random(20261126);
    Set<String> acknowledged = new HashSet<>();
    int writes = 0;
    for (int kill = 1; kill <= KILLS; kill++) {
      ConcurrentLinkedQueue<String> taken = new ConcurrentLinkedQueue<>();
      ConcurrentLinkedQueue<String> sent = new ConcurrentLinkedQueue<>();
      try (Server server = Server.start(launch, data)) {
        if (kill == 1) {
          firstAccount(server);
        }
        underLoad(server, kill, 100 + random.nextInt(1_400), taken, sent);
      }
      acknowledged.addAll(taken);
      writes += taken.size();
      if (kill % 50 == 0) {
        System.out.println(kill + " kills, " + writes + " writes so far");
      }
      Set<String> there = titles(data);
      Set<String> lost = new HashSet<>(acknowledged);
      lost.removeAll(there);
      assertEquals(lost, Set.of(), "lost by kill " + kill);
      there.removeAll(acknowledged);
      there.removeAll(sent);
      assertEquals(there, Set.of(), "nobody sent these");
      // one that was under way may have got in: it stands from now on
      acknowledged.addAll(titles(data));
    }
    assertTrue(writes > KILLS, "only " + writes + " writes");
    System.out.println(KILLS + " kills, " + writes + " writes acknowledged, 0 lost");
    copiesWhileInUse(launch, data, acknowledged);
  }

  /**
   * A backup of a running server holds all that was there when it was asked for; files copied from
   * under it are good, or refused.
   */
  private static void copiesWhileInUse(Launch launch, Path data, Set<String> before)
      throws Exception {
    Path copies = Files.createTempDirectory("tertulia-copies");
    Path backup = copies.resolve("it's a copy.zip");
    try (Server server = Server.start(launch, data)) {
      Browser browser = server.browser();
      browser.signIn("writer", PASSWORD);
      String token = browser.token("/selections/new");
      ExecutorService writer = Executors.newSingleThreadExecutor();
      Future<?> writing =
          writer.submit(() -> {
            for (int i = 0; write(browser, "during " + i, token); i++) {
              Thread.onSpinWait();
            }
            return null;
          });
      assertEquals(command("backup", data.toString(), backup.toString()), 0);
      assertEquals(command("backup", data.toString(), backup.toString()), 3, "it is there");
      for (int i = 0; i < 5; i++) {
        Path raw = Files.createDirectory(copies.resolve("raw" + i));
        Files.copy(data.resolve("tertulia.mv.db"), raw.resolve("tertulia.mv.db"));
        assertIsGoodOrRefused(raw, before);
      }
      server.kill();
      writing.get();
      writer.shutdown();
    }
    Path restored = copies.resolve("restored");
    assertEquals(command("restore", backup.toString(), restored.toString()), 0);
    assertTrue(titles(restored).containsAll(before));
    assertEquals(command("restore", backup.toString(), restored.toString()), 3, "not empty");
    Start.of(Store.in(restored)).close();
  }

  private static int command(String... args) {
    return StoreCommands.run(args, System.out, System.out);
  }

  private static void assertIsGoodOrRefused(Path directory, Set<String> before) throws Exception {
    try {
      Start.of(Store.in(directory)).close();
      Set<String> there = titles(directory);
      there.removeIf(title -> title.startsWith("during"));
      assertEquals(there, before);
    } catch (Unusable e) {
      assertEquals(e.sentence().lines().count(), 1);
    }
  }

  private static void firstAccount(Server server) throws Exception {
    HttpResponse<String> made =
        server
            .browser()
            .post(
                "/first-account",
                "/first-account",
                Map.of(
                    "signInName",
                    "writer",
                    "name",
                    "Wout",
                    "password",
                    PASSWORD,
                    "word",
                    server.printed("The setup code for the first one: (\\w+)")));
    assertEquals(made.statusCode(), 302);
  }

  /** Several write until the plug is pulled. */
  private static void underLoad(
      Server server,
      int kill,
      int milliseconds,
      ConcurrentLinkedQueue<String> taken,
      ConcurrentLinkedQueue<String> sent)
      throws Exception {
    ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
    CountDownLatch ready = new CountDownLatch(WRITERS);
    List<Future<?>> all = new ArrayList<>();
    for (int w = 0; w < WRITERS; w++) {
      String name = kill + "." + w + ".";
      all.add(
          writers.submit(() -> {
            Browser browser = server.browser();
            browser.signIn("writer", PASSWORD);
            String token = browser.token("/selections/new");
            ready.countDown();
            for (int i = 0; ; i++) {
              String title = name + i;
              sent.add(title);
              if (!write(browser, title, token)) {
                return null;
              }
              taken.add(title);
            }
          }));
    }
    assertTrue(ready.await(60, TimeUnit.SECONDS), server.said());
    Thread.sleep(milliseconds);
    server.kill();
    writers.shutdown();
    assertTrue(writers.awaitTermination(60, TimeUnit.SECONDS));
    for (Future<?> writer : all) {
      writer.get();
    }
  }

  /** Whether it was acknowledged; not if the server is gone. */
  private static boolean write(Browser browser, String title, String token)
      throws InterruptedException {
    try {
      HttpResponse<String> answer =
          browser.post(
              "/selections/new",
              Map.of("title", title, "currency", "EUR", "people", "12", "growth", "0"),
              token);
      assertEquals(answer.statusCode(), 302, answer.body());
      return true;
    } catch (IOException e) {
      return false;
    }
  }

  private static Set<String> titles(Path data) throws SQLException {
    Set<String> titles = new HashSet<>();
    try (Connection connection = Store.in(data).look();
        Statement statement = connection.createStatement();
        ResultSet found = statement.executeQuery("select title from selection")) {
      while (found.next()) {
        titles.add(found.getString(1));
      }
    }
    return titles;
  }
}
