package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;

/** From the price-page form to a tool sheet; faults carry the names of the form's fields. */
final class ToolConverter {
  private final Faults faults = new Faults();
  private final ToolForm form;
  private final @Nullable ToolSheet before;

  /** Form columns of the sheet's plans. */
  private final List<Integer> columns = new ArrayList<>();

  ToolConverter(ToolForm form, @Nullable ToolSheet before) {
    this.form = form;
    this.before = before;
  }

  /** What became of a form: a sheet, or the faults by field. */
  record Converted(Optional<ToolSheet> sheet, Map<String, String> faults) {}

  Converted convert() {
    List<ToolSheet.PlanPart> plans = plans();
    ToolSheet sheet =
        new ToolSheet(
            before == null ? Codes.slug(form.name) : before.id(),
            text("name", form.name, true),
            text("maker", form.maker, false),
            plans,
            ratings());
    if (faults.isEmpty()) {
      Faults core = new Faults();
      new ToolReader(core).contender("", sheet, null);
      core.all().forEach(this::addAtField);
    }
    return new Converted(
        faults.isEmpty() ? Optional.of(sheet) : Optional.empty(), faults.byField());
  }

  private void addAtField(Fault fault) {
    String[] parts = fault.at().split("/");
    boolean plan = parts.length > 2 && parts[1].equals("plans");
    faults.add(
        plan ? "plans[" + columns.get(Integer.parseInt(parts[2])) + "].name" : "name",
        fault.message());
  }

