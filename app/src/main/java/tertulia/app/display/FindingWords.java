package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.AgreementFinding;
import tertulia.core.finding.AnswerFinding;
import tertulia.core.finding.ChangeFinding;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.Finding;
import tertulia.core.finding.FitFinding;
import tertulia.core.finding.GrowthFinding;
import tertulia.core.finding.InterestFinding;
import tertulia.core.finding.LookBackFinding;
import tertulia.core.finding.MissingFinding;
import tertulia.core.finding.RemarkFinding;
import tertulia.core.finding.ScoreFinding;
import tertulia.core.finding.Stage;
import tertulia.core.finding.TrialFinding;
import tertulia.core.finding.VerdictFinding;
import tertulia.core.finding.ViewFinding;
import tertulia.core.scoring.Interval;
import tertulia.core.time.Horizon;

/** The one place where findings become sentences. */
public record FindingWords(Selection selection) implements SelectionWords {

  /** A sentence with its full stop. */
  public String of(Finding finding) {
    return switch (finding) {
      case CostFinding cost -> new CostWords(selection).of(cost);
      case FitFinding fit -> new FitWords(selection).of(fit);
      case ScoreFinding scores -> new ScoreWords(selection).of(scores);
      case AnswerFinding answer -> new AnswerWords(selection).of(answer);
      case MissingFinding missing -> new MissingWords(selection).of(missing);
      case ChangeFinding change -> new ChangeWords(selection).of(change);
      case GrowthFinding growth -> of(growth, selection.horizon());
      case TrialFinding trial -> new TrialWords(selection).of(trial);
      case InterestFinding.WithoutInterested interested -> interested(interested);
      case LookBackFinding back -> new LookBackWords(selection).of(back);
      case VerdictFinding verdict -> new VerdictWords(selection).of(verdict);
      case ViewFinding views -> ViewWords.of(views);
      case RemarkFinding.OpenRemarks open -> remarks(open);
      case RemarkFinding.KeptRemarks kept ->
          kept.remarks() == 1
              ? Voice.say("panel.remarks-kept.one")
              : Voice.say("panel.remarks-kept.many", "count", Figures.whole(kept.remarks()));
      case AgreementFinding.RankingsAgree agree -> agree(agree);
      case AgreementFinding.ViewTurns turns ->
          Voice.say(
              "panel.without-a-view",
              Map.of(
                  "person",
                  turns.person(),
                  "without",
                  name(turns.without()),
                  "shared",
                  name(turns.shared())));
    };
  }

  /** Whose views a total is without, such as "without the views of Joren and Odile". */
  public String inShort(MissingFinding.ViewsWithheld views) {
    return new MissingWords(selection).inShort(views);
  }

  /** An answer where a sentence above says already how firm it is. */
  public String besideFirmness(AnswerFinding answer) {
    return new AnswerWords(selection).besideFirmness(answer);
  }

  /** An answer in a few words, where its tool stands beside it. */
  public String inShort(AnswerFinding answer) {
    return new AnswerWords(selection).inShort(answer);
  }

  private static String remarks(RemarkFinding.OpenRemarks open) {
    String steps = open.steps().stream().map(Stage::words).collect(Collectors.joining(", "));
    return open.remarks() == 1
        ? Voice.say("panel.remarks.one", "steps", steps)
        : Voice.say(
            "panel.remarks.many", Map.of("count", Figures.whole(open.remarks()), "steps", steps));
  }

  private String agree(AgreementFinding.RankingsAgree agree) {
    String w = agree.w().setScale(2, RoundingMode.HALF_UP).toPlainString();
    String how =
        switch (agree.degree()) {
          case WELL -> Voice.say("panel.agree.well", "w", w);
          case IN_PART -> Voice.say("panel.agree.in-part", "w", w);
          case HARDLY -> Voice.say("panel.agree.hardly", "w", w);
        };
    return Voice.all(
        how,
        agree.firsts().size() == 1
            ? Voice.say("panel.firsts.same", "tool", name(agree.firsts().getFirst()))
            : Voice.say("panel.firsts.several", "tools", names(agree.firsts())));
  }

