package tertulia.app.cost;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import tertulia.app.chart.PartsChart;
import tertulia.app.display.Figures;
import tertulia.app.display.Voice;
import tertulia.app.workspace.Session;
import tertulia.core.billing.CostTiming;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.CostsOverall;
import tertulia.core.fit.Need;
import tertulia.core.growth.Group;
import tertulia.core.path.BaseAndPeakWay;
import tertulia.core.path.Option;
import tertulia.core.path.PlanPath;
import tertulia.core.path.PlanPaths;
import tertulia.core.path.Split;

/**
 * Groups on plans of their own: who is on which, and what that saves against all on one plan.
 *
 * @param why which groups need what others do not, in sentences
 * @param lines a contender each
 */
record SplitView(List<String> why, List<Line> lines) {
  /**
   * A contender.
   *
   * @param ask where it is said whether its plans may stand side by side; empty if that is known
   * @param rows the picture as a table
   */
  record Line(String says, String ask, String chart, List<Row> rows) {}

  /** Who is on a plan, and what that costs. */
  record Row(String who, String plan, String cost) {}

  /** Empty if nobody needs what others do not and no contender is split. */
  static Optional<SplitView> of(Session session) {
    CostsOverall costs = session.evaluation().costs().overall();
    List<Line> lines = new ArrayList<>();
    for (Contender contender : session.columns()) {
      costs.split(contender.id()).ifPresent(split -> lines.add(line(session, contender, split)));
    }
    for (Contender contender : session.columns()) {
      costs
          .baseAndPeak(contender.id())
          .flatMap(mixed -> mixed(session, contender, mixed))
          .ifPresent(lines::add);
    }
    List<String> why = why(session);
    return lines.isEmpty() ? Optional.empty() : Optional.of(new SplitView(why, lines));
  }

  /**
   * One plan under two terms. What nobody has said, and saves less than a hundredth, is not worth
   * asking for.
   */
  private static Optional<Line> mixed(Session session, Contender contender, BaseAndPeakWay mixed) {
    CostsOverall costs = session.evaluation().costs().overall();
    CostTiming view = session.evaluation().whatIf().view();
    if (!(costs.wayForAll(contender.id()) instanceof PlanPaths.Found found)) {
      return Optional.empty();
    }
    Money all = found.best().ledger().total(view);
    Money cost = mixed.path().ledger().total(view);
    Money less = all.minus(cost);
    boolean said = costs.isMixTaken(contender.id());
    if (!said && less.multipliedBy(100).isLessThan(all)) {
      return Optional.empty();
    }
    Option committed = mixed.path().alongside().getFirst().path().legs().getFirst().option();
    Map<String, Object> words = new LinkedHashMap<>();
    words.put("tool", contender.tool().name());
    words.put("cost", Figures.moneyIn(cost));
    words.put("count", Figures.whole(mixed.mostCommitted()));
    words.put("plan", committed.label());
    String says;
    if (said) {
      words.put("less", Figures.moneyIn(less));
      says = Voice.say("use.mixed", words);
    } else {
      words.put("instead", Figures.moneyIn(all));
      says = Voice.say("use.mixed.if", words);
    }
    Money loose = mixed.path().alone().ledger().total(view);
    Money base = cost.minus(loose);
    List<PartsChart.Part> parts =
        List.of(
            new PartsChart.Part(Voice.say("use.short.base"), base),
            new PartsChart.Part(Voice.say("use.short.peak"), loose));
    String tool = contender.tool().name();
    int mark = session.mark(contender.id());
    return Optional.of(
        new Line(
            says,
            said ? "" : session.pricePage(contender.id()),
            PartsChart.draw(
                List.of(
                    new PartsChart.Bar(
                        Voice.say("use.short.one-term", "tool", tool),
                        mark,
                        List.of(new PartsChart.Part(tool, all))),
                    new PartsChart.Bar(
                        Voice.say("use.short.two-terms", "tool", tool), mark, parts)),
                says),
            List.of(
                new Row(Voice.say("use.short.base"), committed.label(), Figures.money(base)),
                new Row(
                    Voice.say("use.short.peak"), mixed.path().ownLabel(), Figures.money(loose)))));
  }

