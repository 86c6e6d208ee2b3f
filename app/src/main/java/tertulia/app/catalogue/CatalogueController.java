package tertulia.app.catalogue;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tertulia.app.display.Dates;
import tertulia.app.exchange.ToolSheet;
import tertulia.app.people.SignedIn;
import tertulia.app.settings.Freshness;
import tertulia.app.web.NotFound;

/** The catalogue as it is read: the list and a price page, and what one click changes. */
@Controller
class CatalogueController {
  /** Steps of a selection to which a confirmation leads back; nowhere else. */
  private static final Pattern BACK = Pattern.compile("/selections/[0-9]{1,18}/[a-z]{1,20}");

  private final Catalogue catalogue;
  private final Freshness freshness;
  private final Slips slips;

  CatalogueController(Catalogue catalogue, Freshness freshness, Slips slips) {
    this.slips = slips;
    this.catalogue = catalogue;
    this.freshness = freshness;
  }

  @GetMapping("/catalogue")
  String list(
      @RequestParam(defaultValue = "") String q,
      @RequestParam(defaultValue = "") String area,
      @RequestParam(defaultValue = "all") String show,
      @RequestParam(defaultValue = "0") int page,
      @AuthenticationPrincipal SignedIn person,
      Model model) {
    Listing.Query query = new Listing.Query(q, area, show, page);
    model.addAttribute("query", query);
    List<Catalogue.Stored> tools = catalogue.everything();
    int days = freshness.days();
    LocalDate today = catalogue.today();
    model.addAttribute(
        "listing",
        Listing.of(
            tools,
            query,
            day -> day.plusDays(days).isBefore(today),
            sheet -> !slips.of(sheet, tools).open().isEmpty()));
    model.addAttribute("daysFresh", days);
    model.addAttribute("organises", person.organises());
    return "catalogue/list";
  }

  /** A page that is written down and has not begun. */
  record Later(String day, String date) {}

  @GetMapping("/catalogue/{slug}")
  String read(@PathVariable String slug, @AuthenticationPrincipal SignedIn person, Model model) {
    Catalogue.Stored stored = catalogue.get(slug);
    int days = freshness.days();
    LocalDate today = catalogue.today();
    model.addAttribute("sheet", stored.sheet());
    model.addAttribute("archived", stored.archived());
    List<ToolSheet> tools = catalogue.sheets();
    model.addAttribute("kin", Kin.of(stored.sheet(), tools));
    model.addAttribute("doubts", slips.of(stored.sheet()).open());
    PageDays pages = catalogue.days(slug);
    model.addAttribute("editions", pages.count());
    model.addAttribute("version", stored.version());
    model.addAttribute(
        "later",
        pages.after(today).stream().map(day -> new Later(day.toString(), Dates.day(day))).toList());
    model.addAttribute(
        "page",
        PricePage.of(
            stored.sheet(),
            day -> day.plusDays(days).isBefore(today),
            id -> Kin.nameOf(id, tools)));
    ToolSheet.PastedPart pasted = stored.sheet().pasted();
    model.addAttribute("pastedOn", pasted == null ? "" : Dates.day(LocalDate.parse(pasted.on())));
    model.addAttribute("daysFresh", days);
    model.addAttribute("organises", person.organises());
    return "catalogue/tool";
  }

  @PostMapping("/catalogue/{slug}/confirm")
  String confirm(
      @PathVariable String slug,
      @RequestParam String what,
      @RequestParam(defaultValue = "") String back,
      @AuthenticationPrincipal SignedIn person,
      RedirectAttributes flash) {
    LocalDate today = catalogue.today();
    Confirmation confirmation = new Confirmation(today.toString());
    Catalogue.Change change;
    try {
      change = catalogue.revise(slug, today, sheet -> confirmation.of(sheet, what), person.name());
    } catch (IllegalArgumentException e) {
      throw new NotFound("such fact: " + e.getMessage());
    }
    String address = saved(slug, change, today, "Confirmed as of today.", flash);
    return BACK.matcher(back).matches() ? "redirect:" + back : address;
  }

  /** The way back after a change, with the way to take it back. */
  static String saved(
      String slug,
      Catalogue.Change change,
      LocalDate from,
      String words,
      RedirectAttributes flash) {
    flash.addFlashAttribute("done", change.changed() ? words : "Nothing was different.");
    if (change.changed()) {
      flash.addFlashAttribute(
          "undo", Map.of("slug", slug, "from", from.toString(), "version", "" + change.version()));
    }
    return "redirect:/catalogue/" + slug;
  }

  @PostMapping("/catalogue/{slug}/undo")
  String undo(
      @PathVariable String slug,
      @RequestParam long version,
      @RequestParam LocalDate from,
      RedirectAttributes flash) {
    catalogue.undo(slug, version, from);
    flash.addFlashAttribute("done", "The last change is undone.");
    return "redirect:/catalogue/" + slug;
  }

  @PostMapping("/catalogue/{slug}/copy")
  String copy(@PathVariable String slug, @AuthenticationPrincipal SignedIn person) {
    ToolSheet sheet = catalogue.get(slug).sheet();
    return "redirect:/catalogue/"
        + catalogue.add(sheet.withName(sheet.name() + " copy"), person.name())
        + "/edit";
  }

  @PostMapping("/catalogue/{slug}/archive")
  String archive(
      @PathVariable String slug, @RequestParam boolean archived, RedirectAttributes flash) {
    catalogue.archive(slug, archived);
    flash.addFlashAttribute(
        "done",
        archived
            ? "Archived: it is not offered to new selections any more. Selections that have it keep it."
            : "Restored.");
    return "redirect:/catalogue/" + slug;
  }

  @PostMapping("/catalogue/freshness")
  String freshness(@RequestParam String days, RedirectAttributes flash) {
    try {
      freshness.change(days);
      flash.addFlashAttribute("done", "Facts are marked as old after " + days.strip() + " days.");
    } catch (IllegalArgumentException e) {
      flash.addFlashAttribute("daysFault", e.getMessage());
      flash.addFlashAttribute("daysTyped", days);
    }
    return "redirect:/catalogue";
  }
}
