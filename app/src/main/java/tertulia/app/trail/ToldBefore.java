package tertulia.app.trail;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.Dates;
import tertulia.app.display.SubjectWords;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.selection.PlansAside;
import tertulia.app.selection.SelectionLoader;
import tertulia.core.remark.Remark;
import tertulia.core.remark.Subject;
import tertulia.core.scoring.Better;
import tertulia.core.trial.Trial;

/**
 * Carries over what releases before 0.18 kept of every change of a row, so that their acts are told
 * with those that are written down. It runs once, at the first start after the upgrade.
 */
@Component
class ToldBefore implements SmartInitializingSingleton {
  /** Characters of a remark that are told. */
  private static final int MOST_TOLD = 80;

  /** Where nobody's view is told of. */
  private static final long NOBODYS = 0;

  private static final short ADDED = 0;
  private static final short REMOVED = 2;
  private final JdbcTemplate store;
  private final Catalogue catalogue;
  private final TransactionTemplate transaction;

  ToldBefore(JdbcTemplate store, Catalogue catalogue, PlatformTransactionManager transactions) {
    this.store = store;
    this.catalogue = catalogue;
    this.transaction = new TransactionTemplate(transactions);
  }

  /** What one stored revision says of one row: the sentences it makes. */
  private interface Telling {
    List<String> of(ResultSet row) throws SQLException;
  }

  /** Whose view a row tells of; {@link #NOBODYS} for most. */
  private interface ViewOf {
    long of(ResultSet row) throws SQLException;
  }

  /** Lines by revision and the member whose view they tell of. */
  private static final class Lines {
    private final NavigableMap<Integer, SortedMap<Long, List<String>>> byRevision = new TreeMap<>();

    void add(int revision, long viewOf, List<String> lines) {
      if (!lines.isEmpty()) {
        byRevision
            .computeIfAbsent(revision, r -> new TreeMap<>())
            .computeIfAbsent(viewOf, v -> new ArrayList<>())
            .addAll(lines);
      }
    }
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (tables().isEmpty()) {
      return;
    }
    transaction.executeWithoutResult(status -> {
      Integer written = store.queryForObject("select count(*) from act", Integer.class);
      if (written != null && written == 0) {
        store.queryForList("select id from selection order by id", Long.class).forEach(this::carry);
      }
    });
    // what was carried over is kept by now, so losing these halfway loses nothing
    tables().forEach(table -> store.execute("drop table if exists " + table + " cascade"));
  }

  /** The tables of revisions that are still there. */
  private List<String> tables() {
    List<String> tables = new ArrayList<>();
    store.query(
        "select table_name from information_schema.tables where table_schema = 'PUBLIC' and"
            + " (table_name like '%\\_AUD' or table_name = 'REVINFO') order by table_name",
        row -> {
          tables.add(row.getString(1));
        });
    return tables;
  }

  private void carry(long selection) {
    Lines what = new Lines();
    NavigableMap<Integer, Asked> briefs = briefs(selection);
    tell(what, ADMISSIONS, this::admission, selection);
    tell(what, NAMED, this::named, selection);
    tell(what, CONTENDERS, contenders(), selection);
    tell(what, SEATS, this::seat, selection);
    Map<String, String> criteria = criteria(briefs);
    Map<String, String> tools = toolNames();
    ViewOf member = row -> row.getLong("member_id");
    tell(what, WEIGHTS, points("Weight of ", criteria, row -> ""), member, selection);
    tell(what, NUMBERS, points("Weight of ", criteria, row -> ""), member, selection);
    tell(what, PREFERENCES, preference(criteria), member, selection);
    tell(
        what,
        MARKS,
        points("Mark for ", criteria, row -> ", " + tools.getOrDefault(row, row)),
        member,
        selection);
    tell(what, PAIRS, pair(criteria, tools), member, selection);
    tell(what, SETTLED, settled(criteria, tools), selection);
    tell(what, TRIALS, trial(tools), selection);
    Map<String, String> tasks = tasks(selection);
    tell(what, RESULTS, result(tasks, tools), selection);
    SubjectWords subjects = new SubjectWords(names(briefs, tools, tasks));
    tell(what, REMARKS, remark(subjects), ToldBefore::judgeOf, selection);
    tell(what, PROOFS, proof(subjects), ToldBefore::judgeOf, selection);
    tell(what, DECISIONS, this::decision, selection);
    tell(what, REVIEWS, this::review, selection);
    write(selection, what, questions(briefs));
  }

