/** Portable files and results: what they look like and how they become core values. */
@NullMarked
package tertulia.app.exchange;

import org.jspecify.annotations.NullMarked;
