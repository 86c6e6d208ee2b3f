package tertulia.app.catalogue;

import static java.util.Objects.requireNonNull;

import java.lang.reflect.Constructor;
import java.lang.reflect.Field;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tertulia.app.exchange.Faults;
import tertulia.app.exchange.NameList;

/**
 * A kind of row of a price page: its texts in the form, its values in the document, its cells as
 * CSV. All three are made of the {@link Entry} at each field of the form's row.
 *
 * @param <L> the row of the form
 * @param <P> the part of the document
 */
final class RowTable<L, P extends Record> {
  private final Supplier<L> blank;
  private final Class<P> type;
  private final List<Column> columns;

  /** One field with its description. */
  record Column(Field field, Entry entry) {
    /** Its name in the form, and in the names of faults. */
    public String name() {
      return field.getName();
    }

    /** What the form calls it. */
    public String label() {
      return entry.label();
    }

    /** How the form asks for it, as {@link As#look} has it. */
    public String look() {
      return entry.as().look();
    }

    String part() {
      return entry.part().isEmpty() ? name() : entry.part();
    }

    /** What a row holds in it. */
    public String text(Object row) {
      Object held = held(row);
      return switch (held) {
        case Boolean flag -> flag ? "yes" : "";
        case List<?> list -> NameList.write(list.stream().map(String::valueOf).toList());
        default -> held.toString();
      };
    }

    /** What a row holds in it, where that is several things. */
    public List<String> names(Object row) {
      return NameList.read(text(row));
    }

    private void put(Object row, String text) {
      Class<?> held = field.getType();
      try {
        field.set(
            row,
            held == boolean.class
                ? (Object) text.equalsIgnoreCase("yes")
                : held == List.class ? new ArrayList<>(NameList.read(text)) : text);
      } catch (IllegalAccessException e) {
        throw new IllegalStateException(e);
      }
    }

    private Object held(Object row) {
      try {
        Object held = field.get(row);
        return held == null ? "" : held;
      } catch (IllegalAccessException e) {
        throw new IllegalStateException(e);
      }
    }
  }

  /**
   * @param blank makes a row without anything in it
   * @param type of the document's part, a record
   */
  RowTable(Supplier<L> blank, Class<P> type) {
    this.blank = blank;
    this.type = type;
    this.columns =
        Arrays.stream(blank.get().getClass().getFields())
            .filter(field -> field.isAnnotationPresent(Entry.class))
            .map(field -> new Column(field, field.getAnnotation(Entry.class)))
            .toList();
  }

  /** The fields, in reading order. */
  List<Column> columns() {
    return columns;
  }

  /** The fields that the form shows, or those that it shows behind a word that opens. */
  public List<Column> shown(boolean aside) {
    return columns.stream()
        .filter(c -> !c.label().isEmpty() && c.entry().aside() == aside)
        .toList();
  }

  /**
   * What a row says, as a part of the document.
   *
   * @param at the row's name in the form, to which the names of its fields are added
   * @param faults to which what cannot be read is added
   * @param more what the part holds beside these fields, by name
   */
  P read(
      L row, String at, Faults faults, As.Page page, Map<String, ? extends @Nullable Object> more) {
    Map<String, @Nullable Object> values = new HashMap<>(more);
    for (Column column : columns) {
      if (!values.containsKey(column.part())) {
        values.put(column.part(), value(column, row, at, faults, page));
      }
    }
    return made(values);
  }

  private @Nullable Object value(Column column, L row, String at, Faults faults, As.Page page) {
    Entry entry = column.entry();
    if (!counts(entry, row)) {
      return null;
    }
    Class<?> held = held(column);
    String text = column.text(row);
    String field = at + "." + column.name();
    if (text.isBlank()) {
      if (entry.empty().equals(Entry.LEFT_OUT)) {
        return null;
      }
      if (!entry.ask().isEmpty()) {
        faults.add(field, entry.ask());
        return entry.as().standIn(held);
      }
      if (!entry.empty().equals(Entry.AS_IT_IS)) {
        return entry.as().read(entry.empty(), held, page);
      }
    }
    return faults
        .at(field, () -> entry.as().read(text, held, page))
        .orElseGet(() -> entry.as().standIn(held));
  }

  private Class<?> held(Column column) {
    return Arrays.stream(type.getRecordComponents())
        .filter(part -> part.getName().equals(column.part()))
        .findFirst()
        .orElseThrow()
        .getType();
  }

  private boolean counts(Entry entry, L row) {
    return entry.dependsOn().isEmpty()
        || columns.stream()
            .filter(column -> column.name().equals(entry.dependsOn()))
            .anyMatch(column -> List.of(entry.with()).contains(column.text(row)));
  }

  private P made(Map<String, @Nullable Object> values) {
    RecordComponent[] parts = type.getRecordComponents();
    @Nullable Object[] arguments = new @Nullable Object[parts.length];
    Class<?>[] types = new Class<?>[parts.length];
    for (int i = 0; i < parts.length; i++) {
      arguments[i] = values.get(parts[i].getName());
      types[i] = parts[i].getType();
    }
    try {
      Constructor<P> constructor = type.getDeclaredConstructor(types);
      return constructor.newInstance(arguments);
    } catch (InvocationTargetException e) {
      if (e.getCause() instanceof RuntimeException refused) {
        throw refused;
      }
      throw new IllegalStateException(e);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  /** A row that says what a part does. */
  L write(P part, As.Page page) {
    L row = blank.get();
    for (Column column : columns) {
      Object value = held(part, column.part());
      boolean said = value != null && !(value.equals(0) && column.entry().empty().equals("0"));
      column.put(row, said ? column.entry().as().write(requireNonNull(value), page) : "");
    }
    return row;
  }

  private static @Nullable Object held(Record part, String name) {
    try {
      return part.getClass().getMethod(name).invoke(part);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  /** A row with the cells of a row of CSV. */
  L typed(Function<CsvColumn, String> cells) {
    L row = blank.get();
    for (Column column : columns) {
      String cell = cells.apply(column.entry().column());
      column.put(row, cell.isEmpty() ? column.entry().unsaid() : cell);
    }
    return row;
  }

  /** Whether anything is said in what the form shows behind a word that opens. */
  public boolean usesAside(L row) {
    return columns.stream().anyMatch(c -> c.entry().aside() && !c.text(row).isBlank());
  }

  /** Whether something is wrong with a field of the row called {@code at}. */
  public boolean isRefused(String at, Map<String, String> faults) {
    return columns.stream().anyMatch(c -> faults.containsKey(at + "." + c.name()));
  }

  /** Tells the cells of a row for CSV. */
  void cells(L row, BiConsumer<CsvColumn, String> cells) {
    columns.forEach(column -> cells.accept(column.entry().column(), column.text(row)));
  }

  /** A second row with the same in it. */
  L copy(L row) {
    L copy = blank.get();
    columns.forEach(column -> column.put(copy, column.text(row)));
    return copy;
  }
}
