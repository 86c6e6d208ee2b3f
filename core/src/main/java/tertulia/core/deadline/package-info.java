/** How long somebody waits for a computation, and its end when that is over. */
@NullMarked
package tertulia.core.deadline;

import org.jspecify.annotations.NullMarked;
