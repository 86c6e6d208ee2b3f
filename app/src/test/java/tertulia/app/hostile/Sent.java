package tertulia.app.hostile;

import java.io.ByteArrayOutputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What is sent: an address, the fields of a form in their order, and the file of a form that takes
 * one. Without fields it is read, with fields it is sent as a form.
 */
record Sent(String path, List<Field> fields, List<Attached> files, boolean isForm) {
  private static final String BOUNDARY = "----what-is-sent";

  record Field(String name, String value) {}

  /** A file in a field. */
  record Attached(String field, String name, byte[] content) {
    @Override
    public String toString() {
      String text = new String(content, 0, Math.min(content.length, 400), StandardCharsets.UTF_8);
      return field + " = " + name + " of " + content.length + " bytes: " + text;
    }
  }

  static Sent read(String path) {
    return new Sent(path, List.of(), List.of(), false);
  }

  Sent at(String other) {
    return new Sent(other, fields, files, isForm);
  }

  Sent with(List<Field> others) {
    return new Sent(path, List.copyOf(others), files, isForm);
  }

  Sent attaching(List<Attached> others) {
    return new Sent(path, fields, List.copyOf(others), isForm);
  }

  /** This with the token of the session. */
  Sent signed(String token) {
    List<Field> all = new ArrayList<>(fields);
    all.removeIf(field -> field.name().equals("_csrf"));
    all.addFirst(new Field("_csrf", token));
    return with(all);
  }

  String contentType() {
    return files.isEmpty()
        ? "application/x-www-form-urlencoded"
        : "multipart/form-data; boundary=" + BOUNDARY;
  }

  byte[] body() {
    if (files.isEmpty()) {
      return fields.stream()
          .map(field -> encoded(field.name()) + "=" + encoded(field.value()))
          .collect(Collectors.joining("&"))
          .getBytes(StandardCharsets.US_ASCII);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (Field field : fields) {
      part(
          out,
          "name=\"" + quoted(field.name()) + "\"",
          field.value().getBytes(StandardCharsets.UTF_8));
    }
    for (Attached file : files) {
      part(
          out,
          "name=\"" + quoted(file.field()) + "\"; filename=\"" + quoted(file.name()) + "\"",
          file.content());
    }
    out.writeBytes(("--" + BOUNDARY + "--\r\n").getBytes(StandardCharsets.US_ASCII));
    return out.toByteArray();
  }

  private static void part(ByteArrayOutputStream out, String disposition, byte[] content) {
    out.writeBytes(
        ("--" + BOUNDARY + "\r\nContent-Disposition: form-data; " + disposition + "\r\n\r\n")
            .getBytes(StandardCharsets.UTF_8));
    out.writeBytes(content);
    out.writeBytes("\r\n".getBytes(StandardCharsets.US_ASCII));
  }

  private static String quoted(String text) {
    return text.replaceAll("[\"\r\n]", "%22");
  }

  static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  @Override
  public String toString() {
    return (isForm ? "POST " : "GET ")
        + path
        + fields.stream()
            .filter(field -> !field.value().isEmpty())
            .limit(400)
            .map(field -> "\n  " + field.name() + " = " + shortened(field.value()))
            .collect(Collectors.joining())
        + files.stream().map(file -> "\n  " + file).collect(Collectors.joining());
  }

  private static String shortened(String text) {
    return text.length() <= 120 ? text : text.substring(0, 120) + "… (" + text.length() + ")";
  }
}
