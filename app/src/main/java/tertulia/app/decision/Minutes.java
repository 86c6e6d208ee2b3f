package tertulia.app.decision;

import java.util.List;
import java.util.Optional;

/**
 * What was decided, for somebody who was not there: the same on the page, on paper and as a PDF.
 *
 * @param question that was asked
 * @param forWhom in the words of whoever asked; may be empty
 * @param decided when, such as "Decided on 22 Dec 2025"
 * @param headline the choice with its cost
 * @param inShort what to know beside it, in sentences
 * @param signatures who proposed and who agreed
 * @param sections under their headings
 * @param sha256 fingerprint of what is frozen
 * @param intact whether it is still what was signed
 */
public record Minutes(
    String question,
    String forWhom,
    String decided,
    String headline,
    List<String> inShort,
    List<Signature> signatures,
    List<Section> sections,
    String sha256,
    boolean intact) {
  private static final int ABREAST = 3;

  /** The section that says what spoke against the choice. */
  public static final String AGAINST = "against";

  public Minutes {
    inShort = List.copyOf(inShort);
    signatures = List.copyOf(signatures);
    sections = List.copyOf(sections);
  }

  /**
   * Who did what.
   *
   * @param did such as "agreed"
   * @param on the day; empty: nothing was done
   * @param look "for", "reserved", "against" or "silent"
   */
  public record Signature(String name, String did, String on, String look) {
    private static final int LONG = 120;

    /** Whether it wants a row of its own. */
    public boolean isLong() {
      return name.length() + did.length() > LONG;
    }

    /** Over how many columns it goes. */
    public int columns() {
      return isLong() ? ABREAST : 1;
    }
  }

  /** The points of a section; none if it has none or is not there. */
  public List<String> section(String id) {
    return sections.stream()
        .filter(section -> section.id().equals(id))
        .flatMap(section -> section.blocks().stream())
        .flatMap(block -> block.points().stream())
        .toList();
  }

  /** Signatures in rows of so many as stand beside each other, then those with more to say. */
  public List<List<Signature>> signatureRows() {
    List<List<Signature>> rows = new java.util.ArrayList<>();
    List<Signature> brief = signatures.stream().filter(s -> !s.isLong()).toList();
    for (int i = 0; i < brief.size(); i += ABREAST) {
      rows.add(brief.subList(i, Math.min(brief.size(), i + ABREAST)));
    }
    signatures.stream().filter(Signature::isLong).map(List::of).forEach(rows::add);
    return rows;
  }

  /**
   * A section.
   *
   * @param id to which a link leads
   */
  public record Section(String id, String heading, List<Block> blocks) {
    public Section {
      blocks = List.copyOf(blocks);
    }

    /** Empty if there is nothing in it. */
    static Optional<Section> of(String id, String heading, List<Block> blocks) {
      return blocks.isEmpty() ? Optional.empty() : Optional.of(new Section(id, heading, blocks));
    }

    static Optional<Section> of(String id, String heading, Block... blocks) {
      return of(id, heading, List.of(blocks));
    }

    /** Points under a heading; empty if there are none. */
    static Optional<Section> listed(String id, String heading, List<String> points) {
      return points.isEmpty() ? Optional.empty() : of(id, heading, Block.points(points));
    }
  }

  /**
   * Something within a section; one of its parts is filled.
   *
   * @param text paragraphs as typed
   * @param points one below the other
   * @param table null: none
   * @param picture as SVG
   * @param caption what the picture shows
   */
  public record Block(
      String text, List<String> points, List<List<Cell>> table, String picture, String caption) {
    public Block {
      points = List.copyOf(points);
      table = table.stream().map(List::copyOf).toList();
    }

    static Block text(String text) {
      return new Block(text, List.of(), List.of(), "", "");
    }

    static Block points(List<String> points) {
      return new Block("", points, List.of(), "", "");
    }

    /** Rows of equal length, the heads first. */
    static Block table(List<List<Cell>> rows) {
      return new Block("", List.of(), rows, "", "");
    }

    static Block picture(String svg, String caption) {
      return new Block("", List.of(), List.of(), svg, caption);
    }
  }

  /**
   * A cell.
   *
   * @param look "amount", "amount chosen" of the choice, or "words"
   * @param note below it; may be empty
   * @param why what asks for its working, as it stands in an address; empty: nothing
   */
  public record Cell(String text, String look, String note, String why) {
    static Cell words(String text) {
      return new Cell(text, "words", "", "");
    }

    static Cell figure(String text, boolean chosen) {
      return new Cell(text, chosen ? "amount chosen" : "amount", "", "");
    }

    Cell noting(String below) {
      return new Cell(text, look, below, why);
    }

    Cell asking(String figure, String contender) {
      return new Cell(text, look, note, "figure=" + figure + "&contender=" + contender);
    }
  }
}
