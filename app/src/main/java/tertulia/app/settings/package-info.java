/** What holds for the whole workspace. */
@NullMarked
package tertulia.app.settings;

import org.jspecify.annotations.NullMarked;
