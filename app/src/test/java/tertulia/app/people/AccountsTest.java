package tertulia.app.people;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.Browser;
import tertulia.app.MovableClock;
import tertulia.app.ServedTest;
import tertulia.app.exchange.Faults;

/** Who comes in, who may do what, and how soon a change of that holds, over real connections. */
@Import(MovableClock.InPlace.class)
@TestPropertySource(
    properties = {
      "tertulia.demo=false",
      "spring.datasource.url=jdbc:h2:mem:accounts;DB_CLOSE_DELAY=-1"
    })
public class AccountsTest extends ServedTest {
  private static final String PASSWORD = "seven quiet herons";
  @Autowired private UserAccounts people;
  @Autowired private SetupCode setupCode;
  @Autowired private MovableClock clock;
  @LocalServerPort private int port;

  private Browser browser() {
    return new Browser(port);
  }

  private Browser signedIn(String name) throws Exception {
    Browser browser = browser();
    browser.signIn(name, PASSWORD);
    return browser;
  }

  private UserAccounts.Entry entry(String signInName) {
    return people.all().stream()
        .filter(entry -> entry.signInName().equals(signInName))
        .findFirst()
        .orElseThrow();
  }

  private void add(String signInName, Role role) {
    Faults faults = new Faults();
    people.add(
        new UserAccounts.NewAccount(signInName, "Person " + signInName, PASSWORD, role), faults);
    assertEquals(faults.all(), List.of());
  }

  private static <T> List<T> atOnce(List<Callable<T>> calls) throws Exception {
    ExecutorService many = Executors.newFixedThreadPool(calls.size());
    List<T> answers = new ArrayList<>();
    for (Future<T> answer : many.invokeAll(calls)) {
      answers.add(answer.get());
    }
    many.shutdown();
    return answers;
  }

  private HttpResponse<String> first(String name, String word) throws Exception {
    return browser().post("/first-account", "/first-account", entered(name, word));
  }

  private static Map<String, String> entered(String name, String word) {
    return Map.of("signInName", name, "name", name, "password", PASSWORD, "word", word);
  }

