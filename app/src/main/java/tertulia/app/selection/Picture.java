package tertulia.app.selection;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A picture as it is kept: drawn anew from its points, so that nothing of the file that was sent is
 * in it, neither where it was taken nor anything that is no picture.
 *
 * @param type png or jpeg
 */
public record Picture(String type, byte[] bytes) {
  /** Most that is taken, in bytes. */
  public static final int MOST = 2 * 1024 * 1024;

  /** Longest side that is kept, in points; a larger one is made smaller. */
  static final int LONGEST_SIDE = 1600;

  /** Most points that are read: more would not fit beside other work. */
  private static final long MOST_POINTS = 40_000_000;

  /**
   * A picture from a file.
   *
   * @throws IllegalArgumentException if it is none, or larger than is taken
   */
  public static Picture of(byte[] file) {
    if (file.length == 0) {
      throw new IllegalArgumentException("There is no picture. Choose a PNG or JPEG file.");
    }
    if (file.length > MOST) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ENGLISH,
              "The picture has %.1f MB; at most 2 MB are taken. Make it smaller, or cut out what"
                  + " matters.",
              file.length / 1_048_576.0));
    }
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw none();
      }
      ImageReader reader = readers.next();
      String type = reader.getFormatName().toLowerCase(Locale.ROOT);
      if (!type.equals("png") && !type.equals("jpeg")) {
        throw none();
      }
      reader.setInput(in, true, true);
      if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_POINTS) {
        throw new IllegalArgumentException(
            "The picture has "
                + reader.getWidth(0)
                + " × "
                + reader.getHeight(0)
                + " points; at most 40 million are read. Make it smaller.");
      }
      ImageReadParam read = reader.getDefaultReadParam();
      int step =
          Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / (2 * LONGEST_SIDE));
      // of a very large one only so many points are held as are needed
      read.setSourceSubsampling(step, step, 0, 0);
      return drawn(reader.read(0, read), type, turn(file));
    } catch (IOException | IndexOutOfBoundsException | NegativeArraySizeException e) {
      throw none();
    }
  }

  private static IllegalArgumentException none() {
    return new IllegalArgumentException(
        "This file is no PNG or JPEG picture, or it is damaged. Choose another.");
  }

  /** How a camera held it, 1 to 8 as EXIF has it; 1 if it does not say. */
  private static int turn(byte[] file) {
    try {
      ExifIFD0Directory exif =
          ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      return exif != null && exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
          ? exif.getInt(ExifIFD0Directory.TAG_ORIENTATION)
          : 1;
    } catch (ImageProcessingException | MetadataException | IOException e) {
      return 1;
    }
  }

  private static Picture drawn(BufferedImage image, String type, int turn) throws IOException {
    double scale =
        Math.min(1, (double) LONGEST_SIDE / Math.max(image.getWidth(), image.getHeight()));
    int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
    int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
    boolean sideways = turn >= 5 && turn <= 8;
    BufferedImage kept =
        new BufferedImage(
            sideways ? height : width,
            sideways ? width : height,
            type.equals("png") ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = kept.createGraphics();
    if (type.equals("jpeg")) {
      pen.setColor(Color.WHITE);
      pen.fillRect(0, 0, kept.getWidth(), kept.getHeight());
    }
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    pen.transform(upright(turn, width, height));
    pen.drawImage(image, 0, 0, width, height, null);
    pen.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    if (!ImageIO.write(kept, type, out)) {
      throw none();
    }
    return new Picture(type, out.toByteArray());
  }

  /** What turns a picture of this size upright. */
  private static AffineTransform upright(int turn, int w, int h) {
    return switch (turn) {
      case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
      case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
      case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
      case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
      case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
      case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
      case 8 -> new AffineTransform(0, -1, 1, 0, 0, w);
      default -> new AffineTransform();
    };
  }
}
