package tertulia.app.need;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.BriefCheck;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Fault;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.Fields;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.TypedCount;
import tertulia.app.exchange.TypedHabit;
import tertulia.app.exchange.TypedMeasure;
import tertulia.app.exchange.TypedNumber;
import tertulia.app.growth.PeopleConverter;
import tertulia.app.growth.PeopleForm;
import tertulia.core.growth.Measure;

/** Between the Need form and a brief; faults carry the names of the form's fields. */
final class BriefConverter {
  private static final Pattern ROW = Pattern.compile("/brief/(\\w+)/(\\d+)(?:/steps/(\\d+))?.*");
  private static final int SPARE = 2;
  private final Faults faults = new Faults();

  /** Form rows of the brief's rows, for faults that the core finds. */
  private final Map<String, String> places = new HashMap<>();

  private final Fields fields = new Fields(faults);

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
    form.follows = brief.follows();
    form.groups.addAll(PeopleConverter.lines(brief.groups()));
    Brief.PracticePart practice = brief.practice();
    if (practice != null) {
      form.hour = practice.hour() == null ? "" : practice.hour();
      form.changeHours = practice.changeHours().equals("0") ? "" : practice.changeHours();
      form.oldTool = practice.oldTool() == null ? "" : practice.oldTool();
      form.leaving = practice.leaving();
    }
    brief.needs().forEach(need -> form.needs.add(line(need, brief.groups())));
    brief.rates().forEach(rate -> form.rates.add(line(rate)));
    Measure.KNOWN.forEach(measure -> form.demand.add(demandLine(brief, measure)));
    brief.demand().stream()
        .map(part -> Codes.measure(part.measure()))
        .filter(Measure::isOwn)
        .forEach(measure -> form.demand.add(demandLine(brief, measure)));
    return form;
  }

  /**
   * Adds spare lines, so that there is always room to write.
   *
   * @param counted measures that matter here
   * @param own those of one's own that are counted anywhere
   */
  static BriefForm withRoom(BriefForm form, List<Measure> counted, Collection<Measure> own) {
    Stream.concat(counted.stream(), own.stream())
        .filter(
            measure -> form.demand.stream().noneMatch(line -> line.measure.equals(measure.id())))
        .distinct()
        .forEach(measure -> {
          BriefForm.DemandLine line = new BriefForm.DemandLine();
          line.measure = measure.id();
          form.demand.add(line);
        });
    if (!form.follows) {
      form.groups.forEach(group -> group.steps.add(new PeopleForm.StepLine()));
      form.groups.add(new PeopleForm.GroupLine());
    }
    form.rates.add(new BriefForm.RateLine());
    for (int i = 0; i < SPARE; i++) {
      form.needs.add(new BriefForm.NeedLine());
    }
    for (BriefForm.DemandLine line : form.demand) {
      Measure measure = Codes.measure(line.measure);
      line.label = measure.label();
      line.nature = measure.nature() == Measure.Nature.LEVEL ? "" : measure.nature().words();
      line.byHabit = measure.addsUp();
      line.sums = measure.nature() == Measure.Nature.SUM;
      line.people = measure.isPeople();
      line.used = line.used || counted.contains(measure) || !line.isBlank();
      while (line.rates.size() < form.groups.size()) {
        line.rates.add("");
      }
    }
    return form;
  }

  private static BriefForm.NeedLine line(Brief.NeedPart part, List<Brief.GroupPart> groups) {
    BriefForm.NeedLine line = new BriefForm.NeedLine();
    line.groups =
        NameList.write(
            groups.stream()
                .filter(group -> part.groups().contains(group.id()))
                .map(Brief.GroupPart::name)
                .toList());
    line.capability = part.capability();
    line.importance = part.importance();
    line.weight = part.weight() == null ? "" : "" + part.weight();
    line.partly = part.partlyIsEnough();
    line.byHand = part.acceptsByHand();
    line.condition = part.condition() == null ? "" : part.condition();
    line.askedBy = part.askedBy() == null ? "" : part.askedBy();
    line.why = part.why() == null ? "" : part.why();
    line.begins = part.begins();
    Brief.OutsidePart outside = part.outside();
    if (outside != null) {
      line.outsideBy = outside.by();
      line.outsideMonthly = outside.monthly();
    }
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
        boolean byHead = !part.perHead().isEmpty() || !part.byHabit().isEmpty();
        // that nothing is needed is said, and stays said; beside rates it goes without saying
        line.fixed = part.fixed().equals("0") && byHead ? "" : part.fixed();
        line.stock = part.stock() == null ? "" : part.stock();
        Brief.MoreOutsidePart outside = part.outside();
        if (outside != null) {
          line.outsideBy = outside.by();
          line.outsideUpTo = outside.upTo();
          line.outsideMonthly = outside.monthly();
        }
        brief.groups().forEach(group -> line.rates.add(rate(part, group.id())));
      }
    }
    return line;
  }

  private static String rate(Brief.DemandPart part, String group) {
    Brief.HabitPart habit = part.byHabit().get(group);
    return habit == null ? part.perHead().getOrDefault(group, "") : TypedHabit.text(habit);
  }

  /** The brief a form describes; criteria stay as they are in {@code before}. */
  Converted convert(BriefForm form, Brief before) {
    List<String> ids = new ArrayList<>();
    List<Brief.GroupPart> groups = groups(form, before, ids);
    Brief brief =
        new Brief(
            fields.text("title", form.title, 200, true),
            fields.text("purpose", form.purpose, 4000, false),
            fields.day("asOf", form.asOf),
            fields.month("start", form.start),
            fields.whole("months", form.months),
            fields.currency("currency", form.currency),
            fields.decimal("rise", form.rise.isBlank() ? "0" : form.rise),
            groups,
            demand(form, ids),
            form.averagePayment.isBlank()
                ? null
                : fields.decimal("averagePayment", form.averagePayment),
            needs(form, groups),
            before.criteria(),
            rates(form),
            before.scenarios(),
            practice(form),
            before.followsGrowth(),
            before.inUse(),
            before.followsInUse(),
            before.leftOut());
    Brief seated =
        seated(brief, added(form, before, ids, "seat"))
            .oneEach(Measure.LIGHT_SEATS.id(), added(form, before, ids, "light"))
            .oneEach(Measure.WHOLE_STAFF.id(), added(form, before, ids, "none"));
    if (faults.isEmpty()) {
      BriefCheck.faults(seated).forEach(this::addAtField);
    }
    return new Converted(
        faults.isEmpty() ? Optional.of(seated) : Optional.empty(), faults.byField());
  }

  /** With a seat each; where a number of seats was said whatever the headcount, that stays. */
  private static Brief seated(Brief brief, List<String> some) {
    Brief seated = brief.seating(some);
    for (String measure : Brief.ONE_EACH) {
      if (brief.demand().stream().noneMatch(part -> part.measure().equals(measure))) {
        seated = seated.oneEach(measure, some);
      }
    }
    return seated;
  }

  /** The groups that were not there before each of which holds the same. */
  private static List<String> added(
      BriefForm form, Brief before, List<String> ids, String holding) {
    List<String> known = before.groups().stream().map(Brief.GroupPart::id).toList();
    return IntStream.range(0, Math.min(ids.size(), form.groups.size()))
        .filter(i -> form.groups.get(i).holds.equals(holding))
        .mapToObj(ids::get)
        .filter(id -> !id.isEmpty() && !known.contains(id))
        .toList();
  }

  private void addAtField(Fault fault) {
    Matcher row = ROW.matcher(fault.at());
    if (!row.matches()) {
      faults.add(fault.at().equals("/brief") ? "months" : "title", fault.message());
      return;
    }
    String key =
        row.group(1) + "/" + row.group(2) + (row.group(3) == null ? "" : "/" + row.group(3));
    faults.add(places.getOrDefault(key, "title"), fault.message());
  }

  /** People that follow the growth plan are not changed here. */
  private List<Brief.GroupPart> groups(BriefForm form, Brief before, List<String> ids) {
    if (!before.follows()) {
      return new PeopleConverter(fields, places).groups(form.groups, ids);
    }
    before.groups().forEach(group -> ids.add(group.id()));
    form.groups = new ArrayList<>(PeopleConverter.lines(before.groups()));
    return before.groups();
  }

  private Brief.@Nullable PracticePart practice(BriefForm form) {
    boolean unsaid =
        form.hour.isBlank()
            && form.changeHours.isBlank()
            && form.oldTool.isBlank()
            && form.leaving.equals("credited");
    return unsaid
        ? null
        : new Brief.PracticePart(
            form.leaving,
            fields.decimalIfAny("hour", form.hour),
            form.changeHours.isBlank() ? "0" : fields.decimal("changeHours", form.changeHours),
            fields.decimalIfAny("oldTool", form.oldTool));
  }

  private List<Brief.DemandPart> demand(BriefForm form, List<String> ids) {
    List<Brief.DemandPart> parts = new ArrayList<>();
    for (int i = 0; i < form.demand.size(); i++) {
      BriefForm.DemandLine line = form.demand.get(i);
      if (!line.isBlank()) {
        String at = "demand[" + i + "]";
        places.put("demand/" + parts.size(), at + ".fixed");
        Map<String, String> rates = new LinkedHashMap<>();
        Map<String, Brief.HabitPart> habits = new LinkedHashMap<>();
        for (int g = 0; g < Math.min(ids.size(), line.rates.size()); g++) {
          String rate = line.rates.get(g);
          if (!ids.get(g).isEmpty() && rate != null && !rate.isBlank()) {
            rate(at + ".rates[" + g + "]", line.measure, rate, ids.get(g), rates, habits);
          }
        }
        String fixed = fields.decimal(at + ".fixed", line.fixed.isBlank() ? "0" : line.fixed);
        if (rates.isEmpty()
            && habits.isEmpty()
            && line.fixed.isBlank()
            && line.stock.isBlank()
            && line.isNotCovered()) {
          // those of whom it was said are taken out: how many are needed is not known any more
          continue;
        }
        parts.add(
            new Brief.DemandPart(
                line.measure,
                fixed,
                rates,
                habits.isEmpty() ? null : habits,
                line.stock.isBlank() ? null : fields.decimal(at + ".stock", line.stock),
                moreOutside(at, line)));
      }
    }
    return parts;
  }

  /** What costs nothing may be left empty; what it is and up to how much has to be said. */
  private Brief.@Nullable MoreOutsidePart moreOutside(String at, BriefForm.DemandLine line) {
    if (line.outsideBy.isBlank() && line.outsideUpTo.isBlank() && line.outsideMonthly.isBlank()) {
      return null;
    }
    if (line.outsideBy.isBlank()) {
      faults.add(
          at + ".outsideBy",
          "What covers more than a plan allows? Name it, or remove the figures.");
    }
    if (line.outsideUpTo.isBlank()) {
      faults.add(at + ".outsideUpTo", "Up to how much more is covered there? Write a number.");
    }
    return new Brief.MoreOutsidePart(
        fields.text(at + ".outsideBy", line.outsideBy, 120, false),
        fields.decimal(at + ".outsideUpTo", line.outsideUpTo.isBlank() ? "1" : line.outsideUpTo),
        fields.decimal(
            at + ".outsideMonthly", line.outsideMonthly.isBlank() ? "0" : line.outsideMonthly));
  }

  /**
   * Offers a measure of one's own to count in the form as it is typed.
   *
   * @return what is wrong, by field; empty if nothing is
   */
  static Map<String, String> count(BriefForm form) {
    Faults faults = new Faults();
    faults
        .at("counting.one", form.counting::read)
        .ifPresent(measure -> {
          BriefForm.DemandLine line =
              form.demand.stream()
                  .filter(known -> known.measure.equals(measure.id()))
                  .findFirst()
                  .orElseGet(() -> {
                    BriefForm.DemandLine added = new BriefForm.DemandLine();
                    added.measure = measure.id();
                    form.demand.add(added);
                    return added;
                  });
          line.used = true;
          form.counting = new TypedMeasure();
        });
    return faults.byField();
  }

  /** A rate is a number, or how often something is done. */
  private void rate(
      String field,
      String measure,
      String typed,
      String group,
      Map<String, String> rates,
      Map<String, Brief.HabitPart> habits) {
    Optional<Optional<Brief.HabitPart>> read =
        faults.at(field, () -> TypedHabit.read(typed, Codes.measure(measure)));
    if (read.isEmpty()) {
      return;
    }
    Optional<Brief.HabitPart> habit = read.get();
    if (habit.isEmpty()) {
      rates.put(group, fields.decimal(field, typed));
    } else {
      habits.put(group, habit.get());
    }
  }

  private List<Brief.NeedPart> needs(BriefForm form, List<Brief.GroupPart> groups) {
    List<Brief.NeedPart> parts = new ArrayList<>();
    List<String> seen = new ArrayList<>();
    for (int i = 0; i < form.needs.size(); i++) {
      BriefForm.NeedLine line = form.needs.get(i);
      if (!line.isBlank()) {
        String at = "needs[" + i + "]";
        places.put("needs/" + parts.size(), at + ".weight");
        boolean should = line.importance.equals("should");
        String what = fields.text(at + ".capability", line.capability, 120, true);
        Optional<String> count = count(at + ".capability", what, line);
        Brief.NeedPart part =
            new Brief.NeedPart(
                count.orElse(what),
                line.importance,
                should
                    ? Integer.valueOf(
                        fields.whole(at + ".weight", line.weight.isBlank() ? "1" : line.weight))
                    : null,
                line.partly && line.importance.equals("must"),
                count.isPresent()
                    ? Brief.COUNT
                    : Brief.CONDITIONS.containsKey(line.condition) ? line.condition : null,
                outside(at, line),
                textIfAny(at + ".askedBy", line.askedBy, 120),
                textIfAny(at + ".why", line.why, 400),
                fromMonth(at, line),
                fromPeople(at, line),
                groups(at, line, groups),
                line.byHand && !line.importance.equals("could") ? true : null);
        if (seen.contains(part.id())) {
          faults.add(
              at + ".capability", "\"" + part.name() + "\" is listed twice. Remove one of them.");
        }
        seen.add(part.id());
        parts.add(part);
      }
    }
    return parts;
  }

  /** The groups a must is for; null: everybody. */
  private @Nullable List<String> groups(
      String at, BriefForm.NeedLine line, List<Brief.GroupPart> groups) {
    if (!line.importance.equals("must") || line.groups.isBlank()) {
      return null;
    }
    List<String> ids = new ArrayList<>();
    for (String name : NameList.read(line.groups)) {
      groups.stream()
          .filter(group -> group.name().strip().equalsIgnoreCase(name.strip()))
          .findFirst()
          .ifPresentOrElse(
              group -> ids.add(group.id()),
              () ->
                  faults.add(
                      at + ".groups",
                      "There is no group \""
                          + Codes.shortened(name)
                          + "\". Name some of "
                          + groups.stream()
                              .map(Brief.GroupPart::name)
                              .collect(Collectors.joining(", "))
                          + "."));
    }
    return ids.isEmpty() || ids.size() == groups.size() ? null : List.copyOf(ids);
  }

  /** A month if that is what is typed; of what is no must nothing is read. */
  private @Nullable String fromMonth(String at, BriefForm.NeedLine line) {
    return begins(line) && !isPeople(line.begins)
        ? faults
            .at(at + ".begins", () -> Codes.month(line.begins.strip()))
            .map(YearMonth::toString)
            .orElse(null)
        : null;
  }

  private @Nullable Integer fromPeople(String at, BriefForm.NeedLine line) {
    return begins(line) && isPeople(line.begins)
        ? faults
            .at(
                at + ".begins",
                () -> TypedNumber.readWhole(line.begins.replaceAll("\\s*people\\s*$", "").strip()))
            .orElse(null)
        : null;
  }

  private static boolean begins(BriefForm.NeedLine line) {
    return line.importance.equals("must") && !line.begins.isBlank();
  }

  /** "80 people" or a bare number; a month has a dash. */
  private static boolean isPeople(String typed) {
    return !typed.strip().matches("[0-9]{4}-[0-9]{2}")
        && typed.strip().matches("[0-9., ]+( *people)?");
  }

  /** How many are asked for, where a line says so, as it is written. */
  private Optional<String> count(String field, String what, BriefForm.NeedLine line) {
    boolean chosen = line.condition.equals(Brief.COUNT);
    return chosen || line.condition.isEmpty()
        ? faults
            .at(field, () -> chosen ? Optional.of(TypedCount.needed(what)) : TypedCount.asked(what))
            .flatMap(asked -> asked)
            .map(TypedCount.Asked::text)
        : Optional.empty();
  }

  private @Nullable String textIfAny(String field, String text, int most) {
    return text.isBlank() ? null : fields.text(field, text, most, false);
  }

  /** What costs nothing may be left empty; what covers it has to be named. */
  private Brief.@Nullable OutsidePart outside(String at, BriefForm.NeedLine line) {
    if (line.outsideBy.isBlank() && line.outsideMonthly.isBlank()) {
      return null;
    }
    if (line.outsideBy.isBlank()) {
      faults.add(at + ".outsideBy", "Name what covers it, or remove the amount.");
    }
    return new Brief.OutsidePart(
        fields.text(at + ".outsideBy", line.outsideBy, 120, false),
        fields.decimal(
            at + ".outsideMonthly", line.outsideMonthly.isBlank() ? "0" : line.outsideMonthly));
  }

  /** Adds needs that the form does not have yet; how many were added. */
  static int add(BriefForm form, List<Brief.NeedPart> needs) {
    form.needs.removeIf(BriefForm.NeedLine::isBlank);
    List<String> there = form.needs.stream().map(BriefConverter::id).toList();
    int added = 0;
    for (Brief.NeedPart need : needs) {
      if (!there.contains(need.id())) {
        form.needs.add(line(need, List.of()));
        added++;
      }
    }
    return added;
  }

  private static String id(BriefForm.NeedLine line) {
    return Codes.slug((line.condition + " " + line.capability).strip());
  }

  private List<Brief.RatePart> rates(BriefForm form) {
    List<Brief.RatePart> parts = new ArrayList<>();
    for (int i = 0; i < form.rates.size(); i++) {
      BriefForm.RateLine line = form.rates.get(i);
      if (!line.isBlank()) {
        String at = "rates[" + i + "]";
        places.put("rates/" + parts.size(), at + ".rate");
        parts.add(
            new Brief.RatePart(
                fields.currency(at + ".from", line.from),
                fields.currency(at + ".to", line.to.isBlank() ? form.currency : line.to),
                fields.decimal(at + ".rate", line.rate),
                fields.day(at + ".on", line.on),
                fields.text(at + ".source", line.source, 120, false)));
      }
    }
    return parts;
  }
}
