package tertulia.app.exchange;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import tertulia.core.evaluation.Selection;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads portable selections: size, JSON, schema, then the rules of the core. All or nothing. */
public final class PortableFile {
  /** Files above this size are refused before they are read. */
  public static final int MOST_BYTES = 10 * 1024 * 1024;

  private static final int MOST_FAULTS = 50;
  private static final Schema SCHEMA = loadSchema();

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
    List<Error> errors = SCHEMA.validate(Json.write(tree), InputFormat.JSON);
    if (!errors.isEmpty()) {
      return new Read.Refused(
          errors.stream()
              .limit(MOST_FAULTS)
              .map(e -> new Fault(e.getInstanceLocation().toString(), e.getMessage() + "."))
              .toList());
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

  private static Schema loadSchema() {
    try (InputStream in =
        Objects.requireNonNull(
            PortableFile.class.getResourceAsStream("/schema/selection-1.schema.json"))) {
      String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(text, InputFormat.JSON);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
