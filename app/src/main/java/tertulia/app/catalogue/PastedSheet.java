package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Count;
import tertulia.core.growth.Measure;
import tertulia.pagetext.PageReading;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.PlanSaid;
import tertulia.pagetext.Price;
import tertulia.pagetext.Said;

/** Puts what a page says into a form. */
final class PastedSheet {
  private final ToolForm form;
  private final PastedLines lines;
  private final PastedPrices prices;
  private final Proposals proposals = new Proposals();

  /** The first currency of the text; a plan without a price is taken to be in it. */
  private Optional<String> currency = Optional.empty();

  PastedSheet(ToolForm form) {
    this.form = form;
    this.lines = new PastedLines(form);
    this.prices = new PastedPrices(form, lines, proposals);
  }

  /** What was read, once it stands in the form. */
  static List<PastedPage.Proposal> take(PageReading reading, ToolForm form) {
    PastedSheet sheet = new PastedSheet(form);
    sheet.take(reading);
    return sheet.proposals.all();
  }

  private void take(PageReading reading) {
    currency = reading.plans().stream().flatMap(plan -> currency(plan).stream()).findFirst();
    reading.tool().ifPresent(this::tool);
    for (PlanSaid plan : reading.plans()) {
      plan(plan, lines.column(plan, currency));
    }
    reading.addOns().forEach(addOn -> prices.addOn(addOn, reading.plans()));
    reading.offers().forEach(this::offer);
    reading
        .trialDays()
        .ifPresent(days ->
            condition("trial-days", "" + days.value(), days, days.value() + " days to try it"));
    reading
        .trialCard()
        .ifPresent(asked ->
            condition(
                "trial-card",
                asked.value() ? "yes" : "no",
                asked,
                asked.value() ? "trying asks for a card" : "trying asks for no card"));
    reading
        .circumstances()
        .forEach(said -> {
          ToolSheet.Circumstance kind =
              switch (said.value().kind()) {
                case COUNTRIES -> ToolSheet.Circumstance.COUNTRIES;
                case DATA_PLACES -> ToolSheet.Circumstance.DATA_PLACES;
                case PLATFORMS -> ToolSheet.Circumstance.PLATFORMS;
                case LANGUAGES -> ToolSheet.Circumstance.LANGUAGES;
                case TRIAL_USE -> ToolSheet.Circumstance.TRIAL_USE;
              };
          condition(
              Codes.code(kind),
              said.value().value(),
              said,
              kind.label() + ": " + said.value().value());
        });
    reading
        .taxPercent()
        .ifPresent(tax -> {
          form.plans.forEach(plan -> plan.tax = PastedWords.plain(tax.value()));
          proposals.add(
              "prices hold " + PastedWords.plain(tax.value()) + " % tax", tax, "plans[0].tax");
        });
  }

  /** A name that was typed stays. */
  private void tool(Said<String> name) {
    if (form.name.isBlank()) {
      form.name = name.value();
    }
    proposals.add("the tool “" + name.value() + "”", name, "name");
  }

  private void plan(PlanSaid plan, int p) {
    ToolForm.PlanColumn column = form.plans.get(p);
    String name = column.name;
    String at = "plans[" + p + "]";
    proposals.add("a plan “" + name + "”", plan.name(), at + ".name");
    String basis =
        switch (plan.basis().value()) {
          case FREE -> "free";
          case ON_REQUEST -> "on request";
          case NOT_SAID -> "no price was recognised";
          case LISTED -> "";
        };
    if (!basis.isEmpty()) {
      proposals.add(name + ": " + basis, plan.basis(), at + ".basis");
    }
    column.basis =
        switch (plan.basis().value()) {
          case FREE -> "free";
          case ON_REQUEST, NOT_SAID -> "on-request";
          case LISTED -> "listed";
        };
    currency(plan).ifPresent(own -> column.currency = own);
    prices.priceless(p, plan);
    for (Said<Price> price : plan.prices()) {
      prices.price(name, price, plan, p);
    }
    prices.bands(name, plan, p);
    if (plan.basis().value() == Basis.ON_REQUEST) {
      prices.notTaken(name, plan);
    } else {
      prices.besides(name, plan, p);
    }
    counted(name, plan, p);
    plan.otherCurrencies()
        .forEach(price ->
            proposals.add(
                name + ": " + PastedWords.words(price.value()) + ", not taken: another currency",
                price,
                ""));
  }

