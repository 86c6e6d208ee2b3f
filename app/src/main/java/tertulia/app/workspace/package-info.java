/**
 * The table people sit around: a selection computed out, its frame, its steps, "what if" and "why".
 */
@NullMarked
package tertulia.app.workspace;

import org.jspecify.annotations.NullMarked;
