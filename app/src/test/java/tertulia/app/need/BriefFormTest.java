package tertulia.app.need;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Demo;
import tertulia.app.growth.PeopleForm;
import tertulia.app.workspace.WhatIfQuery;

public class BriefFormTest {
  private static final Brief BRIEF = Demo.file().brief();

  private static BriefForm form() {
    return BriefConverter.withRoom(BriefConverter.form(BRIEF, 3), List.of(), List.of());
  }

  @Test
  public void aBriefShownAndSavedUntouchedIsTheSame() {
    BriefConverter.Converted converted = new BriefConverter().convert(form(), BRIEF);
    assertEquals(converted.faults(), Map.of());
    assertEquals(converted.brief().orElseThrow(), BRIEF);
  }

  private static int line(BriefForm form, String measure) {
    return form.demand.stream().map(line -> line.measure).toList().indexOf(measure);
  }

  @Test
  public void aRateMayBeSaidAsAHabitAndIsShownAsOne() {
    BriefForm form = form();
    int hours = line(form, "recorded-hours");
    assertTrue(form.demand.get(hours).byHabit);
    form.demand.get(hours).rates.set(0, "3 a week × 45 min × 40 %");
    form.demand.get(hours).rates.set(1, "0.5");
    Brief saved = new BriefConverter().convert(form, BRIEF).brief().orElseThrow();
    BriefForm shown = BriefConverter.withRoom(BriefConverter.form(saved, 4), List.of(), List.of());
    assertEquals(
        shown.demand.get(line(shown, "recorded-hours")).rates.subList(0, 2),
        List.of("3 a week × 0.75 × 40 %", "0.5"));
    assertEquals(new BriefConverter().convert(shown, saved).brief().orElseThrow(), saved);
    int calendars = line(form, "calendars");
    form.demand.get(calendars).rates.set(0, "3 a week");
    assertEquals(
        new BriefConverter().convert(form, BRIEF).faults(),
        Map.of(
            "demand[" + calendars + "].rates[0]",
            "How often something is done adds up over a month, and linked calendars do not. Write"
                + " how many there are for each head."));
  }

  @DataProvider
  public Object[][] holdings() {
    return new Object[][] {
      {"seat", Map.of("seats", "1", "whole-staff", "1")},
      {"light", Map.of("light-seats", "1")},
      {"none", Map.of("whole-staff", "1")},
    };
  }

  /** Of a new group it is asked what each of them has; what is counted follows. */
  @Test(dataProvider = "holdings")
  public void aNewGroupHoldsWhatIsSaid(String holds, Map<String, String> each) {
    BriefForm form = form();
    PeopleForm.GroupLine guests = form.groups.getLast();
    guests.name = "Guests";
    guests.start = "300";
    guests.holds = holds;
    BriefConverter.Converted converted = new BriefConverter().convert(form, BRIEF);
    assertEquals(converted.faults(), Map.of());
    Map<String, String> counted = new TreeMap<>();
    for (Brief.DemandPart part : converted.brief().orElseThrow().demand()) {
      if (part.perHead().containsKey("guests")) {
        counted.put(part.measure(), part.perHead().get("guests"));
      }
    }
    counted.keySet().retainAll(List.of("seats", "light-seats", "whole-staff"));
    assertEquals(counted, each);
    BRIEF
        .groups()
        .forEach(group ->
            BRIEF
                .demand()
                .forEach(part ->
                    assertEquals(
                        converted.brief().orElseThrow().demand().stream()
                            .filter(now -> now.measure().equals(part.measure()))
                            .findFirst()
                            .orElseThrow()
                            .perHead()
                            .get(group.id()),
                        part.perHead().get(group.id()))));
  }

  private static Brief saved(Brief before, Consumer<BriefForm> change) {
    BriefForm form = BriefConverter.withRoom(BriefConverter.form(before, 3), List.of(), List.of());
    change.accept(form);
    BriefConverter.Converted converted = new BriefConverter().convert(form, before);
    assertEquals(converted.faults(), Map.of());
    return converted.brief().orElseThrow();
  }

  private static Map<String, String> perHead(Brief brief, String measure) {
    return brief.demand().stream()
        .filter(part -> part.measure().equals(measure))
        .findFirst()
        .map(Brief.DemandPart::perHead)
        .orElse(Map.of("not", "said"));
  }

  private static void add(BriefForm form, String name, String holds) {
    PeopleForm.GroupLine line = form.groups.getLast();
    line.name = name;
    line.start = "30";
    line.holds = holds;
  }

  /** What was said of a group goes with it: nothing said is not nothing needed. */
  @Test
  public void whatAGroupNeededGoesWithIt() {
    Brief guests = saved(BRIEF, form -> add(form, "Guests", "light"));
    assertEquals(perHead(guests, "light-seats"), Map.of("guests", "1"));
    Brief without =
        saved(
            guests,
            form ->
                form.groups.stream()
                    .filter(line -> line.id.equals("guests"))
                    .forEach(line -> line.out = true));
    assertEquals(without, BRIEF);
    Brief others =
        saved(
            BRIEF,
            form -> {
              add(form, "Everybody", "seat");
              form.groups.forEach(line -> line.out = !line.name.equals("Everybody"));
            });
    assertEquals(perHead(others, "seats"), Map.of("everybody", "1"));
    assertEquals(perHead(others, "whole-staff"), Map.of("everybody", "1"));
  }

