package tertulia.app.hostile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Supplier;
import org.jsoup.Jsoup;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.Browser;
import tertulia.app.ServedTest;

/** Files made to occupy the server: refused with a sentence wherever a file is taken. */
public class HostileFilesTest extends ServedTest {
  private static final int MEGABYTE = 1024 * 1024;

  @LocalServerPort private int port;
  private final HttpClient client = HttpClient.newHttpClient();
  private Browser ilse;

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void signIn() throws Exception {
    ilse = new Browser(port);
    ilse.signIn("ilse", "brackwater");
  }

  private static Supplier<byte[]> text(String head, String again, int times, String tail) {
    return () -> (head + again.repeat(times) + tail).getBytes(StandardCharsets.US_ASCII);
  }

  @DataProvider
  public Object[][] files() {
    String catalogue = "{\"format\": \"tertulia-catalogue\", \"version\": 1, \"tools\": [";
    String selection = "{\"format\": \"tertulia-selection\", \"version\": 1, \"contenders\": [";
    return new Object[][] {
      {"/catalogue/import", "a million rows", text("tool,plan\n", "a,b\n", 1_000_000, "")},
      {
        "/catalogue/import", "many columns", text("tool", ",c", 100_000, "\n" + ",".repeat(100_000))
      },
      {"/catalogue/import", "many brackets", text("", "[", 100_000, "")},
      {"/catalogue/import", "wrong objects", text(catalogue, "{},", 300_000, "{}]}")},
      {"/catalogue/import", "more objects", text(catalogue, "{},", 3_000_000, "{}]}")},
      {"/catalogue/import", "zeros", (Supplier<byte[]>) () -> new byte[9 * MEGABYTE]},
      {"/catalogue/import", "quotes", text("", "\"", 9 * MEGABYTE, "")},
      {"/selections/import", "wrong objects", text(selection, "{},", 300_000, "{}]}")},
      {"/selections/import", "many names", text("{", "\"a\":{", 100_000, "")},
      {"/selections/import", "one long text", text("{\"format\": \"", "x", 9 * MEGABYTE, "\"}")},
      {"/growth/import", "a million months", text("month,office\n", "2026-01,1\n", 900_000, "")},
      {"/growth/import", "many columns", text("month", ",c", 100_000, "\n" + ",".repeat(100_000))},
      {"/growth/counts", "a million months", text("month,office\n", "2026-01,1\n", 900_000, "")},
      {"/growth/counts", "zeros", (Supplier<byte[]>) () -> new byte[9 * MEGABYTE]}
    };
  }

  @Test(dataProvider = "files")
  public void itIsRefusedWithASentence(String path, String what, Supplier<byte[]> content)
      throws Exception {
    String page = path.startsWith("/growth") ? "/growth" : path;
    Sent sent =
        new Sent(
                path,
                List.of(new Sent.Field("version", "0")),
                List.of(new Sent.Attached("file", "a file", content.get())),
                true)
            .signed(ilse.token(page));
    HttpResponse<String> answer =
        client.send(
            HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header("Cookie", ilse.cookieHeader())
                .header("Content-Type", sent.contentType())
                .POST(HttpRequest.BodyPublishers.ofByteArray(sent.body()))
                .build(),
            HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
    assertEquals(answer.statusCode(), 422, what);
    String said = Jsoup.parse(answer.body()).select("main .stop, main .fault").text();
    assertFalse(said.isEmpty(), what);
    assertTrue(said.endsWith("."), said);
    assertTrue(answer.body().length() < MEGABYTE, what + ": " + answer.body().length());
  }
}
