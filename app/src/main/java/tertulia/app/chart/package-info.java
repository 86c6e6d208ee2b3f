/** SVG drawn from core results. */
@NullMarked
package tertulia.app.chart;

import org.jspecify.annotations.NullMarked;
