package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.path.PlanPaths;

/** What a plan is had only with, and a connector, are in its cost; a quote ends on its day. */
public class RequiredPricesTest {
  private static final ToolSheet.SourcePart PAGE =
      new ToolSheet.SourcePart("2026-11-12", "makers-claim", "Ilse Maren", "", "", "");

  private static ToolSheet.TermPart term(int months, boolean upFront, ToolSheet.ChargePart... of) {
    return new ToolSheet.TermPart(months, upFront, List.of(of), List.of(), null);
  }

  private static ToolSheet.PerUnitPart seats(String price) {
    return new ToolSheet.PerUnitPart("Seats", "seats", price, 0, 1, 0);
  }

  private static ToolSheet.PlanPart plan(String name, ToolSheet.TermPart... terms) {
    return new ToolSheet.PlanPart(
        name.toLowerCase(java.util.Locale.ROOT),
        name,
        "EUR",
        "seats",
        0,
        null,
        null,
        null,
        PAGE,
        List.of(terms),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  private static ToolSheet tool(String name, ToolSheet.PlanPart... plans) {
    return ToolSheet.named(name.toLowerCase(java.util.Locale.ROOT), name, List.of("talking"))
        .withPlans(List.of(plans));
  }

  private static Brief brief(int people, String more, List<Brief.NeedPart> needs) {
    return new Brief(
        "Which?",
        "",
        "2026-12-01",
        "2027-01",
        24,
        "EUR",
        "0",
        List.of(
            new Brief.GroupPart("crew", "Crew", "hires", people, more, null, null, List.of()),
            new Brief.GroupPart("office", "Office", "hires", 4, "0", null, null, List.of())),
        List.of(new Brief.DemandPart("seats", "0", Map.of("crew", "1", "office", "1"))),
        null,
        needs,
        List.of(),
        List.of());
  }

  private static Selection read(Brief brief, List<ToolSheet> contenders, List<ToolSheet> pages) {
    Faults faults = new Faults();
    SelectionFile file =
        new SelectionFile(
                SelectionFile.FORMAT,
                SelectionFile.VERSION,
                brief,
                contenders.stream()
                    .map(sheet -> new SelectionFile.ContenderPart(sheet, null))
                    .toList(),
                List.of(),
                null)
            .withPages(pages.isEmpty() ? null : pages);
    Optional<Selection> read = new SelectionReader(faults).readNew(file);
    assertTrue(faults.isEmpty(), faults.all().toString());
    return read.orElseThrow();
  }

  private static CostsOverall costs(Selection selection) {
    return Evaluation.of(selection, WhatIf.START).costs().overall();
  }

  private static CostsOverall costs(ToolSheet contender, ToolSheet... pages) {
    return costs(read(brief(6, "1", List.of()), List.of(contender), List.of(pages)));
  }

  private static ToolSheet onTop(ToolSheet sheet, String plan, @Nullable String tool) {
    return sheet.withPlans(
        sheet.plans().stream().map(p -> p.withBasePlan(plan).withBaseTool(tool)).toList());
  }

  /** What both cost apart is what they cost together, where both are sold under one term. */
  @Test
  public void aPlanOnTopOfAnotherCostsWhatBothCost() {
    Random random = new Random(31);
    for (int i = 0; i < 60; i++) {
      TermCode code = TermCode.ALL.get(random.nextInt(TermCode.ALL.size()));
      ToolSheet base = tool("Quay", plan("Dock", made(random, code)));
      ToolSheet alone = tool("Mast", plan("Sail", made(random, code)));
      Brief brief = brief(random.nextInt(30), "" + random.nextInt(3), List.of());
      Money both =
          total(read(brief, List.of(base), List.of()), "quay")
              .plus(total(read(brief, List.of(alone), List.of()), "mast"));
      Selection joined = read(brief, List.of(onTop(alone, "dock", "quay")), List.of(base));
      assertEquals(total(joined, "mast"), both, "case " + i + ", " + code.code());
    }
  }

  private static Money total(Selection selection, String id) {
    return costs(selection).total(id).orElseThrow();
  }

  private static ToolSheet.TermPart made(Random random, TermCode code) {
    List<ToolSheet.ChargePart> charges = new ArrayList<>();
    charges.add(
        new ToolSheet.PerUnitPart(
            "Seats",
            "seats",
            random.nextInt(20) + "." + random.nextInt(10) + "5",
            random.nextInt(9),
            1 + random.nextInt(4),
            random.nextInt(3)));
    if (random.nextBoolean()) {
      charges.add(new ToolSheet.FlatPart("Account", "" + random.nextInt(90)));
    }
    if (random.nextBoolean()) {
      charges.add(new ToolSheet.OneOffPart("Setting up", "" + random.nextInt(300), null));
    }
    return new ToolSheet.TermPart(
        code.term().monthsCommitted(), code.upFront(), charges, List.of(), null);
  }

  @Test
  public void whatIsCountedInTheChoiceOfTheWayIsTheSum() {
    // alone the dear plan is out; with the base the plan that has it anyway is cheaper
    ToolSheet sheet =
        tool(
            "Mast",
            plan("Base", term(1, false, seats("6.00"))),
            plan("Extra", term(1, false, seats("3.00"))).withBasePlan("Base"),
            plan("Whole", term(1, false, seats("8.00"))));
    ToolSheet asked =
        sheet.withPlans(
            List.of(
                has(sheet.plans().get(0), "no"),
                has(sheet.plans().get(1), "yes"),
                has(sheet.plans().get(2), "yes")));
    Brief brief = brief(6, "0", List.of(new Brief.NeedPart("Search", "must", null, false)));
    CostsOverall costs = costs(read(brief, List.of(asked), List.of()));
    PlanPaths.Found way = (PlanPaths.Found) costs.way("mast");
    assertEquals(way.best().legs().getFirst().option().plan().name(), "Whole");
    assertEquals(costs.total("mast"), Optional.of(eur("1920.00")));
  }

  private static ToolSheet.PlanPart has(ToolSheet.PlanPart plan, String answer) {
    return plan.withFacts(List.of(new ToolSheet.FactPart("Search", "", answer, "", PAGE)));
  }

  private static Money eur(String amount) {
    return Money.parse("EUR " + amount);
  }

  @Test
  public void whereTheBaseHasNoPriceOnlyTheLeastIsKnown() {
    ToolSheet top =
        onTop(tool("Mast", plan("Sail", term(1, false, seats("3.00")))), "Dock", "quay");
    List<ToolSheet> without =
        List.of(
            tool("Quay", plan("Dock")),
            tool("Quay", plan("Dock", term(1, false, seats("9.00"))).withCurrency("USD")),
            tool("Quay", plan("Dock", term(12, true, seats("9.00")))),
            tool("Quay", plan("Dock", term(1, false, seats("9.00"))).withTaxPercent("21")),
            tool("Quay", plan("Other", term(1, false, seats("9.00")))));
    for (ToolSheet base : without) {
      CostsOverall costs = costs(top, base);
      assertEquals(costs.total("mast"), Optional.empty(), base.toString());
      // 10 to 33 people at 3.00
      assertEquals(costs.leastTotal("mast"), Optional.of(eur("1548.00")));
      assertTrue(costs.way("mast").leftOut().getFirst().why().words().contains("comes on top"));
    }
  }

  /** What was stored can be read for ever: nothing that others state makes a page unreadable. */
  @Test
  public void whateverThePlanBelowStatesTheQuestionIsRead() {
    ToolSheet.PlanPart many = plan("Sail", term(1, false, seats("3.00"))).withLeast(20);
    ToolSheet few = tool("Quay", plan("Dock", term(1, false, seats("2.00"))).withMost(10));
    assertEquals(
        costs(onTop(tool("Mast", many), "Dock", "quay"), few).total("mast"), Optional.empty());
    ToolSheet.PlanPart open =
        plan("Sail", term(1, false, seats("3.00")), term(12, true, seats("2.50")))
            .withUnsaid(
                List.of(
                    new ToolSheet.UnsaidPart(
                        "Seats", "m1", List.of(tertulia.core.pricing.Unsaid.Kind.PERIOD))));
    ToolSheet yearly = tool("Quay", plan("Dock", term(12, true, seats("2.00"))));
    // a monthly term below is not sold, so what is left open of the one above is gone with it
    assertEquals(
        costs(onTop(tool("Mast", open), "Dock", "quay"), yearly).total("mast"),
        Optional.of(eur("2322.00")));
    ToolSheet.TermPart withAddOn =
        new ToolSheet.TermPart(
            1,
            false,
            List.of(seats("3.00")),
            List.of(new ToolSheet.AddOnPart("Relay", List.of(seats("1.00")))),
            null);
    ToolSheet.PlanPart both =
        plan("Sail", withAddOn)
            .withFacts(
                List.of(
                    new ToolSheet.FactPart(
                        "Goes with Quay", "", "through-connector", "Relay", PAGE)));
    Brief brief = brief(6, "1", List.of(new Brief.NeedPart("Goes with Quay", "must", null, false)));
    assertEquals(
        total(read(brief, List.of(with(tool("Mast", both), "12", "EUR", null)), List.of()), "mast"),
        eur("2064.00"),
        "of two of one name the page's add-on is bought");
  }

  @Test
  public void aPlanBelowMayItselfBeHadOnlyWithAnother() {
    ToolSheet.PlanPart[] plans = {
      plan("One", term(1, false, seats("1.00"))),
      plan("Two", term(1, false, seats("2.00"))).withBasePlan("One"),
      plan("Three", term(1, false, seats("3.00"))).withBasePlan("Two")
    };
    CostsOverall three =
        costs(tool("Mast", plans).withPlans(List.of(plans[2], plans[1], plans[0])));
    assertEquals(three.total("mast"), Optional.of(eur("516.00")), "the lowest alone is cheapest");
    ToolSheet top =
        onTop(tool("Sheet", plan("Sail", term(1, false, seats("4.00")))), "Three", "mast");
    assertEquals(costs(top, tool("Mast", plans)).total("sheet"), Optional.of(eur("5160.00")));
    // one that leads back to itself has no price
    ToolSheet.PlanPart[] round = {plans[0].withBasePlan("Three"), plans[1], plans[2]};
    assertEquals(costs(top, tool("Mast", round)).total("sheet"), Optional.empty());
  }

  @Test
  public void aPlanThatWasRenamedIsFoundByWhatItKeeps() {
    ToolSheet top =
        onTop(tool("Mast", plan("Sail", term(1, false, seats("3.00")))), "Dock", "quay");
    ToolSheet base =
        tool("Quay", plan("Dock", term(1, false, seats("2.00"))).withName("Dock and yard"));
    assertEquals(costs(top, base).total("mast"), Optional.of(eur("2580.00")));
  }

  @Test
  public void aBaseSoldOnlyByTheMonthIsCountedByTheMonth() {
    ToolSheet top =
        onTop(tool("Mast", plan("Sail", term(12, true, seats("3.00")))), "Dock", "quay");
    ToolSheet base = tool("Quay", plan("Dock", term(1, false, seats("2.00"))));
    CostsOverall costs = costs(top, base);
    assertEquals(costs.total("mast"), Optional.of(eur("2580.00")));
    assertEquals(
        ((PlanPaths.Found) costs.way("mast")).best().legs().getFirst().option().label(),
        "Sail on Quay Dock, yearly, up front");
  }

  @Test
  public void whatStaysInUseOrIsBoughtWithItIsNotBoughtAgain() {
    ToolSheet top =
        onTop(tool("Mast", plan("Sail", term(1, false, seats("3.00")))), "Dock", "quay");
    ToolSheet base =
        tool(
            "Quay",
            plan("Pier", term(1, false, seats("1.00"))),
            plan("Dock", term(1, false, seats("2.00"))));
    InUsePart use = use("dock", List.of());
    assertEquals(own(top, base, use), Optional.of(eur("1548.00")), "all have it");
    assertEquals(
        own(top, base, use("pier", List.of())),
        Optional.of(eur("2580.00")),
        "a plan below it does not do");
    // ten of its units are there: 0 to 23 people more at 2.00
    assertEquals(own(top, base, use("dock", List.of("crew"))), Optional.of(eur("2100.00")));
    ToolSheet set = ToolSheet.set(List.of(top, base)).withId("both");
    CostsOverall together = costs(read(brief(6, "1", List.of()), List.of(set), List.of(top, base)));
    // the cheaper plan of the base is taken: 1.00 and 3.00
    assertEquals(together.total("both"), Optional.of(eur("2064.00")));
  }

  private static InUsePart use(String plan, List<String> users) {
    return new InUsePart(
        "quay",
        plan,
        1,
        false,
        10,
        "seats",
        null,
        null,
        null,
        null,
        null,
        users,
        List.of("keeping files"));
  }

  private static Optional<Money> own(ToolSheet top, ToolSheet base, InUsePart use) {
    Brief brief = brief(6, "1", List.of()).withInUse(List.of(use));
    return costs(read(brief, List.of(top), List.of(base))).own("mast");
  }

  @Test
  public void anOfferTakesNothingOffWhatOthersCharge() {
    ToolSheet.OfferPart half =
        new ToolSheet.OfferPart(
            "Half",
            ToolSheet.Benefit.PERCENT,
            "50",
            null,
            null,
            null,
            null,
            List.of(),
            List.of(),
            List.of(),
            false,
            null,
            null,
            0,
            null,
            PAGE);
    ToolSheet top =
        onTop(tool("Mast", plan("Sail", term(1, false, seats("3.00")))), "Dock", "quay")
            .withOffers(List.of(half));
    ToolSheet base = tool("Quay", plan("Dock", term(1, false, seats("2.00"))));
    // 516 seat months at 1.50 and 2.00
    assertEquals(costs(top, base).total("mast"), Optional.of(eur("1806.00")));
  }

  @Test
  public void aConnectorIsAnAmountOrAToolAndUnknownWithoutAPrice() {
    Brief brief = brief(6, "1", List.of(new Brief.NeedPart("Goes with Quay", "must", null, false)));
    ToolSheet.FactPart through =
        new ToolSheet.FactPart("Goes with Quay", "", "through-connector", "Relay", PAGE);
    ToolSheet mast =
        tool("Mast", plan("Sail", term(1, false, seats("3.00"))).withFacts(List.of(through)));
    ToolSheet relay = tool("Relay", plan("Wire", term(1, false, seats("0.50"))));
    assertEquals(
        costs(read(brief, List.of(with(mast, "12", "EUR", null)), List.of())).total("mast"),
        Optional.of(eur("1836.00")));
    assertEquals(
        costs(read(brief, List.of(with(mast, null, null, "relay")), List.of(relay))).total("mast"),
        Optional.of(eur("1806.00")));
    for (ToolSheet sheet :
        List.of(with(mast, "12", "USD", null), with(mast, null, null, "relay"))) {
      CostsOverall costs = costs(read(brief, List.of(sheet), List.of()));
      PlanPaths.Gap gap = (PlanPaths.Gap) costs.way("mast");
      assertTrue(gap.isUnconfirmed(), "not known whether it is to be had");
    }
    InUsePart use =
        new InUsePart(
            "relay",
            "wire",
            1,
            false,
            10,
            "seats",
            null,
            null,
            null,
            null,
            null,
            List.of(),
            List.of("joining"));
    assertEquals(
        costs(
                read(
                    brief.withInUse(List.of(use)),
                    List.of(with(mast, null, null, "relay")),
                    List.of(relay)))
            .own("mast"),
        Optional.of(eur("1548.00")),
        "it is there");
  }

  private static ToolSheet with(
      ToolSheet sheet, @Nullable String price, @Nullable String currency, @Nullable String tool) {
    return sheet.withConnectors(
        List.of(
            new ToolSheet.ConnectorPart(
                "Relay", price, currency, tool, tool == null ? null : "Wire", PAGE)));
  }

  @Test
  public void aQuoteIsALowerBoundFromTheDayAfterItsLast() {
    ToolSheet.PlanPart quoted =
        plan("Sail", term(1, false, seats("3.00"))).withBasis(ToolSheet.Basis.QUOTE);
    assertEquals(
        costs(tool("Mast", quoted.withHoldsUntil("2026-12-01"))).total("mast"),
        Optional.of(eur("1548.00")));
    CostsOverall ended = costs(tool("Mast", quoted.withHoldsUntil("2026-11-30")));
    assertEquals(ended.total("mast"), Optional.empty());
    assertEquals(ended.leastTotal("mast"), Optional.of(eur("1548.00")));
    assertEquals(
        ended.way("mast").leftOut().getFirst().why().words(),
        "its quote does not hold any more, so it costs at least that");
    // another quote of the same vendor that holds is the figure
    CostsOverall both =
        costs(
            tool(
                "Mast",
                quoted.withHoldsUntil("2026-11-30"),
                plan("Sail2", term(1, false, seats("4.00"))).withBasis(ToolSheet.Basis.QUOTE)));
    assertFalse(both.total("mast").isEmpty());
  }

  @Test
  public void whatCannotBeIsRefusedWithASentence() {
    ToolSheet mast = tool("Mast", plan("Sail", term(1, false, seats("3.00"))));
    ToolSheet.FactPart through =
        new ToolSheet.FactPart("Goes with Quay", "", "through-connector", "Relay", PAGE);
    assertRefused(onTop(mast, "Sail", null), "no other plan of this tool");
    assertRefused(onTop(mast, "Dock", null), "no other plan of this tool");
    assertRefused(
        mast.withPlans(List.of(mast.plans().getFirst().withBaseTool("quay"))),
        "Name that tool's plan");
    assertRefused(
        mast.withPlans(List.of(mast.plans().getFirst().withFacts(List.of(through)))),
        "no connector of this page");
    assertRefused(with(mast, null, null, null), "say either what it costs");
    assertRefused(with(mast, "12", null, "relay"), "say either what it costs");
    assertRefused(
        mast.withPlans(List.of(mast.plans().getFirst().withHoldsUntil("2026-12-31"))),
        "which only a quote does");
  }

  private static void assertRefused(ToolSheet sheet, String why) {
    Faults faults = new Faults();
    new ToolReader(faults).tool("", sheet);
    assertTrue(faults.all().toString().contains(why), faults.all().toString());
  }
}
