package tertulia.core.path;

import tertulia.core.billing.UnitsNeeded;

/**
 * What a steady cost is asked for: the units of one month, and which plan month it is, because what
 * is owned holds only until a day.
 *
 * @param month the plan month, 0 or more
 */
public record Occasion(UnitsNeeded units, int month) {}
