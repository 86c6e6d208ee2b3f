package tertulia.app.laws;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.testng.annotations.Test;
import tertulia.app.catalogue.GeneratedSelections;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.InvoiceLine;
import tertulia.core.billing.Ledger;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.growth.People;
import tertulia.core.growth.Scenario;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.FixedPlan;
import tertulia.core.path.Outcome;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.SteadyCost;
import tertulia.core.path.Terms;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.Charge;
import tertulia.core.working.Quantity;

/** What must hold of every tool, checked on tools made by chance. */
public class LawsOfCostTest {
  private static final int SEEDS = 80;

  /** Several laws look at the same; what is worked out for one is there for the next. */
  private final Map<CostTiming, Map<Integer, Evaluation>> made = new EnumMap<>(CostTiming.class);

  private Evaluation evaluation(int seed, CostTiming view) {
    return made.computeIfAbsent(view, v -> new HashMap<>())
        .computeIfAbsent(seed, s -> evaluation(GeneratedSelections.one(s), view));
  }

  private static Evaluation evaluation(Selection selection, CostTiming view) {
    return Evaluation.of(
        selection, new WhatIf(new WhatIf.Moment.Month(0), Scenario.EXPECTED, Terms.ANY, view));
  }

  private static String tool(Selection selection) {
    return selection.contenders().getFirst().id();
  }

  private static Optional<Money> total(PlanPaths ways, CostTiming view) {
    return ways instanceof PlanPaths.Found found
        ? Optional.of(found.best().ledger().total(view))
        : Optional.empty();
  }

