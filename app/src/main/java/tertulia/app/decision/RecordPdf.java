package tertulia.app.decision;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Writes a record as a PDF, from the same template as the page; nothing is loaded from outside. */
@Component
class RecordPdf {
  private final ITemplateEngine templates;

  RecordPdf(ITemplateEngine templates) {
    this.templates = templates;
  }

  byte[] write(Minutes minutes) {
    String page =
        templates.process(
            "decision/record-pdf",
            new Context(
                Locale.ENGLISH,
                Map.of(
                    "minutes",
                    minutes,
                    "style",
                    new String(bytes("pdf/record.css"), StandardCharsets.UTF_8))));
    try (ByteArrayOutputStream out = new ByteArrayOutputStream();
        BatikSVGDrawer pictures = new BatikSVGDrawer()) {
      PdfRendererBuilder builder = new PdfRendererBuilder();
      font(builder, "source-sans-3-regular", "Source Sans", 400, FontStyle.NORMAL);
      font(builder, "source-sans-3-semibold", "Source Sans", 600, FontStyle.NORMAL);
      font(builder, "source-sans-3-italic", "Source Sans", 400, FontStyle.ITALIC);
      font(builder, "alegreya-medium", "Alegreya", 500, FontStyle.NORMAL);
      font(builder, "alegreya-bold", "Alegreya", 700, FontStyle.NORMAL);
      builder
          .useSVGDrawer(pictures)
          // a record has no address from which anything could be fetched
          .useUriResolver((base, address) -> null)
          .withHtmlContent(page, null)
          .withProducer("Tertulia")
          .toStream(out)
          .run();
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void font(
      PdfRendererBuilder builder, String file, String family, int weight, FontStyle style) {
    builder.useFont(() -> open("fonts/" + file + ".ttf"), family, weight, style, true);
  }

  private static InputStream open(String name) {
    return Objects.requireNonNull(RecordPdf.class.getClassLoader().getResourceAsStream(name), name);
  }

  private static byte[] bytes(String name) {
    try (InputStream in = open(name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
