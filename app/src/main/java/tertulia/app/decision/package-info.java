/** The Decision step: proposing, signing off, objecting, the frozen snapshot. */
@NullMarked
package tertulia.app.decision;

import org.jspecify.annotations.NullMarked;
