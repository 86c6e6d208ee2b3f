package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.catalogue.PageDays;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;

/** Which price page is in force on a day, asked in every place and on other days. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:clocked;DB_CLOSE_DELAY=-1")
public class PageInForceTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;
  @Autowired private Selections selections;
  @Autowired private MovableClock clock;

  @BeforeMethod
  public void today() {
    clock.moveTo("2026-11-24");
  }

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

  private MockHttpServletResponse post(String path, Map<String, String> fields) throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    fields.forEach(request::param);
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
    fields.put("asked", "true");
    return fields;
  }

  private Map<String, String> from(String day, long version, Map<String, String> fields) {
    fields.put("version", "" + version);
    fields.put("validFrom", day);
    return fields;
  }

  private String scheduled(String name) throws Exception {
    String slug = name.toLowerCase();
    assertEquals(post("/catalogue/new", fields(name, "5.00")).getStatus(), 302);
    long version = catalogue.get(slug).version();
    assertEquals(
        post("/catalogue/" + slug + "/edit", from("2027-01-01", version, fields(name, "8.00")))
            .getStatus(),
        302);
    return slug;
  }

  @Test
  public void aScheduledPageComesIntoForceEverywhereOnItsDay() throws Exception {
    String slug = scheduled("Sandpiper");
    for (String[] expected : new String[][] {{"2026-12-31", "5.00"}, {"2027-01-01", "8.00"}}) {
      clock.moveTo(expected[0]);
      assertTrue(page("/catalogue/" + slug).contains(expected[1] + " EUR a month"), expected[0]);
      assertTrue(
          page("/catalogue/" + slug + "/edit").contains(">" + expected[1] + "</textarea>"),
          expected[0]);
      assertTrue(page("/catalogue/export.csv").contains("," + expected[1] + ","), expected[0]);
      long id = catalogue.get(slug).id();
      assertEquals(price(catalogue.sheets(List.of(id)).get(id)), expected[1], "in selections");
      Catalogue.Stored listed =
          catalogue.everything().stream().filter(t -> t.id() == id).findFirst().orElseThrow();
      assertEquals(price(listed.sheet()), expected[1], "in the list");
    }
  }

  @Test
  public void aConfirmationConfirmsThePageInForceAndKeepsItsPrices() throws Exception {
    String slug = scheduled("Redshank");
    clock.moveTo("2027-02-01");
    post("/catalogue/" + slug + "/confirm", Map.of("what", "prices:works"));
    assertEquals(price(catalogue.get(slug).sheet()), "8.00");
    assertEquals(catalogue.get(slug).sheet().plans().getFirst().source().asOf(), "2027-02-01");
    assertEquals(
        price(catalogue.get(slug, LocalDate.of(2027, 1, 31)).sheet()), "8.00", "and before it");
  }

  @Test
  public void ofTwoSavesForTheSameLaterDayAtOneVersionTheSecondIsRefused() throws Exception {
    String slug = scheduled("Whimbrel");
    long version = catalogue.get(slug).version();
    assertEquals(
        post("/catalogue/" + slug + "/edit", from("2027-03-01", version, fields("Whimbrel", "9")))
            .getStatus(),
        302);
    MockHttpServletResponse late =
        post("/catalogue/" + slug + "/edit", from("2027-03-01", version, fields("Whimbrel", "7")));
    assertEquals(late.getStatus(), 422);
    assertTrue(late.getContentAsString().contains("Somebody else changed Whimbrel"));
    assertEquals(price(catalogue.get(slug, LocalDate.of(2027, 3, 1)).sheet()), "9");
  }

  @Test
  public void thePageOfALaterDayIsTheOneThatIsEditedForIt() throws Exception {
    String slug = scheduled("Knot");
    assertTrue(page("/catalogue/" + slug).contains("/catalogue/knot/edit?from=2027-01-01"));
    String edit = page("/catalogue/" + slug + "/edit?from=2027-01-01");
    assertTrue(edit.contains(">8.00</textarea>") && edit.contains("value=\"2027-01-01\""), edit);
  }

  @Test
  public void anAnnouncementIsBuiltOnThePageInForceOnItsDay() throws Exception {
    // the maker announces 9.40 and 7.90 from February; a page from January has another minimum
    ToolSheet today = catalogue.get("slotmeer").sheet();
    ToolSheet january = today.withName("Slotmeer of January");
    catalogue.change(
        "slotmeer", catalogue.get("slotmeer").version(), january, LocalDate.of(2027, 1, 1), "x");
    assertEquals(post("/price-changes/slotmeer-2027", Map.of("take", "true")).getStatus(), 302);
    ToolSheet february = catalogue.get("slotmeer", LocalDate.of(2027, 2, 1)).sheet();
    assertEquals(february.name(), "Slotmeer of January");
    assertTrue(february.toString().contains("price=7.90"), february.toString());
    assertEquals(catalogue.get("slotmeer").sheet(), today, "today nothing changes");
  }

  @Test
  public void whatNoSelectionCouldReadIsNotStored() {
    ToolSheet sheet = catalogue.get("werfplan").sheet();
    ToolSheet broken = sheet.withName(" ");
    try {
      catalogue.change(
          "werfplan", catalogue.get("werfplan").version(), broken, catalogue.today(), "x");
      throw new AssertionError("stored");
    } catch (tertulia.app.web.Conflict e) {
      assertTrue(e.message().contains("could not be read again"), e.message());
    }
    assertEquals(catalogue.get("werfplan").sheet(), sheet);
    assertFalse(selections.titles().isEmpty());
    selections.titles().forEach(listed -> selections.load(listed.id()));
  }

  private static String price(ToolSheet sheet) {
    return ((ToolSheet.PerUnitPart)
            sheet.plans().getFirst().prices().getFirst().charges().getFirst())
        .price();
  }

  /** The page in force against looking through all days. */
  @Test
  public void theDaysOfPagesAgreeWithLookingThroughThem() {
    Random random = new Random(20261125);
    LocalDate start = LocalDate.of(2026, 1, 1);
    for (int i = 0; i < 200; i++) {
      TreeSet<LocalDate> days = new TreeSet<>();
      for (int k = 0; k <= random.nextInt(5); k++) {
        days.add(start.plusDays(random.nextInt(40)));
      }
      PageDays pages = PageDays.of(days);
      for (int d = -2; d < 45; d++) {
        LocalDate day = start.plusDays(d);
        assertEquals(
            pages.inForce(day),
            days.stream().filter(from -> !from.isAfter(day)).reduce((a, b) -> b));
        assertEquals(pages.next(day), days.stream().filter(from -> from.isAfter(day)).findFirst());
        assertEquals(pages.after(day).size(), days.tailSet(day, false).size());
      }
    }
  }

  private Map<String, String> news(String slug, String name, String day, String monthly) {
    Map<String, String> fields = from(day, catalogue.get(slug).version(), fields(name, monthly));
    fields.put("news", "true");
    fields.put("says", "From January on a seat costs more.");
    fields.put("announced", "2026-11-20");
    return fields;
  }

  private static int times(String page, String words) {
    return page.split(java.util.regex.Pattern.quote(words), -1).length - 1;
  }

  private String newsOf(String slug) throws Exception {
    java.util.regex.Matcher found =
        java.util.regex.Pattern.compile("action=\"(/price-changes/news-[0-9]+)\"")
            .matcher(page("/price-changes").split("/catalogue/" + slug + "\"")[1]);
    assertTrue(found.find());
    return found.group(1);
  }

  @Test
  public void whatAMakerAnnouncesIsPutDownOnceAndChangesNothingUntilItIsTakenOver()
      throws Exception {
    assertEquals(post("/catalogue/new", fields("Dunlin", "5.00")).getStatus(), 302);
    assertTrue(page("/catalogue/dunlin/edit?news=true").contains("Announcement about Dunlin"));
    Map<String, String> fields = news("dunlin", "Dunlin", "2027-01-01", "6.50");
    assertEquals(post("/catalogue/dunlin/edit", fields).getStatus(), 302);
    assertEquals(post("/catalogue/dunlin/edit", fields).getStatus(), 302, "sent twice");
    String waiting = page("/price-changes");
    assertEquals(times(waiting, "“From January on a seat costs more.”"), 1);
    assertTrue(waiting.contains("added by Ilse Maren"));
    assertTrue(waiting.contains("announced 20 Nov 2026, holds from 1 Jan 2027"));
    assertTrue(waiting.contains("<del>5.00</del> <ins>6.50</ins>"));
    assertEquals(price(catalogue.get("dunlin", LocalDate.of(2027, 1, 1)).sheet()), "5.00");
    String address = newsOf("dunlin");
    assertEquals(post(address, Map.of("take", "true")).getStatus(), 302);
    assertEquals(post(address, Map.of("take", "true")).getStatus(), 409, "answered once");
    assertEquals(price(catalogue.get("dunlin", LocalDate.of(2026, 12, 31)).sheet()), "5.00");
    assertEquals(
        catalogue
            .get("dunlin", LocalDate.of(2027, 1, 1))
            .sheet()
            .plans()
            .getFirst()
            .source()
            .asOf(),
        "2026-11-20",
        "its price is of the day it was announced");
    assertEquals(price(catalogue.get("dunlin", LocalDate.of(2027, 1, 1)).sheet()), "6.50");
    clock.moveTo("2027-01-02");
    assertEquals(price(catalogue.get("dunlin").sheet()), "6.50", "on its day it is in force");
    assertTrue(page("/price-changes").contains("taken over by Ilse Maren"));
  }

  @Test
  public void newsOfAPageThatChangedSinceAreNotTakenOver() throws Exception {
    assertEquals(post("/catalogue/new", fields("Godwit", "5.00")).getStatus(), 302);
    Map<String, String> fields = news("godwit", "Godwit", "2027-01-01", "6.50");
    assertEquals(post("/catalogue/godwit/edit", fields).getStatus(), 302);
    long version = catalogue.get("godwit").version();
    assertEquals(
        post("/catalogue/godwit/edit", from("2026-11-24", version, fields("Godwit", "5.40")))
            .getStatus(),
        302);
    assertTrue(
        page("/price-changes").contains("The page here has changed since this was put down"));
    String address = newsOf("godwit");
    assertEquals(post(address, Map.of("take", "true")).getStatus(), 409);
    assertEquals(price(catalogue.get("godwit", LocalDate.of(2027, 1, 1)).sheet()), "5.40");
    MockHttpServletResponse late = post("/catalogue/godwit/edit", fields);
    assertEquals(late.getStatus(), 422);
    assertTrue(late.getContentAsString().contains("Somebody changed the page of Godwit"));
    assertEquals(post(address, Map.of("take", "false")).getStatus(), 302);
    assertTrue(page("/price-changes").contains("passed over by Ilse Maren"));
    Map<String, String> again = news("godwit", "Godwit", "2027-01-01", "6.50");
    assertEquals(post("/catalogue/godwit/edit", again).getStatus(), 302);
    assertEquals(post(newsOf("godwit"), Map.of("take", "true")).getStatus(), 302);
    assertEquals(price(catalogue.get("godwit", LocalDate.of(2027, 1, 1)).sheet()), "6.50");
  }

  @Test
  public void newsThatChangeNothingOrSayTooMuchAreRefusedWithWhatWasTyped() throws Exception {
    assertEquals(post("/catalogue/new", fields("Turnstone", "5.00")).getStatus(), 302);
    MockHttpServletResponse same =
        post("/catalogue/turnstone/edit", unchanged(catalogue.get("turnstone").version()));
    assertEquals(same.getStatus(), 422);
    assertTrue(same.getContentAsString().contains("Nothing on the page would change."));
    Map<String, String> fields = news("turnstone", "Turnstone", "2027-01-01", "6.00");
    fields.put("says", "a".repeat(401));
    MockHttpServletResponse wordy = post("/catalogue/turnstone/edit", fields);
    assertEquals(wordy.getStatus(), 422);
    assertTrue(wordy.getContentAsString().contains("This text has 401 characters"));
    assertTrue(wordy.getContentAsString().contains("a".repeat(401)));
  }

  private Map<String, String> unchanged(long version) {
    Map<String, String> fields = from("2027-01-01", version, fields("Turnstone", "5.00"));
    fields.put("news", "true");
    return fields;
  }

  @Test
  public void aFieldBehindAnUnderscoreIsNoFieldOfOurs() throws Exception {
    assertEquals(post("/catalogue/new", fields("Knot", "5.00")).getStatus(), 302);
    Map<String, String> fields =
        from("2026-11-24", catalogue.get("knot").version(), fields("Knot", "6.00"));
    fields.remove("validFrom");
    fields.put("_validFrom", "x");
    fields.put("!maker", "x");
    assertEquals(post("/catalogue/knot/edit", fields).getStatus(), 302);
    assertEquals(price(catalogue.get("knot").sheet()), "6.00");
    assertEquals(catalogue.get("knot").sheet().maker(), "");
  }
}
