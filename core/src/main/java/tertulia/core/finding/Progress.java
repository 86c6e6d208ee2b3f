package tertulia.core.finding;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Signatory;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Scores;
import tertulia.core.evaluation.Selection;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Member;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Weighing;
import tertulia.core.trial.Trial;

/**
 * How far a selection has come, and what comes next.
 *
 * @param states of every step
 * @param next what the table does next
 */
public record Progress(Map<Stage, State> states, Next next) {
  public Progress {
    states = java.util.Collections.unmodifiableMap(new EnumMap<>(states));
  }

  /** So many of so many are done; of 0 there is nothing to do yet. */
  public record State(int so, int of) {
    public boolean isDone() {
      return of > 0 && so == of;
    }

    private static State of(boolean... parts) {
      int so = 0;
      for (boolean part : parts) {
        so += part ? 1 : 0;
      }
      return new State(so, parts.length);
    }
  }

  /** What comes next. */
  public sealed interface Next {
    Stage step();

    /** Say for whom, and how many. */
    record SayWho() implements Next {
      @Override
      public Stage step() {
        return Stage.NEED;
      }
    }

    /** Bring contenders, so that there are two; so many there are. */
    record BringContenders(int have) implements Next {
      @Override
      public Stage step() {
        return Stage.CONTENDERS;
      }
    }

    /** Say what must be there. */
    record SayWhatIsNeeded() implements Next {
      @Override
      public Stage step() {
        return Stage.NEED;
      }
    }

    /** Fewer than two do: confirm facts, give up a must, or bring others. */
    record FindOneThatDoes(int doing) implements Next {
      @Override
      public Stage step() {
        return Stage.FIT;
      }
    }

    /** Fewer than two of those that do have a figure. */
    record FindPrices(int priced) implements Next {
      @Override
      public Stage step() {
        return Stage.COST;
      }
    }

    /** Name what counts. */
    record NameCriteria() implements Next {
      @Override
      public Stage step() {
        return Stage.WEIGHTS;
      }
    }

    /** So many of so many have weighed. */
    record Weigh(int so, int of) implements Next {
      @Override
      public Stage step() {
        return Stage.WEIGHTS;
      }
    }

    /** So many of so many have marked. */
    record Mark(int so, int of) implements Next {
      @Override
      public Stage step() {
        return Stage.MARKS;
      }
    }

    /** Everybody has weighed and marked: write the decision down. */
    record Propose() implements Next {
      @Override
      public Stage step() {
        return Stage.DECISION;
      }
    }

    /** A proposal waits for a second person. */
    record Sign(String proposedBy) implements Next {
      @Override
      public Stage step() {
        return Stage.DECISION;
      }
    }

    /**
     * It is decided; look again on that day, if one was agreed.
     *
     * @param elsewhere whether the question is asked again in another selection
     */
    record LookAgain(Optional<LocalDate> on, boolean elsewhere) implements Next {
      @Override
      public Stage step() {
        return Stage.DECISION;
      }

      /** Whether the day has come. */
      public boolean isDue(LocalDate today) {
        return on.filter(day -> !day.isAfter(today)).isPresent();
      }
    }
  }

  /** How far a selection has come; {@code decision} is what was written down as such, if any. */
  public static Progress of(Evaluation evaluation, Optional<Decision> decision) {
    Map<Stage, State> states =
        states(evaluation, decision.filter(Decision.Signed.class::isInstance).isPresent());
    return new Progress(
        states, decision.flatMap(Progress::after).orElseGet(() -> next(evaluation, states)));
  }

