package tertulia.app.exchange;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;

/** One whole selection as a portable file; described by docs/formats/selection-1.schema.json. */
@JsonInclude(JsonInclude.Include.NON_NULL)
@RecordBuilder
public record SelectionFile(
    String format,
    int version,
    Brief brief,
    List<ContenderPart> contenders,
    List<MemberPart> panel,
    @Nullable DecisionPart decision,
    @Nullable List<LogPart> log,
    @Nullable List<EndedPart> ended,
    @Nullable List<SettledPart> settled,
    @Nullable List<RemarkPart> remarks,
    @Nullable TrialsPart trials,
    @JsonAlias("inUse") @Nullable List<ToolSheet> pages)
    implements SelectionFileBuilder.With {
  public static final String FORMAT = "tertulia-selection";
  public static final int VERSION = 1;

  /** A selection of which nobody wrote down how it was narrowed. */
  public SelectionFile(
      String format,
      int version,
      Brief brief,
      List<ContenderPart> contenders,
      List<MemberPart> panel,
      @Nullable DecisionPart decision) {
    this(format, version, brief, contenders, panel, decision, null, null, null, null, null, null);
  }

  /** This file with what was decided, and the proposals that did not stand. */
  public SelectionFile deciding(@Nullable DecisionPart other, List<EndedPart> proposals) {
    return with().decision(other).ended(proposals.isEmpty() ? null : proposals).build();
  }

  /** The same question asked anew: as of a day, with views that nobody has handed in yet. */
  public SelectionFile askedAgain(LocalDate day) {
    return with()
        .brief(brief.asOf(day))
        .panel(panel.stream().map(MemberPart::notShown).toList())
        .decision(null)
        .log(null)
        .ended(null)
        .remarks(null)
        .build();
  }

  /** What results come from: this file without what was decided and how it came to that. */
  public SelectionFile undecided() {
    return with().decision(null).log(null).ended(null).remarks(null).build();
  }

  /** This file with what was said at the table. */
  public SelectionFile remarked(List<Remark> said) {
    return withRemarks(said.isEmpty() ? null : said.stream().map(RemarkPart::of).toList());
  }

  /** The price pages of tools that are no contenders: in use, or bought together with others. */
  public List<ToolSheet> otherPages() {
    return pages == null ? List.of() : pages;
  }

  /** Every price page there is, by the tool's id: of contenders, and the others. */
  public Map<String, ToolSheet> allPages() {
    Map<String, ToolSheet> all = new LinkedHashMap<>();
    contenders.forEach(part -> all.put(part.tool().id(), part.tool()));
    otherPages().forEach(page -> all.putIfAbsent(page.id(), page));
    return all;
  }

  /** The tasks people try by hand, and the trials. */
  public TrialsPart tried() {
    return trials == null ? TrialsPart.NOTHING : trials;
  }

  /** Tasks, the same for all contenders, and trials, at most one for each. */
  public record TrialsPart(List<TaskPart> tasks, List<TrialPart> trials) {
    static final TrialsPart NOTHING = new TrialsPart(List.of(), List.of());
  }

  /**
   * A task.
   *
   * @param from need/ID or criterion/ID; null: somebody thought of it
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record TaskPart(String id, String words, @Nullable String from) {}

  /**
   * A trial of a contender.
   *
   * @param plan id of the plan it gives; null: nobody has said which
   * @param last null: it has no end
   * @param people by name
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record TrialPart(
      String contender,
      @Nullable String plan,
      String first,
      @Nullable String last,
      String terms,
      List<String> people,
      List<ResultPart> results) {}

  /**
   * How one person fared with a task.
   *
   * @param outcome done or not-done
   * @param minutes null: nobody looked at the clock
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ResultPart(
      String task, String by, String outcome, @Nullable Integer minutes, String note, String on) {}

  /** What was said at the table, oldest first. */
  public List<RemarkPart> said() {
    return remarks == null ? List.of() : remarks;
  }

  /**
   * A remark with its answers.
   *
   * @param about what {@link Subject#code} makes of its subject
   * @param kind question, remark or disagreement
   * @param at when, as an instant
   * @param answers null: none
   * @param closedBy null: it is open
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record RemarkPart(
      String about,
      String kind,
      String text,
      String by,
      String at,
      @Nullable List<AnswerPart> answers,
      @Nullable String closedBy,
      @Nullable String closedAt) {
    static RemarkPart of(Remark remark) {
      return new RemarkPart(
          remark.about().code(),
          Codes.code(remark.kind()),
          remark.said().text(),
          remark.said().by(),
          remark.said().at().toString(),
          remark.answers().isEmpty()
              ? null
              : remark.answers().stream()
                  .map(said -> new AnswerPart(said.text(), said.by(), said.at().toString()))
                  .toList(),
          remark.closed().map(Remark.Closed::by).orElse(null),
          remark.closed().map(closed -> closed.at().toString()).orElse(null));
    }

    /**
     * The remark this says.
     *
     * @throws IllegalArgumentException if it says none
     */
    public Remark read(String id) {
      if ((closedBy == null) != (closedAt == null)) {
        throw new IllegalArgumentException(
            "Who closed it and when belong together: closedBy and closedAt. Write both or none.");
      }
      return new Remark(
          id,
          Subject.of(about),
          Codes.oneOf(Remark.Kind.class, kind),
          said(text, by, at),
          answers == null
              ? List.of()
              : answers.stream().map(a -> said(a.text(), a.by(), a.at())).toList(),
          closedBy == null || closedAt == null
              ? Optional.empty()
              : Optional.of(new Remark.Closed(closedBy, Codes.instant(closedAt))));
    }

    private static Remark.Said said(String text, String by, String at) {
      return new Remark.Said(
          Codes.text(text, Remark.LONGEST),
          Codes.text(by, BriefReader.LONGEST_NAME),
          Codes.instant(at));
    }
  }

  /** An answer to a remark. */
  public record AnswerPart(String text, String by, String at) {}

  /** Marks that the table settled together. */
  public List<SettledPart> agreed() {
    return settled == null ? List.of() : settled;
  }

  /**
   * A mark that the table settled together.
   *
   * @param by who wrote it down
   * @param on the day
   */
  public record SettledPart(
      String criterion, String contender, String points, String reason, String by, String on) {}

  /** Proposals that did not stand, oldest first. */
  public List<EndedPart> proposals() {
    return ended == null ? List.of() : ended;
  }

  /** How the list was narrowed, oldest first. */
  public List<LogPart> narrowing() {
    return log == null ? List.of() : log;
  }

  /**
   * One act by which the list of contenders changed.
   *
   * @param at when, as an instant
   * @param what brought, set-aside, back or taken-off
   * @param contender name of the tool then
   * @param reason why it was set aside; null otherwise
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record LogPart(
      String at, String who, String what, String contender, @Nullable String reason) {
    /** The acts there are. */
    public static final List<String> ACTS = List.of("brought", "set-aside", "back", "taken-off");

    /** The act in words that follow the tool's name. */
    public String words() {
      return switch (what) {
        case "brought" -> "added as a contender";
        case "set-aside" -> "set aside";
        case "back" -> "brought back";
        default -> "removed as a contender";
      };
    }
  }

  /**
   * A proposal that did not come to a signature.
   *
   * @param choice name of the tool then
   * @param what objected or withdrawn
   * @param at when it ended, as an instant
   */
  public record EndedPart(
      String choice,
      String option,
      String reasons,
      String givenUp,
      String proposedBy,
      String proposedAt,
      String what,
      String by,
      String at,
      String reason) {
    /** How a proposal can end. */
    public static final List<String> ENDS = List.of("objected", "withdrawn");

    /** In words that come before who did it. */
    public String words() {
      return what.equals("objected") ? "objected to by" : "withdrawn by";
    }
  }

  /**
   * A tool at the table; set aside for a reason or in; with the hours it takes if stated.
   *
   * @param asToday true: it is what is in use, kept as it is; null: it is bought anew
   * @param inUse of tools in use, by id, whether they stay or go with this one; what is not there
   *     follows from their work areas
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ContenderPart(
      ToolSheet tool,
      @Nullable String setAside,
      @Nullable EffortPart effort,
      @Nullable List<PlanAsidePart> plansAside,
      @Nullable List<NotNeededPart> notNeeded,
      @Nullable Boolean asToday,
      @Nullable Map<String, String> inUse) {
    /** A tool that is bought anew, of which nobody has said what goes with it. */
    public ContenderPart(
        ToolSheet tool,
        @Nullable String setAside,
        @Nullable EffortPart effort,
        @Nullable List<PlanAsidePart> plansAside,
        @Nullable List<NotNeededPart> notNeeded) {
      this(tool, setAside, effort, plansAside, notNeeded, null, null);
    }

    /** Whether it is what is in use, kept as it is. */
    public boolean keptAsToday() {
      return Boolean.TRUE.equals(asToday);
    }

    /** Whether tools in use stay or go with this one, by id, as far as somebody said. */
    public Map<String, String> saidOfInUse() {
      return inUse == null ? Map.of() : inUse;
    }

    /** A tool of which nobody has said what is not needed. */
    public ContenderPart(
        ToolSheet tool,
        @Nullable String setAside,
        @Nullable EffortPart effort,
        @Nullable List<PlanAsidePart> plansAside) {
      this(tool, setAside, effort, plansAside, null);
    }

    /** A tool whose effort nobody has stated. */
    public ContenderPart(ToolSheet tool, @Nullable String setAside) {
      this(tool, setAside, null, null);
    }

    /** What somebody looked at and does not need. */
    public List<NotNeededPart> needless() {
      return notNeeded == null ? List.of() : notNeeded;
    }

    /** The plans that somebody set aside. */
    public List<PlanAsidePart> asides() {
      return plansAside == null ? List.of() : plansAside;
    }

    /** The same place at the table with another price page. */
    public ContenderPart with(ToolSheet other) {
      return new ContenderPart(other, setAside, effort, plansAside, notNeeded, asToday, inUse);
    }
  }

  /** A plan that is not compared, for a reason. */
  public record PlanAsidePart(String plan, String reason) {}

  /** A capability that somebody looked at and does not need. */
  public record NotNeededPart(String capability, String because, String by) {}

  /** When somebody would take a contender. */
  public record OpinionPart(String contender, String takeIf) {}

  /** Hours a tool takes: once, for each seat, a month; minutes by hand each workday. */
  public record EffortPart(
      String setUp,
      String migration,
      String learning,
      String upkeep,
      String manualMinutes,
      int parallelMonths) {}

  /**
   * Somebody at the table.
   *
   * @param points weights by points, by criterion
   * @param weighsBy the code of the way in which this person weighs, or {@link #WITHHELD}; null: by
   *     points
   * @param weighings what was entered in other ways, at most once each; null: nothing
   * @param handedIn whether the others may see it; null: they may
   * @param pairs contenders compared two by two; null: none
   * @param competence what this person knows about; null: not said
   * @param opinions when this person would take a contender, at most once each; null: not said
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record MemberPart(
      String name,
      int share,
      Map<String, Integer> points,
      List<MarkPart> marks,
      @Nullable String weighsBy,
      @Nullable List<WeighingPart> weighings,
      @Nullable Boolean handedIn,
      @Nullable List<PairPart> pairs,
      @Nullable String competence,
      @Nullable List<OpinionPart> opinions) {
    /** Somebody who has not said when to take a contender. */
    public MemberPart(
        String name,
        int share,
        Map<String, Integer> points,
        List<MarkPart> marks,
        @Nullable String weighsBy,
        @Nullable List<WeighingPart> weighings,
        @Nullable Boolean handedIn,
        @Nullable List<PairPart> pairs,
        @Nullable String competence) {
      this(name, share, points, marks, weighsBy, weighings, handedIn, pairs, competence, null);
    }

    /** When this person would take a contender. */
    public List<OpinionPart> said() {
      return opinions == null ? List.of() : opinions;
    }

    /** There is a view that whoever took the file could not see; it is not in it. */
    public static final String WITHHELD = "withheld";

    /** Whether this person entered anything. */
    public boolean anything() {
      return !points.isEmpty()
          || !marks.isEmpty()
          || !otherWays().isEmpty()
          || !compared().isEmpty()
          || !said().isEmpty();
    }

    /** What is left of it for somebody who may not see it yet. */
    public MemberPart withheld() {
      return new MemberPart(
          name, share, Map.of(), List.of(), WITHHELD, null, handedIn, null, competence);
    }

    /** The same before it is handed in. */
    MemberPart notShown() {
      return new MemberPart(
          name, share, points, marks, weighsBy, weighings, false, pairs, competence, opinions);
    }

    /** Somebody who weighs by points and never tried another way. */
    public MemberPart(String name, int share, Map<String, Integer> points, List<MarkPart> marks) {
      this(name, share, points, marks, null, null, null, null, null);
    }

    /** Whether the others may see it. */
    public boolean shown() {
      return handedIn == null || handedIn;
    }

    /** Contenders compared two by two. */
    public List<PairPart> compared() {
      return pairs == null ? List.of() : pairs;
    }

    /** What was entered in other ways than points. */
    public List<WeighingPart> otherWays() {
      return weighings == null ? List.of() : weighings;
    }
  }

  /** What was entered in one way to weigh, whether or not that way counts. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "by")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = SwingPart.class, name = "swing"),
    @JsonSubTypes.Type(value = RankOrderPart.class, name = "rank-order"),
    @JsonSubTypes.Type(value = ComparedPart.class, name = "pairs")
  })
  public sealed interface WeighingPart {}

  /** The step from worst to best under each criterion, the one worth most at 100. */
  public record SwingPart(Map<String, Integer> worth) implements WeighingPart {}

  /** An order by criterion, 1 the first. */
  public record RankOrderPart(Map<String, Integer> ranks) implements WeighingPart {}

  /** Criteria compared two by two. */
  public record ComparedPart(List<PreferencePart> pairs) implements WeighingPart {}

  /** One matters so many times as much as the other, 1 to 9. */
  public record PreferencePart(String more, String less, int times) {}

  /**
   * Which of two contenders somebody finds better under a criterion, and why.
   *
   * @param much level, edge or clear
   */
  public record PairPart(String criterion, String better, String than, String much, String note) {}

  /**
   * A mark from 0 to 10; without points the person cannot judge.
   *
   * @param ground tried, shown, read or heard; null: nobody has said
   * @param interest what ties the person to the maker; null: nothing was declared
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record MarkPart(
      String criterion,
      String contender,
      @Nullable String points,
      String note,
      @Nullable String ground,
      @Nullable String interest) {
    /** A mark of which nobody has said what it rests on. */
    public MarkPart(String criterion, String contender, @Nullable String points, String note) {
      this(criterion, contender, points, note, null, null);
    }
  }

  /** What was written down as the decision; sign-offs stay where they were given. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record DecisionPart(
      String choice,
      String reasons,
      String givenUp,
      String conditions,
      @Nullable String lookAgain,
      @Nullable String despite,
      @Nullable List<ProvisoPart> holdsWhile) {}
}
