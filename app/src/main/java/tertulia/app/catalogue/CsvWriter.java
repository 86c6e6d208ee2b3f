package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.CsvTable;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;

/** Price pages as CSV: a row for each thing a page states. */
final class CsvWriter {
  private final List<List<String>> rows = new ArrayList<>();
  private final ToolSheet sheet;
  private final ToolForm form;

  private CsvWriter(ToolSheet sheet) {
    this.sheet = sheet;
    this.form = ToolForms.of(sheet, 0);
  }

  static String write(Collection<ToolSheet> sheets) {
    List<List<String>> rows = new ArrayList<>();
    for (ToolSheet sheet : sheets) {
      CsvWriter writer = new CsvWriter(sheet);
      writer.tool();
      rows.addAll(writer.rows);
    }
    return CsvTable.write(CsvColumn.headings(), rows);
  }

  private void tool() {
    row("tool", null)
        .put(CsvColumn.AREAS, form.areas)
        .put(CsvColumn.SUITE_OF, form.contains)
        .put(CsvColumn.SET_OF, form.together)
        .put(CsvColumn.CONFIRMED, String.join("\n", form.confirmed))
        .add();
    form.plans.forEach(this::plan);
    form.lines.forEach(this::charge);
    sheet.plans().forEach(plan -> plan.unsaid().forEach(open -> unsaid(plan, open)));
    form.allowances.forEach(this::allowance);
    form.facts.forEach(this::fact);
    form.offers.forEach(line -> row("offer", PageRows.OFFERS, line));
    if (!form.owned.isBlank()) {
      row("owned", PageRows.OWNED, form.owned);
    }
    form.conditions.forEach(line -> row("condition", PageRows.CONDITIONS, line));
    form.connectors.forEach(line -> row("connector", PageRows.CONNECTORS, line));
    form.words.forEach(line -> row("words", PageRows.WORDS, line));
    if (!form.pasted.text.isBlank()) {
      row("pasted", null)
          .put(CsvColumn.VALUE, form.pasted.text)
          .put(CsvColumn.WHO, form.pasted.by)
          .put(CsvColumn.AS_OF, form.pasted.on)
          .add();
    }
    form.ratings.forEach(line -> row("rating", PageRows.RATINGS, line));
  }

  private <L extends ToolForm.Row> void row(String name, RowTable<L, ?> kind, L line) {
    RowOf row = row(name, line.source);
    kind.cells(line, row::put);
    row.add();
  }

  private void plan(ToolForm.PlanColumn plan) {
    RowOf row = row("plan", plan.source);
    PageRows.PLANS.cells(plan, row::put);
    row.add();
  }

  private void charge(ToolForm.ChargeLine line) {
    List<String> terms = new ArrayList<>(TermCode.ALL.stream().map(TermCode::code).toList());
    terms.add(ToolForm.ANY_TERM);
    for (int p = 0; p < line.cells.size(); p++) {
      ToolForm.ChargeCell cell = line.cells.get(p);
      for (String term : terms) {
        String price = cell.prices.getOrDefault(term, "");
        if (!price.isBlank()) {
          row("price", null)
              .put(CsvColumn.PLAN, form.plans.get(p).name)
              .put(CsvColumn.NAME, line.name)
              .put(CsvColumn.PRICED, line.kind)
              .put(CsvColumn.MEASURE, line.measure)
              .put(CsvColumn.ADD_ON, line.addOn)
              .put(CsvColumn.TERM, term)
              .put(CsvColumn.VALUE, price.replace("\n", "; "))
              .put(CsvColumn.MINIMUM, cell.minimum)
              .put(CsvColumn.PACK, cell.pack)
              .put(CsvColumn.INCLUDED, cell.included)
              .add();
        }
      }
    }
  }

  private void unsaid(ToolSheet.PlanPart plan, ToolSheet.UnsaidPart open) {
    row("unsaid", null)
        .put(CsvColumn.PLAN, plan.name())
        .put(CsvColumn.NAME, open.charge())
        .put(CsvColumn.TERM, open.term())
        .put(CsvColumn.VALUE, NameList.write(open.what().stream().map(Codes::code).toList()))
        .add();
  }

  private void allowance(ToolForm.AllowanceLine line) {
    for (int p = 0; p < line.cells.size(); p++) {
      if (!line.cells.get(p).isBlank()) {
        row("allowance", line.source)
            .put(CsvColumn.PLAN, form.plans.get(p).name)
            .put(CsvColumn.MEASURE, line.measure)
            .put(CsvColumn.VALUE, line.cells.get(p))
            .add();
      }
    }
  }

  private void fact(ToolForm.FactLine line) {
    for (int p = 0; p < line.answers.size(); p++) {
      String answer = line.answers.get(p);
      if (!answer.isBlank()) {
        row("capability", line.source)
            .put(CsvColumn.PLAN, form.plans.get(p).name)
            .put(CsvColumn.NAME, line.capability)
            .put(CsvColumn.GROUP, line.group)
            .put(CsvColumn.VALUE, answer)
            .put(CsvColumn.ADD_ON, ToolConverter.isSoldApart(answer) ? line.addOn : "")
            .put(CsvColumn.MINUTES, ToolConverter.isByHand(answer) ? line.minutes : "")
            .add();
      }
    }
  }

  private RowOf row(String line, ToolForm.@Nullable Source own) {
    ToolForm.Source source = own == null || !own.isBlank() ? own : form.source;
    RowOf row =
        new RowOf()
            .put(CsvColumn.LINE, line)
            .put(CsvColumn.TOOL, sheet.name())
            .put(CsvColumn.MAKER, sheet.maker())
            .put(CsvColumn.TOOL_ID, sheet.id());
    if (source != null) {
      PageRows.SOURCE.cells(source, row::put);
    }
    return row;
  }

  private final class RowOf {
    private final Map<CsvColumn, String> cells = new EnumMap<>(CsvColumn.class);

    RowOf put(CsvColumn column, String text) {
      cells.put(column, text);
      return this;
    }

    void add() {
      List<String> row = new ArrayList<>();
      for (CsvColumn column : CsvColumn.values()) {
        row.add(cells.getOrDefault(column, ""));
      }
      rows.add(row);
    }
  }
}
