package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.CatalogueFile;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedCount;
import tertulia.app.exchange.TypedDate;
import tertulia.core.fit.Answer;
import tertulia.core.working.Ground;
import tertulia.pagetext.PageReader;

/** From the price-page form to a tool sheet; faults carry the names of the form's fields. */
final class ToolConverter {
  private static final List<String> BASES =
      List.of("listed", "free", "on-request", "quote", "assumed", "from");

  /** Where a page is from if nobody says otherwise. */
  private static final String MAKERS = Codes.code(Ground.MAKERS_CLAIM);

  private final Faults faults = new Faults();
  private final ToolForm form;
  private final String id;

  /** Form columns of the sheet's plans, and form rows of its other parts by their place. */
  private final List<Integer> columns = new ArrayList<>();

  private final Map<String, String> planIds = new LinkedHashMap<>();

  private final As.Page page =
      new As.Page() {
        @Override
        public String planId(String name) {
          return planIds.getOrDefault(Codes.slug(name), name);
        }

        @Override
        public String planName(String planId) {
          throw new UnsupportedOperationException("a form has no ids");
        }

        @Override
        public Optional<String> onlyPlan() {
          return planIds.size() == 1 ? planIds.values().stream().findFirst() : Optional.empty();
        }

        @Override
        public String currency() {
          return form.plans.isEmpty() ? "" : form.plans.getFirst().currency;
        }
      };

  private static final String BY_ADD_ON = Codes.code(Answer.BY_ADD_ON);

  private final Map<String, String> places = new LinkedHashMap<>();
  private final Map<String, String> readings = new LinkedHashMap<>();

  /**
   * For one form.
   *
   * @param id of the tool; null: made from its name
   */
  ToolConverter(ToolForm form, @Nullable String id) {
    this.form = form;
    this.id = id == null ? Codes.slug(form.name) : id;
  }

  /**
   * What became of a form: a sheet, or the faults by field.
   *
   * @param readings what the prices that could be read come to, by field
   */
  record Converted(
      Optional<ToolSheet> sheet, Map<String, String> faults, Map<String, String> readings) {}

  Converted convert() {
    List<ToolSheet.PlanPart> plans = plans();
    ToolSheet sheet =
        new ToolSheet(
            id,
            text("name", form.name, true),
            text("maker", form.maker, false),
            list("areas", form.areas),
            list("contains", form.contains),
            list("together", form.together),
            plans,
            offers(),
            form.owned.isBlank() ? null : part("owned", form.owned, PageRows.OWNED),
            parts("conditions", "value", form.conditions, PageRows.CONDITIONS),
            parts("connectors", "name", form.connectors, PageRows.CONNECTORS),
            ratings(),
            form.confirmed.stream().filter(key -> !key.isBlank()).distinct().sorted().toList(),
            parts("words", "text", form.words, PageRows.WORDS),
            pasted());
    if (faults.isEmpty()) {
      Faults core = new Faults();
      new ToolReader(core).tool("", sheet);
      core.all().forEach(this::addAtField);
    }
    if (faults.isEmpty()) {
      CatalogueFile.beyond(sheet).ifPresent(fault -> faults.add("name", fault.message()));
    }
    return new Converted(
        faults.isEmpty() ? Optional.of(sheet) : Optional.empty(),
        faults.byField(),
        Map.copyOf(readings));
  }

  private void addAtField(Fault fault) {
    String[] parts = fault.at().split("/");
    String place = parts.length > 2 ? parts[1] + "/" + parts[2] : fault.at();
    boolean plan = parts.length > 2 && parts[1].equals("plans");
    String fact = plan && parts.length > 4 ? place + "/" + parts[3] + "/" + parts[4] : "";
    faults.add(
        places.containsKey(fact)
            ? places.get(fact)
            : plan
                ? "plans[" + columns.get(Integer.parseInt(parts[2])) + "].name"
                : places.getOrDefault(place, fault.at().equals("/owned") ? "owned.units" : "name"),
        fault.message());
  }

  private List<ToolSheet.PlanPart> plans() {
    List<ToolSheet.PlanPart> parts = new ArrayList<>();
    for (int p = 0; p < form.plans.size(); p++) {
      ToolForm.PlanColumn column = form.plans.get(p);
      if (column.isBlank()) {
        checkNothingBelow(p);
      } else {
        String planId =
            column.id.isBlank()
                ? Codes.unused(Codes.slug(column.name), planIds.values())
                : column.id;
        planIds.put(Codes.slug(column.name), planId);
        columns.add(p);
        parts.add(plan(column, p, planId));
      }
    }
    return parts;
  }

