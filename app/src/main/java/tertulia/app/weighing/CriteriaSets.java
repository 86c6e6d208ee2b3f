package tertulia.app.weighing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Limits;

/** Criteria to begin with, for each work area: all marked by the table, each with what is good. */
final class CriteriaSets {
  private static final Sets SHIPPED = read();

  private CriteriaSets() {}

  private record Sets(List<Set> sets) {}

  /** The criteria of a work area. */
  record Set(String id, String name, List<Proposed> criteria) {
    /** Whether it is the set of a work area, by its first word. */
    private boolean isOf(String area) {
      String word = area.strip().toLowerCase(Locale.ROOT).split("\\s")[0];
      return !word.isEmpty() && name.toLowerCase(Locale.ROOT).startsWith(word);
    }

    List<Brief.CriterionPart> parts() {
      List<Brief.CriterionPart> parts = new ArrayList<>();
      criteria.forEach(c ->
          parts.add(
              new Brief.CriterionPart(
                  Codes.slug(c.name()),
                  c.name(),
                  "judged",
                  null,
                  null,
                  null,
                  null,
                  c.meaning(),
                  null,
                  c.heading())));
      return parts;
    }
  }

  /** A criterion as it is proposed. */
  record Proposed(String name, String heading, String meaning) {}

  /**
   * All sets, those of some work areas first.
   *
   * @param areas of the contenders, as their pages name them
   */
  static List<Set> first(Collection<String> areas) {
    return SHIPPED.sets().stream()
        .sorted(Comparator.comparing(set -> areas.stream().noneMatch(set::isOf)))
        .toList();
  }

  static List<Set> all() {
    return SHIPPED.sets();
  }

  /**
   * A brief with criteria added that it does not have yet, by name, as many as there can be.
   *
   * @param others from a set or from another selection
   */
  static Brief adding(Brief brief, List<Brief.CriterionPart> others) {
    List<Brief.CriterionPart> all = new ArrayList<>(brief.criteria());
    for (Brief.CriterionPart other : others) {
      boolean there = all.stream().anyMatch(c -> isSame(c, other));
      if (!there && all.size() < Limits.CRITERIA) {
        String id = Codes.unused(other.id(), all.stream().map(Brief.CriterionPart::id).toList());
        all.add(
            new Brief.CriterionPart(
                id,
                other.name(),
                other.kind(),
                other.worst(),
                other.best(),
                other.prior(),
                other.strength(),
                other.meaning(),
                other.number(),
                other.heading()));
      }
    }
    return brief.withCriteria(all);
  }

  /** Of cost, coverage and ratings one is enough, whatever it is called. */
  private static boolean isSame(Brief.CriterionPart one, Brief.CriterionPart other) {
    boolean worked = List.of("cost", "coverage", "ratings").contains(one.kind());
    return worked && one.kind().equals(other.kind())
        || one.name().toLowerCase(Locale.ROOT).equals(other.name().toLowerCase(Locale.ROOT));
  }

  private static Sets read() {
    try (InputStream in =
        Objects.requireNonNull(CriteriaSets.class.getResourceAsStream("/criteria-sets.json"))) {
      return Json.stored(new String(in.readAllBytes(), StandardCharsets.UTF_8), Sets.class);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
