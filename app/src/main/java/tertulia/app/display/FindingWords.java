package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
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
import tertulia.core.finding.MissingFinding;
import tertulia.core.finding.RemarkFinding;
import tertulia.core.finding.ScoreFinding;
import tertulia.core.finding.Stage;
import tertulia.core.finding.TrialFinding;
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
      case ViewFinding views -> ViewWords.of(views);
      case RemarkFinding.OpenRemarks open ->
          (open.remarks() == 1
                  ? "One remark is open, at "
                  : Figures.whole(open.remarks()) + " remarks are open, at ")
              + open.steps().stream().map(Stage::words).collect(Collectors.joining(", "))
              + ".";
      case RemarkFinding.KeptRemarks kept ->
          (kept.remarks() == 1
                  ? "One remark on how something is judged waits"
                  : Figures.whole(kept.remarks()) + " remarks on how something is judged wait")
              + " until you have handed in your view.";
      case AgreementFinding.RankingsAgree agree -> agree(agree);
      case AgreementFinding.ViewTurns turns ->
          "Without "
              + turns.person()
              + "’s view "
              + name(turns.without())
              + " would lead, not "
              + name(turns.shared())
              + ".";
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

  private String agree(AgreementFinding.RankingsAgree agree) {
    String how =
        switch (agree.degree()) {
          case WELL -> "The rankings agree well";
          case IN_PART -> "The rankings agree in part";
          case HARDLY -> "The rankings hardly agree";
        };
    return how
        + " (Kendall’s W "
        + agree.w().setScale(2, RoundingMode.HALF_UP).toPlainString()
        + " of 1); "
        + (agree.firsts().size() == 1
            ? "everybody has " + name(agree.firsts().getFirst()) + " first."
            : agree.firsts().stream().map(this::name).collect(Collectors.joining(", "))
                + " are each somebody’s first.");
  }

  private String interested(InterestFinding.WithoutInterested found) {
    List<String> parts = new ArrayList<>();
    if (found.facts() > 0) {
      parts.add(found.facts() == 1 ? "1 fact" : found.facts() + " facts");
    }
    if (found.ratings() > 0) {
      parts.add(found.ratings() == 1 ? "1 rating" : found.ratings() + " ratings");
    }
    if (found.marks() > 0) {
      parts.add(found.marks() == 1 ? "1 mark" : found.marks() + " marks");
    }
    boolean one = found.facts() + found.ratings() + found.marks() == 1;
    return listed(parts)
        + (one ? " comes" : " come")
        + " from somebody with an interest. "
        + found
            .without()
            .map(without -> "Without " + (one ? "it " : "them ") + left(found.with(), without))
            .orElse(
                found.with().isEmpty()
                    ? "There are no totals yet, with or without " + (one ? "it." : "them.")
                    : "Without " + (one ? "it" : "them") + " there are no totals.");
  }

  private String left(
      Optional<InterestFinding.WithoutInterested.Lead> with,
      InterestFinding.WithoutInterested.Lead without) {
    String by = without.by().map(margin -> ", by " + score(margin)).orElse("");
    String tool = name(without.tool());
    if (with.isEmpty()) {
      return tool + " is ahead" + by + ".";
    }
    if (!with.get().tool().equals(without.tool())) {
      return tool + " is ahead" + by + ", not " + name(with.get().tool()) + ".";
    }
    String before = with.get().by().map(FindingWords::score).orElse("");
    boolean same = before.equals(without.by().map(FindingWords::score).orElse(""));
    return tool
        + (same ? " is ahead all the same" : " is still ahead")
        + by
        + (same ? "" : " instead of " + before)
        + ".";
  }

  private static String score(BigDecimal margin) {
    return Figures.score(Interval.exactly(margin));
  }

  /** A sentence about growth, whatever the selection. */
  public static String of(GrowthFinding finding, Horizon horizon) {
    return switch (finding) {
      case GrowthFinding.PeopleInTheEnd end ->
          "In "
              + Dates.month(horizon.month(end.month()))
              + ": "
              + end.ends().stream()
                  .map(e -> Figures.whole(e.people()) + " if growth is " + e.scenario().words())
                  .collect(Collectors.joining(", "))
              + ".";
      case GrowthFinding.MostPeople most ->
          "The most people at a time, as expected: "
              + Figures.whole(most.people())
              + " in "
              + Dates.month(horizon.month(most.month()))
              + ".";
    };
  }
}
