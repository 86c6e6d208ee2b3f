/** Trying contenders by hand: tasks, trials, how it went, and what that says of facts. */
@NullMarked
package tertulia.app.trial;

import org.jspecify.annotations.NullMarked;
