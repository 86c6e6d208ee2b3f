/** Tells everybody who has a page open that something has changed. */
@NullMarked
package tertulia.app.live;

import org.jspecify.annotations.NullMarked;
