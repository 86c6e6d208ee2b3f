package tertulia.app.handover;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tertulia.app.decision.Minutes;
import tertulia.app.display.Figures;
import tertulia.app.display.ProvisoWords;
import tertulia.app.display.SigningWords;
import tertulia.app.display.SubjectWords;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;
import tertulia.core.decision.Review;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;

/** A decision as Markdown, in the order of a decision record: context to consequences. */
final class Markdown {
  /** What is markup wherever it stands; a colon before slashes would be made a link by some. */
  private static final Pattern MARKUP = Pattern.compile("([\\\\`*_\\[\\]<>#|~&]|:(?=//))");

  /** What would open a list or underline a heading at the beginning of a line. */
  private static final Pattern LINE_BEGINNING = Pattern.compile("^([0-9]{0,9})([-+=.)])");

  private final StringBuilder out = new StringBuilder();

  private Markdown() {}

  /** Writes a selection with its results and, if there is one, its decision. */
  static String of(SelectionFile file, Results results, Optional<Decision> decision) {
    return of(file, results, decision, Optional.empty());
  }

  /** The same, with what the record of a signed decision says first. */
  static String of(
      SelectionFile file, Results results, Optional<Decision> decision, Optional<Minutes> minutes) {
    Markdown markdown = new Markdown();
    markdown.heading(file, decision);
    markdown.context(file.brief(), results);
    markdown.drivers(
        file.brief(),
        results,
        file.panel().stream()
            .filter(m -> SelectionFile.MemberPart.WITHHELD.equals(m.weighsBy()))
            .map(SelectionFile.MemberPart::name)
            .toList());
    markdown.options(results);
    markdown.side(results);
    markdown.firmness(results);
    markdown.settled(file);
    markdown.narrowing(file);
    decision.ifPresent(d -> markdown.outcome(d, results, file, minutes));
    markdown.ended(file);
    markdown.said(file);
    return markdown.out.toString();
  }

  private void heading(SelectionFile file, Optional<Decision> decision) {
    line("# " + escaped(file.brief().title()));
    line("");
    line("- Status: " + decision.map(Markdown::status).orElse("open"));
    line("- Prices and rates as of: " + file.brief().asOf());
    line("");
  }

  private static String status(Decision decision) {
    return switch (decision) {
      case Decision.Draft d -> "draft";
      case Decision.Proposed p ->
          Stream.concat(
                  Stream.of("proposed by " + act(p.by())),
                  SigningWords.answers(p.signing()).stream().map(Markdown::escaped))
              .collect(Collectors.joining("; "));
      case Decision.Signed s ->
          "accepted on "
              + s.at().toString().substring(0, 10)
              + "; proposed by "
              + act(s.by())
              + "; "
              + SigningWords.all(s).stream()
                  .map(Markdown::escaped)
                  .collect(Collectors.joining("; "));
      case Decision.Objected o ->
          "objected to by " + act(o.objectedBy()) + ": " + escaped(o.reason());
    };
  }

  private static String act(Proposal.Act act) {
    return escaped(act.by().words()) + " on " + act.at().toString().substring(0, 10);
  }

  private void context(Brief brief, Results results) {
    line("## Context");
    line("");
    line(paragraphs(brief.purpose()));
    line("");
    int low = results.people().stream().mapToInt(Integer::intValue).min().orElse(0);
    int high = results.people().stream().mapToInt(Integer::intValue).max().orElse(0);
    line(
        (low == high ? "" : low + " to ")
            + high
            + (high == 1 ? " person over " : " people over ")
            + brief.months()
            + " months from "
            + brief.start()
            + "; figures in "
            + brief.currency()
            + ", before tax.");
    line("");
  }

  /** What is there at the start of something counted, and where more of it is to be had. */
  private void besides(Brief.DemandPart part) {
    String counted = escaped(Codes.measure(part.measure()).label());
    if (part.stock() != null) {
      line("- counted: " + part.stock() + " " + counted + " at the start");
    }
    Brief.MoreOutsidePart outside = part.outside();
    if (outside != null) {
      line(
          "- counted: "
              + counted
              + ", up to "
              + outside.upTo()
              + " more than a plan allows by "
              + escaped(outside.by())
              + " at "
              + outside.monthly()
              + " in each month that needs it");
    }
  }

