package tertulia.app.exchange;

import java.util.List;

/** Checks a brief by the rules of the core before it is stored. */
public final class BriefCheck {
  private BriefCheck() {}

  /**
   * Everything the core, or a file, would refuse, by place, such as "/brief/groups/0"; empty if
   * nothing.
   */
  public static List<Fault> faults(Brief checked) {
    Faults faults = new Faults();
    // what is in use was checked where it was written down; its price pages are not here
    Brief brief = checked.withInUse(null);
    SelectionFile file =
        new SelectionFile(
            SelectionFile.FORMAT, SelectionFile.VERSION, brief, List.of(), List.of(), null);
    new SelectionReader(faults).readNew(file);
    if (faults.isEmpty()) {
      PortableFile.beyond(file).ifPresent(fault -> faults.add(fault.at(), fault.message()));
    }
    return faults.all();
  }
}
