package tertulia.app.catalogue;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.growth.Measure;

/**
 * How much a plan allows, as it is typed: "5000", "15 + 1.5 a seat", "500 MB", "unlimited",
 * "unknown", or "10 account or seat?" where the page does not say for whom.
 */
final class AllowanceText {
  private static final Pattern ACCOUNT_OR_SEAT =
      Pattern.compile(
          "(?<most>\\S.*?)\\s+(?:for the )?account or (?:for )?(?:each )?(?<seat>[^?]+?)\\s?\\??");

  private AllowanceText() {}

  /**
   * Reads a cell.
   *
   * @param measures what there may be so many of for each
   * @throws IllegalArgumentException with the ways to write it
   */
  static ToolSheet.AllowancePart read(
      String measure, String cell, ToolSheet.SourcePart source, List<Measure> measures) {
    String typed = cell.strip();
    String text = typed.toLowerCase(Locale.ROOT);
    Matcher open = ACCOUNT_OR_SEAT.matcher(text);
    if (open.matches()) {
      IncludedText each =
          IncludedText.read(
              InUnits.of(open.group("most") + " a " + open.group("seat"), measure), measures);
      return part(
          measure,
          ToolSheet.Limit.ACCOUNT_OR_SEAT,
          new IncludedText(each.perSeat(), "0", each.seats()),
          source,
          typed);
    }
    ToolSheet.Limit kind =
        switch (text) {
          case "unlimited" -> ToolSheet.Limit.UNLIMITED;
          case "unknown", "?" -> ToolSheet.Limit.UNKNOWN;
          default -> ToolSheet.Limit.UP_TO;
        };
    IncludedText most =
        kind == ToolSheet.Limit.UP_TO
            ? IncludedText.read(InUnits.of(text, measure), measures)
            : IncludedText.NOTHING;
    return part(measure, kind, most, source, typed);
  }

  /** What was typed is kept where it is not what is counted. */
  private static ToolSheet.AllowancePart part(
      String measure,
      ToolSheet.Limit kind,
      IncludedText most,
      ToolSheet.SourcePart source,
      String typed) {
    ToolSheet.AllowancePart part =
        new ToolSheet.AllowancePart(
            measure, kind, most.perAccount(), most.perSeat(), most.seats(), null, source);
    boolean inUnits =
        !InUnits.of(typed.toLowerCase(Locale.ROOT), measure).equals(typed.toLowerCase(Locale.ROOT));
    return inUnits ? part.withWritten(typed) : part;
  }

  /** Such as "10 account or seat?". */
  static String accountOrSeat(String most, Measure seats) {
    return most + " account or " + seats.one() + "?";
  }

  /** As it was typed, or as it would be. */
  static String of(ToolSheet.AllowancePart part) {
    String written = part.written();
    return written != null && means(written, part) ? written : counted(part);
  }

  /** As it is read on the tool’s page. */
  static String toRead(ToolSheet.AllowancePart part) {
    return part.kind() == ToolSheet.Limit.ACCOUNT_OR_SEAT
        ? part.perAccount()
            + " for the account or for each "
            + Codes.measure(part.seats()).one()
            + ": the page does not say which"
        : of(part);
  }

  /** Whether a text says what a part does: a file may hold another. */
  private static boolean means(String written, ToolSheet.AllowancePart part) {
    try {
      return read(part.measure(), written, part.source(), List.of(Codes.measure(part.seats())))
          .withWritten(null)
          .equals(part.withWritten(null));
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private static String counted(ToolSheet.AllowancePart part) {
    IncludedText most = new IncludedText(part.perAccount(), part.perSeat(), part.seats());
    String text = most.text().isEmpty() ? "0" : most.text();
    return switch (part.kind()) {
      case UP_TO -> text;
      case ACCOUNT_OR_SEAT -> accountOrSeat(text, Codes.measure(part.seats()));
      case UNLIMITED, UNKNOWN -> Codes.code(part.kind());
    };
  }
}
