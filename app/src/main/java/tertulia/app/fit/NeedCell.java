package tertulia.app.fit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.Proof;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Met;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Count;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Ladder;
import tertulia.core.fit.Need;
import tertulia.core.path.Option;
import tertulia.core.pricing.ExternalCover;
import tertulia.core.pricing.Plan;
import tertulia.core.working.Provenance;

/** What a contender has of a need: from which plan on, and what the plan it would be on says. */
final class NeedCell {
  private NeedCell() {}

  /** With the pictures that show it, if the reader may see any. */
  static Cell of(Session session, Contender contender, Need need) {
    return said(session, contender, need)
        .showing(session.table().proofs(Proof.ofFact(need.capability().id(), contender.id())));
  }

  private static Cell said(Session session, Contender contender, Need need) {
    Optional<Option> option = session.evaluation().costs().now().optionNow(contender.id());
    if (contender.offerings().isEmpty()) {
      return Cell.missing("no plans entered", "");
    }
    String where = new Ladder(need.capability(), contender.offerings()).words();
    if (session.evaluation().costs().met(contender.id(), need) == Met.OUTSIDE) {
      ExternalCover outside = need.outside().orElseThrow();
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
        session
            .evaluation()
            .costs()
            .now()
            .offeringNow(contender.id())
            .orElseThrow()
            .fact(need.capability());
    Optional<List<Option>> own =
        session.evaluation().costs().overall().plansOf(contender.id(), need);
    if (own.isPresent()) {
      Fact worst = own.get().getFirst().offering().fact(need.capability());
      String plans =
          own.get().stream().map(o -> o.plan().name()).distinct().collect(Collectors.joining(", "));
      return Cell.fact(sign(worst.answer()) + Voice.say("use.short.own-plan", "plan", plans))
          .looking(worst.answer() == Answer.YES ? "yes" : "partly")
          .noting(source(worst, session));
    }
    Contender.MetBeside beside = contender.metBeside().get(need.capability().id());
    if (beside != null && beside.fact().equals(fact)) {
      boolean bought =
          contender.boughtWith().stream().anyMatch(o -> o.tool().name().equals(beside.tool()));
      return Cell.fact(
              "◇ "
                  + (bought
                      ? Voice.say("use.short.met.bought", "tool", beside.tool())
                      : Voice.say("use.short.met", "tool", beside.tool())))
          .looking("yes")
          .noting(source(fact, session) + "; " + where);
    }
    boolean must = need.importance() instanceof Importance.Must;
    Cell cell =
        Cell.fact(sign(fact.answer()) + fact.count().map(Count::words).orElse(where))
            .noting(source(fact, session) + conflict(session, contender, option, need, fact))
            .confirmable(session.confirm(contender, key(session, need), fact.source()));
    return switch (fact.answer()) {
      case YES -> cell.looking("yes");
      case PARTLY, BY_ADD_ON, THROUGH_CONNECTOR -> cell.looking("partly");
      case BY_HAND -> cell.looking(need.byHandIsEnough() ? "partly" : must ? "stop" : "no");
      case NO -> cell.looking(must ? "stop" : "no");
      case UNKNOWN ->
          cell.looking("missing")
              .noting(
                  unpriced(contender, need)
                      .map(plan -> plan + " has it, at a price on request")
                      .orElse(must ? "confirm it" : ""));
    };
  }

  /** The first plan without a price whose page says that it has what is needed. */
  private static Optional<String> unpriced(Contender contender, Need need) {
    return contender.plans().stream()
        .filter(plan -> plan.charged().isEmpty())
        .filter(plan ->
            Optional.ofNullable(
                    contender.facts().getOrDefault(plan.id(), Map.of()).get(need.capability().id()))
                .filter(fact -> fact.answer() == Answer.YES)
                .isPresent())
        .map(Plan::name)
        .findFirst();
  }

  /** What a confirmation of the need's fact is called: a condition is one of the whole tool. */
  private static String key(Session session, Need need) {
    return part(session, need)
        .filter(part -> part.ofPlan().isEmpty())
        .map(part -> "condition:" + part.condition())
        .orElse("fact:" + ofPlan(session, need));
  }

  /** What is known of a need that somebody wrote down; empty for what nobody asked for. */
  private static Optional<Brief.NeedPart> part(Session session, Need need) {
    return session.table().file().brief().needs().stream()
        .filter(part -> part.id().equals(need.capability().id()))
        .findFirst();
  }

  /** Id of what a plan's facts say of a need. */
  private static String ofPlan(Session session, Need need) {
    return part(session, need)
        .flatMap(Brief.NeedPart::ofPlan)
        .map(Codes::slug)
        .orElse(need.capability().id());
  }

  /** What other sources say of the same plan, if it is something else; empty if nothing is. */
  private static String conflict(
      Session session, Contender contender, Optional<Option> option, Need need, Fact inForce) {
    return session.table().file().contenders().stream()
        .map(SelectionFile.ContenderPart::tool)
        .filter(tool -> tool.id().equals(contender.id()))
        .flatMap(tool -> tool.plans().stream())
        .filter(plan -> option.map(o -> o.plan().id().equals(plan.id())).orElse(false))
        .flatMap(plan -> plan.facts().stream())
        .filter(part -> Codes.slug(part.capability()).equals(ofPlan(session, need)))
        .flatMap(part -> other(part, inForce).stream())
        .map(fact -> "; " + fact.source().ground().words() + " says " + fact.words())
        .distinct()
        .collect(Collectors.joining());
  }

  /** What a part says, if it is something else than what is in force. */
  private static Optional<Fact> other(ToolSheet.FactPart part, Fact inForce) {
    Fact said = ToolReader.fact(part);
    boolean same =
        inForce.count().isPresent()
            ? said.count().equals(inForce.count())
            : said.count().isEmpty() && said.answer() == inForce.answer();
    return same ? Optional.empty() : Optional.of(said);
  }

  /** What the plan's own answer is, ahead of where the capability is to be had. */
  static String sign(Answer answer) {
    return switch (answer) {
      case YES -> "● ";
      case PARTLY -> "◐ ";
      case BY_ADD_ON -> "⊕ ";
      case THROUGH_CONNECTOR -> "⇄ ";
      case BY_HAND -> "✎ ";
      case NO -> "○ ";
      case UNKNOWN -> "? ";
    };
  }

  /** The ground of a fact and its day, marked if it is old; empty if there is no fact. */
  static String source(Fact fact, Session session) {
    if (fact.answer() == Answer.UNKNOWN && fact.count().isEmpty()) {
      return "";
    }
    return source(fact.source(), session);
  }

  static String source(Provenance source, Session session) {
    return source.ground().words()
        + (session.isOld(source) ? ", old: " : ", ")
        + Dates.day(source.asOf())
        + (source.interest().isEmpty() ? "" : ", interest: " + source.interest());
  }
}
