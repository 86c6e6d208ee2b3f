/** What people ask and say about what stands at a table, and how it is answered. */
@NullMarked
package tertulia.core.remark;

import org.jspecify.annotations.NullMarked;
