/** Who changed what and when, read from the revisions that are stored with every change. */
@NullMarked
package tertulia.app.trail;

import org.jspecify.annotations.NullMarked;
