package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Demo;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;

public class ToolFormTest {
  private static List<ToolSheet> sheets() {
    return Demo.file().contenders().stream().map(SelectionFile.ContenderPart::tool).toList();
  }

  private static ToolSheet slotmeer() {
    return sheets().getFirst();
  }

  private static ToolConverter.Converted typed(ToolForm form, ToolSheet before) {
    ToolForms.withRoom(form, List.of("Something else"), List.of("calendars"), "2026-11-24");
    return new ToolConverter(form, before.id()).convert();
  }

  @Test
  public void aSheetShownAndSavedUntouchedIsTheSame() {
    for (ToolSheet sheet : sheets()) {
      ToolConverter.Converted converted = typed(ToolForms.of(sheet, 0), sheet);
      assertEquals(converted.faults(), Map.of());
      assertEquals(converted.sheet().orElseThrow(), sheet);
    }
  }

  @Test
  public void aChangedAnswerTakesTheDateOfItsLineAndOthersKeepTheirs() {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    form.facts.get(4).answers.set(1, "yes");
    form.facts.get(4).source.asOf = "2026-11-24";
    ToolSheet saved = typed(form, slotmeer()).sheet().orElseThrow();
    ToolSheet.FactPart changed = saved.plans().get(1).facts().get(4);
    assertEquals(changed.answer(), "yes");
    assertEquals(changed.source().asOf(), "2026-11-24");
    assertEquals(saved.plans().get(1).facts().get(3), slotmeer().plans().get(1).facts().get(3));
  }

  private static void banded(ToolForm form, String bands) {
    form.lines.get(0).kind = "banded-whole";
    form.lines.get(0).cells.forEach(cell -> cell.prices.clear());
    form.lines.get(0).cells.get(1).prices.put("m1", bands);
  }

  private static void fee(ToolForm form, String fee) {
    form.lines.get(0).kind = "payment-fee";
    form.lines.get(0).measure = "card-payments";
    form.lines.get(0).cells.forEach(cell -> cell.prices.clear());
    form.lines.get(0).cells.get(1).prices.put("m1", fee);
  }

  private static void offer(ToolForm form, Consumer<ToolForm.OfferLine> change) {
    ToolForm.OfferLine offer = new ToolForm.OfferLine();
    offer.name = "Welcome";
    offer.value = "15";
    offer.source.asOf = "2026-11-20";
    change.accept(offer);
    form.offers.add(offer);
  }

  private static Consumer<ToolForm> change(Consumer<ToolForm> change) {
    return change;
  }

