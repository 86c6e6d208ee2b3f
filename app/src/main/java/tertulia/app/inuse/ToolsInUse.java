package tertulia.app.inuse;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tertulia.app.exchange.Brief;
import tertulia.app.exchange.DocumentFormat;
import tertulia.app.exchange.InUsePart;
import tertulia.app.exchange.Json;
import tertulia.app.web.Conflict;
import tertulia.core.inuse.Beside;

/** The tools the organisation uses. */
@Service
public class ToolsInUse {
  /** As it is stored. */
  record Document(List<InUsePart> tools) {}

  private static final DocumentFormat<Document> FORMAT =
      new DocumentFormat<>("list of what is in use", Document.class, List.of());

  /** The version of a list that nobody has written yet. */
  public static final long NONE = -1;

  private final InUseRow.All rows;
  private final Clock clock;
  private final ApplicationEventPublisher events;

  ToolsInUse(InUseRow.All rows, Clock clock, ApplicationEventPublisher events) {
    this.events = events;
    this.rows = rows;
    this.clock = clock;
  }

  /**
   * The list as stored.
   *
   * @param version it was read at; {@link #NONE} if nobody has written one
   * @param canUndo whether the last change can be taken back
   */
  public record Stored(
      long version, List<InUsePart> tools, String by, Instant at, boolean canUndo) {
    public Stored {
      tools = List.copyOf(tools);
    }

    /** A tool of the list, by its id. */
    public Optional<InUsePart> of(String tool) {
      return tools.stream().filter(part -> part.tool().equals(tool)).findFirst();
    }
  }

  /** What is in use. */
  @Transactional(readOnly = true)
  public Stored find() {
    return rows.findById(InUseRow.ONLY)
        .map(row ->
            new Stored(
                row.version,
                FORMAT.read(row.document, row.format).tools(),
                row.notedBy,
                row.notedAt,
                row.replaced != null))
        .orElseGet(() -> new Stored(NONE, List.of(), "", Instant.EPOCH, false));
  }

  /**
   * Puts a tool on the list, or in place of what the list says of it.
   *
   * @param version the list was read at
   * @throws Conflict if it is not at that version any more, or the list is full
   */
  @Transactional
  public void put(long version, InUsePart part, String by) {
    putAll(version, List.of(part), by);
  }

  /** As {@link #put} of several. */
  @Transactional
  public void putAll(long version, List<InUsePart> parts, String by) {
    List<InUsePart> all = new ArrayList<>(find().tools());
    for (InUsePart part : parts) {
      int place = place(all, part.tool());
      if (place < 0) {
        all.add(part);
      } else {
        all.set(place, part);
      }
    }
    if (all.size() > Beside.MOST) {
      throw new Conflict(
          "At most " + Beside.MOST + " tools in use are kept; this would be " + all.size() + ".");
    }
    write(version, all, by);
  }

  private static int place(List<InUsePart> parts, String tool) {
    for (int i = 0; i < parts.size(); i++) {
      if (parts.get(i).tool().equals(tool)) {
        return i;
      }
    }
    return -1;
  }

  /** Takes a tool off the list; as {@link #put}. */
  @Transactional
  public void remove(long version, String tool, String by) {
    write(version, find().tools().stream().filter(part -> !part.tool().equals(tool)).toList(), by);
  }

  private void write(long version, List<InUsePart> tools, String by) {
    Optional<InUseRow> stored = rows.findById(InUseRow.ONLY);
    if (stored.map(row -> row.version).orElse(NONE) != version) {
      throw new Conflict(
          "Somebody else changed what is in use while you were editing. Your entries are still"
              + " here; save again to write them.");
    }
    InUseRow row = stored.orElseGet(InUseRow::new);
    row.replaced =
        stored
            .map(r -> Json.write(FORMAT.read(r.document, r.format)))
            .orElseGet(() -> Json.write(new Document(List.of())));
    row.document = Json.write(new Document(tools));
    row.format = FORMAT.version();
    note(row, by);
    rows.save(row);
  }

  private void note(InUseRow row, String by) {
    row.notedBy = by;
    row.notedAt = clock.instant();
    events.publishEvent(new InUseChanged());
  }

  /**
   * Takes the last change back; doing it again brings it back.
   *
   * @throws Conflict if the list is not at that version any more, or nothing can be taken back
   */
  @Transactional
  public void undo(long version, String by) {
    InUseRow row =
        rows.findById(InUseRow.ONLY)
            .filter(stored -> stored.replaced != null)
            .orElseThrow(() -> new Conflict("There is no change of what is in use to undo."));
    Conflict.unlessAt(version, row.version, "what is in use");
    String before = Objects.requireNonNull(row.replaced);
    row.replaced = row.document;
    row.document = before;
    note(row, by);
  }

  /** A brief with what is in use, if it follows it and is not closed. */
  @Transactional(readOnly = true)
  public Brief followedBy(Brief brief, boolean closed) {
    if (closed || !brief.followsUse()) {
      return brief;
    }
    List<InUsePart> asked =
        find().tools().stream().filter(part -> !brief.unasked().contains(part.tool())).toList();
    return brief.withInUse(asked.isEmpty() ? null : asked);
  }
}
