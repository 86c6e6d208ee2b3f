import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Looks at each page of a demonstration that runs on a port, a few times over: Java keeps what it
 * learns meanwhile for later starts. {@code java bin/FirstLook.java PORT wait} only waits until
 * there is an answer. Ends with 1 if there is none.
 */
public class FirstLook {
  private static final List<String> PAGES =
      List.of(
          "/selections",
          "/selections/1/overview",
          "/selections/1/need",
          "/selections/1/contenders",
          "/selections/1/fit",
          "/selections/1/cost",
          "/selections/1/weights",
          "/selections/1/marks",
          "/selections/1/firmness",
          "/selections/1/decision",
          "/catalogue",
          "/catalogue/slotmeer",
          "/catalogue/slotmeer/edit",
          "/growth",
          "/price-changes");
  private static final List<String> READ_OTHERWISE = List.of("fit", "cost", "overview");
  private static final int ROUNDS = 3;
  private static final int SECONDS = 180;

  private final HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
  private final String address;

  private FirstLook(String port) {
    this.address = "http://localhost:" + port;
  }

  public static void main(String[] args) throws Exception {
    FirstLook look = new FirstLook(args[0]);
    if (!look.isThere()) {
      System.exit(1);
    }
    if (args.length == 1) {
      look.signIn();
      for (int round = 0; round < ROUNDS; round++) {
        look.around(round);
      }
    }
  }

  private boolean isThere() throws InterruptedException {
    for (int i = 0; i < SECONDS * 10; i++) {
      try {
        return get("/sign-in", false).statusCode() == 200;
      } catch (IOException e) {
        Thread.sleep(100);
      }
    }
    return false;
  }

  private void signIn() throws Exception {
    Matcher token =
        Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"")
            .matcher(get("/sign-in", false).body());
    if (!token.find()) {
      throw new IOException("the page to sign in has no token");
    }
    String form =
        Map.of("username", "ilse", "password", "brackwater", "_csrf", token.group(1))
            .entrySet()
            .stream()
            .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
            .collect(Collectors.joining("&"));
    client.send(
        HttpRequest.newBuilder(URI.create(address + "/sign-in"))
            .header("Content-Type", "application/x-www-form-urlencoded")
            .POST(HttpRequest.BodyPublishers.ofString(form))
            .build(),
        HttpResponse.BodyHandlers.discarding());
  }

  private void around(int round) throws Exception {
    for (String page : PAGES) {
      get(page, false);
    }
    for (String step : READ_OTHERWISE) {
      for (String growth : List.of("low", "high", "expected")) {
        get("/selections/1/" + step + "?growth=" + growth + "&month=" + 5 * round, true);
      }
    }
  }

  /** A page, or only what changes on it. */
  private HttpResponse<String> get(String path, boolean update)
      throws IOException, InterruptedException {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
    if (update) {
      request.header("HX-Request", "true");
    }
    return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }
}
