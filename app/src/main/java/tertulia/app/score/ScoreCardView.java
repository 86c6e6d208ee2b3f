package tertulia.app.score;

import java.util.List;
import tertulia.app.display.CardWords;

/**
 * The score card as it is read.
 *
 * @param says what it says, never a count of wins without the weights
 * @param weighted whether anybody has set weights
 * @param criteria the heaviest first
 * @param needs those that tell the contenders apart; beyond a few they are folded
 * @param contenders where each wins and loses, and what it lacks
 */
public record ScoreCardView(
    List<String> says,
    boolean weighted,
    List<Line> criteria,
    List<Line> needs,
    List<OfContender> contenders) {

  /** So many needs are shown before the rest is folded. */
  public static final int NEEDS_SHOWN = 5;

  /**
   * A criterion or a need.
   *
   * @param meaning what it means, in the words of whoever named it; may be empty
   * @param weight such as "33 %" or "should, 4"; may be empty
   * @param picture as SVG
   * @param ahead who wins, or who has it
   * @param margin such as "a tie" or "clear, still open"
   * @param reasons why
   */
  public record Line(
      String name,
      String meaning,
      String weight,
      String picture,
      List<Who> ahead,
      String margin,
      List<CardWords.Reason> reasons) {}

  /** A contender with its mark as SVG. */
  public record Who(String mark, String name) {}

  /**
   * A contender.
   *
   * @param total such as 0.673; may be "—"
   * @param plan that lacks what it lacks
   * @param opinions when people would take it
   * @param own what the reader said; empty: nothing
   */
  public record OfContender(
      String slug,
      Who who,
      String total,
      List<String> wins,
      List<String> loses,
      String plan,
      List<String> lacks,
      List<String> chooseIf,
      List<CardWords.Reason> opinions,
      String own) {}
}
