/** The cost model as a workbook whose every amount is a formula down to what was entered. */
@NullMarked
package tertulia.app.workbook;

import org.jspecify.annotations.NullMarked;
