package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import tertulia.app.exchange.Codes;
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

  /** Whether some capability stands in a group. */
  public boolean usesGroups() {
    return facts.stream().anyMatch(fact -> !fact.group.isBlank());
  }

  /** Where something comes from and when it held; all empty: from where the page does. */
  public static class Source {
    public String asOf = "";
    public String ground = "";
    public String who = "";
    public String link = "";
    public String note = "";
    public String interest = "";

    /** All that it says; the same for two that say the same. */
    List<String> words() {
      return List.of(asOf, ground, who, link, note, interest);
    }

    /** Whether nothing is said, so that it is from where the page is. */
    public boolean isBlank() {
      return words().stream().allMatch(String::isBlank);
    }
  }

  /** A plan: one column. */
  public static class PlanColumn {
    public String id = "";
    public String name = "";
    public String currency = "EUR";
    public String measure = "seats";
    public String least = "";
    public String most = "";
    public String basis = "listed";
    public String tax = "";
    public Source source = new Source();

    boolean isBlank() {
      return name.isBlank();
    }
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
  public static class OfferLine {
    public String name = "";
    public String benefit = "percent";
    public String value = "";
    public String currency = "";
    public String invoices = "";
    public String months = "";
    public String group = "";
    public String charges = "";
    public String plans = "";
    public List<String> terms = new ArrayList<>();
    public boolean newBuyersOnly;
    public String from = "";
    public String until = "";
    public String leastSeats = "";
    public Source source = new Source();

    boolean isBlank() {
      return name.isBlank() && value.isBlank() && months.isBlank();
    }
  }

  /** What is paid for already. */
  public static class OwnedLine {
    public String plan = "";
    public String measure = "seats";
    public String units = "";
    public String until = "";
    public Source source = new Source();

    boolean isBlank() {
      return units.isBlank() && until.isBlank();
    }
  }

  /** A circumstance under which the tool can be had. */
  public static class ConditionLine {
    public String kind = "";
    public String value = "";
    public Source source = new Source();

    public String getLabel() {
      return Conditions.label(kind);
    }
  }

  /** A sentence about the tool. */
  public static class WordLine {
    public String topic = "";
    public String text = "";
    public Source source = new Source();

    public String getLabel() {
      return Topics.label(topic);
    }
  }

  /** A pasted text, who pasted it and when. */
  public static class Pasted {
    public String text = "";
    public String by = "";
    public String on = "";
  }

  /** A public rating. */
  public static class RatingLine {
    public String rating = "";
    public String count = "";
    public Source source = new Source();

    boolean isBlank() {
      return rating.isBlank() && count.isBlank();
    }
  }
}
