/** The cheapest plan of a tool over the months, and the steady cost by headcount. */
@NullMarked
package tertulia.core.path;

import org.jspecify.annotations.NullMarked;
