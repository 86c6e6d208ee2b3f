/** Slips of the keyboard that are asked about at entry: figures that are possible but unlikely. */
@NullMarked
package tertulia.core.plausibility;

import org.jspecify.annotations.NullMarked;
