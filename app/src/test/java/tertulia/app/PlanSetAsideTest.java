package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;

/** One plan of a tool is left out for a reason, and comes back. */
@FreshStore
public class PlanSetAsideTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Selections selections;

  private int post(String who, String path, String plan, String reason) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.post("/selections/1/contenders/halvard-desk/" + path)
                .param("plan", plan)
                .param("reason", reason)
                .with(csrf())
                .with(user(people.loadUserByUsername(who))))
        .andReturn()
        .getResponse()
        .getStatus();
  }

  private MockHttpServletResponse get(String path) throws Exception {
    return mvc.perform(
            MockMvcRequestBuilders.get(path).with(user(people.loadUserByUsername("ilse"))))
        .andReturn()
        .getResponse();
  }

  private Document page(String path) throws Exception {
    return Jsoup.parse(get(path).getContentAsString(StandardCharsets.UTF_8));
  }

  private static String option(Selection selection) {
    return Evaluation.of(selection, WhatIf.START)
        .costs()
        .now()
        .optionNow("halvard-desk")
        .map(o -> o.plan().id())
        .orElse("none");
  }

  @Test
  public void itIsAsIfTheToolHadNoSuchPlanUntilItComesBack() throws Exception {
    assertEquals(option(selections.load(1).selection()), "desk");
    assertEquals(post("odile", "aside", "desk", "No."), 403);
    assertEquals(post("ilse", "aside", "desk", "They end it next year."), 302);
    assertEquals(post("ilse", "aside", "desk", "They end it next year."), 302, "twice is once");
    Selection without = selections.load(1).selection();
    ToolSheet sheet =
        selections.load(1).file().contenders().stream()
            .map(SelectionFile.ContenderPart::tool)
            .filter(tool -> tool.id().equals("halvard-desk"))
            .findFirst()
            .orElseThrow();
    ToolSheet bare =
        sheet.withPlans(sheet.plans().stream().filter(p -> !p.id().equals("desk")).toList());
    Selection asIf = SelectionLoader.replacing(selections.load(1), bare);
    assertFalse(option(without).equals("desk"));
    assertEquals(option(without), option(asIf));
    assertEquals(
        Evaluation.of(without, WhatIf.START).costs().now().orderByCost(),
        Evaluation.of(asIf, WhatIf.START).costs().now().orderByCost());

    Document contenders = page("/selections/1/contenders");
    assertTrue(contenders.text().contains("Halvard Desk, plan Desk 25: They end it next year."));
    assertTrue(contenders.text().contains("Desk 25 (set aside)"), "beside the plans");
    assertTrue(
        page("/selections/1/decision").text().contains("Halvard Desk, plan Desk 25 set aside"),
        "part of the decision");

    PortableFile.Read.Accepted read =
        (PortableFile.Read.Accepted)
            PortableFile.read(get("/selections/1/file").getContentAsByteArray());
    assertEquals(
        read.file().contenders().stream().flatMap(c -> c.asides().stream()).toList(),
        List.of(new SelectionFile.PlanAsidePart("desk", "They end it next year.")));
    assertEquals(option(read.selection()), option(without));

    assertEquals(post("ilse", "back", "desk", ""), 302);
    assertEquals(post("ilse", "back", "desk", ""), 302);
    assertEquals(option(selections.load(1).selection()), "desk");
    assertEquals(
        selections.load(1).file().narrowing().stream()
            .filter(act -> act.contender().equals("Halvard Desk, plan Desk 25"))
            .map(SelectionFile.LogPart::what)
            .toList(),
        List.of("set-aside", "set-aside", "back"),
        "each reason given stays on record; what was not aside does not come back");
  }

  @Test(dependsOnMethods = "itIsAsIfTheToolHadNoSuchPlanUntilItComesBack")
  public void oneIsLeftAndAReasonIsNeeded() throws Exception {
    assertEquals(post("ilse", "aside", "counter", ""), 302);
    assertEquals(selections.load(1).file().contenders().get(1).asides(), List.of(), "no reason");
    assertEquals(post("ilse", "aside", "no-such", "Because."), 404);
    assertEquals(post("ilse", "aside", "counter", "Because."), 302);
    assertEquals(post("ilse", "aside", "desk", "Because."), 302);
    assertEquals(post("ilse", "aside", "yard", "Because."), 302);
    assertEquals(
        selections.load(1).file().contenders().get(1).asides().stream()
            .map(SelectionFile.PlanAsidePart::plan)
            .toList(),
        List.of("counter", "desk"),
        "the last plan stays");
    assertEquals(post("ilse", "back", "counter", ""), 302);
    assertEquals(post("ilse", "back", "desk", ""), 302);
  }
}
