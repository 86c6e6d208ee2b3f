package tertulia.app.trail;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.act.Act;
import tertulia.app.display.Dates;
import tertulia.app.display.Voice;

/** What was done, in a few words a line. */
final class ActWords {
  /** Characters of a text that are told. */
  private static final int MOST_TOLD = 80;

  private ActWords() {}

  /** One act, in lines without a full stop; most are one. */
  static List<String> of(Act act) {
    return switch (act) {
      case Act.QuestionChanged changed -> changed.lines();
      case Act.Told told -> told.lines();
      case Act.Admitted admitted -> admitted(admitted);
      case Act.Begun begun -> one("act.short.begun", "selection", begun.question());
      case Act.Imported imported -> one("act.short.imported", "selection", imported.question());
      case Act.ContenderAdded added -> one("act.short.contender.added", "tool", added.tool());
      case Act.ContenderRemoved removed ->
          one("act.short.contender.removed", "tool", removed.tool());
      case Act.SetAside aside when aside.plan().isEmpty() ->
          one("act.short.aside", "tool", aside.tool(), "reason", aside.reason());
      case Act.SetAside aside ->
          one(
              "act.short.aside.plan",
              "tool",
              aside.tool(),
              "plan",
              aside.plan(),
              "reason",
              aside.reason());
      case Act.BroughtBack back when back.plan().isEmpty() ->
          one("act.short.back", "tool", back.tool());
      case Act.BroughtBack back ->
          one("act.short.back.plan", "tool", back.tool(), "plan", back.plan());
      case Act.SaidOfInUse said ->
          one(
              switch (said.says()) {
                case "stays" -> "act.short.use.stays";
                case "goes" -> "act.short.use.goes";
                default -> "act.short.use.unsaid";
              },
              "tool",
              said.tool(),
              "other",
              said.contender());
      case Act.AsToday as ->
          one(as.kept() ? "act.short.as-today" : "act.short.as-today.not", "tool", as.tool());
      case Act.UseCounted use ->
          List.of(Voice.say(use.counted() ? "act.short.use.all" : "act.short.use.none"));
      case Act.UseLeftOut left ->
          one(left.out() ? "act.short.use.out" : "act.short.use.in", "tool", left.tool());
      case Act.HoursNoted hours -> one("act.short.hours", "tool", hours.tool());
      case Act.NotNeeded not ->
          one(
              "act.short.not-needed",
              "tool",
              not.tool(),
              "need",
              not.capability(),
              "reason",
              not.because());
      case Act.LookedAtAgain again ->
          one("act.short.not-needed.back", "tool", again.tool(), "need", again.capability());
      case Act.Seated seated -> one("act.short.seated", "person", seated.person());
      case Act.Unseated unseated -> one("act.short.unseated", "person", unseated.person());
      case Act.ShareChanged share ->
          one(
              "act.short.share",
              "person",
              share.person(),
              "before",
              share.before(),
              "now",
              share.now());
      case Act.KnowledgeNoted knows when knows.about().isEmpty() ->
          one("act.short.knows.nothing", "person", knows.person());
      case Act.KnowledgeNoted knows ->
          one("act.short.knows", "person", knows.person(), "words", knows.about());
      case Act.HandedIn in -> one("act.short.handed-in", "person", in.person());
      case Act.ViewsOpened opened -> one("act.short.views-opened");
      case Act.PutAway put -> one(kept(put.how()));
      case Act.Weighed weighed ->
          one(
              "act.short.weight",
              "criterion",
              weighed.criterion(),
              "person",
              weighed.person(),
              "changes",
              changes(said(weighed.before()), said(weighed.now())));
      case Act.WeighsBy by -> one(weighs(by.way()), "person", by.person());
      case Act.Compared pair ->
          one(
              "act.short.compared",
              "criterion",
              pair.more(),
              "other",
              pair.less(),
              "person",
              pair.person(),
              "changes",
              pair.times() == 0
                  ? Voice.say("act.part.taken-back")
                  : Voice.say("act.part.times", "count", pair.times()));
      case Act.Marked mark ->
          one(
              "act.short.mark",
              "criterion",
              mark.criterion(),
              "tool",
              mark.tool(),
              "person",
              mark.person(),
              "changes",
              changes(mark.before(), mark.now()));
      case Act.Reasoned why ->
          one(
              "act.short.mark",
              "criterion",
              why.criterion(),
              "tool",
              why.tool(),
              "person",
              why.person(),
              "changes",
              Voice.say("act.part.why"));
      case Act.FoundBetter found ->
          one(
              "act.short.better",
              "criterion",
              found.criterion(),
              "tool",
              found.better(),
              "other",
              found.than(),
              "person",
              found.person(),
              "changes",
              found.much().isEmpty() ? Voice.say("act.part.taken-back") : found.much());
      case Act.InterestStated none when none.words().isEmpty() ->
          one("act.short.interest.none", "person", none.person(), "tool", none.tool());
      case Act.InterestStated said ->
          one(
              "act.short.interest",
              "person",
              said.person(),
              "tool",
              said.tool(),
              "words",
              said.words());
      case Act.OpinionGiven none when none.words().isEmpty() ->
          one("act.short.opinion.none", "person", none.person(), "tool", none.tool());
      case Act.OpinionGiven said ->
          one(
              "act.short.opinion",
              "person",
              said.person(),
              "tool",
              said.tool(),
              "words",
              said.words());
      case Act.Settled settled ->
          one(
              "act.short.settled",
              "criterion",
              settled.criterion(),
              "tool",
              settled.tool(),
              "amount",
              settled.points(),
              "reason",
              settled.reason());
      case Act.Unsettled settled ->
          one("act.short.unsettled", "criterion", settled.criterion(), "tool", settled.tool());
      case Act.TaskNamed task -> one("act.short.task", "words", task.task());
      case Act.TaskDropped task -> one("act.short.task.dropped", "words", task.task());
      case Act.TrialPlanned trial when trial.last() == null ->
          one("act.short.trial", "tool", trial.tool(), "start", Dates.day(trial.first()));
      case Act.TrialPlanned trial ->
          one(
              "act.short.trial.until",
              "tool",
              trial.tool(),
              "start",
              Dates.day(trial.first()),
              "day",
              trial.last() == null ? "" : Dates.day(trial.last()));
      case Act.Tried tried ->
          one(
              "act.short.tried",
              "tool",
              tried.tool(),
              "person",
              tried.by(),
              "words",
              tried.task(),
              "changes",
              tried.before().equals(tried.now())
                  ? Voice.say("act.part.note")
                  : changes(tried.before(), tried.now()));
      case Act.Remarked said ->
          one(said(said.kind()), "feature", said.about(), "words", shortened(said.text()));
      case Act.RemarkClosed remark ->
          one(
              remark.closed() ? "act.short.closed" : "act.short.reopened",
              "feature",
              remark.about(),
              "words",
              shortened(remark.text()));
      case Act.Pictured picture -> one(picture(picture.how()), "feature", picture.beside());
      case Act.Drafted drafted -> one("act.short.drafted", "tool", drafted.tool());
      case Act.Proposed proposed -> one("act.short.proposed", "tool", proposed.tool());
      case Act.Withdrawn withdrawn ->
          one("act.short.withdrawn", "reason", shortened(withdrawn.reason()));
      case Act.Objected objected ->
          one("act.short.objected", "reason", shortened(objected.reason()));
      case Act.Agreed agreed ->
          agreed.reservations().isEmpty()
              ? one("act.short.agreed")
              : one("act.short.agreed.reserved", "words", shortened(agreed.reservations()));
      case Act.SpokeAgainst against ->
          one("act.short.against", "reason", shortened(against.reason()));
      case Act.Signed signed -> one("act.short.signed", "tool", signed.tool());
      case Act.Entered entered -> one("act.short.entered", "tool", entered.tool());
      case Act.StillHolds holds -> one("act.short.holds", "day", Dates.day(holds.lookAgain()));
      case Act.AskedAgain again -> one("act.short.asked-again");
    };
  }

