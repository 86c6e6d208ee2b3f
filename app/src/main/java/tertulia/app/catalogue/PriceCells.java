package tertulia.app.catalogue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.exchange.TypedPrice;

/** The price cells of one column of the form as price lists by term. */
final class PriceCells {
  /** Which end of "8 to 14" is meant. */
  enum End {
    LOW,
    HIGH
  }

  private static final String PERIOD =
      "(?:[ \\t]+(?:(?:a|per)[ \\t]+(?:year|month)|for[ \\t]+[0-9]{1,2}[ \\t]+months))?";
  private static final Pattern RANGE =
      Pattern.compile("([0-9.,]+)(" + PERIOD + ")[ \\t]+to[ \\t]+([0-9.,]+)(" + PERIOD + ")");
  private static final String FROM = "from ";
  private static final Pattern FEE = Pattern.compile("(?:([0-9.,]+)\\s*%)?\\s*\\+?\\s*([0-9.,]+)?");

  /** A smaller share is a fraction typed for percents. */
  private static final BigDecimal LEAST = new BigDecimal("0.1");

  private final ToolForm form;
  private final Faults faults;
  private final int p;
  private final End end;
  private final Map<String, ToolSheet.ChargePart> charged = new LinkedHashMap<>();
  private final Map<String, String> typed = new LinkedHashMap<>();
  private boolean isFrom;

  PriceCells(ToolForm form, Faults faults, int p, End end) {
    this.form = form;
    this.faults = faults;
    this.p = p;
    this.end = end;
  }

  /** The lists; empty if nothing is priced and the plan is not free. */
  List<ToolSheet.TermPart> terms() {
    List<String> sold =
        TermCode.ALL.stream()
            .map(TermCode::code)
            .filter(code -> form.lines.stream().anyMatch(line -> !price(line, code).isBlank()))
            .toList();
    boolean anyTerm =
        form.lines.stream().anyMatch(line -> !price(line, ToolForm.ANY_TERM).isBlank());
    boolean free = form.plans.get(p).basis.equals("free");
    if (sold.isEmpty() && !anyTerm && !free) {
      return List.of();
    }
    refuseOnRequest();
    return (sold.isEmpty() ? List.of("m1") : sold).stream().map(this::term).toList();
  }

  /** A plan has prices or is on request; half of each would be a total nobody asked for. */
  private void refuseOnRequest() {
    for (int l = 0; l < form.lines.size(); l++) {
      ToolForm.ChargeLine line = form.lines.get(l);
      Map<String, String> prices = p < line.cells.size() ? line.cells.get(p).prices : Map.of();
      for (Map.Entry<String, String> price : prices.entrySet()) {
        if (price.getValue() != null && isOnRequest(price.getValue())) {
          faults.add(
              "lines[" + l + "].cells[" + p + "].prices[" + price.getKey() + "]",
              "\"on request\" is for a plan without any price, and this one has some. Leave the"
                  + " cell empty: under this term it is then not sold openly.");
        }
      }
    }
  }

  /** What each price was read as, by its field; those that could not be read are not there. */
  Map<String, ToolSheet.ChargePart> charged() {
    return charged;
  }

  /** Whether some price was written as the least it costs, as in "from 15,000". */
  boolean isFrom() {
    return isFrom;
  }

  /** What stands in a field of {@link #charged}. */
  String typed(String field) {
    return typed.getOrDefault(field, "");
  }

  /** What is typed; nothing where the price is on request, which is no price. */
  private String price(ToolForm.ChargeLine line, String code) {
    String price = p < line.cells.size() ? line.cells.get(p).prices.get(code) : null;
    return price == null || isOnRequest(price) ? "" : price;
  }

  private static boolean isOnRequest(String price) {
    return price.strip().equalsIgnoreCase("on request");
  }

