/** What changed between two evaluations of one question, and what each cause makes of it. */
@NullMarked
package tertulia.core.difference;

import org.jspecify.annotations.NullMarked;
