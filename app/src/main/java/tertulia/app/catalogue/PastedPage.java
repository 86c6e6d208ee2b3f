package tertulia.app.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Count;
import tertulia.core.growth.Measure;
import tertulia.pagetext.Assumed;
import tertulia.pagetext.PageReader;
import tertulia.pagetext.PageReading;
import tertulia.pagetext.PageReading.AddOnSaid;
import tertulia.pagetext.PageReading.BandSaid;
import tertulia.pagetext.PageReading.Basis;
import tertulia.pagetext.PageReading.LimitSaid;
import tertulia.pagetext.PageReading.OfferSaid;
import tertulia.pagetext.PageReading.PlanSaid;
import tertulia.pagetext.Passage;
import tertulia.pagetext.Price;
import tertulia.pagetext.Said;
import tertulia.pagetext.Sureness;

/** A maker's page, pasted as text: what is read of it, and how that goes into the sheet. */
final class PastedPage {
  private final ToolForm form;
  private final List<Proposal> proposals = new ArrayList<>();

  /** The first currency of the text; a plan without a price is taken to be in it. */
  private Optional<String> currency = Optional.empty();

  /** Price cells that this text has filled. */
  private final Set<String> filled = new HashSet<>();

  private PastedPage(ToolForm form) {
    this.form = form;
  }

  /**
   * One thing that was read.
   *
   * @param says what the sheet says for it
   * @param passage the piece of text it was read from
   * @param look clear, likely or guess
   * @param because what was taken for granted; empty if the text says it all
   * @param field where it stands in the sheet; empty if it was not taken
   */
  record Proposal(
      String says, String passage, int line, String look, String because, String field) {}

  /**
   * What was read of a text.
   *
   * @param when who pasted it, and when
   * @param sentence how much, how surely, and what was not understood
   * @param again what somebody has to look at
   * @param others everything else
   * @param left lines no rule understands
   * @param passed lines that say nothing of the kind
   */
  record Read(
      String when,
      String sentence,
      List<Proposal> again,
      List<Proposal> others,
      List<Passage> left,
      List<Passage> passed) {}

  /**
   * A text as it is kept: a browser sends two characters for the end of a line. A tab in front is
   * an empty cell and stays.
   */
  static String plainLines(String text) {
    return text.replace("\r\n", "\n").replaceFirst("^(?:[ \\t]*\n)+", "").stripTrailing();
  }

  /** What was read of the text a form holds; null if it holds none. */
  static @Nullable Read of(ToolForm form) {
    if (!Codes.isDay(form.pasted.on)
        || form.pasted.text.isBlank()
        || form.pasted.text.length() > PageReader.LONGEST) {
      return null;
    }
    PageReading reading = PageReader.read(plainLines(form.pasted.text));
    // into a copy: what was changed since then stays
    PastedPage page = new PastedPage(ToolForms.copy(form));
    page.take(reading);
    return new Read(
        "pasted by " + form.pasted.by + " on " + Dates.day(LocalDate.parse(form.pasted.on)),
        sentence(reading),
        page.proposals.stream().filter(p -> p.look().equals("guess")).toList(),
        page.proposals.stream()
            .filter(p -> !p.look().equals("guess"))
            .sorted(Comparator.comparingInt(Proposal::line))
            .toList(),
        reading.notUnderstood(),
        reading.passedOver());
  }

  /** "31 things were read: 24 are said so, 5 likely, 2 to look at again. …" */
  private static String sentence(PageReading reading) {
    int all = reading.tally().values().stream().mapToInt(Integer::intValue).sum();
    if (all == 0) {
      return "No plan and no price was recognised in this text. Paste the part with the prices, or"
          + " write them down below.";
    }
    int left = reading.notUnderstood().size();
    String parts =
        reading.tally().entrySet().stream()
            .map(entry -> entry.getValue() + " " + words(entry.getKey()))
            .collect(Collectors.joining(", "));
    return all
        + (all == 1 ? " thing was read: " : " things were read: ")
        + parts
        + ". "
        + (left == 0
            ? "Every line was understood."
            : left + (left == 1 ? " line was" : " lines were") + " not understood.");
  }

