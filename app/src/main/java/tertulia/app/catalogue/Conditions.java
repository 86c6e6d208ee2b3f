package tertulia.app.catalogue;

/** The circumstances under which a tool can be had, in words. */
final class Conditions {
  private Conditions() {}

  static String label(String kind) {
    return switch (kind) {
      case "countries" -> "Sold in (countries)";
      case "data-places" -> "Keeps data in";
      case "platforms" -> "Runs on";
      case "languages" -> "Speaks";
      case "trial-days" -> "Trial, days";
      case "trial-card" -> "Trial asks for a card";
      default -> kind;
    };
  }
}
