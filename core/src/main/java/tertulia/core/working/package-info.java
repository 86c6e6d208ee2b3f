/** How a figure came about, as typed lines down to what somebody entered, with date and source. */
@NullMarked
package tertulia.core.working;

import org.jspecify.annotations.NullMarked;
