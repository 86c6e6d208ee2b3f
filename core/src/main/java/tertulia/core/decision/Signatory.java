package tertulia.core.decision;

/**
 * Somebody who proposes, signs or objects.
 *
 * @param name as colleagues read it
 * @param account the name the person signs in with; "" if it was put down before accounts were, or
 *     elsewhere
 */
public record Signatory(String name, String account) {
  /** Whether both are one person: by account where both have one, else by name. */
  public boolean isSameAs(Signatory other) {
    return account.isEmpty() || other.account.isEmpty()
        ? name.equals(other.name)
        : account.equals(other.account);
  }

  /** Such as "Joren Talvik (joren)". */
  public String words() {
    return account.isEmpty() ? name : name + " (" + account + ")";
  }
}
