/** Invoices of one plan over the months; cash and spread views; idle units. */
@NullMarked
package tertulia.core.billing;

import org.jspecify.annotations.NullMarked;
