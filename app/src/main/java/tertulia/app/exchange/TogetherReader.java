package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.core.evaluation.Contender;
import tertulia.core.pricing.Plan;
import tertulia.core.pricing.Tool;
import tertulia.core.scoring.PublicRating;

/** Reads contenders, those of several tools that are bought together as one. */
record TogetherReader(
    ToolReader tools, Faults faults, Map<String, ToolSheet> pages, RequiredPrices.Had had) {
  /** What of a set has no price page, in a sentence; empty if nothing. */
  static Optional<String> missing(ToolSheet set, Map<String, ToolSheet> pages) {
    return set.together().stream()
        .filter(id -> !pages.containsKey(id) || pages.get(id).setOfTools())
        .findFirst()
        .map(id ->
            "\""
                + Codes.shortened(id)
                + "\" is bought together with others and has no price page here. Add it to pages.");
  }

  /** The contender; empty if anything was refused. */
  Optional<Contender> contender(String at, SelectionFile.ContenderPart part) {
    ToolSheet set = part.tool();
    RequiredPrices required = new RequiredPrices(pages, had.with(set.together()));
    if (!set.setOfTools()) {
      return tools.contender(at, part.with(required.in(set)));
    }
    List<ToolSheet> sheets =
        set.together().stream()
            .flatMap(id -> Optional.ofNullable(pages.get(id)).stream())
            .filter(page -> !page.setOfTools())
            .toList();
    if (sheets.size() < set.together().size()) {
      // what a store does not have any more leaves the contender without plans, not without a page
      return tools.contender(at, part);
    }
    List<Contender> members = new ArrayList<>();
    for (ToolSheet page : sheets) {
      tools
          .contender(at, part.with(required.in(page)))
          .map(TogetherReader::named)
          .ifPresent(members::add);
    }
    if (members.size() < sheets.size()) {
      return Optional.empty();
    }
    Contender first = members.getFirst();
    List<PublicRating> ratings = members.stream().flatMap(m -> m.ratings().stream()).toList();
    String makers =
        members.stream()
            .map(member -> member.tool().maker())
            .filter(maker -> !maker.isBlank())
            .distinct()
            .collect(Collectors.joining(", "));
    return faults.at(
        at,
        () ->
            first
                .with()
                .tool(
                    first
                        .tool()
                        .with()
                        .id(set.id())
                        .name(Codes.text(set.name(), BriefReader.LONGEST_NAME))
                        .maker(makers)
                        .build())
                .ratings(ratings)
                .boughtWith(
                    members.subList(1, members.size()).stream()
                        .map(other -> new Contender.With(other.tool(), other.facts(), Set.of()))
                        .toList())
                .build());
  }

  /** Each plan by the name of its tool, so that one sees whose it is. */
  private static Contender named(Contender member) {
    Tool tool = member.tool();
    List<Plan> plans =
        tool.plans().stream().map(plan -> plan.named(tool.name() + " " + plan.name())).toList();
    return member.withTool(tool.withPlans(plans));
  }
}
