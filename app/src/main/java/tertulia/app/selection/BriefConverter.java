package tertulia.app.selection;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.BriefCheck;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.core.growth.Measure;

/** Between the Need form and a brief; faults carry the names of the form's fields. */
final class BriefConverter {
  private static final Pattern ROW = Pattern.compile("/brief/(\\w+)/(\\d+)(?:/steps/(\\d+))?.*");
  private static final int SPARE = 2;
  private final Faults faults = new Faults();

  /** Form rows of the brief's rows, for faults that the core finds. */
  private final Map<String, String> fields = new HashMap<>();

  /** What became of a form: a brief, or the faults by field. */
  record Converted(Optional<Brief> brief, Map<String, String> faults) {}

  /** The form for a brief, with spare lines to fill in. */
  static BriefForm form(Brief brief, long version) {
    BriefForm form = new BriefForm();
    form.version = version;
    form.title = brief.title();
    form.purpose = brief.purpose();
    form.asOf = brief.asOf();
    form.start = brief.start();
    form.months = "" + brief.months();
    form.currency = brief.currency();
    form.averagePayment = brief.averagePayment() == null ? "" : brief.averagePayment();
    form.rise = brief.priceRisePercent();
    brief.groups().forEach(group -> form.groups.add(line(group)));
    brief.needs().forEach(need -> form.needs.add(line(need)));
    brief.rates().forEach(rate -> form.rates.add(line(rate)));
    for (Measure measure : Measure.KNOWN) {
      form.demand.add(demandLine(brief, measure));
    }
    return form;
  }

  /** Adds spare lines, so that there is always room to write. */
  static BriefForm withRoom(BriefForm form) {
    form.groups.forEach(group -> group.steps.add(new BriefForm.StepLine()));
    form.groups.add(new BriefForm.GroupLine());
    form.rates.add(new BriefForm.RateLine());
    for (int i = 0; i < SPARE; i++) {
      form.needs.add(new BriefForm.NeedLine());
    }
    for (BriefForm.DemandLine line : form.demand) {
      line.label = Codes.measure(line.measure).label();
      while (line.rates.size() < form.groups.size()) {
        line.rates.add("");
      }
    }
    return form;
  }

  private static BriefForm.GroupLine line(Brief.GroupPart part) {
    BriefForm.GroupLine line = new BriefForm.GroupLine();
    line.id = part.id();
    line.name = part.name();
    line.method = part.method();
    line.start = part.start() == null ? "" : "" + part.start();
    line.figure = figure(part);
    for (Brief.StepPart step : part.steps()) {
      BriefForm.StepLine s = new BriefForm.StepLine();
      s.label = step.label();
      s.from = step.from();
      s.until = step.until() == null ? "" : step.until();
      s.change = "" + step.change();
      s.everyYear = step.everyYear();
      line.steps.add(s);
    }
    return line;
  }

  private static String figure(Brief.GroupPart part) {
    if (part.values() != null) {
      return String.join(", ", part.values().stream().map(String::valueOf).toList());
    }
    return part.perMonth() != null
        ? part.perMonth()
        : part.percentPerYear() != null ? part.percentPerYear() : "";
  }

  private static BriefForm.NeedLine line(Brief.NeedPart part) {
    BriefForm.NeedLine line = new BriefForm.NeedLine();
    line.capability = part.capability();
    line.importance = part.importance();
    line.weight = part.weight() == null ? "" : "" + part.weight();
    line.partly = part.partlyIsEnough();
    return line;
  }

  private static BriefForm.RateLine line(Brief.RatePart part) {
    BriefForm.RateLine line = new BriefForm.RateLine();
    line.from = part.from();
    line.to = part.to();
    line.rate = part.rate();
    line.on = part.on();
    line.source = part.source();
    return line;
  }

