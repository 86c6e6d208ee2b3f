/** What the organisation uses already. */
@NullMarked
package tertulia.app.inuse;

import org.jspecify.annotations.NullMarked;
