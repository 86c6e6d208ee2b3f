package tertulia.app.selection;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.act.Act;
import tertulia.app.act.Acts;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.Brief;
import tertulia.app.web.NotFound;

/** What stays in use and what goes, as somebody says it of a selection. */
@Service
public class InUseChoices {
  private final SelectionStore store;
  private final Rows.Contenders contenders;
  private final Catalogue catalogue;
  private final Selections selections;
  private final Acts acts;

  InUseChoices(
      SelectionStore store,
      Rows.Contenders contenders,
      Catalogue catalogue,
      Selections selections,
      Acts acts) {
    this.store = store;
    this.contenders = contenders;
    this.catalogue = catalogue;
    this.selections = selections;
    this.acts = acts;
  }

  /**
   * Says whether a tool in use stays or goes if a contender is taken.
   *
   * @param says "stays", "goes", or empty: what follows from its work areas
   */
  @Transactional
  public void say(long id, String contender, String tool, String says) {
    store.open(id);
    ContenderRow row = row(id, contender);
    if (!says.isEmpty() && !says.equals("stays") && !says.equals("goes")) {
      throw new NotFound("answer \"" + says + "\"");
    }
    String before = SaidOfInUse.stored(row.inUse).said().getOrDefault(tool, "");
    if (!before.equals(says)) {
      row.inUse = SaidOfInUse.document(SaidOfInUse.stored(row.inUse).with(tool, says).said());
      acts.note(id, new Act.SaidOfInUse(name(tool), name(contender), says));
    }
  }

  /** Compares what is in use as it is kept, or as if it were bought anew. */
  @Transactional
  public void asToday(long id, String tool, boolean kept, String by) {
    store.open(id);
    selections.addContender(id, tool, by);
    ContenderRow row = row(id, tool);
    if (row.asToday != kept) {
      row.asToday = kept;
      acts.note(id, new Act.AsToday(name(tool), kept));
    }
  }

  /** Leaves a tool in use out of the question, or takes it in again. */
  @Transactional
  public void leaveOut(long id, String tool, boolean out) {
    SelectionRow row = store.open(id);
    Brief brief = SelectionLoader.brief(row);
    List<String> left = new ArrayList<>(brief.unasked());
    boolean changed = out ? !left.contains(tool) && left.add(tool) : left.remove(tool);
    if (changed) {
      Selections.write(row, brief.withLeftOut(left.isEmpty() ? null : left));
      acts.note(id, new Act.UseLeftOut(name(tool), out));
    }
  }

  /**
   * Counts what is in use in the workspace, or nothing of it; a list of the question's own, as a
   * file brings it, makes way.
   */
  @Transactional
  public void follow(long id, boolean counted) {
    SelectionRow row = store.open(id);
    Brief brief = SelectionLoader.brief(row);
    if (brief.followsUse() != counted || !brief.followsUse() && !brief.used().isEmpty()) {
      Selections.write(
          row, brief.with().inUse(null).followsInUse(counted ? true : null).leftOut(null).build());
      acts.note(id, new Act.UseCounted(counted));
    }
  }

  private ContenderRow row(long id, String slug) {
    return contenders
        .findBySelectionIdAndToolId(id, catalogue.get(slug).id())
        .orElseThrow(() -> new NotFound("contender \"" + slug + "\" in this selection"));
  }

  private String name(String slug) {
    return catalogue.get(slug).sheet().name();
  }
}