  @Test
  public void theBestWayIsNeverDearerThanKeepingOnePlan() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      for (CostTiming view : CostTiming.values()) {
        Evaluation evaluation = evaluation(seed, view);
        String tool = tool(evaluation.selection());
        Optional<Money> way = total(evaluation.costs().overall().way(tool), view);
        if (evaluation.costs().overall().stay(tool) instanceof Outcome.Found<FixedPlan> stay) {
          Money kept = stay.best().ledger().total(view);
          assertTrue(!way.orElseThrow().isGreaterThan(kept), seed + ": " + way + " over " + kept);
          compared++;
        }
      }
    }
    assertTrue(compared > 40, "only " + compared);
  }

  @Test
  public void spreadAndCashAddUpToTheSameInvoices() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      Evaluation evaluation = evaluation(seed, CostTiming.SPREAD);
      if (evaluation.costs().overall().way(tool(evaluation.selection()))
          instanceof PlanPaths.Found found) {
        Ledger ledger = found.best().ledger();
        Money invoiced =
            ledger.invoices().stream()
                .map(Invoice::reported)
                .reduce(Money.zero(ledger.currency()), Money::plus);
        for (CostTiming view : CostTiming.values()) {
          assertEquals(ledger.total(view).plus(ledger.pastHorizon(view)), invoiced, "" + seed);
          assertKindsAddUp(ledger, view, seed);
        }
        compared++;
      }
    }
    assertTrue(compared > 30, "only " + compared);
  }

  private static void assertKindsAddUp(Ledger ledger, CostTiming view, int seed) {
    Map<InvoiceLine.Kind, List<Money>> kinds = ledger.byKind(view);
    for (int m = 0; m < ledger.horizon().months(); m++) {
      int month = m;
      Money sum =
          kinds.values().stream()
              .map(months -> months.get(month))
              .reduce(Money.zero(ledger.currency()), Money::plus);
      assertEquals(sum, ledger.months(view).get(m), seed + ", month " + m);
    }
  }

  @Test
  public void offersNeverMakeAToolDearer() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      Selection without = GeneratedSelections.read(withoutOffers(GeneratedSelections.file(seed)));
      for (CostTiming view : CostTiming.values()) {
        Optional<Money> dear =
            total(evaluation(without, view).costs().overall().way(tool(without)), view);
        Optional<Money> cheap =
            total(evaluation(seed, view).costs().overall().way(tool(without)), view);
        assertEquals(cheap.isPresent(), dear.isPresent());
        if (dear.isPresent()) {
          assertTrue(!cheap.orElseThrow().isGreaterThan(dear.get()), "" + seed);
          compared += cheap.get().isLessThan(dear.get()) ? 1 : 0;
        }
      }
    }
    assertTrue(compared > 5, "only " + compared + " offers were worth anything");
  }

  private static SelectionFile withoutOffers(SelectionFile file) {
    ToolSheet t = file.contenders().getFirst().tool();
    ToolSheet bare =
        new ToolSheet(
            t.id(),
            t.name(),
            t.maker(),
            t.areas(),
            t.contains(),
            t.together(),
            t.plans(),
            List.of(),
            t.owned(),
            t.conditions(),
            t.connectors(),
            t.ratings(),
            t.confirmed(),
            t.words(),
            t.pasted());
    return new SelectionFile(
        file.format(),
        file.version(),
        file.brief(),
        List.of(new SelectionFile.ContenderPart(bare, null)),
        file.panel(),
        null);
  }

  /**
   * Where nothing is banded whole and nothing is included by the seat, one person more never makes
   * an option cheaper.
   */
  @Test
  public void morePeopleNeverCostLessButForWholeBandsAndAllowancesBySeat() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      Evaluation evaluation = evaluation(seed, CostTiming.SPREAD);
      Map<String, Money> before = new HashMap<>();
      for (int n = 1; n <= 60; n++) {
        Outcome<SteadyCost> outcome = steady(evaluation, n);
        if (outcome instanceof Outcome.Found<SteadyCost> found) {
          for (SteadyCost cost :
              java.util.stream.Stream.concat(
                      java.util.stream.Stream.of(found.best()), found.others().stream())
                  .toList()) {
            if (grows(cost)) {
              Money last = before.put(cost.option().label(), cost.money());
              assertTrue(
                  last == null || !cost.money().isLessThan(last),
                  seed + ", " + n + " people, " + cost.option().label());
              compared++;
            }
          }
        }
      }
    }
    assertTrue(compared > 400, "only " + compared);
  }

  private static boolean grows(SteadyCost cost) {
    return cost.option().list().charges().stream()
        .noneMatch(charge ->
            charge instanceof Charge.Banded banded && banded.mode() == BandMode.WHOLE
                || charge instanceof Charge.Usage usage && usage.included().perSeat().signum() > 0);
  }

  private static Outcome<SteadyCost> steady(Evaluation evaluation, int n) {
    People people = evaluation.costs().overall().today().scaledTo(n);
    Contender contender = evaluation.selection().contenders().getFirst();
    return SteadyCost.cheapest(
        contender.offerings(),
        evaluation.costs().market(),
        evaluation.costs().market().lasting(people, 0));
  }

  @Test
  public void theSweepAgreesWithTheExactPath() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      Evaluation evaluation = evaluation(seed, CostTiming.SPREAD);
      CostByHeadcount costs = evaluation.costs().curves().costByHeadcount();
      // every size that is small, and of the others each in a third of the tools
      for (int n = 1; n <= 130; n += n < 12 ? 1 : n == 12 ? 1 + seed % 3 : 3) {
        Optional<CostByHeadcount.Point> swept = costs.curve(tool(evaluation.selection())).at(n);
        Outcome<SteadyCost> exact = steady(evaluation, n);
        String about = seed + ", " + n + " people";
        if (exact instanceof Outcome.Found<SteadyCost> found) {
          assertEquals(swept.orElseThrow().money(), found.best().money(), about);
          assertEquals(swept.get().atMost(), found.isAtMost(), about);
          compared++;
        } else {
          assertTrue(swept.isEmpty(), about);
        }
      }
    }
    assertTrue(compared > 1000, "only " + compared);
  }

  @Test
  public void aLineIsNeverMoreThanHalfAMinorUnitFromTheExactAmount() {
    int compared = 0;
    for (int seed = 1; seed <= SEEDS; seed++) {
      Evaluation evaluation = evaluation(seed, CostTiming.SPREAD);
      if (evaluation.costs().overall().way(tool(evaluation.selection()))
          instanceof PlanPaths.Found found) {
        for (Invoice invoice : found.best().ledger().invoices()) {
          for (InvoiceLine line : invoice.lines()) {
            if (line instanceof InvoiceLine.Held held && !held.basis().tax().isIncluded()) {
              BigDecimal exact =
                  line.explain().parts().getFirst().value().map(Quantity::amount).orElseThrow();
              BigDecimal half =
                  BigDecimal.ONE
                      .movePointLeft(invoice.currency().getDecimalPlaces())
                      .divide(BigDecimal.TWO);
              BigDecimal off = line.amount().getAmount().subtract(exact).abs();
              // a share that does not come out even has 50 decimals
              off = off.setScale(30, java.math.RoundingMode.HALF_UP);
              assertTrue(off.compareTo(half) <= 0, seed + ", " + line.name() + ": " + off);
              compared++;
            }
          }
        }
      }
    }
    assertTrue(compared > 400, "only " + compared);
  }
}
