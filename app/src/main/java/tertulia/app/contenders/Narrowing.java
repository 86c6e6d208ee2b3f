package tertulia.app.contenders;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.fit.Reason;
import tertulia.core.path.PlanPaths;

/**
 * How a long list became a short one: who is out by the rules as the facts are now, and what people
 * did.
 *
 * @param out by the rules; they come back by themselves when the facts change
 * @param acts what people did, oldest first
 */
public record Narrowing(List<Out> out, List<Act> acts) {
  public Narrowing {
    out = List.copyOf(out);
    acts = List.copyOf(acts);
  }

  /**
   * A contender without a plan in some month.
   *
   * @param slug its address
   * @param since the first such month
   */
  public record Out(String slug, String name, String since, String reasons) {}

  /** Something somebody did to the list. */
  public record Act(String day, String who, String words, String reason) {}

  /** The narrowing of a selection as it stands. */
  public static Narrowing of(Session session) {
    return new Narrowing(
        out(session), session.table().file().narrowing().stream().map(Narrowing::act).toList());
  }

  private static List<Out> out(Session session) {
    List<Out> out = new ArrayList<>();
    Evaluation evaluation = session.evaluation();
    for (Contender contender : session.columns()) {
      if (evaluation.costs().overall().way(contender.id()) instanceof PlanPaths.Gap gap
          && !gap.isUnpriced()) {
        out.add(
            new Out(
                contender.id(),
                contender.tool().name(),
                Dates.shortMonth(session.table().selection().horizon().month(gap.month())),
                reasons(gap)));
      }
    }
    return out;
  }

  /** Of each plan what speaks against it. */
  private static String reasons(PlanPaths.Gap gap) {
    return gap.verdicts().entrySet().stream()
        .map(e ->
            e.getKey().label()
                + ": "
                + e.getValue().reasons().stream()
                    .map(Reason::sentence)
                    .collect(Collectors.joining("; ")))
        .distinct()
        .collect(Collectors.joining(". "));
  }

  private static Act act(SelectionFile.LogPart part) {
    return new Act(
        Dates.day(Instant.parse(part.at()), ZoneId.systemDefault()),
        part.who(),
        part.contender() + " " + part.words(),
        part.reason() == null ? "" : part.reason());
  }
}
