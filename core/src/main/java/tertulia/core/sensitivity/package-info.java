/**
 * What would be otherwise if something else held: conditions, scenarios, swings, what to find out.
 */
@NullMarked
package tertulia.core.sensitivity;

import org.jspecify.annotations.NullMarked;
