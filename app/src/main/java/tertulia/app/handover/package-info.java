/** Taking selections and decisions out of the product and in again. */
@NullMarked
package tertulia.app.handover;

import org.jspecify.annotations.NullMarked;
