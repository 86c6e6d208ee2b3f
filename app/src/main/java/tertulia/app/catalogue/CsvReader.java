package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;

/** Reads a catalogue as CSV into price pages; what is refused is told by row and column. */
final class CsvReader {
  private static final Pattern COMMA = Pattern.compile("\\d,\\d");
  private static final Pattern POINT = Pattern.compile("\\d\\.\\d");

  /** Lines whose cells hold numbers; in others a comma is a comma. */
  private static final Set<String> OF_NUMBERS =
      Set.of("plan", "price", "allowance", "offer", "rating", "owned");

  private static final List<CsvColumn> NUMBERS =
      List.of(CsvColumn.VALUE, CsvColumn.PACK, CsvColumn.INCLUDED, CsvColumn.TAX);

  private final Map<String, Integer> places = new HashMap<>();
  private final List<Refusal> refusals = new ArrayList<>();
  private final CsvTable table;
  private final boolean decimalComma;

  private CsvReader(CsvTable table) {
    this.table = table;
    for (int i = 0; i < table.header().size(); i++) {
      places.put(table.header().get(i), i);
    }
    this.decimalComma = hasNumber(COMMA) && !hasNumber(POINT);
  }

  /**
   * What a file holds.
   *
   * @param rows the first row of each sheet, in the sheets' order
   */
  record Sheets(
      List<ToolSheet> sheets, List<Integer> rows, List<Refusal> refusals, boolean decimalComma) {}

  static Sheets read(CsvTable table) {
    return new CsvReader(table).sheets();
  }

  private boolean hasNumber(Pattern pattern) {
    return table.rows().stream()
        .filter(row -> OF_NUMBERS.contains(raw(row, CsvColumn.LINE).toLowerCase(Locale.ROOT)))
        .anyMatch(
            row -> NUMBERS.stream().anyMatch(column -> pattern.matcher(raw(row, column)).find()));
  }

  private String raw(CsvTable.Row row, CsvColumn column) {
    Integer place = places.get(column.heading());
    return place == null || place >= row.cells().size() ? "" : row.cells().get(place).strip();
  }

  private String cell(CsvTable.Row row, CsvColumn column) {
    String text = raw(row, column);
    boolean number =
        decimalComma && NUMBERS.contains(column) && OF_NUMBERS.contains(raw(row, CsvColumn.LINE));
    return number ? text.replaceAll("(?<=\\d),(?=\\d)", ".") : text;
  }

  private Sheets sheets() {
    for (CsvColumn needed : List.of(CsvColumn.LINE, CsvColumn.TOOL)) {
      if (!places.containsKey(needed.heading())) {
        refuse(
            1,
            needed.heading(),
            "There is no column \"" + needed.heading() + "\". The first row names the columns.");
        return new Sheets(List.of(), List.of(), refusals, decimalComma);
      }
    }
    for (String name : table.header()) {
      if (!CsvColumn.headings().contains(name)) {
        refuse(1, name, "Nobody knows a column \"" + name + "\". Rename it or take it away.");
      }
    }
    if (hasNumber(COMMA) && hasNumber(POINT)) {
      refuse(
          1,
          CsvColumn.VALUE.heading(),
          "Some numbers have a decimal comma and some a decimal point. Use one of them.");
    }
    Map<String, List<CsvTable.Row>> tools = new LinkedHashMap<>();
    for (CsvTable.Row row : table.rows()) {
      if (isWhole(row)) {
        String id = raw(row, CsvColumn.TOOL_ID);
        String name = raw(row, CsvColumn.TOOL);
        tools
            .computeIfAbsent(Codes.slug(id.isEmpty() ? name : id), slug -> new ArrayList<>())
            .add(row);
      }
    }
    List<ToolSheet> sheets = new ArrayList<>();
    List<Integer> first = new ArrayList<>();
    tools.forEach((id, rows) -> {
      Page page = new Page(id);
      rows.forEach(page::add);
      page.sheet()
          .ifPresent(sheet -> {
            sheets.add(sheet);
            first.add(rows.getFirst().number());
          });
    });
    return new Sheets(sheets, first, refusals, decimalComma);
  }

