package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.TrailOptions;
import java.util.Locale;

/**
 * What is to become of frames.
 *
 * @param what trails or a stack
 * @param trails how trails are drawn
 * @param clipped whether a stack leaves out what stands out in one frame
 * @param groundStill whether the land of a stack stays where it is
 */
public record Wanted(What what, TrailOptions trails, boolean clipped, boolean groundStill) {

    /** Kinds of pictures that frames are put together to. */
    public enum What {
        TRAILS("Trails"),
        STACK("Stack");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
