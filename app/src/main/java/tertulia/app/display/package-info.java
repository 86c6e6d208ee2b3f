/** How figures, dates and workings read on screen. */
@NullMarked
package tertulia.app.display;

import org.jspecify.annotations.NullMarked;
