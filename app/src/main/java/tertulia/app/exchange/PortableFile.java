package tertulia.app.exchange;

import java.util.List;
import java.util.Optional;
import tertulia.core.evaluation.Selection;

/** Reads portable selections: size, JSON, schema, then the rules of the core. All or nothing. */
public final class PortableFile {
  /** Files above this size are refused before they are read. */
  public static final int MOST_BYTES = JsonFile.MOST_BYTES;

  private static final EnforcedSchema SCHEMA = EnforcedSchema.named("selection-1");

  private PortableFile() {}

  /** What became of a file. */
  public sealed interface Read {
    /** The file holds a selection. */
    record Accepted(SelectionFile file, Selection selection) implements Read {}

    /** The file was refused. Nothing of it was stored. */
    record Refused(List<Fault> faults) implements Read {}
  }

  public static String write(SelectionFile file) {
    return Json.write(file);
  }

  public static Read read(byte[] bytes) {
    JsonFile<SelectionFile> file =
        JsonFile.read(
            bytes,
            SelectionFile.FORMAT,
            SelectionFile.VERSION,
            "selection",
            SCHEMA,
            SelectionFile.class);
    return file.value()
        .map(PortableFile::accepted)
        .orElseGet(() -> new Read.Refused(file.faults()));
  }

  /** What of a selection goes beyond what a file may hold; empty if nothing does. */
  static Optional<Fault> beyond(SelectionFile file) {
    return SCHEMA.beyond(file);
  }

  private static Read accepted(SelectionFile file) {
    Faults faults = new Faults();
    Optional<Selection> selection = new SelectionReader(faults).readNew(file);
    return selection
        .<Read>map(s -> new Read.Accepted(file, s))
        .orElseGet(() -> new Read.Refused(faults.all()));
  }
}
