package tertulia.app;

import static org.testng.Assert.assertEquals;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/**
 * Many mark one selection at once while others read: nothing fails and every mark is there. Few
 * here; more with {@code -Dmarkers=50 -Dreaders=200 -Drounds=40}.
 */
@FreshStore
public class TogetherTest extends ServedTest {
  private static final int MARKERS = Integer.getInteger("markers", 6);
  private static final int READERS = Integer.getInteger("readers", 12);
  private static final int ROUNDS = Integer.getInteger("rounds", 4);
  private static final int SESSIONS_OF_READERS = 4;
  private static final String PASSWORD = "seven quiet herons";
  private static final List<String> CRITERIA = List.of("ease", "help");
  private static final List<String> TOOLS = List.of("slotmeer", "halvard-desk", "quaymate");
  private static final List<String> PAGES =
      List.of("marks", "weights", "cost", "fit", "decision", "changes");

  @Autowired private UserAccounts people;
  @Autowired private JdbcTemplate store;
  @LocalServerPort private int port;

  /** A mark as it was acknowledged last, by who gave it, on what and to whom. */
  private final Map<String, String> given = new TreeMap<>();

  private final Queue<String> wrong = new ConcurrentLinkedQueue<>();

  @Test
  public void manyMarkAndMoreReadWithoutALostMark() throws Exception {
    List<Browser> markers = new ArrayList<>();
    for (int i = 0; i < MARKERS; i++) {
      Faults faults = new Faults();
      people.add(
          new UserAccounts.NewAccount("m" + i, "Marker " + i, PASSWORD, Role.MEMBER), faults);
      assertEquals(faults.all(), List.of());
      markers.add(signedIn("m" + i, PASSWORD));
    }
    List<Browser> readers = new ArrayList<>();
    for (int i = 0; i < SESSIONS_OF_READERS; i++) {
      readers.add(signedIn("pia", "brackwater"));
    }
    AtomicBoolean over = new AtomicBoolean();
    AtomicInteger read = new AtomicInteger();
    try (ExecutorService all = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<?>> marking = new ArrayList<>();
      for (int i = 0; i < MARKERS; i++) {
        int marker = i;
        marking.add(
            all.submit(() -> {
              mark(markers.get(marker), marker);
              return null;
            }));
      }
      for (int i = 0; i < READERS; i++) {
        Random random = new Random(i);
        Browser reader = readers.get(i % SESSIONS_OF_READERS);
        all.submit(() -> {
          do {
            String page = "/selections/1/" + PAGES.get(random.nextInt(PAGES.size()));
            note(page, reader.get(page + "?month=" + random.nextInt(36)), 200);
            read.incrementAndGet();
          } while (!over.get());
          return null;
        });
      }
      for (Future<?> each : marking) {
        each.get();
      }
      over.set(true);
    }
    System.out.println(
        MARKERS * ROUNDS + " marks by " + MARKERS + ", " + read + " pages read by " + READERS);
    assertEquals(List.copyOf(wrong), List.of());
    assertEquals(stored(), given);
  }

  private Browser signedIn(String name, String password) throws Exception {
    Browser browser = new Browser(port);
    browser.signIn(name, password);
    return browser;
  }

  private void mark(Browser browser, int marker) throws Exception {
    Random random = new Random(1_000 + marker);
    String token = browser.token("/selections/1/marks");
    for (int round = 0; round < ROUNDS; round++) {
      String criterion = CRITERIA.get(random.nextInt(CRITERIA.size()));
      String tool = TOOLS.get(random.nextInt(TOOLS.size()));
      String mark = "" + random.nextInt(11);
      HttpResponse<String> answer =
          browser.post(
              "/selections/1/marks",
              Map.of("criterion", criterion, "contender", tool, "mark", mark),
              token);
      note("a mark by " + marker, answer, 200);
      synchronized (given) {
        given.put("Marker " + marker + " " + criterion + " " + tool, mark);
      }
    }
  }

  private void note(String what, HttpResponse<String> answer, int expected) {
    if (answer.statusCode() != expected) {
      wrong.add(what + " was answered " + answer.statusCode());
    }
  }

  private Map<String, String> stored() {
    Map<String, String> stored = new TreeMap<>();
    store.query(
        "select name, criterion, contender, points from mark join panel_member m on m.id ="
            + " member_id where name like 'Marker %'",
        row -> {
          stored.put(
              row.getString(1) + " " + row.getString(2) + " " + row.getString(3), row.getString(4));
        });
    return stored;
  }
}
