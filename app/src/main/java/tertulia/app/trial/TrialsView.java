package tertulia.app.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.web.util.UriComponentsBuilder;
import tertulia.app.display.Dates;
import tertulia.app.display.TrialWords;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.TrialsReader;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.Proof;
import tertulia.app.selection.TriedByHand;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Selection;
import tertulia.core.finding.TrialFinding;
import tertulia.core.finding.TrialFindings;
import tertulia.core.pricing.Plan;
import tertulia.core.trial.Task;
import tertulia.core.trial.Trial;
import tertulia.core.trial.Trials;

/**
 * What is tried by hand as it is read.
 *
 * @param says sentences, the contender with most done first
 * @param facts what the tasks show of facts, with a button each
 * @param lines a line for each task
 * @param plans a cell for each contender: what is tried, until when, on which terms
 * @param proposals what may be tried and is not yet
 */
record TrialsView(
    List<String> says,
    List<Shown> facts,
    List<Planned> plans,
    List<Line> lines,
    List<Proposal> proposals) {

  /** What a task shows of a fact; the button's word and the look of the sentence. */
  record Shown(String sentence, String word, boolean contrary, String task, String contender) {}

  /**
   * The trial of a contender, and what stands in the form that plans it.
   *
   * @param says such as "Crew, until 3 Dec 2026"; empty if it is not tried
   * @param choices the plans there are
   * @param read the stamp of the trial; empty if there is none
   * @param people everybody who may try it, with whether they do
   */
  record Planned(
      String contender,
      String name,
      String says,
      String terms,
      String tally,
      String plan,
      String first,
      String last,
      List<Choice> choices,
      List<Choice> people,
      String read) {
    public boolean isTried() {
      return !says.isEmpty();
    }

    /** All that was planned, such as "Crew, until 3 Dec 2026, from 24 Nov 2026". */
    String inWords() {
      return isTried()
          ? says
              + ", from "
              + Dates.day(LocalDate.parse(first))
              + (terms.isEmpty() ? "" : ", on these terms: " + terms)
          : "not tried";
    }
  }

  /** One of several. */
  record Choice(String code, String words, boolean chosen) {}

  /** A task with a cell for each contender. */
  record Line(String id, String words, String from, List<ResultCell> cells) {}

  /**
   * How a task went with a contender.
   *
   * @param ask where the reader says how it went; empty if they cannot
   */
  record ResultCell(
      String id, String name, List<Voice> voices, List<Proof> proofs, String ask, boolean mine) {}

  /** How one person fared. */
  record Voice(String by, String outcome, String look, String note) {}

  /** Something that may be tried. */
  record Proposal(String from, String words, String why) {}

  static TrialsView of(Session session) {
    Selection selection = session.table().selection();
    TrialFindings findings = new TrialFindings(selection);
    TrialWords words = new TrialWords(selection);
    Trials trials = selection.trials();
    List<Contender> columns = session.columns();
    return new TrialsView(
        findings.all(session.today()).stream().map(words::of).toList(),
        findings.facts().stream()
            .filter(fact -> isCapability(session.table(), fact.capability().id()))
            .map(fact -> shown(fact, words, trials))
            .toList(),
        columns.stream().map(c -> planned(session, c)).toList(),
        trials.tasks().stream()
            .map(task ->
                new Line(
                    task.id(),
                    task.words(),
                    from(session.table(), task.from()),
                    columns.stream().map(c -> cell(session, task, c)).toList()))
            .toList(),
        findings.proposals().stream().map(from -> proposal(session.table(), from)).toList());
  }

  /** A condition such as "keeps data in the EU" is no fact of one plan. */
  private static boolean isCapability(LoadedSelection table, String need) {
    return table.file().brief().needs().stream()
        .anyMatch(part -> part.id().equals(need) && part.condition() == null);
  }

  private static Shown shown(TrialFinding.TriedFact fact, TrialWords words, Trials trials) {
    String task =
        trials.tasks().stream()
            .filter(t ->
                t.from() instanceof Task.From.OfNeed need
                    && need.need().equals(fact.capability().id()))
            .map(Task::id)
            .findFirst()
            .orElseThrow();
    return new Shown(
        words.of(fact),
        fact.known() == fact.shown() ? "confirm it" : "record that",
        fact.isContrary(),
        task,
        fact.tool());
  }

  private static Planned planned(Session session, Contender contender) {
    Selection selection = session.table().selection();
    Optional<Trial> trial = selection.trials().of(contender.id());
    List<String> trying = trial.map(Trial::people).orElse(List.of());
    List<String> everybody =
        Stream.concat(
                session.table().seats().stream().map(LoadedSelection.Seat::name),
                Stream.concat(Stream.of(session.person().name()), trying.stream()))
            .distinct()
            .toList();
    return new Planned(
        contender.id(),
        contender.tool().name(),
        trial.map(t -> says(contender, t)).orElse(""),
        trial.map(Trial::terms).orElse(""),
        trial
            .filter(t -> !selection.trials().tasks().isEmpty())
            .map(t -> TrialWords.tally(selection.trials().tally(contender.id())))
            .orElse(""),
        trial.flatMap(Trial::ofPlan).orElse(""),
        trial.map(t -> t.first().toString()).orElse(session.today().toString()),
        trial.flatMap(Trial::ends).map(Object::toString).orElse(""),
        contender.tool().plans().stream()
            .map(p ->
                new Choice(
                    p.id(), p.name(), trial.flatMap(Trial::ofPlan).equals(Optional.of(p.id()))))
            .toList(),
        everybody.stream().map(n -> new Choice(n, n, trying.contains(n))).toList(),
        trial.map(TriedByHand::stamp).orElse(""));
  }

  private static String says(Contender contender, Trial trial) {
    String plan =
        contender.tool().plans().stream()
            .filter(p -> trial.ofPlan().equals(Optional.of(p.id())))
            .map(Plan::name)
            .findFirst()
            .orElse("plan not said");
    return plan
        + trial.ends().map(day -> ", until " + Dates.day(day)).orElse(", no end")
        + (trial.people().isEmpty() ? "" : ", by " + String.join(", ", trial.people()));
  }

  private static String from(LoadedSelection table, Task.From from) {
    Brief brief = table.file().brief();
    return switch (from) {
      case Task.From.OfNeed need ->
          TrialsReader.named(from, brief).map(n -> "for “" + n + "”").orElse("");
      case Task.From.OfCriterion criterion ->
          TrialsReader.named(from, brief).map(n -> "for marks under “" + n + "”").orElse("");
      case Task.From.Own own -> "";
    };
  }

  private static ResultCell cell(Session session, Task task, Contender contender) {
    Trials trials = session.table().selection().trials();
    List<Trial.Result> results = trials.results(task, contender.id());
    boolean may =
        session.person().weighs()
            && !session.table().decided()
            && trials.of(contender.id()).isPresent();
    return new ResultCell(
        "result-" + task.id() + "-" + contender.id(),
        contender.tool().name(),
        results.stream().map(TrialsView::voice).toList(),
        session.table().proofs(Proof.ofResult(task.id(), contender.id())),
        may
            ? UriComponentsBuilder.fromPath("/selections/{id}/trials/result")
                .queryParam("task", task.id())
                .queryParam("contender", contender.id())
                .build(Map.of("id", session.table().id()))
                .toString()
            : "",
        results.stream().anyMatch(r -> r.by().equals(session.person().name())));
  }

  private static Voice voice(Trial.Result result) {
    List<String> notes = new ArrayList<>();
    if (!result.note().isEmpty()) {
      notes.add(result.note());
    }
    notes.add(Dates.day(result.on()));
    return new Voice(
        result.by(),
        result.outcome().words() + result.took().map(m -> ", " + m + " min").orElse(""),
        result.outcome() == Trial.Completion.DONE ? "yes" : "stop",
        String.join(" · ", notes));
  }

  private static Proposal proposal(LoadedSelection table, Task.From from) {
    String name = TrialsReader.named(from, table.file().brief()).orElse("");
    String code = String.valueOf(TrialsReader.code(from));
    return switch (from) {
      case Task.From.OfNeed need -> new Proposal(code, name, "a must");
      case Task.From.OfCriterion criterion -> new Proposal(code, name, "marked by the panel");
      case Task.From.Own own -> throw new IllegalArgumentException("proposed by nobody");
    };
  }
}
