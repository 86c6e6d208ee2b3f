/** Criteria, weights, marks and totals. */
@NullMarked
package tertulia.core.scoring;

import org.jspecify.annotations.NullMarked;
