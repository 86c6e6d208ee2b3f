package tertulia.core.finding;

import java.util.List;

/** What is said first of a selection, to somebody who was not there. */
public sealed interface AnswerFinding extends Finding {
  /** Nobody has been brought to be compared, or all are set aside. */
  record NobodyCompared() implements AnswerFinding {}

  /**
   * None of the contenders has a plan for all people and months.
   *
   * @param toConfirm those that may have one, if facts were confirmed
   */
  record NobodyDoes(List<String> toConfirm) implements AnswerFinding {
    public NobodyDoes {
      toConfirm = List.copyOf(toConfirm);
    }
  }

  /** Some have a plan for all people and months, and none of them has a figure. */
  record NobodyHasATotal(List<String> tools) implements AnswerFinding {
    public NobodyHasATotal {
      tools = List.copyOf(tools);
    }
  }

  /**
   * One contender does what is needed, and no other for certain: nothing is compared.
   *
   * @param alone whether there is no other contender
   */
  record OnlyOneDoes(String tool, boolean alone) implements AnswerFinding {}

  /**
   * Nobody has weighed yet; so much is known: who costs least over the whole period.
   *
   * @param tools more than one if they cost the same
   * @param now whether each is also the cheapest now
   * @param open who may cost less, now or over the whole period
   */
  record CheapestThatDoes(List<String> tools, boolean now, List<String> open)
      implements AnswerFinding {
    public CheapestThatDoes {
      tools = List.copyOf(tools);
      open = List.copyOf(open);
    }
  }

  /**
   * Who is ahead by the totals.
   *
   * @param tools more than one if they are level for certain
   * @param mayPass who could be first for all that is known; nobody: the lead is certain
   * @param cost where it stands by cost; of those that are level the first
   * @param open who may cost less than it, as what they cost is not known well enough
   */
  record Ahead(List<String> tools, List<String> mayPass, Cheapness cost, List<String> open)
      implements AnswerFinding {
    public Ahead {
      tools = List.copyOf(tools);
      mayPass = List.copyOf(mayPass);
      open = List.copyOf(open);
    }

    public boolean isCertain() {
      return mayPass.isEmpty();
    }
  }

  /**
   * What has become of a decision.
   *
   * @param first who is first today, by totals or else by cost; more than one if they are level
   * @param stands whether the choice is among them
   */
  record DecisionToday(List<String> first, boolean stands) implements AnswerFinding {
    public DecisionToday {
      first = List.copyOf(first);
    }
  }

  /**
   * Who does what is needed, for all people and months.
   *
   * @param toConfirm those that may, if facts were confirmed
   * @param not those that do not, whatever is confirmed
   */
  record WhoDoes(List<String> doing, List<String> toConfirm, List<String> not)
      implements AnswerFinding {
    public WhoDoes {
      doing = List.copyOf(doing);
      toConfirm = List.copyOf(toConfirm);
      not = List.copyOf(not);
    }
  }

  /** Where somebody stands by cost. */
  enum Cheapness {
    NOW_AND_WHOLE,
    WHOLE,
    NOW,
    NEITHER,
    NOT_KNOWN
  }
}