  /** What is done of every step. */
  public static Map<Stage, State> states(Evaluation evaluation, boolean decided) {
    Selection selection = evaluation.selection();
    List<Member> members = selection.panel().members();
    int contenders = selection.active().size();
    int doing = evaluation.costs().overall().feasible().size();
    int priced = evaluation.costs().now().orderByCost().size();
    int weighed = (int) members.stream().filter(m -> hasWeighed(selection, m)).count();
    int marked = (int) members.stream().filter(m -> marksLeft(selection, m) == 0).count();
    Map<Stage, State> states = new EnumMap<>(Stage.class);
    states.put(Stage.NEED, State.of(saysWho(selection), !selection.needs().isEmpty()));
    states.put(Stage.CONTENDERS, State.of(contenders >= 2));
    states.put(Stage.FIT, State.of(contenders >= 2 && doing >= 2));
    states.put(Stage.COST, State.of(contenders >= 2 && doing >= 2 && priced >= 2));
    states.put(Stage.WEIGHTS, new State(weighed, members.size()));
    boolean marks = marksToGive(selection) > 0;
    states.put(Stage.MARKS, marks ? new State(marked, members.size()) : new State(0, 0));
    // it is read, not done
    states.put(Stage.FIRMNESS, new State(0, 0));
    states.put(Stage.DECISION, State.of(decided));
    return states;
  }

  private static boolean saysWho(Selection selection) {
    return !selection.groups().isEmpty() && !selection.isForAnybody();
  }

  /** What a proposal or a signed decision asks for; empty before either. */
  private static Optional<Next> after(Decision decision) {
    return switch (decision) {
      case Decision.Signed signed ->
          Optional.of(new Next.LookAgain(signed.reviewOn(), signed.successor().isPresent()));
      case Decision.Proposed proposed -> Optional.of(new Next.Sign(proposed.by().person()));
      case Decision.Draft draft -> Optional.empty();
      case Decision.Objected objected -> Optional.empty();
    };
  }

  private static Next next(Evaluation evaluation, Map<Stage, State> states) {
    Selection selection = evaluation.selection();
    if (selection.active().size() < 2) {
      return new Next.BringContenders(selection.active().size());
    }
    if (!saysWho(selection)) {
      return new Next.SayWho();
    }
    if (selection.needs().isEmpty()) {
      return new Next.SayWhatIsNeeded();
    }
    int doing = evaluation.costs().overall().feasible().size();
    if (doing < 2) {
      return new Next.FindOneThatDoes(doing);
    }
    int priced = evaluation.costs().now().orderByCost().size();
    if (priced < 2) {
      return new Next.FindPrices(priced);
    }
    return judge(evaluation, states);
  }

  private static Next judge(Evaluation evaluation, Map<Stage, State> states) {
    if (evaluation.scores().criteria().isEmpty()) {
      return new Next.NameCriteria();
    }
    State weighed = requireNonNull(states.get(Stage.WEIGHTS));
    if (!weighed.isDone()) {
      return new Next.Weigh(weighed.so(), weighed.of());
    }
    State marked = requireNonNull(states.get(Stage.MARKS));
    return marked.isDone() || marked.of() == 0
        ? new Next.Propose()
        : new Next.Mark(marked.so(), marked.of());
  }

  /** Whether somebody has given weights that count, for whoever may see them. */
  public static boolean hasWeighed(Selection selection, Member member) {
    return member.weighing() instanceof Weighing.Withheld withheld
        ? withheld.weighed()
        : Panel.ownWeights(member, Scores.criteria(selection)).isPresent();
  }

  /** How many marks somebody may give: judged criteria times contenders. */
  public static int marksToGive(Selection selection) {
    return judged(selection).size() * selection.active().size();
  }

  /** How many of them somebody has not given, "cannot judge" given. */
  public static int marksLeft(Selection selection, Member member) {
    if (member.weighing() instanceof Weighing.Withheld withheld) {
      return withheld.marksLeft();
    }
    int left = 0;
    for (Criterion criterion : judged(selection)) {
      for (Contender contender : selection.active()) {
        left +=
            member.marks().getOrDefault(criterion.id(), Map.of()).containsKey(contender.id())
                ? 0
                : 1;
      }
    }
    return left;
  }

  private static List<Criterion> judged(Selection selection) {
    return selection.criteria().stream().filter(c -> c.kind() instanceof Criterion.Judged).toList();
  }

  /** Trials that run, of which somebody has tasks left. */
  private static boolean isProposed(Optional<Decision> decision) {
    return decision.filter(Decision.Proposed.class::isInstance).isPresent();
  }

