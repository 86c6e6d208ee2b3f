package tertulia.app.chart;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Writes SVG elements; text and attribute values are escaped. */
final class Svg {
  private final StringBuilder out = new StringBuilder();

  /** An element without content; names and values alternate. */
  Svg leaf(String name, Object... attributes) {
    open(name, attributes);
    out.insert(out.length() - 1, '/');
    return this;
  }

  Svg open(String name, Object... attributes) {
    out.append('<').append(name);
    for (int i = 0; i + 1 < attributes.length; i += 2) {
      out.append(' ')
          .append(attributes[i])
          .append("=\"")
          .append(escaped(value(attributes[i + 1])))
          .append('"');
    }
    out.append('>');
    return this;
  }

  Svg close(String name) {
    out.append("</").append(name).append('>');
    return this;
  }

  /** Text within the element that is open. */
  Svg content(String text) {
    out.append(escaped(text));
    return this;
  }

  /** A text element at a point. */
  Svg text(double x, double y, String look, String anchor, String text) {
    open("text", "x", x, "y", y, "class", look, "text-anchor", anchor);
    out.append(escaped(text));
    return close("text");
  }

  /** What a pointer resting on the surrounding element reads. */
  Svg title(String text) {
    open("title");
    out.append(escaped(text));
    return close("title");
  }

  @Override
  public String toString() {
    return out.toString();
  }

  static String number(double number) {
    return BigDecimal.valueOf(number)
        .setScale(1, RoundingMode.HALF_UP)
        .stripTrailingZeros()
        .toPlainString();
  }

  private static String value(Object value) {
    return value instanceof Double number ? number(number) : String.valueOf(value);
  }

  static String escaped(String text) {
    return text.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;")
        .replace("'", "&#39;");
  }
}
