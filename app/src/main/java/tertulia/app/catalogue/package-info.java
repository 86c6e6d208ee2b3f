/** Tools with their price pages, facts and ratings. */
@NullMarked
package tertulia.app.catalogue;

import org.jspecify.annotations.NullMarked;
