/** Groups of people, how they grow, and the demand that follows from them. */
@NullMarked
package tertulia.core.growth;

import org.jspecify.annotations.NullMarked;
