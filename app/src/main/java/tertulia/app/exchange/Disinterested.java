package tertulia.app.exchange;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/** A selection without what was said by somebody who gains if it is believed. */
public final class Disinterested {
  private Disinterested() {}

  /**
   * How many facts, ratings and marks have an interest behind them; allowances and conditions are
   * facts. Sentences weigh nothing and are not counted.
   */
  public record Interests(int facts, int ratings, int marks) {
    public boolean areNone() {
      return facts + ratings + marks == 0;
    }
  }

  /**
   * What would be left out of a file. Prices stay: a maker's own price is what it costs, whoever
   * says so.
   */
  public static Interests in(SelectionFile file) {
    int facts = 0;
    int ratings = 0;
    for (SelectionFile.ContenderPart contender : file.contenders()) {
      ToolSheet tool = contender.tool();
      facts +=
          count(
              tool.plans().stream().flatMap(plan -> plan.facts().stream()),
              ToolSheet.FactPart::source);
      facts +=
          count(
              tool.plans().stream().flatMap(plan -> plan.allowances().stream()),
              ToolSheet.AllowancePart::source);
      facts += count(tool.conditions().stream(), ToolSheet.ConditionPart::source);
      ratings += count(tool.ratings().stream(), ToolSheet.RatingPart::source);
    }
    int marks =
        (int)
            file.panel().stream()
                .flatMap(member -> member.marks().stream())
                .filter(Disinterested::hasInterest)
                .count();
    return new Interests(facts, ratings, marks);
  }

  private static <T> int count(Stream<T> parts, Function<T, ToolSheet.SourcePart> source) {
    return (int) parts.filter(part -> !isFree(source.apply(part))).count();
  }

  private static boolean isFree(ToolSheet.SourcePart source) {
    return source.interest().isBlank();
  }

  private static boolean hasInterest(SelectionFile.MarkPart mark) {
    return mark.interest() != null && !mark.interest().isBlank();
  }

  /** The file without all that. */
  public static SelectionFile of(SelectionFile file) {
    return file.withContenders(
            file.contenders().stream().map(part -> part.with(of(part.tool()))).toList())
        .withPanel(file.panel().stream().map(Disinterested::of).toList())
        .withPages(
            file.otherPages().isEmpty()
                ? null
                : file.otherPages().stream().map(Disinterested::of).toList());
  }

  private static SelectionFile.MemberPart of(SelectionFile.MemberPart member) {
    return new SelectionFile.MemberPart(
        member.name(),
        member.share(),
        member.points(),
        member.marks().stream().map(Disinterested::of).toList(),
        member.weighsBy(),
        member.weighings(),
        member.handedIn(),
        member.pairs(),
        member.competence(),
        member.opinions());
  }

  /** A mark that was given and gives no value, as one of somebody who cannot judge. */
  private static SelectionFile.MarkPart of(SelectionFile.MarkPart mark) {
    return hasInterest(mark)
        ? new SelectionFile.MarkPart(
            mark.criterion(), mark.contender(), null, mark.note(), mark.ground(), mark.interest())
        : mark;
  }

  /** A limit that somebody with an interest stated is not known then; that there is one stays. */
  private static ToolSheet.AllowancePart of(ToolSheet.AllowancePart part) {
    return isFree(part.source())
        ? part
        : part.with().kind(ToolSheet.Limit.UNKNOWN).perAccount("0").perSeat("0").build();
  }

  private static ToolSheet of(ToolSheet tool) {
    List<ToolSheet.PlanPart> plans =
        tool.plans().stream()
            .map(plan ->
                plan.withAllowances(plan.allowances().stream().map(Disinterested::of).toList())
                    .withFacts(
                        plan.facts().stream().filter(part -> isFree(part.source())).toList()))
            .toList();
    return tool.withPlans(plans)
        .withConditions(tool.conditions().stream().filter(part -> isFree(part.source())).toList())
        .withRatings(tool.ratings().stream().filter(part -> isFree(part.source())).toList());
  }
}