  /** A column with prices but no name would be lost; it is asked about instead. */
  private void checkNothingBelow(int p) {
    boolean priced =
        form.lines.stream().anyMatch(line -> p < line.cells.size() && !line.cells.get(p).isBlank());
    if (priced) {
      faults.add("plans[" + p + "].name", "This plan has prices but no name. Name it.");
    }
  }

  private ToolSheet.PlanPart plan(ToolForm.PlanColumn column, int p, String planId) {
    String at = "plans[" + p + "]";
    boolean assumed = column.basis.equals("assumed");
    if (!BASES.contains(column.basis)) {
      faults.add(
          at + ".basis",
          "\"" + column.basis + "\" is not one of " + String.join(", ", BASES) + ".");
    }
    PriceCells lowest = new PriceCells(form, faults, p, PriceCells.End.LOW);
    PriceCells highest = new PriceCells(form, new Faults(), p, PriceCells.End.HIGH);
    List<ToolSheet.TermPart> low = lowest.terms();
    List<ToolSheet.TermPart> high = assumed ? highest.terms() : List.of();
    boolean isFrom = lowest.isFrom() || column.basis.equals("from");
    lowest
        .charged()
        .forEach((field, charge) ->
            PriceReading.of(
                    charge,
                    highest.charged().getOrDefault(field, charge),
                    lowest.typed(field),
                    column.currency)
                .ifPresent(reading ->
                    readings.put(
                        field,
                        isFrom && !(charge instanceof ToolSheet.BandedPart)
                            ? "at least " + reading
                            : reading)));
    if (low.isEmpty() && List.of("quote", "assumed", "from").contains(column.basis)) {
      faults.add(
          at + ".basis",
          "Plan \""
              + column.name
              + "\" is marked \""
              + column.basis
              + "\" but has no price. Enter it, or mark the plan \"on request\".");
    }
    Map<String, @Nullable Object> more = new HashMap<>();
    more.put("id", planId);
    more.put("basis", basis(isFrom ? "from" : column.basis, low));
    more.put("source", source(at + ".source", column.source));
    more.put("prices", low);
    more.put("highPrices", high);
    more.put("allowances", allowances(p));
    more.put("facts", facts(p));
    more.put(
        "unsaid",
        OpenPrices.parts(
            form,
            p,
            low.stream()
                .map(term -> TermCode.of(term.monthsCommitted(), term.upFront()).code())
                .toList()));
    return PageRows.PLANS.read(column, at, faults, page, more);
  }

  /** What need not be said is not: prices are listed, no prices are on request. */
  private static ToolSheet.@Nullable Basis basis(String typed, List<ToolSheet.TermPart> prices) {
    if (!Codes.codes(ToolSheet.Basis.class).contains(typed)) {
      return null;
    }
    ToolSheet.Basis basis = Codes.oneOf(ToolSheet.Basis.class, typed);
    return switch (basis) {
      case LISTED -> null;
      case ON_REQUEST -> prices.isEmpty() ? null : basis;
      case QUOTE, ASSUMED, FROM, QUOTE_ENDED, BASE_NOT_PRICED -> basis;
    };
  }

  private List<ToolSheet.AllowancePart> allowances(int p) {
    List<ToolSheet.AllowancePart> parts = new ArrayList<>();
    for (int a = 0; a < form.allowances.size(); a++) {
      ToolForm.AllowanceLine line = form.allowances.get(a);
      String cell = p < line.cells.size() && line.cells.get(p) != null ? line.cells.get(p) : "";
      if (!cell.isBlank()) {
        String at = "allowances[" + a + "]";
        if (line.measure.isBlank()) {
          faults.add(at + ".measure", "Say what is limited to \"" + cell + "\".");
        }
        ToolSheet.SourcePart source = source(at + ".source", line.source);
        faults
            .at(
                at + ".cells[" + p + "]",
                () -> AllowanceText.read(line.measure, cell, source, form.measures()))
            .ifPresent(parts::add);
      }
    }
    return parts;
  }

