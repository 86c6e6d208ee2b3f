/** The demonstration: Brackwater Line, made up. */
@NullMarked
package tertulia.app.demo;

import org.jspecify.annotations.NullMarked;
