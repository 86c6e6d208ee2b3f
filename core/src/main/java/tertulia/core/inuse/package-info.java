/** What an organisation uses already, what it would cost to go on so, and what is still owed. */
@NullMarked
package tertulia.core.inuse;

import org.jspecify.annotations.NullMarked;
