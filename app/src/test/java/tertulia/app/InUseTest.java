package tertulia.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.app.handover.Intake;
import tertulia.app.inuse.ToolsInUse;
import tertulia.app.people.Role;
import tertulia.app.people.UserAccounts;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.WhatIf;

/** What is in use is written down once, and every question counts it. */
@Import(MovableClock.InPlace.class)
@FreshStore
@TestPropertySource(
    properties = {
      "spring.datasource.url=jdbc:h2:mem:inuse;DB_CLOSE_DELAY=-1",
      "tertulia.demo=false"
    })
public class InUseTest extends ServedTest {
  @Autowired private ToolsInUse used;
  @Autowired private Selections selections;
  @Autowired private Intake intake;
  @Autowired private MovableClock clock;
  @Autowired private UserAccounts people;

  private void organiser() {
    if (people.isEmpty()) {
      people.addKnown(
          new UserAccounts.NewAccount("ilse", "Ilse Maren", "brackwater", Role.ORGANISER),
          new Faults());
      people.addKnown(
          new UserAccounts.NewAccount("pia", "Pia Sandvoll", "brackwater", Role.READER),
          new Faults());
    }
    clock.moveTo("2026-11-24");
  }

  private MockHttpServletResponse write(String... pairs) throws Exception {
    String[] all = new String[pairs.length + 2];
    all[0] = "version";
    all[1] = "" + used.find().version();
    System.arraycopy(pairs, 0, all, 2, pairs.length);
    return sendForm("ilse", "/in-use", all);
  }

  private Document page(String path) throws Exception {
    return Jsoup.parse(
        ask("ilse", MockMvcRequestBuilders.get(path)).getContentAsString(StandardCharsets.UTF_8));
  }

  private static Optional<Money> eur(String amount) {
    return Optional.of(Money.parse("EUR " + amount));
  }

  private CostsOverall costs(long id) {
    return Evaluation.of(selections.load(id).selection(), WhatIf.START).costs().overall();
  }

