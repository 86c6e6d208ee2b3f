package tertulia.app.people;

/** What an account may do; each may also do what the later ones may. */
public enum Role {
  ORGANISER("organiser", "edits, sets weights, marks and signs"),
  MEMBER("member", "sets weights, marks and signs"),
  READER("reader", "reads");

  private final String words;
  private final String may;

  Role(String words, String may) {
    this.words = words;
    this.may = may;
  }

  public String words() {
    return words;
  }

  public String may() {
    return may;
  }
}
