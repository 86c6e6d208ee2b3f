package tertulia.app.exchange;

import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * Characters that nobody sees and that make a text read other than it is: controls, and those that
 * turn the direction of writing. They are refused wherever text comes in.
 */
public final class Unseen {
  private Unseen() {}

  /** The first one in a text, such as "U+202E"; empty if there is none. */
  public static Optional<String> in(String text) {
    return text.codePoints()
        .filter(Unseen::isUnseen)
        .mapToObj(c -> String.format(Locale.ROOT, "U+%04X", c))
        .findFirst();
  }

  private static boolean isUnseen(int c) {
    return Character.isISOControl(c) && c != '\n' && c != '\r' && c != '\t'
        || c == 0x061C
        || c >= 0x200E && c <= 0x200F
        || c >= 0x202A && c <= 0x202E
        || c >= 0x2066 && c <= 0x2069
        || c >= 0xD800 && c <= 0xDFFF;
  }

  /** The first fault in the texts and names of a document, at its place; empty if there is none. */
  static Optional<Fault> in(String at, JsonNode node) {
    if (node.isString()) {
      return in(node.asString()).map(found -> new Fault(at, sentence(found)));
    }
    if (node.isArray()) {
      for (int i = 0; i < node.size(); i++) {
        Optional<Fault> fault = in(at + "/" + i, node.get(i));
        if (fault.isPresent()) {
          return fault;
        }
      }
    }
    for (var field : node.properties()) {
      Optional<Fault> fault =
          in(field.getKey())
              .map(found -> new Fault(at, sentence(found)))
              .or(() -> in(at + "/" + field.getKey(), field.getValue()));
      if (fault.isPresent()) {
        return fault;
      }
    }
    return Optional.empty();
  }

  /** What to say of it. */
  public static String sentence(String found) {
    return "There is a character in it that cannot be seen ("
        + found
        + "). Type the text anew instead of pasting it.";
  }
}
