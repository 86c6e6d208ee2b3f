/** The application: starts the server, wires the beans, guards every route. */
@NullMarked
package tertulia.app;

import org.jspecify.annotations.NullMarked;