  /** Of how something is judged only whoever may see that view is told. */
  private static long judgeOf(ResultSet row) throws SQLException {
    String about = row.getString("about");
    boolean judged = !about.startsWith("result/") && Subject.of(about).isJudged();
    return judged ? row.getLong("member_id") : NOBODYS;
  }

  /** Writes down all acts of a selection, the oldest first. */
  private void write(long selection, Lines what, NavigableMap<Integer, Act> questions) {
    Set<Integer> revisions = new TreeSet<>(what.byRevision.keySet());
    revisions.addAll(questions.keySet());
    for (int revision : revisions) {
      if (questions.containsKey(revision)) {
        write(selection, revision, NOBODYS, questions.get(revision));
      }
      what.byRevision
          .getOrDefault(revision, new TreeMap<>())
          .forEach((viewOf, lines) -> write(selection, revision, viewOf, new Act.Told(lines)));
    }
  }

  private void write(long selection, int revision, long viewOf, Act act) {
    store.update(
        "insert into act (selection_id, done_at, account_id, person, kind, view_of, document)"
            + " select ?, dateadd(millisecond, r.revtstmp, timestamp with time zone"
            + " '1970-01-01 00:00:00+00'), a.id, coalesce(a.display_name, r.person, 'the program'),"
            + " ?, ?, ? from revinfo r left join account a on a.sign_in_name = r.person where r.rev"
            + " = ?",
        selection,
        Acts.kind(act.getClass()),
        viewOf == NOBODYS ? null : viewOf,
        Json.write(act),
        revision);
  }

  /** The question as it was stored, with what it says. */
  private record Asked(String document, int format, Brief brief) {}

  private NavigableMap<Integer, Asked> briefs(long selection) {
    NavigableMap<Integer, Asked> briefs = new TreeMap<>();
    store.query(
        // revisions from before formats had numbers are of the first
        "select rev, brief, coalesce(format, 1) from selection_aud where id = ? and brief is not"
            + " null order by rev",
        row -> {
          briefs.put(
              row.getInt(1),
              new Asked(
                  row.getString(2),
                  row.getInt(3),
                  SelectionLoader.asked(row.getString(2), row.getInt(3))));
        },
        selection);
    return briefs;
  }

  /** What was done to the question, by revision. */
  private static NavigableMap<Integer, Act> questions(NavigableMap<Integer, Asked> briefs) {
    NavigableMap<Integer, Act> acts = new TreeMap<>();
    Optional<Asked> before = Optional.empty();
    for (Map.Entry<Integer, Asked> entry : briefs.entrySet()) {
      Asked now = entry.getValue();
      if (before.isEmpty()) {
        acts.put(entry.getKey(), new Act.Begun(now.brief().title()));
      } else {
        Asked old = before.get();
        List<String> lines = Act.QuestionChanged.between(old.brief(), now.brief());
        if (!lines.isEmpty()) {
          acts.put(entry.getKey(), new Act.QuestionChanged(old.document(), old.format(), lines));
        }
      }
      before = Optional.of(now);
    }
    return acts;
  }

  private void tell(Lines what, String query, Telling telling, long selection) {
    tell(what, query, telling, row -> NOBODYS, selection);
  }

