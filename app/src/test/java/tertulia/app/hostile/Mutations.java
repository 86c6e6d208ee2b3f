package tertulia.app.hostile;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tertulia.app.hostile.Sent.Attached;
import tertulia.app.hostile.Sent.Field;

/** What careless or ill-willed people make of an address, a form or a file; seeded. */
final class Mutations {
  private static final List<String> VALUES =
      List.of(
          "",
          " ",
          "0",
          "-1",
          "1",
          "400",
          "401",
          "2147483648",
          "99999999999999999999999",
          "1e9",
          "1e999",
          "-0.0",
          "NaN",
          "Infinity",
          "0.00000000000000000001",
          "1,299.00",
          "1.299,00",
          "١٢",
          "¼",
          "true",
          "null",
          "[]",
          "{}",
          "2026-02-30",
          "0000-00-00",
          "9999-12-31",
          "+999999999-12-31",
          "-5000-01",
          "2026-13",
          "2026-11",
          "é".repeat(200),
          "x".repeat(79),
          "x".repeat(121),
          "x".repeat(501),
          "x".repeat(4_001),
          "x".repeat(100_000),
          "日本語の名前",
          "👩‍👩‍👧".repeat(30),
          "\uD800",
          "a\u0000b",
          "a\u202Eb",
          "a\rb",
          "line\nline",
          "' or 1=1; --",
          "<script>alert(1)</script>",
          "${7*7}",
          "__${7*7}__::x",
          "#{T(java.lang.Runtime)}",
          "=1+1",
          "../../etc/passwd",
          "%00",
          "%",
          "halvard-desk",
          "no-such-tool",
          "New",
          "import",
          "EUR",
          "XXX",
          "€",
          "🂡");

  private static final List<String> SEGMENTS =
      List.of(
          "0",
          "-1",
          "1",
          "2",
          "3",
          "99999999",
          "99999999999999999999",
          "1.5",
          "new",
          "import",
          "x",
          "%20",
          "%C3%A9",
          "a%00b",
          "..",
          "%2e%2e",
          "a;b=c",
          "why",
          "x".repeat(300),
          "");

  private static final Pattern INDEX = Pattern.compile("\\[(\\d+)]");
  private static final Pattern NUMBER = Pattern.compile("\\d+(\\.\\d+)?");

  private final Random random;

  Mutations(long seed) {
    random = new Random(seed);
  }

  <T> T one(List<T> all) {
    return all.get(random.nextInt(all.size()));
  }

  /** Something else than was meant, by one to four changes. */
  Sent of(Sent meant) {
    Sent sent = meant;
    for (int i = 1 + random.nextInt(4); i > 0; i--) {
      sent = changed(sent);
    }
    return sent;
  }

  private Sent changed(Sent sent) {
    if (!sent.files().isEmpty() && random.nextInt(4) != 0) {
      return sent.attaching(sent.files().stream().map(this::file).toList());
    }
    if (sent.isForm() && !sent.fields().isEmpty() && random.nextInt(8) != 0) {
      return sent.with(fields(sent.fields()));
    }
    return sent.at(address(sent.path()));
  }

  private List<Field> fields(List<Field> meant) {
    List<Field> fields = new ArrayList<>(meant);
    int at = random.nextInt(fields.size());
    Field field = fields.get(at);
    switch (random.nextInt(8)) {
      case 0 -> fields.remove(at);
      case 1 -> fields.add(field);
      case 2 -> fields.set(at, new Field(otherwiseNamed(field.name()), field.value()));
      case 3 -> fields.add(new Field(one(VALUES), one(VALUES)));
      default -> fields.set(at, new Field(field.name(), one(VALUES)));
    }
    return fields;
  }

  private String otherwiseNamed(String name) {
    Matcher index = INDEX.matcher(name);
    String other =
        one(
            List.of(
                "[0]", "[7]", "[399]", "[400]", "[5000]", "[2147483647]", "[-1]", "[x]", "[", ""));
    return index.find()
        ? index.replaceFirst(Matcher.quoteReplacement(other))
        : one(
            List.of(
                name + other,
                name + ".class",
                "class.module.classLoader",
                name + ".x.y",
                "_" + name));
  }

  private String address(String path) {
    int query = path.indexOf('?');
    if (query >= 0 && random.nextInt(4) != 0) {
      List<String> pairs = new ArrayList<>(Arrays.asList(path.substring(query + 1).split("&")));
      int at = random.nextInt(pairs.size());
      String name = pairs.get(at).split("=")[0];
      pairs.set(at, name + "=" + Sent.encoded(one(VALUES)));
      if (random.nextInt(6) == 0) {
        pairs.add(name + "=" + Sent.encoded(one(VALUES)));
      }
      return path.substring(0, query) + "?" + String.join("&", pairs);
    }
    String[] segments = (query < 0 ? path : path.substring(0, query)).split("/", -1);
    segments[random.nextInt(segments.length - 1) + 1] = one(SEGMENTS);
    return String.join("/", segments) + (query < 0 ? "" : path.substring(query));
  }

  private Attached file(Attached meant) {
    return new Attached(
        meant.field(),
        random.nextInt(8) == 0
            ? one(List.of("", "x", "a.json", "a.csv", "../x", "x".repeat(300)))
            : meant.name(),
        content(meant.content()));
  }

  private byte[] content(byte[] meant) {
    String text = new String(meant, StandardCharsets.UTF_8);
    return switch (random.nextInt(11)) {
      case 0 -> Arrays.copyOf(meant, random.nextInt(meant.length + 1));
      case 1 -> withByte(meant);
      case 2 -> withoutLine(text);
      case 3 -> (text + text).getBytes(StandardCharsets.UTF_8);
      case 4 ->
          one(
              List.of(
                  new byte[0],
                  new byte[70_000],
                  "[".repeat(100_000).getBytes(StandardCharsets.UTF_8)));
      case 5 -> text.getBytes(StandardCharsets.UTF_16);
      case 6 ->
          inPlaceOf(Pattern.compile("\"[^\"\\n]{0,80}\""), text, '"' + json(one(VALUES)) + '"');
      case 7 -> inPlaceOf(Pattern.compile("[^,;\\n\"]{1,80}"), text, one(VALUES));
      case 8 ->
          inPlaceOf(
              Pattern.compile("[\\[\\]{},;:\\n]"),
              text,
              one(List.of("", ",", ";", "\n", "[", "]", "null")));
      default -> inPlaceOf(NUMBER, text, one(VALUES));
    };
  }

  private static String json(String text) {
    return text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n");
  }

  private byte[] withByte(byte[] meant) {
    byte[] other = meant.clone();
    if (other.length > 0) {
      other[random.nextInt(other.length)] = (byte) random.nextInt(256);
    }
    return other;
  }

  private byte[] withoutLine(String text) {
    List<String> lines = new ArrayList<>(text.lines().toList());
    if (!lines.isEmpty()) {
      lines.remove(random.nextInt(lines.size()));
    }
    return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
  }

  /** One of the places an expression is found at, replaced. */
  private byte[] inPlaceOf(Pattern pattern, String text, String other) {
    Matcher found = pattern.matcher(text);
    int from = random.nextInt(text.length() + 1);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    if (found.find(from)) {
      out.writeBytes(text.substring(0, found.start()).getBytes(StandardCharsets.UTF_8));
      out.writeBytes(other.getBytes(StandardCharsets.UTF_8));
      out.writeBytes(text.substring(found.end()).getBytes(StandardCharsets.UTF_8));
      return out.toByteArray();
    }
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
