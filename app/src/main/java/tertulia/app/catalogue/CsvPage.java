package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.pricing.Unsaid;

/** The rows of one tool as a form; each field remembers the row it came from. */
final class CsvPage {
  private final Map<String, Integer> origin = new HashMap<>();
  private final Map<String, Integer> stated = new HashMap<>();
  private final ToolForm form = new ToolForm();
  private final FormLines lines = new FormLines(form);
  private final CsvCells cells;
  private final List<Refusal> refusals;
  private final String id;
  private int first;
  private boolean refused;

  /**
   * For one tool.
   *
   * @param refusals to which what cannot be taken is added
   */
  CsvPage(String id, CsvCells cells, List<Refusal> refusals) {
    this.id = id;
    this.cells = cells;
    this.refusals = refusals;
  }

  void add(CsvTable.Numbered row) {
    if (first == 0) {
      first = row.number();
      form.name = cells.raw(row, CsvColumn.TOOL);
    }
    String maker = cells.raw(row, CsvColumn.MAKER);
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
              + "\" here. Two vendors have two tools. Give each its own tool id.");
      return;
    }
    if (!repeats(row)) {
      line(row);
    }
  }

  /** Two rows that state the same thing; the second is refused. */
  private boolean repeats(CsvTable.Numbered row) {
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
      about.add(cells.raw(row, column).toLowerCase(Locale.ROOT));
    }
    // several sentences may speak of one topic
    if (about.getFirst().equals("words")) {
      about.add(cells.raw(row, CsvColumn.VALUE));
    }
    Integer before = stated.putIfAbsent(String.join("\n", about), row.number());
    if (before != null) {
      refuseHere(
          row,
          CsvColumn.LINE,
          "Row " + before + " states the same thing already. Remove one of the two.");
    }
    return before != null;
  }

  private void line(CsvTable.Numbered row) {
    switch (cells.raw(row, CsvColumn.LINE).toLowerCase(Locale.ROOT)) {
      case "tool" -> {
        form.areas = cells.cell(row, CsvColumn.AREAS);
        form.contains = cells.cell(row, CsvColumn.SUITE_OF);
        form.together = cells.cell(row, CsvColumn.SET_OF);
        form.confirmed =
            cells
                .raw(row, CsvColumn.CONFIRMED)
                .lines()
                .map(String::strip)
                .collect(Collectors.toCollection(ArrayList::new));
        from(row, "name");
      }
      case "plan" -> plan(row);
      case "price" -> price(row);
      case "unsaid" -> unsaid(row);
      case "allowance" -> allowance(row);
      case "capability" -> capability(row);
      case "offer" -> add(row, PageRows.OFFERS, "offers", form.offers);
      case "owned" -> {
        form.owned = row(row, PageRows.OWNED);
        from(row, "owned");
      }
      case "condition" -> add(row, PageRows.CONDITIONS, "conditions", form.conditions);
      case "connector" -> add(row, PageRows.CONNECTORS, "connectors", form.connectors);
      case "words" -> add(row, PageRows.WORDS, "words", form.words);
      case "pasted" -> pasted(row);
      case "rating" -> add(row, PageRows.RATINGS, "ratings", form.ratings);
      default ->
          refuseHere(
              row,
              CsvColumn.LINE,
              "\""
                  + cells.raw(row, CsvColumn.LINE)
                  + "\" is not one of tool, plan, price, unsaid, allowance, capability, offer,"
                  + " owned, condition, connector, words, pasted, rating.");
    }
  }

  private void refuseHere(CsvTable.Numbered row, CsvColumn column, String reason) {
    refused = true;
    refusals.add(Refusal.of(row.number(), column.heading(), reason));
  }

  private void from(CsvTable.Numbered row, String field) {
    origin.put(field, row.number());
  }

  /** The column of the plan a row names; −1, and a refusal, if it names none. */
  private int column(CsvTable.Numbered row) {
    String name = cells.raw(row, CsvColumn.PLAN);
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

  private void plan(CsvTable.Numbered row) {
    ToolForm.PlanColumn plan = PageRows.PLANS.typed(column -> cells.cell(row, column));
    plan.source = source(row);
    if (plan.name.isEmpty()) {
      refuseHere(row, CsvColumn.PLAN, "This plan has no name. Name it.");
      return;
    }
    from(row, "plans[" + form.plans.size() + "]");
    form.plans.add(plan);
  }

  private void price(CsvTable.Numbered row) {
    int p = column(row);
    String term = orElse(cells.raw(row, CsvColumn.TERM), "m1");
    if (p < 0 || !isTerm(row, term)) {
      return;
    }
    Optional<ChargeKind> kind = kind(row);
    if (kind.isEmpty()) {
      return;
    }
    ToolForm.ChargeLine line =
        lines.charge(
            new ChargePlaces.Of(
                kind.get(),
                orElse(cells.raw(row, CsvColumn.MEASURE), "seats"),
                cells.raw(row, CsvColumn.NAME),
                cells.raw(row, CsvColumn.ADD_ON)),
            p,
            term,
            new ChargePlaces.Rule(
                cells.raw(row, CsvColumn.MINIMUM),
                cells.cell(row, CsvColumn.PACK),
                cells.cell(row, CsvColumn.INCLUDED)));
    line.cells.get(p).prices.put(term, cells.cell(row, CsvColumn.VALUE));
    String at = "lines[" + lines.place(line) + "]";
    from(row, at + ".cells[" + p + "].prices[" + term + "]");
    origin.putIfAbsent(at + ".cells[" + p + "]", row.number());
    origin.putIfAbsent(at, row.number());
    if (cells.raw(row, CsvColumn.VALUE).isEmpty()) {
      refuseHere(row, CsvColumn.VALUE, "A row \"price\" states a price; this cell is empty.");
    }
  }

  private Optional<ChargeKind> kind(CsvTable.Numbered row) {
    try {
      return Optional.of(ChargeKind.of(orElse(cells.raw(row, CsvColumn.PRICED), "per-unit")));
    } catch (Codes.Unknown e) {
      refuseHere(row, CsvColumn.PRICED, Objects.requireNonNull(e.getMessage()));
      return Optional.empty();
    }
  }

  private boolean isTerm(CsvTable.Numbered row, String term) {
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

  /** What the page does not say of a price in the rows above. */
  private void unsaid(CsvTable.Numbered row) {
    int p = column(row);
    if (p < 0) {
      return;
    }
    String what = cells.raw(row, CsvColumn.VALUE);
    List<Unsaid.Kind> kinds = OpenPrices.kinds(what);
    if (kinds.isEmpty() || kinds.size() < NameList.read(what).size()) {
      refuseHere(
          row,
          CsvColumn.VALUE,
          "\"" + what + "\" is none of " + String.join(", ", Codes.codes(Unsaid.Kind.class)) + ".");
      return;
    }
    String charge = cells.raw(row, CsvColumn.NAME);
    String term = orElse(cells.raw(row, CsvColumn.TERM), "m1");
    OpenPrices.field(form, p, charge, term)
        .ifPresentOrElse(
            field -> OpenPrices.leave(form, p, kinds, field),
            () ->
                refuseHere(
                    row,
                    CsvColumn.NAME,
                    "Plan \""
                        + form.plans.get(p).name
                        + "\" has no price of \""
                        + charge
                        + "\" under "
                        + term
                        + " in the rows above. Add its row \"price\"."));
  }

  private void allowance(CsvTable.Numbered row) {
    int p = column(row);
    if (p >= 0) {
      ToolForm.AllowanceLine line =
          lines.allowance(cells.raw(row, CsvColumn.MEASURE), source(row), p);
      line.cells.set(p, cells.cell(row, CsvColumn.VALUE));
      from(row, "allowances[" + lines.place(line) + "]");
    }
  }

  private void capability(CsvTable.Numbered row) {
    int p = column(row);
    if (p >= 0) {
      ToolForm.FactLine line =
          lines.fact(
              cells.raw(row, CsvColumn.NAME),
              cells.raw(row, CsvColumn.GROUP),
              cells.raw(row, CsvColumn.ADD_ON),
              cells.cell(row, CsvColumn.MINUTES),
              source(row),
              p);
      line.answers.set(p, cells.raw(row, CsvColumn.VALUE));
      from(row, "facts[" + lines.place(line) + "]");
      if (line.capability.isEmpty()) {
        refuseHere(row, CsvColumn.NAME, "Which capability is this? Name it.");
      }
    }
  }

  private <L extends ToolForm.Row> void add(
      CsvTable.Numbered row, RowTable<L, ?> kind, String table, List<L> rows) {
    from(row, table + "[" + rows.size() + "]");
    rows.add(row(row, kind));
  }

  private <L extends ToolForm.Row> L row(CsvTable.Numbered row, RowTable<L, ?> kind) {
    L line = kind.typed(column -> cells.cell(row, column));
    line.source = source(row);
    return line;
  }

  private void pasted(CsvTable.Numbered row) {
    form.pasted.text = cells.whole(row, CsvColumn.VALUE);
    form.pasted.by = cells.raw(row, CsvColumn.WHO);
    form.pasted.on = cells.raw(row, CsvColumn.AS_OF);
    from(row, "pasted");
  }

  private ToolForm.Source source(CsvTable.Numbered row) {
    return PageRows.SOURCE.typed(column -> cells.raw(row, column));
  }

  private static String orElse(String text, String standard) {
    return text.isEmpty() ? standard : text;
  }

  /** The page; empty if anything of it was refused. */
  Optional<ToolSheet> sheet() {
    ToolConverter.Converted converted = new ToolConverter(form, id).convert();
    converted
        .faults()
        .forEach((field, reason) ->
            refusals.add(
                Refusal.of(rowOf(field), field.substring(field.lastIndexOf('.') + 1), reason)));
    return refused ? Optional.empty() : converted.sheet();
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
