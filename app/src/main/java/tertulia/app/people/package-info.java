/** Accounts, roles and signing in. */
@NullMarked
package tertulia.app.people;

import org.jspecify.annotations.NullMarked;
