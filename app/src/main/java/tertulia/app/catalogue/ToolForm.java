package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.exchange.TypedCount;
import tertulia.app.exchange.TypedMeasure;
import tertulia.core.fit.Answer;
import tertulia.core.growth.Measure;

/** A price page as typed: plans across, lines down; every field is text. */
public class ToolForm {
  /** The price cell that holds for every term a plan sells. */
  public static final String ANY_TERM = "all";

  public long version;
  public String name = "";
  public String maker = "";
  public String areas = "";
  public String contains = "";

  /** Ids of tools that are bought together under this name. */
  public String together = "";

  public String validFrom = "";

  /** Whether it is what the maker announces, which changes nothing until it is taken over. */
  public boolean news;

  /** The day it was announced. */
  public String announced = "";

  /** What the maker says, if it is announced. */
  public String says = "";

  /** Where everything on the page comes from that does not say otherwise. */
  public Source source = new Source();

  public List<PlanColumn> plans = new ArrayList<>();
  public List<ChargeLine> lines = new ArrayList<>();
  public List<AllowanceLine> allowances = new ArrayList<>();
  public List<FactLine> facts = new ArrayList<>();
  public List<OfferLine> offers = new ArrayList<>();
  public OwnedLine owned = new OwnedLine();
  public List<ConditionLine> conditions = new ArrayList<>();
  public List<ConnectorLine> connectors = new ArrayList<>();
  public List<RatingLine> ratings = new ArrayList<>();
  public List<WordLine> words = new ArrayList<>();

  /** The text of the maker's page as it was pasted; empty if nobody did. */
  public Pasted pasted = new Pasted();

  /** Something of one's own that is to be counted. */
  public TypedMeasure counting = new TypedMeasure();

  /** Ids of measures of one's own that are offered beside the usual ones. */
  public List<String> own = new ArrayList<>();

  /** What can be counted: the usual measures, those offered, and those that the form counts. */
  public List<Measure> measures() {
    Stream<String> counted =
        Stream.of(
                plans.stream().map(plan -> plan.measure),
                lines.stream().map(line -> line.measure),
                allowances.stream().map(line -> line.measure),
                Stream.of(owned.measure))
            .flatMap(ids -> ids);
    return Stream.concat(
            Measure.KNOWN.stream(),
            Stream.concat(own.stream(), counted)
                .filter(Measure::isDefinition)
                .distinct()
                .map(Measure::of))
        .toList();
  }

  /** Keys of doubts that were answered with "it is so". */
  public List<String> confirmed = new ArrayList<>();

  /** Whether some plan's prices hold tax. */
  public boolean usesTax() {
    return plans.stream().anyMatch(plan -> !plan.tax.isBlank());
  }

  /** Whether some plan's prices were read elsewhere than the page. */
  public boolean readElsewhere() {
    return plans.stream().anyMatch(plan -> !plan.source.isBlank());
  }

  /** Whether some plan is had only with another. */
  public boolean usesBase() {
    return plans.stream().anyMatch(plan -> !plan.basePlan.isBlank());
  }

  /** Whether some plan says until when a quote holds. */
  public boolean usesLastDays() {
    return plans.stream().anyMatch(plan -> !plan.holdsUntil.isBlank());
  }

  /** Whether some capability stands in a group. */
  public boolean usesGroups() {
    return facts.stream().anyMatch(fact -> !fact.group.isBlank());
  }

  /** Where something comes from and when it held; all empty: from where the page does. */
  public static class Source {
    @Entry(as = As.DAY, column = CsvColumn.AS_OF, label = "Read on")
    public String asOf = "";

    @Entry(as = As.CODE, column = CsvColumn.FROM, label = "from", unsaid = "makers-claim")
    public String ground = "";

    @Entry(as = As.NAME, column = CsvColumn.WHO, label = "who")
    public String who = "";

    @Entry(as = As.LINK, column = CsvColumn.LINK, label = "link")
    public String link = "";

    @Entry(as = As.NOTE, column = CsvColumn.NOTE, label = "note")
    public String note = "";

    @Entry(as = As.NAME, column = CsvColumn.INTEREST, label = "their interest, if any")
    public String interest = "";

    /** All that it says; the same for two that say the same. */
    List<String> words() {
      return PageRows.SOURCE.columns().stream().map(column -> column.text(this)).toList();
    }

