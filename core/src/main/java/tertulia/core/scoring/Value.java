package tertulia.core.scoring;

import tertulia.core.working.Working;

/**
 * What a contender is worth under one criterion.
 *
 * @param interval within 0 … 1; exact if known
 * @param working how it came about, or why it is not known
 */
public record Value(Interval interval, Working working) {}
