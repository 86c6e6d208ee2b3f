package tertulia.app.decision;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import tertulia.app.display.Dates;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.ProvisoPart;
import tertulia.app.exchange.ProvisoPart.Kind;
import tertulia.app.exchange.TypedDate;
import tertulia.app.exchange.TypedNumber;
import tertulia.core.decision.Proviso;
import tertulia.core.evaluation.Selection;

/**
 * Conditions of a decision as they are typed: in each line what is bounded, and the limit.
 *
 * @param choices what can be bounded, under headings
 */
record ProvisoForm(List<Line> lines, Map<String, List<Choice>> choices) {
  private static final int EMPTY = 2;

  /**
   * A line.
   *
   * @param what the code of a choice; empty: none
   */
  record Line(int n, String what, String limit) {
    public String field() {
      return "holds" + n;
    }

    public String limitField() {
      return "limit" + n;
    }
  }

  /** What can be bounded. */
  record Choice(String code, String label) {}

  /** With what was typed or is stored, and two empty lines. */
  static ProvisoForm of(Selection selection, Map<String, String> typed) {
    List<Line> lines = new ArrayList<>();
    for (int n = 1; n <= Limits.PROVISOS; n++) {
      String what = typed.getOrDefault("holds" + n, "");
      String limit = typed.getOrDefault("limit" + n, "");
      if (!what.isEmpty() || !limit.isEmpty()) {
        lines.add(new Line(lines.size() + 1, what, limit));
      }
    }
    int filled = lines.size();
    for (int n = filled + 1; n <= Math.min(filled + EMPTY, Limits.PROVISOS); n++) {
      lines.add(new Line(n, "", ""));
    }
    return new ProvisoForm(lines, choices(selection));
  }

  /** Stored conditions as they are typed. */
  static Map<String, String> typed(List<Proviso> provisos) {
    Map<String, String> typed = new LinkedHashMap<>();
    for (int i = 0; i < provisos.size(); i++) {
      ProvisoPart part = ProvisoPart.of(provisos.get(i));
      typed.put("holds" + (i + 1), code(part.kind(), part.about()));
      typed.put(
          "limit" + (i + 1),
          provisos.get(i) instanceof Proviso.Until until
              ? Dates.day(until.day())
              : part.limit() == null ? "" : part.limit());
    }
    return typed;
  }

  private static String code(String kind, @Nullable String about) {
    return about == null ? kind : kind + " " + about;
  }

  private static Map<String, List<Choice>> choices(Selection selection) {
    Map<String, List<Choice>> choices = new LinkedHashMap<>();
    List<Choice> people = new ArrayList<>();
    number(people, "people", "people");
    selection.groups().forEach(g -> number(people, "group/" + g.id(), "people in " + g.name()));
    selection.demands().keySet().forEach(m -> number(people, "measure/" + m.id(), m.label()));
    choices.put("How many", people);
    choices.put(
        "Cost",
        List.of(
            choice(Kind.COST_A_MONTH, "Costs at most … a month"),
            choice(
                Kind.COST_IN_ALL,
                "Costs at most … over " + Figures.counted(selection.horizon().months(), "months")),
            choice(Kind.PRICE_RISE, "The price of its plan rises by at most … %"),
            choice(Kind.SAME_PLAN, "Needs no other plan than planned")));
    List<Choice> has =
        selection.needs().stream()
            .map(need -> need.capability())
            .map(c ->
                new Choice(
                    code(Codes.code(Kind.STILL_HAS), "need/" + c.id()),
                    "Still has “" + c.name() + "”"))
            .toList();
    if (!has.isEmpty()) {
      choices.put("What it has", has);
    }
    choices.put(
        "Other",
        List.of(choice(Kind.LEADS, "Leads in every case"), choice(Kind.UNTIL, "Until the day …")));
    return choices;
  }

  private static void number(List<Choice> choices, String about, String what) {
    choices.add(new Choice(code(Codes.code(Kind.AT_MOST), about), "At most … " + what));
    choices.add(new Choice(code(Codes.code(Kind.AT_LEAST), about), "At least … " + what));
  }

  private static Choice choice(Kind kind, String label) {
    return new Choice(Codes.code(kind), label);
  }

  /** What was typed; faults stand at the limit of their line. */
  static List<Proviso> read(Map<String, String> typed, CurrencyUnit currency, Faults faults) {
    List<Proviso> provisos = new ArrayList<>();
    int line = 0;
    for (int n = 1; n <= Limits.PROVISOS; n++) {
      String what = typed.getOrDefault("holds" + n, "").strip();
      String limit = typed.getOrDefault("limit" + n, "").strip();
      if (what.isEmpty() && limit.isEmpty()) {
        continue;
      }
      line++;
      Optional<Proviso> read = faults.at("limit" + line, () -> read(what, limit, currency));
      read.ifPresent(provisos::add);
    }
    return provisos;
  }

  private static Proviso read(String what, String limit, CurrencyUnit currency) {
    if (what.isEmpty()) {
      throw new IllegalArgumentException(
          "“" + Codes.shortened(limit) + "” is the limit of nothing. Choose what it is of.");
    }
    String[] parts = what.split(" ", 2);
    Kind kind = Codes.oneOf(Kind.class, parts[0]);
    if (kind.isLimited() && limit.isEmpty()) {
      throw new IllegalArgumentException("This is empty. Enter the limit.");
    }
    return new ProvisoPart(
            parts[0], parts.length > 1 ? parts[1] : null, limit(kind, limit, currency))
        .toCore();
  }

  private static @Nullable String limit(Kind kind, String limit, CurrencyUnit currency) {
    return switch (kind) {
      case AT_MOST, AT_LEAST -> "" + TypedNumber.readWhole(limit);
      case COST_A_MONTH, COST_IN_ALL ->
          Codes.money(TypedNumber.read(limit).text(), currency).getAmount().toPlainString();
      case PRICE_RISE -> TypedNumber.read(limit).text();
      case UNTIL -> TypedDate.day(limit).toString();
      case STILL_HAS, SAME_PLAN, LEADS -> null;
    };
  }
}
