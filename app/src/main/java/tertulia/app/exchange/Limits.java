package tertulia.app.exchange;

/**
 * How many of everything there may be: the same in forms, files, the store and what is read back.
 * The published schemas say the same numbers; a test compares them.
 */
public final class Limits {
  /** Characters of a name. */
  public static final int NAME = 120;

  /** Contenders of a selection, set aside or not. */
  public static final int CONTENDERS = 40;

  /** Price pages of tools that are no contenders: in use, or parts of contenders. */
  public static final int OTHER_PAGES = 280;

  /** People of a selection who weigh and mark. */
  public static final int MEMBERS = 200;

  /** Acts on a selection's list of contenders that are kept. */
  public static final int ACTS = 1000;

  /** Proposals of a selection that did not stand. */
  public static final int ENDED = 1000;

  /** Remarks of a selection, and answers to one of them. */
  public static final int REMARKS = 1000;

  public static final int ANSWERS = 100;

  /** Connectors of a price page. */
  public static final int CONNECTORS = 40;

  /** Marks that a table settled together. */
  public static final int SETTLED = 2000;

  /** Characters of what somebody at a table knows about. */
  public static final int COMPETENCE = 200;

  /** Pictures of a selection. */
  public static final int PROOFS = 200;

  /** Tasks that are tried by hand. */
  public static final int TASKS = 40;

  /** Results of the tasks with one contender. */
  public static final int RESULTS = 8000;

  /** People who try one contender. */
  public static final int TRYING = 40;

  /** Characters of a maker's terms of a trial. */
  public static final int TERMS_OF_TRIAL = 400;

  /** Characters of a note to a mark or a result. */
  public static final int NOTE = 1000;

  /** Characters of an opinion, and of why something is not needed. */
  public static final int OPINION = 400;

  /** Characters of why a choice is made although its figures speak against it. */
  public static final int DESPITE = 2000;

  /** Conditions of a decision that can be tested. */
  public static final int PROVISOS = 12;

  public static final int NOT_NEEDED_WHY = 200;

  /** Things of one contender that somebody does not need. */
  public static final int NOT_NEEDED = 200;

  public static final int GROUPS = 200;

  /** Things that are counted in a selection, usual ones and one's own. */
  public static final int COUNTED = 100;

  /** Measures of one's own that a form offers besides. */
  public static final int OFFERED = 100;

  public static final int NEEDS = 200;
  public static final int CRITERIA = 40;

  /** Plans of a tool. */
  public static final int PLANS = 40;

  /** Charges of one plan under one term. */
  public static final int CHARGES = 50;

  /** Facts of one plan. */
  public static final int FACTS = 200;

  /** Allowances of one plan. */
  public static final int ALLOWANCES = 50;

  private Limits() {}
}
