package tertulia.app.catalogue;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.app.exchange.TermCode;
import tertulia.core.growth.Measure;
import tertulia.core.pricing.Unsaid;
import tertulia.pagetext.PageReading.AddOnSaid;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.PlanSaid;
import tertulia.pagetext.Price;
import tertulia.pagetext.Said;

/** Puts the prices that a page states into a form. */
final class PastedPrices {
  private final ToolForm form;
  private final PastedLines lines;
  private final Proposals proposals;

  /** Price cells that this text has filled. */
  private final Set<String> filled = new HashSet<>();

  PastedPrices(ToolForm form, PastedLines lines, Proposals proposals) {
    this.form = form;
    this.lines = lines;
    this.proposals = proposals;
  }

  /** A page that was read again has no price where the text has none. */
  void priceless(int p, PlanSaid plan) {
    if (plan.basis().value() != Basis.NOT_SAID) {
      for (ToolForm.ChargeLine line : form.lines) {
        if (p < line.cells.size() && line.addOn.isBlank() && !line.shown().isWhateverTheTerm()) {
          line.cells.get(p).prices.clear();
        }
      }
    }
  }

  void price(String name, Said<Price> price, PlanSaid plan, int p) {
    Price said = price.value();
    Optional<Measure> each = said.each();
    ToolForm.ChargeLine line =
        lines.line(
            each.isPresent() ? ChargeKind.PER_UNIT : ChargeKind.FLAT,
            each.orElse(Measure.SEATS),
            each.map(measure -> PastedWords.capital(measure.label())).orElse("Account"),
            "");
    String term = TermCode.of(said.term()).code();
    if (!filled.add(p + "/" + form.lines.indexOf(line) + "/" + term)) {
      proposals.add(
          name + ": " + PastedWords.words(said) + ", not taken: another was read before",
          price,
          "");
      return;
    }
    String field = lines.cell(line, p, term, PastedWords.text(said));
    if (each.isPresent()) {
      form.plans.get(p).measure = each.get().id();
      plan.pack().ifPresent(pack -> line.cells.get(p).pack = "" + pack.value());
      plan.included().ifPresent(n -> line.cells.get(p).included = "" + n.value());
      // said once of a plan, whatever the terms it is sold under
      boolean first =
          plan.prices().stream()
              .filter(one -> one.value().each().isPresent())
              .findFirst()
              .filter(one -> one.equals(price))
              .isPresent();
      if (first) {
        plan.pack()
            .ifPresent(pack ->
                proposals.add(
                    name + ": in packs of " + pack.value(), pack, lines.rule(line, p, "pack")));
        plan.included()
            .ifPresent(n ->
                proposals.add(
                    name + ": " + n.value() + " included", n, lines.rule(line, p, "included")));
      }
    }
    leaveOpen(p, price, field);
    proposals.add(name + ": " + PastedWords.words(said), price, field);
  }

  void bands(String name, PlanSaid plan, int p) {
    if (plan.bands().isEmpty()) {
      return;
    }
    Price first = plan.bands().getFirst().value().price();
    Measure measure = first.each().orElse(Measure.SEATS);
    ToolForm.ChargeLine line =
        lines.line(ChargeKind.BANDED_WHOLE, measure, PastedWords.capital(measure.label()), "");
    String text =
        plan.bands().stream()
            .map(band -> PastedWords.band(band.value()))
            .collect(Collectors.joining("\n"));
    String field = lines.cell(line, p, TermCode.of(first.term()).code(), text);
    leaveOpen(p, plan.bands().getFirst(), field);
    plan.pack()
        .ifPresent(pack -> {
          line.cells.get(p).pack = "" + pack.value();
          proposals.add(name + ": in packs of " + pack.value(), pack, lines.rule(line, p, "pack"));
        });
    plan.bands()
        .forEach(band ->
            proposals.add(
                name
                    + ": "
                    + PastedWords.band(band.value())
                    + ", "
                    + band.value().price().currency(),
                band,
                field));
  }

