package tertulia.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tertulia.app.chart.CostChart;
import tertulia.app.chart.DuelChart;
import tertulia.app.chart.Marks;
import tertulia.app.display.CardWords;
import tertulia.app.display.Figures;
import tertulia.app.workspace.Cell;
import tertulia.app.workspace.HorizonCell;
import tertulia.app.workspace.Known;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Amount;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.HeadToHead;
import tertulia.core.evaluation.HeadToHead.OnCriterion;
import tertulia.core.evaluation.HeadToHead.OnNeed;
import tertulia.core.evaluation.HeadToHead.Side;
import tertulia.core.evaluation.Met;
import tertulia.core.path.CostByHeadcount;
import tertulia.core.scoring.Criterion;
import tertulia.core.scoring.Interval;

/**
 * Two contenders head to head, as it is read.
 *
 * @param verdict sentences put together from the figures below
 * @param picture leads by criterion as SVG; empty if there are none
 * @param costs cost by headcount of the two as SVG
 * @param orders which of them is cheaper from which headcount on
 * @param turns what would turn it, in sentences
 */
record VersusView(
    Corner left,
    Corner right,
    List<String> verdict,
    String picture,
    List<Line> criteria,
    List<Line> needs,
    List<Line> money,
    String costs,
    List<String> orders,
    List<String> turns) {

  /** One of the two. */
  record Corner(String slug, String name, String mark) {}

  /** A row: what it is about, the two, and who is ahead by how much. */
  record Line(Cell about, Cell left, Cell right, Cell ahead) {}

  static VersusView of(Session session, Contender left, Contender right) {
    HeadToHead found = session.evaluation().headToHead(left.id(), right.id());
    return new Writer(
            session,
            left,
            right,
            found,
            new CardWords(session.evaluation(), session.table().file()))
        .write();
  }

  private record Writer(
      Session session, Contender left, Contender right, HeadToHead found, CardWords words) {
    VersusView write() {
      return new VersusView(
          corner(left),
          corner(right),
          VersusWords.verdict(found, left.tool().name(), right.tool().name()),
          picture(),
          found.criteria().stream().map(this::criterion).toList(),
          found.needs().stream().map(this::need).toList(),
          money(),
          costs(),
          orders(),
          VersusWords.turns(found, this::name));
    }

    private Corner corner(Contender contender) {
      return new Corner(
          contender.id(), contender.tool().name(), Marks.inline(session.mark(contender.id())));
    }

    private String name(String id) {
      return session.table().selection().contender(id).tool().name();
    }

    private String name(Side side) {
      return side == Side.LEFT ? left.tool().name() : right.tool().name();
    }

    private String picture() {
      if (found.criteria().isEmpty()) {
        return "";
      }
      List<DuelChart.Line> lines =
          found.criteria().stream()
              .map(c ->
                  new DuelChart.Line(
                      c.criterion().name(),
                      c.weight(),
                      c.lead().by(),
                      c.isOpen() ? "open" : c.lead().margin().words()))
              .toList();
      return DuelChart.draw(session.drawn(left), session.drawn(right), lines);
    }

    private String costs() {
      Evaluation evaluation = session.evaluation();
      CostByHeadcount two =
          evaluation.costs().curves().costByHeadcount().of(List.of(left.id(), right.id()));
      return CostChart.draw(
          two,
          List.of(left, right).stream().map(session::drawn).toList(),
          new CostChart.Read(
              evaluation.costs().people().total(),
              evaluation.costs().overall().lowestPlanned(),
              evaluation.costs().overall().highestPlanned()));
    }

    private Line criterion(OnCriterion line) {
      String id = line.criterion().id();
      String weight =
          line.weight().map(w -> "weight " + Figures.percent(w)).orElse("no weights yet");
      return new Line(
          Cell.fact(line.criterion().name())
              .noting(
                  line.criterion().meaning().isEmpty()
                      ? weight
                      : weight + ". " + line.criterion().meaning()),
          value(line.left(), session.why("value", "contender", left.id(), "criterion", id))
              .noting(said(line.criterion(), left)),
          value(line.right(), session.why("value", "contender", right.id(), "criterion", id))
              .noting(said(line.criterion(), right)),
          ahead(line));
    }

    /** What was said beside a mark, in the words of whoever gave it. */
    private String said(Criterion criterion, Contender contender) {
      return words.quote(criterion, contender.id()).map(CardWords.Reason::words).orElse("");
    }

    private static Cell value(Interval value, String why) {
      return Cell.figure(Figures.score(value), why);
    }

    private Cell ahead(OnCriterion line) {
      String margin = line.lead().margin().words();
      if (line.isOpen()) {
        // the middle may say who is ahead; that is no win
        return Cell.fact("open")
            .noting(
                line.lead().side().map(side -> name(side) + " ahead, but ").orElse("")
                    + "not all is known");
      }
      return line.winner()
          .map(side -> Cell.fact(name(side)).noting(margin))
          .orElseGet(() -> Cell.fact(margin));
    }

    private Line need(OnNeed line) {
      return new Line(
          Cell.fact(line.need().capability().name()).noting(ComparisonRows.importance(line.need())),
          met(line.left()),
          met(line.right()),
          line.better()
              .map(side -> Cell.fact(name(side)))
              .orElseGet(() ->
                  line.left() == Met.UNKNOWN || line.right() == Met.UNKNOWN
                      ? Cell.missing("not known", "")
                      : Cell.fact("alike")));
    }

    private static Cell met(Met met) {
      return switch (met) {
        case YES -> Cell.fact("● yes").looking("yes");
        case OUTSIDE -> Cell.fact("◇ covered outside").looking("partly");
        case PARTLY -> Cell.fact("◐ partly").looking("partly");
        case BY_HAND -> Cell.fact("✎ by hand").looking("partly");
        case NO -> Cell.fact("○ no").looking("no");
        case UNKNOWN -> Cell.missing("? not confirmed", "");
      };
    }

    private List<Line> money() {
      List<Line> lines = new ArrayList<>();
      for (HeadToHead.AtHeadcount at : found.money()) {
        Session then = session.at(at.people());
        lines.add(
            new Line(
                Cell.fact("A month for " + Figures.counted(at.people(), "people")),
                amount(at.left(), then.why("steady", "contender", left.id())),
                amount(at.right(), then.why("steady", "contender", right.id())),
                cheaper(at.apart())));
      }
      int months = session.table().selection().horizon().months();
      lines.add(
          new Line(
              Cell.fact(months + " months").noting(session.query().whatIf().view().words()),
              HorizonCell.of(session, left),
              HorizonCell.of(session, right),
              cheaper(found.horizon())));
      return lines;
    }

    private static Cell amount(Optional<Amount> amount, String why) {
      return amount
          .map(a -> Cell.figure(Known.amount(a), why))
          .orElseGet(() -> Cell.missing("not known", why));
    }

    private Cell cheaper(HeadToHead.Apart apart) {
      return switch (apart) {
        case HeadToHead.Apart.Same same -> Cell.fact("the same");
        case HeadToHead.Apart.Cheaper cheaper ->
            Cell.fact(name(cheaper.side()))
                .noting(
                    (cheaper.atLeast() ? "cheaper by at least " : "cheaper by ")
                        + Figures.money(cheaper.by()));
        case HeadToHead.Apart.Open open ->
            Cell.missing("open", "").noting("a figure is only known within bounds");
        case HeadToHead.Apart.NotKnown unknown -> Cell.missing("not known", "");
      };
    }

    private List<String> orders() {
      return found.orders().stream()
          .map((CostByHeadcount.Order order) ->
              name(order.cheaper())
                  + (order.n() == 1
                      ? " is cheaper from the first person"
                      : " is cheaper from " + order.n() + " people"))
          .toList();
    }
  }
}