  /** Trials that are over with tasks nobody has tried: somebody has to say what became of them. */
  private static void over(Selection selection, LocalDate today, List<Asked> asked) {
    for (Trial trial : selection.trials().trials()) {
      int untried = trial.untried(selection.trials().tasks()).size();
      boolean sits = selection.active().stream().anyMatch(c -> c.id().equals(trial.contender()));
      if (sits && untried > 0 && trial.on(today) instanceof Trial.Stage.Over) {
        asked.add(
            new Asked.SayWhatCame(selection.contender(trial.contender()).tool().name(), untried));
      }
    }
  }

  private static void trials(
      Selection selection, String person, LocalDate today, List<Asked> asked) {
    for (Trial trial : selection.trials().trials()) {
      int left = trial.left(selection.trials().tasks(), person).size();
      boolean sits = selection.active().stream().anyMatch(c -> c.id().equals(trial.contender()));
      if (sits
          && left > 0
          && trial.people().contains(person)
          && trial.on(today) instanceof Trial.Stage.Running running) {
        String tool = selection.contender(trial.contender()).tool().name();
        asked.add(new Asked.Try(tool, left, running.daysLeft()));
      }
    }
  }

  /**
   * Whoever something may be asked of.
   *
   * @param seat at the table; empty if there is none
   * @param signs whether that person may sign, weigh and try
   * @param organises whether that person organises
   */
  public record Person(Signatory as, Optional<Member> seat, boolean signs, boolean organises) {}

  /** Something a selection waits for from one person. */
  public sealed interface Asked {
    /** Give weights. */
    record Weigh() implements Asked {}

    /** Give so many marks. */
    record Mark(int left) implements Asked {}

    /**
     * Try a contender by hand.
     *
     * @param tasks that this person has not tried
     * @param daysLeft of the trial, 0 on its last day; empty: it has no end
     */
    record Try(String tool, int tasks, Optional<Long> daysLeft) implements Asked {}

    /**
     * Say what came of a trial that is over.
     *
     * @param tasks that nobody has tried
     */
    record SayWhatCame(String tool, int tasks) implements Asked {}

    /** Show the others a view that is complete, and see theirs. */
    record HandIn() implements Asked {}

    /** Sign or object to what somebody proposed. */
    record Sign(String proposedBy) implements Asked {}

    /** Look again at what was decided: the day agreed has come. */
    record LookAgain(LocalDate since) implements Asked {}
  }

  /**
   * What a selection waits for from one person.
   *
   * @param decision what was written down, if anything
   */
  public static List<Asked> asked(
      Selection selection, Person person, Optional<Decision> decision, LocalDate today) {
    boolean signs = person.signs();
    List<Asked> asked = new ArrayList<>();
    if (decision.isPresent() && decision.get() instanceof Decision.Signed signed) {
      signed
          .reviewOn()
          .filter(day -> !day.isAfter(today))
          .map(Asked.LookAgain::new)
          .ifPresent(asked::add);
      return asked;
    }
    if (decision.isPresent()
        && decision.get() instanceof Decision.Proposed proposed
        && signs
        && !person.as().isSameAs(proposed.by().by())
        && proposed.signing().asks(person.as())
        && proposed.signing().of(person.as()).isEmpty()) {
      asked.add(new Asked.Sign(proposed.by().person()));
    }
    if (signs) {
      trials(selection, person.as().name(), today, asked);
    }
    if (person.organises() && !isProposed(decision)) {
      over(selection, today, asked);
    }
    boolean judging = !Scores.criteria(selection).isEmpty() && selection.active().size() > 1;
    person
        .seat()
        .filter(m -> signs && judging)
        .ifPresent(m -> {
          if (!hasWeighed(selection, m)) {
            asked.add(new Asked.Weigh());
          }
          int left = marksLeft(selection, m);
          if (left > 0) {
            asked.add(new Asked.Mark(left));
          }
          boolean others = selection.panel().members().size() > 1;
          boolean judged =
              asked.stream().noneMatch(a -> a instanceof Asked.Weigh || a instanceof Asked.Mark);
          if (judged && others && !m.handedIn()) {
            asked.add(new Asked.HandIn());
          }
        });
    return asked;
  }
}
