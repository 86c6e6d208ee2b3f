package tertulia.app.decision;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.decision.Minutes.Block;
import tertulia.app.decision.Minutes.Cell;
import tertulia.app.decision.Minutes.Section;
import tertulia.app.display.Dates;
import tertulia.app.display.SubjectWords;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.remark.Subject;
import tertulia.core.trial.Trial;

/** What a record says of the people: who they were, where they disagreed, what they tried. */
record PanelMinutes(SelectionFile file, Results results) {
  /** Marks so far apart are told as a disagreement. */
  private static final BigDecimal APART = new BigDecimal(4);

  Optional<Section> members() {
    if (file.panel().isEmpty()) {
      return Optional.empty();
    }
    Map<String, String> criteria = new LinkedHashMap<>();
    file.brief().criteria().forEach(c -> criteria.put(c.id(), c.name()));
    List<List<Cell>> rows = new ArrayList<>();
    rows.add(
        Stream.of("", "Weights", "First by own marks", "Interest, with marks")
            .map(Cell::words)
            .toList());
    for (SelectionFile.MemberPart member : file.panel()) {
      String weights =
          member.points().entrySet().stream()
              .filter(e -> criteria.containsKey(e.getKey()))
              .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
              .map(e -> criteria.get(e.getKey()) + " " + e.getValue())
              .collect(Collectors.joining(", "));
      String interests =
          member.marks().stream()
              .filter(mark -> mark.interest() != null && !mark.interest().isBlank())
              .map(mark -> name(mark.contender()) + ": " + mark.interest())
              .distinct()
              .collect(Collectors.joining("; "));
      rows.add(
          List.of(
              Cell.words(member.name())
                  .noting(
                      Stream.of(
                              member.competence() == null ? "" : "knows " + member.competence(),
                              member.share() == 1 ? "" : "share " + member.share())
                          .filter(said -> !said.isEmpty())
                          .collect(Collectors.joining(", "))),
              Cell.words(weights(member, weights)),
              Cell.words(bestMarked(member)),
              Cell.words(interests.isEmpty() ? "none" : interests)));
    }
    return Section.of("panel", "Who decided", Block.table(rows));
  }

  /** The points, if they are what counted. */
  private static String weights(SelectionFile.MemberPart member, String points) {
    String way = member.weighsBy();
    if (way != null && !way.equals("points")) {
      return "set in another way than by points";
    }
    return points.isEmpty() ? "none set" : points;
  }

  /** The contender that has the highest mean of somebody's marks; several if they are level. */
  private String bestMarked(SelectionFile.MemberPart member) {
    Map<String, List<BigDecimal>> marks = new LinkedHashMap<>();
    for (SelectionFile.MarkPart mark : member.marks()) {
      if (mark.points() != null) {
        marks
            .computeIfAbsent(mark.contender(), c -> new ArrayList<>())
            .add(new BigDecimal(mark.points()));
      }
    }
    Map<String, BigDecimal> means = new LinkedHashMap<>();
    marks.forEach((contender, points) ->
        means.put(
            contender,
            points.stream()
                .reduce(BigDecimal.ZERO, BigDecimal::add)
                .divide(BigDecimal.valueOf(points.size()), java.math.MathContext.DECIMAL64)));
    Optional<BigDecimal> best = means.values().stream().max(Comparator.naturalOrder());
    return best.map(most ->
            means.entrySet().stream()
                    .filter(e -> e.getValue().compareTo(most) == 0)
                    .map(e -> name(e.getKey()))
                    .collect(Collectors.joining(", "))
                + ", mean mark "
                + most.setScale(1, java.math.RoundingMode.HALF_UP).toPlainString())
        .orElse("no marks");
  }

  /** Where marks were far apart, and what was settled together. */
  Optional<Section> apart() {
    SubjectWords words = new SubjectWords(file);
    List<String> points = new ArrayList<>();
    for (Brief.CriterionPart criterion : file.brief().criteria()) {
      for (SelectionFile.ContenderPart contender : file.contenders()) {
        String id = contender.tool().id();
        Map<String, SelectionFile.MarkPart> given = new LinkedHashMap<>();
        for (SelectionFile.MemberPart member : file.panel()) {
          member.marks().stream()
              .filter(mark -> mark.criterion().equals(criterion.id()))
              .filter(mark -> mark.contender().equals(id) && mark.points() != null)
              .forEach(mark -> given.put(member.name(), mark));
        }
        List<BigDecimal> all =
            given.values().stream().map(mark -> new BigDecimal(mark.points())).sorted().toList();
        if (all.size() > 1 && all.getLast().subtract(all.getFirst()).compareTo(APART) >= 0) {
          points.add(
              words.of(new Subject.OfMark(criterion.id(), id))
                  + ": "
                  + given.entrySet().stream()
                      .map(e ->
                          e.getKey()
                              + " "
                              + e.getValue().points()
                              + (e.getValue().note().isBlank()
                                  ? ""
                                  : " “" + e.getValue().note() + "”"))
                      .collect(Collectors.joining(", ")));
        }
      }
    }
    List<SelectionFile.SettledPart> settled = file.settled();
    if (settled != null) {
      settled.forEach(part ->
          points.add(
              words.of(new Subject.OfMark(part.criterion(), part.contender()))
                  + ": settled together at "
                  + part.points()
                  + ", "
                  + part.reason()
                  + " ("
                  + part.by()
                  + ")"));
    }
    return Section.listed("apart", "Where they disagreed", points);
  }

  Optional<Section> tried() {
    Map<String, String> tasks = new LinkedHashMap<>();
    file.tried().tasks().forEach(task -> tasks.put(task.id(), task.words()));
    List<String> points =
        file.tried().trials().stream()
            .map(trial ->
                name(trial.contender())
                    + ", "
                    + Dates.day(LocalDate.parse(trial.first()))
                    + (trial.last() == null
                        ? ""
                        : " to " + Dates.day(LocalDate.parse(trial.last())))
                    + ": "
                    + (trial.results().isEmpty()
                        ? "planned, and nothing was tried"
                        : trial.results().stream()
                            .map(result ->
                                tasks.getOrDefault(result.task(), result.task())
                                    + ", "
                                    + result.by()
                                    + ": "
                                    + Codes.oneOf(Trial.Completion.class, result.outcome()).words()
                                    + (result.minutes() == null
                                        ? ""
                                        : ", " + result.minutes() + " min"))
                            .collect(Collectors.joining("; "))))
            .toList();
    return Section.listed("tried", "Tried by hand", points);
  }

  private String name(String contender) {
    return results.contenders().stream()
        .filter(c -> c.id().equals(contender))
        .map(Results.ContenderResult::name)
        .findFirst()
        .orElse(contender);
  }
}
