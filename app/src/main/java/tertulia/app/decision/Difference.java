package tertulia.app.decision;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.scoring.Interval;
import tertulia.core.working.Quantity;

/**
 * What has changed between what a proposal rests on and what stands now, figure by figure, and then
 * what was entered. Lines that are alike are left out.
 */
record Difference(List<Line> lines) {
  Difference {
    lines = List.copyOf(lines);
  }

  /**
   * One thing that changed.
   *
   * @param before as it was when it was proposed
   * @param now as it is
   */
  record Line(String what, String before, String now) {}

  static Difference between(Basis before, Basis now) {
    List<Line> lines = new ArrayList<>();
    people(before.results(), now.results(), lines);
    contenders(before.results(), now.results(), lines);
    weights(before, now, lines);
    leads(before.results(), now.results(), lines);
    entries(before.selection(), now.selection(), lines);
    return new Difference(lines);
  }

  private static void add(
      List<Line> lines, String what, @Nullable String before, @Nullable String now) {
    if (!Objects.equals(before, now)) {
      lines.add(
          new Line(
              what, Objects.requireNonNullElse(before, "—"), Objects.requireNonNullElse(now, "—")));
    }
  }

  private static void people(Results before, Results now, List<Line> lines) {
    add(lines, "Months of the plan", "" + before.people().size(), "" + now.people().size());
    add(lines, "First month", before.start(), now.start());
    add(lines, "Currency", before.currency(), now.currency());
    add(lines, "People in the first month", first(before), first(now));
    add(lines, "Most people in a month", most(before), most(now));
  }

  private static String first(Results results) {
    return "" + results.people().getFirst();
  }

  private static String most(Results results) {
    return "" + results.people().stream().mapToInt(Integer::intValue).max().orElse(0);
  }

  private static void contenders(Results before, Results now, List<Line> lines) {
    Map<String, Results.ContenderResult> old = byId(before);
    Map<String, Results.ContenderResult> current = byId(now);
    Set<String> ids = new LinkedHashSet<>(old.keySet());
    ids.addAll(current.keySet());
    for (String id : ids) {
      Optional<Results.ContenderResult> was = Optional.ofNullable(old.get(id));
      Optional<Results.ContenderResult> is = Optional.ofNullable(current.get(id));
      String name = is.or(() -> was).orElseThrow().name();
      add(
          lines,
          name,
          was.map(Difference::standing).orElse("not there"),
          is.map(Difference::standing).orElse("not there"));
      if (was.isPresent() && is.isPresent()) {
        add(
            lines,
            name + ", a month at the start",
            cost(was.get().firstMonth(), before.currency()),
            cost(is.get().firstMonth(), now.currency()));
        add(
            lines,
            name + ", over the plan",
            cost(was.get().horizon(), before.currency()),
            cost(is.get().horizon(), now.currency()));
        score(lines, name + ", total score", was.get().total(), is.get().total());
      }
    }
  }

  private static Map<String, Results.ContenderResult> byId(Results results) {
    Map<String, Results.ContenderResult> byId = new LinkedHashMap<>();
    results.contenders().forEach(c -> byId.put(c.id(), c));
    return byId;
  }

  private static String standing(Results.ContenderResult contender) {
    return contender.setAside() == null ? "compared" : "set aside: " + contender.setAside();
  }

  private static @Nullable String cost(Results.@Nullable CostResult cost, String currency) {
    if (cost == null) {
      return null;
    }
    return figure(cost.amount(), cost.low(), cost.atMost(), currency) + ", " + cost.option();
  }

  private static String figure(
      @Nullable String amount, @Nullable String low, boolean atMost, String currency) {
    if (amount == null) {
      return low == null ? "not known" : "at least " + money(low, currency);
    }
    String high = money(amount, currency);
    if (atMost) {
      return "at most " + high;
    }
    return low == null || low.equals(amount) ? high : money(low, currency) + " to " + high;
  }

  private static String money(String amount, String currency) {
    return Figures.quantity(new Quantity(new BigDecimal(amount), currency));
  }

