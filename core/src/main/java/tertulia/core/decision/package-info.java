/** The record of a decision and the order of its states. */
@NullMarked
package tertulia.core.decision;

import org.jspecify.annotations.NullMarked;
