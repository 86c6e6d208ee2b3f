package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Answer;
import tertulia.core.fit.Fact;
import tertulia.core.money.UnitPrice;
import tertulia.core.pricing.Band;
import tertulia.core.pricing.BandMode;
import tertulia.core.pricing.BillingTerm;
import tertulia.core.pricing.Charge;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.PlanPrices;
import tertulia.core.pricing.PriceList;
import tertulia.core.pricing.SeatRange;
import tertulia.core.pricing.Tool;
import tertulia.core.pricing.UnitRule;
import tertulia.core.scoring.PublicRating;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/** Turns a tool sheet into a contender, collecting faults by place. */
public final class ToolReader {
  private static final int LONGEST_LINK = 500;
  private final Faults faults;

  public ToolReader(Faults faults) {
    this.faults = faults;
  }

  /** The contender; empty if anything was refused. */
  public Optional<Contender> contender(String at, ToolSheet sheet, @Nullable String setAside) {
    List<Plan> plans = new ArrayList<>();
    Map<String, Map<String, Fact>> facts = new HashMap<>();
    for (int i = 0; i < sheet.plans().size(); i++) {
      ToolSheet.PlanPart part = sheet.plans().get(i);
      String here = at + "/plans/" + i;
      plan(here, part).ifPresent(plans::add);
      facts.put(part.id(), facts(here + "/facts", part.facts()));
    }
    List<PublicRating> ratings = new ArrayList<>();
    for (int i = 0; i < sheet.ratings().size(); i++) {
      ToolSheet.RatingPart part = sheet.ratings().get(i);
      faults
          .at(
              at + "/ratings/" + i,
              () ->
                  new PublicRating(
                      Codes.decimal(part.rating()), part.count(), source(part.source())))
          .ifPresent(ratings::add);
    }
    return faults.at(
        at,
        () ->
            new Contender(
                new Tool(
                    sheet.id(),
                    Codes.text(sheet.name(), BriefReader.LONGEST_NAME),
                    Codes.text(sheet.maker(), BriefReader.LONGEST_NAME),
                    plans),
                facts,
                ratings,
                setAside));
  }

  private Optional<Plan> plan(String at, ToolSheet.PlanPart part) {
    Optional<CurrencyUnit> currency = faults.at(at, () -> Codes.currency(part.currency()));
    if (currency.isEmpty()) {
      return Optional.empty();
    }
    List<PriceList> lists = new ArrayList<>();
    for (int i = 0; i < part.prices().size(); i++) {
      ToolSheet.TermPart term = part.prices().get(i);
      faults.at(at + "/prices/" + i, () -> list(term, currency.get())).ifPresent(lists::add);
    }
    if (lists.size() < part.prices().size()) {
      return Optional.empty();
    }
    return faults.at(
        at,
        () ->
            new Plan(
                part.id(),
                Codes.text(part.name(), BriefReader.LONGEST_NAME),
                new SeatRange(Codes.measure(part.measure()), part.least(), part.most()),
                lists.isEmpty() ? new PlanPrices.OnRequest() : new PlanPrices.Listed(lists),
                source(part.source())));
  }

  private static PriceList list(ToolSheet.TermPart part, CurrencyUnit currency) {
    BillingTerm term =
        new BillingTerm(
            part.monthsCommitted(),
            part.upFront() ? BillingTerm.Payment.UP_FRONT : BillingTerm.Payment.MONTHLY);
    return new PriceList(
        term, currency, part.charges().stream().map(charge -> charge(charge, currency)).toList());
  }

  /** One charge of a sheet. */
  static Charge charge(ToolSheet.ChargePart part, CurrencyUnit currency) {
    return switch (part) {
      case ToolSheet.FlatPart flat -> new Charge.Flat(flat.name(), price(currency, flat.price()));
      case ToolSheet.PerUnitPart unit ->
          new Charge.PerUnit(
              unit.name(),
              Codes.measure(unit.measure()),
              price(currency, unit.price()),
              new UnitRule(unit.minimum(), unit.pack(), unit.included()));
      case ToolSheet.BandedPart banded ->
          new Charge.Banded(
              banded.name(),
              Codes.measure(banded.measure()),
              Codes.oneOf(BandMode.class, banded.mode()),
              banded.bands().stream()
                  .map(
                      b -> new Band(b.upTo(), price(currency, b.each()), price(currency, b.flat())))
                  .toList(),
              new UnitRule(banded.minimum(), banded.pack(), banded.included()));
    };
  }

  private static UnitPrice price(CurrencyUnit currency, String amount) {
    return new UnitPrice(currency, Codes.decimal(amount));
  }

  private Map<String, Fact> facts(String at, List<ToolSheet.FactPart> parts) {
    Map<String, Fact> facts = new HashMap<>();
    for (int i = 0; i < parts.size(); i++) {
      ToolSheet.FactPart part = parts.get(i);
      faults
          .at(
              at + "/" + i,
              () -> new Fact(Codes.oneOf(Answer.class, part.answer()), source(part.source())))
          .ifPresent(fact -> facts.put(BriefReader.capability(part.capability()).id(), fact));
    }
    return facts;
  }

  private static Provenance source(ToolSheet.SourcePart part) {
    return new Provenance(
        Codes.day(part.asOf()),
        Codes.oneOf(Ground.class, part.ground()),
        Codes.text(part.who(), BriefReader.LONGEST_NAME),
        link(part.link()));
  }

  private static String link(String link) {
    String text = Codes.text(link, LONGEST_LINK);
    if (!text.isEmpty() && !text.matches("https?://\\S+")) {
      throw new IllegalArgumentException(
          "A link starts with http:// or https://; found \"" + text + "\".");
    }
    return text;
  }
}
