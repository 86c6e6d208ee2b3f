package tertulia.core.path;

/** There are more ways through a tool's plans than can be compared. */
final class TooManyWays extends RuntimeException {
  private static final long serialVersionUID = 1L;

  TooManyWays() {
    super("too many ways", null, false, false);
  }
}
