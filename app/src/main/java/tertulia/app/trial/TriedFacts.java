package tertulia.app.trial;

import java.util.ArrayList;
import java.util.List;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.ToolSheet;
import tertulia.core.finding.TrialFinding;
import tertulia.core.working.Ground;

/** Puts what was tried by hand on a price page, for the plan that was tried. */
record TriedFacts(TrialFinding.TriedFact shown) {
  /** The page with it; the answer that was there goes into the page's history. */
  ToolSheet in(ToolSheet sheet) {
    return sheet.withPlans(
        sheet.plans().stream()
            .map(
                plan -> plan.id().equals(shown.plan()) ? plan.withFacts(facts(plan.facts())) : plan)
            .toList());
  }

  private List<ToolSheet.FactPart> facts(List<ToolSheet.FactPart> before) {
    List<ToolSheet.FactPart> facts = new ArrayList<>();
    String group = "";
    for (ToolSheet.FactPart fact : before) {
      if (Codes.slug(fact.capability()).equals(shown.capability().id())) {
        group = fact.group();
      } else {
        facts.add(fact);
      }
    }
    facts.add(
        new ToolSheet.FactPart(
            shown.capability().name(),
            group,
            Codes.code(shown.shown()),
            "",
            new ToolSheet.SourcePart(
                shown.on().toString(), Codes.code(Ground.TRIED_BY_HAND), shown.by(), "", "", "")));
    return facts;
  }
}
