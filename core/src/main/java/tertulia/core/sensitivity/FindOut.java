package tertulia.core.sensitivity;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import tertulia.core.deadline.Deadline;
import tertulia.core.deadline.OnceEach;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.firmness.Drawing;
import tertulia.core.firmness.RankShares;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Capability;
import tertulia.core.fit.Fact;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.pricing.Plan;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;
import tertulia.core.scoring.Totals;

/**
 * Something nobody knows yet, or not any more, and what an answer could change.
 *
 * @param gains whose share of first places it changes most
 * @param answers what comes of each answer: of the least and the most it can be worth, of not there
 *     and there, of still there and no longer
 */
public record FindOut(Unknown unknown, String gains, List<Answered> answers) {
  /** Old facts that are looked at, as each is an evaluation of its own. */
  private static final int MOST_OLD = 24;

  private static final String WHAT = "what to find out next";

  public FindOut {
    requireNonNull(unknown);
    requireNonNull(gains);
    answers = List.copyOf(answers);
  }

  /**
   * What comes of an answer.
   *
   * @param shares how often each comes first then, under any weights; empty: nobody does what is
   *     needed
   * @param leader who leads for certain by the weights of the table
   */
  public record Answered(Optional<RankShares> shares, Optional<String> leader) {
    /** The share of first places; 0 if it is not ranked. */
    public double first(String tool) {
      return shares.map(s -> s.first(tool)).orElse(0.0);
    }
  }

  /** The smallest that share can become, 0 to 1. */
  public double least() {
    return answers.stream().mapToDouble(answer -> answer.first(gains)).min().orElse(0);
  }

  /** The largest. */
  public double most() {
    return answers.stream().mapToDouble(answer -> answer.first(gains)).max().orElse(0);
  }

  /**
   * Whether an answer changes who leads by the weights of the table, or whether anybody leads for
   * certain.
   */
  public boolean turns() {
    return answers.stream().map(Answered::leader).distinct().count() > 1;
  }

  /** By how much the share can change. */
  public double change() {
    return most() - least();
  }

  /** What is not known. */
  public sealed interface Unknown {
    String tool();

    /** What it is worth under a criterion. */
    record Worth(String tool, Criterion criterion) implements Unknown {}

    /** Whether it has something that must be there. */
    record Has(String tool, Capability capability) implements Unknown {}

    /** Whether it still has it, as the fact is old. */
    record StillHas(String tool, Capability capability, LocalDate asOf) implements Unknown {}
  }

  /**
   * What to find out, what could change most first; what changes nothing is left out. None without
   * totals.
   *
   * @param today the day on which facts older than {@code daysFresh} are old
   */
  public static List<FindOut> of(Evaluation read, LocalDate today, int daysFresh) {
    return of(read, today, daysFresh, new OnceEach<>(WHAT));
  }

  /**
   * The same in parts.
   *
   * @param parts what is worked out already, and is kept if the time is over before all is
   */
  static List<FindOut> of(
      Evaluation read, LocalDate today, int daysFresh, OnceEach<Unknown, Optional<FindOut>> parts) {
    Optional<Totals> totals = read.scores().totals();
    if (totals.isEmpty()) {
      return List.of();
    }
    List<FindOut> all = new ArrayList<>();
    for (Unknown unknown : unknown(read, totals.get(), today, daysFresh)) {
      Deadline.check(() -> WHAT);
      parts.get(unknown, asked -> found(asked, answers(read, totals, asked))).ifPresent(all::add);
    }
    return all.stream()
        .sorted(Comparator.comparing(FindOut::turns).thenComparing(FindOut::change).reversed())
        .toList();
  }