  private List<ToolSheet.PlanPart> plans() {
    List<ToolSheet.PlanPart> parts = new ArrayList<>();
    List<String> ids = new ArrayList<>();
    for (int p = 0; p < form.plans.size(); p++) {
      ToolForm.PlanColumn column = form.plans.get(p);
      if (column.isBlank()) {
        checkNothingBelow(p);
      } else {
        String id = column.id.isBlank() ? Codes.unused(Codes.slug(column.name), ids) : column.id;
        ids.add(id);
        columns.add(p);
        parts.add(plan(column, p, id));
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

  private ToolSheet.PlanPart plan(ToolForm.PlanColumn column, int p, String id) {
    String at = "plans[" + p + "]";
    return new ToolSheet.PlanPart(
        id,
        text(at + ".name", column.name, true),
        read(at + ".currency", column.currency, t -> Codes.currency(t).getCode()),
        column.measure,
        whole(at + ".least", column.least, 0),
        column.most.isBlank() ? null : Integer.valueOf(whole(at + ".most", column.most, 1)),
        new ToolSheet.SourcePart(
            read(at + ".asOf", column.asOf, t -> Codes.day(t).toString()),
            column.ground,
            text(at + ".who", column.who, false),
            column.link.strip()),
        terms(p),
        facts(p, id));
  }

  private List<ToolSheet.TermPart> terms(int p) {
    List<ToolSheet.TermPart> terms = new ArrayList<>();
    for (TermCode term : TermCode.ALL) {
      List<ToolSheet.ChargePart> charges = new ArrayList<>();
      for (int l = 0; l < form.lines.size(); l++) {
        charge(l, p, term).ifPresent(charges::add);
      }
      if (!charges.isEmpty()) {
        terms.add(new ToolSheet.TermPart(term.term().monthsCommitted(), term.upFront(), charges));
      }
    }
    return terms;
  }

  private Optional<ToolSheet.ChargePart> charge(int l, int p, TermCode term) {
    ToolForm.ChargeLine line = form.lines.get(l);
    if (p >= line.cells.size()) {
      return Optional.empty();
    }
    ToolForm.ChargeCell cell = line.cells.get(p);
    String price = cell.prices.getOrDefault(term.code(), "");
    if (price == null || price.isBlank()) {
      return Optional.empty();
    }
    String at = "lines[" + l + "].cells[" + p + "]";
    String priceAt = at + ".prices[" + term.code() + "]";
    String name = text("lines[" + l + "].name", line.name, true);
    return Optional.of(
        switch (line.kind) {
          case "flat" -> new ToolSheet.FlatPart(name, decimal(priceAt, price));
          case "banded" ->
              new ToolSheet.BandedPart(
                  name,
                  line.measure,
                  line.mode,
                  bands(priceAt, price),
                  whole(at + ".minimum", cell.minimum, 0),
                  whole(at + ".pack", cell.pack, 1),
                  whole(at + ".included", cell.included, 0));
          default ->
              new ToolSheet.PerUnitPart(
                  name,
                  line.measure,
                  decimal(priceAt, price),
                  whole(at + ".minimum", cell.minimum, 0),
                  whole(at + ".pack", cell.pack, 1),
                  whole(at + ".included", cell.included, 0));
        });
  }

  /** One band a line: up to how many units (or "more"), the price each, the flat price if any. */
  private List<ToolSheet.BandPart> bands(String at, String text) {
    List<ToolSheet.BandPart> bands = new ArrayList<>();
    for (String line : text.strip().split("\\R")) {
      faults.at(at, () -> band(line)).ifPresent(bands::add);
    }
    return bands;
  }

  private static ToolSheet.BandPart band(String line) {
    String[] words = line.strip().split("\\s+");
    if (words.length < 2 || words.length > 3) {
      throw new IllegalArgumentException(
          "\""
              + line.strip()
              + "\" is not a band. Write one a line: up to how many units, the"
              + " price each and, if there is one, the flat price; like \"25 8.40\" or \"more"
              + " 5.10\".");
    }
    return new ToolSheet.BandPart(
        words[0].equals("more") ? null : Integer.valueOf(Codes.whole(words[0])),
        Codes.decimal(words[1]).toPlainString(),
        words.length == 3 ? Codes.decimal(words[2]).toPlainString() : "0");
  }

  private List<ToolSheet.FactPart> facts(int p, String planId) {
    List<ToolSheet.FactPart> parts = new ArrayList<>();
    Map<String, ToolSheet.FactPart> known = factsBefore(planId);
    for (int f = 0; f < form.facts.size(); f++) {
      ToolForm.FactLine line = form.facts.get(f);
      String answer = p < line.answers.size() ? line.answers.get(p) : "";
      if (!line.capability.isBlank() && answer != null && !answer.isBlank()) {
        String at = "facts[" + f + "]";
        ToolSheet.FactPart fact =
            new ToolSheet.FactPart(
                text(at + ".capability", line.capability, true),
                answer,
                new ToolSheet.SourcePart(
                    read(at + ".asOf", line.asOf, t -> Codes.day(t).toString()),
                    line.ground,
                    text(at + ".who", line.who, false),
                    ""));
        parts.add(unchanged(fact, known.get(Codes.slug(line.capability)), f));
      }
    }
    return parts;
  }

  /** An answer that nobody touched keeps the date and source it had. */
  private ToolSheet.FactPart unchanged(
      ToolSheet.FactPart typed, ToolSheet.@Nullable FactPart known, int f) {
    if (known == null || before == null || !known.answer().equals(typed.answer())) {
      return typed;
    }
    ToolForm shown = ToolForms.of(before, 0);
    boolean sourceTouched =
        f >= shown.facts.size()
            || !shown.facts.get(f).asOf.equals(form.facts.get(f).asOf)
            || !shown.facts.get(f).ground.equals(form.facts.get(f).ground)
            || !shown.facts.get(f).who.equals(form.facts.get(f).who);
    return sourceTouched ? typed : known;
  }

  private Map<String, ToolSheet.FactPart> factsBefore(String planId) {
    Map<String, ToolSheet.FactPart> facts = new HashMap<>();
    if (before != null) {
      before.plans().stream()
          .filter(plan -> plan.id().equals(planId))
          .flatMap(plan -> plan.facts().stream())
          .forEach(fact -> facts.put(Codes.slug(fact.capability()), fact));
    }
    return facts;
  }

  private List<ToolSheet.RatingPart> ratings() {
    List<ToolSheet.RatingPart> parts = new ArrayList<>();
    for (int r = 0; r < form.ratings.size(); r++) {
      ToolForm.RatingLine line = form.ratings.get(r);
      if (!line.isBlank()) {
        String at = "ratings[" + r + "]";
        parts.add(
            new ToolSheet.RatingPart(
                decimal(at + ".rating", line.rating),
                whole(at + ".count", line.count, -1),
                new ToolSheet.SourcePart(
                    read(at + ".asOf", line.asOf, t -> Codes.day(t).toString()),
                    "public-ratings",
                    text(at + ".who", line.who, false),
                    "")));
      }
    }
    return parts;
  }

  private String text(String field, String text, boolean needed) {
    if (needed && text.isBlank()) {
      faults.add(field, "This is empty. Fill it in.");
    }
    return read(field, text, t -> Codes.text(t, 120));
  }

  private String decimal(String field, String text) {
    return read(field, text, t -> Codes.decimal(t).toPlainString());
  }

  private int whole(String field, @Nullable String text, int blank) {
    if (text == null || text.isBlank()) {
      return blank;
    }
    return faults.at(field, () -> Codes.whole(text)).orElse(1);
  }

  private String read(String field, String text, Function<String, String> reader) {
    return faults.at(field, () -> reader.apply(text)).orElse("");
  }
}
