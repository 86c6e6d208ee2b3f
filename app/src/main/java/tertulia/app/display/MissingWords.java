package tertulia.app.display;

import java.util.Map;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.MissingFinding;

/** What keeps an answer from being settled. */
record MissingWords(Selection selection) implements SelectionWords {
  String of(MissingFinding missing) {
    return switch (missing) {
      case MissingFinding.NoCriteria none -> Voice.say("missing.no-criteria");
      case MissingFinding.NotWeighed nobody ->
          switch (nobody.members().size()) {
            case 0 -> Voice.say("missing.not-weighted.nobody-asked");
            case 1 -> Voice.say("missing.not-weighted.one", "members", listed(nobody.members()));
            default -> Voice.say("missing.not-weighted.many", "members", listed(nobody.members()));
          };
      case MissingFinding.ViewsWithheld views -> withheld(views);
      case MissingFinding.NotMarked marks ->
          marks.left() == 1
              ? Voice.say("missing.marks.one", Map.of("member", marks.member(), "of", marks.of()))
              : Voice.say(
                  "missing.marks.many",
                  Map.of("member", marks.member(), "left", marks.left(), "of", marks.of()));
      case MissingFinding.ValueOpen open ->
          Voice.say(
              "missing.value-a-range",
              Map.of("tool", name(open.tool()), "criterion", open.criterion()));
      case MissingFinding.ToConfirm confirm ->
          Voice.say("missing.must-not-confirmed", "tool", name(confirm.tool()));
      case MissingFinding.NoPrice none -> Voice.say("missing.price", "tool", name(none.tool()));
      case MissingFinding.MonthsPassed months -> passed(months);
      case MissingFinding.OpenQuestions open ->
          open.questions() == 1
              ? Voice.say("missing.questions.one", "tool", name(open.tool()))
              : Voice.say(
                  "missing.questions.many",
                  Map.of("tool", name(open.tool()), "count", open.questions()));
      case MissingFinding.OldPrice old ->
          Voice.say(
              "missing.old-price", Map.of("tool", name(old.tool()), "day", Dates.day(old.asOf())));
    };
  }

  private String withheld(MissingFinding.ViewsWithheld views) {
    String members = listed(views.members());
    boolean one = views.members().size() == 1;
    if (views.handedIn().isEmpty()) {
      return Voice.say(one ? "missing.views.one" : "missing.views.many", "members", members);
    }
    if (views.handedIn().size() == views.members().size()) {
      return Voice.say(
          one ? "missing.views.closed.one" : "missing.views.closed.many", "members", members);
    }
    return Voice.say(
        one ? "missing.views.partly.one" : "missing.views.partly.many",
        Map.of("members", members, "others", listed(views.handedIn())));
  }

  private String passed(MissingFinding.MonthsPassed months) {
    String all = months(months.of());
    String start = Dates.month(months.start());
    if (months.passed() == months.of()) {
      return Voice.say("missing.months-passed.all", Map.of("months", all, "start", start));
    }
    return months.passed() == 1
        ? Voice.say("missing.months-passed.one", Map.of("months", all, "start", start))
        : Voice.say(
            "missing.months-passed.many",
            Map.of("passed", months.passed(), "months", all, "start", start));
  }

  /** Whose views a total is without, such as "without the views of Joren and Odile". */
  String inShort(MissingFinding.ViewsWithheld views) {
    return views.members().size() == 1
        ? Voice.say("missing.views.short.one", "members", listed(views.members()))
        : Voice.say("missing.views.short.many", "members", listed(views.members()));
  }
}
