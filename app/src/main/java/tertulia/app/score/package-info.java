/** The score card: who wins where, by how much, and why. */
@NullMarked
package tertulia.app.score;

import org.jspecify.annotations.NullMarked;