    /** Whether nothing is said, so that it is from where the page is. */
    public boolean isBlank() {
      return words().stream().allMatch(String::isBlank);
    }
  }

  /** Something that is said of the tool in a row of its own, from a source. */
  public abstract static class Row {
    public Source source = new Source();

    /** Whether nothing is said, so that it is no row. */
    abstract boolean isBlank();
  }

  /** A plan: one column. */
  public static class PlanColumn {
    @Entry(as = As.CODE, column = CsvColumn.PLAN_ID)
    public String id = "";

    @Entry(as = As.NAME, column = CsvColumn.PLAN, ask = "A plan has no name. Type it.")
    public String name = "";

    @Entry(as = As.CURRENCY, column = CsvColumn.CURRENCY)
    public String currency = "EUR";

    @Entry(as = As.CODE, column = CsvColumn.MEASURE, unsaid = "seats")
    public String measure = "seats";

    @Entry(as = As.WHOLE, column = CsvColumn.LEAST, empty = "0")
    public String least = "";

    @Entry(as = As.WHOLE, column = CsvColumn.MOST, empty = Entry.LEFT_OUT)
    public String most = "";

    @Entry(as = As.CODE, column = CsvColumn.PRICES_ARE, unsaid = "listed")
    public String basis = "listed";

    @Entry(as = As.DECIMAL, column = CsvColumn.TAX, part = "taxPercent", empty = Entry.LEFT_OUT)
    public String tax = "";

    /** The plan it is had only with; empty: it is had by itself. */
    @Entry(as = As.NAME, column = CsvColumn.BASE_PLAN, empty = Entry.LEFT_OUT)
    public String basePlan = "";

    /** Id of that plan’s tool; empty: this one. */
    @Entry(as = As.CODE, column = CsvColumn.BASE_TOOL, empty = Entry.LEFT_OUT)
    public String baseTool = "";

    /** The last day on which a quote can be taken; empty: nobody has said. */
    @Entry(as = As.DAY, column = CsvColumn.HOLDS_UNTIL, empty = Entry.LEFT_OUT)
    public String holdsUntil = "";

    public Source source = new Source();

    /** What its page leaves open of its prices. */
    public List<OpenPrice> unsaid = new ArrayList<>();

    boolean isBlank() {
      return name.isBlank();
    }
  }

  /** What the page does not say of a price. */
  public static class OpenPrice {
    /** The codes of what it is, with commas. */
    public String what = "";

    /** The field in which the price stands. */
    public String at = "";

    /** The price when it was left open: one that was changed since is somebody's own. */
    public String held = "";

    /** Whether somebody has said that it is so. */
    public boolean settled;
  }

  /** A charge: one block of lines, with a cell for each plan. */
  public static class ChargeLine {
    public String name = "";
    public String kind = "per-unit";
    public String measure = "seats";
    public String addOn = "";
    public List<ChargeCell> cells = new ArrayList<>();

    /** The kind it is shown as: what was sent may be none. */
    public ChargeKind shown() {
      return Arrays.stream(ChargeKind.values())
          .filter(known -> known.code().equals(kind))
          .findFirst()
          .orElse(ChargeKind.PER_UNIT);
    }

    /** Whether some plan has a price under a term. */
    public boolean uses(String term) {
      return cells.stream().anyMatch(cell -> !cell.prices.getOrDefault(term, "").isBlank());
    }

    /** Whether some plan has a minimum, packs or something included. */
    public boolean usesRule() {
      return cells.stream().anyMatch(cell -> !(cell.minimum + cell.pack + cell.included).isBlank());
    }

    static ChargeLine about(ChargePlaces.Of of) {
      ChargeLine line = new ChargeLine();
      line.kind = of.kind().code();
      line.measure = of.measure();
      line.name = of.name();
      line.addOn = of.addOn();
      return line;
    }

    boolean isBlank() {
      return name.isBlank() && cells.stream().allMatch(ChargeCell::isBlank);
    }
  }

  /**
   * What one plan charges for it: a price by term, and how units are counted; for use above an
   * allowance the pack is the block and what is included the allowance.
   */
  public static class ChargeCell {
    public Map<String, String> prices = new LinkedHashMap<>();
    public String minimum = "";
    public String pack = "";
    public String included = "";