  private boolean isWhole(CsvTable.Row row) {
    if (row.cells().size() < table.header().size()) {
      refuse(
          row.number(),
          "",
          "The row has "
              + row.cells().size()
              + " cells, the header "
              + table.header().size()
              + ": the file seems cut off here. Export it again.");
      return false;
    }
    if (row.cells().stream().anyMatch(cell -> cell.indexOf('�') >= 0)) {
      refuse(
          row.number(),
          "",
          "Letters were lost when this file was saved (�). Save it again as CSV in UTF-8.");
      return false;
    }
    if (raw(row, CsvColumn.TOOL).isEmpty()) {
      refuse(row.number(), "tool", "Which tool is this row about? Name it.");
      return false;
    }
    return true;
  }

  private void refuse(int row, String field, String reason) {
    refusals.add(new Refusal("row " + row, field, reason));
  }

  /** The rows of one tool as a form; each field remembers the row it came from. */
  private final class Page {
    private final Map<String, Integer> origin = new HashMap<>();
    private final Map<String, Integer> stated = new HashMap<>();
    private final ToolForm form = new ToolForm();
    private final FormLines lines = new FormLines(form);
    private final String id;
    private int first;
    private boolean refused;

    Page(String id) {
      this.id = id;
    }

    void add(CsvTable.Row row) {
      if (first == 0) {
        first = row.number();
        form.name = raw(row, CsvColumn.TOOL);
      }
      String maker = raw(row, CsvColumn.MAKER);
      if (form.maker.isEmpty()) {
        form.maker = maker;
      } else if (!maker.isEmpty() && !maker.equals(form.maker)) {
        refuseHere(
            row,
            CsvColumn.MAKER,
            form.name
                + " is by \""
                + form.maker
                + "\" in row "
                + first
                + " and by \""
                + maker
                + "\" here. Two makers have two tools; give each its own tool id.");
        return;
      }
      if (!repeats(row)) {
        line(row);
      }
    }

    /** Two rows that state the same thing; the second is refused. */
    private boolean repeats(CsvTable.Row row) {
      List<String> about = new ArrayList<>();
      for (CsvColumn column :
          List.of(
              CsvColumn.LINE,
              CsvColumn.PLAN,
              CsvColumn.NAME,
              CsvColumn.PRICED,
              CsvColumn.MEASURE,
              CsvColumn.TERM,
              CsvColumn.ADD_ON,
              CsvColumn.AS_OF,
              CsvColumn.FROM,
              CsvColumn.WHO)) {
        about.add(raw(row, column).toLowerCase(Locale.ROOT));
      }
      Integer before = stated.putIfAbsent(String.join("\n", about), row.number());
      if (before != null) {
        refuseHere(
            row,
            CsvColumn.LINE,
            "Row " + before + " states the same thing already. Take one of the two away.");
      }
      return before != null;
    }

    private void line(CsvTable.Row row) {
      switch (raw(row, CsvColumn.LINE).toLowerCase(Locale.ROOT)) {
        case "tool" -> {
          form.areas = cell(row, CsvColumn.AREAS);
          form.contains = cell(row, CsvColumn.SUITE_OF);
          form.confirmed =
              raw(row, CsvColumn.CONFIRMED)
                  .lines()
                  .map(String::strip)
                  .collect(java.util.stream.Collectors.toCollection(ArrayList::new));
          from(row, "name");
        }
        case "plan" -> plan(row);
        case "price" -> price(row);
        case "allowance" -> allowance(row);
        case "capability" -> capability(row);
        case "offer" -> offer(row);
        case "owned" -> owned(row);
        case "condition" -> condition(row);
        case "rating" -> rating(row);
        default ->
            refuseHere(
                row,
                CsvColumn.LINE,
                "\""
                    + raw(row, CsvColumn.LINE)
                    + "\" is not one of tool, plan, price, allowance, capability, offer, owned,"
                    + " condition, rating.");
      }
    }

    private void refuseHere(CsvTable.Row row, CsvColumn column, String reason) {
      refused = true;
      refuse(row.number(), column.heading(), reason);
    }

    private void from(CsvTable.Row row, String field) {
      origin.put(field, row.number());
    }