  /** A bureau of 28 that grows to 60, a suite paid for 30 until June, a chat tool at 4.00. */
  @Test
  public void theBureauReadsWhatItComesToInAll() throws Exception {
    organiser();
    assertEquals(
        write(
                "tool",
                "Moorhen Office",
                "units",
                "30",
                "price",
                "10.00",
                "term",
                "u12",
                "ends",
                "June 2027",
                "areas",
                "chat, mail")
            .getStatus(),
        302);
    MockHttpServletResponse begun =
        sendForm(
            "ilse",
            "/selections/new",
            "title",
            "Which chat tool?",
            "people",
            "28",
            "growthIn",
            "hires",
            "growth",
            "1.333333",
            "currency",
            "EUR");
    long id = Long.parseLong(begun.getRedirectedUrl().replaceAll("[^0-9]", ""));
    sendForm(
        "ilse",
        "/in-use",
        "version",
        "" + used.find().version(),
        "tool",
        "Sandpiper Talk",
        "units",
        "1",
        "price",
        "4.00",
        "term",
        "m1",
        "areas",
        "chat");
    sendForm(
        "ilse", "/in-use/remove", "version", "" + used.find().version(), "tool", "sandpiper-talk");
    LoadedSelection table = selections.load(id);
    SelectionFile file = table.file();
    selections.changeBrief(id, table.version(), file.brief().withMonths(24).withStart("2026-12"));
    sendForm("ilse", "/selections/" + id + "/contenders", "slug", "sandpiper-talk");
    sendForm(
        "ilse", "/selections/" + id + "/in-use/as-today", "tool", "moorhen-office", "kept", "true");
    CostsOverall costs = costs(id);
    assertEquals(costs.total("moorhen-office"), eur("8330.00"), "as today");
    assertEquals(costs.own("sandpiper-talk"), eur("4160.00"));
    assertEquals(costs.total("sandpiper-talk"), eur("12490.00"), "beside it");
    String page = page("/selections/" + id + "/cost").text();
    assertTrue(page.contains("8,330.00"), page);
    assertTrue(page.contains("12,490.00"), page);
    assertTrue(page.contains("kept as it is used today"), page);
    // instead of it: what is paid for is lost, and nobody serves mail
    sendForm(
        "ilse",
        "/selections/" + id + "/in-use",
        "contender",
        "sandpiper-talk",
        "tool",
        "moorhen-office",
        "says",
        "goes");
    assertEquals(costs(id).total("sandpiper-talk"), eur("4160.00"));
    String alone = page("/selections/" + id + "/cost").text();
    assertTrue(
        alone.contains("If Moorhen Office goes for Sandpiper Talk, nobody serves mail any more."),
        alone);
    // the first two months are as today, which is paid: 28 and 29 × 4.00 less
    String later = page("/selections/" + id + "/cost?begin=3 Feb 2027").text();
    assertTrue(
        later.contains(
            "Sandpiper Talk begun on 3 Feb 2027 comes to 3,932.00 EUR in all, 228.00 EUR less than"
                + " begun at once."),
        later);
    Document outside = page("/selections/" + id + "/cost?begin=2031-01-01");
    assertTrue(
        outside.text().contains("The plan runs from 2026-12 to 2028-11; 2031-01-01 is not in it."),
        outside.text());
    assertEquals(outside.selectXpath("//input[@name='begin']").attr("value"), "2031-01-01");
    String history = page("/selections/" + id + "/changes").text();
    assertTrue(history.contains("Moorhen Office goes if Sandpiper Talk is taken"), history);
    // out into a file and in again: the same figures, whatever is in use where it is read
    byte[] sent =
        ask("ilse", MockMvcRequestBuilders.get("/selections/" + id + "/file"))
            .getContentAsByteArray();
    if (!(PortableFile.read(sent) instanceof PortableFile.Read.Accepted read)) {
      throw new AssertionError(new String(sent, StandardCharsets.UTF_8));
    }
    long copy = intake.take(read.file(), "Ilse Maren");
    assertEquals(costs(copy).total("moorhen-office"), eur("8330.00"));
    assertEquals(costs(copy).total("sandpiper-talk"), eur("4160.00"));
    // left out of the question it costs nothing there
    sendForm(
        "ilse",
        "/selections/" + id + "/in-use",
        "contender",
        "sandpiper-talk",
        "tool",
        "moorhen-office",
        "says",
        "");
    sendForm(
        "ilse",
        "/selections/" + id + "/in-use/as-today",
        "tool",
        "moorhen-office",
        "kept",
        "false");
    sendForm(
        "ilse", "/selections/" + id + "/in-use/left-out", "tool", "moorhen-office", "out", "true");
    assertEquals(costs(id).total("sandpiper-talk"), eur("4160.00"));
    assertTrue(page("/selections/" + id + "/cost").text().contains("count it"));
    sendForm(
        "ilse", "/selections/" + id + "/in-use/left-out", "tool", "moorhen-office", "out", "false");
    assertEquals(costs(id).total("sandpiper-talk"), eur("12490.00"));
  }

  /** A question from before, or from a file, counts nothing until somebody says so. */
  @Test(dependsOnMethods = "theBureauReadsWhatItComesToInAll")
  public void aQuestionThatDoesNotCountItCanBeginTo() throws Exception {
    sendForm("ilse", "/selections/1/in-use/counted", "counted", "false");
    assertEquals(costs(1).total("sandpiper-talk"), eur("4160.00"));
    String page = page("/selections/1/cost").text();
    assertTrue(page.contains("What is in use is not counted here."), page);
    assertFalse(page.contains("With what is in use"), page);
    sendForm("ilse", "/selections/1/in-use/counted", "counted", "true");
    assertEquals(costs(1).total("sandpiper-talk"), eur("12490.00"));
    assertTrue(page("/selections/1/changes").text().contains("What is in use is not counted"));
  }

  /** A file with a mistake in what is in use is refused in a sentence, as today or not. */
  @Test(dependsOnMethods = "theBureauReadsWhatItComesToInAll")
  public void aMistakeInAFileIsSaid() throws Exception {
    sendForm("ilse", "/selections/1/in-use/as-today", "tool", "moorhen-office", "kept", "true");
    String sent =
        ask("ilse", MockMvcRequestBuilders.get("/selections/1/file"))
            .getContentAsString(StandardCharsets.UTF_8);
    sendForm("ilse", "/selections/1/in-use/as-today", "tool", "moorhen-office", "kept", "false");
    for (String wrong :
        List.of(
            sent.replaceFirst("(\"ends\"\\s*:\\s*)\"2027-06\"", "$1\"2027-13\""),
            sent.replaceFirst("(\"units\"\\s*:\\s*)30", "$1 1000001"),
            sent.replaceFirst("(\"plan\"\\s*:\\s*)\"as-paid\"", "$1\"gone\""))) {
      assertFalse(wrong.equals(sent), sent);
      assertTrue(
          PortableFile.read(wrong.getBytes(StandardCharsets.UTF_8))
              instanceof PortableFile.Read.Refused);
    }
  }