  private void tell(Lines what, String query, Telling telling, ViewOf viewOf, long selection) {
    store.query(
        query,
        row -> {
          what.add(row.getInt("rev"), viewOf.of(row), telling.of(row));
        },
        selection);
  }

  private static final String ADMISSIONS =
      "select rev, coalesce(open_to_all, true) as open_to_all, lag(coalesce(open_to_all, true))"
          + " over (order by rev) as was, decided, lag(decided) over (order by rev) as undecided,"
          + " put_away, lag(put_away) over (order by rev) as was_away, opened_by, lag(opened_by)"
          + " over (order by rev) as unopened"
          + " from selection_aud where id = ? and revtype <> 2 order by rev";

  private static final String NAMED =
      "select p.rev, p.revtype, display_name from selection_person_aud p join account a on a.id ="
          + " p.account_id where selection_id = ? order by p.rev, display_name";

  private List<String> named(ResultSet row) throws SQLException {
    return List.of(
        row.getString("display_name")
            + (row.getShort("revtype") == ADDED ? ": named" : ": no longer named"));
  }

  private List<String> admission(ResultSet row) throws SQLException {
    List<String> lines = new ArrayList<>();
    Object was = row.getObject("was");
    if (was != null && !was.equals(row.getObject("open_to_all"))) {
      lines.add(row.getBoolean("open_to_all") ? "Opened to all" : "Kept to the people named");
    }
    String openedBy = row.getString("opened_by");
    if (openedBy != null && !openedBy.isEmpty() && row.getString("unopened") == null) {
      lines.add("Views opened: everybody sees every view");
    }
    if (row.getBoolean("decided") && Boolean.FALSE.equals(row.getObject("undecided"))) {
      lines.add("Closed, as its decision is signed");
    }
    String away = row.getString("put_away");
    if (was != null && !Objects.equals(away, row.getString("was_away"))) {
      lines.add(away == null ? "Restored" : away.equals("DELETED") ? "Deleted" : "Archived");
    }
    return lines;
  }

  private static final String CONTENDERS =
      "select rev, revtype, coalesce(tool_id, lag(tool_id) over w) as tool_id, set_aside,"
          + " lag(set_aside) over w as was_aside, plans_aside, lag(plans_aside) over w as"
          + " were_aside, effort, lag(effort) over w as was_effort from contender_aud c where c.id"
          + " in (select id from contender_aud where selection_id = ?) window w as (partition by"
          + " c.id order by rev) order by rev, c.id";

  private Telling contenders() {
    Map<Long, Optional<ToolSheet>> tools = new HashMap<>();
    return row -> {
      Optional<ToolSheet> tool = tools.computeIfAbsent(row.getLong("tool_id"), this::tool);
      String name = tool.map(ToolSheet::name).orElse("a tool");
      String aside = row.getString("set_aside");
      String was = row.getString("was_aside");
      return switch (row.getShort("revtype")) {
        case ADDED -> List.of(name + ": added as a contender");
        case REMOVED -> List.of(name + ": removed as a contender");
        default -> {
          List<String> lines = new ArrayList<>();
          if (aside != null && was == null) {
            lines.add(name + ": set aside: " + aside);
          } else if (aside == null && was != null) {
            lines.add(name + ": brought back");
          }
          plans(tool, row.getString("were_aside"), row.getString("plans_aside"))
              .forEach(line -> lines.add(name + ", " + line));
          if (!Objects.equals(row.getString("effort"), row.getString("was_effort"))) {
            lines.add(name + ": the hours it takes changed");
          }
          yield lines;
        }
      };
    };
  }

