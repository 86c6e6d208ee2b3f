/** The days on which something of selections is due, in one list and as a calendar file. */
@NullMarked
package tertulia.app.dates;

import org.jspecify.annotations.NullMarked;
