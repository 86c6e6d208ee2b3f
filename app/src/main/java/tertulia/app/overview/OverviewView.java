package tertulia.app.overview;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.app.chart.CostChart;
import tertulia.app.chart.WorthChart;
import tertulia.app.decision.LookBack;
import tertulia.app.display.AdviceWords;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.display.SigningWords;
import tertulia.app.exchange.Codes;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Head;
import tertulia.app.workspace.Heads;
import tertulia.app.workspace.HorizonCell;
import tertulia.app.workspace.Session;
import tertulia.app.workspace.Shown;
import tertulia.core.decision.Decision;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Costs;
import tertulia.core.evaluation.ValueForMoney;
import tertulia.core.finding.Advice;
import tertulia.core.finding.AdviceFindings;
import tertulia.core.finding.AnswerFinding;
import tertulia.core.finding.AnswerFindings;
import tertulia.core.finding.CostFinding;
import tertulia.core.finding.CostFindings;
import tertulia.core.finding.MissingFinding;
import tertulia.core.finding.Progress;
import tertulia.core.finding.Stage;
import tertulia.core.scoring.Totals;

/**
 * The overview as it is read.
 *
 * @param answer the answer so far, in a sentence or two
 * @param agreed what was decided, if it is; empty: it is not
 * @param front what the tool the answer is about costs
 * @param picture as SVG; empty if there is nothing to draw
 * @param pictured what the picture shows
 * @param worthHint how to read it; empty if that is plain
 * @param lines contenders in the order of the answer
 * @param firm how firm the lead is, and what that rests on; none if nobody is ahead by totals
 * @param takes when to take which, and who leads nowhere
 * @param findOut what to find out next, and where; empty if nothing would change anything
 * @param bySize who is cheapest for how many people, and whether that changes within the plan
 * @param missing what keeps it from being settled
 * @param moreMissing how much more is missing than is said
 * @param act the one thing to do next
 */
