package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;

/** Price pages and people, as forms send them. */
public class CatalogueJourneyTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;
  @Autowired private JdbcTemplate jdbc;

  private MockHttpServletResponse post(String path, Map<String, String> fields) throws Exception {
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
    fields.forEach(request::param);
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private static Map<String, String> page(String name) {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("version", "0");
    fields.put("name", name);
    fields.put("maker", "Made up");
    fields.put("plans[0].name", "Works");
    fields.put("plans[0].currency", "EUR");
    fields.put("plans[0].measure", "seats");
    fields.put("plans[0].most", "90");
    fields.put("plans[0].source.asOf", "2026-11-24");
    fields.put("plans[0].source.ground", "tried-by-hand");
    fields.put("lines[0].name", "Seats");
    fields.put("lines[0].kind", "banded-sliced");
    fields.put("lines[0].measure", "seats");
    fields.put("lines[0].cells[0].prices[u12]", "25 8.40\nmore 6.90");
    fields.put("facts[0].capability", "Shared plans");
    fields.put("facts[0].answers[0]", "partly");
    fields.put("facts[0].source.asOf", "2026-11-20");
    fields.put("facts[0].source.ground", "colleague");
    return fields;
  }

  @Test
  public void aPriceTypedIsAPriceStored() throws Exception {
    MockHttpServletResponse answer = post("/catalogue/new", page("Mapelroot"));
    assertEquals(answer.getRedirectedUrl(), "/catalogue/mapelroot");
    ToolSheet sheet = catalogue.get("mapelroot").sheet();
    ToolSheet.PlanPart plan = sheet.plans().getFirst();
    assertEquals(plan.most(), Integer.valueOf(90));
    assertEquals(plan.prices().getFirst().monthsCommitted(), 12);
    assertTrue(plan.prices().getFirst().upFront());
    ToolSheet.BandedPart bands =
        (ToolSheet.BandedPart) plan.prices().getFirst().charges().getFirst();
    assertEquals(bands.bands().get(1), new ToolSheet.BandPart(null, "6.90", "0"));
    assertEquals(plan.facts().getFirst().answer(), "partly");
    assertEquals(plan.facts().getFirst().source().ground(), "colleague");
    String read =
        mvc.perform(
                MockMvcRequestBuilders.get("/catalogue/mapelroot")
                    .with(user(people.loadUserByUsername("pia"))))
            .andReturn()
            .getResponse()
            .getContentAsString();
    assertTrue(read.contains("to 25: 8.40 each; above: 6.90 each EUR a month"));
    assertFalse(read.contains("Change the price page"), "readers do not edit");
  }

  @Test
  public void twoToolsOfOneNameAreKeptApart() throws Exception {
    post("/catalogue/new", page("Twinmoor"));
    MockHttpServletResponse asked = post("/catalogue/new", page("Twinmoor"));
    assertEquals(asked.getStatus(), 422);
    assertTrue(
        asked
            .getContentAsString()
            .contains(
                "There is a tool called Twinmoor, by Made up, already. Is this another one?"));
    Map<String, String> another = page("Twinmoor");
    another.put("confirmed", "same-name|Twinmoor|Made up");
    assertEquals(post("/catalogue/new", another).getRedirectedUrl(), "/catalogue/twinmoor-2");
  }

  @Test
  public void aRefusedPageStoresNothingAndKeepsWhatWasTyped() throws Exception {
    Map<String, String> fields = page("Neverwas");
    fields.put("lines[0].cells[0].prices[u12]", "25 8.40\n20 6.90");
    MockHttpServletResponse answer = post("/catalogue/new", fields);
    assertEquals(answer.getStatus(), 422);
    String page = answer.getContentAsString();
    assertTrue(page.contains("Band 2 ends at 20 units but band 1 ends at 25. Reorder the bands."));
    assertTrue(page.contains("id=\"fault-lines[0].cells[0].prices[u12]\""));
    assertTrue(page.contains("20 6.90</textarea>"));
    assertTrue(catalogue.find("neverwas").isEmpty());
  }

  @Test
  public void theSecondOfTwoEditorsIsTold() throws Exception {
    post("/catalogue/new", page("Contested"));
    Map<String, String> first = page("Contested");
    first.put("version", "" + catalogue.get("contested").version());
    first.put("maker", "First");
    Map<String, String> second = new LinkedHashMap<>(first);
    second.put("maker", "Second");
    assertEquals(post("/catalogue/contested/edit", first).getStatus(), 302);
    MockHttpServletResponse late = post("/catalogue/contested/edit", second);
    assertEquals(late.getStatus(), 422);
    assertTrue(late.getContentAsString().contains("Somebody else changed Contested"));
    assertTrue(late.getContentAsString().contains("value=\"Second\""));
    assertEquals(catalogue.get("contested").sheet().maker(), "First");
  }

  @Test
  public void whoChangedWhatIsKept() throws Exception {
    post("/catalogue/new", page("Audited"));
    Integer pages =
        jdbc.queryForObject(
            "select count(*) from tool_version v join tool t on t.id = v.tool_id"
                + " where t.slug = 'audited' and v.noted_by = 'Ilse Maren'",
            Integer.class);
    assertEquals(pages, Integer.valueOf(1));
  }

  @Test
  public void accountsAreCheckedAndTheLastOrganiserStays() throws Exception {
    Faults faults = new Faults();
    people.add(new UserAccounts.NewAccount("x", " ", "short", Role.MEMBER), faults);
    assertEquals(faults.all().size(), 3, faults.all().toString());
    Faults taken = new Faults();
    people.add(
        new UserAccounts.NewAccount("ILSE", "Another", "long enough for me", Role.MEMBER), taken);
    assertEquals(taken.all().getFirst().message(), "\"ilse\" is taken. Choose another.");
    long ilse =
        people.all().stream().filter(p -> p.signInName().equals("ilse")).findFirst().get().id();
    MockHttpServletResponse answer =
        post("/people/" + ilse, Map.of("role", "READER", "password", "brackwater"));
    assertTrue(answer.getContentAsString().contains("Ilse Maren is the only organiser."));
    assertEquals(people.loadUserByUsername("ilse").role(), Role.ORGANISER);
    String stored =
        jdbc.queryForObject(
            "select password_hash from account where sign_in_name = 'ilse'", String.class);
    assertTrue(String.valueOf(stored).startsWith("{bcrypt}"), "passwords are hashed");
  }
}
