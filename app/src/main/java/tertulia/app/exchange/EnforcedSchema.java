package tertulia.app.exchange;

import com.networknt.schema.Error;
import com.networknt.schema.ExecutionContext;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** A published JSON Schema (2020-12) as it is enforced. */
record EnforcedSchema(Schema schema) {
  private static final int MOST_FAULTS = 50;

  /** The schema published as {@code docs/formats/NAME.schema.json}. */
  static EnforcedSchema named(String name) {
    try (InputStream in =
        Objects.requireNonNull(
            EnforcedSchema.class.getResourceAsStream("/schema/" + name + ".schema.json"))) {
      String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      return new EnforcedSchema(
          SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
              .getSchema(text, InputFormat.JSON));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * What of a document that a form made goes beyond what a file may hold, so that whatever is
   * stored can be taken out and read in again; the first.
   *
   * @param value written as it stands in the file
   */
  Optional<Fault> beyond(Object value) {
    return schema.validate(Json.write(value), InputFormat.JSON).stream()
        .findFirst()
        .map(e ->
            new Fault(
                e.getInstanceLocation().toString(),
                "This is more than can be kept: "
                    + e.getMessage()
                    + " at "
                    + e.getInstanceLocation()
                    + ". Leave some out, or shorten it."));
  }

  /** What in {@code tree} is not as the schema says; the first fifty, and no more is looked for. */
  List<Fault> faults(JsonNode tree) {
    ExecutionContext context = schema.createExecutionContext();
    List<Error> found = new FirstFew();
    context.setErrors(found);
    try {
      schema.validate(context, tree);
    } catch (Enough e) {
      // a file of a million faults would take as many lines
    }
    return found.stream()
        .map(e -> new Fault(e.getInstanceLocation().toString(), e.getMessage() + "."))
        .toList();
  }

  /** Ends a validation that has found all that is going to be said. */
  private static final class Enough extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Enough() {
      super("enough", null, false, false);
    }
  }

  /** What a validation finds, as far as it is going to be said. */
  private static final class FirstFew extends ArrayList<Error> {
    private static final long serialVersionUID = 1L;

    @Override
    public boolean add(Error error) {
      super.add(error);
      if (size() >= MOST_FAULTS) {
        throw new Enough();
      }
      return true;
    }
  }
}
