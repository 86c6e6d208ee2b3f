package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.pricing.Unsaid;

/** Price pages of every shape, made by chance from a seed. */
public final class GeneratedSheets {
  private static final List<String> LEVELS =
      List.of(
          "seats",
          "light-seats",
          "hosts",
          "boards",
          "own/level/boat/boats",
          "own/level/ferry in winter’s dock/ferries in winter’s dock");
  private static final List<String> ANSWERS = List.of("yes", "partly", "no", "unknown");
  private final Random random;

  /** For what came later: what was drawn before stays as it was. */
  private final Random more = new Random(20261201);

  private GeneratedSheets(Random random) {
    this.random = random;
  }

  public static ToolSheet sheet(Random random, String id) {
    return new GeneratedSheets(random).sheet(id);
  }

  private ToolSheet sheet(String id) {
    List<ToolSheet.PlanPart> plans = new ArrayList<>();
    int count = 1 + random.nextInt(4);
    for (int p = 0; p < count; p++) {
      plans.add(plan("plan-" + p, "Plan " + p + (p == 1 ? ", wide" : "")));
    }
    return new ToolSheet(
        id,
        "=Tool; \"" + id + "\"",
        "-Maker",
        List.of("talking", "booking"),
        List.of(),
        List.of(),
        plans,
        offers(plans),
        random.nextBoolean()
            ? new ToolSheet.OwnedPart(
                "plan-0", "seats", 1 + random.nextInt(50), "2027-06-30", source())
            : null,
        List.of(new ToolSheet.ConditionPart(ToolSheet.Circumstance.COUNTRIES, "NO, SE", source())),
        List.of(
            new ToolSheet.ConnectorPart("=Relay", price(more), "EUR", null, null, page()),
            new ToolSheet.ConnectorPart("Bridge", null, null, "another", "Plan 1, wide", page())),
        List.of(
            new ToolSheet.RatingPart(
                "4." + random.nextInt(10), 1 + random.nextInt(500), source("public-ratings"))),
        List.of(),
        List.of(
            new ToolSheet.WordPart(
                ToolSheet.Topic.WHAT_IT_IS, "+A board; \"with\" lanes, and more", source()),
            new ToolSheet.WordPart(ToolSheet.Topic.FOR_WHOM, "=Crews of ten", source()),
            new ToolSheet.WordPart(ToolSheet.Topic.FOR_WHOM, "Crews of twenty", source())),
        random.nextBoolean()
            ? new ToolSheet.PastedPart(
                "\tHold;\tDeck\n=Price a \"seat\"\t8,40 €\t–\n\n @home", "Ilse", "2026-11-20")
            : null);
  }

  private static String price(Random random) {
    return random.nextInt(40) + "." + (1 + random.nextInt(9));
  }

  private static ToolSheet.SourcePart page() {
    return new ToolSheet.SourcePart("2026-05-15", "makers-claim", "Ilse", "", "", "");
  }

  private String price() {
    return random.nextInt(40) + "." + random.nextInt(10) + (1 + random.nextInt(9));
  }

  /** A price of every month, now and then stated for more of them. */
  private String monthly() {
    String price = price();
    return price.endsWith("7")
        ? price + " a year"
        : price.endsWith("3") ? price + " for 24 months" : price;
  }