    /** The column of the plan a row names; −1, and a refusal, if it names none. */
    private int column(CsvTable.Row row) {
      String name = raw(row, CsvColumn.PLAN);
      for (int p = 0; p < form.plans.size(); p++) {
        if (form.plans.get(p).name.equalsIgnoreCase(name)) {
          return p;
        }
      }
      refuseHere(
          row,
          CsvColumn.PLAN,
          name.isEmpty()
              ? "Which plan is this row about? Name it."
              : "There is no plan \"" + name + "\" in the rows above. Add a row \"plan\" for it.");
      return -1;
    }

    private void plan(CsvTable.Row row) {
      ToolForm.PlanColumn plan = new ToolForm.PlanColumn();
      plan.name = raw(row, CsvColumn.PLAN);
      plan.id = raw(row, CsvColumn.PLAN_ID);
      plan.currency = raw(row, CsvColumn.CURRENCY);
      plan.measure = orElse(raw(row, CsvColumn.MEASURE), plan.measure);
      plan.least = raw(row, CsvColumn.LEAST);
      plan.most = raw(row, CsvColumn.MOST);
      plan.basis = orElse(raw(row, CsvColumn.PRICES_ARE), plan.basis);
      plan.tax = cell(row, CsvColumn.TAX);
      plan.source = source(row);
      if (plan.name.isEmpty()) {
        refuseHere(row, CsvColumn.PLAN, "This plan has no name. Name it.");
        return;
      }
      from(row, "plans[" + form.plans.size() + "]");
      form.plans.add(plan);
    }

    private void price(CsvTable.Row row) {
      int p = column(row);
      String term = orElse(raw(row, CsvColumn.TERM), "m1");
      if (p < 0 || !isTerm(row, term)) {
        return;
      }
      ToolForm.ChargeCell rule = new ToolForm.ChargeCell();
      rule.minimum = raw(row, CsvColumn.MINIMUM);
      rule.pack = cell(row, CsvColumn.PACK);
      rule.included = cell(row, CsvColumn.INCLUDED);
      ToolForm.ChargeLine line =
          lines.charge(
              new FormLines.Of(
                  orElse(raw(row, CsvColumn.PRICED), "per-unit"),
                  orElse(raw(row, CsvColumn.MEASURE), "seats"),
                  raw(row, CsvColumn.NAME),
                  raw(row, CsvColumn.ADD_ON)),
              new FormLines.Place(p, term),
              rule);
      line.cells.get(p).prices.put(term, cell(row, CsvColumn.VALUE));
      String at = "lines[" + form.lines.indexOf(line) + "]";
      from(row, at + ".cells[" + p + "].prices[" + term + "]");
      origin.putIfAbsent(at + ".cells[" + p + "]", row.number());
      origin.putIfAbsent(at, row.number());
      if (raw(row, CsvColumn.VALUE).isEmpty()) {
        refuseHere(row, CsvColumn.VALUE, "A row \"price\" states a price; this cell is empty.");
      }
      if (!ToolForm.KINDS.contains(line.kind)) {
        refuseHere(
            row,
            CsvColumn.PRICED,
            "\"" + line.kind + "\" is not one of " + String.join(", ", ToolForm.KINDS) + ".");
      }
    }

    private boolean isTerm(CsvTable.Row row, String term) {
      boolean known =
          term.equals(ToolForm.ANY_TERM)
              || TermCode.ALL.stream().anyMatch(t -> t.code().equals(term));
      if (!known) {
        refuseHere(
            row,
            CsvColumn.TERM,
            "\"" + term + "\" is not one of m1, u12, m12, u24, m24, u36, m36, all.");
      }
      return known;
    }

    private void allowance(CsvTable.Row row) {
      int p = column(row);
      if (p >= 0) {
        ToolForm.AllowanceLine line = lines.allowance(raw(row, CsvColumn.MEASURE), source(row), p);
        line.cells.set(p, cell(row, CsvColumn.VALUE));
        from(row, "allowances[" + form.allowances.indexOf(line) + "]");
      }
    }

