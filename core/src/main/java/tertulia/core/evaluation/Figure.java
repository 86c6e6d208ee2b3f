package tertulia.core.evaluation;

/** A computed figure that can be asked "why". */
public sealed interface Figure {
  /** A figure of one contender. */
  sealed interface OfContender extends Figure {
    String contender();
  }

  /** The headcount under discussion. */
  record Headcount() implements Figure {}

  /** Steady monthly cost of a contender for the people under discussion. */
  record Steady(String contender) implements OfContender {}

  /** Steady monthly cost of one plan of a contender, whether or not it would do. */
  record PlanAlone(String contender, String plan) implements OfContender {}

  /** How much more a month one plan of a contender costs than another of its plans. */
  record PlanMore(String contender, String plan, String than) implements OfContender {}

  /** Units needed of a measure by the people under discussion. */
  record Units(String measure) implements Figure {}

  /** Total of a contender over the horizon. */
  record Horizon(String contender) implements OfContender {}

  /** What a contender comes to over the horizon with what is in use beside it. */
  record InAll(String contender) implements OfContender {}

  /** Total of the cheapest path through a contender's plans, beside keeping one of them. */
  record BestWay(String contender) implements OfContender {}

  /** What a contender takes of people's time over the horizon. */
  record Time(String contender) implements OfContender {}

  /** Subscription and people's time of a contender over the horizon. */
  record Full(String contender) implements OfContender {}

  /** What would make a contender the cheapest. */
  record Remedies(String contender) implements OfContender {}

  /** From how many named people on a price for the whole staff is cheaper. */
  record WholeStaff(String contender) implements OfContender {}

  /** Amount of one plan month. */
  record Month(String contender, int m) implements OfContender {}

  /** What a contender has cost by the end of a plan month. */
  record Running(String contender, int m) implements OfContender {}

  /** What the tool in use until now would have cost by the end of a plan month. */
  record OldTool(int m) implements Figure {}

  /** Steady cost of a contender for each of the people under discussion, for so many months. */
  record PerHead(String contender, int months) implements OfContender {}

  /** Amount of the twelve plan months of a year, counted from 0; the last may be shorter. */
  record Year(String contender, int year) implements OfContender {}

  /** What a contender has committed past the horizon. */
  record PastHorizon(String contender) implements OfContender {}

  /** Units paid for and not needed. */
  record Idle(String contender) implements OfContender {}

  /** How much dearer a contender is than the cheapest for the people under discussion. */
  record Dearer(String contender) implements OfContender {}

  /** What a must costs a contender. */
  record NeedCost(String capability, String contender) implements OfContender {}

  /** What a must costs the selection: the cheapest with it against the cheapest without it. */
  record NeedCostOfAll(String capability) implements Figure {}

  /** How much of a measure a contender's plan leaves for the people under discussion. */
  record Room(String contender, String measure) implements OfContender {}

  /** Verdict on every plan of a contender. */
  record Plans(String contender) implements OfContender {}

  /** Group weight of a criterion. */
  record Weight(String criterion) implements Figure {}

  /** Value of a contender under a criterion. */
  record Value(String contender, String criterion) implements OfContender {}

  /** How many criteria a contender wins, and by what margins. */
  record Wins(String contender) implements OfContender {}

  /** Who leads under a criterion, and by how much. */
  record Winner(String criterion) implements Figure {}

  /** Total score of a contender, with its ranks. */
  record Total(String contender) implements OfContender {}
}
