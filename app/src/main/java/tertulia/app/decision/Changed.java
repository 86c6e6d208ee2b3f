package tertulia.app.decision;

/** Signing was refused: the proposal rests on something that is not so any more. */
final class Changed extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final transient Difference difference;

  Changed(Difference difference) {
    super("This proposal rests on figures or entries that have changed since it was made.");
    this.difference = difference;
  }

  Difference difference() {
    return difference;
  }
}
