/** What a selection is about: who, what must be there, how much is done, and with what money. */
@NullMarked
package tertulia.app.need;

import org.jspecify.annotations.NullMarked;
