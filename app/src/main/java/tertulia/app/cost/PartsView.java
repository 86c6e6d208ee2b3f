package tertulia.app.cost;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.PartsChart;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;

/**
 * What several tools bought together cost each, and from how many people on a suite costs less.
 *
 * @param says that, in sentences
 * @param chart the same as bars; a suite is one bar
 * @param lines the same as a table
 */
record PartsView(List<String> says, String chart, List<Line> lines) {
  /** A tool of a contender with what it is on. */
  record Line(String contender, String tool, String plan, String cost) {}

  /** Empty if no contender with a figure is several tools. */
  static Optional<PartsView> of(Session session) {
    List<Contender> sets = priced(session, session.columns(), c -> !c.boughtWith().isEmpty());
    if (sets.isEmpty()) {
      return Optional.empty();
    }
    List<String> suites =
        session.table().file().contenders().stream()
            .map(SelectionFile.ContenderPart::tool)
            .filter(sheet -> !sheet.contains().isEmpty())
            .map(ToolSheet::id)
            .toList();
    List<Contender> rivals = priced(session, session.columns(), c -> suites.contains(c.id()));
    List<String> says = new ArrayList<>();
    List<Line> lines = new ArrayList<>();
    for (Contender set : sets) {
      lines.addAll(lines(session, set));
      rivals.forEach(suite -> says.add(order(session, suite, set)));
    }
    return Optional.of(
        new PartsView(
            says,
            PartsChart.draw(
                Stream.concat(rivals.stream(), sets.stream()).map(c -> bar(session, c)).toList(),
                says.isEmpty()
                    ? lines.stream()
                        .map(line -> line.tool() + ": " + line.cost())
                        .collect(Collectors.joining("; "))
                    : String.join(" ", says)),
            lines));
  }

  private static List<Contender> priced(
      Session session, List<Contender> all, java.util.function.Predicate<Contender> which) {
    return all.stream()
        .filter(which)
        .filter(c -> !c.asToday() && path(session, c).isPresent())
        .toList();
  }

  private static Optional<PlanPath> path(Session session, Contender contender) {
    return session.evaluation().costs().overall().way(contender.id())
            instanceof PlanPaths.Found found
        ? Optional.of(found.best())
        : Optional.empty();
  }

  private static PartsChart.Bar bar(Session session, Contender contender) {
    return new PartsChart.Bar(
        contender.tool().name(),
        session.mark(contender.id()),
        parts(session, contender).stream()
            .map(part -> new PartsChart.Part(part.tool(), part.cost()))
            .toList());
  }

  private static List<Line> lines(Session session, Contender set) {
    return parts(session, set).stream()
        .map(part ->
            new Line(set.tool().name(), part.tool(), part.plan(), Figures.money(part.cost())))
        .toList();
  }

  private record Part(String tool, String plan, Money cost) {}

  /** The tools of a contender; the first is not named apart in the core. */
  private static List<Part> parts(Session session, Contender contender) {
    CostTiming view = session.evaluation().whatIf().view();
    PlanPath path = path(session, contender).orElseThrow();
    Money first = path.ledger().total(view);
    List<Part> others = new ArrayList<>();
    List<PlanPath> tools =
        path.alongside().stream()
            .filter(other -> other.isOf(PlanPath.Alongside.Kind.TOOL))
            .map(PlanPath.Alongside::path)
            .toList();
    for (int i = 0; i < contender.boughtWith().size(); i++) {
      PlanPath own = tools.get(i);
      Money cost = own.ledger().total(view);
      first = first.minus(cost);
      others.add(new Part(contender.boughtWith().get(i).tool().name(), own.label(), cost));
    }
    List<Part> parts = new ArrayList<>();
    parts.add(
        new Part(
            others.isEmpty() ? contender.tool().name() : firstOf(session, contender),
            path.ownLabel(),
            first));
    parts.addAll(others);
    return parts;
  }

  private static String firstOf(Session session, Contender set) {
    Map<String, ToolSheet> pages = session.table().file().allPages();
    return Optional.ofNullable(pages.get(set.id()))
        .flatMap(sheet -> sheet.together().stream().findFirst())
        .map(pages::get)
        .map(ToolSheet::name)
        .orElse(set.tool().name());
  }

  /** Which of the two costs less a month, by how many people there are. */
  private static String order(Session session, Contender suite, Contender set) {
    CostByHeadcount sweep = session.evaluation().costs().curves().costByHeadcount();
    List<CostByHeadcount.Order> orders = sweep.orders(suite.id(), set.id());
    Map<String, Object> names = Map.of("suite", suite.tool().name(), "set", set.tool().name());
    if (orders.isEmpty()) {
      return Voice.say("use.parts.open", names);
    }
    CostByHeadcount.Order last = orders.getLast();
    String cheaper = name(last.cheaper().equals(suite.id()), suite, set);
    String other = name(!last.cheaper().equals(suite.id()), suite, set);
    if (orders.size() == 1) {
      String dearer = last.cheaper().equals(suite.id()) ? set.id() : suite.id();
      boolean certain =
          IntStream.rangeClosed(1, sweep.most())
              .allMatch(n -> sweep.isCertain(last.cheaper(), dearer, n));
      Map<String, Object> words =
          Map.of(
              "cheaper", cheaper, "other", other, "many", Figures.counted(sweep.most(), "people"));
      return certain ? Voice.say("use.parts.always", words) : Voice.say("use.parts.looks", words);
    }
    return Voice.say(
        "use.parts.from",
        Map.of("cheaper", cheaper, "other", other, "many", Figures.counted(last.n(), "people")));
  }

  private static String name(boolean isSuite, Contender suite, Contender set) {
    return isSuite ? suite.tool().name() : set.tool().name();
  }
}