  /** Which plans were set aside or brought back between two states of a contender. */
  private static List<String> plans(
      Optional<ToolSheet> tool, @Nullable String before, @Nullable String now) {
    Map<String, String> were = PlansAside.reasons(before);
    Map<String, String> are = PlansAside.reasons(now);
    Map<String, String> names = new HashMap<>();
    tool.ifPresent(sheet -> sheet.plans().forEach(plan -> names.put(plan.id(), plan.name())));
    List<String> lines = new ArrayList<>();
    are.forEach((plan, reason) -> {
      if (!were.containsKey(plan)) {
        lines.add("plan " + names.getOrDefault(plan, plan) + ": set aside: " + reason);
      }
    });
    were.keySet().stream()
        .filter(plan -> !are.containsKey(plan))
        .map(plan -> "plan " + names.getOrDefault(plan, plan) + ": brought back")
        .forEach(lines::add);
    return lines;
  }

  private Optional<ToolSheet> tool(long id) {
    List<ToolSheet> found = new ArrayList<>();
    store.query(
        "select slug from tool where id = ?",
        row -> {
          found.add(catalogue.get(row.getString("slug")).sheet());
        },
        id);
    return found.stream().findFirst();
  }

  private Map<String, String> toolNames() {
    return catalogue.sheets().stream()
        .collect(Collectors.toMap(sheet -> sheet.id(), sheet -> sheet.name(), (a, b) -> a));
  }

  /** Who has left keeps nothing but their number, so their name stands a revision before. */
  private static final String SEATS =
      "select rev, revtype, coalesce(name, lag(name) over w) as name, share, lag(share) over w as"
          + " was, competence, lag(competence) over w as was_competence, handed_in, lag(handed_in)"
          + " over w as was_in, weighs_by, lag(weighs_by) over w as was_by from panel_member_aud m"
          + " where m.id in (select id from panel_member_aud where selection_id = ?) window w as"
          + " (partition by m.id order by rev) order by rev, m.id";

  private List<String> seat(ResultSet row) throws SQLException {
    if (row.getShort("revtype") == ADDED) {
      return List.of(row.getString("name") + ": on the panel");
    }
    if (row.getShort("revtype") == REMOVED) {
      return List.of(row.getString("name") + ": no longer on the panel");
    }
    List<String> lines = new ArrayList<>();
    String name = row.getString("name");
    int was = row.getInt("was");
    if (was != row.getInt("share")) {
      lines.add("Share of " + name + ": " + was + " → " + row.getInt("share"));
    }
    String knows = Objects.requireNonNullElse(row.getString("competence"), "");
    if (!knows.equals(Objects.requireNonNullElse(row.getString("was_competence"), ""))) {
      lines.add("What " + name + " knows about: " + (knows.isEmpty() ? "not said" : knows));
    }
    if (row.getDate("handed_in") != null && row.getDate("was_in") == null) {
      lines.add(name + ": handed in");
    }
    String by = row.getString("weighs_by");
    if (by != null && !by.equals(row.getString("was_by"))) {
      lines.add(name + ": weighs " + WAYS.getOrDefault(by, by));
    }
    return lines;
  }

  private static final Map<String, String> WAYS =
      Map.of(
          "points", "by points",
          "swing", "by steps from worst to best",
          "rank-order", "by an order",
          "pairs", "two at a time");

  /**
   * A row that was deleted keeps nothing but its number, so what it was stands a revision before.
   */
  private static final String WEIGHTS = pointsOf("weight_aud", "points", "''");

  private static final String NUMBERS = pointsOf("weighing_number_aud", "number", "''");

  private static final String PREFERENCES =
      "select p.*, m.name from (select rev, revtype, id, coalesce(member_id, lag(member_id) over"
          + " (partition by id order by rev)) as member_id, coalesce(one, lag(one) over (partition by"
          + " id order by rev)) as one, coalesce(other, lag(other) over (partition by id order by"
          + " rev)) as other, times from preference_aud) p join (select distinct id, name from"
          + " panel_member_aud where selection_id = ?) m on m.id = p.member_id order by rev, p.id";

  private static final String MARKS =
      pointsOf(
          "mark_aud",
          "points",
          "coalesce(contender, lag(contender) over (partition by id order by rev))");

