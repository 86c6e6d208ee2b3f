package tertulia.app.exchange;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.core.scoring.Better;
import tertulia.core.scoring.Mark;
import tertulia.core.scoring.Preference;
import tertulia.core.scoring.Weighing;

/** Between the ways to weigh as they are written and the core's. */
public final class WeighingReader {
  private WeighingReader() {}

  /** A way to weigh, by its code. */
  public enum Elicitation {
    POINTS("points"),
    SWING("swing"),
    RANK_ORDER("rank-order"),
    PAIRS("pairs");

    private final String code;

    Elicitation(String code) {
      this.code = code;
    }

    public String code() {
      return code;
    }

    /**
     * The way with a code.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static Elicitation of(String code) {
      return Stream.of(values())
          .filter(way -> way.code.equals(code))
          .findFirst()
          .orElseThrow(() ->
              new IllegalArgumentException(
                  "\"" + code + "\" is not one of points, swing, rank-order, pairs."));
    }
  }

  /** How a member weighs, as far as the file tells. */
  static Weighing weighing(SelectionFile.MemberPart part) {
    if (SelectionFile.MemberPart.WITHHELD.equals(part.weighsBy())) {
      if (part.anything()) {
        throw new IllegalArgumentException(
            "The view of "
                + part.name()
                + " is withheld, and yet there is some of it. Say how it is weighed, or take it"
                + " out.");
      }
      return Weighing.NOTHING;
    }
    checkOnce(part.otherWays());
    Map<Elicitation, Weighing> entered =
        part.otherWays().stream()
            .collect(Collectors.toMap(WeighingReader::way, WeighingReader::read));
    Weighing points = new Weighing.Points(part.points());
    return part.weighsBy() == null
        ? points
        : switch (Elicitation.of(part.weighsBy())) {
          case POINTS -> points;
          case SWING -> entered.getOrDefault(Elicitation.SWING, new Weighing.Swing(Map.of()));
          case RANK_ORDER ->
              entered.getOrDefault(Elicitation.RANK_ORDER, new Weighing.RankOrder(Map.of()));
          case PAIRS -> entered.getOrDefault(Elicitation.PAIRS, new Weighing.Compared(List.of()));
        };
  }

  private static void checkOnce(List<SelectionFile.WeighingPart> parts) {
    Set<Elicitation> met = EnumSet.noneOf(Elicitation.class);
    for (SelectionFile.WeighingPart part : parts) {
      if (!met.add(way(part))) {
        throw new IllegalArgumentException(
            "Weights by " + way(part).code() + " are given twice. Keep one of them.");
      }
    }
  }

  /** The way in which a member weighs; by points if what it is may not be seen. */
  public static Elicitation way(SelectionFile.MemberPart part) {
    return part.weighsBy() == null || part.weighsBy().equals(SelectionFile.MemberPart.WITHHELD)
        ? Elicitation.POINTS
        : Elicitation.of(part.weighsBy());
  }

  private static Elicitation way(SelectionFile.WeighingPart part) {
    return switch (part) {
      case SelectionFile.SwingPart swing -> Elicitation.SWING;
      case SelectionFile.RankOrderPart ranks -> Elicitation.RANK_ORDER;
      case SelectionFile.ComparedPart pairs -> Elicitation.PAIRS;
    };
  }

  private static Weighing read(SelectionFile.WeighingPart part) {
    return switch (part) {
      case SelectionFile.SwingPart swing -> new Weighing.Swing(swing.worth());
      case SelectionFile.RankOrderPart order -> new Weighing.RankOrder(order.ranks());
      case SelectionFile.ComparedPart compared ->
          new Weighing.Compared(
              compared.pairs().stream()
                  .map(pair -> new Preference(pair.more(), pair.less(), pair.times()))
                  .toList());
    };
  }

  /** Every criterion named in any way. */
  static Set<String> criteria(List<SelectionFile.WeighingPart> parts) {
    return parts.stream()
        .flatMap(part ->
            switch (part) {
              case SelectionFile.SwingPart swing -> swing.worth().keySet().stream();
              case SelectionFile.RankOrderPart order -> order.ranks().keySet().stream();
              case SelectionFile.ComparedPart compared ->
                  compared.pairs().stream().flatMap(p -> Stream.of(p.more(), p.less()));
            })
        .collect(Collectors.toSet());
  }

  /** The code of how much better one is, such as "edge". */
  public static String code(Better.Much much) {
    return much.name().toLowerCase(Locale.ROOT);
  }

  /**
   * A pair as the core has it.
   *
   * @throws IllegalArgumentException if it is no pair, or there is no such code
   */
  public static Better better(SelectionFile.PairPart pair) {
    Better.Much much =
        Stream.of(Better.Much.values())
            .filter(known -> code(known).equals(pair.much()))
            .findFirst()
            .orElseThrow(() ->
                new IllegalArgumentException(
                    "\"" + pair.much() + "\" is not one of level, edge, clear."));
    return new Better(pair.better(), pair.than(), much);
  }

  /** The code of what a mark rests on, such as "tried". */
  public static String code(Mark.Acquaintance acquaintance) {
    return acquaintance.name().toLowerCase(Locale.ROOT);
  }

  /**
   * What a mark rests on, by its code.
   *
   * @throws IllegalArgumentException if there is no such code
   */
  public static Mark.Acquaintance acquaintance(String code) {
    return Stream.of(Mark.Acquaintance.values())
        .filter(known -> code(known).equals(code))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "\"" + code + "\" is not one of tried, shown, read, heard."));
  }
}
