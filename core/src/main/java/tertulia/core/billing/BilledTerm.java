package tertulia.core.billing;

import java.util.List;
import java.util.Optional;

/**
 * One term of a plan, billed.
 *
 * @param invoices in order of falling due; credits for leaving it early included
 * @param idle by month of the term within the horizon
 * @param minimums the years of a yearly minimum that end in it
 * @param after what the next term has to know
 * @param run what it adds to a run on a plan with a yearly minimum; empty if the plan has none
 */
public record BilledTerm(
    List<Invoice> invoices,
    List<Ledger.Idle> idle,
    List<MinimumYear> minimums,
    History after,
    Optional<RunMonths> run) {
  public BilledTerm {
    invoices = List.copyOf(invoices);
    idle = List.copyOf(idle);
    minimums = List.copyOf(minimums);
  }
}
