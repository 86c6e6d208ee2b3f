package tertulia.core.working;

/** What a fact rests on; where sources differ the strongest ground is in force. */
public enum Ground {
  TRIED_BY_HAND("tried by hand", 0),
  COLLEAGUE("a colleague's experience", 1),
  PUBLIC_RATINGS("public ratings", 1),
  MAKERS_CLAIM("vendor's claim", 2),
  OTHER("other", 3);

  private final String words;
  private final int rank;

  Ground(String words, int rank) {
    this.words = words;
    this.rank = rank;
  }

  /** The ground as it reads in a sentence. */
  public String words() {
    return words;
  }

  /** 0 is the strongest; grounds of one rank yield to the newer fact. */
  public int rank() {
    return rank;
  }
}
