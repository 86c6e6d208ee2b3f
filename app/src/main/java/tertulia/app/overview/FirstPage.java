package tertulia.app.overview;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.display.Figures;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.app.selection.PutAway;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Signatory;
import tertulia.core.evaluation.Contender;
import tertulia.core.finding.Progress;
import tertulia.core.scoring.Member;

/**
 * The answers so far of all selections, in a line each.
 *
 * @param asked what waits for the reader
 * @param find what was typed to find some of them
 * @param none whether there is no selection at all
 */
record FirstPage(
    List<Asked> asked, List<Line> lines, PutAway.Shown shown, String find, boolean none) {

  /** Lines are computed at once up to so many; the others as they are scrolled to. */
  private static final int AT_ONCE = 12;

  /** A decided one is worked out twice, as it was and as it is: it counts for so many. */
  private static final int DECIDED = 4;

  /**
   * Something that waits for the reader.
   *
   * @param words before the name of what it is about
   */
  record Asked(String words, String title, String href) {}

  /**
   * A selection in a line.
   *
   * @param about who and what it is made of
   * @param answer what it has come to; empty: not computed yet
   */
  record Line(long id, String title, String about, boolean sample, Optional<AnswerLine> answer) {}

  /** Whoever reads, on a day. */
  record Reader(SignedIn person, LocalDate today) {
    private Signatory signatory() {
      return new Signatory(person.name(), person.getUsername());
    }
  }

  /** Computes a line. */
  interface Computing {
    AnswerLine of(LoadedSelection table, Optional<Decision> decision);
  }

  static FirstPage of(
      List<LoadedSelection> tables,
      Map<Long, Decision> decisions,
      PutAway.Shown shown,
      String find,
      Reader reader,
      Computing computing) {
    List<LoadedSelection> found = tables.stream().filter(table -> holds(table, find)).toList();
    List<Line> lines = new ArrayList<>();
    int work = 0;
    for (LoadedSelection table : found) {
      Optional<Decision> decision = Optional.ofNullable(decisions.get(table.id()));
      work += table.decided() ? DECIDED : 1;
      boolean now = work <= AT_ONCE && shown != PutAway.Shown.DELETED;
      lines.add(
          new Line(
              table.id(),
              table.selection().title(),
              about(table),
              table.putAway().sample(),
              now ? Optional.of(computing.of(table, decision)) : Optional.empty()));
    }
    List<Asked> asked =
        shown == PutAway.Shown.AT_HAND ? asked(tables, decisions, reader) : List.of();
    return new FirstPage(asked, lines, shown, find, tables.isEmpty());
  }

  private static List<Asked> asked(
      List<LoadedSelection> tables, Map<Long, Decision> decisions, Reader reader) {
    List<Asked> all = new ArrayList<>();
    for (LoadedSelection table : tables) {
      for (Progress.Asked asked :
          asked(table, Optional.ofNullable(decisions.get(table.id())), reader)) {
        all.add(
            new Asked(
                ProgressWords.asked(asked),
                table.selection().title(),
                "/selections/" + table.id() + "/" + key(asked)));
      }
    }
    return all;
  }

  /** What one selection waits for from the reader. */
  static List<Progress.Asked> asked(
      LoadedSelection table, Optional<Decision> decision, Reader reader) {
    return Progress.asked(
        table.selection(),
        new Progress.Person(
            reader.signatory(),
            table.member(reader.person()),
            reader.person().weighs(),
            reader.person().organises()),
        decision,
        reader.today());
  }

  static String key(Progress.Asked asked) {
    return ProgressWords.step(asked).name().toLowerCase(Locale.ENGLISH);
  }

  static String about(LoadedSelection table) {
    int all = table.selection().contenders().size();
    int active = table.selection().active().size();
    String contenders =
        Figures.counted(active, "contenders")
            + (all > active ? ", " + (all - active) + " set aside" : "");
    String people =
        table.selection().panel().members().stream()
            .map(Member::name)
            .map(name -> name.split(" ", 2)[0])
            .limit(4)
            .collect(Collectors.joining(", "));
    int more = table.selection().panel().members().size() - 4;
    return contenders
        + (people.isEmpty() ? "" : " · " + people + (more > 0 ? " and " + more + " more" : ""));
  }

  /** Whether every word that was typed stands in its title, purpose, tools or people. */
  private static boolean holds(LoadedSelection table, String find) {
    String all =
        Stream.of(
                Stream.of(table.selection().title(), table.selection().purpose()),
                table.selection().contenders().stream().map(Contender::tool).map(t -> t.name()),
                table.selection().panel().members().stream().map(Member::name))
            .flatMap(s -> s)
            .collect(Collectors.joining("\n"))
            .toLowerCase(Locale.ROOT);
    return Stream.of(find.toLowerCase(Locale.ROOT).split("\\s+")).allMatch(all::contains);
  }
}
