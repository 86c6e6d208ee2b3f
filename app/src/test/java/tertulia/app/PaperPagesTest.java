package tertulia.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.testng.Assert.assertEquals;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.handover.EvaluateCommand;
import tertulia.app.people.UserAccounts;

/**
 * Made-up price pages as they stand on paper: typed into the form, stored, read back, written to a
 * file and evaluated by the command; the prices are worked out by hand.
 */
public class PaperPagesTest extends ServedTest {
  @Autowired private MockMvc mvc;
  @Autowired private UserAccounts people;
  @Autowired private Catalogue catalogue;

  /** What is needed: units by month of one measure, fixed units of others. */
  private record Use(String measure, List<Integer> byMonth, Map<String, String> fixed) {
    static Use of(String measure, Integer... byMonth) {
      return new Use(measure, List.of(byMonth), Map.of());
    }

    Use with(String measure, String units) {
      return new Use(this.measure, byMonth, Map.of(measure, units));
    }
  }

  private static Map<String, String> fields(String... pairs) {
    Map<String, String> fields = new LinkedHashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      fields.put(pairs[i], pairs[i + 1]);
    }
    return fields;
  }

  private static Map<String, String> line(String kind, String measure, String term, String price) {
    return fields(
        "lines[0].name",
        "Line",
        "lines[0].kind",
        kind,
        "lines[0].measure",
        measure,
        "lines[0].cells[0].prices[" + term + "]",
        price);
  }

  private static Map<String, String> and(Map<String, String> fields, String... more) {
    Map<String, String> all = new LinkedHashMap<>(fields);
    all.putAll(fields(more));
    return all;
  }

  @DataProvider
  public Object[][] pages() {
    Map<String, String> packs = line("per-unit", "seats", "m1", "1.00");
    String c4 = "25 8.40\n60 6.90\nmore 5.10";
    Map<String, String> yearly = line("per-unit", "seats", "u12", "7.30");
    Map<String, String> opening =
        and(
            yearly,
            "offers[0].name",
            "Opening",
            "offers[0].benefit",
            "percent",
            "offers[0].value",
            "40",
            "offers[0].months",
            "3",
            "offers[0].source.asOf",
            "2026-11-20");
    return new Object[][] {
      {
        "C2 packs",
        and(packs, "lines[0].cells[0].minimum", "3", "lines[0].cells[0].pack", "5"),
        Use.of("seats", 1, 3, 6, 11),
        List.of("5.00", "5.00", "10.00", "15.00")
      },
      {
        "C2 included",
        and(packs, "lines[0].cells[0].included", "10"),
        Use.of("seats", 4, 10, 13),
        List.of("0.00", "0.00", "3.00")
      },
      {
        "C3 whole bands",
        line("banded-whole", "hosts", "m1", "15 0 34; 35 0 61; more 1.65"),
        Use.of("hosts", 15, 16, 35, 36),
        List.of("34.00", "61.00", "61.00", "59.40")
      },
      {
        "C4 sliced",
        line("banded-sliced", "seats", "m1", c4),
        Use.of("seats", 25, 26, 60, 90),
        List.of("210.00", "216.90", "451.50", "604.50")
      },
      {
        "C4 whole",
        line("banded-whole", "seats", "m1", c4),
        Use.of("seats", 25, 26, 60, 90),
        List.of("210.00", "179.40", "414.00", "459.00")
      },
      {
        "C5 usage",
        and(
            line("usage", "recorded-hours", "all", "7.00"),
            "lines[0].cells[0].included",
            "15 + 1.5 a seat",
            "lines[0].cells[0].pack",
            "10"),
        Use.of("recorded-hours", 60, 71, 131).with("seats", "30"),
        List.of("0.00", "14.00", "56.00")
      },
      {
        "C6 payments",
        line("payment-fee", "card-payments", "all", "2.65 % + 0.18"),
        Use.of("card-payments", 310),
        List.of("741.75")
      },
      {
        "C12 without growth", opening, Use.of("seats", twelve(37, 0)), List.of("2917.08"),
      },
      {"C12 with growth", opening, Use.of("seats", twelve(37, 2)), List.of("3863.16")},
      {"C8 without the offer", yearly, Use.of("seats", twelve(37, 2)), List.of("4204.80")},
      {
        // 121 holds 21 % tax
        "With tax",
        and(line("flat", "seats", "m1", "121"), "plans[0].tax", "21"),
        Use.of("seats", 1, 2),
        List.of("100.00", "100.00")
      },
      {
        // 12 · 50 stay 600 below 1200: 50 more a month, spread
        "Yearly minimum",
        and(
            line("flat", "seats", "m1", "50"),
            "lines[1].name",
            "Least",
            "lines[1].kind",
            "yearly-minimum",
            "lines[1].cells[0].prices[all]",
            "1200"),
        Use.of("seats", twelve(1, 0)),
        List.of("1200.00")
      },
      {
        // 240 + 2 · 18 + 2, then one more person: 18 + 3
        "Once for the account and once for each",
        and(
            line("per-unit", "seats", "m1", "1"),
            "lines[1].name",
            "Setting up",
            "lines[1].kind",
            "one-off",
            "lines[1].cells[0].prices[all]",
            "240",
            "lines[2].name",
            "Learning",
            "lines[2].kind",
            "one-off-each",
            "lines[2].measure",
            "seats",
            "lines[2].cells[0].prices[all]",
            "18"),
        Use.of("seats", 2, 3),
        List.of("278.00", "21.00")
      },
      {
        // 45 needed, 40 owned through the first two months
        "Owned",
        and(
            line("per-unit", "seats", "m1", "1"),
            "owned.plan",
            "Page",
            "owned.measure",
            "seats",
            "owned.units",
            "40",
            "owned.until",
            "2027-02-28",
            "owned.source.asOf",
            "2026-11-20"),
        Use.of("seats", 45, 45, 45),
        List.of("5.00", "5.00", "45.00")
      },
      {
        // a quarter off six months saves 15, two free months save 20
        "Two offers of a group",
        and(
            line("flat", "seats", "m1", "10"),
            "offers[0].name",
            "Quarter",
            "offers[0].benefit",
            "percent",
            "offers[0].value",
            "25",
            "offers[0].months",
            "6",
            "offers[0].group",
            "welcome",
            "offers[0].source.asOf",
            "2026-11-20",
            "offers[1].name",
            "Free",
            "offers[1].benefit",
            "free",
            "offers[1].months",
            "2",
            "offers[1].group",
            "welcome",
            "offers[1].source.asOf",
            "2026-11-20"),
        Use.of("seats", twelve(1, 0)),
        List.of("100.00")
      },
      {
        // 10 less a tenth for 60 months, of which the plan sees two
        "An offer longer than the plan",
        and(
            line("flat", "seats", "m1", "10"),
            "offers[0].name",
            "Long",
            "offers[0].benefit",
            "percent",
            "offers[0].value",
            "10",
            "offers[0].months",
            "60",
            "offers[0].source.asOf",
            "2026-11-20"),
        Use.of("seats", 1, 1),
        List.of("9.00", "9.00")
      },
      {
        // yen have no minor unit: 3 · 350.4 = 1051.2, rounded once
        "Yen",
        and(line("per-unit", "seats", "m1", "350.4"), "plans[0].currency", "JPY"),
        Use.of("seats", 3),
        List.of("1051")
      },
      {
        // nobody has a price; the high end of 8 to 14 is counted
        "Assumed",
        and(line("per-unit", "seats", "m1", "8 to 14"), "plans[0].basis", "assumed"),
        Use.of("seats", 2),
        List.of("28.00")
      },
      {
        "Quoted",
        and(line("per-unit", "seats", "m1", "9"), "plans[0].basis", "quote"),
        Use.of("seats", 2),
        List.of("18.00")
      },
      {"Free", fields("plans[0].basis", "free"), Use.of("seats", 2), List.of("0.00")},
      {
        // 36 months committed at 98 for packs of 5: 7 lines are 10
        "Three years, phone lines",
        and(line("per-unit", "phone-lines", "m36", "98"), "lines[0].cells[0].pack", "5"),
        Use.of("phone-lines", 7, 7),
        List.of("980.00", "980.00")
      },
    };
  }

  private static Integer[] twelve(int first, int step) {
    Integer[] months = new Integer[12];
    for (int m = 0; m < 12; m++) {
      months[m] = first + step * m;
    }
    return months;
  }

  @Test(dataProvider = "pages")
  public void aPageOnPaperGivesThePriceWorkedOutByHand(
      String name, Map<String, String> typed, Use use, List<String> expected) throws Exception {
    ToolSheet sheet = stored(name, typed);
    Results results = evaluated(sheet, use);
    Results.ContenderResult result = results.contenders().getFirst();
    if (expected.size() == 1 && use.byMonth().size() > 1) {
      assertEquals(result.horizon().amount(), expected.getFirst(), result.toString());
    } else {
      assertEquals(result.months(), expected, result.toString());
    }
  }

  /** Typed, saved (twice if something is asked), and read back from the store. */
  private ToolSheet stored(String name, Map<String, String> typed) throws Exception {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("name", name);
    fields.put("plans[0].name", "Page");
    fields.put("plans[0].currency", "EUR");
    fields.put("plans[0].source.asOf", "2026-11-20");
    fields.put("asked", "true");
    fields.putAll(typed);
    MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post("/catalogue/new");
    fields.forEach(request::param);
    MockHttpServletResponse answer =
        mvc.perform(request.with(csrf()).with(user(people.loadUserByUsername("ilse"))))
            .andReturn()
            .getResponse();
    assertEquals(answer.getStatus(), 302, answer.getContentAsString());
    String address = String.valueOf(answer.getRedirectedUrl());
    return catalogue.get(address.substring(address.lastIndexOf('/') + 1)).sheet();
  }

  private static Results evaluated(ToolSheet sheet, Use use) throws IOException {
    List<Brief.DemandPart> demand = new java.util.ArrayList<>();
    demand.add(new Brief.DemandPart(use.measure(), "0", Map.of("g", "1")));
    use.fixed().forEach((m, units) -> demand.add(new Brief.DemandPart(m, units, Map.of())));
    Brief brief =
        new Brief(
            "On paper",
            "",
            "2026-11-24",
            "2027-01",
            use.byMonth().size(),
            sheet.plans().getFirst().currency(),
            "0",
            List.of(
                new Brief.GroupPart(
                    "g", "Everybody", "listed", null, null, null, use.byMonth(), List.of())),
            demand,
            "83.50",
            List.of(),
            List.of(),
            List.of());
    String file =
        PortableFile.write(
            new SelectionFile(
                SelectionFile.FORMAT,
                SelectionFile.VERSION,
                brief,
                List.of(new SelectionFile.ContenderPart(sheet, null)),
                List.of(),
                null));
    Path path = Files.createTempFile("paper", ".json");
    Files.writeString(path, file);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    int status =
        EvaluateCommand.run(
            new String[] {"evaluate", path.toString()}, new PrintStream(out), new PrintStream(err));
    assertEquals(status, 0, err.toString(StandardCharsets.UTF_8));
    return Json.stored(out.toString(StandardCharsets.UTF_8), Results.class);
  }
}
