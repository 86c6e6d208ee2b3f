package tertulia.app.chart;

/** The marks of contenders: eight shapes, each with its own hue and dash set in the style sheet. */
public final class Marks {
  private Marks() {}

  /** A mark of its own, 16 units wide, for use in text. */
  public static String inline(int mark) {
    Svg svg = new Svg();
    svg.open(
        "svg",
        "class",
        "mark",
        "viewBox",
        "0 0 16 16",
        "width",
        "16",
        "height",
        "16",
        "aria-hidden",
        "true");
    draw(svg, mark, 8, 8);
    return svg.close("svg").toString();
  }

  /** Draws mark 1 to 8 centred on a point. */
  static void draw(Svg svg, int mark, double x, double y) {
    String at = "translate(" + Svg.number(x) + " " + Svg.number(y) + ")";
    String look = "m" + mark;
    switch (mark) {
      case 1 -> svg.leaf("circle", "class", look + " hollow", "r", "4.5", "transform", at);
      case 2 ->
          svg.leaf(
              "rect",
              "class",
              look + " solid",
              "x",
              "-4.5",
              "y",
              "-4.5",
              "width",
              "9",
              "height",
              "9",
              "transform",
              at);
      case 3 -> path(svg, look + " solid", "M0-5L5 4H-5Z", at);
      case 4 -> path(svg, look + " solid", "M0-6L6 0L0 6L-6 0Z", at);
      case 5 -> path(svg, look + " hollow", "M-4.5-4.5L4.5 4.5M-4.5 4.5L4.5-4.5", at);
      case 6 -> path(svg, look + " hollow", "M0-5.5V5.5M-5.5 0H5.5", at);
      case 7 -> path(svg, look + " solid", "M-5-4H5L0 5Z", at);
      default ->
          svg.leaf(
              "rect",
              "class",
              look + " hollow",
              "x",
              "-4",
              "y",
              "-4",
              "width",
              "8",
              "height",
              "8",
              "transform",
              at);
    }
  }

  private static void path(Svg svg, String look, String d, String at) {
    svg.leaf("path", "class", look, "d", d, "transform", at);
  }
}