  private void drivers(Brief brief, Results results, List<String> withheld) {
    line("## Decision drivers");
    line("");
    for (Brief.NeedPart need : brief.needs()) {
      line("- " + need.importance() + ": " + escaped(need.name()) + need(need));
    }
    brief.demand().forEach(this::besides);
    for (Brief.CriterionPart criterion : brief.criteria()) {
      String weight = results.weights() == null ? null : results.weights().get(criterion.id());
      line(
          "- criterion: "
              + escaped(criterion.name())
              + (weight == null ? "" : ", weight " + percent(weight)));
    }
    if (!withheld.isEmpty()) {
      line(
          "- not in these figures, as it was not for whoever took them: the view of "
              + withheld.stream().map(Markdown::escaped).collect(Collectors.joining(", ")));
    }
    line("");
  }

  /** Who asked for a need, why, and what covers it. */
  private static String need(Brief.NeedPart need) {
    Brief.OutsidePart outside = need.outside();
    return need.enough()
        + (outside == null
            ? ""
            : ", or covered outside by "
                + escaped(outside.by())
                + " at "
                + outside.monthly()
                + " a month")
        + (need.askedBy() == null ? "" : " (" + escaped(need.askedBy()) + ")")
        + (need.why() == null ? "" : ": " + escaped(need.why()));
  }

  private void options(Results results) {
    line("## Considered options");
    line("");
    line(
        "| Contender | Plan and term | "
            + results.people().size()
            + " months, "
            + results.currency()
            + " | Total |");
    line("|---|---|---:|---:|");
    for (Results.ContenderResult c : results.contenders()) {
      line(
          "| "
              + escaped(c.name())
              + " | "
              + (c.setAside() != null ? "set aside: " + escaped(c.setAside()) : option(c))
              + " | "
              + amount(c)
              + " | "
              + (c.total() == null ? "—" : c.total().words())
              + " |");
    }
    line("");
  }

  /** Who wins where and why, and the answer by size; nothing of what was written before that. */
  private void side(Results results) {
    Results.SideResult side = results.side();
    if (side == null) {
      return;
    }
    line("### Who wins where, and why");
    line("");
    side.says().forEach(said -> line(escaped(said)));
    line("");
    for (Results.CardResult card : side.card()) {
      line(
          "- "
              + escaped(card.name())
              + (card.meaning() == null ? "" : " (" + escaped(card.meaning()) + ")")
              + (card.weight() == null ? "" : ", " + escaped(percent(card.weight())))
              + ": "
              + (card.ahead().isEmpty()
                  ? "nobody for certain"
                  : escaped(named(results, card.ahead())))
              + (card.margin().isEmpty() ? "" : ", " + card.margin())
              + (card.why().isEmpty() ? "" : "; " + escaped(String.join("; ", card.why()))));
    }
    line("");
    for (Results.SidesResult one : side.contenders()) {
      line("- " + escaped(named(results, List.of(one.contender()))));
      line("  - wins: " + escaped(said(one.wins(), "no criterion")));
      line("  - comes last in: " + escaped(said(one.last(), "none for certain")));
      line("  - lacks: " + escaped(said(one.lacks(), "nothing that tells them apart")));
      one.opinions().forEach(opinion -> line("  - opinion of " + escaped(opinion)));
    }
    line("");
    sizes(results, side.bySize());
    if (side.ifConfirmed() != null) {
      for (Results.ConfirmResult open : side.ifConfirmed()) {
        line(
            "- If confirmed, "
                + escaped(named(results, List.of(open.contender())))
                + " would cost "
                + Stream.of(
                        open.monthly() == null ? "" : Results.grouped(open.monthly()) + " a month",
                        open.horizon() == null
                            ? ""
                            : Results.grouped(open.horizon())
                                + " over "
                                + results.people().size()
                                + " months")
                    .filter(words -> !words.isEmpty())
                    .collect(Collectors.joining(" and "))
                + ": "
                + escaped(String.join("; ", open.open())));
      }
      line("");
    }
  }

