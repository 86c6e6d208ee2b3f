/** The organisation's people over the months: groups, dated changes, scenarios, what happened. */
@NullMarked
package tertulia.app.growth;

import org.jspecify.annotations.NullMarked;