  /** What had to be taken for granted of a price stays marked in the sheet. */
  private void leaveOpen(int p, Said<?> price, String field) {
    List<Unsaid.Kind> open =
        price.assumed().stream()
            .flatMap(assumed -> assumed.leavesOpen().stream())
            .distinct()
            .sorted()
            .toList();
    OpenPrices.leave(form, p, open, field);
  }

  /** What is paid beside the price: once, by use, of each payment. */
  void besides(String name, PlanSaid plan, int p) {
    plan.once()
        .forEach(once -> {
          ToolForm.ChargeLine line =
              lines.line(
                  once.value().each().isPresent() ? ChargeKind.ONE_OFF_EACH : ChargeKind.ONE_OFF,
                  once.value().each().orElse(Measure.SEATS),
                  once.value().name(),
                  "");
          String field =
              lines.cell(line, p, ToolForm.ANY_TERM, PastedWords.plain(once.value().amount()));
          proposals.add(
              name + ": once " + PastedWords.money(once.value().amount(), once.value().currency()),
              once,
              field);
        });
    plan.use()
        .forEach(use -> {
          ToolForm.ChargeLine line =
              lines.line(
                  ChargeKind.USAGE,
                  use.value().measure(),
                  "More " + use.value().measure().label(),
                  "");
          String field =
              lines.cell(line, p, ToolForm.ANY_TERM, PastedWords.plain(use.value().amount()));
          line.cells.get(p).pack = PastedWords.plain(use.value().block());
          plan.limits().stream()
              .filter(limit -> limit.value().measure().equals(use.value().measure()))
              .findFirst()
              .ifPresent(
                  limit -> line.cells.get(p).included = PastedWords.allowance(limit.value()));
          proposals.add(
              name
                  + ": "
                  + PastedWords.money(use.value().amount(), use.value().currency())
                  + " for each "
                  + PastedWords.plain(use.value().block())
                  + " "
                  + use.value().measure().label()
                  + " more",
              use,
              field);
        });
    plan.fees()
        .forEach(fee -> {
          ToolForm.ChargeLine line =
              lines.line(ChargeKind.PAYMENT_FEE, Measure.CARD_PAYMENTS, "Payments", "");
          String text =
              PastedWords.plain(fee.value().percent())
                  + " % + "
                  + PastedWords.plain(fee.value().fixed());
          proposals.add(
              name + ": " + text + " of each payment",
              fee,
              lines.cell(line, p, ToolForm.ANY_TERM, text));
        });
  }

  /** A plan whose price is on request has no prices in the sheet; what is said of some is told. */
  void notTaken(String name, PlanSaid plan) {
    String why = ", not taken: the plan’s price is on request";
    plan.once()
        .forEach(once ->
            proposals.add(
                name
                    + ": once "
                    + PastedWords.money(once.value().amount(), once.value().currency())
                    + why,
                once,
                ""));
    plan.use()
        .forEach(use ->
            proposals.add(
                name
                    + ": "
                    + PastedWords.money(use.value().amount(), use.value().currency())
                    + " by use"
                    + why,
                use,
                ""));
    plan.fees()
        .forEach(fee ->
            proposals.add(
                name + ": " + PastedWords.plain(fee.value().percent()) + " % of each payment" + why,
                fee,
                ""));
  }

  void addOn(AddOnSaid addOn, List<PlanSaid> plans) {
    Price price = addOn.price().value();
    Optional<Measure> each = price.each();
    String name = addOn.name().value();
    ToolForm.ChargeLine line =
        lines.line(
            each.isPresent() ? ChargeKind.PER_UNIT : ChargeKind.FLAT,
            each.orElse(Measure.SEATS),
            name,
            name);
    String field = "";
    for (PlanSaid plan : plans) {
      if (plan.basis().value() == Basis.LISTED) {
        int p = lines.column(plan, Optional.empty());
        String at = lines.cell(line, p, ToolForm.ANY_TERM, PastedWords.text(price));
        leaveOpen(p, addOn.price(), at);
        field = field.isEmpty() ? at : field;
      }
    }
    proposals.add("add-on “" + name + "”: " + PastedWords.words(price), addOn.price(), field);
  }
}