  private void sizes(Results results, List<Results.SizeResult> sizes) {
    if (sizes.isEmpty()) {
      return;
    }
    line("| A month, " + results.currency() + " | Leads | Cheapest |");
    line("|---|---|---|");
    for (Results.SizeResult size : sizes) {
      line(
          "| "
              + size.people()
              + (size.people() == 1 ? " person" : " people")
              + " | "
              + leads(results, size)
              + " | "
              + (size.cheapest().isEmpty()
                  ? "not known"
                  : escaped(named(results, size.cheapest()))
                      + ", "
                      + Objects.requireNonNull(size.costs().get(size.cheapest().getFirst()))
                          .words())
              + " |");
    }
    line("");
  }

  /** As on the screen: who leads in every case, or is ahead by the middle of the totals. */
  private static String leads(Results results, Results.SizeResult size) {
    if (size.leads() != null) {
      return escaped(named(results, List.of(size.leads())));
    }
    return size.ahead() == null
        ? "nobody"
        : escaped(named(results, List.of(size.ahead()))) + ", not in every case";
  }

  /** A weight in whole percent as on the screen; an importance stays as it is. */
  private static String percent(String weight) {
    return weight.matches("[0-9.]+") ? Figures.percent(new BigDecimal(weight)) : weight;
  }

  private static String said(List<String> things, String none) {
    return things.isEmpty() ? none : String.join("; ", things);
  }

  private static String named(Results results, List<String> ids) {
    return results.contenders().stream()
        .filter(c -> ids.contains(c.id()))
        .map(Results.ContenderResult::name)
        .collect(Collectors.joining(", "));
  }

  /**
   * How firm it is, and who should take which; nothing of what was written before that was said.
   */
  private void firmness(Results results) {
    Results.FirmnessResult firm = results.firmness();
    if (firm == null) {
      return;
    }
    line("### How firm that is");
    line("");
    line(escaped(firm.says()));
    line("");
    if (firm.bySize() != null) {
      line("- " + escaped(firm.bySize()));
    }
    firm.takeIf().forEach(take -> line("- " + escaped(take.says())));
    if (firm.holdsFor() != null) {
      line("- " + escaped(firm.holdsFor()));
    }
    List<String> never = firm.never();
    if (never != null) {
      line(
          "- Never first in anything we tried: "
              + results.contenders().stream()
                  .filter(c -> never.contains(c.id()))
                  .map(c -> escaped(c.name()))
                  .collect(Collectors.joining(", ")));
    }
    if (firm.findOut() != null) {
      line("- " + escaped(firm.findOut()));
    }
    if (results.interests() != null) {
      line("- " + escaped(results.interests()));
    }
    line("");
  }

  /** Marks that the table settled together, with why. */
  private void settled(SelectionFile file) {
    if (file.settled() == null || file.settled().isEmpty()) {
      return;
    }
    SubjectWords words = new SubjectWords(file);
    line("### Marks settled together");
    line("");
    for (SelectionFile.SettledPart part : file.settled()) {
      line(
          "- "
              + escaped(words.of(new Subject.OfMark(part.criterion(), part.contender())))
              + ": "
              + escaped(part.points())
              + ", "
              + escaped(part.reason())
              + " ("
              + escaped(part.by())
              + ", "
              + part.on()
              + ")");
    }
    line("");
  }

  private void narrowing(SelectionFile file) {
    if (file.narrowing().isEmpty()) {
      return;
    }
    line("### How the list was narrowed");
    line("");
    for (SelectionFile.LogPart act : file.narrowing()) {
      line(
          "- "
              + act.at().substring(0, 10)
              + ": "
              + escaped(act.contender())
              + " "
              + act.words()
              + " by "
              + escaped(act.who())
              + (act.reason() == null ? "" : ": " + escaped(act.reason())));
    }
    line("");
  }

  /** Proposals that did not stand, with who ended them and why. */
  private void ended(SelectionFile file) {
    if (file.proposals().isEmpty()) {
      return;
    }
    line("");
    line("### Proposals that did not stand");
    line("");
    for (SelectionFile.EndedPart part : file.proposals()) {
      line(
          "- "
              + part.proposedAt().substring(0, 10)
              + ": "
              + escaped(part.choice())
              + ", "
              + escaped(part.option())
              + ", proposed by "
              + escaped(part.proposedBy())
              + "; "
              + part.at().substring(0, 10)
              + " "
              + part.words()
              + " "
              + escaped(part.by())
              + ": "
              + escaped(part.reason()));
    }
  }

