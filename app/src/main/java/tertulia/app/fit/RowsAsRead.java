package tertulia.app.fit;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tertulia.app.exchange.Codes;
import tertulia.app.workspace.Frame;

/**
 * Which rows of a comparison are shown, in which groups and order, as it stands in the address.
 *
 * @param find words of which all must occur in a row's name; empty: any
 */
record RowsAsRead(Show show, Group group, Sort sort, String find) {
  private static final int LONGEST = 60;

  /** Which rows. */
  enum Show {
    ALL("all rows"),
    DIFFER("rows that differ"),
    SHARED("rows that all share"),
    ONLY_ONE("rows only one has");

    private final String words;

    Show(String words) {
      this.words = words;
    }
  }

  /** Under which headings. */
  enum Group {
    IMPORTANCE("by importance"),
    KIND("by kind"),
    ASKED("by who asked"),
    NONE("without headings");

    private final String words;

    Group(String words) {
      this.words = words;
    }
  }

  /** In which order. */
  enum Sort {
    WRITTEN("as entered"),
    NAME("by name"),
    COST("dearest first");

    private final String words;

    Sort(String words) {
      this.words = words;
    }
  }

  static RowsAsRead of(Map<String, String> asked) {
    String find = asked.getOrDefault("find", "").strip();
    return new RowsAsRead(
        choice(Show.values(), asked.get("rows"), Show.ALL),
        choice(Group.values(), asked.get("group"), Group.IMPORTANCE),
        choice(Sort.values(), asked.get("sort"), Sort.WRITTEN),
        find.length() > LONGEST ? find.substring(0, LONGEST) : find);
  }

  private static <E extends Enum<E>> E choice(
      E[] all, @org.jspecify.annotations.Nullable String code, E standard) {
    return Arrays.stream(all).filter(e -> Codes.code(e).equals(code)).findFirst().orElse(standard);
  }

  /** As it stands in addresses, without what is at its standard. */
  String query() {
    List<String> parts = new ArrayList<>();
    add(parts, "rows", Codes.code(show), show != Show.ALL);
    add(parts, "group", Codes.code(group), group != Group.IMPORTANCE);
    add(parts, "sort", Codes.code(sort), sort != Sort.WRITTEN);
    add(parts, "find", find, !find.isEmpty());
    return String.join("&", parts);
  }

  private static void add(List<String> parts, String name, String value, boolean differs) {
    if (differs) {
      parts.add(name + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8));
    }
  }

  boolean finds(String name) {
    String lower = name.toLowerCase(Locale.ROOT);
    return Arrays.stream(find.toLowerCase(Locale.ROOT).split("\\s+")).allMatch(lower::contains);
  }

  /** The choices of a list, for the template. */
  public List<Frame.Choice> shows() {
    return Arrays.stream(Show.values())
        .map(e -> new Frame.Choice(Codes.code(e), e.words, e == show))
        .toList();
  }

  public List<Frame.Choice> groups() {
    return Arrays.stream(Group.values())
        .map(e -> new Frame.Choice(Codes.code(e), e.words, e == group))
        .toList();
  }

  public List<Frame.Choice> sorts() {
    return Arrays.stream(Sort.values())
        .map(e -> new Frame.Choice(Codes.code(e), e.words, e == sort))
        .toList();
  }
}
