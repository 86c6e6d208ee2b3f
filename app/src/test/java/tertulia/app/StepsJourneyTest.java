package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.PortableFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;

/** The steps as the server answers them: pages, updates, weights, marks, criteria and shares. */
public class StepsJourneyTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;
  @Autowired private Intake intake;
  private long id;

  @BeforeMethod
  public void layOut() {
    id =
        intake.take(
            ((PortableFile.Read.Accepted)
                    PortableFile.read(Demo.text().getBytes(StandardCharsets.UTF_8)))
                .file(),
            "Ilse Maren");
  }

  private MockHttpServletResponse send(String name, MockHttpServletRequestBuilder request)
      throws Exception {
    request.with(csrf());
    request.with(user(people.loadUserByUsername(name)));
    return mvc.perform(request).andReturn().getResponse();
  }

  private String page(String step, String query) throws Exception {
    return send("pia", MockMvcRequestBuilders.get("/selections/" + id + "/" + step + query))
        .getContentAsString();
  }

  private MockHttpServletResponse post(String name, String step, String... fields)
      throws Exception {
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/" + id + "/" + step);
    for (int i = 0; i + 1 < fields.length; i += 2) {
      request.param(fields[i], fields[i + 1]);
    }
    return send(name, request);
  }

  @DataProvider
  public Object[][] steps() {
    return new Object[][] {
      {"need"}, {"contenders"}, {"fit"}, {"cost"}, {"weights"}, {"marks"}, {"decision"}
    };
  }

  @Test(dataProvider = "steps")
  public void aPageAndItsUpdateShareAnAddressAndAreKeptApart(String step) throws Exception {
    String at = "/selections/" + id + "/" + step + "?month=17&growth=high&people=";
    MockHttpServletResponse page = send("pia", MockMvcRequestBuilders.get(at));
    assertEquals(page.getStatus(), 200);
    assertTrue(page.getContentAsString().contains("<html"));
    assertEquals(page.getHeader("Vary"), "HX-Request");
    MockHttpServletResponse update =
        send("pia", MockMvcRequestBuilders.get(at).header("HX-Request", "true"));
    assertEquals(update.getStatus(), 200);
    assertFalse(update.getContentAsString().contains("<html"));
    assertEquals(update.getHeader("Vary"), "HX-Request");
    assertEquals(
        update.getHeader("HX-Replace-Url"),
        "/selections/" + id + "/" + step + "?month=17&growth=high");
    for (String part : new String[] {"id=\"steps\"", "id=\"profile\"", "id=\"moment\""}) {
      assertTrue(update.getContentAsString().contains(part), part);
    }
    assertTrue(update.getContentAsString().contains("month=17&amp;growth=high"), "links follow");
  }

  @Test(dataProvider = "steps")
  public void everyColumnHasItsHeadInEveryStep(String step) throws Exception {
    String page = page(step, "?people=62");
    for (String head :
        new String[] {
          "Crew, yearly, up front", "446.40", "Desk 25, yearly, up front", "341.70",
          "467.50", "491.06", "470.00", "5 contenders, 1 set aside"
        }) {
      assertTrue(page.contains(head), step + " lacks " + head);
    }
  }

  @Test
  public void theCostPageWarnsWhereMistakesAreMade() throws Exception {
    String any = page("cost", "");
    assertTrue(any.contains("The price of Pierbook is month to month"));
    assertTrue(any.contains("Quaymate’s price is from 3 Apr 2026, more than 180 days ago."));
    assertTrue(any.contains("See the price page"), "a reader is not asked to confirm");
    String monthly = page("cost", "?terms=monthly");
    assertFalse(monthly.contains("is month to month"));
    assertTrue(monthly.contains("price not known"), "Tollen sells nothing monthly but on request");
    String cash = page("cost", "?view=cash&month=4&terms=committed");
    assertTrue(cash.contains("36 months, when invoiced"));
    // 24 seats more in May for eight months at 7.20
    assertTrue(cash.contains("1,382.40"), "additions of May");
  }

  @Test
  public void aChangeOfTheOrderWithinThePlanIsSaid() throws Exception {
    String text =
        Demo.text()
            .replace("\"price\": \"4.10\"", "\"price\": \"5.90\"")
            .replace("\"price\": \"4.60\"", "\"price\": \"6.40\"");
    id =
        intake.take(
            ((PortableFile.Read.Accepted) PortableFile.read(text.getBytes(StandardCharsets.UTF_8)))
                .file(),
            "Ilse Maren");
    // 190 + 5.90 · (n − 25) passes 470 at 73; Tollen leaves 470 at 81; 420 + 5.20 · (n − 60), the
    // dearer plan, passes 640 at 103
    assertTrue(page("cost", "").contains("The cheapest changes at 73, 81 and 103."));
  }

  @Test
  public void weightsAreKeptOneByOneAndMistakesAnsweredInPlace() throws Exception {
    MockHttpServletResponse good = post("odile", "weights", "criterion", "cost", "points", "70");
    assertEquals(good.getStatus(), 200);
    assertTrue(good.getContentAsString().contains("id=\"weight-cost\""));
    for (String bad : new String[] {"-1", "1001", "many", "99999999999"}) {
      String answer =
          post("odile", "weights", "criterion", "cost", "points", bad).getContentAsString();
      assertTrue(answer.contains(bad.equals("many") ? "not a whole number" : bad), answer);
    }
    LoadedSelection table = selections.load(id);
    assertEquals(table.seats().size(), 5, "Odile of the file and Odile who signed in");
    assertEquals(
        table.selection().panel().members().getLast().weighing(),
        new tertulia.core.scoring.Weighing.Points(java.util.Map.of("cost", 70)));
    assertEquals(post("odile", "weights", "criterion", "nothing", "points", "1").getStatus(), 404);
  }

  @Test
  public void marksAreKeptTakenBackAndChecked() throws Exception {
    String slug = selections.load(id).selection().contenders().getFirst().id();
    String[] at = {"criterion", "ease", "contender", slug, "mark", "9"};
    assertEquals(post("odile", "marks", at).getStatus(), 200);
    at[5] = "x";
    assertEquals(post("odile", "marks", at).getStatus(), 200);
    var marks = selections.load(id).selection().panel().members().getLast().marks();
    assertTrue(marks.get("ease").get(slug).given().isEmpty());
    at[5] = "";
    assertEquals(post("odile", "marks", at).getStatus(), 200);
    assertTrue(selections.load(id).selection().panel().members().getLast().marks().isEmpty());
    for (String bad : new String[] {"11", "-1", "3.5", "ten"}) {
      at[5] = bad;
      assertEquals(post("odile", "marks", at).getStatus(), 404, bad);
    }
    at[5] = "5";
    at[1] = "cost";
    assertEquals(post("odile", "marks", at).getStatus(), 404, "cost is not a matter of marks");
  }

  @Test
  public void sharesAreCheckedAtTheirField() throws Exception {
    long member = selections.load(id).seats().getFirst().memberId();
    MockHttpServletResponse refused = post("ilse", "shares", "share-" + member, "101");
    assertEquals(refused.getStatus(), 422);
    assertTrue(refused.getContentAsString().contains("id=\"fault-share-" + member + "\""));
    assertTrue(refused.getContentAsString().contains("value=\"101\""));
    assertEquals(post("ilse", "shares", "share-" + member, "7").getStatus(), 302);
    assertEquals(selections.load(id).seats().getFirst().share(), 7);
    long elsewhere = selections.load(1).seats().getFirst().memberId();
    post("ilse", "shares", "share-" + elsewhere, "55");
    assertFalse(selections.load(1).seats().getFirst().share() == 55, "another table's member");
  }

  @Test
  public void aRefusedCriterionKeepsWhatWasTyped() throws Exception {
    MockHttpServletResponse answer =
        post(
            "ilse",
            "criteria",
            "version",
            "0",
            "criteria[0].name",
            "Money",
            "criteria[0].kind",
            "cost",
            "criteria[0].worst",
            "100",
            "criteria[0].best",
            "900");
    assertEquals(answer.getStatus(), 422);
    assertTrue(answer.getContentAsString().contains("The worst cost a month lies above the best"));
    assertTrue(answer.getContentAsString().contains("value=\"Money\""));
    assertEquals(selections.load(id).selection().criteria().size(), 5);
  }
}
