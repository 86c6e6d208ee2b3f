package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.testng.Assert;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.growth.Measure;
import tertulia.core.plausibility.Peers;

/** The small texts of which a price page is made, and what the demonstration shows of them. */
public class CellTextsTest {
  @DataProvider
  public Object[][] allowances() {
    return new Object[][] {
      {"15", new IncludedText("15", "0", "seats"), "15"},
      {"1.5 a seat", new IncludedText("0", "1.5", "seats"), "1.5 a seat"},
      {" 15 +  1.5 a seat ", new IncludedText("15", "1.5", "seats"), "15 + 1.5 a seat"},
      {"1.5 a seat + 15", new IncludedText("15", "1.5", "seats"), "15 + 1.5 a seat"},
      {"2 a light seat", new IncludedText("0", "2", "light-seats"), "2 a light seat"},
      {"3 a phone line", new IncludedText("0", "3", "phone-lines"), "3 a phone line"},
      {"0", IncludedText.NOTHING, ""},
    };
  }

  @Test(dataProvider = "allowances")
  public void anAllowanceIsReadTheWayItIsShown(String typed, IncludedText read, String shown) {
    assertEquals(IncludedText.read(typed, Measure.KNOWN), read);
    assertEquals(read.text(), shown);
  }

  @DataProvider
  public Object[][] noAllowances() {
    return new Object[][] {{"1 + 2 + 3"}, {"2 a elephant"}, {"a seat"}, {"many"}};
  }

  @Test(dataProvider = "noAllowances")
  public void whatIsNoAllowanceIsRefusedWithAnExample(String typed) {
    try {
      IncludedText.read(typed, Measure.KNOWN);
      Assert.fail("was read");
    } catch (IllegalArgumentException e) {
      assertTrue(e.getMessage().contains("Write"), e.getMessage());
    }
  }

  @Test
  public void namesWithCommasStandBetweenSemicolons() {
    for (List<String> names :
        List.of(
            List.of("a", "b"), List.of("Plan 1, wide"), List.of("a, b", "c"), List.<String>of())) {
      assertEquals(NameList.read(NameList.write(names)), names);
    }
    assertEquals(NameList.read(" a ,, b "), List.of("a", "b"));
  }

  private static ToolSheet named(String id) {
    return CsvFilesTest.sheets().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
  }

  @Test
  public void anOfferReadsAsASentence() {
    ToolSheet werfplan = named("werfplan");
    assertEquals(
        werfplan.offers().stream().map(offer -> OfferText.of(offer, werfplan)).toList(),
        List.of(
            "25 % off for the first 6 months; for yearly, up front; new buyers only; until"
                + " 2027-04-30; only one of “welcome”",
            "free for the first 2 months; for monthly; new buyers only; only one of “welcome”"));
    ToolSheet tidewright = named("tidewright");
    assertEquals(
        OfferText.of(tidewright.offers().getFirst(), tidewright),
        "150 GBP off the first invoice; for 2 years, up front");
  }

  @Test
  public void whatDiffersIsNamedAndSourcesAreApart() {
    ToolSheet before = named("dagrond");
    ToolSheet after = new Confirmation("2026-11-24").of(before, "prices:round");
    assertEquals(
        SheetCells.changes(before, after),
        List.of(
            new SheetCells.Change(
                "Round: prices, known from",
                "14 Oct 2026, vendor's claim, Ilse Maren",
                "24 Nov 2026, vendor's claim, Ilse Maren",
                true)));
    assertEquals(SheetCells.changes(before, before), List.of());
    assertEquals(
        SheetCells.changes(before, before.withName("Dagring")),
        List.of(new SheetCells.Change("Name", "Dagrond", "Dagring", false)));
  }

