/** Selections as they are stored, and who may open them. */
@NullMarked
package tertulia.app.selection;

import org.jspecify.annotations.NullMarked;
