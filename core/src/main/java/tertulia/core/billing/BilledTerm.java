package tertulia.core.billing;

import java.util.List;

/**
 * One term of a plan, billed.
 *
 * @param invoices in order of falling due; credits for leaving it early included
 * @param idle by month of the term within the horizon
 * @param minimums the years of a yearly minimum that end in it
 * @param after what the next term has to know
 */
public record BilledTerm(
    List<Invoice> invoices, List<Ledger.Idle> idle, List<MinimumYear> minimums, History after) {
  public BilledTerm {
    invoices = List.copyOf(invoices);
    idle = List.copyOf(idle);
    minimums = List.copyOf(minimums);
  }
}
