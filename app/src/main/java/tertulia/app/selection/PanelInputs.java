package tertulia.app.selection;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Reads what people entered at a table: as many queries for many people as for one. */
@Component
class PanelInputs {
  private final Rows.Weights weights;
  private final Rows.Marks marks;
  private final Rows.Numbers numbers;
  private final Rows.Preferences preferences;
  private final Rows.Pairs pairs;
  private final Rows.Opinions opinions;

  PanelInputs(
      Rows.Weights weights,
      Rows.Marks marks,
      Rows.Numbers numbers,
      Rows.Preferences preferences,
      Rows.Pairs pairs,
      Rows.Opinions opinions) {
    this.opinions = opinions;
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
      Map<Long, List<MarkRow>> marks,
      Map<Long, List<OpinionRow>> opinions) {
    boolean isEmpty() {
      return weights.isEmpty()
          && numbers.isEmpty()
          && preferences.isEmpty()
          && pairs.isEmpty()
          && marks.isEmpty()
          && opinions.isEmpty();
    }

    /** Everything that one person entered, in one order, to be compared with what it was once. */
    List<Entry> of(long member) {
      return Stream.of(
              weights.getOrDefault(member, List.of()).stream()
                  .map(row -> new Entry(row.criterion, "weight", "" + row.points)),
              numbers.getOrDefault(member, List.of()).stream()
                  .map(row -> new Entry(row.criterion, row.method, "" + row.number)),
              preferences.getOrDefault(member, List.of()).stream()
                  .map(row -> new Entry(row.one, "against " + row.other, "" + row.times)),
              pairs.getOrDefault(member, List.of()).stream()
                  .map(row ->
                      new Entry(row.criterion, row.one + " against " + row.other, "" + row.better)),
              marks.getOrDefault(member, List.of()).stream()
                  .map(row ->
                      new Entry(
                          row.criterion,
                          "mark " + row.contender,
                          Objects.requireNonNullElse(row.points, "x"))))
          .flatMap(entries -> entries)
          .sorted()
          .toList();
    }
  }

  /**
   * One thing that somebody entered.
   *
   * @param what weight, mark of whom, or what against what
   */
  record Entry(String criterion, String what, String said) implements Comparable<Entry> {
    private static final Comparator<Entry> ORDER =
        Comparator.comparing(Entry::criterion)
            .thenComparing(Entry::what)
            .thenComparing(Entry::said);

    @Override
    public int compareTo(Entry other) {
      return ORDER.compare(this, other);
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
            .collect(Collectors.groupingBy(row -> row.memberId)),
        opinions.findByMemberIdInOrderById(members).stream()
            .collect(Collectors.groupingBy(row -> row.memberId)));
  }
}
