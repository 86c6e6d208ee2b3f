package tertulia.app.display;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import tertulia.core.working.Derivation;
import tertulia.core.working.Provenance;

/**
 * One line of a working as it is read.
 *
 * @param rule how the value follows from the parts; may be empty
 * @param source date and origin of an entered fact; may be empty
 * @param kind "entered", "computed" or "missing", for the line's look
 */
public record WorkingLine(
    String label, String value, String rule, String source, String kind, List<WorkingLine> parts) {

  /** The line for a working, with everything below it. */
  public static WorkingLine of(Derivation working) {
    return of(working, source -> false);
  }

  /**
   * As above; facts that are old are marked.
   *
   * @param isOld whether a fact is older than the workspace wants facts to be
   */
  public static WorkingLine of(Derivation working, Predicate<Provenance> isOld) {
    String value = working.value().map(Figures::quantity).orElse("");
    List<WorkingLine> parts = working.parts().stream().map(part -> of(part, isOld)).toList();
    String label = working.label();
    return switch (working) {
      case Derivation.Entered entered ->
          new WorkingLine(label, value, "", source(entered.source(), isOld), "entered", parts);
      case Derivation.Stated stated ->
          new WorkingLine(
              label, stated.text(), "", source(stated.source(), isOld), "entered", parts);
      case Derivation.Sum sum -> new WorkingLine(label, value, "the sum of", "", "computed", parts);
      case Derivation.Product product ->
          new WorkingLine(label, value, "the product of", "", "computed", parts);
      case Derivation.Derived derived ->
          new WorkingLine(label, value, derived.rule(), "", "computed", parts);
      case Derivation.Taken taken ->
          new WorkingLine(label, value, taken.rule(), "", "computed", parts);
      case Derivation.Missing missing ->
          new WorkingLine(label, "not known", missing.reason(), "", "missing", parts);
    };
  }

  private static String source(Optional<Provenance> source, Predicate<Provenance> isOld) {
    return source.map(s -> source(s) + (isOld.test(s) ? "; old, confirm it" : "")).orElse("");
  }

  private static String source(Provenance source) {
    return "as of "
        + Dates.day(source.asOf())
        + ", "
        + source.ground().words()
        + (source.who().isEmpty() ? "" : ", " + source.who());
  }
}
