package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;

/** From a tool sheet to the form that shows it. */
final class ToolForms {
  private ToolForms() {}

  static ToolForm of(ToolSheet sheet, long version) {
    ToolForm form = new ToolForm();
    form.version = version;
    form.name = sheet.name();
    form.maker = sheet.maker();
    sheet.plans().forEach(plan -> form.plans.add(column(plan)));
    form.lines.addAll(lines(sheet.plans()));
    form.facts.addAll(facts(sheet.plans()));
    sheet.ratings().forEach(rating -> form.ratings.add(line(rating)));
    return form;
  }

  /**
   * Room to write: one plan, one charge and some capabilities more, and every cell there.
   *
   * @param capabilities names of capabilities asked about elsewhere
   */
  static ToolForm withRoom(ToolForm form, Collection<String> capabilities, String today) {
    ToolForm.PlanColumn spare = new ToolForm.PlanColumn();
    spare.currency = form.plans.isEmpty() ? "EUR" : form.plans.getLast().currency;
    spare.asOf = today;
    form.plans.add(spare);
    form.lines.add(new ToolForm.ChargeLine());
    List<String> known = form.facts.stream().map(f -> Codes.slug(f.capability)).toList();
    for (String capability : capabilities) {
      if (!known.contains(Codes.slug(capability))) {
        form.facts.add(fact(capability, today));
      }
    }
    form.facts.add(fact("", today));
    ToolForm.RatingLine rating = new ToolForm.RatingLine();
    rating.asOf = today;
    form.ratings.add(rating);
    for (ToolForm.ChargeLine line : form.lines) {
      while (line.cells.size() < form.plans.size()) {
        line.cells.add(new ToolForm.ChargeCell());
      }
    }
    for (ToolForm.FactLine line : form.facts) {
      while (line.answers.size() < form.plans.size()) {
        line.answers.add("");
      }
    }
    return form;
  }

  private static ToolForm.FactLine fact(String capability, String today) {
    ToolForm.FactLine line = new ToolForm.FactLine();
    line.capability = capability;
    line.asOf = today;
    return line;
  }

  private static ToolForm.PlanColumn column(ToolSheet.PlanPart plan) {
    ToolForm.PlanColumn column = new ToolForm.PlanColumn();
    column.id = plan.id();
    column.name = plan.name();
    column.currency = plan.currency();
    column.measure = plan.measure();
    column.least = plan.least() == 0 ? "" : "" + plan.least();
    column.most = plan.most() == null ? "" : "" + plan.most();
    column.asOf = plan.source().asOf();
    column.ground = plan.source().ground();
    column.who = plan.source().who();
    column.link = plan.source().link();
    return column;
  }

  /** Charges of the same name and kind share a line across plans and terms. */
  private static Collection<ToolForm.ChargeLine> lines(List<ToolSheet.PlanPart> plans) {
    Map<String, ToolForm.ChargeLine> lines = new LinkedHashMap<>();
    for (int p = 0; p < plans.size(); p++) {
      for (ToolSheet.TermPart term : plans.get(p).prices()) {
        String code = TermCode.of(term.monthsCommitted(), term.upFront()).code();
        for (ToolSheet.ChargePart charge : term.charges()) {
          ToolForm.ChargeLine line =
              lines.computeIfAbsent(key(charge), key -> emptyLine(charge, plans.size()));
          write(charge, line.cells.get(p), code);
        }
      }
    }
    return lines.values();
  }

  private static String key(ToolSheet.ChargePart charge) {
    return switch (charge) {
      case ToolSheet.FlatPart flat -> "flat " + flat.name();
      case ToolSheet.PerUnitPart unit -> "unit " + unit.measure() + " " + unit.name();
      case ToolSheet.BandedPart banded ->
          "banded " + banded.mode() + " " + banded.measure() + " " + banded.name();
    };
  }

  private static ToolForm.ChargeLine emptyLine(ToolSheet.ChargePart charge, int plans) {
    ToolForm.ChargeLine line = new ToolForm.ChargeLine();
    line.name = charge.name();
    switch (charge) {
      case ToolSheet.FlatPart flat -> line.kind = "flat";
      case ToolSheet.PerUnitPart unit -> line.measure = unit.measure();
      case ToolSheet.BandedPart banded -> {
        line.kind = "banded";
        line.measure = banded.measure();
        line.mode = banded.mode();
      }
    }
    for (int p = 0; p < plans; p++) {
      line.cells.add(new ToolForm.ChargeCell());
    }
    return line;
  }

  private static void write(ToolSheet.ChargePart charge, ToolForm.ChargeCell cell, String term) {
    switch (charge) {
      case ToolSheet.FlatPart flat -> cell.prices.put(term, flat.price());
      case ToolSheet.PerUnitPart unit -> {
        cell.prices.put(term, unit.price());
        rule(cell, unit.minimum(), unit.pack(), unit.included());
      }
      case ToolSheet.BandedPart banded -> {
        cell.prices.put(term, bands(banded));
        rule(cell, banded.minimum(), banded.pack(), banded.included());
      }
    }
  }

  private static void rule(ToolForm.ChargeCell cell, int minimum, int pack, int included) {
    cell.minimum = minimum == 0 ? "" : "" + minimum;
    cell.pack = pack == 1 ? "" : "" + pack;
    cell.included = included == 0 ? "" : "" + included;
  }

  static String bands(ToolSheet.BandedPart banded) {
    return banded.bands().stream()
        .map(band ->
            (band.upTo() == null ? "more" : "" + band.upTo())
                + " "
                + band.each()
                + (band.flat().equals("0") ? "" : " " + band.flat()))
        .collect(Collectors.joining("\n"));
  }

  private static Collection<ToolForm.FactLine> facts(List<ToolSheet.PlanPart> plans) {
    Map<String, ToolForm.FactLine> lines = new LinkedHashMap<>();
    for (int p = 0; p < plans.size(); p++) {
      for (ToolSheet.FactPart fact : plans.get(p).facts()) {
        ToolForm.FactLine line =
            lines.computeIfAbsent(Codes.slug(fact.capability()), slug -> line(fact, plans.size()));
        line.answers.set(p, fact.answer());
      }
    }
    return new ArrayList<>(lines.values());
  }

  private static ToolForm.FactLine line(ToolSheet.FactPart fact, int plans) {
    ToolForm.FactLine line = new ToolForm.FactLine();
    line.capability = fact.capability();
    line.asOf = fact.source().asOf();
    line.ground = fact.source().ground();
    line.who = fact.source().who();
    for (int p = 0; p < plans; p++) {
      line.answers.add("");
    }
    return line;
  }

  private static ToolForm.RatingLine line(ToolSheet.RatingPart rating) {
    ToolForm.RatingLine line = new ToolForm.RatingLine();
    line.rating = rating.rating();
    line.count = "" + rating.count();
    line.asOf = rating.source().asOf();
    line.who = rating.source().who();
    return line;
  }
}
