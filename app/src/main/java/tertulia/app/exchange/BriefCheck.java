package tertulia.app.exchange;

import java.util.List;

/** Checks a brief by the rules of the core before it is stored. */
public final class BriefCheck {
  private BriefCheck() {}

  /** Everything the core would refuse, by place, such as "/brief/groups/0"; empty if nothing. */
  public static List<Fault> faults(Brief brief) {
    Faults faults = new Faults();
    new SelectionReader(faults)
        .readNew(
            new SelectionFile(
                SelectionFile.FORMAT, SelectionFile.VERSION, brief, List.of(), List.of(), null));
    return faults.all();
  }
}