  /** The totals with each answer; empty where nobody does what is needed. */
  private static List<Optional<Totals>> answers(
      Evaluation read, Optional<Totals> totals, Unknown unknown) {
    return switch (unknown) {
      case Unknown.Worth worth -> {
        Interval open = totals.orElseThrow().value(worth.tool(), worth.criterion()).interval();
        yield Stream.of(open.low(), open.high())
            .map(end ->
                Optional.of(
                    TakeIf.known(
                        totals.orElseThrow(),
                        worth.tool(),
                        worth.criterion(),
                        Interval.exactly(end))))
            .toList();
      }
      case Unknown.Has has ->
          List.of(
              totals(read, new Otherwise.Confirmed(has.tool(), has.capability(), false)),
              totals(read, new Otherwise.Confirmed(has.tool(), has.capability(), true)));
      case Unknown.StillHas still ->
          List.of(totals, totals(read, new Otherwise.TurnedOut(still.tool(), still.capability())));
    };
  }

  private static Optional<Totals> totals(Evaluation read, Otherwise otherwise) {
    return otherwise.of(read).scores().totals();
  }

  private static List<Unknown> unknown(
      Evaluation read, Totals totals, LocalDate today, int daysFresh) {
    List<Unknown> unknown = new ArrayList<>();
    for (String tool : totals.values().keySet()) {
      totals.criteria().stream()
          .filter(c -> totals.weight(c).signum() > 0)
          .filter(c -> !totals.value(tool, c).interval().isExact())
          .forEach(c -> unknown.add(new Unknown.Worth(tool, c)));
    }
    for (Otherwise otherwise : Otherwise.all(read)) {
      if (otherwise instanceof Otherwise.Confirmed confirmed) {
        unknown.add(new Unknown.Has(confirmed.tool(), confirmed.capability()));
      }
    }
    read.selection().active().stream()
        .flatMap(contender -> old(read, contender, today, daysFresh))
        .limit(MOST_OLD)
        .forEach(unknown::add);
    return unknown;
  }

  /** Musts that a contender has by a fact that is old, each by its newest such fact. */
  private static Stream<Unknown> old(
      Evaluation read, Contender contender, LocalDate today, int daysFresh) {
    return read.selection().needs().stream()
        .filter(need -> need.importance() instanceof Importance.Must)
        .map(Need::capability)
        .flatMap(capability ->
            contender.plans().stream()
                .map(Plan::id)
                .flatMap(plan ->
                    Optional.ofNullable(
                        contender.facts().getOrDefault(plan, Map.of()).get(capability.id()))
                        .stream())
                .filter(fact -> fact.answer() == Answer.YES)
                .map(Fact::source)
                .filter(source -> source.isOldOn(today, daysFresh))
                .map(source -> source.asOf())
                .max(Comparator.naturalOrder())
                .<Unknown>map(asOf -> new Unknown.StillHas(contender.id(), capability, asOf))
                .stream());
  }

  /** What the answers change; empty if nothing. */
  private static Optional<FindOut> found(Unknown unknown, List<Optional<Totals>> totals) {
    List<Answered> answers =
        totals.stream()
            .map(each -> new Answered(each.map(FindOut::shares), each.flatMap(Lead::of)))
            .toList();
    Set<String> tools = new LinkedHashSet<>();
    answers.forEach(each -> each.shares().ifPresent(s -> tools.addAll(s.shares().keySet())));
    return tools.stream()
        .map(tool -> new FindOut(unknown, tool, answers))
        .max(Comparator.comparing(FindOut::change))
        .filter(found -> found.turns() || found.change() > 0);
  }

  /** With the same seed, so that only the answer makes a difference. */
  private static RankShares shares(Totals totals) {
    Map<String, Map<String, Interval>> values = new LinkedHashMap<>();
    for (String tool : totals.values().keySet()) {
      Map<String, Interval> own = new LinkedHashMap<>();
      totals.criteria().forEach(c -> own.put(c.id(), totals.value(tool, c).interval()));
      values.put(tool, own);
    }
    return RankShares.of(
        totals.criteria(), values, new Drawing.Uniform(), RankShares.DRAWS, RankShares.SEED);
  }
}
