package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.people.UserAccounts;

/** The pages of Cost and Fit as a reader gets them, with figures worked out here. */
public class CostAndFitPagesTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;

  private MockHttpServletResponse get(String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get("/selections/1" + path)
                .with(user(people.loadUserByUsername("pia"))))
        .andReturn()
        .getResponse();
  }

  private String page(String path) throws Exception {
    MockHttpServletResponse answer = get(path);
    assertEquals(answer.getStatus(), 200, path);
    return answer.getContentAsString(StandardCharsets.UTF_8);
  }

  /** The text of a page's elements, tags left out. */
  private static String text(String html) {
    return html.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
  }

  private static List<BigDecimal> figures(String part) {
    List<BigDecimal> figures = new ArrayList<>();
    Matcher matcher = Pattern.compile("\\d[\\d,]*\\.\\d\\d").matcher(part);
    while (matcher.find()) {
      figures.add(new BigDecimal(matcher.group().replace(",", "")));
    }
    return figures;
  }

  @DataProvider
  public Object[][] readings() {
    return new Object[][] {{""}, {"?view=cash"}, {"?terms=committed&growth=high"}};
  }

  /** In the table of years, the years of each contender add up to its total. */
  @Test(dataProvider = "readings")
  public void theYearsAddUpToTheTotal(String query) throws Exception {
    String cost = page("/cost" + query);
    String table = cost.substring(cost.indexOf("aria-label=\"Year totals\""));
    table = table.substring(0, table.indexOf("</table>"));
    int rows = 0;
    for (String row : table.split("<tr>")) {
      List<BigDecimal> figures = figures(text(row));
      if (figures.size() >= 4) {
        BigDecimal years = figures.get(0).add(figures.get(1)).add(figures.get(2));
        assertEquals(years, figures.get(3), row);
        rows++;
      }
    }
    assertTrue(rows >= 4, "only " + rows + " rows in " + table);
  }

  @Test
  public void whatIsNotAlikeStandsAtItsColumnWithTheWayOut() throws Exception {
    String cost = page("/cost?month=17");
    String row = cost.substring(cost.indexOf("<tr class=\"unlike\""));
    row = row.substring(0, row.indexOf("</tr>"));
    List<String> columns = List.of(row.split("<td>"));
    assertEquals(columns.size(), 6);
    assertTrue(text(columns.get(3)).contains("without a commitment All committed"), row);
    assertTrue(
        text(columns.get(4)).contains("priced in GBP, converted at 1.1642 of 20 Nov 2026"), row);
    assertTrue(
        text(columns.get(4))
            .contains("price of 3 Apr 2026, others up to 12 Nov 2026 All prices of that day"),
        row);
    assertFalse(row.contains("at most"), "Whole house stands behind what is taken: " + row);
    assertTrue(row.contains("/selections/1/cost?month=17&amp;terms=committed"), row);
    // equal terms: nothing more to say of them
    assertFalse(page("/cost?terms=committed").contains("without a commitment <"));
    // beyond the cap of Crew: the way leads back to the cap
    String large = page("/cost?people=130");
    assertTrue(large.contains("above the limit of Crew (seats: 130 of 120)"), large);
    assertTrue(large.contains("Read at 120 people"));
  }

  @Test
  public void theFullCostIsTheSubscriptionAndPeoplesTime() throws Exception {
    String cost = text(page("/cost?cost=full"));
    String time = cost.substring(cost.indexOf("Staff time, kept apart"));
    String full = cost.substring(cost.indexOf("Full cost subscription"));
    String total = cost.substring(cost.indexOf("36 months, spread evenly"));
    for (int column = 0; column < 5; column++) {
      assertEquals(
          figures(full).get(column),
          figures(total).get(column).add(figures(time).get(column)),
          "column " + column);
    }
    assertTrue(cost.contains("of staff time"));
  }

  @Test
  public void aReaderGetsTheWorkbookUnderTheThreadThatIsRead() throws Exception {
    MockHttpServletResponse answer = get("/cost.xlsx?view=cash&growth=high");
    assertEquals(answer.getStatus(), 200);
    assertEquals(
        answer.getHeader("Content-Disposition"),
        "attachment; filename=\"cost-which-booking-tool-for-the-freight-desk.xlsx\"");
    try (XSSFWorkbook book =
        new XSSFWorkbook(new ByteArrayInputStream(answer.getContentAsByteArray()))) {
      List<String> names = new ArrayList<>();
      book.forEach(sheet -> names.add(sheet.getSheetName()));
      assertEquals(
          names,
          List.of(
              "Overview",
              "Inputs",
              "People",
              "Staff time",
              "Slotmeer",
              "Halvard Desk",
              "Pierbook",
              "Quaymate",
              "Tollen Suite"));
      boolean high = false;
      for (var row : book.getSheet("Inputs")) {
        high |=
            row.getCell(0) != null
                && row.getCell(0).getStringCellValue().equals("Growth high: multiplied by")
                && row.getCell(1).getNumericCellValue() == 1.5;
      }
      assertTrue(high, "growth as read");
    }
  }

  @Test
  public void whatItWouldTakeIsAnsweredInThePanel() throws Exception {
    String why = text(page("/why?figure=remedies&contender=slotmeer"));
    assertTrue(why.contains("What would make Slotmeer the cheapest"), why);
    assertTrue(why.contains("on every price"), why);
    assertTrue(why.contains("another headcount"), why);
    assertTrue(
        text(page("/why?figure=remedies&contender=halvard-desk")).contains("or it is already"));
    assertTrue(
        text(page("/why?figure=staff&contender=tollen-suite&month=17"))
            .contains("55 named people"));
  }

  @Test
  public void whatEachMustCostsIsOneLookAway() throws Exception {
    String fit = page("/fit");
    String says = text(fit);
    assertTrue(says.contains("Which plan, until when"), says);
    assertTrue(says.contains("What each must costs"), says);
    String why =
        text(page("/why?figure=needcost&capability=two-way-calendar-link&contender=pierbook"));
    List<BigDecimal> figures = figures(why);
    assertTrue(why.contains("Two-way calendar link, for Pierbook"), why);
    String row = fit.substring(fit.indexOf("aria-label=\"Cost of musts\""));
    assertTrue(text(row).contains(String.format("%,.2f", figures.getFirst())), why);
    String all = text(page("/why?figure=needcostall&capability=two-way-calendar-link"));
    assertTrue(all.contains("the cheapest with it"), all);
    assertTrue(says.contains("costs the selection nothing"), says);
  }

  @Test
  public void lightUsersAreAskedForOnlyWhereLightSeatsAreSold() throws Exception {
    assertFalse(page("/cost").contains("name=\"light\""));
    assertTrue(page("/cost?light=140").contains("Light users are 0 to 100 % of all; found 140."));
  }
}
