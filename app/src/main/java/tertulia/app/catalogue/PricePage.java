package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import tertulia.app.display.Dates;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.working.Ground;
import tertulia.core.working.Provenance;

/**
 * A tool's price page as it is read: plans across, lines down.
 *
 * @param heads plan names
 * @param sources date and origin by plan
 * @param old whether a plan's price is older than it should be
 */
record PricePage(
    List<String> heads,
    List<String> sources,
    List<Boolean> old,
    List<Line> prices,
    List<Line> facts) {

  /** One line: what it is about, and a cell for each plan. */
  record Line(String label, List<String> cells) {}

  static PricePage of(ToolSheet sheet, LocalDate today) {
    ToolForm form = ToolForms.of(sheet, 0);
    List<Line> prices = new ArrayList<>();
    prices.add(new Line("Sold for", sheet.plans().stream().map(PricePage::range).toList()));
    for (ToolForm.ChargeLine line : form.lines) {
      for (TermCode term : TermCode.ALL) {
        List<String> cells = new ArrayList<>();
        for (int p = 0; p < line.cells.size(); p++) {
          cells.add(
              cell(line.cells.get(p), line.kind.equals("banded"), term, sheet.plans().get(p)));
        }
        if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
          prices.add(new Line(line.name + unit(line) + ", " + term.label(), cells));
        }
      }
    }
    List<Line> facts = form.facts.stream().map(f -> new Line(f.capability, f.answers)).toList();
    return new PricePage(
        sheet.plans().stream().map(ToolSheet.PlanPart::name).toList(),
        sheet.plans().stream().map(PricePage::source).toList(),
        sheet.plans().stream().map(plan -> isOld(plan, today)).toList(),
        prices,
        facts);
  }

  private static String range(ToolSheet.PlanPart plan) {
    String unit = Codes.measure(plan.measure()).label();
    Integer most = plan.most();
    if (plan.prices().isEmpty()) {
      return "price on request";
    }
    if (most == null) {
      return plan.least() == 0 ? "any number" : plan.least() + " " + unit + " or more";
    }
    return (plan.least() == 0 ? "up to " : plan.least() + " to ") + most + " " + unit;
  }

  private static String unit(ToolForm.ChargeLine line) {
    return switch (line.kind) {
      case "flat" -> ", for the account";
      case "banded" -> ", " + line.mode + " bands of " + Codes.measure(line.measure).label();
      default -> ", each of the " + Codes.measure(line.measure).label();
    };
  }

  private static String cell(
      ToolForm.ChargeCell cell, boolean banded, TermCode term, ToolSheet.PlanPart plan) {
    String price = cell.prices.getOrDefault(term.code(), "");
    if (price.isEmpty()) {
      return "";
    }
    StringBuilder text = new StringBuilder(banded ? bands(price) : price);
    text.append(' ').append(plan.currency()).append(" a month");
    note(text, cell.minimum, "at least %s");
    note(text, cell.pack, "in packs of %s");
    note(text, cell.included, "%s included");
    return text.toString();
  }

  /** The form's bands in words: "to 60: 7.90 each; above: 4.60 each". */
  private static String bands(String text) {
    return text.lines().map(PricePage::band).collect(Collectors.joining("; "));
  }

  private static String band(String line) {
    List<String> words = List.of(line.strip().split("\\s+"));
    String stretch = words.getFirst().equals("more") ? "above: " : "to " + words.getFirst() + ": ";
    boolean each = words.get(1).matches("0*[.]?0*");
    String flat = words.size() > 2 ? words.get(2) + " flat" : "";
    if (each) {
      return stretch + (flat.isEmpty() ? "0" : flat);
    }
    return stretch + words.get(1) + " each" + (flat.isEmpty() ? "" : " and " + flat);
  }

  private static void note(StringBuilder text, String value, String words) {
    if (!value.isEmpty()) {
      text.append(", ").append(String.format(Locale.ROOT, words, value));
    }
  }

  private static String source(ToolSheet.PlanPart plan) {
    ToolSheet.SourcePart source = plan.source();
    return Dates.day(LocalDate.parse(source.asOf()))
        + ", "
        + Codes.oneOf(Ground.class, source.ground()).words()
        + (source.who().isEmpty() ? "" : ", " + source.who());
  }

  private static boolean isOld(ToolSheet.PlanPart plan, LocalDate today) {
    return Provenance.of(LocalDate.parse(plan.source().asOf()), Ground.OTHER).isOldOn(today);
  }
}
