package tertulia.app.selection;

import com.drew.imaging.jpeg.JpegMetadataReader;
import com.drew.imaging.jpeg.JpegProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifReader;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
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

  /** Most bytes of points as the file has them, unpacked: a point may have eight. */
  private static final long MOST_UNPACKED = 120_000_000;

  private static final int BITS_OF_A_BYTE = 8;

  /** Of a point of a picture whose file does not say, as in a JPEG. */
  private static final int BITS_OF_A_POINT = 24;

  /** So many are drawn at once; who comes then waits, but not for long. */
  private static final Semaphore DRAWN_AT_ONCE = new Semaphore(2);

  private static final int LONGEST_WAIT_SECONDS = 5;

  /** Others are being drawn, and the next in line has waited long enough. */
  public static final class Busy extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Busy() {
      super("Other pictures are being taken in just now. Send this one again in a moment.");
    }
  }

  /**
   * A picture from a file.
   *
   * @throws IllegalArgumentException if it is none, or larger than is taken
   * @throws Busy if others are being drawn for too long
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
    boolean mine = false;
    try {
      mine = DRAWN_AT_ONCE.tryAcquire(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS);
      if (!mine) {
        throw new Busy();
      }
      return read(file);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Busy();
    } finally {
      if (mine) {
        DRAWN_AT_ONCE.release();
      }
    }
  }

  private static Picture read(byte[] file) {
    ImageReader reader = null;
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw none();
      }
      reader = readers.next();
      String type = reader.getFormatName().toLowerCase(Locale.ROOT);
      if (!type.equals("png") && !type.equals("jpeg")) {
        throw none();
      }
      reader.setInput(in, true, true);
      refuseTooLarge(reader);
      ImageReadParam read = reader.getDefaultReadParam();
      int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
      int step = Math.ceilDiv(longest, 2 * LONGEST_SIDE);
      // of a very large one only so many points are held as are needed
      read.setSourceSubsampling(step, step, 0, 0);
      return drawn(reader.read(0, read), type, type.equals("jpeg") ? turn(file) : 1);
    } catch (IOException | IndexOutOfBoundsException | NegativeArraySizeException e) {
      throw none();
    } finally {
      if (reader != null) {
        reader.dispose();
      }
    }
  }

  /** Refuses by its head what would take more memory than there is beside other work. */
  private static void refuseTooLarge(ImageReader reader) throws IOException {
    long points = (long) reader.getWidth(0) * reader.getHeight(0);
    ImageTypeSpecifier raw = reader.getRawImageType(0);
    int bits = raw == null ? BITS_OF_A_POINT : raw.getColorModel().getPixelSize();
    if (points > MOST_POINTS || points * bits / BITS_OF_A_BYTE > MOST_UNPACKED) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ENGLISH,
              "The picture has %d × %d points of %d bits and is too large: at most 40 million"
                  + " points and 120 MB unpacked are read. Make it smaller.",
              reader.getWidth(0),
              reader.getHeight(0),
              bits));
    }
  }

  private static IllegalArgumentException none() {
    return new IllegalArgumentException(
        "This file is no PNG or JPEG picture, or it is damaged. Choose another.");
  }

  /**
   * How a camera held a JPEG, 1 to 8 as EXIF has it; 1 if it does not say. Of what else a file can
   * hold beside its points nothing is read: it may unpack to any size.
   */
  private static int turn(byte[] file) {
    try {
      ExifIFD0Directory exif =
          JpegMetadataReader.readMetadata(new ByteArrayInputStream(file), List.of(new ExifReader()))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      return exif != null && exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
          ? exif.getInt(ExifIFD0Directory.TAG_ORIENTATION)
          : 1;
    } catch (JpegProcessingException | MetadataException | IOException e) {
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
