package tertulia.pagetext;

import static java.util.Objects.requireNonNull;

/**
 * A piece of the pasted text.
 *
 * @param line counted from 1
 * @param text as it stands in that line, without space around it
 */
public record Passage(int line, String text) {
  public Passage {
    requireNonNull(text);
    if (line < 1) {
      throw new IllegalArgumentException("Lines are counted from 1; found " + line + ".");
    }
  }
}