  private static List<String> why(Session session) {
    List<String> why = new ArrayList<>();
    for (Need need : session.evaluation().selection().needs()) {
      List<String> groups =
          session.evaluation().selection().groups().stream()
              .filter(group -> need.groups().contains(group.id()))
              .map(Group::name)
              .toList();
      if (!groups.isEmpty()) {
        why.add(
            Voice.say(
                "use.split.why",
                Map.of("need", need.capability().name(), "groups", String.join(", ", groups))));
      }
    }
    return why;
  }

  private static Line line(Session session, Contender contender, Split split) {
    CostsOverall costs = session.evaluation().costs().overall();
    CostTiming view = session.evaluation().whatIf().view();
    List<Split.Share> shares = split.shares();
    Money sum = of(shares.getFirst(), view);
    for (Split.Share share : shares.subList(1, shares.size())) {
      sum = sum.plus(of(share, view));
    }
    Optional<Money> all =
        costs.wayForAll(contender.id()) instanceof PlanPaths.Found found
            ? Optional.of(found.best().ledger().total(view))
            : Optional.empty();
    boolean taken = costs.isSplitTaken(contender.id());
    Map<String, Object> words = new LinkedHashMap<>();
    words.put("tool", contender.tool().name());
    words.put(
        "who",
        shares.subList(1, shares.size()).stream()
            .map(share -> names(share) + " on " + plan(share))
            .collect(Collectors.joining("; ")));
    words.put("plan", plan(shares.getFirst()));
    words.put("cost", Figures.moneyIn(sum));
    boolean bound =
        taken && costs.way(contender.id()) instanceof PlanPaths.Found found && found.isAtMost();
    String says = bound ? Voice.say("use.split.bound", words) : says(taken, words, sum, all);
    return new Line(
        says,
        taken ? "" : session.pricePage(contender.id()),
        PartsChart.draw(bars(session, contender, shares, view, all), says),
        shares.stream()
            .map(share -> new Row(names(share), label(share), Figures.money(of(share, view))))
            .toList());
  }

  private static String says(
      boolean taken, Map<String, Object> words, Money sum, Optional<Money> all) {
    if (all.isEmpty()) {
      return taken ? Voice.say("use.split.only", words) : Voice.say("use.split.only.if", words);
    }
    if (!taken) {
      words.put("instead", Figures.moneyIn(all.get()));
      return Voice.say("use.split.if", words);
    }
    words.put("less", Figures.moneyIn(all.get().minus(sum)));
    return Voice.say("use.split", words);
  }

  private static List<PartsChart.Bar> bars(
      Session session,
      Contender contender,
      List<Split.Share> shares,
      CostTiming view,
      Optional<Money> all) {
    int mark = session.mark(contender.id());
    String tool = contender.tool().name();
    PartsChart.Bar split =
        new PartsChart.Bar(
            Voice.say("use.short.split", "tool", tool),
            mark,
            shares.stream()
                .map(share ->
                    new PartsChart.Part(names(share) + " on " + plan(share) + ":", of(share, view)))
                .toList());
    return all.map(money ->
            Stream.of(
                    new PartsChart.Bar(
                        Voice.say("use.short.one-plan", "tool", tool),
                        mark,
                        List.of(new PartsChart.Part(tool, money))),
                    split)
                .toList())
        .orElse(List.of(split));
  }

  private static Money of(Split.Share share, CostTiming view) {
    return share.paths().best().ledger().total(view);
  }

  private static String names(Split.Share share) {
    return share.groups().stream().map(Group::name).collect(Collectors.joining(", "));
  }

  private static String plan(Split.Share share) {
    return share.offering().plan().name();
  }

  private static String label(Split.Share share) {
    PlanPath path = share.paths().best();
    return path.label();
  }
}