  private static String words(Sureness sure) {
    return switch (sure) {
      case CLEAR -> "said so";
      case LIKELY -> "likely";
      case GUESS -> "to look at again";
    };
  }

  /**
   * Puts what a form's text says into its sheet. What an earlier text brought goes, as far as
   * nobody has changed it since; what no text spoke of stays.
   *
   * @throws IllegalArgumentException if the text is longer than can be read, or nothing was pasted
   */
  static void into(ToolForm form, String by, String today) {
    form.pasted.text = plainLines(form.pasted.text);
    if (form.pasted.text.isEmpty()) {
      throw new IllegalArgumentException(
          "Nothing was pasted. Copy the text of the page with the prices, and paste it here.");
    }
    PageReading reading = PageReader.read(form.pasted.text);
    String before = plainLines(form.pasted.read);
    if (!before.isEmpty() && before.length() <= PageReader.LONGEST) {
      ToolForm brought = new ToolForm();
      new PastedPage(brought).take(PageReader.read(before));
      PastedBefore.takeOut(
          form,
          brought,
          reading.plans().stream()
              .map(plan -> Codes.slug(plan.name().value()))
              .collect(Collectors.toSet()));
    }
    form.pasted.read = form.pasted.text;
    form.pasted.by = by;
    form.pasted.on = today;
    form.plans.removeIf(ToolForm.PlanColumn::isBlank);
    new PastedPage(form).take(reading);
    form.source.asOf = today;
    form.source.ground = "makers-claim";
    if (form.source.who.isBlank()) {
      form.source.who = by;
    }
    if (form.source.note.isBlank()) {
      form.source.note = "from the text of the page, as it was pasted";
    }
  }

