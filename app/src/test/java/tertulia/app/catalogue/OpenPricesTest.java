package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Unsaid;

/** What a page does not say stays not said: in the sheet, in the document, on the tool's page. */
public class OpenPricesTest {
  private static final List<ToolSheet.UnsaidPart> ALL_OPEN =
      List.of(
          new ToolSheet.UnsaidPart(
              "Account", "m1", List.of(Unsaid.Kind.TERM, Unsaid.Kind.PERIOD, Unsaid.Kind.UNIT)));

  private static ToolForm pasted(String page) {
    ToolForm form = new ToolForm();
    form.pasted.text = page;
    PastedPage.into(form, "Ilse Maren", "2026-11-24");
    form.name = "Brigantine";
    return form;
  }

  private static ToolSheet sheet(ToolForm form) {
    ToolConverter.Converted converted = new ToolConverter(form, null).convert();
    return converted.sheet().orElseThrow(() -> new AssertionError(converted.faults()));
  }

  private static List<ToolSheet.UnsaidPart> open(ToolForm form) {
    return sheet(form).plans().getFirst().unsaid();
  }

  @Test
  public void whatWasTakenForGrantedOfAPriceIsKeptAndReadAgain() {
    ToolSheet sheet = sheet(pasted("Brig\n€25\n"));
    assertEquals(sheet.plans().getFirst().unsaid(), ALL_OPEN);
    assertEquals(sheet(ToolForms.of(sheet, 0)).plans(), sheet.plans());
    assertEquals(
        open(pasted("Brig\n€25 per user per month, billed monthly\n")), List.of(), "all is said");
  }

  @Test
  public void aPriceThatSomebodyChangedIsTheirsAndOneThatIsSoIsSettled() {
    ToolForm changed = pasted("Brig\n€25\n");
    changed.lines.getFirst().cells.getFirst().prices.put("m1", "26");
    assertEquals(open(changed), List.of());
    ToolForm settled = pasted("Brig\n€25\n");
    settled.plans.getFirst().unsaid.getFirst().settled = true;
    assertEquals(open(settled), List.of());
    ToolForm forged = pasted("Brig\n€25\n");
    forged.plans.getFirst().unsaid.getFirst().at = "lines[7].cells[0].prices[m1]";
    forged.plans.getFirst().unsaid.getFirst().what = "term, price";
    assertEquals(open(forged), List.of(), "there is no such price");
  }

  @Test
  public void aMarkFollowsItsPriceIntoAnotherNameAndACopy() {
    ToolForm form = ToolForms.of(sheet(pasted("Brig\n€25\n")), 0);
    form.plans.getFirst().name = "Brigg";
    form.lines.getFirst().name = "Users";
    ToolForms.copyPlan(form, 0);
    ToolSheet sheet = sheet(form);
    assertEquals(
        sheet.plans().stream().map(plan -> plan.name() + " " + plan.unsaid()).toList(),
        List.of(
            "Brigg [UnsaidPart[charge=Users, term=m1, what=[TERM, PERIOD, UNIT]]]",
            "Brigg copy [UnsaidPart[charge=Users, term=m1, what=[TERM, PERIOD, UNIT]]]"));
  }

  @Test
  public void anotherTextReplacesTheMarksOfTheFirst() {
    ToolForm form = pasted("Brig\n€25\n");
    form.pasted.text = "Brig\n€25 per user per month\n";
    PastedPage.into(form, "Ilse Maren", "2026-11-24");
    assertEquals(
        open(form), List.of(new ToolSheet.UnsaidPart("Seats", "m1", List.of(Unsaid.Kind.TERM))));
  }

  @Test
  public void itIsShownBesideThePriceAndConfirmedOnce() {
    ToolSheet sheet = sheet(pasted("Brig\n€25 per user\n"));
    PricePage.Value price =
        PricePage.of(sheet, day -> false, id -> id).prices().stream()
            .filter(line -> line.label().startsWith("Seats"))
            .findFirst()
            .orElseThrow()
            .cells()
            .getFirst();
    assertEquals(
        price.unsaid(),
        List.of(
            new PricePage.Open(
                "The page does not say how it is billed or whether it is for a month or a year.",
                "unsaid:brig/m1/Seats")));
    Confirmation confirmation = new Confirmation("2026-12-01");
    ToolSheet confirmed = confirmation.of(sheet, "unsaid:brig/m1/Seats");
    assertEquals(confirmed.plans().getFirst().unsaid(), List.of());
    assertThrows(
        IllegalArgumentException.class, () -> confirmation.of(confirmed, "unsaid:brig/m1/Seats"));
    assertEquals(
        SheetCells.changes(sheet, confirmed),
        List.of(
            SheetCells.Change.of(
                "Brig: Seats, monthly, not said",
                "The page does not say how it is billed or whether it is for a month or a year.",
                "")));
  }

