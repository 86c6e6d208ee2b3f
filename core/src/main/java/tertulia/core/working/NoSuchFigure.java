package tertulia.core.working;

/**
 * "Why" was asked of a figure that is not there: of a contender, criterion, month or plan that the
 * selection does not have. Whatever else a working throws is a defect of ours.
 */
public final class NoSuchFigure extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /**
   * @param what is not there, as in "there is no …"
   */
  public NoSuchFigure(String what) {
    super(what);
  }

  /** What is not there; never null. */
  public String what() {
    return String.valueOf(getMessage());
  }
}
