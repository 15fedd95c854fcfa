package dev.halfdusk.app.pictures;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;

/**
 * An address as a square code that phones read, with the quiet edge it needs.
 *
 * @param size modules each way
 * @param path of the dark ones
 */
public record QrPicture(int size, String path) {

    private static final int QUIET = 4;

    public static QrPicture of(String address) {
        ByteMatrix modules = modules(address);
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < modules.getHeight(); y++) {
            for (int x = 0; x < modules.getWidth(); x++) {
                if (modules.get(x, y) == 1) {
                    path.append('M')
                            .append(x + QUIET)
                            .append(' ')
                            .append(y + QUIET)
                            .append("h1v1h-1z");
                }
            }
        }
        return new QrPicture(modules.getWidth() + 2 * QUIET, path.toString());
    }

    private static ByteMatrix modules(String address) {
        try {
            return Encoder.encode(address, ErrorCorrectionLevel.M).getMatrix();
        } catch (WriterException e) {
            throw new IllegalArgumentException("an address of " + address.length() + " characters is too long", e);
        }
    }
}
