/** Where the data lie: what is checked at the start, how a write gets to the disk, copies. */
@NullMarked
package tertulia.app.store;

import org.jspecify.annotations.NullMarked;
