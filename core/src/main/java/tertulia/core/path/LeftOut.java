package tertulia.core.path;

import java.util.List;
import java.util.stream.Collectors;

/**
 * An option that would qualify, left out because it has no figure.
 *
 * @param option its name; of a price on request the plan alone
 * @param mayBeCheaper whether it may be cheaper than the option taken by any amount, so that the
 *     figure is "at most": it stands before it in the maker's order, and not even the least it
 *     costs is known
 */
public record LeftOut(OptionName option, NoFigure why, boolean mayBeCheaper) {
  /** Whether a figure beside which these are left out is only an upper bound. */
  static boolean atMost(List<LeftOut> all) {
    return all.stream().anyMatch(LeftOut::mayBeCheaper);
  }

  /** Such as "Port: price on request". */
  public String words() {
    return option.label() + ": " + why.words();
  }

  /** All of them in words. */
  public static String words(List<LeftOut> all) {
    return all.stream().map(LeftOut::words).collect(Collectors.joining("; "));
  }
}
