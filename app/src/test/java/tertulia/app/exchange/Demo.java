package tertulia.app.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import tertulia.core.evaluation.Selection;

/** The demonstration's selection, for tests. */
public final class Demo {
  private Demo() {}

  public static String text() {
    try (InputStream in =
        Objects.requireNonNull(Demo.class.getResourceAsStream("/demo/freight-desk-booking.json"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static PortableFile.Read.Accepted accepted() {
    return (PortableFile.Read.Accepted) PortableFile.read(text().getBytes(StandardCharsets.UTF_8));
  }

  public static SelectionFile file() {
    return accepted().file();
  }

  public static Selection selection() {
    return accepted().selection();
  }
}