  /** That none are needed, once said, is still said when the need is saved again. */
  @Test
  public void noneNeededStaysSaid() {
    Brief none = saved(BRIEF, form -> form.demand.get(line(form, "boards")).fixed = "0");
    assertEquals(perHead(none, "boards"), Map.of());
    assertEquals(saved(none, form -> {}), none);
  }

  /** A group refused for its headcount is not said to be missing as well. */
  @Test
  public void aRefusedGroupIsRefusedOnce() {
    BriefForm form = form();
    add(form, "Guests", "light");
    form.groups.getLast().start = "9999999";
    Map<String, String> faults = new BriefConverter().convert(form, BRIEF).faults();
    assertEquals(
        List.copyOf(faults.values()),
        List.of("A headcount lies between 0 and 1,000,000; found 9999999."));
  }

  private static Consumer<BriefForm> change(Consumer<BriefForm> change) {
    return change;
  }

  @DataProvider
  public Object[][] mistakes() {
    return new Object[][] {
      {change(f -> f.title = ""), "title", "The question is missing. Type it."},
      {
        change(f -> f.months = "-3"),
        "months",
        "A plan covers 1 to 120 months; found -3. Choose a number in that range."
      },
      {
        change(f -> f.months = "9999999999"),
        "months",
        "\"9999999999\" is not a whole number of up to nine digits. Write it like 25 or 1,200."
      },
      {
        change(f -> f.currency = "Euro"),
        "currency",
        "\"Euro\" is not a currency. Write its three-letter code, like EUR."
      },
      {
        change(f -> f.start = "January"),
        "start",
        "\"January\" is not a month. Write it like Jan 2027 or 2027-01."
      },
      {
        change(f -> f.groups.get(0).start = "-24"),
        "groups[0].name",
        "A headcount lies between 0 and 1,000,000; found -24."
      },
      {
        change(f -> f.groups.get(0).figure = "5000"),
        "groups[0].name",
        "Growth lies between −60 % and 1000 % a year; found 5000 %."
      },
      {
        change(f -> f.groups.get(2).steps.get(0).until = "2027-03"),
        "groups[2].steps[0].from",
        "Step \"summer season\" ends in 2027-03, before it starts in 2027-05. Swap the two"
            + " months."
      },
      {
        change(f -> f.groups.get(3).figure = "8, nine, 10"),
        "groups[3].figure",
        "\"nine\" is not a whole number of up to nine digits. Write it like 25 or 1,200."
      },
      {
        change(f -> f.needs.get(3).weight = "0"),
        "needs[3].weight",
        "The weight of a should lies between 1 and 100; found 0."
      },
      {
        change(f -> f.needs.get(4).capability = "Waiting list"),
        "needs[4].capability",
        "\"Waiting list\" is listed twice. Remove one of them."
      },
      {
        change(f -> f.demand.get(0).rates.set(1, "-1")),
        "demand[0].fixed",
        "Units per head lie between 0 and 1000; found -1 for freight-desk."
      },
      {
        change(f -> f.groups.clear()),
        "groups[0].name",
        "Nobody is named. Name at least one group of people."
      },
      {
        change(f -> f.rates.get(0).rate = "0"),
        "rates[0].rate",
        "A rate of exchange is above 0; found 0."
      },
    };
  }

  @Test(dataProvider = "mistakes")
  public void aMistakeIsAnsweredAtItsField(
      Consumer<BriefForm> mistake, String field, String message) {
    BriefForm form = form();
    mistake.accept(form);
    BriefConverter.Converted converted = new BriefConverter().convert(form, BRIEF);
    assertTrue(converted.brief().isEmpty());
    assertEquals(converted.faults().get(field), message, converted.faults().toString());
  }

  @Test
  public void aNewGroupTakesItsRatesAlong() {
    BriefForm form = form();
    PeopleForm.GroupLine spare = form.groups.getLast();
    spare.name = "Contractors";
    spare.start = "5";
    spare.figure = "0";
    form.demand.get(0).rates.set(4, "0.5");
    Brief brief = new BriefConverter().convert(form, BRIEF).brief().orElseThrow();
    assertEquals(brief.groups().getLast().id(), "contractors");
    assertEquals(brief.demand().getFirst().perHead().get("contractors"), "0.5");
  }

  @Test
  public void theAddressOfAWhatIfLeadsBackToIt() {
    var selection = Demo.selection();
    for (String address :
        java.util.List.of(
            "",
            "month=17",
            "people=121&growth=high&terms=monthly",
            "terms=committed&view=cash",
            "cost=full")) {
      Map<String, String> query = new java.util.HashMap<>();
      for (String part : address.split("&")) {
        if (!part.isEmpty()) {
          query.put(part.split("=")[0], part.split("=")[1]);
        }
      }
      assertEquals(
          WhatIfQuery.of(query, selection, selection.horizon().start().atDay(1)).query(), address);
    }
    assertEquals(
        WhatIfQuery.of(Map.of("month", "999"), selection, selection.horizon().start().atDay(1))
            .month(),
        35);
    assertEquals(
        WhatIfQuery.of(
                Map.of("month", "x", "growth", "wild"),
                selection,
                selection.horizon().start().atDay(1))
            .query(),
        "");
    assertEquals(
        WhatIfQuery.of(Map.of("people", "0"), selection, selection.horizon().start().atDay(1))
            .fault(),
        "A headcount under discussion lies between 1 and 5,000; found 0.");
    assertEquals(
        WhatIfQuery.of(Map.of("people", "many"), selection, selection.horizon().start().atDay(1))
            .fault(),
        "\"many\" is not a whole number of up to nine digits. Write it like 25 or 1,200.");
  }
}
