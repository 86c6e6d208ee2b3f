package tertulia.app.catalogue;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.ToolSheet.SourcePart;
import tools.jackson.databind.json.JsonMapper;

/** From a tool sheet to the form that shows it. */
final class ToolForms {
  private static final JsonMapper COPIER =
      JsonMapper.builder()
          .changeDefaultVisibility(seen ->
              seen.withVisibility(PropertyAccessor.ALL, Visibility.NONE)
                  .withVisibility(PropertyAccessor.FIELD, Visibility.ANY))
          .build();

  private final ToolForm form = new ToolForm();
  private final FormLines lines = new FormLines(form);
  private final ToolSheet sheet;
  private final @Nullable SourcePart ofPage;

  private final As.Page page =
      new As.Page() {
        @Override
        public String planId(String name) {
          throw new UnsupportedOperationException("a sheet has its ids");
        }

        @Override
        public String planName(String id) {
          return sheet.plans().stream()
              .filter(plan -> plan.id().equals(id))
              .findFirst()
              .map(ToolSheet.PlanPart::name)
              .orElse(id);
        }

        @Override
        public Optional<String> onlyPlan() {
          return Optional.empty();
        }

        @Override
        public String currency() {
          return "";
        }
      };

  private ToolForms(ToolSheet sheet) {
    this.sheet = sheet;
    this.ofPage = mostUsed(sheet);
  }

  /** Where most of a page comes from, the first of those that are equally many; null: no facts. */
  private static @Nullable SourcePart mostUsed(ToolSheet sheet) {
    Map<SourcePart, Integer> times = new LinkedHashMap<>();
    sheet.sources().forEach(source -> times.merge(source, 1, Integer::sum));
    int most = times.values().stream().mapToInt(Integer::intValue).max().orElse(0);
    return times.entrySet().stream()
        .filter(entry -> entry.getValue() == most)
        .findFirst()
        .map(Map.Entry::getKey)
        .orElse(null);
  }

  static ToolForm of(ToolSheet sheet, long version) {
    ToolForms forms = new ToolForms(sheet);
    forms.form.version = version;
    forms.fill();
    return forms.form;
  }

  /**
   * The sheet as it is after being shown and saved untouched: the same, with lines that stand in
   * another order in some plan brought into the page's order.
   */
  static ToolSheet inPageOrder(ToolSheet sheet) {
    return new ToolConverter(of(sheet, 0), sheet.id()).convert().sheet().orElse(sheet);
  }

  private void fill() {
    form.name = sheet.name();
    form.maker = sheet.maker();
    form.areas = NameList.write(sheet.areas());
    form.contains = NameList.write(sheet.contains());
    form.together = NameList.write(sheet.together());
    if (ofPage != null) {
      form.source = typed(ofPage);
    }
    for (int p = 0; p < sheet.plans().size(); p++) {
      form.plans.add(column(sheet.plans().get(p)));
      allowances(p);
      facts(p);
    }
    PriceLine.of(sheet).forEach(line -> form.lines.add(charge(line)));
    OpenPrices.leave(form, sheet);
    for (ToolSheet.OfferPart part : sheet.offers()) {
      form.offers.add(row(PageRows.OFFERS, part, part.source()));
    }
    if (sheet.owned() != null) {
      form.owned = row(PageRows.OWNED, sheet.owned(), sheet.owned().source());
    }
    for (ToolSheet.ConditionPart part : sheet.conditions()) {
      form.conditions.add(row(PageRows.CONDITIONS, part, part.source()));
    }
    for (ToolSheet.ConnectorPart part : sheet.connectors()) {
      form.connectors.add(row(PageRows.CONNECTORS, part, part.source()));
    }
    for (ToolSheet.RatingPart part : sheet.ratings()) {
      ToolForm.RatingLine line = row(PageRows.RATINGS, part, part.source());
      line.source = typed(part.source());
      form.ratings.add(line);
    }
    for (ToolSheet.WordPart part : sheet.words()) {
      form.words.add(row(PageRows.WORDS, part, part.source()));
    }
    form.confirmed.addAll(sheet.confirmed());
    ToolSheet.PastedPart pasted = sheet.pasted();
    if (pasted != null) {
      form.pasted.text = pasted.text();
      form.pasted.read = pasted.text();
      form.pasted.by = pasted.by();
      form.pasted.on = pasted.on();
    }
    fillCells(form);
  }

