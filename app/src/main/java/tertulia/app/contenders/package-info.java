/** Who is compared, who is out and why, and what nobody has said yet. */
@NullMarked
package tertulia.app.contenders;

import org.jspecify.annotations.NullMarked;
