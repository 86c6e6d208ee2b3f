package tertulia.app.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.pagetext.PageReader;

/** What is read of a pasted page, as it stands in the sheet that would be saved. */
public class PastedPageTest {
  static String text(String page) {
    try {
      return Files.readString(Path.of("../pagetext/src/test/resources/pagetext", page + ".txt"));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static ToolForm pasted(String text) {
    ToolForm form = new ToolForm();
    form.plans.add(new ToolForm.PlanColumn());
    ToolForm.ChargeLine seats = new ToolForm.ChargeLine();
    seats.name = "Seats";
    form.lines.add(seats);
    form.name = "Read";
    form.pasted.text = text;
    PastedPage.into(form, "Ilse Maren", "2026-11-24");
    return ToolForms.withRoom(form, List.of(), List.of(), "2026-11-24");
  }

  private static ToolSheet sheet(ToolForm form) {
    ToolConverter.Converted converted = new ToolConverter(form, null).convert();
    assertEquals(converted.faults(), Map.of());
    return converted.sheet().orElseThrow();
  }

  private static List<String> prices(ToolSheet sheet) {
    List<String> said = new ArrayList<>();
    for (ToolSheet.PlanPart plan : sheet.plans()) {
      if (plan.prices().isEmpty()) {
        said.add(plan.name() + " on request");
      }
      for (ToolSheet.TermPart term : plan.prices()) {
        String at = plan.name() + " " + (term.upFront() ? "u" : "m") + term.monthsCommitted() + " ";
        if (term.charges().isEmpty()) {
          said.add(at + "free");
        }
        term.charges().forEach(charge -> said.add(at + charge(charge, plan.currency())));
        term.addOns()
            .forEach(addOn ->
                addOn
                    .charges()
                    .forEach(
                        c -> said.add(at + "+" + addOn.name() + " " + charge(c, plan.currency()))));
      }
    }
    return said;
  }

  private static String charge(ToolSheet.ChargePart charge, String currency) {
    return switch (charge) {
      case ToolSheet.PerUnitPart unit ->
          unit.price()
              + " "
              + currency
              + " each "
              + unit.measure()
              + (unit.pack() > 1 ? " packs " + unit.pack() : "")
              + (unit.included() > 0 ? " included " + unit.included() : "");
      case ToolSheet.FlatPart flat -> flat.price() + " " + currency + " flat";
      case ToolSheet.BandedPart banded ->
          "bands "
              + banded.bands().stream()
                  .map(b -> b.upTo() + "/" + b.each() + "/" + b.flat())
                  .toList()
              + (banded.pack() > 1 ? " packs " + banded.pack() : "");
      case ToolSheet.OneOffPart once -> "once " + once.price();
      case ToolSheet.UsagePart use ->
          "use "
              + use.price()
              + " per "
              + use.block()
              + " "
              + use.measure()
              + " above "
              + use.perAccount();
      case ToolSheet.PaymentFeePart fee -> "fee " + fee.percent() + " % + " + fee.fixed();
    };
  }

  @DataProvider
  public Object[][] pages() {
    return new Object[][] {
      {
        "cards",
        List.of(
            "Wherry m1 free",
            "Coaster m1 11 EUR each seats",
            "Coaster u12 9 EUR each seats",
            "Fleet on request")
      },
      {
        "list",
        List.of(
            "Dinghy m1 free",
            "Ketch m1 10 USD each seats",
            "Ketch m1 +Phone desk 4 USD each seats",
            "Ketch m1 +Archive 25 USD each seats",
            "Ketch u12 8.40 USD each seats",
            "Ketch u12 +Phone desk 4 USD each seats",
            "Ketch u12 +Archive 25 USD each seats",
            "Brig u12 1299 USD flat",
            "Brig u12 +Phone desk 4 USD each seats",
            "Brig u12 +Archive 25 USD each seats")
      },
      {
        "table",
        List.of(
            "Mole m1 6.00 EUR each hosts",
            "Mole u12 5.00 EUR each hosts",
            "Jetty m1 15.00 EUR each hosts",
            "Jetty u12 12.50 EUR each hosts",
            "Harbour on request")
      },
      {"flattened", List.of("Deck m1 6.90 EUR each seats", "Bridge m1 12.40 EUR each seats")},
      {
        "yearly",
        List.of(
            "Buoy u12 96 a year EUR each seats",
            "Lightship u12 90 a year EUR each seats included 10",
            "Lightship u12 1440 a year EUR flat")
      },
      {
        "bands",
        List.of(
            "Tender m1 bands [10/8.00/0, 50/6.50/0, null/5.00/0] packs 5",
            "Ferry m1 bands [25/0/90, 100/0/240]",
            "Ferry m1 once 490")
      },
      {
        "struck",
        List.of(
            "Pilot m1 12 EUR each seats",
            "Pilot m1 use 0.05 per 1 text-messages above 100",
            "Convoy m1 20 EUR each seats")
      },
      {
        "francs",
        List.of(
            "Quay m1 1250.50 CHF each seats",
            "Quay m1 fee 2.9 % + 0.30",
            "Pier m1 14 USD each seats",
            "Pier m1 fee 1.9 % + 0.25")
      },
    };
  }

  @Test
  public void anotherTextReplacesWhatTheFirstBroughtAndNothingElse() {
    ToolForm form =
        pasted(
            "Ovenroster\nRota for bakeries\n\nShop\n€4 per user / month\n10 GB of storage\n\nChain\n"
                + "€6 per user / month\nSingle sign-on\n\nDepot\n€9 per user / month\n");
    ToolForm.ChargeLine seats =
        form.lines.stream().filter(line -> line.name.equals("Seats")).findFirst().orElseThrow();
    seats.cells.get(1).prices.put("m1", "7");
    form.pasted.text =
        "Ovenroster\nRota for bakeries\n\nShop\n€5 per user / month\n\nStore\n€12 per user / month\n";
    PastedPage.into(form, "Ilse Maren", "2026-11-24");
    ToolSheet sheet = sheet(form);
    assertEquals(
        prices(sheet),
        List.of(
            "Shop m1 5 EUR each seats", "Chain m1 7 EUR each seats", "Store m1 12 EUR each seats"),
        "what was changed since stays, what was not is gone");
    assertTrue(
        sheet.plans().stream().allMatch(plan -> plan.allowances().isEmpty()), "10 GB is gone");
    assertTrue(sheet.plans().stream().allMatch(plan -> plan.facts().isEmpty()), "so is sign-on");
  }

  @Test
  public void whereItCanBeHadIsTakenOver() {
    ToolSheet sheet =
        sheet(
            pasted(
                "Ovenroster\nRota for bakeries\n\nShop\n€4 per user / month\n\nWorks in any browser."
                    + " Available in English and Dutch.\nData is stored in the EU.\nSold in Belgium.\n"));
    assertEquals(
        sheet.conditions().stream().map(c -> c.kind() + " " + c.value()).toList(),
        List.of(
            "PLATFORMS any browser",
            "LANGUAGES English, Dutch",
            "DATA_PLACES EU",
            "COUNTRIES Belgium"));
  }

  @Test
  public void whatIsPaidOnceForAPlanOnRequestIsSaidAndNotTaken() {
    ToolForm form =
        pasted(
            "Ovenroster\nRota for bakeries\n\nChain\nPrice: on request\nOne-off set-up: €500 (Chain)\n");
    assertEquals(prices(sheet(form)), List.of("Chain on request"));
    assertTrue(
        Objects.requireNonNull(PastedPage.of(form)).others().stream()
            .anyMatch(p -> p.says().contains("not taken: the plan’s price is on request")));
  }

  @Test(dataProvider = "pages")
  public void eachShapeBecomesASheetWithTheFiguresOfThePage(String page, List<String> prices) {
    ToolForm form = pasted(text(page));
    ToolSheet sheet = sheet(form);
    assertEquals(prices(sheet), prices);
    ToolSheet.PastedPart kept = Objects.requireNonNull(sheet.pasted());
    assertEquals(kept.text(), text(page).strip());
    assertEquals(kept.by(), "Ilse Maren");
    assertEquals(sheet.plans().getFirst().source().ground(), "makers-claim");
    assertEquals(sheet.plans().getFirst().source().asOf(), "2026-11-24");
    ToolForm again = ToolForms.withRoom(ToolForms.of(sheet, 0), List.of(), List.of(), "2026-11-24");
    assertEquals(sheet(again), sheet, "shown and saved untouched it is the same");
  }

  @Test(dataProvider = "pages")
  public void everyProposalNamesItsPieceAndItsPlace(String page, List<String> prices) {
    ToolForm form = pasted(text(page));
    PastedPage.Read read = Objects.requireNonNull(PastedPage.of(form));
    List<String> lines = text(page).strip().lines().toList();
    List<PastedPage.Proposal> all = new ArrayList<>(read.again());
    all.addAll(read.others());
    assertTrue(all.size() >= prices.size(), all.toString());
    int counted = Integer.parseInt(read.sentence().split(" ")[0]);
    assertEquals(counted, all.size(), "what is counted is what is listed");
    for (PastedPage.Proposal proposal : all) {
      assertTrue(proposal.line() <= lines.size() && !proposal.passage().isEmpty(), "" + proposal);
      assertTrue(proposal.look().equals("clear") == proposal.because().isEmpty(), "" + proposal);
    }
    assertTrue(
        all.stream()
            .filter(p -> p.field().isEmpty())
            .allMatch(p -> p.says().contains("not taken") || p.says().contains("included")),
        "each stands somewhere, or it is said that it was not taken: " + all);
  }

  @Test
  public void whatIsDoubtfulComesFirstAndSaysWhy() {
    PastedPage.Read read = Objects.requireNonNull(PastedPage.of(pasted("Brig\n€25\n")));
    assertEquals(read.again().size(), 1);
    assertEquals(
        read.again().getFirst().because(),
        "it is not said for whom it is; it is not said whether it is a month’s or a year’s; it is"
            + " not said how it is billed");
    assertEquals(
        read.sentence(),
        "2 things were read: 1 as the page says, 1 to look at again. Every line was understood."
            + " The text does not name the tool: type its name below.");
  }

  @Test
  public void aSecondPriceOfOneTermDoesNotReplaceTheFirst() {
    ToolForm form =
        pasted(
            "Crew\n€8 per user per month, billed monthly\n€3 per user per month, billed monthly\n");
    assertEquals(prices(sheet(form)), List.of("Crew m1 8 EUR each seats"));
    assertTrue(
        Objects.requireNonNull(PastedPage.of(form)).others().stream()
            .anyMatch(p -> p.says().endsWith("not taken: another was read before")));
  }

  @Test
  public void whatIsSaidOnceIsListedOnce() {
    ToolForm form =
        pasted(
            "Crew\n€8 per user per month, billed yearly\n€10 billed monthly\nSold in packs of 5\n");
    PastedPage.Read read = Objects.requireNonNull(PastedPage.of(form));
    assertEquals(
        read.others().stream().map(PastedPage.Proposal::says).toList(),
        List.of(
            "a plan “Crew”",
            "Crew: 8.00 EUR a month, for each of the seats, yearly, up front",
            "Crew: 10.00 EUR a month, for each of the seats, monthly",
            "Crew: in packs of 5"));
    assertEquals(
        prices(sheet(form)),
        List.of("Crew m1 10 EUR each seats packs 5", "Crew u12 8 EUR each seats packs 5"));
  }

  @Test
  public void anOfferWithoutItsLengthIsNotTakenForOneWithoutEnd() {
    ToolSheet sheet = sheet(pasted(text("struck")));
    assertEquals(sheet.offers().size(), 1);
    ToolSheet.OfferPart offer = sheet.offers().getFirst();
    assertEquals(offer.value(), "25");
    assertEquals(offer.months(), Integer.valueOf(6));
    assertEquals(offer.until(), "2026-12-31");
    assertEquals(offer.plans(), List.of("pilot"));
    assertTrue(offer.newBuyersOnly());
  }

  @Test
  public void aPageReadAgainKeepsWhatItDoesNotSpeakOf() {
    ToolForm form = pasted("Coaster\n€9 per user per month, billed monthly\n✓ Audit log\n");
    ToolForm.FactLine tried = new ToolForm.FactLine();
    tried.capability = "Waiting list";
    tried.answers.add("no");
    form.facts.add(tried);
    form.pasted.text =
        "Coaster\n€11 per user per month, billed monthly\n\nFleet\n€20 per user per month, billed monthly\n";
    PastedPage.into(form, "Odile Brannock", "2026-11-25");
    ToolSheet sheet = sheet(ToolForms.withRoom(form, List.of(), List.of(), "2026-11-25"));
    assertEquals(
        prices(sheet), List.of("Coaster m1 11 EUR each seats", "Fleet m1 20 EUR each seats"));
    assertEquals(
        sheet.plans().getFirst().facts().stream()
            .map(f -> f.capability() + " " + f.answer())
            .toList(),
        List.of("Waiting list no"),
        "what the text before brought goes, what somebody added stays");
    assertEquals(Objects.requireNonNull(sheet.pasted()).by(), "Odile Brannock");
  }

  @Test
  public void anEmptyFirstCellAndTheLinesOfABrowserStayAsTheyAre() {
    ToolForm form = pasted("\r\n\tMole\tJetty\r\nPrice per host, billed monthly\t€5\t€6\r\n");
    assertEquals(
        prices(sheet(form)), List.of("Mole m1 5 EUR each hosts", "Jetty m1 6 EUR each hosts"));
    assertEquals(
        Objects.requireNonNull(sheet(form).pasted()).text(),
        "\tMole\tJetty\nPrice per host, billed monthly\t€5\t€6");
    form.pasted.text = "x".repeat(PageReader.LONGEST + 1);
    assertTrue(
        new ToolConverter(form, null).convert().faults().get("pasted.text").contains("20001"),
        "what cannot be kept is refused");
  }

  @Test
  public void nothingAndTooMuchAreRefused() {
    ToolForm empty = new ToolForm();
    empty.pasted.text = "  \r\n ";
    assertThrows(
        IllegalArgumentException.class, () -> PastedPage.into(empty, "Ilse", "2026-11-24"));
    ToolForm long1 = new ToolForm();
    long1.pasted.text = "x".repeat(PageReader.LONGEST + 1);
    assertThrows(
        IllegalArgumentException.class, () -> PastedPage.into(long1, "Ilse", "2026-11-24"));
    assertNull(PastedPage.of(new ToolForm()));
    assertNotNull(PastedPage.of(pasted("Nothing of the kind")));
  }

  @Test
  public void sentencesOfSeveralSourcesStandSideBySide() {
    ToolSheet sheet = sheet(pasted("Coaster\n€9 per user per month, billed monthly\n"));
    ToolForm form = ToolForms.of(sheet, 0);
    for (String[] said :
        new String[][] {
          {"A planner", "makers-claim", "2026-11-01"},
          {"A list", "tried-by-hand", "2026-10-01"},
          {"A board", "makers-claim", "2026-11-20"}
        }) {
      ToolForm.WordLine line = new ToolForm.WordLine();
      line.topic = "what-it-is";
      line.text = said[0];
      line.source.ground = said[1];
      line.source.asOf = said[2];
      form.words.add(line);
    }
    Topics.Sentence said = Topics.sentence(sheet(form), ToolSheet.Topic.WHAT_IT_IS).orElseThrow();
    assertEquals(said.text(), "A list");
    assertEquals(
        said.others(),
        "in force, as tried by hand goes before vendor's claim; “A board” says vendor's claim,"
            + " 20 Nov 2026; “A planner” says vendor's claim, 1 Nov 2026");
  }

  /** What the demonstration keeps as pasted says what its sheet says. */
  @Test
  public void theDemonstrationsTextIsThatOfItsSheet() throws IOException {
    String catalogue =
        new String(
            Objects.requireNonNull(getClass().getResourceAsStream("/demo/catalogue.json"))
                .readAllBytes(),
            StandardCharsets.UTF_8);
    CatalogueFile.Read.Accepted read =
        (CatalogueFile.Read.Accepted)
            CatalogueFile.read(catalogue.getBytes(StandardCharsets.UTF_8));
    ToolSheet kept =
        read.file().tools().stream()
            .map(entry -> entry.pages().getLast().tool())
            .filter(tool -> tool.pasted() != null)
            .findFirst()
            .orElseThrow();
    ToolSheet sheet = sheet(pasted(Objects.requireNonNull(kept.pasted()).text()));
    assertEquals(sheet.plans().size(), kept.plans().size());
    assertEquals(
        prices(sheet).subList(0, 2),
        List.of("Hold m1 9 USD each seats", "Hold u12 90 a year USD each seats"));
    assertEquals(prices(sheet).getLast(), "Deck on request", "what is assumed was on request");
    assertEquals(sheet.plans().getLast().currency(), "USD", "as the others of the page");
    for (int p = 0; p < kept.plans().size(); p++) {
      Map<String, String> answers = new HashMap<>();
      kept.plans().get(p).facts().forEach(f -> answers.put(Codes.slug(f.capability()), f.answer()));
      sheet
          .plans()
          .get(p)
          .facts()
          .forEach(f ->
              assertEquals(f.answer(), answers.get(Codes.slug(f.capability())), f.capability()));
    }
    assertEquals(
        sheet.conditions().stream().map(ToolSheet.ConditionPart::value).toList(),
        List.of("7", "yes"));
  }
}