  @DataProvider
  public Object[][] mistakes() {
    String month = "lines[0].cells[1].prices[m1]";
    return new Object[][] {
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "eight")),
        month,
        "\"eight\" is not a number. Write it like 7.30, 1,200 or 4/12."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "£8,60")),
        month,
        "\"£8,60\" is in £, and the prices of this plan are in EUR. Change one of them."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "-8.60")),
        month,
        "A price cannot be below 0; found -8.60. Enter 0 or more."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "99999999999999999999")),
        month,
        "A price cannot be above 1,000,000,000; found 99999999999999999999. Check the decimal"
            + " point."
      },
      {
        change(f -> f.plans.get(1).currency = "EURO"),
        "plans[1].currency",
        "\"EURO\" is not a currency. Write its three-letter code, like EUR."
      },
      {change(f -> f.plans.get(1).most = "0"), "plans[1].name", null},
      {
        change(f -> f.plans.get(1).source.asOf = "yesterday"),
        "plans[1].source.asOf",
        "\"yesterday\" is not a day. Write it like 24 Nov 2026 or 2026-11-24."
      },
      {change(f -> f.name = " "), "name", "The tool has no name. Type it as its page has it."},
      {
        change(f -> f.plans.get(1).name = ""),
        "plans[1].name",
        "This plan has prices but no name. Name it."
      },
      {
        change(f -> f.plans.get(1).source.link = "javascript:alert(1)"),
        "plans[1].name",
        "A link starts with http:// or https://; found \"javascript:alert(1)\"."
      },
      {
        change(f -> {
          f.lines.get(0).kind = "banded-whole";
          f.lines.get(0).cells.get(1).prices.put("m1", "up to ten: 4");
        }),
        month,
        null
      },
      {
        change(f -> banded(f, "25 8.40\n20 6.90\nmore 5.10")),
        month,
        "Band 2 ends at 20 units but band 1 ends at 25. Reorder the bands."
      },
      {
        change(f -> banded(f, "25 8.40; 25 6.90")),
        month,
        "Band 2 ends at 25 units but band 1 ends at 25. Reorder the bands."
      },
      {
        change(f -> banded(f, "more 8.40; 25 6.90")),
        month,
        "Band 1 has no end but band 2 follows. Give it an end or make it the last."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).pack = "0"),
        month,
        "A pack lies between 1 and 100,000; found 0."
      },
      {
        change(f -> {
          f.plans.get(1).least = "50";
          f.plans.get(1).most = "20";
        }),
        "plans[1].name",
        "The most seats of a plan is at least 1 and not below the least (50); found 20. Leave it"
            + " empty if there is no cap."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "8.60123")),
        month,
        "A price has at most 4 decimals; found 8.60123. Round it."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "8 to 14")),
        month,
        "\"8 to 14\" is a range. Mark the plan's prices \"assumed\" to enter one, or write one"
            + " price."
      },
      {
        change(f -> fee(f, "0.0265 % + 0.18")),
        month,
        "0.0265 % of a payment would be next to nothing. Write 2.65 for 2.65 %."
      },
      {
        change(f -> fee(f, "two percent")),
        month,
        "\"two percent\" is no fee of a payment. Write the share, the fixed amount, or both: \"2.65 %"
            + " + 0.18\"."
      },
      {
        change(f -> offer(f, o -> o.value = "0.15")),
        "offers[0].value",
        "\"0.15\" would be less than one percent off. Write 15 for 15 %."
      },
      {
        change(f -> offer(f, o -> o.value = "115")),
        "offers[0].name",
        "A discount lies above 0 and at most at 100 %; found 115 %."
      },
      {
        change(f -> offer(f, o -> o.months = "240")),
        "offers[0].name",
        "An offer holds for 1 to 120 months; found 240. Leave it empty if it has no end."
      },
      {
        change(f ->
            offer(
                f,
                o -> {
                  o.from = "2027-03-01";
                  o.until = "2027-01-01";
                })),
        "offers[0].name",
        "The offer ends on 2027-01-01, before it begins on 2027-03-01. Swap the dates."
      },
      {
        change(f -> {
          f.plans.get(1).name = "Solo";
        }),
        "plans[1].name",
        "Another plan is called \"Solo\" too. Rename one of them."
      },
      {change(f -> f.plans.get(1).basis = "quote"), null, null},
      {
        change(f -> {
          f.plans.get(1).basis = "on-request";
        }),
        "plans[1].name",
        "The price is on request but prices are entered. Say whether they are a quote or assumed,"
            + " or clear them."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).included = "a lot"),
        "lines[0].cells[1].included",
        "\"a lot\" is not a whole number of up to nine digits. Write it like 25 or 1,200."
      },
      {
        change(f -> {
          f.owned.units = "5";
          f.owned.plan = "Nowhere";
          f.owned.until = "2027-01-01";
          f.owned.source.asOf = "2026-11-20";
        }),
        "name",
        "Slotmeer has no plan \"Nowhere\"; it has [solo, crew, fleet]."
      },
    };
  }

  @Test(dataProvider = "mistakes")
  public void aMistakeIsAnsweredAtItsField(
      Consumer<ToolForm> mistake, String field, String message) {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    mistake.accept(form);
    ToolConverter.Converted converted = typed(form, slotmeer());
    if (field == null) {
      assertEquals(converted.faults(), Map.of());
      return;
    }
    assertTrue(converted.sheet().isEmpty());
    assertTrue(converted.faults().containsKey(field), converted.faults().toString());
    if (message != null) {
      assertEquals(converted.faults().get(field), message);
    }
  }

  @Test
  public void whatIsTypedStaysInSightAndRoomIsMadeOnce() {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    List<String> others = List.of("Said by others", "Said by others too");
    ToolForms.withRoom(form, others, List.of(), "2026-11-24");
    form.facts.getLast().capability = "Typed without an answer";
    int lines = form.lines.size();
    ToolForms.withRoom(form, others, List.of(), "2026-11-24");
    ToolForms.withRoom(form, others, List.of(), "2026-11-24");
    assertEquals(form.lines.size(), lines);
    SheetShape shape = SheetShape.of(form, List.of("Said by others"), others, Set.of());
    List<String> inSight =
        shape.facts().stream()
            .filter(f -> !shape.aside().contains(f))
            .map(f -> form.facts.get(f).capability)
            .toList();
    assertEquals(inSight.getFirst(), "Said by others", "what is needed comes first");
    assertEquals(
        inSight.subList(inSight.size() - 2, inSight.size()),
        List.of("Typed without an answer", ""));
    assertEquals(
        shape.aside().stream().map(f -> form.facts.get(f).capability).toList(),
        List.of("Said by others too"));
    assertEquals(shape.needed(), 1);
  }

  @Test
  public void bandsAreReadTheWayTheyAreShown() {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    form.lines.get(0).kind = "banded-sliced";
    form.lines.get(0).cells.forEach(cell -> cell.prices.clear());
    form.lines.get(0).cells.get(1).prices.put("u12", "25 8.40\n60 6.90 12\nmore 5.10");
    ToolSheet sheet = typed(form, slotmeer()).sheet().orElseThrow();
    ToolSheet.BandedPart bands =
        (ToolSheet.BandedPart) sheet.plans().get(1).prices().getFirst().charges().getFirst();
    assertEquals(
        bands.bands(),
        List.of(
            new ToolSheet.BandPart(25, "8.40", "0"),
            new ToolSheet.BandPart(60, "6.90", "12"),
            new ToolSheet.BandPart(null, "5.10", "0")));
    assertEquals(
        ChargeTexts.price(bands, bands),
        "to 25: 8.40 each\nto 60: 6.90 each plus 12\nabove: 5.10 each");
  }

  @DataProvider
  public Object[][] amountsInUnits() {
    return new Object[][] {
      {"500 mb", "gigabytes-kept", "0.5"},
      {"1 tb", "gigabytes-kept", "1000"},
      {"10 gb a seat", "gigabytes-kept", "10 a seat"},
      {"5 gb + 500mb a seat", "gigabytes-kept", "5 + 0.5 a seat"},
      {"2 hours", "recording-minutes", "120"},
      {"90 minutes", "recording-minutes", "90"},
      {"90 min", "recorded-hours", "1.5000"},
      {"90 minutes", "boards", "90 minutes"},
      {"15 + 1.5 a seat", "boards", "15 + 1.5 a seat"},
    };
  }

  @Test(dataProvider = "amountsInUnits")
  public void amountsAreReadInTheUnitsInWhichPagesWriteThem(
      String typed, String measure, String plain) {
    assertEquals(InUnits.of(typed, measure), plain);
  }

  @Test
  public void aPriceThatOnlyBeginsSomewhereMakesThePlanOneOfLowerBounds() {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    form.lines.get(0).cells.get(1).prices.put("u12", "From 15,000");
    ToolConverter.Converted converted = typed(form, slotmeer());
    ToolSheet sheet = converted.sheet().orElseThrow();
    assertEquals(sheet.plans().get(1).basis(), ToolSheet.Basis.FROM);
    assertEquals(sheet.plans().get(0).basis(), null, "the others are as they were");
    assertTrue(sheet.plans().get(1).prices().toString().contains("15000"), sheet.toString());
    assertEquals(
        converted.readings().get("lines[0].cells[1].prices[u12]"),
        "at least 15,000.00 a month, 180,000.00 a year");
    ToolConverter.Converted again = typed(ToolForms.of(sheet, 0), sheet);
    assertEquals(again.sheet().orElseThrow(), sheet, "shown and saved untouched");

    form.plans.get(1).basis = "quote";
    assertEquals(
        typed(form, slotmeer()).faults().get("lines[0].cells[1].prices[u12]"),
        "\"From 15,000\" is the least it costs. Mark the plan's prices \"from\", or write what it"
            + " costs.");
  }
}
