package tertulia.app.inuse;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.Limits;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TermCode;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedDate;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.exchange.TypedPrice;
import tertulia.core.growth.Measure;
import tertulia.core.working.Ground;

/**
 * One tool in use as it is typed or stands in a row of a table.
 *
 * @param known the tools of the catalogue
 * @param groups of the growth plan
 */
record InUseLine(List<ToolSheet> known, List<Brief.GroupPart> groups, LocalDate today) {
  /** The fields, as forms name them and tables head them. */
  static final List<String> FIELDS =
      List.of(
          "tool", "plan", "units", "price", "currency", "term", "ends", "notice", "users", "areas");

  private static final String USUAL_PLAN = "As paid";
  private static final int MOST_AREAS = 40;

  /**
   * What was typed.
   *
   * @param brought a page of what is paid, of a tool that the catalogue does not have
   */
  record Read(InUsePart part, Optional<ToolSheet> brought) {}

  /** Empty if anything was refused; faults stand at the field. */
  Optional<Read> read(Map<String, String> typed, Faults faults) {
    Optional<String> name =
        faults.at(
            "tool", () -> Codes.text(needed(typed, "tool", "Enter the tool’s name."), Limits.NAME));
    Optional<ToolSheet> sheet = name.flatMap(this::known);
    boolean fresh = name.isPresent() && sheet.isEmpty();
    Optional<ToolSheet.PlanPart> plan =
        sheet.flatMap(page -> plan(page, of(typed, "plan"), faults));
    Optional<TermCode> term = term(of(typed, "term"), plan, faults);
    String currency = currency(of(typed, "currency"), plan, faults);
    @Nullable String paid = price(of(typed, "price"), currency, fresh, faults);
    term.ifPresent(t -> plan.ifPresent(p -> checkSold(p, t, paid, faults)));
    Optional<Integer> units =
        faults.at(
            "units",
            () ->
                TypedNumber.readWhole(
                    needed(typed, "units", "Enter how many seats are paid for.")));
    @Nullable String ends = ends(of(typed, "ends"), faults);
    String notice = of(typed, "notice");
    @Nullable String noticeBy =
        ends == null || notice.isEmpty()
            ? null
            : faults.at("notice", () -> TypedDate.day(notice).toString()).orElse(null);
    @Nullable Integer noticeDays =
        ends != null || notice.isEmpty()
            ? null
            : faults.at("notice", () -> days(notice)).orElse(null);
    List<String> users = faults.at("users", () -> users(of(typed, "users"))).orElse(List.of());
    faults.at("plan", () -> Codes.text(of(typed, "plan"), Limits.NAME));
    List<String> areas =
        faults
            .at("areas", () -> areas(of(typed, "areas")))
            .filter(named -> !named.isEmpty())
            .or(() -> sheet.map(ToolSheet::areas))
            .orElse(List.of());
    if (!faults.isEmpty() || term.isEmpty() || units.isEmpty()) {
      return Optional.empty();
    }
    String planName = of(typed, "plan").isEmpty() ? USUAL_PLAN : of(typed, "plan");
    Optional<ToolSheet> brought =
        fresh
            ? Optional.of(page(name.orElseThrow(), planName, term.get(), currency, paid, areas))
            : Optional.empty();
    ToolSheet page = sheet.or(() -> brought).orElseThrow();
    InUsePart part =
        new InUsePart(
            page.id(),
            plan.map(ToolSheet.PlanPart::id).orElseGet(() -> page.plans().getFirst().id()),
            term.get().term().monthsCommitted(),
            term.get().upFront(),
            units.get(),
            plan.map(ToolSheet.PlanPart::measure).orElse(Measure.SEATS.id()),
            fresh ? null : paid,
            fresh || paid == null ? null : currency,
            ends,
            noticeBy,
            noticeDays,
            users,
            areas);
    return faults.isEmpty() ? Optional.of(new Read(part, brought)) : Optional.empty();
  }

  private static String of(Map<String, String> typed, String field) {
    return typed.getOrDefault(field, "").strip();
  }

