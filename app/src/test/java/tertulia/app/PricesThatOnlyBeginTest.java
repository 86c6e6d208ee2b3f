package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;

/**
 * A page that says "from 4" has prices, a currency and charges; one on request has none of them.
 */
@FreshStore
public class PricesThatOnlyBeginTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  private String selection = "";

  private MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private Document page(String path) throws Exception {
    return Jsoup.parse(
        ask(MockMvcRequestBuilders.get("/selections/" + selection + path)).getContentAsString());
  }

  private void write(String name, String... fields) throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/catalogue/new")
            .param("selection", selection)
            .param("name", name)
            .param("plans[0].name", "Works")
            .param("plans[0].currency", "CHF")
            .param("plans[0].source.asOf", "24 Nov 2026");
    for (int i = 0; i < fields.length; i += 2) {
      request.param(fields[i], fields[i + 1]);
    }
    assertEquals(ask(request).getRedirectedUrl(), "/selections/" + selection + "/contenders", name);
  }

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void aQuestionOfThree() throws Exception {
    String asked =
        ask(MockMvcRequestBuilders.post("/selections/new")
                .param("title", "Which chart table?")
                .param("people", "1")
                .param("growth", "0")
                .param("currency", "CHF"))
            .getRedirectedUrl();
    assertNotNull(asked);
    selection = asked.replaceAll("\\D+", "");
    write(
        "Sextant",
        "plans[0].most",
        "30",
        "lines[0].name",
        "Seats",
        "lines[0].cells[0].prices[m1]",
        "from 4");
    write("Astrolabe", "plans[0].basis", "on-request");
    write(
        "Backstaff",
        "lines[0].name",
        "Guests",
        "lines[0].measure",
        "light-seats",
        "lines[0].cells[0].prices[m1]",
        "from 1");
  }

  /** What a row of the table says of each contender. */
  private static List<String> row(Document page, String head) {
    List<String> said = new ArrayList<>();
    for (Element row : page.select(".bench tr")) {
      if (row.select("th[scope=row]").text().startsWith(head)) {
        row.select("td").forEach(cell -> said.add(cell.text()));
      }
    }
    return said;
  }

  @Test
  public void theCurrencyIsKnownWhereAPriceIs() throws Exception {
    List<String> currencies = row(page("/contenders"), "Priced in");
    assertEquals(currencies, List.of("CHF", "—", "CHF"));
  }

  @Test
  public void itIsNotOnRequest() throws Exception {
    Document fit = page("/fit");
    List<String> why = new ArrayList<>();
    fit.select("table.verdicts tbody tr").forEach(row -> why.add(row.select("td").last().text()));
    assertEquals(why, List.of("", "price on request", ""));
  }

  @Test
  public void whereNothingHasAFigureNoLinkLeadsToOne() throws Exception {
    Document fit = page("/fit");
    List<String> leads = fit.select(".jumps a[href^=#]").eachAttr("href");
    assertEquals(leads, List.of("#which", "#months"), "nothing has a figure or is needed");
    leads.forEach(to -> assertFalse(fit.select(to).isEmpty(), to));
    Document full =
        Jsoup.parse(ask(MockMvcRequestBuilders.get("/selections/1/fit")).getContentAsString());
    leads = full.select(".jumps a[href^=#]").eachAttr("href");
    assertEquals(leads, List.of("#which", "#months", "#promises", "#needcosts"));
    leads.forEach(to -> assertFalse(full.select(to).isEmpty(), to));
  }

  @Test
  public void whatIfCanBeAskedOfLightSeatsItCharges() throws Exception {
    assertFalse(page("/cost").select("[name=light]").isEmpty());
  }

  @Test
  public void howMuchAPageWithoutPricesAllowsIsNotKnown() throws Exception {
    List<String> seats = row(page("/fit"), "Seats");
    assertTrue(seats.getFirst().startsWith("1 of 30"), seats.toString());
    assertEquals(seats.subList(1, 3), List.of("not known", "not limited"));
  }

  @Test
  public void itIsRefusedForItsPriceAndNotForItsPlan() throws Exception {
    List<String> choices = new ArrayList<>();
    page("/decision")
        .select(".choice small:not(.against)")
        .forEach(option -> choices.add(option.text()));
    assertEquals(
        choices,
        List.of(
            "Works, monthly: only the least it costs is known",
            "price not known",
            // nobody has said how many guests there are
            "price not known"));
    String refused =
        ask(MockMvcRequestBuilders.post("/selections/" + selection + "/decision/propose")
                .param("choice", "sextant")
                .param("reasons", "It reads charts.")
                .param("givenUp", "Nothing.")
                .param("version", ""))
            .getContentAsString();
    assertTrue(
        Jsoup.parse(refused)
            .select(".faultline")
            .text()
            .contains("What Sextant costs is not known in all months."),
        refused);
  }

  @Test
  public void onePersonIsNotARange() throws Exception {
    String text =
        ask(MockMvcRequestBuilders.get("/selections/" + selection + "/decision.md"))
            .getContentAsString();
    assertTrue(text.contains("\n1 person over 36 months"), text);
  }
}