  @Test(dependsOnMethods = {"aMistakeInAFileIsSaid", "aQuestionThatDoesNotCountItCanBeginTo"})
  public void whatIsRefusedIsStillThere() throws Exception {
    MockHttpServletResponse nothing =
        write("tool", "Moorhen Office", "plan", "Harbour", "units", "4o", "term", "u12");
    assertEquals(nothing.getStatus(), 422);
    Document page = Jsoup.parse(nothing.getContentAsString(StandardCharsets.UTF_8));
    assertEquals(page.select("[name=units]").val(), "4o");
    assertTrue(page.text().contains("Moorhen Office has no plan “Harbour”. Enter one of As paid."));
    assertTrue(
        Jsoup.parse(
                write("tool", "Nightjar", "units", "4", "term", "m1")
                    .getContentAsString(StandardCharsets.UTF_8))
            .text()
            .contains("so its price is not known"));
    assertTrue(
        Jsoup.parse(
                write(
                        "tool",
                        "Moorhen Office",
                        "units",
                        "4",
                        "term",
                        "u12",
                        "ends",
                        "2027-06",
                        "notice",
                        "1 Aug 2027")
                    .getContentAsString(StandardCharsets.UTF_8))
            .text()
            .contains("Notice must be given by a day before the term ends"));
    assertTrue(
        Jsoup.parse(
                write("tool", "Moorhen Office", "units", "4", "term", "u12", "users", "crew")
                    .getContentAsString(StandardCharsets.UTF_8))
            .text()
            .contains("There is no group “crew” under Growth."));
    String many = "2000000";
    assertTrue(
        Jsoup.parse(
                write("tool", "Moorhen Office", "units", many, "term", "u12")
                    .getContentAsString(StandardCharsets.UTF_8))
            .text()
            .contains("The units in use lie between 0 and 1,000,000"));
    assertEquals(read("tool,seats,term\nMoorhen Office," + many + ",u12\n").getStatus(), 422);
    String areas =
        java.util.stream.IntStream.range(0, 50).mapToObj(n -> "a" + n).toList().toString();
    assertTrue(
        Jsoup.parse(
                write("tool", "Moorhen Office", "units", "3", "term", "u12", "areas", areas)
                    .getContentAsString(StandardCharsets.UTF_8))
            .text()
            .contains("at most 40 are kept"));
    assertEquals(used.find().of("moorhen-office").orElseThrow().units(), 30, "as it was");
    assertEquals(
        sendForm("pia", "/in-use", "version", "0", "tool", "x").getStatus(), 403, "a reader");
    assertEquals(
        sendForm("pia", "/selections/1/in-use", "contender", "x", "tool", "y", "says", "goes")
            .getStatus(),
        403);
  }