  private static String pointsOf(String table, String points, String contender) {
    return "select p.*, m.name from (select rev, revtype, id, coalesce(member_id, lag(member_id)"
        + " over (partition by id order by rev)) as member_id, coalesce(criterion, lag(criterion)"
        + " over (partition by id order by rev)) as criterion, "
        + contender
        + " as contender, cast("
        + points
        + " as varchar) as points, cast(lag("
        + points
        + ") over (partition by id order by rev) as varchar) as was from "
        + table
        + ") p join (select distinct id, name from panel_member_aud where selection_id = ?) m on"
        + " m.id = p.member_id order by rev, p.id";
  }

  private static Telling points(
      String kind, Map<String, String> criteria, Function<String, String> contender) {
    return row -> {
      String id = row.getString("criterion");
      String of =
          kind
              + criteria.getOrDefault(id, id)
              + contender.apply(row.getString("contender"))
              + ", "
              + row.getString("name")
              + ": ";
      boolean same =
          row.getShort("revtype") != ADDED
              && row.getShort("revtype") != REMOVED
              && Objects.equals(row.getString("was"), row.getString("points"));
      return List.of(
          same
              ? of + "why"
              : of
                  + (row.getShort("revtype") == ADDED ? "" : said(row.getString("was")) + " → ")
                  + (row.getShort("revtype") == REMOVED
                      ? "taken back"
                      : said(row.getString("points"))));
    };
  }

  private static final String SETTLED =
      "select * from (select rev, revtype, coalesce(selection_id, lag(selection_id) over (partition"
          + " by id order by rev)) as selection_id, coalesce(criterion, lag(criterion) over"
          + " (partition by id order by rev)) as criterion, coalesce(contender, lag(contender) over"
          + " (partition by id order by rev)) as contender, points, reason from settled_mark_aud)"
          + " s where selection_id = ? order by rev";

  private static Telling settled(Map<String, String> criteria, Map<String, String> tools) {
    return row -> {
      String criterion = row.getString("criterion");
      String contender = row.getString("contender");
      return List.of(
          "Mark for "
              + criteria.getOrDefault(criterion, criterion)
              + ", "
              + tools.getOrDefault(contender, contender)
              + (row.getShort("revtype") == REMOVED
                  ? ": no longer settled together"
                  : ": settled together at "
                      + row.getString("points")
                      + ", "
                      + row.getString("reason")));
    };
  }

  private static final String PAIRS =
      "select p.*, m.name from (select rev, revtype, id, coalesce(member_id, lag(member_id) over"
          + " (partition by id order by rev)) as member_id, coalesce(criterion, lag(criterion) over"
          + " (partition by id order by rev)) as criterion, coalesce(one, lag(one) over (partition by"
          + " id order by rev)) as one, coalesce(other, lag(other) over (partition by id order by"
          + " rev)) as other, better from contender_pair_aud) p join (select distinct id, name from"
          + " panel_member_aud where selection_id = ?) m on m.id = p.member_id order by rev, p.id";

  private static Telling pair(Map<String, String> criteria, Map<String, String> tools) {
    return row -> {
      int better = row.getInt("better");
      String one = tools.getOrDefault(row.getString("one"), row.getString("one"));
      String other = tools.getOrDefault(row.getString("other"), row.getString("other"));
      String criterion = row.getString("criterion");
      return List.of(
          criteria.getOrDefault(criterion, criterion)
              + ", "
              + (better < 0 ? other + " against " + one : one + " against " + other)
              + ", "
              + row.getString("name")
              + ": "
              + (row.getShort("revtype") == REMOVED
                  ? "taken back"
                  : Better.Much.values()[Math.abs(better)].words()));
    };
  }

