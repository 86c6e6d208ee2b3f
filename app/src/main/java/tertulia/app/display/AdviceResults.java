package tertulia.app.display;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Disinterested;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.SelectionReader;
import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.evaluation.WhatIf;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.finding.InterestFinding;
import tertulia.core.finding.InterestFindings;
import tertulia.core.firmness.RankShares;
import tertulia.core.firmness.StabilityRange;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.working.Provenance;

/** How firm results are, as it is written beside them. */
public final class AdviceResults {
  private static final int DECIMALS = 6;

  /** So that whoever asks again, after it took too long at first, goes on from there. */
  private static final OnceEach<Selection, Sensitivity> KEPT =
      new OnceEach<>("the results as a whole", 8);

  private AdviceResults() {}

  /**
   * The results of a selection with how firm they are, and what is left of the lead without those
   * who have an interest.
   *
   * @param file what the selection was read from
   */
  public static Results with(Selection selection, SelectionFile file) {
    Sensitivity sensitivity =
        KEPT.get(selection, asked -> new Sensitivity(Evaluation.of(asked, WhatIf.START)));
    Evaluation evaluation = sensitivity.read();
    return Results.of(evaluation)
        .knowing(of(sensitivity))
        .beside(SideResults.of(sensitivity, file))
        .interested(
            interests(evaluation, file)
                .map(finding -> new FindingWords(selection).of(finding))
                .orElse(null));
  }

  private static Optional<InterestFinding.WithoutInterested> interests(
      Evaluation with, SelectionFile file) {
    Disinterested.Interests interests = Disinterested.in(file);
    if (interests.areNone()) {
      return Optional.empty();
    }
    return new SelectionReader(new Faults())
        .read(Disinterested.of(file))
        .map(without ->
            InterestFindings.of(
                new InterestFindings.Count(
                    interests.facts(), interests.ratings(), interests.marks()),
                with,
                Evaluation.of(without, WhatIf.START)));
  }

  private static Results.FirmnessResult of(Sensitivity sensitivity) {
    Selection selection = sensitivity.read().selection();
    AdviceFindings findings = new AdviceFindings(sensitivity);
    AdviceWords words = new AdviceWords(selection);
    Advice.Firmness firmness = findings.firmness();
    List<String> never = sensitivity.takeIf().never();
    return new Results.FirmnessResult(
        Codes.code(firmness.grade()),
        findings
                .weighed()
                .filter(weighed -> weighed.so() == 0)
                .map(weighed -> words.of(weighed) + " ")
                .orElse("")
            + words.of(firmness),
        sensitivity.shares(AdviceFindings.ANY_WEIGHTS).map(AdviceResults::firsts).orElse(null),
        findings.takes().stream()
            .map(take ->
                new Results.TakeResult(
                    take.tool(),
                    words.of(take),
                    Stream.concat(
                            sensitivity.takeIf().sizes(take.tool()).stream(),
                            sensitivity
                                .takeIf()
                                .all()
                                .getOrDefault(take.tool(), List.of())
                                .stream())
                        .map(words::of)
                        .toList()))
            .toList(),
        findings.bySize().map(words::of).orElse(null),
        firmness.ahead().map(findings::holdsFor).map(words::of).orElse(null),
        never.isEmpty() ? null : never,
        findings.next(selection.asOf(), Provenance.DAYS_FRESH).map(words::of).orElse(null),
        sensitivity.rooms().stream().map(AdviceResults::room).toList());
  }

  private static Map<String, String> firsts(RankShares shares) {
    Map<String, String> firsts = new LinkedHashMap<>();
    shares
        .shares()
        .keySet()
        .forEach(tool -> firsts.put(tool, decimal(BigDecimal.valueOf(shares.first(tool)), 4)));
    return firsts;
  }

  private static Results.RoomResult room(StabilityRange room) {
    return new Results.RoomResult(
        room.criterion().id(),
        decimal(room.low().weight(), DECIMALS),
        takesOver(room.low()),
        decimal(room.high().weight(), DECIMALS),
        takesOver(room.high()));
  }

  private static @Nullable List<String> takesOver(StabilityRange.End end) {
    return end.takesOver().isEmpty() ? null : end.takesOver();
  }

  private static String decimal(BigDecimal value, int decimals) {
    return value.setScale(decimals, RoundingMode.HALF_UP).toPlainString();
  }
}
