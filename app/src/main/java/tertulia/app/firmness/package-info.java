/** How firm the answer is, and who should take which. */
@NullMarked
package tertulia.app.firmness;

import org.jspecify.annotations.NullMarked;
