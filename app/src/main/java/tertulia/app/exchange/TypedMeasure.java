package tertulia.app.exchange;

import tertulia.core.growth.Measure;

/** A measure of one's own as it is typed. */
public class TypedMeasure {
  public String one = "";
  public String many = "";
  public String nature = "level";

  /** Whether there are not only whole ones. */
  public boolean inParts;

  /**
   * The measure; with one word only, the other is the same with or without an s.
   *
   * @throws IllegalArgumentException with what is wrong
   */
  public Measure read() {
    String single = one.isBlank() ? many.strip().replaceFirst("s$", "") : one;
    String plural = many.isBlank() ? one.strip() + "s" : many;
    return Measure.own(single, plural, Codes.oneOf(Measure.Nature.class, nature), !inParts);
  }
}
