package tertulia.app.act;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.core.growth.Measure;

/** What of a question changed from one stored state to the next, in words. */
final class BriefChanges {
  private final List<String> lines = new ArrayList<>();

  private BriefChanges() {}

  static List<String> between(Brief before, Brief now) {
    BriefChanges changes = new BriefChanges();
    changes.value("The question", before.title(), now.title());
    changes.whole("What it is for", before.purpose(), now.purpose());
    changes.value("The first month", before.start(), now.start());
    changes.value("Months", before.months(), now.months());
    changes.value("The currency", before.currency(), now.currency());
    changes.value("Prices rise a year, %", before.priceRisePercent(), now.priceRisePercent());
    changes.value("Rates and prices as of", before.asOf(), now.asOf());
    changes.value("The average payment", before.averagePayment(), now.averagePayment());
    changes.parts("Need", before.needs(), now.needs(), Brief.NeedPart::name);
    changes.parts("Criterion", before.criteria(), now.criteria(), Brief.CriterionPart::name);
    changes.parts("Group", before.groups(), now.groups(), Brief.GroupPart::name);
    changes.parts(
        "What is counted of", before.demand(), now.demand(), part -> counted(part.measure()));
    changes.parts("Rate", before.rates(), now.rates(), rate -> rate.from() + " to " + rate.to());
    changes.whole("The scenarios of growth", before.scenarios(), now.scenarios());
    changes.whole("Staff time and leaving early", before.practice(), now.practice());
    changes.value(
        "The people follow the growth plan",
        before.follows() ? "yes" : "no",
        now.follows() ? "yes" : "no");
    return changes.lines;
  }

  /** One's own are called by their word, the usual ones by their id. */
  private static String counted(String measure) {
    return Measure.isDefinition(measure) ? Measure.of(measure).label() : measure;
  }

  private void value(String what, @Nullable Object before, @Nullable Object now) {
    if (!Objects.equals(before, now)) {
      lines.add(what + ": " + said(before) + " → " + said(now));
    }
  }

  private static String said(@Nullable Object value) {
    return value == null ? "not stated" : String.valueOf(value);
  }

  /** What is too long to be said twice. */
  private void whole(String what, @Nullable Object before, @Nullable Object now) {
    if (!Objects.equals(before, now)) {
      lines.add(what + ": changed");
    }
  }

  private <T> void parts(String kind, List<T> before, List<T> now, Function<T, String> name) {
    Map<String, T> old = byName(before, name);
    Map<String, T> current = byName(now, name);
    current.forEach((key, part) -> {
      if (!old.containsKey(key)) {
        lines.add(kind + " “" + key + "”: new");
      } else if (!part.equals(old.get(key))) {
        lines.add(kind + " “" + key + "”: changed");
      }
    });
    for (String key : old.keySet()) {
      if (!current.containsKey(key)) {
        lines.add(kind + " “" + key + "”: taken out");
      }
    }
    if (Set.copyOf(old.keySet()).equals(Set.copyOf(current.keySet()))
        && !List.copyOf(old.keySet()).equals(List.copyOf(current.keySet()))) {
      lines.add(kind + "s: in another order");
    }
  }

  private static <T> Map<String, T> byName(List<T> parts, Function<T, String> name) {
    Map<String, T> byName = new LinkedHashMap<>();
    parts.forEach(part -> byName.put(name.apply(part), part));
    return byName;
  }
}
