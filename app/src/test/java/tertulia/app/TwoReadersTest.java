package tertulia.app;

import static java.util.Objects.requireNonNull;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/**
 * Two people of each role have the same page open and ask for what has changed at the same moment:
 * each hears what their own page says, whoever asked first.
 */
@FreshStore
public class TwoReadersTest extends ServedTest {
  private static final String PASSWORD = "seven quiet herons";
  private static final String SELECTION = "/selections/1";
  private static final String CHANGED =
      "Somebody has changed this since you opened it. What you type here stays until you";
  private static final List<String> STEPS =
      List.of(
          "overview",
          "need",
          "contenders",
          "fit",
          "cost",
          "weights",
          "marks",
          "firmness",
          "decision",
          "plans",
          "versus",
          "trials");

  @Autowired private UserAccounts people;
  @LocalServerPort private int port;

  private Browser signedIn(String name, String password) throws Exception {
    Browser browser = new Browser(port);
    browser.signIn(name, password);
    return browser;
  }

  private Browser added(String name, Role role) throws Exception {
    Faults faults = new Faults();
    people.add(new UserAccounts.NewAccount(name, name + " of Kesselwade", PASSWORD, role), faults);
    assertEquals(faults.all(), List.of());
    return signedIn(name, PASSWORD);
  }

  private void post(Browser who, String path, Map<String, String> fields) throws Exception {
    HttpResponse<String> answer =
        who.post(SELECTION + path, fields, who.token(SELECTION + "/marks"));
    assertEquals(answer.statusCode() / 100 < 4, true, path + " " + answer.statusCode());
  }

  private static Set<String> pieces(String html) {
    Set<String> pieces = new LinkedHashSet<>();
    for (String piece : html.replaceAll("(?s)<(script|style).*?</\\1>", "").split("<[^>]*>")) {
      String text = piece.strip().replaceAll("\\s+", " ");
      if (!text.isEmpty()) {
        pieces.add(text);
      }
    }
    return pieces;
  }

  private static List<String> tokens(String html) {
    List<String> tokens = new ArrayList<>();
    java.util.regex.Matcher token =
        java.util.regex.Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"").matcher(html);
    while (token.find()) {
      tokens.add(token.group(1));
    }
    return tokens;
  }

  @Test
  public void eachHearsWhatTheirOwnPageSays() throws Exception {
    Browser ilse = signedIn("ilse", "brackwater");
    post(ilse, "/open-table", Map.of());
    Map<String, List<Browser>> pairs = new LinkedHashMap<>();
    pairs.put("organisers", List.of(ilse, added("othmar", Role.ORGANISER)));
    Browser weighs = added("welmoed", Role.MEMBER);
    pairs.put("members", List.of(weighs, added("nonja", Role.MEMBER)));
    pairs.put("readers", List.of(signedIn("pia", "brackwater"), added("rikst", Role.READER)));
    post(weighs, "/weights", Map.of("criterion", "ease", "points", "60"));
    Map<Browser, Set<String>> own = new HashMap<>();
    for (List<Browser> pair : pairs.values()) {
      for (Browser reader : pair) {
        // what every live answer may say, on whatever page
        Set<String> said = new HashSet<>(Set.of(".", "none yet", "show it as it is now", CHANGED));
        for (String step : STEPS) {
          said.addAll(pieces(reader.get(SELECTION + "/" + step).body()));
        }
        own.put(reader, said);
      }
    }
    List<String> foreign = new ArrayList<>();
    for (String step : STEPS) {
      for (Map.Entry<String, List<Browser>> pair : pairs.entrySet()) {
        List<String> heard = new ArrayList<>();
        for (Browser reader : pair.getValue()) {
          HttpResponse<String> answer = reader.get(SELECTION + "/live/" + step + "?since=1");
          assertEquals(answer.statusCode(), 200, step);
          heard.add(answer.body());
          for (String piece : pieces(answer.body())) {
            if (!requireNonNull(own.get(reader)).contains(piece)) {
              foreign.add(pair.getKey() + " on " + step + ": " + piece);
            }
          }
        }
        List<String> shared = new ArrayList<>(tokens(heard.getFirst()));
        shared.retainAll(tokens(heard.getLast()));
        assertEquals(shared, List.of(), "a token of one is in the answer to the other: " + step);
      }
    }
    assertEquals(String.join("\n", foreign), "");
    List<String> members = new ArrayList<>();
    for (Browser member : pairs.get("members")) {
      members.add(member.get(SELECTION + "/live/overview?since=2").body());
    }
    assertNotEquals(
        pieces(members.getFirst()),
        pieces(members.getLast()),
        "who has weighed and who has not are asked for different things");
  }
}
