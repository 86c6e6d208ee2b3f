package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.FormElement;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.handover.Intake;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;

/** What a page requires of others, from the demonstration and the forms to figures and the file. */
@FreshStore
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:required;DB_CLOSE_DELAY=-1")
public class RequiredOfOthersTest extends ServedTest {
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;
  @Autowired private Intake intake;

  private Document page(String path) throws Exception {
    MockHttpServletResponse answer = ask("ilse", MockMvcRequestBuilders.get(path));
    assertEquals(answer.getStatus(), 200, path);
    return Jsoup.parse(answer.getContentAsString(StandardCharsets.UTF_8));
  }

  private static Map<String, String> filled(Document page, String form) {
    Map<String, String> fields = new LinkedHashMap<>();
    ((FormElement) page.select(form).first())
        .formData()
        .forEach(field -> fields.put(field.key(), field.value()));
    fields.remove("_csrf");
    return fields;
  }

  private MockHttpServletResponse send(String path, Map<String, String> fields) throws Exception {
    return sendForm(
        "ilse",
        path,
        fields.entrySet().stream()
            .flatMap(field -> Stream.of(field.getKey(), field.getValue()))
            .toArray(String[]::new));
  }

  private long crews() {
    return selections.titles().stream()
        .filter(listed -> listed.title().startsWith("Where do we write"))
        .findFirst()
        .orElseThrow()
        .id();
  }

  private Costs costs(long id, WhatIf.Basis basis) {
    WhatIf start = WhatIf.START;
    return Evaluation.of(
            selections.load(id).selection(),
            new WhatIf(start.moment(), start.scenario(), start.terms(), start.view(), basis))
        .costs();
  }

  private Optional<Money> total(long id, String tool) {
    return costs(id, WhatIf.Basis.SUBSCRIPTION).overall().total(tool);
  }

  @Test
  public void pagesSayWhatAPlanIsHadOnlyWithAndUntilWhenQuotesHold() throws Exception {
    assertTrue(
        page("/catalogue/hullbook").text().contains("the plan Keel below it, which is paid, too"));
    String quotes = page("/catalogue/pilotage-pages").text();
    assertTrue(quotes.contains("by quote, which holds until 31 Jan 2027"), quotes);
    assertTrue(quotes.contains("by quote, which holds until 18 Dec 2026"), quotes);
    String dates = page("/dates").text();
    assertTrue(
        dates.contains("Last day of the quote for Cutter, by the month of Pilotage Pages"), dates);
    assertTrue(page("/catalogue/boekhaven").text().contains("through the connector “Kadebrug”"));
    String fit = page("/selections/" + crews() + "/fit").text();
    assertTrue(fit.contains("⇄ through a connector in every plan"), fit);
    assertTrue(fit.contains("✎ by hand in every plan"), fit);
  }

  @Test
  public void aMustBuysTheConnectorAndByHandCountsWhereItIsAccepted() throws Exception {
    long id = crews();
    Optional<Money> before = total(id, "boekhaven");
    assertTrue(total(id, "logleaf").isEmpty(), "no rate of exchange");
    Map<String, String> form =
        filled(page("/selections/" + id + "/need"), "form[method=post][action$=/need]");
    String at =
        form.entrySet().stream()
            .filter(field -> field.getValue().equals("Goes with Archipel Office"))
            .findFirst()
            .orElseThrow()
            .getKey()
            .replace(".capability", "");
    form.put(at + ".importance", "must");
    assertEquals(send("/selections/" + id + "/need", form).getStatus(), 302);
    // 18.00 a month for 36 months, and 2 % more in each year
    assertEquals(
        total(id, "boekhaven").orElseThrow().minus(before.orElseThrow()),
        Money.parse("EUR 661.05"));
    String fit = page("/selections/" + id + "/fit").text();
    assertTrue(fit.contains("only by hand, which is not enough"), fit);
    Map<String, String> accepting =
        filled(page("/selections/" + id + "/need"), "form[method=post][action$=/need]");
    accepting.put(at + ".byHand", "true");
    assertEquals(send("/selections/" + id + "/need", accepting).getStatus(), 302);
    assertTrue(page("/selections/" + id + "/need").text().contains("by hand is enough"));
    String accepted = page("/selections/" + id + "/fit").text();
    assertTrue(!accepted.contains("only by hand, which is not enough"), accepted);
  }

  @Test(dependsOnMethods = "aMustBuysTheConnectorAndByHandCountsWhereItIsAccepted")
  public void theFileHoldsAllOfItAndIsReadAgain() throws Exception {
    long id = crews();
    byte[] sent =
        ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/file"))
            .getContentAsByteArray();
    if (!(PortableFile.read(sent) instanceof PortableFile.Read.Accepted read)) {
      throw new AssertionError(new String(sent, StandardCharsets.UTF_8));
    }
    long again = intake.take(read.file(), "Ilse Maren");
    for (SelectionFile.ContenderPart part : read.file().contenders()) {
      assertEquals(total(again, part.tool().id()), total(id, part.tool().id()), part.tool().id());
    }
  }

  @Test(dependsOnMethods = "theFileHoldsAllOfItAndIsReadAgain")
  public void aPriceFormNamesThePlanBelowAndEveryQuestionFollows() throws Exception {
    long id = crews();
    Optional<Money> before = total(id, "chartroom-notes");
    Map<String, String> form =
        filled(
            page("/catalogue/chartroom-notes/edit"),
            "form[method=post]:has([name='plans[0].name'])");
    for (String name : List.of("Folio", "Atlas")) {
      String at =
          form.entrySet().stream()
              .filter(field -> field.getKey().matches("plans\\[\\d+].name"))
              .filter(field -> field.getValue().equals(name))
              .findFirst()
              .orElseThrow()
              .getKey()
              .replace(".name", "");
      form.put(at + ".basePlan", "Isle");
      form.put(at + ".baseTool", "archipel-office");
    }
    form.put("asked", "true");
    assertEquals(send("/catalogue/chartroom-notes/edit", form).getStatus(), 302);
    ToolSheet stored = catalogue.get("chartroom-notes").sheet();
    assertEquals(stored.plans().get(1).baseTool(), "archipel-office");
    LoadedSelection table = selections.load(id);
    assertTrue(
        table.file().otherPages().stream().anyMatch(sheet -> sheet.id().equals("archipel-office")));
    assertTrue(total(id, "chartroom-notes").orElseThrow().isGreaterThan(before.orElseThrow()));
    String cost = page("/selections/" + id + "/cost").text();
    assertTrue(cost.contains("on Archipel Office Isle"), cost);
    String tool = page("/catalogue/chartroom-notes").text();
    assertTrue(tool.contains("the plan Isle of Archipel Office, which is paid, too"), tool);
    Map<String, String> wrong =
        filled(
            page("/catalogue/chartroom-notes/edit"),
            "form[method=post]:has([name='plans[0].name'])");
    wrong.replaceAll((name, value) -> name.endsWith(".baseTool") ? "" : value);
    MockHttpServletResponse refused = send("/catalogue/chartroom-notes/edit", wrong);
    assertEquals(refused.getStatus(), 422);
    assertTrue(
        refused.getContentAsString(StandardCharsets.UTF_8).contains("no other plan of this tool"));
  }
}
