package tertulia.app.firmness;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Selection;
import tertulia.core.fit.Importance;
import tertulia.core.fit.Need;
import tertulia.core.growth.Scenario;
import tertulia.core.money.PriceRise;
import tertulia.core.path.Terms;
import tertulia.core.sensitivity.ScenarioGrid;

/**
 * What is combined, as an address asks for it; what is usual if it asks for nothing.
 *
 * @param rises as they were typed, in percent
 * @param given musts of which each alone is given up
 * @param named sets of needs of the reader's own
 * @param fault what is wrong with it; empty if nothing is
 */
record ScenariosAsked(
    List<Scenario> growth,
    List<PriceRise> rises,
    String typedRises,
    List<Terms> terms,
    List<Need> given,
    List<Named> named,
    String fault) {
  /** Sets of needs of one's own, at most. */
  static final int MOST_NAMED = 3;

  /** Longest name of one. */
  static final int LONGEST_NAME = 40;

  private static final int MOST_RISES = 5;

  /**
   * A set of needs of the reader's own.
   *
   * @param name as it was typed, or "Set 1"
   * @param musts ids of capabilities that must be there
   */
  record Named(String name, Set<String> musts, ScenarioGrid.NeedSet set) {}

  static ScenariosAsked of(Session session, MultiValueMap<String, String> query) {
    Selection selection = session.table().selection();
    boolean asked = query.containsKey("combine");
    List<Scenario> growth =
        asked
            ? selection.scenarios().stream()
                .filter(s -> values(query, "sgrowth").contains(s.id()))
                .toList()
            : selection.scenarios();
    List<Terms> terms = new ArrayList<>();
    for (Terms each : Terms.values()) {
      boolean usual = each != Terms.COMMITTED;
      if (asked ? values(query, "sterms").contains(Codes.code(each)) : usual) {
        terms.add(each);
      }
    }
    List<Need> given =
        musts(selection).stream()
            .filter(need ->
                asked
                    ? values(query, "swithout").contains(need.capability().id())
                    : musts(selection).indexOf(need) == 0)
            .toList();
    String typed =
        asked ? values(query, "srise").stream().findFirst().orElse("") : usual(selection);
    List<PriceRise> rises = new ArrayList<>();
    String fault = read(typed, rises);
    ScenariosAsked all =
        new ScenariosAsked(growth, rises, typed, terms, given, named(selection, query), fault);
    return fault.isEmpty() ? all.checked() : all;
  }

  /** A set that is as stated and has no name is none. */
  private static List<Named> named(Selection selection, MultiValueMap<String, String> query) {
    List<Named> named = new ArrayList<>();
    for (int n = 1; n <= MOST_NAMED; n++) {
      String name = values(query, "sname" + n).stream().findFirst().orElse("").strip();
      Set<String> musts = Set.copyOf(new LinkedHashSet<>(values(query, "smust" + n)));
      if (query.containsKey("sname" + n)) {
        ScenarioGrid.NeedSet set = set(selection, musts);
        if (!name.isEmpty() || !set.equals(ScenarioGrid.NeedSet.AS_STATED)) {
          String shown = name.isEmpty() ? "Set " + n : name;
          named.add(new Named(shortened(shown), musts, set));
        }
      }
    }
    return named;
  }

  private static String shortened(String name) {
    int characters = Math.min(name.codePointCount(0, name.length()), LONGEST_NAME);
    return name.substring(0, name.offsetByCodePoints(0, characters));
  }

  /** Needs that are ticked must be there; musts that are not are asked for no more. */
  private static ScenarioGrid.NeedSet set(Selection selection, Set<String> musts) {
    Set<Need> dropped = new LinkedHashSet<>();
    Set<Need> required = new LinkedHashSet<>();
    for (Need need : selection.needs()) {
      boolean must = need.importance() instanceof Importance.Must;
      boolean ticked = musts.contains(need.capability().id());
      if (must && !ticked) {
        dropped.add(need);
      } else if (!must && ticked) {
        required.add(need);
      }
    }
    return new ScenarioGrid.NeedSet(dropped, required);
  }

  private static List<String> values(MultiValueMap<String, String> query, String name) {
    return query.getOrDefault(name, List.of());
  }

  static List<Need> musts(Selection selection) {
    return selection.needs().stream()
        .filter(need -> need.importance() instanceof Importance.Must)
        .toList();
  }

  /** None, what is stated, and twice that; 5 % if nothing is stated. */
  private static String usual(Selection selection) {
    BigDecimal stated = selection.rise().perYear().movePointRight(2).stripTrailingZeros();
    return stated.signum() <= 0
        ? "0; 5"
        : "0; " + stated.toPlainString() + "; " + stated.multiply(BigDecimal.TWO).toPlainString();
  }

  /** Numbers with a semicolon between, as a comma stands within numbers. */
  private static String read(String typed, List<PriceRise> rises) {
    Set<PriceRise> read = new LinkedHashSet<>();
    for (String part : typed.split(";", -1)) {
      try {
        BigDecimal percent = TypedNumber.read(part.replace("%", "").strip()).value();
        read.add(new PriceRise(percent.movePointLeft(2).stripTrailingZeros()));
      } catch (IllegalArgumentException e) {
        return "“"
            + part.strip()
            + "” is no price rise. Write percents a year with a semicolon between, such as 0; 3; 6.";
      }
    }
    if (read.size() > MOST_RISES) {
      return "At most " + MOST_RISES + " price rises are combined. Leave some out.";
    }
    rises.addAll(read);
    return "";
  }

  /**
   * A rise as an address has it, such as "0.03".
   *
   * @throws IllegalArgumentException if it is none
   */
  static PriceRise rise(String code) {
    return new PriceRise(Codes.decimal(code));
  }

  private ScenariosAsked checked() {
    try {
      axes();
      return this;
    } catch (IllegalArgumentException e) {
      return new ScenariosAsked(
          growth, rises, typedRises, terms, given, named, String.valueOf(e.getMessage()));
    }
  }

  private ScenarioGrid.Axes axes() {
    List<ScenarioGrid.NeedSet> sets = new ArrayList<>();
    sets.add(ScenarioGrid.NeedSet.AS_STATED);
    given.forEach(need -> sets.add(ScenarioGrid.NeedSet.without(Set.of(need))));
    named.stream().map(Named::set).filter(set -> !sets.contains(set)).forEach(sets::add);
    return new ScenarioGrid.Axes(growth, rises, terms, sets);
  }

  /** What a set of needs goes by. */
  String words(ScenarioGrid.NeedSet set) {
    return named.stream()
        .filter(own -> own.set().equals(set))
        .map(Named::name)
        .findFirst()
        .orElseGet(() ->
            set.dropped().isEmpty()
                ? "as stated"
                : "without "
                    + set.dropped().stream()
                        .map(need -> "“" + need.capability().name() + "”")
                        .sorted()
                        .collect(Collectors.joining(" and ")));
  }

  /** The combinations, a row for each choice of needs and terms. */
  List<List<ScenarioGrid.Scene>> rows() {
    List<ScenarioGrid.Scene> all = axes().scenes();
    int across = growth.size() * rises.size();
    List<List<ScenarioGrid.Scene>> rows = new ArrayList<>();
    for (int from = 0; from < all.size(); from += across) {
      rows.add(all.subList(from, from + across));
    }
    return rows;
  }

  /** As it stands in an address after another query. */
  String query() {
    UriComponentsBuilder query = UriComponentsBuilder.newInstance().queryParam("combine", "yes");
    growth.forEach(scenario -> query.queryParam("sgrowth", scenario.id()));
    query.queryParam("srise", UriUtils.encode(typedRises, UTF_8));
    terms.forEach(each -> query.queryParam("sterms", Codes.code(each)));
    given.forEach(need -> query.queryParam("swithout", need.capability().id()));
    for (int n = 0; n < named.size(); n++) {
      query.queryParam("sname" + (n + 1), UriUtils.encode(named.get(n).name(), UTF_8));
      for (String must : named.get(n).musts()) {
        query.queryParam("smust" + (n + 1), must);
      }
    }
    return Objects.requireNonNull(query.build(true).getQuery());
  }
}
