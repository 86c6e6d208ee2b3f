package tertulia.core.billing;

import tertulia.core.time.MonthSpan;

/**
 * The months of a year that were held against a yearly minimum, whether or not it was reached.
 *
 * @param line what is missing, which may be nothing
 */
public record MinimumYear(MonthSpan months, InvoiceLine.ToMinimum line) {}