  private static BriefForm.DemandLine demandLine(Brief brief, Measure measure) {
    BriefForm.DemandLine line = new BriefForm.DemandLine();
    line.measure = measure.id();
    line.label = measure.label();
    for (Brief.DemandPart part : brief.demand()) {
      if (part.measure().equals(measure.id())) {
        line.fixed = part.fixed().equals("0") ? "" : part.fixed();
        brief
            .groups()
            .forEach(group -> line.rates.add(part.perHead().getOrDefault(group.id(), "")));
      }
    }
    return line;
  }

  /** The brief a form describes; criteria stay as they are in {@code before}. */
  Converted convert(BriefForm form, Brief before) {
    List<String> ids = new ArrayList<>();
    List<Brief.GroupPart> groups = groups(form, ids);
    Brief brief =
        new Brief(
            text("title", form.title, 200, true),
            text("purpose", form.purpose, 4000, false),
            read("asOf", form.asOf, t -> Codes.day(t).toString()),
            read("start", form.start, t -> Codes.month(t).toString()),
            whole("months", form.months),
            read("currency", form.currency, t -> Codes.currency(t).getCode()),
            decimal("rise", form.rise.isBlank() ? "0" : form.rise),
            groups,
            demand(form, ids),
            form.averagePayment.isBlank() ? null : decimal("averagePayment", form.averagePayment),
            needs(form),
            before.criteria(),
            rates(form));
    if (faults.isEmpty()) {
      BriefCheck.faults(brief).forEach(this::addAtField);
    }
    return new Converted(
        faults.isEmpty() ? Optional.of(brief) : Optional.empty(), faults.byField());
  }

  private void addAtField(Fault fault) {
    Matcher row = ROW.matcher(fault.at());
    if (!row.matches()) {
      faults.add(fault.at().equals("/brief") ? "months" : "title", fault.message());
      return;
    }
    String key =
        row.group(1) + "/" + row.group(2) + (row.group(3) == null ? "" : "/" + row.group(3));
    faults.add(fields.getOrDefault(key, "title"), fault.message());
  }

  private List<Brief.GroupPart> groups(BriefForm form, List<String> ids) {
    List<Brief.GroupPart> parts = new ArrayList<>();
    for (int i = 0; i < form.groups.size(); i++) {
      BriefForm.GroupLine line = form.groups.get(i);
      ids.add("");
      if (!line.isBlank()) {
        String at = "groups[" + i + "]";
        fields.put("groups/" + parts.size(), at + ".name");
        String name = text(at + ".name", line.name, 120, true);
        String id = line.id.isBlank() ? Codes.unused(Codes.slug(name), ids) : line.id;
        ids.set(i, id);
        parts.add(group(line, at, id, name, parts.size()));
      }
    }
    if (parts.isEmpty()) {
      faults.add("groups[0].name", "Nobody is named. Name at least one group of people.");
    }
    return parts;
  }

  private Brief.GroupPart group(
      BriefForm.GroupLine line, String at, String id, String name, int place) {
    boolean listed = line.method.equals("listed");
    List<Integer> values = new ArrayList<>();
    if (listed) {
      for (String value : line.figure.strip().split("[,;\\s]+")) {
        values.add(whole(at + ".figure", value));
      }
    }
    String figure =
        listed ? "0" : decimal(at + ".figure", line.figure.isBlank() ? "0" : line.figure);
    return new Brief.GroupPart(
        id,
        name,
        line.method,
        listed ? null : Integer.valueOf(whole(at + ".start", line.start)),
        line.method.equals("hires") ? figure : null,
        line.method.equals("percent") ? figure : null,
        listed ? values : null,
        steps(line, at, place));
  }

  private List<Brief.StepPart> steps(BriefForm.GroupLine line, String at, int place) {
    List<Brief.StepPart> parts = new ArrayList<>();
    for (int j = 0; j < line.steps.size(); j++) {
      BriefForm.StepLine step = line.steps.get(j);
      if (!step.isBlank()) {
        String here = at + ".steps[" + j + "]";
        fields.put("groups/" + place + "/" + parts.size(), here + ".from");
        parts.add(
            new Brief.StepPart(
                text(here + ".label", step.label, 120, true),
                read(here + ".from", step.from, t -> Codes.month(t).toString()),
                step.until.isBlank()
                    ? null
                    : read(here + ".until", step.until, t -> Codes.month(t).toString()),
                whole(here + ".change", step.change.replace("+", "").replace('−', '-')),
                step.everyYear));
      }
    }
    return parts;
  }

