package tertulia.core.remark;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tertulia.core.finding.RemarkFinding;
import tertulia.core.finding.Stage;

/**
 * What there is to say of what people asked and said.
 *
 * @param remarks that the reader may read
 * @param kept how many there are that the reader may not read yet
 */
public record RemarkFindings(List<Remark> remarks, int kept) {
  public RemarkFindings {
    remarks = List.copyOf(remarks);
  }

  /** What nobody has closed; empty if that is nothing. */
  public Optional<RemarkFinding.OpenRemarks> open() {
    Map<Stage, Integer> open = Remark.open(remarks);
    int all = open.values().stream().mapToInt(Integer::intValue).sum();
    return all == 0
        ? Optional.empty()
        : Optional.of(new RemarkFinding.OpenRemarks(all, new ArrayList<>(open.keySet())));
  }

  /** What waits for the reader's view; empty if that is nothing. */
  public Optional<RemarkFinding.KeptRemarks> waiting() {
    return kept == 0 ? Optional.empty() : Optional.of(new RemarkFinding.KeptRemarks(kept));
  }
}
