package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.display.Figures;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.scoring.Criterion;

/** What criteria that are being typed would come to. */
public class CriteriaEffectTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;

  private MockHttpServletResponse answer(String who, MockHttpServletRequestBuilder request)
      throws Exception {
    return mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse();
  }

  @Test
  public void theCostThatIsScoredIsTheMeanOfTheMonths() throws Exception {
    assertTrue(
        answer("ilse", MockMvcRequestBuilders.get("/selections/1/weights"))
            .getContentAsString(StandardCharsets.UTF_8)
            .contains("cost a month, in the mean of the months"));
  }

  /** The form as it stands on the page, with other ends for the cost. */
  private MockHttpServletResponse typed(String who, String worst, String best) throws Exception {
    Document page =
        Jsoup.parse(
            answer("ilse", MockMvcRequestBuilders.get("/selections/1/weights"))
                .getContentAsString(StandardCharsets.UTF_8));
    MockHttpServletRequestBuilder request =
        MockMvcRequestBuilders.post("/selections/1/criteria/effect");
    for (Element field : page.select("#section-criteria [name]")) {
      String name = field.attr("name");
      request.param(
          name,
          name.equals("criteria[0].worst")
              ? worst
              : name.equals("criteria[0].best")
                  ? best
                  : field.tagName().equals("select")
                      ? field.select("option[selected]").attr("value")
                      : field.val());
    }
    return answer(who, request);
  }

  private static String text(MockHttpServletResponse answer) throws Exception {
    assertEquals(answer.getStatus(), 200);
    return Jsoup.parse(answer.getContentAsString(StandardCharsets.UTF_8)).text();
  }

  @Test
  public void otherEndsShowWhatEachWouldBeWorthAndNothingIsKept() throws Exception {
    Selection before = selections.load(1).selection();
    String says = text(typed("ilse", "2000", "100"));
    Criterion cost =
        new Criterion(
            "cost", "Cost", new Criterion.Cost(new BigDecimal("2000"), new BigDecimal("100")));
    Evaluation then = Evaluation.of(before.judgedUnder(List.of(cost)), WhatIf.START);
    assertTrue(says.startsWith("Scores under Cost: "), says);
    for (Contender contender : before.active()) {
      String value =
          Figures.score(then.scores().value(contender.id(), cost).orElseThrow().interval());
      assertTrue(says.contains(contender.tool().name() + " " + value), says + " lacks " + value);
    }
    assertEquals(selections.load(1).selection().criteria(), before.criteria());
    String narrow = text(typed("ilse", "420", "400"));
    assertTrue(narrow.contains("lie outside the scale"), narrow);
  }

  @Test
  public void endsThatCannotBeAreSaidBeforeTheyAreSaved() throws Exception {
    String same = text(typed("ilse", "500", "500"));
    assertFalse(same.contains("Scores under"), same);
    assertTrue(same.contains("500"), same);
    assertTrue(
        text(typed("ilse", "much", "500")).contains("“much”")
            || text(typed("ilse", "much", "500")).contains("\"much\""));
    assertEquals(typed("odile", "2000", "100").getStatus(), 403, "only who organises");
    assertEquals(typed("pia", "2000", "100").getStatus(), 403);
  }
}