  private static Telling preference(Map<String, String> criteria) {
    return row -> {
      String one = row.getString("one");
      String other = row.getString("other");
      boolean first = row.getInt("times") > 0;
      String more = first ? one : other;
      String less = first ? other : one;
      String times =
          row.getShort("revtype") == REMOVED
              ? "taken back"
              : Math.abs(row.getInt("times")) + " times";
      return List.of(
          criteria.getOrDefault(more, more)
              + " against "
              + criteria.getOrDefault(less, less)
              + ", "
              + row.getString("name")
              + ": "
              + times);
    };
  }

  private static String said(@Nullable String points) {
    return points == null ? "cannot judge" : points;
  }

  private static Map<String, String> criteria(NavigableMap<Integer, Asked> briefs) {
    Map<String, String> names = new HashMap<>();
    briefs
        .values()
        .forEach(
            asked -> asked.brief().criteria().forEach(part -> names.put(part.id(), part.name())));
    return names;
  }

  private static final String TRIALS =
      "select * from (select rev, revtype, id, coalesce(selection_id, lag(selection_id) over"
          + " (partition by id order by rev)) as selection_id, coalesce(contender, lag(contender)"
          + " over (partition by id order by rev)) as contender, first_day, last_day from trial_aud)"
          + " t where selection_id = ? order by rev, id";

  private static Telling trial(Map<String, String> tools) {
    return row -> {
      String of = "Trial of " + tools.getOrDefault(row.getString("contender"), "a tool");
      if (row.getShort("revtype") == REMOVED) {
        return List.of(of + ": taken back");
      }
      Date last = row.getDate("last_day");
      return List.of(
          of
              + ": from "
              + Dates.day(row.getDate("first_day").toLocalDate())
              + (last == null ? "" : " to " + Dates.day(last.toLocalDate())));
    };
  }

  /** Who the result is of stands in it, as the person who wrote it may be another. */
  private static final String RESULTS =
      "select * from (select rev, revtype, id, coalesce(selection_id, lag(selection_id) over w) as"
          + " selection_id, coalesce(contender, lag(contender) over w) as contender, coalesce(task,"
          + " lag(task) over w) as task, coalesce(author, lag(author) over w) as author, outcome,"
          + " minutes, lag(outcome) over w as was, lag(minutes) over w as was_minutes from"
          + " trial_result_aud window w as (partition by id order by rev)) r where selection_id = ?"
          + " order by rev, id";

  private static Telling result(Map<String, String> tasks, Map<String, String> tools) {
    return row -> {
      String task = row.getString("task");
      String now = fared(row.getString("outcome"), row.getString("minutes"));
      String was = fared(row.getString("was"), row.getString("was_minutes"));
      String told =
          switch (row.getShort("revtype")) {
            case ADDED -> now;
            case REMOVED -> was + " → taken back";
            default -> was.equals(now) ? "note" : was + " → " + now;
          };
      return List.of(
          tools.getOrDefault(row.getString("contender"), "A tool")
              + ", tried by "
              + row.getString("author")
              + ": "
              + tasks.getOrDefault(task, task)
              + ": "
              + told);
    };
  }

  private static Map<String, String> names(
      NavigableMap<Integer, Asked> briefs, Map<String, String> tools, Map<String, String> tasks) {
    Map<String, String> names = new HashMap<>();
    for (Asked asked : briefs.values()) {
      Brief brief = asked.brief();
      brief.needs().forEach(need -> names.put("need/" + need.id(), need.name()));
      brief.criteria().forEach(part -> names.put("criterion/" + part.id(), part.name()));
    }
    tools.forEach((id, name) -> names.put("contender/" + id, name));
    tasks.forEach((id, words) -> names.put("task/" + id, words));
    return names;
  }

  /** Who said it may have a seat; whose view is kept, keeps what is said of judging too. */
  private static final String REMARKS =
      "select r.*, m.id as member_id from (select rev, revtype, id, selection_id, account_id,"
          + " author, answers, about, kind, text, closed_by, lag(closed_by) over (partition by id order by"
          + " rev) as was_closed from remark_aud where revtype <> 2) r left join panel_member m on"
          + " m.selection_id = r.selection_id and m.account_id = r.account_id where"
          + " r.selection_id = ? order by r.rev, r.id";

