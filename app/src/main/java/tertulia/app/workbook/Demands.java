package tertulia.app.workbook;

import static tertulia.app.workbook.Rounded.exact;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.evaluation.Selection;
import tertulia.core.growth.Demand;
import tertulia.core.growth.Group;
import tertulia.core.growth.Growth;
import tertulia.core.growth.Measure;
import tertulia.core.growth.Step;

/** The sheet of people and of what they need, month by month. */
final class Demands {
  private static final int FIRST = 1;
  private static final int MONTH = 1;
  private final Evaluation evaluation;
  private final Selection selection;
  private final Inputs inputs;
  private final Sheet sheet;
  private final Map<String, Integer> groups = new HashMap<>();
  private final Map<String, Integer> measures = new HashMap<>();
  private int row = 3;

  /** Whose rows they are; empty: everybody's. */
  private String who = "";

  Demands(Evaluation evaluation, Inputs inputs, Sheet sheet) {
    this.evaluation = evaluation;
    this.selection = evaluation.selection();
    this.inputs = inputs;
    this.sheet = sheet;
    sheet.width(0, 40);
    sheet.freeze(1, 3);
    sheet.heading(0, 0, "People and what they need");
    sheet.text(MONTH, 0, "plan month");
    for (int m = 0; m < months(); m++) {
      sheet.number(MONTH, FIRST + m, m);
      sheet.heading(2, FIRST + m, selection.horizon().month(m).toString());
    }
    inputs.heading("People");
    selection.groups().forEach(this::group);
    inputs.heading("What each head needs");
    selection.demands().forEach(this::measure);
  }

  /** What some of the people need: rows of their own on the same sheet. */
  private Demands(Demands all, String who, Map<Measure, Demand> demands) {
    this.evaluation = all.evaluation;
    this.selection = all.selection;
    this.inputs = all.inputs;
    this.sheet = all.sheet;
    this.who = ", " + who;
    this.groups.putAll(all.groups);
    this.row = all.row;
    demands.forEach(this::measure);
    all.row = row;
  }

  /** What some of the people need, with the fixed parts that are theirs. */
  Demands of(String who, Map<Measure, Demand> demands) {
    return new Demands(this, who, demands);
  }

  private int months() {
    return selection.horizon().months();
  }

  private static String month(int m) {
    return Sheet.at(MONTH, FIRST + m);
  }

  private void group(Group group) {
    String k =
        inputs.of(
            "Growth " + evaluation.whatIf().scenario().words() + ": multiplied by",
            evaluation.whatIf().scenario().multiplier(),
            "");
    int grown = row++;
    sheet.text(grown, 0, group.name() + ", grown");
    String since = since(group);
    for (int m = 0; m < months(); m++) {
      sheet.count(grown, FIRST + m, "ROUND(" + exact(growth(group, k, since, m)) + ",0)");
    }
    List<Integer> steps = new ArrayList<>();
    group.steps().stream()
        .filter(step ->
            step.onlyIn() == null || step.onlyIn().equals(evaluation.whatIf().scenario().id()))
        .forEach(step -> steps.add(step(group, step)));
    int all = row++;
    groups.put(group.id(), all);
    sheet.heading(all, 0, group.name());
    for (int m = 0; m < months(); m++) {
      StringBuilder sum = new StringBuilder(Sheet.at(grown, FIRST + m));
      for (int step : steps) {
        sum.append('+').append(Sheet.at(step, FIRST + m));
      }
      sheet.count(all, FIRST + m, "MAX(0," + sum + ")");
    }
  }

  /** The plan month from which a group grows. */
  private String since(Group group) {
    return inputs.of(
        group.name() + ", grows from plan month",
        group.start().map(selection.horizon()::indexOf).orElse(0),
        "before it the group is as in that month");
  }

  private String growth(Group group, String k, String since, int m) {
    String name = group.name();
    String grown = "MAX(0," + month(m) + "-" + since + ")";
    return switch (group.growth()) {
      case Growth.Hires hires ->
          inputs.of(name + ", people at the start", hires.start(), "")
              + "+"
              + k
              + "*"
              + inputs.of(name + ", more a month", hires.perMonth(), "")
              + "*"
              + grown;
      case Growth.Percent percent ->
          inputs.of(name + ", people at the start", percent.start(), "")
              + "*(1+"
              + k
              + "*"
              + inputs.of(name + ", growth a year", percent.perYear(), "as a fraction")
              + ")^("
              + grown
              + "/12)";
      case Growth.Listed listed -> {
        int offset = group.start().map(selection.horizon()::indexOf).orElse(0);
        int place = Math.clamp((long) m - offset, 0, listed.values().size() - 1);
        String first = inputs.of(name + ", listed month 0", listed.values().getFirst(), "");
        String then = inputs.of(name + ", listed month " + place, listed.values().get(place), "");
        yield first + "+" + k + "*(" + then + "-" + first + ")";
      }
    };
  }