  /** A line by its key, with names of places and what stands in them by turns. */
  private static List<String> one(String key, Object... places) {
    Map<String, Object> named = new java.util.HashMap<>();
    for (int i = 0; i < places.length; i += 2) {
      named.put(String.valueOf(places[i]), places[i + 1]);
    }
    return List.of(Voice.say(key, named));
  }

  private static List<String> admitted(Act.Admitted admitted) {
    List<String> lines = new ArrayList<>();
    if (admitted.changed()) {
      lines.addAll(one(admitted.openToAll() ? "act.short.opened" : "act.short.kept"));
    }
    admitted.named().forEach(person -> lines.addAll(one("act.short.named", "person", person)));
    admitted.unnamed().forEach(person -> lines.addAll(one("act.short.unnamed", "person", person)));
    return lines;
  }

  private static String kept(Act.Kept how) {
    return switch (how) {
      case ARCHIVED -> "act.short.archived";
      case DELETED -> "act.short.deleted";
      case RESTORED -> "act.short.restored";
    };
  }

  /** By the code of the way. */
  private static String weighs(String way) {
    return switch (way) {
      case "swing" -> "act.short.weighs.swing";
      case "rank-order" -> "act.short.weighs.rank-order";
      case "pairs" -> "act.short.weighs.pairs";
      default -> "act.short.weighs.points";
    };
  }

  private static String said(Act.Said kind) {
    return switch (kind) {
      case QUESTION -> "act.short.question";
      case REMARK -> "act.short.remark";
      case DISAGREEMENT -> "act.short.disagreement";
      case ANSWER -> "act.short.answer";
    };
  }

  private static String picture(Act.Picture how) {
    return switch (how) {
      case ADDED -> "act.short.picture";
      case REPLACED -> "act.short.picture.other";
      case REMOVED -> "act.short.picture.removed";
    };
  }

  private static String said(@Nullable Integer points) {
    return points == null ? "" : String.valueOf(points);
  }

  private static String changes(String before, String now) {
    String then = now.isEmpty() ? Voice.say("act.part.taken-back") : now;
    return before.isEmpty()
        ? then
        : Voice.say("act.part.changes", Map.of("before", before, "now", then));
  }

  private static String shortened(String text) {
    String line = text.replaceAll("\\s+", " ").strip();
    return line.codePointCount(0, line.length()) <= MOST_TOLD
        ? line
        : line.substring(0, line.offsetByCodePoints(0, MOST_TOLD)).strip() + "…";
  }
}
