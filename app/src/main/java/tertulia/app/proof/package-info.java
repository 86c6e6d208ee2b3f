/** Pictures beside marks and results: taken in, and shown safely. */
@NullMarked
package tertulia.app.proof;

import org.jspecify.annotations.NullMarked;
