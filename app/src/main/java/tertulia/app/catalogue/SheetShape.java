package tertulia.app.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tertulia.app.display.Figures;
import tertulia.app.exchange.Codes;

/**
 * What of a price page stands in sight: what is used, and what is asked about; the rest opens.
 *
 * @param facts places of the capability lines in the order in which they stand: those a selection
 *     needs, those that say something, those of the work area, room for one more
 * @param needed how many of them a selection needs
 * @param aside places of those that only other tools of the work area state
 * @param parts what stands beside the table, a line each
 */
record SheetShape(List<Integer> facts, int needed, Set<Integer> aside, List<Part> parts) {
  /**
   * A part of the page that opens.
   *
   * @param says what is stored in it
   * @param open whether something in it is to be put right
   */
  record Part(String id, String title, String says, boolean open) {}

  /**
   * What stands in sight.
   *
   * @param needed names of capabilities that a selection needs
   * @param elsewhere names of those that other tools of the work area state
   * @param faults fields in which something is to be put right
   */
  static SheetShape of(
      ToolForm form, Collection<String> needed, Collection<String> elsewhere, Set<String> faults) {
    Set<String> wanted = needed.stream().map(Codes::slug).collect(Collectors.toSet());
    Set<String> others = elsewhere.stream().map(Codes::slug).collect(Collectors.toSet());
    List<Integer> first = new ArrayList<>();
    List<Integer> said = new ArrayList<>();
    List<Integer> aside = new ArrayList<>();
    for (int f = 0; f < form.facts.size() - 1; f++) {
      ToolForm.FactLine line = form.facts.get(f);
      String capability = Codes.slug(line.capability);
      boolean isOthers = line.isSilent() && others.contains(capability);
      List<Integer> place = wanted.contains(capability) ? first : isOthers ? aside : said;
      place.add(f);
    }
    List<Integer> order = new ArrayList<>(first);
    order.addAll(said);
    order.addAll(aside);
    if (!form.facts.isEmpty()) {
      order.add(form.facts.size() - 1);
    }
    return new SheetShape(order, first.size(), Set.copyOf(aside), parts(form, faults));
  }

  private static List<Part> parts(ToolForm form, Set<String> faults) {
    List<String> offers =
        form.offers.stream().map(offer -> offer.name.strip()).filter(n -> !n.isEmpty()).toList();
    List<String> conditions =
        form.conditions.stream()
            .filter(condition -> !condition.value.isBlank())
            .map(condition -> condition.getLabel() + ": " + condition.value.strip())
            .toList();
    List<String> connectors =
        form.connectors.stream()
            .filter(line -> !line.isBlank())
            .map(line -> line.name.strip())
            .toList();
    List<String> ratings =
        form.ratings.stream()
            .filter(rating -> !rating.isBlank())
            .map(rating -> rating.rating + " from " + rating.count)
            .toList();
    List<String> words =
        form.words.stream()
            .filter(line -> !line.text.isBlank())
            .map(line -> line.text.strip())
            .toList();
    return List.of(
        part(
            "words",
            "What it is, and for whom",
            said(words, "nobody has said; a sentence each, and what is known of its vendor"),
            faults),
        part("offers", "Offers", said(offers, "none; reductions for a while"), faults),
        part(
            "owned",
            "Owned already",
            form.owned.isBlank()
                ? "nothing; seats that are paid for until some day"
                : form.owned.units + " until " + form.owned.until,
            faults),
        part(
            "conditions",
            "Availability and trial",
            said(conditions, "nobody has said; countries, places of data, languages, a trial"),
            faults),
        part(
            "connectors",
            "Connectors",
            said(connectors, "none; what stands between this tool and others, and what it costs"),
            faults),
        part("ratings", "Public ratings", said(ratings, "none"), faults));
  }

  private static String said(List<String> said, String nothing) {
    return said.isEmpty() ? nothing : String.join(" · ", said);
  }

  private static Part part(String id, String title, String says, Set<String> faults) {
    return new Part(id, title, says, faults.stream().anyMatch(fault -> fault.startsWith(id)));
  }

  /** How many lines stand aside, such as "9 more"; empty if none. */
  public String more() {
    return aside.isEmpty() ? "" : Figures.whole(aside.size()) + " more";
  }
}
