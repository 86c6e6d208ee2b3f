package tertulia.app.workspace;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.web.util.UriUtils;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.display.FindingWords;
import tertulia.app.display.SubjectWords;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.selection.LoadedSelection;
import tertulia.core.finding.Stage;
import tertulia.core.remark.Remark;
import tertulia.core.remark.RemarkFindings;
import tertulia.core.remark.Subject;

/**
 * Remarks as they are read at a step, or about one thing.
 *
 * @param about code of what a new one is about; empty: none can be made here
 * @param of what that is called
 * @param subjects what else of the step it may be about; none if only {@code about}
 * @param contenders of whom a fact is that it may be about, on Fit; none elsewhere
 * @param says how many are open, or that there is none
 * @param kept how many wait for the reader's view, in a sentence; empty: none does
 * @param waits whether others read a new one only once the reader has handed in their view
 * @param typed a text that was refused
 * @param fault why; empty if nothing was refused
 * @param once a word for a new remark, so that it is kept once
 */
public record RemarksView(
    String about,
    String of,
    List<Choice> subjects,
    List<Choice> contenders,
    String says,
    List<Line> open,
    List<Line> closed,
    String kept,
    boolean waits,
    String typed,
    String fault,
    String once) {

  private static final Set<Stage> JUDGED = Set.of(Stage.WEIGHTS, Stage.MARKS);

  /**
   * One remark.
   *
   * @param of what it is about, with its step where several are listed
   * @param why where what it is about is explained; empty if it is nothing computed
   * @param once a word for an answer to it
   */
  public record Line(
      String id,
      String of,
      String step,
      String why,
      String by,
      String kind,
      String text,
      String at,
      List<Voice> answers,
      String closed,
      String once) {}

  /** An answer. */
  public record Voice(String by, String text, String at) {}

  /** A kind of remark, or what it may be about, as a choice. */
  public record Choice(String code, String words) {}

  /** What somebody may mean by a remark. */
  public List<Choice> kinds() {
    return List.of(
        new Choice(Codes.code(Remark.Kind.QUESTION), "a question"),
        new Choice(Codes.code(Remark.Kind.REMARK), "a remark"),
        new Choice(Codes.code(Remark.Kind.DISAGREEMENT), "I disagree, because"));
  }

  public boolean isRefused() {
    return !fault.isEmpty();
  }

  /** This view with a text that was refused. */
  public RemarksView refused(String text, String because) {
    return new RemarksView(
        about, of, subjects, contenders, says, open, closed, kept, waits, text, because, once);
  }

  /** Those of a step; on the overview all, on another page none. */
  public static RemarksView at(Session session, String key) {
    Optional<Stage> stage =
        Stream.of(Stage.values()).filter(s -> Codes.code(s).equals(key)).findFirst();
    boolean all = key.equals("overview");
    List<Remark> here =
        session.table().remarks().stream()
            .filter(r -> all || stage.equals(Optional.of(r.about().step())))
            .toList();
    String about = stage.map(Subject.OfStep::new).map(Subject.OfStep::code).orElse("");
    return of(
        session,
        about,
        stage.map(Stage::words).orElse(""),
        stage.map(s -> subjects(session, s)).orElse(List.of()),
        stage.equals(Optional.of(Stage.FIT)) ? contenders(session, "") : List.of(),
        here);
  }

  /** Those about one thing. */
  static RemarksView about(Session session, Subject subject) {
    return of(
        session,
        subject.code(),
        new SubjectWords(session.table().file()).of(subject),
        List.of(),
        List.of(),
        Remark.about(subject, session.table().remarks()));
  }

  private static RemarksView of(
      Session session,
      String about,
      String of,
      List<Choice> subjects,
      List<Choice> contenders,
      List<Remark> remarks) {
    SubjectWords words = new SubjectWords(session.table().file());
    List<Line> open =
        remarks.stream().filter(Remark::isOpen).map(r -> line(session.table(), words, r)).toList();
    List<Line> closed =
        remarks.stream()
            .filter(r -> !r.isOpen())
            .map(r -> line(session.table(), words, r))
            .toList();
    String says =
        open.isEmpty()
            ? closed.isEmpty() ? "none yet" : "none open, " + closed.size() + " closed"
            : open.size() + " open";
    return new RemarksView(
        about,
        of,
        subjects,
        contenders,
        says,
        open,
        closed,
        kept(session, about),
        !about.isEmpty() && waits(session, Subject.of(about)),
        "",
        "",
        "" + UUID.randomUUID());
  }

  /** Said where something is judged, and where everything is listed. */
  private static String kept(Session session, String about) {
    boolean judged =
        about.isEmpty()
            || Subject.of(about).isJudged()
            || JUDGED.contains(Subject.of(about).step());
    return judged
        ? new RemarkFindings(session.table().remarks(), session.table().remarksKept())
            .waiting()
            .map(new FindingWords(session.table().selection())::of)
            .orElse("")
        : "";
  }

  private static boolean waits(Session session, Subject subject) {
    return subject.isJudged()
        && session.table().isOwnViewFirst()
        && session.table().seat(session.person()).filter(seat -> !seat.isShown()).isPresent();
  }

  /** What of a step a remark may be about besides the step; figures are asked where they stand. */
  private static List<Choice> subjects(Session session, Stage stage) {
    Brief brief = session.table().file().brief();
    return switch (stage) {
      case NEED, FIT ->
          brief.needs().stream()
              .map(n -> new Choice(new Subject.OfNeed(n.id()).code(), n.name()))
              .toList();
      case CONTENDERS -> contenders(session, "contender/");
      case WEIGHTS ->
          brief.criteria().stream()
              .map(c -> new Choice(new Subject.OfCriterion(c.id()).code(), c.name()))
              .toList();
      case COST, MARKS, FIRMNESS, DECISION -> List.of();
    };
  }

  private static List<Choice> contenders(Session session, String before) {
    return session.table().selection().contenders().stream()
        .map(c -> new Choice(before + c.id(), c.tool().name()))
        .toList();
  }

  private static Line line(LoadedSelection table, SubjectWords words, Remark remark) {
    return new Line(
        remark.id(),
        words.of(remark.about()),
        remark.about().step().words(),
        why(table, remark.about()),
        remark.said().by(),
        remark.kind().words(),
        remark.said().text(),
        day(remark.said().at()),
        remark.answers().stream()
            .map(said -> new Voice(said.by(), said.text(), day(said.at())))
            .toList(),
        remark.closed().map(c -> "Closed by " + c.by() + ", " + day(c.at())).orElse(""),
        "" + UUID.randomUUID());
  }

  /** Where a figure is explained, as long as what it is of is there. */
  private static String why(LoadedSelection table, Subject subject) {
    Map<String, String> asked = Subjects.asked(subject);
    boolean there =
        !asked.isEmpty()
            && Subjects.isThere(table, subject)
            && asked.values().stream().noneMatch(String::isEmpty);
    if (!there) {
      return "";
    }
    StringBuilder address = new StringBuilder("/selections/" + table.id() + "/why");
    asked.forEach((name, value) ->
        address
            .append(address.indexOf("?") < 0 ? '?' : '&')
            .append(name)
            .append('=')
            .append(UriUtils.encode(value, StandardCharsets.UTF_8)));
    return address.toString();
  }

  private static String day(Instant at) {
    return Dates.day(at, ZoneId.systemDefault());
  }

  /** How many are open, for the line of steps; empty if none. */
  static String note(int open) {
    return open == 0 ? "" : Figures.counted(open, open == 1 ? "remark" : "remarks");
  }
}
