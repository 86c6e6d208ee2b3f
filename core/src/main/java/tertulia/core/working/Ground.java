package tertulia.core.working;

/** What a fact rests on, strongest first; where sources differ the strongest ground is in force. */
public enum Ground {
  TRIED_BY_HAND("tried by hand"),
  COLLEAGUE("a colleague's experience"),
  PUBLIC_RATINGS("public ratings"),
  MAKERS_CLAIM("maker's claim"),
  OTHER("other");

  private final String words;

  Ground(String words) {
    this.words = words;
  }

  /** The ground as it reads in a sentence. */
  public String words() {
    return words;
  }
}
