package tertulia.app.catalogue;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;

/** What sentences about a tool speak of, in words. */
public final class Topics {
  private Topics() {}

  /** A topic as it heads a line. */
  public static String label(String topic) {
    return switch (topic) {
      case "what-it-is" -> "What it is";
      case "for-whom" -> "For whom";
      case "age" -> "How long there has been it";
      case "pace" -> "How fast it changes";
      case "standing" -> "Standing of its maker";
      default -> topic;
    };
  }

  /**
   * What is said of a topic, the sentence in force first: the one with the strongest ground, then
   * the newest, then the first that was written down.
   */
  public static List<ToolSheet.WordPart> said(ToolSheet sheet, String topic) {
    return sheet.words().stream()
        .filter(part -> part.topic().equals(topic))
        .sorted(Comparator.comparing(ToolSheet.WordPart::source, InForce.OF_SOURCES))
        .toList();
  }

  /** The sentence in force on a topic; empty if nobody has written one. */
  public static Optional<ToolSheet.WordPart> inForce(ToolSheet sheet, String topic) {
    return said(sheet, topic).stream().findFirst();
  }

  /** All topics, in reading order. */
  static List<String> all() {
    return ToolReader.TOPICS;
  }
}
