package tertulia.app.need;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.selection.Selections;
import tertulia.app.web.NotFound;
import tertulia.core.evaluation.Selection;
import tertulia.core.inuse.InUse;

/**
 * Where needs can be taken from: what is in use, another selection, or what is on record of the
 * tools of a work area.
 */
@Component
class NeedSources {
  private static final String SELECTION = "selection:";
  private static final String AREA = "area:";
  private static final String IN_USE = "in-use";

  /** What the capability is called of which each tool in use is one. */
  static final String GOES_WITH = "Goes with ";

  private static final int MOST_OF_AREA = 30;
  private final Selections selections;
  private final Catalogue catalogue;

  NeedSources(Selections selections, Catalogue catalogue) {
    this.selections = selections;
    this.catalogue = catalogue;
  }

  /** Something needs can be taken from. */
  record Source(String code, String words) {}

  /** Everything a selection's needs could be taken from. */
  List<Source> of(long selection) {
    List<Source> sources = new ArrayList<>();
    if (!staying(selection).isEmpty()) {
      sources.add(new Source(IN_USE, "that it goes with what stays in use"));
    }
    catalogue.areas().forEach(area -> sources.add(new Source(AREA + area, "work area: " + area)));
    selections.titles().stream()
        .filter(listed -> listed.id() != selection)
        .forEach(listed -> sources.add(new Source(SELECTION + listed.id(), listed.title())));
    return sources;
  }

  /**
   * The needs of a source: another selection's as they are there; of a work area each capability on
   * record, the one most tools have an answer for first, as welcome until somebody says more; of
   * what stays in use that it goes with each of them.
   *
   * @throws NotFound if there is no such source
   */
  List<Brief.NeedPart> needs(long selection, String code) {
    if (code.equals(IN_USE)) {
      return staying(selection).stream()
          .map(name -> new Brief.NeedPart(GOES_WITH + name, "should", 1, false))
          .toList();
    }
    if (code.startsWith(SELECTION) && code.substring(SELECTION.length()).matches("[0-9]{1,18}")) {
      return selections
          .load(Long.parseLong(code.substring(SELECTION.length())))
          .file()
          .brief()
          .needs();
    }
    if (code.startsWith(AREA) && catalogue.areas().contains(code.substring(AREA.length()))) {
      return ofArea(code.substring(AREA.length()));
    }
    throw new NotFound("source of needs \"" + code + "\"");
  }

  /** Names of the tools in use that stay beside some contender. */
  private List<String> staying(long selection) {
    Selection asked = selections.load(selection).selection();
    return asked.beside().tools().stream()
        .filter(use ->
            asked.contenders().stream()
                .anyMatch(c -> !c.asToday() && asked.beside().staying(c.id()).contains(use)))
        .map(InUse::name)
        .toList();
  }

  private List<Brief.NeedPart> ofArea(String area) {
    Map<String, String> names = new LinkedHashMap<>();
    Map<String, Integer> tools = new LinkedHashMap<>();
    catalogue.all().stream()
        .filter(tool -> tool.sheet().areas().contains(area))
        .forEach(tool -> {
          LinkedHashSet<String> own = new LinkedHashSet<>();
          tool.sheet().plans().stream()
              .flatMap(plan -> plan.facts().stream())
              .forEach(fact -> {
                names.putIfAbsent(Codes.slug(fact.capability()), fact.capability());
                own.add(Codes.slug(fact.capability()));
              });
          own.forEach(slug -> tools.merge(slug, 1, Integer::sum));
        });
    return tools.entrySet().stream()
        .sorted(Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder()))
        .limit(MOST_OF_AREA)
        .map(entry ->
            new Brief.NeedPart(
                java.util.Objects.requireNonNull(names.get(entry.getKey())), "could", null, false))
        .toList();
  }
}
