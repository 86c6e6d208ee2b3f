package tertulia.app.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tertulia.core.evaluation.Contender;
import tertulia.core.fit.Answer;
import tertulia.core.inuse.Beside;
import tertulia.core.inuse.InUse;
import tertulia.core.pricing.Tool;

/** Reads what is in use beside the contenders of a file. */
final class InUseReader {
  /** That a tool in use stays if a contender is taken, or goes. */
  static final String STAYS = "stays";

  static final String GOES = "goes";

  private final Faults faults;
  private final SelectionFile file;
  private final Map<String, Tool> pages = new HashMap<>();
  private final Map<String, Contender> known = new HashMap<>();

  InUseReader(Faults faults, SelectionFile file) {
    this.faults = faults;
    this.file = file;
  }

  /** The tools in use that are part of the question, with what of them goes for whom. */
  Beside read(List<Contender> contenders) {
    List<InUsePart> parts = file.brief().used();
    if (parts.isEmpty()) {
      return Beside.NOTHING;
    }
    contenders.forEach(contender -> {
      pages.put(contender.id(), contender.tool());
      known.put(contender.id(), contender);
    });
    List<ToolSheet> sheets = file.otherPages();
    for (int i = 0; i < sheets.size(); i++) {
      new ToolReader(faults, List.of())
          .tool("/pages/" + i, sheets.get(i))
          .ifPresent(read -> {
            pages.putIfAbsent(read.id(), read.tool());
            known.putIfAbsent(read.id(), read);
          });
    }
    List<InUse> tools = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      InUsePart part = parts.get(i);
      faults.at("/brief/inUse/" + i, () -> part.toCore(page(part))).ifPresent(tools::add);
    }
    return faults.at("/brief/inUse", () -> new Beside(tools, goes(tools))).orElse(Beside.NOTHING);
  }

  /** Whether everybody the question is about has it. */
  private boolean isUsedByAll(List<String> users) {
    return users.isEmpty()
        || users.containsAll(file.brief().groups().stream().map(Brief.GroupPart::id).toList());
  }

  /**
   * The contenders with what tools that stay beside them have: what only some of the people use is
   * not had by the others.
   */
  List<Contender> met(List<Contender> contenders, Beside beside) {
    return contenders.stream()
        .map(contender -> {
          Map<String, Contender.MetBeside> met = new LinkedHashMap<>();
          for (InUse use : beside.staying(contender.id())) {
            Contender page = known.get(use.id());
            if (page != null && isUsedByAll(List.copyOf(use.users()))) {
              page.facts()
                  .getOrDefault(use.plan().id(), Map.of())
                  .forEach((capability, fact) -> {
                    if (fact.answer() == Answer.YES) {
                      met.putIfAbsent(capability, new Contender.MetBeside(use.name(), fact));
                    }
                  });
            }
          }
          return met.isEmpty() ? contender : contender.withMetBeside(met);
        })
        .toList();
  }

  private Tool page(InUsePart part) {
    Tool page = pages.get(part.tool());
    if (page == null) {
      throw new IllegalArgumentException(
          "There is no price page of \""
              + Codes.shortened(part.tool())
              + "\". Add it to inUse, or to the contenders.");
    }
    return page;
  }

  /** By contender: what was said of each tool, else what follows from the work areas. */
  private Map<String, Set<String>> goes(List<InUse> tools) {
    Set<String> asked = areas();
    Map<String, Set<String>> goes = new LinkedHashMap<>();
    for (SelectionFile.ContenderPart part : file.contenders()) {
      Set<String> ids = new LinkedHashSet<>();
      for (InUse use : tools) {
        if (goes(part, use.id(), use.areas(), asked)) {
          ids.add(use.id());
        }
      }
      goes.put(part.tool().id(), ids);
    }
    return goes;
  }

  /** What is there beside a contender because it stays in use. */
  RequiredPrices.Had had(SelectionFile.ContenderPart contender) {
    Set<String> asked = areas();
    Map<String, RequiredPrices.There> there = new LinkedHashMap<>();
    for (InUsePart use : file.brief().used()) {
      if (!goes(contender, use.tool(), use.areas(), asked)) {
        there.put(
            use.tool(),
            new RequiredPrices.There(
                use.plan(), isUsedByAll(use.users()) ? null : Integer.valueOf(use.units())));
      }
    }
    return new RequiredPrices.Had(there);
  }

  private static boolean goes(
      SelectionFile.ContenderPart part, String use, List<String> areas, Set<String> asked) {
    boolean itself = part.tool().id().equals(use) || part.tool().together().contains(use);
    if (itself) {
      return !part.keptAsToday();
    }
    @Nullable String said = part.saidOfInUse().get(use);
    return said == null ? !part.keptAsToday() && InUse.goesFor(areas, asked) : said.equals(GOES);
  }

  /** The work areas that all who are compared serve. */
  private Set<String> areas() {
    @Nullable Set<String> shared = null;
    for (SelectionFile.ContenderPart part : file.contenders()) {
      if (!part.keptAsToday()) {
        if (shared == null) {
          shared = new LinkedHashSet<>(part.tool().areas());
        } else {
          shared.retainAll(part.tool().areas());
        }
      }
    }
    return Objects.requireNonNullElse(shared, Set.of());
  }

  /** A contender that is what is in use: on its plan and term only, and nothing of it owned. */
  Contender asToday(Contender contender) {
    Optional<InUsePart> part =
        file.brief().used().stream().filter(p -> p.tool().equals(contender.id())).findFirst();
    if (part.isEmpty()) {
      return contender;
    }
    Tool tool = contender.tool();
    // what is wrong with it is said where it is read
    return new Faults()
        .at("", () -> part.get().toCore(tool).kept())
        .map(kept ->
            contender
                .with()
                .tool(
                    new Tool(
                        tool.id(),
                        tool.name(),
                        tool.maker(),
                        List.of(kept),
                        List.of(),
                        Optional.empty()))
                .plansAside(Map.of())
                .asToday(true)
                .build())
        .orElse(contender);
  }
}
