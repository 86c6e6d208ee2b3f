package tertulia.app.exchange;

import java.util.List;
import java.util.function.UnaryOperator;
import tools.jackson.databind.node.ObjectNode;

/**
 * A kind of document in the store. Whatever version it was written in, it is brought to today's by
 * one step from each version to the next, so that what was stored can always be read.
 *
 * @param <T> what it is read as
 */
public final class DocumentFormat<T> {
  private final String what;
  private final Class<T> type;
  private final List<UnaryOperator<ObjectNode>> steps;

  /**
   * @param what what it is called in a sentence, such as "price page"
   * @param steps from version 1 to 2, from 2 to 3 and so on; none while there is only version 1
   */
  public DocumentFormat(String what, Class<T> type, List<UnaryOperator<ObjectNode>> steps) {
    this.what = what;
    this.type = type;
    this.steps = List.copyOf(steps);
  }

  /** The version in which documents are written today. */
  public int version() {
    return steps.size() + 1;
  }

  /**
   * Reads a document of a version.
   *
   * @throws IllegalStateException if a later release wrote it
   */
  public T read(String json, int version) {
    if (version > version()) {
      throw new IllegalStateException(
          "This "
              + what
              + " was written by a later version of Tertulia (format "
              + version
              + ", this one reads up to "
              + version()
              + ").");
    }
    if (version == version()) {
      return Json.stored(json, type);
    }
    ObjectNode document = Json.object(json);
    for (UnaryOperator<ObjectNode> step : steps.subList(version - 1, steps.size())) {
      document = step.apply(document);
    }
    return Json.stored(document.toString(), type);
  }
}
