/** How firm an order by totals is: the room of weights, upsets, rank shares, the map of winners. */
@NullMarked
package tertulia.core.firmness;

import org.jspecify.annotations.NullMarked;
