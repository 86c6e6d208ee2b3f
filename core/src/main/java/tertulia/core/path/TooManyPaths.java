package tertulia.core.path;

/** There are more ways through a tool's plans than can be compared. */
final class TooManyPaths extends RuntimeException {
  private static final long serialVersionUID = 1L;

  TooManyPaths() {
    super("too many ways", null, false, false);
  }
}
