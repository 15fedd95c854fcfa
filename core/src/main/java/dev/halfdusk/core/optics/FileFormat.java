package dev.halfdusk.core.optics;

import java.util.Locale;

/** What a body writes for each frame. */
public enum FileFormat {
    RAW("raw"),
    RAW_AND_JPEG("raw and JPEG"),
    JPEG("JPEG");

    private final String words;

    FileFormat(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Short name for addresses and files. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Megabytes of a frame. */
    public double megabytes(CameraBody.Files files) {
        return switch (this) {
            case RAW -> files.rawMb();
            case RAW_AND_JPEG -> files.rawMb() + files.jpegMb();
            case JPEG -> files.jpegMb();
        };
    }
}
