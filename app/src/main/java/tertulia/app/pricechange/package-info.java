/** Price pages side by side over time, makers' announcements, and what changes with them. */
@NullMarked
package tertulia.app.pricechange;

import org.jspecify.annotations.NullMarked;