  private void counted(String name, PlanSaid plan, int p) {
    ToolForm.PlanColumn column = form.plans.get(p);
    String at = "plans[" + p + "]";
    plan.least()
        .ifPresent(n -> {
          column.least = "" + n.value();
          proposals.add(name + ": at least " + n.value() + " people", n, at + ".least");
        });
    plan.most()
        .ifPresent(n -> {
          column.most = "" + n.value();
          proposals.add(name + ": at most " + n.value() + " people", n, at + ".most");
        });
    Set<Measure> used =
        plan.use().stream().map(use -> use.value().measure()).collect(Collectors.toSet());
    for (Said<LimitSaid> limit : plan.limits()) {
      String words =
          name
              + ": "
              + PastedWords.allowance(limit.value())
              + " "
              + limit.value().measure().label();
      if (used.contains(limit.value().measure())) {
        proposals.add(words + " included", limit, "");
      } else {
        int a = lines.allowance(limit.value().measure());
        FormLines.fill(form.allowances.get(a).cells, p + 1);
        form.allowances.get(a).cells.set(p, PastedWords.allowance(limit));
        proposals.add(words, limit, "allowances[" + a + "].cells[" + p + "]");
      }
    }
    plan.answers()
        .forEach(answer -> {
          int f = lines.fact(answer.value().capability());
          FormLines.fill(form.facts.get(f).answers, p + 1);
          form.facts
              .get(f)
              .answers
              .set(
                  p,
                  answer
                      .value()
                      .count()
                      .map(Count::words)
                      .orElse(Codes.code(answer.value().answer())));
          if (answer.value().answer() == Answer.BY_ADD_ON && form.facts.get(f).addOn.isBlank()) {
            form.facts.get(f).addOn = answer.value().capability();
          }
          proposals.add(
              name
                  + ": "
                  + answer.value().capability()
                  + ", "
                  + answer
                      .value()
                      .count()
                      .map(Count::words)
                      .orElse(answer.value().answer().words()),
              answer,
              "facts[" + f + "].answers[" + p + "]");
        });
  }

  private static Optional<String> currency(PlanSaid plan) {
    return plan.prices().stream()
        .map(price -> price.value().currency())
        .findFirst()
        .or(() -> plan.bands().stream().map(band -> band.value().price().currency()).findFirst());
  }

  private void offer(Said<OfferSaid> offer) {
    OfferSaid said = offer.value();
    String words =
        "offer: "
            + said.percent().map(p -> PastedWords.plain(p) + " % off").orElse("free")
            + said.months().map(n -> " for " + n + " months").orElse(", it is not said how long")
            + said.until().map(day -> ", until " + day).orElse("")
            + said.plan().map(plan -> ", " + plan).orElse("");
    // without its length it would be one without end
    if (said.months().isEmpty()) {
      proposals.add(words + ", not taken", offer, "");
      return;
    }
    ToolForm.OfferLine line =
        form.offers.stream()
            .filter(o -> o.name.equalsIgnoreCase(said.name()))
            .findFirst()
            .orElseGet(() -> {
              ToolForm.OfferLine added = new ToolForm.OfferLine();
              form.offers.removeIf(ToolForm.OfferLine::isBlank);
              form.offers.add(added);
              return added;
            });
    line.name = said.name();
    line.benefit = said.percent().isPresent() ? "percent" : "free";
    line.value = said.percent().map(PastedWords::plain).orElse("");
    line.months = "" + said.months().get();
    line.until = said.until().map(Object::toString).orElse("");
    line.newBuyersOnly = said.newBuyersOnly();
    line.plans = said.plan().map(plan -> NameList.write(List.of(plan))).orElse("");
    proposals.add(words, offer, "offers[" + form.offers.indexOf(line) + "].name");
  }

  private void condition(String kind, String value, Said<?> said, String words) {
    ToolForm.ConditionLine line =
        form.conditions.stream()
            .filter(c -> c.kind.equals(kind))
            .findFirst()
            .orElseGet(() -> {
              ToolForm.ConditionLine added = new ToolForm.ConditionLine();
              added.kind = kind;
              form.conditions.add(added);
              return added;
            });
    line.value = value;
    proposals.add(words, said, "conditions[" + form.conditions.indexOf(line) + "].value");
  }
}
