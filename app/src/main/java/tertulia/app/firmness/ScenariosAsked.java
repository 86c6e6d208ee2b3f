package tertulia.app.firmness;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.workspace.Workspace;
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
 * @param given ids of musts of which each alone is given up
 * @param together whether all of them are given up at once, too
 * @param fault what is wrong with it; empty if nothing is
 */
record ScenariosAsked(
    List<Scenario> growth,
    List<PriceRise> rises,
    String typedRises,
    List<Terms> terms,
    List<Need> given,
    boolean together,
    String fault) {
  private static final int MOST_RISES = 5;

  static ScenariosAsked of(Workspace.Session session, MultiValueMap<String, String> query) {
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
    boolean together = values(query, "stogether").contains("yes") && given.size() > 1;
    ScenariosAsked all = new ScenariosAsked(growth, rises, typed, terms, given, together, fault);
    return fault.isEmpty() ? all.checked() : all;
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
        read.add(new PriceRise(percent.movePointLeft(2)));
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

  private ScenariosAsked checked() {
    try {
      axes();
      return this;
    } catch (IllegalArgumentException e) {
      return new ScenariosAsked(
          growth, rises, typedRises, terms, given, together, String.valueOf(e.getMessage()));
    }
  }

  private ScenarioGrid.Axes axes() {
    List<ScenarioGrid.Given> sets = new ArrayList<>();
    sets.add(ScenarioGrid.Given.NOTHING);
    given.forEach(need -> sets.add(new ScenarioGrid.Given(Set.of(need))));
    if (together) {
      sets.add(new ScenarioGrid.Given(Set.copyOf(given)));
    }
    return new ScenarioGrid.Axes(growth, rises, terms, sets);
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
    query.queryParam("srise", typedRises);
    terms.forEach(each -> query.queryParam("sterms", Codes.code(each)));
    given.forEach(need -> query.queryParam("swithout", need.capability().id()));
    if (together) {
      query.queryParam("stogether", "yes");
    }
    return Objects.requireNonNull(query.encode().build().getQuery());
  }
}