  private static Telling remark(SubjectWords subjects) {
    return row -> {
      String of = subjects.of(Subject.of(row.getString("about")));
      String text = "“" + shortened(row.getString("text")) + "”";
      if (row.getShort("revtype") == ADDED) {
        String kind =
            row.getObject("answers") != null
                ? "Answer on "
                : switch (Codes.oneOf(Remark.Kind.class, row.getString("kind"))) {
                  case QUESTION -> "Question on ";
                  case REMARK -> "Remark on ";
                  case DISAGREEMENT -> "Disagreement on ";
                };
        // what came in a file was said by somebody else than whoever brought it
        String by =
            row.getObject("account_id") == null ? ", said by " + row.getString("author") : "";
        return List.of(kind + of + by + ": " + text);
      }
      boolean closed = row.getString("closed_by") != null;
      return closed == (row.getString("was_closed") != null)
          ? List.of()
          : List.of((closed ? "Closed on " : "Opened again on ") + of + ": " + text);
    };
  }

  private static String shortened(String text) {
    String line = text.replaceAll("\\s+", " ").strip();
    return line.codePointCount(0, line.length()) <= MOST_TOLD
        ? line
        : line.substring(0, line.offsetByCodePoints(0, MOST_TOLD)).strip() + "…";
  }

  private static final String PROOFS =
      "select p.*, m.id as member_id from (select rev, revtype, id, coalesce(selection_id,"
          + " lag(selection_id) over w) as selection_id, coalesce(account_id, lag(account_id) over"
          + " w) as account_id, coalesce(about, lag(about) over w) as about from proof_aud window w"
          + " as (partition by id order by rev)) p left join panel_member m on m.selection_id ="
          + " p.selection_id and m.account_id = p.account_id where p.selection_id = ? order by"
          + " p.rev, p.id";

  private static Telling proof(SubjectWords subjects) {
    return row ->
        List.of(
            switch (row.getShort("revtype")) {
                  case ADDED -> "Picture beside ";
                  case REMOVED -> "Picture taken away from ";
                  default -> "Another picture beside ";
                }
                + subjects.beside(row.getString("about")));
  }

  private static String fared(@Nullable String outcome, @Nullable String minutes) {
    return outcome == null
        ? ""
        : Codes.oneOf(Trial.Completion.class, outcome).words()
            + (minutes == null ? "" : ", " + minutes + " min");
  }

  /** What tasks are called; one that was struck out is called by its code. */
  private Map<String, String> tasks(long selection) {
    Map<String, String> words = new HashMap<>();
    store.query(
        "select code, words from trial_task where selection_id = ?",
        row -> {
          words.put(row.getString("code"), row.getString("words"));
        },
        selection);
    return words;
  }

  private static final String REVIEWS =
      "select rev, look_again, successor from review_aud where selection_id = ? order by rev, id";

  private List<String> review(ResultSet row) throws SQLException {
    Date again = row.getDate("look_again");
    return List.of(
        again == null
            ? "Decision: asked again in another selection"
            : "Decision: still holds, look again on " + Dates.day(again.toLocalDate()));
  }

  private static final String DECISIONS =
      "select rev, state, lag(state) over (partition by d.id order by rev) as was from"
          + " decision_aud d where selection_id = ? order by rev";

  private List<String> decision(ResultSet row) throws SQLException {
    String state = String.valueOf(row.getString("state"));
    boolean withdrawn = state.equals("DRAFT") && "PROPOSED".equals(row.getString("was"));
    return List.of(
        switch (state) {
          case "PROPOSED" -> "Decision: proposed";
          case "SIGNED" -> "Decision: signed";
          case "OBJECTED" -> "Decision: objected to";
          default -> withdrawn ? "Decision: proposal withdrawn" : "Decision: recorded";
        });
  }
}
