package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
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
    ToolForms.withRoom(form, List.of("Something else"), "2026-11-24");
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
        "\"eight\" is not a number. Write it like 7.30, without separators."
      },
      {
        change(f -> f.lines.get(0).cells.get(1).prices.put("m1", "8,60")),
        month,
        "\"8,60\" is not a number. Write it like 7.30, without separators."
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
        "\"yesterday\" is not a day. Write it like 2026-11-24."
      },
      {change(f -> f.name = " "), "name", "This is empty. Fill it in."},
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
    };
  }

  @Test(dataProvider = "mistakes")
  public void aMistakeIsAnsweredAtItsField(
      Consumer<ToolForm> mistake, String field, String message) {
    ToolForm form = ToolForms.of(slotmeer(), 0);
    mistake.accept(form);
    ToolConverter.Converted converted = typed(form, slotmeer());
    assertTrue(converted.sheet().isEmpty());
    assertTrue(converted.faults().containsKey(field), converted.faults().toString());
    if (message != null) {
      assertEquals(converted.faults().get(field), message);
    }
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
    assertEquals(ChargeCells.price(bands, bands), "25 8.40\n60 6.90 12\nmore 5.10");
  }
}