  private ToolSheet.TermPart term(String code) {
    List<ToolSheet.ChargePart> charges = new ArrayList<>();
    Map<String, List<ToolSheet.ChargePart>> addOns = new LinkedHashMap<>();
    String minimum = null;
    for (int l = 0; l < form.lines.size(); l++) {
      ToolForm.ChargeLine line = form.lines.get(l);
      String term = price(line, code).isBlank() ? ToolForm.ANY_TERM : code;
      String at = "lines[" + l + "].cells[" + p + "].prices[" + term + "]";
      String price = oneEnd(at, price(line, term));
      ChargeKind kind = price.isBlank() ? null : kind(l);
      if (kind == ChargeKind.YEARLY_MINIMUM) {
        minimum = decimal(at, price);
      } else if (kind != null) {
        charge(kind, l, at, price)
            .filter(charge -> isPossible(at, charge))
            .map(charge -> noted(at, price(line, term), charge))
            .ifPresent(
                (line.addOn.isBlank()
                        ? charges
                        : addOns.computeIfAbsent(line.addOn.strip(), name -> new ArrayList<>()))
                    ::add);
      }
    }
    TermCode term = TermCode.of(code);
    return new ToolSheet.TermPart(
        term.term().monthsCommitted(),
        term.upFront(),
        charges,
        addOns.entrySet().stream()
            .map(addOn -> new ToolSheet.AddOnPart(addOn.getKey(), addOn.getValue()))
            .toList(),
        minimum);
  }

  private @Nullable ChargeKind kind(int l) {
    return faults
        .at("lines[" + l + "].kind", () -> ChargeKind.of(form.lines.get(l).kind))
        .orElse(null);
  }

  private ToolSheet.ChargePart noted(String at, String text, ToolSheet.ChargePart charge) {
    charged.put(at, charge);
    typed.put(at, text.strip());
    return charge;
  }

  private boolean isPossible(String at, ToolSheet.ChargePart charge) {
    return faults
        .at(
            at,
            () -> {
              ToolReader.charge(charge, CurrencyUnit.EUR);
              return true;
            })
        .orElse(false);
  }

  private Optional<ToolSheet.ChargePart> charge(ChargeKind kind, int l, String at, String price) {
    ToolForm.ChargeLine line = form.lines.get(l);
    ToolForm.ChargeCell cell = line.cells.get(p);
    String here = "lines[" + l + "].cells[" + p + "]";
    if (line.name.isBlank()) {
      faults.add("lines[" + l + "].name", "This charge has a price but no name. Name it.");
      return Optional.empty();
    }
    String name = faults.at("lines[" + l + "].name", () -> Codes.text(line.name, 120)).orElse("");
    if ((kind == ChargeKind.PER_UNIT || kind == ChargeKind.FLAT)
        && BandText.isBands(price, currency())) {
      faults.add(
          at,
          "\""
              + Codes.shortened(price)
              + "\" is a price in bands. Choose \"in bands, all units at one price\" beside"
              + " \"priced\", or \"slice by slice\" if each band's price is only for its own"
              + " units.");
      return Optional.empty();
    }
    return switch (kind) {
      case FLAT -> Optional.of(new ToolSheet.FlatPart(name, monthly(at, price)));
      case ONE_OFF -> Optional.of(new ToolSheet.OneOffPart(name, decimal(at, price), null));
      case ONE_OFF_EACH ->
          Optional.of(new ToolSheet.OneOffPart(name, decimal(at, price), line.measure));
      case USAGE -> usage(here, at, name, line, price);
      case PAYMENT_FEE -> faults.at(at, () -> fee(name, line.measure, price));
      case BANDED_WHOLE -> Optional.of(banded(here, at, name, line, "whole", price));
      case BANDED_SLICED -> Optional.of(banded(here, at, name, line, "sliced", price));
      case PER_UNIT ->
          Optional.of(
              new ToolSheet.PerUnitPart(
                  name,
                  line.measure,
                  monthly(at, price),
                  whole(here + ".minimum", cell.minimum, 0),
                  whole(here + ".pack", cell.pack, 1),
                  whole(here + ".included", cell.included, 0)));
      case YEARLY_MINIMUM ->
          throw new IllegalArgumentException("A yearly minimum is no charge of its own.");
    };
  }

