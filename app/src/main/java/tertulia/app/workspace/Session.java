package tertulia.app.workspace;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import org.springframework.web.util.UriUtils;
import tertulia.app.chart.Drawn;
import tertulia.app.display.Dates;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.LoadedSelection;
import tertulia.core.evaluation.Contender;
import tertulia.core.evaluation.Evaluation;
import tertulia.core.scoring.Criterion;
import tertulia.core.sensitivity.Condition;
import tertulia.core.sensitivity.FindOut;
import tertulia.core.sensitivity.Sensitivity;
import tertulia.core.working.Provenance;

/**
 * A selection computed out for a person and a "what if".
 *
 * @param asked everything the address asks for
 * @param last the number of the last change that is sure to be in it
 * @param sensitivity how it answers to changes, worked out where it is asked for
 */
public record Session(
    LoadedSelection table,
    Map<String, String> asked,
    WhatIfQuery query,
    Evaluation evaluation,
    SignedIn person,
    LocalDate today,
    int daysFresh,
    long last,
    Sensitivity sensitivity) {
  /** As many contenders are told apart by shape and colour. */
  private static final int MARKS = 8;

  /** Whether a fact is older than the workspace wants facts to be. */
  public boolean isOld(Provenance source) {
    return source.isOldOn(today, daysFresh);
  }

  /**
   * The address that confirms a fact of a contender as of today; empty if the fact is not old, not
   * known, or this person does not organise.
   */
  public String confirm(Contender contender, String what, Provenance source) {
    boolean known = !source.asOf().equals(LocalDate.EPOCH);
    return known && isOld(source) && person.organises() && !table.decided()
        ? "/catalogue/"
            + contender.id()
            + "/confirm?what="
            + UriUtils.encodeQueryParam(what, StandardCharsets.UTF_8)
        : "";
  }

  /**
   * For when a month's cost is read, as it follows the amount: "now" only in the month of today,
   * else which month; nothing for a number of people.
   */
  public String when() {
    int month = query.month();
    if (month < 0) {
      return "";
    }
    YearMonth read = table.selection().horizon().month(month);
    return read.equals(YearMonth.from(today)) ? "now" : "in " + Dates.shortMonth(read);
  }

  /** The contenders that have a column. */
  public List<Contender> columns() {
    return table.selection().active();
  }

  /** The address of a figure's working. */
  public String why(String figure, String... more) {
    StringBuilder address =
        new StringBuilder("/selections/" + table.id() + "/why?figure=" + figure);
    for (int i = 0; i + 1 < more.length; i += 2) {
      address
          .append('&')
          .append(more[i])
          .append('=')
          .append(UriUtils.encode(more[i + 1], StandardCharsets.UTF_8));
    }
    return address.append(query.query().isEmpty() ? "" : "&" + query.query()).toString();
  }

  /** The address of a step of this selection, under this "what if". */
  public String step(String key) {
    return "/selections/"
        + table.id()
        + "/"
        + key
        + (query.query().isEmpty() ? "" : "?" + query.query());
  }

  /** This session's addresses with every contender read on any of its plans. */
  public Session onAnyPlan() {
    return new Session(
        table, asked, query.onAnyPlan(), evaluation, person, today, daysFresh, last, sensitivity);
  }

  /** This session's addresses for so many people. */
  public Session at(int people) {
    return new Session(
        table, asked, query.at(people), evaluation, person, today, daysFresh, last, sensitivity);
  }

  /**
   * The address at which the price page of a contender is changed, asking first for what this
   * selection needs; to whoever may not change it, where it is read.
   */
  public String pricePage(String contender) {
    return "/catalogue/" + contender + (person.organises() ? "/edit?selection=" + table.id() : "");
  }

  /** The address at which something that is not known is put down. */
  public String answering(FindOut.Unknown unknown) {
    return switch (unknown) {
      case FindOut.Unknown.Worth worth ->
          switch (worth.criterion().kind()) {
            case Criterion.Judged judged -> step("marks");
            case Criterion.Cost cost -> pricePage(worth.tool());
            case Criterion.CostAsFound cost -> pricePage(worth.tool());
            case Criterion.Coverage coverage -> pricePage(worth.tool());
            case Criterion.Ratings ratings -> pricePage(worth.tool());
            case Criterion.Measured measured ->
                measured.number().isOfPlan()
                    ? pricePage(worth.tool())
                    : "/selections/" + table.id() + "/trials";
          };
      case FindOut.Unknown.Has has -> pricePage(has.tool());
      case FindOut.Unknown.StillHas still -> step("fit");
    };
  }

  /** The place that shows a condition under which a contender leads. */
  public Shown shown(Condition condition) {
    return Shown.of(this, condition);
  }

  /** The number of a contender's mark, 1 to 8, the same in every step. */
  public int mark(String contender) {
    List<String> ids = table.selection().contenders().stream().map(Contender::id).toList();
    return ids.indexOf(contender) % MARKS + 1;
  }

  /** A contender as the pictures know it. */
  public Drawn drawn(Contender contender) {
    return new Drawn(contender.id(), contender.tool().name(), mark(contender.id()));
  }
}
