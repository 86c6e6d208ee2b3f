/** How figures are worked out, in plain words. */
@org.jspecify.annotations.NullMarked
package tertulia.app.method;
