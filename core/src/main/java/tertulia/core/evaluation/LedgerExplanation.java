package tertulia.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tertulia.core.billing.CostTiming;
import tertulia.core.billing.Invoice;
import tertulia.core.billing.Ledger;
import tertulia.core.path.PlanPaths;
import tertulia.core.working.Derivation;
import tertulia.core.working.NoSuchFigure;
import tertulia.core.working.Quantity;

/**
 * Why months, years and what is paid beside them come to so much along the cheapest path.
 *
 * @param without why a contender has no way
 */
record LedgerExplanation(Evaluation evaluation, Function<String, Derivation> without) {
  private Selection selection() {
    return evaluation.selection();
  }

  private Optional<Ledger> ledger(String contender) {
    return evaluation.costs().overall().way(contender) instanceof PlanPaths.Found found
        ? Optional.of(found.best().ledger())
        : Optional.empty();
  }

  /**
   * A plan month.
   *
   * @throws NoSuchFigure if there is no such month
   */
  Derivation month(String contender, int m) {
    if (!selection().horizon().contains(m)) {
      throw new NoSuchFigure("plan month " + m);
    }
    return ledger(contender)
        .map(ledger -> ledger.explainMonth(m, evaluation.whatIf().view()))
        .orElseGet(() -> without.apply(contender));
  }

  /**
   * A plan year, the first being 0.
   *
   * @throws NoSuchFigure if there is no such year
   */
  Derivation year(String contender, int year) {
    int months = selection().horizon().months();
    if (year < 0 || year > (months - 1) / 12) {
      throw new NoSuchFigure("plan year " + year);
    }
    CostTiming view = evaluation.whatIf().view();
    return ledger(contender)
        .map(ledger -> {
          List<Derivation> parts = new ArrayList<>();
          for (int m = 12 * year; m < Math.min(months, 12 * year + 12); m++) {
            parts.add(ledger.explainMonth(m, view));
          }
          return (Derivation)
              Derivation.Sum.of(
                  "Plan year " + (year + 1) + ", " + view.words(),
                  ledger.currency().getCode(),
                  parts);
        })
        .orElseGet(() -> without.apply(contender));
  }

  /** What is committed after the last plan month. */
  Derivation pastHorizon(String contender) {
    CostTiming view = evaluation.whatIf().view();
    return ledger(contender)
        .map(ledger -> {
          List<Derivation> parts = new ArrayList<>();
          for (Invoice invoice : ledger.invoices()) {
            if (invoice.covers().end() > selection().horizon().months()) {
              parts.add(invoice.explain(selection().horizon()));
            }
          }
          return (Derivation)
              new Derivation.Derived(
                  "Committed after these months",
                  Quantity.of(ledger.pastHorizon(view)),
                  "the part of these invoices that falls after month "
                      + selection().horizon().months(),
                  parts);
        })
        .orElseGet(() -> without.apply(contender));
  }

  /** What is paid for and not needed. */
  Derivation idle(String contender) {
    return ledger(contender)
        .map(ledger -> {
          List<Derivation> parts = new ArrayList<>();
          for (int m = 0; m < ledger.idle().size(); m++) {
            Ledger.Idle idle = ledger.idle().get(m);
            if (idle.units() > 0) {
              parts.add(
                  new Derivation.Derived(
                      "plan month " + m,
                      Quantity.of(idle.money()),
                      idle.units() + " units paid for and not needed",
                      List.of()));
            }
          }
          return (Derivation) Derivation.Sum.of("Idle units", ledger.currency().getCode(), parts);
        })
        .orElseGet(() -> without.apply(contender));
  }
}
