package tertulia.app.firmness;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.exchange.Codes;
import tertulia.core.sensitivity.Chances;

/**
 * What of the address is this step's own: which weightings and marks are drawn, and by what the map
 * is read.
 *
 * @param across id of a measure; of none that is stated: by people
 */
record FirmnessAsked(Chances chances, String across) {
  private static final String WEIGHTS = "drawn";
  private static final String MARKS = "values";
  private static final String ACROSS = "sizes";

  /** One of several ways to read it. */
  record Choice(String code, String words, boolean chosen) {}

  /** What is not one of the choices is read as the first. */
  static FirmnessAsked of(Map<String, String> asked) {
    return new FirmnessAsked(
        new Chances(
            read(Chances.Weights.values(), asked.getOrDefault(WEIGHTS, "")),
            read(Chances.Marks.values(), asked.getOrDefault(MARKS, ""))),
        across(asked.getOrDefault(ACROSS, "")));
  }

  private static String across(String typed) {
    return typed.matches("[a-z0-9-]{1,60}") ? typed : "";
  }

  private static <E extends Enum<E>> E read(E[] all, String code) {
    for (E each : all) {
      if (Codes.code(each).equals(code)) {
        return each;
      }
    }
    return all[0];
  }

  /** As it stands in an address; empty if it is all as usual. */
  String query() {
    String weights =
        chances.weights() == Chances.Weights.ANY
            ? ""
            : WEIGHTS + "=" + Codes.code(chances.weights());
    String marks =
        chances.marks() == Chances.Marks.AS_THEY_COUNT
            ? ""
            : MARKS + "=" + Codes.code(chances.marks());
    String sizes = across.isEmpty() ? "" : ACROSS + "=" + across;
    return Stream.of(weights, marks, sizes)
        .filter(part -> !part.isEmpty())
        .collect(Collectors.joining("&"));
  }

  public List<Choice> weights() {
    return List.of(
        choice(Chances.Weights.ANY, "any weights"),
        choice(Chances.Weights.OF_THE_TABLE, "weights between the least and the most anybody gave"),
        choice(Chances.Weights.IN_ORDER, "any weights in the panel’s order"));
  }

  public List<Choice> marks() {
    return List.of(
        choice(Chances.Marks.AS_THEY_COUNT, "marks as they count"),
        choice(Chances.Marks.BETWEEN_PEOPLE, "marks between the lowest and the highest given"));
  }

  private Choice choice(Enum<?> value, String words) {
    return new Choice(
        Codes.code(value), words, value == chances.weights() || value == chances.marks());
  }
}
