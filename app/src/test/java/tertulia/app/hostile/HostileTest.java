package tertulia.app.hostile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tertulia.app.Browser;
import tertulia.app.ServedTest;
import tertulia.app.exchange.PortableFile;

/**
 * Addresses, forms and files that nobody meant: none is answered by a failure of ours, none leaves
 * half a change behind, each refusal says what to do. Some hundred cases here; more with {@code
 * -Dcases=10000}.
 */
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:hostile;DB_CLOSE_DELAY=-1")
public class HostileTest extends ServedTest {
  private static final int CASES = Integer.getInteger("cases", 250);
  private static final long SEED = Long.getLong("seed", 20261126L);
  private static final int MOST_TOLD = 25;
  private static final List<String> PAGES =
      List.of(
          "/selections",
          "/selections/new",
          "/selections/import",
          "/selections/1/need",
          "/selections/1/contenders",
          "/selections/1/fit",
          "/selections/1/cost?month=17",
          "/selections/1/weights",
          "/selections/1/marks",
          "/selections/1/decision",
          "/selections/1/plans",
          "/selections/1/versus?a=halvard-desk&b=slotmeer",
          "/selections/2/decision",
          "/selections/3/fit",
          "/catalogue",
          "/catalogue/new",
          "/catalogue/import",
          "/catalogue/halvard-desk",
          "/catalogue/halvard-desk/edit",
          "/catalogue/slotmeer/history",
          "/catalogue/slotmeer/compare?from=2025-11-20&to=2026-11-12",
          "/growth",
          "/price-changes",
          "/people",
          "/account",
          "/safekeeping");

  @Autowired private JdbcTemplate store;
  @LocalServerPort private int port;

  private final HttpClient client = HttpClient.newHttpClient();
  private Browser ilse;
  private String token = "";
  private String count = "";

  @Test
  public void nothingSentBringsItDown() throws Exception {
    count = counting();
    signIn();
    List<List<Sent>> kinds = meant();
    Mutations mutations = new Mutations(SEED);
    Map<Integer, Integer> statuses = new TreeMap<>();
    List<String> wrong = new ArrayList<>();
    for (int i = 0; i < CASES; i++) {
      Sent sent = mutations.of(mutations.one(mutations.one(kinds)));
      Map<String, String> before = contents();
      HttpResponse<String> answer;
      try {
        answer = send(sent);
        if (isSignedOut(answer)) {
          signIn();
          before = contents();
          answer = send(sent);
        }
      } catch (IOException e) {
        // none within a minute, or one that broke off
        wrong.add("case " + i + ": no whole answer, " + e.getMessage() + "\n" + sent + "\n");
        continue;
      }
      statuses.merge(answer.statusCode(), 1, Integer::sum);
      String fault = fault(sent, answer, before);
      if (!fault.isEmpty() && wrong.size() < MOST_TOLD) {
        wrong.add("case " + i + ": " + fault + "\n" + sent + "\n");
      }
    }
    System.out.println(CASES + " cases, seed " + SEED + ", answers by status " + statuses);
    assertEquals(String.join("\n", wrong), "");
    everythingCanStillBeRead();
  }

  private void signIn() throws Exception {
    ilse = new Browser(port);
    ilse.signIn("ilse", "brackwater");
    token = ilse.token("/account");
  }

  private List<List<Sent>> meant() throws Exception {
    Meant meant = new Meant();
    for (String page : PAGES) {
      HttpResponse<String> answer = ilse.get(page);
      assertEquals(answer.statusCode(), 200, page);
      meant.add(page, answer.body());
    }
    List<Sent> uploads = new ArrayList<>();
    uploads.addAll(
        meant.uploads(
            "/selections/import", "selection.json", ilse.get("/selections/1/file").body()));
    uploads.addAll(
        meant.uploads("/catalogue/import", "pages.csv", ilse.get("/catalogue/export.csv").body()));
    uploads.addAll(
        meant.uploads(
            "/catalogue/import", "pages.json", ilse.get("/catalogue/export.json").body()));
    for (String path : List.of("/growth/import", "/growth/counts")) {
      uploads.addAll(meant.uploads(path, "people.csv", ilse.get("/growth/export.csv").body()));
    }
    assertEquals(uploads.size(), 5, uploads.toString());
    return List.of(meant.reads(), meant.forms(), meant.forms(), uploads);
  }

