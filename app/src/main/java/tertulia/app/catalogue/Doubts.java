package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.evaluation.Contender;
import tertulia.core.plausibility.Doubt;
import tertulia.core.plausibility.Peers;
import tertulia.core.plausibility.Plausibility;
import tertulia.core.pricing.Tool;

/** What may be a slip on a price page and has not been confirmed. */
record Doubts(List<Doubt> open) {

  /**
   * The doubts about a sheet.
   *
   * @param peers what is usual in its work areas
   * @param namesakes other tools of the same name
   */
  static Doubts of(ToolSheet sheet, Peers peers, Stream<ToolSheet> namesakes, LocalDate today) {
    List<Doubt> doubts = new ArrayList<>();
    namesakes.forEach(other -> doubts.add(new Doubt.SameName(other.name(), other.maker())));
    tool(sheet).ifPresent(tool -> doubts.addAll(Plausibility.of(tool, peers)));
    dated(sheet)
        .forEach((what, source) -> {
          LocalDate day = LocalDate.parse(source.asOf());
          if (day.isAfter(today)) {
            doubts.add(new Doubt.InFuture(what, day));
          }
        });
    doubts.removeIf(doubt -> sheet.confirmed().contains(doubt.key()));
    return new Doubts(List.copyOf(doubts));
  }

  static Optional<Tool> tool(ToolSheet sheet) {
    return new ToolReader(new Faults()).tool("", sheet).map(Contender::tool);
  }

  /** Every dated fact, by what it is about, in reading order. */
  private static Map<String, ToolSheet.SourcePart> dated(ToolSheet sheet) {
    Map<String, ToolSheet.SourcePart> dated = new LinkedHashMap<>();
    for (ToolSheet.PlanPart plan : sheet.plans()) {
      dated.put("Prices of " + plan.name(), plan.source());
    }
    for (ToolSheet.PlanPart plan : sheet.plans()) {
      plan.allowances()
          .forEach(part ->
              dated.put("Allowances of " + Codes.measure(part.measure()).label(), part.source()));
      plan.facts().forEach(fact -> dated.put("Answers on " + fact.capability(), fact.source()));
    }
    sheet.offers().forEach(offer -> dated.put("The terms of " + offer.name(), offer.source()));
    sheet.ratings().forEach(rating -> dated.put("Public ratings", rating.source()));
    return dated;
  }

  /** The doubts by the field of a form at which they are asked; "name" where none is nearer. */
  Map<String, List<Doubt>> byField(ToolForm form) {
    Map<String, List<Doubt>> fields = new LinkedHashMap<>();
    open.forEach(
        doubt -> fields.computeIfAbsent(field(form, doubt), field -> new ArrayList<>()).add(doubt));
    return fields;
  }

  private static String field(ToolForm form, Doubt doubt) {
    return switch (doubt) {
      case Doubt.OfCharge charge -> chargeField(form, charge);
      case Doubt.OfferAboveInvoice offer -> offerField(form, offer.offer());
      case Doubt.InFuture future -> dateField(form, future.what());
      case Doubt.SameName same -> "name";
    };
  }

  private static String chargeField(ToolForm form, Doubt.OfCharge doubt) {
    String term = TermCode.of(doubt.term()).code();
    for (int l = 0; l < form.lines.size(); l++) {
      ToolForm.ChargeLine line = form.lines.get(l);
      for (int p = 0; p < line.cells.size(); p++) {
        String price = line.cells.get(p).prices.getOrDefault(term, "");
        boolean same =
            line.name.strip().equals(doubt.charge())
                && form.plans.get(p).name.strip().equals(doubt.plan());
        if (same && !price.isBlank()) {
          return "lines[" + l + "].cells[" + p + "].prices[" + term + "]";
        }
      }
    }
    return "name";
  }

  private static String offerField(ToolForm form, String offer) {
    for (int o = 0; o < form.offers.size(); o++) {
      if (form.offers.get(o).name.strip().equals(offer)) {
        return "offers[" + o + "].value";
      }
    }
    return "name";
  }

  private static String dateField(ToolForm form, String what) {
    for (int p = 0; p < form.plans.size(); p++) {
      if (what.equals("Prices of " + form.plans.get(p).name.strip())) {
        return form.plans.get(p).source.isBlank() ? "source.asOf" : "plans[" + p + "].source.asOf";
      }
    }
    return "name";
  }
}
