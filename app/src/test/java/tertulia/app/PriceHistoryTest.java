package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.decision.Decisions;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.UserAccounts;

/** Price pages over time, what makers announce, and facts that grow old. */
@FreshStore
public class PriceHistoryTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;
  @Autowired private Decisions decisions;

  private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private String page(String path) throws Exception {
    MockHttpServletResponse answer = send(MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  private MockHttpServletResponse post(String path, String... pairs) throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    for (int i = 0; i < pairs.length; i += 2) {
      request.param(pairs[i], pairs[i + 1]);
    }
    return send(request);
  }

  private static Map<String, String> fields(String name, String monthly) {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("name", name);
    fields.put("plans[0].name", "Works");
    fields.put("plans[0].currency", "EUR");
    fields.put("plans[0].source.asOf", "2026-01-10");
    fields.put("lines[0].name", "Seats");
    fields.put("lines[0].cells[0].prices[m1]", monthly);
    return fields;
  }

  private MockHttpServletResponse post(String path, Map<String, String> fields) throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    fields.forEach(request::param);
    return send(request);
  }

  private static String price(ToolSheet sheet) {
    return ((ToolSheet.PerUnitPart)
            sheet.plans().getFirst().prices().getFirst().charges().getFirst())
        .price();
  }

  @Test
  public void anEvaluationCanBeAskedForAsOfADay() throws Exception {
    // 62 people: 62 · 7.20 today, 62 · 6.60 on last year's page
    assertTrue(page("/selections/1/cost").contains(">446.40<"));
    String then = page("/selections/1/cost?asof=2025-12-01");
    assertTrue(then.contains(">409.20<"));
    assertFalse(then.contains(">446.40<"));
    assertTrue(page("/selections/1/cost?asof=yesterday").contains("is not a day"));
  }

  @Test
  public void twoPagesSideBySideSayWhatChangedInMoney() throws Exception {
    String compared = page("/catalogue/slotmeer/compare?from=2025-11-20&to=2026-11-12");
    assertTrue(compared.contains("A month for 62 people, each plan"));
    for (String figure :
        List.of(
            ">409.20 EUR<",
            ">446.40 EUR<",
            "+37.20 EUR, +9 %",
            "<b>Crew: Seats, yearly, up front</b> <del>6.60</del> <ins>7.20</ins>")) {
      assertTrue(compared.contains(figure), figure);
    }
    String forTen = page("/catalogue/slotmeer/compare?from=2025-11-20&to=2026-11-12&people=100");
    assertTrue(forTen.contains(">660.00 EUR<") && forTen.contains(">720.00 EUR<"), forTen);
    assertTrue(
        page("/catalogue/slotmeer/compare?from=2025-11-20&to=2026-11-12&people=0")
            .contains("A headcount lies between 1 and 5,000; found 0."));
    String why =
        page(
            "/catalogue/slotmeer/compare/why?page=2025-11-20&people=62&option=Crew, yearly, up front");
    assertTrue(why.contains("6.60 EUR") && why.contains("409.20 EUR"), why);
    assertEquals(
        send(MockMvcRequestBuilders.get("/catalogue/slotmeer/compare?from=1999-01-01&to=x"))
            .getStatus(),
        404);
  }

  @Test
  public void aChangeMakesANewPageFromItsDayAndCanBeTakenBack() throws Exception {
    assertEquals(post("/catalogue/new", fields("Lapwing", "5.00")).getStatus(), 302);
    Map<String, String> later = fields("Lapwing", "6.00");
    later.put("version", "" + catalogue.get("lapwing").version());
    later.put("validFrom", "2026-10-01");
    post("/catalogue/lapwing/edit", later);
    Map<String, String> next = fields("Lapwing", "8.00");
    next.put("version", "" + catalogue.get("lapwing").version());
    next.put("validFrom", "2027-01-01");
    post("/catalogue/lapwing/edit", next);
    long id = catalogue.get("lapwing").id();
    List<String> prices = new ArrayList<>();
    for (String day : List.of("2026-09-30", "2026-10-01", "2026-12-31", "2027-01-01")) {
      prices.add(price(catalogue.sheets(List.of(id), LocalDate.parse(day)).get(id)));
    }
    assertEquals(prices, List.of("5.00", "6.00", "6.00", "8.00"));
    assertEquals(price(catalogue.get("lapwing").sheet()), "6.00", "in force today");
    assertEquals(
        catalogue.sheets(List.of(id), LocalDate.of(2025, 1, 1)).get(id).plans(), List.of());
    assertTrue(page("/catalogue/lapwing/history").contains("1 thing changed"));

    Map<String, String> slip = fields("Lapwing", "66.00");
    slip.put("version", "" + catalogue.get("lapwing").version());
    slip.put("validFrom", "2026-10-01");
    slip.put("asked", "true");
    post("/catalogue/lapwing/edit", slip);
    assertEquals(price(catalogue.get("lapwing").sheet()), "66.00");
    String version = "" + catalogue.get("lapwing").version();
    post("/catalogue/lapwing/undo", "from", "2026-10-01", "version", version);
    assertEquals(price(catalogue.get("lapwing").sheet()), "6.00");
    assertEquals(
        post("/catalogue/lapwing/undo", "from", "2026-10-01", "version", version).getStatus(),
        409,
        "the same click again takes back nothing more");
    assertEquals(price(catalogue.get("lapwing").sheet()), "6.00");
    version = "" + catalogue.get("lapwing").version();
    post("/catalogue/lapwing/undo", "from", "2026-10-01", "version", version);
    assertEquals(price(catalogue.get("lapwing").sheet()), "5.00", "the page itself is taken back");
    assertEquals(catalogue.history("lapwing").size(), 2);
  }

  @Test
  public void thePageThatIsLeftCannotBeTakenBack() throws Exception {
    post("/catalogue/new", fields("Dunlin", "5.00"));
    String version = "" + catalogue.get("dunlin").version();
    assertEquals(
        post("/catalogue/dunlin/undo", "from", "2026-01-10", "version", version).getStatus(), 404);
    assertEquals(price(catalogue.get("dunlin").sheet()), "5.00");
  }

  @Test
  public void anAnnouncementSaysWhatItDoesAndIsTakenOverOnce() throws Exception {
    String waiting = page("/price-changes");
    // 36 months of 33 and of 37
    for (String words :
        List.of(
            "<b>Dinghy: Account, yearly, up front</b> <del>33.00</del> <ins>37.00</ins>",
            "Which tool for planning the refits?",
            "decided for this tool",
            "1,188.00 EUR, Dinghy, yearly, up front",
            "1,332.00 EUR, Dinghy, yearly, up front",
            "+144.00 EUR",
            "The vendor says Seats cost 7.20 so far; the page here says otherwise.")) {
      assertTrue(waiting.contains(words), words);
    }
    assertTrue(page("/price-changes/waiting").contains("(5 wait for an answer)"));
    assertTrue(page("/price-changes/rigglet-2026/why?selection=2").contains("1,332.00 EUR"));
    String frozen = decisions.find(2).orElseThrow().snapshot();
    assertEquals(post("/price-changes/rigglet-2026", "take", "true").getStatus(), 302);
    long id = catalogue.get("rigglet").id();
    assertEquals(account(catalogue.get("rigglet").sheet()), "39.00", "until it holds");
    assertEquals(
        account(catalogue.sheets(List.of(id), LocalDate.of(2026, 12, 1)).get(id)), "44.00");
    assertEquals(post("/price-changes/rigglet-2026", "take", "true").getStatus(), 409);
    assertEquals(post("/price-changes/tidewright-2026", "take", "false").getStatus(), 302);
    String after = page("/price-changes");
    assertTrue(after.contains("taken over by Ilse Maren, 24 Nov 2026"));
    assertTrue(after.contains("passed over by Ilse Maren, 24 Nov 2026"));
    assertTrue(page("/price-changes/waiting").contains("(3 wait for an answer)"));
    assertEquals(post("/price-changes/no-such", "take", "true").getStatus(), 404);
    assertEquals(decisions.find(2).orElseThrow().snapshot(), frozen, "what was signed stays");
    assertTrue(decisions.find(2).orElseThrow().isIntact());
  }

  private static String account(ToolSheet sheet) {
    return ((ToolSheet.FlatPart) sheet.plans().getFirst().prices().getFirst().charges().getFirst())
        .price();
  }

  @Test
  public void oldFactsAreMarkedAndConfirmedAsOfToday() throws Exception {
    String old = page("/catalogue/almanak-rei");
    assertTrue(old.contains("19 Mar 2026, vendor&#39;s claim, Joren Talvik, older than 180 days"));
    assertTrue(old.contains("value=\"prices:ichi\""));
    post("/catalogue/almanak-rei/confirm", "what", "prices:ichi");
    String confirmed = page("/catalogue/almanak-rei");
    assertFalse(confirmed.contains("value=\"prices:ichi\""));
    assertTrue(confirmed.contains("value=\"prices:san\""), "the other plan stays old");
    assertEquals(
        catalogue.get("almanak-rei").sheet().plans().getFirst().source().asOf(), "2026-11-24");
    post("/catalogue/almanak-rei/confirm", "what", "fact:shared-crew-calendar");
    assertTrue(
        catalogue.get("almanak-rei").sheet().plans().stream()
            .flatMap(plan -> plan.facts().stream())
            .filter(fact -> fact.capability().equals("Shared crew calendar"))
            .allMatch(fact -> fact.source().asOf().equals("2026-11-24")));
    assertEquals(post("/catalogue/almanak-rei/confirm", "what", "nothing:x").getStatus(), 404);
    post("/catalogue/almanak-rei/undo", "from", "2026-11-24");
    assertEquals(
        catalogue.get("almanak-rei").sheet().plans().getFirst().source().asOf(),
        "2026-11-24",
        "only the last of the two confirmations is taken back");
  }

  @Test
  public void aFactIsConfirmedWhereItIsUsed() throws Exception {
    String fit = page("/selections/1/fit");
    assertTrue(fit.contains("/catalogue/quaymate/confirm?what=fact:two-way-calendar-link"));
    MockHttpServletResponse answer =
        post(
            "/catalogue/quaymate/confirm",
            "what",
            "fact:two-way-calendar-link",
            "back",
            "/selections/1/fit");
    assertEquals(answer.getRedirectedUrl(), "/selections/1/fit");
    assertFalse(
        page("/selections/1/fit")
            .contains("/catalogue/quaymate/confirm?what=fact:two-way-calendar-link"));
    assertEquals(
        post(
                "/catalogue/quaymate/confirm",
                "what",
                "fact:two-way-calendar-link",
                "back",
                "https://elsewhere.example/selections/1/fit")
            .getRedirectedUrl(),
        "/catalogue/quaymate",
        "it leads nowhere else");
  }

  @Test
  public void theWorkspaceSaysWhenFactsAreOld() throws Exception {
    post("/catalogue/freshness", "days", "10");
    assertTrue(page("/catalogue/werfplan").contains("older than 10 days"));
    post("/catalogue/freshness", "days", "180");
    assertFalse(page("/catalogue/werfplan").contains("older than"));
    MockHttpServletResponse refused = post("/catalogue/freshness", "days", "never");
    assertEquals(refused.getStatus(), 302);
    assertFalse(page("/catalogue/werfplan").contains("older than"));
  }

  @Test
  public void whatMayBeASlipIsAskedAndStaysMarkedUntilConfirmed() throws Exception {
    Map<String, String> fields = fields("Turnstone", "9.10");
    fields.put("lines[0].cells[0].prices[u12]", "87.60");
    MockHttpServletResponse asked = post("/catalogue/new", fields);
    assertEquals(asked.getStatus(), 422);
    String question = "about ten times less. Is a decimal point or a year&#39;s price";
    assertTrue(asked.getContentAsString().contains(question));
    assertTrue(catalogue.find("turnstone").isEmpty());
    fields.put("asked", "true");
    post("/catalogue/new", fields);
    assertTrue(page("/catalogue/turnstone").contains(question), "marked");
    assertTrue(page("/catalogue?show=asked").contains("Turnstone"));
    String key = "ten-times|Works|Seats|yearly, up front|876.00|91.00";
    post("/catalogue/turnstone/confirm", "what", "doubt:" + key);
    assertFalse(page("/catalogue/turnstone").contains(question), "confirmed");
    assertFalse(page("/catalogue?show=asked").contains("Turnstone"));
  }

  @Test
  public void aToolIsCopiedArchivedAndRestored() throws Exception {
    MockHttpServletResponse copied = post("/catalogue/dagrond/copy");
    assertEquals(copied.getRedirectedUrl(), "/catalogue/dagrond-copy/edit");
    assertEquals(
        catalogue.get("dagrond-copy").sheet().plans(), catalogue.get("dagrond").sheet().plans());
    post("/catalogue/dagrond-copy/archive", "archived", "true");
    assertFalse(page("/catalogue").contains("Dagrond copy"));
    assertTrue(page("/catalogue?show=archived").contains("Dagrond copy"));
    assertTrue(page("/selections/3/contenders").contains("Dagrond, Archipel Works"));
    assertFalse(page("/selections/3/contenders").contains("Dagrond copy"));
    post("/catalogue/dagrond-copy/archive", "archived", "false");
    assertTrue(page("/catalogue").contains("Dagrond copy"));
  }

  @Test
  public void ratesAreTakenAndMissingOnesAreSaid() throws Exception {
    assertTrue(page("/selections/3/contenders").contains("no rate to EUR; see Rates under Need"));
    MockHttpServletResponse answer = post("/selections/3/rates");
    assertEquals(answer.getRedirectedUrl(), "/selections/3/need");
    String rated = page("/selections/3/contenders");
    assertTrue(rated.contains("20 Nov 2026, simulated rates, made up"), rated);
    assertFalse(rated.contains("no rate to EUR"));
  }
}
