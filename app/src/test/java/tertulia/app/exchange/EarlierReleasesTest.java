package tertulia.app.exchange;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Files that earlier releases wrote are read, computed and written again; later ones are said. */
public class EarlierReleasesTest {
  private static final Path FILES = Path.of("src/test/resources/releases");

  @DataProvider
  public Object[][] files() throws IOException {
    try (Stream<Path> files = Files.list(FILES)) {
      return files.sorted().map(file -> new Object[] {file}).toArray(Object[][]::new);
    }
  }

  @Test(dataProvider = "files")
  public void aFileOfAnEarlierReleaseIsRead(Path file) throws IOException {
    byte[] bytes = Files.readAllBytes(file);
    if (file.getFileName().toString().startsWith("catalogue")) {
      CatalogueFile.Read read = CatalogueFile.read(bytes);
      assertTrue(read instanceof CatalogueFile.Read.Accepted, read.toString());
      CatalogueFile first = ((CatalogueFile.Read.Accepted) read).file();
      assertFalse(first.tools().isEmpty());
      CatalogueFile.Read again = CatalogueFile.read(utf8(first.write()));
      assertEquals(
          ((CatalogueFile.Read.Accepted) again).file().write(),
          first.write(),
          "written by today's");
    } else {
      PortableFile.Read read = PortableFile.read(bytes);
      assertTrue(read instanceof PortableFile.Read.Accepted, read.toString());
      PortableFile.Read.Accepted first = (PortableFile.Read.Accepted) read;
      assertEquals(Results.of(first.selection()).contenders().size(), 2);
      PortableFile.Read again = PortableFile.read(utf8(PortableFile.write(first.file())));
      assertEquals(
          Results.of(((PortableFile.Read.Accepted) again).selection()),
          Results.of(first.selection()),
          "written by today's");
    }
  }

  @Test(dataProvider = "files")
  public void aFileOfALaterReleaseIsSaidToBeOne(Path file) throws IOException {
    String later = Files.readString(file).replaceFirst("\"version\":\\s*1", "\"version\":2");
    List<Fault> faults =
        file.getFileName().toString().startsWith("catalogue")
            ? ((CatalogueFile.Read.Refused) CatalogueFile.read(utf8(later))).faults()
            : ((PortableFile.Read.Refused) PortableFile.read(utf8(later))).faults();
    assertTrue(
        faults.getFirst().message().contains("was written by a later release of Tertulia"),
        faults.toString());
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
