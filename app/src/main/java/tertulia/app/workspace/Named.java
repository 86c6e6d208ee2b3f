package tertulia.app.workspace;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Capability;

/** The capabilities that a contender's page names. */
public final class Named {
  private Named() {}

  /** In the page's order, each once. */
  public static List<Capability> by(Session session, Contender contender) {
    return session.table().file().contenders().stream()
        .map(SelectionFile.ContenderPart::tool)
        .filter(tool -> tool.id().equals(contender.id()))
        .flatMap(tool -> tool.plans().stream())
        .flatMap(plan -> plan.facts().stream())
        .collect(
            Collectors.toMap(
                fact -> Codes.slug(fact.capability()),
                fact -> new Capability(Codes.slug(fact.capability()), fact.capability()),
                (first, second) -> first,
                LinkedHashMap::new))
        .values()
        .stream()
        .toList();
  }
}
