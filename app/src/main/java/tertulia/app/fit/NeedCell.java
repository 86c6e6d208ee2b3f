package tertulia.app.fit;

import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.selection.Proof;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Workspace;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Met;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Ladder;
import tertulia.core.fit.Need;
import tertulia.core.path.Option;
import tertulia.core.pricing.Outside;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** What a contender has of a need: from which plan on, and what the plan it would be on says. */
final class NeedCell {
  private NeedCell() {}

  /** With the pictures that show it, if the reader may see any. */
  static Cell of(Workspace.Session session, Contender contender, Need need) {
    return said(session, contender, need)
        .showing(session.table().proofs(Proof.ofFact(need.capability().id(), contender.id())));
  }

  private static Cell said(Workspace.Session session, Contender contender, Need need) {
    Optional<Option> option = session.evaluation().costs().optionNow(contender.id());
    if (contender.offerings().isEmpty()) {
      return Cell.missing("no plans entered", "");
    }
    String where = new Ladder(need.capability(), contender.offerings()).words();
    if (session.evaluation().costs().met(contender.id(), need) == Met.OUTSIDE) {
      Outside outside = need.outside().orElseThrow();
      return Cell.fact("◇ covered outside")
          .looking("partly")
          .noting(
              "by "
                  + outside.by()
                  + ", "
                  + Figures.money(outside.monthly())
                  + " a month; "
                  + where);
    }
    Fact fact =
        option
            .map(Option::offering)
            .orElseGet(() -> contender.offerings().getLast())
            .fact(need.capability());
    boolean must = need.importance() instanceof Importance.Must;
    Cell cell =
        Cell.fact(sign(fact.answer()) + where)
            .noting(source(fact, session) + conflict(session, contender, option, need, fact))
            .confirmable(session.confirm(contender, key(session, need), fact.source()));
    return switch (fact.answer()) {
      case YES -> cell.looking("yes");
      case PARTLY, BY_ADD_ON -> cell.looking("partly");
      case NO -> cell.looking(must ? "stop" : "no");
      case UNKNOWN -> cell.looking("missing").noting(must ? "confirm it" : "");
    };
  }

  /** What a confirmation of the need's fact is called: a condition is one of the whole tool. */
  private static String key(Workspace.Session session, Need need) {
    return session.table().file().brief().needs().stream()
        .filter(part -> part.id().equals(need.capability().id()) && part.condition() != null)
        .findFirst()
        .map(part -> "condition:" + part.condition())
        .orElse("fact:" + need.capability().id());
  }

  /** What other sources say of the same plan, if it is something else; empty if nothing is. */
  private static String conflict(
      Workspace.Session session,
      Contender contender,
      Optional<Option> option,
      Need need,
      Fact inForce) {
    return session.table().file().contenders().stream()
        .map(SelectionFile.ContenderPart::tool)
        .filter(tool -> tool.id().equals(contender.id()))
        .flatMap(tool -> tool.plans().stream())
        .filter(plan -> option.map(o -> o.plan().id().equals(plan.id())).orElse(false))
        .flatMap(plan -> plan.facts().stream())
        .filter(part -> Codes.slug(part.capability()).equals(need.capability().id()))
        .filter(part -> !part.answer().equals(Codes.code(inForce.answer())))
        .map(part ->
            "; "
                + Codes.oneOf(Ground.class, part.source().ground()).words()
                + " says "
                + Codes.oneOf(Answer.class, part.answer()).words())
        .distinct()
        .collect(Collectors.joining());
  }

  /** What the plan's own answer is, ahead of where the capability is to be had. */
  static String sign(Answer answer) {
    return switch (answer) {
      case YES -> "● ";
      case PARTLY -> "◐ ";
      case BY_ADD_ON -> "⊕ ";
      case NO -> "○ ";
      case UNKNOWN -> "? ";
    };
  }

  /** The ground of a fact and its day, marked if it is old; empty if there is no fact. */
  static String source(Fact fact, Workspace.Session session) {
    if (fact.answer() == Answer.UNKNOWN) {
      return "";
    }
    return source(fact.source(), session);
  }

  static String source(Provenance source, Workspace.Session session) {
    return source.ground().words()
        + (session.isOld(source) ? ", old: " : ", ")
        + Dates.day(source.asOf())
        + (source.interest().isEmpty() ? "" : ", interest: " + source.interest());
  }
}
