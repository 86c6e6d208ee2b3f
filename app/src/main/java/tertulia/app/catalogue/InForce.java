package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.Comparator;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.working.Ground;
import tertulia.core.working.Precedence;
import tertulia.core.working.Provenance;

/** Which of several things said of one thing is in force. */
final class InForce {
  private InForce() {}

  /** The one in force first. */
  static final Comparator<ToolSheet.SourcePart> OF_SOURCES =
      Comparator.comparing(InForce::provenance, Precedence.ORDER);

  /** The one in force first. */
  static final Comparator<ToolSheet.FactPart> FIRST =
      Comparator.comparing(ToolSheet.FactPart::source, OF_SOURCES);

  private static Provenance provenance(ToolSheet.SourcePart source) {
    return Provenance.of(
        LocalDate.parse(source.asOf()), Codes.oneOf(Ground.class, source.ground()));
  }

  /** Why the first of two is, as in "tried by hand goes before vendor's claim". */
  static String why(ToolSheet.SourcePart first, ToolSheet.SourcePart second) {
    Provenance one = provenance(first);
    Provenance other = provenance(second);
    return switch (Precedence.of(one, other)) {
      case STRONGER_GROUND ->
          "in force, as " + one.ground().words() + " goes before " + other.ground().words();
      case NEWER -> "in force, as it is the newest";
      case FIRST_LISTED -> "in force, as it was entered first";
    };
  }
}
