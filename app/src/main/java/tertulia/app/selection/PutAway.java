package tertulia.app.selection;

import org.jspecify.annotations.Nullable;

/**
 * Whether a selection is where everybody looks.
 *
 * @param how out of sight or deleted; null: neither
 * @param by who put it away; null: nobody did
 * @param sample whether it is the sample, to be thrown away
 */
public record PutAway(@Nullable How how, @Nullable String by, boolean sample) {
  /** How a selection is put away. */
  public enum How {
    /** Not in the list, and everything else as it was. */
    ARCHIVED,
    /** Not there for anybody, until it is put back. */
    DELETED
  }

  /** Which selections a list shows. */
  public enum Shown {
    AT_HAND("current"),
    ARCHIVED("archived"),
    DELETED("deleted");

    private final String words;

    Shown(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  static boolean shown(@Nullable How how, Shown shown) {
    return switch (shown) {
      case AT_HAND -> how == null;
      case ARCHIVED -> how == How.ARCHIVED;
      case DELETED -> how == How.DELETED;
    };
  }
}