  @Test
  public void anAddOnOfWhichThePageDoesNotSayForWhomItIsIsMarkedUnderEveryTerm() {
    ToolForm form =
        pasted(
            "Brig\n€5 per user per month, billed yearly\n€6 billed monthly\n\nAdd-ons\nArchive: €25 a"
                + " month\n");
    ToolSheet sheet = sheet(form);
    assertEquals(
        sheet.plans().getFirst().unsaid().stream().map(u -> u.charge() + " " + u.term()).toList(),
        List.of("Archive m1", "Archive u12"));
    assertEquals(sheet(ToolForms.of(sheet, 0)).plans(), sheet.plans());
    List<PricePage.Open> shown =
        PricePage.of(sheet, day -> false, id -> id).prices().stream()
            .flatMap(line -> line.cells().getFirst().unsaid().stream())
            .toList();
    assertTrue(!shown.isEmpty());
    ToolSheet confirmed = sheet;
    for (PricePage.Open open : shown) {
      confirmed = new Confirmation("2026-12-01").of(confirmed, open.key());
    }
    assertEquals(confirmed.plans().getFirst().unsaid(), List.of());
  }

  /** What is charged whatever the term stands once on the page, and its mark is settled once. */
  @Test
  public void aMarkOfAPriceForEveryTermIsShownAndConfirmedOnce() {
    ToolForm form =
        pasted(
            "Brig\n€5 per user per month, billed yearly\n€6 billed monthly\nOne-off set-up: €90\n");
    int setUp =
        form.lines.stream().map(line -> line.kind).toList().indexOf(ChargeKind.ONE_OFF.code());
    String field = OpenPrices.field(setUp, 0, ToolForm.ANY_TERM);
    OpenPrices.leave(form, 0, List.of(Unsaid.Kind.UNIT), field);
    ToolSheet sheet = sheet(form);
    assertEquals(
        sheet.plans().getFirst().unsaid().stream().map(ToolSheet.UnsaidPart::term).toList(),
        List.of("m1", "u12"));
    assertEquals(sheet(ToolForms.of(sheet, 0)).plans(), sheet.plans());
    List<String> keys =
        PricePage.of(sheet, day -> false, id -> id).prices().stream()
            .flatMap(line -> line.cells().getFirst().unsaid().stream())
            .map(PricePage.Open::key)
            .toList();
    assertEquals(keys.size(), 1, keys.toString());
    assertEquals(
        new Confirmation("2026-12-01").of(sheet, keys.getFirst()).plans().getFirst().unsaid(),
        List.of());
  }

  @Test
  public void whatIsLeftOpenOfNoPriceIsRefused() {
    ToolSheet sheet = sheet(pasted("Brig\n€25\n"));
    ToolSheet wrong =
        sheet.withPlans(
            List.of(
                sheet
                    .plans()
                    .getFirst()
                    .withUnsaid(
                        List.of(
                            new ToolSheet.UnsaidPart("Sails", "m1", List.of(Unsaid.Kind.UNIT))))));
    Faults faults = new Faults();
    new ToolReader(faults).tool("", wrong);
    assertEquals(
        faults.all().stream().map(f -> f.at() + " " + f.message()).toList(),
        List.of(
            "/plans/0/unsaid/0 Plan \"Brig\" has no price of \"Sails\", monthly, of which"
                + " something could be left open. Name a charge it has."));
  }

  @Test
  public void aLimitOnAPageWithPricesForSeatsIsForTheAccountOrForEachOfThem() {
    ToolSheet sheet =
        sheet(
            pasted(
                "Brig\n€5 per user per month, billed monthly\n10 GB storage\n3 calendars per"
                    + " user\n200 automation runs a month in all\n"));
    assertEquals(
        sheet.plans().getFirst().allowances().stream()
            .map(part -> part.measure() + ": " + AllowanceText.of(part))
            .toList(),
        List.of(
            "gigabytes-kept: 10 account or seat?", "calendars: 3 a seat", "automation-runs: 200"));
    assertTrue(
        sheet(pasted("Brig\n€50 a month for your whole team, billed monthly\n10 GB storage\n"))
            .plans()
            .getFirst()
            .allowances()
            .stream()
            .allMatch(part -> part.kind() == ToolSheet.Limit.UP_TO),
        "a plan with one price has one limit");
  }

  @DataProvider
  public Object[][] limits() {
    return new Object[][] {
      {"gigabytes-kept", "500 MB", "500 MB", "0.5"},
      {"gigabytes-kept", "2 TB", "2 TB", "2000"},
      {"recording-minutes", "2 hours", "2 hours", "120"},
      {"gigabytes-kept", "15", "15", "15"},
      {"gigabytes-kept", "10 account or seat?", "10 account or seat?", "10"},
      {"gigabytes-kept", "500 MB account or seat?", "500 MB account or seat?", "0.5"},
      {"gigabytes-kept", "10 for the account or each seat", "10 account or seat?", "10"},
      {"automation-runs", "Unlimited", "unlimited", "0"},
      {"automation-runs", "?", "unknown", "0"},
    };
  }

  @Test(dataProvider = "limits")
  public void aLimitComesBackAsItWasWritten(
      String measure, String typed, String shown, String counted) {
    ToolSheet.SourcePart source =
        new ToolSheet.SourcePart("2026-11-24", "makers-claim", "", "", "", "");
    ToolSheet.AllowancePart part = AllowanceText.read(measure, typed, source, Measure.KNOWN);
    assertEquals(AllowanceText.of(part), shown);
    assertEquals(part.perAccount(), counted);
    assertEquals(AllowanceText.read(measure, shown, source, Measure.KNOWN), part);
    ToolSheet.AllowancePart other = part.withPerAccount("7").withWritten("500 MB");
    assertEquals(
        AllowanceText.of(other.withKind(ToolSheet.Limit.UP_TO)),
        "7",
        "what is written in a file counts only where it says what is counted");
  }
}
