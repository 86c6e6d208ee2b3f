package tertulia.app.weighing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.BriefCheck;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Faults;

/** Between the criteria form and a brief. */
final class CriteriaConverter {
  /** Before the code of what is measured, in the choice of kinds. */
  private static final String MEASURED = "measured:";

  private CriteriaConverter() {}

  /** The brief with the form's criteria, and the faults by field. */
  record Converted(Brief brief, Map<String, String> faults) {}

  static CriteriaForm form(Brief brief, long version) {
    CriteriaForm form = new CriteriaForm();
    form.version = version;
    for (Brief.CriterionPart part : brief.criteria()) {
      CriteriaForm.Line line = new CriteriaForm.Line();
      line.id = part.id();
      line.name = part.name();
      line.kind = part.kind().equals("measured") ? MEASURED + orEmpty(part.number()) : part.kind();
      line.worst = orEmpty(part.worst());
      line.best = orEmpty(part.best());
      line.prior = orEmpty(part.prior());
      line.strength = orEmpty(part.strength());
      line.meaning = orEmpty(part.meaning());
      line.heading = orEmpty(part.heading());
      form.criteria.add(line);
    }
    return form;
  }

  static CriteriaForm withRoom(CriteriaForm form) {
    form.criteria.add(new CriteriaForm.Line());
    return form;
  }

  static Converted convert(CriteriaForm form, Brief before) {
    Faults faults = new Faults();
    List<String> ids = new ArrayList<>();
    List<String> fields = new ArrayList<>();
    List<Brief.CriterionPart> parts = new ArrayList<>();
    for (int i = 0; i < form.criteria.size(); i++) {
      CriteriaForm.Line line = form.criteria.get(i);
      if (!line.name.isBlank()) {
        String id = line.id.isBlank() ? Codes.unused(Codes.slug(line.name), ids) : line.id;
        ids.add(id);
        fields.add("criteria[" + i + "]");
        parts.add(part(line, id, "criteria[" + i + "]", faults));
      }
    }
    Brief brief = before.withCriteria(parts);
    if (faults.isEmpty()) {
      BriefCheck.faults(brief)
          .forEach(fault -> {
            String place = fault.at().replace("/brief/criteria/", "");
            boolean row = place.matches("[0-9]+");
            String field = row ? fields.get(Integer.parseInt(place)) + ".name" : "criteria";
            faults.add(field, fault.message());
          });
    }
    return new Converted(brief, faults.byField());
  }

  private static Brief.CriterionPart part(
      CriteriaForm.Line line, String id, String at, Faults faults) {
    boolean cost = line.kind.equals("cost");
    boolean ratings = line.kind.equals("ratings");
    boolean measured = line.kind.startsWith(MEASURED);
    boolean scaled = cost || measured;
    boolean guessed = cost && line.worst.isBlank() && line.best.isBlank();
    return new Brief.CriterionPart(
        id,
        faults.at(at + ".name", () -> Codes.text(line.name, 120)).orElse(""),
        measured ? "measured" : line.kind,
        scaled && !guessed ? decimal(faults, at + ".worst", line.worst) : null,
        scaled && !guessed ? decimal(faults, at + ".best", line.best) : null,
        ratings ? decimal(faults, at + ".prior", line.prior.isBlank() ? "3.5" : line.prior) : null,
        ratings
            ? decimal(faults, at + ".strength", line.strength.isBlank() ? "50" : line.strength)
            : null,
        line.meaning.isBlank()
            ? null
            : faults.at(at + ".meaning", () -> Codes.text(line.meaning, 400)).orElse(""),
        measured ? line.kind.substring(MEASURED.length()) : null,
        line.heading.isBlank()
            ? null
            : faults.at(at + ".heading", () -> Codes.text(line.heading, 120)).orElse(""));
  }

  private static String decimal(Faults faults, String field, String text) {
    return faults.at(field, () -> Codes.decimal(text).toPlainString()).orElse("0");
  }

  private static String orEmpty(@Nullable String text) {
    return text == null ? "" : text;
  }
}
