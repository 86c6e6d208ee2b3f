/** The Weights and Marks steps. */
@NullMarked
package tertulia.app.weighing;

import org.jspecify.annotations.NullMarked;
