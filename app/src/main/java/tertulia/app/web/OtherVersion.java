package tertulia.app.web;

import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tertulia.app.exchange.Json;

/**
 * What somebody else saved while one was writing, by the names of the form's fields, so that the
 * page can show it beside what was typed and whoever typed chooses.
 */
public final class OtherVersion {
  private OtherVersion() {}

  /**
   * The fields of a form as JSON: names such as {@code groups[0].name}, with their texts.
   *
   * @param form with public fields: texts, numbers, truths, lists and maps of such, and lines with
   *     such fields
   */
  public static String of(Object form) {
    return Json.write(fields(form));
  }

  static Map<String, String> fields(Object form) {
    Map<String, String> fields = new LinkedHashMap<>();
    lines(form, "", fields);
    fields.remove("version");
    return fields;
  }

  private static void lines(Object line, String before, Map<String, String> fields) {
    for (Field field : line.getClass().getFields()) {
      if (!Modifier.isStatic(field.getModifiers())) {
        try {
          value(field.get(line), before + field.getName(), fields);
        } catch (IllegalAccessException e) {
          throw new IllegalStateException(e);
        }
      }
    }
  }

  private static void value(Object value, String name, Map<String, String> fields) {
    switch (value) {
      case null -> {}
      case String text -> fields.put(name, text);
      case Boolean truth -> fields.put(name, truth.toString());
      case Number number -> fields.put(name, number.toString());
      case List<?> list -> {
        for (int i = 0; i < list.size(); i++) {
          value(list.get(i), name + "[" + i + "]", fields);
        }
      }
      case Map<?, ?> map -> map.forEach((key, each) -> value(each, name + "[" + key + "]", fields));
      default -> lines(value, name + ".", fields);
    }
  }
}
