/** Plan months counted from a start month. */
@NullMarked
package tertulia.core.time;

import org.jspecify.annotations.NullMarked;
