/** Messages to people: a stand-in for mail, to be read in the product. */
@NullMarked
package tertulia.app.mail;

import org.jspecify.annotations.NullMarked;
