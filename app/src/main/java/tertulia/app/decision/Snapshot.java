package tertulia.app.decision;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.Json;
import tertulia.app.exchange.Results;
import tertulia.app.exchange.SelectionFile;
import tertulia.core.decision.Decision;
import tertulia.core.decision.Proposal;

/**
 * Everything a signed decision rested on, frozen: what was agreed, what had been entered, what came
 * out.
 */
public record Snapshot(
    String format, int version, Agreed decision, SelectionFile selection, Results results) {

  /**
   * Since version 2 there may be proposals that did not stand, and how figures read; since version
   * 3 the accounts of those who proposed and signed; since version 4 who leads at which size; since
   * version 5 what spoke against the choice, and why nevertheless; since version 6 who was asked to
   * agree, by which rule, and what they said.
   */
  private static final DocumentFormat<Snapshot> FORMAT =
      new DocumentFormat<>(
          "frozen record",
          Snapshot.class,
          List.of(
              first -> first.put("version", 2),
              second -> second.put("version", 3),
              third -> third.put("version", 4),
              fourth -> fourth.put("version", 5),
              fifth -> fifth.put("version", 6)));

  /**
   * What was agreed, by whom and when.
   *
   * @param against what spoke against it when it was signed; null: nothing, or it was signed before
   *     that was looked at
   * @param despite why nevertheless; null: nothing was said
   * @param signing who was asked and what they said; null: one other person signed
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Agreed(
      String choice,
      String option,
      String reasons,
      String givenUp,
      String conditions,
      @Nullable String lookAgain,
      String proposedBy,
      @Nullable String proposedByAccount,
      String proposedAt,
      String signedBy,
      @Nullable String signedByAccount,
      String signedAt,
      @Nullable List<String> against,
      @Nullable String despite,
      @Nullable SigningPart signing) {}

  static Snapshot of(
      Decision.Signed signed, SelectionFile file, Results results, List<String> against) {
    return new Snapshot(
        "tertulia-decision",
        FORMAT.version(),
        new Agreed(
            signed.proposal().choice(),
            signed.proposal().option(),
            signed.proposal().reasons(),
            signed.proposal().givenUp(),
            signed.proposal().conditions(),
            signed.proposal().reviewOn().map(Object::toString).orElse(null),
            signed.by().person(),
            account(signed.by()),
            signed.by().at().toString(),
            signed.closedBy().person(),
            account(signed.closedBy()),
            signed.closedBy().at().toString(),
            against.isEmpty() ? null : against,
            signed.proposal().despite().isEmpty() ? null : signed.proposal().despite(),
            SigningPart.of(signed.signing())),
        file,
        results);
  }

  private static @Nullable String account(Proposal.Act act) {
    return act.by().account().isEmpty() ? null : act.by().account();
  }

  String toJson() {
    return Json.write(this);
  }

  static Snapshot stored(String json) {
    return FORMAT.read(json, Json.version(json));
  }

  /** SHA-256 of a snapshot's UTF-8 bytes, in hexadecimal, as {@code sha256sum} prints it. */
  static String sha256(String json) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      return HexFormat.of().formatHex(digest.digest(json.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }
}