  private MockHttpServletResponse read(String table) throws Exception {
    return ask(
        "ilse",
        MockMvcRequestBuilders.multipart("/in-use/import")
            .file(
                new MockMultipartFile(
                    "file", "use.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8)))
            .param("version", "" + used.find().version()));
  }

  @Test(dependsOnMethods = "whatIsRefusedIsStillThere")
  public void aTableIsReadWholeOrNotAtAll() throws Exception {
    List<String> before = used.find().tools().stream().map(part -> part.tool()).toList();
    MockHttpServletResponse refused =
        read(
            "Software;Seats;Unit price;Billing;Paid until\n"
                + "Dunlin Board;12;6,50;yearly, up front;2027-03\n"
                + "Knot Pages;many;2;monthly;\n");
    assertEquals(refused.getStatus(), 422);
    String says = Jsoup.parse(refused.getContentAsString(StandardCharsets.UTF_8)).text();
    assertTrue(says.contains("Row 3, units"), says);
    assertFalse(says.contains("Row 2,"), says);
    assertEquals(used.find().tools().stream().map(part -> part.tool()).toList(), before);
    assertTrue(page("/catalogue").text().contains("Moorhen Office"));
    assertFalse(page("/catalogue").text().contains("Dunlin Board"), "nor is half of it there");
    assertEquals(
        read("Software;Seats;Unit price;Billing;Paid until\n"
                + "Dunlin Board;12;6,50;yearly, up front;2027-03\n"
                + "Knot Pages;8;2;monthly;\n")
            .getStatus(),
        302);
    assertEquals(used.find().tools().size(), before.size() + 2);
    String written =
        ask("ilse", MockMvcRequestBuilders.get("/in-use/export.csv"))
            .getContentAsString(StandardCharsets.UTF_8);
    assertTrue(written.contains("Dunlin Board,As paid,12,"), written);
    List<?> tools = used.find().tools();
    assertEquals(read(written).getStatus(), 302, written);
    assertEquals(used.find().tools(), tools, "what is written is read again as it was");
    sendForm("ilse", "/in-use/undo", "version", "" + used.find().version());
    assertEquals(
        sendForm("ilse", "/in-use/undo", "version", "0").getStatus(), 409, "somebody else did");
    assertEquals(read("Name,Cost\nx,1\n").getStatus(), 422, "without the columns that are needed");
  }

  /** A page that loses the plan somebody is on: what is due is known, what comes after is not. */
  @Test(dependsOnMethods = "aTableIsReadWholeOrNotAtAll")
  public void aPlanThatIsGoneLeavesWhatIsKnown() throws Exception {
    LoadedSelection table = selections.load(1);
    SelectionFile file = table.file();
    SelectionFile gone =
        file.withContenders(
            file.contenders().stream()
                .map(part ->
                    part.tool().id().equals("moorhen-office")
                        ? part.with(part.tool().withPlans(List.of()))
                        : part)
                .toList());
    Faults faults = new Faults();
    CostsOverall costs =
        Evaluation.of(new SelectionReader(faults).read(gone).orElseThrow(), WhatIf.START)
            .costs()
            .overall();
    assertEquals(costs.total("sandpiper-talk"), Optional.empty());
    assertTrue(
        costs
            .leastTotal("sandpiper-talk")
            .orElseThrow()
            .isGreaterThan(Money.of(CurrencyUnit.EUR, 4160)),
        "its own and what is added until June");
    assertFalse(
        new SelectionReader(faults).readNew(gone).isPresent(),
        "a file that comes in says a plan that is there");
  }

  @Test(dependsOnMethods = "aTableIsReadWholeOrNotAtAll")
  public void ofInvoicesThePeriodThatEndsLastCounts() throws Exception {
    String head = "Vendor;Seats;Net amount;From;To;Currency\n";
    assertEquals(
        read(head
                + "Teal Ledger;10;600,00;2025-04-01;2026-03-31;EUR\n"
                + "Teal Ledger;12;720,00;2026-04-01;2027-03-31;EUR\n"
                + "Teal Ledger;3;90,00;2026-10-01;2027-03-31;EUR\n"
                + "Smew Calls;4;10,00;2026-10-01;2026-10-31;EUR\n"
                + "Smew Calls;6;15,00;2026-11-01;2026-11-30;EUR\n")
            .getStatus(),
        302);
    InUsePart ledger = used.find().of("teal-ledger").orElseThrow();
    // 12 for the year and 3 from October on, at 60 a year each
    assertEquals(ledger.units(), 15);
    assertEquals(ledger.monthsCommitted(), 12);
    assertTrue(ledger.upFront());
    assertEquals(ledger.ends(), "2027-03");
    assertTrue(page("/catalogue/teal-ledger").text().contains("60 EUR a year"));
    InUsePart calls = used.find().of("smew-calls").orElseThrow();
    assertEquals(calls.units(), 6);
    assertEquals(calls.monthsCommitted(), 1);
    assertNull(calls.ends());
    assertTrue(page("/catalogue/smew-calls").text().contains("2.5 EUR a month"));
    long tools = used.find().tools().size();
    for (String[] wrong :
        new String[][] {
          {"Scaup;2;10;2026-01-01;2026-05-31;EUR\n", "Row 2, to", "covers 5 months"},
          {"Scaup;0;10;2026-01-01;2026-01-31;EUR\n", "Row 2, units", "one seat or more"},
          {"Scaup;2;ten;2026-01-01;2026-01-31;EUR\n", "Row 2, amount", "not a number"},
          {"Scaup;2;10;2026-02-01;2026-01-31;EUR\n", "Row 2, to", "ends before it begins"}
        }) {
      MockHttpServletResponse refused = read(head + wrong[0]);
      String says = Jsoup.parse(refused.getContentAsString(StandardCharsets.UTF_8)).text();
      assertEquals(refused.getStatus(), 422);
      assertTrue(says.contains(wrong[1]) && says.contains(wrong[2]), says);
    }
    assertEquals(read("Vendor;Amount;From;To\nScaup;1;2026-01-01;2026-01-31\n").getStatus(), 422);
    assertEquals(used.find().tools().size(), tools);
  }
}
