/** Needs, facts and verdicts with their reasons. */
@NullMarked
package tertulia.core.fit;

import org.jspecify.annotations.NullMarked;