  /** What was asked and said, with the answers; what is open says so. */
  private void said(SelectionFile file) {
    if (file.said().isEmpty()) {
      return;
    }
    SubjectWords words = new SubjectWords(file);
    line("");
    line("### What was asked and said");
    line("");
    for (SelectionFile.RemarkPart part : file.said()) {
      Remark remark = part.read("");
      line(
          "- "
              + escaped(words.of(remark.about()))
              + ": "
              + voice(remark.said(), remark.kind().words() + ": ")
              + (remark.isOpen() ? " (open)" : ""));
      remark.answers().forEach(answer -> line("  - " + voice(answer, "answers: ")));
    }
  }

  private static String voice(Remark.Said said, String how) {
    return escaped(said.by())
        + ", "
        + said.at().toString().substring(0, 10)
        + ", "
        + how
        + escaped(said.text());
  }

  private static String option(Results.ContenderResult contender) {
    if (contender.horizon() == null) {
      List<String> why = contender.notCounted();
      return why.isEmpty() ? "none" : escaped(why.getLast());
    }
    return escaped(contender.horizon().option());
  }

  private static String amount(Results.ContenderResult contender) {
    Results.CostResult cost = contender.horizon();
    return cost == null ? "not known" : cost.words();
  }

  private void outcome(
      Decision decision, Results results, SelectionFile file, Optional<Minutes> minutes) {
    Proposal proposal = decision.proposal();
    String name =
        results.contenders().stream()
            .filter(c -> c.id().equals(proposal.choice()))
            .map(Results.ContenderResult::name)
            .findFirst()
            .orElse(proposal.choice());
    line("## Decision outcome");
    line("");
    line(
        "Chosen: **"
            + escaped(name)
            + "**"
            + (proposal.option().isEmpty() ? "" : ", " + escaped(proposal.option()))
            + ".");
    line("");
    minutes.ifPresent(this::first);
    line(paragraphs(proposal.reasons()));
    line("");
    if (!proposal.despite().isBlank()) {
      line("Although figures spoke against it: " + paragraphs(proposal.despite()));
      line("");
    }
    line("## Consequences");
    line("");
    line("Given up: " + paragraphs(proposal.givenUp()));
    line("");
    List<String> tested = ProvisoWords.of(proposal.holdsWhile(), file);
    if (!proposal.conditions().isBlank() || !tested.isEmpty()) {
      line("Holds as long as: " + paragraphs(proposal.conditions()));
      line("");
      tested.forEach(condition -> line("- " + escaped(condition)));
      line("");
    }
    (decision instanceof Decision.Signed signed ? signed.reviewOn() : proposal.reviewOn())
        .ifPresent(day -> line("To be looked at again on " + day + "."));
    if (decision instanceof Decision.Signed signed && !signed.reviews().isEmpty()) {
      line("");
      line("Looked at again:");
      line("");
      signed.reviews().forEach(review -> line("- " + review(review)));
    }
  }

  /** What the record says first, and what spoke against it. */
  private void first(Minutes minutes) {
    line(escaped(minutes.headline()));
    line("");
    minutes.inShort().forEach(said -> line("- " + escaped(said)));
    minutes.section(Minutes.AGAINST).forEach(point -> line("- Against it: " + escaped(point)));
    line("");
  }

  private static String review(Review review) {
    return switch (review) {
      case Review.StillHolds holds ->
          act(holds.by())
              + ": it still holds; look again on "
              + holds.again()
              + (holds.note().isEmpty() ? "" : ". " + escaped(holds.note()));
      case Review.AskedAgain asked -> act(asked.by()) + ": asked again in another selection";
    };
  }

  private void line(String line) {
    out.append(line).append('\n');
  }

  /** Text of people on one line, so that it reads as typed and cannot become markup. */
  static String escaped(String text) {
    return LINE_BEGINNING
        .matcher(MARKUP.matcher(text.strip().replaceAll("\\s+", " ")).replaceAll("\\\\$1"))
        .replaceFirst("$1\\\\$2");
  }

  /** As above, with the lines and paragraphs as typed; where no list or table is open. */
  private static String paragraphs(String text) {
    return text.lines()
        .map(Markdown::escaped)
        .collect(Collectors.joining("\n"))
        .replaceAll("\n{3,}", "\n\n");
  }
}
