package tertulia.app.exchange;

import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Selection;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads portable selections: size, JSON, schema, then the rules of the core. All or nothing. */
public final class PortableFile {
  /** Files above this size are refused before they are read. */
  public static final int MOST_BYTES = 10 * 1024 * 1024;

  private static final EnforcedSchema SCHEMA = EnforcedSchema.named("selection-1");

  private PortableFile() {}

  /** What became of a file. */
  public sealed interface Read {
    /** The file holds a selection. */
    record Accepted(SelectionFile file, Selection selection) implements Read {}

    /** The file was refused; nothing of it is kept. */
    record Refused(List<Fault> faults) implements Read {}
  }

  public static String write(SelectionFile file) {
    return Json.write(file);
  }

  public static Read read(byte[] bytes) {
    if (bytes.length > MOST_BYTES) {
      return refused("The file has " + bytes.length + " bytes; at most 10 MB are read.");
    }
    try {
      return checked(Json.tree(bytes));
    } catch (IllegalArgumentException e) {
      return refused(String.valueOf(e.getMessage()));
    }
  }

  private static Read checked(JsonNode tree) {
    if (!SelectionFile.FORMAT.equals(tree.path("format").asString(""))) {
      return refused(
          "This is JSON but no Tertulia selection: \"format\" should be \""
              + SelectionFile.FORMAT
              + "\".");
    }
    List<Fault> errors = SCHEMA.faults(tree);
    if (!errors.isEmpty()) {
      return new Read.Refused(errors);
    }
    try {
      return accepted(Json.convert(tree, SelectionFile.class));
    } catch (JacksonException e) {
      return refused("The file cannot be read: " + e.getOriginalMessage() + ".");
    }
  }

  private static Read accepted(SelectionFile file) {
    Faults faults = new Faults();
    Optional<Selection> selection = new SelectionReader(faults).read(file);
    return selection
        .<Read>map(s -> new Read.Accepted(file, s))
        .orElseGet(() -> new Read.Refused(faults.all()));
  }

  private static Read refused(String message) {
    return new Read.Refused(List.of(new Fault("", message)));
  }
}