  private List<ToolSheet.FactPart> facts(int p) {
    List<ToolSheet.FactPart> parts = new ArrayList<>();
    for (int f = 0; f < form.facts.size(); f++) {
      ToolForm.FactLine line = form.facts.get(f);
      String answer = p < line.answers.size() ? line.answers.get(p) : "";
      if (!line.capability.isBlank() && answer != null && !answer.isBlank()) {
        String at = "facts[" + f + "]";
        boolean soldApart = isSoldApart(answer);
        String said = known(at + ".answers[" + p + "]", answer, line);
        if (soldApart && line.addOn.isBlank()) {
          faults.add(
              at + ".addOn",
              answer.equals(BY_ADD_ON)
                  ? "By which add-on? Name it as in its price line."
                  : "Through which connector? Name it as under Connectors.");
        }
        int plan = columns.size() - 1;
        places.put("plans/" + plan + "/facts/" + parts.size(), at + ".capability");
        parts.add(
            new ToolSheet.FactPart(
                text(at + ".capability", line.capability, true),
                text(at + ".group", line.group, false),
                said,
                soldApart ? text(at + ".addOn", line.addOn, false) : "",
                source(at + ".source", line.source),
                isByHand(answer) && !line.minutes.isBlank()
                    ? faults
                        .at(at + ".minutes", () -> Codes.decimal(line.minutes).toPlainString())
                        .orElse(null)
                    : null));
      }
    }
    return parts;
  }

  /** Whether an answer is a yes only where something else is bought. */
  static boolean isSoldApart(String answer) {
    return answer.equals(BY_ADD_ON) || answer.equals(Codes.code(Answer.THROUGH_CONNECTOR));
  }

  static boolean isByHand(String answer) {
    return answer.equals(Codes.code(Answer.BY_HAND));
  }

  /** One of the answers, or how many there are; a bare number is in the unit of its line. */
  private String known(String field, String answer, ToolForm.FactLine line) {
    return Codes.codes(Answer.class).contains(answer)
        ? answer
        : read(field, answer, text -> TypedCount.read(text, line.unit()).words());
  }

  /** The rows of a table that say something, in its order. */
  private <L extends ToolForm.Row, P extends Record> List<P> parts(
      String table, String anchor, List<L> rows, RowTable<L, P> kind) {
    List<P> parts = new ArrayList<>();
    for (int r = 0; r < rows.size(); r++) {
      if (!rows.get(r).isBlank()) {
        String at = table + "[" + r + "]";
        places.put(table + "/" + parts.size(), at + "." + anchor);
        parts.add(part(at, rows.get(r), kind));
      }
    }
    return parts;
  }

  private <L extends ToolForm.Row, P extends Record> P part(String at, L row, RowTable<L, P> kind) {
    return kind.read(row, at, faults, page, Map.of("source", source(at + ".source", row.source)));
  }

  private List<ToolSheet.OfferPart> offers() {
    for (int o = 0; o < form.offers.size(); o++) {
      ToolForm.OfferLine line = form.offers.get(o);
      String value = line.value.strip();
      if (line.benefit.equals("percent") && value.matches("0?[.]\\d+")) {
        faults.add(
            "offers[" + o + "].value",
            "\"" + value + "\" would be less than one percent off. Write 15 for 15 %.");
      }
    }
    return parts("offers", "name", form.offers, PageRows.OFFERS);
  }

  private List<ToolSheet.RatingPart> ratings() {
    form.ratings.forEach(line -> line.source.ground = Codes.code(Ground.PUBLIC_RATINGS));
    return parts("ratings", "rating", form.ratings, PageRows.RATINGS);
  }

  private ToolSheet.@Nullable PastedPart pasted() {
    ToolForm.Pasted typed = form.pasted;
    if (typed.text.isBlank()) {
      return null;
    }
    String lines = PastedPage.plainLines(typed.text);
    if (lines.length() > PageReader.LONGEST) {
      faults.add(
          "pasted.text",
          "The text of a page has at most "
              + PageReader.LONGEST
              + " characters; this has "
              + lines.length()
              + ". Leave out what is not about prices.");
    }
    return new ToolSheet.PastedPart(
        lines,
        text("pasted.by", typed.by, false),
        read("pasted.on", typed.on, t -> TypedDate.day(t).toString()));
  }

  /** Where something is known from: what is said beside it, or what is said of the page. */
  private ToolSheet.SourcePart source(String at, ToolForm.Source own) {
    ToolForm.Source source = PageRows.SOURCE.copy(own.isBlank() ? form.source : own);
    if (source.asOf.isBlank()) {
      source.asOf = form.source.asOf;
    }
    if (source.ground.isBlank()) {
      source.ground = form.source.ground.isBlank() ? MAKERS : form.source.ground;
    }
    return PageRows.SOURCE.read(source, own.isBlank() ? "source" : at, faults, page, Map.of());
  }

  private List<String> list(String field, String text) {
    return NameList.read(text).stream().map(part -> text(field, part, false)).toList();
  }

  private String text(String field, String text, boolean needed) {
    if (needed && text.isBlank()) {
      faults.add(field, "The tool has no name. Type it as its page has it.");
    }
    return read(field, text, t -> Codes.text(t, 120));
  }

  private String read(String field, String text, Function<String, String> reader) {
    return faults.at(field, () -> reader.apply(text)).orElse("");
  }
}
