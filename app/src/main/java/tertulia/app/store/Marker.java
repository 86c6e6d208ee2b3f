package tertulia.app.store;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Properties;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * What is known of a store beside it: that there is one, how it was left, and how many rows its
 * tables had when it was stopped. A new installation has no marker; one that lost its store does.
 *
 * @param rows by table as of the last clean stop; empty while the server runs or if it was killed
 * @param upgrading the schema version of the copy taken before an upgrade that is not finished;
 *     empty if none is under way
 */
record Marker(Map<String, Long> rows, OptionalInt upgrading) {
  /** While the server runs, and nothing is being upgraded. */
  static final Marker RUNNING = new Marker(Map.of(), OptionalInt.empty());

  private static final String ROWS = "rows.";
  private static final String UPGRADING = "upgrading";
  private static final Pattern NUMBER = Pattern.compile("[0-9]{1,15}");

  Marker {
    rows = Map.copyOf(rows);
  }

  static Marker stopped(Map<String, Long> rows) {
    return new Marker(rows, OptionalInt.empty());
  }

  static Marker upgrading(int from) {
    return new Marker(Map.of(), OptionalInt.of(from));
  }

  /**
   * Reads a marker.
   *
   * @throws Unusable if it is not one
   */
  static Marker read(Path file) {
    Properties lines = new Properties();
    try (var reader = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
      lines.load(reader);
    } catch (IOException | IllegalArgumentException e) {
      throw new Unusable(file + " cannot be read. Remove it if the store beside it is good.");
    }
    Map<String, Long> rows = new TreeMap<>();
    OptionalInt upgrading = OptionalInt.empty();
    for (String name : lines.stringPropertyNames()) {
      String value = lines.getProperty(name);
      if (NUMBER.matcher(value).matches()) {
        if (name.startsWith(ROWS)) {
          rows.put(name.substring(ROWS.length()), Long.parseLong(value));
        } else if (name.equals(UPGRADING)) {
          upgrading = OptionalInt.of(Math.toIntExact(Long.parseLong(value) % Integer.MAX_VALUE));
        }
      }
    }
    return new Marker(rows, upgrading);
  }

  /** Puts it in the place of what is there, whole or not at all. */
  void write(Path file) throws IOException {
    StringWriter text = new StringWriter();
    text.write("# Beside a store of Tertulia. It tells a lost store from a new installation.\n");
    upgrading.ifPresent(from -> text.write(UPGRADING + "=" + from + "\n"));
    new TreeMap<>(rows).forEach((table, count) -> text.write(ROWS + table + "=" + count + "\n"));
    OnDisk.write(file, text.toString().getBytes(StandardCharsets.UTF_8));
  }
}