  private List<Brief.DemandPart> demand(BriefForm form, List<String> ids) {
    List<Brief.DemandPart> parts = new ArrayList<>();
    for (int i = 0; i < form.demand.size(); i++) {
      BriefForm.DemandLine line = form.demand.get(i);
      if (!line.isBlank()) {
        String at = "demand[" + i + "]";
        fields.put("demand/" + parts.size(), at + ".fixed");
        Map<String, String> rates = new LinkedHashMap<>();
        for (int g = 0; g < Math.min(ids.size(), line.rates.size()); g++) {
          String rate = line.rates.get(g);
          if (!ids.get(g).isEmpty() && rate != null && !rate.isBlank()) {
            rates.put(ids.get(g), decimal(at + ".rates[" + g + "]", rate));
          }
        }
        String fixed = decimal(at + ".fixed", line.fixed.isBlank() ? "0" : line.fixed);
        parts.add(new Brief.DemandPart(line.measure, fixed, rates));
      }
    }
    return parts;
  }

  private List<Brief.NeedPart> needs(BriefForm form) {
    List<Brief.NeedPart> parts = new ArrayList<>();
    List<String> seen = new ArrayList<>();
    for (int i = 0; i < form.needs.size(); i++) {
      BriefForm.NeedLine line = form.needs.get(i);
      if (!line.isBlank()) {
        String at = "needs[" + i + "]";
        fields.put("needs/" + parts.size(), at + ".weight");
        String capability = text(at + ".capability", line.capability, 120, true);
        if (seen.contains(Codes.slug(capability))) {
          faults.add(
              at + ".capability", "\"" + capability + "\" is listed twice. Remove one of them.");
        }
        seen.add(Codes.slug(capability));
        boolean should = line.importance.equals("should");
        parts.add(
            new Brief.NeedPart(
                capability,
                line.importance,
                should
                    ? Integer.valueOf(
                        whole(at + ".weight", line.weight.isBlank() ? "1" : line.weight))
                    : null,
                line.partly && line.importance.equals("must")));
      }
    }
    return parts;
  }

  private List<Brief.RatePart> rates(BriefForm form) {
    List<Brief.RatePart> parts = new ArrayList<>();
    for (int i = 0; i < form.rates.size(); i++) {
      BriefForm.RateLine line = form.rates.get(i);
      if (!line.isBlank()) {
        String at = "rates[" + i + "]";
        fields.put("rates/" + parts.size(), at + ".rate");
        parts.add(
            new Brief.RatePart(
                read(at + ".from", line.from, t -> Codes.currency(t).getCode()),
                read(
                    at + ".to",
                    line.to.isBlank() ? form.currency : line.to,
                    t -> Codes.currency(t).getCode()),
                decimal(at + ".rate", line.rate),
                read(at + ".on", line.on, t -> Codes.day(t).toString()),
                text(at + ".source", line.source, 120, false)));
      }
    }
    return parts;
  }

  private String text(String field, String text, int most, boolean needed) {
    if (needed && text.isBlank()) {
      faults.add(field, "This is empty. Fill it in.");
    }
    return read(field, text, t -> Codes.text(t, most));
  }

  private String decimal(String field, String text) {
    return read(field, text, t -> Codes.decimal(t).toPlainString());
  }

  private int whole(String field, @Nullable String text) {
    return faults.at(field, () -> Codes.whole(text == null ? "" : text)).orElse(1);
  }

  private String read(
      String field, String text, java.util.function.Function<String, String> reader) {
    return faults.at(field, () -> reader.apply(text)).orElse("");
  }
}
