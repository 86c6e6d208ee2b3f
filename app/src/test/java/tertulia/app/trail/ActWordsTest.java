package tertulia.app.trail;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.exchange.Json;

/** Acts of every kind, stored and read again, are told as they were. */
public class ActWordsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 12, 31);

  private static Map<Act, String> told() {
    Map<Act, String> told = new LinkedHashMap<>();
    told.put(new Act.Begun("Which?"), "Begun: “Which?”");
    told.put(new Act.Imported("Which?"), "Imported: “Which?”");
    told.put(new Act.QuestionChanged("{}", 3, List.of("Months: 12 → 36")), "Months: 12 → 36");
    told.put(new Act.ContenderAdded("Jetty"), "Jetty: added as a contender");
    told.put(new Act.ContenderRemoved("Jetty"), "Jetty: removed as a contender");
    told.put(new Act.SetAside("Jetty", "", "too {dear}"), "Jetty: set aside: too {dear}");
    told.put(new Act.SetAside("Jetty", "Pro", "gone"), "Jetty, plan Pro: set aside: gone");
    told.put(new Act.BroughtBack("Jetty", ""), "Jetty: brought back");
    told.put(new Act.BroughtBack("Jetty", "Pro"), "Jetty, plan Pro: brought back");
    told.put(new Act.HoursNoted("Jetty"), "Jetty: the hours it takes changed");
    told.put(new Act.NotNeeded("Jetty", "Chat", "no"), "Jetty: Chat is not needed: no");
    told.put(new Act.SaidOfInUse("Old", "Jetty", "stays"), "Old stays in use beside Jetty");
    told.put(new Act.SaidOfInUse("Old", "Jetty", "goes"), "Old goes if Jetty is taken");
    told.put(new Act.SaidOfInUse("Old", "Jetty", ""), "Old beside Jetty: by its work areas again");
    told.put(new Act.AsToday("Old", true), "Old is compared as it is used today");
    told.put(new Act.AsToday("Old", false), "Old is compared as if bought anew");
    told.put(new Act.UseCounted(true), "What is in use is counted");
    told.put(new Act.UseCounted(false), "What is in use is not counted");
    told.put(new Act.UseLeftOut("Old", true), "Old, in use, left out of the question");
    told.put(new Act.UseLeftOut("Old", false), "Old, in use, part of the question again");
    told.put(new Act.SaidOfInUse("Old", "Jetty", "stays"), "Old stays in use beside Jetty");
    told.put(new Act.SaidOfInUse("Old", "Jetty", "goes"), "Old goes if Jetty is taken");
    told.put(new Act.SaidOfInUse("Old", "Jetty", ""), "Old beside Jetty: by its work areas again");
    told.put(new Act.AsToday("Old", true), "Old is compared as it is used today");
    told.put(new Act.AsToday("Old", false), "Old is compared as if bought anew");
    told.put(new Act.UseLeftOut("Old", true), "Old, in use, left out of the question");
    told.put(new Act.UseLeftOut("Old", false), "Old, in use, part of the question again");
    told.put(new Act.LookedAtAgain("Jetty", "Chat"), "Jetty: Chat is looked at again");
    told.put(new Act.Seated("Odile"), "Odile: on the panel");
    told.put(new Act.Unseated("Odile"), "Odile: no longer on the panel");
    told.put(new Act.ShareChanged("Odile", 1, 0), "Share of Odile: 1 → 0");
    told.put(new Act.KnowledgeNoted("Odile", "Dues"), "What Odile knows about: Dues");
    told.put(new Act.KnowledgeNoted("Odile", ""), "What Odile knows about: not said");
    told.put(new Act.HandedIn("Odile"), "Odile: handed in");
    told.put(new Act.ViewsOpened(), "Views opened: everybody sees every view");
    told.put(
        new Act.Admitted(false, true, List.of("Pia"), List.of("Rolf")),
        "Kept to the people named|Pia: named|Rolf: no longer named");
    told.put(new Act.Admitted(true, true, List.of(), List.of()), "Opened to all");
    told.put(new Act.PutAway(Act.Kept.ARCHIVED), "Archived");
    told.put(new Act.PutAway(Act.Kept.DELETED), "Deleted");
    told.put(new Act.PutAway(Act.Kept.RESTORED), "Restored");
    told.put(new Act.Weighed("Odile", "Ease", null, 7), "Weight of Ease, Odile: 7");
    told.put(new Act.Weighed("Odile", "Ease", 7, null), "Weight of Ease, Odile: 7 → taken back");
    told.put(new Act.WeighsBy("Odile", "points"), "Odile: weighs by points");
    told.put(new Act.WeighsBy("Odile", "swing"), "Odile: weighs by steps from worst to best");
    told.put(new Act.WeighsBy("Odile", "rank-order"), "Odile: weighs by an order");
    told.put(new Act.WeighsBy("Odile", "pairs"), "Odile: weighs two at a time");
    told.put(new Act.Compared("Odile", "Ease", "Cost", 3), "Ease against Cost, Odile: 3 times");
    told.put(new Act.Compared("Odile", "Ease", "Cost", 0), "Ease against Cost, Odile: taken back");
    told.put(
        new Act.Marked("Odile", "Ease", "Jetty", "7", "cannot judge"),
        "Mark for Ease, Jetty, Odile: 7 → cannot judge");
    told.put(new Act.Marked("Odile", "Ease", "Jetty", "", "7"), "Mark for Ease, Jetty, Odile: 7");
    told.put(new Act.Reasoned("Odile", "Ease", "Jetty"), "Mark for Ease, Jetty, Odile: why");
    told.put(
        new Act.FoundBetter("Odile", "Ease", "Jetty", "Quay", "much better"),
        "Ease, Jetty against Quay, Odile: much better");
    told.put(
        new Act.FoundBetter("Odile", "Ease", "Jetty", "Quay", ""),
        "Ease, Jetty against Quay, Odile: taken back");
    told.put(
        new Act.InterestStated("Odile", "Jetty", "a brother"),
        "Odile has an interest in Jetty: a brother");
    told.put(
        new Act.InterestStated("Odile", "Jetty", ""), "Odile has no interest in Jetty any more");
    told.put(
        new Act.OpinionGiven("Odile", "Jetty", "it rains"), "Odile would take Jetty if it rains");
    told.put(new Act.OpinionGiven("Odile", "Jetty", ""), "Odile has no opinion on Jetty any more");
    told.put(
        new Act.Settled("Ease", "Jetty", "6", "we talked"),
        "Mark for Ease, Jetty: settled together at 6, we talked");
    told.put(
        new Act.Unsettled("Ease", "Jetty"), "Mark for Ease, Jetty: no longer settled together");
    told.put(new Act.TaskNamed("Book a slot"), "Task added: Book a slot");
    told.put(new Act.TaskDropped("Book a slot"), "Task removed: Book a slot");
    told.put(new Act.TrialPlanned("Jetty", DAY, null), "Trial of Jetty: from 31 Dec 2026");
    told.put(
        new Act.TrialPlanned("Jetty", DAY, DAY.plusDays(14)),
        "Trial of Jetty: from 31 Dec 2026 to 14 Jan 2027");
    told.put(
        new Act.Tried("Jetty", "Odile", "Book a slot", "", "done, 2 min"),
        "Jetty, tried by Odile: Book a slot: done, 2 min");
    told.put(
        new Act.Tried("Jetty", "Odile", "Book a slot", "done", "done"),
        "Jetty, tried by Odile: Book a slot: note");
    told.put(
        new Act.Remarked(Act.Said.QUESTION, "Need", "Who\n pays?"),
        "Question on Need: “Who pays?”");
    told.put(new Act.Remarked(Act.Said.REMARK, "Need", "So"), "Remark on Need: “So”");
    told.put(new Act.Remarked(Act.Said.ANSWER, "Need", "So"), "Answer on Need: “So”");
    told.put(
        new Act.Remarked(Act.Said.DISAGREEMENT, "Need", "x".repeat(90)),
        "Disagreement on Need: “" + "x".repeat(80) + "…”");
    told.put(new Act.RemarkClosed(true, "Need", "So"), "Closed on Need: “So”");
    told.put(new Act.RemarkClosed(false, "Need", "So"), "Opened again on Need: “So”");
    told.put(new Act.Pictured(Act.Picture.ADDED, "Jetty"), "Picture beside Jetty");
    told.put(new Act.Pictured(Act.Picture.REPLACED, "Jetty"), "Another picture beside Jetty");
    told.put(new Act.Pictured(Act.Picture.REMOVED, "Jetty"), "Picture taken away from Jetty");
    told.put(new Act.Drafted("Jetty"), "Decision: Jetty written down");
    told.put(new Act.Proposed("Jetty"), "Decision: Jetty proposed");
    told.put(new Act.Withdrawn("too early"), "Decision: proposal withdrawn: too early");
    told.put(new Act.Objected("too dear"), "Decision: objected to: too dear");
    told.put(new Act.Agreed(""), "Decision: agreed to");
    told.put(new Act.Agreed("not yet"), "Decision: agreed to, with reservations: not yet");
    told.put(new Act.SpokeAgainst("too dear"), "Decision: spoken against: too dear");
    told.put(new Act.Signed("Jetty"), "Decision: Jetty signed, and the selection closed");
    told.put(new Act.Entered("Jetty"), "Decision: Jetty, agreed before, entered");
    told.put(new Act.StillHolds(DAY), "Decision: still holds, look again on 31 Dec 2026");
    told.put(new Act.AskedAgain(), "Decision: asked again in another selection");
    told.put(new Act.Told(List.of("a", "b")), "a|b");
    return told;
  }

  @Test
  public void whatIsStoredIsReadAgainAndToldAsItWas() {
    told()
        .forEach((act, words) -> {
          Act read = Json.stored(Json.write(act), act.getClass());
          assertEquals(read, act);
          assertEquals(String.join("|", ActWords.of(read)), words);
        });
  }

  @Test
  public void everyKindIsAmongThem() {
    Set<Class<?>> here = told().keySet().stream().map(Act::getClass).collect(Collectors.toSet());
    assertEquals(here, Set.of(Act.class.getPermittedSubclasses()));
    List<String> codes = Arrays.stream(Act.class.getPermittedSubclasses()).map(Acts::kind).toList();
    assertEquals(Set.copyOf(codes).size(), codes.size());
    assertTrue(codes.stream().allMatch(code -> code.matches("[a-z-]{4,40}")), "" + codes);
  }
}
