package tertulia.app.weighing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import tertulia.app.display.FindingWords;
import tertulia.app.workspace.Session;
import tertulia.core.evaluation.Agreement;
import tertulia.core.finding.AgreementFindings;
import tertulia.core.scoring.Panel;
import tertulia.core.scoring.Totals;

/**
 * Where the table agrees, as it is read.
 *
 * @param says first the answer, then what is worth talking about
 * @param people each person's own ranking; none if fewer than two have one
 * @param shared the shared ranking; empty as long as there is none
 */
record AgreementView(List<String> says, List<Talk> talks, List<Line> people, String shared) {
  /**
   * A point worth talking about.
   *
   * @param of the contender and the criterion
   * @param hangs how much of the total hangs on it
   */
  record Talk(String of, String hangs, List<Voice> voices) {}

  /** One person's mark, and why. */
  record Voice(String name, String mark, String because) {}

  /** One person's ranking alone, and what the others' is without this person. */
  record Line(String name, String own, String without) {}

  static AgreementView of(Session session) {
    Agreement agreement = Agreement.of(session.evaluation());
    List<String> shared =
        session.evaluation().scores().totals().stream()
            .flatMap(totals -> totals.standings().stream().map(Totals.Standing::contender))
            .toList();
    FindingWords words = new FindingWords(session.table().selection());
    long ranking = agreement.own().stream().filter(own -> !own.ranking().isEmpty()).count();
    return new AgreementView(
        new AgreementFindings(agreement, shared).all().stream().map(words::of).toList(),
        agreement.points().stream().map(point -> talk(session, point)).toList(),
        ranking < 2
            ? List.of()
            : agreement.own().stream()
                .map(own ->
                    new Line(
                        own.member().name(),
                        own.ranking().isEmpty()
                            ? "has set no weights yet"
                            : order(session, own.ranking()),
                        own.without().isEmpty()
                            ? "nobody else has set weights"
                            : own.without().equals(shared)
                                ? "the same"
                                : order(session, own.without())))
                .toList(),
        order(session, shared));
  }

  /** Contenders in their order, such as "Slotmeer, Pierbook, Quaymate". */
  private static String order(Session session, List<String> ranking) {
    return ranking.stream()
        .map(id -> session.table().selection().contender(id).tool().name())
        .collect(Collectors.joining(", "));
  }

  private static Talk talk(Session session, Agreement.Point point) {
    List<Voice> voices = new ArrayList<>();
    for (Panel.Given voice : List.of(point.high(), point.low())) {
      voices.add(
          new Voice(
              known(session, voice.member().name()),
              voice.mark().given().orElseThrow().stripTrailingZeros().toPlainString(),
              voice.mark().because().isEmpty() ? "no reason given" : voice.mark().because()));
    }
    return new Talk(
        session.table().selection().contender(point.contender()).tool().name()
            + ", "
            + point.criterion().name(),
        three(point.reach()),
        voices);
  }

  /** A name with what that person knows about. */
  private static String known(Session session, String name) {
    String competence = session.table().competence(name);
    return competence.isEmpty() ? name : name + " (" + competence + ")";
  }

  static String three(BigDecimal number) {
    return number.setScale(3, RoundingMode.HALF_UP).toPlainString();
  }
}