    void count(ChargePlaces.Rule rule) {
      minimum = rule.minimum();
      pack = rule.pack();
      included = rule.included();
    }

    boolean isBlank() {
      return prices.values().stream().allMatch(price -> price == null || price.isBlank());
    }
  }

  /** How much of a measure each plan allows. */
  public static class AllowanceLine {
    public String measure = "";
    public List<String> cells = new ArrayList<>();
    public Source source = new Source();

    boolean isBlank() {
      return measure.isBlank() && cells.stream().allMatch(cell -> cell == null || cell.isBlank());
    }
  }

  /** A capability with each plan's answer, from one source. */
  public static class FactLine {
    public String capability = "";
    public String group = "";
    public String addOn = "";

    /** Minutes on each workday where an answer is "by hand". */
    public String minutes = "";

    public List<String> answers = new ArrayList<>();
    public Source source = new Source();

    /** Whether a selection needs so many of it, so that a number is asked for. */
    boolean manyNeeded;

    /** Whether no plan has an answer. */
    boolean isSilent() {
      return answers.stream().allMatch(answer -> answer == null || answer.isBlank());
    }

    /** Whether something is written of some plan, such as how many there are, and not chosen. */
    public boolean isCounted() {
      return manyNeeded && isSilent()
          || answers.stream()
              .anyMatch(answer ->
                  answer != null
                      && !answer.isBlank()
                      && !Codes.codes(Answer.class).contains(answer));
    }

    /** The unit of a bare number: that of the first that has one, or else the capability's name. */
    String unit() {
      return answers.stream()
          .filter(answer -> answer != null && TypedCount.isMeant(answer))
          .map(answer -> TypedCount.read(answer, capability.toLowerCase(Locale.ROOT)).unit())
          .filter(unit -> !unit.equalsIgnoreCase(capability))
          .findFirst()
          .orElse(capability.toLowerCase(Locale.ROOT));
    }

    boolean isBlank() {
      return capability.isBlank() && isSilent();
    }
  }

  /** A reduction for a while. */
  public static class OfferLine extends Row {
    @Entry(
        as = As.NAME,
        column = CsvColumn.NAME,
        label = "Name",
        ask = "An offer has no name. Type it.")
    public String name = "";

    @Entry(as = As.CODE, column = CsvColumn.PRICED, label = "What it gives")
    public String benefit = "percent";

    @Entry(
        as = As.DECIMAL,
        column = CsvColumn.VALUE,
        label = "How much (15 is 15 %)",
        dependsOn = "benefit",
        with = {"percent", "fixed", "amount-off"})
    public String value = "";

    @Entry(
        as = As.WHOLE,
        column = CsvColumn.MONTHS,
        label = "First so many months",
        empty = Entry.LEFT_OUT)
    public String months = "";

    @Entry(
        as = As.CURRENCY_OF_PAGE,
        column = CsvColumn.CURRENCY,
        label = "Currency of an amount",
        dependsOn = "benefit",
        with = {"fixed", "amount-off"},
        aside = true)
    public String currency = "";

    @Entry(
        as = As.WHOLE,
        column = CsvColumn.INVOICES,
        label = "Off how many invoices",
        empty = "1",
        dependsOn = "benefit",
        with = "amount-off",
        aside = true)
    public String invoices = "";

    @Entry(
        as = As.NAME,
        column = CsvColumn.GROUP,
        label = "Only one of group",
        empty = Entry.LEFT_OUT,
        aside = true)
    public String group = "";

    @Entry(as = As.NAMES, column = CsvColumn.CHARGES, label = "Only these charges", aside = true)
    public String charges = "";

    @Entry(as = As.PLANS, column = CsvColumn.PLANS, label = "Only these plans", aside = true)
    public String plans = "";

    @Entry(
        as = As.DAY,
        column = CsvColumn.TAKEN_FROM,
        label = "Taken from",
        empty = Entry.LEFT_OUT,
        aside = true)
    public String from = "";

    @Entry(
        as = As.DAY,
        column = CsvColumn.TAKEN_UNTIL,
        label = "until",
        empty = Entry.LEFT_OUT,
        aside = true)
    public String until = "";

    @Entry(
        as = As.FLAG,
        column = CsvColumn.EVERY_YEAR,
        label = "every year between these days",
        empty = "no",
        aside = true)
    public boolean everyYear;

