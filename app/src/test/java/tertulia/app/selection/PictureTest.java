package tertulia.app.selection;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.sun.management.ThreadMXBean;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A picture is drawn anew: upright, not too large, and with nothing in it but its points. */
public class PictureTest {
  private static final String SECRET = "52.3702N 4.8952E <script>alert(1)</script>";

  /** Red above left, blue elsewhere. */
  static byte[] image(String type, int width, int height) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < width; x++) {
      for (int y = 0; y < height; y++) {
        boolean corner = x < width / 2 && y < height / 2;
        image.setRGB(x, y, (corner ? Color.RED : Color.BLUE).getRGB());
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, type, out);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    return out.toByteArray();
  }

  /** A JPEG with an EXIF part that says how it was held, and where. */
  private static byte[] held(int turn) {
    byte[] plain = image("jpeg", 40, 20);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    byte[] place = SECRET.getBytes(StandardCharsets.US_ASCII);
    // one entry: tag 0x0112, short, one value; then text nobody needs
    byte[] exif = {
      'E',
      'x',
      'i',
      'f',
      0,
      0,
      'M',
      'M',
      0,
      42,
      0,
      0,
      0,
      8,
      0,
      1,
      1,
      0x12,
      0,
      3,
      0,
      0,
      0,
      1,
      0,
      (byte) turn,
      0,
      0,
      0,
      0,
      0,
      0
    };
    int length = 2 + exif.length + place.length;
    out.write(plain, 0, 2);
    out.write(0xFF);
    out.write(0xE1);
    out.write(length >> 8);
    out.write(length & 0xFF);
    out.writeBytes(exif);
    out.writeBytes(place);
    out.write(plain, 2, plain.length - 2);
    return out.toByteArray();
  }

  private static BufferedImage read(Picture picture) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(picture.bytes()));
  }

  private static boolean isRed(BufferedImage image, double x, double y) {
    Color color =
        new Color(image.getRGB((int) (x * image.getWidth()), (int) (y * image.getHeight())));
    return color.getRed() > color.getBlue();
  }

  @DataProvider
  public Object[][] turns() {
    // how it was held; whether it lies on its side; where the red corner is when it is upright
    return new Object[][] {
      {1, false, 0.25, 0.25},
      {2, false, 0.75, 0.25},
      {3, false, 0.75, 0.75},
      {4, false, 0.25, 0.75},
      {5, true, 0.25, 0.25},
      {6, true, 0.75, 0.25},
      {7, true, 0.75, 0.75},
      {8, true, 0.25, 0.75},
    };
  }

  @Test(dataProvider = "turns")
  public void itIsTurnedUprightAndSaysNothingMore(int turn, boolean side, double x, double y)
      throws IOException {
    byte[] file = held(turn);
    assertTrue(new String(file, StandardCharsets.ISO_8859_1).contains(SECRET));
    Picture picture = Picture.of(file);
    assertEquals(picture.type(), "jpeg");
    assertFalse(new String(picture.bytes(), StandardCharsets.ISO_8859_1).contains("script"));
    assertFalse(new String(picture.bytes(), StandardCharsets.ISO_8859_1).contains("Exif"));
    BufferedImage upright = read(picture);
    assertEquals(upright.getWidth(), side ? 20 : 40);
    assertEquals(upright.getHeight(), side ? 40 : 20);
    for (double across : new double[] {0.25, 0.75}) {
      for (double down : new double[] {0.25, 0.75}) {
        assertEquals(isRed(upright, across, down), across == x && down == y, across + " " + down);
      }
    }
  }

  @Test
  public void whatHangsBehindAPictureIsNotKept() {
    byte[] png = image("png", 30, 30);
    byte[] tailed = Arrays.copyOf(png, png.length + SECRET.length());
    System.arraycopy(
        SECRET.getBytes(StandardCharsets.US_ASCII), 0, tailed, png.length, SECRET.length());
    Picture picture = Picture.of(tailed);
    assertEquals(picture.type(), "png");
    assertFalse(new String(picture.bytes(), StandardCharsets.ISO_8859_1).contains("script"));
  }

  @Test
  public void aLargeOneIsMadeSmaller() throws IOException {
    BufferedImage kept = read(Picture.of(image("png", 3200, 400)));
    assertEquals(kept.getWidth(), Picture.LONGEST_SIDE);
    assertEquals(kept.getHeight(), 200);
    assertTrue(isRed(kept, 0.25, 0.25));
  }

  private static String refusal(byte[] file) {
    try {
      Picture.of(file);
    } catch (IllegalArgumentException e) {
      return String.valueOf(e.getMessage());
    }
    return "taken";
  }

  @Test
  public void whatIsNoPictureIsRefusedInASentence() {
    String none = "This file is no PNG or JPEG picture, or it is damaged. Choose another.";
    byte[] png = image("png", 30, 30);
    assertEquals(refusal(new byte[0]), "There is no picture. Choose a PNG or JPEG file.");
    assertEquals(refusal("<svg onload='alert(1)'/>".getBytes(StandardCharsets.UTF_8)), none);
    assertEquals(refusal(image("gif", 30, 30)), none);
    assertEquals(refusal(Arrays.copyOf(png, 40)), none, "cut off");
    assertEquals(
        refusal(new byte[3 * 1024 * 1024]),
        "The picture has 3.0 MB; at most 2 MB are taken. Make it smaller, or cut out what"
            + " matters.");
    // a small file that claims to be enormous: width and height stand at 16 and 20
    byte[] claims = png.clone();
    claims[17] = 1;
    claims[21] = 1;
    CRC32 sum = new CRC32();
    sum.update(claims, 12, 17);
    for (int i = 0; i < 4; i++) {
      claims[29 + i] = (byte) (sum.getValue() >> (24 - 8 * i));
    }
    assertEquals(
        refusal(claims),
        "The picture has 65566 × 65566 points of 24 bits and is too large: at most 40 million"
            + " points and 120 MB unpacked are read. Make it smaller.");
  }

  /** One part of a PNG file, with its sum. */
  private static void part(ByteArrayOutputStream out, String name, byte[] content) {
    byte[] named = name.getBytes(StandardCharsets.US_ASCII);
    CRC32 sum = new CRC32();
    sum.update(named);
    sum.update(content);
    out.writeBytes(ByteBuffer.allocate(4).putInt(content.length).array());
    out.writeBytes(named);
    out.writeBytes(content);
    out.writeBytes(ByteBuffer.allocate(4).putInt((int) sum.getValue()).array());
  }

  private static byte[] packed(long zeros) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    byte[] some = new byte[1 << 16];
    try (DeflaterOutputStream deflater = new DeflaterOutputStream(out)) {
      for (long left = zeros; left > 0; left -= some.length) {
        deflater.write(some, 0, (int) Math.min(left, some.length));
      }
    }
    return out.toByteArray();
  }

  /** A small picture with a text in it that unpacks to a gigabyte. */
  private static byte[] withALongText(byte[] png) throws IOException {
    ByteArrayOutputStream text = new ByteArrayOutputStream();
    text.writeBytes(new byte[] {'C', 'o', 'm', 'm', 'e', 'n', 't', 0, 0});
    text.writeBytes(packed(1L << 30));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int head = 8 + 25;
    out.write(png, 0, head);
    part(out, "zTXt", text.toByteArray());
    out.write(png, head, png.length - head);
    return out.toByteArray();
  }

  private static byte[] withColoursCounted() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(30, 30, BufferedImage.TYPE_BYTE_INDEXED), "png", out);
    return out.toByteArray();
  }

  /** More than this thread may have taken while a small picture is drawn. */
  private static final long MUCH = 256L << 20;

  @Test
  public void aTextInAPictureIsNotUnpacked() throws IOException {
    for (byte[] plain : List.of(image("png", 30, 30), withColoursCounted())) {
      byte[] file = withALongText(plain);
      assertTrue(file.length < Picture.MOST, file.length + " bytes");
      ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
      long before = threads.getCurrentThreadAllocatedBytes();
      assertEquals(read(Picture.of(file)).getWidth(), 30);
      long taken = threads.getCurrentThreadAllocatedBytes() - before;
      assertTrue(taken < MUCH, "took " + taken + " bytes");
    }
  }

  /** By its head alone: what follows is never looked at. */
  private static byte[] headOnly(int width, int height, int bits, int kind) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(image("png", 1, 1), 0, 8);
    part(
        out,
        "IHDR",
        ByteBuffer.allocate(13)
            .putInt(width)
            .putInt(height)
            .put((byte) bits)
            .put((byte) kind)
            .put(new byte[3])
            .array());
    part(out, "IDAT", packed(1000));
    return out.toByteArray();
  }

  @Test
  public void howDeepItsPointsAreCounts() throws IOException {
    assertEquals(
        refusal(headOnly(6300, 6300, 16, 6)),
        "The picture has 6300 × 6300 points of 64 bits and is too large: at most 40 million points"
            + " and 120 MB unpacked are read. Make it smaller.");
    assertEquals(
        refusal(headOnly(6300, 6300, 8, 2)),
        "This file is no PNG or JPEG picture, or it is damaged. Choose another.",
        "with 24 bits a point it would be read, and is cut off");
  }
}