  private static String needed(Map<String, String> typed, String field, String remedy) {
    String text = of(typed, field);
    if (text.isEmpty()) {
      throw new IllegalArgumentException("This is empty. " + remedy);
    }
    return text;
  }

  private Optional<ToolSheet> known(String name) {
    return known.stream().filter(sheet -> sheet.name().equalsIgnoreCase(name)).findFirst();
  }

  private static Optional<ToolSheet.PlanPart> plan(ToolSheet page, String name, Faults faults) {
    return faults.at(
        "plan",
        () -> {
          if (name.isEmpty() && page.plans().size() == 1) {
            return page.plans().getFirst();
          }
          return page.plans().stream()
              .filter(plan -> plan.name().equalsIgnoreCase(name))
              .findFirst()
              .orElseThrow(() ->
                  new IllegalArgumentException(
                      (name.isEmpty()
                              ? "This is empty. "
                              : page.name() + " has no plan “" + Codes.shortened(name) + "”. ")
                          + "Enter one of "
                          + names(page.plans().stream().map(ToolSheet.PlanPart::name).toList())
                          + "."));
        });
  }

  private static String names(List<String> names) {
    return names.isEmpty() ? "none" : String.join(", ", names);
  }

  private static Optional<TermCode> term(
      String typed, Optional<ToolSheet.PlanPart> plan, Faults faults) {
    if (typed.isEmpty() && plan.isPresent() && plan.get().prices().size() == 1) {
      return Optional.of(code(plan.get().prices().getFirst()));
    }
    return faults.at(
        "term",
        () ->
            TermCode.ALL.stream()
                .filter(term -> term.code().equals(typed) || term.label().equalsIgnoreCase(typed))
                .findFirst()
                .orElseThrow(() ->
                    new IllegalArgumentException(
                        (typed.isEmpty()
                                ? "This is empty."
                                : "“" + Codes.shortened(typed) + "” is no term.")
                            + " Enter one of: "
                            + TermCode.ALL.stream()
                                .map(TermCode::label)
                                .collect(Collectors.joining("; "))
                            + ".")));
  }

  private static TermCode code(ToolSheet.TermPart part) {
    return TermCode.of(part.monthsCommitted(), part.upFront());
  }

  private static String currency(String typed, Optional<ToolSheet.PlanPart> plan, Faults faults) {
    return typed.isEmpty()
        ? plan.map(ToolSheet.PlanPart::currency).orElse("EUR")
        : faults.at("currency", () -> Codes.currency(typed).getCode()).orElse("EUR");
  }

  private static @Nullable String price(
      String typed, String currency, boolean fresh, Faults faults) {
    if (typed.isEmpty()) {
      if (fresh) {
        faults.add(
            "price",
            "The catalogue has no tool of this name, so its price is not known. Enter what is paid"
                + " for a seat a month, or the tool’s name as the catalogue has it.");
      }
      return null;
    }
    return faults.at("price", () -> TypedPrice.read(typed, currency, true)).orElse(null);
  }

  /** Whether it goes on at a price of the page, or at least until its end at the price as paid. */
  private static void checkSold(
      ToolSheet.PlanPart plan, TermCode term, @Nullable String paid, Faults faults) {
    boolean sold = plan.prices().stream().anyMatch(part -> code(part).equals(term));
    if (!sold && paid == null) {
      faults.add(
          "term",
          plan.name()
              + " is not listed "
              + term.label()
              + "; it is listed "
              + names(plan.prices().stream().map(part -> code(part).label()).toList())
              + ". Choose one of these, or enter the price as paid.");
    }
  }

  private static @Nullable String ends(String typed, Faults faults) {
    if (typed.isEmpty()) {
      return null;
    }
    Faults tried = new Faults();
    Optional<YearMonth> month = tried.at("ends", () -> TypedDate.month(typed));
    return month
        .or(() -> tried.at("ends", () -> YearMonth.from(TypedDate.day(typed))))
        .or(() -> faults.at("ends", () -> TypedDate.month(typed)))
        .map(YearMonth::toString)
        .orElse(null);
  }

