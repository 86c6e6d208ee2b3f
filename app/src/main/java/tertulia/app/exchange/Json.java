package tertulia.app.exchange;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The one way JSON is written and read here: fields in declared order, nothing unknown accepted.
 */
public final class Json {
  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .disable(tools.jackson.databind.MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
          .build();

  private Json() {}

  public static String write(Object value) {
    return MAPPER.writeValueAsString(value) + "\n";
  }

  /**
   * A stored value.
   *
   * @throws IllegalStateException if the store holds something else; it is only written by {@link
   *     #write}
   */
  public static <T> T stored(String json, Class<T> type) {
    try {
      return MAPPER.readValue(json, type);
    } catch (JacksonException e) {
      throw new IllegalStateException("The store holds no " + type.getSimpleName(), e);
    }
  }

  /** The version that a stored document says it has; 1 if it does not say. */
  public static int version(String json) {
    return object(json).path("version").asInt(1);
  }

  /** A stored document as a tree, for the steps from version to version. */
  static ObjectNode object(String json) {
    try {
      return (ObjectNode) MAPPER.readTree(json);
    } catch (JacksonException e) {
      throw new IllegalStateException("The store holds no JSON document", e);
    }
  }

  /**
   * The tree of a file from outside.
   *
   * @throws IllegalArgumentException with line and column if it is not JSON
   */
  static JsonNode tree(byte[] bytes) {
    try {
      return MAPPER.readTree(
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString());
    } catch (CharacterCodingException e) {
      throw new IllegalArgumentException(
          "The file is not written in UTF-8, so its letters cannot be told for certain. Save it in"
              + " UTF-8.",
          e);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          "This is not a JSON file: line "
              + e.getLocation().getLineNr()
              + ", column "
              + e.getLocation().getColumnNr()
              + ": "
              + e.getOriginalMessage()
              + ".",
          e);
    }
  }

  static <T> T convert(JsonNode node, Class<T> type) {
    return MAPPER.treeToValue(node, type);
  }
}
