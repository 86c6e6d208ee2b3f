package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.working.Ground;

/** What sentences about a tool speak of, in words. */
public final class Topics {
  private Topics() {}

  /**
   * What is said of a topic, the sentence in force first: the one with the strongest ground, then
   * the newest, then the first that was written down.
   */
  private static List<ToolSheet.WordPart> said(ToolSheet sheet, ToolSheet.Topic topic) {
    return sheet.words().stream()
        .filter(part -> part.topic() == topic)
        .sorted(Comparator.comparing(ToolSheet.WordPart::source, InForce.OF_SOURCES))
        .toList();
  }

  /**
   * A topic as it is read.
   *
   * @param text the sentence in force
   * @param source where it is from
   * @param others what others say of it, and why it is this one that is in force; may be empty
   */
  public record Sentence(String text, String source, String others) {}

  /** What is said of a topic; empty if nobody has written a sentence. */
  public static Optional<Sentence> sentence(ToolSheet sheet, ToolSheet.Topic topic) {
    List<ToolSheet.WordPart> said = said(sheet, topic);
    if (said.isEmpty()) {
      return Optional.empty();
    }
    ToolSheet.WordPart first = said.getFirst();
    String others =
        said.stream()
            .skip(1)
            .map(part -> "“" + part.text() + "” says " + source(part.source()))
            .collect(Collectors.joining("; "));
    return Optional.of(
        new Sentence(
            first.text(),
            source(first.source()),
            others.isEmpty()
                ? ""
                : InForce.why(first.source(), said.get(1).source()) + "; " + others));
  }

  private static String source(ToolSheet.SourcePart source) {
    return Codes.oneOf(Ground.class, source.ground()).words()
        + (source.who().isEmpty() ? "" : ", " + source.who())
        + ", "
        + Dates.day(LocalDate.parse(source.asOf()))
        + (source.interest().isEmpty() ? "" : " (interest: " + source.interest() + ")");
  }
}
