/** Amounts, unit prices, rounding and dated rates of exchange. */
@NullMarked
package tertulia.core.money;

import org.jspecify.annotations.NullMarked;
