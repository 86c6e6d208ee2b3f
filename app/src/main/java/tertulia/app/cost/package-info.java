/** The Cost step: cost by headcount and over the months. */
@NullMarked
package tertulia.app.cost;

import org.jspecify.annotations.NullMarked;
