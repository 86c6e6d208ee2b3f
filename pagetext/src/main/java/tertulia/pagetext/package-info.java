/**
 * Reads the text of a price page, copied as it stands, by rules: what plans there are, what they
 * cost, for whom, how they are billed, what they limit and what they can do. Everything said keeps
 * the piece of text it was read from and what had to be assumed; what no rule fits is listed, not
 * guessed.
 */
@NullMarked
package tertulia.pagetext;

import org.jspecify.annotations.NullMarked;
