package dev.restis.app.platform;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.Map;
import javax.imageio.ImageIO;

/** Codes that a camera reads. */
public final class QrCode {

    private static final int SIDE = 120;

    private QrCode() {}

    /** As a picture, in base 64. */
    public static String png(String words) {
        try {
            BitMatrix code = new QRCodeWriter()
                    .encode(words, BarcodeFormat.QR_CODE, SIDE, SIDE, Map.of(EncodeHintType.MARGIN, 1));
            BufferedImage image = new BufferedImage(code.getWidth(), code.getHeight(), BufferedImage.TYPE_BYTE_BINARY);
            for (int x = 0; x < code.getWidth(); x++) {
                for (int y = 0; y < code.getHeight(); y++) {
                    image.setRGB(x, y, code.get(x, y) ? 0 : 0xFFFFFF);
                }
            }
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            ImageIO.write(image, "png", png);
            return Base64.getEncoder().encodeToString(png.toByteArray());
        } catch (WriterException | IOException e) {
            throw new UncheckedIOException(new IOException(e));
        }
    }
}
