/** Contenders against needs: side by side, plan by plan and head to head. */
@NullMarked
package tertulia.app.fit;

import org.jspecify.annotations.NullMarked;
