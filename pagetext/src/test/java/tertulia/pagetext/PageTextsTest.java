package tertulia.pagetext;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.core.fit.Count;
import tertulia.pagetext.PageReading.PlanSaid;

/** Made-up pages of eight shapes, each figure worked out by hand. */
public class PageTextsTest {
  private static PageReading read(String page) throws IOException {
    try (InputStream in =
        Objects.requireNonNull(
            PageTextsTest.class.getResourceAsStream("/pagetext/" + page + ".txt"))) {
      return PageReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
  }

  private static List<String> said(PageReading reading) {
    List<String> said = new ArrayList<>();
    for (PlanSaid plan : reading.plans()) {
      String name = plan.name().value();
      said.add(name + ": " + plan.basis().value());
      plan.prices().forEach(price -> said.add(name + ": " + price(price.value())));
      plan.bands()
          .forEach(band ->
              said.add(
                  name
                      + ": to "
                      + band.value().upTo().map(String::valueOf).orElse("any")
                      + " "
                      + price(band.value().price())));
      plan.least().ifPresent(n -> said.add(name + ": at least " + n.value()));
      plan.most().ifPresent(n -> said.add(name + ": at most " + n.value()));
      plan.pack().ifPresent(n -> said.add(name + ": packs of " + n.value()));
      plan.included().ifPresent(n -> said.add(name + ": includes " + n.value()));
      plan.once()
          .forEach(
              o -> said.add(name + ": once " + o.value().amount() + " " + o.value().currency()));
      plan.use()
          .forEach(u ->
              said.add(
                  name
                      + ": "
                      + u.value().amount()
                      + " each "
                      + u.value().block()
                      + " "
                      + u.value().measure().id()));
      plan.fees()
          .forEach(f ->
              said.add(
                  name
                      + ": "
                      + f.value().percent()
                      + " % + "
                      + f.value().fixed()
                      + " "
                      + f.value().currency()));
      plan.limits()
          .forEach(limit ->
              said.add(
                  name
                      + ": "
                      + limit.value().measure().id()
                      + " "
                      + limit.value().most().map(Object::toString).orElse("unlimited")
                      + (limit.value().perSeat() ? " a seat" : "")));
      plan.answers()
          .forEach(answer ->
              said.add(
                  name
                      + ": "
                      + answer.value().capability()
                      + " "
                      + answer
                          .value()
                          .count()
                          .map(Count::words)
                          .orElse(answer.value().answer().name())));
    }
    reading
        .addOns()
        .forEach(a -> said.add("add-on " + a.name().value() + ": " + price(a.price().value())));
    reading
        .offers()
        .forEach(o ->
            said.add(
                "offer for "
                    + o.value().plan().orElse("all")
                    + ": "
                    + o.value().percent().map(p -> p + " %").orElse("free")
                    + o.value().months().map(n -> " for " + n).orElse("")
                    + o.value().until().map(day -> " until " + day).orElse("")
                    + (o.value().newBuyersOnly() ? ", new only" : "")));
    reading.trialDays().ifPresent(n -> said.add("trial " + n.value()));
    reading.trialCard().ifPresent(card -> said.add("card " + card.value()));
    reading.circumstances().forEach(c -> said.add(c.value().kind() + " " + c.value().value()));
    reading.notUnderstood().forEach(passage -> said.add("? " + passage.text()));
    return said;
  }

  private static String price(Price price) {
    return (price.isFrom() ? "from " : "")
        + price.amount()
        + " "
        + price.currency()
        + " a "
        + (price.every() == Price.Every.MONTH ? "month" : "year")
        + " for "
        + price.each().map(measure -> measure.id()).orElse("all")
        + ", "
        + price.term().words();
  }

  @DataProvider
  public Object[][] otherHands() {
    return Stream.of(
            "active-users",
            "add-on-within",
            "agents-by-size",
            "barred-extra",
            "barred-table",
            "bars",
            "bookings-then",
            "both-sums",
            "buttons-by-name",
            "by-size",
            "card-in-a-line",
            "chairs",
            "columns",
            "contacts",
            "crowns",
            "currency-in-label",
            "custom",
            "desks",
            "editors",
            "extra-editors",
            "feature-by-plan",
            "fees-and-calendars",
            "footnotes",
            "free-for-one",
            "from-to",
            "further-people",
            "held-already",
            "history",
            "hosts-from",
            "islands",
            "labelled",
            "lines-by-size",
            "no-limit",
            "one-price",
            "one-price-and-more",
            "only-one",
            "pay-per",
            "pictures",
            "plans-down",
            "plus-in-names",
            "praised",
            "products-across",
            "prose",
            "readers",
            "rows-of-cards",
            "sections",
            "sentences",
            "sites",
            "sizes-across",
            "small-letters",
            "spaced-columns",
            "then-below",
            "ticks-and-brackets",
            "two-label-columns",
            "two-languages-title",
            "two-terms-in-a-line",
            "units-by-plan",
            "why-first",
            "words-below-prices",
            "per-court",
            "bare-prices",
            "writers-included")
        .map(name -> new Object[] {name})
        .toArray(Object[][]::new);
  }

  /** Texts unlike each other; what a careful reader takes from each stands beside it. */
  @Test(dataProvider = "otherHands")
  public void pagesByOtherHands(String name) throws IOException {
    PageReading reading = read("other-" + name);
    List<String> said = new ArrayList<>();
    said.add("tool " + reading.tool().map(Said::value).orElse("not said"));
    said.addAll(said(reading));
    try (InputStream expected =
        Objects.requireNonNull(
            PageTextsTest.class.getResourceAsStream("/pagetext/other-" + name + ".said"))) {
      assertEquals(
          said, new String(expected.readAllBytes(), StandardCharsets.UTF_8).lines().toList());
    }
  }

  @Test
  public void monthsThatTheYearsPriceLeavesOutAreNoOffer() {
    String page = "Plover\n€10 per user / month\n€%s per user / year\n2 months free\n";
    assertEquals(PageReader.read(page.formatted("100")).offers(), List.of(), "held already");
    PageReading whole = PageReader.read(page.formatted("120"));
    assertEquals(whole.offers().size(), 1, "twelve months are paid, so two of them are free");
    assertEquals(whole.offers().getFirst().value().months(), Optional.of(2));
  }

  @Test
  public void twoCardsThatWereCopiedRowByRow() {
    assertEquals(
        said(
            PageReader.read(
                "Alder\nRowan\n€5\n€9\nper user / month\nper user / month\nAlder\n3 boards\nRowan\n"
                    + "8 boards\n")),
        List.of(
            "Alder: LISTED",
            "Alder: 5 EUR a month for seats, monthly",
            "Alder: boards 3",
            "Rowan: LISTED",
            "Rowan: 9 EUR a month for seats, monthly",
            "Rowan: boards 8"));
  }

  @Test
  public void whatIsPaidOnceBelowTheListsIsOfAllPlans() {
    List<String> said =
        said(
            PageReader.read(
                "Harbour\n\nOne — €24 per month\n• 2 people\n• Voicemail\n\nTwo — €59 per month\n"
                    + "• 8 people\n• Call queue\n\nSetting it up: €95 once\n"));
    assertTrue(said.contains("One: once 95 EUR"), said.toString());
    assertTrue(said.contains("Two: once 95 EUR"), said.toString());
  }

  /** The same page spaced out, with other ends of lines, with codes for signs. */
  @Test(dataProvider = "otherHands")
  public void writtenAnotherWayItSaysTheSame(String name) throws IOException {
    String page;
    try (InputStream in =
        Objects.requireNonNull(
            PageTextsTest.class.getResourceAsStream("/pagetext/other-" + name + ".txt"))) {
      page = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    List<String> plain = understood(page);
    assertEquals(understood(page.replace("\n", "  \r\n")), plain, "ends of lines");
    assertEquals(understood(page.replace(" / ", "\u00a0/\u00a0")), plain, "spaces");
    assertEquals(understood(page.replaceAll("€\\s?(?=\\d)", "EUR ")), plain, "codes before");
    assertEquals(
        understood(page.replaceAll("€\\s?(\\d[\\d.,]*\\d|\\d)", "$1 €")), plain, "signs behind");
    if (page.indexOf('\t') < 0) {
      assertEquals(understood(page.replace("\n", "\n\n")), plain, "spaced out");
    }
  }

  private static List<String> understood(String page) {
    return said(PageReader.read(page)).stream().filter(one -> !one.startsWith("?")).toList();
  }

  @Test
  public void cardsOneBelowTheOther() throws IOException {
    assertEquals(
        said(read("cards")),
        List.of(
            "Wherry: FREE",
            "Wherry: at most 5",
            "Wherry: calendars 2",
            "Wherry: Shared calendar YES",
            "Coaster: LISTED",
            "Coaster: 9 EUR a month for seats, yearly, up front",
            "Coaster: 11 EUR a month for seats, monthly",
            "Coaster: automation-runs 1000",
            "Coaster: calendars 2",
            "Coaster: Single sign-on YES",
            "Coaster: Waiting list YES",
            "Coaster: Shared calendar YES",
            "Fleet: ON_REQUEST",
            "Fleet: automation-runs unlimited",
            "Fleet: calendars 2",
            "Fleet: Audit log YES",
            "Fleet: Single sign-on YES",
            "Fleet: Waiting list YES",
            "Fleet: Shared calendar YES",
            "trial 14",
            "card false"));
  }

  @Test
  public void sentencesWithAddOns() throws IOException {
    assertEquals(
        said(read("list")),
        List.of(
            "Dinghy: FREE",
            "Dinghy: at most 3",
            "Ketch: LISTED",
            "Ketch: 8.40 USD a month for seats, yearly, up front",
            "Ketch: 10 USD a month for seats, monthly",
            "Ketch: at least 5",
            "Ketch: gigabytes-kept 50",
            "Brig: LISTED",
            "Brig: from 1299 USD a month for all, yearly, up front",
            "add-on Phone desk: 4 USD a month for seats, monthly",
            "add-on Archive: 25 USD a month for seats, monthly"));
    assertEquals(
        read("list").addOns().getLast().price().sure(),
        Sureness.GUESS,
        "nothing says what the archive is paid for");
  }

  @Test
  public void aTableWithTabs() throws IOException {
    assertEquals(
        said(read("table")),
        List.of(
            "Mole: LISTED",
            "Mole: 5.00 EUR a month for hosts, yearly, up front",
            "Mole: 6.00 EUR a month for hosts, monthly",
            "Mole: at least 1",
            "Mole: at most 3",
            "Mole: calendars 1",
            "Mole: bookings 100",
            "Mole: Reminders by text NO",
            "Mole: Audit log NO",
            "Mole: Languages 12 languages",
            "Jetty: LISTED",
            "Jetty: 12.50 EUR a month for hosts, yearly, up front",
            "Jetty: 15.00 EUR a month for hosts, monthly",
            "Jetty: at most 40",
            "Jetty: calendars 3",
            "Jetty: bookings 1000",
            "Jetty: Reminders by text YES",
            "Jetty: Audit log BY_ADD_ON",
            "Jetty: Languages at least 40 languages",
            "Harbour: ON_REQUEST",
            "Harbour: calendars unlimited",
            "Harbour: bookings unlimited",
            "Harbour: hosts unlimited",
            "Harbour: Reminders by text YES",
            "Harbour: Audit log YES",
            "Harbour: Languages at least 60 languages",
            "? Support e-mail",
            "? Support e-mail, phone",
            "? Support named contact"));
  }

  @Test
  public void aTableThatCopyingFlattened() throws IOException {
    assertEquals(
        said(read("flattened")),
        List.of(
            "Deck: LISTED",
            "Deck: 6.90 EUR a month for seats, monthly",
            "Deck: at most 25",
            "Deck: gigabytes-kept 10",
            "Deck: Single sign-on NO",
            "Deck: Guest access YES",
            "Bridge: LISTED",
            "Bridge: 12.40 EUR a month for seats, monthly",
            "Bridge: gigabytes-kept 1000",
            "Bridge: Single sign-on YES",
            "Bridge: Guest access YES"));
  }

  @Test
  public void yearsWithTheMonthInSmallPrint() throws IOException {
    PageReading reading = read("yearly");
    assertEquals(
        said(reading),
        List.of(
            "Buoy: LISTED",
            "Buoy: 96 EUR a year for seats, yearly, up front",
            "Buoy: gigabytes-kept 5 a seat",
            "Buoy: people-in-a-call 25",
            "Lightship: LISTED",
            "Lightship: 1440 EUR a year for all, yearly, up front",
            "Lightship: 90 EUR a year for seats, yearly, up front",
            "Lightship: includes 10",
            "Lightship: recording-minutes 120"));
    assertEquals(
        reading.plans().getFirst().prices().getFirst().value().aMonth().toString(), "8.0000");
  }

  @Test
  public void bandsEachAndInAll() throws IOException {
    assertEquals(
        said(read("bands")),
        List.of(
            "Tender: LISTED",
            "Tender: to 10 8.00 GBP a month for seats, monthly",
            "Tender: to 50 6.50 GBP a month for seats, monthly",
            "Tender: to any 5.00 GBP a month for seats, monthly",
            "Tender: packs of 5",
            "Ferry: LISTED",
            "Ferry: to 25 90 GBP a month for all, monthly",
            "Ferry: to 100 240 GBP a month for all, monthly",
            "Ferry: once 490 GBP"));
  }

  @Test
  public void whatWasStruckThroughIsTheLastingPrice() throws IOException {
    assertEquals(
        said(read("struck")),
        List.of(
            "Pilot: LISTED",
            "Pilot: 12 EUR a month for seats, monthly",
            "Pilot: 0.05 each 1 text-messages",
            "Pilot: text-messages 100",
            "Convoy: LISTED",
            "Convoy: 20 EUR a month for seats, monthly",
            "offer for Pilot: 25 % for 6 until 2026-12-31, new only",
            "offer for Convoy: 25 %"));
  }

  @Test
  public void severalCurrenciesAndPaymentFees() throws IOException {
    assertEquals(
        said(read("francs")),
        List.of(
            "Quay: LISTED",
            "Quay: 1250.50 CHF a month for seats, monthly",
            "Quay: 2.9 % + 0.30 CHF",
            "Quay: boards 3",
            "Pier: LISTED",
            "Pier: 14 USD a month for seats, monthly",
            "Pier: 1.9 % + 0.25 USD",
            "Pier: boards unlimited"));
  }

  @Test
  public void aSecondCurrencyIsSaidAndNotTaken() {
    PlanSaid plan =
        PageReader.read("Buoy\n€8 / $9 / £7 per user per month, billed yearly\n")
            .plans()
            .getFirst();
    assertEquals(
        plan.prices().stream().map(p -> price(p.value())).toList(),
        List.of("8 EUR a month for seats, yearly, up front"));
    assertEquals(
        plan.otherCurrencies().stream().map(p -> p.value().currency()).toList(),
        List.of("USD", "GBP"));
  }

  @Test
  public void aYearsSumBesideAMonthsPriceIsNoMonthsPrice() {
    PlanSaid plan =
        PageReader.read("Crew\n€7.50\nper person, per month\n€90 billed annually per person\n")
            .plans()
            .getFirst();
    assertEquals(
        plan.prices().stream().map(p -> price(p.value())).toList(),
        List.of("90 EUR a year for seats, yearly, up front"));
  }

  @Test
  public void whatIsSavedGivenOrLimitedIsNoPrice() {
    PageReading reading =
        PageReader.read(
            "Crew\n€8 per user per month, billed monthly\nSave €24 per user per year\n"
                + "✓ €50 voucher\nUp to €10,000 in payments\n€0.05 per text message\n");
    assertEquals(
        said(reading),
        List.of(
            "Crew: LISTED",
            "Crew: 8 EUR a month for seats, monthly",
            "Crew: 0.05 each 1 text-messages",
            "? Save €24 per user per year",
            "? €50 voucher",
            "? Up to €10,000 in payments"));
  }

  @Test
  public void thousandsAreReadInEveryWriting() {
    for (String written :
        List.of("€1,299.00", "1.299,00 €", "€ 1'299.00", "EUR 1 299,00", "1299 EUR")) {
      PageReading reading = PageReader.read("Brig\n" + written + " per account per month\n");
      assertEquals(
          reading.plans().getFirst().prices().getFirst().value().amount().intValueExact(),
          1299,
          written);
    }
    Said<Price> open =
        PageReader.read("Brig\n1.299 € per account per month\n")
            .plans()
            .getFirst()
            .prices()
            .getFirst();
    assertEquals(open.value().amount().intValueExact(), 1299);
    assertTrue(open.assumed().contains(Assumed.WHICH_SEPARATOR), "it may be 1.299 too");
  }

  @Test
  public void aTitleNamesTheToolAndNoPlan() {
    PageReading reading =
        PageReader.read(
            "Ovenroster pricing\nShop\n€4.20 per user / month\nSwaps between shops\nChain\n€6.50"
                + " per user / month\nContact us for more");
    assertEquals(reading.tool().orElseThrow().value(), "Ovenroster");
    assertEquals(reading.tool().orElseThrow().sure(), Sureness.LIKELY);
    assertEquals(
        reading.plans().stream().map(plan -> plan.name().value()).toList(),
        List.of("Shop", "Chain"));
    assertEquals(reading.plans().getLast().answers(), List.of(), "a button is no capability");
    // right above a price it is what the plan is called, and praise names nothing
    assertEquals(
        PageReader.read("Team pricing\n€4 per user / month").plans().getFirst().name().value(),
        "Team pricing");
    assertEquals(
        PageReader.read("Ovenroster pricing\n€4 per user / month").tool(), Optional.empty());
    for (String praise :
        List.of("Simple pricing", "Our prices", "Prices for every team", "Monthly plans")) {
      assertEquals(
          PageReader.read(praise + "\n\nShop\n€4 per user / month").tool(),
          Optional.empty(),
          praise);
    }
  }

  @Test
  public void nothingIsMadeOfNothing() {
    assertEquals(said(PageReader.read("")), List.of());
    assertEquals(said(PageReader.read("Good morning.\n\nNothing to see here.\n")), List.of());
    assertThrows(
        IllegalArgumentException.class, () -> PageReader.read("x".repeat(PageReader.LONGEST + 1)));
  }

  /** Texts made of what the rules look for end, whatever they say. */
  @Test
  public void textsThatMeanHarmEnd() {
    for (String token :
        List.of(
            "1 ",
            "1.1",
            "1,000 ",
            "€",
            "€1 ",
            "€1/",
            "a ",
            "monthly ",
            "billed ",
            "per ",
            "up to ",
            "first month ",
            "\t",
            "|",
            "| ",
            "- ",
            "✓",
            "(",
            "free ",
            "1-1 ",
            "users ",
            "per user billed at ",
            "' ",
            ": ",
            "or €1 ",
            "25 % off ",
            "GB of ",
            "then €2 first 3 months ",
            "yearly/monthly ",
            "\u00a0",
            "A\n",
            "A\n€1\n")) {
      String line = token.repeat(Math.max(1, 290 / token.length()));
      // half of the longest, which is read elsewhere: what grows out of bounds shows here, too
      int length = PageReader.LONGEST / 2;
      String text = (line + "\n").repeat(length / (line.length() + 1));
      PageReading reading = PageReader.read(text.substring(0, Math.min(text.length(), length)));
      assertTrue(reading.plans().size() < PageReader.LONGEST, token);
    }
  }

  @DataProvider
  public Object[][] trials() {
    return new Object[][] {
      {"Try it free: your first 50 bookings cost nothing.", "TRIAL_USE 50 bookings"},
      {"Your first 20 documents are free", "TRIAL_USE 20 documents"},
      {"Free trial: 100 conversations, no card needed", "card false, TRIAL_USE 100 conversations"},
      {"Try any plan with 50 free bookings", "TRIAL_USE 50 bookings"},
      {"Try all 3 plans free for 30 days", "trial 30"},
      {"Try it with 5 users for 14 days", "trial 14"},
    };
  }

  @Test(dataProvider = "trials")
  public void aTrialEndsByDaysOrByUse(String line, String said) {
    List<String> all =
        said(
            PageReader.read(
                "Ovenroster\nRota\n\nShop\n€4 per user / month, billed monthly\n\n" + line));
    assertEquals(String.join(", ", all.subList(2, all.size())), said);
  }

  @Test
  public void aRowOfNothingButTabsIsNoLine() {
    PageReading reading =
        PageReader.read("Crew\n€8 per user per month\n" + "\t".repeat(15_000) + "\n5 boards\n");
    assertEquals(reading.plans().size(), 1);
    assertEquals(reading.notUnderstood(), List.of());
  }
}
