/** What a tool costs in people's time, kept apart from its price. */
@NullMarked
package tertulia.core.labour;

import org.jspecify.annotations.NullMarked;
