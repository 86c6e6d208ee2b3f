/** What every controller shares: answers to what is not there or cannot be done, and headers. */
@NullMarked
package tertulia.app.web;

import org.jspecify.annotations.NullMarked;
