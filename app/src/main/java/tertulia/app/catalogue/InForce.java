package tertulia.app.catalogue;

import java.util.Comparator;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.working.Ground;

/** Which of several facts about one thing is in force. */
final class InForce {
  private InForce() {}

  /** The strongest ground first, then the newest. */
  static final Comparator<ToolSheet.SourcePart> OF_SOURCES =
      Comparator.comparing(
              (ToolSheet.SourcePart source) -> Codes.oneOf(Ground.class, source.ground()).rank())
          .thenComparing(ToolSheet.SourcePart::asOf, Comparator.reverseOrder());

  /** The strongest ground first, then the newest. */
  static final Comparator<ToolSheet.FactPart> FIRST =
      Comparator.comparing(ToolSheet.FactPart::source, OF_SOURCES);
}
