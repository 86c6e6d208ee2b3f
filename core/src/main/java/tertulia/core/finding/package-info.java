/** What there is to say of an evaluation: typed, with its figures, so that it can be checked. */
@NullMarked
package tertulia.core.finding;

import org.jspecify.annotations.NullMarked;
