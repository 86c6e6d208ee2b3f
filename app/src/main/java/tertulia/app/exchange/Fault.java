package tertulia.app.exchange;

/**
 * One thing wrong with what was handed in.
 *
 * @param at where, such as "/contenders/2/tool/plans/0" or a field's name
 * @param message what was found and what to do about it
 */
public record Fault(String at, String message) {
  @Override
  public String toString() {
    return at.isEmpty() ? message : at + ": " + message;
  }
}