  private <T> T one(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private ToolSheet.SourcePart source() {
    return source(one(List.of("tried-by-hand", "colleague", "makers-claim", "other")));
  }

  private ToolSheet.SourcePart source(String ground) {
    return new ToolSheet.SourcePart(
        "2026-0" + (1 + random.nextInt(9)) + "-15",
        ground,
        one(List.of("", "Ilse", "@Odile")),
        one(List.of("", "https://example.org/a?b=c,d")),
        one(List.of("", "a note, with \"quotes\"\nand a line")),
        "");
  }

  private ToolSheet.PlanPart plan(String id, String name) {
    boolean assumed = random.nextInt(6) == 0;
    Set<TermCode> codes = new LinkedHashSet<>();
    for (TermCode code : TermCode.ALL) {
      if (random.nextInt(3) == 0) {
        codes.add(code);
      }
    }
    List<ToolSheet.TermPart> low = new ArrayList<>();
    List<ToolSheet.TermPart> high = new ArrayList<>();
    // the same things are charged under every term, else what one does not say is not known
    String level = one(LEVELS);
    for (TermCode code : codes) {
      ToolSheet.PerUnitPart unit =
          new ToolSheet.PerUnitPart(
              "Seats",
              "seats",
              monthly(),
              random.nextInt(3),
              1 + random.nextInt(5),
              random.nextInt(4));
      low.add(term(code, assumed ? List.of(unit) : charges(unit, level)));
      high.add(
          term(
              code,
              List.of(
                  new ToolSheet.PerUnitPart(
                      "Seats", "seats", "99.5", unit.minimum(), unit.pack(), unit.included()))));
    }
    boolean isAssumed = assumed && !low.isEmpty();
    boolean onTop = more.nextInt(3) == 0;
    return new ToolSheet.PlanPart(
        id,
        name,
        one(List.of("EUR", "GBP", "JPY")),
        "seats",
        random.nextInt(3),
        random.nextBoolean() ? 50 + random.nextInt(100) : null,
        isAssumed ? ToolSheet.Basis.ASSUMED : null,
        random.nextInt(4) == 0 ? "21" : null,
        source(),
        low,
        isAssumed ? high : List.of(),
        allowances(),
        facts(),
        open(codes),
        onTop ? "Plan 9, =theirs" : null,
        onTop ? "another" : null,
        null);
  }

  private List<ToolSheet.AllowancePart> allowances() {
    List<ToolSheet.AllowancePart> parts = new ArrayList<>();
    if (!random.nextBoolean()) {
      parts.add(
          new ToolSheet.AllowancePart(
              "automation-runs", ToolSheet.Limit.UP_TO, "1000", "1.5", "seats", null, source()));
    }
    parts.add(
        new ToolSheet.AllowancePart(
            "calendars", ToolSheet.Limit.ACCOUNT_OR_SEAT, "900000", "0", "seats", null, page()));
    parts.add(
        new ToolSheet.AllowancePart(
            "gigabytes-kept",
            ToolSheet.Limit.UP_TO,
            "900000",
            "0",
            "seats",
            more.nextBoolean() ? "900 TB" : null,
            page()));
    return parts;
  }

  /** Something left open of a price under each term, or of none. */
  private List<ToolSheet.UnsaidPart> open(Set<TermCode> codes) {
    return codes.stream()
        .filter(code -> more.nextBoolean())
        .map(code ->
            new ToolSheet.UnsaidPart(
                "Seats", code.code(), List.of(Unsaid.Kind.values()).subList(more.nextInt(3), 3)))
        .toList();
  }

  private static ToolSheet.TermPart term(TermCode code, List<ToolSheet.ChargePart> charges) {
    return new ToolSheet.TermPart(
        code.term().monthsCommitted(), code.upFront(), charges, List.of(), null);
  }

  /** Some of every kind, in the order of the lines of a page. */
  private List<ToolSheet.ChargePart> charges(ToolSheet.PerUnitPart unit, String level) {
    List<ToolSheet.ChargePart> charges = new ArrayList<>();
    charges.add(unit);
    charges.add(new ToolSheet.FlatPart("Account", monthly()));
    charges.add(
        new ToolSheet.BandedPart(
            "Bands",
            level,
            one(List.of("whole", "sliced")),
            List.of(
                new ToolSheet.BandPart(10, monthly(), "0"),
                new ToolSheet.BandPart(40, price(), monthly()),
                new ToolSheet.BandPart(null, price(), "0")),
            0,
            1,
            0));
    charges.add(new ToolSheet.OneOffPart("Setting up", price(), null));
    charges.add(
        new ToolSheet.UsagePart("Hours", "recorded-hours", price(), "10", "15", "1.5", "seats"));
    charges.add(new ToolSheet.PaymentFeePart("Cards", "card-payments", "2.65", "0.18"));
    return charges;
  }

  private List<ToolSheet.FactPart> facts() {
    List<ToolSheet.FactPart> facts = new ArrayList<>();
    for (int f = 0; f < random.nextInt(5); f++) {
      facts.add(
          new ToolSheet.FactPart(
              "+Capability " + f, one(List.of("", "Safety")), one(ANSWERS), "", source()));
    }
    facts.add(
        new ToolSheet.FactPart("Goes with B", "", "through-connector", "=Relay", page(), null));
    facts.add(
        new ToolSheet.FactPart(
            "Goes with C", "", "by-hand", "", page(), more.nextBoolean() ? "12.5" : null));
    return facts;
  }

  private List<ToolSheet.OfferPart> offers(List<ToolSheet.PlanPart> plans) {
    @Nullable String group = random.nextBoolean() ? "welcome" : null;
    return random.nextBoolean()
        ? List.of()
        : List.of(
            new ToolSheet.OfferPart(
                "Start",
                ToolSheet.Benefit.PERCENT,
                "25",
                null,
                null,
                6,
                group,
                List.of("Seats"),
                List.of(plans.getLast().id()),
                List.of("m1", "u12"),
                true,
                "2026-10-01",
                group == null ? null : "2027-01-15",
                5,
                group != null,
                source()));
  }
}
