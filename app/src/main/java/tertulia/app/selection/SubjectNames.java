package tertulia.app.selection;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.display.SubjectWords;
import tertulia.app.exchange.Brief;
import tertulia.core.remark.Subject;

/** What things of a selection are called now, for whoever writes down what was done. */
@Component
class SubjectNames {
  private final SelectionStore store;
  private final Rows.Members members;
  private final Rows.Tasks tasks;
  private final Catalogue catalogue;

  SubjectNames(SelectionStore store, Rows.Members members, Rows.Tasks tasks, Catalogue catalogue) {
    this.store = store;
    this.members = members;
    this.tasks = tasks;
    this.catalogue = catalogue;
  }

  /** What a remark is about. */
  String of(long selection, Subject about) {
    return words(selection).of(about);
  }

  /** What a picture stands beside. */
  String beside(long selection, String about) {
    return words(selection).beside(about);
  }

  private SubjectWords words(long selection) {
    Map<String, String> names = new HashMap<>();
    Brief brief = SelectionLoader.brief(store.row(selection));
    brief.needs().forEach(need -> names.put("need/" + need.id(), need.name()));
    brief.criteria().forEach(part -> names.put("criterion/" + part.id(), part.name()));
    catalogue.sheets().forEach(sheet -> names.put("contender/" + sheet.id(), sheet.name()));
    tasks
        .findBySelectionIdInOrderById(List.of(selection))
        .forEach(task -> names.put("task/" + task.code, task.words));
    return new SubjectWords(names);
  }

  /**
   * Whose view something tells of.
   *
   * @param judged whether it tells how something is judged
   * @return null: nobody's, or that of somebody who has no seat
   */
  @Nullable Long viewOf(long selection, @Nullable Long account, boolean judged) {
    return judged && account != null
        ? members.findBySelectionIdAndAccountId(selection, account).map(row -> row.id).orElse(null)
        : null;
  }
}
