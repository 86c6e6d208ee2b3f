/** What makers sell: plans, their terms and the sealed kinds of charge. */
@NullMarked
package tertulia.core.pricing;

import org.jspecify.annotations.NullMarked;
