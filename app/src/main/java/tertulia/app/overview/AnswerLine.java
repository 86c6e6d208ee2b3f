package tertulia.app.overview;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.chart.Marks;
import tertulia.app.decision.LookBack;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.display.SigningWords;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Head;
import tertulia.app.workspace.Heads;
import tertulia.app.workspace.HorizonCell;
import tertulia.app.workspace.Session;
import tertulia.core.decision.Decision;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.AnswerFinding;
import tertulia.core.finding.AnswerFindings;
import tertulia.core.finding.Progress;

/**
 * What a selection has come to, in a line.
 *
 * @param mark of the tool the answer is about, as SVG; empty: it is about none
 * @param plan that it would need, or that was agreed
 * @param stands how surely
 * @param now what it costs a month now
 * @param whole what it costs over the months
 * @param step the step it is at
 * @param href address of that step
 * @param note what is to be done there
 */
record AnswerLine(
    String mark,
    String tool,
    String plan,
    String stands,
    Cell now,
    Cell whole,
    boolean decided,
    String step,
    String href,
    String note) {
  private static final Cell NOTHING = Cell.fact("");

  /** Looks again at a signed decision; empty if there is nothing to compare. */
  interface LookingAgain {
    Optional<LookBack.InShort> of(long selection, Decision.Signed signed);
  }

  /**
   * A line.
   *
   * @param lookBack says of a signed decision how it stands today
   */
  static AnswerLine of(Session session, Optional<Decision> decision, LookingAgain lookBack) {
    AnswerFindings findings = new AnswerFindings(session.evaluation());
    FindingWords words = new FindingWords(session.table().selection());
    Progress.Next next = Progress.of(session.evaluation(), decision).next();
    Optional<Decision.Signed> signed =
        decision.filter(Decision.Signed.class::isInstance).map(Decision.Signed.class::cast);
    AnswerFinding answer = findings.answer();
    Optional<String> about =
        signed.map(s -> s.proposal().choice()).or(() -> AnswerFindings.front(answer));
    Optional<Contender> tool =
        about.flatMap(id -> session.columns().stream().filter(c -> c.id().equals(id)).findFirst());
    Optional<LookBack.InShort> again = signed.flatMap(s -> lookBack.of(session.table().id(), s));
    String stands =
        signed
            .map(s ->
                Stream.concat(
                        Stream.of(
                            agreed(s),
                            again
                                .map(LookBack.InShort::decide)
                                .orElseGet(() -> words.of(findings.today(s.proposal().choice())))),
                        again.map(LookBack.InShort::warnings).orElse(List.of()).stream())
                    .collect(Collectors.joining(" ")))
            .orElseGet(() ->
                words.inShort(answer)
                    + findings.viewsWithheld().map(kept -> " " + words.of(kept)).orElse(""));
    String plan =
        signed
            .map(s -> s.proposal().option())
            .or(() -> tool.map(c -> head(session, c).plan()))
            .orElse("");
    return new AnswerLine(
        tool.map(c -> Marks.inline(session.mark(c.id()))).orElse(""),
        tool.map(c -> c.tool().name()).or(() -> about).orElse(""),
        plan,
        stands,
        again
            .flatMap(LookBack.InShort::month)
            .map(money -> Cell.figure(Figures.money(money), why(session, signed)))
            .or(() -> tool.map(c -> head(session, c).cost()))
            .orElse(NOTHING),
        again
            .flatMap(LookBack.InShort::whole)
            .map(money -> Cell.figure(Figures.money(money), why(session, signed)))
            .or(() -> tool.map(c -> HorizonCell.of(session, c)))
            .map(cell -> cell.noting(session.table().selection().horizon().months() + " months"))
            .orElse(NOTHING),
        signed.isPresent(),
        ProgressWords.step(next),
        "/selections/"
            + session.table().id()
            + "/"
            + next.step().name().toLowerCase(Locale.ENGLISH),
        ProgressWords.note(next, session.today()));
  }

  /** The working of what was chosen, months that are over as they were bought. */
  private static String why(Session session, Optional<Decision.Signed> signed) {
    return "/selections/"
        + session.table().id()
        + "/look-again/why?figure=way&contender="
        + signed.map(s -> s.proposal().choice()).orElse("");
  }

  private static String agreed(Decision.Signed signed) {
    return "Agreed "
        + SigningWords.day(signed.closedBy())
        + " by "
        + SigningWords.who(signed)
        + ".";
  }

  private static Head head(Session session, Contender contender) {
    return Heads.of(session, contender);
  }
}
