package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.handover.Intake;
import tertulia.app.people.UserAccounts;

/** The Cost step tells what the worked example of the seasonal crew tells (C14). */
public class PathThroughPlansTest extends ServedTest {
  private static final ToolSheet.SourcePart PAGE =
      new ToolSheet.SourcePart("2026-11-12", "makers-claim", "", "", "", "");
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Intake intake;
  private long id;

  private static ToolSheet.TermPart term(int months, String price) {
    return new ToolSheet.TermPart(
        months,
        months > 1,
        List.of(new ToolSheet.PerUnitPart("Seats", "seats", price, 0, 1, 0)),
        List.of(),
        null);
  }

  private static ToolSheet tool(String id, ToolSheet.PlanPart... plans) {
    return new ToolSheet(
        id,
        id,
        "",
        List.of(),
        List.of(),
        List.of(),
        List.of(plans),
        List.of(),
        null,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        null);
  }

  private static ToolSheet.PlanPart plan(String name, Integer most, ToolSheet.TermPart... terms) {
    return new ToolSheet.PlanPart(
        name.toLowerCase(java.util.Locale.ROOT),
        name,
        "EUR",
        "seats",
        0,
        most,
        null,
        null,
        PAGE,
        List.of(terms),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  @BeforeClass(dependsOnMethods = "springTestContextPrepareTestInstance")
  public void seated() {
    Brief brief =
        new Brief(
            "Seasonal",
            "",
            "2026-11-24",
            "2027-01",
            24,
            "EUR",
            "0",
            List.of(
                new Brief.GroupPart(
                    "crew",
                    "Crew",
                    "hires",
                    52,
                    "0",
                    null,
                    null,
                    List.of(new Brief.StepPart("season", "2027-05", "2027-09", 23, true)))),
            List.of(new Brief.DemandPart("seats", "0", Map.of("crew", "1"))),
            null,
            List.of(),
            List.of(),
            List.of());
    id =
        intake.take(
            new SelectionFile(
                SelectionFile.FORMAT,
                SelectionFile.VERSION,
                brief,
                List.of(
                    new SelectionFile.ContenderPart(
                        tool("tideturn", plan("Crew", null, term(1, "7.20"), term(12, "6.35"))),
                        null),
                    new SelectionFile.ContenderPart(
                        tool("shallows", plan("Few", 60, term(1, "2.00"))), null)),
                List.of(),
                null),
            "Ilse Maren");
  }

  private String page(String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get("/selections/" + id + path)
                .with(user(people.loadUserByUsername("pia"))))
        .andReturn()
        .getResponse()
        .getContentAsString(StandardCharsets.UTF_8);
  }

  @Test
  public void theRibbonSaysWhenToBeginTheCommitment() throws Exception {
    String cost = page("/cost");
    // 9 months at 7.20 and 15 at 6.35, against 10,261.60 all yearly
    assertTrue(cost.contains(">9,880.85<"), cost);
    assertTrue(cost.contains("saves 380.75"));
    assertTrue(
        cost.contains(
            "tideturn: a commitment is best begun in October 2027, with Crew, yearly, up front:"
                + " 9,880.85 EUR in all, against 10,261.60 on Crew, yearly, up front throughout"
                + " and 10,641.60 all monthly."));
    assertTrue(cost.contains("<td>Jan 2027</td><td>Sep 2027</td><td>Crew, monthly</td>"));
    assertTrue(cost.contains("<td>52 to 75</td><td>cheaper from here on</td>"));
    assertEquals(cost.split("class=\"stretch", -1).length - 1, 2);
    assertTrue(page("/cost?view=cash").contains(">10,013.45<"));
  }

  @Test
  public void whereNothingQualifiesTheMonthAndTheReasonStand() throws Exception {
    String cost = page("/cost");
    assertTrue(
        cost.contains("nothing qualifies from May 2027; nearest is Few, monthly: seats: 75 of 60"),
        cost);
    assertTrue(cost.contains("nothing from May 2027"));
  }

  @Test
  public void fitSaysWhichPlanUntilWhenAndWhatIsToBlame() throws Exception {
    String fit = page("/fit?people=75").replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
    assertTrue(fit.contains("Few is enough until Apr 2027, then no plan (seats: 75 of 60)"), fit);
    assertTrue(
        fit.contains(
            "shallows has no plan for 75 people: no plan meets “so many seats”. Without “so many"
                + " seats”, Few would be enough."),
        fit);
    assertTrue(page("/fit").contains("no plan until Sep 2027, then Few"));
  }

  @Test
  public void aPriceNobodyKnowsIsNoGap() throws Exception {
    // a demonstration tool priced in francs, in a selection without a rate for them
    String cost =
        mvc.perform(
                MockMvcRequestBuilders.get("/selections/3/cost")
                    .with(user(people.loadUserByUsername("pia"))))
            .andReturn()
            .getResponse()
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(cost.contains("price not known: Blatt, yearly, up front: no rate CHF to EUR"), cost);
    assertTrue(!cost.contains("nothing qualifies from Jan 2027"), cost);
    assertTrue(cost.contains("Blatt is not sold monthly"), "which is why it is not all monthly");
  }

  @Test
  public void whyReachesEveryInvoiceLine() throws Exception {
    String why = page("/why?figure=way&contender=tideturn");
    assertTrue(why.contains("9,880.85 EUR"));
    assertTrue(why.contains("Invoice of Oct 2027 for 12 months"));
    assertTrue(why.contains("Keeping Crew, yearly, up front") && why.contains("10,261.60 EUR"));
    assertTrue(why.contains("All monthly") && why.contains("10,641.60 EUR"));
    assertTrue(page("/why?figure=way&contender=shallows").contains("nothing qualifies in 2027-05"));
  }
}
