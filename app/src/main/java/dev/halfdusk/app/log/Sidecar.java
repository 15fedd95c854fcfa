package dev.halfdusk.app.log;

import com.adobe.internal.xmp.XMPException;
import com.adobe.internal.xmp.XMPMeta;
import com.adobe.internal.xmp.XMPMetaFactory;
import com.adobe.internal.xmp.options.PropertyOptions;
import com.adobe.internal.xmp.options.SerializeOptions;
import dev.halfdusk.core.log.Said;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** An XMP file beside a frame, as most programs for developing read and write: the frame itself is never touched. */
final class Sidecar {

    private static final String XMP = "http://ns.adobe.com/xap/1.0/";
    private static final String DC = "http://purl.org/dc/elements/1.1/";
    private static final String PHOTOSHOP = "http://ns.adobe.com/photoshop/1.0/";
    private static final String ENDS = ".xmp";
    private static final int LARGEST = 1 << 20;
    private static final int REFUSED = 1;
    private static final int KEPT = 3;
    private static final int BEST = 5;

    private Sidecar() {}

    /** Frame "A_1.tif" has "A_1.xmp". */
    static String name(String frame) {
        int dot = frame.lastIndexOf('.');
        return (dot < 0 ? frame : frame.substring(0, dot)) + ENDS;
    }

    static String write(EntryFrame f, Entry e, List<String> keywords) {
        try {
            XMPMeta meta = XMPMetaFactory.create();
            rating(f.said()).ifPresent(r -> set(meta, r));
            for (String k : keywords) {
                meta.appendArrayItem(DC, "subject", new PropertyOptions().setArray(true), k, null);
            }
            meta.setLocalizedText(DC, "title", "", "x-default", e.title());
            if (!e.told().good().isEmpty()) {
                meta.setLocalizedText(
                        DC, "description", "", "x-default", e.told().good());
            }
            meta.setProperty(PHOTOSHOP, "City", e.where().name());
            return XMPMetaFactory.serializeToString(meta, new SerializeOptions().setUseCompactFormat(true));
        } catch (XMPException x) {
            throw new IllegalStateException(x);
        }
    }

    private static void set(XMPMeta meta, int rating) {
        try {
            meta.setPropertyInteger(XMP, "Rating", rating);
        } catch (XMPException x) {
            throw new IllegalStateException(x);
        }
    }

    private static Optional<Integer> rating(Said said) {
        return switch (said) {
            case NOTHING -> Optional.empty();
            case BEST -> Optional.of(BEST);
            case KEPT -> Optional.of(KEPT);
            default -> Optional.of(REFUSED);
        };
    }

    /** What the sidecar of a frame says of it; nothing where there is none, or it cannot be read. */
    static Said said(Path frame) {
        for (Path beside : List.of(
                frame.resolveSibling(name(frame.getFileName().toString())),
                frame.resolveSibling(frame.getFileName() + ENDS))) {
            try {
                if (Files.isRegularFile(beside) && Files.size(beside) <= LARGEST) {
                    return said(Files.readAllBytes(beside));
                }
            } catch (IOException e) {
                return Said.NOTHING; // a sidecar is no reason to refuse its frame
            }
        }
        return Said.NOTHING;
    }

    static Said said(byte[] xmp) {
        if (new String(xmp, StandardCharsets.ISO_8859_1).contains("<!DOCTYPE")) {
            return Said.NOTHING;
        }
        try {
            XMPMeta meta = XMPMetaFactory.parseFromBuffer(xmp);
            Integer rating = meta.getPropertyInteger(XMP, "Rating");
            return rating == null || rating == 0
                    ? Said.NOTHING
                    : rating >= BEST ? Said.BEST : rating >= KEPT ? Said.KEPT : Said.OTHER;
        } catch (XMPException | RuntimeException e) {
            return Said.NOTHING;
        }
    }
}
