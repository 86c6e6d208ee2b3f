package tertulia.app.overview;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.catalogue.Catalogue;
import tertulia.app.exchange.PortableFile;
import tertulia.app.exchange.SelectionFile;
import tertulia.app.handover.Intake;
import tertulia.app.people.SignedIn;
import tertulia.app.selection.PutAway;
import tertulia.app.selection.Selections;
import tertulia.core.evaluation.Contender;

/** A made-up selection for whoever has none yet: one click to have it, one to be rid of it. */
@Service
class Sample {
  private static final String FILE = "/demo/freight-desk-booking.json";
  private static final String FROM = ", from the sample";
  private final Intake intake;
  private final Selections selections;
  private final Catalogue catalogue;

  Sample(Intake intake, Selections selections, Catalogue catalogue) {
    this.intake = intake;
    this.selections = selections;
    this.catalogue = catalogue;
  }

  /** Takes the sample in; its id. */
  @Transactional
  public long take(SignedIn person) {
    long id = intake.take(file(), person.name() + FROM);
    selections.markSample(id);
    // as it was thrown away before
    selections
        .load(id)
        .selection()
        .contenders()
        .forEach(tool -> catalogue.archive(tool.id(), false));
    return id;
  }

  /** Whether a selection is there and is a sample. */
  @Transactional(readOnly = true)
  public boolean isOne(long id) {
    return selections.isThere(id) && selections.load(id).putAway().sample();
  }

  /** Deletes a sample; the tools that came with it and serve nothing else are archived. */
  @Transactional
  public String throwAway(long id, String by) {
    List<Contender> tools = selections.load(id).selection().contenders();
    String title = selections.putAway(id, PutAway.How.DELETED, by);
    tools.stream()
        .map(Contender::id)
        .filter(slug -> selections.with(slug).isEmpty() && cameWithTheSample(slug))
        .forEach(slug -> catalogue.archive(slug, true));
    return title;
  }

  private boolean cameWithTheSample(String slug) {
    return catalogue.history(slug).stream().allMatch(edition -> edition.by().endsWith(FROM));
  }

  private static SelectionFile file() {
    try (InputStream in = Sample.class.getResourceAsStream(FILE)) {
      if (in != null
          && PortableFile.read(in.readAllBytes()) instanceof PortableFile.Read.Accepted read) {
        return read.file();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    throw new IllegalStateException("The sample is not what a selection's file should be.");
  }
}
