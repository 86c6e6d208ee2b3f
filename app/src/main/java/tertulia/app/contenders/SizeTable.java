package tertulia.app.contenders;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import tertulia.app.chart.Marks;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Contender;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.SteadyCost;
import tertulia.core.sensitivity.BySize;

/**
 * The answer for several numbers of people, side by side.
 *
 * @param brief one person, a small team and a large one in two lines
 * @param sizes what heads each column
 * @param leads who leads at each
 * @param rows a contender each, with its cost and plan
 * @param typed the numbers somebody named, as typed
 * @param fault what is wrong with them; may be empty
 */
record SizeTable(
    Brief brief, List<String> sizes, List<Cell> leads, List<Row> rows, String typed, String fault) {
  /** Numbers of people that are always read: one person, a small team, a large one. */
  private static final List<Integer> USUAL = List.of(1, 10, 100);

  private static final int MOST_NAMED = 4;

  /** A lead that would read as 0.000. */

  /** Who leads and what the cheapest costs, for the usual numbers of people. */
  record Brief(List<String> sizes, List<Cell> leads, List<Cell> cheapest) {}

  /** A contender. */
  record Row(String mark, String name, List<Cell> cells) {}

  static SizeTable of(Session session, boolean counted) {
    String typed = session.asked().getOrDefault("sizes", "").strip();
    TreeSet<Integer> people = new TreeSet<>(USUAL);
    String fault = "";
    try {
      people.addAll(read(typed));
    } catch (IllegalArgumentException e) {
      fault = String.valueOf(e.getMessage());
    }
    if (counted) {
      people.add(clamp(session.evaluation().costs().overall().lowestPlanned()));
      people.add(clamp(session.evaluation().costs().overall().highestPlanned()));
    }
    List<BySize> sizes = session.sensitivity().bySize(List.copyOf(people));
    List<Row> rows = new ArrayList<>();
    for (Contender contender : session.columns()) {
      rows.add(
          new Row(
              Marks.inline(session.mark(contender.id())),
              contender.tool().name(),
              sizes.stream().map(size -> cell(session, size, contender.id())).toList()));
    }
    List<BySize> usual = sizes.stream().filter(s -> USUAL.contains(s.people())).toList();
    return new SizeTable(
        new Brief(
            usual.stream().map(size -> Figures.counted(size.people(), "people")).toList(),
            usual.stream().map(size -> leads(session, size)).toList(),
            usual.stream().map(size -> cheapest(session, size)).toList()),
        sizes.stream().map(size -> head(session, size.people(), counted)).toList(),
        sizes.stream().map(size -> leads(session, size)).toList(),
        rows,
        typed,
        fault);
  }

  private static int clamp(int people) {
    return Math.clamp(people, 1, CostByHeadcount.MOST_SWEPT);
  }

  private static List<Integer> read(String typed) {
    if (typed.isEmpty()) {
      return List.of();
    }
    List<Integer> named =
        Arrays.stream(typed.split("[;,\\s]+"))
            .filter(part -> !part.isEmpty())
            .map(SizeTable::one)
            .toList();
    if (named.size() > MOST_NAMED) {
      throw new IllegalArgumentException(
          "Name up to " + MOST_NAMED + " numbers of people; found " + named.size() + ".");
    }
    return named;
  }

  private static int one(String typed) {
    int people = TypedNumber.readWhole(typed);
    if (people < 1 || people > CostByHeadcount.MOST_SWEPT) {
      throw new IllegalArgumentException(
          "A number of people lies between 1 and 5,000; found " + typed + ".");
    }
    return people;
  }

  private static String head(Session session, int people, boolean counted) {
    String words = Figures.counted(people, "people");
    if (!counted) {
      return words;
    }
    int least = session.evaluation().costs().overall().lowestPlanned();
    int most = session.evaluation().costs().overall().highestPlanned();
    return people == least ? words + ", fewest" : people == most ? words + ", most" : words;
  }

  private static Cell leads(Session session, BySize size) {
    Optional<String> leader =
        size.leader()
            .or(() ->
                size.byTotals()
                    ? size.best().stream().findFirst().map(BySize.Line::contender)
                    : Optional.empty());
    if (leader.isEmpty()) {
      return Cell.missing("nobody", "");
    }
    String name = name(session, leader.get());
    if (!size.byTotals()) {
      return Cell.fact(name).looking("best").noting(Voice.say("size.short.cheapest"));
    }
    String by =
        size.lead()
            .map(lead ->
                lead.isLevel()
                    ? Voice.say(
                        "size.short.level", "other", name(session, size.best().get(1).contender()))
                    : Voice.say(
                        "size.short.ahead",
                        java.util.Map.of(
                            "by",
                            Figures.apart(lead),
                            "other",
                            name(session, size.best().get(1).contender()))))
            .orElse("");
    return size.leader().isPresent()
        ? Cell.fact(name).looking("best").noting(by)
        : Cell.fact(name).noting(by.isEmpty() ? "" : by + ", " + Voice.say("size.short.open"));
  }

  private static Cell cheapest(Session session, BySize size) {
    return size.cheapest().stream()
        .findFirst()
        .map(id -> {
          Cell cell = cell(session, size, id);
          String others =
              size.cheapest().stream()
                  .map(other -> name(session, other))
                  .collect(java.util.stream.Collectors.joining(", "));
          return cell.noting(others + ", " + cell.note());
        })
        .orElseGet(() -> Cell.missing("not known", ""));
  }

  private static Cell cell(Session session, BySize size, String contender) {
    BySize.Line line =
        size.lines().stream()
            .filter(l -> l.contender().equals(contender))
            .findFirst()
            .orElseThrow();
    String why = session.at(size.people()).why("steady", "contender", contender);
    if (line.monthly().isPresent()) {
      return Cell.figure(Known.amount(line.monthly().get()), why)
          .looking(size.cheapest().contains(contender) ? "best" : "")
          .noting(line.cost().map(SteadyCost::label).orElse(""));
    }
    return line.ifConfirmed()
        .map(open ->
            Cell.missing(Known.amount(open.monthly()), why)
                .noting(open.cost().label() + ", " + Voice.say("size.short.if-confirmed")))
        .orElseGet(() -> Cell.missing("—", why));
  }

  private static String name(Session session, String id) {
    return session.columns().stream()
        .filter(c -> c.id().equals(id))
        .findFirst()
        .map(c -> c.tool().name())
        .orElse(id);
  }
}
