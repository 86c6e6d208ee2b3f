/** The answers so far: of one selection, and of all in a line each. */
@NullMarked
package tertulia.app.overview;

import org.jspecify.annotations.NullMarked;