    @Entry(
        as = As.WHOLE,
        column = CsvColumn.LEAST,
        label = "At least seats",
        empty = "0",
        aside = true)
    public String leastSeats = "";

    @Entry(as = As.CODES, column = CsvColumn.TERMS, label = "Only these terms", aside = true)
    public List<String> terms = new ArrayList<>();

    @Entry(
        as = As.FLAG,
        column = CsvColumn.NEW_BUYERS,
        label = "new buyers only",
        empty = "no",
        aside = true)
    public boolean newBuyersOnly;

    @Override
    boolean isBlank() {
      return name.isBlank() && value.isBlank() && months.isBlank();
    }
  }

  /** What is paid for already. */
  public static class OwnedLine extends Row {
    @Entry(as = As.PLAN, column = CsvColumn.PLAN, label = "Plan")
    public String plan = "";

    @Entry(as = As.WHOLE, column = CsvColumn.VALUE, label = "How many", empty = "0")
    public String units = "";

    @Entry(as = As.CODE, column = CsvColumn.MEASURE, label = "of", unsaid = "seats")
    public String measure = "seats";

    @Entry(
        as = As.DAY,
        column = CsvColumn.TAKEN_UNTIL,
        label = "Paid until",
        ask = "Until which day is it paid for? Write it like 2027-06-30.")
    public String until = "";

    @Override
    boolean isBlank() {
      return units.isBlank() && until.isBlank();
    }
  }

  /** A circumstance under which the tool can be had. */
  public static class ConditionLine extends Row {
    @Entry(as = As.CODE, column = CsvColumn.NAME)
    public String kind = "";

    @Entry(as = As.NOTE, column = CsvColumn.VALUE)
    public String value = "";

    /** As the sheet calls it; what no sheet of ours has sent goes by what was sent. */
    public String getLabel() {
      return Arrays.stream(ToolSheet.Circumstance.values())
          .filter(known -> Codes.code(known).equals(kind))
          .findFirst()
          .map(ToolSheet.Circumstance::label)
          .orElse(kind);
    }

    @Override
    boolean isBlank() {
      return value.isBlank();
    }
  }

  /** Something between the tool and others. */
  public static class ConnectorLine extends Row {
    @Entry(
        as = As.NAME,
        column = CsvColumn.NAME,
        label = "Name",
        ask = "A connector has no name. Type it.")
    public String name = "";

    @Entry(
        as = As.DECIMAL,
        column = CsvColumn.VALUE,
        label = "Costs a month",
        empty = Entry.LEFT_OUT)
    public String price = "";

    @Entry(
        as = As.CURRENCY,
        column = CsvColumn.CURRENCY,
        label = "Currency",
        empty = Entry.LEFT_OUT)
    public String currency = "";

    @Entry(
        as = As.CODE,
        column = CsvColumn.BASE_TOOL,
        label = "or is the tool",
        empty = Entry.LEFT_OUT)
    public String tool = "";

    @Entry(
        as = As.NAME,
        column = CsvColumn.BASE_PLAN,
        label = "on its plan",
        empty = Entry.LEFT_OUT)
    public String plan = "";

    @Override
    boolean isBlank() {
      return name.isBlank() && price.isBlank() && plan.isBlank();
    }
  }

  /** A sentence about the tool. */
  public static class WordLine extends Row {
    @Entry(as = As.CODE, column = CsvColumn.NAME)
    public String topic = "";

    @Entry(as = As.SENTENCE, column = CsvColumn.VALUE)
    public String text = "";

    @Override
    boolean isBlank() {
      return text.isBlank();
    }
  }

  /** A pasted text, who pasted it and when. */
  public static class Pasted {
    public String text = "";

    /** The text that was read into the sheet last; empty if none was. */
    public String read = "";

    public String by = "";
    public String on = "";
  }

  /** A public rating. */
  public static class RatingLine extends Row {
    @Entry(as = As.DECIMAL, column = CsvColumn.VALUE, label = "Rating")
    public String rating = "";

    @Entry(as = As.WHOLE, column = CsvColumn.COUNT, label = "From how many", empty = "-1")
    public String count = "";

    @Override
    boolean isBlank() {
      return rating.isBlank() && count.isBlank();
    }
  }
}