  private void take(PageReading reading) {
    currency = reading.plans().stream().flatMap(plan -> currency(plan).stream()).findFirst();
    reading.tool().ifPresent(this::tool);
    for (PlanSaid plan : reading.plans()) {
      plan(plan, column(plan));
    }
    reading.addOns().forEach(addOn -> addOn(addOn, reading.plans()));
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
          form.plans.forEach(plan -> plan.tax = plain(tax.value()));
          propose("prices hold " + plain(tax.value()) + " % tax", tax, "plans[0].tax");
        });
  }

  /** A name that was typed stays. */
  private void tool(Said<String> name) {
    if (form.name.isBlank()) {
      form.name = name.value();
    }
    propose("the tool “" + name.value() + "”", name, "name");
  }

  private int column(PlanSaid plan) {
    for (int p = 0; p < form.plans.size(); p++) {
      if (Codes.slug(form.plans.get(p).name).equals(Codes.slug(plan.name().value()))) {
        return p;
      }
    }
    ToolForm.PlanColumn column = new ToolForm.PlanColumn();
    column.name = plan.name().value();
    currency.ifPresent(first -> column.currency = first);
    form.plans.add(column);
    return form.plans.size() - 1;
  }

  private void plan(PlanSaid plan, int p) {
    ToolForm.PlanColumn column = form.plans.get(p);
    String name = column.name;
    String at = "plans[" + p + "]";
    propose("a plan “" + name + "”", plan.name(), at + ".name");
    String basis =
        switch (plan.basis().value()) {
          case FREE -> "free";
          case ON_REQUEST -> "on request";
          case NOT_SAID -> "no price was recognised";
          case LISTED -> "";
        };
    if (!basis.isEmpty()) {
      propose(name + ": " + basis, plan.basis(), at + ".basis");
    }
    column.basis =
        switch (plan.basis().value()) {
          case FREE -> "free";
          case ON_REQUEST, NOT_SAID -> "on-request";
          case LISTED -> "listed";
        };
    currency(plan).ifPresent(own -> column.currency = own);
    priceless(p, plan);
    for (Said<Price> price : plan.prices()) {
      price(name, price, plan, p);
    }
    bands(name, plan, p);
    if (plan.basis().value() == Basis.ON_REQUEST) {
      notTaken(name, plan);
    } else {
      besides(name, plan, p);
    }
    counted(name, plan, p);
    plan.otherCurrencies()
        .forEach(price ->
            propose(
                name + ": " + words(price.value()) + ", not taken: another currency", price, ""));
  }

  /** A plan whose price is on request has no prices in the sheet; what is said of some is told. */
  private void notTaken(String name, PlanSaid plan) {
    String why = ", not taken: the plan’s price is on request";
    plan.once()
        .forEach(once ->
            propose(
                name + ": once " + money(once.value().amount(), once.value().currency()) + why,
                once,
                ""));
    plan.use()
        .forEach(use ->
            propose(
                name + ": " + money(use.value().amount(), use.value().currency()) + " by use" + why,
                use,
                ""));
    plan.fees()
        .forEach(fee ->
            propose(
                name + ": " + plain(fee.value().percent()) + " % of each payment" + why, fee, ""));
  }

  /** What is paid beside the price: once, by use, of each payment. */
  private void besides(String name, PlanSaid plan, int p) {
    plan.once()
        .forEach(once -> {
          ToolForm.ChargeLine line =
              line(
                  once.value().each().isPresent() ? ChargeKind.ONE_OFF_EACH : ChargeKind.ONE_OFF,
                  once.value().each().orElse(Measure.SEATS),
                  once.value().name(),
                  "");
          String field = cell(line, p, ToolForm.ANY_TERM, plain(once.value().amount()));
          propose(
              name + ": once " + money(once.value().amount(), once.value().currency()),
              once,
              field);
        });
    plan.use()
        .forEach(use -> {
          ToolForm.ChargeLine line =
              line(
                  ChargeKind.USAGE,
                  use.value().measure(),
                  "More " + use.value().measure().label(),
                  "");
          String field = cell(line, p, ToolForm.ANY_TERM, plain(use.value().amount()));
          line.cells.get(p).pack = plain(use.value().block());
          plan.limits().stream()
              .filter(limit -> limit.value().measure().equals(use.value().measure()))
              .findFirst()
              .ifPresent(limit -> line.cells.get(p).included = allowance(limit.value()));
          propose(
              name
                  + ": "
                  + money(use.value().amount(), use.value().currency())
                  + " for each "
                  + plain(use.value().block())
                  + " "
                  + use.value().measure().label()
                  + " more",
              use,
              field);
        });
    plan.fees()
        .forEach(fee -> {
          ToolForm.ChargeLine line =
              line(ChargeKind.PAYMENT_FEE, Measure.CARD_PAYMENTS, "Payments", "");
          String text = plain(fee.value().percent()) + " % + " + plain(fee.value().fixed());
          propose(
              name + ": " + text + " of each payment", fee, cell(line, p, ToolForm.ANY_TERM, text));
        });
  }

  private void counted(String name, PlanSaid plan, int p) {
    ToolForm.PlanColumn column = form.plans.get(p);
    String at = "plans[" + p + "]";
    plan.least()
        .ifPresent(n -> {
          column.least = "" + n.value();
          propose(name + ": at least " + n.value() + " people", n, at + ".least");
        });
    plan.most()
        .ifPresent(n -> {
          column.most = "" + n.value();
          propose(name + ": at most " + n.value() + " people", n, at + ".most");
        });
    Set<Measure> used =
        plan.use().stream().map(use -> use.value().measure()).collect(Collectors.toSet());
    for (Said<LimitSaid> limit : plan.limits()) {
      String words = name + ": " + allowance(limit.value()) + " " + limit.value().measure().label();
      if (used.contains(limit.value().measure())) {
        propose(words + " included", limit, "");
      } else {
        int a = allowanceLine(limit.value().measure());
        FormLines.fill(form.allowances.get(a).cells, p + 1);
        form.allowances.get(a).cells.set(p, allowance(limit.value()));
        propose(words, limit, "allowances[" + a + "].cells[" + p + "]");
      }
    }
    plan.answers()
        .forEach(answer -> {
          int f = factLine(answer.value().capability());
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
          propose(
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

  /** A page that was read again has no price where the text has none. */
  private void priceless(int p, PlanSaid plan) {
    if (plan.basis().value() != Basis.NOT_SAID) {
      for (ToolForm.ChargeLine line : form.lines) {
        if (p < line.cells.size() && line.addOn.isBlank() && !line.shown().isWhateverTheTerm()) {
          line.cells.get(p).prices.clear();
        }
      }
    }
  }

  private void price(String name, Said<Price> price, PlanSaid plan, int p) {
    Price said = price.value();
    Optional<Measure> each = said.each();
    ToolForm.ChargeLine line =
        line(
            each.isPresent() ? ChargeKind.PER_UNIT : ChargeKind.FLAT,
            each.orElse(Measure.SEATS),
            each.map(measure -> capital(measure.label())).orElse("Account"),
            "");
    String term = TermCode.of(said.term()).code();
    if (!filled.add(p + "/" + form.lines.indexOf(line) + "/" + term)) {
      propose(name + ": " + words(said) + ", not taken: another was read before", price, "");
      return;
    }
    String field = cell(line, p, term, text(said));
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
                propose(name + ": in packs of " + pack.value(), pack, rule(line, p, "pack")));
        plan.included()
            .ifPresent(
                n -> propose(name + ": " + n.value() + " included", n, rule(line, p, "included")));
      }
    }
    propose(name + ": " + words(said), price, field);
  }

  private String rule(ToolForm.ChargeLine line, int p, String what) {
    return "lines[" + form.lines.indexOf(line) + "].cells[" + p + "]." + what;
  }

  /** As it is typed into the sheet: "96 a year", "from 15". */
  private static String text(Price price) {
    return (price.isFrom() ? "from " : "")
        + plain(price.amount())
        + (price.every() == Price.Every.YEAR ? " a year" : "");
  }

  private void bands(String name, PlanSaid plan, int p) {
    if (plan.bands().isEmpty()) {
      return;
    }
    Price first = plan.bands().getFirst().value().price();
    Measure measure = first.each().orElse(Measure.SEATS);
    ToolForm.ChargeLine line = line(ChargeKind.BANDED_WHOLE, measure, capital(measure.label()), "");
    String text =
        plan.bands().stream().map(band -> band(band.value())).collect(Collectors.joining("\n"));
    String field = cell(line, p, TermCode.of(first.term()).code(), text);
    plan.pack()
        .ifPresent(pack -> {
          line.cells.get(p).pack = "" + pack.value();
          propose(name + ": in packs of " + pack.value(), pack, rule(line, p, "pack"));
        });
    plan.bands()
        .forEach(band ->
            propose(
                name + ": " + band(band.value()) + ", " + band.value().price().currency(),
                band,
                field));
  }

  private static String band(BandSaid band) {
    return band.upTo().map(n -> "to " + n).orElse("above")
        + ": "
        + plain(band.price().amount())
        + (band.price().each().isPresent() ? " each" : " in all");
  }

  private void addOn(AddOnSaid addOn, List<PlanSaid> plans) {
    Price price = addOn.price().value();
    Optional<Measure> each = price.each();
    String name = addOn.name().value();
    ToolForm.ChargeLine line =
        line(
            each.isPresent() ? ChargeKind.PER_UNIT : ChargeKind.FLAT,
            each.orElse(Measure.SEATS),
            name,
            name);
    String field = "";
    for (PlanSaid plan : plans) {
      if (plan.basis().value() == Basis.LISTED) {
        String at = cell(line, column(plan), ToolForm.ANY_TERM, text(price));
        field = field.isEmpty() ? at : field;
      }
    }
    propose("add-on “" + name + "”: " + words(price), addOn.price(), field);
  }

  private void offer(Said<OfferSaid> offer) {
    OfferSaid said = offer.value();
    String words =
        "offer: "
            + said.percent().map(p -> plain(p) + " % off").orElse("free")
            + said.months().map(n -> " for " + n + " months").orElse(", it is not said how long")
            + said.until().map(day -> ", until " + day).orElse("")
            + said.plan().map(plan -> ", " + plan).orElse("");
    // without its length it would be one without end
    if (said.months().isEmpty()) {
      propose(words + ", not taken", offer, "");
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
    line.value = said.percent().map(PastedPage::plain).orElse("");
    line.months = "" + said.months().get();
    line.until = said.until().map(Object::toString).orElse("");
    line.newBuyersOnly = said.newBuyersOnly();
    line.plans = said.plan().map(plan -> NameList.write(List.of(plan))).orElse("");
    propose(words, offer, "offers[" + form.offers.indexOf(line) + "].name");
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
    propose(words, said, "conditions[" + form.conditions.indexOf(line) + "].value");
  }

  /** The line that charges so; one that says nothing yet becomes it. */
  private ToolForm.ChargeLine line(ChargeKind kind, Measure measure, String name, String addOn) {
    for (ToolForm.ChargeLine line : form.lines) {
      boolean counts = !kind.isCounted() || line.measure.equals(measure.id());
      boolean named =
          kind.isBanded() || kind == ChargeKind.PER_UNIT || kind == ChargeKind.FLAT
              ? line.addOn.strip().equals(addOn)
              : line.name.equalsIgnoreCase(name)
                  || kind == ChargeKind.USAGE
                  || kind == ChargeKind.PAYMENT_FEE;
      if (line.kind.equals(kind.code()) && counts && named && !line.name.isBlank()) {
        return line;
      }
    }
    ToolForm.ChargeLine line =
        form.lines.stream()
            .filter(
                l -> l.cells.stream().allMatch(ToolForm.ChargeCell::isBlank) && l.addOn.isBlank())
            .findFirst()
            .orElseGet(() -> {
              ToolForm.ChargeLine added = new ToolForm.ChargeLine();
              form.lines.add(added);
              return added;
            });
    line.kind = kind.code();
    line.measure = measure.id();
    line.name = name;
    line.addOn = addOn;
    return line;
  }

  private String cell(ToolForm.ChargeLine line, int p, String term, String text) {
    while (line.cells.size() <= p) {
      line.cells.add(new ToolForm.ChargeCell());
    }
    line.cells.get(p).prices.put(term, text);
    return "lines[" + form.lines.indexOf(line) + "].cells[" + p + "].prices[" + term + "]";
  }

  private int allowanceLine(Measure measure) {
    for (int a = 0; a < form.allowances.size(); a++) {
      if (form.allowances.get(a).measure.equals(measure.id())) {
        return a;
      }
    }
    ToolForm.AllowanceLine line = new ToolForm.AllowanceLine();
    line.measure = measure.id();
    form.allowances.removeIf(ToolForm.AllowanceLine::isBlank);
    form.allowances.add(line);
    return form.allowances.size() - 1;
  }

  private int factLine(String capability) {
    for (int f = 0; f < form.facts.size(); f++) {
      if (Codes.slug(form.facts.get(f).capability).equals(Codes.slug(capability))) {
        return f;
      }
    }
    ToolForm.FactLine line = new ToolForm.FactLine();
    line.capability = capability;
    form.facts.removeIf(ToolForm.FactLine::isBlank);
    form.facts.add(line);
    return form.facts.size() - 1;
  }

  private static String allowance(LimitSaid limit) {
    return limit.most().map(n -> plain(n) + (limit.perSeat() ? " a seat" : "")).orElse("unlimited");
  }

  /** Such as "9.00 EUR a month for each of the seats, yearly, up front". */
  private static String words(Price price) {
    return (price.isFrom() ? "from " : "")
        + money(price.amount(), price.currency())
        + (price.every() == Price.Every.YEAR ? " a year, " : " a month, ")
        + price
            .each()
            .map(measure -> "for each of the " + measure.label())
            .orElse("for the account")
        + ", "
        + price.term().words();
  }

  private static String money(BigDecimal amount, String currency) {
    BigDecimal cents = amount.scale() < 2 ? amount.setScale(2) : amount;
    return cents.toPlainString() + " " + currency;
  }

  private static String plain(BigDecimal number) {
    return number.signum() == 0
        ? "0"
        : number.stripTrailingZeros().scale() < 0
            ? number.setScale(0, RoundingMode.UNNECESSARY).toPlainString()
            : number.toPlainString();
  }

  private static String capital(String label) {
    return label.substring(0, 1).toUpperCase(Locale.ENGLISH) + label.substring(1);
  }

  private void propose(String says, Said<?> said, String field) {
    proposals.add(
        new Proposal(
            says,
            said.from().text(),
            said.from().line(),
            said.sure().name().toLowerCase(Locale.ROOT),
            said.assumed().stream()
                .filter(assumed -> assumed.sure() != Sureness.CLEAR)
                .sorted()
                .map(Assumed::words)
                .collect(Collectors.joining("; ")),
            field));
  }
}