  /** What is wrong with an answer; empty if nothing is. */
  private String fault(Sent sent, HttpResponse<String> answer, Map<String, String> before) {
    int status = answer.statusCode();
    String body = answer.body();
    if (status >= 500) {
      return "answered " + status;
    }
    if (body.contains("Exception") || body.contains("org.springframework")) {
      return "shows the inside of the program";
    }
    if (status >= 400 && !body.isEmpty() && body.length() < 20) {
      return "refuses without a sentence: " + body;
    }
    boolean mayChange = sent.isForm() && status < 400;
    if (!mayChange) {
      Map<String, String> after = contents();
      after.entrySet().removeAll(before.entrySet());
      return after.isEmpty() ? "" : "answered " + status + " and changed " + after.keySet();
    }
    return "";
  }

  private static boolean isSignedOut(HttpResponse<String> answer) {
    return answer.statusCode() == 401
        || answer.headers().firstValue("Location").orElse("").contains("/sign-in");
  }

  private HttpResponse<String> send(Sent sent) throws Exception {
    URI address;
    try {
      address = URI.create("http://127.0.0.1:" + port + sent.path());
    } catch (IllegalArgumentException e) {
      address = URI.create("http://127.0.0.1:" + port + "/" + Sent.encoded(sent.path()));
    }
    HttpRequest.Builder request =
        HttpRequest.newBuilder(address)
            .timeout(Duration.ofSeconds(60))
            .header("Cookie", ilse.cookieHeader());
    if (sent.isForm()) {
      request.header("Content-Type", sent.contentType());
      request.POST(HttpRequest.BodyPublishers.ofByteArray(sent.signed(token).body()));
    }
    return client.send(request.build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
  }

  /** How many rows each table has, and how often they were changed. */
  private Map<String, String> contents() {
    Map<String, String> contents = new TreeMap<>();
    store.query(
        count,
        row -> {
          contents.put(row.getString(1), row.getLong(2) + " rows, " + row.getLong(3) + " changes");
        });
    return contents;
  }

  /** One question for all tables; that somebody looked is noted when a page is read. */
  private String counting() {
    return store
        .queryForList(
            "select table_name from information_schema.tables where table_schema = 'PUBLIC' and"
                + " table_name not like 'flyway%' and table_name <> 'VISIT'",
            String.class)
        .stream()
        .map(table ->
            "select '"
                + table
                + "', count(*), "
                + (isVersioned(table) ? "coalesce(sum(version), 0)" : "0")
                + " from "
                + table)
        .collect(Collectors.joining(" union all "));
  }

  private boolean isVersioned(String table) {
    return !store
        .queryForList(
            "select 1 from information_schema.columns where table_name = ? and column_name ="
                + " 'VERSION'",
            table)
        .isEmpty();
  }

  private void everythingCanStillBeRead() throws Exception {
    for (String page : PAGES) {
      assertTrue(ilse.get(page).statusCode() < 500, page);
    }
    for (Long id : store.queryForList("select id from selection", Long.class)) {
      for (String step :
          List.of(
              "need",
              "contenders",
              "fit",
              "cost",
              "weights",
              "marks",
              "decision",
              "plans",
              "decision.md")) {
        String page = "/selections/" + id + "/" + step;
        assertEquals(ilse.get(page).statusCode(), 200, page);
      }
      String file = ilse.get("/selections/" + id + "/file").body();
      PortableFile.Read read = PortableFile.read(file.getBytes(StandardCharsets.UTF_8));
      assertTrue(read instanceof PortableFile.Read.Accepted, id + ": " + read);
    }
    for (String slug : store.queryForList("select slug from tool", String.class)) {
      for (String page : List.of("", "/edit", "/history")) {
        String path = "/catalogue/" + slug + page;
        assertEquals(ilse.get(path).statusCode(), 200, path);
      }
    }
  }
}