  private static int days(String typed) {
    String number = typed.toLowerCase(Locale.ROOT).replaceFirst("\\s*days?$", "");
    try {
      return TypedNumber.readWhole(number);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "“"
              + Codes.shortened(typed)
              + "” is no number of days. Enter one, such as 30, or the last month of a term above.",
          e);
    }
  }

  private static List<String> areas(String typed) {
    List<String> areas =
        NameList.read(typed).stream()
            .map(name -> Codes.text(name, Limits.NAME))
            .distinct()
            .toList();
    if (areas.size() > MOST_AREAS) {
      throw new IllegalArgumentException(
          "These are "
              + areas.size()
              + " work areas; at most "
              + MOST_AREAS
              + " are kept. Leave some out.");
    }
    return areas;
  }

  private List<String> users(String typed) {
    List<String> ids = new ArrayList<>();
    for (String name : NameList.read(typed)) {
      ids.add(
          groups.stream()
              .filter(group -> group.name().equalsIgnoreCase(name) || group.id().equals(name))
              .findFirst()
              .orElseThrow(() ->
                  new IllegalArgumentException(
                      "There is no group “"
                          + Codes.shortened(name)
                          + "” under Growth. Enter one of "
                          + names(groups.stream().map(Brief.GroupPart::name).toList())
                          + ", or nothing for everybody."))
              .id());
    }
    return ids.stream().distinct().toList();
  }

  private ToolSheet page(
      String name,
      String plan,
      TermCode term,
      String currency,
      @Nullable String paid,
      List<String> areas) {
    ToolSheet.SourcePart source =
        new ToolSheet.SourcePart(today.toString(), Codes.code(Ground.OTHER), "", "", "as paid", "");
    ToolSheet.PlanPart only =
        new ToolSheet.PlanPart(
            Codes.slug(plan),
            plan,
            currency,
            Measure.SEATS.id(),
            1,
            null,
            null,
            null,
            source,
            List.of(
                new ToolSheet.TermPart(
                    term.term().monthsCommitted(),
                    term.upFront(),
                    List.of(
                        new ToolSheet.PerUnitPart(
                            "Seats", Measure.SEATS.id(), paid == null ? "0" : paid, 0, 1, 0)),
                    List.of(),
                    null)),
            List.of(),
            List.of(),
            List.of(),
            List.of());
    return ToolSheet.named(Codes.slug(name), name, areas).withPlans(List.of(only));
  }

  /** What the list says of a tool, as it is typed. */
  Map<String, String> typed(InUsePart part) {
    Map<String, String> typed = new LinkedHashMap<>();
    Optional<ToolSheet> page =
        known.stream().filter(sheet -> sheet.id().equals(part.tool())).findFirst();
    typed.put("tool", page.map(ToolSheet::name).orElse(part.tool()));
    typed.put(
        "plan",
        page.stream()
            .flatMap(sheet -> sheet.plans().stream())
            .filter(plan -> plan.id().equals(part.plan()))
            .findFirst()
            .map(ToolSheet.PlanPart::name)
            .orElse(part.plan()));
    typed.put("units", "" + part.units());
    typed.put("price", part.paid() == null ? "" : part.paid());
    typed.put("currency", part.currency() == null ? "" : part.currency());
    typed.put("term", TermCode.of(part.term()).code());
    typed.put("ends", part.ends() == null ? "" : part.ends());
    typed.put(
        "notice",
        part.noticeBy() != null
            ? part.noticeBy()
            : part.noticeDays() == null ? "" : "" + part.noticeDays());
    typed.put(
        "users",
        NameList.write(
            part.users().stream()
                .map(id ->
                    groups.stream()
                        .filter(group -> group.id().equals(id))
                        .findFirst()
                        .map(Brief.GroupPart::name)
                        .orElse(id))
                .toList()));
    typed.put("areas", NameList.write(part.areas()));
    return typed;
  }
}
