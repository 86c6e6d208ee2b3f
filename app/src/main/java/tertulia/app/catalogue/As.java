package tertulia.app.catalogue;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.NameList;
import tertulia.app.exchange.ToolReader;
import tertulia.app.exchange.TypedDate;

/** How the text of a field is a value of a document, and the other way round. */
enum As {
  /** A name; at most 120 characters. */
  NAME(120),
  /** A sentence; at most 400 characters. */
  SENTENCE(ToolReader.LONGEST_WORDS),
  /** An address; at most 500 characters. */
  LINK(500),
  /** A note; at most 1,000 characters. */
  NOTE(1000),
  /** A code: of the constants, if the document holds one of those. */
  CODE(Integer.MAX_VALUE),
  /** Several of a list of codes. */
  CODES(Integer.MAX_VALUE),
  /** Names with commas. */
  NAMES(NAME.longest),
  /** A plan of the page: its name here, its id in the document; empty: the only one there is. */
  PLAN(NAME.longest),
  /** Plans of the page, with commas. */
  PLANS(NAME.longest),
  /** A currency by its three letters. */
  CURRENCY(NAME.longest),
  /** The same; empty: that of the first plan. */
  CURRENCY_OF_PAGE(NAME.longest),
  /** A day. */
  DAY(NAME.longest),
  /** A whole number. */
  WHOLE(NAME.longest),
  /** A number with decimals. */
  DECIMAL(NAME.longest),
  /** Yes, or nothing. */
  FLAG(NAME.longest);

  private final int longest;

  As(int longest) {
    this.longest = longest;
  }

  /** The page that a field stands on. */
  interface Page {
    /** The id of a plan by its name; the name itself if no plan is called so. */
    String planId(String name);

    /** The name of a plan by its id; the id itself if there is none. */
    String planName(String id);

    /** The id of the only plan; empty if there is none, or there are several. */
    Optional<String> onlyPlan();

    /** The currency of the first plan as it is typed; empty if there is none. */
    String currency();
  }

  /**
   * The value of a text.
   *
   * @param held of what kind it is in the document
   * @throws IllegalArgumentException with what is wrong
   */
  Object read(String text, Class<?> held, Page page) {
    return switch (this) {
      case NAME, SENTENCE, LINK, NOTE -> Codes.text(text, longest);
      case CODE -> held.isEnum() ? constant(held, text) : text;
      case CODES -> NameList.read(text);
      case NAMES -> names(text);
      case PLAN -> text.isBlank() ? page.onlyPlan().orElse(text) : page.planId(text);
      case PLANS -> names(text).stream().map(page::planId).toList();
      case CURRENCY -> Codes.currency(text).getCode();
      case CURRENCY_OF_PAGE -> Codes.currency(text.isBlank() ? page.currency() : text).getCode();
      case DAY -> TypedDate.day(text).toString();
      case WHOLE -> Codes.whole(text);
      case DECIMAL -> Codes.decimal(text).toPlainString();
      case FLAG -> text.strip().equalsIgnoreCase("yes");
    };
  }

  @SuppressWarnings({"unchecked", "rawtypes"})
  private static Object constant(Class<?> held, String code) {
    return Codes.oneOf((Class) held, code);
  }

  private List<String> names(String text) {
    return NameList.read(text).stream().map(name -> Codes.text(name, longest)).toList();
  }

  /** What stands in the field for a value of the document. */
  String write(Object value, Page page) {
    return switch (this) {
      case CODE -> value instanceof Enum<?> constant ? Codes.code(constant) : value.toString();
      case NAME, SENTENCE, LINK, NOTE, CURRENCY, CURRENCY_OF_PAGE, DAY, WHOLE, DECIMAL ->
          value.toString();
      case CODES, NAMES -> NameList.write(listed(value));
      case PLAN -> page.planName(value.toString());
      case PLANS -> NameList.write(listed(value).stream().map(page::planName).toList());
      case FLAG -> (Boolean) value ? "yes" : "";
    };
  }

  private static List<String> listed(Object value) {
    return ((List<?>) value).stream().map(String::valueOf).toList();
  }

  /** What a field that must be there holds if it is refused, so that the rest can be read. */
  @Nullable Object standIn(Class<?> held) {
    return switch (this) {
      case CODE -> held.isEnum() ? null : "";
      case CODES, NAMES, PLANS -> List.of();
      case WHOLE -> 1;
      case FLAG -> false;
      case NAME, SENTENCE, LINK, NOTE, PLAN, CURRENCY, CURRENCY_OF_PAGE, DAY, DECIMAL -> "";
    };
  }

  /** How the form asks for it: the class of its field, or one of code, codes and flag. */
  String look() {
    return switch (this) {
      case WHOLE, DECIMAL -> "num";
      case DAY -> "day";
      case CODE -> "code";
      case CODES -> "codes";
      case FLAG -> "flag";
      case NAME, SENTENCE, LINK, NOTE, NAMES, PLAN, PLANS, CURRENCY, CURRENCY_OF_PAGE -> "";
    };
  }
}