record OverviewView(
    String purpose,
    String answer,
    Optional<Agreed> agreed,
    Optional<Front> front,
    String picture,
    String pictured,
    String worthHint,
    List<Line> lines,
    List<String> firm,
    List<Take> takes,
    Optional<Missing> findOut,
    List<String> bySize,
    List<Missing> missing,
    int moreMissing,
    Act act) {
  private static final int MOST_MISSING = 3;

  /** What was agreed, by whom, and whether it would be again. */
  record Agreed(
      String choice,
      String option,
      String reasons,
      String by,
      String today,
      String again,
      List<String> warnings) {}

  /** The tool the answer is about: its plan, and what it costs. */
  record Front(String plan, Cell now, String people, Cell whole, Optional<Next> next) {}

  /** The cheapest of the others over the whole period. */
  record Next(String name, Cell whole) {}

  /** A contender in the table. */
  record Line(
      String mark, String name, String slug, String plan, Cell now, Cell whole, Cell total) {}

  /** Something that is missing, and where it is put right. */
  record Missing(String words, String step, String href) {}

  /** When to take which, and the place that shows it; empty if there is none. */
  record Take(String words, Optional<Shown> shown) {}

  /** A button, why it is there, and where it leads. */
  record Act(String words, String note, String href) {}

  static OverviewView of(
      Session session, Optional<Decision> decision, AnswerLine.LookingAgain lookBack) {
    AnswerFindings findings = new AnswerFindings(session.evaluation());
    FindingWords words = new FindingWords(session.table().selection());
    AnswerFinding answer = findings.answer();
    List<MissingFinding> missing =
        session.table().decided()
            ? List.of()
            : findings.missing(session.today(), session.daysFresh());
    Optional<ValueForMoney> worth = ValueForMoney.of(session.evaluation());
    Optional<String> front = AnswerFindings.front(answer);
    Optional<AdviceFindings> advice =
        session.columns().size() < 2 || session.table().decided()
            ? Optional.empty()
            : Optional.of(new AdviceFindings(session.sensitivity()));
    List<String> firm = advice.map(found -> firm(session, found)).orElse(List.of());
    return new OverviewView(
        session.table().selection().purpose(),
        firm.isEmpty() ? words.of(answer) : words.besideFirmness(answer),
        decision
            .filter(Decision.Signed.class::isInstance)
            .map(d -> agreed(session, (Decision.Signed) d, findings, words, lookBack)),
        front.map(id -> front(session, id)),
        worth.map(w -> WorthChart.draw(w, drawn(session, front))).orElseGet(() -> costs(session)),
        worth.isPresent() ? "Score against cost" : "Monthly cost by headcount",
        worth.isPresent() ? "up: a higher score; right: a lower cost" : "",
        order(session).stream().map(c -> line(session, c)).toList(),
        firm,
        advice.map(found -> takes(session, found)).orElse(List.of()),
        advice.flatMap(found -> findOut(session, found)),
        bySize(session, words),
        missing.stream().limit(MOST_MISSING).map(m -> missing(session, m, words)).toList(),
        Math.max(0, missing.size() - MOST_MISSING),
        act(session, decision));
  }

  /** By cost alone nothing is firm: then the answer says what is known. */
  private static List<String> firm(Session session, AdviceFindings advice) {
    Advice.Firmness firmness = advice.firmness();
    AdviceWords words = new AdviceWords(session.table().selection());
    return session.evaluation().scores().totals().isEmpty() || firmness.ahead().isEmpty()
        ? List.of()
        : Stream.of(words.lead(firmness), words.because(firmness))
            .filter(sentence -> !sentence.isEmpty())
            .toList();
  }

  private static List<Take> takes(Session session, AdviceFindings advice) {
    AdviceWords words = new AdviceWords(session.table().selection());
    List<Take> takes = new ArrayList<>();
    advice.weighed().ifPresent(weighed -> takes.add(new Take(words.of(weighed), Optional.empty())));
    advice.bySize().ifPresent(sizes -> takes.add(new Take(words.of(sizes), Optional.empty())));
    for (Advice.Take take : advice.takes()) {
      takes.add(new Take(words.of(take), take.when().stream().findFirst().map(session::shown)));
    }
    advice.never().ifPresent(never -> takes.add(new Take(words.inShort(never), Optional.empty())));
    return takes;
  }

  private static Optional<Missing> findOut(Session session, AdviceFindings advice) {
    AdviceWords words = new AdviceWords(session.table().selection());
    return advice
        .next(session.today(), session.daysFresh())
        .map(next ->
            new Missing(
                words.of(next),
                AdviceWords.verb(next.what().unknown()),
                session.answering(next.what().unknown())));
  }

  private static Agreed agreed(
      Session session,
      Decision.Signed signed,
      AnswerFindings findings,
      FindingWords words,
      AnswerLine.LookingAgain lookBack) {
    Optional<LookBack.InShort> again = lookBack.of(session.table().id(), signed);
    String choice =
        session.table().selection().contenders().stream()
            .filter(c -> c.id().equals(signed.proposal().choice()))
            .map(c -> c.tool().name())
            .findFirst()
            .orElse(signed.proposal().choice());
    return new Agreed(
        choice,
        signed.proposal().option(),
        signed.proposal().reasons(),
        SigningWords.who(signed) + ", " + SigningWords.day(signed.closedBy()),
        again
            .map(LookBack.InShort::decide)
            .orElseGet(() -> words.of(findings.today(signed.proposal().choice()))),
        signed.reviewOn().map(Dates::day).orElse(""),
        again.map(LookBack.InShort::warnings).orElse(List.of()));
  }

  private static Front front(Session session, String id) {
    Contender contender = session.table().selection().contender(id);
    Head head = Heads.of(session, contender);
    Costs costs = session.evaluation().costs();
    Optional<Next> next =
        session.columns().stream()
            .filter(c -> !c.id().equals(id) && costs.overall().total(c.id()).isPresent())
            .filter(c -> !costs.overall().keptThoughItFails(c.id()))
            .min(Comparator.comparing(c -> costs.overall().total(c.id()).orElseThrow()))
            .map(c -> new Next(c.tool().name(), plain(HorizonCell.of(session, c))));
    return new Front(
        head.plan(),
        plain(head.cost()),
        Figures.counted(costs.people().total(), "people"),
        plain(HorizonCell.of(session, contender)),
        next);
  }

  /** A figure without what is noted below it, for use in a sentence. */
  private static Cell plain(Cell cell) {
    return cell.noting("").looking("");
  }

  private static List<WorthChart.Placed> drawn(Session session, Optional<String> front) {
    return session.columns().stream()
        .map(c ->
            new WorthChart.Placed(
                c.id(), c.tool().name(), session.mark(c.id()), front.equals(Optional.of(c.id()))))
        .toList();
  }

  /** Cost by headcount, for as long as nothing says what each is worth. */
  private static String costs(Session session) {
    Costs costs = session.evaluation().costs();
    if (costs.now().orderByCost().isEmpty()) {
      return "";
    }
    return CostChart.draw(
        costs.curves().costByHeadcount(),
        costs.ifConfirmed().curves().costByHeadcount(),
        session.columns().stream().map(session::drawn).toList(),
        new CostChart.Read(
            costs.people().total(),
            costs.overall().lowestPlanned(),
            costs.overall().highestPlanned()));
  }

  /** By totals, then by cost over the months, then as they were brought. */
  private static List<Contender> order(Session session) {
    List<String> ranked =
        session.evaluation().scores().totals().map(Totals::standings).orElse(List.of()).stream()
            .map(Totals.Standing::contender)
            .toList();
    Costs costs = session.evaluation().costs();
    List<Contender> order = new ArrayList<>(session.columns());
    order.sort(
        Comparator.comparingInt(
                (Contender c) -> ranked.contains(c.id()) ? ranked.indexOf(c.id()) : ranked.size())
            .thenComparing(c -> costs.overall().keptThoughItFails(c.id()))
            .thenComparing(
                c -> costs.overall().total(c.id()),
                Comparator.comparing(
                    total -> total.orElse(null), Comparator.nullsLast(Comparator.naturalOrder()))));
    return order;
  }

  private static Line line(Session session, Contender contender) {
    Head head = Heads.of(session, contender);
    return new Line(
        head.mark(),
        head.name(),
        head.slug(),
        head.plan(),
        head.cost().noting(""),
        HorizonCell.of(session, contender).noting(""),
        head.total().noting("").named(""));
  }

  private static List<String> bySize(Session session, FindingWords words) {
    return new CostFindings(session.evaluation().costs())
        .all().stream()
            .filter(finding ->
                finding instanceof CostFinding.CheapestByHeadcount
                    || finding instanceof CostFinding.WithinPlan)
            .map(words::of)
            .toList();
  }

  private static Missing missing(Session session, MissingFinding missing, FindingWords words) {
    return new Missing(words.of(missing), missing.step().words(), href(session, missing.step()));
  }

  private static String href(Session session, Stage stage) {
    return session.step(Codes.code(stage));
  }

  /**
   * What is asked of the reader; or else what the table does next. Before there is something to
   * judge whoever organises sees to that first.
   */
  private static Act act(Session session, Optional<Decision> decision) {
    Progress.Next next = Progress.of(session.evaluation(), decision).next();
    String note = ProgressWords.note(next, session.today());
    if (next.step().compareTo(Stage.WEIGHTS) < 0 && session.person().organises()) {
      return new Act(ProgressWords.button(next), note, href(session, next.step()));
    }
    return FirstPage.asked(
            session.table(), decision, new FirstPage.Reader(session.person(), session.today()))
        .stream()
        .findFirst()
        .map(asked ->
            new Act(ProgressWords.button(asked), note, href(session, ProgressWords.step(asked))))
        .orElseGet(() -> new Act(ProgressWords.button(next), note, href(session, next.step())));
  }
}
