package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
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
import org.springframework.context.annotation.Import;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Disinterested;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.handover.Intake;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.SelectionLoader;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;

/** Several tools as one contender, and groups on plans of their own, from the form to the file. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(
    properties = {
      "spring.datasource.url=jdbc:h2:mem:together;DB_CLOSE_DELAY=-1",
      "tertulia.demo=false"
    })
public class BoughtTogetherPagesTest extends ServedTest {
  @Autowired private Selections selections;
  @Autowired private Catalogue catalogue;
  @Autowired private Intake intake;
  @Autowired private MovableClock clock;
  @Autowired private UserAccounts people;

  private void organiser() {
    clock.moveTo("2026-11-24");
    if (people.isEmpty()) {
      people.addKnown(
          new UserAccounts.NewAccount("ilse", "Ilse Maren", "brackwater", Role.ORGANISER),
          new Faults());
    }
  }

  private static ToolSheet.SourcePart source() {
    return new ToolSheet.SourcePart("2026-11-12", "makers-claim", "Ilse Maren", "", "", "");
  }

  private static ToolSheet.PlanPart plan(String name, String price, String... has) {
    return new ToolSheet.PlanPart(
        name.toLowerCase(java.util.Locale.ROOT),
        name,
        "EUR",
        "seats",
        0,
        null,
        null,
        null,
        source(),
        List.of(
            new ToolSheet.TermPart(
                1,
                false,
                List.of(new ToolSheet.PerUnitPart("Seats", "seats", price, 0, 1, 0)),
                List.of(),
                null)),
        List.of(),
        List.of(),
        Stream.of("Threads", "Pages")
            .map(what ->
                new ToolSheet.FactPart(
                    what, "", List.of(has).contains(what) ? "yes" : "no", "", source()))
            .toList(),
        List.of());
  }

  private void tool(String name, List<String> contains, ToolSheet.PlanPart... plans) {
    catalogue.add(
        ToolSheet.set(List.of())
            .with()
            .name(name)
            .areas(List.of("talking"))
            .contains(contains)
            .plans(List.of(plans))
            .build(),
        "Ilse Maren");
  }

  private long question(String title) throws Exception {
    String at =
        sendForm(
                "ilse",
                "/selections/new",
                "title",
                title,
                "people",
                "30",
                "growthIn",
                "hires",
                "growth",
                "0",
                "currency",
                "EUR")
            .getRedirectedUrl();
    long id = Long.parseLong(at.replaceAll("[^0-9]", ""));
    LoadedSelection table = selections.load(id);
    selections.changeBrief(
        id, table.version(), table.file().brief().withMonths(12).withStart("2026-12"));
    return id;
  }

  private Document page(String path) throws Exception {
    return Jsoup.parse(
        ask("ilse", MockMvcRequestBuilders.get(path)).getContentAsString(StandardCharsets.UTF_8));
  }

  private CostsOverall costs(long id) {
    return Evaluation.of(selections.load(id).selection(), WhatIf.START).costs().overall();
  }

  private static Optional<Money> eur(String amount) {
    return Optional.of(Money.parse("EUR " + amount));
  }

  private SelectionFile sent(long id) throws Exception {
    byte[] sent =
        ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/file"))
            .getContentAsByteArray();
    if (!(PortableFile.read(sent) instanceof PortableFile.Read.Accepted read)) {
      throw new AssertionError(new String(sent, StandardCharsets.UTF_8));
    }
    return read.file();
  }

  private void needs(long id, Brief.NeedPart... needs) {
    LoadedSelection table = selections.load(id);
    selections.changeBrief(id, table.version(), table.file().brief().withNeeds(List.of(needs)));
  }

  /** The Need form as it stands on the page, with a must of some groups in its first line. */
  private static String[] filled(Document page, String groups) {
    FormElement form = (FormElement) page.select("form[method=post][action$=/need]").first();
    Map<String, String> fields = new LinkedHashMap<>();
    form.formData().forEach(field -> fields.put(field.key(), field.value()));
    fields.remove("_csrf");
    fields.put("needs[0].capability", "Threads");
    fields.put("needs[0].importance", "must");
    fields.put("needs[0].groups", groups);
    return fields.entrySet().stream()
        .flatMap(field -> Stream.of(field.getKey(), field.getValue()))
        .toArray(String[]::new);
  }

  private static List<ToolSheet.FactPart> facts(ToolSheet page) {
    return page.plans().stream().flatMap(plan -> plan.facts().stream()).toList();
  }

  private static ToolSheet saidByTheSeller(ToolSheet page) {
    ToolSheet.SourcePart seller =
        new ToolSheet.SourcePart("2026-11-12", "makers-claim", "Ilse Maren", "", "", "sells it");
    return page.withPlans(
        page.plans().stream()
            .map(plan ->
                plan.withFacts(plan.facts().stream().map(fact -> fact.withSource(seller)).toList()))
            .toList());
  }

  private static Brief.NeedPart must(String capability) {
    return new Brief.NeedPart(capability, "must", null, false);
  }

  @Test
  public void theSuiteOrItsParts() throws Exception {
    organiser();
    tool("Reedbed", List.of("Waterline", "Inkpot"), plan("Whole", "9.00", "Threads", "Pages"));
    tool("Waterline", List.of(), plan("Lite", "3.00"), plan("Full", "5.00", "Threads"));
    tool("Inkpot", List.of(), plan("Sheet", "2.00", "Pages"));
    long id = question("The suite or its parts?");
    needs(id, must("Threads"), must("Pages"));
    sendForm("ilse", "/selections/" + id + "/contenders", "slug", "reedbed");
    // one tool is no set; what was chosen is still chosen
    sendForm("ilse", "/selections/" + id + "/together", "tools", "waterline", "tools", "");
    assertEquals(selections.load(id).selection().contenders().size(), 1);
    sendForm("ilse", "/selections/" + id + "/together", "tools", "waterline", "tools", "inkpot");
    // again: the same set, once
    sendForm("ilse", "/selections/" + id + "/together", "tools", "waterline", "tools", "inkpot");
    assertEquals(selections.load(id).selection().contenders().size(), 2);
    assertEquals(costs(id).total("waterline-inkpot"), eur("2520.00"), "30 × (5 + 2) × 12");
    assertEquals(costs(id).total("reedbed"), eur("3240.00"));
    String cost = page("/selections/" + id + "/cost").text();
    assertTrue(
        cost.contains("Waterline + Inkpot costs less a month than Reedbed for up to 500 people."),
        cost);
    assertTrue(cost.contains("Waterline Full, monthly + Inkpot Sheet, monthly"), cost);
    String fit = page("/selections/" + id + "/fit").text();
    assertTrue(fit.contains("◇ Inkpot has it"), fit);
    String set = page("/catalogue/waterline-inkpot").text();
    assertTrue(set.contains("Bought together as one contender: Waterline, Inkpot."), set);
    assertFalse(set.contains("cannot be costed"), set);
    String member = page("/catalogue/inkpot").text();
    assertTrue(member.contains("part of Reedbed, Waterline + Inkpot"), member);
    assertEquals(
        page("/catalogue/reedbed").select(".title a[href=/catalogue/inkpot]").text(), "Inkpot");
    // out and in again, into a store that knows none of the tools by these prices
    SelectionFile file = sent(id);
    assertEquals(
        file.otherPages().stream().map(ToolSheet::id).toList(), List.of("waterline", "inkpot"));
    long copy = intake.take(file, "Ilse Maren");
    assertEquals(costs(copy).total("waterline-inkpot"), eur("2520.00"));
    // 0.19 called the pages of other tools by another name
    String written = tertulia.app.exchange.Json.write(file);
    assertTrue(written.contains("\"pages\""), written);
    assertTrue(
        PortableFile.read(
                    written
                        .replaceFirst("\"pages\"(\\s*:\\s*\\[)", "\"inUse\"$1")
                        .getBytes(StandardCharsets.UTF_8))
                instanceof PortableFile.Read.Accepted before
            && before.file().otherPages().equals(file.otherPages()),
        written);
    // what somebody with an interest said of a member is left out where interests are
    SelectionFile interested =
        file.withPages(
            file.otherPages().stream().map(BoughtTogetherPagesTest::saidByTheSeller).toList());
    assertTrue(interested.otherPages().stream().noneMatch(p -> facts(p).isEmpty()));
    assertTrue(
        Disinterested.of(interested).otherPages().stream().allMatch(p -> facts(p).isEmpty()));
    // a member's page changes, and what they cost together with it; as announced, and in force
    Catalogue.Stored inkpot = catalogue.get("inkpot");
    ToolSheet announced = inkpot.sheet().withPlans(List.of(plan("Sheet", "2.50", "Pages")));
    assertEquals(
        Evaluation.of(SelectionLoader.replacing(selections.load(id), announced), WhatIf.START)
            .costs()
            .overall()
            .total("waterline-inkpot"),
        eur("2700.00"));
    catalogue.change(
        "inkpot",
        inkpot.version(),
        announced,
        java.time.LocalDate.parse("2026-11-24"),
        "Ilse Maren");
    assertEquals(costs(id).total("waterline-inkpot"), eur("2700.00"));
  }

  /** A set may name what is not there: its pages open, and a file that lacks it is refused. */
  @Test
  public void aToolThatIsNotThereLeavesTheSetWithoutPlans() throws Exception {
    organiser();
    tool("Sandbar", List.of(), plan("Only", "3.00"));
    catalogue.add(
        ToolSheet.set(List.of(catalogue.get("sandbar").sheet()))
            .with()
            .name("Sandbar and nobody knows what")
            .together(List.of("sandbar", "gone"))
            .build(),
        "Ilse Maren");
    long id = question("What of a set that lacks a tool?");
    sendForm("ilse", "/selections/" + id + "/contenders", "slug", "sandbar-and-nobody-knows-what");
    for (String step : List.of("overview", "contenders", "fit", "cost", "firmness")) {
      assertEquals(
          ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/" + step)).getStatus(),
          200,
          step);
    }
    assertEquals(costs(id).total("sandbar-and-nobody-knows-what"), Optional.empty());
    byte[] file =
        ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/file"))
            .getContentAsByteArray();
    assertTrue(
        PortableFile.read(file) instanceof PortableFile.Read.Refused refused
            && refused.faults().toString().contains("has no price page here. Add it to pages."),
        new String(file, StandardCharsets.UTF_8));
  }

  @Test
  public void whoNeedsTheDearPlan() throws Exception {
    organiser();
    tool("Oxbow", List.of(), plan("Plain", "4.00"), plan("Rich", "10.00", "Threads"));
    long id = question("Who needs the dear plan?");
    LoadedSelection table = selections.load(id);
    Brief.GroupPart all = table.file().brief().groups().getFirst();
    Brief.GroupPart few =
        new Brief.GroupPart(
            "few",
            "Surveyors",
            all.method(),
            all.start(),
            all.perMonth(),
            all.percentPerYear(),
            all.values(),
            List.of(),
            all.since());
    selections.changeBrief(
        id,
        table.version(),
        table.file().brief().withGroups(List.of(all, few)).seating(List.of("few")));
    sendForm("ilse", "/selections/" + id + "/contenders", "slug", "oxbow");
    LoadedSelection with = selections.load(id);
    Document need = page("/selections/" + id + "/need");
    String refused =
        sendForm("ilse", "/selections/" + id + "/need", filled(need, "Surveyor"))
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(Jsoup.parse(refused).text().contains("There is no group"), refused);
    assertEquals(selections.load(id).version(), with.version());
    var answer = sendForm("ilse", "/selections/" + id + "/need", filled(need, "Surveyors"));
    assertEquals(answer.getStatus(), 302, answer.getContentAsString(StandardCharsets.UTF_8));
    assertEquals(selections.load(id).file().brief().needs().getFirst().groups(), List.of("few"));
    assertEquals(costs(id).total("oxbow"), eur("7200.00"), "60 × 10 × 12");
    String open = page("/selections/" + id + "/cost").text();
    assertTrue(
        open.contains(
            "Oxbow comes to 5,040.00 EUR instead of 7,200.00 EUR if its plans may stand side by"
                + " side. Then Surveyors on Rich, everybody else on Plain."),
        open);
    Catalogue.Stored oxbow = catalogue.get("oxbow");
    catalogue.change(
        "oxbow",
        oxbow.version(),
        oxbow
            .sheet()
            .withConditions(
                List.of(
                    new ToolSheet.ConditionPart(
                        ToolSheet.Circumstance.PLANS_SIDE_BY_SIDE, "Plain, Rich", source()))),
        java.time.LocalDate.parse("2026-11-24"),
        "Ilse Maren");
    assertEquals(costs(id).total("oxbow"), eur("5040.00"), "30 × (4 + 10) × 12");
    String said = page("/selections/" + id + "/cost").text();
    assertTrue(
        said.contains(
            "Oxbow: Surveyors on Rich, everybody else on Plain. That comes to 5,040.00 EUR,"
                + " 2,160.00 EUR less than all on one plan."),
        said);
    String fit = page("/selections/" + id + "/fit").text();
    assertTrue(fit.contains("● in Rich, which they are on"), fit);
    assertEquals(costs(intake.take(sent(id), "Ilse Maren")).total("oxbow"), eur("5040.00"));
  }
}