    private void capability(CsvTable.Row row) {
      int p = column(row);
      if (p >= 0) {
        ToolForm.FactLine line =
            lines.fact(
                raw(row, CsvColumn.NAME),
                raw(row, CsvColumn.GROUP),
                raw(row, CsvColumn.ADD_ON),
                source(row),
                p);
        line.answers.set(p, raw(row, CsvColumn.VALUE));
        from(row, "facts[" + form.facts.indexOf(line) + "]");
        if (line.capability.isEmpty()) {
          refuseHere(row, CsvColumn.NAME, "Which capability is this? Name it.");
        }
      }
    }

    private void offer(CsvTable.Row row) {
      ToolForm.OfferLine line = new ToolForm.OfferLine();
      line.name = raw(row, CsvColumn.NAME);
      line.benefit = raw(row, CsvColumn.PRICED);
      line.value = cell(row, CsvColumn.VALUE);
      line.currency = raw(row, CsvColumn.CURRENCY);
      line.invoices = raw(row, CsvColumn.INVOICES);
      line.months = raw(row, CsvColumn.MONTHS);
      line.group = raw(row, CsvColumn.GROUP);
      line.charges = raw(row, CsvColumn.CHARGES);
      line.plans = raw(row, CsvColumn.PLANS);
      line.terms = new ArrayList<>(NameList.read(raw(row, CsvColumn.TERMS)));
      line.newBuyersOnly = raw(row, CsvColumn.NEW_BUYERS).equalsIgnoreCase("yes");
      line.from = raw(row, CsvColumn.TAKEN_FROM);
      line.until = raw(row, CsvColumn.TAKEN_UNTIL);
      line.leastSeats = raw(row, CsvColumn.LEAST);
      line.source = source(row);
      from(row, "offers[" + form.offers.size() + "]");
      form.offers.add(line);
    }

    private void owned(CsvTable.Row row) {
      form.owned.plan = raw(row, CsvColumn.PLAN);
      form.owned.measure = orElse(raw(row, CsvColumn.MEASURE), "seats");
      form.owned.units = raw(row, CsvColumn.VALUE);
      form.owned.until = raw(row, CsvColumn.TAKEN_UNTIL);
      form.owned.source = source(row);
      from(row, "owned");
    }

    private void condition(CsvTable.Row row) {
      ToolForm.ConditionLine line = new ToolForm.ConditionLine();
      line.kind = raw(row, CsvColumn.NAME);
      line.value = raw(row, CsvColumn.VALUE);
      line.source = source(row);
      from(row, "conditions[" + form.conditions.size() + "]");
      form.conditions.add(line);
    }

    private void rating(CsvTable.Row row) {
      ToolForm.RatingLine line = new ToolForm.RatingLine();
      line.rating = cell(row, CsvColumn.VALUE);
      line.count = raw(row, CsvColumn.COUNT);
      line.source = source(row);
      from(row, "ratings[" + form.ratings.size() + "]");
      form.ratings.add(line);
    }

    private ToolForm.Source source(CsvTable.Row row) {
      ToolForm.Source source = ToolForm.Source.on(raw(row, CsvColumn.AS_OF));
      source.ground = orElse(raw(row, CsvColumn.FROM), source.ground);
      source.who = raw(row, CsvColumn.WHO);
      source.link = raw(row, CsvColumn.LINK);
      source.note = raw(row, CsvColumn.NOTE);
      source.interest = raw(row, CsvColumn.INTEREST);
      return source;
    }

    private static String orElse(String text, String standard) {
      return text.isEmpty() ? standard : text;
    }

    /** The page; empty if anything of it was refused. */
    java.util.Optional<ToolSheet> sheet() {
      ToolConverter.Converted converted = new ToolConverter(form, id).convert();
      converted
          .faults()
          .forEach((field, reason) ->
              refuse(rowOf(field), field.substring(field.lastIndexOf('.') + 1), reason));
      return refused ? java.util.Optional.empty() : converted.sheet();
    }

    /** The row of a field, or of the nearest thing that holds it. */
    private int rowOf(String field) {
      for (String at = field; !at.isEmpty(); at = holder(at)) {
        Integer row = origin.get(at);
        if (row != null) {
          return row;
        }
      }
      return first;
    }

    private static String holder(String field) {
      int end = Math.max(field.lastIndexOf('.'), field.lastIndexOf('['));
      return field.substring(0, Math.max(end, 0));
    }
  }
}
