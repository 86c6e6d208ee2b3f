package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;
import tertulia.core.working.Ground;

/**
 * A tool's price page as it is read: plans across, lines down.
 *
 * @param heads plan names with what their prices rest on
 * @param sources date and origin of each plan's prices
 * @param groups facts under their group, the first without a name if some have none
 */
record PricePage(
    List<Head> heads,
    List<Source> sources,
    List<Line> prices,
    List<Line> allowances,
    Map<String, List<Line>> groups,
    List<Remark> offers,
    List<Remark> owned,
    List<Remark> conditions,
    List<Remark> ratings) {

  /** A plan; the mark is "assumed", "by quote", "on request", "free" or empty. */
  record Head(String name, String mark) {}

  /** Where something comes from; {@code key} says what would be confirmed. */
  record Source(String text, String link, String more, boolean old, String key) {}

  /**
   * What one plan has.
   *
   * @param source where from, if the cells of a line come from different places
   * @param conflict what weaker or older sources say otherwise; empty if all agree
   */
  record Cell(String text, Source source, String conflict) {
    static Cell of(String text) {
      return new Cell(text, NONE, "");
    }
  }

  /** One line: what it is about, and a cell for each plan. */
  record Line(String label, List<Cell> cells, Source source) {
    static Line of(String label, List<String> cells) {
      return of(label, cells, NONE);
    }

    static Line of(String label, List<String> cells, Source source) {
      return new Line(label, cells.stream().map(Cell::of).toList(), source);
    }

    boolean isEmpty() {
      return cells.stream().allMatch(cell -> cell.text().isEmpty());
    }
  }

  /** Something about the tool as a whole. */
  record Remark(String label, String text, Source source) {}

  private static final Source NONE = new Source("", "", "", false, "");

  /**
   * A page to read.
   *
   * @param isOld whether a fact of a day is older than the workspace wants facts to be
   */
  static PricePage of(ToolSheet sheet, Predicate<LocalDate> isOld) {
    ToolForm form = ToolForms.of(sheet, 0);
    return new PricePage(
        sheet.plans().stream().map(plan -> new Head(plan.name(), mark(plan))).toList(),
        sheet.plans().stream()
            .map(plan -> source(plan.source(), isOld, "prices:" + plan.id()))
            .toList(),
        prices(sheet, form),
        form.allowances.stream().map(line -> allowance(sheet, line, isOld)).toList(),
        facts(sheet, isOld),
        sheet.offers().stream()
            .map(o -> new Remark(o.name(), OfferText.of(o, sheet), source(o.source(), isOld, "")))
            .toList(),
        owned(sheet, isOld),
        sheet.conditions().stream()
            .map(c ->
                new Remark(
                    Conditions.label(c.kind()),
                    c.value(),
                    source(c.source(), isOld, "condition:" + c.kind())))
            .toList(),
        sheet.ratings().stream()
            .map(r ->
                new Remark(
                    "Public rating",
                    r.rating() + " of 5 from " + r.count() + " reviews",
                    source(r.source(), isOld, "")))
            .toList());
  }

  private static String mark(ToolSheet.PlanPart plan) {
    if (plan.prices().isEmpty()) {
      return "price on request";
    }
    return switch (plan.basis() == null ? "listed" : plan.basis()) {
      case "quote" -> "by quote";
      case "assumed" -> "assumed, nobody has a price";
      default -> "";
    };
  }

  private static List<Line> prices(ToolSheet sheet, ToolForm form) {
    List<Line> lines = new ArrayList<>();
    lines.add(Line.of("Sold for", sheet.plans().stream().map(PricePage::range).toList()));
    if (sheet.plans().stream().anyMatch(plan -> plan.taxPercent() != null)) {
      lines.add(
          Line.of(
              "Prices stated",
              sheet.plans().stream()
                  .map(plan ->
                      plan.taxPercent() == null
                          ? "before tax"
                          : "with " + plan.taxPercent() + " % tax, taken out here")
                  .toList()));
    }
    List<String> terms = new ArrayList<>(TermCode.ALL.stream().map(TermCode::code).toList());
    terms.add(ToolForm.ANY_TERM);
    for (ToolForm.ChargeLine charge : form.lines) {
      for (String term : terms) {
        List<String> cells = new ArrayList<>();
        for (int p = 0; p < charge.cells.size(); p++) {
          cells.add(cell(charge, charge.cells.get(p), term, sheet.plans().get(p).currency()));
        }
        Line line = Line.of(label(charge, term), cells);
        if (!line.isEmpty()) {
          lines.add(line);
        }
      }
    }
    return lines;
  }

  private static String label(ToolForm.ChargeLine line, String term) {
    String addOn = line.addOn.isEmpty() ? "" : "Add-on " + line.addOn + ": ";
    String when = term.equals(ToolForm.ANY_TERM) ? "" : ", " + TermCode.of(term).label();
    return addOn + line.name + unit(line) + when;
  }

  private static String unit(ToolForm.ChargeLine line) {
    String label = Codes.measure(line.measure).label();
    return switch (line.kind) {
      case "flat" -> line.name.equalsIgnoreCase("account") ? "" : ", for the account";
      case "banded-whole" -> ", bands of " + label + ", all at one price";
      case "banded-sliced" -> ", bands of " + label + ", slice by slice";
      case "one-off" -> ", once";
      case "one-off-each" -> ", once for each of the " + label;
      case "usage" -> ", " + label + " above what is included";
      case "payment-fee" -> ", of each of the " + label;
      case "yearly-minimum" -> ", for the account";
      default ->
          line.name.toLowerCase(Locale.ROOT).endsWith(label) ? ", each" : ", each of the " + label;
    };
  }

  private static String cell(
      ToolForm.ChargeLine line, ToolForm.ChargeCell cell, String term, String currency) {
    String price = cell.prices.getOrDefault(term, "");
    if (price.isEmpty()) {
      return "";
    }
    StringBuilder text = new StringBuilder();
    switch (line.kind) {
      case "banded-whole", "banded-sliced" ->
          text.append(bands(price)).append(' ').append(currency).append(" a month");
      case "one-off", "one-off-each" -> text.append(price).append(' ').append(currency);
      case "usage" -> {
        text.append(price).append(' ').append(currency);
        text.append(" for each ").append(cell.pack.isEmpty() ? "1" : cell.pack).append(" begun");
        text.append(", ").append(cell.included.isEmpty() ? "none" : cell.included);
        text.append(" included");
      }
      case "payment-fee" -> text.append(price).append(' ').append(currency);
      case "yearly-minimum" -> text.append(price).append(' ').append(currency).append(" a year");
      default -> text.append(price).append(' ').append(currency).append(" a month");
    }
    if (!line.kind.equals("usage")) {
      note(text, cell.minimum, "at least %s");
      note(text, cell.pack, "in packs of %s");
      note(text, cell.included, "%s included");
    }
    return text.toString();
  }

  private static String range(ToolSheet.PlanPart plan) {
    String units = Codes.measure(plan.measure()).label();
    String unit = Objects.equals(plan.most(), 1) ? Figures.one(units) : units;
    Integer most = plan.most();
    if (most == null) {
      return plan.least() == 0 ? "any number" : plan.least() + " " + unit + " or more";
    }
    return (plan.least() == 0 ? "up to " : plan.least() + " to ") + most + " " + unit;
  }

  /** The form's bands in words: "to 60: 7.90 each; above: 4.60 each". */
  private static String bands(String text) {
    return text.lines().map(PricePage::band).collect(Collectors.joining("; "));
  }

  private static String band(String line) {
    List<String> words = List.of(line.strip().split("\\s+"));
    String stretch = words.getFirst().equals("more") ? "above: " : "to " + words.getFirst() + ": ";
    boolean each = words.get(1).matches("0*[.]?0*");
    String flat = words.size() > 2 ? words.get(2) + " flat" : "";
    if (each) {
      return stretch + (flat.isEmpty() ? "0" : flat);
    }
    return stretch + words.get(1) + " each" + (flat.isEmpty() ? "" : " and " + flat);
  }

  private static void note(StringBuilder text, String value, String words) {
    if (!value.isEmpty()) {
      text.append(", ").append(String.format(Locale.ROOT, words, value));
    }
  }

  private static Line allowance(
      ToolSheet sheet, ToolForm.AllowanceLine line, Predicate<LocalDate> isOld) {
    Measure measure = Codes.measure(line.measure);
    List<String> cells = new ArrayList<>();
    for (int p = 0; p < sheet.plans().size(); p++) {
      String limit = p < line.cells.size() ? line.cells.get(p) : "";
      cells.add(
          limit.isEmpty() && sellsMore(sheet.plans().get(p), line.measure)
              ? "more at a charge"
              : limit);
    }
    return Line.of(
        measure.label() + ", " + measure.nature().words(),
        cells,
        source(line.source, isOld, "allowance:" + line.measure));
  }

  private static boolean sellsMore(ToolSheet.PlanPart plan, String measure) {
    return plan.prices().stream()
        .flatMap(term -> term.charges().stream())
        .anyMatch(c -> c instanceof ToolSheet.UsagePart usage && usage.measure().equals(measure));
  }

  /** A line for each capability, under its group, with the answers in force. */
  private static Map<String, List<Line>> facts(ToolSheet sheet, Predicate<LocalDate> isOld) {
    Map<String, ToolSheet.FactPart> capabilities = new LinkedHashMap<>();
    sheet.plans().stream()
        .flatMap(plan -> plan.facts().stream())
        .forEach(fact -> capabilities.putIfAbsent(Codes.slug(fact.capability()), fact));
    Map<String, List<Line>> groups = new LinkedHashMap<>();
    capabilities.forEach((slug, fact) ->
        groups
            .computeIfAbsent(fact.group(), group -> new ArrayList<>())
            .add(fact(sheet, slug, fact.capability(), isOld)));
    return groups;
  }

  private static Line fact(
      ToolSheet sheet, String slug, String capability, Predicate<LocalDate> isOld) {
    List<Cell> cells = new ArrayList<>();
    for (ToolSheet.PlanPart plan : sheet.plans()) {
      List<ToolSheet.FactPart> said =
          plan.facts().stream()
              .filter(fact -> Codes.slug(fact.capability()).equals(slug))
              .sorted(InForce.FIRST)
              .toList();
      cells.add(said.isEmpty() ? Cell.of("") : cell(said, isOld, slug));
    }
    List<Source> sources =
        cells.stream().filter(cell -> !cell.text().isEmpty()).map(Cell::source).distinct().toList();
    return sources.size() == 1
        ? new Line(
            capability,
            cells.stream().map(cell -> new Cell(cell.text(), NONE, cell.conflict())).toList(),
            sources.getFirst())
        : new Line(capability, cells, NONE);
  }

  /** The strongest of what was said, and what others say otherwise. */
  private static Cell cell(List<ToolSheet.FactPart> said, Predicate<LocalDate> isOld, String slug) {
    ToolSheet.FactPart first = said.getFirst();
    String others =
        said.stream()
            .skip(1)
            .filter(fact -> !fact.answer().equals(first.answer()))
            .map(fact ->
                answer(fact.answer(), fact.addOn())
                    + " says "
                    + Codes.oneOf(Ground.class, fact.source().ground()).words()
                    + " of "
                    + Dates.day(LocalDate.parse(fact.source().asOf())))
            .collect(Collectors.joining("; "));
    return new Cell(
        answer(first.answer(), first.addOn()),
        source(first.source(), isOld, "fact:" + slug),
        others);
  }

  private static String answer(String code, String addOn) {
    if (code.isEmpty()) {
      return "";
    }
    Answer answer = Codes.oneOf(Answer.class, code);
    return answer == Answer.BY_ADD_ON ? "by add-on “" + addOn + "”" : answer.words();
  }

  private static List<Remark> owned(ToolSheet sheet, Predicate<LocalDate> isOld) {
    ToolSheet.OwnedPart part = sheet.owned();
    return part == null
        ? List.of()
        : List.of(
            new Remark(
                "Owned already",
                Figures.counted(part.units(), Codes.measure(part.measure()).label())
                    + " until "
                    + Dates.day(LocalDate.parse(part.until())),
                source(part.source(), isOld, "owned:")));
  }

  private static Source source(ToolForm.Source source, Predicate<LocalDate> isOld, String key) {
    return source(
        new ToolSheet.SourcePart(
            source.asOf, source.ground, source.who, source.link, source.note, source.interest),
        isOld,
        key);
  }

  private static Source source(
      ToolSheet.SourcePart source, Predicate<LocalDate> isOld, String key) {
    LocalDate day = LocalDate.parse(source.asOf());
    String who = source.who().isEmpty() ? "" : ", " + source.who();
    String interest = source.interest().isEmpty() ? "" : " (interest: " + source.interest() + ")";
    return new Source(
        Dates.day(day) + ", " + Codes.oneOf(Ground.class, source.ground()).words() + who + interest,
        source.link(),
        source.note(),
        isOld.test(day),
        key);
  }
}
