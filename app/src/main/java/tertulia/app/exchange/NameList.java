package tertulia.app.exchange;

import java.util.Arrays;
import java.util.List;

/** Names in one cell: between commas, or between semicolons where a name holds a comma. */
public final class NameList {
  private NameList() {}

  public static List<String> read(String text) {
    return Arrays.stream(text.split(text.contains(";") ? ";" : ","))
        .map(String::strip)
        .filter(name -> !name.isEmpty())
        .toList();
  }

  public static String write(List<String> names) {
    boolean comma = names.stream().anyMatch(name -> name.contains(","));
    return comma ? String.join("; ", names) + ";" : String.join(", ", names);
  }
}