  private int step(Group group, Step step) {
    int at = row++;
    String label = group.name() + ", " + step.label();
    sheet.text(at, 0, label);
    String from =
        inputs.of(
            label + ", from plan month",
            selection.horizon().indexOf(step.from()),
            step.everyYear() ? "comes back every year" : "");
    String change = inputs.of(label + ", people more or fewer", step.change(), "");
    String last =
        step.end()
            .map(
                end -> inputs.of(label + ", last plan month", selection.horizon().indexOf(end), ""))
            .orElse("");
    for (int m = 0; m < months(); m++) {
      String here = month(m);
      String inForce =
          last.isEmpty()
              ? here + ">=" + from
              : step.everyYear()
                  ? "AND(" + here + ">=" + from + ",MOD(" + here + "-" + from + ",12)<=" + last
                      + "-" + from + ")"
                  : "AND(" + here + ">=" + from + "," + here + "<=" + last + ")";
      sheet.count(at, FIRST + m, "IF(" + inForce + "," + change + ",0)");
    }
    return at;
  }

  private void measure(Measure measure, Demand demand) {
    String fixed =
        !who.isEmpty() && demand.fixed().signum() == 0
            ? "0"
            : inputs.of(measure.label() + ", fixed", demand.fixed(), "at any headcount");
    int at = row++;
    sheet.text(at, 0, measure.label() + (isSum(measure) ? ", a month’s part" : "") + who);
    for (int m = 0; m < months(); m++) {
      StringBuilder sum = new StringBuilder(fixed);
      for (Map.Entry<String, BigDecimal> rate : demand.rates().entrySet()) {
        Integer group = groups.get(rate.getKey());
        if (group != null) {
          sum.append('+')
              .append(
                  inputs.of(
                      measure.label() + " per head of " + name(rate.getKey()),
                      rate.getValue(),
                      demand.habits().containsKey(rate.getKey())
                          ? "by habit: " + demand.habits().get(rate.getKey()).words()
                          : ""))
              .append('*')
              .append(Sheet.at(group, FIRST + m));
        }
      }
      String rounded =
          measure.whole() ? "ROUNDUP(" + exact(sum.toString()) + ",0)" : "ROUND(" + sum + ",6)";
      sheet.count(at, FIRST + m, rounded);
    }
    measures.put(measure.id(), isSum(measure) ? kept(measure, demand, at) : at);
  }

  private static boolean isSum(Measure measure) {
    return measure.nature() == Measure.Nature.SUM;
  }

  private int kept(Measure measure, Demand demand, int parts) {
    String stock =
        !who.isEmpty() && demand.stock().signum() == 0
            ? "0"
            : inputs.of(measure.label() + ", there at the start", demand.stock(), "");
    int at = row++;
    sheet.text(at, 0, measure.label() + ", kept" + who);
    for (int m = 0; m < months(); m++) {
      sheet.count(at, FIRST + m, stock + "+SUM(" + Sheet.across(parts, FIRST, FIRST + m) + ")");
    }
    return at;
  }

  private String name(String group) {
    return selection.groups().stream()
        .filter(g -> g.id().equals(group))
        .map(Group::name)
        .findFirst()
        .orElse(group);
  }

  /** The cell of what is needed of a measure in a plan month, as other sheets name it. */
  String of(Measure measure, int m) {
    return sheet.from(java.util.Objects.requireNonNull(measures.get(measure.id())), FIRST + m);
  }

  /** The cell of seats needed in a plan month, or of everybody if no seats are counted. */
  String seats(int m) {
    return measures.containsKey(Measure.SEATS.id()) ? of(Measure.SEATS, m) : everybody(m);
  }

  private String everybody(int m) {
    return groups.values().stream()
        .map(group -> sheet.from(group, FIRST + m))
        .reduce("0", (sum, cell) -> sum + "+" + cell);
  }

  /** As above where only whole ones can be held. */
  String whole(Measure measure, int m) {
    return measure.whole() ? of(measure, m) : "ROUNDUP(" + exact(of(measure, m)) + ",0)";
  }
}