  @Test
  public void ofSixStrangersAtOnceWithTheWordOneIsTheFirst() throws Exception {
    String word = setupCode.word();
    assertEquals(word.length(), 12);
    assertEquals(first("stranger", "guessed").statusCode(), 422);
    assertEquals(first("stranger", "").statusCode(), 422);
    assertTrue(people.isEmpty());
    List<Callable<Integer>> six = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      String name = "stranger" + i;
      Browser browser = browser();
      String token = browser.token("/first-account");
      six.add(() -> browser.post("/first-account", entered(name, word), token).statusCode());
    }
    atOnce(six);
    assertEquals(people.all().size(), 1);
    assertEquals(people.all().getFirst().role(), Role.ORGANISER);
    assertEquals(setupCode.word(), "", "it works once");
    add("ilse", Role.ORGANISER);
    add("joren", Role.MEMBER);
  }

  @Test(dependsOnMethods = "ofSixStrangersAtOnceWithTheWordOneIsTheFirst")
  public void aChangedRoleHoldsFromTheNextClick() throws Exception {
    add("second", Role.ORGANISER);
    Browser second = signedIn("second");
    assertEquals(second.get("/people").statusCode(), 200);
    String token = second.token("/people");
    Browser ilse = signedIn("ilse");
    String change = "/people/" + entry("second").id();
    HttpResponse<String> wrong =
        ilse.post("/people", change, Map.of("role", "READER", "password", "not mine at all"));
    assertEquals(wrong.statusCode(), 422);
    assertTrue(wrong.body().contains("This is not your own password"), wrong.body());
    assertEquals(
        ilse.post("/people", change, Map.of("role", "READER", "password", PASSWORD)).statusCode(),
        302);
    assertEquals(second.get("/people").statusCode(), 403);
    HttpResponse<String> late =
        second.post(
            "/people", Map.of("signInName", "new", "name", "New", "role", "ORGANISER"), token);
    assertEquals(late.statusCode(), 403, "somebody demoted makes no organisers");
    assertEquals(second.get("/selections").statusCode(), 200, "but reads");
  }

  @Test(dependsOnMethods = "aChangedRoleHoldsFromTheNextClick")
  public void aDisabledAccountIsOutAtOnceAndItsNameStays() throws Exception {
    Browser second = signedIn("second");
    Browser ilse = signedIn("ilse");
    String disable = "/people/" + entry("second").id() + "/disable";
    Map<String, String> fields = Map.of("disabled", "true", "password", PASSWORD);
    assertEquals(ilse.post("/people", disable, fields).statusCode(), 302);
    HttpResponse<String> next = second.get("/selections");
    assertEquals(next.statusCode(), 302);
    assertTrue(next.headers().firstValue("Location").orElse("").contains("/sign-in"));
    assertTrue(entry("second").disabled());
    HttpResponse<String> again =
        browser().post("/sign-in", "/sign-in", Map.of("username", "second", "password", PASSWORD));
    assertTrue(again.headers().firstValue("Location").orElse("").contains("error"));
    assertEquals(
        ilse.post("/people", disable, Map.of("disabled", "false", "password", PASSWORD))
            .statusCode(),
        302);
    signedIn("second");
  }

  @Test(dependsOnMethods = "aDisabledAccountIsOutAtOnceAndItsNameStays")
  public void ofTwoOrganisersWhoDemoteEachOtherOneStays() throws Exception {
    Faults none = new Faults();
    long ilse = entry("ilse").id();
    long other =
        people.all().stream()
            .filter(e -> e.role() == Role.ORGANISER && e.id() != ilse)
            .findFirst()
            .orElseThrow()
            .id();
    for (int round = 0; round < 5; round++) {
      people.changeRole(ilse, Role.ORGANISER, none);
      people.changeRole(other, Role.ORGANISER, none);
      atOnce(
          List.of(
              () -> {
                people.changeRole(ilse, Role.MEMBER, new Faults());
                return 0;
              },
              () -> {
                people.disable(other, true, new Faults());
                return 0;
              }));
      assertEquals(
          people.all().stream().filter(e -> e.role() == Role.ORGANISER && !e.disabled()).count(),
          1);
      people.disable(other, false, none);
    }
    people.changeRole(ilse, Role.ORGANISER, none);
  }

  @Test(dependsOnMethods = "ofTwoOrganisersWhoDemoteEachOtherOneStays")
  public void aLinkSetsThePasswordOnceAndForThreeDays() throws Exception {
    clock.moveTo("2026-11-24");
    Browser ilse = signedIn("ilse");
    assertEquals(
        ilse.post(
                "/people",
                "/people",
                Map.of("signInName", "odile", "name", "Odile Brandt", "role", "MEMBER"))
            .statusCode(),
        302);
    String page = ilse.get("/people").body();
    String link = page.replaceAll("(?s).*value=\"[^\"]*(/invitation/[a-z0-9]+)\".*", "$1");
    assertTrue(link.length() < 60, page);
    assertFalse(ilse.get("/people").body().contains(link), "it is shown once");
    Browser odile = browser();
    assertTrue(odile.get(link).body().contains("Welcome, Odile Brandt"));
    HttpResponse<String> weak = odile.post(link, link, Map.of("password", "Odile Brandt"));
    assertEquals(weak.statusCode(), 422);
    assertTrue(weak.body().contains("This password is the person’s name"), weak.body());
    clock.moveTo("2026-11-28");
    assertEquals(odile.get(link).statusCode(), 410, "three days are over");
    clock.moveTo("2026-11-25");
    assertEquals(odile.post(link, link, Map.of("password", PASSWORD)).statusCode(), 302);
    assertEquals(odile.get(link).statusCode(), 410, "it works once");
    odile.signIn("odile", PASSWORD);
    assertEquals(odile.get("/invitation/guessed").statusCode(), 410);
  }

  @Test(dependsOnMethods = "aLinkSetsThePasswordOnceAndForThreeDays")
  public void namesAreUniqueAsDecisionsCarryThem() {
    Faults faults = new Faults();
    people.add(
        new UserAccounts.NewAccount("odile2", "odile brandt ", PASSWORD, Role.MEMBER), faults);
    assertEquals(
        faults.all().getFirst().message(),
        "Somebody here is called \"odile brandt\" already, and decisions carry names. Add a middle"
            + " name or a place.");
  }

  @Test(dependsOnMethods = "aPasswordIsChangedByWhoKnowsItAndOtherPlacesAreSignedOut")
  public void guessingInAnOpenSessionIsSlowedDownToo() throws Exception {
    Browser ilse = signedIn("ilse");
    String token = ilse.token("/people");
    String change = "/people/" + entry("joren").id();
    Map<String, String> wrong = Map.of("role", "READER", "password", "not mine at all");
    Map<String, String> right = Map.of("role", "READER", "password", PASSWORD);
    for (int i = 0; i < 5; i++) {
      assertTrue(ilse.post(change, wrong, token).body().contains("This is not your own"), "" + i);
    }
    HttpResponse<String> waits = ilse.post(change, right, token);
    assertEquals(waits.statusCode(), 422);
    assertTrue(waits.body().contains("too many wrong passwords"), waits.body());
    assertEquals(entry("joren").role(), Role.MEMBER, "not even the right one is looked at");
    clock.moveTo("2026-11-27");
    assertEquals(ilse.post(change, right, token).statusCode(), 302);
    assertEquals(entry("joren").role(), Role.READER);
    assertEquals(
        ilse.post(change, Map.of("role", "MEMBER", "password", PASSWORD), token).statusCode(), 302);
  }

  @Test(dependsOnMethods = "aLinkSetsThePasswordOnceAndForThreeDays")
  public void aPasswordIsChangedByWhoKnowsItAndOtherPlacesAreSignedOut() throws Exception {
    Browser here = signedIn("odile");
    Browser there = signedIn("odile");
    assertEquals(there.get("/account").statusCode(), 200);
    HttpResponse<String> refused =
        here.post(
            "/account",
            "/account/password",
            Map.of("now", "wrong", "password", "eleven wooden ladders"));
    assertEquals(refused.statusCode(), 422);
    assertTrue(refused.body().contains("This is not your own password"));
    assertEquals(
        here.post(
                "/account",
                "/account/password",
                Map.of("now", PASSWORD, "password", "eleven wooden ladders"))
            .statusCode(),
        302);
    assertEquals(here.get("/account").statusCode(), 200);
    HttpResponse<String> out = there.get("/account");
    assertEquals(out.statusCode(), 302);
    assertTrue(out.headers().firstValue("Location").orElse("").contains("/sign-in?expired"));
    browser().signIn("odile", "eleven wooden ladders");
  }

  @Test(dependsOnMethods = "aPasswordIsChangedByWhoKnowsItAndOtherPlacesAreSignedOut")
  public void aPasswordSetByALinkSignsOutEverywhere() throws Exception {
    Browser there = browser();
    there.signIn("odile", "eleven wooden ladders");
    String link = "/invitation/" + people.link(entry("odile").id());
    assertEquals(browser().post(link, link, Map.of("password", PASSWORD)).statusCode(), 302);
    HttpResponse<String> out = there.get("/account");
    assertEquals(out.statusCode(), 302);
    signedIn("odile");
  }

  @Test(dependsOnMethods = "ofTwoOrganisersWhoDemoteEachOtherOneStays")
  public void strangersLeaveNoSession() throws Exception {
    Browser stranger = browser();
    for (String path : List.of("/sign-in", "/selections/1/cost", "/", "/invitation/x")) {
      stranger.get(path);
    }
    assertFalse(stranger.cookies().contains("JSESSIONID"), stranger.cookies().toString());
    // and are led to where they wanted to go once they have signed in
    stranger.get("/catalogue");
    HttpResponse<String> in =
        stranger.post("/sign-in", "/sign-in", Map.of("username", "ilse", "password", PASSWORD));
    assertTrue(in.headers().firstValue("Location").orElse("").endsWith("/catalogue"));
    assertEquals(stranger.cookies().contains("JSESSIONID"), true);
  }

  @Test(
      dependsOnMethods = {
        "strangersLeaveNoSession",
        "namesAreUniqueAsDecisionsCarryThem",
        "aPasswordSetByALinkSignsOutEverywhere"
      })
  public void guessingIsSlowAndThePersonComesIn() throws Exception {
    Browser joren = signedIn("joren");
    assertEquals(joren.get("/selections").statusCode(), 200);
    Browser thief = browser();
    String token = thief.token("/sign-in");
    int waits = 0;
    for (int i = 0; i < 200; i++) {
      HttpResponse<String> answer =
          thief.post("/sign-in", Map.of("username", "joren", "password", "guess " + i), token);
      String where = answer.headers().firstValue("Location").orElse("");
      waits += where.contains("wait=") ? 1 : 0;
    }
    assertEquals(waits, 195, "five are looked at, the rest wait");
    HttpResponse<String> told = thief.get("/sign-in?wait=60");
    assertTrue(told.body().contains("Wait 60 seconds, then try again."));
    clock.moveTo("2026-11-26");
    browser().signIn("joren", PASSWORD);
  }

  @DataProvider
  public Object[][] passwords() {
    return new Object[][] {
      {"elevenchars", "A password has 12 characters or more; this one has 11."},
      {"é".repeat(37), "letters with accents two each; this one takes 74."},
      {"é".repeat(36), "is among the first that are guessed"},
      {"passwordpassword", "is among the first that are guessed"},
      {"123456789012", "is among the first that are guessed"},
      {"Ilse-Maren van Loo", "is the person’s name"},
      {"crooked lamps at noon", ""},
      {"пять тихих цапель", ""},
      {"𝔸𝔹ℂ𝔻𝔼𝔽 seven herons", ""}
    };
  }

  @Test(dataProvider = "passwords")
  public void passwordsAreLongAndNotAmongTheFirstGuessed(String password, String refusal) {
    Faults faults = new Faults();
    PasswordRules.check(password, List.of("Ilse Maren van Loo", "ilse"), faults);
    assertEquals(faults.isEmpty(), refusal.isEmpty(), faults.all().toString());
    if (!refusal.isEmpty()) {
      assertTrue(faults.all().getFirst().message().contains(refusal), faults.all().toString());
    }
    assertEquals(Set.copyOf(faults.byField().keySet()).size(), refusal.isEmpty() ? 0 : 1);
  }
}