  /** As short as elsewhere, unless only the decimals cut off there tell the two apart. */
  private static void score(
      List<Line> lines,
      String what,
      Results.@Nullable ScoreResult was,
      Results.@Nullable ScoreResult is) {
    boolean alike = was != null && is != null && score(was, true).equals(score(is, true));
    add(
        lines,
        what,
        was == null ? null : score(was, !alike),
        is == null ? null : score(is, !alike));
  }

  private static String score(Results.ScoreResult total, boolean isShort) {
    return (isShort
            ? Figures.score(new Interval(new BigDecimal(total.low()), new BigDecimal(total.high())))
            : total.words())
        + ", rank "
        + total.bestRank()
        + (total.bestRank() == total.worstRank() ? "" : " to " + total.worstRank());
  }

  private static void weights(Basis before, Basis now, List<Line> lines) {
    Map<String, String> old = Objects.requireNonNullElse(before.results().weights(), Map.of());
    Map<String, String> current = Objects.requireNonNullElse(now.results().weights(), Map.of());
    Set<String> ids = new LinkedHashSet<>(old.keySet());
    ids.addAll(current.keySet());
    for (String id : ids) {
      String name =
          java.util.stream.Stream.concat(
                  now.selection().brief().criteria().stream(),
                  before.selection().brief().criteria().stream())
              .filter(c -> c.id().equals(id))
              .map(Brief.CriterionPart::name)
              .findFirst()
              .orElse(id);
      add(lines, "Weight of " + name, old.get(id), current.get(id));
    }
  }

  private static void leads(Results before, Results now, List<Line> lines) {
    add(lines, "Cheapest by headcount", leads(before), leads(now));
  }

  private static String leads(Results results) {
    Map<String, Results.ContenderResult> byId = byId(results);
    List<String> words = new ArrayList<>();
    for (Results.LeadResult lead : results.cheapestByHeadcount()) {
      String id = lead.contender();
      words.add(
          "from "
              + lead.from()
              + " "
              + Optional.ofNullable(id == null ? null : byId.get(id))
                  .map(Results.ContenderResult::name)
                  .orElse("nobody"));
    }
    return String.join(", ", words);
  }

  /** Entries that differ, whether or not any of the figures above does. */
  private static void entries(SelectionFile before, SelectionFile now, List<Line> lines) {
    Brief old = before.brief();
    Brief current = now.brief();
    add(lines, "The question", old.title(), current.title());
    add(lines, "For whom and what", old.purpose(), current.purpose());
    changed(lines, "The needs", old.needs(), current.needs());
    changed(lines, "The groups of people", old.groups(), current.groups());
    changed(lines, "What is counted", old.demand(), current.demand());
    changed(lines, "The criteria", old.criteria(), current.criteria());
    changed(lines, "The rates of exchange", old.rates(), current.rates());
    changed(lines, "The scenarios of growth", old.scenarios(), current.scenarios());
    changed(lines, "Staff time and leaving early", old.practice(), current.practice());
    add(lines, "Prices rise a year, %", old.priceRisePercent(), current.priceRisePercent());
    add(lines, "Average payment", old.averagePayment(), current.averagePayment());
    add(lines, "Rates and prices as of", old.asOf(), current.asOf());
    for (SelectionFile.ContenderPart part : now.contenders()) {
      before.contenders().stream()
          .filter(was -> was.tool().id().equals(part.tool().id()))
          .findFirst()
          .ifPresent(was -> {
            changed(lines, "The price page of " + part.tool().name(), was.tool(), part.tool());
            changed(
                lines, "The hours " + part.tool().name() + " takes", was.effort(), part.effort());
          });
    }
    for (SelectionFile.MemberPart member : now.panel()) {
      before.panel().stream()
          .filter(was -> was.name().equals(member.name()))
          .findFirst()
          .ifPresentOrElse(
              was -> changed(lines, "The weights and marks of " + member.name(), was, member),
              () -> lines.add(new Line(member.name(), "not on the panel", "on the panel")));
    }
  }

  private static void changed(
      List<Line> lines, String what, @Nullable Object before, @Nullable Object now) {
    if (!Objects.equals(before, now)) {
      lines.add(new Line(what, "as proposed", "changed"));
    }
  }
}
