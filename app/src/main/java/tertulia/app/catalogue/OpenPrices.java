package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tertulia.app.display.UnsaidWords;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.pricing.Unsaid;

/**
 * What a page does not say of a price, beside the price in the form and in the document. A mark
 * holds as long as the price stands as it was read: who changes it, or says that it is so, takes
 * the mark away.
 */
final class OpenPrices {
  private static final Pattern FIELD =
      Pattern.compile("lines\\[(?<line>\\d{1,4})]\\.cells\\[\\d{1,4}]\\.prices\\[(?<term>\\w+)]");

  private OpenPrices() {}

  /**
   * A mark as the form shows it.
   *
   * @param at the mark's own fields begin so
   * @param note what is not said, in a few words
   * @param sentences the same in full, with how the price counts
   */
  record Mark(String at, ToolForm.OpenPrice open, String note, String sentences) {}

  /** The charge and the term of a price in the form. */
  private record Price(ToolForm.ChargeLine line, String term, String text) {
    /** What is open of it under each term under which it is sold. */
    Stream<ToolSheet.UnsaidPart> open(List<Unsaid.Kind> what, List<String> sold) {
      return (term.equals(ToolForm.ANY_TERM) ? sold.stream() : Stream.of(term))
          .map(code -> new ToolSheet.UnsaidPart(line.name.strip(), code, what));
    }
  }

  /** The name of a price's field. */
  static String field(int line, int plan, String term) {
    return "lines[" + line + "].cells[" + plan + "].prices[" + term + "]";
  }

  /** Leaves something open of the price in a field. */
  static void leave(ToolForm form, int plan, List<Unsaid.Kind> what, String field) {
    price(form, plan, field)
        .filter(price -> !what.isEmpty())
        .ifPresent(price -> {
          ToolForm.OpenPrice open = new ToolForm.OpenPrice();
          open.what = NameList.write(what.stream().map(Codes::code).toList());
          open.at = field;
          open.held = price.text();
          form.plans.get(plan).unsaid.add(open);
        });
  }

  private static Optional<Price> price(ToolForm form, int plan, String field) {
    Matcher found = FIELD.matcher(field);
    if (!found.matches() || Integer.parseInt(found.group("line")) >= form.lines.size()) {
      return Optional.empty();
    }
    ToolForm.ChargeLine line = form.lines.get(Integer.parseInt(found.group("line")));
    String term = found.group("term");
    String text =
        plan < line.cells.size() ? line.cells.get(plan).prices.getOrDefault(term, "") : "";
    boolean known =
        term.equals(ToolForm.ANY_TERM)
            || TermCode.ALL.stream().anyMatch(code -> code.code().equals(term));
    return known && text != null && !text.isBlank()
        ? Optional.of(new Price(line, term, text.strip()))
        : Optional.empty();
  }

  /**
   * What is still open of the prices of the plan in a column, as parts of the document.
   *
   * @param sold codes of the terms under which the plan is sold
   */
  static List<ToolSheet.UnsaidPart> parts(ToolForm form, int plan, List<String> sold) {
    return form.plans.get(plan).unsaid.stream()
        .flatMap(open ->
            held(form, plan, open).stream().flatMap(price -> price.open(kinds(open.what), sold)))
        .distinct()
        .toList();
  }

  /** The price of which something is open; empty if it was changed, or said to be so. */
  private static Optional<Price> held(ToolForm form, int plan, ToolForm.OpenPrice open) {
    return open.settled || kinds(open.what).isEmpty()
        ? Optional.empty()
        : price(form, plan, open.at).filter(price -> price.text().equals(open.held.strip()));
  }

  /** What codes with commas stand for; what is no code is left out. */
  static List<Unsaid.Kind> kinds(String codes) {
    return NameList.read(codes).stream()
        .filter(Codes.codes(Unsaid.Kind.class)::contains)
        .map(code -> Codes.oneOf(Unsaid.Kind.class, code))
        .distinct()
        .toList();
  }

  /** Leaves open in a form what a document leaves open, once its prices are there. */
  static void leave(ToolForm form, ToolSheet sheet) {
    for (int p = 0; p < sheet.plans().size(); p++) {
      for (ToolSheet.UnsaidPart part : sheet.plans().get(p).unsaid()) {
        int plan = p;
        field(form, p, part.charge(), part.term())
            .or(() -> field(form, plan, part.charge(), ToolForm.ANY_TERM))
            .filter(
                field -> form.plans.get(plan).unsaid.stream().noneMatch(o -> o.at.equals(field)))
            .ifPresent(field -> leave(form, plan, part.what(), field));
      }
    }
  }

  /** The field of a plan's price by the name of its charge; empty if there is none. */
  static Optional<String> field(ToolForm form, int plan, String charge, String term) {
    for (int l = 0; l < form.lines.size(); l++) {
      if (form.lines.get(l).name.strip().equals(charge)
          && price(form, plan, field(l, plan, term)).isPresent()) {
        return Optional.of(field(l, plan, term));
      }
    }
    return Optional.empty();
  }

  /** What the form shows, by the field of the price. */
  static Map<String, List<Mark>> byField(ToolForm form) {
    Map<String, List<Mark>> marks = new LinkedHashMap<>();
    for (int p = 0; p < form.plans.size(); p++) {
      List<ToolForm.OpenPrice> all = form.plans.get(p).unsaid;
      for (int i = 0; i < all.size(); i++) {
        ToolForm.OpenPrice open = all.get(i);
        String at = "plans[" + p + "].unsaid[" + i + "]";
        int plan = p;
        held(form, p, open)
            .ifPresent(price -> {
              Matcher found = FIELD.matcher(open.at);
              String field =
                  found.matches()
                      ? field(Integer.parseInt(found.group("line")), plan, price.term())
                      : open.at;
              List<Unsaid.Kind> what = kinds(open.what);
              marks
                  .computeIfAbsent(field, unseen -> new ArrayList<>())
                  .add(new Mark(at, open, UnsaidWords.note(what), UnsaidWords.sentences(what)));
            });
      }
    }
    return marks;
  }
}
