package tertulia.app.selection;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Reads what people entered at a table: as many queries for many people as for one. */
@Component
class Entered {
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Rows.Numbers numbers;
  private final Rows.Preferences preferences;
  private final Rows.Pairs pairs;

  Entered(
      Rows.Weights weights,
      Rows.Marks marks,
      Rows.Numbers numbers,
      Rows.Preferences preferences,
      Rows.Pairs pairs) {
    this.weights = weights;
    this.marks = marks;
    this.numbers = numbers;
    this.preferences = preferences;
    this.pairs = pairs;
  }

  /** Everything entered, by member. */
  record Judged(
      Map<Long, List<WeightRow>> weights,
      Map<Long, List<NumberRow>> numbers,
      Map<Long, List<PreferenceRow>> preferences,
      Map<Long, List<PairRow>> pairs,
      Map<Long, List<MarkRow>> marks) {
    boolean isEmpty() {
      return weights.isEmpty()
          && numbers.isEmpty()
          && preferences.isEmpty()
          && pairs.isEmpty()
          && marks.isEmpty();
    }
  }

  Judged by(List<Long> members) {
    return new Judged(
        weights.findByMemberIdIn(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)),
        numbers.findByMemberIdIn(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)),
        preferences.findByMemberIdIn(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)),
        pairs.findByMemberIdIn(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)),
        marks.findByMemberIdIn(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)));
  }
}
