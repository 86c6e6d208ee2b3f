package tertulia.app.exchange;

import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Reads the fields of a form; what is wrong is collected under the field's name. */
public record Fields(Faults faults) {
  /** What {@code reader} makes of the text; empty if it refuses. */
  public String read(String field, String text, Function<String, String> reader) {
    return faults.at(field, () -> reader.apply(text)).orElse("");
  }

  /** What is missing, by the last part of a field's name. */
  private static String missing(String field) {
    return switch (field.substring(field.lastIndexOf('.') + 1)) {
      case "title" -> "The question is missing. Type it.";
      case "capability" -> "A need has no name. Type what is needed, or empty the line.";
      case "label" -> "A dated change has no name. Type what it is.";
      default -> "A name is missing. Type it.";
    };
  }

  /** Text of at most so many characters. */
  public String text(String field, String text, int most, boolean needed) {
    if (needed && text.isBlank()) {
      faults.add(field, missing(field));
    }
    return read(field, text, t -> Codes.text(t, most));
  }

  public String decimal(String field, String text) {
    return read(field, text, t -> TypedNumber.read(t).text());
  }

  /** A decimal that may be left out; null if it is. */
  public @Nullable String decimalIfAny(String field, String text) {
    return text.isBlank() ? null : decimal(field, text);
  }

  /** A whole number; 1 if it is refused. */
  public int whole(String field, @Nullable String text) {
    return faults.at(field, () -> TypedNumber.readWhole(text == null ? "" : text)).orElse(1);
  }

  public String month(String field, String text) {
    return read(field, text, t -> TypedDate.month(t).toString());
  }

  public String day(String field, String text) {
    return read(field, text, t -> TypedDate.day(t).toString());
  }

  public String currency(String field, String text) {
    return read(field, text, t -> Codes.currency(t).getCode());
  }
}
