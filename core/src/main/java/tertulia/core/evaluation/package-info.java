/** One selection in, everything computed out; the only package that sees all others. */
@NullMarked
package tertulia.core.evaluation;

import org.jspecify.annotations.NullMarked;
