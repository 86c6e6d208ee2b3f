/** What was done to a selection, written down as it is done. */
@NullMarked
package tertulia.app.act;

import org.jspecify.annotations.NullMarked;