  private ToolSheet.ChargePart banded(
      String here, String at, String name, ToolForm.ChargeLine line, String mode, String price) {
    ToolForm.ChargeCell cell = line.cells.get(p);
    return new ToolSheet.BandedPart(
        name,
        line.measure,
        mode,
        TypedPrice.isNothing(price)
            ? List.of(new ToolSheet.BandPart(null, "0", "0"))
            : BandText.read(price, currency(), sentence -> faults.add(at, sentence)),
        whole(here + ".minimum", cell.minimum, 0),
        whole(here + ".pack", cell.pack, 1),
        whole(here + ".included", cell.included, 0));
  }

  private Optional<ToolSheet.ChargePart> usage(
      String here, String at, String name, ToolForm.ChargeLine line, String price) {
    ToolForm.ChargeCell cell = line.cells.get(p);
    String block = cell.pack.isBlank() ? "1" : decimal(here + ".pack", cell.pack);
    IncludedText included =
        cell.included.isBlank()
            ? IncludedText.NOTHING
            : faults
                .at(here + ".included", () -> IncludedText.read(cell.included, form.measures()))
                .orElse(IncludedText.NOTHING);
    return Optional.of(
        new ToolSheet.UsagePart(
            name,
            line.measure,
            decimal(at, price),
            block,
            included.perAccount(),
            included.perSeat(),
            included.seats()));
  }

  /** "2.65 % + 0.18", "2.65 %" or "0.18". */
  private static ToolSheet.ChargePart fee(String name, String measure, String text) {
    if (TypedPrice.isNothing(text)) {
      return new ToolSheet.PaymentFeePart(name, measure, "0", "0");
    }
    Matcher matcher = FEE.matcher(text.strip());
    if (!matcher.matches() || (matcher.group(1) == null && matcher.group(2) == null)) {
      throw new IllegalArgumentException(
          "\""
              + text.strip()
              + "\" is no fee of a payment. Write the share, the fixed amount, or both: \"2.65 % +"
              + " 0.18\".");
    }
    String percent = numberOrZero(matcher.group(1));
    if (new BigDecimal(percent).signum() > 0 && new BigDecimal(percent).compareTo(LEAST) < 0) {
      throw new IllegalArgumentException(
          percent + " % of a payment would be next to nothing. Write 2.65 for 2.65 %.");
    }
    return new ToolSheet.PaymentFeePart(name, measure, percent, numberOrZero(matcher.group(2)));
  }

  private static String numberOrZero(@Nullable String text) {
    return text == null ? "0" : Codes.decimal(text).toPlainString();
  }

  /** What was typed, with every range "8 to 14" brought to one end if prices are assumed. */
  private String oneEnd(String at, String text) {
    String stripped = text.strip();
    if (stripped.toLowerCase(Locale.ROOT).startsWith(FROM)) {
      isFrom = true;
      if (!List.of("listed", "from").contains(form.plans.get(p).basis)) {
        faults.add(
            at,
            "\""
                + Codes.shortened(stripped)
                + "\" is the least it costs. Mark the plan's prices \"from\", or write what it"
                + " costs.");
      }
      return stripped.substring(FROM.length());
    }
    Matcher range = RANGE.matcher(text);
    if (!range.find()) {
      return text;
    }
    if (!form.plans.get(p).basis.equals("assumed")) {
      faults.add(
          at,
          "\""
              + text.strip()
              + "\" is a range. Mark the plan's prices \"assumed\" to enter one, or write one"
              + " price.");
    }
    return range.replaceAll(ends ->
        end == End.HIGH
            ? ends.group(3) + ends.group(4)
            // what is said once, after both, holds for both
            : ends.group(1) + (ends.group(2).isEmpty() ? ends.group(4) : ends.group(2)));
  }

  /** A price a month. */
  private String monthly(String at, String text) {
    return faults.at(at, () -> TypedPrice.read(text, currency(), true)).orElse("0");
  }

  /** A price that is not one of every month, or a number. */
  private String decimal(String at, String text) {
    return faults.at(at, () -> TypedPrice.read(text, currency(), false)).orElse("0");
  }

  private String currency() {
    return form.plans.get(p).currency;
  }

  private int whole(String at, @Nullable String text, int blank) {
    if (text == null || text.isBlank()) {
      return blank;
    }
    return faults.at(at, () -> TypedNumber.readWhole(text)).orElse(1);
  }
}