  /**
   * Room to write: one plan, one charge, one offer and some lines more, and every cell there.
   *
   * @param capabilities names of capabilities that are asked about
   * @param measures ids of measures of which somebody says how many are needed
   */
  static ToolForm withRoom(
      ToolForm form, Collection<String> capabilities, Collection<String> measures, String today) {
    trim(form.lines, ToolForm.ChargeLine::isBlank);
    trim(form.allowances, ToolForm.AllowanceLine::isBlank);
    trim(form.facts, ToolForm.FactLine::isBlank);
    trim(form.offers, ToolForm.OfferLine::isBlank);
    trim(form.connectors, ToolForm.ConnectorLine::isBlank);
    trim(form.ratings, ToolForm.RatingLine::isBlank);
    trim(form.words, line -> line.text.isBlank());
    ToolForm.PlanColumn spare = new ToolForm.PlanColumn();
    spare.currency = form.plans.isEmpty() ? "EUR" : form.plans.getLast().currency;
    form.plans.add(spare);
    form.lines.add(new ToolForm.ChargeLine());
    List<String> limited = form.allowances.stream().map(line -> line.measure).toList();
    measures.stream()
        .filter(measure -> !limited.contains(measure))
        .forEach(measure -> form.allowances.add(allowance(measure)));
    form.allowances.add(allowance(""));
    Set<String> known =
        form.facts.stream().map(f -> Codes.slug(f.capability)).collect(Collectors.toSet());
    for (String capability : capabilities) {
      if (known.add(Codes.slug(capability))) {
        form.facts.add(fact(capability));
      }
    }
    form.facts.add(fact(""));
    form.offers.add(new ToolForm.OfferLine());
    List<String> conditions = form.conditions.stream().map(c -> c.kind).toList();
    for (String kind : Codes.codes(ToolSheet.Circumstance.class)) {
      if (!conditions.contains(kind)) {
        ToolForm.ConditionLine line = new ToolForm.ConditionLine();
        line.kind = kind;
        form.conditions.add(line);
      }
    }
    List<String> topics = form.words.stream().map(line -> line.topic).toList();
    for (String topic : Codes.codes(ToolSheet.Topic.class)) {
      if (!topics.contains(topic)) {
        ToolForm.WordLine line = new ToolForm.WordLine();
        line.topic = topic;
        form.words.add(line);
      }
    }
    ToolForm.WordLine another = new ToolForm.WordLine();
    another.topic = Codes.code(ToolSheet.Topic.WHAT_IT_IS);
    form.words.add(another);
    form.connectors.add(new ToolForm.ConnectorLine());
    form.ratings.add(new ToolForm.RatingLine());
    if (form.validFrom.isBlank()) {
      form.validFrom = today;
    }
    if (form.source.isBlank()) {
      form.source.asOf = today;
      form.source.ground = "makers-claim";
    }
    fillCells(form);
    return form;
  }

  /** The room that was not used the last time; what stands before it keeps its place. */
  private static <T> void trim(List<T> lines, Predicate<T> isBlank) {
    while (!lines.isEmpty() && isBlank.test(lines.getLast())) {
      lines.removeLast();
    }
  }

  private static ToolForm.AllowanceLine allowance(String measure) {
    ToolForm.AllowanceLine line = new ToolForm.AllowanceLine();
    line.measure = measure;
    return line;
  }

  private static void fillCells(ToolForm form) {
    for (ToolForm.ChargeLine line : form.lines) {
      while (line.cells.size() < form.plans.size()) {
        line.cells.add(new ToolForm.ChargeCell());
      }
    }
    form.allowances.forEach(line -> FormLines.fill(line.cells, form.plans.size()));
    form.facts.forEach(line -> FormLines.fill(line.answers, form.plans.size()));
  }

