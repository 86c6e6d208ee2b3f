/** Selections: their brief, contenders and fit, and the workspace every step stands in. */
@NullMarked
package tertulia.app.selection;

import org.jspecify.annotations.NullMarked;