  @Test
  public void aDateToComeIsAskedAboutAtItsField() {
    ToolSheet sheet = new Confirmation("2027-06-01").of(named("dagrond"), "prices:round");
    Doubts doubts = Doubts.of(sheet, Peers.NONE, Stream.of(), LocalDate.of(2026, 11, 24));
    Map<String, List<tertulia.core.plausibility.Doubt>> asked =
        doubts.byField(ToolForms.of(sheet, 0));
    assertEquals(asked.keySet(), java.util.Set.of("plans[1].source.asOf"));
    assertEquals(
        asked.get("plans[1].source.asOf").getFirst().sentence(),
        "Prices of Round are dated 2027-06-01, which is still to come. Is the year right?");
    ToolSheet confirmed =
        sheet.withConfirmed(List.of(asked.get("plans[1].source.asOf").getFirst().key()));
    assertEquals(
        Doubts.of(confirmed, Peers.NONE, Stream.of(), LocalDate.of(2026, 11, 24)).open(),
        List.of());
  }

  @Test
  public void theDemonstrationShowsEveryKindThereIs() {
    List<ToolSheet.PlanPart> plans =
        CsvFilesTest.sheets().stream().flatMap(sheet -> sheet.plans().stream()).toList();
    List<ToolSheet.TermPart> terms =
        plans.stream().flatMap(plan -> plan.prices().stream()).toList();
    List<ToolSheet.ChargePart> charges =
        terms.stream()
            .flatMap(term ->
                Stream.concat(
                    term.charges().stream(),
                    term.addOns().stream().flatMap(addOn -> addOn.charges().stream())))
            .toList();
    assertEquals(
        EnumSet.copyOf(charges.stream().map(ChargeKind::of).toList()),
        EnumSet.complementOf(EnumSet.of(ChargeKind.YEARLY_MINIMUM)));
    assertTrue(terms.stream().anyMatch(term -> term.yearlyMinimum() != null));
    assertTrue(terms.stream().anyMatch(term -> !term.addOns().isEmpty()));
    assertEquals(
        distinct(terms.stream().map(t -> TermCode.of(t.monthsCommitted(), t.upFront()).code())),
        TermCode.ALL.stream().map(TermCode::code).sorted().toList());
    assertEquals(
        distinct(
            CsvFilesTest.sheets().stream()
                .flatMap(s -> s.offers().stream())
                .map(o -> Codes.code(o.benefit()))),
        List.of("amount-off", "fixed", "free", "percent"));
    List<ToolSheet.AllowancePart> limits =
        plans.stream().flatMap(plan -> plan.allowances().stream()).toList();
    assertEquals(
        distinct(limits.stream().map(l -> Codes.code(l.kind()))),
        List.of("account-or-seat", "unknown", "unlimited", "up-to"));
    assertTrue(plans.stream().anyMatch(plan -> !plan.unsaid().isEmpty()), "something not said");
    assertTrue(limits.stream().anyMatch(limit -> !limit.perSeat().equals("0")), "for each seat");
    assertEquals(
        distinct(limits.stream().map(l -> Codes.measure(l.measure()).nature().name())),
        List.of("FLOW", "LARGEST", "LEVEL", "SUM"));
    assertEquals(
        distinct(plans.stream().map(plan -> ToolForms.of(one(plan), 0).plans.getFirst().basis)),
        List.of("assumed", "listed", "on-request", "quote"));
    assertTrue(plans.stream().map(ToolSheet.PlanPart::currency).distinct().count() >= 7);
    assertTrue(plans.stream().anyMatch(plan -> plan.taxPercent() != null));
    assertTrue(CsvFilesTest.sheets().stream().anyMatch(sheet -> sheet.owned() != null));
    assertEquals(
        CsvFilesTest.sheets().stream().filter(sheet -> !sheet.contains().isEmpty()).count(), 2);
  }

  private static ToolSheet one(ToolSheet.PlanPart plan) {
    return named("dagrond").withPlans(List.of(plan));
  }

  private static List<String> distinct(Stream<String> values) {
    return values.distinct().sorted().toList();
  }
}
