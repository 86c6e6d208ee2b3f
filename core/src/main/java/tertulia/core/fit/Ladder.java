package tertulia.core.fit;

import java.util.List;

/**
 * Which of a tool's plans have a capability, in the maker's order.
 *
 * @param offerings the tool's plans
 */
public record Ladder(Capability capability, List<Offering> offerings) {
  public Ladder {
    offerings = List.copyOf(offerings);
  }

  /** Names of the plans with one of these answers. */
  public List<String> with(Answer... answers) {
    List<Answer> wanted = List.of(answers);
    return offerings.stream()
        .filter(offering -> wanted.contains(offering.fact(capability).answer()))
        .map(offering -> offering.plan().name())
        .toList();
  }

  /** Whether some plan has it, be it by an add-on or through a connector. */
  public boolean isAnywhere() {
    return !with(Answer.YES, Answer.BY_ADD_ON, Answer.THROUGH_CONNECTOR).isEmpty();
  }

  /**
   * Where it is to be had: "in every plan", "from Crew on", "in Crew, Yard", "partly from Crew on",
   * "by add-on from Crew on", "through a connector in every plan", "by hand in every plan", "in no
   * plan" or "not confirmed".
   */
  public String words() {
    List<String> own = with(Answer.YES);
    List<String> added = with(Answer.BY_ADD_ON);
    List<String> connected = with(Answer.THROUGH_CONNECTOR);
    List<String> partly = with(Answer.PARTLY);
    List<String> byHand = with(Answer.BY_HAND);
    if (!own.isEmpty()) {
      return place(own);
    }
    if (!added.isEmpty()) {
      return "by add-on " + place(added);
    }
    if (!connected.isEmpty()) {
      return "through a connector " + place(connected);
    }
    if (!partly.isEmpty()) {
      return "partly " + place(partly);
    }
    if (!byHand.isEmpty()) {
      return "by hand " + place(byHand);
    }
    return with(Answer.UNKNOWN).isEmpty() ? "in no plan" : "not confirmed";
  }

  private String place(List<String> names) {
    List<String> all = offerings.stream().map(offering -> offering.plan().name()).toList();
    if (names.size() == all.size()) {
      return all.size() == 1 ? "in " + all.getFirst() : "in every plan";
    }
    boolean ends = all.subList(all.size() - names.size(), all.size()).equals(names);
    return ends && names.size() > 1
        ? "from " + names.getFirst() + " up"
        : "in " + String.join(", ", names);
  }
}
