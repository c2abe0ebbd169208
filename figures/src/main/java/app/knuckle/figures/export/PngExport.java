package app.knuckle.figures.export;

import app.knuckle.figures.scene.Painter;
import app.knuckle.figures.scene.Scene;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Writes a scene as PNG that knows its resolution. */
public final class PngExport {

  private static final double POINTS_PER_INCH = 72;
  private static final double INCHES_PER_METRE = 1 / 0.0254;

  /** The metadata format of the PNG standard's chunks, as the JDK names it. */
  private static final String PNG = "javax_imageio_png_1.0";

  /**
   * The writer's scale from smallest (0) to fastest (1). Flat colours pack so well that the
   * smallest file is a tenth smaller, and takes more than twice as long to make.
   */
  private static final float FAST = 0.9f;

  /** A picture with more, such as that of 8,000 plots at 300 dots an inch, fills the memory. */
  private static final double MOST_PIXELS = 64e6;

  private PngExport() {}

  /**
   * Paints a scene.
   *
   * @param scene what to paint
   * @param scale pixels per point
   * @return the picture
   */
  public static BufferedImage image(Scene scene, double scale) {
    return painted(scene, scale, BufferedImage.TYPE_INT_ARGB_PRE);
  }

  private static BufferedImage painted(Scene scene, double scale, int type) {
    int width = Math.max(1, (int) Math.round(scene.width() * scale));
    int height = Math.max(1, (int) Math.round(scene.height() * scale));
    BufferedImage image = new BufferedImage(width, height, type);
    Graphics2D g = image.createGraphics();
    g.scale(scale, scale);
    Painter.paint(scene, g);
    g.dispose();
    return image;
  }

  /**
   * Writes a scene.
   *
   * @param scene what to write
   * @param wanted dots per inch; a picture of more than 64 million dots gets fewer, as the file
   *     says
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(Scene scene, int wanted, OutputStream out) throws IOException {
    double scale = wanted / POINTS_PER_INCH;
    double pixels = scene.width() * scale * scene.height() * scale;
    double dpi = pixels <= MOST_PIXELS ? wanted : wanted * Math.sqrt(MOST_PIXELS / pixels);
    // A scene paints its own paper, so that nothing shines through.
    BufferedImage plain = painted(scene, dpi / POINTS_PER_INCH, BufferedImage.TYPE_3BYTE_BGR);
    ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
    IIOMetadata metadata =
        writer.getDefaultImageMetadata(
            new ImageTypeSpecifier(plain), writer.getDefaultWriteParam());
    String perMetre = String.valueOf(Math.round(dpi * INCHES_PER_METRE));
    IIOMetadataNode density = new IIOMetadataNode("pHYs");
    density.setAttribute("pixelsPerUnitXAxis", perMetre);
    density.setAttribute("pixelsPerUnitYAxis", perMetre);
    density.setAttribute("unitSpecifier", "meter");
    IIOMetadataNode root = new IIOMetadataNode(PNG);
    root.appendChild(density);
    metadata.mergeTree(PNG, root);
    ImageWriteParam how = writer.getDefaultWriteParam();
    how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
    how.setCompressionQuality(FAST);
    try (ImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
      writer.setOutput(stream);
      writer.write(metadata, new IIOImage(plain, null, metadata), how);
    } finally {
      writer.dispose();
    }
  }
}
