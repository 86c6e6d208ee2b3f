/** Stand-ins for the outside world: simulated, behind one small interface each. */
@NullMarked
package tertulia.app.standin;

import org.jspecify.annotations.NullMarked;