  private String interested(InterestFinding.WithoutInterested found) {
    List<String> parts = new ArrayList<>();
    count(parts, found.facts(), "panel.part.fact", "panel.part.facts");
    count(parts, found.ratings(), "panel.part.rating", "panel.part.ratings");
    count(parts, found.marks(), "panel.part.mark", "panel.part.marks");
    boolean one = found.facts() + found.ratings() + found.marks() == 1;
    String comes =
        Voice.say(one ? "panel.interest.one" : "panel.interest.many", "things", Voice.list(parts));
    String left =
        found
            .without()
            .map(without -> left(found.with(), without, one))
            .orElseGet(() ->
                found.with().isEmpty()
                    ? Voice.say(
                        one
                            ? "panel.without.no-totals-anyway.one"
                            : "panel.without.no-totals-anyway.many")
                    : Voice.say(
                        one ? "panel.without.no-totals.one" : "panel.without.no-totals.many"));
    return Voice.all(comes, left);
  }

  private static void count(List<String> parts, int many, String one, String several) {
    if (many > 0) {
      parts.add(many == 1 ? Voice.say(one) : Voice.say(several, "count", many));
    }
  }

  private String left(
      Optional<InterestFinding.WithoutInterested.Lead> with,
      InterestFinding.WithoutInterested.Lead without,
      boolean one) {
    String tool = name(without.tool());
    Optional<String> by = without.by().map(FindingWords::score);
    if (with.isEmpty()) {
      return by.isPresent()
          ? Voice.say(
              one ? "panel.without.leads-by.one" : "panel.without.leads-by.many",
              Map.of("tool", tool, "by", by.get()))
          : Voice.say(one ? "panel.without.leads.one" : "panel.without.leads.many", "tool", tool);
    }
    if (!with.get().tool().equals(without.tool())) {
      String before = name(with.get().tool());
      return by.isPresent()
          ? Voice.say(
              one ? "panel.without.another-by.one" : "panel.without.another-by.many",
              Map.of("tool", tool, "by", by.get(), "before", before))
          : Voice.say(
              one ? "panel.without.another.one" : "panel.without.another.many",
              Map.of("tool", tool, "before", before));
    }
    return still(tool, by, with.get().by().map(FindingWords::score), one);
  }

  private static String still(String tool, Optional<String> by, Optional<String> was, boolean one) {
    if (by.isPresent() && was.isPresent() && !by.equals(was)) {
      return Voice.say(
          one ? "panel.without.still.one" : "panel.without.still.many",
          Map.of("tool", tool, "by", by.get(), "was", was.get()));
    }
    return by.isPresent()
        ? Voice.say(
            one ? "panel.without.same-by.one" : "panel.without.same-by.many",
            Map.of("tool", tool, "by", by.get()))
        : Voice.say(one ? "panel.without.same.one" : "panel.without.same.many", "tool", tool);
  }

  private static String score(BigDecimal margin) {
    return Figures.score(Interval.exactly(margin));
  }

  /** A sentence about growth, whatever the selection. */
  public static String of(GrowthFinding finding, Horizon horizon) {
    return switch (finding) {
      case GrowthFinding.PeopleInTheEnd end ->
          Voice.say(
              "growth.in-the-end",
              Map.of(
                  "month",
                  Dates.month(horizon.month(end.month())),
                  "ends",
                  end.ends().stream()
                      .map(e ->
                          Voice.say(
                              "growth.part.end",
                              Map.of(
                                  "people",
                                  Figures.whole(e.people()),
                                  "scenario",
                                  e.scenario().words())))
                      .collect(Collectors.joining(", "))));
      case GrowthFinding.MostPeople most ->
          Voice.say(
              "growth.most",
              Map.of(
                  "people",
                  Figures.whole(most.people()),
                  "month",
                  Dates.month(horizon.month(most.month()))));
    };
  }
}