  /** A second column with everything the plan in column {@code p} has, next to it. */
  static void copyPlan(ToolForm form, int p) {
    ToolForm.PlanColumn from = form.plans.get(p);
    ToolForm.PlanColumn copy = PageRows.PLANS.copy(from);
    copy.id = "";
    copy.name = from.name + " copy";
    copy.source = PageRows.SOURCE.copy(from.source);
    copy.unsaid.addAll(from.unsaid);
    fillCells(form);
    form.plans.add(p + 1, copy);
    for (ToolForm.ChargeLine line : form.lines) {
      ToolForm.ChargeCell cell = new ToolForm.ChargeCell();
      ToolForm.ChargeCell old = line.cells.get(p);
      cell.prices = new LinkedHashMap<>(old.prices);
      cell.minimum = old.minimum;
      cell.pack = old.pack;
      cell.included = old.included;
      line.cells.add(p + 1, cell);
    }
    form.allowances.forEach(line -> line.cells.add(p + 1, line.cells.get(p)));
    form.facts.forEach(line -> line.answers.add(p + 1, line.answers.get(p)));
  }

  /** A form with the same in it. */
  static ToolForm copy(ToolForm form) {
    return COPIER.convertValue(form, ToolForm.class);
  }

  private static ToolForm.FactLine fact(String capability) {
    ToolForm.FactLine line = new ToolForm.FactLine();
    line.capability = capability;
    return line;
  }

  /** As typed beside a fact: nothing where it is the page's. */
  private ToolForm.Source source(SourcePart part) {
    return part.equals(ofPage) ? new ToolForm.Source() : typed(part);
  }

  private ToolForm.Source typed(SourcePart part) {
    return PageRows.SOURCE.write(part, page);
  }

  private <L extends ToolForm.Row, P extends Record> L row(
      RowTable<L, P> kind, P part, SourcePart from) {
    L row = kind.write(part, page);
    row.source = source(from);
    return row;
  }

  private ToolForm.PlanColumn column(ToolSheet.PlanPart plan) {
    ToolForm.PlanColumn column = PageRows.PLANS.write(plan, page);
    column.basis = basis(plan);
    column.source = source(plan.source());
    return column;
  }

  /** As chosen in the form: listed, free, on-request, quote, assumed or from. */
  static String basis(ToolSheet.PlanPart plan) {
    if (plan.prices().isEmpty()) {
      return Codes.code(ToolSheet.Basis.ON_REQUEST);
    }
    String basis = Codes.code(plan.basis() == null ? ToolSheet.Basis.LISTED : plan.basis());
    boolean nothing =
        plan.prices().stream().allMatch(t -> t.charges().isEmpty() && t.addOns().isEmpty());
    return basis.equals("listed") && nothing ? "free" : basis;
  }

  private static ToolForm.ChargeLine charge(PriceLine line) {
    ToolForm.ChargeLine typed = ToolForm.ChargeLine.about(line.of());
    for (int p = 0; p < line.cells().size(); p++) {
      ToolForm.ChargeCell cell = new ToolForm.ChargeCell();
      cell.count(line.rule(p));
      line.cells().get(p).forEach((term, price) -> cell.prices.put(term, ChargeTexts.price(price)));
      typed.cells.add(cell);
    }
    return typed;
  }

  private void allowances(int p) {
    for (ToolSheet.AllowancePart part : sheet.plans().get(p).allowances()) {
      lines
          .allowance(part.measure(), source(part.source()), p)
          .cells
          .set(p, AllowanceText.of(part));
    }
  }

  private void facts(int p) {
    for (ToolSheet.FactPart fact : sheet.plans().get(p).facts()) {
      lines
          .fact(
              fact.capability(),
              fact.group(),
              fact.addOn(),
              fact.minutes() == null ? "" : fact.minutes(),
              source(fact.source()),
              p)
          .answers
          .set(p, fact.answer());
    }
  }
}
