/** What people tried to do with contenders by hand, and how it went. */
@NullMarked
package tertulia.core.trial;

import org.jspecify.annotations.NullMarked;
