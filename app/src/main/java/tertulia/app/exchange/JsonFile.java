package tertulia.app.exchange;

import java.util.List;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * A JSON file from outside as it is read everywhere: size, JSON, format, schema.
 *
 * @param value what it holds; empty if it was refused
 */
record JsonFile<T>(Optional<T> value, List<Fault> faults) {
  /** Files above this size are refused before they are read. */
  static final int MOST_BYTES = 10 * 1024 * 1024;

  /**
   * Reads a file.
   *
   * @param format what its field "format" should say
   * @param version the latest of its format that is known
   * @param what the kind of file in words, such as "selection"
   */
  static <T> JsonFile<T> read(
      byte[] bytes, String format, int version, String what, EnforcedSchema schema, Class<T> type) {
    if (bytes.length > MOST_BYTES) {
      return refused("The file has " + bytes.length + " bytes; at most 10 MB are read.");
    }
    try {
      JsonNode tree = Json.tree(bytes);
      if (!format.equals(tree.path("format").asString(""))) {
        return refused(
            "This is JSON but no Tertulia " + what + ": \"format\" should be \"" + format + "\".");
      }
      int written = tree.path("version").asInt(version);
      if (written > version) {
        return refused(
            "This "
                + what
                + " was written by a later release of Tertulia: its format is "
                + written
                + ", and this release reads up to "
                + version
                + ". Read it with that release, or bring this one up to date.");
      }
      Optional<Fault> unseen = Unseen.in("", tree);
      if (unseen.isPresent()) {
        return new JsonFile<>(Optional.empty(), List.of(unseen.get()));
      }
      List<Fault> errors = schema.faults(tree);
      return errors.isEmpty()
          ? new JsonFile<>(Optional.of(Json.convert(tree, type)), List.of())
          : new JsonFile<>(Optional.empty(), errors);
    } catch (JacksonException e) {
      return refused("The file cannot be read: " + e.getOriginalMessage() + ".");
    } catch (IllegalArgumentException e) {
      return refused(String.valueOf(e.getMessage()));
    }
  }

  private static <T> JsonFile<T> refused(String message) {
    return new JsonFile<>(Optional.empty(), List.of(new Fault("", message)));
  }
}
