package tertulia.app.exchange;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The one way JSON is written and read here: fields in declared order, nothing unknown accepted.
 */
public final class Json {
  /** What of a file from outside is read: no format of ours is nested as deep or as long. */
  private static final int DEEPEST = 40;

  private static final int MOST_TOKENS = 1_000_000;
  private static final int LONGEST_NUMBER = 100;

  private static final JsonMapper MAPPER = mapper(new JsonFactory());

  private static final JsonMapper OUTSIDE =
      mapper(
          JsonFactory.builder()
              .streamReadConstraints(
                  StreamReadConstraints.builder()
                      .maxNestingDepth(DEEPEST)
                      .maxTokenCount(MOST_TOKENS)
                      .maxNumberLength(LONGEST_NUMBER)
                      .maxNameLength(1_000)
                      .maxStringLength(1_000_000)
                      .build())
              .build());

  private Json() {}

  private static JsonMapper mapper(JsonFactory factory) {
    return JsonMapper.builder(factory)
        .enable(SerializationFeature.INDENT_OUTPUT)
        .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
        .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
        .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
        .disable(tools.jackson.databind.MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
        // as Codes writes them
        .enumNamingStrategy(EnumNamingStrategies.KEBAB_CASE)
        .build();
  }

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
   * @throws IllegalArgumentException with line and column if it is not JSON; or if it is nested
   *     deeper, or holds more, than any file of ours
   */
  static JsonNode tree(byte[] bytes) {
    try {
      return OUTSIDE.readTree(
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString());
    } catch (CharacterCodingException e) {
      throw new IllegalArgumentException(
          "The file is not written in UTF-8, so its letters are not certain. Save it in"
              + " UTF-8.",
          e);
    } catch (StreamConstraintsException e) {
      throw new IllegalArgumentException(
          "This is no file of Tertulia: one is nested at most "
              + DEEPEST
              + String.format(Locale.ROOT, " deep, holds at most %,d", MOST_TOKENS)
              + " names, values and brackets, and no number of more than "
              + LONGEST_NUMBER
              + " digits. Take out what does not belong there, or split it.",
          e);
    } catch (JacksonException e) {
      TokenStreamLocation at = e.getLocation();
      throw new IllegalArgumentException(
          "This is not a JSON file: "
              + (at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr() + ": ")
              + e.getOriginalMessage()
              + ".",
          e);
    }
  }

  static <T> T convert(JsonNode node, Class<T> type) {
    return MAPPER.treeToValue(node, type);
  }
}
